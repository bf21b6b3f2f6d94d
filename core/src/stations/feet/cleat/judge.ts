import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import { mm, msg, range } from '../../../kernel/message.ts'
import type { BandState } from '../../../kernel/band.ts'
import { judged, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { settings } from '../../../ledger/settings.ts'
import { midSentence } from '../../../kernel/words.ts'
import { propagate } from '../../../kernel/propagate.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import type { Side } from '../../../kernel/sided.ts'
import type { ReadingKey } from '../../../readings/readingDefinitions.ts'
import { definitionOf } from '../../../readings/readingDefinitions.ts'
import { cleatSchool } from './schools.ts'
import type { CleatSchoolKey } from './schools.ts'
import { cleatTarget, schoolTargets } from './target.ts'
import type { CleatTarget, CleatTargetInput, SchoolTarget } from './target.ts'
import { entriesOf } from '../../../kernel/tables.ts'

/** One foot as the judgement sees it; null = not read and not estimable. */
export interface CleatReadings {
  readonly setbackNow: Quantity | null
  readonly slotForward: Quantity | null
  readonly slotBack: Quantity | null
  readonly shoeSize: Quantity | null
  readonly heelToMtp1: Quantity | null
  readonly heelToMtp5: Quantity | null
  readonly footLength: Quantity | null
}

/** Where the slot lets the axle go, from foremost to rearmost, mm behind MTP1; null while one of its ends is not read. */
export function slotRange({
  setbackNow,
  slotForward,
  slotBack,
}: CleatReadings): { readonly foremost: number; readonly rearmost: number } | null {
  if (!setbackNow || !slotForward || !slotBack) return null
  return { foremost: setbackNow.value - Math.max(0, slotForward.value), rearmost: setbackNow.value + Math.max(0, slotBack.value) }
}

/** Reading that stands behind each input of the target. */
const readingOf: Readonly<Record<keyof CleatReadings, ReadingKey>> = {
  setbackNow: 'cleatSetback',
  slotForward: 'slotForward',
  slotBack: 'slotBack',
  shoeSize: 'shoeSize',
  heelToMtp1: 'heelToMtp1',
  heelToMtp5: 'heelToMtp5',
  footLength: 'footLength',
}

/** What to say about one foot's cleat, fore–aft. */
export type CleatJudgement =
  | {
      readonly state: 'missing'
      readonly side: Side
      readonly missing: readonly ReadingKey[]
      readonly schools: readonly SchoolTarget[]
      readonly sentence: Message
    }
  | {
      readonly state: BandState
      readonly side: Side
      readonly now: Quantity
      /** the axle against the school's band, with the ± of the two together */
      readonly stands: Judged
      readonly result: CleatTarget
      /** outside of the band by more than what the ruler can tell, and the slot lets it go on */
      readonly isWorthMoving: boolean
      readonly schools: readonly SchoolTarget[]
      readonly headline: Message
      readonly sentence: Message
      readonly reason: Message
      readonly sure: Message
      readonly input: CleatTargetInput
      readonly plusMinus: Readonly<Record<string, number>>
    }

/**
 * Judges one foot: target by the chosen school, what the slot allows, what is left, and whether the
 * difference exceeds what the measurement can tell.
 * @source common-practice
 */
export function judgeCleat(side: Side, school: CleatSchoolKey, readings: CleatReadings): CleatJudgement {
  const { setbackNow: now } = readings
  if (now === null) {
    return { state: 'missing', side, missing: ['cleatSetback'], schools: [], sentence: missingSentence(side, ['cleatSetback']) }
  }
  const { input, plusMinus } = targetInput({ ...readings, setbackNow: now }, school)
  const schools = schoolTargets(input)
  const lacking = schools.find((row) => row.school === school)?.missing ?? []
  if (lacking.length > 0) {
    const missing = lacking.map((field) => readingOf[field])
    return { state: 'missing', side, missing, schools, sentence: missingSentence(side, missing) }
  }
  const result = cleatTarget(input)
  const missed = (varied: CleatTargetInput) => ({ missed: cleatTarget(varied).target - varied.setbackNow })
  const { plusMinus: spread } = propagate(missed, input, plusMinus)
  const stands = judged(now.value, spread['missed'] ?? 0, { low: result.low, high: result.high }, { aim: result.target })
  const { state, isClear } = verdictOf(stands)
  const isWorthMoving = isClear && Math.abs(result.difference) >= settings.cleatSetback.resolution - 1e-9
  const slotKnown = (result.target >= now.value ? readings.slotBack : readings.slotForward) !== null
  return {
    state,
    side,
    now,
    stands,
    result,
    isWorthMoving,
    schools,
    input,
    plusMinus,
    ...describe(side, school, stands, result, slotKnown),
  }
}

/** The calculation's input and its ± from quantities. */
function targetInput(
  readings: CleatReadings & { readonly setbackNow: Quantity },
  school: CleatSchoolKey,
): { input: CleatTargetInput; plusMinus: Record<string, number> } {
  const plusMinus: Record<string, number> = {}
  const values: Partial<Record<keyof CleatReadings, number>> = {}
  for (const [field, reading] of entriesOf(readings)) {
    if (reading === null) continue
    values[field] = reading.value
    plusMinus[field] = reading.plusMinus
  }
  return { input: { ...values, school, setbackNow: readings.setbackNow.value }, plusMinus }
}

function missingSentence(side: Side, keys: readonly ReadingKey[]): Message {
  const names = keys.map((key) => midSentence(definitionOf(key).label)).join(' and ')
  const first = keys[0]
  return msg`Measure ${names} on the ${side}. ${first === undefined ? '' : definitionOf(first).how}`
}

function describe(side: Side, school: CleatSchoolKey, stands: Judged, result: CleatTarget, slotKnown: boolean) {
  const foot = side === 'left' ? 'Left' : 'Right'
  const { end, beyond, isClear } = verdictOf(stands)
  const { label, reason } = cleatSchool(school)
  const direction = result.difference >= 0 ? 'back' : 'forward'
  const held = result.heldAtEnd ? ' The shoe size lies beyond the school’s table; its end value is held.' : ''
  const asked = msg`${label.toLowerCase()} asks for ${mm(result.target, 1)}, ${range(result.low, result.high, 1)}`
  const outside = end === null ? '' : msg` It lies ${mm(beyond, 1)} too far ${end === 'low' ? 'forward' : 'back'}.`
  const aim = msg`The axle lies ${place(stands.value)}; ${asked}.${held}${outside}`
  const sure = msg`±${mm(stands.plusMinus, 1)} on the difference.`
  if (end === null) return { headline: `${foot} cleat is in its band.`, sentence: msg`${aim} Leave it.`, reason, sure }
  const isLimited = Math.abs(result.left) > 0.05
  if (isLimited && Math.abs(result.difference) < 0.5) {
    const way = result.left > 0 ? 'back' : 'forward'
    return {
      headline: `${foot} cleat is at the end of its slot.`,
      sentence: msg`${aim} The slot ends here, ${mm(Math.abs(result.left), 1)} short of the aim: all the way ${way} already. More needs a shoe with holes further ${way}.`,
      reason,
      sure,
    }
  }
  if (!isClear) {
    return {
      headline: `${foot} cleat: too close to call.`,
      sentence: msg`${aim} That is within what this measurement can tell. Leave it, or measure again.`,
      reason,
      sure,
    }
  }
  const short = !slotKnown
    ? ' The slot room that way is not read, so what this shoe allows is not known.'
    : isLimited
      ? msg` The slot ends ${mm(Math.abs(result.left), 1)} short, so ${mm(result.attainable, 1)} is what this shoe allows.`
      : ''
  return {
    headline: `${foot} cleat sits too far ${result.difference >= 0 ? 'forward' : 'back'}.`,
    sentence: msg`${aim}${short} Move it ${mm(Math.abs(result.difference), 1)} ${direction}.`,
    reason,
    sure,
  }
}

function place(setback: number): Message {
  if (Math.abs(setback) < 0.05) return msg`under ${term('mtp1', 'MTP1')}`
  return setback > 0 ? msg`${mm(setback, 1)} behind ${term('mtp1', 'MTP1')}` : msg`${mm(-setback, 1)} ahead of ${term('mtp1', 'MTP1')}`
}
