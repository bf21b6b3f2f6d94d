/** @jest-environment jsdom */
import { createPinia, setActivePinia } from 'pinia'
import { effectScope, nextTick, ref } from 'vue'
import { freshVisit } from '@level-stance/core/record/dossier'
import { testTime, uuid, wholeReadings } from '@level-stance/core/testing'
import { afterFrame } from '../src/composables/afterFrame.ts'
import { later } from '../src/composables/later.ts'
import { spaced } from '../src/composables/spaced.ts'
import { pointIn, useSvgDrag } from '../src/composables/svgDrag.ts'
import { useUncertainty } from '../src/stores/uncertainty.ts'
import { useVisit } from '../src/stores/visit.ts'
import type { Answer, Question } from '../src/workers/messages.ts'

describe('work after the frame', () => {
  beforeEach(() => jest.useFakeTimers())
  afterEach(() => jest.useRealTimers())

  it('is done once for several calls, and not before the frame', () => {
    const work = jest.fn()
    const soon = afterFrame(work)
    soon()
    soon()
    expect(work).not.toHaveBeenCalled()
    jest.advanceTimersByTime(100)
    expect(work).toHaveBeenCalledTimes(1)
    soon()
    jest.advanceTimersByTime(100)
    expect(work).toHaveBeenCalledTimes(2)
  })

  it('is done at once when the page is left, and not again', () => {
    const work = jest.fn()
    const soon = afterFrame(work)
    window.dispatchEvent(new Event('pagehide'))
    expect(work).not.toHaveBeenCalled()
    soon()
    window.dispatchEvent(new Event('pagehide'))
    expect(work).toHaveBeenCalledTimes(1)
    jest.advanceTimersByTime(100)
    expect(work).toHaveBeenCalledTimes(1)
  })
})

describe('a value that waits for the hand to rest', () => {
  beforeEach(() => jest.useFakeTimers())
  afterEach(() => jest.useRealTimers())

  it('is there at first, follows after a rest, and at once for another visit', async () => {
    const scope = effectScope()
    const source = ref(1)
    const visit = ref('a')
    const work = jest.fn(() => source.value * 10)
    const value = scope.run(() =>
      later(
        () => source.value,
        () => visit.value,
        work,
      ),
    )!
    expect(value.value).toBe(10)
    source.value = 2
    await nextTick()
    jest.advanceTimersByTime(100)
    source.value = 3
    await nextTick()
    jest.advanceTimersByTime(100)
    expect(value.value).toBe(10)
    await jest.advanceTimersByTimeAsync(100)
    expect([value.value, work.mock.calls.length]).toEqual([30, 2])
    source.value = 4
    visit.value = 'b'
    expect(value.value).toBe(40)
    scope.stop()
  })
})

describe('dragging in a drawing', () => {
  const frame = { getScreenCTM: () => ({ inverse: () => 2 }) } as unknown as SVGGraphicsElement
  const event = (clientX: number, clientY: number) => {
    const currentTarget = { setPointerCapture: jest.fn() }
    return { clientX, clientY, pointerId: 1, currentTarget } as unknown as PointerEvent
  }
  beforeEach(() => {
    // A drawing at twice its size: a pixel is half a millimetre.
    class Place {
      constructor(
        readonly x: number,
        readonly y: number,
      ) {}
      matrixTransform(scale: number) {
        return { x: this.x / scale, y: this.y / scale }
      }
    }
    Object.assign(globalThis, { DOMPoint: Place })
  })

  it('counts in the units of the drawing; nothing while it is not shown', () => {
    expect(pointIn(frame, { clientX: 30, clientY: 8 })).toEqual({ x: 15, y: 4 })
    expect(pointIn(null, { clientX: 30, clientY: 8 })).toBeNull()
    expect(pointIn({ getScreenCTM: () => null } as unknown as SVGGraphicsElement, { clientX: 1, clientY: 1 })).toBeNull()
  })

  it('moves what was taken until it is let go, and nothing that could not be taken', () => {
    const moves: number[] = []
    let free = false
    const { dragging, down, drag, up } = useSvgDrag(
      () => frame,
      (at) => (free ? at.x : null),
      (at, from) => moves.push(at.x - from),
    )
    down(event(10, 0))
    drag(event(20, 0))
    expect([dragging.value, moves]).toEqual([false, []])
    free = true
    down(event(10, 0))
    drag(event(20, 0))
    drag(event(4, 0))
    expect([dragging.value, moves]).toEqual([true, [5, -3]])
    up()
    drag(event(40, 0))
    expect([dragging.value, moves.length]).toEqual([false, 2])
  })
})

