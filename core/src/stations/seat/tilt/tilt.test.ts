import fc from 'fast-check'
import { curveAngle, shapeFrom, sideLine, tipToTail } from '../../../bike/saddleShape.ts'
import { tiltShift } from '../../../bike/frame.ts'
import { sources } from '../../../kernel/sources.ts'
import { climbTilt, climbWords, tiltTarget } from './rules.ts'
import { degreesPerTurn, threadPitches, tiltTurns, turnWords } from './bolts.ts'

const twoBolts = { kind: 'two-bolts', thread: 'M6', spacing: 40, notch: 1 } as const

describe('bolts of a two-bolt head', () => {
  it('turn by the published pitch over their distance', () => {
    // Worked: bolts 40 mm apart, one M6 turn 1.432°, M5 1.146°. Pitches: ISO 261, from memory.
    expect(degreesPerTurn(40, 'M6')).toBeCloseTo(1.432, 3)
    expect(degreesPerTurn(40, 'M5')).toBeCloseTo(1.146, 3)
    expect(threadPitches).toEqual({ M4: 0.7, M5: 0.8, M6: 1, M8: 1.25 })
    expect(sources['iso-261'].note).toMatch(/from memory/)
  })

  it('both turned half a turn opposite ways make the same as one whole turn', () => {
    const { steps, gives } = tiltTurns(twoBolts, -1.432)
    expect(gives).toBeCloseTo(-1.432, 3)
    const sum = (bolt: string) => steps.filter((s) => s.bolt === bolt).reduce((all, s) => all + s.eighths, 0)
    expect([sum('rear'), sum('front')]).toEqual([-4, 4])
  })

  it('drop the nose by loosening the rear first and tightening the front, a quarter turn at a time (common practice)', () => {
    const { steps } = tiltTurns(twoBolts, -2)
    expect(steps[0]).toMatchObject({ bolt: 'rear', words: 'Rear bolt ¼ turn looser' })
    expect(steps[1]).toMatchObject({ bolt: 'front', words: 'Front bolt ¼ turn tighter' })
    expect(tiltTurns(twoBolts, 2).steps[0]).toMatchObject({ bolt: 'front', eighths: -2 })
  })

  it('give what is asked to within a sixteenth of a turn, alternate, and never tighten before they loosen', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -8, max: 8, noNaN: true }),
        fc.double({ min: 15, max: 90, noNaN: true }),
        fc.constantFrom('M4', 'M5', 'M6', 'M8'),
        (change, spacing, thread) => {
          const { steps, gives, left } = tiltTurns({ ...twoBolts, spacing, thread }, change)
          expect(gives + left).toBeCloseTo(change, 9)
          expect(Math.abs(left)).toBeLessThanOrEqual(degreesPerTurn(spacing, thread) / 16 + 1e-9)
          let slack = 0
          steps.forEach((step) => {
            slack -= step.eighths
            expect(slack).toBeGreaterThanOrEqual(0)
            expect(Math.abs(step.eighths)).toBeLessThanOrEqual(2)
          })
          expect(slack).toBeLessThanOrEqual(1)
        },
      ),
      { seed: 3 },
    )
  })

  it('other heads: notches leave a rest, a smooth head is set by the level, a screw turns alone', () => {
    expect(tiltTurns({ ...twoBolts, kind: 'notched', notch: 2 }, -3.2)).toMatchObject({ gives: -4, turns: null })
    expect(tiltTurns({ ...twoBolts, kind: 'smooth' }, -3.2)).toMatchObject({ gives: -3.2, left: 0 })
    const screw = tiltTurns({ ...twoBolts, kind: 'screw' }, -1.432)
    expect(screw.steps.map((s) => s.eighths)).toEqual([0, 8, 0])
    expect(tiltTurns(twoBolts, 0).steps).toEqual([])
    expect([turnWords(1), turnWords(8), turnWords(10), turnWords(16)]).toEqual(['⅛ turn', '1 turn', '1 ¼ turns', '2 turns'])
  })

  it('a degree moves a point 140 mm ahead of the clamp by 2.443 mm', () => {
    // Worked: 140 mm · tan 1° = 2.4437; along the arc 140 · sin 1° = 2.4433.
    expect(tiltShift({ x: 140, y: 0 }, 1).y).toBeCloseTo(2.443, 3)
  })
})

