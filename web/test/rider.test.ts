/** @jest-environment jsdom */
import { calibrateRider, riderWith } from '@level-stance/core/rider/calibrated'
import { isPlain } from '@level-stance/core/kernel/entry'
import { unmoved } from '@level-stance/core/readings/movedBy'
import { definitionOf, readingKeys } from '@level-stance/core/readings/readingDefinitions'
import { sceneOf } from '@level-stance/core/model/scene'
import type { Reading } from '@level-stance/core/readings/reading'
import { aReading, complaintAt, wholeReadings } from '@level-stance/core/testing'
import { handlesOf } from '../src/board/handles.ts'
import { arcOf, wedgeOf } from '@level-stance/core/figure/arcs'
import { frameOf } from '@level-stance/core/figure/frame'
import { footPath } from '@level-stance/core/figure/riderShapes'
import { projections, viewKeys } from '@level-stance/core/figure/views'
import { figureKeys, figures } from '../src/drawing/figures.ts'
import { reason } from '@level-stance/core/reason/reason'
import { emptyVisit, visitModel } from '@level-stance/core/reason/visitModel'
import { visitWorker } from '../src/data/workers/visit.ts'
import type { Progress } from '../src/data/workers/visit.ts'

const rider = calibrateRider(wholeReadings, [], 'drop')
const scene = sceneOf(riderWith(rider, unmoved)!, rider.values, 'drop', unmoved, 180)

describe('views of one scene', () => {
  it('frame everything that is drawn, with room around it', () => {
    for (const view of viewKeys) {
      const frame = frameOf(scene, view)
      for (const point of [scene.hip, scene.arms!.left.hand, scene.arms!.right.hand, scene.legs.left.toe, scene.legs.right.heel]) {
        const { x, y } = projections[view](point)
        expect(x).toBeGreaterThan(frame.x)
        expect(x).toBeLessThan(frame.x + frame.width)
        expect(y).toBeGreaterThan(frame.y)
        expect(y).toBeLessThan(frame.y + frame.height)
      }
      expect(footPath(scene.legs.right, view)).not.toMatch(/NaN/)
    }
  })
  it('show the rider’s right on the left of the front view, and forward to the right from above', () => {
    expect(projections.front({ x: 0, y: 0, z: 100 }).x).toBeLessThan(0)
    expect(projections.top({ x: 100, y: 0, z: 0 }).x).toBe(100)
    expect(projections.side({ x: 0, y: 50, z: 0 }).y).toBe(-50)
  })
  it('draw arcs the shorter way round', () => {
    expect(arcOf({ x: 0, y: 0 }, { x: 1, y: 0 }, { x: 0, y: -1 }, 10).path).toBe('M10.0 0.0A10 10 0 0 0 0.0 -10.0')
    expect(arcOf({ x: 0, y: 0 }, { x: -1, y: 0.001 }, { x: -1, y: -0.001 }, 10).path).toMatch(/^M-10/)
    expect(wedgeOf({ x: 0, y: 0 }, 0, Math.PI / 2, 10)).toMatch(/^M0.0 0.0L10.0 0.0A10 10 0 0 1 0.0 10.0Z$/)
  })
})

describe('handles', () => {
  const handle = (view: (typeof viewKeys)[number], id: string) => handlesOf(scene, view, 73).find((h) => h.id === id)!
  const by = (requested: readonly { setting: string; by: number }[], setting: string) =>
    requested.find((request) => request.setting === setting)?.by

  it('raise the saddle straight up along its line and the rails together', () => {
    const requested = handle('side', 'saddle').request(0, 10)
    const height = by(requested, 'saddleHeight')!
    const psi = (73 * Math.PI) / 180
    expect(height * Math.sin(psi)).toBeCloseTo(10, 9)
    expect(-height * Math.cos(psi) - by(requested, 'saddleSetback')!).toBeCloseTo(0, 9)
  })
  it('move what lies under the finger, in every view', () => {
    expect(by(handle('side', 'hands').request(7, -3), 'handReach')).toBe(7)
    expect(by(handle('side', 'hands').request(7, -3), 'handHeight')).toBe(-3)
    // The right hand stands on the left of the front view: pulled left, the hands part by twice as much.
    expect(by(handle('front', 'hands').request(-5, 0), 'gripSpacing')).toBe(10)
    expect(by(handle('top', 'hands').request(0, -5), 'gripSpacing')).toBe(10)
    expect(by(handle('top', 'cleat-left').request(4, 0), 'cleatSetback')).toBe(-4)
    expect(by(handle('front', 'cleat-right').request(-2, 0), 'cleatInboard')).toBe(2)
    expect(by(handle('front', 'cleat-left').request(2, 0), 'cleatInboard')).toBe(2)
  })
  it('have keys for every axis they can be dragged along', () => {
    for (const view of viewKeys)
      for (const one of handlesOf(scene, view, 73)) {
        const keys = [one.right, one.up].flatMap((axis) => (axis ? [`${axis.setting}:${axis.side}`] : []))
        expect(new Set(one.request(3, 3).map((request) => `${request.setting}:${request.side}`))).toEqual(new Set(keys))
      }
  })
})