describe('what is uncertain', () => {
  let questions: Question[]
  let answer: (data: Answer) => void
  let fail: () => void
  beforeEach(() => {
    jest.useFakeTimers()
    localStorage.clear()
    questions = []
    Object.assign(navigator, { locks: { request: () => new Promise(() => {}), query: () => Promise.resolve({ held: [] }) } })
    Object.assign(globalThis.crypto, { randomUUID: () => uuid(99) })
    Object.assign(globalThis, {
      Worker: class {
        addEventListener(type: string, heard: (event: { data: Answer }) => void) {
          if (type === 'message') answer = (data) => heard({ data })
          else fail = () => heard({ data: null as never })
        }
        postMessage(question: Question) {
          questions.push(question)
        }
      },
    })
    setActivePinia(createPinia())
    useVisit().dossier = {
      rider: { id: uuid(1), version: 1, name: 'Rider', note: '' },
      bike: { id: uuid(2), version: 1, name: 'Tourer', kind: 'drop bar' },
      visit: { id: uuid(3), version: 1, ...freshVisit, startedAt: testTime },
      readings: wholeReadings.map((reading) => ({ reading, version: 1 })),
      complaints: [],
      ledger: [],
      ratings: [],
      earlierVisits: 1,
    }
  })
  afterEach(() => jest.useRealTimers())
  const first = (id: number): Answer => ({
    kind: 'first-order',
    id,
    spreads: { kneeLeft: 2.5 } as never,
    estimated: [],
    next: [],
    sensitivities: [],
  })

  it('is asked once the hand rests, with the whole visit and its place in the ledger', async () => {
    const uncertainty = useUncertainty()
    await jest.advanceTimersByTimeAsync(1000)
    expect(questions).toHaveLength(1)
    expect(questions[0]).toMatchObject({ place: 0, bar: 'drop', draws: 0 })
    expect(questions[0]?.readings).toHaveLength(wholeReadings.length)
    // A goniometer’s ±3 stands at once; what was not read waits for the worker.
    expect(uncertainty.plusMinus('kneeLeft')).toBe(3)
    expect(uncertainty.plusMinus('load')).toBeNull()
    answer(first(questions[0]?.id ?? 0))
    expect(uncertainty.plusMinus('kneeLeft')).toBe(2.5)
  })

  it('hears no answer to an older question', async () => {
    const uncertainty = useUncertainty()
    await jest.advanceTimersByTimeAsync(1000)
    const old = questions[0]?.id ?? 0
    const visit = useVisit()
    visit.setReading({ ...wholeReadings[0]!, value: 1700, typed: '1700' })
    await jest.advanceTimersByTimeAsync(1000)
    expect(questions).toHaveLength(2)
    answer(first(old))
    expect(uncertainty.spreads).toBeNull()
    answer(first(questions[1]?.id ?? 0))
    expect(uncertainty.spreads).not.toBeNull()
  })

  it('draws when it is asked to, says how far it is, and gives the draws up with the visit', async () => {
    const uncertainty = useUncertainty()
    await jest.advanceTimersByTimeAsync(1000)
    uncertainty.draw()
    const { id, draws } = questions.at(-1)!
    expect([draws, uncertainty.drawing]).toEqual([600, true])
    answer({ kind: 'progress', id, done: 100, of: 600 })
    expect(uncertainty.progress?.done).toBe(100)
    answer({ kind: 'sampled', id, metrics: {} as never, draws: 600 })
    expect([uncertainty.drawing, uncertainty.progress, uncertainty.sampled?.draws]).toEqual([false, null, 600])
    const visit = useVisit()
    visit.dossier = { ...visit.dossier!, visit: { ...visit.dossier!.visit, id: uuid(4) } }
    await nextTick()
    expect(uncertainty.sampled).toBeNull()
  })

  it('says that it is in trouble instead of drawing for ever', async () => {
    const uncertainty = useUncertainty()
    await jest.advanceTimersByTimeAsync(1000)
    uncertainty.draw()
    fail()
    expect([uncertainty.trouble, uncertainty.drawing]).toEqual([true, false])
  })
})

describe('work of a stream', () => {
  beforeEach(() => jest.useFakeTimers())
  afterEach(() => jest.useRealTimers())

  it('is done at once, then not before its time, and of several askings the last counts', () => {
    const done: number[] = []
    let asked = 1
    const ask = spaced(() => done.push(asked), 120)
    for (; asked <= 3; asked++) ask()
    asked = 3
    jest.advanceTimersByTime(110)
    expect(done).toEqual([1])
    jest.advanceTimersByTime(30)
    expect(done).toEqual([1, 3])
    jest.advanceTimersByTime(500)
    expect(done).toEqual([1, 3])
  })

  it('leaves the hand two thirds of the time, however long it takes', () => {
    const starts: number[] = []
    const ask = spaced(() => {
      starts.push(performance.now())
      jest.advanceTimersByTime(40)
    }, 0)
    for (let i = 0; i < 60; i++) {
      ask()
      jest.advanceTimersByTime(5)
    }
    expect(starts.length).toBeGreaterThan(2)
    for (let i = 1; i < starts.length; i++) expect(starts[i]! - starts[i - 1]!).toBeGreaterThanOrEqual(120)
  })
})
