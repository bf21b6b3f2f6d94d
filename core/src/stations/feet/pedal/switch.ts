import type { Message } from '../../../kernel/message.ts'
import { mm, msg } from '../../../kernel/message.ts'
import type { OptionOf } from '../../../readings/readingDefinitions.ts'
import type { PedalSpec } from './kinds.ts'
import { RELEASE_ROOM } from '../rotation/judge.ts'
import type { PedalRider } from './criteria.ts'

/** Pedal and shoe in use; null = not known. */
export interface InUse {
  /** axle to the sole's outside, mm: axle to foot sole less the sole itself */
  readonly stack: number | null
  readonly axle: number | null
  readonly recess: OptionOf<'recess'> | null
}

/** A heel whose swing is not read is taken to swing this much in all, degrees. @source prior */
const USUAL_SWING = 2
/** The usual pedal axle, mm. @source common-practice */
const USUAL_AXLE = 53
/** Less than this is the same, mm. @source prior */
const SAME = 0.5
/** Patterns whose cleat stands out of the sole. */
const standsOut: Readonly<Record<PedalSpec['bolts'], boolean>> = {
  'two bolts': false,
  'three bolts': true,
  'four bolts': true,
  none: false,
}

/** What of a pedal system would be fitted to this rider. */
export interface PedalChoice {
  /** the narrowest float that holds the heel's swing with room, else the widest to be had, degrees */
  readonly float: number
  /** the axle nearest the one in use, mm */
  readonly axle: number
}

export function pedalChoice(spec: PedalSpec, { swing }: Pick<PedalRider, 'swing'>, { axle }: Pick<InUse, 'axle'>): PedalChoice {
  const needed = (swing ?? USUAL_SWING) + 2 * RELEASE_ROOM
  const floats = [...spec.floats].sort((a, b) => a - b)
  const axles = [...spec.axles].sort((a, b) => Math.abs(a - (axle ?? USUAL_AXLE)) - Math.abs(b - (axle ?? USUAL_AXLE)))
  return { float: floats.find((value) => value >= needed) ?? floats.at(-1) ?? 0, axle: axles[0] ?? USUAL_AXLE }
}

/** What exchanging the pedals disturbs, in words. */
export function pedalDisturbs(spec: PedalSpec, rider: PedalRider, now: InUse): Message[] {
  const stack = now.stack === null ? null : spec.stack - now.stack
  const axle = now.axle === null ? null : pedalChoice(spec, rider, now).axle - now.axle
  const disturbs: Message[] = []
  if (stack !== null && Math.abs(stack) >= SAME) {
    disturbs.push(msg`Stack ${mm(Math.abs(stack), 1)} ${stack > 0 ? 'thicker: saddle up' : 'thinner: saddle down'} by about as much.`)
  }
  if (axle !== null && Math.abs(axle) >= SAME) disturbs.push(msg`Stance ${mm(Math.abs(2 * axle), 1)} ${axle > 0 ? 'wider' : 'narrower'}.`)
  if (rider.bolts !== null && spec.bolts !== 'none' && spec.bolts !== rider.bolts) {
    disturbs.push(`Needs shoes for ${spec.bolts}; these have ${rider.bolts}: measure the new shoe and set every cleat value again.`)
  } else if (rider.kindNow !== spec.kind) {
    disturbs.push('Another cleat: set fore–aft and rotation again from the marks.')
  }
  if (now.recess === 'recessed' && standsOut[spec.bolts]) {
    disturbs.push('The cleat stands out of the sole: walking on it wears it.')
  }
  return disturbs
}
