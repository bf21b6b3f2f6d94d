import type { Side } from '../../../kernel/sided.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import { measuredValue } from '../../../readings/resolve.ts'
import type { CleatReadings } from './judge.ts'
import { TIP } from './toeClearance.ts'
import type { ToeInput } from './toeClearance.ts'

/** One foot with its cleat and shoe; estimates included. */
export function cleatReadings(now: ResolvedReadings, side: Side): CleatReadings {
  return {
    setbackNow: now.cleatSetback[side],
    slotForward: now.slotForward[side],
    slotBack: now.slotBack[side],
    shoeSize: now.shoeSize[side],
    heelToMtp1: now.heelToMtp1[side],
    heelToMtp5: now.heelToMtp5[side],
    footLength: now.footLength[side],
  }
}

/** Toes past the front wheel at a cleat setback, or null while wheel, crank or foot are not read. */
export function toeInput(now: ResolvedReadings, side: Side, setback = now.cleatSetback[side]?.value): ToeInput | null {
  const frontCentre = measuredValue(now, 'frontCentre')
  const wheelDiameter = measuredValue(now, 'wheelDiameter')
  const crank = measuredValue(now, 'crank')
  const ball = now.heelToMtp1[side]
  const shoe = measuredValue(now, 'shoeLength', side)
  const foot = measuredValue(now, 'footLength', side)
  const tip = shoe === null ? (foot === null ? null : foot + TIP.foot) : shoe + TIP.insole
  if (frontCentre === null || wheelDiameter === null || crank === null || ball === null || tip === null || setback === undefined)
    return null
  return { frontCentre, bbDrop: now.bbDrop[side]?.value ?? 0, wheelDiameter, crank, toeAhead: tip - (ball.value - setback) }
}
