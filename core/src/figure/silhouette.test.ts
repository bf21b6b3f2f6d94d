import { setupOf } from '../rider/setup.ts'
import type { BarKind } from '../bike/bikeKinds.ts'
import { flatBar } from '../stations/hands/testing.ts'
import { sceneOf } from '../model/scene.ts'
import type { Scene } from '../model/scene.ts'
import { readingsWith } from '../testing.ts'
import fc from 'fast-check'
import { circlesOf, isInside, numbers } from './testing.ts'
import { limb } from './shapes.ts'
import type { Drawn } from '../kernel/drawing.ts'
import { silhouetteOf, torsoOutline } from './silhouette.ts'
import type { Silhouette } from './silhouette.ts'
import { projections, viewKeys } from './views.ts'

function sceneWith(over: object = {}, bar: BarKind = 'drop', crankAngle = 180): Scene {
  const { model, rider, folded } = setupOf(readingsWith((bar === 'flat' ? { ...flatBar, ...over } : over) as never), [], bar)
  if (model === null) throw new Error('no rider')
  return sceneOf(model, rider.values, bar, folded.by, crankAngle)
}

const paths = ({ torso, head, helmet, near, far }: Silhouette) => [torso, head, helmet, ...Object.values(near), ...Object.values(far)]
describe('a limb', () => {
  it('touches both circles: every corner lies on one, and the sides are tangents', () => {
    const [a, b] = [
      { x: 10, y: -20 },
      { x: 210, y: 60 },
    ]
    const [ax, ay, bx, by] = numbers(limb(a, 60, b, 30))
    expect(Math.hypot(ax! - a.x, ay! - a.y)).toBeCloseTo(60, 0)
    expect(Math.hypot(bx! - b.x, by! - b.y)).toBeCloseTo(30, 0)
    // A tangent stands square on the radius at both ends.
    expect(((ax! - a.x) * (bx! - ax!) + (ay! - a.y) * (by! - ay!)) / 60 / Math.hypot(bx! - ax!, by! - ay!)).toBeCloseTo(0, 2)
    expect(circlesOf(limb(a, 60, b, 60)).map(({ r }) => r)).toEqual([60, 60])
  })

  it('is the larger circle where one lies in the other, and where both are one', () => {
    for (const b of [
      { x: 5, y: 0 },
      { x: 0, y: 0 },
    ])
      expect(limb({ x: 0, y: 0 }, 60, b, 30)).toMatch(/^M60\.0 0\.0A60\.0 60\.0/)
  })
})

