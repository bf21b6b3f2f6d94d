import type { Message } from '../kernel/message.ts'
import { bare, mm, msg, plain } from '../kernel/message.ts'
import type { WorkStation } from '../kernel/stations.ts'
import { z } from 'zod'
import { readingKeys, definitionOf, isChoice, optionWord } from '../readings/readingDefinitions.ts'
import type { ChoiceKey, NumberKey, ReadingKey } from '../readings/readingDefinitions.ts'
import { valueProblem } from '../readings/reading.ts'
import type { ResolvedReadings } from '../readings/resolve.ts'
import { chosen, measuredValue } from '../readings/resolve.ts'
import { trimmed } from '../kernel/entry.ts'
import { textField } from '../kernel/fields.ts'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { capital, midSentence } from '../kernel/words.ts'
import { entriesOf, keysOf, oneAtLeast, tableOf } from '../kernel/tables.ts'
import type { PartSlot } from '../readings/table/definition.ts'

/** A figure of a part that no reading gives by itself: it is one addend of a reading. */
interface Addend {
  readonly label: string
  readonly min: number
  readonly max: number
  /** the reading it is an addend of, and what must be taken off that to have it */
  readonly of: NumberKey
  readonly less: NumberKey
}

/** Figures of parts beside the readings. Pedal and cleat stand between axle and shoe; the sole comes on top. */
export const addends = {
  pedalStack: { label: 'Axle to the sole’s outside', min: 0, max: 70, of: 'soleStack', less: 'soleThickness' },
} as const satisfies Readonly<Record<string, Addend>>
export type AddendKey = keyof typeof addends
/** Everything a part can say of itself. */
export type PropertyKey = ReadingKey | AddendKey

interface Slot {
  readonly label: string
  readonly station: WorkStation
  /** what its name is made of, where it has none */
  readonly named: readonly PropertyKey[]
  /** figures of its own beside its readings */
  readonly addends?: readonly AddendKey[]
  /** what is asked of another one that is to be tried */
  readonly asked?: readonly ReadingKey[]
  /** what is to be read again once it is fitted */
  readonly fitted?: string
}

/** Places on rider and bike that hold one exchangeable part each; which readings describe the part stands in their rows. */
export const slots = {
  shoes: {
    label: 'Shoes',
    station: 'feet',
    named: ['shoeSize', 'soleStiffness'],
    asked: ['shoeSize', 'soleStiffness', 'shoeUpper', 'heelCup', 'shoeLength', 'shoeBallWidth', 'soleThickness', 'recess', 'boltPattern'],
    fitted:
      'Set the cleats to the same place from the heel, then read cleat, slot and stack on the new shoes: another last holds the foot elsewhere.',
  },
  footbeds: { label: 'Footbeds', station: 'feet', named: ['archSupport'] },
  pedals: { label: 'Pedals', station: 'feet', named: ['pedalKind'], addends: ['pedalStack'] },
  cranks: { label: 'Cranks', station: 'feet', named: ['crank', 'tread'] },
  saddle: { label: 'Saddle', station: 'seat', named: ['saddleKind', 'saddleWidth'] },
  seatpostHead: { label: 'Seatpost head', station: 'seat', named: ['postHead'] },
  stem: { label: 'Stem', station: 'hands', named: ['stemLength', 'stemAngle'] },
  bar: { label: 'Bar', station: 'hands', named: ['barWidth', 'hoodWidth', 'barRise', 'barReach'] },
  grips: {
    label: 'Grips',
    station: 'hands',
    named: ['gripDiameter'],
    asked: ['gripDiameter', 'gripLength'],
    fitted: 'Read where the hand and the lever clamps stand from the new grips’ ends.',
  },
  levers: { label: 'Levers and shifters', station: 'hands', named: ['shifterPlace'] },
  extensions: { label: 'Extensions', station: 'hands', named: ['extensionLength', 'padSpacing'] },
} as const satisfies Readonly<Record<PartSlot, Slot>>
export type SlotKey = PartSlot
export const slotKeys = keysOf(slots)

