import { trimmed } from '../quantity/entry.ts'
import { rankParts } from '../quantity/ranking.ts'
import type { Ranking, Weights } from '../quantity/ranking.ts'
import { BAD_MARK, saddleCriteria, saddleSchools, triedMark } from './saddleCriteria.ts'
import type { SaddleRider } from './saddleCriteria.ts'
import type { SaddleEntry, SaddleSpec } from './saddleKinds.ts'

/** Less than this beside each bone and the edge is what carries, mm in all. @source common-practice */
export const LEAST_OVER = 8
/** Wider than the range by more than this drops a hip to reach the pedal, mm. @source prior */
export const MOST_OVER = 40

/** Why a saddle is not for this rider, whatever it scores. @source common-practice */
export function saddleExclusions(spec: SaddleSpec, rider: SaddleRider): string[] {
  const found: string[] = []
  if (spec.massLimit !== null && rider.mass !== null && rider.mass > spec.massLimit) {
    found.push(`Its limit is ${trimmed(spec.massLimit, 0)} kg; the rider is ${trimmed(rider.mass, 0)} kg.`)
  }
  if (rider.spacing !== null && spec.width < rider.spacing + LEAST_OVER) {
    found.push(`The bones are ${trimmed(rider.spacing, 0)} mm apart: they would lie on the edge of ${trimmed(spec.width, 0)} mm.`)
  }
  if (rider.width !== null && spec.width > rider.width.high + MOST_OVER) {
    found.push(`${trimmed(spec.width - rider.width.high, 0)} mm wider than asked: it rocks the hips and rubs the thighs.`)
  }
  const taller = rider.railHeightNow === null ? 0 : spec.railHeight - rider.railHeightNow
  if (rider.postRoomDown !== null && taller > rider.postRoomDown) {
    found.push(`It is ${trimmed(taller, 0)} mm taller and the post has ${trimmed(rider.postRoomDown, 0)} mm left to go down.`)
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

/** The saddle in use, as far as it is read; mm. */
export interface SaddleInUse {
  readonly kind: number | null
  readonly width: number | null
  readonly length: number | null
  readonly sitFromNose: number | null
  readonly railHeight: number | null
  /** nose behind the bottom bracket */
  readonly nose: number | null
}

/** An exchange: by how much each figure changes, null where the one in use is not read; and what it disturbs, in words. */
export interface SaddleSwitch {
  readonly kind: number | null
  readonly width: number | null
  readonly length: number | null
  readonly sitFromNose: number | null
  readonly railHeight: number | null
  readonly disturbs: readonly string[]
}

/**
 * What another saddle changes while the rider keeps sitting in the same place: the nose goes where
 * its own length puts it, the post takes up its height.
 * @source geometry
 */
export function saddleSwitch(spec: SaddleSpec, now: SaddleInUse): SaddleSwitch {
  const by = (to: number, from: number | null) => (from === null ? null : to - from)
  const sit = by(spec.sitFromNose, now.sitFromNose)
  const height = by(spec.railHeight, now.railHeight)
  const nose =
    sit === null || now.nose === null
      ? 'Measure setback to where the rider sits, not to the nose: saddles of other length put the nose elsewhere.'
      : Math.abs(sit) < 0.5
        ? 'The nose stays where it is for the same seat.'
        : `For the same seat its nose stands ${trimmed(now.nose - sit, 0)} mm behind the bottom bracket instead of ${trimmed(now.nose, 0)}.`
  const post =
    height === null
      ? 'Height again, bottom bracket to the top where the rider sits: its height over the rails differs.'
      : Math.abs(height) < 0.5
        ? 'Same height over the rails; check it all the same.'
        : `It is ${trimmed(Math.abs(height), 0)} mm ${height > 0 ? 'taller' : 'lower'} over the rails: the post goes ${height > 0 ? 'down' : 'up'} by as much.`
  const rails = spec.rails === 'carbon' ? ['Carbon rails: only in a clamp its maker allows for them.'] : []
  return {
    kind: by(spec.kind, now.kind),
    width: by(spec.width, now.width),
    length: by(spec.length, now.length),
    sitFromNose: sit,
    railHeight: height,
    disturbs: [
      nose,
      post,
      `Its rails can be clamped over ${trimmed(spec.railLength, 0)} mm: see that the setback is within their marks.`,
      'Tilt again where the rider sits.',
      ...rails,
    ],
  }
}
