import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import { mm, msg } from '../../../kernel/message.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { rankParts } from '../../../kernel/ranking.ts'
import type { Ranking, Weights } from '../../../kernel/ranking.ts'
import { BAD_MARK, saddleCriteria, saddleSchools, triedMark } from './criteria.ts'
import type { SaddleRider } from './criteria.ts'
import type { SaddleEntry, SaddleSpec } from './kinds.ts'

/** Less than this beside each bone and the edge is what carries, mm in all. @source common-practice */
const LEAST_OVER = 8
/** Wider than the range by more than this drops a hip to reach the pedal, mm. @source prior */
const MOST_OVER = 40

/** Why a saddle is not for this rider, whatever it scores. @source common-practice */
export function saddleExclusions(spec: SaddleSpec, rider: SaddleRider): Message[] {
  const found: Message[] = []
  if (spec.massLimit !== null && rider.mass !== null && rider.mass > spec.massLimit) {
    found.push(`Its limit is ${trimmed(spec.massLimit, 0)} kg; the rider is ${trimmed(rider.mass, 0)} kg.`)
  }
  if (rider.spacing !== null && spec.width < rider.spacing + LEAST_OVER) {
    found.push(msg`The bones are ${mm(rider.spacing)} apart: they would lie on the edge of ${mm(spec.width)}.`)
  }
  if (rider.width !== null && spec.width > rider.width.high + MOST_OVER) {
    found.push(msg`${mm(spec.width - rider.width.high)} too wide: it rocks the hips and rubs the thighs.`)
  }
  const taller = rider.railHeightNow === null ? 0 : spec.railHeight - rider.railHeightNow
  if (rider.postRoomDown !== null && taller > rider.postRoomDown) {
    found.push(msg`It is ${mm(taller)} taller and the post has ${mm(rider.postRoomDown)} left to go down.`)
  }
  const mark = triedMark(spec, rider)
  if (mark !== null && mark < BAD_MARK) found.push(`Ridden, and rated ${trimmed(mark, 0)} of 10.`)
  return found
}

/**
 * Ranks a catalogue of saddles for a rider.
 * @param own weights the fitter has set, 0 to 5, by criterion
 */
export function rankSaddles(
  catalogue: readonly Pick<SaddleEntry, 'id' | 'spec'>[],
  rider: SaddleRider,
  own: Weights = {},
): Ranking<SaddleSpec> {
  return rankParts(catalogue, rider, own, { criteria: saddleCriteria, schools: saddleSchools, exclusions: saddleExclusions })
}

/** The saddle in use, as far as its exchange needs it; mm, null = not read. */
export interface SaddleInUse {
  readonly sitFromNose: number | null
  readonly railHeight: number | null
  /** nose behind the bottom bracket */
  readonly nose: number | null
}

/** Less than this is the same, mm. @source prior */
const SAME = 0.5

/**
 * What another saddle disturbs while the rider keeps sitting in the same place: the nose goes where
 * its own length puts it, the post takes up its height.
 * @source geometry
 */
export function saddleDisturbs(spec: SaddleSpec, now: SaddleInUse): Message[] {
  const sit = now.sitFromNose === null ? null : spec.sitFromNose - now.sitFromNose
  const height = now.railHeight === null ? null : spec.railHeight - now.railHeight
  const nose =
    sit === null || now.nose === null
      ? msg`Measure ${term('saddle-setback', 'setback')} to where the rider sits, not to the nose: saddles of other length put the nose elsewhere.`
      : Math.abs(sit) < SAME
        ? 'The nose stays where it is for the same seat.'
        : msg`For the same seat its nose stands ${mm(now.nose - sit)} behind the bottom bracket instead of ${mm(now.nose)}.`
  const post =
    height === null
      ? 'Height again, bottom bracket to the top where the rider sits: its height over the rails differs.'
      : Math.abs(height) < SAME
        ? 'Same height over the rails; check it all the same.'
        : msg`It is ${mm(Math.abs(height))} ${height > 0 ? 'taller' : 'lower'} over the rails: the post goes ${height > 0 ? 'down' : 'up'} by as much.`
  const rails = spec.rails === 'carbon' ? ['Carbon rails: only in a clamp its maker allows for them.'] : []
  return [
    nose,
    post,
    msg`Its rails can be clamped over ${mm(spec.railLength)}: see that the ${term('saddle-setback', 'setback')} is within their marks.`,
    'Tilt again where the rider sits.',
    ...rails,
  ]
}
