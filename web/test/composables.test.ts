/** @jest-environment jsdom */
import { createPinia, setActivePinia } from 'pinia'
import { effectScope, nextTick, ref } from 'vue'
import type { ObjectDirective } from 'vue'
import { freshVisit } from '@level-stance/core/record/dossier'
import { testTime, uuid, wholeReadings } from '@level-stance/core/testing'
import { afterFrame } from '../src/kit/afterFrame.ts'
import { later } from '../src/kit/later.ts'
import { throttleByCost } from '../src/kit/throttleByCost.ts'
import { useSvgDrag } from '../src/kit/svgDrag.ts'
import { useUncertainty } from '../src/data/uncertainty.ts'
import { useVisit } from '../src/data/visit.ts'
import type { FirstOrder, HeldVisit, Progress, SampleAnswer } from '../src/data/workers/visit.ts'

/** The worker as a test has it: what it holds, what it was asked, and its answers when the test gives them. */
const worker = {
  held: {} as Partial<HeldVisit>,
  holds: 0,
  firstOrders: [] as ((answer: FirstOrder | null | Promise<never>) => void)[],
  samples: [] as {
    readonly draws: number
    readonly tell: (progress: Progress) => void
    readonly answer: (found: SampleAnswer | null) => void
  }[],
  fail: () => {},
}
jest.mock('comlink', () => ({
  proxy: (given: unknown) => given,
  wrap: () => ({
    hold: (changed: Partial<HeldVisit>) => {
      worker.holds += 1
      Object.assign(worker.held, changed)
    },
    firstOrder: () => new Promise((answer) => worker.firstOrders.push(answer)),
    sample: (draws: number, tell: (progress: Progress) => void) => new Promise((answer) => worker.samples.push({ draws, tell, answer })),
  }),
}))

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
  /** A drawing at twice its size: a pixel is half a millimetre. */
  function drawing(isShown = true): { svg: SVGSVGElement; handle: SVGElement } {
    const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg')
    const handle = document.createElementNS('http://www.w3.org/2000/svg', 'g')
    svg.append(handle)
    document.body.append(svg)
    Object.assign(svg, {
      getScreenCTM: () => (isShown ? { inverse: () => 2 } : null),
      createSVGPoint: () => ({
        x: 0,
        y: 0,
        matrixTransform(scale: number) {
          return { x: this.x / scale, y: this.y / scale }
        },
      }),
    })
    return { svg, handle }
  }
  const at = (clientX: number, button = 0) => ({ clientX, clientY: 8, button, view: window, bubbles: true, cancelable: true })
  const press = (on: Element, x: number, button = 0) => on.dispatchEvent(new MouseEvent('mousedown', at(x, button)))
  const move = (x: number) => window.dispatchEvent(new MouseEvent('mousemove', at(x)))
  const release = () => window.dispatchEvent(new MouseEvent('mouseup', at(0)))

  function dragged(isShown = true) {
    const { svg, handle } = drawing(isShown)
    const seen = { moves: [] as number[], taken: [] as string[], isFree: true, lets: 0 }
    const { dragging, vDrag } = useSvgDrag(
      () => svg,
      (point, on: string) => {
        seen.taken.push(`${on} ${point.x} ${point.y}`)
        return seen.isFree ? point.x : null
      },
      (point, from) => seen.moves.push(point.x - from),
      () => (seen.lets += 1),
    )
    // The directive's own hooks on an element of a drawing.
    const hooks = vDrag as Required<ObjectDirective<SVGElement, string>>
    const call = (hook: 'mounted' | 'updated' | 'beforeUnmount', value = 'a') =>
      hooks[hook](handle, { value } as never, null as never, null as never)
    call('mounted')
    return { handle, seen, dragging, call }
  }

  it('counts in the units of the drawing, from where the hand took hold until it lets go, wherever the hand goes', () => {
    const { handle, seen, dragging } = dragged()
    press(handle, 10)
    expect([dragging.value, seen.taken]).toEqual([true, ['a 5 4']])
    move(20)
    move(4)
    expect(seen.moves).toEqual([5, -3])
    release()
    move(40)
    expect([dragging.value, seen.moves.length, seen.lets]).toEqual([false, 2, 1])
  })

  it('takes nothing that cannot be taken, with no other button, nor in a drawing that is not shown', () => {
    const { handle, seen, dragging } = dragged()
    seen.isFree = false
    press(handle, 10)
    move(20)
    expect([dragging.value, seen.moves]).toEqual([false, []])
    seen.isFree = true
    press(handle, 10, 2)
    expect(dragging.value).toBe(false)
    const hidden = dragged(false)
    press(hidden.handle, 10)
    expect([hidden.dragging.value, hidden.seen.taken]).toEqual([false, []])
  })

  it('knows what a handle stands for now, and moves nothing once the handle is gone', () => {
    const { handle, seen, call } = dragged()
    call('updated', 'b')
    press(handle, 10)
    expect(seen.taken).toEqual(['b 5 4'])
    call('beforeUnmount')
    move(20)
    expect(seen.moves).toEqual([])
    release()
    press(handle, 10)
    expect(seen.taken.length).toBe(1)
  })
})

