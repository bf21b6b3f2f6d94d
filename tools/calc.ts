// `npm run --silent calc -- <name> < input.json`: a calculation from the command line.
// `list` names them; `<name> --schema` prints its JSON Schemas; `<name> --lines` reads an input a line and
// answers a line for each, in order, an error as its line. A bad single input exits 2 with a JSON error.
import { createInterface } from 'node:readline'
import { text } from 'node:stream/consumers'
import { calculationSchemas, evaluate } from '../core/src/kernel/calculation.ts'
import { calculationNamed, calculations } from '../core/src/calculations.ts'
import { isTooDeep, tooDeepWords } from '../core/src/kernel/nesting.ts'
import { CalculationError } from '../core/src/kernel/problem.ts'

type Calculation = NonNullable<ReturnType<typeof calculationNamed>>
type Outcome = { readonly isError: false; readonly answer: unknown } | { readonly isError: true; readonly answer: unknown }

const [name, flag] = process.argv.slice(2)
const print = (value: unknown) => console.log(JSON.stringify(value, null, 2))

function fail(code: string, message: string): never {
  console.log(JSON.stringify({ code, message, fields: [] }))
  process.exit(2)
}

/** What a calculation says of one JSON text: its answer, or what is wrong in words. */
function outcomeOf(calculation: Calculation, input: string): Outcome {
  const wrong = (code: string, message: string, fields: readonly unknown[] = []): Outcome => ({
    isError: true,
    answer: { code, message, fields },
  })
  if (isTooDeep(input)) return wrong('too-deep', tooDeepWords)
  let raw: unknown
  try {
    raw = JSON.parse(input)
  } catch {
    return wrong('broken-json', 'The input is not readable JSON. Give an object on standard input.')
  }
  try {
    return { isError: false, answer: evaluate(calculation, raw) }
  } catch (error) {
    if (!(error instanceof CalculationError)) throw error
    return wrong(error.code, error.message, error.fields)
  }
}

/** A line of JSON in, a line of JSON out; an empty line is none. */
async function everyLine(calculation: Calculation): Promise<void> {
  for await (const line of createInterface({ input: process.stdin, crlfDelay: Infinity })) {
    if (line.trim() === '') continue
    const written = process.stdout.write(`${JSON.stringify(outcomeOf(calculation, line).answer)}\n`)
    // Whoever reads slowly is waited for.
    if (!written) await new Promise((resolve) => process.stdout.once('drain', resolve))
  }
}

if (name === undefined) fail('usage', 'Name a calculation, or: list')
else if (name === 'list') print(calculations.map(({ name: key, title, summary }) => ({ name: key, title, summary })))
else {
  const calculation = calculationNamed(name) ?? fail('not-found', `There is no calculation “${name}”. Try: list`)
  if (flag === '--schema') print(calculationSchemas(calculation))
  else if (flag === '--lines') await everyLine(calculation)
  else if (flag !== undefined) fail('usage', `Unknown option ${flag}; there are --schema and --lines.`)
  else {
    const { isError, answer } = outcomeOf(calculation, await text(process.stdin))
    if (isError) {
      console.log(JSON.stringify(answer))
      process.exit(2)
    }
    print(answer)
  }
}
