import { curveCatmullRomClosed, line } from 'd3-shape'
import type { Point3 } from '@level-stance/core/bike/contactPoints'
import type { Scene, SceneArm, SceneLeg } from '@level-stance/core/measure/scene'
import { projections } from './views.ts'
import type { Drawn, ViewKey } from './views.ts'

/** How thick a body is about its joints, over stature; drawing only, nothing is computed from it. @source prior */
const girth = {
  hip: 0.05, knee: 0.034, calf: 0.034, ankle: 0.021, shoulder: 0.035, elbow: 0.025, wrist: 0.018, hand: 0.021, neck: 0.042, nape: 0.034,
} as const // prettier-ignore
/** From grip to wrist, over stature. @source prior */
const HAND = 0.045
/** Where the calf is thickest, from knee to ankle, and how far it stands behind the bone, over stature. @source prior */
const CALF = { along: 0.32, behind: 0.008 } as const

/** The rider as shapes with one fill: together they are one soft outline. Paths of SVG; empty where nothing is known. */
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
 * The outline of the rider in one view, drawn about the model's joints: near is the rider's right.
 * Any size and posture; what the model does not know is left out.
 */
export function silhouetteOf(scene: Scene, view: ViewKey): Silhouette {
  const { stature, legs, arms } = scene
  const at = projections[view]
  const side = (leg: SceneLeg, arm: SceneArm | null): SilhouetteSide => ({
    leg: legShape(leg, view, stature),
    ...shoeShape(leg, view),
    arm: arm === null ? '' : armShape([arm.shoulder, arm.elbow, arm.hand].map(at) as [Drawn, Drawn, Drawn], stature),
  })
  return {
    torso: smooth(torsoOutline(scene, view)) + neckShape(scene, view),
    ...headShape(scene, view),
    near: side(legs.right, arms?.right ?? null),
    far: side(legs.left, arms?.left ?? null),
  }
}

const fixed = (value: number) => value.toFixed(1)
const placed = ({ x, y }: Drawn) => `${fixed(x)} ${fixed(y)}`
const closed = line<Drawn>((p) => p.x, (p) => p.y).curve(curveCatmullRomClosed.alpha(0.5)).digits(1) // prettier-ignore
/** A closed line through points without corners; empty for fewer than three. */
export const smooth = (points: readonly Drawn[]) => (points.length < 3 ? '' : (closed(points) ?? ''))

/** A limb as one closed shape: two circles, and the tangents that touch both from outside. */
export function limb(a: Drawn, ra: number, b: Drawn, rb: number): string {
  const distance = Math.hypot(b.x - a.x, b.y - a.y)
  if (!(distance > Math.abs(ra - rb))) return ra >= rb ? disc(a, ra) : disc(b, rb)
  const way = Math.atan2(b.y - a.y, b.x - a.x)
  const off = Math.acos((ra - rb) / distance)
  const on = (p: Drawn, r: number, angle: number) => placed({ x: p.x + r * Math.cos(angle), y: p.y + r * Math.sin(angle) })
  const arc = (r: number, isLarge: boolean) => `A${fixed(r)} ${fixed(r)} 0 ${isLarge ? 1 : 0} 0 `
  const isWide = off > Math.PI / 2
  return `M${on(a, ra, way + off)}L${on(b, rb, way + off)}${arc(rb, isWide)}${on(b, rb, way - off)}L${on(a, ra, way - off)}${arc(ra, !isWide)}${on(a, ra, way + off)}Z`
}
function disc({ x, y }: Drawn, r: number): string {
  return `M${placed({ x: x + r, y })}A${fixed(r)} ${fixed(r)} 0 1 0 ${placed({ x: x - r, y })}A${fixed(r)} ${fixed(r)} 0 1 0 ${placed({ x: x + r, y })}Z`
}

const along = (a: Drawn, b: Drawn, t: number): Drawn => ({ x: a.x + t * (b.x - a.x), y: a.y + t * (b.y - a.y) })
/** Unit vector from one point to another; straight up where they are one. */
function toward(a: Drawn, b: Drawn): Drawn {
  const length = Math.hypot(b.x - a.x, b.y - a.y)
  return length < 1e-6 ? { x: 0, y: -1 } : { x: (b.x - a.x) / length, y: (b.y - a.y) / length }
}
/** A point from an origin, so far along a direction and so far to the left of it (as it is seen, y down). */
const from = (origin: Drawn, way: Drawn, ahead: number, left: number): Drawn => ({
  x: origin.x + ahead * way.x + left * way.y,
  y: origin.y + ahead * way.y - left * way.x,
})

