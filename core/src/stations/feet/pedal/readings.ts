import { measuredValue, chosen } from '../../../readings/resolve.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import type { InUse } from './switch.ts'

/** Pedal and shoe in use. Axle to the sole's outside is what was measured to the foot, less the sole. */
export function pedalInUse(now: ResolvedReadings): InUse {
  const stack = measuredValue(now, 'soleStack')
  const sole = measuredValue(now, 'soleThickness')
  return {
    stack: stack === null || sole === null ? null : stack - sole,
    axle: measuredValue(now, 'axleLength'),
    recess: chosen(now, 'recess'),
  }
}
