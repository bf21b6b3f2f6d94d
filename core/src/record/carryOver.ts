import { barOf } from '../bike/bikeKinds.ts'
import type { BarKind } from '../bike/bikeKinds.ts'
import { DEGREES } from '../bike/contactPoints.ts'
import { settled } from '../rider/setup.ts'
import { severityNow } from '../ledger/severity.ts'
import { foldedAt, shiftedBy, timelineOf } from '../ledger/timeline.ts'
import { definitionOf, isChoice, numberKeys } from '../readings/readingDefinitions.ts'
import type { NumberKey, ReadingOwner } from '../readings/readingDefinitions.ts'
import { readingPlace } from '../readings/readingPlace.ts'
import { countingReadings, resolveReadings } from '../readings/resolve.ts'
import type { Resolved, ResolvedReadings } from '../readings/resolve.ts'
import type { Reading } from '../readings/reading.ts'
import { gripsAt, modelValues, sitOf } from '../model/riderModel.ts'
import type { ModelValues } from '../model/riderModel.ts'
import { noChanges, unmoved } from '../readings/movedBy.ts'
import type { MovedBy } from '../readings/movedBy.ts'
import { trimmed } from '../kernel/entry.ts'
import { combined } from '../kernel/quantity.ts'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { positiveWarnings } from '../talk/complaint.ts'
import type { Complaint } from '../talk/complaint.ts'
import type { VisitFile } from './visitFile.ts'

/** What goes along: the rider's own always, shoes and cleats with the rider, the bike's on the same bike, a fit while nothing has changed since. */
const goesAlong: Readonly<Record<ReadingOwner, (sameBike: boolean, unchanged: boolean) => boolean>> = {
  rider: () => true,
  shoe: () => true,
  bike: (sameBike) => sameBike,
  fit: (sameBike, unchanged) => sameBike && unchanged,
}

type Previous = Pick<VisitFile, 'readings' | 'ledger' | 'bike'>
/** A number that stands at the end of a visit, by key and side. */
type Target = (key: NumberKey, side: Side) => Resolved

/**
 * Readings a new visit starts from: the newest of each, as the last visit left them, with the changes
 * in force folded in and the figures of parts fitted since. Each keeps when and how it was read;
 * values that a change has moved are shown as set, not as typed. What kept changes made of estimates
 * goes along as *carried over*, with the estimate's ±.
 */
export function carryOver({ readings, ledger, bike }: Previous, sameBike: boolean): Reading[] {
  const bar = barOf(bike.kind)
  const timeline = timelineOf(ledger)
  const { by, changes } = foldedAt(ledger, ledger.length)
  const baseline = resolveReadings(readings, timeline, timeline.length, 'usual', bar)
  const target = leftAt(baseline, by, bike)
  const last = changes.at(-1)?.at ?? ''
  const force = (place: number) =>
    foldedAt(ledger, place)
      .changes.filter(({ state }) => state !== 'undone')
      .map(({ id }) => id)
      .join()
  const taken = [...countingReadings(readings, timeline, ledger.length).values()].flatMap(({ reading, at }): Reading[] => {
    const { key, side, value, condition } = reading
    const definition = definitionOf(key)
    if (definition.bar !== undefined && definition.bar !== bar) return []
    if (!goesAlong[definition.owner](sameBike, force(at) === force(ledger.length))) return []
    const kept = { ...reading, after: null, at: reading.at === '' ? last : reading.at }
    if (isChoice(key) || condition !== 'usual') return [kept]
    const left = target(key, side === 'right' ? 'right' : 'left')?.value ?? null
    return [
      left === null || (typeof value === 'number' && Math.abs(left - value) < SAME)
        ? kept
        : asSet(kept, definition.isRoom ? Math.max(0, left) : left),
    ]
  })
  if (by === unmoved) return taken
  const along = numberKeys.filter((key) => ['shoe', ...(sameBike ? ['bike'] : [])].includes(definitionOf(key).owner))
  const moved = [...taken, ...stillMissing(taken, along, target, last, bar)]
  // One side written down would stand for the other as well: then that one is written down too.
  return [...moved, ...stillMissing(moved, along, target, last, bar)]
}

/**
 * What a new visit starts from, of two earlier ones: rider and shoes as the last visit left them, the
 * bike as the last visit on it did.
 * @param last of the rider, on whichever bike; null = there is none
 * @param lastHere on this bike; the same one, an earlier one, or null
 */
export function startOf(last: Previous | null, lastHere: Previous | null): Reading[] {
  if (last === null) return []
  if (last === lastHere) return carryOver(last, true)
  const along = carryOver(last, false)
  const newer = new Set(along.map(({ key }) => key))
  return [...along, ...(lastHere === null ? [] : carryOver(lastHere, true).filter(({ key }) => !newer.has(key)))]
}

/**
 * Complaints that were still open at the end of a visit, as the next one on the bike begins with them:
 * with their last rating. A positive warning sign stands, and stops the next visit as well; the others
 * are to be asked anew.
 * @param newId gives each an id of its own
 */
export function openComplaints({ complaints, ratings, ledger, visit }: VisitFile, newId: () => string): Complaint[] {
  if (visit.outcome === 'solved' && positiveWarnings(complaints).length === 0) return []
  const { changes } = foldedAt(ledger, ledger.length)
  return complaints.flatMap((complaint) => {
    const severity = severityNow(complaint, ratings, changes)
    if (severity === 0 && positiveWarnings([complaint]).length === 0) return []
    const positive = Object.entries(complaint.warnings).filter(([, answer]) => answer === 'yes')
    return [{ ...complaint, id: newId(), severity, warnings: Object.fromEntries(positive) }]
  })
}

