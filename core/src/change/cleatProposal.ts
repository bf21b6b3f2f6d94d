import { nearestInBand } from '../quantity/band.ts'
import { trimmed } from '../quantity/entry.ts'
import { midSentence } from '../quantity/words.ts'
import { UnreachableError } from '../quantity/problem.ts'
import { propagate } from '../quantity/propagate.ts'
import { bySide, sides } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import { definitionOf } from '../measure/readingDefinitions.ts'
import { cleatKnockOn, kneeAtBottom } from './cleatKnockOn.ts'
import type { CleatKnockOn, CleatKnockOnInput } from './cleatKnockOn.ts'
import { knockOn } from './knockOn.ts'
import { moveWords } from './moveWords.ts'
import type { Move } from './ledger.ts'
import { settings } from './settings.ts'
import { standingOf } from './setup.ts'
import type { Setup } from './setup.ts'
import { stepPlan } from './stepPlan.ts'
import type { StepPlan } from './stepPlan.ts'

/** What the fitter aims at, per side: mm behind MTP1; null = leave this foot alone. */
export type CleatAim = Sided<number | null>

/** One foot's part of a proposal. */
export interface FootProposal {
  readonly from: number
  /** the aim, held inside the slot */
  readonly aim: number
  /** the aim lay beyond the slot and was held at its end */
  readonly heldBySlot: boolean
  readonly plan: StepPlan
  /** first step: what is set now */
  readonly now: number
  readonly knockOn: CleatKnockOn | null
  /** ± of the knock-on's saddle move, mm */
  readonly saddlePlusMinus: number | null
  /** full knock-on input, for the working panel */
  readonly knockOnInput: CleatKnockOnInput | null
}

/** The saddle's answer to both feet together. */
export interface SaddleAnswer {
  readonly from: number
  /** exact mean of what the two legs ask for, mm, + up */
  readonly exact: number
  /** what a hand can set, within the cap */
  readonly by: number
  readonly plusMinus: number
  /** knee flexion at the bottom: before, and after change and answer; degrees */
  readonly knee: Sided<KneeChange | null>
}

/** Knee flexion at the bottom before and after a change, degrees. */
export interface KneeChange {
  readonly before: number
  readonly after: number
}

/** A change ready to try, with everything it brings along. */
export interface CleatProposal {
  readonly feet: Sided<FootProposal | null>
  readonly saddle: SaddleAnswer | null
  /** why there is no saddle answer, in words */
  readonly saddleMissing: string | null
  readonly moves: readonly Move[]
  readonly nowWords: string
  readonly later: string
  readonly notes: readonly string[]
}

/** Said where the hand is about to act. */
export const cleatCautions = [
  'Mark the cleat’s place first. Bolts to the maker’s torque: with a loose one the foot will not release.',
  'Practise the release ten times on the trainer.',
] as const
export const saddleCaution = 'Seatpost: insertion mark hidden, the maker’s torque.'

/**
 * Turns an aim into a change: the first step of each foot within the cap and the slot, and the
 * saddle's answer. Both feet share one saddle, so it goes halfway between what the legs ask for;
 * a foot left alone asks for nothing.
 * @param withSaddle false leaves the saddle where it is
 */
export function cleatProposal(setup: Setup, aim: CleatAim, withSaddle = true): CleatProposal {
  const notes: string[] = []
  const feet = bySide((side) => footProposal(setup, side, aim[side], notes))
  const chosen = sides.flatMap((side): Move[] => {
    const by = feet[side]?.now ?? 0
    return by === 0 ? [] : [{ setting: 'cleatSetback', side, by, role: 'chosen' }]
  })
  const missing = chosen.length === 0 ? null : saddleMissing(setup, feet, chosen)
  const saddle = chosen.length === 0 || missing !== null ? null : saddleAnswer(setup, feet, chosen, withSaddle)
  const knockOns: Move[] = saddle && saddle.by !== 0 ? [{ setting: 'saddleHeight', side: 'both', by: saddle.by, role: 'knock-on' }] : []
  const moves = [...chosen, ...knockOns]
  if (saddle) notes.push(...saddleNotes(saddle, withSaddle))
  return {
    feet,
    saddle,
    saddleMissing: missing,
    moves,
    nowWords: moves.map(moveWords).join(' · '),
    later: laterWords(feet),
    notes,
  }
}

