import { z } from 'zod'
import { numberField } from '../../../kernel/calculation.ts'
import { optionsOf } from '../../../readings/readingDefinitions.ts'
import { textField } from '../../../kernel/fields.ts'
import { keysOf, tableOf } from '../../../kernel/tables.ts'

/** Kinds of part in the cockpit's catalogue. */
export const cockpitKinds = ['stem', 'flat-bar', 'drop-bar', 'levers', 'extensions'] as const
export type CockpitKind = (typeof cockpitKinds)[number]
export const cockpitKindWords: Readonly<Record<CockpitKind, string>> = {
  stem: 'Stem',
  'flat-bar': 'Flat or riser bar',
  'drop-bar': 'Drop bar',
  levers: 'Levers and shifters',
  extensions: 'Forearm extensions',
}
export const clampSizes = optionsOf('stemClampSize')
export type ClampSize = (typeof clampSizes)[number]
export const shifterPlaces = optionsOf('shifterPlace')

const own = (label: string, min: number, max: number, unit: string) => numberField(label, min, max, unit).nullable()

/** A figure that a kind of part must say, and its words. */
const needs: Readonly<Record<CockpitKind, readonly (keyof typeof figures)[]>> = {
  stem: ['clampSize', 'stemLength', 'stemAngle'],
  'flat-bar': ['clampSize', 'barWidth', 'barRise', 'barForward', 'barBacksweep', 'barUpsweep', 'barBend'],
  'drop-bar': ['clampSize', 'hoodWidth', 'barReach', 'barDrop', 'barFlare'],
  levers: ['shifterPlace'],
  extensions: ['padForward', 'padUp', 'padSpacing', 'extensionLength', 'extensionAngle'],
}
const figures = {
  clampSize: z
    .enum(clampSizes, { error: `Clamp must be one of ${clampSizes.map((key) => `${Number(key.slice(1)) / 10} mm`).join(', ')}.` })
    .nullable(),
  stemLength: own('Length', 0, 180, 'mm'),
  stemAngle: own('Angle', -45, 70, 'degrees'),
  barWidth: own('Width, end to end', 350, 1000, 'mm'),
  barRise: own('Rise', -60, 200, 'mm'),
  barForward: own('Forward offset', -60, 150, 'mm'),
  barBacksweep: own('Backsweep', -5, 90, 'degrees'),
  barUpsweep: own('Upsweep', -20, 30, 'degrees'),
  barBend: own('Middle to arm', 15, 220, 'mm'),
  barShortest: own('Cut mark', 300, 1000, 'mm'),
  hoodWidth: own('Width at hoods', 260, 560, 'mm'),
  dropWidth: own('Width at drops', 260, 800, 'mm'),
  barReach: own('Reach', 40, 150, 'mm'),
  barDrop: own('Drop', 60, 220, 'mm'),
  barFlare: own('Flare', 0, 45, 'degrees'),
  leverHook: own('Clamp to hook', 0, 180, 'mm'),
  brakeClampWidth: own('Brake clamp, width', 5, 60, 'mm'),
  shifterPlace: z.enum(shifterPlaces, { error: `Shifter must be one of ${shifterPlaces.join(', ')}.` }).nullable(),
  shifterClampWidth: own('Shifter clamp, width', 0, 60, 'mm'),
  shifterPaddle: own('Shifter clamp to paddle', -80, 120, 'mm'),
  padForward: own('Pads ahead of clamp', -200, 200, 'mm'),
  padUp: own('Pads above clamp', -60, 250, 'mm'),
  padSpacing: own('Pad to pad', 60, 500, 'mm'),
  extensionLength: own('Pad to grip', 120, 480, 'mm'),
  extensionAngle: own('Extension rises', -15, 70, 'degrees'),
} as const

/** One part of the cockpit's catalogue: a kind of the trade or a part of the studio's own. Figures of other kinds are null. */
export const cockpitSpecSchema = z
  .strictObject({
    name: textField('Name', 1, 80),
    kind: z.enum(cockpitKinds, { error: `Kind must be one of ${cockpitKinds.join(', ')}.` }),
    ...figures,
    /** one piece with the stem or the bar: it cannot be combined */
    integrated: z.boolean({ error: 'One piece must be yes or no.' }),
    /** 1 cheap to 5 dear */
    price: z
      .int({ error: 'Price must be a whole number from 1 to 5.' })
      .min(1, { error: 'Price must be 1 or more.' })
      .max(5, { error: 'Price must be 5 or less.' }),
    note: textField('Note', 0, 300),
  })
  .superRefine((spec, context) => {
    for (const key of needs[spec.kind]) {
      if (spec[key] === null)
        context.addIssue({ code: 'custom', path: [key], message: `${cockpitKindWords[spec.kind]} must say this figure.` })
    }
  })
export type CockpitSpec = z.infer<typeof cockpitSpecSchema>

const blank = tableOf(keysOf(figures), () => null)
const part = (kind: CockpitKind, name: string, price: number, said: Partial<CockpitSpec>): CockpitSpec => ({
  ...blank,
  name,
  kind,
  integrated: false,
  note: '',
  price,
  ...said,
})

const stem = (clampSize: ClampSize, stemLength: number, stemAngle: number, price = 2): CockpitSpec =>
  part('stem', `Stem ${stemLength} mm, ${stemAngle}°, ${Number(clampSize.slice(1)) / 10}`, price, { clampSize, stemLength, stemAngle })
