import fc from 'fast-check'
import { heldInSlot } from '@level-stance/core/stations/feet/boardFoot'
import { wholeNumbers } from '../src/kit/wholeNumbers.ts'

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

it('a range holds both its ends', () => expect(wholeNumbers(0, 3)).toEqual([0, 1, 2, 3]))
