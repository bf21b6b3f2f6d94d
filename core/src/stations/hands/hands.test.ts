import { armChord, sideChord } from '../../body/upperBody.ts'
import { flatGrip, flatGripAxis } from '../../bike/cockpit.ts'
import type { Point3 } from '../../bike/contactPoints.ts'
import { MM_PER_INCH } from '../../kernel/entry.ts'
import { barRoom, narrowestFor, straightPart } from './bar/room.ts'
import { cutPlan, cutSizes } from './width/cutPlan.ts'
import { ALIGNED, alignmentGap, axisOf, gripAlignment, rollForAlignment } from './roll/gripAlignment.ts'
import { gripTarget } from './grips/rules.ts'
import { easeOf } from './hoods/rules.ts'
import { fingerHooksAt, hookPlace, leverAngleTarget, leverReachLimit } from './levers/rules.ts'
import { paddleStanding, shifterOptions, thumbZone } from './controls/shifters.ts'
import { steeringArm, steeringWords, turnPerCentimetre } from './place/steering.ts'
import { soldWidth, usualWidthSchool, widthTarget, withinCaps } from './width/rules.ts'
import type { WidthCap } from './width/rules.ts'

describe('width', () => {
  const input = { acromionWidth: 400, stature: 1800, upperArms: [320, 320], handsFromEnd: [60, 60], kind: 'trail' } as const

  it('asks the shoulders on drop bars (common practice)', () => {
    expect(widthTarget('acromia', input)).toEqual({ low: 390, aim: 400, high: 410 })
    expect(widthTarget('narrow', input)).toEqual({ low: 340, aim: 360, high: 380 })
    expect(widthTarget('wide', input)).toEqual({ low: 420, aim: 430, high: 440 })
  })

  it('asks build, stature or use on flat ones, and says nothing where its own input lacks', () => {
    // 400 + 640 · sin 25° = 670.475, and 60 at each end; by hand.
    expect(widthTarget('build', input)?.aim).toBeCloseTo(790.475, 2)
    // 0.44 · 1800: common practice.
    expect(widthTarget('stature', input)).toEqual({ low: 756, aim: 792, high: 828 })
    expect(widthTarget('use', input)).toEqual({ low: 740, aim: 770, high: 800 })
    expect(widthTarget('use', { ...input, kind: 'other' })).toBeNull()
    // A town bar of 620 is none that is 130 too narrow.
    expect(widthTarget('use', { ...input, kind: 'town' })).toEqual({ low: 580, aim: 630, high: 680 })
    expect(widthTarget('build', { ...input, acromionWidth: null })).toBeNull()
    expect(widthTarget('stature', { ...input, stature: null })).toBeNull()
  })

  it('grows with the shoulders, the arms and the overhang, mirrored left for right', () => {
    const wider = widthTarget('build', { ...input, upperArms: [330, 320], handsFromEnd: [70, 60] })?.aim ?? 0
    expect(wider).toBeGreaterThan(widthTarget('build', input)?.aim ?? 0)
    expect(widthTarget('build', { ...input, upperArms: [320, 330], handsFromEnd: [60, 70] })?.aim).toBeCloseTo(wider, 9)
  })
})

describe('another bar', () => {
  it('comes in a size that is sold, the nearest to the aim, of two as near the one that changes less (common practice)', () => {
    expect(soldWidth('drop', 360, 440)).toBe(360)
    expect(soldWidth('drop', 372, 440)).toBe(380)
    expect([soldWidth('drop', 370, 440), soldWidth('drop', 370, 340)]).toEqual([380, 360])
    expect(soldWidth('flat', 848, 720)).toBe(840)
    expect(soldWidth('drop', 300, 400)).toBe(340)
  })

  it('goes by use where bars for this kind of bike have a common width, else by build', () => {
    expect([usualWidthSchool('flat', 'cross-country'), usualWidthSchool('flat', 'other')]).toEqual(['use', 'build'])
    expect(usualWidthSchool('drop', 'drop bar')).toBe('acromia')
  })

  it('is no wider than gap, event or kind allow, even where a size in between is sold; the band is never turned over', () => {
    const asked = { low: 823, aim: 848, high: 873 }
    const cap = (key: WidthCap['key'], most: number, aim = most): WidthCap => ({ key, most, aim, plusMinus: 0 })
    expect(withinCaps(asked, [cap('kind', 760), cap('gap', 840, 780)])).toEqual({
      target: { low: 740, aim: 760, high: 760 },
      cappedBy: cap('kind', 760),
    })
    expect(withinCaps(asked, [cap('event', 900)])).toEqual({ target: asked, cappedBy: null })
    // Through a gap of 780 the hands want room: the aim leaves it, the band ends where the bar would touch.
    expect(withinCaps({ low: 740, aim: 770, high: 800 }, [cap('gap', 780, 720)]).target).toEqual({ low: 720, aim: 720, high: 780 })
    expect([soldWidth('flat', 752, 700), soldWidth('flat', 752, 700, 752)]).toEqual([760, 740])
  })
})

