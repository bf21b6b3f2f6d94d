import type { Message } from '../kernel/message.ts'
import { definitionOf } from '../readings/readingDefinitions.ts'
import type { ReadingKey } from '../readings/readingDefinitions.ts'
import { readingName } from '../readings/readingEntry.ts'
import type { MethodKey } from '../readings/table/methods.ts'
import { midSentence } from '../kernel/words.ts'
import type { Complaint } from '../talk/complaint.ts'
import { conditions } from '../readings/conditions.ts'
import { LIKELY, entropy } from './arithmetic.ts'
import type { AskedReading } from './evidence.ts'
import { causeOf } from './causeTable.ts'
import type { RankedCause } from './rank.ts'
import { strengths } from './testTable.ts'

/** Minutes a reading takes, by its usual method. @source prior */
export const minutesOf: Readonly<Record<MethodKey, number>> = {
  tape: 1.5,
  ruler: 1.5,
  level: 1,
  goniometer: 2,
  photo: 3,
  motion: 10,
  mat: 10,
  card: 4,
  picture: 5,
  scale: 0.5,
  eye: 0.5,
  calliper: 1,
  maker: 0.5,
  told: 0.3,
  template: 3,
  carried: 0,
}

/** What a minute of the fitter's costs, in nats of what is to be decided. @source prior */
const MINUTE = 0.004
/** Severity of a complaint nobody has rated yet. */
const USUAL_SEVERITY = 5

/** A reading that would decide most, or a few that do so together. */
export interface NextReading {
  readonly readings: readonly AskedReading[]
  /** what it would decide, in words */
  readonly why: Message
  /** minutes by the usual method */
  readonly minutes: number
  /** nats of the causes' entropy it is expected to take away, weighted by severity, less its cost */
  readonly gain: number
  /** whether an answer would change which cause of a complaint comes first */
  readonly decides: boolean
  /** whether what comes first for a complaint it tells of is not likely yet, or not read */
  readonly isOpen: boolean
}

/** Severity of a complaint as it weighs, 0.1 to 1. */
export function weightOf(complaint: Pick<Complaint, 'severity'>, now: number | null = complaint.severity): number {
  return Math.max(1, now ?? USUAL_SEVERITY) / 10
}

/** Minutes that readings take together; the second side of one takes half as long. */
export function minutesFor(readings: NextReading['readings']): number {
  const seen = new Set<ReadingKey>()
  return readings.reduce((sum, { key }) => {
    const one = minutesOf[definitionOf(key).method]
    const more = seen.has(key) ? one / 2 : one
    seen.add(key)
    return sum + more
  }, 0)
}

/**
 * What to read next: for every test that has nothing to go by, the entropy of the causes it is
 * expected to take away, by how often it is positive with the cause and without it, less its cost.
 * @param weight of a complaint, by its id
 * @returns the most worth first
 */
