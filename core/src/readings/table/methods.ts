import type { PlainDimension } from '../../kernel/entry.ts'
import type { SourceKey } from '../../kernel/sources.ts'
import { isOneOf, keysOf } from '../../kernel/tables.ts'
import type { ReadingOwner } from './owners.ts'

/** How a value was got, with the ± it carries (k = 2) per kind of value. */
export interface Method {
  readonly label: string
  /** mm */
  readonly length?: number
  /** degrees */
  readonly angle?: number
  /** EU sizes */
  readonly shoeSize?: number
  /** kg */
  readonly mass?: number
  /** a choice among words is right or wrong, without a ± */
  readonly choice?: 0
  /** newton metres, kilometres, hours, turns a minute */
  readonly torque?: number
  readonly distance?: number
  readonly hours?: number
  readonly rate?: number
  readonly gradient?: number
  readonly source: SourceKey
  /** reads only what belongs to these: a maker knows parts, no rider */
  readonly owners?: readonly ReadingOwner[]
  /** reads only what this method is the usual one for */
  readonly where?: string
  /** read off a pedalling rider: an angle taken so bends more than one held still */
  readonly pedalling?: true
  /** read off a picture: camera and markers make all its angles err alike */
  readonly picture?: true
  /** written by the application alone: no way of reading that a fitter could pick */
  readonly isInternal?: true
}

/** Default uncertainties by method: common practice of the trade, set by this table alone. */
export const methods = {
  tape: { label: 'tape', length: 3, source: 'common-practice' },
  ruler: { label: 'ruler', length: 1.5, source: 'common-practice' },
  level: { label: 'phone level', angle: 0.3, source: 'common-practice' },
  goniometer: { label: 'goniometer', angle: 3, source: 'common-practice' },
  photo: { label: 'photo', length: 4, angle: 2, pedalling: true, picture: true, source: 'common-practice' },
  motion: { label: 'motion trace', angle: 1.5, pedalling: true, picture: true, source: 'common-practice' },
  mat: { label: 'pressure mat', length: 4, where: 'card', source: 'common-practice' },
  card: { label: 'impression', length: 3, where: 'card', source: 'common-practice' },
  picture: { label: 'impression, photographed', length: 4, where: 'card', source: 'common-practice' },
  scale: { label: 'scale', mass: 0.5, source: 'common-practice' },
  eye: { label: 'by eye', length: 10, angle: 6, choice: 0, source: 'common-practice' },
  calliper: { label: 'calliper', length: 0.2, source: 'common-practice' },
  maker: {
    label: 'maker’s figure',
    length: 0.5,
    angle: 0.5,
    shoeSize: 0.5,
    torque: 0.5,
    gradient: 0.5,
    owners: ['bike', 'shoe'],
    source: 'common-practice',
  },
  told: { label: 'as told', distance: 500, hours: 1, rate: 8, gradient: 3, source: 'common-practice' },
  template: { label: 'template', angle: 1, where: 'template', source: 'common-practice' },
  carried: { label: 'carried over', length: 10, angle: 6, shoeSize: 1, isInternal: true, source: 'prior' },
} as const satisfies Readonly<Record<string, Method>>

export type MethodKey = keyof typeof methods
export const methodKeys = keysOf(methods)

export type NumberDimension = 'length' | 'angle' | 'shoe-size' | 'mass' | PlainDimension
export type ReadingDimension = NumberDimension | 'choice'

const methodRow = (key: MethodKey): Method => methods[key]

/** The ± a method gives for a dimension; null when the method cannot read it. */
export function methodUncertainty(method: MethodKey, dimension: ReadingDimension): number | null {
  const row = methodRow(method)
  const value = dimension === 'shoe-size' ? row.shoeSize : row[dimension]
  return value ?? null
}

/** Whether a value was read off a picture of the rider. @param method a method's key, as a resolved reading says where it is from */
export function isOffPicture(method: string): boolean {
  return isOneOf(methodKeys, method) && methodRow(method).picture === true
}

/** How a value is read that a hand types over another one: by the same method, unless nobody read that by any. */
export function methodOver(before: MethodKey | undefined, usual: MethodKey): MethodKey {
  return before === undefined || methodRow(before).isInternal ? usual : before
}

/** The methods a fitter can take a reading by, in the table's order; its usual one is always among them. */
export function methodsFor({
  dimension,
  owner,
  method: usual,
}: {
  readonly dimension: ReadingDimension
  readonly owner: ReadingOwner
  readonly method: MethodKey
}): MethodKey[] {
  return methodKeys.filter((key) => {
    const { owners, where, isInternal } = methodRow(key)
    if (key === usual) return true
    return methodUncertainty(key, dimension) !== null && !isInternal && owners?.includes(owner) !== false && (where ?? usual) === usual
  })
}
