import type { BarKind } from '../bike/bikeKinds.ts'
import { barClamp, dropGrip, extensionGrip, flatGrip, rolled } from '../bike/cockpit.ts'
import type { DropBar, FlatBar, Front, Grip } from '../bike/cockpit.ts'
import { sitPoint } from '../bike/contactPoints.ts'
import type { Point } from '../bike/contactPoints.ts'
import { halfStance, tiltShift, wheelAxles } from '../bike/frame.ts'
import type { WheelBase } from '../bike/frame.ts'
import { ankleFromAxle } from '../body/leg.ts'
import type { LegModel, RiderModel } from '../body/rider.ts'
import { bySide, sides } from '../kernel/sided.ts'
import type { Side, Sided } from '../kernel/sided.ts'
import { usualHands } from '../readings/conditions.ts'
import type { HandPosition } from '../readings/conditions.ts'
import { definitionOf, numberKeys } from '../readings/readingDefinitions.ts'
import type { NumberKey } from '../readings/readingDefinitions.ts'
import { hiddenParts } from '../readings/resolve.ts'
import type { HiddenParts, Resolved, ResolvedReadings } from '../readings/resolve.ts'
import { unmoved } from '../readings/movedBy.ts'
import type { MovedBy } from '../readings/movedBy.ts'
import { keysOf, tableOf } from '../kernel/tables.ts'

export type HiddenKey = keyof HiddenParts
export type ModelKey = NumberKey | HiddenKey

/** What the model is made of, per side; readings of one value stand on both sides. Null = not known. */
export type ModelValues = Readonly<Record<ModelKey, Sided<number | null>>>

/** By how much changes have moved a foot from the bike's middle, mm, + outward. */
export function footMoved(by: MovedBy, side: Side): number {
  const parts = (['axleLength', 'washer', 'adapter', 'cleatInboard'] as const).map((key) => by(key, side))
  return by('tread', 'both') / 2 + parts.reduce((sum, part) => sum + part, 0)
}

/** Half the height of a stem's steerer clamp, mm. @source prior */
const HALF_CLAMP = 20
/** Amplitude of the foot-pitch curve, degrees. @source prior */
const PITCH_SWING = 10
/** Where the rider sits from the post's clamp, for the turning of the saddle: ahead and above, mm. */
export function sitFromClamp(values: ModelValues, by: MovedBy): Point {
  const ahead = (values.clampFromNose.right ?? 130) - (values.sitFromNose.right ?? 150)
  return { x: ahead - by('saddleSetback', 'both'), y: (values.saddleRailHeight.right ?? 50) + by('saddleRailHeight', 'both') }
}

/** Rider and bike with what is still lacking for them. */
export interface BuiltModel {
  /** null while the legs cannot be drawn */
  readonly model: RiderModel | null
  /** readings that the legs lack, then those that the hands lack */
  readonly missing: readonly NumberKey[]
  readonly hands: HandsKnown
  /** bar clamp, where stem and frame are known */
  readonly clamp: Point | null
  readonly axles: { readonly rear: Point; readonly front: Point } | null
}

/** The hands' place by two ways, and what they differ by. */
export interface HandsKnown {
  readonly measured: Point | null
  readonly fromParts: Point | null
}

/** Flattens resolved readings and the body's hidden parts into plain numbers. */
export function modelValues(resolved: ResolvedReadings): ModelValues {
  const number = (value: Resolved) => value?.value ?? null
  return fromParts(resolved, number)
}

/** ± of the same numbers, by the same keys. */
export function modelPlusMinus(resolved: ResolvedReadings): Readonly<Record<ModelKey, Sided<number | null>>> {
  return fromParts(resolved, (value) => value?.plusMinus ?? null)
}

function fromParts(resolved: ResolvedReadings, pick: (value: Resolved) => number | null): ModelValues {
  const { left, right } = bySide((side) => hiddenParts(resolved, side))
  return {
    ...tableOf(numberKeys, (key) => ({ left: pick(resolved[key].left), right: pick(resolved[key].right) })),
    ...tableOf(keysOf(left), (key) => ({ left: pick(left[key]), right: pick(right[key]) })),
  }
}

/**
 * The rider on the bike from readings and changes, before calibration. The hands' place is the one
 * measured from the bottom bracket where it was; otherwise it follows from frame, stem and bar.
 * Parts that were changed move it by the difference they make.
 */
