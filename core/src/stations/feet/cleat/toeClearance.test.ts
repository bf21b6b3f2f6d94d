import { said } from '../../../testing.ts'
import fc from 'fast-check'
import { TOE_ASKED, toeClearance, toeFinding } from './toeClearance.ts'

const road = { frontCentre: 590, bbDrop: 70, wheelDiameter: 672, crank: 172.5, toeAhead: 100 }

describe('toes and the front wheel', () => {
  it('from the pedal’s axle is front centre less crank less wheel, worked by hand: 590 − 172.5 − 336', () => {
    expect(toeClearance(road).axle).toBeCloseTo(81.5, 9)
  })

  it('agrees with the crank turned degree by degree', () => {
    fc.assert(
      fc.property(
        fc.record({
          frontCentre: fc.integer({ min: 540, max: 800 }),
          bbDrop: fc.integer({ min: -40, max: 90 }),
          wheelDiameter: fc.integer({ min: 400, max: 760 }),
          crank: fc.integer({ min: 140, max: 185 }),
          toeAhead: fc.integer({ min: 60, max: 160 }),
        }),
        (input) => {
          const ahead = Math.sqrt(input.frontCentre ** 2 - input.bbDrop ** 2)
          let least = Infinity
          for (let angle = 0; angle < 360; angle += 0.1) {
            const a = (angle * Math.PI) / 180
            const tip = { x: input.crank * Math.sin(a) + input.toeAhead, y: input.crank * Math.cos(a) }
            least = Math.min(least, Math.hypot(ahead - tip.x, input.bbDrop - tip.y) - input.wheelDiameter / 2)
          }
          expect(toeClearance(input).toe).toBeCloseTo(least, 2)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('asks for what the standard asks: 100 mm, 89 with the foot held (ISO 4210-2, values from memory)', () => {
    expect(TOE_ASKED).toEqual({ held: 89, free: 100 })
    expect(said(toeFinding('left', road).sentence)).toMatch(/asks for 89 mm .* here it is 82/)
    expect(said(toeFinding('left', { ...road, frontCentre: 700 }).sentence)).not.toMatch(/standard/)
  })

  it('warns before it touches and when it does, and a cleat moved back takes as much', () => {
    expect(toeFinding('left', road)).toMatchObject({ weight: 'act', headline: 'Left toes reach into the front wheel.' })
    expect(toeFinding('right', { ...road, frontCentre: 620 })).toMatchObject({ weight: 'note' })
    expect(toeFinding('right', { ...road, frontCentre: 700 })).toMatchObject({ weight: 'fine' })
    const [before, after] = [toeClearance(road), toeClearance({ ...road, toeAhead: 110 })]
    expect(before.toe - after.toe).toBeCloseTo(10, 0)
    expect(before.axle).toBe(after.axle)
  })

  it('stands with a wheel that cannot be: an axle above the front centre', () => {
    expect(Number.isFinite(toeClearance({ ...road, bbDrop: 900 }).toe)).toBe(true)
  })
})