describe('a curved saddle', () => {
  const curved = shapeFrom({ length: 272, sitFromNose: 165, noseDrop: 6, tailRise: 16 })
  it('reads otherwise from nose to tail than where the rider sits', () => {
    // Tail 22 mm above the nose over 272 mm: atan(22 / 272) = 4.624°.
    expect(curveAngle(curved)).toBeCloseTo((-Math.atan(22 / 272) * 180) / Math.PI, 9)
    expect(tipToTail(curved, -1)).toBeCloseTo(-5.624, 2)
    expect(curveAngle(shapeFrom({ noseDrop: 0, tailRise: 0 }))).toBeCloseTo(0, 9)
  })
  it('is drawn through the sit point, whatever its tilt, with its length along the nose–tail line', () => {
    for (const tilt of [-5, 0, 4]) {
      const line = sideLine(curved, { x: -200, y: 700 }, tilt, 272)
      const nose = line[0]!
      const tail = line.at(-1)!
      const sit = line[165]!
      expect(sit.x).toBeCloseTo(-200, 6)
      expect(sit.y).toBeCloseTo(700, 6)
      expect((Math.atan2(nose.y - tail.y, nose.x - tail.x) * 180) / Math.PI).toBeCloseTo(tipToTail(curved, tilt), 6)
    }
  })
})

describe('target tilt', () => {
  const none = { down: [], up: [] }
  it('is 0 to 3° nose down where you sit (common practice)', () => {
    expect(tiltTarget('road', null, none).band).toEqual({ low: -3, high: 0 })
  })
  it('goes further down for suspension and steep climbs, and never by more than 3°', () => {
    const climb = climbTilt({ rearSag: 40, forkSag: 15, wheelbase: 1190, gradient: 18 })
    // atan(25 / 1190) = 1.203°, atan(0.18) = 10.20°.
    expect(climb.sag).toBeCloseTo(1.203, 2)
    expect(climb.slope).toBeCloseTo(10.2, 2)
    const target = tiltTarget('mountain', climb, none)
    expect(target.aim).toBeLessThan(tiltTarget('mountain', null, none).aim)
    expect(climbWords({ slope: 9.1, sag: -1.2 })).toBe('9.1° nose up by the slope, 1.2° nose down by the suspension')
    expect(climbTilt({ rearSag: 120, forkSag: 0, wheelbase: 900, gradient: 40 }).shift).toBe(-3)
    expect(climbTilt({ rearSag: 0, forkSag: 0, wheelbase: 1100, gradient: 0 })).toEqual({ slope: 0, sag: 0, shift: 0 })
  })
  it('never calls a saddle wrong that lies 0 to 3° nose down: use and climbs move the aim', () => {
    const steep = climbTilt({ rearSag: 40, forkSag: 15, wheelbase: 1190, gradient: 18 })
    for (const use of ['road', 'low', 'mountain'] as const)
      for (const climb of [null, steep]) {
        const { band, aim } = tiltTarget(use, climb, { down: ['saddle area numb'], up: [] })
        expect(band.low).toBeLessThanOrEqual(-3)
        expect(band.high).toBe(0)
        expect(aim).toBeGreaterThanOrEqual(band.low)
        expect(aim).toBeLessThanOrEqual(0)
      }
  })
  it('leans to the end that speaks: numb soft tissue down, loaded hands up, both cancel', () => {
    const aim = (down: string[], up: string[]) => tiltTarget('road', null, { down, up }).aim
    expect(aim(['saddle area numb'], [])).toBe(-2)
    expect(aim([], ['hand numb'])).toBe(0)
    expect(aim(['saddle area numb'], ['hand numb'])).toBe(-1)
  })
})
