import type { Point3 } from '../bike/contactPoints.ts'
import type { Scene, SceneArm, SceneLeg } from '../model/scene.ts'
import { projections } from './views.ts'
import type { ViewKey } from './views.ts'
import { along, chain, from, limb, pathOf, smooth, toward } from './shapes.ts'
import type { Drawn } from '../kernel/drawing.ts'

/** What a figure is drawn from: the joints, mm or any other unit of length. */
export interface Joints extends Pick<Scene, 'stature' | 'hip' | 'trunk' | 'arms'> {
  readonly legs: Readonly<Record<'left' | 'right', Pick<SceneLeg, 'hip' | 'knee' | 'ankle' | 'heel' | 'ball' | 'toe'>>>
  /** hands that hold nothing; else they are closed about a grip at `hand` */
  readonly handsOpen?: boolean
}
type Leg = Joints['legs']['left']

/** A person as shapes with one fill: together they are one soft outline. Paths of SVG; empty where nothing is known. */
export interface Silhouette {
  readonly torso: string
  readonly head: string
  readonly helmet: string
  readonly near: SilhouetteSide
  readonly far: SilhouetteSide
}
export interface SilhouetteSide {
  readonly leg: string
  readonly shoe: string
  readonly sole: string
  readonly arm: string
}

/**
 * The outline of a person in one view, drawn about the joints: near is the person's right.
 * Any size and posture; what is not known is left out.
 */
export function silhouetteOf(joints: Joints, view: ViewKey): Silhouette {
  const { legs, arms } = joints
  const side = (key: 'left' | 'right'): SilhouetteSide => ({
    leg: legShape(legs[key], view, joints),
    ...shoeShape(legs[key], view),
    arm: arms === null ? '' : armShape(arms[key], view, joints),
  })
  return {
    torso: smooth(torsoOutline(joints, view)) + neckShape(joints, view),
    ...headShape(joints, view),
    near: side('right'),
    far: side('left'),
  }
}

/** How thick a limb is: share of the way along its bone, radius and shift over stature. The shift is outward, from the side forward. @source prior */
type Thickness = readonly (readonly [share: number, radius: number, shift: number])[]
type Flesh = Readonly<Record<'facing' | 'side', Thickness>>
const thigh: Flesh = {
  facing: [[0, 0.052, 0], [0.37, 0.05, 0.003], [0.63, 0.041, 0.002], [0.86, 0.03, 0]],
  side: [[0, 0.05, 0], [0.3, 0.05, 0.004], [0.6, 0.043, 0.006], [0.86, 0.034, 0.003]],
} // prettier-ignore
const shank: Flesh = {
  facing: [[0, 0.0265, 0], [0.2, 0.029, 0.001], [0.43, 0.0285, 0.001], [0.68, 0.0225, 0], [0.9, 0.0155, 0], [1, 0.016, 0]],
  side: [[0, 0.032, 0], [0.14, 0.03, -0.002], [0.32, 0.032, -0.008], [0.55, 0.027, -0.006], [0.8, 0.02, -0.002], [1, 0.019, 0]],
} // prettier-ignore
const upperArm: Flesh = {
  facing: [[0, 0.029, 0], [0.35, 0.0225, 0.001], [0.7, 0.02, 0]],
  side: [[0, 0.034, 0], [0.35, 0.028, 0], [0.7, 0.024, 0]],
} // prettier-ignore
const forearm: Flesh = {
  facing: [[0, 0.019, 0], [0.28, 0.021, 0.001], [0.7, 0.017, 0], [1, 0.0145, 0]],
  side: [[0, 0.023, 0], [0.28, 0.0245, 0], [0.7, 0.019, 0], [1, 0.0165, 0]],
} // prettier-ignore
/** Of a hand, over stature: from grip to wrist; the closed fist; palm and fingers of an open one; the thumb. @source prior */
const HAND = {
  toWrist: 0.045,
  fist: 0.021,
  palm: 0.0225,
  tips: { ahead: 0.045, radius: 0.0155 },
  thumb: { ahead: 0.02, inward: 0.021, radius: 0.0075 },
} as const

/** The discs that a bone carries. @param out to which side a shift goes, as one looks along the bone: 1 = to the left */
function flesh(bone: Flesh, view: ViewKey, a: Drawn, b: Drawn, out: 1 | -1, stature: number): (Drawn & { r: number })[] {
  const way = toward(a, b)
  return bone[view === 'side' ? 'side' : 'facing'].map(([share, radius, shift]) => ({
    ...from(along(a, b, share), way, 0, out * shift * stature),
    r: radius * stature,
  }))
}

/** Which side of a bone that hangs down is outward as it is seen; from the side, forward. */
const outward = (end: Point3, middle: Point3, view: ViewKey): 1 | -1 => {
  if (view === 'side') return 1
  const [at, about] = [projections[view](end), projections[view](middle)]
  return (view === 'front' ? at.x >= about.x : at.y <= about.y) ? 1 : -1
}

