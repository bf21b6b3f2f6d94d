import { isTerm, term } from '../readings/table/terms.ts'
import { insideSentence, joined, mm, msg } from '../kernel/message.ts'
import type { Message } from '../kernel/message.ts'
import { hasReading } from '../uncertainty/measureNext.ts'
import { definitionOf, isChoice } from '../readings/readingDefinitions.ts'
import type { ChoiceKey, ReadingKey } from '../readings/readingDefinitions.ts'
import type { MethodKey } from '../readings/table/methods.ts'
import { conditionAllowed, conditions } from '../readings/conditions.ts'
import type { ConditionKey } from '../readings/conditions.ts'
import { chosen, isRead, measured } from '../readings/resolve.ts'
import { isLostByMove } from '../rider/metricEstimate.ts'
import type { Complaint } from '../talk/complaint.ts'
import { trimmed } from '../kernel/entry.ts'
import { sides as bothSides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import type { SourceKey } from '../kernel/sources.ts'
import { pastEnd } from '../kernel/judged.ts'
import type { Judged } from '../kernel/judged.ts'
import { belief, logRatio } from './arithmetic.ts'
import type { CauseKey } from './causeTable.ts'
import type { Facts } from './context.ts'
import { numberRow } from './numbers.ts'
import { isOutdated } from './outdated.ts'
import { conditionsFrom, isPositioned, numberIn, positionTold } from './positions.ts'
import type { NumberName } from './numbers.ts'
import { EYE_ERROR, limits, tests } from './testTable.ts'
import type { Strength, TestRow } from './testTable.ts'
import { itemAt } from '../kernel/dense.ts'

/** What one test says of a cause. */
export interface Evidence {
  /** names the number or the choice it goes by */
  readonly of: NumberName | ChoiceKey
  readonly side: Side | null
  /** belief that its condition holds, 0 to 1 */
  readonly belief: number
  /** by how much it moves the log odds */
  readonly moves: number
  readonly speaks: 'for' | 'against' | 'unsure'
  readonly words: Message
  readonly strength: Strength
  /** how far past its line the number lies, in its unit; null for a choice */
  readonly past: number | null
  readonly source: SourceKey
}

/** A reading that is asked for. */
export interface AskedReading {
  readonly key: ReadingKey
  readonly side: Side | 'both'
  readonly condition: ConditionKey
}

/** A test that has nothing to go by yet, or nothing good enough. */
export interface OpenTest {
  readonly of: NumberName | ChoiceKey
  readonly strength: Strength
  /** what still has to be read for it */
  readonly missing: readonly AskedReading[]
  /** it has something to go by: read by eye and too close to call, or in another position than was told of */
  readonly again?: 'by-eye' | 'elsewhere'
}

/** What the tests say of a cause on the sides it is asked for. */
export interface Weighed {
  readonly said: readonly Evidence[]
  readonly open: readonly OpenTest[]
  /** sum of what the tests move */
  readonly moves: number
}

/** A move of the odds smaller than this tells nothing. */
const TELLS = 0.12
const rows = new Map<CauseKey, readonly TestRow[]>()
/** Tests of a cause. */
export function testsOf(cause: CauseKey): readonly TestRow[] {
  const known = rows.get(cause) ?? tests.filter((row) => row.cause === cause)
  rows.set(cause, known)
  return known
}

type NumberTestRow = Extract<TestRow, { of: NumberName }>
const isNumber = (row: TestRow): row is NumberTestRow => 'of' in row
/** Every test that goes by a number. */
export const numberTests: readonly NumberTestRow[] = tests.filter(isNumber)
/** Numbers as they stand at a setup, each worked out once. */
const kept = new WeakMap<Facts, Map<string, Judged | null>>()
export function numberAt(facts: Facts, name: NumberName, side: Side): Judged | null {
  const known = kept.get(facts) ?? new Map<string, Judged | null>()
  kept.set(facts, known)
  const { sided, at } = numberRow(name)
  const key = sided ? `${name}:${side}` : name
  const before = known.get(key)
  if (before !== undefined) return before
  const made = at(facts, side)
  const found = made === null || !Number.isFinite(made.value) || !Number.isFinite(made.plusMinus) ? null : made
  known.set(key, found)
  return found
}

/** How far past its line a number lies, in its unit; minus is short of it; null where nothing is asked of it. */
export function pastOf({ past }: Pick<NumberTestRow, 'past'>, { value, band }: Pick<Judged, 'value' | 'band'>): number | null {
  if (typeof past === 'object') return 'above' in past ? value - limits[past.above] : limits[past.below] - value
  if (band === null) return null
  return past === 'either' ? Math.max(pastEnd(value, band, 'low'), pastEnd(value, band, 'high')) : pastEnd(value, band, past)
}

/** "22°", "8 mm", "14 %". */
function shown(name: NumberName, value: number): Message {
  const { unit: own } = numberRow(name)
  if (own === 'mm') return msg`${mm(value)}`
  return own === 'deg' ? `${trimmed(value, Math.abs(value) < 10 ? 1 : 0)}°` : `${trimmed(value, 0)} %`
}

/** Sentences of the table in parts, text and mark by turns; each is taken apart once. */
const taken = new Map<string, readonly string[]>()
function partsOf(sentence: string): readonly string[] {
  const known = taken.get(sentence) ?? sentence.split(/\{([^}]+)\}/)
  taken.set(sentence, known)
  return known
}
/** A sentence of the table: `{float}` is a term, `{hoods|hoods}` one by another of its words, `{v}` a figure of the number. */
function written(sentence: string, figure: (mark: string) => Message | null = () => null): Message {
  const parts = partsOf(sentence)
  if (parts.length === 1) return sentence
  const said = parts.map((part, i) => {
    if (i % 2 === 0) return part
    const [mark = '', words] = part.split('|')
    return figure(mark) ?? (isTerm(mark) ? [term(mark, words)] : part)
  })
  return joined(said, '')
}

