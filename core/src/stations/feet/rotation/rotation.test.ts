import { said } from '../../../testing.ts'
import fc from 'fast-check'
import { quantity } from '../../../kernel/quantity.ts'
import { RELEASE_ROOM, cleatRotation, judgeRotation } from './judge.ts'
import type { RotationReadings } from './judge.ts'
import { ANKLE_HALF, ARM_LEAN, HEEL_GAP, clearanceFinding, heelClearance, nearestGap } from './heelClearance.ts'

const deg = (value: number, plusMinus = 3) => quantity(value, plusMinus, 'deg', 'measured')
const readings = (over: Partial<RotationReadings> = {}): RotationReadings => ({
  toeOut: deg(9.5, 1.7),
  cleatTurn: deg(6, 1),
  float: deg(6, 0.5),
  heelIn: deg(1, 2),
  heelOut: deg(1, 2),
  turnRoom: deg(15, 1),
  ...over,
})

describe('rotation (common practice: natural toe-out in the middle of the float, 2° of room each side)', () => {
  it('puts the middle of the float on the middle of the swing, worked by hand', () => {
    // Toe-out 9.5, swing 1 either way: 8.5 to 10.5. Float 6 about 6: 3 to 9, so 1.5 short inward and 5.5 of room outward.
    expect(cleatRotation({ toeOut: 9.5, cleatTurn: 6, float: 6, heelIn: 1, heelOut: 1, turnRoom: 15 })).toEqual({
      floatNow: { low: 3, high: 9 },
      swing: { low: 8.5, high: 10.5 },
      // Held with 2° at both ends: 3 + 2 + 1 to 9 − 2 − 1.
      band: { low: 6, high: 6 },
      roomIn: -1.5,
      roomOut: 5.5,
      target: 9.5,
      attainable: 9.5,
      left: 0,
      difference: 3.5,
      roomAfter: 2,
      floatNeeded: 6,
      floatEnough: true,
    })
  })

  const angle = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  const input = fc.record({
    toeOut: angle(-20, 45),
    cleatTurn: angle(-20, 30),
    float: angle(0, 30),
    heelIn: angle(0, 25),
    heelOut: angle(0, 25),
    turnRoom: angle(0, 30),
  })

  it('never asks for a turn beyond what this sole allows, and says what is left', () => {
    fc.assert(
      fc.property(input, (i) => {
        const r = cleatRotation(i)
        // A cleat that is read beyond its own room may stay where it is, but goes no further.
        expect(Math.abs(r.attainable)).toBeLessThanOrEqual(Math.max(i.turnRoom, Math.abs(i.cleatTurn)) + 1e-9)
        expect(r.attainable + r.left).toBeCloseTo(r.target, 9)
        expect(i.cleatTurn + r.difference).toBeCloseTo(r.attainable, 9)
      }),
    )
  })

  it('is never better turned another way: no angle within the room leaves the worse end more', () => {
    fc.assert(
      fc.property(input, angle(-1, 1), (i, share) => {
        const r = cleatRotation({ ...i, cleatTurn: Math.max(-i.turnRoom, Math.min(i.turnRoom, i.cleatTurn)) })
        const other = share * i.turnRoom
        const room = Math.min(other + i.float / 2 - r.swing.high, r.swing.low - (other - i.float / 2))
        expect(room).toBeLessThanOrEqual(r.roomAfter + 1e-9)
      }),
    )
  })

  it('holds the swing with room exactly when the float is as wide as needed', () => {
    fc.assert(
      fc.property(input, (i) => {
        const r = cleatRotation({ ...i, turnRoom: 100 })
        expect(r.floatEnough).toBe(i.float >= i.heelIn + i.heelOut + 2 * RELEASE_ROOM - 1e-9)
        if (r.floatEnough) expect(r.roomAfter).toBeGreaterThanOrEqual(RELEASE_ROOM - 1e-6)
      }),
    )
  })

  it('mirrors: toes and heel swapped turn the other way by as much', () => {
    fc.assert(
      fc.property(input, (i) => {
        const there = cleatRotation(i)
        const back = cleatRotation({ ...i, toeOut: -i.toeOut, cleatTurn: -i.cleatTurn, heelIn: i.heelOut, heelOut: i.heelIn })
        expect(back.difference).toBeCloseTo(-there.difference, 9)
        expect(back.roomIn).toBeCloseTo(there.roomOut, 9)
      }),
    )
  })

  it('tells where the float stops the heel and which way to turn', () => {
    const judged = judgeRotation('right', readings(), false)
    expect(judged).toMatchObject({ state: 'outside', turn: 3.5 })
    if (judged.state === 'missing') throw new Error()
    expect(said(judged.headline)).toBe('Right heel is stopped by the float.')
    expect(said(judged.sentence)).toMatch(/going in 1.5° before its swing ends.*toes point 3.5° further out/)
  })

  it('calls a turn within its own ± too close to call, and says what to do instead', () => {
    const judged = judgeRotation('right', readings({ toeOut: deg(7.5, 3), float: deg(5, 0.5) }), false)
    if (judged.state === 'missing') throw new Error()
    // Toe-out ±3, cleat ±1 and half of ±2 for each swing: √(9 + 1 + 1 + 1) = 3.46.
    expect(judged.turnPlusMinus).toBeCloseTo(Math.sqrt(12), 9)
    expect(judged).toMatchObject({ turn: 1.5, weight: 'note' })
    expect(said(judged.sentence)).toMatch(/1.5° toe-out would centre it, but these readings tell no more than ±3.5°: repeat them/)
  })

  it('sends to the seat first when the pelvis is not level', () => {
    const judged = judgeRotation('right', readings(), true)
    if (judged.state === 'missing') throw new Error()
    expect(judged.turn).toBe(0)
    expect(said(judged.sentence)).toMatch(/Correct the seat first/)
  })

  it('leaves a centred foot alone, and says what is not read', () => {
    expect(judgeRotation('left', readings({ cleatTurn: deg(9.5, 1) }), false)).toMatchObject({ state: 'level', turn: 0 })
    expect(judgeRotation('left', readings({ float: null, toeOut: null }), false)).toMatchObject({
      state: 'missing',
      missing: ['toeOut', 'float'],
    })
    const blind = judgeRotation('left', readings({ heelIn: null, heelOut: null }), false)
    if (blind.state === 'missing') throw new Error()
    expect(blind.swingRead).toBe(false)
    expect(blind.sure).toMatch(/swing is not read/)
  })

  it('says when a sole stops the cleat short, and when no turn can give the float the swing asks for', () => {
    const stopped = judgeRotation('right', readings({ turnRoom: deg(7, 1) }), false)
    if (stopped.state === 'missing') throw new Error()
    expect(stopped.turn).toBeCloseTo(1, 9)
    expect(said(stopped.sentence)).toMatch(/stops the cleat 2.5° short/)
    const wide = judgeRotation('right', readings({ heelIn: deg(5), heelOut: deg(5), cleatTurn: deg(9.5) }), false)
    if (wide.state === 'missing') throw new Error()
    expect(wide.turn).toBe(0)
    expect(said(wide.sentence)).toMatch(/asks for 14° of float/)
  })

  it('knows a fixed cleat: no float, no room', () => {
    const fixed = judgeRotation('left', readings({ float: deg(0), cleatTurn: deg(9.5), heelIn: deg(0), heelOut: deg(0) }), false)
    expect(fixed).toMatchObject({ state: 'near', turn: 0 })
  })
})

