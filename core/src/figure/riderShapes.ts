import { outline } from '../bike/saddleShape.ts'
import type { Point3 } from '../bike/contactPoints.ts'
import { itemAt } from '../kernel/dense.ts'
import type { Drawn, Look, Shape } from '../kernel/drawing.ts'
import type { Scene, SceneLeg } from '../model/scene.ts'
import { silhouetteOf } from './silhouette.ts'
import { pathOf, smooth } from './shapes.ts'
import { projections } from './views.ts'
import type { ViewKey } from './views.ts'

/** One state of rider and bike: `now` as a person on a bike, `ghost` (the start) and `proposal` as lines. */
export type SceneLook = 'now' | 'ghost' | 'proposal'

const round = { isRound: true } as const
const dark = { of: 'ink', share: 0.82, with: 'panel' } as const
const cloth = { of: 'flesh', share: 0.84, with: 'ink' } as const
const looks = {
  ground: { stroke: 'line', width: 3 },
  tyre: { stroke: 'steel', width: 28, strokeOpacity: 0.55 },
  rim: { stroke: 'steel', width: 4, strokeOpacity: 0.5 },
  hub: { fill: 'steel' },
  ring: { stroke: 'steel', width: 9 },
  tube: { stroke: 'steel', width: 24, ...round },
  crank: { stroke: 'ink', width: 11, ...round },
  stem: { stroke: 'ink', strokeOpacity: 0.75, width: 26, ...round },
  bar: { stroke: 'ink', strokeOpacity: 0.75, width: 20, ...round },
  blade: { stroke: 'ink', width: 10, ...round },
  hood: { fill: dark },
  grip: { stroke: dark, width: 30, ...round },
  pad: { stroke: 'ink', width: 18, ...round },
  flesh: { fill: 'flesh' },
  cloth: { fill: cloth },
  /** limbs toward the viewer from the side, and those behind the bike */
  nearArm: { fill: { of: 'flesh', share: 0.94, with: 'ink' } },
  farFlesh: { fill: { of: 'flesh', share: 0.55, with: 'panel' } },
  farShoe: { fill: { of: 'flesh', share: 0.75, with: 'panel' } },
  sole: { stroke: 'ink', width: 6, ...round },
  saddle: { stroke: 'ink', width: 15, ...round },
  saddleBody: { fill: 'ink', stroke: 'ink', width: 6 },
  saddleFromAbove: { fill: 'panel', fillOpacity: 0.25, stroke: 'ink', width: 4 },
  plumb: { stroke: 'petrol', width: 3, dash: [14, 9] },
  joint: { fill: 'panel', stroke: 'ink', width: 4 },
} as const satisfies Readonly<Record<string, Look>>

/** Lines of a body and its saddle, by what they say; `far` is the side away from the viewer. */
interface Lines {
  readonly bone: Look
  readonly far: Look
  readonly saddle: Look
}
const start: Look = { stroke: 'muted', width: 4, strokeOpacity: 0.45, ...round }
const wished: Look = { stroke: 'petrol', width: 5.5, dash: [22, 13], ...round }
const lines: Readonly<Record<SceneLook | 'short', Lines>> = {
  now: {
    bone: { stroke: 'ink', width: 5, ...round },
    far: { stroke: 'ink', width: 5, strokeOpacity: 0.3, ...round },
    saddle: looks.saddle,
  },
  /** a leg or an arm does not reach */
  short: {
    bone: { stroke: 'brick', width: 5, ...round },
    far: { stroke: 'brick', width: 5, strokeOpacity: 0.3, ...round },
    saddle: looks.saddle,
  },
  ghost: { bone: start, far: { ...start, strokeOpacity: 0.25 }, saddle: start },
  proposal: { bone: wished, far: { ...wished, strokeOpacity: 0.25 }, saddle: { ...wished, width: 9 } },
}

type Part =
  | 'far leg'
  | 'far shoe'
  | 'far arm'
  | 'tube'
  | 'crank'
  | 'stem'
  | 'bar'
  | 'blade'
  | 'hood'
  | 'grip'
  | 'pad'
  | 'torso'
  | 'head'
  | 'helmet'
  | 'leg'
  | 'shoe'
  | 'sole'
  | 'arm'
