import { nearestInBand } from '../../../kernel/band.ts'
import { CalculationError } from '../../../kernel/problem.ts'
import { cleatSchools } from './schools.ts'
import type { CleatSchoolKey, SchoolRule } from './schools.ts'
import { keysOf } from '../../../kernel/tables.ts'

/** What one foot's cleat target needs; lengths mm, setbacks behind MTP1. */
export interface CleatTargetInput {
  readonly school: CleatSchoolKey
  readonly setbackNow: number
  /** room in the slot from where the cleat sits now; missing = unknown, not limited */
  readonly slotForward?: number | undefined
  readonly slotBack?: number | undefined
  /** EU */
  readonly shoeSize?: number | undefined
  readonly heelToMtp1?: number | undefined
  readonly heelToMtp5?: number | undefined
  readonly footLength?: number | undefined
}

export type CleatTargetField = 'shoeSize' | 'heelToMtp1' | 'heelToMtp5' | 'footLength'

/** One school's answer for this foot. */
export interface SchoolTarget {
  readonly school: CleatSchoolKey
  /** mm behind MTP1; null when a reading is missing */
  readonly target: number | null
  readonly low: number | null
  readonly high: number | null
  /** the target as far as the slot lets it be reached */
  readonly attainable: number | null
  /** target − attainable: + = the slot ends this far short toward the heel */
  readonly left: number | null
  readonly missing: readonly CleatTargetField[]
  /** the shoe size lies beyond the school's table and its end value is held */
  readonly heldAtEnd: boolean
}

/** All schools side by side, and the chosen one as a move. */
export interface CleatTarget {
  readonly schools: readonly SchoolTarget[]
  readonly target: number
  readonly low: number
  readonly high: number
  readonly attainable: number
  readonly left: number
  /** attainable − now: + = back */
  readonly difference: number
  readonly heldAtEnd: boolean
}

interface RuleAnswer {
  readonly target: number
  readonly low: number
  readonly high: number
  readonly heldAtEnd: boolean
}

/**
 * Cleat setback by every school for one foot, limited by the slot.
 * @throws CalculationError `missing` naming the readings the chosen school needs
 * @source common-practice
 */
export function cleatTarget(input: CleatTargetInput): CleatTarget {
  const schools = schoolTargets(input)
  const chosen = schools.find((row) => row.school === input.school)
  if (
    !chosen ||
    chosen.target === null ||
    chosen.low === null ||
    chosen.high === null ||
    chosen.attainable === null ||
    chosen.left === null
  ) {
    const fields = (chosen?.missing ?? []).map((field) => ({ field, message: `${field} is needed by this school.` }))
    throw new CalculationError('missing', `This school needs ${(chosen?.missing ?? []).join(' and ')}.`, fields)
  }
  const { target, low, high, attainable, left, heldAtEnd } = chosen
  return { schools, target, low, high, attainable, left, difference: attainable - input.setbackNow, heldAtEnd }
}

/** Every school's answer; schools that lack a reading say which. */
export function schoolTargets(input: Omit<CleatTargetInput, 'school'>): SchoolTarget[] {
  const foremost = input.slotForward === undefined ? -Infinity : input.setbackNow - input.slotForward
  const rearmost = input.slotBack === undefined ? Infinity : input.setbackNow + input.slotBack
  return cleatSchools.map((school) => {
    const answer = applyRule(school.rule, input)
    if (!('target' in answer)) {
      return { school: school.key, target: null, low: null, high: null, attainable: null, left: null, missing: answer, heldAtEnd: false }
    }
    const { target, low, high, heldAtEnd } = answer
    const attainable = nearestInBand(target, { low: foremost, high: rearmost })
    return { school: school.key, target, low, high, attainable, left: target - attainable, missing: [], heldAtEnd }
  })
}

function applyRule(rule: SchoolRule, input: Omit<CleatTargetInput, 'school'>): RuleAnswer | CleatTargetField[] {
  const { shoeSize, heelToMtp1, heelToMtp5, footLength } = input
  switch (rule.kind) {
    case 'band':
      return { target: (rule.low + rule.high) / 2, low: rule.low, high: rule.high, heldAtEnd: false }
    case 'by-shoe-size': {
      if (shoeSize === undefined) return ['shoeSize']
      const [smallSize, smallSetback] = rule.from
      const [largeSize, largeSetback] = rule.to
      const size = nearestInBand(shoeSize, { low: smallSize, high: largeSize })
      const target = smallSetback + ((size - smallSize) / (largeSize - smallSize)) * (largeSetback - smallSetback)
      return around(target, rule.tolerance, size !== shoeSize)
    }
    case 'between-heads':
      if (heelToMtp1 === undefined || heelToMtp5 === undefined) return absent({ heelToMtp1, heelToMtp5 })
      return around((heelToMtp1 - heelToMtp5) / 2, rule.tolerance)
    case 'share-of-foot':
      if (heelToMtp1 === undefined || footLength === undefined) return absent({ heelToMtp1, footLength })
      return around(heelToMtp1 - rule.share * footLength, rule.tolerance)
  }
}

function around(target: number, tolerance: number, heldAtEnd = false): RuleAnswer {
  return { target, low: target - tolerance, high: target + tolerance, heldAtEnd }
}

function absent(fields: Partial<Record<CleatTargetField, number | undefined>>): CleatTargetField[] {
  return keysOf(fields).filter((field) => fields[field] === undefined)
}
