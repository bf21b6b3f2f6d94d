import { lengthWords } from './entry.ts'
import type { LengthUnit } from './entry.ts'

const number = '[+−-]?\\d+(?:\\.\\d+)?'
/** What may stand between the numbers of one amount: "120 to 130 mm", "90 and 120 mm", "118 ±3 mm", "25 × 40 mm". */
const joint = '(?: to | and | or | × |–| ?(?=±))'
/** One or more numbers that share one "mm"; not mm², mm³ or mm/s. */
const amount = new RegExp(`(?<![\\d.])±?${number}(?:${joint}±?${number})* mm(?![²³/\\w])`, 'g')
const numbers = new RegExp(number, 'g')

/**
 * A sentence in the unit in use. What is judged is judged, and recorded, in millimetres; sentences are
 * written so too, and put into the unit of whoever reads them here, where they are shown.
 *
 * Sizes that parts are sold by ("31.8 mm" of a stem's clamp, a 4 mm key) have a no-break space before
 * their mm and stay as they are.
 * @param text lengths as "12.5 mm"; several numbers may share one unit
 * @returns the same words; in inches to a hundredth, and to a thousandth where that would say 0 or the millimetres are said as finely
 */
export function inUnit(text: string, unit: LengthUnit): string {
  if (unit === 'mm' || !text.includes('mm')) return text
  return text.replace(amount, (found) => `${found.slice(0, -' mm'.length).replace(numbers, (mm) => converted(mm, unit))} ${unit}`)
}

function converted(text: string, unit: LengthUnit): string {
  const mm = Number(text.replace('−', '-'))
  const sign = text.startsWith('+') ? '+' : ''
  const isFine = (mm !== 0 && Math.abs(mm) < SMALL) || FINE.test(text)
  const digits = isFine ? 3 : 2
  return sign + lengthWords(mm, unit, digits).slice(0, -` ${unit}`.length)
}

/** an eighth of an inch is 3.175 mm: it comes back as what it was */
const FINE = /\.\d{3}$/
/** mm; below this a hundredth of an inch would say nothing */
const SMALL = 0.2

/** The name of a part as it is shown: a size in it is a name, not an amount. */
export const partName = (name: string): string => name.replaceAll(/(\d) mm\b/g, '$1\u00A0mm')

/** A size a part is sold by: its millimetres stay in any unit. */
export const soldBy = (mm: number | string): string => `${mm}\u00A0mm`
