import type { Side } from '../../../kernel/sided.ts'
import type { KneeNow } from '../../../rider/kneeAtBottom.ts'
import type { Setup } from '../../../rider/setup.ts'
import { heightInputOf } from './input.ts'
import type { KneeStanding } from './judge.ts'

/** One leg as height is judged by it; null while the knee is neither read nor known to the model. */
export function kneeStanding(setup: Setup, side: Side, knee: KneeNow | null): KneeStanding | null {
  return knee && { ...knee, leg: heightInputOf(setup, side)?.leg ?? null }
}