function legShape(leg: SceneLeg, view: ViewKey, stature: number): string {
  const [hip, knee, ankle] = [leg.hip, leg.knee, leg.ankle].map(projections[view]) as [Drawn, Drawn, Drawn]
  const r = (key: keyof typeof girth) => girth[key] * stature
  const middle = along(knee, ankle, CALF.along)
  // Seen from the side the calf stands behind the bone; down the shank, behind is to the right of the way.
  const calf = view === 'side' ? from(middle, toward(knee, ankle), 0, -CALF.behind * stature) : middle
  return limb(hip, r('hip'), knee, r('knee')) + limb(knee, r('knee'), calf, r('calf')) + limb(calf, r('calf'), ankle, r('ankle'))
}

function armShape([shoulder, elbow, hand]: readonly [Drawn, Drawn, Drawn], stature: number): string {
  const r = (key: keyof typeof girth) => girth[key] * stature
  const wrist = from(hand, toward(elbow, hand), -HAND * stature, 0)
  return (
    limb(shoulder, r('shoulder'), elbow, r('elbow')) + limb(elbow, r('elbow'), wrist, r('wrist')) + limb(wrist, r('wrist'), hand, r('hand'))
  )
}

/** Back and front of the trunk from the side: share of the way from hip to shoulder, and how far out, over stature. @source prior */
const sideTrunk: readonly (readonly [share: number, back: number])[] = [
  [-0.17, 0.018], [-0.06, 0.056], [0.16, 0.07], [0.45, 0.077], [0.75, 0.067], [0.96, 0.045], [1.07, 0.012],
  [1.05, -0.025], [0.85, -0.05], [0.55, -0.056], [0.25, -0.057], [0.02, -0.045], [-0.15, -0.02],
] // prettier-ignore
/** Half of the trunk from front or top: share of the way, width as a share of half the shoulders and of half the hips, and more over stature. */
const facingTrunk: readonly (readonly [share: number, shoulders: number, hips: number, more: number])[] = [
  [1.1, 0.26, 0, 0], [1.05, 0.6, 0, 0], [0.99, 0.96, 0, 0], [0.84, 0.94, 0, 0], [0.6, 0.74, 0.1, 0], [0.34, 0.42, 0.5, 0], [0.08, 0, 1, 0.042], [-0.1, 0, 0.9, 0.03],
] // prettier-ignore

/** Points around the trunk; none where its shoulders are not known. */
export function torsoOutline(scene: Scene, view: ViewKey): Drawn[] {
  const { trunk, arms, stature, legs } = scene
  if (trunk === null) return []
  const at = projections[view]
  const [hip, shoulder] = [at(scene.hip), at(trunk.shoulder)]
  const length = Math.hypot(shoulder.x - hip.x, shoulder.y - hip.y)
  const way = toward(hip, shoulder)
  if (view === 'side') return sideTrunk.map(([share, back]) => from(hip, way, share * length, back * stature))
  const half = (a: Point3, b: Point3) => Math.hypot(at(a).x - at(b).x, at(a).y - at(b).y) / 2
  const shoulders = arms ? half(arms.left.shoulder, arms.right.shoulder) : 0.11 * stature
  const hips = half(legs.left.hip, legs.right.hip)
  const edge = (sign: 1 | -1) =>
    facingTrunk.map(([share, ofShoulders, ofHips, more]) =>
      from(hip, way, share * length, sign * (ofShoulders * shoulders + ofHips * hips + more * stature)),
    )
  return [...edge(1), ...edge(-1).reverse()]
}

function neckShape({ trunk, stature }: Scene, view: ViewKey): string {
  if (trunk === null) return ''
  const [shoulder, head] = [trunk.shoulder, trunk.head].map(projections[view]) as [Drawn, Drawn]
  return limb(along(shoulder, head, 0.12), girth.neck * stature, along(shoulder, head, 0.75), girth.nape * stature)
}

/** A head that looks ahead: forward and up from its middle, over its radius. @source prior */
const profile: readonly (readonly [forward: number, up: number])[] = [
  [-0.6, -0.62], [-0.86, -0.2], [-0.92, 0.25], [-0.7, 0.72], [-0.2, 0.98], [0.35, 0.9], [0.72, 0.55], [0.8, 0.2],
  [0.8, 0.06], [0.97, -0.2], [0.84, -0.3], [0.84, -0.52], [0.76, -0.86], [0.5, -0.98], [0.05, -0.7],
] // prettier-ignore
const cap: readonly (readonly [forward: number, up: number])[] = [
  [0.92, 0.36], [0.82, 0.72], [0.42, 1.06], [-0.1, 1.16], [-0.62, 0.98], [-0.98, 0.52], [-1.02, 0.08], [-0.86, -0.14], [-0.5, 0.12], [0.1, 0.36], [0.6, 0.38],
] // prettier-ignore
/** Head and helmet of a face that is turned to the viewer, and of one seen from above. */
const facing = {
  front: { head: [0.7, 1], cap: [[-0.8, 0.28], [-0.76, 0.72], [-0.4, 1.08], [0, 1.18], [0.4, 1.08], [0.76, 0.72], [0.8, 0.28], [0.4, 0.42], [0, 0.45], [-0.4, 0.42]] },
  top: { head: [1, 0.76], cap: [[-1.05, 0], [-0.8, 0.6], [0, 0.84], [0.7, 0.6], [0.92, 0], [0.7, -0.6], [0, -0.84], [-0.8, -0.6]] },
} as const // prettier-ignore
/** Of the head, bent down from level while riding, degrees. @source prior */
const NOD = 8