/**
 * Where a number says nothing either way, past the end of its band: on the end itself nothing is wrong yet.
 * Never past the number's ±: what its page calls clearly outside speaks for the cause; and the wider the ±, the
 * nearer to the end, for what is read loosely tells nothing there. @source prior
 */
function softFrom({ past, soft }: NumberTestRow, { plusMinus }: Judged): number {
  return typeof past === 'object' ? 0 : (Math.min(soft, plusMinus) * soft) / (2 * Math.max(soft, plusMinus))
}

/** What is said of a position names it. */
function positionWords(words: Message, condition: ConditionKey): Message {
  return condition === 'usual' ? words : msg`${conditions[condition].when}: ${insideSentence(words)}`
}
const inPosition = (evidence: Evidence | null, condition: ConditionKey): Evidence | null =>
  evidence && { ...evidence, words: positionWords(evidence.words, condition) }

function numberEvidence(row: NumberTestRow, found: Judged, side: Side | null): Evidence | null {
  const past = pastOf(row, found)
  if (past === null) return null
  const b = belief(past - softFrom(row, found), found.plusMinus, row.soft)
  const strength = b < 0.5 ? (row.against ?? row.strength) : row.strength
  if (strength === 'nothing') return null
  const ratio = logRatio(b, strength)
  // What its page calls outside, be it by less than the ±, never speaks against the cause.
  const moves = past > 0 ? Math.max(0, ratio) : ratio
  const speaks = Math.abs(moves) < TELLS ? 'unsure' : moves > 0 ? 'for' : 'against'
  const figures: Readonly<Record<string, number>> = {
    v: found.value,
    a: Math.abs(found.value),
    p: past,
    d: Math.abs((found.aim ?? found.value) - found.value),
  }
  // What lies within its own ± of the line is said as it stands: nothing is claimed that it cannot decide.
  if (speaks === 'unsure') {
    const words = msg`${numberRow(row.of).label} ${shown(row.of, found.value)} ±${shown(row.of, found.plusMinus)}: cannot tell which side of the limit.`
    return { of: row.of, side, belief: b, moves, speaks, words, strength: row.strength, past, source: row.source }
  }
  const said = written(speaks === 'for' ? row.for : row.otherwise, (mark) => {
    const figure = figures[mark]
    return figure === undefined ? null : shown(row.of, figure)
  })
  const by = found.isRead || speaks !== 'for' ? '' : ' By the model.'
  return { of: row.of, side, belief: b, moves, speaks, words: msg`${said}${by}`, strength: row.strength, past, source: row.source }
}

