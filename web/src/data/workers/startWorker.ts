/** Starts the worker that holds the open visit. Apart, because only a bundler understands the address. */
export function startVisitWorker(): Worker {
  return new Worker(new URL('./visit.worker.ts', import.meta.url), { type: 'module' })
}

/** Starts the worker that reads and analyses pressure recordings, and simulates a mat. */
export function startMatWorker(): Worker {
  return new Worker(new URL('./mat.worker.ts', import.meta.url), { type: 'module' })
}
