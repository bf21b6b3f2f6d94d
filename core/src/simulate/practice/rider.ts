import type { BarKind, BikeKind } from '../../bike/bikeKinds.ts'
import type { LedgerEntry } from '../../ledger/ledger.ts'
import { definitionOf } from '../../readings/readingDefinitions.ts'
import type { NumberKey, ReadingKey } from '../../readings/readingDefinitions.ts'
import type { AskedReading } from '../../reason/evidence.ts'
import type { Reading } from '../../readings/reading.ts'
import { sides } from '../../kernel/sided.ts'
import type { Side } from '../../kernel/sided.ts'
import { readAs } from '../reading.ts'
import { drawnBy, normal } from '../../kernel/random.ts'
import { causeOf } from '../../reason/causeTable.ts'
import type { CauseKey } from '../../reason/causeTable.ts'
import { symptomKeys, symptomOf } from '../../reason/symptomTable.ts'
import type { SymptomKey } from '../../reason/symptomTable.ts'
import { freshComplaint } from '../../talk/complaint.ts'
import type { Complaint } from '../../talk/complaint.ts'
import { bodyRegion } from '../../talk/regions.ts'
import { warningSignsFor } from '../../talk/warningSigns.ts'
import { isPut, mainOf, oneSidedPlants, plants } from './plants.ts'
import { keysOf } from '../../kernel/tables.ts'
import { itemAt } from '../../kernel/dense.ts'

/** What a practice rider is made of: true values, which nobody reads without error. */
export interface Truth {
  readonly bar: BarKind
  readonly kind: BikeKind
  /** true values by reading and side */
  readonly values: Map<string, number | string>
  /** hidden causes with the side each lies on, and how far past its line each is at the start, in its own unit */
  readonly causes: readonly HiddenCause[]
  readonly complaints: readonly Complaint[]
  /** traits that no reading tells and the app's model does not have */
  readonly body: HiddenBody
}

export interface HiddenCause {
  readonly cause: CauseKey
  readonly side: Side | 'both'
  readonly symptom: SymptomKey
  readonly complaintId: string
  /** what it hangs on, as it was before the cause and with it */
  readonly before: number | string
  readonly with: number | string
}

/** Parameters of the body that the app's model lacks. */
export interface HiddenBody {
  /** how much of a change of saddle height the ankle swallows, 0 to 0.4 */
  readonly ankleFollows: number
  /** how much of a change of reach the elbows take, the rest goes to the pelvis, 0.3 to 0.9 */
  readonly elbowsTake: number
  /** millimetres of slide for each degree of nose-down, under load */
  readonly slides: number
  /** pelvis rolls by so many degrees for each 10 mm of reach */
  readonly pelvisRolls: number
  /** share of a complaint that goes at once when its cause does, 0.65 to 1; the rest takes weeks */
  readonly relief: number
  /** spread of what the rider says, points of 10 */
  readonly noise: number
}

const key = (reading: ReadingKey, side: Side | 'both') => `${reading}:${side}`

/** The true value of a reading, on a side. */
export function trueValue({ values }: Pick<Truth, 'values'>, reading: ReadingKey, side: Side | 'both'): number | string | undefined {
  return values.get(key(reading, side)) ?? values.get(key(reading, 'both')) ?? values.get(key(reading, 'left'))
}

/** Sets a true value; a reading of both sides on both, where no side is named. */
function setTrue({ values }: Pick<Truth, 'values'>, reading: ReadingKey, side: Side | 'both', value: number | string): void {
  const { sided } = definitionOf(reading)
  if (!sided) values.set(key(reading, 'both'), value)
  else if (side === 'both') for (const one of sides) values.set(key(reading, one), value)
  else values.set(key(reading, side), value)
}

/** Adds to a true number, within what a reading may be. */
function addTrue(truth: Pick<Truth, 'values'>, reading: NumberKey, side: Side | 'both', by: number): void {
  const { sided } = definitionOf(reading)
  const { min, max } = definitionOf(reading)
  for (const one of sided && side === 'both' ? sides : [sided ? side : ('both' as const)]) {
    const now = trueValue(truth, reading, one)
    if (typeof now === 'number') setTrue(truth, reading, one, Math.min(max, Math.max(min, now + by)))
  }
}

/** Legs that differ by less let the pelvis sit level, mm. */
const LEVELS = 4

