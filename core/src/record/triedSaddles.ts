import { z } from 'zod'
import { numberField } from '../kernel/calculation.ts'
import { textField } from '../kernel/fields.ts'
import { GOOD_MARK } from '../stations/seat/saddle/criteria.ts'

/** A saddle a rider has ridden, with the rider's own mark. */
export const triedSaddleSchema = z.strictObject({
  name: textField('Saddle', 1, 80),
  /** mm at its widest; null = not written down */
  width: numberField('Width', 90, 320, 'mm').nullable(),
  /** how it was, 0 unbearable to 10 forgotten; null = not asked yet */
  mark: numberField('Mark', 0, 10, '').int({ error: 'Mark must be a whole number from 0 to 10.' }).nullable(),
  /** hours ridden on it; null = not known */
  hours: numberField('Hours', 0, 100_000, 'h').nullable(),
  /** the rider owns a second one */
  spare: z.boolean({ error: 'Spare must be true or false.' }),
  note: textField('Note', 0, 300),
})
export type TriedSaddle = z.infer<typeof triedSaddleSchema>

/** Best first; what was not rated stands at the end. */
export function byMark<T extends Pick<TriedSaddle, 'mark' | 'name'>>(saddles: readonly T[]): T[] {
  return [...saddles].sort((a, b) => (b.mark ?? -1) - (a.mark ?? -1) || a.name.localeCompare(b.name))
}

/** Marks by name in small letters, as the ranking takes them. */
export function marksByName(saddles: readonly Pick<TriedSaddle, 'mark' | 'name'>[]): Record<string, number> {
  return Object.fromEntries(saddles.flatMap(({ name, mark }) => (mark === null ? [] : [[name.toLowerCase(), mark]])))
}

/** What worked and has no second one: models disappear, so the advice is to own a spare. @source common-practice */
export function spareAdvice(saddles: readonly TriedSaddle[]): string | null {
  const best = byMark(saddles).find((saddle) => (saddle.mark ?? 0) >= GOOD_MARK)
  if (!best || best.spare) return null
  return `“${best.name}” worked (${best.mark} of 10). Saddles go out of production: own a spare of it.`
}