describe('what is uncertain', () => {
  beforeEach(() => {
    jest.useFakeTimers()
    localStorage.clear()
    Object.assign(worker, { held: {}, holds: 0, firstOrders: [], samples: [] })
    Object.assign(navigator, { locks: { request: () => new Promise(() => {}), query: () => Promise.resolve({ held: [] }) } })
    Object.assign(globalThis.crypto, { randomUUID: () => uuid(99) })
    Object.assign(globalThis, {
      Worker: class {
        addEventListener(_type: 'error', heard: () => void) {
          worker.fail = heard
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
      last: null,
    }
  })
  afterEach(() => jest.useRealTimers())
  const first: FirstOrder = { spreads: { kneeLeft: 2.5, load: 2.5 } as never, estimated: [], next: [], sensitivities: [] }
  const heard = () => jest.advanceTimersByTimeAsync(0)

  it('is asked once the hand rests, with the readings and the place in the ledger', async () => {
    const uncertainty = useUncertainty()
    await jest.advanceTimersByTimeAsync(1000)
    expect(worker.firstOrders).toHaveLength(1)
    expect(worker.held).toMatchObject({ place: 0, kind: 'drop bar', ledger: [] })
    expect(worker.held.readings).toHaveLength(wholeReadings.length)
    // A goniometer’s ±3 stands at once; what was not read waits for the worker.
    expect(uncertainty.plusMinus('kneeLeft')).toBe(3)
    expect(uncertainty.plusMinus('load')).toBeNull()
    worker.firstOrders[0]?.(first)
    await heard()
    expect(uncertainty.plusMinus('load')).toBe(2.5)
    // What was read is never shown surer than it was read.
    expect(uncertainty.plusMinus('kneeLeft')).toBe(3)
  })

  it('hears no answer to an older question, and sends again only what is another', async () => {
    const uncertainty = useUncertainty()
    await jest.advanceTimersByTimeAsync(1000)
    const visit = useVisit()
    worker.held = {}
    visit.setReading({ ...wholeReadings[0]!, value: 1700, typed: '1700' })
    await jest.advanceTimersByTimeAsync(1000)
    expect(worker.firstOrders).toHaveLength(2)
    expect([worker.holds, Object.keys(worker.held)]).toEqual([2, ['readings']])
    worker.firstOrders[0]?.(first)
    await heard()
    expect(uncertainty.spreads).toBeNull()
    worker.firstOrders[1]?.(first)
    await heard()
    expect(uncertainty.spreads).not.toBeNull()
  })

  it('draws when it is asked to, says how far it is, and gives the draws up with the visit', async () => {
    const uncertainty = useUncertainty()
    await jest.advanceTimersByTimeAsync(1000)
    void uncertainty.draw()
    const { draws, tell, answer } = worker.samples[0]!
    expect([draws, uncertainty.drawing]).toEqual([600, true])
    tell({ done: 100, of: 600 })
    expect(uncertainty.progress?.done).toBe(100)
    answer({ metrics: {} as never, draws: 600 })
    await heard()
    expect([uncertainty.drawing, uncertainty.progress, uncertainty.sampled?.draws]).toEqual([false, null, 600])
    const visit = useVisit()
    visit.dossier = { ...visit.dossier!, visit: { ...visit.dossier!.visit, id: uuid(4) } }
    await nextTick()
    expect([uncertainty.sampled, uncertainty.spreads]).toEqual([null, null])
  })

  it('says that it is in trouble instead of drawing for ever', async () => {
    const uncertainty = useUncertainty()
    await jest.advanceTimersByTimeAsync(1000)
    void uncertainty.draw()
    worker.fail()
    await nextTick()
    expect([uncertainty.trouble, uncertainty.drawing]).toEqual([true, false])
  })

  it('is in trouble as well where a question fails inside of the worker, and no longer once one is answered', async () => {
    const uncertainty = useUncertainty()
    await jest.advanceTimersByTimeAsync(1000)
    worker.firstOrders[0]?.(Promise.reject(new Error('it failed')))
    await heard()
    expect([uncertainty.trouble, uncertainty.spreads]).toEqual([true, null])
    useVisit().setReading({ ...wholeReadings[0]!, value: 1700, typed: '1700' })
    await jest.advanceTimersByTimeAsync(1000)
    worker.firstOrders[1]?.(first)
    await heard()
    expect([uncertainty.trouble, uncertainty.spreads === null]).toEqual([false, false])
  })
})

describe('work of a stream', () => {
  beforeEach(() => jest.useFakeTimers())
  afterEach(() => jest.useRealTimers())

  it('is done at once, then not before its time, and of several askings the last counts', () => {
    const done: number[] = []
    let asked = 1
    const ask = throttleByCost(() => done.push(asked), 120)
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
    const ask = throttleByCost(() => {
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
