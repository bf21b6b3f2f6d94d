import { uncertaintyWorker } from './uncertainty.ts'
import type { Question } from './messages.ts'

const rest = () => new Promise<void>((resolve) => setTimeout(resolve, 0))
const work = uncertaintyWorker(
  (answer) => self.postMessage(answer),
  rest,
  () => performance.now(),
  Math.random,
)
self.addEventListener('message', (event: MessageEvent<Question>) => void work(event.data))