export function buildModel(values: ModelValues, bar: BarKind, by: MovedBy = unmoved, hands: HandPosition = usualHands(bar)): BuiltModel {
  const missing = missingFor(values)
  const front = handPlaces(values, bar, by, hands)
  const clamp = clampOf(values, by)
  const axles = axlesOf(values)
  if (missing.length > 0) return { model: null, missing, hands: front.known, clamp, axles }
  const get = (key: ModelKey, side: Side = 'right'): number => values[key][side] ?? 0
  const hipWidth = get('hipWidth')
  const model: RiderModel = {
    legs: bySide((side) => legModel(values, by, side)),
    pitchSwing: PITCH_SWING,
    crank: get('crank') + by('crank', 'both'),
    sit: sitOf(values, by),
    hipForward: get('hipForward'),
    hipUp: get('hipUp'),
    hipWidth,
    upper: {
      trunk: get('trunk'),
      acromionWidth: get('acromionWidth'),
      elbowFlexion: ELBOW_PRIOR.prior,
      elbowSwivel: SWIVEL_PRIOR.prior,
      twist: TWIST_PRIOR.prior,
      arms: bySide((side) => ({
        upperArm: get('upperArm', side),
        forearm: get('forearm', side),
        handSet: HAND_SET_PRIOR.prior,
        naturalSweep: get('handSweep', side),
      })),
    },
    grips: front.grips,
    levers: bySide((side) => leverOf(values, by, front.grips, side)),
    fingers: bySide((side) => {
      const reach = values.leverReach[side]
      return reach === null ? null : get('indexFinger', side) - reach - by('leverReach', side)
    }),
  }
  return { model, missing: front.grips === null ? handReadings(bar) : [], hands: front.known, clamp, axles }
}

/** What is assumed of the elbows until they are read; ± is k = 2. @source prior */
export const ELBOW_PRIOR = { prior: 20, plusMinus: 25 }
/** Left shoulder ahead of the right, mm: nearly level until both arms have been read apart, then as they say. @source prior */
export const TWIST_PRIOR = { prior: 0, plusMinus: 10, readApart: 40 }
export const SWIVEL_PRIOR = { prior: 20, plusMinus: 40 }
export const HAND_SET_PRIOR = { prior: 0, plusMinus: 20 }

/** Readings without which no leg can be drawn, in the order a fitter would take them. */
const legNeeds: readonly NumberKey[] = ['saddleHeight', 'crank', 'cleatSetback']

function missingFor(values: ModelValues): NumberKey[] {
  const lacking: NumberKey[] = values.stature.right === null ? needsStature(values) : []
  for (const key of legNeeds) if (sides.some((side) => values[key][side] === null)) lacking.push(key)
  return lacking
}

/** Stature fills in the whole body, so it is asked for first and alone. */
function needsStature(values: ModelValues): NumberKey[] {
  const parts: readonly ModelKey[] = ['thigh', 'shank', 'heelToMtp1', 'ankleHeight', 'hipForward', 'trunk', 'acromionWidth']
  return parts.some((key) => values[key].left === null || values[key].right === null) ? ['stature'] : []
}

function legModel(values: ModelValues, by: MovedBy, side: Side): LegModel {
  const get = (key: ModelKey): number => values[key][side] ?? 0
  const moved = (key: NumberKey): number => get(key) + by(key, definitionOf(key).sided ? side : 'both')
  const stack = moved('soleStack')
  const cleatSetback = moved('cleatSetback')
  const ankle = ankleFromAxle({
    heelToMtp1: get('heelToMtp1'),
    heelToAnkle: get('heelToAnkle'),
    ankleHeight: get('ankleHeight'),
    stack,
    cleatSetback,
  })
  return {
    thigh: get('thigh'),
    shank: get('shank'),
    ankleBehind: ankle.behind,
    ankleAbove: ankle.above,
    axleFromHeel: get('heelToMtp1') - cleatSetback,
    stack,
    footLength: get('footLength'),
    footPitch: get('footPitch'),
    halfStance: halfStance({
      tread: moved('tread'),
      axle: moved('axleLength'),
      washer: moved('washer'),
      adapter: moved('adapter'),
      cleatInboard: moved('cleatInboard'),
    }),
    hipAhead: 0,
    hipAbove: 0,
  }
}

