import { riderMetrics } from '../../body/metrics.ts'
import { riderWith } from '../../rider/calibrated.ts'
import { withMoves } from '../../ledger/moves.ts'
import fc from 'fast-check'
import { CREEP } from '../../body/postureLimits.ts'
import { judged } from '../../kernel/judged.ts'
import { saddleHeightForFlexion } from '../../body/leg.ts'
import type { LegInput } from '../../body/leg.ts'
import { setbackCurve } from '../../knockOn/seatCurve.ts'
import { setupOf, standingOf } from '../../rider/setup.ts'
import type { entryOf } from '../../testing.ts'
import { wholeReadings, aReading, said } from '../../testing.ts'
import { sources } from '../../kernel/sources.ts'
import { heightFindings, heightWindow, judgeHeight, weekPlan } from './height/judge.ts'
import { regressionHeight } from './height/methods.ts'
import { readingPlusMinus } from '../../readings/resolve.ts'
import { judgeLegLength } from './legs/judge.ts'
import type { LegLengthReadings } from './legs/judge.ts'
import { judgeSetback } from './setback/judge.ts'
import type { SetbackSigns } from './setback/judge.ts'

const leg: LegInput = {
  thigh: 430,
  shank: 440,
  ankleBehind: 130,
  ankleAbove: 90,
  crank: 172.5,
  seatAngle: 73,
  hipForward: 40,
  hipUp: 85,
  footPitch: 20,
  saddleHeight: 0,
}
const band = { low: 25, high: 35 }
const standing = (flexion: number, more: Partial<LegInput> = {}) => ({
  leg: { ...leg, ...more },
  value: flexion,
  band,
  plusMinus: 3,
  overModel: 0,
  isRead: true,
})

/** Independent way: the ankle from the pedal by plain trigonometry, then bisection on the law of cosines. */
function heightBySearch(
  flexion: number,
  { thigh, shank, ankleBehind: a, ankleAbove: b, crank, seatAngle, hipForward, hipUp, footPitch }: LegInput,
): number {
  const rad = Math.PI / 180
  const [c, s] = [Math.cos(footPitch * rad), Math.sin(footPitch * rad)]
  const ankle = { x: -a * c + b * s, y: -crank + a * s + b * c }
  const bent = (h: number) => {
    const hip = { x: -h * Math.cos(seatAngle * rad) + hipForward, y: h * Math.sin(seatAngle * rad) + hipUp }
    const d = Math.hypot(hip.x - ankle.x, hip.y - ankle.y)
    return 180 - Math.acos((thigh ** 2 + shank ** 2 - d ** 2) / (2 * thigh * shank)) / rad
  }
  let [low, high] = [500, 779]
  while (Number.isNaN(bent(high))) high -= 0.25
  for (let i = 0; i < 80; i++) {
    const middle = (low + high) / 2
    if (bent(middle) > flexion) low = middle
    else high = middle
  }
  return (low + high) / 2
}

