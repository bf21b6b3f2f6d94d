/** Starts the worker that works out what is uncertain. Apart, because only a bundler understands the address. */
export function startUncertaintyWorker(): Worker {
  return new Worker(new URL('./uncertainty.worker.ts', import.meta.url), { type: 'module' })
}

/** Starts the worker that reads and analyses pressure recordings, and simulates a mat. */
export function startMatWorker(): Worker {
  return new Worker(new URL('./mat.worker.ts', import.meta.url), { type: 'module' })
}

/** Starts the worker that ranks causes. */
export function startReasonWorker(): Worker {
  return new Worker(new URL('./reasoning.worker.ts', import.meta.url), { type: 'module' })
}

/** Starts the worker that searches stems, bars and spacers. */
export function startCockpitWorker(): Worker {
  return new Worker(new URL('./cockpit.worker.ts', import.meta.url), { type: 'module' })
}