/** What describes the part in each place. */
const described = tableOf(slotKeys, (slot): readonly PropertyKey[] => {
  const { addends: own = [] }: Slot = slots[slot]
  return [...readingKeys.filter((key) => definitionOf(key).part === slot), ...own]
})
/** What describes the part in a place. */
export const propertiesOf = (slot: SlotKey): readonly PropertyKey[] => described[slot]

const slotByReading = new Map<PropertyKey, SlotKey>(slotKeys.flatMap((slot) => described[slot].map((key) => [key, slot] as const)))
/** The slot whose part a reading describes; null where it describes no exchangeable part. */
export function slotOf(key: PropertyKey): SlotKey | null {
  return slotByReading.get(key) ?? null
}

export function isAddend(key: PropertyKey): key is AddendKey {
  return Object.hasOwn(addends, key)
}

const propertyKeys = oneAtLeast(slotKeys.flatMap((slot) => described[slot]))
const figure = z.union([z.number(), z.string().max(40)])
const properties = z.partialRecord(
  z.enum(propertyKeys, { error: 'This is not a property of a part.' }),
  z.union([figure, z.strictObject({ left: figure, right: figure })], { error: 'A property is a number, a key, or one for each side.' }),
)

/** A part as it was when it was written down: its name and its own properties; sided ones as a pair. */
export const partSchema = z.strictObject({ name: textField('Part', 1, 120), properties })
export type Part = z.infer<typeof partSchema>
type PropertyValue = NonNullable<Part['properties'][PropertyKey]>

/** One part taken off and another fitted in its place. */
export const exchangeSchema = z
  .strictObject({
    slot: z.enum(slotKeys, { error: `slot must be one of ${slotKeys.join(', ')}.` }),
    from: partSchema,
    to: partSchema,
    role: z.enum(['chosen', 'knock-on'], { error: 'role must be chosen or knock-on.' }),
  })
  .superRefine(({ slot, from, to }, context) => {
    for (const [end, part] of Object.entries({ from, to })) {
      for (const [key, value] of entriesOf(part.properties)) {
        const problem = propertyProblem(slot, key, value)
        if (problem !== null) context.addIssue({ code: 'custom', path: [end, 'properties', key], message: plain(problem) })
      }
    }
  })
export type Exchange = z.infer<typeof exchangeSchema>
/** An exchange a fitter asks for. */
export type RequestedExchange = Pick<Exchange, 'slot' | 'from' | 'to'>

function propertyProblem(slot: SlotKey, key: PropertyKey, value: PropertyValue): Message | null {
  if (!described[slot].includes(key)) return `${slots[slot].label} have no ${key}.`
  const pair = typeof value === 'object' ? value : { left: value, right: value }
  if (isAddend(key)) {
    const { label, min, max } = addends[key]
    const inside = [pair.left, pair.right].every((one) => typeof one === 'number' && one >= min && one <= max)
    return inside ? null : msg`${label} must lie between ${bare(min, 1)} and ${mm(max, 1)}.`
  }
  if (typeof value === 'object' && !definitionOf(key).sided) return `${definitionOf(key).label} has one value.`
  return valueProblem(key, 'both', pair.left) ?? valueProblem(key, 'both', pair.right)
}

/** A property's value on a side, or undefined. */
export function propertyOf(part: Part, key: PropertyKey, side: Side): number | string | undefined {
  const value = part.properties[key]
  return typeof value === 'object' ? value[side] : value
}

/** What is asked of another part of a slot that is to be tried. */
export function askedOf(slot: SlotKey): readonly ReadingKey[] {
  const { asked = [] }: Slot = slots[slot]
  return asked
}
/** What is to be read again once another part is fitted; empty where nothing is. */
export function fittedWords(slot: SlotKey): string {
  const { fitted = '' }: Slot = slots[slot]
  return fitted
}

