import type { MetricKey } from '../body/metrics.ts'
import { CREEP, FRONT_WHEEL_LIGHT } from '../body/postureLimits.ts'
import { RADIANS } from '../bike/contactPoints.ts'
import { judged } from '../kernel/judged.ts'
import type { Judged } from '../kernel/judged.ts'
import type { TargetBand } from '../kernel/band.ts'
import { combined } from '../kernel/quantity.ts'
import type { Side } from '../kernel/sided.ts'
import { creepNow } from '../rider/creep.ts'
import { measured } from '../readings/resolve.ts'
import { metricAt, readFrom } from './number.ts'
import type { NumberRow, RiderContext } from './number.ts'

const sided = (left: MetricKey, right: MetricKey) => (context: RiderContext, side: Side) =>
  metricAt(context, side === 'left' ? left : right)
const one = (metric: MetricKey) => (context: RiderContext) => metricAt(context, metric)

/** Hands below the seat: the model's, or by the tape alone. */
export function handsBelow(context: RiderContext, band: TargetBand): Judged | null {
  const modelled = metricAt(context, 'drop')
  if (modelled !== null) return { ...modelled, band }
  const { now } = context.setup
  const [saddle, hand] = [measured(now, 'saddleHeight'), measured(now, 'handHeight')]
  const angle = now.seatAngle.left
  if (saddle === null || hand === null || angle === null) return null
  const byAngle = saddle.value * Math.cos(angle.value * RADIANS) * angle.plusMinus * RADIANS
  const value = saddle.value * Math.sin(angle.value * RADIANS) - hand.value
  return judged(value, combined(saddle.plusMinus, hand.plusMinus, byAngle), band)
}

/** Numbers of the rider that pages of more than one station judge. */
export const riderNumbers = {
  hip: { label: 'Hip angle at top', unit: 'deg', sided: true, readings: readFrom('hipAngle'), at: sided('hipLeft', 'hipRight') },
  torso: { label: 'Torso from level', unit: 'deg', sided: false, readings: readFrom('torsoAngle'), at: one('torso') },
  elbow: { label: 'Elbow bend', unit: 'deg', sided: true, readings: readFrom('elbowFlexion'), at: sided('elbowLeft', 'elbowRight') },
  shoulder: { label: 'Shoulder angle', unit: 'deg', sided: true, readings: readFrom('shoulderAngle'), at: sided('shoulderLeft', 'shoulderRight') },
  wrist: { label: 'Wrist to the little finger', unit: 'deg', sided: true, readings: readFrom('wristAngle'), at: sided('wristLeft', 'wristRight') },
  load: { label: 'Share of the body on the hands', unit: '%', sided: false, readings: readFrom('torsoAngle', 'elbowFlexion'), at: one('load') },
  frontWheel: { label: 'Weight on the front wheel', unit: '%', sided: false, readings: readFrom('chainstay', 'frontCentre', 'bbDrop'), at: (context) => {
    const found = metricAt(context, 'frontWheel')
    return found && { ...found, band: { low: FRONT_WHEEL_LIGHT, high: 100 } }
  } },
  creep: { label: 'Comes forward under effort', unit: 'mm', sided: false, observed: 'creepForward', readings: readFrom('creepForward'), at: ({ setup }) => {
    const creep = creepNow(setup)
    return creep && judged(creep.value, creep.plusMinus, { low: 0, high: CREEP }, { isRead: creep.isRead })
  } },
} as const satisfies Readonly<Record<string, NumberRow<RiderContext>>> // prettier-ignore
