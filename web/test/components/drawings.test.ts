/** @jest-environment jsdom */
import { sceneOf } from '@level-stance/core/model/scene'
import type { Scene } from '@level-stance/core/model/scene'
import { entryOf, readingsWith } from '@level-stance/core/testing'
import { nextTick } from 'vue'
import AngleMarks from '../../src/board/AngleMarks.vue'
import BoardHandle from '../../src/board/BoardHandle.vue'
import BoardTroubles from '../../src/board/BoardTroubles.vue'
import { handlesOf } from '../../src/board/handles.ts'
import RiderBoard from '../../src/board/RiderBoard.vue'
import SceneLayer from '../../src/board/SceneLayer.vue'
import SoleFoot from '../../src/board/SoleFoot.vue'
import type { BoardFoot } from '../../src/board/boardFoot.ts'
import { useBoard } from '../../src/data/board.ts'
import { followed, freshWindow, openVisit, shown } from '../visitWindow.ts'

beforeEach(freshWindow)

type Point = readonly [number, number]
/** Corners of a path made of straight lines. */
const corners = (d: string): Point[] => [...d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)])
const length = ([a, b]: readonly Point[]) => Math.hypot(a![0] - b![0], a![1] - b![1])
/** Bend between two lines that follow each other, degrees. */
function bend([a, b, c]: readonly Point[]): number {
  const turn = Math.atan2(c![1] - b![1], c![0] - b![0]) - Math.atan2(b![1] - a![1], b![0] - a![0])
  return Math.abs((((turn * 180) / Math.PI + 540) % 360) - 180)
}
/** The example rider, feet at the bottom on the right. */
function scene(readings = readingsWith({})): Scene {
  const visit = openVisit({ readings })
  return sceneOf(visit.setup.model!, visit.rider.values, 'drop', visit.setup.folded.by, 180)
}
const drawn = (props: { scene: Scene; view: 'side' | 'front' | 'top'; look: 'now' | 'ghost' | 'proposal' }) => shown(SceneLayer, props)

describe('the drawing of the rider', () => {
  it('is to scale: the near leg is as long and as bent as the rider’s own', () => {
    const now = scene()
    // Bones: the trunk first, then hip, knee and ankle of the near leg.
    const bones = drawn({ scene: now, view: 'side', look: 'now' }).get('path.bone:not(.far)')
    const [, , hip, knee, ankle] = corners(bones.attributes('d')!)
    // Seen from the side a leg is shorter only by what it stands across the bike: a few millimetres here.
    const model = openVisit().setup.model!
    expect(length([hip!, knee!])).toBeGreaterThan(model.legs.right.thigh - 8)
    expect(length([hip!, knee!])).toBeLessThan(model.legs.right.thigh + 0.2)
    expect(length([knee!, ankle!])).toBeGreaterThan(model.legs.right.shank - 8)
    expect(length([knee!, ankle!])).toBeLessThan(model.legs.right.shank + 0.2)
    // The knee was read at 31°, and the drawing is of that rider.
    expect(Math.abs(bend([hip!, knee!, ankle!]) - 31)).toBeLessThan(2)
  })

  it('has both legs and both arms in every view, near and far', () => {
    const now = scene()
    for (const view of ['side', 'front', 'top'] as const) {
      const at = drawn({ scene: now, view, look: 'now' })
      expect(at.findAll('path.shoe')).toHaveLength(2)
      // Trunk, head, two legs, two arms.
      expect(at.findAll('path.flesh')).toHaveLength(6)
      expect(at.findAll('path.flesh.far')).toHaveLength(2)
    }
  })

  it('shows start and proposal as lines over what is, without flesh', () => {
    const now = scene()
    for (const look of ['ghost', 'proposal'] as const) {
      const at = drawn({ scene: now, view: 'side', look })
      expect([at.get('g').classes(), at.findAll('.flesh').length, at.findAll('.bone').length]).toEqual([
        expect.arrayContaining([look, 'side']),
        0,
        3,
      ])
    }
  })

  it('marks the angles it draws with their numbers', () => {
    const now = scene()
    const at = shown(AngleMarks, { scene: now, view: 'side', crankAngle: 180, perPixel: 1 })
    const words = at.findAll('text').map((text) => text.text())
    expect(words).toEqual(['31°', '54°', '24°', '60°'])
    // The target of the knee is drawn near the bottom of the stroke only.
    expect(at.findAll('.band')).toHaveLength(1)
    expect(shown(AngleMarks, { scene: now, view: 'side', crankAngle: 90, perPixel: 1 }).findAll('.band')).toHaveLength(0)
    expect(shown(AngleMarks, { scene: now, view: 'front', crankAngle: 180, perPixel: 1 }).findAll('text')).toHaveLength(0)
  })
})

