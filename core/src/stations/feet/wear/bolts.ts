import { into } from '../../../station/say.ts'
import { mm, msg } from '../../../kernel/message.ts'
import type { OptionOf } from '../../../readings/readingDefinitions.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { combined } from '../../../kernel/quantity.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import type { Sided } from '../../../kernel/sided.ts'
import { byWeight, sideName } from '../../../kernel/finding.ts'
import type { Finding } from '../../../kernel/finding.ts'

/** Turns of a cleat bolt that must bite: five, of M5 at 0.8 mm. Own limit; the maker's outranks it. @source prior */
export const LEAST_BITE = 5 * 0.8

/** Lengths mm, torque N·m; null = not read. */
export interface BoltReadings {
  readonly pattern: OptionOf<'boltPattern'> | null
  readonly fitted: Sided<OptionOf<'boltsFitted'> | null>
  /** underside of the head to the tip */
  readonly length: Quantity | null
  /** cleat, washer and wedge under the head */
  readonly plate: Quantity | null
  /** from the sole's outside through the hole to the insole's underside */
  readonly depth: Quantity | null
  readonly torque: number | null
}

/** How a bolt lies in the sole, mm. */
export interface BoltBite {
  /** what reaches into the sole */
  readonly bite: number
  /** room left before it comes through; minus = it stands out inside the shoe */
  readonly spare: number
  readonly plusMinus: number
}

/** Bolt less plate is what bites; the hole's depth less that is what is left. */
export function boltBite(length: Quantity, plate: Quantity, depth: Quantity): BoltBite {
  const bite = length.value - plate.value
  return { bite, spare: depth.value - bite, plusMinus: combined(length.plusMinus, plate.plusMinus, depth.plusMinus) }
}

/** Bolts asked for by the sole's pattern; null = none. */
const boltsOf: Readonly<Record<OptionOf<'boltPattern'>, number | null>> = { 'two bolts': 2, 'three bolts': 3, 'four bolts': 4, none: null }
const counted: Readonly<Record<OptionOf<'boltsFitted'>, number>> = { one: 1, two: 2, three: 3, four: 4 }

/** Count, bite, through the sole, torque. @source common-practice */
export function boltFindings({ pattern, fitted, length, plate, depth, torque }: BoltReadings): Finding[] {
  const found: Finding[] = []
  const add = into(found)
  const asked = pattern === null ? null : boltsOf[pattern]
  for (const side of ['left', 'right'] as const) {
    const inPlace = fitted[side]
    const count = inPlace === null ? null : counted[inPlace]
    if (asked !== null && count !== null && count < asked) {
      add(
        'missing-bolt',
        side,
        'first',
        `${sideName(side)} cleat lacks ${asked - count === 1 ? 'a bolt' : `${asked - count} bolts`}.`,
        `${count} of ${asked}. It will turn under the foot, and the foot will not release: not ridden like this.`,
      )
    }
  }
  if (length && plate && depth) {
    const { bite, spare, plusMinus } = boltBite(length, plate, depth)
    const held = msg`${mm(bite, 1)} reach into the sole`
    const doubt = msg` (±${mm(plusMinus, 1)})`
    if (spare < 0)
      add(
        'through',
        'both',
        'first',
        'The bolt is too long: it comes through the sole.',
        msg`${held}${doubt}, ${mm(-spare, 1)} more than there is. It presses into the foot, and feels tight before the cleat is. Shorter bolts: at most ${mm(plate.value + depth.value, 1)} under the head.`,
      )
    else if (spare < plusMinus)
      add(
        'through',
        'both',
        'act',
        'The bolt may come through the sole.',
        msg`${held}${doubt} and only ${mm(spare, 1)} are spare. Feel inside the shoe with the insole out.`,
      )
    if (bite < LEAST_BITE)
      add(
        'short-bite',
        'both',
        'first',
        'The bolt is too short.',
        msg`${held}${doubt}; at least ${mm(LEAST_BITE, 1)} should. It tears out under a hard pull.`,
      )
    else if (spare >= plusMinus)
      add('bite', 'both', 'fine', 'Bolts reach and do not come through.', msg`${held}${doubt}, ${mm(spare, 1)} to spare.`)
  } else if (asked !== null) {
    add(
      'unread-bolts',
      'both',
      'note',
      'Bolt length against the sole is not measured.',
      'Bolt under its head, cleat under the bolt, depth behind the hole: long bolts can pierce the sole.',
    )
  }
  if (asked !== null) {
    add(
      'torque',
      'both',
      'note',
      torque === null ? 'Torque: as the maker says.' : `Torque noted from the maker’s sheet: ${trimmed(torque, 1)} N·m.`,
      `${torque === null ? 'Read it off the sheet of this cleat and this shoe, note it here. ' : ''}Grease on threads, all bolts by turns. Again after the first ride: cleats bed in and bolts come loose.`,
    )
  }
  return byWeight(found)
}