describe('cuts', () => {
  it('take both ends: 800 to 760 is 20 mm a side, four cuts of 5 (worked by hand)', () => {
    const { cuts, width } = cutPlan(800, 760, 5)
    expect(cuts.map((cut) => cut.width)).toEqual([790, 780, 770, 760])
    expect(cuts.at(-1)).toMatchObject({ n: 4, perSide: 5, total: 40 })
    expect(width).toBe(760)
  })

  it('are 12.7 mm of bar for a quarter inch a side (the inch is 25.4 mm)', () => {
    const { cuts } = cutPlan(800, 800 - 2 * MM_PER_INCH, cutSizes.quarter.perSide)
    expect(cuts).toHaveLength(4)
    expect(cuts[0]?.total).toBeCloseTo(12.7, 9)
    expect(cuts.at(-1)?.width).toBeCloseTo(749.2, 9)
  })

  it('end at what the bar must not be cut below, and leave a rest that no tape can tell', () => {
    const floor = { width: 774, words: 'room', source: 'geometry' } as const
    const plan = cutPlan(800, 740, 5, [floor, { ...floor, width: 700 }])
    expect(plan.width).toBeGreaterThanOrEqual(774)
    expect(plan.stoppedBy).toBe(floor)
    expect(plan.cuts.map((cut) => cut.width)).toEqual([790, 780, 774])
    // 2 mm a side remain: less than a tape's 3 mm.
    expect(cutPlan(800, 786, 5).cuts.map((cut) => cut.width)).toEqual([790])
    for (const to of [800, 810, 799]) expect(cutPlan(800, to, 5).cuts).toEqual([])
  })

  it('give back the reach that the spread costs (worked by hand: chord 600, shoulders 400)', () => {
    // √(600² − 150²) = 580.948; √(600² − 130²) = 585.747.
    expect(600 - sideChord(600, 700, 400)).toBeCloseTo(19.052, 3)
    expect(600 - sideChord(600, 660, 400)).toBeCloseTo(14.253, 3)
    expect(armChord(300, 330, 25)).toBeCloseTo(615.1, 1)
  })
})

describe('room on a half', () => {
  const bar = { barWidth: 760, barBend: 80, barBacksweep: 0, barUpsweep: 0 }
  const pieces = [
    { key: 'grip', label: 'grip', width: 135, middle: 67.5 },
    { key: 'brake', label: 'brake clamp', width: 14, middle: null },
    { key: 'shifter', label: 'shifter clamp', width: 16, middle: 190 },
  ] as const

  it('is the straight part less grip and clamps', () => {
    const room = barRoom(bar, pieces)
    expect(room.straight).toBe(300)
    expect(room.left).toBe(135)
    expect(room.inside).toBe(102)
    expect(room.pieces[1]).toMatchObject({ from: 135, to: 149 })
    expect(room.overlaps).toEqual([])
  })

  it('says when the parts are longer than it, stand on the bend, or in one another', () => {
    const short = { ...bar, barWidth: 470 }
    expect(barRoom(short, pieces).left).toBe(-10)
    expect(barRoom({ ...bar, barWidth: 540 }, pieces).inside).toBe(-8)
    expect(barRoom(bar, [pieces[0], { ...pieces[1], middle: 130 }]).overlaps).toEqual([['grip', 'brake clamp']])
    expect(straightPart({ ...bar, barWidth: 100 })).toBe(0)
  })

  it('is longer along a swept arm, and the narrowest bar holds exactly what it must', () => {
    const swept = { ...bar, barBacksweep: 12, barUpsweep: 5 }
    expect(straightPart(swept)).toBeGreaterThan(straightPart(bar))
    const narrowest = narrowestFor(swept, 165)
    expect(straightPart({ ...swept, barWidth: narrowest })).toBeCloseTo(165, 9)
  })
})

