// `npm run --silent calc -- <name> < input.json`: a calculation from the command line.
// `list` names them; `<name> --schema` prints its JSON Schemas. A bad input exits 2 with a JSON error.
import { text } from 'node:stream/consumers'
import { calculationSchemas, evaluate } from '../core/src/calculation.ts'
import { calculationNamed, calculations } from '../core/src/calculations.ts'
import { CalculationError } from '../core/src/quantity/problem.ts'

const [name, flag] = process.argv.slice(2)
const print = (value: unknown) => console.log(JSON.stringify(value, null, 2))

function fail(code: string, message: string, fields: readonly unknown[] = []): never {
  console.log(JSON.stringify({ code, message, fields }))
  process.exit(2)
}

if (name === undefined) fail('usage', 'Name a calculation, or: list')
else if (name === 'list') print(calculations.map(({ name: key, title, summary }) => ({ name: key, title, summary })))
else {
  const calculation = calculationNamed(name) ?? fail('not-found', `There is no calculation “${name}”. Try: list`)
  if (flag === '--schema') print(calculationSchemas(calculation))
  else if (flag !== undefined) fail('usage', `Unknown option ${flag}; there is --schema.`)
  else {
    try {
      print(evaluate(calculation, parsed(await text(process.stdin))))
    } catch (error) {
      if (!(error instanceof CalculationError)) throw error
      fail(error.code, error.message, error.fields)
    }
  }
}

function parsed(input: string): unknown {
  try {
    return JSON.parse(input)
  } catch {
    return fail('broken-json', 'The input is not readable JSON. Give an object on standard input.')
  }
}
