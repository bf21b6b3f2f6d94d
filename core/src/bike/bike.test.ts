import fc from 'fast-check'
import { barClamp, bendPoint, dropGrip, effectiveSweeps, extensionGrip, flatGrip, rolled, stemForClamp } from './cockpit.ts'
import type { FlatBar, Front } from './cockpit.ts'
import { saddleOfSitPoint, sitPoint } from './contactPoints.ts'
import { frontWheelShare, halfStance, tiltShift, wheelAxles } from './frame.ts'
import { stemOptions, usualStems } from './stemSearch.ts'

const front: Front = {
  frameReach: 385,
  frameStack: 560,
  headAngle: 73,
  headset: 15,
  spacers: 20,
  halfClamp: 20,
  stemLength: 100,
  stemAngle: -6,
}
const flat: FlatBar = {
  barWidth: 760,
  barRise: 20,
  barForward: 5,
  barBacksweep: 9,
  barUpsweep: 5,
  barRoll: 0,
  barBend: 70,
  handFromEnd: 65,
}
const within = (min: number, max: number) => fc.double({ min, max, noNaN: true })

// Worked example, derived from the drawing: stack 560, reach 385, head 73°, headset 15, half clamp 20, spacers 20.
describe('the bar clamp', () => {
  it.each([
    [{}, 467.1, 631.7],
    [{ stemAngle: 6 }, 461.0, 651.7],
    [{ spacers: 0, stemLength: 110, stemAngle: -17 }, 484.8, 593.5],
  ])('with %j lies at (%s, %s)', (change, x, y) => {
    const clamp = barClamp({ ...front, ...change })
    expect(clamp.x).toBeCloseTo(x, 1)
    expect(clamp.y).toBeCloseTo(y, 1)
  })

  it('moves by (−2.924, +9.563) with a 10 mm spacer', () => {
    const [a, b] = [barClamp(front), barClamp({ ...front, spacers: 30 })]
    expect(b.x - a.x).toBeCloseTo(-2.924, 3)
    expect(b.y - a.y).toBeCloseTo(9.563, 3)
  })

  it('gives its stem back, for any front end', () => {
    fc.assert(
      fc.property(within(60, 80), within(20, 150), within(-40, 60), within(0, 60), (headAngle, stemLength, stemAngle, spacers) => {
        const any = { ...front, headAngle, stemLength, stemAngle, spacers }
        const back = stemForClamp(any, barClamp(any))
        expect(back.stemLength).toBeCloseTo(stemLength, 6)
        expect(back.stemAngle).toBeCloseTo(stemAngle, 6)
      }),
    )
  })
})

describe('a flat bar', () => {
  // Worked example: 9° back, 5° up, rolled 8° forward → 8.232° back, 6.203° up; rolled 8° back → 9.593°, 3.696°.
  it.each([
    [8, 8.232, 6.203],
    [-8, 9.593, 3.696],
    [0, 9, 5],
  ])('9° back and 5° up, rolled %s° → %s° back, %s° up', (barRoll, back, up) => {
    const sweeps = effectiveSweeps(flatGrip({ ...flat, barRoll }).axis!)
    expect(sweeps.backsweep).toBeCloseTo(back, 3)
    expect(sweeps.upsweep).toBeCloseTo(up, 3)
  })

  it('without sweep puts the hand straight out, short of the end', () => {
    const { at } = flatGrip({ ...flat, barBacksweep: 0, barUpsweep: 0 })
    expect(at).toEqual({ x: 5, y: 20, z: 380 - 65 })
  })

  it('carries the hand back and up along its arm, as far from the end as asked', () => {
    fc.assert(
      fc.property(within(0, 45), within(0, 20), within(20, 150), within(-30, 30), (barBacksweep, barUpsweep, handFromEnd, barRoll) => {
        const bar = { ...flat, barBacksweep, barUpsweep, handFromEnd, barRoll }
        const { at, axis } = flatGrip(bar)
        const end = flatGrip({ ...bar, handFromEnd: 0 }).at
        expect(Math.hypot(end.x - at.x, end.y - at.y, end.z - at.z)).toBeCloseTo(handFromEnd, 6)
        expect((end.x - at.x) / handFromEnd).toBeCloseTo(axis!.x, 6)
        expect(end.z).toBeCloseTo(bar.barWidth / 2, 6)
      }),
    )
  })

  it('rolled there and back stays as it was', () => {
    fc.assert(
      fc.property(within(-90, 90), within(-200, 200), within(-200, 200), (roll, x, y) => {
        const there = rolled(rolled({ x, y }, roll), -roll)
        expect(there.x).toBeCloseTo(x, 8)
        expect(there.y).toBeCloseTo(y, 8)
      }),
    )
  })
})

