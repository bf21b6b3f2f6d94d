import { mm, msg } from '../../../kernel/message.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { sideName } from '../../../kernel/finding.ts'
import { verdictOf } from '../../../kernel/judged.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import type { Side } from '../../../kernel/sided.ts'

/** A blade nearer than this to the bar's front where the brake begins to hold comes onto the fingers when pulled hard, mm. @source prior */
export const BITE_LEAST = 25
/** Nearer than this it comes onto the bar before the brake is on: not to be ridden, mm. @source prior */
const BITE_AT_BAR = 10

/** What is wrong with where a brake bites; null where nothing is, or it was not read. On the safe side of its ±. */
export function biteFinding(side: Side, bite: Quantity | null): Finding | null {
  if (bite === null) return null
  const { end, weight } = verdictOf({ ...bite, band: { low: BITE_LEAST, high: Infinity } })
  if (end === null) return null
  const bites = msg`${sideName(side)} brake bites ${mm(bite.value)} from the bar.`
  const shared = { side, headline: bites, source: 'prior' } as const
  const first = 'Cable, pads or bleeding first, as the brake’s maker says.'
  return bite.value - bite.plusMinus < BITE_AT_BAR
    ? { ...shared, key: 'bite-at-bar', weight: 'first', sentence: `Pulled hard it comes onto the bar before it holds. ${first}` }
    : { ...shared, key: 'bite-near', weight, sentence: `Pulled hard it comes onto the fingers. ${first}` }
}