function legShape(leg: Leg, view: ViewKey, { stature, hip: middle }: Joints): string {
  const at = projections[view]
  const [hip, knee, ankle] = [at(leg.hip), at(leg.knee), at(leg.ankle)]
  const out = outward(leg.hip, middle, view)
  return chain([...flesh(thigh, view, hip, knee, out, stature), ...flesh(shank, view, knee, ankle, out, stature)])
}

function armShape(arm: SceneArm, view: ViewKey, { stature, hip: middle, handsOpen }: Joints): string {
  const at = projections[view]
  const [shoulder, elbow, hand] = [at(arm.shoulder), at(arm.elbow), at(arm.hand)]
  const out = outward(arm.shoulder, middle, view)
  const way = toward(elbow, hand)
  const wrist = from(hand, way, -HAND.toWrist * stature, 0)
  const bones = [...flesh(upperArm, view, shoulder, elbow, out, stature), ...flesh(forearm, view, elbow, wrist, out, stature)]
  if (!handsOpen) return chain([...bones, { ...hand, r: HAND.fist * stature }])
  const { palm, tips, thumb } = HAND
  const beside = (ahead: number, inward: number) => from(hand, way, ahead * stature, -out * inward * stature)
  return (
    chain([...bones, { ...hand, r: palm * stature }, { ...beside(tips.ahead, 0), r: tips.radius * stature }]) +
    limb(wrist, thumb.radius * stature, beside(thumb.ahead, thumb.inward), thumb.radius * stature)
  )
}

/** Back and front of the trunk from the side: share of the way from hip to shoulder, and how far out, over stature. @source prior */
const sideTrunk: readonly (readonly [share: number, back: number])[] = [
  [-0.17, 0.018], [-0.06, 0.056], [0.16, 0.07], [0.45, 0.077], [0.75, 0.067], [0.96, 0.045], [1.07, 0.012],
  [1.05, -0.025], [0.85, -0.05], [0.55, -0.056], [0.25, -0.057], [0.02, -0.045], [-0.15, -0.02],
] // prettier-ignore
/**
 * Half of the trunk from front or top, from the neck down: share of the way, beyond it over stature; width as
 * a share of half the shoulders and of half the hips, and more over stature. @source prior
 */
const facingTrunk: readonly (readonly [share: number, beyond: number, shoulders: number, hips: number, more: number])[] = [
  [1, 0.066, 0.2, 0, 0], [1, 0.05, 0.44, 0, 0], [1, 0.036, 0.84, 0, 0], [1, 0.027, 1.06, 0, 0], [0.96, 0, 1.1, 0, 0], [0.81, 0, 1, 0, 0], [0.66, 0, 0.92, 0, 0],
  [0.46, 0, 0.5, 0.57, 0], [0.32, 0, 0.35, 0.9, 0], [0.13, 0, 0, 1, 0.049], [-0.03, 0, 0, 1, 0.052], [-0.12, 0, 0, 0.9, 0.01],
] // prettier-ignore

/** Points around the trunk; none where its shoulders are not known. */
export function torsoOutline({ trunk, arms, stature, legs, hip: middle }: Joints, view: ViewKey): Drawn[] {
  if (trunk === null) return []
  const at = projections[view]
  const [hip, shoulder] = [at(middle), at(trunk.shoulder)]
  const length = Math.hypot(shoulder.x - hip.x, shoulder.y - hip.y)
  const way = toward(hip, shoulder)
  if (view === 'side') return sideTrunk.map(([share, back]) => from(hip, way, share * length, back * stature))
  const half = (a: Point3, b: Point3) => Math.hypot(at(a).x - at(b).x, at(a).y - at(b).y) / 2
  const shoulders = arms ? half(arms.left.shoulder, arms.right.shoulder) : 0.11 * stature
  const hips = half(legs.left.hip, legs.right.hip)
  const edge = (sign: 1 | -1) =>
    facingTrunk.map(([share, beyond, ofShoulders, ofHips, more]) =>
      from(hip, way, share * length + beyond * stature, sign * (ofShoulders * shoulders + ofHips * hips + more * stature)),
    )
  return [...edge(1), ...edge(-1).reverse()]
}

/** Of the neck, over stature: where it leaves the trunk and under the skull; from the side it is thicker. @source prior */
const neck = { facing: [0.03, 0.026], side: [0.049, 0.034] } as const

function neckShape({ trunk, stature }: Joints, view: ViewKey): string {
  if (trunk === null) return ''
  const at = projections[view]
  const [shoulder, head] = [at(trunk.shoulder), at(trunk.head)]
  const [below, above] = neck[view === 'side' ? 'side' : 'facing']
  return limb(along(shoulder, head, 0.06), below * stature, along(shoulder, head, 0.75), above * stature)
}

