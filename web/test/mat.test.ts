import { exampleMatRider, matText } from '@level-stance/core/simulate/examples'
import { MatReader } from '@level-stance/core/stations/seat/mat/format'
import { seeded } from '@level-stance/core/kernel/random'
import { shapeFrom } from '@level-stance/core/bike/saddleShape'
import { saddleSpecSchema, startingSaddles } from '@level-stance/core/stations/seat/saddle/kinds'
import { emptyTexts, readTexts, textsOf } from '../src/catalogue/specForm.ts'
import { saddleForm } from '../src/catalogue/partForms.ts'
import { matWorker } from '../src/data/workers/mat.ts'
import type { MatAnswer } from '../src/data/workers/mat.ts'

/** The worker without a mailbox and with a clock turned by hand. */
function worker() {
  const answers: MatAnswer[] = []
  let tick: (() => void) | null = null
  const ask = matWorker(
    (answer) => answers.push(answer),
    (run) => {
      tick = run
      return () => (tick = null)
    },
    seeded(9),
  )
  return { ask, answers, run: (times: number) => Array.from({ length: times }, () => tick?.()), running: () => tick !== null }
}

describe('the mat’s worker', () => {
  it('analyses a file, and says in words what is wrong with a broken one', () => {
    const { ask, answers } = worker()
    ask({ kind: 'text', id: 'a', text: matText(exampleMatRider, 1, 1) })
    expect(answers[0]).toMatchObject({ kind: 'result', id: 'a', live: false, result: { frames: 10 } })
    ask({ kind: 'text', id: 'b', text: 'unit,psi\nframe,0\n' })
    expect(answers[1]).toMatchObject({ kind: 'broken', id: 'b', message: expect.stringMatching(/kPa/) as string })
  })

  it('streams the simulated mat, follows a changed saddle, and hands out a file that reads back to the same numbers', () => {
    const { ask, answers, run, running } = worker()
    ask({ kind: 'start', id: 'live', rider: exampleMatRider })
    run(10)
    const before = answers.at(-1)
    expect(before).toMatchObject({ kind: 'result', live: true, header: { simulated: true }, result: { frames: 10 } })
    ask({
      kind: 'change',
      rider: { ...exampleMatRider, tilt: 5, torso: 30, shape: shapeFrom({ width: 120, length: 270, sitFromNose: 155 }) },
    })
    run(30)
    const after = answers.at(-1)
    const soft = (answer: MatAnswer | undefined) => (answer?.kind === 'result' ? (answer.result?.softTissue ?? 0) : 0)
    expect(soft(after)).toBeGreaterThan(soft(before))
    ask({ kind: 'stop' })
    expect(running()).toBe(false)
    const [last, recorded] = answers.slice(-2)
    expect(last).toMatchObject({ kind: 'result', live: false, result: { frames: 40 } })
    if (recorded?.kind !== 'recorded') throw new Error('no recording')
    let frames = 0
    const reader = new MatReader(() => (frames += 1))
    reader.push(recorded.text)
    reader.end()
    expect(frames).toBe(40)
    const again = worker()
    again.ask({ kind: 'text', id: 'again', text: recorded.text })
    expect(soft(again.answers[0])).toBeCloseTo(soft(after), 9)
  })

  it('stopped before its first frame keeps nothing; started twice, the first run ends', () => {
    const { ask, answers, run } = worker()
    ask({ kind: 'stop' })
    ask({ kind: 'start', id: 'live', rider: exampleMatRider })
    ask({ kind: 'stop' })
    expect(answers).toEqual([])
    ask({ kind: 'start', id: 'live', rider: exampleMatRider })
    run(3)
    ask({ kind: 'start', id: 'live', rider: exampleMatRider })
    run(2)
    expect(answers.filter((a) => a.kind === 'recorded')).toHaveLength(1)
    expect(answers.at(-1)).toMatchObject({ result: { frames: 2 } })
  })
})

describe('the form of a saddle', () => {
  it('gives back every starting saddle, has a field for every figure, and says what is wrong', () => {
    for (const spec of startingSaddles) expect(readTexts(saddleForm, textsOf(saddleForm, spec))).toEqual({ spec })
    expect(saddleForm.fields.map((field) => field.key).sort()).toEqual(Object.keys(saddleSpecSchema.shape).sort())
    const texts = { ...textsOf(saddleForm, startingSaddles[0]!), width: 'wide', massLimit: '' }
    expect(readTexts(saddleForm, texts)).toEqual({ problems: { width: 'Width must be a number from 90 to 320 mm.' } })
    const nothing = readTexts(saddleForm, emptyTexts(saddleForm))
    expect('problems' in nothing && Object.keys(nothing.problems)).toEqual(expect.arrayContaining(['name', 'kind', 'width', 'rails']))
  })
})
