import type { DrawnBar } from '../bike/bikeKinds.ts'
import type { MetricKey } from '../body/metrics.ts'
import { arcOf, minus, wedgeOf } from '../figure/arcs.ts'
import { frameOf } from '../figure/frame.ts'
import { riderShapes } from '../figure/riderShapes.ts'
import { projections } from '../figure/views.ts'
import type { ViewKey } from '../figure/views.ts'
import { groupShape } from '../kernel/drawing.ts'
import type { Drawing, Drawn, Look, Shape } from '../kernel/drawing.ts'
import { sceneOf } from '../model/scene.ts'
import type { Scene } from '../model/scene.ts'
import type { ConditionKey } from '../readings/conditions.ts'
import { kneeBand } from './kneeAtBottom.ts'
import { overModelIn } from './metricEstimate.ts'
import type { Setup } from './setup.ts'

const looks = {
  arc: { stroke: 'ink', width: 5 },
  level: { stroke: 'muted', width: 3, dash: [12, 8] },
  band: { fill: 'glass', fillOpacity: 0.75 },
  mass: { fill: 'petrol', fillOpacity: 0.55 },
} as const satisfies Readonly<Record<string, Look>>
/** Degrees either way of the lowest pedal in which the knee’s band is drawn. */
const NEAR_BOTTOM = 12

/** What the board shows of a setup: where it started, how it stands, its angles and its centre of mass. */
export interface BoardPicture {
  readonly setup: Setup
  readonly now: Scene
  /** null where nothing was changed */
  readonly start: Scene | null
  readonly view: ViewKey
  /** degrees, right crank */
  readonly crankAngle: number
  /** mm of the scene in a pixel of the screen, so that words keep their size */
  readonly perPixel: number
  /** whether the angles are written on it */
  readonly hasAngles: boolean
  /** position and effort that is drawn; the usual one by default */
  readonly condition?: ConditionKey
}

/** The board from below to above; mm of the scene. */
export function boardShapes({ setup, now, start, view, crankAngle, perPixel, hasAngles, condition }: BoardPicture): Shape[] {
  return [
    ...(start ? [groupShape('ghost', riderShapes(start, view, 'ghost'))] : []),
    groupShape('now', riderShapes(now, view, 'now')),
    ...(hasAngles ? angleShapes(setup, now, view, crankAngle, perPixel, condition) : []),
    ...(now.centreOfMass && view === 'side'
      ? [{ key: 'mass', kind: 'circle', look: looks.mass, at: { x: now.centreOfMass.x, y: -now.centreOfMass.y }, r: 12 } as const]
      : []),
  ]
}

/**
 * Angles as arcs where they are, with the knee’s target as a wedge near the bottom of the stroke; from
 * the side only. The numbers say what was read, which may lie over what can be drawn.
 */
export function angleShapes(
  setup: Setup,
  scene: Scene,
  view: ViewKey,
  crankAngle: number,
  perPixel: number,
  condition: ConditionKey = 'usual',
): Shape[] {
  if (view !== 'side') return []
  const over = (metric: MetricKey) => overModelIn(setup, condition, metric)
  const at = projections.side
  const { trunk, arms } = scene
  const leg = scene.legs.right
  const [hip, knee, ankle] = [at(leg.hip), at(leg.knee), at(leg.ankle)]
  const marks: { key: string; path: string; label: Drawn; text: string }[] = []
  if (leg.kneeFlexion !== null) {
    const arc = arcOf(knee, minus(knee, hip), minus(ankle, knee), 95, 1.5)
    marks.push({ key: 'knee', ...arc, text: degrees(leg.kneeFlexion + over('kneeRight')) })
  }
  if (trunk && scene.armsReach) {
    const shoulder = at(trunk.shoulder)
    const torso = arcOf(hip, { x: 1, y: 0 }, minus(shoulder, hip), 150, 1.32)
    marks.push({ key: 'torso', ...torso, text: degrees(trunk.torso + over('torso')) })
    if (arms) {
      const [elbow, hand] = [at(arms.right.elbow), at(arms.right.hand)]
      const bent = arcOf(elbow, minus(elbow, at(arms.right.shoulder)), minus(hand, elbow), 80, 1.6)
      const [l, r] = [bend(arms.left) + over('elbowLeft'), bend(arms.right) + over('elbowRight')]
      // "31°", or "31°, left 35°" where the arms differ by a degree or more.
      marks.push({ key: 'elbow', ...bent, text: Math.abs(l - r) < 1 ? degrees(r) : `${degrees(r)}, left ${degrees(l)}` })
      const [down, out] = [minus(hip, shoulder), minus(elbow, shoulder)]
      const raised = arcOf(shoulder, down, out, 95, 1.45)
      marks.push({ key: 'shoulder', ...raised, text: degrees(Math.abs(angle(down, out)) + over('shoulderRight')) })
    }
  }
  const band = bandOf(setup, scene, crankAngle)
  const lettering = { fill: 'ink', size: 16 * perPixel, anchor: 'middle', isBold: true, rim: 4 * perPixel } as const
  return [
    ...(band === null ? [] : [{ key: 'band', kind: 'path', look: looks.band, d: band } as const]),
    { key: 'level', kind: 'line', look: looks.level, from: at(scene.hip), to: { x: scene.hip.x + 210, y: -scene.hip.y } },
    ...marks.flatMap(({ key, path, label, text }): Shape[] => [
      { key: `arc ${key}`, kind: 'path', look: looks.arc, d: path },
      { key: `angle ${key}`, kind: 'text', lettering, at: { x: label.x, y: label.y + 5 * perPixel }, text },
    ]),
  ]
}

