import type { Message } from '../../../kernel/message.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import type { SourceKey } from '../../../kernel/sources.ts'
import { keysOf } from '../../../kernel/tables.ts'
import { itemAt } from '../../../kernel/dense.ts'

/** What is added to the spacing for a torso from this angle up; mm and degrees from level. */
export interface Allowance {
  readonly key: string
  readonly from: number
  /** the edge itself still belongs to the row below: exactly 60 is 45–60 */
  readonly beyond?: true
  readonly allowance: number
  readonly label: string
  /** what else follows from it */
  readonly note?: string
  readonly source: SourceKey
}

/** Uprightest first. Makers’ own tables outrank this one. @source common-practice */
const postureAllowances: readonly Allowance[] = [
  { key: 'upright', from: 60, beyond: true, allowance: 30, label: 'upright', source: 'common-practice' },
  { key: 'raised', from: 45, allowance: 25, label: 'half upright', source: 'common-practice' },
  { key: 'leaning', from: 30, allowance: 20, label: 'leaning', source: 'common-practice' },
  { key: 'low', from: -Infinity, allowance: 10, label: 'low', note: 'the pelvis rolls onto narrower bone, so the nose’s shape counts more', source: 'common-practice' },
] // prettier-ignore

/** Which posture decides the width. */
export interface WidthSchool {
  readonly label: string
  readonly says: Message
  /** which of the postures, uprightest first */
  readonly decides: <Row extends Pick<SitPosture, 'usual'>>(rows: readonly Row[]) => Row | undefined
  readonly source: SourceKey
}
export const saddleWidthSchools = {
  upright: {
    label: 'Most upright',
    says: 'The bones must be carried however upright the rider sits: the most upright position decides.',
    decides: (rows) => rows[0],
    source: 'common-practice',
  },
  usual: {
    label: 'Usual hands',
    says: 'Where the hands usually are decides: more width would only rub the thighs.',
    decides: (rows) => rows.find((row) => row.usual) ?? rows[0],
    source: 'common-practice',
  },
  lowest: {
    label: 'Lowest',
    says: 'The lowest position decides: for riders who stay low and never sit up.',
    decides: (rows) => rows.at(-1),
    source: 'common-practice',
  },
} as const satisfies Readonly<Record<string, WidthSchool>>
export type SaddleWidthSchoolKey = keyof typeof saddleWidthSchools
export const saddleWidthSchoolKeys = keysOf(saddleWidthSchools)
export const defaultSaddleWidthSchool: SaddleWidthSchoolKey = 'upright'

/** Saddles come in sizes about this far apart; half of it either way is the same saddle, mm. @source prior */
const HALF_SIZE = 5

export interface SitPosture {
  /** words for where the hands are */
  readonly hands: string
  readonly usual: boolean
  /** degrees from level */
  readonly torso: number
  readonly plusMinus: number
}

/** Width for one posture, mm at the saddle’s widest. */
export interface PostureWidth extends SitPosture {
  readonly allowance: Allowance
  /** the neighbour that the torso’s ± reaches into; null where it stays clear of the edges */
  readonly doubt: Allowance | null
  readonly low: number
  readonly high: number
}

export interface WidthRange {
  readonly postures: readonly PostureWidth[]
  readonly decides: PostureWidth
  /** mm at the widest; half a size is in it, and the torso’s own doubt */
  readonly low: number
  readonly high: number
  readonly middle: number
  /** of the spacing, mm */
  readonly plusMinus: number
}

/** The row of the table that a torso angle falls in; an edge belongs to the row above it. */
export function allowanceFor(torso: number): Allowance {
  const row = postureAllowances.find(({ from, beyond }) => (beyond ? torso > from : torso >= from))
  return row ?? itemAt(postureAllowances, postureAllowances.length - 1)
}

/**
 * Saddle width from sit-bone spacing and posture: spacing + allowance, in each hand position, and
 * the range of the position that decides.
 * @param spacing centre to centre of the sit bones, mm
 * @returns null without a posture
 * @source common-practice
 */
export function widthRange(
  spacing: Pick<Quantity, 'value' | 'plusMinus'>,
  postures: readonly SitPosture[],
  school: SaddleWidthSchoolKey,
): WidthRange | null {
  const rows = postures.map((posture): PostureWidth => {
    const allowance = allowanceFor(posture.torso)
    const ends = [allowanceFor(posture.torso - posture.plusMinus), allowanceFor(posture.torso + posture.plusMinus)]
    const doubt = ends.find((end) => end.key !== allowance.key) ?? null
    const all = [allowance, ...ends].map((row) => row.allowance)
    return {
      ...posture,
      allowance,
      doubt,
      low: spacing.value + Math.min(...all) - HALF_SIZE,
      high: spacing.value + Math.max(...all) + HALF_SIZE,
    }
  })
  const decides = saddleWidthSchools[school].decides([...rows].sort((a, b) => b.torso - a.torso))
  if (!decides) return null
  const { low, high } = decides
  return { postures: rows, decides, low, high, middle: spacing.value + decides.allowance.allowance, plusMinus: spacing.plusMinus }
}
