import { mm, msg } from '../../../kernel/message.ts'
import type { Side } from '../../../kernel/sided.ts'
import { sideName } from '../../../kernel/finding.ts'
import type { Finding } from '../../../kernel/finding.ts'

/** Front wheel and foot; mm. */
export interface ToeInput {
  readonly frontCentre: number
  /** bottom bracket below the line of the axles */
  readonly bbDrop: number
  readonly wheelDiameter: number
  readonly crank: number
  /** pedal's axle to the shoe's tip, along the foot */
  readonly toeAhead: number
}

/** Least gaps over the turn of the crank, foot level, wheel across, mm; minus = they overlap. */
export interface ToeClearance {
  /** pedal's axle to the tyre, as the standard measures it */
  readonly axle: number
  readonly toe: number
}

/** From the pedal's axle to the tyre, with something that holds the foot, and without, mm. @source iso-4210 */
export const TOE_ASKED = { held: 89, free: 100 } as const
/** Nearer than this is said: a shoe's tip is not a point, mm. @source prior */
const CLOSE = 15
/** What shoe and sole add ahead of the insole, and ahead of a foot whose shoe was not measured, mm. @source prior */
export const TIP = { insole: 8, foot: 20 } as const

/**
 * The pedal goes round the bracket; moved ahead by the foot's length it still goes round a circle, so
 * the least gap is the distance of that circle's middle from the front axle less crank and wheel.
 * @source geometry
 */
export function toeClearance({ frontCentre, bbDrop, wheelDiameter, crank, toeAhead }: ToeInput): ToeClearance {
  const ahead = Math.sqrt(Math.max(0, frontCentre * frontCentre - bbDrop * bbDrop))
  const gap = (by: number) => Math.hypot(ahead - by, bbDrop) - crank - wheelDiameter / 2
  return { axle: gap(0), toe: gap(toeAhead) }
}

/** In words, before a cleat goes back and the toes go forward with it. */
export function toeFinding(side: Side, input: ToeInput): Finding {
  const { axle, toe } = toeClearance(input)
  const name = sideName(side)
  const asked =
    axle < TOE_ASKED.held
      ? msg` The standard asks for ${mm(TOE_ASKED.held, 1)} from the pedal’s axle with the foot held; here it is ${mm(axle)}.`
      : ''
  const base = { key: 'toe-clearance', side, source: 'iso-4210' } as const
  if (toe < 0) {
    return {
      ...base,
      weight: 'act',
      headline: `${name} toes reach into the front wheel.`,
      sentence: msg`They overlap by ${mm(-toe)} when the wheel is turned across: tell the rider, and practise slow tight turns with that pedal back. A cleat moved back adds as much.${asked}`,
    }
  }
  if (toe < CLOSE) {
    return {
      ...base,
      weight: 'note',
      headline: `${name} toes pass the front wheel close.`,
      sentence: msg`${mm(toe)} when it is turned across; a cleat moved back takes as much from it.${asked}`,
    }
  }
  return {
    ...base,
    weight: 'fine',
    headline: `${name} toes clear the front wheel.`,
    sentence: msg`By ${mm(toe)}, wheel turned across.${asked}`,
  }
}
