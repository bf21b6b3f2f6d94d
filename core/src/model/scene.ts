import type { DrawnBar } from '../bike/bikeKinds.ts'
import { barClamp, rolled, steererUp } from '../bike/cockpit.ts'
import { RADIANS } from '../bike/contactPoints.ts'
import type { Point, Point3 } from '../bike/contactPoints.ts'
import { shapeFrom, sideLine } from '../bike/saddleShape.ts'
import type { SaddleShape } from '../bike/saddleShape.ts'
import { footPoint, hipOf, riderAt } from '../body/rider.ts'
import type { LegAt, LegModel, RiderModel } from '../body/rider.ts'
import { bySide } from '../kernel/sided.ts'
import type { Side, Sided } from '../kernel/sided.ts'
import { cockpitScene, noCockpit } from './cockpitScene.ts'
import type { SceneCockpit } from './cockpitScene.ts'
import { axlesOf, footMoved, frontOf, sitFromClamp } from './riderModel.ts'
import type { ModelValues } from './riderModel.ts'
import { definitionOf } from '../readings/readingDefinitions.ts'
import type { NumberKey } from '../readings/readingDefinitions.ts'
import { USUAL_TREAD } from '../readings/table/bike.ts'
import type { MovedBy } from '../readings/movedBy.ts'
import { itemAt } from '../kernel/dense.ts'

/** One leg in space, for drawing. */
export interface SceneLeg {
  readonly hip: Point3
  readonly knee: Point3
  readonly ankle: Point3
  readonly axle: Point3
  readonly crankEnd: Point3
  readonly heel: Point3
  readonly ball: Point3
  readonly toe: Point3
  /** degrees; null when the leg does not reach: it is drawn straight */
  readonly kneeFlexion: number | null
  readonly footPitch: number
}

/** One arm in space, each on its own side of the bike. */
export interface SceneArm {
  readonly shoulder: Point3
  readonly elbow: Point3
  readonly hand: Point3
}

/** Rider and bike as points in space, mm from the bottom bracket: every view is a projection of this one thing. */
export interface Scene {
  /** mm; the rider's own, else usual: for how thick a body is drawn */
  readonly stature: number
  readonly legs: Sided<SceneLeg>
  readonly hip: Point3
  readonly sit: Point3
  readonly saddle: {
    readonly nose: Point3
    readonly tail: Point3
    /** the top's line, nose first */
    readonly line: readonly Point3[]
    readonly shape: SaddleShape
    readonly clamp: Point3
    readonly width: number | null
    readonly tilt: number
  }
  readonly trunk: { readonly shoulder: Point3; readonly head: Point3; readonly headRadius: number; readonly torso: number } | null
  readonly arms: Sided<SceneArm> | null
  /** whether trunk and arms meet; where not, they are drawn straight toward the hands */
  readonly armsReach: boolean
  /** mm the arms and trunk are short of the hands */
  readonly short: number
  /** tubes, each a line of points; what is not known is left out */
  readonly frame: readonly (readonly Point3[])[]
  /** from the steerer to the bar's clamp; null while they are not known */
  readonly stem: readonly Point3[] | null
  readonly cockpit: SceneCockpit
  readonly wheels: readonly { readonly centre: Point3; readonly radius: number | null }[]
  /** ground below the bottom bracket, y; null while the wheels are not known */
  readonly ground: number | null
  readonly centreOfMass: Point | null
}

/** Half a tyre's width is left out; the head's radius and place over stature. @source prior */
const HEAD = { radius: 0.06, beyondShoulder: 0.118 } as const
/** Head tube's length over frame stack, drawing only. @source prior */
const HEAD_TUBE_SHARE = 0.22

/**
 * The scene at a crank angle of the right side.
 * @param model the rider on the bike with the changes in force
 */
export function sceneOf(model: RiderModel, values: ModelValues, bar: DrawnBar, by: MovedBy, crankAngle: number): Scene {
  const at = riderAt(model, crankAngle)
  const get = (key: NumberKey, side: Side = 'right') => {
    const value = values[key][side]
    const setting = definitionOf(key).sided ? side : 'both'
    return value === null ? null : value + by(key, setting)
  }
  const hip = { ...hipOf(model), z: 0 }
  const tilt = get('saddleTilt') ?? 0
  const stature = values.stature.right ?? 1750
  const upper = at.upper
  const tread = (get('tread') ?? USUAL_TREAD) / 2
  return {
    stature,
    hip,
    sit: { ...model.sit, z: 0 },
    legs: bySide((side) =>
      sceneLeg(model, model.legs[side], at.legs[side], side, tread, values.heelToMtp1[side] ?? 190, outsideOf(values, by, side)),
    ),
    saddle: saddleOf(model.sit, tilt, values, by),
    trunk: upper && {
      shoulder: { x: upper.shoulder.x, y: upper.shoulder.y, z: 0 },
      head: headOf(upper.shoulder, upper.torso, stature),
      headRadius: HEAD.radius * stature,
      torso: upper.torso,
    },
    arms:
      upper &&
      bySide((side) => {
        const { shoulder, elbow, hand } = upper.arms[side]
        const placed = (p: Point3): Point3 => (side === 'right' ? p : { ...p, z: -p.z })
        return { shoulder: placed(shoulder), elbow: placed(elbow), hand: placed(hand) }
      }),
    armsReach: upper?.reaches ?? true,
    short: upper?.short ?? 0,
    ...bikeLines(values, bar, by, model.sit, tilt),
    centreOfMass: at.centreOfMass,
  }
}