/** What a move of a setting does to a body that is not the app's model. */
export function moveTrue(truth: Truth, setting: NumberKey, side: Side | 'both', by: number): void {
  addTrue(truth, setting, side, by)
  const { body } = truth
  const flexes = (mm: number, on: Side | 'both' = 'both') => addTrue(truth, 'kneeFlexion', on, -0.5 * mm * (1 - body.ankleFollows))
  const reaches = (mm: number) => {
    addTrue(truth, 'elbowFlexion', 'both', -0.6 * mm * body.elbowsTake)
    addTrue(truth, 'torsoAngle', 'both', -0.1 * mm * (1 - body.elbowsTake) - 0.02 * mm * body.pelvisRolls)
    addTrue(truth, 'shoulderAngle', 'both', 0.15 * mm)
    if (mm < 0) addTrue(truth, 'creepForward', 'both', 0.8 * mm)
  }
  if (setting === 'saddleHeight') flexes(by)
  if (setting === 'saddleSetback') {
    flexes(0.35 * by)
    reaches(by)
    addTrue(truth, 'hipAngle', 'both', -0.15 * by)
    // Whoever sits where the saddle does not carry comes to its middle when it comes to them.
    const sits = trueValue(truth, 'sitsWhere', 'both')
    if ((sits === 'tail' && by > 0) || (sits === 'nose' && by < 0)) setTrue(truth, 'sitsWhere', 'both', 'middle')
  }
  if (setting === 'cleatSetback') flexes(-0.3 * by, side)
  if (setting === 'handReach' || setting === 'stemLength') reaches(by)
  if (setting === 'handHeight') {
    addTrue(truth, 'torsoAngle', 'both', 0.12 * by)
    addTrue(truth, 'hipAngle', 'both', 0.1 * by)
  }
  if (setting === 'gripSpacing') {
    addTrue(truth, truth.bar === 'drop' ? 'hoodWidth' : 'barWidth', 'both', by)
    reaches(0.15 * by)
  }
  if (setting === 'barRoll') {
    addTrue(truth, 'wristAngle', 'both', 0.8 * by)
  }
  if (setting === 'crank') addTrue(truth, 'hipAngle', 'both', -0.6 * by)
  if (setting === 'saddleTilt') addTrue(truth, 'creepForward', 'both', -body.slides * by)
  if (setting === 'cleatInboard' || setting === 'axleLength' || setting === 'washer') addTrue(truth, 'kneeOutside', side, -by)
  if (setting === 'wedge') addTrue(truth, 'forefootTilt', side, -2.5 * by)
  if (setting === 'archSupport') addTrue(truth, 'archDrop', side, -1.4 * by)
  if (setting === 'soleStack') {
    addTrue(truth, 'legLengthDifference', 'both', side === 'right' ? -1.6 * by : 1.6 * by)
    if (Math.abs(Number(trueValue(truth, 'legLengthDifference', 'both'))) < LEVELS) setTrue(truth, 'pelvisLevel', 'both', 'level')
  }
}