function headShape({ trunk }: Scene, view: ViewKey): Pick<Silhouette, 'head' | 'helmet'> {
  if (trunk === null) return { head: '', helmet: '' }
  const middle = projections[view](trunk.head)
  const r = trunk.headRadius
  if (view === 'side') {
    const nod = (NOD * Math.PI) / 180
    const ahead = { x: Math.cos(nod), y: Math.sin(nod) }
    const shape = (points: typeof profile) => smooth(points.map(([forward, up]) => from(middle, ahead, forward * r, up * r)))
    return { head: shape(profile), helmet: shape(cap) }
  }
  const { head, cap: helmet } = facing[view]
  const [rx, ry] = [head[0] * r, head[1] * r]
  const oval = `M${placed({ x: middle.x + rx, y: middle.y })}A${fixed(rx)} ${fixed(ry)} 0 1 0 ${placed({ x: middle.x - rx, y: middle.y })}A${fixed(rx)} ${fixed(ry)} 0 1 0 ${placed({ x: middle.x + rx, y: middle.y })}Z`
  return { head: oval, helmet: smooth(helmet.map(([x, up]) => ({ x: middle.x + x * r, y: middle.y - up * r }))) }
}

/** A shoe from the side: share of the foot's length from the heel, and height over the sole as a share of the ankle's. @source prior */
const shoe: readonly (readonly [share: number, up: number])[] = [
  [-0.05, 0.06], [-0.07, 0.4], [-0.02, 0.8], [0.04, 1.06], [0.2, 1.12], [0.38, 1.02], [0.52, 0.72], [0.74, 0.5], [0.95, 0.36], [1.04, 0.18], [1.02, 0.02], [0.72, 0], [0.4, 0.02], [0.12, 0],
] // prettier-ignore
/** Half of a shoe from above: share of the length, half width over the length. @source prior */
const shoeAbove: readonly (readonly [share: number, half: number])[] = [
  [-0.04, 0.05], [0.02, 0.11], [0.3, 0.12], [0.68, 0.19], [0.9, 0.15], [1.04, 0.05],
] // prettier-ignore

function shoeShape(leg: SceneLeg, view: ViewKey): Pick<SilhouetteSide, 'shoe' | 'sole'> {
  const [heel, ball, toe, ankle] = [leg.heel, leg.ball, leg.toe, leg.ankle].map(projections[view]) as [Drawn, Drawn, Drawn, Drawn]
  const length = Math.hypot(leg.toe.x - leg.heel.x, leg.toe.y - leg.heel.y)
  if (view === 'front') {
    const half = length * 0.18
    const points = [[ankle, 0.62, -0.1], [ball, 1, -0.15], [toe, 0.7, 0.05]] as const
    const edge = (sign: 1 | -1) => points.map(([p, share, up]) => ({ x: p.x + sign * share * half, y: p.y - up * length }))
    return { shoe: smooth([...edge(1), ...edge(-1).reverse()]), sole: '' }
  } // prettier-ignore
  if (view === 'top') {
    const way = toward(heel, toe)
    const edge = (sign: 1 | -1) => shoeAbove.map(([share, half]) => from(heel, way, share * length, sign * half * length))
    return { shoe: smooth([...edge(1), ...edge(-1).reverse()]), sole: '' }
  }
  const way = toward(heel, toe)
  const height = Math.abs((ankle.x - heel.x) * way.y - (ankle.y - heel.y) * way.x)
  // A collar about the ankle itself, wherever along the foot it lies.
  const at = ((ankle.x - heel.x) * way.x + (ankle.y - heel.y) * way.y) / Math.max(length, 1) - 0.2
  const points = shoe.map(([share, up]) => from(heel, way, (share + (up > 0.9 ? at : 0)) * length, up * height))
  const sole = [from(heel, way, -0.04 * length, 0), from(heel, way, 1.02 * length, 0)]
  return { shoe: smooth(points), sole: `M${sole.map(placed).join('L')}` }
}