/** A line about the head: forward and up from its middle, over its radius. @source prior */
type Line = readonly (readonly [forward: number, up: number])[]
/** Head and helmet: looking ahead, turned to the viewer, and from above. */
const heads: Readonly<Record<ViewKey, { readonly head: Line; readonly cap: Line }>> = {
  side: {
    head: [
      [-0.6, -0.62], [-0.86, -0.2], [-0.92, 0.25], [-0.7, 0.72], [-0.2, 0.98], [0.35, 0.9], [0.72, 0.55], [0.8, 0.2],
      [0.8, 0.06], [0.97, -0.2], [0.84, -0.3], [0.84, -0.52], [0.76, -0.86], [0.5, -0.98], [0.05, -0.7],
    ],
    cap: [[0.92, 0.36], [0.82, 0.72], [0.42, 1.06], [-0.1, 1.16], [-0.62, 0.98], [-0.98, 0.52], [-1.02, 0.08], [-0.86, -0.14], [-0.5, 0.12], [0.1, 0.36], [0.6, 0.38]],
  },
  front: {
    head: [[0, 1.04], [0.5, 0.92], [0.8, 0.5], [0.82, 0.05], [0.7, -0.5], [0.36, -0.95], [0, -1.06], [-0.36, -0.95], [-0.7, -0.5], [-0.82, 0.05], [-0.8, 0.5], [-0.5, 0.92]],
    cap: [[-0.9, 0.28], [-0.86, 0.72], [-0.46, 1.1], [0, 1.2], [0.46, 1.1], [0.86, 0.72], [0.9, 0.28], [0.45, 0.42], [0, 0.45], [-0.45, 0.42]],
  },
  top: {
    head: [[1, 0], [0.75, 0.52], [0.1, 0.76], [-0.65, 0.58], [-0.96, 0], [-0.65, -0.58], [0.1, -0.76], [0.75, -0.52]],
    cap: [[-1.05, 0], [-0.8, 0.6], [0, 0.84], [0.7, 0.6], [0.92, 0], [0.7, -0.6], [0, -0.84], [-0.8, -0.6]],
  },
} // prettier-ignore
/** How far the head is bent down from level while riding, degrees. @source prior */
const NOD = 8

function headShape({ trunk }: Joints, view: ViewKey): Pick<Silhouette, 'head' | 'helmet'> {
  if (trunk === null) return { head: '', helmet: '' }
  const middle = projections[view](trunk.head)
  const nod = view === 'side' ? (NOD * Math.PI) / 180 : 0
  const ahead = { x: Math.cos(nod), y: Math.sin(nod) }
  const shape = (points: Line) =>
    smooth(points.map(([forward, up]) => from(middle, ahead, forward * trunk.headRadius, up * trunk.headRadius)))
  const { head, cap } = heads[view]
  return { head: shape(head), helmet: shape(cap) }
}

/** A shoe from the side: share of the foot's length from the heel, and height over the sole as a share of the ankle's. @source prior */
const shoe: readonly (readonly [share: number, up: number])[] = [
  [-0.05, 0.06], [-0.07, 0.4], [-0.02, 0.8], [0.04, 1.06], [0.2, 1.12], [0.38, 1.02], [0.52, 0.72], [0.74, 0.5], [0.95, 0.36], [1.04, 0.18], [1.02, 0.02], [0.72, 0], [0.4, 0.02], [0.12, 0],
] // prettier-ignore
/** Half of a shoe from above: share of the length, half width over the length. @source prior */
const shoeAbove: readonly (readonly [share: number, half: number])[] = [
  [-0.04, 0.05], [0.02, 0.11], [0.3, 0.12], [0.68, 0.19], [0.9, 0.15], [1.04, 0.05],
] // prettier-ignore
/** A shoe from the front: about which point, half width and height below it over the foot's length. @source prior */
const shoeFacing = [
  ['ankle', 0.11, -0.02],
  ['ankle', 0.125, 0.12],
  ['ball', 0.17, -0.04],
  ['toe', 0.15, 0.02],
  ['toe', 0.08, 0.06],
] as const

function shoeShape(leg: Leg, view: ViewKey): Pick<SilhouetteSide, 'shoe' | 'sole'> {
  const at = projections[view]
  const [heel, ankle] = [at(leg.heel), at(leg.ankle)]
  const length = Math.hypot(leg.toe.x - leg.heel.x, leg.toe.y - leg.heel.y)
  if (view === 'front') {
    const edge = (sign: 1 | -1) =>
      shoeFacing.map(([point, half, below]) => ({ x: at(leg[point]).x + sign * half * length, y: at(leg[point]).y + below * length }))
    return { shoe: smooth([...edge(1), ...edge(-1).reverse()]), sole: '' }
  }
  const way = toward(heel, at(leg.toe))
  if (view === 'top') {
    const edge = (sign: 1 | -1) => shoeAbove.map(([share, half]) => from(heel, way, share * length, sign * half * length))
    return { shoe: smooth([...edge(1), ...edge(-1).reverse()]), sole: '' }
  }
  const height = Math.abs((ankle.x - heel.x) * way.y - (ankle.y - heel.y) * way.x)
  // A collar about the ankle itself, wherever along the foot it lies.
  const collar = ((ankle.x - heel.x) * way.x + (ankle.y - heel.y) * way.y) / Math.max(length, 1) - 0.2
  const points = shoe.map(([share, up]) => from(heel, way, (share + (up > 0.9 ? collar : 0)) * length, up * height))
  return { shoe: smooth(points), sole: pathOf([from(heel, way, -0.04 * length, 0), from(heel, way, 1.02 * length, 0)]) }
}
