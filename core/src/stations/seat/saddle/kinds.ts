import { soldBy } from '../../../kernel/message.ts'
import { z } from 'zod'
import { numberField } from '../../../kernel/calculation.ts'
import { markField, textField } from '../../../kernel/fields.ts'
import { optionsOf } from '../../../readings/readingDefinitions.ts'
import type { SaddleShape } from '../../../bike/saddleShape.ts'

export const reliefs = optionsOf('saddleRelief')
/** What a relief is taken to be wide where only its kind is read, mm. @source prior */
export const USUAL_RELIEF: Readonly<Record<(typeof reliefs)[number], number>> = { none: 0, groove: 12, 'cut-out': 24 }
export const railKinds = ['metal', 'carbon'] as const
/** Kinds of saddle, as the reading `saddleKind` has them. */
export const saddleKinds = optionsOf('saddleKind')
export type SaddleKind = (typeof saddleKinds)[number]

/** One saddle of the catalogue: a kind of the trade or a saddle of the studio’s own. Lengths mm, mass kg. */
export const saddleSpecSchema = z
  .strictObject({
    name: textField('Name', 1, 80),
    kind: z.enum(saddleKinds, { error: `Kind must be one of ${saddleKinds.join(', ')}.` }),
    width: numberField('Width', 90, 320, 'mm'),
    zoneWidth: numberField('Width where you sit', 60, 300, 'mm'),
    length: numberField('Length', 150, 360, 'mm'),
    noseWidth: numberField('Nose width', 15, 120, 'mm'),
    /** nose to the sitting zone */
    sitFromNose: numberField('Nose to sit point', 50, 300, 'mm'),
    relief: z.enum(reliefs, { error: `Relief must be one of ${reliefs.join(', ')}.` }),
    /** width of groove or cut-out */
    reliefWidth: numberField('Relief width', 0, 80, 'mm'),
    /** how far the nose hangs and the tail rises from the level of the sitting zone */
    noseDrop: numberField('Nose drop', 0, 40, 'mm'),
    tailRise: numberField('Tail rise', 0, 60, 'mm'),
    flex: markField('Flex', 'stiff', 'gives'),
    padding: markField('Padding', 'firm', 'soft'),
    /** rail's middle to the top of the sitting zone */
    railHeight: numberField('Rail height', 20, 110, 'mm'),
    /** straight part of the rails that a clamp may hold */
    railLength: numberField('Rail length', 20, 120, 'mm'),
    rails: z.enum(railKinds, { error: `Rails must be one of ${railKinds.join(', ')}.` }),
    /** rider's mass the maker allows; null = not said */
    massLimit: numberField('Mass limit', 30, 300, 'kg').nullable(),
    note: textField('Note', 0, 300),
  })
  .superRefine(({ width, zoneWidth, noseWidth, length, sitFromNose }, context) => {
    const wrong = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message })
    if (zoneWidth > width) wrong('zoneWidth', `Width where you sit must not be more than the width, ${soldBy(width)}.`)
    if (noseWidth >= width) wrong('noseWidth', `Nose width must be less than the width, ${soldBy(width)}.`)
    if (sitFromNose >= length) wrong('sitFromNose', `Nose to sit point must be less than the length, ${soldBy(length)}.`)
  })
export type SaddleSpec = z.infer<typeof saddleSpecSchema>

/** An entry of a studio's catalogue of saddles. */
export interface SaddleEntry {
  readonly id: string
  readonly spec: SaddleSpec
  readonly removed: boolean
}

/** The shape of a catalogue entry. */
export function saddleShapeOf({ length, width, zoneWidth, noseWidth, sitFromNose, noseDrop, tailRise }: SaddleSpec): SaddleShape {
  return { length, width, zoneWidth, noseWidth, sitFromNose, noseDrop, tailRise }
}

const kind = (
  name: string,
  ofKind: SaddleKind,
  [width, zoneWidth, length, noseWidth, sitFromNose]: readonly [number, number, number, number, number],
  relief: readonly [SaddleSpec['relief'], number],
  [noseDrop, tailRise]: readonly [number, number],
  [flex, padding]: readonly [number, number],
  [railHeight, railLength]: readonly [number, number],
  note: string,
  more: Partial<Pick<SaddleSpec, 'rails' | 'massLimit'>> = {},
): SaddleSpec => ({
  name,
  kind: ofKind,
  width,
  zoneWidth,
  length,
  noseWidth,
  sitFromNose,
  relief: relief[0],
  reliefWidth: relief[1],
  noseDrop,
  tailRise,
  flex,
  padding,
  railHeight,
  railLength,
  rails: 'metal',
  massLimit: null,
  note,
  ...more,
})

/**
 * What a catalogue starts from: kinds with typical figures in usual widths, so that there is
 * something to rank before a saddle has been measured. All figures are this product's own assumptions.
 * @source prior
 */
export const startingSaddles: readonly SaddleSpec[] = [
  kind('Long, flat, 132', 'long-flat', [132, 112, 275, 38, 160], ['groove', 14], [2, 4], [2, 2], [46, 68], 'For riders who move about and lean.'),
  kind('Long, flat, 144', 'long-flat', [144, 122, 275, 40, 160], ['groove', 16], [2, 4], [2, 2], [46, 68], 'The same, wider.'),
  kind('Long, curved, 144', 'long-curved', [144, 120, 272, 40, 165], ['groove', 16], [6, 16], [3, 3], [48, 66], 'The raised tail holds a place; a level laid tip to tail reads nose-down.'),
  kind('Long, curved, 156', 'long-curved', [156, 130, 272, 42, 165], ['cut-out', 22], [6, 16], [3, 3], [48, 66], 'Wider, with a cut-out.'),
  kind('Short nose, 143', 'short-nose', [143, 125, 245, 46, 128], ['cut-out', 26], [4, 8], [2, 3], [45, 64], 'Short nose for low positions; its nose stands further back for the same seat.'),
  kind('Short nose, 155', 'short-nose', [155, 136, 245, 48, 128], ['cut-out', 28], [4, 8], [2, 3], [45, 64], 'The same, wider.'),
  kind('Short nose, 155, carbon rails', 'short-nose', [155, 136, 245, 48, 128], ['cut-out', 28], [4, 8], [1, 2], [44, 62], 'Lighter and stiffer; only for a clamp made for such rails.', { rails: 'carbon', massLimit: 100 }),
  kind('Touring, 165', 'touring', [165, 142, 268, 42, 160], ['cut-out', 26], [4, 10], [3, 3], [52, 66], 'Half upright, long days.'),
  kind('Touring, 178', 'touring', [178, 154, 265, 44, 156], ['cut-out', 28], [4, 10], [3, 3], [54, 66], 'The same, wider.'),
  kind('Broad, padded, 205', 'broad-padded', [205, 178, 255, 52, 150], ['groove', 20], [2, 10], [4, 5], [70, 60], 'Upright, short ways. Soft padding lets the bones sink until the middle carries.'),
  kind('Broad, sprung, 220', 'sprung', [220, 190, 258, 54, 152], ['none', 0], [2, 8], [5, 4], [96, 58], 'Sprung; tall, so the post goes down by what it is taller.', { massLimit: 130 }),
  kind('Split nose, 142', 'split-nose', [142, 126, 246, 62, 118], ['cut-out', 36], [8, 6], [2, 4], [50, 64], 'Nothing in the middle; a broad nose that can rub.'),
] // prettier-ignore