export function nextReadings(ranked: readonly RankedCause[], weight: (complaintId: string) => number): NextReading[] {
  const acting = ranked.filter(({ muted }) => muted === null)
  // Each complaint has a leader of its own: what is clear of one says nothing of another.
  const stands = new Map<string, readonly RankedCause[]>()
  for (const row of acting) for (const id of row.explains) stands.set(id, [...(stands.get(id) ?? []), row])
  const leaderFor = ({ explains }: RankedCause) => stands.get(explains[0] ?? '')?.[0]
  type Bundle = Pick<NextReading, 'readings' | 'gain' | 'decides' | 'isOpen'> & { readonly tested: readonly RankedCause[] }
  const bundles = new Map<string, Bundle>()
  for (const row of acting) {
    const p = row.probability
    const severity = Math.max(0.1, ...row.explains.map(weight))
    // Tests of one cause that hang on one reading count once, the strongest.
    const taken = new Set<string>()
    for (const test of [...row.open].sort((a, b) => strengths[b.strength].sensitivity - strengths[a.strength].sensitivity)) {
      const missing = unique(test.missing)
      const name = missing.map(({ key, side, condition }) => `${key}:${side}:${condition}`).join('|')
      if (missing.length === 0 || taken.has(name)) continue
      taken.add(name)
      const { sensitivity: s, falseRate: f } = strengths[test.strength]
      const positive = p * s + (1 - p) * f
      const [ifSo, ifNot] = [(p * s) / positive, (p * (1 - s)) / (1 - positive)]
      const worth = test.again === undefined ? severity : TOLD_ALREADY * severity
      const gain = worth * (entropy(p) - positive * entropy(ifSo) - (1 - positive) * entropy(ifNot))
      const decides = row.explains.some((id) => {
        const [first, second] = stands.get(id) ?? []
        return row === first ? second !== undefined && ifNot < second.probability : ifSo > (first?.probability ?? 1) && p >= 0.05
      })
      const isOpen = row.explains.some((id) => {
        const first = stands.get(id)?.[0]
        return first === undefined || !first.isRead || first.probability < LIKELY
      })
      const before = bundles.get(name)
      bundles.set(name, {
        readings: missing,
        gain: (before?.gain ?? 0) + gain,
        tested: [...(before?.tested ?? []), row],
        decides: decides || before?.decides === true,
        isOpen: isOpen || before?.isOpen === true,
      })
    }
  }
  const sorted = [...bundles.values()]
    .map((bundle) => ({ ...bundle, minutes: minutesFor(bundle.readings) }))
    .sort((a, b) => b.gain - MINUTE * b.minutes - (a.gain - MINUTE * a.minutes))
  const asked = new Set<string>()
  return sorted
    .map(({ readings, gain, tested, decides, isOpen, minutes }): NextReading => {
      // What better readings already tell of the same causes is worth less.
      const known = tested.every(({ cause }) => asked.has(cause))
      for (const { cause } of tested) asked.add(cause)
      const worth = gain * (known ? TOLD_ALREADY : 1) - MINUTE * minutes
      return { readings, why: whyWords(tested, leaderFor), minutes, gain: worth, decides, isOpen }
    })
    .filter(({ gain }) => gain > 0)
    .sort((a, b) => b.gain - a.gain)
}

/** A second reading on causes that a better one tells of already is worth this share. @source prior */
const TOLD_ALREADY = 0.4

function unique(readings: NextReading['readings']): NextReading['readings'] {
  return readings.filter(
    (one, i) => readings.findIndex(({ key, side, condition }) => key === one.key && side === one.side && condition === one.condition) === i,
  )
}

/** "Would decide between saddle too high and cleat too far forward." */
function whyWords(tested: readonly RankedCause[], leaderFor: (row: RankedCause) => RankedCause | undefined): string {
  const [first, other] = [...tested].sort((a, b) => b.probability - a.probability)
  const name = (row: RankedCause) => midSentence(causeOf(row.cause).label)
  if (first === undefined) return ''
  const leader = leaderFor(first)
  if (leader !== undefined && first.cause !== leader.cause) return `Would decide between ${name(leader)} and ${name(first)}.`
  if (other !== undefined && other.cause !== first.cause) return `Would decide between ${name(first)} and ${name(other)}.`
  return `Would decide whether it is this: ${name(first)}.`
}

/** "Knee at the bottom, left and right", "cleat setback and shoe size, right". */
export function readingsWords(readings: NextReading['readings']): string {
  const keys = [...new Set(readings.map(({ key }) => key))]
  const names = keys.map((key, i) => (i === 0 ? definitionOf(key).label : midSentence(definitionOf(key).label)))
  const sided = readings.filter(({ side }) => side !== 'both').map(({ side }) => side)
  const where = [...new Set(sided)]
  const only = readings.length === 1 ? readings[0] : undefined
  const there = [...new Set(readings.map(({ condition }) => condition))].filter((condition) => condition !== 'usual')
  const when = there.map((condition) => `, ${conditions[condition].label}`).join('')
  if (only !== undefined) return `${readingName(only.key, only.side)}${when}`
  const last = names.at(-1) ?? ''
  const listed = names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${last}` : last
  return `${where.length === 0 ? listed : `${listed}, ${where.join(' and ')}`}${when}`
}

/** Readings worth taking for the complaints: those that could still change which cause of one comes first. */
export function shortList(next: readonly NextReading[]): NextReading[] {
  return next.filter(({ decides, isOpen, gain }) => decides || (isOpen && gain > WORTH_ASKING))
}

/** Less than this is not worth a reading of its own, nats. @source prior */
const WORTH_ASKING = 0.01
