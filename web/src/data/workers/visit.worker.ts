import { expose } from 'comlink'
import { visitWorker } from './visit.ts'

expose(
  visitWorker(
    () => new Promise((resolve) => setTimeout(resolve)),
    () => performance.now(),
    Math.random,
  ),
)