function footProposal(setup: Setup, side: Side, aim: number | null, notes: string[]): FootProposal | null {
  const { setbackNow, slotForward, slotBack } = setup.cleat[side]
  if (aim === null || setbackNow === null) return null
  const from = setbackNow.value
  const slot = {
    low: slotForward ? from - Math.max(0, slotForward.value) : -Infinity,
    high: slotBack ? from + Math.max(0, slotBack.value) : Infinity,
  }
  const held = nearestInBand(aim, slot)
  const plan = stepPlan(held - from, settings.cleatSetback.cap, settings.cleatSetback.resolution)
  const now = plan.steps[0] ?? 0
  const leg = setup.legs[side]
  let knockOn: CleatKnockOn | null = null
  let saddlePlusMinus: number | null = null
  let knockOnInput: CleatKnockOnInput | null = null
  if (leg.ready && now !== 0) {
    knockOnInput = { ...leg.input, setbackFrom: from, setbackTo: from + now }
    try {
      knockOn = cleatKnockOn(knockOnInput)
      saddlePlusMinus = saddleSpread(knockOnInput, leg.plusMinus)
    } catch (error) {
      if (!(error instanceof UnreachableError)) throw error
      notes.push(`${side === 'left' ? 'Left' : 'Right'} leg: ${error.message}`)
    }
  }
  return { from, aim: held, heldBySlot: Math.abs(held - aim) > 1e-9, plan, now, knockOn, saddlePlusMinus, knockOnInput }
}

/** ± of the saddle's move alone; the rest of the knock-on is not needed at every key press. */
function saddleSpread(input: CleatKnockOnInput, plusMinus: Readonly<Record<string, number>>): number {
  const move = (varied: CleatKnockOnInput) => ({ saddleMove: cleatKnockOn(varied).saddleMove })
  return propagate(move, input, plusMinus).plusMinus['saddleMove'] ?? 0
}

function saddleMissing(setup: Setup, feet: Sided<FootProposal | null>, chosen: readonly Move[]): string | null {
  const moved = sides.filter((side) => chosen.some((move) => move.side === side))
  const lacking = new Set(
    moved.flatMap((side) => {
      const leg = setup.legs[side]
      return leg.ready ? [] : [...leg.missing]
    }),
  )
  if (lacking.size > 0) {
    const names = [...lacking].map((key) => midSentence(definitionOf(key).label))
    return `Measure ${names.join(', ')} to compute what this does to saddle height.`
  }
  if (moved.some((side) => !feet[side]?.knockOn))
    return 'The leg model has no answer with these readings; see the note. Set the saddle by eye and measure the knee.'
  return null
}

function saddleAnswer(setup: Setup, feet: Sided<FootProposal | null>, chosen: readonly Move[], withSaddle: boolean): SaddleAnswer | null {
  if (setup.saddleHeight === null) return null
  const from = setup.saddleHeight.value
  const answer = knockOn(standingOf(setup), chosen, { knee: true, hands: 'free', lever: false }, 'step').answers[0]
  const exact = answer?.exact ?? 0
  const by = withSaddle ? (answer?.by ?? 0) : 0
  const spreads = sides.map((side) => feet[side]?.saddlePlusMinus ?? 0)
  // The two legs share saddle, crank and most estimates, so their ± are taken as fully correlated.
  const plusMinus = spreads.reduce((a, b) => a + b, 0) / 2
  const knee = bySide((side) => kneeChange(setup, side, feet[side], from, by))
  if (knee.left === null && knee.right === null) return null
  return { from, exact, by: by === 0 ? 0 : by, plusMinus, knee }
}

function kneeChange(setup: Setup, side: Side, foot: FootProposal | null, saddle: number, by: number): KneeChange | null {
  const leg = setup.legs[side]
  const now = setup.cleat[side].setbackNow?.value
  if (!leg.ready || now === undefined) return null
  const input = { ...leg.input, setbackFrom: now, setbackTo: now }
  try {
    return { before: kneeAtBottom(input, now, saddle), after: kneeAtBottom(input, now + (foot?.now ?? 0), saddle + by) }
  } catch (error) {
    if (error instanceof UnreachableError) return null
    throw error
  }
}

/** A knee change smaller than this is not worth a word, degrees. */
const KNEE_WORTH_SAYING = 0.3

function saddleNotes(saddle: SaddleAnswer, withSaddle: boolean): string[] {
  const off = sides
    .flatMap((side) => {
      const knee = saddle.knee[side]
      return knee ? [{ side, change: knee.after - knee.before }] : []
    })
    .filter(({ change }) => Math.abs(change) >= KNEE_WORTH_SAYING)
  const words = off.map(({ side, change }) => `${side} knee ${trimmed(Math.abs(change), 1)}° ${change > 0 ? 'more bent' : 'straighter'}`)
  if (words.length === 0) return []
  return [withSaddle ? `One saddle, two legs: halfway leaves the ${words.join(', the ')}.` : `Saddle left alone: ${words.join(', ')}.`]
}

function laterWords(feet: Sided<FootProposal | null>): string {
  const parts = sides.flatMap((side) => {
    const rest = feet[side]?.plan.steps.slice(1) ?? []
    const first = rest[0]
    if (first === undefined) return []
    const direction = first > 0 ? settings.cleatSetback.more : settings.cleatSetback.less
    return [`${side} ${direction} ${rest.map((step) => trimmed(Math.abs(step), 1)).join(', then ')}`]
  })
  return parts.length === 0 ? '' : `Later, after rides that agree: ${parts.join('; ')}.`
}
