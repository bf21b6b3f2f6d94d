/** Starts the worker that works out what is uncertain. Apart, because only a bundler understands the address. */
export function startKnowledgeWorker(): Worker {
  return new Worker(new URL('./knowledge.worker.ts', import.meta.url), { type: 'module' })
}

/** Starts the worker that reads and analyses pressure recordings, and simulates a mat. */
export function startMatWorker(): Worker {
  return new Worker(new URL('./mat.worker.ts', import.meta.url), { type: 'module' })
}
