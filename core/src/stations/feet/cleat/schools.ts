import { rowKeys } from '../../../kernel/tables.ts'
import { msg } from '../../../kernel/message.ts'
import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import type { SourceKey } from '../../../kernel/sources.ts'

/** How a school places the axle; each kind is read by `cleatTarget`. */
export type SchoolRule =
  | {
      readonly kind: 'by-shoe-size'
      readonly from: readonly [size: number, setback: number]
      readonly to: readonly [size: number, setback: number]
      readonly tolerance: number
    }
  | { readonly kind: 'band'; readonly low: number; readonly high: number }
  | { readonly kind: 'between-heads'; readonly tolerance: number }
  | { readonly kind: 'share-of-foot'; readonly share: number; readonly tolerance: number }

/** A school of cleat placement. */
export interface CleatSchool {
  readonly key: string
  readonly label: string
  /** under the vial, where room is short */
  readonly tick: string
  readonly rule: SchoolRule
  readonly suits: string
  readonly reason: Message
  readonly source: SourceKey
}

/**
 * The schools, default first. Setbacks in mm behind MTP1. A tolerance of 2.5 mm is half a step:
 * closer than that no further step would be taken.
 */
export const cleatSchools = [
  {
    key: 'behind-ball',
    label: 'Behind the ball',
    tick: 'behind',
    rule: { kind: 'by-shoe-size', from: [38, 20], to: [47, 30], tolerance: 2.5 },
    suits: 'Most riders; numb toes, hot foot, calf or Achilles, knee.',
    reason: msg`The further forward the axle, the more calf, ankle and forefoot must hold; ${term('cleat-setback', 'behind the ball')} they are unloaded.`,
    source: 'common-practice',
  },
  {
    key: 'ball-over-axle',
    label: 'Ball over axle',
    tick: 'ball',
    rule: { kind: 'band', low: 0, high: 10 },
    suits: 'Short sprints, high cadence, riders used to it with no complaint.',
    reason: 'The ankle takes full part in the stroke, and calf and forefoot carry it.',
    source: 'common-practice',
  },
  {
    key: 'between-heads',
    label: 'Between the heads',
    tick: 'between',
    rule: { kind: 'between-heads', tolerance: 2.5 },
    suits: 'A compromise between the first two.',
    reason: 'The axle crosses midway between the first and fifth metatarsal heads, so the whole ball shares the load.',
    source: 'common-practice',
  },
  {
    key: 'mid-foot',
    label: 'Mid-foot',
    tick: 'mid',
    rule: { kind: 'share-of-foot', share: 0.5, tolerance: 5 },
    suits: 'For rides over several days, or trouble in foot or calf; needs drilled shoes.',
    reason: 'At the tarsometatarsal line, about half of foot length, the calf hardly works at all.',
    source: 'common-practice',
  },
] as const satisfies readonly CleatSchool[]

export type CleatSchoolKey = (typeof cleatSchools)[number]['key']
export const cleatSchoolKeys = rowKeys<CleatSchoolKey>(cleatSchools)
export const defaultCleatSchool: CleatSchoolKey = 'behind-ball'

export function cleatSchool(key: CleatSchoolKey): CleatSchool {
  return cleatSchools.find((school) => school.key === key) ?? cleatSchools[0]
}
