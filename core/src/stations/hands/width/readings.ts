import { ELBOWS_OUT, STATURE_SHARE, widestFor, widthTarget, withinCaps } from './rules.ts'
import type { BarWidthSchoolKey, WidthCap, WidthInput, WidthTarget } from './rules.ts'
import type { BikeKind } from '../../../bike/bikeKinds.ts'
import { sides } from '../../../kernel/sided.ts'
import { combined } from '../../../kernel/quantity.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import { RADIANS } from '../../../bike/contactPoints.ts'
import { measured, standsAt } from '../../../readings/resolve.ts'
import type { Setup } from '../../../rider/setup.ts'

/** Upper arm where nothing is known of it, and its spread, mm. @source prior */
const USUAL_UPPER_ARM = 320
const USUAL_SPREAD = 15
/** What the schools of width go by on this bike; what is not read of the arms is as usual. */
export function widthInput({ now }: Pick<Setup, 'now'>, kind: BikeKind): WidthInput {
  const pair = (key: 'upperArm' | 'handFromEnd', usual: number) => [now[key].left?.value ?? usual, now[key].right?.value ?? usual] as const
  return {
    acromionWidth: measured(now, 'acromionWidth')?.value ?? null,
    stature: measured(now, 'stature')?.value ?? null,
    upperArms: pair('upperArm', USUAL_UPPER_ARM),
    handsFromEnd: pair('handFromEnd', 0),
    kind,
  }
}

/** What a school asks of the bar's width, and the ± of it; mm. */
export interface WidthAsked {
  readonly target: WidthTarget
  readonly plusMinus: number
  /** what holds the target below what the school says; null where nothing does */
  readonly cappedBy: WidthCap | null
}

/** Room wanted beside the hands in the narrowest gap, mm in all. @source prior */
export const GAP_CLEAR = 60

/** What no flat bar should be wider than here: bars of its kind, the narrowest gap, through which it aims to have room, the event. */
export function capsOf({ now, rider }: Pick<Setup, 'now' | 'rider'>, kind: BikeKind): WidthCap[] {
  if (rider.bar === 'drop') return []
  const made = widestFor(kind)
  const gap = measured(now, 'narrowestGap')
  const event = measured(now, 'eventBarWidest')
  return [
    ...(made ? [made] : []),
    ...(gap ? [{ key: 'gap', most: gap.value, aim: gap.value - GAP_CLEAR, plusMinus: gap.plusMinus } as const] : []),
    ...(event ? [{ key: 'event', most: event.value, aim: event.value, plusMinus: event.plusMinus } as const] : []),
  ]
}

/** Width asked for by a school on this bike; null where its own reading is missing or it has nothing to say. */
export function widthAsked(setup: Pick<Setup, 'now' | 'rider'>, school: BarWidthSchoolKey, kind: BikeKind): WidthAsked | null {
  const wanted = widthTarget(school, widthInput(setup, kind))
  if (wanted === null) return null
  const { target, cappedBy } = withinCaps(wanted, capsOf(setup, kind))
  const { acromionWidth, stature, upperArm } = setup.now
  const arms = Math.max(USUAL_SPREAD, ...sides.map((side) => upperArm[side]?.plusMinus ?? 0))
  const shoulders = acromionWidth.left?.plusMinus ?? 0
  const plusMinus = {
    build: combined(shoulders, 2 * arms * Math.sin(ELBOWS_OUT * RADIANS)),
    stature: STATURE_SHARE.aim * (stature.left?.plusMinus ?? 0),
    use: 0,
    acromia: shoulders,
    narrow: shoulders,
    wide: shoulders,
  }[school]
  // What holds the band is what it is known to.
  return { target, plusMinus: cappedBy === null ? plusMinus : cappedBy.plusMinus, cappedBy }
}

/** The bar's width as it is judged: hood to hood on a drop bar, end to end on a flat one. */
export function widthNow({ now, rider }: Pick<Setup, 'now' | 'rider'>): Quantity | null {
  return standsAt(now, rider.bar === 'drop' ? 'hoodWidth' : 'barWidth')
}