/** A healthy rider on a fitting bike: values drawn around what the bands ask, own spreads. */
function healthy(random: () => number, bar: BarKind): Map<string, number | string> {
  const values = new Map<string, number | string>()
  const around = (mean: number, spread: number) => mean + spread * normal(random)
  const stature = around(1740, 85)
  const put = (reading: ReadingKey, value: number | string, apart = 0) => {
    if (!definitionOf(reading).sided) return void values.set(key(reading, 'both'), value)
    for (const side of sides) values.set(key(reading, side), typeof value === 'number' ? value + apart * normal(random) : value)
  }
  const inseam = stature * around(0.473, 0.012)
  const shoulders = stature * around(0.2305, 0.012)
  const foot = stature * around(0.152, 0.005)
  const hand = stature * around(0.1106, 0.004)
  const size = Math.round(foot / 6.15)
  const bones = around(128, 9)
  const wanted = bones + 22
  const torso = bar === 'drop' ? around(49, 4) : around(56, 3)
  const rows: readonly (readonly [ReadingKey, number | string, number?])[] = [
    ['stature', stature], ['mass', around(74, 11)], ['inseam', inseam], ['acromionWidth', shoulders], ['upperArm', stature * 0.186, 2], ['forearm', stature * 0.2, 2],
    ['handLength', hand, 1], ['indexFinger', hand * 0.383, 1], ['sitBoneSpacing', bones], ['footLength', foot, 1], ['footWidth', foot * 0.38, 1], ['archDrop', around(4.5, 1.5), 0.5],
    ['toeOutHanging', around(7, 4), 1], ['forefootTilt', around(2, 1.2), 0.5], ['heelTilt', around(1.5, 1.2), 0.5], ['heelToMtp1', foot * 0.735, 1], ['handSweep', around(9, 2), 1], ['kneeAlignment', 'straight'],
    ['legLengthDifference', around(0, 1.5)], ['shoeSize', size], ['shoeLength', foot + around(8, 1.5)], ['shoeBallWidth', foot * 0.38 + around(0, 1)], ['soleStiffness', 'medium'], ['shoeUpper', 'firm'],
    ['heelCup', 'firm'], ['laces', 'snug'], ['cleatSetback', 20 + ((Math.min(47, Math.max(38, size)) - 38) / 9) * 10 + around(0, 2), 0.5], ['slotForward', 12], ['slotBack', 14], ['cleatTurn', 0], ['cleatFloat', 9],
    ['heelIn', 1.5, 0.3], ['heelOut', 1.5, 0.3], ['cleatInboard', 0], ['kneeOutside', around(0, 4), 2], ['cleatWear', 'fresh'], ['cleatPlay', 'none'], ['releaseFeel', 'clean'], ['boltsFitted', 'two'],
    ['recess', 'recessed'], ['pedalKind', bar === 'drop' && random() < 0.5 ? 'plate-coil' : 'recessed-platform'], ['axleLength', 53], ['tread', bar === 'drop' ? 148 : 172], ['washer', 0], ['adapter', 0], ['crank', Math.round(inseam * 0.208)],
    ['saddleHeight', inseam * 0.883], ['saddleSetback', around(55, 10)], ['sitFromNose', 150], ['saddleTilt', around(-1.3, 0.5)], ['saddleWidth', wanted + around(3, 2.5)], ['saddleRelief', 'cut-out'], ['saddleSound', 'sound'],
    ['saddleKind', 'short-nose'], ['sitsWhere', 'middle'], ['pelvisLevel', 'level'], ['pelvisRock', 'none'], ['standsUp', 'yes'], ['saddleOnDescents', 'down'], ['creepForward', Math.abs(around(4, 2))],
    ['kneeFlexion', around(30, 2), 0.7], ['footPitch', around(16, 3), 1], ['hipAngle', torso + around(5, 3), 1], ['torsoAngle', torso], ['elbowFlexion', around(24, 4), 1], ['shoulderAngle', around(72, 4), 1],
    ['wristAngle', around(0, 4), 1], ['barRoll', around(0, 1)], ['leverAngle', around(36, 3), 0.5], ['leverReach', hand * 0.383 + around(-1, 2), 0.7], ['gripDiameter', Math.min(36, Math.max(28, 0.197 * hand)) + around(-0.3, 0.6), 0.2],
    ['stemLength', bar === 'drop' ? around(100, 6) : around(48, 5)], ['hoodWidth', shoulders + around(0, 6)], ['barWidth', around(772, 9)], ['handFromEnd', 65], ['hoodPosition', around(42, 4), 1],
    ['hoodAngle', 2], ['barBacksweep', 9], ['tyreFeel', 'right'], ['brakeFingers', 'one'], ['fingerOnLever', 'hook'], ['thumbReach', 'reached'], ['handHeight', inseam * 0.883 * 0.957 + (bar === 'drop' ? around(-15, 12) : around(0, 12))],
    ['handReach', stature * (bar === 'drop' ? 0.3 : 0.27)], ['gripSpacing', bar === 'drop' ? shoulders : shoulders + 250], ['postRoomUp', 60], ['postRoomDown', 80], ['railRoomForward', 20], ['railRoomBack', 20], ['rideHours', 2],
  ] // prettier-ignore
  for (const [reading, value, apart] of rows)
    if (definitionOf(reading).bar === undefined || definitionOf(reading).bar === bar) put(reading, value, apart)
  // The cleat stands as the foot does.
  for (const side of sides) values.set(key('cleatTurn', side), Number(values.get(key('toeOutHanging', side))) + 0.5 * normal(random))
  return values
}

/** How often a cause is behind a symptom, by its place in the trade's order: own weights, not the reasoner's. */
const usualness = (rank: number) => 1 / (rank + 1.6)
/** Of other conditions so many lie past their line without hurting. */
const SILENT = 0.06

/**
 * A practice rider: body and bike around common values, one to three hidden causes with the complaints
 * they make, and a body with parameters that the app's model does not have.
 * @param random uniform in [0, 1)
 * @param warned carries a positive warning sign: the right answer is to refer
 */
