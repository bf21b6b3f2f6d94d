import type { BarKind, BikeKind } from '../../bike/bikeKinds.ts'
import { itemAt } from '../../kernel/dense.ts'
import { readAs } from '../reading.ts'
import { drawnBy, normal } from '../../kernel/random.ts'
import { sides } from '../../kernel/sided.ts'
import type { Side } from '../../kernel/sided.ts'
import { keysOf } from '../../kernel/tables.ts'
import { definitionOf, readingKeys } from '../../readings/readingDefinitions.ts'
import type { ReadingKey } from '../../readings/readingDefinitions.ts'
import type { Reading } from '../../readings/reading.ts'
import { freshComplaint } from '../../talk/complaint.ts'
import type { Complaint } from '../../talk/complaint.ts'
import { bodyRegion } from '../../talk/regions.ts'
import type { BodyRegionKey } from '../../talk/regions.ts'
import { warningSignsFor } from '../../talk/warningSigns.ts'
import { defects, fieldComplaints } from './defects.ts'
import type { Defect, DefectName, FieldComplaint } from './defects.ts'

/** A rider as they come in off the road: one complaint, what is behind it, and what is a little off beside it. */
export interface FieldRider {
  readonly bar: BarKind
  readonly kind: BikeKind
  readonly complaint: Complaint
  readonly behind: DefectName
  readonly side: Side | 'both'
  /** true values by reading and side */
  readonly values: ReadonlyMap<string, number | string>
}

const placeOf = (key: ReadingKey, side: Side | 'both') => `${key}:${side}`
const kinds: readonly (readonly [BikeKind, BarKind])[] = [
  ['drop bar', 'drop'],
  ['gravel', 'drop'],
  ['trail', 'flat'],
  ['cross-country', 'flat'],
]
/** Widths of bars and lengths of stems by kind: middle and spread, mm. @source common-practice */
const cockpits: Readonly<Partial<Record<BikeKind, { readonly bar: number; readonly stem: number }>>> = {
  trail: { bar: 770, stem: 47 },
  'cross-country': { bar: 740, stem: 68 },
}
/** Stature of men and women: mean and spread, mm. @source ansur-ii */
const statures = [
  [1755, 68],
  [1629, 64],
] as const