describe('height by both knees', () => {
  it('the window’s ends agree with an independent search to a hundredth of a millimetre', () => {
    for (const more of [{}, { thigh: 455 }, { footPitch: 8 }, { crank: 165 }, { seatAngle: 78 }]) {
      const window = heightWindow(standing(30, more))!
      expect(window.low).toBeCloseTo(heightBySearch(35, { ...leg, ...more }), 2)
      expect(window.high).toBeCloseTo(heightBySearch(25, { ...leg, ...more }), 2)
    }
  })
  it('lies by the published regression for a rider of usual build', () => {
    // Ferrer-Roca et al. 2012, from memory: inseam 830, flexion 35° pedalling → 912.2 from the pedal.
    expect(regressionHeight(830, 35)).toBeCloseTo(912.2, 1)
    const window = heightWindow(standing(30))!
    expect(Math.abs((window.low + window.high) / 2 - (912.2 - 172.5))).toBeLessThan(40)
  })
  it('leaves a saddle inside alone, and moves one outside to the nearest edge', () => {
    const window = heightWindow(standing(30))!
    const knees = { left: standing(30), right: standing(30) }
    expect(judgeHeight((window.low + window.high) / 2, knees)).toMatchObject({ by: 0, between: null })
    expect(judgeHeight(window.low - 12, knees).by).toBeCloseTo(12, 6)
    expect(judgeHeight(window.high + 7, knees).by).toBeCloseTo(-7, 6)
  })
  it('two legs that no height suits are met halfway, and told so; one leg alone decides where the other is not known', () => {
    const knees = { left: standing(15), right: standing(45, { thigh: 400, shank: 410 }) }
    const judged = judgeHeight(700, knees)
    expect(judged.common).toBeNull()
    expect(judged.between!).toBeGreaterThan(judged.windows.right!.high)
    expect(judged.between!).toBeLessThan(judged.windows.left!.low)
    const read = {
      pelvisLevel: 'twisted',
      rocking: 'much',
      dropperTravel: 150,
      knees,
      tooWide: false,
    } as const
    expect(heightFindings(judged, read).map((f) => f.key)).toEqual([
      'knee-left',
      'knee-right',
      'apart',
      'no-common',
      'pelvis',
      'rocks',
      'dropper',
    ])
    expect(judgeHeight(700, { left: standing(30), right: null }).common).not.toBeNull()
    expect(judgeHeight(700, { left: null, right: null })).toMatchObject({ by: 0, common: null })
  })
  it('spreads a settled rider’s steps over weeks', () => {
    expect(weekPlan([5, 5, 2])).toEqual([
      { week: 0, by: 5 },
      { week: 2, by: 5 },
      { week: 4, by: 2 },
    ])
  })
})

describe('the curve of height over setback', () => {
  const at = (readings = wholeReadings, ledger: ReturnType<typeof entryOf>[] = []) => standingOf(setupOf(readings, ledger, 'drop'))
  it('keeps the two knees together as they are, at every point', () => {
    const standing = at()
    const bent = (setback: number, height: number) => {
      const moves = [
        { setting: 'saddleSetback', side: 'both', by: setback },
        { setting: 'saddleHeight', side: 'both', by: height },
      ] as const
      const { kneeLeft, kneeRight } = riderMetrics(riderWith(standing.rider, withMoves(standing.by, moves))!, null)
      return (kneeLeft! + kneeRight!) / 2
    }
    for (const { setback, height } of setbackCurve(standing, 30, 10)!) expect(bent(setback, height!)).toBeCloseTo(bent(0, 0), 2)
  })
  it('knows where rails and post end, and is nothing while the legs are not known', () => {
    const railed = [
      ...wholeReadings,
      aReading('railRoomBack', 'both', 10),
      aReading('railRoomForward', 'both', 0),
      aReading('postRoomDown', 'both', 1),
    ]
    expect(setbackCurve(at(railed), 20, 10)!.map((p) => p.inRoom)).toEqual([false, false, true, false, false])
    expect(setbackCurve(at([]), 20, 10)).toBeNull()
  })
})

const signs = (more: Partial<SetbackSigns> = {}): SetbackSigns => ({
  sits: null,
  sitsHard: null,
  creep: null,
  hands: [],
  hipClosed: [],
  kneeFront: [],
  kneeBack: [],
  ofHeight: [],
  noseDown: false,
  load: null,
  railRoomBack: null,
  railRoomForward: null,
  ...more,
})

