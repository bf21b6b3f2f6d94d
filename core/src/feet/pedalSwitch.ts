import { trimmed } from '../quantity/entry.ts'
import type { PedalSpec } from './pedalKinds.ts'
import type { PedalRider } from './pedalCriteria.ts'

/** What exchanging the pedals would change and disturb. */
export interface PedalSwitch {
  readonly kind: { readonly from: number; readonly to: number } | null
  /** change of axle to foot sole, mm, + thicker; null = the stack in use is not known */
  readonly stack: number | null
  /** change of axle length, mm; null = not known */
  readonly axle: number | null
  /** float of the cleats that would be taken, degrees */
  readonly float: number | null
  readonly disturbs: readonly string[]
}

/** Pedal and shoe in use; null = not known. */
export interface InUse {
  /** axle to the sole's outside, mm: axle to foot sole less the sole itself */
  readonly stack: number | null
  readonly axle: number | null
  readonly recess: (typeof recesses)[number] | null
}

/** Words of the reading `recess`. */
export const recesses = ['recessed, walkable', 'flush, cleat stands out'] as const

/**
 * The exchange in settings and words. The float taken is the narrowest that holds the heel's swing
 * with room, else the widest to be had; the axle nearest the one in use.
 */
export function pedalSwitch(spec: PedalSpec, rider: PedalRider, now: InUse): PedalSwitch {
  const needed = (rider.swing ?? 2) + 4
  const floats = [...spec.floats].sort((a, b) => a - b)
  const float = floats.find((value) => value >= needed) ?? floats.at(-1) ?? null
  const axles = [...spec.axles].sort((a, b) => Math.abs(a - (now.axle ?? 53)) - Math.abs(b - (now.axle ?? 53)))
  const stack = now.stack === null ? null : spec.stack - now.stack
  const axle = now.axle === null ? null : (axles[0] ?? now.axle) - now.axle
  const disturbs: string[] = []
  if (stack !== null && Math.abs(stack) >= 0.5) {
    disturbs.push(`Stack ${trimmed(Math.abs(stack), 1)} mm ${stack > 0 ? 'thicker: saddle up' : 'thinner: saddle down'} by about as much.`)
  }
  if (axle !== null && Math.abs(axle) >= 0.5)
    disturbs.push(`Stance ${trimmed(Math.abs(2 * axle), 1)} mm ${axle > 0 ? 'wider' : 'narrower'}.`)
  if (rider.bolts !== null && spec.bolts !== 'none' && spec.bolts !== rider.bolts) {
    disturbs.push(`Needs shoes for ${spec.bolts}; these have ${rider.bolts}: measure the new shoe and set every cleat value again.`)
  } else if (rider.kindNow !== spec.kind) {
    disturbs.push('Another cleat: set fore–aft and rotation again from the marks.')
  }
  if (now.recess === 'recessed, walkable' && (spec.bolts === 'three bolts' || spec.bolts === 'four bolts')) {
    disturbs.push('The cleat stands out of the sole: walking on it wears it.')
  }
  const kind = rider.kindNow === null || rider.kindNow === spec.kind ? null : { from: rider.kindNow, to: spec.kind }
  return { kind, stack, axle, float, disturbs }
}
