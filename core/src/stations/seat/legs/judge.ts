import { intoBoth } from '../../../station/say.ts'
import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import { mm, msg } from '../../../kernel/message.ts'
import { optionsOf } from '../../../readings/readingDefinitions.ts'
import type { OptionOf } from '../../../readings/readingDefinitions.ts'
import type { Finding } from '../../../kernel/finding.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import type { Side, Sided } from '../../../kernel/sided.ts'

/** Where a difference lies, as the reading `legDifferenceAt` has it. */
export const differencePlaces = optionsOf('legDifferenceAt')
export type DifferencePlace = (typeof differencePlaces)[number]

export interface LegLengthReadings {
  /** + the right one is the shorter, mm */
  readonly difference: Quantity | null
  readonly place: DifferencePlace
  /** sole, pedal and shims under each foot, mm */
  readonly stack: Sided<Quantity | null>
  /** axle behind MTP1 on each foot, mm */
  readonly cleat: Sided<Quantity | null>
  readonly pelvisLevel: OptionOf<'pelvisLevel'> | null
  /** worst complaint a leg length could bear on, 0 to 10 */
  readonly pain: number
}

export interface LegLengthJudgement {
  readonly state: 'missing' | 'none' | 'refer' | 'shim' | 'met'
  readonly shorter: Side | null
  /** mm of shim under the shorter leg: to start with, in all, and now */
  readonly start: number
  readonly already: number
  readonly now: number
  readonly findings: readonly Finding[]
}

/** Of a difference, what is shimmed to start with. @source common-practice */
const SHIM_SHARE = 0.5
/** One shim at a time, mm. @source common-practice */
const SHIM_STEP = 3
/** From here on a clinician has to see it before anything is put under a foot, mm. @source prior */
const LARGE = 15
/** A complaint from here on is more than a fitter's. @source prior */
const SEVERE = 7
/** A thigh's share that a cleat can take: fore–aft, mm a side at most. @source prior */
const CLEAT_TAKES = 4

/** Where the shim goes, by where the difference lies. @source common-practice */
const whereToShim: Readonly<Record<DifferencePlace, Message>> = {
  thigh: msg`In the thigh: half of it under the sole, and that foot’s cleat up to ${mm(CLEAT_TAKES, 1)} further forward, or the other one back, so that both knees come alike over the top.`,
  foot: 'In the foot: under the sole, whole foot or forefoot as the clinician says.',
  shank: 'In the shank: under the sole.',
  unknown: 'Where it lies is not known: under the sole, and look at the knees from the side.',
  pelvis: '',
}

/** Cleats that stand further apart than this make a difference of their own, mm. @source prior */
const CLEATS_APART = 3

/**
 * What of a leg-length difference belongs to cleat, sole or seat: half of it as the first shim,
 * smallest step first; large or painful ones to a clinician.
 * @source common-practice, knutson
 */
export function judgeLegLength({ difference, place, stack, cleat, pelvisLevel, pain }: LegLengthReadings): LegLengthJudgement {
  const findings: Finding[] = []
  const add = intoBoth(findings)
  const nothing = { shorter: null, start: 0, already: 0, now: 0, findings }
  const crooked = pelvisLevel !== null && pelvisLevel !== 'level'
  if (difference === null) {
    if (crooked)
      add(
        'ask',
        'act',
        'The pelvis is not level: is a leg shorter?',
        msg`A clinician’s finding counts most. Found lying down or by tape, it is no better than ${mm(5)}.`,
      )
    return { state: 'missing', ...nothing }
  }
  const size = Math.abs(difference.value)
  const shorter: Side = difference.value > 0 ? 'right' : 'left'
  if (size <= difference.plusMinus) {
    add(
      'none',
      'fine',
      size < 0.5 ? 'No difference found.' : msg`${mm(size)} lies within its ±${mm(difference.plusMinus)}.`,
      msg`Most people differ by about ${mm(5)}; that alone is no reason for a shim.`,
      'knutson',
    )
    return { state: 'none', ...nothing }
  }
  const base = { shorter, already: alreadyUnder(stack, shorter) }
  if (size >= LARGE || pain >= SEVERE) {
    add(
      'refer',
      'first',
      msg`${size >= LARGE ? msg`${mm(size)} is large` : 'It hurts too much'}: a clinician first.`,
      'What lies behind it is not for a fitting to find. Shim only what they agree to, and only so much as they agree to.',
    )
    return { state: 'refer', ...base, start: 0, now: 0, findings }
  }
  if (place === 'pelvis') {
    add(
      'pelvis',
      'act',
      'The difference comes from the pelvis.',
      'The legs are the same length: a shim would lock the tilt in. Saddle’s width, state and height first, and the clinician’s advice.',
    )
    return { state: 'none', ...base, start: 0, now: 0, findings }
  }
  const start = roundedDown(SHIM_SHARE * size)
  const rest = Math.max(0, start - base.already)
  const now = Math.min(SHIM_STEP, rest)
  const said = msg`${mm(size)} shorter on the ${shorter}. Half of it to start with: ${mm(start, 1)}${base.already > 0 ? msg`, ${mm(base.already, 1)} is in already` : ''}.`
  if (now < 0.5) {
    add('met', 'fine', `The ${shorter} leg has its shim.`, msg`${said} More only if it still asks for it under load.`)
    return { state: 'met', ...base, start, now: 0, findings }
  }
  add(
    'shim',
    'act',
    msg`Shim under the ${shorter} foot: ${mm(now, 1)} now.`,
    msg`${said} ${whereToShim[place]} Set the height again afterwards.`,
  )
  const other = shorter === 'left' ? 'right' : 'left'
  const [a, b] = [cleat[shorter], cleat[other]]
  if (a && b && Math.abs(a.value - b.value) > CLEATS_APART) {
    add(
      'cleats',
      'note',
      msg`The cleats stand ${mm(Math.abs(a.value - b.value), 1)} apart fore and aft.`,
      msg`That makes a ${term('leg-difference')} of its own: wanted, or left over?`,
    )
  }
  return { state: 'shim', ...base, start, now, findings }
}

/** What is already thicker under the shorter leg, mm; 0 where it is not read. */
function alreadyUnder(stack: Sided<Quantity | null>, shorter: Side): number {
  const other = shorter === 'left' ? 'right' : 'left'
  const [a, b] = [stack[shorter], stack[other]]
  return a === null || b === null ? 0 : Math.max(0, a.value - b.value)
}

const roundedDown = (mm: number) => Math.floor(2 * mm) / 2
