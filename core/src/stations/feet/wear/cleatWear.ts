import type { Message } from '../../../kernel/message.ts'
import type { OptionOf } from '../../../readings/readingDefinitions.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { Side, Sided } from '../../../kernel/sided.ts'
import { byWeight, sideName } from '../../../kernel/finding.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { hardRelease } from '../pedal/release.ts'

/** How long a kind's cleat lasts: km ridden, hardly walked on. @source prior */
const cleatLife: Readonly<Record<OptionOf<'pedalKind'>, number>> = {
  'plate-coil': 6000,
  'plate-leaf': 5000,
  'plate-glide': 5000,
  'cleat-mechanism': 3500,
  recessed: 12000,
  'recessed-platform': 12000,
  'flat-pins': Infinity,
}

/** What walking leaves of a cleat's life; cleats that stand out of the sole suffer most. @source prior */
const walkingLeaves: Readonly<Record<OptionOf<'recess'>, Readonly<Record<OptionOf<'cleatWalking'>, number>>>> = {
  recessed: { hardly: 1, some: 0.9, much: 0.75 },
  flush: { hardly: 1, some: 0.6, much: 0.35 },
}

/** Where only hours are known, km an hour. @source prior */
export const USUAL_SPEED = 22
/** From this share on a cleat is looked at before every fit. @source prior */
const LOOK_FROM = 0.7

export interface WearInput {
  /** null = not read */
  readonly kind: OptionOf<'pedalKind'> | null
  readonly distance: number | null
  readonly hours: number | null
  /** null counts as some */
  readonly walking: OptionOf<'cleatWalking'> | null
  /** null counts as flush */
  readonly recess: OptionOf<'recess'> | null
}

/** Use so far; null where neither distance nor hours are told, or the kind has no cleat. */
export interface CleatUse {
  /** km ridden, and km such a cleat lasts */
  readonly ridden: number
  readonly life: number
  /** 0 new to 1 used up, and beyond */
  readonly share: number
  readonly from: 'distance' | 'hours'
}

/**
 * How far a pair of cleats is used: the longer of what distance and hours say, against a life by
 * kind shortened by walking. A reminder, not a verdict: the maker's mark and the hand decide.
 * @source prior
 */
export function cleatUse({ kind, distance, hours, walking, recess }: WearInput): CleatUse | null {
  const whole = kind === null ? undefined : cleatLife[kind]
  if (whole === undefined || !Number.isFinite(whole) || (distance === null && hours === null)) return null
  const byHours = (hours ?? 0) * USUAL_SPEED
  const ridden = Math.max(distance ?? 0, byHours)
  const leaves = walkingLeaves[recess ?? 'flush'][walking ?? 'some']
  const life = whole * leaves
  return { ridden, life, share: ridden / life, from: (distance ?? 0) >= byHours ? 'distance' : 'hours' }
}

/** What a hand and an eye found on one cleat; null = not looked at. */
export interface CleatLook {
  readonly wear: OptionOf<'cleatWear'> | null
  readonly play: OptionOf<'cleatPlay'> | null
  readonly release: OptionOf<'releaseFeel'> | null
}

/** Findings on use, wear mark, toggle and release, weightiest first. @source common-practice */
export function wearFindings(input: WearInput, look: Sided<CleatLook>): Finding[] {
  const found: Finding[] = []
  const add = (
    key: string,
    side: Side | 'both',
    weight: Finding['weight'],
    headline: Message,
    sentence: Message,
    source: Finding['source'] = 'common-practice',
  ) => found.push({ key, side, weight, headline, sentence, source })
  for (const side of ['left', 'right'] as const) {
    const { wear, play, release } = look[side]
    const name = sideName(side)
    if (wear === 'at-mark')
      add(
        'worn',
        side,
        'first',
        `${name} cleat is at its wear mark.`,
        'Change both cleats before anything is fitted to them: a worn one rocks, points elsewhere and lets go by itself.',
      )
    if (play === 'much')
      add(
        'play',
        side,
        'first',
        `${name} foot rocks in the pedal.`,
        'Rocking by hand with a good cleat means the pedal is worn, or its kind fits its own cleat loosely: change cleat, then pedal, before changing the rider.',
      )
    else if (play === 'little')
      add(
        'play',
        side,
        'note',
        `${name} foot has a little play.`,
        'Small kinds rock a little even when new. More than on the other side is wear.',
      )
    if (release === 'vague')
      add(
        'vague-release',
        side,
        'act',
        `${name} release is vague.`,
        'A release without a clear point is wear or dirt: clean, look at the cleat’s edge, then ten times again.',
      )
    if (release === 'hard') found.push(hardRelease(side))
  }
  const use = cleatUse(input)
  if (use !== null) {
    const km = (value: number) => `${trimmed(Math.round(value / 10) * 10, 0)} km`
    const by = use.from === 'hours' ? ` (hours at ${USUAL_SPEED} km/h)` : ''
    const words = `${km(use.ridden)} ridden${by}; cleats of this kind, walked on like this, last about ${km(use.life)}. This product’s own assumption: the maker’s mark decides.`
    if (use.share >= 1) add('use', 'both', 'act', 'The cleats are due.', `${words} Look at the mark now and have a pair at hand.`, 'prior')
    else if (use.share >= LOOK_FROM)
      add('use', 'both', 'note', 'Cleats to look at soon.', `${words} Look again in ${km(use.life - use.ridden)}.`, 'prior')
    else
      add(
        'use',
        'both',
        'fine',
        `Cleats with ${Math.round(100 * (1 - use.share))} % left.`,
        `${words} Look again in ${km(use.life * LOOK_FROM - use.ridden)}.`,
        'prior',
      )
  }
  return byWeight(found)
}

/** One line for the record: when the cleats are to be looked at again; null where nothing is told. */
export function cleatReminder(input: WearInput): string | null {
  const use = cleatUse(input)
  if (use === null) return null
  const km = (value: number) => `${trimmed(Math.round(value / 10) * 10, 0)} km`
  const until = use.life * LOOK_FROM - use.ridden
  return `Cleats: about ${km(use.ridden)} ridden; look at the wear mark ${until > 0 ? `again in ${km(until)}` : 'now, and have a pair at hand'}.`
}
