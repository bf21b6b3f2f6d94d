import { MatAnalysis } from '@level-stance/core/stations/seat/mat/analysis'
import type { MatResult } from '@level-stance/core/stations/seat/mat/analysis'
import { MatError, MatReader, matFrameText, matHeaderText } from '@level-stance/core/stations/seat/mat/format'
import type { MatHeader } from '@level-stance/core/stations/seat/mat/format'
import { simulateFrame, simulatedMat } from '@level-stance/core/simulate/matSimulation'
import type { MatRider } from '@level-stance/core/simulate/matSimulation'
import { itemAt } from '@level-stance/core/kernel/dense'

/** What the mat's worker is asked. `text`: a whole file; `start`, `change`, `stop`: the simulated mat. */
export type MatQuestion =
  | { readonly kind: 'text'; readonly id: string; readonly text: string }
  | { readonly kind: 'start'; readonly id: string; readonly rider: MatRider }
  | { readonly kind: 'change'; readonly rider: MatRider }
  | { readonly kind: 'stop' }

/** What it answers: numbers so far; and, when a simulated recording ends, its text in the open format. */
export type MatAnswer =
  | { readonly kind: 'result'; readonly id: string; readonly header: MatHeader; readonly result: MatResult | null; readonly live: boolean }
  | { readonly kind: 'broken'; readonly id: string; readonly message: string }
  | { readonly kind: 'recorded'; readonly id: string; readonly text: string }

/** Frames a second of the simulated mat, and how long it may run, s. */
const LIVE_RATE = 10
const LIVE_LIMIT = 120

/** The worker's whole work, apart from the mailbox and the clock. */
export function matWorker(post: (answer: MatAnswer) => void, every: (run: () => void, ms: number) => () => void, random: () => number) {
  let stop = () => {}

  function whole({ id, text }: Extract<MatQuestion, { kind: 'text' }>): void {
    try {
      const read = reading(id)
      read.reader.push(text)
      read.reader.end()
      read.tell(false)
    } catch (error) {
      if (!(error instanceof MatError)) throw error
      post({ kind: 'broken', id, message: error.message })
    }
  }

  /** A reader that hands its frames to an analysis: files and the simulated mat come in by this same door. */
  function reading(id: string) {
    let analysis: MatAnalysis | null = null
    const reader = new MatReader((frame, header) => {
      analysis ??= new MatAnalysis(header)
      analysis.add(frame)
    })
    const tell = (live: boolean) => {
      if (reader.header) post({ kind: 'result', id, header: reader.header, result: analysis?.result() ?? null, live })
    }
    return { reader, tell }
  }

  function start(id: string, first: MatRider): (rider: MatRider) => void {
    let rider = first
    let frames = 0
    const { reader, tell } = reading(id)
    const parts = [matHeaderText(simulatedMat)]
    reader.push(itemAt(parts, 0))
    const end = every(() => {
      const part = matFrameText(simulateFrame(rider, frames / LIVE_RATE, random), simulatedMat)
      frames += 1
      parts.push(part)
      reader.push(part)
      tell(true)
      if (frames >= LIVE_LIMIT * LIVE_RATE) stop()
    }, 1000 / LIVE_RATE)
    stop = () => {
      end()
      stop = () => {}
      if (frames === 0) return
      tell(false)
      post({ kind: 'recorded', id, text: parts.join('') })
    }
    return (changed) => (rider = changed)
  }

  let change: (rider: MatRider) => void = () => {}
  return (question: MatQuestion): void => {
    if (question.kind === 'text') whole(question)
    else if (question.kind === 'start') {
      stop()
      change = start(question.id, question.rider)
    } else if (question.kind === 'change') change(question.rider)
    else stop()
  }
}
