import { mm, msg, range } from '../../../kernel/message.ts'
import type { VisitContext } from '../../../station/context.ts'
import { chosen, measuredValue } from '../../../readings/resolve.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { combined } from '../../../kernel/quantity.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import { hurts } from '../../../talk/complaint.ts'
import type { MatResult } from '../mat/analysis.ts'
import type { SaddleRider } from './criteria.ts'
import type { WidthRange } from './width.ts'

import { judged, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import type { Proposal } from '../../../station/station.ts'
import type { Setup } from '../../../rider/setup.ts'
import { readingAt } from '../../../station/number.ts'
import { into, intoBoth, reasonOf } from '../../../station/say.ts'
import { slidesAbout, softTissue } from '../complaints/told.ts'

/** The saddle's width against what these bones and this posture ask, mm. */
export function widthStands(width: WidthRange | null, saddle: Quantity | null): Judged | null {
  if (width === null || saddle === null) return null
  const { low, high, middle } = width
  return judged(saddle.value, combined(width.plusMinus, saddle.plusMinus), { low, high }, { aim: middle })
}

/** A nose wider than this meets the thighs of most riders, mm. @source prior */
const NOSE_WIDTH = { low: 0, high: 50 } as const

/** A nose that meets the thighs; a narrow one is nothing to speak of. @source common-practice */
export function noseFindings(nose: Judged | null): Finding[] {
  const found: Finding[] = []
  if (nose === null) return found
  const { end, weight } = verdictOf(nose)
  if (end === 'high')
    into(found, 'noseWidth')(
      'nose-wide',
      'both',
      weight,
      msg`The nose is ${mm(nose.value)} wide.`,
      msg`Up to ${mm(NOSE_WIDTH.high)} lets most thighs past. Where it rubs: a narrower nose, or the front set narrower on a saddle that allows it.`,
      'prior',
    )
  return found
}

/** The saddle's nose against what lets thighs past, mm; null while it is not read. */
export function noseStands(setup: Setup): Judged | null {
  return readingAt(setup, 'saddleNoseWidth', 'left', NOSE_WIDTH)
}

/** By how much the front of this saddle is set narrower, until it is within its band ± and all; 0 where it cannot be, or nothing clear asks for it. */
export function narrowerFront(setup: Setup): number {
  const [nose, least] = [noseStands(setup), measuredValue(setup.now, 'saddleNoseLeast')]
  if (nose === null || least === null || !verdictOf(nose).isClear || nose.value <= NOSE_WIDTH.high) return 0
  return Math.min(0, Math.round(Math.max(least, NOSE_WIDTH.high - nose.plusMinus) - nose.value))
}

export function noseProposals(setup: Setup, findings: readonly Finding[]): Proposal[] {
  const by = narrowerFront(setup)
  if (by === 0) return []
  const requested = [{ setting: 'saddleNoseWidth' as const, side: 'both' as const, by }]
  return [{ key: 'front', words: msg`Front set ${mm(-by)} narrower`, requested, reason: reasonOf(findings, 'nose-wide') }]
}

/** Width against the range, and the mat's spacing against the one in use. @source common-practice */
export function widthFindings(width: WidthRange, stands: Judged | null, mat: MatResult | null): Finding[] {
  const found: Finding[] = []
  const add = intoBoth(found)
  const asked = range(width.low, width.high)
  if (stands !== null) {
    const { end, beyond, weight } = verdictOf(stands)
    const verdict = into(found, 'saddleWidth')
    const doubt = weight === 'note' ? msg`, within ±${mm(stands.plusMinus)}` : ''
    const against = msg`${mm(stands.value)} against ${asked}${doubt}.`
    if (end === null) verdict('width-fits', 'both', weight, 'The width fits.', msg`${mm(stands.value)}, asked ${asked}.`)
    else if (end === 'low') {
      const narrow = 'Too narrow: pushes back searching for width, and the middle carries.'
      verdict('narrow', 'both', weight, msg`The saddle is ${mm(beyond)} narrow.`, msg`${against} ${narrow}`)
    } else {
      const wide = 'Too wide: rocks, drops a hip to reach the pedal, rubs the thighs.'
      verdict('wide', 'both', weight, msg`The saddle is ${mm(beyond)} wide.`, msg`${against} ${wide}`)
    }
  }
  if (mat && mat.spacing !== null && mat.spacingPlusMinus !== null) {
    const spacing = width.middle - width.decides.allowance.allowance
    const apart = mat.spacing - spacing
    if (Math.abs(apart) > Math.hypot(mat.spacingPlusMinus, width.plusMinus)) {
      add(
        'mat-differs',
        'note',
        msg`The mat sees the bones ${mm(mat.spacing)} apart.`,
        msg`That is ${mm(Math.abs(apart))} ${apart < 0 ? 'less' : 'more'} than what is entered. On a narrow saddle a mat reads too little; an impression is the better one.`,
      )
    }
  }
  return found
}

/** What saddles are ranked by for this rider. */
export function saddleRider(
  { setup, complaints, metrics, tried }: Pick<VisitContext, 'setup' | 'complaints' | 'metrics'> & { readonly tried: SaddleRider['tried'] },
  width: WidthRange | null,
): SaddleRider {
  const { now } = setup
  const rocks = chosen(now, 'pelvisRock')
  const sits = chosen(now, 'sitsWhere')
  return {
    mass: measuredValue(now, 'mass'),
    spacing: measuredValue(now, 'sitBoneSpacing'),
    width: width && { low: width.low, high: width.high },
    torso: width?.decides.torso ?? metrics?.torso ?? null,
    softTissue: hurts(complaints, softTissue, 'both'),
    sitBones: hurts(complaints, ['sit-bone'], 'both'),
    rocks: rocks !== null && rocks !== 'none',
    creeps: slidesAbout(complaints) || (sits !== null && sits !== 'middle'),
    hours: measuredValue(now, 'rideHours'),
    postRoomDown: measuredValue(now, 'postRoomDown'),
    railHeightNow: measuredValue(now, 'saddleRailHeight'),
    tried,
  }
}
