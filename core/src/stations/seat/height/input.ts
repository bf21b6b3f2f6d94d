import { sitPoint } from '../../../bike/contactPoints.ts'
import { isPedalling } from '../../../rider/kneeAtBottom.ts'
import { lateralOf } from '../../../body/rider.ts'
import { seatAngleOf } from '../../../model/riderModel.ts'
import type { Side } from '../../../kernel/sided.ts'
import type { Setup } from '../../../rider/setup.ts'
import type { HeightInput } from './methods.ts'

/** One leg as the saddle-height methods take it, its hip as seen from the seat line; null while readings are lacking. */
export function heightInputOf({ model, now, rider }: Setup, side: Side): HeightInput | null {
  const inseam = now.inseam.right
  const height = now.saddleHeight.right
  if (model === null || inseam === null || height === null) return null
  const leg = model.legs[side]
  const seatAngle = seatAngleOf(rider.values)
  // Rails and tilt carry the sit point off the line along which height is counted.
  const onLine = sitPoint(height.value, seatAngle)
  return {
    inseam: inseam.value,
    pedalling: isPedalling(now, side),
    leg: {
      thigh: leg.thigh,
      shank: leg.shank,
      ankleBehind: leg.ankleBehind,
      ankleAbove: leg.ankleAbove,
      crank: model.crank,
      saddleHeight: 0,
      seatAngle,
      hipForward: model.hipForward + leg.hipAhead + model.sit.x - onLine.x,
      hipUp: model.hipUp + leg.hipAbove + model.sit.y - onLine.y,
      footPitch: leg.footPitch,
      lateral: lateralOf(model, leg),
    },
  }
}