/** Lever angle with the bar's roll and its own changes; only where a hand holds a bar by its grip. */
function leverOf(values: ModelValues, by: MovedBy, grips: Sided<Grip> | null, side: Side): number | null {
  const read = values.leverAngle[side]
  return read === null || !grips?.[side].axis ? null : read + by('leverAngle', side) + by('barRoll', 'both')
}

/** Seat angle of the side's values; the estimate always gives one. */
export function seatAngleOf(values: ModelValues): number {
  return values.seatAngle.right ?? 73
}

/** Where the rider sits: along the seat line, slid on the rails, turned about the clamp. @source geometry */
export function sitOf(values: ModelValues, by: MovedBy): Point {
  const base = sitPoint((values.saddleHeight.right ?? 0) + by('saddleHeight', 'both'), seatAngleOf(values))
  const turned = tiltShift(sitFromClamp(values, by), by('saddleTilt', 'both'))
  return { x: base.x - by('saddleSetback', 'both') + turned.x, y: base.y + turned.y }
}

/** Frame, headset, spacers and stem; null while frame or stem is not known. */
export function frontOf(values: ModelValues, by: MovedBy): Front | null {
  const { frameReach, frameStack, stemLength, stemAngle } = values
  if (frameReach.right === null || frameStack.right === null || stemLength.right === null || stemAngle.right === null) return null
  return {
    frameReach: frameReach.right,
    frameStack: frameStack.right,
    headAngle: values.headAngle.right ?? 72,
    headset: values.headset.right ?? 0,
    spacers: (values.spacers.right ?? 0) + by('spacers', 'both'),
    halfClamp: HALF_CLAMP,
    stemLength: stemLength.right + by('stemLength', 'both'),
    stemAngle: stemAngle.right + by('stemAngle', 'both'),
  }
}

function clampOf(values: ModelValues, by: MovedBy): Point | null {
  const front = frontOf(values, by)
  return front && barClamp(front)
}

/** A setting's value on a side with its changes; 0 while it is not known. */
function movedValue(values: ModelValues, by: MovedBy, side: Side): (key: NumberKey) => number {
  return (key) => (values[key][side] ?? 0) + by(key, definitionOf(key).sided ? side : 'both')
}

/** The flat bar as one hand has it; null while its width is not known. */
export function flatBarOf(values: ModelValues, by: MovedBy, side: Side): FlatBar | null {
  if (values.barWidth.right === null) return null
  const get = movedValue(values, by, side)
  return {
    barWidth: get('barWidth'),
    barRise: get('barRise'),
    barBacksweep: get('barBacksweep'),
    barUpsweep: get('barUpsweep'),
    barForward: get('barForward'),
    barRoll: get('barRoll'),
    barBend: get('barBend'),
    handFromEnd: get('handFromEnd'),
  }
}

/** The drop bar as one hand has it. */
export function dropBarOf(values: ModelValues, by: MovedBy, side: Side): DropBar {
  const get = movedValue(values, by, side)
  return {
    hoodWidth: get('hoodWidth'),
    dropWidth: values.dropWidth.right,
    barReach: get('barReach'),
    barDrop: get('barDrop'),
    barFlare: get('barFlare'),
    barRoll: get('barRoll'),
    hoodPosition: get('hoodPosition'),
    hoodAngle: get('hoodAngle'),
  }
}

/** Both hands on the bar, from the clamp. */
function gripsOf(values: ModelValues, bar: BarKind, by: MovedBy, hands: HandPosition): Sided<Grip> | null {
  const left = gripOf(values, bar, by, hands, 'left')
  const right = gripOf(values, bar, by, hands, 'right')
  return left && right && { left, right }
}

/** One hand on the bar, from the clamp. */
function gripOf(values: ModelValues, bar: BarKind, by: MovedBy, hands: HandPosition, side: Side): Grip | null {
  if (bar === 'flat') {
    const flat = flatBarOf(values, by, side)
    return flat && flatGrip(flat)
  }
  if (hands !== 'extension') return dropGrip(dropBarOf(values, by, side), hands === 'grip' ? 'hoods' : hands)
  const { padForward, padUp, padSpacing, extensionLength } = values
  if ([padForward, padUp, padSpacing, extensionLength].some((part) => part.right === null)) return null
  const get = movedValue(values, by, side)
  const { at, pointing, ...lies } = extensionGrip({
    padForward: get('padForward'),
    padUp: get('padUp'),
    padSpacing: get('padSpacing'),
    extensionLength: get('extensionLength'),
    extensionAngle: get('extensionAngle'),
  })
  const roll = get('barRoll')
  return { ...lies, at: rolled(at, roll), pointing: pointing && rolled(pointing, roll) }
}

