import { fileURLToPath } from 'node:url'
import { parentPort } from 'node:worker_threads'
import { CalculationError } from '@level-stance/core/kernel/problem'
import { loadSheetFonts } from '../pdf/fonts.ts'
import type { SheetFonts } from '../pdf/fonts.ts'
import { calculateHere } from './heavy.ts'
import type { Worked } from './pool.ts'

let fonts: SheetFonts | null = null
const calculate = calculateHere(() => (fonts ??= loadSheetFonts(fileURLToPath(import.meta.url))))

/** One thread of the pool: a calculation in, its answer or its words out. */
parentPort?.on('message', ({ name, body }: { name: string; body: unknown }) => {
  void worked(name, body).then((answer) => parentPort?.postMessage(answer))
})

async function worked(name: string, body: unknown): Promise<Worked> {
  try {
    return { ok: true, answer: await calculate(name, body) }
  } catch (error) {
    if (!(error instanceof CalculationError)) return { ok: false, code: null }
    return { ok: false, code: error.code, message: error.message, fields: error.fields }
  }
}
