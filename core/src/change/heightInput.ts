import type { HeightInput } from '../seat/heightMethods.ts'
import type { Side } from '../quantity/sided.ts'
import { legFor } from './cleatKnockOn.ts'
import type { Setup } from './setup.ts'

/** One leg as the saddle-height methods take it; null while readings are lacking. */
export function heightInputOf(setup: Setup, side: Side): HeightInput | null {
  const leg = setup.legs[side]
  const setback = setup.cleat[side].setbackNow
  const inseam = setup.now.inseam.right
  if (!leg.ready || setback === null || inseam === null) return null
  const { saddleHeight: _, ...rest } = legFor({ ...leg.input, setbackFrom: setback.value, setbackTo: setback.value }, setback.value)
  return { inseam: inseam.value, leg: { ...rest, saddleHeight: 0 } }
}
