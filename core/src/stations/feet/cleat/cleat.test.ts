import { said } from '../../../testing.ts'
import fc from 'fast-check'
import { BALL_OF_FOOT_RATIO } from '../../../body/proportions.ts'
import { CalculationError } from '../../../kernel/problem.ts'
import { quantity } from '../../../kernel/quantity.ts'
import { cleatSchoolKeys } from './schools.ts'
import { judgeCleat } from './judge.ts'
import type { CleatReadings } from './judge.ts'
import { cleatTarget, schoolTargets } from './target.ts'
import { soleDrawing } from './soleDrawing.ts'

const foot = { setbackNow: 6, slotForward: 6, slotBack: 12, shoeSize: 43, heelToMtp1: 196, heelToMtp5: 170, footLength: 265 }

// Common practice: 20–30 mm behind MTP1, linear, EU 38 → 20, EU 47 → 30.
describe('behind the ball', () => {
  it.each([
    [38, 20],
    [47, 30],
    [42.5, 25],
    [41, 23.333],
    [30, 20],
    [52, 30],
  ])('EU %s asks for %s mm', (shoeSize, target) => {
    const result = cleatTarget({ school: 'behind-ball', setbackNow: 0, shoeSize })
    expect(result.target).toBeCloseTo(target, 3)
    expect(result.heldAtEnd).toBe(shoeSize < 38 || shoeSize > 47)
  })
})

// Common practice, from the schools' own definitions.
describe('the other schools', () => {
  const by = (school: (typeof cleatSchoolKeys)[number]) => schoolTargets(foot).find((row) => row.school === school)!
  it('ball over axle is 0 to 10 mm', () => expect(by('ball-over-axle')).toMatchObject({ low: 0, high: 10 }))
  it('between the heads is midway between MTP1 and MTP5', () => expect(by('between-heads').target).toBeCloseTo((196 - 170) / 2, 9))
  it('mid-foot is at half of foot length', () => expect(by('mid-foot').target).toBeCloseTo(196 - 132.5, 9))

  // ANSUR II (Gordon et al. 2014, from memory): ball-of-foot 200.9 of foot length 271.2 mm, men; 182 of 246.3, women.
  it('agrees with the survey on where the ball lies, so that mid-foot is about 24 % of foot length behind it', () => {
    expect(200.9 / 271.2).toBeCloseTo(BALL_OF_FOOT_RATIO, 2)
    expect(182 / 246.3).toBeCloseTo(BALL_OF_FOOT_RATIO, 2)
    const average = schoolTargets({ setbackNow: 0, heelToMtp1: 200.9, footLength: 271.2 }).find((row) => row.school === 'mid-foot')!
    expect(average.target! / 271.2).toBeCloseTo(0.24, 2)
  })

  it('a school that lacks a reading says which, and the others go on', () => {
    const rows = schoolTargets({ setbackNow: 6, shoeSize: 43 })
    expect(rows.map((row) => row.missing)).toEqual([[], [], ['heelToMtp1', 'heelToMtp5'], ['heelToMtp1', 'footLength']])
    expect(() => cleatTarget({ school: 'mid-foot', setbackNow: 6, heelToMtp1: 196 })).toThrow(CalculationError)
  })
})

describe('the slot', () => {
  it('limits the target and says what is left', () => {
    const { target, attainable, left, difference } = cleatTarget({ ...foot, school: 'behind-ball' })
    expect(target).toBeCloseTo(25.556, 3)
    expect(attainable).toBe(18)
    expect(left).toBeCloseTo(7.556, 3)
    expect(difference).toBe(12)
  })

  it('always holds: attainable lies in the slot, attainable + left = target, and nothing nearer exists', () => {
    const mm = (min: number, max: number) => fc.double({ min, max, noNaN: true })
    fc.assert(
      fc.property(
        mm(-20, 90),
        mm(0, 40),
        mm(0, 60),
        mm(30, 55),
        fc.constantFrom(...cleatSchoolKeys),
        (now, forward, back, size, school) => {
          const result = cleatTarget({ ...foot, school, setbackNow: now, slotForward: forward, slotBack: back, shoeSize: size })
          expect(result.attainable).toBeGreaterThanOrEqual(now - forward - 1e-9)
          expect(result.attainable).toBeLessThanOrEqual(now + back + 1e-9)
          expect(result.attainable + result.left).toBeCloseTo(result.target, 9)
          const inside = result.target >= now - forward && result.target <= now + back
          if (inside) expect(result.left).toBe(0)
          else
            expect(Math.min(Math.abs(result.attainable - (now - forward)), Math.abs(result.attainable - (now + back)))).toBeLessThan(1e-9)
        },
      ),
    )
  })

  it('is not invented where it was not read', () => {
    expect(cleatTarget({ school: 'behind-ball', setbackNow: 6, shoeSize: 43 }).left).toBe(0)
  })
})