describe('how to measure', () => {
  it('has a small drawing for every reading that is not a word, on places that exist', () => {
    for (const key of readingKeys) {
      const { dimension } = definitionOf(key)
      const [figure, ...places] = definitionOf(key).drawing ?? []
      if (figure === undefined) {
        expect([
          key,
          ['choice', 'mass', 'shoe-size'].includes(dimension) ||
            isPlain(dimension) ||
            definitionOf(key).isRoom === true ||
            key === 'cleatTurnRoom',
        ]).toEqual([key, true])
        continue
      }
      const known = figureKeys.find((one) => one === figure)
      if (known === undefined) throw new Error(`${key}: no figure ${figure}`)
      for (const place of places) expect(Object.keys(figures[known].at)).toContain(place)
      expect(places.length).toBeGreaterThanOrEqual(2)
    }
  })
})

describe('the worker behind the screens', () => {
  let time = 0
  /** A clock that runs ten milliseconds at every look. */
  const clock = () => (time += 10)
  const rest = () => new Promise<void>((resolve) => setTimeout(resolve, 0))
  const holding = (readings: readonly Reading[]) => {
    const worker = visitWorker(rest, clock, Math.random)
    worker.hold({ readings, kind: 'drop bar' })
    return worker
  }

  it('answers to first order, and draws with progress once it takes long', async () => {
    const worker = holding(wholeReadings)
    const told: Progress[] = []
    expect((await worker.firstOrder())?.spreads?.kneeLeft).toBeGreaterThan(0)
    expect(await worker.sample(40, (progress) => told.push(progress))).toMatchObject({ draws: 40 })
    expect(told.some(({ done, of }) => of === 40 && done < 40)).toBe(true)
  })
  it('gives up for a newer question, and draws for another visit', async () => {
    const worker = holding(wholeReadings)
    const asked = await Promise.all([worker.firstOrder(), worker.firstOrder()])
    expect(asked.map((answer) => answer === null)).toEqual([true, false])
    const long = worker.sample(1_000_000, () => {})
    await rest()
    await rest()
    worker.hold({ readings: [] })
    expect(await long).toBeNull()
    expect((await worker.firstOrder())?.spreads).toBeNull()
  })
  it('has nothing but what is needed to say of an empty visit', async () => {
    const worker = holding([aReading('mass', 'both', 70)])
    expect(await worker.firstOrder()).toEqual({ spreads: null, estimated: [], next: expect.any(Array), sensitivities: [] })
    expect(await worker.sample(50, () => {})).toBeNull()
  })
  it('reasons with the ± that it says, and with the readings that it was given last', async () => {
    const worker = holding(wholeReadings)
    const question = { focus: null, looksBack: false } as const
    worker.hold({ complaints: [complaintAt(1, 'knee-back', 'right')] })
    const before = await worker.reasoning(question)
    expect(before?.reasoning.reasoned.causes.length).toBeGreaterThan(0)
    // The core by itself, which works out every ± anew.
    const visit = { ...emptyVisit, kind: 'drop bar', readings: wholeReadings, complaints: [complaintAt(1, 'knee-back', 'right')] } as const
    // The search for the body starts elsewhere, and ends within a millionth of it.
    const rounded = (value: unknown) =>
      JSON.stringify(value, (_, part: unknown) => (typeof part === 'number' ? Math.round(part * 1e5) : part))
    expect(rounded(before?.reasoning)).toEqual(rounded(reason(visitModel(visit).input, null)))
    worker.hold({ complaints: [] })
    expect((await worker.reasoning(question))?.reasoning.complaints).toEqual([])
  })
})
