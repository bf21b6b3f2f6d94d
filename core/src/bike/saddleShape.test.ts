import fc from 'fast-check'
import { curveAngle, halfWidth, outline, shapeFrom, sideLine, tipToTail, topAt } from './saddleShape.ts'
import type { SaddleShape } from './saddleShape.ts'

const anyShape = fc
  .record({
    length: fc.integer({ min: 200, max: 320 }),
    width: fc.integer({ min: 120, max: 240 }),
    share: fc.double({ min: 0.6, max: 0.95, noNaN: true }),
    noseWidth: fc.integer({ min: 25, max: 70 }),
    sitShare: fc.double({ min: 0.45, max: 0.7, noNaN: true }),
    noseDrop: fc.integer({ min: 0, max: 20 }),
    tailRise: fc.integer({ min: 0, max: 40 }),
  })
  .map(({ share, sitShare, ...rest }): SaddleShape => ({
    ...rest,
    zoneWidth: Math.max(rest.noseWidth + 5, share * rest.width),
    sitFromNose: sitShare * rest.length,
  }))

describe('any saddle’s shape', () => {
  it('has no width outside itself, and the given one at nose, zone and widest place', () => {
    fc.assert(
      fc.property(anyShape, (shape) => {
        expect(halfWidth(shape, -1)).toBe(0)
        expect(halfWidth(shape, shape.length + 1)).toBe(0)
        expect(2 * halfWidth(shape, shape.noseWidth / 2 + 1)).toBeCloseTo(shape.noseWidth, 6)
        expect(2 * halfWidth(shape, shape.sitFromNose)).toBeCloseTo(shape.zoneWidth, 6)
        const edge = outline(shape, 200)
        expect(edge[0]!.y).toBeCloseTo(0, 6)
        expect(edge.at(-1)!.y).toBeCloseTo(0, 6)
        for (const { y } of edge) expect(Number.isFinite(y) && y >= 0).toBe(true)
      }),
      { seed: 21 },
    )
  })
  it('is level where the rider sits, and falls to the nose and rises to the tail by what is given', () => {
    fc.assert(
      fc.property(anyShape, (shape) => {
        expect(topAt(shape, shape.sitFromNose)).toBeCloseTo(0, 9)
        expect(topAt(shape, 0)).toBeCloseTo(-shape.noseDrop, 9)
        expect(topAt(shape, shape.length)).toBeCloseTo(shape.tailRise, 9)
        // Level at the sitting zone itself: a millimetre either way differs by next to nothing.
        expect(Math.abs(topAt(shape, shape.sitFromNose + 1) - topAt(shape, shape.sitFromNose - 1))).toBeLessThan(0.05)
      }),
      { seed: 22 },
    )
  })
  it('reads from nose to tail what its zone stands at and its own curve, in one turn of the plane', () => {
    fc.assert(
      fc.property(anyShape, fc.double({ min: -8, max: 8, noNaN: true }), (shape, tilt) => {
        const line = sideLine(shape, { x: -200, y: 700 }, tilt)
        const [nose, tail] = [line[0]!, line.at(-1)!]
        const angle = (Math.atan2(nose.y - tail.y, nose.x - tail.x) * 180) / Math.PI
        expect(angle).toBeCloseTo(tipToTail(shape, tilt), 6)
        expect(Math.hypot(nose.x - tail.x, nose.y - tail.y)).toBeCloseTo(Math.hypot(shape.length, shape.noseDrop + shape.tailRise), 6)
        expect(curveAngle(shape)).toBeLessThanOrEqual(0)
      }),
      { seed: 23 },
    )
  })
  it('takes what is read and leaves the rest as usual', () => {
    expect(shapeFrom({ width: 160, length: null })).toMatchObject({ width: 160, length: 265, zoneWidth: 0.83 * 160 })
  })
})