/** Another part for the one on the bike, by what is known of it; the one on the bike is written down as it was read. */
export function anotherPart(now: ResolvedReadings, slot: SlotKey, name: string, known: Part['properties']): RequestedExchange {
  const called = partName(slot, known)
  const plain = called === slots[slot].label ? `Other ${midSentence(called)}` : called
  return { slot, from: partNow(now, slot), to: { name: name.trim() === '' ? plain : name.trim(), properties: known } }
}

/** Readings that a figure of a part changes: its own, and the sum that it is taken off of. */
const changedBy = (key: PropertyKey): readonly (NumberKey | ChoiceKey)[] =>
  isAddend(key) ? [addends[key].of] : [key, ...Object.values(addends).flatMap(({ of, less }) => (less === key ? [of] : []))]

/** Changes of readings that an exchange brings, where both parts say their figure: mm or degrees. */
export function exchangeShifts({
  from,
  to,
}: Pick<Exchange, 'from' | 'to'>): { readonly key: NumberKey; readonly side: Side | 'both'; readonly by: number }[] {
  return keysOf(to.properties).flatMap((key) =>
    changedBy(key).flatMap((reading) => {
      if (isChoice(reading)) return []
      const places: readonly (Side | 'both')[] = definitionOf(reading).sided ? sides : ['both']
      return places.flatMap((side) => {
        const at = side === 'right' ? 'right' : 'left'
        const [before, after] = [propertyOf(from, key, at), propertyOf(to, key, at)]
        if (typeof before !== 'number' || typeof after !== 'number' || before === after) return []
        return [{ key: reading, side, by: after - before }]
      })
    }),
  )
}

/** What the part on the bike is known to be: what was read of it. */
export function partNow(now: ResolvedReadings, slot: SlotKey): Part {
  const found: Part['properties'] = {}
  for (const key of described[slot]) {
    const value = propertyNow(now, key)
    if (value !== null) found[key] = value
  }
  return { name: partName(slot, found), properties: found }
}

function propertyNow(now: ResolvedReadings, key: PropertyKey): PropertyValue | null {
  const at = (side: Side): number | string | null => {
    if (isAddend(key)) {
      const [whole, less] = [measuredValue(now, addends[key].of, side), measuredValue(now, addends[key].less, side)]
      return whole === null || less === null || whole < less ? null : Math.round((whole - less) * 100) / 100
    }
    return isChoice(key) ? chosen(now, key, side) : measuredValue(now, key, side)
  }
  const sided = isAddend(key) || definitionOf(key).sided
  const [left, right] = [at('left'), at('right')]
  if (left === null || right === null) return null
  return sided && left !== right ? { left, right } : left
}

/** "Long, curved, 139 mm": what a part is called by its properties; "Saddle" where nothing of it was read. */
export function partName(slot: SlotKey, found: Part['properties']): string {
  const words = slots[slot].named.flatMap((key): string[] => {
    const value = found[key]
    if (value === undefined || isAddend(key)) return []
    const one = typeof value === 'object' ? value.left : value
    return [propertyWords(key, one)]
  })
  const name = words.filter((word) => word !== '').join(', ')
  return name === '' ? slots[slot].label : capital(name)
}

/** What a length of a part is, where a name has more than one. */
const sizeOf: Readonly<Partial<Record<NumberKey, string>>> = { hoodWidth: ' at the hoods', barRise: ' rise', barReach: ' reach' }

function propertyWords(key: ChoiceKey | NumberKey, value: number | string): string {
  if (isChoice(key)) return optionWord(key, String(value))
  const { dimension } = definitionOf(key)
  const said = trimmed(Number(value), 1)
  if (dimension === 'length') return `${said} mm${sizeOf[key] ?? ''}`
  return `${dimension === 'shoe-size' ? 'EU ' : ''}${said}${dimension === 'angle' ? '°' : ''}`
}
