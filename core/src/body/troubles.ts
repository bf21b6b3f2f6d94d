import type { Message } from '../kernel/message.ts'
import { mm, msg } from '../kernel/message.ts'
import { sides } from '../kernel/sided.ts'
import { hipOf, legAt } from './rider.ts'
import type { RiderModel } from './rider.ts'
import { extremeReach } from './turn.ts'
import { upperPosture } from './upperBody.ts'

/**
 * What is impossible about a rider on a bike, in words: a leg that does not reach, a knee that cannot
 * fold, a hip below the pedal, arms that do not meet the hands. Empty when all of it holds.
 */
export function riderTroubles(model: RiderModel): Message[] {
  const hip = hipOf(model)
  const found: Message[] = []
  if (hip.y <= model.crank) {
    found.push('The hip would lie below the pedal at its top. Check saddle height and crank length.')
  }
  for (const side of sides) {
    const leg = model.legs[side]
    const far = legAt(model, leg, hip, extremeReach(model, leg, hip, 1))
    const near = legAt(model, leg, hip, extremeReach(model, leg, hip, -1))
    const longest = leg.thigh + leg.shank
    const shortest = Math.abs(leg.thigh - leg.shank)
    if (far.kneeFlexion === null && far.distance > longest) {
      found.push(
        msg`The ${side} leg is ${mm(far.distance - longest)} short of the pedal where it is furthest. Check saddle height, crank, thigh and shank.`,
      )
    } else if (near.kneeFlexion === null && near.distance < shortest) {
      found.push(`The ${side} knee cannot fold enough at the top. Check saddle height, crank, thigh and shank.`)
    }
  }
  if (model.grips) {
    const upper = upperPosture(model.upper, hip, model.grips)
    if (!upper.reaches) {
      found.push(
        upper.short > 0
          ? msg`Trunk and arms are ${mm(Math.abs(upper.short))} short of the hands. Check hand ahead of BB, hand above BB, trunk and arms.`
          : `The hands are too near for trunk and arms with the elbows at this bend. Check hand ahead of BB and the elbow bend.`,
      )
    }
  }
  return found
}
