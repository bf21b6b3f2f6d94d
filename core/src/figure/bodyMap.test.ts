import { uuid } from '../testing.ts'
import { freshComplaint } from '../talk/complaint.ts'
import type { Complaint } from '../talk/complaint.ts'
import { bodyRegionKeys, bodyRegions } from '../talk/regions.ts'
import { bodyDrawings, markedDrawings, severityAt, spotsOf } from './bodyMap.ts'
import type { Drawn } from '../kernel/drawing.ts'
import { inPath } from './testing.ts'

const told = (n: number, places: Complaint['places'], severity: number | null): Complaint => ({
  ...freshComplaint(uuid(n), { places, control: null }),
  severity,
})

describe('the body map', () => {
  it('has a place for every region on its drawing, its middle inside it, and no two in one spot', () => {
    for (const { key, view, sided } of bodyRegions) {
      const { places, width, height } = bodyDrawings[view]
      const [x, y] = places[key]?.at ?? [NaN, NaN]
      expect([key, Math.abs(x) < width / 2 && y > 0 && y < height]).toEqual([key, true])
      expect(sided ? x > 0 : x === 0).toBe(true)
      for (const other of bodyRegions) {
        const there = places[other.key]?.at
        if (other.key === key || there === undefined) continue
        expect(Math.hypot(there[0] - x, there[1] - y)).toBeGreaterThan(8)
      }
    }
    const drawn = Object.values(bodyDrawings).flatMap(({ places }) => Object.keys(places))
    expect(drawn.sort()).toEqual([...bodyRegionKeys].sort())
  })
})

/** Whether a point lies on the figure. */
function onFigure(outline: readonly string[]): (point: Drawn) => boolean {
  const shapes = outline.map(inPath)
  return (point) => shapes.some((holds) => holds(point))
}

describe('the figure under the body map', () => {
  it('lies under the middle of every place, on both sides', () => {
    for (const view of ['front', 'back'] as const)
      for (const { region, side, x, y } of spotsOf(view)) {
        expect([view, region, side, onFigure(bodyDrawings[view].outline)({ x, y })]).toEqual([view, region, side, true])
      }
  })

  it('is its own mirror, from the crown to the soles within its drawing', () => {
    const { outline, width, height } = bodyDrawings.front
    const isOn = onFigure(outline)
    for (let y = 12; y < 402; y += 5)
      for (let x = 1; x < width / 2; x += 4) {
        const on = (at: number) => isOn({ x: at, y })
        expect([x, y, on(x)]).toEqual([x, y, on(-x)])
      }
    for (const edge of [-width / 2, width / 2]) for (let y = 0; y < height; y += 2) expect(isOn({ x: edge, y })).toBe(false)
  })

  // Common practice of figure drawing: a grown person is seven and a half to eight heads high, and about two heads wide at the shoulders.
  it('has the proportions of a grown person', () => {
    const figure = onFigure(bodyDrawings.front.outline)
    const isOn = (x: number, y: number) => figure({ x, y })
    const rows = Array.from({ length: 412 }, (_, y) => y).filter((y) => isOn(0, y) || isOn(26, y))
    const height = rows.at(-1)! - rows[0]!
    const head = 60 - rows[0]!
    expect(height / head).toBeGreaterThan(7.3)
    expect(height / head).toBeLessThan(8.2)
    const half = Array.from({ length: 85 }, (_, x) => x)
      .filter((x) => isOn(x, 92))
      .at(-1)!
    expect((2 * half) / head).toBeGreaterThan(1.9)
    expect((2 * half) / head).toBeLessThan(2.5)
  })
})

describe('marks on the body map', () => {
  it('say the worst of what sits there, and ask where nobody has said how bad it is', () => {
    const complaints = [
      told(1, [{ region: 'knee-outer', side: 'both' }], 4),
      told(2, [{ region: 'knee-outer', side: 'left' }], 7),
      told(3, [{ region: 'neck', side: 'middle' }], null),
    ]
    expect(severityAt({ region: 'knee-outer', side: 'left' }, complaints)).toBe('7')
    expect(severityAt({ region: 'knee-outer', side: 'right' }, complaints)).toBe('4')
    expect(severityAt({ region: 'neck', side: 'middle' }, complaints)).toBe('?')
    expect(severityAt({ region: 'knee-inner', side: 'left' }, complaints)).toBeNull()
    expect(severityAt({ region: 'neck', side: 'middle' }, [told(4, [{ region: 'neck', side: 'middle' }], 0)])).toBe('0')
  })

  it('are printed on the drawings that have any, the rider’s right where the viewer sees it', () => {
    expect(markedDrawings([])).toEqual([])
    const drawings = markedDrawings([
      told(
        1,
        [
          { region: 'knee-front', side: 'right' },
          { region: 'calf', side: 'right' },
        ],
        5,
      ),
    ])
    expect(drawings.map(({ view }) => view)).toEqual(['front', 'back'])
    const marked = drawings.map(({ spots }) =>
      spots.filter(({ words }) => words !== null).map(({ x, words, label }) => [Math.sign(x), words, label]),
    )
    expect(marked).toEqual([[[-1, '5', 'Front of knee, right']], [[1, '5', 'Calf, right']]])
  })
})