describe('heel past crank and stay', () => {
  const still = {
    tread: 146,
    axle: 53,
    washer: 0,
    adapter: 0,
    cleatInboard: 0,
    axleFromHeel: 170,
    heelOutside: 70,
    stayWidth: 130,
    crank: 172.5,
    ankle: null,
    cleatTurn: 0,
    float: 0,
  } as const

  it('straight, is plain arithmetic: 126 − 35 to the crank at 73 less its lean, and to the stay at 65', () => {
    const { heelIn } = heelClearance(still)
    expect(heelIn.stay).toBeCloseTo(126 - 35 - 65, 9)
    expect(heelIn.crank).toBeCloseTo(126 - 35 - 73 + (ARM_LEAN * 135) / 172.5, 9)
  })

  it('agrees with a heel cup walked round point by point', () => {
    fc.assert(
      fc.property(fc.double({ min: -15, max: 25, noNaN: true }), fc.integer({ min: 0, max: 20 }), (cleatTurn, float) => {
        const input = { ...still, cleatTurn, float }
        const { heelIn, heelOut } = heelClearance(input)
        for (const [gap, turn] of [
          [heelIn, cleatTurn + float / 2],
          [heelOut, cleatTurn - float / 2],
        ] as const) {
          const t = (turn * Math.PI) / 180
          let nearest = Infinity
          for (let i = 0; i < 3600; i++) {
            const a = (i * Math.PI) / 1800
            // cup's circle in the foot's frame: across + outward, along + forward of the axle
            const across = 35 * Math.cos(a)
            const along = -135 + 35 * Math.sin(a)
            nearest = Math.min(nearest, 126 + across * Math.cos(t) + along * Math.sin(t))
          }
          expect(gap.stay).toBeCloseTo(nearest - 65, 3)
        }
      }),
      { numRuns: 40 },
    )
  })

  it('comes nearer with toe-out, never with stance', () => {
    const at = (over: object) => nearestGap(heelClearance({ ...still, ...over }))?.gap ?? NaN
    expect(at({ cleatTurn: 10 })).toBeLessThan(at({ cleatTurn: 5 }))
    expect(at({ washer: 1.5 })).toBeCloseTo(at({}) + 1.5, 9)
  })

  it('warns before it touches and when it does', () => {
    expect(clearanceFinding('left', still).weight).toBe('fine')
    expect(clearanceFinding('left', { ...still, cleatTurn: 7, float: 6 }).weight).toBe('act')
    const touching = clearanceFinding('left', { ...still, cleatTurn: 12, float: 10 })
    expect(touching).toMatchObject({ weight: 'first', headline: expect.stringMatching(/meets the crank/) as string })
    expect(HEEL_GAP).toBeGreaterThan(0)
    expect(said(clearanceFinding('left', { ...still, stayWidth: null }).sentence)).toMatch(/Chainstays are not read/)
  })

  it('lets the ankle pass the arm as well: 126 − 36 less the arm’s face where it comes by', () => {
    // 60 behind and 80 above: 100 mm from the pedal.
    const ankle = { behind: 60, above: 80 }
    const { heelIn } = heelClearance({ ...still, ankle })
    expect(heelIn.ankle).toBeCloseTo(126 - ANKLE_HALF - (73 - (ARM_LEAN * 100) / 172.5), 9)
    expect(heelClearance({ ...still, ankle: { behind: 250, above: 80 } }).heelIn.ankle).toBeNull()
    const turned = heelClearance({ ...still, ankle, cleatTurn: 10 }).heelIn.ankle ?? NaN
    expect((heelIn.ankle ?? NaN) - turned).toBeCloseTo(60 * Math.sin(Math.PI / 18), 9)
    // A narrow heel cup passes where the ankle does not.
    const narrow = { ...still, heelOutside: 45, stayWidth: null, ankle: { behind: 110, above: 90 }, cleatTurn: 2 }
    expect(nearestGap(heelClearance(narrow))?.what).toBe('ankle')
    expect(clearanceFinding('left', narrow).headline).toMatch(/^Left ankle (clears|passes) the crank/)
  })
})
