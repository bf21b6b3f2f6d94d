import { reasonWorker } from './reasoning.ts'
import type { ReasonQuestion } from './reasoning.ts'

const work = reasonWorker()
self.addEventListener('message', (event: MessageEvent<ReasonQuestion>) => self.postMessage(work(event.data)))