const flat = (
  name: string,
  [barWidth, barRise, barForward, barBacksweep, barUpsweep, barBend]: readonly [number, number, number, number, number, number],
  barShortest: number,
  price = 2,
  clampSize: ClampSize = 'd318',
): CockpitSpec =>
  part('flat-bar', name, price, { clampSize, barWidth, barRise, barForward, barBacksweep, barUpsweep, barBend, barShortest })
const drop = (
  name: string,
  [hoodWidth, dropWidth, barReach, barDrop, barFlare]: readonly [number, number, number, number, number],
  price = 2,
): CockpitSpec => part('drop-bar', name, price, { clampSize: 'd318', hoodWidth, dropWidth, barReach, barDrop, barFlare })
const lever = (
  name: string,
  leverHook: number,
  brakeClampWidth: number,
  shifterPlace: CockpitSpec['shifterPlace'],
  [shifterClampWidth, shifterPaddle]: readonly [number, number],
  price = 2,
): CockpitSpec => part('levers', name, price, { leverHook, brakeClampWidth, shifterPlace, shifterClampWidth, shifterPaddle })

/** Kinds of the trade with invented sizes, to start from: 30 stems, 40 bars, 12 levers and shifters, 4 extensions. */
export const startingCockpit: readonly CockpitSpec[] = [
  ...[35, 40, 45, 50, 60].map((length) => stem('d318', length, 0)),
  ...[35, 45].map((length) => stem('d350', length, 0, 3)),
  ...[50, 60, 70, 80, 90, 100, 110, 120].map((length) => stem('d318', length, 6)),
  ...[80, 90, 100, 110, 120, 130].map((length) => stem('d318', length, 17, 3)),
  ...[60, 80, 100].map((length) => stem('d318', length, 35, 3)),
  ...[60, 80, 100].map((length) => stem('d254', length, 10, 1)),
  ...[40, 50].map((length) => stem('d318', length, 10, 2)),
  stem('d260', 90, 10, 1),
  ...[720, 740, 760, 780, 800].map((width) => flat(`Flat ${width}, 7° back`, [width, 5, 0, 7, 5, 75], 680)),
  ...[760, 780, 800].map((width) => flat(`Riser 20, ${width}, 8° back`, [width, 20, 0, 8, 5, 80], 700)),
  ...[740, 760, 780, 800, 820].map((width) => flat(`Riser 35, ${width}, 9° back`, [width, 35, 0, 9, 5, 85], 700)),
  ...[760, 800].map((width) => flat(`Riser 50, ${width}, 9° back`, [width, 50, 0, 9, 5, 85], 700)),
  ...[740, 780].map((width) => flat(`Swept 12, ${width}`, [width, 15, 0, 12, 4, 70], 680)),
  ...[720, 760].map((width) => flat(`Swept 16, ${width}`, [width, 20, 10, 16, 4, 60], 660, 3)),
  ...[700, 740].map((width) => flat(`Swept 25, forward ends, ${width}`, [width, 25, 40, 25, 2, 60], 640, 3)),
  ...[600, 640, 680].map((width) => flat(`Town, ${width}, 20° back`, [width, 30, 0, 20, 3, 60], 560, 1, 'd254')),
  ...[580, 640].map((width) => flat(`Town, high, ${width}, 35° back`, [width, 70, 30, 35, 2, 55], 540, 1, 'd254')),
  ...[760, 800].map((width) => flat(`Riser 30, ${width}, thick clamp`, [width, 30, 0, 9, 5, 85], 720, 3, 'd350')),
  ...[380, 400, 420, 440].map((width) => drop(`Drop ${width}, short reach`, [width, width + 12, 72, 122, 4])),
  ...[400, 420, 440].map((width) => drop(`Drop ${width}, long reach`, [width, width + 12, 90, 135, 2])),
  ...[400, 440, 480].map((width) => drop(`Flared ${width}, 16°`, [width, width + 70, 68, 116, 16], 3)),
  drop('Flared 440, 24°', [440, 548, 65, 110, 24], 3),
  drop('Narrow 360, short reach', [360, 372, 75, 124, 3], 4),
  lever('Short blade, shifter inside', 62, 14, 'inside', [16, 24]),
  lever('Short blade, shifter outside', 62, 14, 'outside', [14, 8]),
  lever('Medium blade, shifter inside', 74, 14, 'inside', [16, 26]),
  lever('Medium blade, shifter outside', 74, 14, 'outside', [14, 10]),
  lever('Long blade, shifter inside', 90, 16, 'inside', [18, 28], 1),
  lever('Long blade, shifter outside', 90, 16, 'outside', [16, 10], 1),
  lever('One piece, short', 60, 26, 'one-piece', [0, 18], 3),
  lever('One piece, long', 82, 28, 'one-piece', [0, 20], 2),
  lever('No shifter, short blade', 60, 13, 'none', [0, 0], 3),
  lever('No shifter, long blade', 84, 15, 'none', [0, 0], 1),
  lever('Twist shifter inside the grip', 70, 14, 'inside', [40, 0], 1),
  lever('Small-hand lever, shifter outside', 54, 13, 'outside', [13, 12], 2),
  part('extensions', 'Straight, low pads', 2, { padForward: 30, padUp: 45, padSpacing: 220, extensionLength: 300, extensionAngle: 0 }),
  part('extensions', 'Raised, pads apart', 3, { padForward: 20, padUp: 90, padSpacing: 240, extensionLength: 310, extensionAngle: 12 }),
  part('extensions', 'High hands', 4, { padForward: 25, padUp: 70, padSpacing: 200, extensionLength: 330, extensionAngle: 20 }),
  part('extensions', 'Short, for long rides', 2, { padForward: -10, padUp: 80, padSpacing: 230, extensionLength: 260, extensionAngle: 8 }),
]
