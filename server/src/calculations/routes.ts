import { calculationSchemas } from '@level-stance/core/kernel/calculation'
import { calculationNamed, calculations } from '@level-stance/core/calculations'
import type { contract } from '@level-stance/core/contract/contract'
import type { AnswerOf } from '@level-stance/core/contract/route'
import { sources } from '@level-stance/core/kernel/sources'
import { notFound } from '../http/errors.ts'
import type { Handlers } from '../http/serve.ts'
import type { Calculate } from './pool.ts'

type Routes = Pick<typeof contract, 'listCalculations' | 'readCalculation' | 'runCalculation'>

/** Every calculation of the core over HTTP: list, schema, run. */
export function calculationHandlers(calculate: Calculate): Handlers<Routes> {
  const list = calculations.map((calculation) => ({
    name: calculation.name,
    title: calculation.title,
    summary: calculation.summary,
    schemas: calculationSchemas(calculation),
    sources: calculation.sources.map((key) => ({ key, ...sources[key] })),
  }))
  const unknown = (name: string) => notFound(`The calculation “${name.slice(0, 80)}”`)
  return {
    listCalculations: () => ({ calculations: list }),
    readCalculation: ({ params }) => {
      const found = list.find((entry) => entry.name === params.name)
      if (!found) throw unknown(params.name)
      return found
    },
    runCalculation: async ({ params, body }) => {
      if (!calculationNamed(params.name)) throw unknown(params.name)
      return (await calculate(params.name, body)) as AnswerOf<Routes['runCalculation']>
    },
  }
}