const ZERO: Point = { x: 0, y: 0 }

/** Both hands' places: measured from the bottom bracket, else by frame, stem and bar; moved by what the parts' changes make. */
function handPlaces(values: ModelValues, bar: BarKind, by: MovedBy, hands: HandPosition): { grips: Sided<Grip> | null; known: HandsKnown } {
  const usual = usualHands(bar)
  const direct = directHand(values)
  const now = gripsOf(values, bar, by, hands)
  const clampNow = clampOf(values, by)
  const clampThen = clampOf(values, unmoved)
  // Measured, then moved by what the parts' changes make: their place now less their place when read.
  const then = gripsOf(values, bar, unmoved, usual)
  const known: HandsKnown = { measured: direct && { x: direct.x, y: direct.y }, fromParts: chain(clampThen, then) }
  const dx = by('handReach', 'both')
  const dy = by('handHeight', 'both')
  const wider = by('gripSpacing', 'both') / 2
  if (direct === null) {
    if (clampNow === null || now === null) return { grips: null, known }
    const from = { x: clampNow.x + dx, y: clampNow.y + dy }
    return { grips: bySide((side) => placed(now[side], from, wider)), known }
  }
  if (hands !== usual && now === null) return { grips: null, known }
  const stem = clampNow && clampThen ? { x: clampNow.x - clampThen.x, y: clampNow.y - clampThen.y } : ZERO
  const from = { x: direct.x + stem.x + dx, y: direct.y + stem.y + dy }
  const spacing = direct.spacing ?? (then && then.left.at.z + then.right.at.z)
  if (spacing === null) return { grips: null, known }
  // The tape gives the middle of both hands; what the bar's two halves differ by lies to either side of it.
  const middle = then && {
    x: (then.left.at.x + then.right.at.x) / 2,
    y: (then.left.at.y + then.right.at.y) / 2,
    z: (then.left.at.z + then.right.at.z) / 2,
  }
  return {
    grips: bySide((side) => {
      const { at, ...lies } = now?.[side] ?? { axis: null, pointing: null }
      const off = at && middle ? { x: at.x - middle.x, y: at.y - middle.y, z: at.z - middle.z } : { x: 0, y: 0, z: 0 }
      return { ...lies, at: { x: from.x + off.x, y: from.y + off.y, z: spacing / 2 + off.z + wider } }
    }),
    known,
  }
}

/** Both hands' places with the changes in force, whether or not the legs are known; null while they are not known. */
export function gripsAt(values: ModelValues, bar: BarKind, by: MovedBy): Sided<Grip> | null {
  return handPlaces(values, bar, by, usualHands(bar)).grips
}

function directHand(values: ModelValues): { x: number; y: number; spacing: number | null } | null {
  const { handReach, handHeight, gripSpacing } = values
  if (handReach.right === null || handHeight.right === null) return null
  return { x: handReach.right, y: handHeight.right, spacing: gripSpacing.right }
}

function chain(clamp: Point | null, grips: Sided<Grip> | null): Point | null {
  if (clamp === null || grips === null) return null
  return { x: clamp.x + (grips.left.at.x + grips.right.at.x) / 2, y: clamp.y + (grips.left.at.y + grips.right.at.y) / 2 }
}

function placed(grip: Grip, clamp: Point, wider: number): Grip {
  return { ...grip, at: { x: clamp.x + grip.at.x, y: clamp.y + grip.at.y, z: grip.at.z + wider } }
}

/** The shortest way to the hands' place: measured from the bottom bracket. */
function handReadings(bar: BarKind): NumberKey[] {
  return bar === 'flat' ? ['handReach', 'handHeight', 'gripSpacing'] : ['handReach', 'handHeight']
}

/** Wheel axles from the bottom bracket; null while the wheels are not known. */
export function axlesOf(values: ModelValues): { rear: Point; front: Point } | null {
  const { chainstay, frontCentre, bbDrop } = values
  if (chainstay.right === null || frontCentre.right === null || bbDrop.right === null) return null
  const base: WheelBase = { chainstay: chainstay.right, frontCentre: frontCentre.right, bbDrop: bbDrop.right }
  return wheelAxles(base)
}