describe('a drop bar', () => {
  const drop = { hoodWidth: 420, dropWidth: null, barReach: 80, barDrop: 124, barFlare: 0, barRoll: 0, hoodPosition: 45, hoodAngle: 0 }
  it('has its bend’s front at the reach, its bottom at the drop', () => {
    expect(bendPoint(drop, 90).x).toBeCloseTo(80, 9)
    expect(bendPoint(drop, 180).y).toBeCloseTo(-124, 9)
    expect(bendPoint(drop, 0).y).toBeCloseTo(0, 9)
  })
  it('holds hoods further forward and higher than drops, tops nearest', () => {
    const [tops, hoods, drops] = [dropGrip(drop, 'tops').at, dropGrip(drop, 'hoods').at, dropGrip(drop, 'drops').at]
    expect(hoods.x).toBeGreaterThan(drops.x)
    expect(hoods.y).toBeGreaterThan(drops.y)
    expect(tops.x).toBeLessThan(drops.x)
    expect(hoods.z).toBe(210)
    expect(dropGrip({ ...drop, barFlare: 12 }, 'drops').at.z).toBeGreaterThan(drops.z)
    expect(dropGrip({ ...drop, dropWidth: 460 }, 'drops').at.z).toBe(230)
  })
  it('brings hoods down and forward when rolled forward, turned inward when asked', () => {
    const rolledForward = dropGrip({ ...drop, barRoll: 10 }, 'hoods')
    expect(rolledForward.at.y).toBeLessThan(dropGrip(drop, 'hoods').at.y)
    expect(rolledForward.pointing!.y).toBeLessThan(0)
    expect(dropGrip({ ...drop, hoodAngle: 10 }, 'hoods').pointing!.z).toBeLessThan(0)
  })
  it('reaches extensions from the pad along their rise', () => {
    const { at, pad } = extensionGrip({ padForward: 20, padUp: 60, padSpacing: 200, extensionLength: 250, extensionAngle: 30 })
    expect(Math.hypot(at.x - pad.x, at.y - pad.y)).toBeCloseTo(250, 9)
    expect(at.y - pad.y).toBeCloseTo(125, 9)
    expect(at.z).toBe(100)
  })
})

describe('stems and spacers', () => {
  it('agree with a search through every stem and every millimetre of spacers', () => {
    fc.assert(
      fc.property(within(-40, 40), within(-40, 40), (dx, dy) => {
        const clamp = barClamp(front)
        const wanted = { x: clamp.x + dx, y: clamp.y + dy }
        let best = Infinity
        for (const stemLength of usualStems.lengths)
          for (const stemAngle of usualStems.angles)
            for (let spacers = 0; spacers <= 30; spacers++) {
              const at = barClamp({ ...front, stemLength, stemAngle, spacers })
              best = Math.min(best, Math.hypot(at.x - wanted.x, at.y - wanted.y))
            }
        const options = stemOptions(front, wanted, 30, 200)
        expect(Math.min(...options.map((option) => option.misses))).toBeLessThanOrEqual(best + 1e-9)
        const reached = barClamp({ ...front, ...options[0]! })
        expect(Math.hypot(wanted.x - reached.x, wanted.y - reached.y)).toBeCloseTo(options[0]!.misses, 9)
      }),
      { numRuns: 40 },
    )
  })
  it('leave everything as it is when nothing is wanted', () => {
    expect(stemOptions(front, barClamp(front), 30)[0]).toMatchObject({ effort: 'spacers', spacers: 20, misses: expect.closeTo(0, 9) })
  })
  it('turn the stem over rather than buy one', () => {
    const over = barClamp({ ...front, stemAngle: 6 })
    expect(stemOptions(front, over, 30)[0]).toMatchObject({ effort: 'flip', stemAngle: 6, stemLength: 100 })
  })
  it('never ask for more spacers than the steerer holds', () => {
    const high = { ...barClamp(front), y: 900 }
    for (const option of stemOptions(front, high, 30, 100)) expect(option.spacers).toBeLessThanOrEqual(30)
  })
})

describe('frame, saddle and stance', () => {
  // Worked example: 73 + 53 + 1 + 2 = 129.
  it('adds a foot’s place from its parts', () => {
    expect(halfStance({ tread: 146, axle: 53, washer: 1, adapter: 0, cleatInboard: 2 })).toBe(129)
  })
  // Worked example: one degree moves a point 140 mm ahead by 2.443 mm.
  it('lifts a point 140 mm ahead by 2.443 mm a degree', () => {
    expect(tiltShift({ x: 140, y: 0 }, 1).y).toBeCloseTo(2.443, 3)
  })
  it('tilts there and back to where it was', () => {
    fc.assert(
      fc.property(within(-200, 200), within(0, 120), within(-20, 20), (x, y, turn) => {
        const there = tiltShift({ x, y }, turn)
        const back = tiltShift({ x: x + there.x, y: y + there.y }, -turn)
        expect(there.x + back.x).toBeCloseTo(0, 8)
        expect(there.y + back.y).toBeCloseTo(0, 8)
      }),
    )
  })
  it('finds the saddle’s height and angle from where the rider sits', () => {
    const { saddleHeight, seatAngle } = saddleOfSitPoint(sitPoint(724, 73.2))
    expect(saddleHeight).toBeCloseTo(724, 9)
    expect(seatAngle).toBeCloseTo(73.2, 9)
  })
  it('puts the axles at stay’s length from the bottom bracket, level with each other', () => {
    const axles = wheelAxles({ chainstay: 430, frontCentre: 610, bbDrop: 70 })!
    expect(Math.hypot(axles.rear.x, axles.rear.y)).toBeCloseTo(430, 9)
    expect(Math.hypot(axles.front.x, axles.front.y)).toBeCloseTo(610, 9)
    expect(axles.rear.y).toBe(axles.front.y)
    expect(frontWheelShare(axles.rear.x, axles)).toBeCloseTo(0, 12)
    expect(frontWheelShare(axles.front.x, axles)).toBeCloseTo(1, 12)
    expect(wheelAxles({ chainstay: 60, frontCentre: 610, bbDrop: 70 })).toBeNull()
  })
})