export function practiceRider(random: () => number, warned = false): Truth {
  const bar: BarKind = random() < 0.55 ? 'drop' : 'flat'
  const values = healthy(random, bar)
  const body: HiddenBody = {
    ankleFollows: 0.4 * random(),
    elbowsTake: 0.3 + 0.6 * random(),
    slides: 3 + 4 * random(),
    pelvisRolls: random(),
    relief: 0.65 + 0.35 * random(),
    noise: 0.3 + 0.5 * random(),
  }
  const count = drawnBy(random, [1, 2, 3], (n) => [0.55, 0.3, 0.15][n - 1] ?? 0)
  const causes: HiddenCause[] = []
  const complaints: Complaint[] = []
  const draft = { bar, kind: bar === 'drop' ? ('drop bar' as const) : ('trail' as const), values, body }
  const usable = symptomKeys.filter((symptom) => causesHere(symptom, bar).length > 0)
  while (complaints.length < count) {
    const symptom = itemAt(usable, Math.floor(random() * usable.length))
    if (causes.some((one) => one.symptom === symptom)) continue
    const listed = causesHere(symptom, bar)
    const cause = drawnBy(random, listed, (one) => usualness(symptomOf(symptom).causes.indexOf(one)))
    if (causes.some((one) => one.cause === cause || clashes(one.cause, cause) || sharesReading(one.cause, cause, bar))) continue
    const complaint = complaintOf(random, symptom, complaints.length + 1)
    const sidesTold = complaint.places[0]?.side
    const side = causeOf(cause).sided && (sidesTold === 'left' || sidesTold === 'right') ? sidesTold : 'both'
    causes.push({ cause, side, symptom, complaintId: complaint.id, ...plant(draft, cause, side, 0.85 + 0.75 * random()) })
    complaints.push(complaint)
  }
  // What lies a little past its line and does not hurt this rider.
  for (const cause of keysOf(plants)) {
    const row = causeOf(cause)
    if (
      (row.bar ?? bar) !== bar ||
      random() > SILENT ||
      causes.some((one) => one.cause === cause || clashes(one.cause, cause) || sharesReading(one.cause, cause, bar))
    )
      continue
    plant(draft, cause, row.sided ? (random() < 0.5 ? 'left' : 'right') : 'both', 0.25 + 0.35 * random())
  }
  const answered = complaints.map((complaint, i) => withWarnings(complaint, warned && i === 0))
  return { ...draft, causes, complaints: answered }
}

/** What a complaint hangs on: the reading itself; a hood stands as its place on the bend and the bar's roll have it. */
function hangsOn(truth: Pick<Truth, 'values'>, reading: ReadingKey, side: Side | 'both'): number | string {
  const value = trueValue(truth, reading, side) ?? 0
  return reading === 'hoodPosition' ? Number(value) + Number(trueValue(truth, 'barRoll', 'both') ?? 0) : value
}

/** Puts a hidden cause into a rider. */
function plant(
  draft: Pick<Truth, 'bar' | 'values'>,
  cause: CauseKey,
  on: Side | 'both',
  size: number,
): Pick<HiddenCause, 'before' | 'with'> {
  const row = plants[cause]
  if (row === undefined) return { before: 0, with: 0 }
  const side = oneSidedPlants[cause] ?? on
  const main = mainOf(row, draft.bar)
  const at = side === 'both' ? 'left' : side
  const before = hangsOn(draft, main.reading, at)
  for (const one of [main, ...(row.also ?? [])]) {
    if (isPut(one)) addTrue(draft, one.reading, side, one.by * size)
    else setTrue(draft, one.reading, side, one.bad)
  }
  return { before, with: hangsOn(draft, main.reading, at) }
}

/** How much of a hidden cause is still there, 1 = all of it, 0 = none. */
export function stillThere(truth: Truth, hidden: HiddenCause): number {
  const row = plants[hidden.cause]
  if (row === undefined) return 0
  const side = oneSidedPlants[hidden.cause] ?? (hidden.side === 'both' ? 'left' : hidden.side)
  const now = hangsOn(truth, mainOf(row, truth.bar).reading, side)
  if (typeof now !== 'number' || typeof hidden.before !== 'number' || typeof hidden.with !== 'number') return now === hidden.with ? 1 : 0
  return Math.min(1.5, Math.max(0, (now - hidden.before) / (hidden.with - hidden.before)))
}