describe('sweep and roll', () => {
  it('of 9° back, 5° up, rolled 8°: worked by hand', () => {
    const forward = gripAlignment({ barBacksweep: 9, barUpsweep: 5, barRoll: 8 })
    expect(forward.back).toBeCloseTo(8.232, 3)
    expect(forward.up).toBeCloseTo(6.203, 3)
    const back = gripAlignment({ barBacksweep: 9, barUpsweep: 5, barRoll: -8 })
    expect(back.back).toBeCloseTo(9.593, 3)
    expect(back.up).toBeCloseTo(3.696, 3)
  })

  it('find the roll that no nearby roll betters, for one hand or both (search by steps)', () => {
    for (const hands of [
      [{ back: 12, up: 8 }],
      [
        { back: 14, up: 3 },
        { back: 8, up: 9 },
      ],
    ]) {
      const bar = { barBacksweep: 9, barUpsweep: 5 }
      const sum = (barRoll: number) =>
        hands.reduce((all, hand) => all + Math.cos((alignmentGap(hand, { ...bar, barRoll }).apart * Math.PI) / 180), 0)
      const best = rollForAlignment(hands, bar)
      let found = -15
      for (let roll = -15; roll <= 15; roll += 0.01) if (sum(roll) > sum(found)) found = roll
      expect(best).toBeCloseTo(found, 1)
    }
  })

  it('come back when rolled and unrolled, and fit a hand that lies as the grip does', () => {
    const grip = gripAlignment({ barBacksweep: 16, barUpsweep: 4, barRoll: 6 })
    expect(rollForAlignment([grip], { barBacksweep: 16, barUpsweep: 4 })).toBeCloseTo(6, 9)
    const gap = alignmentGap(grip, { barBacksweep: 16, barUpsweep: 4, barRoll: 6 })
    expect(gap.apart).toBeCloseTo(0, 4)
    expect(Math.abs(gap.back)).toBeLessThan(ALIGNED)
    expect(rollForAlignment([{ back: 10, up: 5 }], { barBacksweep: 0, barUpsweep: 0 })).toBe(0)
  })

  it('have one direction for the two ways it is told: angles, or the bar’s own axis', () => {
    const axis = flatGripAxis({ barBacksweep: 11, barUpsweep: 6, barRoll: 0 })
    const other = axisOf({ back: 11, up: 6 })
    for (const key of ['x', 'y', 'z'] as const) expect(other[key]).toBeCloseTo(axis[key], 12)
  })

  it('of negative sweep point forward', () => {
    expect(gripAlignment({ barBacksweep: -5, barUpsweep: 0, barRoll: 0 }).back).toBeCloseTo(-5, 9)
    expect(
      flatGrip({ barWidth: 760, barRise: 0, barBacksweep: -5, barUpsweep: 0, barForward: 0, barRoll: 0, barBend: 80, handFromEnd: 60 }).at
        .x,
    ).toBeGreaterThan(0)
  })
})

describe('levers', () => {
  it('lie under the finger where the clamp goes by what the finger misses (worked by hand)', () => {
    // Finger 50 + 0.30 · 77 = 73.1; hook 132 + 8 − 74 = 66.
    const input = { handFromEnd: 50, handBreadth: 77, gripLength: 132, leverClamp: 8, leverHook: 74 }
    const place = hookPlace(input)
    expect(place.finger).toBeCloseTo(73.1, 9)
    expect(place.hook).toBe(66)
    expect(place.off).toBeCloseTo(7.1, 9)
    expect(hookPlace({ ...input, leverClamp: input.leverClamp + place.off }).off).toBeCloseTo(0, 9)
  })

  it('fall as the forearm does, flatter by 10 to 15°, lower by 5 to 10° (common practice)', () => {
    expect(leverAngleTarget(35, 'forearm-line')).toEqual({ low: 30, aim: 35, high: 40 })
    // Steep ground is usual from 15° down: no forearm makes such a lever too flat there.
    expect(leverAngleTarget(35, 'flatter')).toEqual({ low: 15, aim: 22.5, high: 25 })
    expect(leverAngleTarget(20, 'flatter')).toEqual({ low: 5, aim: 7.5, high: 10 })
    expect(leverAngleTarget(35, 'lower')).toEqual({ low: 40, aim: 42.5, high: 45 })
  })

  it('are hooked further out by a longer finger, less far over a thicker grip; the mean hand near its own length', () => {
    // Index finger 72, hand 189 mm: means of men, Pheasant (from memory). The finger’s own length and a little is common practice.
    expect(fingerHooksAt(72, 32)).toBeGreaterThan(68)
    expect(fingerHooksAt(72, 32)).toBeLessThan(84)
    for (let finger = 50; finger < 95; finger += 5) expect(fingerHooksAt(finger + 5, 32)).toBeGreaterThan(fingerHooksAt(finger, 32))
    for (let grip = 24; grip < 42; grip += 2) expect(fingerHooksAt(70, grip + 2)).toBeLessThan(fingerHooksAt(70, grip))
    expect(Number.isFinite(fingerHooksAt(40, 60))).toBe(true)
  })

  it('may stand out 90 mm, 75 for small hands (ISO 4210-2, from memory)', () => {
    expect(leverReachLimit(190)).toBe(90)
    expect(leverReachLimit(150)).toBe(75)
    expect(leverReachLimit(null)).toBe(90)
  })
})

