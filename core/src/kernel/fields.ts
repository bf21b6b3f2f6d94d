import { z } from 'zod'

/** A mark from 1 (poor) to 5 (good), by common practice of the trade. */
export const markField = (label: string, low = 'poor', high = 'good') => {
  const error = `${label} must be a whole mark from 1 (${low}) to 5 (${high}).`
  return z.number({ error }).int({ error }).min(1, { error }).max(5, { error })
}

/** A text with a least and a greatest length that says so. */
export const textField = (label: string, min: number, max: number) => {
  const error = `${label} must have ${min > 0 ? `${min} to` : 'at most'} ${max} characters.`
  return z.string({ error }).trim().min(min, { error }).max(max, { error })
}
export const signed = (value: number, digits = 1) => value.toFixed(digits).replace('-', '−')
export const rangeField = z.object({ low: z.number(), high: z.number() })