describe('setback', () => {
  it('follows the signs of the trade: on the nose is too far back, off the tail too far forward (common practice)', () => {
    expect(judgeSetback(signs({ sits: 'nose' })).by).toBe(-5)
    expect(judgeSetback(signs({ sits: 'tail' })).by).toBe(5)
    expect(judgeSetback(signs({ sits: 'middle' }))).toMatchObject({ by: 0, findings: [{ key: 'leave' }] })
    expect(judgeSetback(signs({ hands: ['hand numb'] })).by).toBe(5)
    expect(judgeSetback(signs({ hipClosed: ['stomach'] })).by).toBe(-5)
    expect(judgeSetback(signs())).toMatchObject({ by: 0, findings: [] })
    // Only told: a small step, and first a look. Seen to sit in the middle: nothing is moved by what is told.
    expect(judgeSetback(signs({ hands: ['hand numb'] })).findings).toMatchObject([{ key: 'back', weight: 'note' }])
    expect(judgeSetback(signs({ sits: 'middle', hands: ['hand numb'] }))).toMatchObject({ by: 0, findings: [{ key: 'leave' }] })
    // Told both ways and creeping: no step is spoken of where none is offered.
    const creeping = judgeSetback(signs({ sits: 'middle', creep: creeps(30), hands: ['hand numb'], hipClosed: ['hip'] }))
    expect([creeping.by, creeping.findings.map(({ key }) => key)]).toEqual([0, ['creep']])
  })
  it('where the rider sits outranks what only follows; equal signs move nothing and say both', () => {
    expect(judgeSetback(signs({ sits: 'nose', hands: ['hand numb'] })).by).toBe(-5)
    const both = judgeSetback(signs({ hands: ['hand numb'], hipClosed: ['hip'] }))
    expect(both.by).toBe(0)
    expect(both.findings[0]!.key).toBe('both')
  })
  it('creeping forward under effort is about saddle or reach, not setback (common practice)', () => {
    const judged = judgeSetback(signs({ sits: 'middle', sitsHard: 'nose', creep: creeps(30) }))
    expect(judged.by).toBe(0)
    expect(judged.findings[0]!).toMatchObject({ key: 'creep', weight: 'act' })
  })
  it('leaves to height and tilt what is theirs', () => {
    const ofHeight = judgeSetback(signs({ ofHeight: ['back of knee, left'] }))
    expect(ofHeight).toMatchObject({ by: 0, findings: [{ key: 'height-first' }] })
    const slides = judgeSetback(signs({ sits: 'nose', sitsHard: 'nose', creep: creeps(30), noseDown: true }))
    expect(slides).toMatchObject({ by: 0, findings: [{ key: 'tilt-first' }] })
  })
  it('stops at the rails’ marks', () => {
    expect(judgeSetback(signs({ sits: 'tail', railRoomBack: 2 })).by).toBe(2)
    const none = judgeSetback(signs({ sits: 'tail', railRoomBack: 0 }))
    expect(Math.abs(none.by)).toBe(0)
    expect(none.findings.map((f) => f.key)).toContain('rails')
  })
})

const legs = (difference: number | null, more: Partial<LegLengthReadings> = {}): LegLengthReadings => ({
  difference: difference === null ? null : { value: difference, plusMinus: 4, unit: 'mm', basis: 'measured' },
  place: 'unknown',
  stack: { left: null, right: null },
  cleat: { left: null, right: null },
  pelvisLevel: null,
  pain: 0,
  ...more,
})
const mm = (value: number) => ({ value, plusMinus: 1, unit: 'mm', basis: 'measured' }) as const