describe('shifters', () => {
  const zone = thumbZone({ handFromEnd: 60, handBreadth: 80, thumbLength: 60 })

  it('are worked where the thumb is: past the hand’s edge, as far as it goes', () => {
    expect(zone).toEqual({ from: 104, to: 139 })
    expect(paddleStanding(zone, 120).state).toBe('reached')
    expect(paddleStanding(zone, 98)).toEqual({ state: 'touches', by: 6 })
    expect(paddleStanding(zone, 150)).toEqual({ state: 'far', by: -11 })
  })

  it('go to the side of the brake’s clamp that the thumb reaches, where the clamp finds room', () => {
    const clamps = { gripLength: 130, brakeAt: 160, brakeWidth: 14, shifterWidth: 14, paddle: 10 }
    const [best, other] = shifterOptions(zone, clamps, 300)
    expect(best).toMatchObject({ place: 'outside', fits: true })
    expect(best?.misses).toBeLessThan(other?.misses ?? 0)
    // With the brake against the grip there is no room between them.
    const [only] = shifterOptions(zone, { ...clamps, brakeAt: 138, paddle: 40 }, 300)
    expect(only).toMatchObject({ place: 'inside', fits: true })
    expect(shifterOptions(zone, clamps, 150).find(({ place }) => place === 'inside')?.fits).toBe(false)
  })
})

describe('grips', () => {
  it('are 0.197 of the hand’s length, held to what is made (Kong & Lowe 2005)', () => {
    expect(gripTarget(170).aim).toBeCloseTo(33.49, 2)
    expect(gripTarget(175).aim).toBeCloseTo(34.475, 2)
    expect(gripTarget(180).aim).toBeCloseTo(35.46, 2)
    expect(gripTarget(193).own).toBeCloseTo(38.02, 2)
    expect(gripTarget(195)).toMatchObject({ aim: 36 })
    expect(gripTarget(195).own).toBeCloseTo(38.415, 2)
    expect(gripTarget(130).aim).toBe(28)
    expect(gripTarget(175, 'thinner').aim).toBeCloseTo(32.475, 2)
  })
})

describe('steering', () => {
  /** Distance of a point from a line in space, by the cross product with the line’s direction. */
  function distance(point: Point3, on: Point3, along: Point3): number {
    const d = { x: point.x - on.x, y: point.y - on.y, z: point.z - on.z }
    const c = { x: d.y * along.z - d.z * along.y, y: d.z * along.x - d.x * along.z, z: d.x * along.y - d.y * along.x }
    return Math.hypot(c.x, c.y, c.z) / Math.hypot(along.x, along.y, along.z)
  }
  const radians = (67 * Math.PI) / 180
  const axis = { at: { x: 440, y: 620 }, headAngle: 67 }

  it('is the distance from the axis: 380 out, 60 behind makes 384.7 mm and 1.489° for 10 mm (worked by hand)', () => {
    // 60 mm square to the axis, whatever the height along it.
    const hand = {
      x: axis.at.x - 60 * Math.sin(radians) - 80 * Math.cos(radians),
      y: axis.at.y - 60 * Math.cos(radians) + 80 * Math.sin(radians),
      z: 380,
    }
    expect(steeringArm(axis, hand)).toBeCloseTo(384.708, 3)
    expect(turnPerCentimetre(steeringArm(axis, hand))).toBeCloseTo(1.4893, 3)
  })

  it('agrees with the distance of a point from a line in space', () => {
    const along = { x: -Math.cos(radians), y: Math.sin(radians), z: 0 }
    for (const hand of [
      { x: 500, y: 700, z: 330 },
      { x: 400, y: 650, z: 90 },
      { x: 440, y: 620, z: 200 },
    ])
      expect(steeringArm(axis, hand)).toBeCloseTo(distance(hand, { ...axis.at, z: 0 }, along), 9)
  })

  it('is quicker with a shorter arm', () => {
    expect(steeringWords(400, 360)).toContain('10 % quicker')
    expect(steeringWords(360, 400)).toContain('slower')
    expect(steeringWords(380, 378)).toBe('Steering as before.')
  })
})

describe('the wrist’s ease', () => {
  it('is found by halving, held at the end that is nearest where it is not reached, null where nothing is known', () => {
    const wrist = (at: number) => 10 + 0.8 * at
    expect(easeOf(wrist, { low: -25, high: 25 })?.at).toBeCloseTo(-10, 1)
    expect(easeOf(wrist, { low: -5, high: 25 })).toEqual({ at: -5, wrist: 6 })
    expect(easeOf(() => null, { low: -5, high: 5 })).toBeNull()
  })
})
