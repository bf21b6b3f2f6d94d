import { Worker } from 'node:worker_threads'
import { CalculationError } from '@level-stance/core/kernel/problem'
import type { FieldProblem } from '@level-stance/core/kernel/problem'
import { HttpError } from '../http/errors.ts'

/** Runs a calculation by its name; `body` is the request's, unchecked. */
export type Calculate = (name: string, body: unknown) => Promise<unknown>

/** What a worker sends back. */
export type Worked =
  | { readonly ok: true; readonly answer: unknown }
  | { readonly ok: false; readonly code: string; readonly message: string; readonly fields: readonly FieldProblem[] }
  | { readonly ok: false; readonly code: null }

/** Ones that wait; more are turned away at once. */
const MOST_WAITING = 32

/** A thread that has not started after this long is given up, ms. */
const START_LIMIT = 20_000

interface Job {
  readonly name: string
  readonly body: unknown
  readonly done: (worked: Worked) => void
  readonly failed: (error: Error) => void
}

/**
 * Calculations in threads of their own, so that a heavy one holds up nobody else. One that runs past
 * the limit ends with its thread. The packages for this load their worker from their own folder, which
 * a server in one file does not have.
 * @param script the worker, built
 * @param threads how many run at once
 * @param limit ms for one calculation
 */
export function calculationPool(script: URL, threads: number, limit: number): { calculate: Calculate; close: () => Promise<void> } {
  const idle: Worker[] = []
  const all = new Set<Worker>()
  const ready = new WeakSet<Worker>()
  const waiting: Job[] = []

  function next(): void {
    const [job] = waiting
    if (!job) return
    let worker: Worker | undefined
    try {
      worker = idle.pop() ?? (all.size < threads ? start() : undefined)
    } catch (error) {
      waiting.shift()
      return job.failed(error instanceof Error ? error : new Error('a calculating thread could not be started'))
    }
    if (!worker) return
    waiting.shift()
    run(worker, job)
  }

  function start(): Worker {
    const worker = new Worker(script)
    worker.once('online', () => ready.add(worker))
    // A thread that fails while it has nothing to do must not end the server: its exit takes it off the list.
    worker.on('error', () => {})
    worker.once('exit', () => {
      all.delete(worker)
      if (idle.includes(worker)) idle.splice(idle.indexOf(worker), 1)
    })
    worker.unref()
    all.add(worker)
    return worker
  }

  function run(worker: Worker, job: Job): void {
    let timer: NodeJS.Timeout | undefined
    const tooLong = () =>
      lose(new HttpError(422, 'too-long', `This takes longer than ${limit / 1000} seconds. Give fewer uncertainties, or fewer readings.`))
    const begin = () => {
      clearTimeout(timer)
      timer = setTimeout(tooLong, limit)
    }
    /** The thread goes with its job, and another one takes its place. */
    const lose = (error: Error) => {
      settle()
      all.delete(worker)
      void worker.terminate()
      job.failed(error)
      next()
    }
    // What a thread takes to start is not the calculation's; one that never does is given up.
    if (ready.has(worker)) begin()
    else {
      worker.once('online', begin)
      timer = setTimeout(() => lose(new Error('a calculating thread did not start')), START_LIMIT)
    }
    const take = (worked: Worked) => {
      settle()
      idle.push(worker)
      job.done(worked)
      next()
    }
    const settle = () => {
      clearTimeout(timer)
      worker.off('online', begin)
      worker.off('message', take)
      worker.off('error', lose)
      worker.off('exit', gone)
      worker.off('messageerror', lose)
    }
    const gone = () => lose(new Error('a calculating thread ended'))
    worker.on('message', take)
    worker.on('error', lose)
    worker.on('exit', gone)
    worker.on('messageerror', lose)
    try {
      worker.postMessage({ name: job.name, body: job.body })
    } catch {
      // What cannot be handed over (nested too deep to copy) is the request's fault; the thread has seen nothing of it.
      settle()
      idle.push(worker)
      job.failed(new HttpError(400, 'too-deep', 'This cannot be read: it is nested too deep.'))
      next()
    }
  }

  const calculate: Calculate = async (name, body) => {
    if (waiting.length >= MOST_WAITING) throw new HttpError(503, 'busy', 'Many calculations are waiting already. Try again in a moment.')
    const worked = await new Promise<Worked>((done, failed) => {
      waiting.push({ name, body, done, failed })
      next()
    })
    if (worked.ok) return worked.answer
    if (worked.code === null) throw new Error(`the calculation “${name}” failed in its worker`)
    throw new CalculationError(worked.code, worked.message, worked.fields)
  }
  return { calculate, close: async () => void (await Promise.all([...all].map((worker) => worker.terminate()))) }
}
