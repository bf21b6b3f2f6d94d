import { HAND_LENGTH_SHARE } from '../../../body/proportions.ts'
import { combined } from '../../../kernel/quantity.ts'
import type { Side } from '../../../kernel/sided.ts'
import { standsAt, measured } from '../../../readings/resolve.ts'
import type { Setup } from '../../../rider/setup.ts'
import type { UncertainValue } from '../../../station/readOf.ts'
import { gripTarget } from './rules.ts'
import type { GripSchoolKey } from './rules.ts'

/** Grip thicker than the hand asks, mm, with ±, what is asked, and what the hand alone asks. @source kong-lowe */
export function gripOver(
  { now }: Pick<Setup, 'now'>,
  side: Side,
  school: GripSchoolKey,
): (UncertainValue & { readonly aim: number; readonly own: number }) | null {
  const [grip, hand] = [standsAt(now, 'gripDiameter', side), measured(now, 'handLength', side)]
  if (grip === null || hand === null) return null
  const { aim, own } = gripTarget(hand.value, school)
  return { value: grip.value - aim, plusMinus: combined(grip.plusMinus, HAND_LENGTH_SHARE * hand.plusMinus), aim, own }
}