describe('the board', () => {
  it('asks for what is missing while nothing can be drawn', () => {
    openVisit({ readings: [] })
    const at = shown(RiderBoard, { opens: 'side' })
    expect(at.text()).toContain('Nothing to draw yet.')
    expect(at.text()).toMatch(/Measure .*saddle height/)
  })

  it('shows the start beside now once something was changed, and a proposal over both', async () => {
    openVisit({ ledger: [entryOf(7, { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' })] })
    const at = shown(RiderBoard, { opens: 'side' })
    expect(at.findAll('g.ghost.side')).toHaveLength(1)
    expect(at.get('.legend').text()).toBe('pale: start · solid: now')
    openVisit()
    const board = useBoard()
    board.request([{ setting: 'saddleHeight', side: 'both', by: 5 }])
    await nextTick()
    expect(at.findAll('g.proposal.side')).toHaveLength(1)
    expect(at.get('.legend').text()).toBe('solid: now · dashed: to try')
  })

  it('turns the cranks by its slider, and changes views', async () => {
    openVisit()
    const at = shown(RiderBoard, { opens: 'side' })
    const leg = () => at.get('g.now path.flesh').attributes('d')
    const before = leg()
    await at.get('[role="slider"][aria-label="Crank angle, right side"]').trigger('keydown', { keyCode: 36, key: 'Home' })
    expect(leg()).not.toBe(before)
    await at.findAll('[aria-label="Views"] input[type="radio"]')[1]!.setValue(true)
    expect(at.findAll('g.now.front')).toHaveLength(1)
    expect(at.findAll('.plumb')).toHaveLength(1)
  })

  it('says that a leg cannot reach, and still draws', async () => {
    openVisit({ readings: readingsWith({ saddleHeight: 900 }).filter(({ key }) => !key.endsWith('Flexion')) })
    await followed()
    expect(shown(BoardTroubles, {}).get('[role="alert"]').text()).toMatch(/leg/i)
    expect(shown(RiderBoard, { opens: 'side' }).findAll('g.now.short').length).toBe(1)
  })

  it('moves a handle by keys: 1 mm a press, five with shift, Escape takes it back', async () => {
    openVisit({ readings: readingsWith({ railRoomBack: 20, railRoomForward: 20, saddleSetback: 61 }) })
    const board = useBoard()
    const handle = handlesOf(scene(readingsWith({ railRoomBack: 20, railRoomForward: 20, saddleSetback: 61 })), 'side', 73).find(
      ({ id }) => id === 'saddle',
    )!
    const at = shown(BoardHandle, { handle, view: 'side', words: '', size: 40 })
    const press = (key: string, shiftKey = false) => at.get('g.handle').trigger('keydown', { key, shiftKey })
    await press('ArrowUp')
    await press('ArrowUp', true)
    expect(board.aimed('saddleHeight', 'both')).toBe(6)
    // To the right in the picture is forward: less setback.
    await press('ArrowRight')
    expect(board.aimed('saddleSetback', 'both')).toBe(-1)
    await press('Escape')
    expect(board.active).toBe(false)
    expect(at.emitted('choose')).toBeUndefined()
    await at.get('g.handle').trigger('focus')
    expect(at.emitted('choose')).toHaveLength(1)
  })
})

describe('a sole from above', () => {
  const foot: BoardFoot = {
    footLength: 264,
    footEstimated: false,
    heelToMtp1: 195,
    footWidth: 100,
    heelWidth: 66,
    shoe: null,
    heelToMtp5: 165,
    setbackStart: 4,
    setbackNow: 9,
    slot: { foremost: 0, rearmost: 24 },
    slotAcross: null,
    aim: 15,
    firstStep: 14,
    schools: [],
    inboard: 0,
    turn: 4,
    turnAim: null,
    turnRoom: { low: -10, high: 10 },
    float: 6,
    swing: { low: 1, high: 7 },
    heelOutside: 34,
    half: 127,
    halfAim: null,
    chain: [],
  }
  const sole = (over: Partial<BoardFoot>, shows: 'fore-aft' | 'rotation' | 'shoe' = 'fore-aft') =>
    shown(SoleFoot, { side: 'right', foot: { ...foot, ...over }, unit: 'mm', movable: true, showStart: true, shows })

  it('is a slider for the cleat: value, range of the slot, arrow keys', async () => {
    const at = sole({})
    const slider = at.get('[role="slider"]')
    expect(['aria-valuenow', 'aria-valuemin', 'aria-valuemax'].map((name) => Number(slider.attributes(name)))).toEqual([15, 0, 24])
    await slider.trigger('keydown', { key: 'ArrowDown' })
    await slider.trigger('keydown', { key: 'ArrowUp' })
    expect(at.emitted('aim')!.map(([setback]) => setback)).toEqual([16, 14])
  })

  it('asks for what it needs instead of drawing a foot nobody measured', () => {
    expect(sole({ footLength: null }).text()).toContain('foot length')
    expect(sole({ heelToMtp1: null }).text()).toContain('heel to ball')
  })

  it('draws float and swing, and the turn as a slider, on the page of rotation only', () => {
    expect(sole({}, 'fore-aft').find('.swing').exists()).toBe(false)
    const at = sole({}, 'rotation')
    expect(at.find('.swing').exists()).toBe(true)
    expect(at.findAll('[role="slider"]').some((slider) => Number(slider.attributes('aria-valuenow')) === 4)).toBe(true)
    expect(sole({ turn: null }, 'rotation').text()).toContain('cleat’s turn not read')
  })
})