describe('the judgement of one foot', () => {
  const ruler = (value: number) => quantity(value, 1.5, 'mm', 'measured')
  const readings: CleatReadings = {
    setbackNow: ruler(6),
    slotForward: ruler(6),
    slotBack: ruler(12),
    shoeSize: quantity(43, 0.5, 'EU', 'measured'),
    heelToMtp1: ruler(196),
    heelToMtp5: null,
    footLength: null,
  }
  const judged = (change: Partial<CleatReadings>) => {
    const judgement = judgeCleat('right', 'behind-ball', { ...readings, ...change })
    if (judgement.state === 'missing') throw new Error('unexpectedly missing')
    return judgement
  }

  it('says place, target, what the slot allows and the move', () => {
    const judgement = judged({})
    expect(judgement.state).toBe('outside')
    expect(judgement.isWorthMoving).toBe(true)
    expect(said(judgement.sentence)).toBe(
      'The axle lies 6 mm behind MTP1; behind the ball asks for 25.6 mm, 23.1 to 28.1 mm. It lies 17.1 mm too far forward. The slot ends 7.6 mm short, so 18 mm is what this shoe allows. Move it 12 mm back.',
    )
  })

  it('carries ruler and size into the ± of the difference, whatever the slot allows', () => {
    // 1.5 mm of ruler and half a size on a slope of 10/9 mm per size.
    for (const slotBack of [ruler(12), ruler(40)])
      expect(judged({ slotBack }).stands.plusMinus).toBeCloseTo(Math.hypot(1.5, (0.5 * 10) / 9), 6)
  })

  it('does not move a cleat for less than the ruler can tell', () => {
    const judgement = judged({ setbackNow: quantity(22.4, 10, 'mm', 'measured'), slotBack: ruler(40) })
    expect(judgement.isWorthMoving).toBe(false)
    expect(judgement.headline).toMatch(/too close to call|level/)
  })

  it('says when the cleat is at the end of its slot', () => {
    const judgement = judged({ setbackNow: ruler(18), slotBack: ruler(0) })
    expect(judgement.isWorthMoving).toBe(false)
    expect(said(judgement.sentence)).toContain('all the way back already')
  })

  it('leaves a level cleat alone', () => {
    expect(judged({ setbackNow: ruler(25.5), slotBack: ruler(20) })).toMatchObject({
      state: 'level',
      headline: 'Right cleat is in its band.',
    })
  })

  it('says that the slot was not read', () => {
    expect(said(judged({ slotBack: null }).sentence)).toContain('not read')
  })

  it('names what to measure instead of guessing', () => {
    const judgement = judgeCleat('left', 'between-heads', readings)
    expect(judgement).toMatchObject({ state: 'missing', missing: ['heelToMtp5'] })
    expect(judgeCleat('left', 'behind-ball', { ...readings, setbackNow: null })).toMatchObject({ missing: ['cleatSetback'] })
  })
})

describe('the drawing of a sole', () => {
  it('is to scale: as long as the foot, with both heads where they were measured', () => {
    const { outline, mtp1, mtp5 } = soleDrawing({ footLength: 265, heelToMtp1: 196, heelToMtp5: 170 })
    const along = outline.map((point) => point.along)
    expect(Math.min(...along)).toBe(0)
    expect(Math.max(...along)).toBeGreaterThan(0.98 * 265)
    expect(Math.max(...along)).toBeLessThanOrEqual(265)
    expect([mtp1.along, mtp5?.along]).toEqual([196, 170])
    expect(mtp1.across).toBeLessThan(0)
  })
  it('draws no head that was not measured', () => {
    expect(soleDrawing({ footLength: 265, heelToMtp1: 196, heelToMtp5: null }).mtp5).toBeNull()
  })
})
