import { cockpitWorker } from './cockpit.ts'
import type { CockpitQuestion } from './cockpit.ts'

const work = cockpitWorker(
  (message) => self.postMessage(message),
  () => performance.now(),
  () => new Promise((resolve) => setTimeout(resolve)),
)
self.addEventListener('message', (event: MessageEvent<CockpitQuestion>) => void work(event.data))