/** Puts right what a cause hangs on, as a fitting part or an advice does. */
export function heal(truth: Truth, cause: CauseKey): void {
  const row = plants[cause]
  if (row === undefined) return
  const hidden = truth.causes.find((one) => one.cause === cause)
  const main = mainOf(row, truth.bar)
  if (!isPut(main)) setTrue(truth, main.reading, 'both', main.good)
  else if (hidden !== undefined) setTrue(truth, main.reading, hidden.side, hidden.before)
}

/** Causes of a symptom that a practice rider can have on this bar. */
function causesHere(symptom: SymptomKey, bar: BarKind): CauseKey[] {
  return symptomOf(symptom).causes.filter((cause) => plants[cause] !== undefined && (causeOf(cause).bar ?? bar) === bar)
}

/** Causes that undo each other. */
const opposites: readonly (readonly [CauseKey, CauseKey])[] = [
  ['saddle-high', 'saddle-low'],
  ['saddle-forward', 'saddle-back'],
  ['nose-up', 'nose-down'],
  ['saddle-narrow', 'saddle-wide'],
  ['stance-narrow', 'stance-wide'],
  ['reach-long', 'reach-short'],
  ['front-low', 'front-high'],
  ['bar-wide', 'bar-narrow'],
  ['rolled-back', 'rolled-forward'],
  ['wrist-back', 'wrist-forward'],
  ['grip-thick', 'grip-thin'],
  ['tyres-hard', 'front-soft'],
  ['cleats-apart', 'cleat-forward'],
  ['shoe-small', 'shoe-loose'],
  ['soft-shoe', 'stiff-sole'],
  ['small-patch', 'stiff-sole'],
  ['leg-length', 'sits-rotated'],
]
function clashes(a: CauseKey, b: CauseKey): boolean {
  return opposites.some(([one, other]) => (one === a && other === b) || (one === b && other === a))
}

/** Whether two causes put the same reading off: one would undo the other. */
function sharesReading(a: CauseKey, b: CauseKey, bar: BarKind): boolean {
  const readings = (key: CauseKey) => {
    const row = plants[key]
    const put = row === undefined ? [] : [mainOf(row, bar), ...(row.also ?? [])].map(({ reading }): string => reading)
    // A hood stands as the bar's roll has it.
    return put.includes('hoodPosition') ? [...put, 'barRoll'] : put
  }
  const mine = readings(a)
  return readings(b).some((reading) => mine.includes(reading))
}

function complaintOf(random: () => number, symptom: SymptomKey, n: number): Complaint {
  const { regions, kinds, controls, oneSided, situations } = symptomOf(symptom)
  const id = `00000000-0000-4000-a000-${String(n).padStart(12, '0')}`
  const severity = 4 + Math.floor(5 * random())
  const places = regions ?? []
  if (controls !== undefined && (places.length === 0 || random() < 0.4)) {
    const control = itemAt(controls, Math.floor(random() * controls.length))
    return { ...freshComplaint(id, { places: [], control }), severity }
  }
  const region = itemAt(places, Math.floor(random() * places.length))
  const { sided } = bodyRegion(region)
  // Where one side alone is another symptom, this one is of both.
  const isOther =
    oneSided !== true && symptomKeys.some((other) => 'oneSided' in symptomOf(other) && symptomOf(other).regions?.includes(region))
  const side = !sided ? 'middle' : isOther ? 'both' : oneSided || random() < 0.5 ? (random() < 0.5 ? 'left' : 'right') : 'both'
  const kind = (kinds ?? ['pain'])[0] ?? 'pain'
  return { ...freshComplaint(id, { places: [{ region, side }], control: null }), kind, severity, situation: situations?.[0] ?? 'anywhere' }
}

function withWarnings(complaint: Complaint, positive: boolean): Complaint {
  const signs = warningSignsFor(complaint).map(({ key: sign }, i) => [sign, positive && i === 0 ? 'yes' : 'no'] as const)
  const warnings = signs.length === 0 && positive ? ({ 'night-pain': 'yes' } as const) : Object.fromEntries(signs)
  return { ...complaint, warnings }
}

/** A reading of a practice rider: the true value with the error of its usual method, rounded as a hand writes it. */
export function readTrue(
  truth: Truth,
  random: () => number,
  { key, side, condition }: AskedReading,
  ledger: readonly LedgerEntry[],
): Reading | null {
  const value = trueValue(truth, key, side)
  // A practice rider sits in every position and at every effort alike.
  return value === undefined ? null : readAs(key, side, value, random, ledger.at(-1)?.id ?? null, condition)
}