/**
 * What all tests of a cause say together, on the sides asked for: of a number of each side the one
 * that speaks most for the cause counts. Several tests on one reading count once, the strongest; of
 * several ways in which a cause shows, the one that speaks most for it.
 */
export function weigh(
  facts: Facts,
  cause: CauseKey,
  sides: readonly Side[],
  complaints: readonly Complaint[] = facts.input.complaints,
): Weighed {
  const { bar } = facts.setup.rider
  const positions = conditionsFrom(facts, complaints)
  const told = positionTold(facts, complaints)
  const byReading = new Map<string, Evidence[]>()
  const open: OpenTest[] = []
  for (const row of testsOf(cause)) {
    if (row.bar !== undefined && row.bar !== bar) continue
    const { evidence, missing, root, again } = isNumber(row)
      ? byNumber(facts, row, sides, positions, told)
      : byChoice(facts, row, sides, positions, told)
    const group = row.either ?? root
    const of = isNumber(row) ? row.of : row.choice
    if (evidence !== null) byReading.set(group, [...(byReading.get(group) ?? []), evidence])
    // Several lines on one number lack the same reading: it is asked for once.
    if (missing.length > 0 && !open.some((test) => test.of === of))
      open.push({ of, strength: row.strength, missing, ...(again === undefined ? {} : { again }) })
  }
  const either = new Set(testsOf(cause).flatMap((row) => row.either ?? []))
  const said = [...byReading].map(([group, list]) =>
    itemAt(
      list.sort((a, b) => (either.has(group) ? b.moves - a.moves : Math.abs(b.moves) - Math.abs(a.moves))),
      0,
    ),
  )
  return { said, open, moves: said.reduce((sum, { moves }) => sum + moves, 0) }
}

interface Answer {
  readonly evidence: Evidence | null
  readonly missing: OpenTest['missing']
  /** the reading it hangs on */
  readonly root: string
  readonly again?: OpenTest['again']
}

function byNumber(
  facts: Facts,
  row: NumberTestRow,
  sides: readonly Side[],
  positions: readonly ConditionKey[],
  told: ConditionKey | null,
): Answer {
  const { sided, readings, compares, observed } = numberRow(row.of)
  const wanted = readings(facts)
  const root = wanted[0] ?? row.of
  let isReadThere = false
  const found = sides.flatMap((side) => {
    if (observed && isOutdated(facts.input, row.cause, observed, side)) return []
    const there = positions
      .filter((key) => key !== 'usual')
      .flatMap((key) => {
        const read = numberIn(facts, row.of, side, key)
        return (read && inPosition(numberEvidence(row, read, sided ? side : null), key)) ?? []
      })
    if (there.length > 0) isReadThere = true
    if (there.length > 0 && !positions.includes('usual')) return there
    const number = numberAt(facts, row.of, side)
    return [...there, ...((number && [numberEvidence(row, number, sided ? side : null)]) ?? [])].filter((one) => one !== null)
  })
  const evidence = found.sort((a, b) => b.moves - a.moves)[0] ?? null
  const { bar } = facts.setup.rider
  if (evidence !== null) {
    if (told !== null && !isReadThere && isPositioned(row.of, told, bar))
      return { evidence, missing: inCondition(wanted, sides, told), root, again: 'elsewhere' }
    const { past, side } = evidence
    const isClose = past !== null && past > 0 && past < (numberAt(facts, row.of, side ?? sides[0] ?? 'left')?.plusMinus ?? 0)
    const weak = isClose ? byEye(facts, wanted, sides) : []
    return weak.length > 0 ? { evidence, missing: weak, root, again: 'by-eye' } : { evidence, missing: [], root }
  }
  if (wanted.some((key) => !hasReading(key, bar))) return { evidence: null, missing: [], root }
  // Left against right takes both, whichever side hurts.
  return { evidence, missing: wanted.flatMap((key) => missingOf(facts, row.cause, key, compares ? bothSides : sides)), root }
}