/** What is drawn over what: from the side the far limbs lie behind the bike, from the front the bar before the trunk, from above the trunk over the legs. */
const orders: Readonly<Record<ViewKey, readonly Part[]>> = {
  side: ['far leg', 'far shoe', 'far arm', 'tube', 'crank', 'stem', 'bar', 'blade', 'hood', 'grip', 'pad', 'torso', 'head', 'helmet', 'leg', 'shoe', 'sole', 'arm'],
  front: ['tube', 'torso', 'head', 'helmet', 'far leg', 'leg', 'crank', 'far shoe', 'shoe', 'stem', 'bar', 'blade', 'far arm', 'arm', 'grip', 'pad'],
  top: ['tube', 'crank', 'far shoe', 'shoe', 'far leg', 'leg', 'stem', 'bar', 'blade', 'grip', 'pad', 'torso', 'far arm', 'arm', 'head', 'helmet'],
} // prettier-ignore
const partLooks: Readonly<Record<Part, Look>> = {
  'far leg': looks.flesh,
  'far shoe': looks.cloth,
  'far arm': looks.flesh,
  tube: looks.tube,
  crank: looks.crank,
  stem: looks.stem,
  bar: looks.bar,
  blade: looks.blade,
  hood: looks.hood,
  grip: looks.grip,
  pad: looks.pad,
  torso: looks.flesh,
  head: looks.flesh,
  helmet: looks.cloth,
  leg: looks.flesh,
  shoe: looks.cloth,
  sole: looks.sole,
  arm: looks.flesh,
}
const partLooksFromSide: Readonly<Partial<Record<Part, Look>>> = {
  'far leg': looks.farFlesh,
  'far arm': looks.farFlesh,
  'far shoe': looks.farShoe,
  arm: looks.nearArm,
}

/** Rider and bike in one view, from below to above; mm of the scene. */
export function riderShapes(scene: Scene, view: ViewKey, look: SceneLook): Shape[] {
  const isNow = look === 'now'
  const at = projections[view]
  const { left, right } = scene.legs
  const isShort = !scene.armsReach || left.kneeFlexion === null || right.kneeFlexion === null
  const line = lines[isNow && isShort ? 'short' : look]
  const far = view === 'side' ? line.far : line.bone
  const bones = (of: 'left' | 'right') => {
    const arm = scene.arms?.[of]
    return (
      pathOf([scene.legs[of].hip, scene.legs[of].knee, scene.legs[of].ankle].map(at)) +
      (arm ? pathOf([arm.shoulder, arm.elbow, arm.hand].map(at)) : '')
    )
  }
  const trunk = scene.trunk ? pathOf([at(scene.hip), at(scene.trunk.shoulder)]) : ''
  const across =
    view === 'side'
      ? ''
      : pathOf([at(right.hip), at(left.hip)]) + (scene.arms ? pathOf([at(scene.arms.left.shoulder), at(scene.arms.right.shoulder)]) : '')
  const path = (key: string, d: string, painted: Look): Shape[] => (d === '' ? [] : [{ key, kind: 'path', d, look: painted }])
  return [
    ...(isNow ? [...standing(scene, view), ...person(scene, view), ...path('saddle body', saddleBody(scene, view), looks.saddleBody)] : []),
    ...path('saddle', saddle(scene, view), saddleLook(look, view, line)),
    ...(isNow ? [] : path('cranks', cranks(scene, view), line.bone)),
    ...path('far bones', bones('left'), far),
    ...path('bones', trunk + bones('right') + across, line.bone),
    ...(isNow
      ? path('plumb', plumbs(scene, view), looks.plumb)
      : path('soles', footPath(right, view) + (view === 'side' ? '' : footPath(left, view)), line.bone)),
    ...(isNow ? joints(scene, view) : []),
  ]
}

function saddleLook(look: SceneLook, view: ViewKey, line: Lines): Look {
  if (view !== 'top' || look === 'proposal') return line.saddle
  return look === 'now' ? looks.saddleFromAbove : { ...line.saddle, fill: 'panel', fillOpacity: 0.25 }
}

/** Ground, wheels and chain ring. */
function standing(scene: Scene, view: ViewKey): Shape[] {
  const shapes: Shape[] = []
  if (view !== 'top' && scene.ground !== null)
    shapes.push({
      key: 'ground',
      kind: 'line',
      look: looks.ground,
      from: { x: -2000, y: -scene.ground },
      to: { x: 2500, y: -scene.ground },
    })
  if (view !== 'side') return shapes
  scene.wheels.forEach(({ centre, radius }, i) => {
    const at = projections.side(centre)
    const r = radius ?? 18
    const circle = (key: string, look: Look, size: number): Shape => ({ key: `${key} ${i}`, kind: 'circle', look, at, r: size })
    shapes.push(circle('tyre', looks.tyre, Math.max(0, r - 14)))
    if (r > 60) shapes.push(circle('rim', looks.rim, r - 34), circle('hub', looks.hub, 15))
  })
  return [...shapes, { key: 'ring', kind: 'circle', look: looks.ring, at: { x: 0, y: 0 }, r: 82 }]
}

