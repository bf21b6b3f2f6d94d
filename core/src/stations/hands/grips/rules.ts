import type { Message } from '../../../kernel/message.ts'
import { HAND_LENGTH_SHARE } from '../../../body/proportions.ts'
import type { SourceKey } from '../../../kernel/sources.ts'
import { keysOf } from '../../../kernel/tables.ts'

/** Diameters grips are made in, mm. @source common-practice */
const GRIP_RANGE = { low: 28, high: 36 } as const
/** A grip fits this much thinner than asked to this much thicker, mm: a hand minds a thick one sooner. @source prior */
export const GRIP_FITS = { thinner: 6, thicker: 2 } as const

interface GripSchool {
  readonly label: string
  readonly says: Message
  /** against what closes best round the hand, mm */
  readonly by: number
  readonly source: SourceKey
}
export const gripSchools = {
  match: { label: 'Match the hand', says: 'Fingers and thumb close without curling onto the palm.', by: 0, source: 'kong-lowe' },
  thinner: { label: 'Thinner than you think', says: 'A hand that closes holds lightly and tires less.', by: -2, source: 'common-practice' },
} as const satisfies Readonly<Record<string, GripSchool>>
export type GripSchoolKey = keyof typeof gripSchools
export const gripSchoolKeys = keysOf(gripSchools)
export const defaultGripSchool: GripSchoolKey = 'match'

/** A grip for a hand, mm. */
export interface GripTarget {
  /** by the hand alone */
  readonly own: number
  /** what is made */
  readonly aim: number
}

/**
 * Full diameter of the grip for a hand, held to what is made.
 * @param handLength crease of the wrist to the middle finger's tip, mm
 * @source kong-lowe
 */
export function gripTarget(handLength: number, school: GripSchoolKey = defaultGripSchool): GripTarget {
  const own = HAND_LENGTH_SHARE * handLength + gripSchools[school].by
  return { own, aim: Math.min(GRIP_RANGE.high, Math.max(GRIP_RANGE.low, own)) }
}
