import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import { mm, msg } from '../../../kernel/message.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { rankParts } from '../../../kernel/ranking.ts'
import type { Ranking, Weights } from '../../../kernel/ranking.ts'
import { criteria, lateralReach, pedalSchools } from './criteria.ts'
import type { PedalRider } from './criteria.ts'
import { RELEASE_ROOM } from '../rotation/judge.ts'
import type { CatalogueEntry, PedalSpec } from './kinds.ts'

/** A stance that is short by less than this is no reason to leave a pedal out, mm. @source prior */
const STANCE_TOLERANCE = 2.5
/** A patch below this presses through a soft sole, mm². @source prior */
const SMALL_PATCH = 1000

/**
 * Why a pedal is not for this rider, whatever it scores.
 * @param floatBinds whether any pedal there is holds this heel's swing; where none does, the widest float comes nearest
 * @source common-practice
 */
export function exclusions(spec: PedalSpec, rider: PedalRider, floatBinds = true): Message[] {
  const found: Message[] = []
  if (spec.massLimit !== null && rider.mass !== null && rider.mass > spec.massLimit) {
    found.push(`Its limit is ${trimmed(spec.massLimit, 0)} kg; the rider is ${trimmed(rider.mass, 0)} kg.`)
  }
  const reach = lateralReach(spec, rider)
  if (rider.widen > STANCE_TOLERANCE && reach < Math.min(rider.widen, STANCE_TOLERANCE + 1)) {
    found.push(msg`${term('stance-width', 'Stance')} should go ${mm(rider.widen)} wider a side; it has ${mm(reach, 1)} of room.`)
  }
  if (spec.patch < SMALL_PATCH && rider.soleStiffness === 'soft' && rider.forefoot) {
    found.push('A small patch on a soft sole is a likely cause of the hot foot.')
  }
  if (spec.release === 0 && (rider.use === 'road' || rider.use === 'long') && !rider.entry) {
    found.push('Nothing holds the foot on long or fast rides: for learning and some trail riding.')
  }
  // Short of room either side is a mark against it; a heel that swings right past the float is let go.
  if (floatBinds && rider.swing !== null && widestFloat(spec) < rider.swing) {
    found.push(
      msg`The heel swings ${trimmed(rider.swing, 1)}°, and needs ${trimmed(rider.swing + 2 * RELEASE_ROOM, 1)}° with room; its widest ${term('float')} is ${trimmed(widestFloat(spec), 1)}°.`,
    )
  }
  return found
}
const widestFloat = (spec: PedalSpec) => Math.max(...spec.floats)

/**
 * Ranks a catalogue of pedals for a rider.
 * @param own weights the fitter has set, 0 to 5, by criterion
 */
export function rankPedals(
  catalogue: readonly Pick<CatalogueEntry, 'id' | 'spec'>[],
  rider: PedalRider,
  own: Weights = {},
): Ranking<PedalSpec> {
  const floatBinds = catalogue.some(({ spec }) => rider.swing === null || widestFloat(spec) >= rider.swing)
  const excluded = (spec: PedalSpec, of: PedalRider) => exclusions(spec, of, floatBinds)
  return rankParts(catalogue, rider, own, { criteria, schools: pedalSchools, exclusions: excluded })
}