const degrees = (value: number) => `${Math.round(value)}°`

/** Where the shank would point inside the knee’s band, while the crank is near the bottom; by the way the knee was read. */
function bandOf(setup: Setup, { legs: { right } }: Scene, crankAngle: number): string | null {
  if (Math.abs(crankAngle - 180) > NEAR_BOTTOM || right.kneeFlexion === null) return null
  const at = projections.side
  const thigh = minus(at(right.knee), at(right.hip))
  const straight = Math.atan2(thigh.y, thigh.x)
  const { low, high } = kneeBand(setup.now, 'right')
  const back = (flexion: number) => straight + (flexion * Math.PI) / 180
  return wedgeOf(at(right.knee), back(low), back(high), 210)
}

function angle(a: Drawn, b: Drawn): number {
  return (Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y) * 180) / Math.PI
}

/** True bend of the elbow in space, degrees. */
function bend({ shoulder: s, elbow: e, hand: h }: NonNullable<Scene['arms']>['right']): number {
  const [ux, uy, uz] = [e.x - s.x, e.y - s.y, e.z - s.z]
  const [fx, fy, fz] = [h.x - e.x, h.y - e.y, h.z - e.z]
  const cosine = (ux * fx + uy * fy + uz * fz) / (Math.hypot(ux, uy, uz) * Math.hypot(fx, fy, fz))
  return (Math.acos(Math.min(1, Math.max(-1, cosine))) * 180) / Math.PI
}

/** Words on a picture to keep are as large as on a board this many pixels high. @source prior */
const BOARD_HEIGHT = 400
/** Right crank, degrees: the pedal at its lowest. */
const BOTTOM = 180

/**
 * Rider and bike in one view to keep: solid as they stand, pale as they started, where something was changed.
 * @param start the setup before the first change
 * @returns null while the legs cannot be drawn
 */
export function riderPicture(setup: Setup, start: Setup, bar: DrawnBar, title: string, view: ViewKey = 'side'): Drawing | null {
  const sceneAt = ({ model, rider, folded: { by } }: Setup) => model && sceneOf(model, rider.values, bar, by, BOTTOM)
  const now = sceneAt(setup)
  if (now === null) return null
  const isChanged = setup.folded.changes.some(({ state }) => state !== 'undone')
  const box = frameOf(now, view)
  const shapes = boardShapes({
    setup,
    now,
    start: isChanged ? sceneAt(start) : null,
    view,
    crankAngle: BOTTOM,
    perPixel: box.height / BOARD_HEIGHT,
    hasAngles: true,
  })
  const isOnlyModel = setup.rider.usual.state === 'none'
  const said = [title, ...(isChanged ? ['pale: at the start'] : []), ...(isOnlyModel ? ['angles by the model: to compare only'] : [])]
  return { title: said.join('; '), box, shapes }
}
