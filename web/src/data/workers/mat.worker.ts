import { matWorker } from './mat.ts'
import type { MatQuestion } from './mat.ts'

const work = matWorker(
  (answer) => self.postMessage(answer),
  (run, ms) => {
    const timer = setInterval(run, ms)
    return () => clearInterval(timer)
  },
  Math.random,
)
self.addEventListener('message', (event: MessageEvent<MatQuestion>) => work(event.data))
