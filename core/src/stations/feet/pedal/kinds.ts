import { z } from 'zod'
import { numberField } from '../../../kernel/calculation.ts'
import { markField, textField } from '../../../kernel/fields.ts'
import { optionsOf } from '../../../readings/readingDefinitions.ts'

const list = (label: string, min: number, max: number, unit: string) =>
  z
    .array(numberField(label, min, max, unit))
    .min(1, { error: `${label} needs at least one value.` })
    .max(10, { error: `${label} takes at most 10 values.` })

export const entrySides = ['one side', 'both sides', 'any way'] as const
export const boltPatterns = optionsOf('boltPattern')
/** Kinds of pedal, as the reading `pedalKind` has them. */
export const pedalKinds = optionsOf('pedalKind')
export type PedalKind = (typeof pedalKinds)[number]

/** One pedal-and-cleat system of the catalogue. Lengths mm, angles degrees, mass kg. */
export const pedalSpecSchema = z.strictObject({
  name: textField('Name', 1, 80),
  kind: z.enum(pedalKinds, { error: `Kind must be one of ${pedalKinds.join(', ')}.` }),
  /** supporting area under the sole, mm² */
  patch: numberField('Patch', 200, 30000, 'mm²'),
  entrySides: z.enum(entrySides, { error: `Entry must be one of ${entrySides.join(', ')}.` }),
  /** getting in, and out */
  entryEase: markField('Entry'),
  /** whole float of the cleats to be had; free = 30 */
  floats: list('Float', 0, 30, 'degrees'),
  /** from the float's middle to release */
  release: numberField('Release angle', 0, 45, 'degrees'),
  tension: z.boolean({ error: 'Tension must be true or false.' }),
  /** room of cleat on sole and in the system, whole */
  foreAft: numberField('Fore–aft room', 0, 60, 'mm'),
  lateral: numberField('Lateral room', 0, 20, 'mm'),
  rotation: numberField('Rotation room, ±', 0, 45, 'degrees'),
  axles: list('Axle lengths', 35, 130, 'mm'),
  /** axle centre to the sole's outside */
  stack: numberField('Stack', 0, 45, 'mm'),
  rockNew: numberField('Rock, new', 0, 15, 'degrees'),
  rockWorn: numberField('Rock, worn', 0, 20, 'degrees'),
  mud: markField('Mud'),
  walking: markField('Walking'),
  durability: markField('Durability'),
  bolts: z.enum(boltPatterns, { error: `Bolts must be one of ${boltPatterns.join(', ')}.` }),
  /** rider's mass the maker allows for this model; null = not said: no kind has a limit of its own */
  massLimit: numberField('Mass limit', 30, 300, 'kg').nullable(),
  note: textField('Note', 0, 300),
})
export type PedalSpec = z.infer<typeof pedalSpecSchema>

/** An entry of a studio's catalogue. */
export const catalogueEntrySchema = z.strictObject({
  id: z.uuid({ error: 'id must be a UUID.' }),
  spec: pedalSpecSchema,
  removed: z.boolean(),
})
export type CatalogueEntry = z.infer<typeof catalogueEntrySchema>

/**
 * What a catalogue starts from: the seven kinds with typical figures, so that there is something to
 * rank before a maker's sheet has been copied in. Patch, marks, stack, release and rooms are this
 * product's own assumptions about each kind; float, rock and lateral room follow common practice.
 * @source prior
 */
export const startingPedals: readonly PedalSpec[] = [
  { name: 'Three-bolt plate, coil spring', kind: 'plate-coil', patch: 2400, entrySides: 'one side', entryEase: 3, floats: [0, 2.5, 6], release: 13, tension: true, foreAft: 22, lateral: 5, rotation: 12, axles: [53, 57], stack: 17, rockNew: 0.5, rockWorn: 2, mud: 2, walking: 1, durability: 5, bolts: 'three bolts', massLimit: null, note: 'Most stable and durable. Walks on the cleat; clogs. First choice for heavy, powerful and bow-legged riders.' },
  { name: 'Three-bolt plate, leaf spring', kind: 'plate-leaf', patch: 2300, entrySides: 'one side', entryEase: 3, floats: [0, 4.5, 9], release: 13, tension: false, foreAft: 22, lateral: 5, rotation: 12, axles: [53, 57], stack: 16, rockNew: 0.5, rockWorn: 3, mud: 2, walking: 1, durability: 3, bolts: 'three bolts', massLimit: null, note: 'Hangs nose-up and is easy to catch. The spring cannot be set: for light and small riders.' },
  { name: 'Three-bolt, glide entry', kind: 'plate-glide', patch: 2200, entrySides: 'one side', entryEase: 5, floats: [5, 10], release: 15, tension: false, foreAft: 20, lateral: 0, rotation: 12, axles: [53], stack: 17, rockNew: 1, rockWorn: 3, mud: 2, walking: 1, durability: 3, bolts: 'three bolts', massLimit: null, note: 'Very easy in and out. Almost no stance room: swapping sides gives two fixed widths.' },
  { name: 'Mechanism in cleat, round body', kind: 'cleat-mechanism', patch: 1900, entrySides: 'both sides', entryEase: 4, floats: [0, 6, 10, 15], release: 17, tension: false, foreAft: 26, lateral: 8, rotation: 15, axles: [50, 53, 56, 59, 62], stack: 12, rockNew: 1, rockWorn: 5, mud: 1, walking: 2, durability: 2, bolts: 'four bolts', massLimit: null, note: 'Everything can be set. Wears and rocks with mileage and power; grit clogs it. Short bolts only: the long middle ones can pierce the sole.' },
  { name: 'Two-bolt recessed', kind: 'recessed', patch: 700, entrySides: 'both sides', entryEase: 5, floats: [4, 6], release: 13, tension: true, foreAft: 20, lateral: 3, rotation: 15, axles: [53, 57], stack: 14, rockNew: 3, rockWorn: 5, mud: 5, walking: 5, durability: 4, bolts: 'two bolts', massLimit: null, note: 'Walkable, mud-proof, long-lived. Rocks even when new; hot spots in soft shoes.' },
  { name: 'Two-bolt recessed with platform', kind: 'recessed-platform', patch: 1500, entrySides: 'both sides', entryEase: 4, floats: [4, 6], release: 13, tension: true, foreAft: 20, lateral: 3, rotation: 15, axles: [53, 57], stack: 15, rockNew: 2, rockWorn: 4, mud: 4, walking: 5, durability: 4, bolts: 'two bolts', massLimit: null, note: 'The shoe leans on the cage: steadier than the small body alone.' },
  { name: 'Flat with pins', kind: 'flat-pins', patch: 9000, entrySides: 'any way', entryEase: 5, floats: [30], release: 0, tension: false, foreAft: 60, lateral: 20, rotation: 45, axles: [55], stack: 9, rockNew: 0, rockWorn: 0, mud: 4, walking: 5, durability: 5, bolts: 'none', massLimit: null, note: 'The whole sole, anywhere. Learning and some trail riding; nothing holds the foot when pulling.' },
] // prettier-ignore