/** A body of published means on a bike that was set by the trade's rules, with what no two fits share. */
function wellSet(random: () => number, bar: BarKind, kind: BikeKind): Map<string, number | string> {
  const about = (mean: number, spread: number) => mean + spread * normal(random)
  const [mean, spread] = itemAt(statures, random() < 0.6 ? 0 : 1)
  const stature = about(mean, spread)
  const inseam = stature * about(0.47, 0.013)
  const shoulders = stature * about(0.229, 0.011)
  const foot = stature * about(0.153, 0.004)
  const hand = stature * about(0.11, 0.004)
  const finger = hand * about(0.385, 0.01)
  const bones = about(mean > 1700 ? 112 : 122, 9)
  const torso = bar === 'drop' ? about(47, 4) : about(55, 4)
  const size = Math.round(foot / 6.2)
  const allowance = torso > 60 ? 30 : torso > 45 ? 25 : 20
  const { bar: barWidth, stem } = cockpits[kind] ?? { bar: 760, stem: 60 }
  const one: Readonly<Partial<Record<ReadingKey, number | string>>> = {
    stature, inseam, mass: 23.5 * (stature / 1000) ** 2 + about(0, 7), acromionWidth: shoulders, sitBoneSpacing: bones, kneeAlignment: 'straight', legLengthDifference: about(0, 1.8),
    shoeSize: size, soleStiffness: 'medium', shoeUpper: 'firm', heelCup: 'firm', laces: 'snug', recess: bar === 'drop' ? 'flush' : 'recessed', pedalKind: bar === 'drop' ? 'plate-coil' : 'recessed-platform',
    tread: bar === 'drop' ? about(148, 1.5) : about(170, 3), crank: 2.5 * Math.round((0.208 * inseam) / 2.5), saddleHeight: 0.883 * inseam, saddleSetback: about(55, 12), sitFromNose: 150, saddleTilt: about(-1.4, 0.5),
    saddleWidth: bones + allowance + about(2, 3), saddleNoseWidth: about(44, 2), saddleRelief: 'cut-out', saddleSound: 'sound', saddleKind: 'short-nose', sitsWhere: 'middle', pelvisLevel: 'level', pelvisRock: 'none',
    standsUp: 'yes', saddleOnDescents: 'down', creepForward: Math.abs(about(3, 3)), torsoAngle: torso, barRoll: about(0, 0.8), stemLength: bar === 'drop' ? about(100, 8) : about(stem, 4), hoodWidth: 20 * Math.round(shoulders / 20),
    barWidth: about(barWidth, 8), barBacksweep: 9, tyreFeel: 'right', brakeFingers: 'one', handHeight: 0.845 * inseam + (bar === 'drop' ? about(-25, 15) : about(5, 15)), handReach: stature * (bar === 'drop' ? 0.3 : 0.27), rideHours: Math.abs(about(2.5, 1)),
  } // prettier-ignore
  /** mean, and how far left and right lie apart */
  const each: Readonly<Partial<Record<ReadingKey, readonly [number, number] | string>>> = {
    upperArm: [stature * 0.186, 3], forearm: [stature * 0.2, 3], handLength: [hand, 1], indexFinger: [finger, 1], footLength: [foot, 1.5], footWidth: [foot * 0.385, 1], heelToMtp1: [foot * 0.735, 1],
    archDrop: [Math.abs(about(5, 1.5)), 0.7], toeOutHanging: [about(7, 4), 1.5], forefootTilt: [about(2, 1), 0.7], heelTilt: [about(1, 1), 0.7], handSweep: [about(9, 2), 1], shoeLength: [foot + about(9, 1.5), 0.5], shoeBallWidth: [foot * 0.385 + about(0.5, 1), 0.7],
    cleatSetback: [20 + (10 * (Math.min(47, Math.max(38, size)) - 38)) / 9 + about(2, 1.5), 1], slotForward: [14, 0.5], slotBack: [12, 0.5], cleatFloat: [9, 0], heelIn: [1.6, 0.3], heelOut: [1.6, 0.3], cleatInboard: [0, 0.5], kneeOutside: [about(0, 3), 2],
    cleatWear: 'fresh', cleatPlay: 'none', releaseFeel: 'clean', boltsFitted: 'two', axleLength: [53, 0], washer: [0, 0], adapter: [0, 0], kneeFlexion: [about(30, 1.8), 1], footPitch: [about(15, 4), 1.5], hipAngle: [torso + about(4, 3), 1.5],
    elbowFlexion: [about(24, 4), 1.5], shoulderAngle: [about(73, 4), 1.5], wristAngle: [about(0, 3), 1.5], leverAngle: [about(37, 2.5), 0.7], forearmReady: [about(37, 2), 0.7], leverReach: [finger + about(-1, 1.5), 0.7], fingerHooks: [finger, 0.7], gripDiameter: [Math.min(35, Math.max(29, 0.19 * hand)), 0.1],
    handFromEnd: [62, 3], hoodPosition: [about(43, 3), 1], hoodAngle: [about(1.5, 0.7), 0.4], leverClamp: [about(95, 4), 1], leverHook: [about(75, 2), 0.5], fingerOnLever: 'hook', thumbReach: 'reached',
  } // prettier-ignore
  const values = new Map<string, number | string>()
  const fits = (key: ReadingKey) => (definitionOf(key).bar ?? bar) === bar
  for (const key of keysOf(one)) if (fits(key)) values.set(placeOf(key, 'both'), one[key] ?? '')
  for (const key of keysOf(each)) {
    const row = each[key]
    if (row === undefined || !fits(key)) continue
    for (const side of sides) values.set(placeOf(key, side), typeof row === 'string' ? row : row[0] + row[1] * normal(random))
  }
  for (const side of sides) values.set(placeOf('cleatTurn', side), Number(values.get(placeOf('toeOutHanging', side))) + about(0, 0.8))
  return values
}

/** Puts a defect into a rider. @param share of its usual size */
function spoil(
  values: Map<string, number | string>,
  random: () => number,
  { off, shows }: Defect,
  side: Side | 'both',
  share: number,
): void {
  const at = (key: ReadingKey): readonly (Side | 'both')[] => (!definitionOf(key).sided ? ['both'] : side === 'both' ? sides : [side])
  for (const [key, by, spread] of off ?? []) {
    const { min, max } = definitionOf(key)
    const much = share * (by + spread * normal(random))
    for (const one of at(key)) {
      const now = values.get(placeOf(key, one))
      if (typeof now === 'number') values.set(placeOf(key, one), Math.min(max, Math.max(min, now + much)))
    }
  }
  // What is only a little off rarely shows.
  for (const [key, word, often] of shows ?? [])
    if (random() < (share < 0.8 ? 0.2 : often))
      for (const one of at(key)) if (values.has(placeOf(key, one))) values.set(placeOf(key, one), word)
}

