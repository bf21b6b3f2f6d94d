import { joined } from '../../../kernel/message.ts'
import type { VisitContext } from '../../../station/context.ts'
import { LOW_TORSO } from '../../../body/postureLimits.ts'
import { bikeKindOf } from '../../../bike/bikeKinds.ts'
import type { BikeKind } from '../../../bike/bikeKinds.ts'
import { curveAngle } from '../../../bike/saddleShape.ts'
import type { ReadingKey } from '../../../readings/readingDefinitions.ts'
import { chosen, measured, measuredValue } from '../../../readings/resolve.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { Finding } from '../../../kernel/finding.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import { climbInput, tiltHead } from './readings.ts'
import { saddleShapeNow } from '../saddle/readings.ts'
import { climbTilt, tiltTarget } from './rules.ts'
import type { Climb, TiltTarget, TiltUseKey } from './rules.ts'
import type { TiltHead } from './bolts.ts'

import { judged, toAim, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { into, intoBoth } from '../../../station/say.ts'
import { slidesForward, softTissue, told } from '../complaints/told.ts'

/** What the fitter may choose here. */
interface TiltChoices {
  readonly tiltUse?: TiltUseKey | undefined
}

export interface TiltStanding {
  /** where the rider sits */
  readonly now: Quantity | null
  readonly use: TiltUseKey
  readonly target: TiltTarget
  readonly climb: Climb | null
  /** against the band of its use; null while it is not read */
  readonly stands: Judged | null
  /** degrees to the aim; 0 inside the band or while it is not read */
  readonly by: number
  readonly tipToTail: Quantity | null
  /** the saddle's own curve: line from tail to nose against the sitting zone */
  readonly curve: number
  readonly curveRead: boolean
  readonly head: TiltHead | null
  readonly headMissing: readonly ReadingKey[]
  readonly findings: readonly Finding[]
}

/** What a bike's kind and the torso ask of the tilt. */
export function usualTiltUse(kind: BikeKind, torso: number | null): TiltUseKey {
  const { use } = bikeKindOf(kind)
  if (use === 'mountain' || use === 'low') return use
  return torso !== null && torso < LOW_TORSO ? 'low' : 'road'
}

/** How the saddle's nose stands where the rider sits. */
export function tiltStanding({
  setup,
  complaints,
  choices,
  kind,
  metrics,
}: Pick<VisitContext, 'setup' | 'complaints' | 'kind' | 'metrics'> & { readonly choices: TiltChoices }): TiltStanding {
  const { now } = setup
  const read = measured(now, 'saddleTilt')
  const use = choices.tiltUse ?? usualTiltUse(kind, metrics?.torso ?? null)
  const input = climbInput(setup)
  const climb = input && climbTilt(input)
  const sits = chosen(now, 'sitsWhere')
  const slides = slidesForward(complaints)
  const target = tiltTarget(use, climb, {
    down: [...told(complaints, [...softTissue, 'low-back'])],
    up: [...told(complaints, ['hand-thumb', 'hand-little']), ...(slides || sits === 'nose' ? ['slides forward'] : [])],
  })
  const stands = read && judged(read.value, read.plusMinus, target.band, { aim: target.aim })
  const { head, missing } = tiltHead(now)
  const shape = saddleShapeNow(now)
  const curveRead = measuredValue(now, 'saddleTailRise') !== null
  const tipToTail = measured(now, 'tipToTail')
  const standing = {
    now: read,
    use,
    target,
    climb,
    tipToTail,
    curve: curveAngle(shape),
    curveRead,
    head,
    headMissing: missing,
    stands,
    by: stands === null ? 0 : toAim(stands),
  }
  return { ...standing, findings: tiltFindings(standing) }
}

function tiltFindings({
  now,
  target: { band, aim, why },
  stands,
  tipToTail,
  curve,
  curveRead,
  by,
  use,
}: Omit<TiltStanding, 'findings'>): Finding[] {
  const found: Finding[] = []
  const add = intoBoth(found)
  const words = (angle: number) => `${trimmed(Math.abs(angle), 1)}° nose ${angle > 0 ? 'up' : 'down'}`
  const asked = `${trimmed(-band.high, 1)} to ${trimmed(-band.low, 1)}° nose down where you sit, aim ${trimmed(-aim, 1)}°`
  if (now === null || stands === null) {
    const guess = tipToTail === null ? null : tipToTail.value - curve
    add(
      'not-read',
      'act',
      'Tilt where the rider sits is not read.',
      guess === null
        ? 'A level on a short board over the sitting zone; dropper up, bike on level ground.'
        : `Nose to tail reads ${words(tipToTail?.value ?? 0)}; with this saddle’s ${curveRead ? '' : 'usual '}curve the sitting zone would stand ${words(guess)}. Lay the level there.`,
    )
    return found
  }
  const { weight } = verdictOf(stands)
  const verdict = into(found, 'saddleTilt')
  if (by === 0)
    verdict(
      'tilt-fits',
      'both',
      'fine',
      now.value === 0 ? 'Level where you sit.' : `${words(now.value)} where you sit.`,
      joined([`${asked}.`, ...why.slice(0, 1)]),
    )
  else if (now.value > band.high) {
    verdict(
      'nose-up',
      'both',
      weight,
      now.value > 0 ? `${words(now.value)}: too much.` : 'A little more nose down.',
      joined([
        `${asked}.`,
        ...(now.value > 0 ? ['Nose up has no known good reason: numb soft tissue, blocked from reaching forward, low back bent.'] : []),
        ...why.slice(1),
      ]),
    )
  } else {
    verdict(
      'nose-down',
      'both',
      weight,
      `${words(now.value)}: too far.`,
      joined([`${asked}. Too far down slides the rider forward; hands and knees carry it.`, ...why.slice(1)]),
    )
  }
  if (tipToTail !== null && Math.abs(tipToTail.value - now.value) > 1) {
    add(
      'tip-to-tail',
      'note',
      `Nose to tail reads ${words(tipToTail.value)}.`,
      `A curved saddle: ${trimmed(Math.abs(tipToTail.value - now.value), 1)}° apart from where you sit. Set it by the sitting zone.`,
    )
  }
  if (use === 'low' || use === 'road') {
    if (now.value < -5)
      add(
        'far-down',
        'note',
        'Further than fitters usually go.',
        'One uncontrolled study eased low backs with 10 to 15°; slides and loaded hands are the price.',
        'salai',
      )
  }
  return found
}