describe('the rider’s outline', () => {
  it('holds hip and shoulder inside the trunk, from every side', () => {
    for (const torsoAngle of [15, 30, 45, 60, 80])
      for (const view of ['side', 'front'] as const) {
        const scene = sceneWith({ torsoAngle })
        const outline = torsoOutline(scene, view)
        for (const joint of [scene.hip, scene.trunk!.shoulder])
          expect([torsoAngle, view, isInside(projections[view](joint), outline)]).toEqual([torsoAngle, view, true])
      }
  })

  it('holds knee, ankle, elbow and hand in limbs that are no thinner than a wrist', () => {
    const scene = sceneWith()
    const at = projections.side
    const near = (d: string, joint: Drawn) =>
      d
        .split('Z')
        .filter((part) => part.length > 1)
        .some((part) => circlesOf(part).some(({ at: middle, r }) => Math.hypot(middle.x - joint.x, middle.y - joint.y) < r))
    const { leg, arm } = silhouetteOf(scene, 'side').near
    for (const joint of [scene.legs.right.hip, scene.legs.right.knee, scene.legs.right.ankle]) expect(near(leg, at(joint))).toBe(true)
    for (const joint of [scene.arms!.right.shoulder, scene.arms!.right.elbow, scene.arms!.right.hand])
      expect(near(arm, at(joint))).toBe(true)
  })

  it('looks forward: the face lies ahead of the neck, the back behind the bone', () => {
    const scene = sceneWith({ torsoAngle: 45 })
    const head = numbers(silhouetteOf(scene, 'side').head).filter((_, i) => i % 2 === 0)
    const middle = scene.trunk!.head.x
    expect(Math.max(...head) - middle).toBeGreaterThan(0.9 * scene.trunk!.headRadius)
    // A back that is bent: its furthest point lies well off the line from hip to shoulder, on the far side of the bar.
    const [hip, shoulder] = [projections.side(scene.hip), projections.side(scene.trunk!.shoulder)]
    const off = torsoOutline(scene, 'side').map(
      (p) =>
        ((p.x - hip.x) * (shoulder.y - hip.y) - (p.y - hip.y) * (shoulder.x - hip.x)) / Math.hypot(shoulder.x - hip.x, shoulder.y - hip.y),
    )
    expect(Math.max(...off)).toBeGreaterThan(100)
    expect(Math.min(...off)).toBeLessThan(-80)
  })

  it('is its own mirror from the front, where left and right are alike', () => {
    const scene = sceneWith({ thigh: [430, 430], shank: [432, 432], kneeFlexion: [31, 31], kneeOutside: [0, 0] })
    const outline = torsoOutline(scene, 'front')
    const mirrored = outline.map(({ x, y }) => ({ x: -x, y })).reverse()
    outline.forEach((p, i) => expect([p.x, p.y].map(Math.round)).toEqual([mirrored[i]!.x, mirrored[i]!.y].map(Math.round)))
  })

  it('grows with the rider', () => {
    const wide = (stature: number) => {
      const xs = numbers(silhouetteOf(sceneWith({ stature }), 'side').head).filter((_, i) => i % 2 === 0)
      return Math.max(...xs) - Math.min(...xs)
    }
    expect(wide(1950) / wide(1560)).toBeCloseTo(1950 / 1560, 2)
  })

  it('winds all its shapes one way, so that none cuts a hole into another', () => {
    for (const view of viewKeys)
      for (const torsoAngle of [10, 45, 80])
        for (const part of paths(silhouetteOf(sceneWith({ torsoAngle }), view)).flatMap((d) => d.split('Z'))) {
          if (!part.includes('C') && !/L.*A/.test(part)) continue
          // Corners and ends of curves; a limb's tangents.
          const values = numbers(part)
          const ends = part.includes('C')
            ? values.flatMap((x, i) => (i % 6 === 0 ? [{ x, y: values[i + 1]! }] : []))
            : [values.slice(0, 2), values.slice(2, 4), values.slice(9, 11), values.slice(11, 13)].map(([x, y]) => ({ x: x!, y: y! }))
          const area = ends.reduce((sum, a, i) => sum + a.x * ends[(i + 1) % ends.length]!.y - ends[(i + 1) % ends.length]!.x * a.y, 0)
          expect([view, torsoAngle, part, area <= 0]).toEqual([view, torsoAngle, part, true])
        }
  })

  it('has no broken number in it, whatever size and posture', () => {
    fc.assert(
      fc.property(
        fc.record({
          stature: fc.integer({ min: 1200, max: 2200 }),
          saddleHeight: fc.integer({ min: 350, max: 1000 }),
          trunk: fc.integer({ min: 350, max: 700 }),
          torsoAngle: fc.integer({ min: 0, max: 90 }),
          handReach: fc.integer({ min: 0, max: 900 }),
          handHeight: fc.integer({ min: 200, max: 1200 }),
        }),
        fc.integer({ min: 0, max: 360 }),
        fc.constantFrom<BarKind>('drop', 'flat'),
        (over, angle, bar) => {
          const scene = sceneWith(over, bar, angle)
          for (const view of viewKeys) for (const d of paths(silhouetteOf(scene, view))) expect(d).not.toMatch(/NaN|Infinity|undefined/)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('leaves out trunk, head and arms of a rider of whom only legs are known', () => {
    const scene: Scene = { ...sceneWith(), trunk: null, arms: null }
    const { torso, head, helmet, near } = silhouetteOf(scene, 'side')
    expect([torso, head, helmet, near.arm]).toEqual(['', '', '', ''])
    expect(near.leg).toMatch(/^M/)
  })
})

describe('the cockpit, drawn', () => {
  const frame = { frameReach: 385, frameStack: 560, headAngle: 73, headset: 10, spacers: 10, stemLength: 90, stemAngle: -6 }

  it('has a hood and a lever on each side of a drop bar, grips and levers on a flat one', () => {
    const drop = sceneWith(frame).cockpit
    const flat = sceneWith({}, 'flat').cockpit
    const count = ({ bar, hoods, blades, grips, extensions }: Scene['cockpit']) =>
      [bar, hoods, blades, grips, extensions].map((lines) => lines.length)
    expect(count(drop)).toEqual([2, 2, 2, 0, 0])
    expect(count(flat)).toEqual([2, 0, 2, 2, 0])
    expect(count(sceneWith({ ...frame, padForward: 40, padUp: 60, padSpacing: 330, extensionLength: 290 }).cockpit)).toEqual([
      2, 2, 2, 0, 2,
    ])
  })

  it('mirrors the left half, and turns with the bar’s roll', () => {
    const { grips } = sceneWith({}, 'flat').cockpit
    grips[0]!.forEach((p, i) => expect(grips[1]![i]).toEqual({ ...p, z: -p.z }))
    const tip = (barRoll: number) => sceneWith({ barRoll }, 'flat').cockpit.blades[0]!.at(-1)!.y
    // The tips lie some 28 mm ahead of the clamp: turned forward by 10° they come down by about 28 · sin 10° = 4.9 mm.
    expect(tip(0) - tip(10)).toBeGreaterThan(4)
    expect(tip(0) - tip(10)).toBeLessThan(6)
  })

  it('lays the hand into the hollow of the hood', () => {
    // Without a reading of the hand itself, it lies where the bar has it.
    const { model, rider, folded } = setupOf(
      readingsWith(frame as never).filter(({ key }) => !key.startsWith('hand')),
      [],
      'drop',
    )
    const scene = sceneOf(model!, rider.values, 'drop', folded.by, 180)
    const { hand } = scene.arms!.right
    const nearest = Math.min(...scene.cockpit.hoods[0]!.map((p) => Math.hypot(p.x - hand.x, p.y - hand.y)))
    expect(nearest).toBeLessThan(12)
    // On a base bar it lies on the horn, between grip and lever.
    const { cockpit } = sceneOf(model!, rider.values, 'base', folded.by, 180)
    expect(cockpit.hoods).toEqual([])
    const [back, tip] = cockpit.grips[0]!
    expect(Math.hypot(back!.x - hand.x, back!.y - hand.y) + Math.hypot(tip!.x - hand.x, tip!.y - hand.y)).toBeCloseTo(93, 0)
  })
})