/** Defects that a reading tells of. */
const touches = ({ off, shows }: Defect): readonly string[] => [...(off ?? []), ...(shows ?? [])].map(([key]) => key)
const rowOf = (name: DefectName): Defect => defects[name]
const isHere = (name: DefectName, bar: BarKind) => (rowOf(name).bar ?? bar) === bar
/** The most usual first: how often a defect is behind a complaint, by its place. @source prior */
const usual = (place: number) => 1 / (place + 2)

/**
 * A rider with one complaint, the defect behind it, and others a little off that do not hurt. Drawn
 * from the trade's own table and from published bodies, without the reasoner's causes, tests or numbers.
 * @param random uniform in [0, 1)
 */
export function fieldRider(random: () => number): FieldRider {
  const [kind, bar] = itemAt(kinds, Math.floor(random() * kinds.length))
  const values = wellSet(random, bar, kind)
  const told = fieldComplaints.filter(({ because }) => because.filter((name) => isHere(name, bar)).length > 1)
  const row = itemAt(told, Math.floor(random() * told.length))
  const here = row.because.filter((name) => isHere(name, bar))
  const behind = drawnBy(random, here, (name) => usual(row.because.indexOf(name)))
  const complaint = complaintFrom(random, row)
  const on = complaint.places[0]?.side
  const isOne = rowOf(behind).oneSided === true || on === 'left' || on === 'right'
  const side = !isOne ? 'both' : on === 'left' || on === 'right' ? on : random() < 0.5 ? 'left' : 'right'
  spoil(values, random, rowOf(behind), side, 0.85 + 0.5 * random())
  // One of what the complaint could come from and does not, and one of anything else: both a little off.
  const isFree = (name: DefectName) => isHere(name, bar) && !touches(rowOf(name)).some((key) => touches(rowOf(behind)).includes(key))
  const near = here.filter((name) => name !== behind && isFree(name))
  const far = keysOf(defects).filter((name) => isFree(name) && !here.includes(name))
  for (const list of [near, far]) {
    if (list.length === 0) continue
    const name = itemAt(list, Math.floor(random() * list.length))
    spoil(values, random, rowOf(name), rowOf(name).oneSided ? 'left' : 'both', 0.25 + 0.3 * random())
  }
  return { bar, kind, complaint, behind, side, values }
}

function complaintFrom(random: () => number, { at, kind, control, side: asked }: FieldComplaint): Complaint {
  const id = '00000000-0000-4000-a000-000000000001'
  const severity = 4 + Math.floor(5 * random())
  if (control !== undefined) return { ...freshComplaint(id, { places: [], control }), severity }
  const places: readonly BodyRegionKey[] = at ?? ['neck']
  const region = itemAt(places, Math.floor(random() * places.length))
  const one: Side = random() < 0.5 ? 'left' : 'right'
  const side = !bodyRegion(region).sided ? 'middle' : asked === 'one' || random() < 0.4 ? one : 'both'
  const fresh = { ...freshComplaint(id, { places: [{ region, side }], control: null }), kind: kind ?? ('pain' as const), severity }
  return { ...fresh, warnings: Object.fromEntries(warningSignsFor(fresh).map(({ key }) => [key, 'no'] as const)) }
}

/** Readings that a fitter did not get to. @source prior */
const UNREAD = 0.25

/** What is read of a rider: true values with the error of their usual methods, a quarter of them missing; or all, as they are. */
export function readField({ values }: Pick<FieldRider, 'values'>, random: (() => number) | null): Reading[] {
  return readingKeys.flatMap((key) => {
    const skips = random !== null && random() < UNREAD
    return (definitionOf(key).sided ? sides : (['both'] as const)).flatMap((side): Reading[] => {
      const value = values.get(placeOf(key, side))
      return value === undefined || skips ? [] : [readAs(key, side, value, random)]
    })
  })
}