/** Numbers nearer than this are one, mm or degrees: sums in binary do not come out even. */
const SAME = 1e-6

/** A reading as a change has set it, to a millionth. */
function asSet(reading: Reading, to: number): Reading {
  const value = Math.round(to * 1e6) / 1e6
  return { ...reading, value, typed: trimmed(value, 1), repeats: [] }
}

/** Numbers that the carried readings alone would not give: moved estimates, and the side that only the other's reading stood for. */
function stillMissing(taken: readonly Reading[], keys: readonly NumberKey[], target: Target, at: string, bar: BarKind): Reading[] {
  const next = resolveReadings(taken, noChanges, 0, 'usual', bar)
  return keys
    .flatMap((key) => {
      const { sided, min, max, isRoom } = definitionOf(key)
      return (sided ? sides : (['left'] as const)).flatMap((side): Reading[] => {
        const [wanted, is] = [target(key, side), next[key][side]]
        if (wanted === null || isRoom || !(wanted.value >= min && wanted.value <= max)) return []
        if (is !== null && Math.abs(is.value - wanted.value) < SAME) return []
        const like = taken.find((row) => row.key === key && row.condition === 'usual')
        const place = sided ? side : 'both'
        if (wanted.basis === 'measured' && like) return [asSet({ ...like, side: place }, wanted.value)]
        const plusMinus = Math.min(100, wanted.plusMinus)
        const estimate: Reading = {
          key,
          side: place,
          value: wanted.value,
          typed: '',
          method: 'carried',
          plusMinus,
          after: null,
          at,
          condition: 'usual',
          repeats: [],
        }
        return [asSet(estimate, wanted.value)]
      })
    })
    .filter((row, i, all) => all.findIndex((other) => readingPlace(other) === readingPlace(row)) === i)
}

/**
 * Every number as the visit left it. Where saddle and hands are is told by more than one number: those
 * are given as a tape would read them now, so that the next visit has rider and bike in the same place.
 */
function leftAt(baseline: ResolvedReadings, by: MovedBy, { kind }: Previous['bike']): Target {
  const now = settled(baseline, by)
  if (by === unmoved) return (key, side) => now[key][side]
  const values = modelValues(baseline)
  const places = new Map<NumberKey, Resolved>([...saddleLeft(baseline, values, by), ...handsLeft(baseline, values, by, kind)])
  return (key, side) => places.get(key) ?? now[key][side]
}

/** Height along the seat line, its angle, and the nose behind the bottom bracket, of a saddle that was moved. @source geometry */
function saddleLeft(baseline: ResolvedReadings, values: ModelValues, by: MovedBy): [NumberKey, Resolved][] {
  const { saddleHeight, seatAngle, saddleSetback } = baseline
  const [then, now] = [sitOf(values, unmoved), sitOf(values, by)]
  if (saddleHeight.left === null || (Math.abs(then.x - now.x) < 1e-9 && Math.abs(then.y - now.y) < 1e-9)) return []
  const moved = (value: Resolved, to: number): Resolved =>
    value && { ...value, value: to, ...(value.basis === 'measured' ? {} : { isMoved: true as const }) }
  return [
    ['saddleHeight', moved(saddleHeight.left, Math.hypot(now.x, now.y))],
    ['seatAngle', moved(seatAngle.left, Math.atan2(now.y, -now.x) * DEGREES)],
    [
      'saddleSetback',
      saddleSetback.left &&
        moved(
          saddleSetback.left,
          saddleSetback.left.value + shiftedBy(by, 'saddleSetback', 'left') - by('saddleSetback', 'both') + then.x - now.x,
        ),
    ],
  ]
}

/** Parts that tell where the hands are, where no tape told it: their ± is the hands'. */
const chain: readonly NumberKey[] = ['frameReach', 'frameStack', 'headset', 'spacers', 'stemLength', 'barReach', 'barRise', 'barForward']

/** The hands' place from the bottom bracket where a tape told it, or where they were moved by themselves. @source geometry */
function handsLeft(baseline: ResolvedReadings, values: ModelValues, by: MovedBy, kind: Previous['bike']['kind']): [NumberKey, Resolved][] {
  const grips = gripsAt(values, barOf(kind), by)
  const { handReach, handHeight, gripSpacing } = baseline
  const isMoved = (['handReach', 'handHeight'] as const).some((key) => by(key, 'both') !== 0)
  const isWidened = by('gripSpacing', 'both') !== 0
  const isTold = handReach.left !== null && handHeight.left !== null
  if (grips === null || !(isTold || isMoved || isWidened)) return []
  const doubt = combined(...chain.flatMap((key) => baseline[key].left?.plusMinus ?? []))
  const set = (read: Resolved, value: number): Resolved =>
    read === null
      ? { value, plusMinus: doubt, unit: 'mm', basis: 'estimated', from: 'frame, stem and bar', source: 'geometry', isMoved: true }
      : { ...read, value }
  const { left, right } = grips
  const told: [NumberKey, Resolved][] = [
    ['handReach', set(handReach.left, (left.at.x + right.at.x) / 2)],
    ['handHeight', set(handHeight.left, (left.at.y + right.at.y) / 2)],
  ]
  const spread: [NumberKey, Resolved][] = [['gripSpacing', set(gripSpacing.left, left.at.z + right.at.z)]]
  return [...told, ...(gripSpacing.left !== null || isWidened ? spread : [])]
}