/** Knee's middle outside the foot's middle: the knee stays where it was read while the foot moves. */
function outsideOf(values: ModelValues, by: MovedBy, side: Side): number | null {
  const outside = values.kneeOutside[side]
  return outside === null ? null : outside - footMoved(by, side)
}

function sceneLeg(model: RiderModel, leg: LegModel, at: LegAt, side: Side, tread: number, ball: number, outside: number | null): SceneLeg {
  const sign = side === 'right' ? 1 : -1
  const z = sign * leg.halfStance
  const across = (p: Point, aside: number): Point3 => ({ x: p.x, y: p.y, z: aside })
  return {
    hip: across(at.hip, (sign * model.hipWidth) / 2),
    knee: across(at.knee, sign * (outside === null ? at.kneeAside : leg.halfStance + outside)),
    ankle: across(at.ankle, z),
    axle: across(at.axle, z),
    crankEnd: across(at.axle, sign * tread),
    heel: across(footPoint(leg, at, 0, 0), z),
    ball: across(footPoint(leg, at, ball, 0), z),
    toe: across(footPoint(leg, at, leg.footLength, 0), z),
    kneeFlexion: at.kneeFlexion,
    footPitch: at.footPitch,
  }
}

function headOf(shoulder: Point, torso: number, stature: number): Point3 {
  // The neck rises more steeply than the trunk: the rider looks ahead.
  const rise = (torso + 0.55 * (90 - torso)) * RADIANS
  const length = HEAD.beyondShoulder * stature
  return { x: shoulder.x + length * Math.cos(rise), y: shoulder.y + length * Math.sin(rise), z: 0 }
}

/** The saddle's shape with the changes in force; what is not read is as usual. */
function saddleShapeOf(values: ModelValues, by: MovedBy): SaddleShape {
  const get = (key: NumberKey) => (values[key].right === null ? null : values[key].right + by(key, 'both'))
  return shapeFrom({
    length: get('saddleLength'),
    width: get('saddleWidth'),
    zoneWidth: get('saddleZoneWidth'),
    noseWidth: get('saddleNoseWidth'),
    sitFromNose: get('sitFromNose'),
    noseDrop: get('saddleNoseDrop'),
    tailRise: get('saddleTailRise'),
  })
}

function saddleOf(sit: Point, tilt: number, values: ModelValues, by: MovedBy): Scene['saddle'] {
  const shape = saddleShapeOf(values, by)
  const line = sideLine(shape, sit, tilt).map((p): Point3 => ({ ...p, z: 0 }))
  const offset = sitFromClamp(values, by)
  const clamp = rolled({ x: -offset.x, y: -offset.y }, -by('saddleTilt', 'both'))
  return {
    nose: itemAt(line, 0),
    tail: itemAt(line, line.length - 1),
    line,
    shape,
    clamp: { x: sit.x + clamp.x, y: sit.y + clamp.y, z: 0 },
    width: values.saddleWidth.right === null ? null : shape.width,
    tilt,
  }
}

/** Tubes, stem, bar and wheels as far as they are known. */
function bikeLines(
  values: ModelValues,
  bar: DrawnBar,
  by: MovedBy,
  sit: Point,
  tilt: number,
): Pick<Scene, 'frame' | 'stem' | 'cockpit' | 'wheels' | 'ground'> {
  const flat = (p: Point): Point3 => ({ x: p.x, y: p.y, z: 0 })
  const bottom = flat({ x: 0, y: 0 })
  const clamp = saddleOf(sit, tilt, values, by).clamp
  const axles = axlesOf(values)
  const front = frontOf(values, by)
  const lines: Point3[][] = [[bottom, clamp]]
  let stem: readonly Point3[] | null = null
  const seatJoint = flat({ x: clamp.x * 0.72, y: clamp.y * 0.72 })
  if (axles) lines.push([bottom, flat(axles.rear)], [seatJoint, flat(axles.rear)])
  if (front) {
    const up = steererUp(front.headAngle)
    const tube = HEAD_TUBE_SHARE * front.frameStack
    const top = { x: front.frameReach, y: front.frameStack }
    const low = { x: top.x - tube * up.x, y: top.y - tube * up.y }
    const stemAt = front.headset + front.spacers + front.halfClamp
    const foot = flat({ x: top.x + stemAt * up.x, y: top.y + stemAt * up.y })
    lines.push([flat(low), flat(top), foot], [bottom, flat(low)], [seatJoint, flat({ x: top.x - 25 * up.x, y: top.y - 25 * up.y })])
    stem = [foot, flat(barClamp(front))]
    if (axles) lines.push([flat(low), flat(axles.front)])
  }
  const radius = values.wheelDiameter.right === null ? null : values.wheelDiameter.right / 2
  return {
    frame: lines,
    stem,
    cockpit: front ? cockpitScene(values, bar, by, barClamp(front)) : noCockpit,
    wheels: axles ? [axles.rear, axles.front].map((centre) => ({ centre: flat(centre), radius })) : [],
    ground: axles && radius !== null ? axles.rear.y - radius : null,
  }
}