function byChoice(
  facts: Facts,
  row: Extract<TestRow, { choice: ChoiceKey }>,
  sides: readonly Side[],
  positions: readonly ConditionKey[],
  told: ConditionKey | null,
): Answer {
  const { choice, is, strength, source } = row
  const { now, rider } = facts.setup
  const { bar } = rider
  const { sided } = definitionOf(choice)
  const at = (condition: ConditionKey, side: Side): Evidence[] => {
    const option = condition === 'usual' ? chosen(now, choice, side) : chosen(rider.readIn(condition), choice, side)
    if (option === null || isOutdated(facts.input, row.cause, choice, side, condition)) return []
    const holds = is.includes(option)
    const b = holds ? 1 - EYE_ERROR : EYE_ERROR
    const speaks = holds ? 'for' : 'against'
    const moves = logRatio(b, strength)
    return [
      {
        of: choice,
        side: sided ? side : null,
        belief: b,
        moves,
        speaks,
        words: positionWords(written(holds ? row.for : row.otherwise), condition),
        strength,
        past: null,
        source,
      },
    ]
  }
  let isReadThere = false
  const found = sides.flatMap((side) => {
    const there = positions.filter((key) => key !== 'usual' && conditionAllowed(choice, key)).flatMap((key) => at(key, side))
    if (there.length > 0) isReadThere = true
    return there.length > 0 && !positions.includes('usual') ? there : [...there, ...at('usual', side)]
  })
  const evidence = found.sort((a, b) => b.moves - a.moves)[0] ?? null
  if (evidence !== null && told !== null && !isReadThere && conditionAllowed(choice, told))
    return { evidence, missing: inCondition([choice], sides, told), root: choice, again: 'elsewhere' }
  const missing = evidence === null && hasReading(choice, bar) ? missingOf(facts, row.cause, choice, sides) : []
  return { evidence, missing, root: choice }
}

/** Readings as they are taken in a position, those that can be. */
function inCondition(keys: readonly ReadingKey[], sides: readonly Side[], condition: ConditionKey): readonly AskedReading[] {
  return keys
    .filter((key) => conditionAllowed(key, condition))
    .flatMap((key) => (definitionOf(key).sided ? sides : (['both'] as const)).map((side) => ({ key, side, condition })))
}

const BY_EYE: MethodKey = 'eye'
/** Readings that were taken by eye where a better method is usual. */
function byEye({ setup: { now } }: Facts, keys: readonly ReadingKey[], sides: readonly Side[]): readonly AskedReading[] {
  return keys.flatMap((key): AskedReading[] => {
    if (isChoice(key) || definitionOf(key).method === 'eye') return []
    const weak = sides.filter((side) => now[key][side]?.from === BY_EYE)
    if (weak.length === 0) return []
    return definitionOf(key).sided ? weak.map((side) => ({ key, side, condition: 'usual' })) : [{ key, side: 'both', condition: 'usual' }]
  })
}

/** A reading that is not taken on one of the sides, or before the change that answers the cause; one that stands for both is asked for once. */
function missingOf(facts: Facts, cause: CauseKey, key: ReadingKey, sides: readonly Side[]): OpenTest['missing'] {
  const { now } = facts.setup
  const { sided } = definitionOf(key)
  const isOld = (side: Side) => isOutdated(facts.input, cause, key, side) || isLostByMove(facts.setup, key, side)
  if (!sided) return isRead(now, key) && !isOld('left') ? [] : [{ key, side: 'both', condition: 'usual' }]
  return sides
    .filter((side) => (isChoice(key) ? chosen(now, key, side) === null : measured(now, key, side) === null) || isOld(side))
    .map((side) => ({ key, side, condition: 'usual' }))
}