describe('leg length', () => {
  it('starts with half of the difference, 3 mm at a time, under the shorter leg (common practice)', () => {
    expect(judgeLegLength(legs(12))).toMatchObject({ state: 'shim', shorter: 'right', start: 6, now: 3 })
    expect(judgeLegLength(legs(-9))).toMatchObject({ shorter: 'left', start: 4.5, now: 3 })
    expect(judgeLegLength(legs(12, { stack: { left: mm(22), right: mm(26) } }))).toMatchObject({ already: 4, now: 2 })
    expect(judgeLegLength(legs(12, { stack: { left: mm(22), right: mm(28) } }))).toMatchObject({ state: 'met', now: 0 })
  })
  it('what lies within its ± is no difference: the population’s own is about 5 mm (Knutson 2005, from memory)', () => {
    expect(judgeLegLength(legs(4))).toMatchObject({ state: 'none', now: 0 })
    expect(judgeLegLength(legs(0)).findings[0]!.headline).toMatch(/No difference/)
    expect(sources.knutson.note).toMatch(/5\.2.*from memory/)
  })
  it('read by tape is no surer than 5 mm, however often it is read (common practice); a clinician’s picture is', () => {
    const at = (method: 'tape' | 'calliper', repeats: number[]) => readingPlusMinus({ key: 'legLengthDifference', method, repeats })
    expect(at('tape', [])).toBe(5)
    expect(at('tape', [3.4, 3.5, 3.6, 3.5])).toBe(5)
    expect(at('calliper', [])).toBeLessThan(1)
    const taped = (value: number) =>
      judgeLegLength(legs(null, { difference: { value, plusMinus: at('tape', []), unit: 'mm', basis: 'measured' } }))
    expect(taped(3.5)).toMatchObject({ state: 'none', now: 0 })
    expect(taped(12)).toMatchObject({ state: 'shim' })
  })
  it('large or painful ones go to a clinician before anything is put under a foot', () => {
    for (const found of [judgeLegLength(legs(18)), judgeLegLength(legs(9, { pain: 8 }))]) {
      expect(found).toMatchObject({ state: 'refer', now: 0 })
      expect(found.findings[0]!).toMatchObject({ weight: 'first' })
    }
  })
  it('one of the pelvis is not shimmed; a thigh is shared with the cleat; unread on a crooked pelvis asks', () => {
    expect(judgeLegLength(legs(10, { place: 'pelvis' }))).toMatchObject({ state: 'none', now: 0 })
    expect(said(judgeLegLength(legs(10, { place: 'thigh' })).findings[0]!.sentence)).toMatch(/cleat up to 4 mm/)
    expect(judgeLegLength(legs(null, { pelvisLevel: 'drops-right' })).findings[0]!.key).toBe('ask')
    expect(judgeLegLength(legs(null)).findings).toEqual([])
  })
  it('never shims more than half, whatever is there', () => {
    fc.assert(
      fc.property(fc.double({ min: -14.9, max: 14.9, noNaN: true }), fc.double({ min: 0, max: 20, noNaN: true }), (difference, already) => {
        const shorter = difference > 0 ? 'right' : 'left'
        const stack = { left: mm(20), right: mm(20), [shorter]: mm(20 + already) }
        const found = judgeLegLength(legs(difference, { stack }))
        expect(found.now).toBeLessThanOrEqual(3)
        if (found.now > 0) expect(already + found.now).toBeLessThanOrEqual(Math.abs(difference) / 2 + 1e-9)
      }),
    )
  })
})

/** Hips that come forward by so much, mm. */
function creeps(value: number) {
  return judged(value, 5, { low: 0, high: CREEP })
}

it('the leg solver itself and the window agree', () => {
  expect(saddleHeightForFlexion(leg, 30)).toBeCloseTo(heightBySearch(30, leg), 2)
})

it('a knee past its band by more than its own ± is worth a change, by less it is only noted', () => {
  fc.assert(
    fc.property(fc.double({ min: 1, max: 5, noNaN: true }), fc.constantFrom(-1, 1), fc.constantFrom(0.9, 1.1), (plusMinus, way, share) => {
      const { band } = standing(30)
      const value = (way > 0 ? band.high : band.low) + way * share * plusMinus
      const knee = { ...standing(30), value, plusMinus }
      const found = heightFindings(null, {
        pelvisLevel: null,
        rocking: null,
        dropperTravel: null,
        knees: { left: knee, right: null },
        tooWide: false,
      })
      expect(found[0]).toMatchObject({ key: 'knee-left', weight: share > 1 ? 'act' : 'note', of: 'knee' })
    }),
    { seed: 5 },
  )
})
