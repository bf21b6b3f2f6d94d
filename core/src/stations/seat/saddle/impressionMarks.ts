import { z } from 'zod'
import { numberField } from '../../../kernel/calculation.ts'

const pixel = (label: string) => numberField(label, -20_000, 40_000, 'px')
const mark = (label: string) => z.strictObject({ x: pixel(`${label} x`), y: pixel(`${label} y`) })

/** Sheets a hand has about, mm: width is the longer side. */
export const sheets = {
  a4: { label: 'A4, 297 × 210', width: 297, height: 210 },
  letter: { label: 'Letter, 279.4 × 215.9', width: 279.4, height: 215.9 },
} as const

/** What a length on the picture may be, mm. */
export const markedLengths = {
  width: { label: 'Sheet width', min: 50, max: 1500 },
  height: { label: 'Sheet height', min: 50, max: 1500 },
  length: { label: 'Scale length', min: 20, max: 1000 },
} as const
const markedLength = (key: keyof typeof markedLengths) => {
  const { label, min, max } = markedLengths[key]
  return numberField(label, min, max, 'mm')
}

/** Marks on a picture of an impression, in its own pixels. */
export const impressionMarksSchema = z.strictObject({
  by: z.enum(['sheet', 'scale'], { error: 'Marks must be by sheet or by scale.' }),
  corners: z.tuple([mark('Corner 1'), mark('Corner 2'), mark('Corner 3'), mark('Corner 4')]),
  sheet: z.strictObject({
    width: markedLength('width'),
    height: markedLength('height'),
  }),
  scale: z.strictObject({ from: mark('Scale 1'), to: mark('Scale 2'), length: markedLength('length') }),
  bones: z.strictObject({ left: mark('Left point'), right: mark('Right point') }),
})
