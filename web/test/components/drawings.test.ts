/** @jest-environment jsdom */
import { sceneOf } from '@level-stance/core/model/scene'
import type { Scene } from '@level-stance/core/model/scene'
import { entryOf, readingsWith } from '@level-stance/core/testing'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { drawingSvg, paper } from '@level-stance/core/kernel/drawing'
import { riderPicture } from '@level-stance/core/rider/boardShapes'
import { viewKeys } from '@level-stance/core/figure/views'
import { h, nextTick, render } from 'vue'
import { DrawnShapes } from '../../src/board/DrawnShapes.ts'
import BoardHandle from '../../src/board/BoardHandle.vue'
import BoardTroubles from '../../src/board/BoardTroubles.vue'
import { handlesOf } from '../../src/board/handles.ts'
import RiderBoard from '../../src/board/RiderBoard.vue'
import SoleFoot from '../../src/board/SoleFoot.vue'
import type { BoardFoot } from '@level-stance/core/stations/feet/boardFoot'
import { useBoard } from '../../src/data/board.ts'
import { followed, freshWindow, openVisit, shown } from '../visitWindow.ts'

beforeEach(freshWindow)

/** The example rider, feet at the bottom on the right. */
function scene(readings = readingsWith({})): Scene {
  const visit = openVisit({ readings })
  return sceneOf(visit.setup.model!, visit.rider.values, 'drop', visit.setup.folded.by, 180)
}
/** The elements inside one, with what places them; colours left out. */
const placed = (parent: Element): unknown[] =>
  [...parent.children].map((element) => [
    element.tagName,
    ...['d', 'cx', 'cy', 'r', 'x1', 'y1', 'x2', 'y2', 'transform', 'stroke-width', 'stroke-dasharray', 'font-size'].map((name) =>
      element.getAttribute(name),
    ),
    element.children.length > 0 ? placed(element) : element.textContent,
  ])

describe('one list of shapes', () => {
  it('is the same on the screen and in a file', () => {
    const visit = openVisit({ ledger: [entryOf(7, { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' })] })
    for (const view of viewKeys) {
      const drawing = riderPicture(visit.setup, visit.baseline, 'drop', 'A rider', view)!
      const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg')
      render(h(DrawnShapes, { shapes: drawing.shapes }), svg, 'svg')
      const file = new DOMParser().parseFromString(drawingSvg(drawing, 5, 'mm'), 'image/svg+xml')
      expect(file.querySelector('parsererror')).toBeNull()
      // The file has its title and a ground before the shapes.
      expect(placed(file.documentElement).slice(2)).toEqual(placed(svg))
      expect(svg.querySelectorAll('path').length).toBeGreaterThan(15)
    }
  })
  it('has the colours of the light page on paper', () => {
    const [light = ''] = readFileSync(join(__dirname, '../../src/app/styles.css'), 'utf8').split('}')
    for (const [ink, colour] of Object.entries(paper)) expect(light).toContain(`--${ink}: ${colour};`)
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
    expect(at.findAll('[data-shape="ghost"]')).toHaveLength(1)
    expect(at.get('.legend').text()).toBe('pale: start · solid: now')
    openVisit()
    const board = useBoard()
    board.request([{ setting: 'saddleHeight', side: 'both', by: 5 }])
    await nextTick()
    expect(at.findAll('[data-shape="proposal"]')).toHaveLength(1)
    expect(at.get('.legend').text()).toBe('solid: now · dashed: to try')
  })

  it('turns the cranks by its slider, and changes views', async () => {
    openVisit()
    const at = shown(RiderBoard, { opens: 'side' })
    const leg = () => at.get('[data-shape="now"] [data-shape="leg"]').attributes('d')
    const before = leg()
    await at.get('[role="slider"][aria-label="Crank angle, right side"]').trigger('keydown', { keyCode: 36, key: 'Home' })
    expect(leg()).not.toBe(before)
    await at.findAll('[aria-label="Views"] input[type="radio"]')[1]!.setValue(true)
    expect(at.findAll('[data-shape="plumb"]')).toHaveLength(1)
  })

  it('says that a leg cannot reach, and still draws', async () => {
    openVisit({ readings: readingsWith({ saddleHeight: 900 }).filter(({ key }) => !key.endsWith('Flexion')) })
    await followed()
    expect(shown(BoardTroubles, {}).get('[role="alert"]').text()).toMatch(/leg/i)
    expect(shown(RiderBoard, { opens: 'side' }).get('[data-shape="bones"]').attributes('stroke')).toBe('var(--brick)')
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
    halfEstimated: false,
    halfAim: null,
    chain: [],
  }
  const sole = (over: Partial<BoardFoot>, shows: 'fore-aft' | 'rotation' | 'shoe' = 'fore-aft') =>
    shown(SoleFoot, { side: 'right', foot: { ...foot, ...over }, unit: 'mm', movable: true, shows })

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
    expect(sole({}, 'fore-aft').find('[data-shape="swing"]').exists()).toBe(false)
    const at = sole({}, 'rotation')
    expect(at.find('[data-shape="swing"]').exists()).toBe(true)
    expect(at.findAll('[role="slider"]').some((slider) => Number(slider.attributes('aria-valuenow')) === 4)).toBe(true)
    expect(sole({ turn: null }, 'rotation').text()).toContain('cleat’s turn not read')
  })
})
