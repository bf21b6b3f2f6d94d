import { term } from '../readings/table/terms.ts'
import type { Message } from '../kernel/message.ts'
import { mm, msg } from '../kernel/message.ts'
import { DEGREES } from '../bike/contactPoints.ts'
import type { ResolvedReadings } from '../readings/resolve.ts'
import { buildModel, modelPlusMinus, modelValues } from './riderModel.ts'
import type { ModelKey } from './riderModel.ts'
import type { BarKind } from '../bike/bikeKinds.ts'
import { trimmed } from '../kernel/entry.ts'

/** Two ways to the same place that do not agree. */
export interface ContactDifference {
  readonly what: 'hands' | 'seat-angle'
  /** first way less second: mm forward and up, or degrees */
  readonly forward: number
  readonly up: number
  /** ± of the difference, same unit, roughly: the larger of what each way carries */
  readonly plusMinus: number
  readonly exceeds: boolean
  readonly words: Message
}

/** What the hands' place rests on, by the parts from the frame on and as measured; their ± add up. */
const givesHands: readonly ModelKey[] = [
  'frameReach',
  'frameStack',
  'headset',
  'spacers',
  'stemLength',
  'barReach',
  'barForward',
  'barRise',
  'handReach',
  'handHeight',
]

/**
 * Where the contact points measured from the bottom bracket and those that follow from the parts
 * disagree, with whether that is more than the tape can tell. The measured ones are used.
 */
export function contactDifferences(resolved: ResolvedReadings, bar: BarKind): ContactDifference[] {
  const values = modelValues(resolved)
  const spreads = modelPlusMinus(resolved)
  const found: ContactDifference[] = []
  const { measured, fromParts } = buildModel(values, bar).hands
  if (measured && fromParts) {
    const forward = measured.x - fromParts.x
    const up = measured.y - fromParts.y
    const plusMinus = Math.hypot(...givesHands.map((key) => spreads[key].right ?? 0))
    const exceeds = Math.hypot(forward, up) > plusMinus
    const way = msg`${mm(Math.abs(forward))} ${forward < 0 ? 'behind' : 'ahead'} and ${mm(Math.abs(up))} ${up < 0 ? 'below' : 'above'}`
    const words = exceeds
      ? msg`Hands measured from the bottom bracket lie ${way} where frame, stem and bar put them: more than ±${mm(plusMinus)}. Check the frame’s figures and the bar’s; the measured place is used.`
      : msg`Hands measured and hands from frame, stem and bar agree within ±${mm(plusMinus)} (${way}).`
    found.push({ what: 'hands', forward, up, plusMinus, exceeds, words })
  }
  const typed = resolved.seatAngle.right
  const nose = resolved.saddleSetback.right
  const sit = resolved.sitFromNose.right
  const height = resolved.saddleHeight.right
  if (typed?.basis === 'measured' && nose?.basis === 'measured' && sit && height && Math.abs(nose.value + sit.value) < height.value) {
    const other = Math.acos((nose.value + sit.value) / height.value) * DEGREES
    const perMm = DEGREES / height.value
    const plusMinus = Math.hypot(typed.plusMinus, perMm * nose.plusMinus, perMm * sit.plusMinus)
    const forward = typed.value - other
    const exceeds = Math.abs(forward) > plusMinus
    const words = exceeds
      ? msg`The seat angle read (${trimmed(typed.value, 1)}°) and the one from the saddle’s nose and ${term('sit-point')} (${trimmed(other, 1)}°) differ by more than ±${trimmed(plusMinus, 1)}°. Check the nose, or where on the saddle the rider sits; the angle read is used.`
      : `Seat angle read and seat angle from the saddle’s nose agree within ±${trimmed(plusMinus, 1)}°.`
    found.push({ what: 'seat-angle', forward, up: 0, plusMinus, exceeds, words })
  }
  return found
}
