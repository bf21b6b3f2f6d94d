/** Starts the worker that works out what is uncertain. Apart, because only a bundler understands the address. */
export function startKnowledgeWorker(): Worker {
  return new Worker(new URL('./knowledge.worker.ts', import.meta.url), { type: 'module' })
}
