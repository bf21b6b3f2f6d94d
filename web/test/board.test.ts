import fc from 'fast-check'
import { bodyRegionKeys, bodyRegions } from '@level-stance/core/talk/regions'
import { heldInSlot } from '../src/board/boardFoot.ts'
import { range } from '../src/composables/range.ts'
import { bodyDrawings } from '../src/stations/talk/bodyMapShapes.ts'

describe('a dragged cleat', () => {
  it('goes in half millimetres and stops at the slot’s ends, even between two halves', () => {
    const slot = { foremost: -1.2, rearmost: 17.8 }
    expect(heldInSlot(5.3, slot)).toBe(5.5)
    expect(heldInSlot(40, slot)).toBe(17.8)
    expect(heldInSlot(-40, slot)).toBe(-1.2)
    expect(heldInSlot(17.7, slot)).toBe(17.5)
  })

  it('never leaves the slot', () => {
    const mm = fc.double({ min: -30, max: 120, noNaN: true })
    fc.assert(
      fc.property(mm, mm, mm, (a, b, pulled) => {
        const slot = { foremost: Math.min(a, b), rearmost: Math.max(a, b) }
        const held = heldInSlot(pulled, slot)
        expect(held).toBeGreaterThanOrEqual(slot.foremost)
        expect(held).toBeLessThanOrEqual(slot.rearmost)
      }),
    )
  })

  it('without a read slot stays on a foot', () => {
    expect(heldInSlot(500, null)).toBe(90)
    expect(heldInSlot(-500, null)).toBe(-30)
  })
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

it('a range holds both its ends', () => expect(range(0, 3)).toEqual([0, 1, 2, 3]))
