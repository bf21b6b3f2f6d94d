import { parentPort } from 'node:worker_threads'
import { evaluate } from '@level-stance/core/calculation'
import { calculationNamed } from '@level-stance/core/calculations'
import { CalculationError } from '@level-stance/core/quantity/problem'
import type { Worked } from './pool.ts'

/** One thread of the pool: a calculation in, its answer or its words out. */
parentPort?.on('message', ({ name, body }: { name: string; body: unknown }) => parentPort?.postMessage(worked(name, body)))

function worked(name: string, body: unknown): Worked {
  try {
    const calculation = calculationNamed(name)
    return calculation === null ? { ok: false, code: null } : { ok: true, answer: evaluate(calculation, body) }
  } catch (error) {
    if (!(error instanceof CalculationError)) return { ok: false, code: null }
    return { ok: false, code: error.code, message: error.message, fields: error.fields }
  }
}