/** The bike’s lines and the body’s outlines, in the view’s own order. */
function person(scene: Scene, view: ViewKey): Shape[] {
  const at = projections[view]
  const linesOf = (of: readonly (readonly Point3[])[]) => of.map((line) => pathOf(line.map(at))).join('')
  const { bar, hoods, blades, grips, extensions, pads } = scene.cockpit
  // A hood is a shape from the side; from elsewhere it is the width of a grip, from its back to its tip.
  const along = hoods.flatMap((line) => {
    const byReach = [...line].sort((a, b) => a.x - b.x)
    const [back, tip] = [byReach[0], byReach.at(-1)]
    return back && tip ? [[back, tip]] : []
  })
  const isSide = view === 'side'
  const { torso, head, helmet, near, far } = silhouetteOf(scene, view)
  const drawn: Readonly<Record<Part, string>> = {
    'far leg': far.leg,
    'far shoe': far.shoe,
    'far arm': far.arm,
    tube: linesOf(scene.frame),
    crank: cranks(scene, view),
    stem: scene.stem ? pathOf(scene.stem.map(at)) : '',
    bar: linesOf(bar) + linesOf(extensions),
    blade: linesOf(blades),
    hood: isSide ? hoods.map((line) => smooth(line.map(at))).join('') : '',
    grip: linesOf(isSide ? grips : [...grips, ...along]),
    pad: linesOf(pads),
    torso,
    head,
    helmet,
    leg: near.leg,
    shoe: near.shoe,
    sole: near.sole,
    arm: near.arm,
  }
  return orders[view].flatMap((key): Shape[] => {
    const look = (isSide && partLooksFromSide[key]) || partLooks[key]
    return drawn[key] === '' ? [] : [{ key, kind: 'path', d: drawn[key], look }]
  })
}

function cranks({ legs: { left, right } }: Scene, view: ViewKey): string {
  const at = projections[view]
  const middle = (end: Point3) => at({ x: 0, y: 0, z: end.z })
  return (
    pathOf([middle(right.crankEnd), at(right.crankEnd), at(right.axle)]) +
    pathOf([middle(left.crankEnd), at(left.crankEnd), at(left.axle)]) +
    pathOf([middle(right.crankEnd), middle(left.crankEnd)])
  )
}

function saddle({ saddle: { nose, line, width, shape } }: Scene, view: ViewKey): string {
  const at = projections[view]
  if (view === 'side') return pathOf(line.map(at))
  const half = (width ?? shape.width) / 2
  const out = (p: Point3, z: number) => at({ ...p, z })
  if (view === 'front') return pathOf([out(nose, -half), out(nose, half)])
  const edge = outline(shape, 24).map(({ x, y }) => ({ p: { ...nose, x: nose.x - x }, z: y }))
  return `${pathOf([...edge.map(({ p, z }) => out(p, z)), ...edge.reverse().map(({ p, z }) => out(p, -z))])}Z`
}

/** The saddle’s body under its top line, from the side: share of the length from the nose, and depth, mm. @source prior */
const depths = [
  [0.02, 12],
  [0.12, 22],
  [0.45, 26],
  [0.75, 34],
  [0.97, 30],
] as const
function saddleBody({ saddle: { line } }: Scene, view: ViewKey): string {
  if (view !== 'side') return ''
  const top = line.map(projections.side)
  const under = depths.map(([share, depth]): Drawn => {
    const p = itemAt(top, Math.round(share * (top.length - 1)))
    return { x: p.x, y: p.y + depth }
  })
  return `${pathOf([...top, ...under.reverse()])}Z`
}

/** From each knee straight down to its pedal’s height: whether it travels over the foot. */
function plumbs({ legs: { left, right } }: Scene, view: ViewKey): string {
  if (view !== 'front') return ''
  const at = projections.front
  return [right, left].map(({ knee, axle }) => pathOf([at(knee), at({ ...knee, y: axle.y })])).join('')
}

function joints({ legs: { left, right }, arms }: Scene, view: ViewKey): Shape[] {
  const seen = view === 'side' ? [right] : [right, left]
  const seenArms = arms === null ? [] : view === 'side' ? [arms.right] : [arms.right, arms.left]
  const points = [
    ...seen.flatMap(({ hip, knee, ankle }) => [hip, knee, ankle]),
    ...seenArms.flatMap(({ shoulder, elbow, hand }) => [shoulder, elbow, hand]),
  ]
  return points.map((point, i) => ({ key: `joint ${i}`, kind: 'circle', look: looks.joint, at: projections[view](point), r: 9 }))
}

/** The foot’s sole and upper as a closed shape; from above, its outline. */
export function footPath(leg: SceneLeg, view: ViewKey): string {
  const project = projections[view]
  if (view === 'top') {
    const half = Math.abs(leg.toe.x - leg.heel.x) * 0.19
    const at = (p: Point3, out: number) => project({ ...p, z: p.z + out })
    const [ball, heel, toe] = [leg.ball, leg.heel, leg.toe]
    return `${pathOf([at(heel, -half * 0.62), at(ball, -half), at(toe, -half * 0.4), at(toe, half * 0.4), at(ball, half), at(heel, half * 0.62)])}Z`
  }
  if (view === 'front') {
    const width = 48
    const at = (p: Point3, out: number) => project({ ...p, z: p.z + out })
    return `${pathOf([at(leg.ball, -width), at(leg.toe, -width * 0.7), at(leg.toe, width * 0.7), at(leg.ball, width), at(leg.ankle, width * 0.6), at(leg.ankle, -width * 0.6)])}Z`
  }
  return `${pathOf([leg.heel, leg.ball, leg.toe, leg.ankle].map(project))}Z`
}
