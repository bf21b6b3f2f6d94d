import { trimmed } from '../../../kernel/entry.ts'
import type { Sided } from '../../../kernel/sided.ts'
import { sides } from '../../../kernel/sided.ts'
import { checkBars, SHEET } from '../../../kernel/trueSizeSheet.ts'
import type { LineKind, SheetLine, SheetText, Template } from '../../../kernel/trueSizeSheet.ts'

/** A mark on one half of the bar, mm from its end along the bar. */
export interface StripMark {
  readonly key: string
  readonly label: string
  readonly at: number
  /** where it goes, where it stands now, or where the bar is sawn */
  readonly kind: 'aim' | 'now' | 'cut'
}
export interface StripInput {
  /** first line of the sheet, for example the rider's name */
  readonly title: string
  readonly marks: Sided<readonly StripMark[]>
}

/** Place of the strips on the sheet, mm: the bar's end on top. */
const STRIP = { top: 42, length: 200, width: 34, left: 34, right: 124 } as const
const BARS = { x: 20, y: 262 } as const
const kinds: Readonly<Record<StripMark['kind'], LineKind>> = { aim: 'axle', now: 'now', cut: 'cleat' }

/** How far from the bar's end the strips go, mm. */
export const STRIP_LENGTH = STRIP.length

/**
 * Two strips in true size to lay along the bar, left and right half, from the bar's end inward: marks
 * for grip, clamps and cuts, with two bars to check the printer by. What lies further in than the
 * strip is written under it.
 */
export function barStrip({ title, marks }: StripInput): Template {
  const lines: SheetLine[] = []
  const texts: SheetText[] = []
  const say = (x: number, y: number, text: string, size = 3.4) => texts.push({ at: { x, y }, text, size, anchor: 'start' })
  say(15, 16, title.slice(0, 70), 5)
  say(15, 23, 'Bar strips in true size. Lay a strip along the bar, its top edge at the bar’s end.', 4)
  say(15, 29, 'Solid: where it goes. Dashed: where it is. Measure twice, cut once: a cut is for good.', 3.4)
  for (const side of sides) {
    const x = STRIP[side]
    const line = (key: string, kind: LineKind, x1: number, y1: number, x2: number, y2: number) =>
      lines.push({ key: `${side}-${key}`, kind, from: { x: x1, y: y1 }, to: { x: x2, y: y2 } })
    line('end', 'mark', x, STRIP.top, x + STRIP.width, STRIP.top)
    line('edge', 'degree', x, STRIP.top, x, STRIP.top + STRIP.length)
    line('edge-inner', 'degree', x + STRIP.width, STRIP.top, x + STRIP.width, STRIP.top + STRIP.length)
    for (let at = 10; at <= STRIP.length; at += 10) {
      line(`scale-${at}`, 'degree', x, STRIP.top + at, x + (at % 50 === 0 ? 8 : 4), STRIP.top + at)
      if (at % 50 === 0) say(x + 1, STRIP.top + at - 1, String(at), 2.6)
    }
    say(x, STRIP.top - 2, side === 'left' ? 'Left end' : 'Right end', 4)
    const beyond: string[] = []
    for (const mark of marks[side]) {
      if (mark.at > STRIP.length || mark.at < 0) {
        beyond.push(`${mark.label} ${trimmed(mark.at, 1)}`)
        continue
      }
      const y = STRIP.top + mark.at
      line(mark.key, kinds[mark.kind], x + 9, y, x + STRIP.width, y)
      say(x + STRIP.width + 2, y + 1, `${mark.label}, ${trimmed(mark.at, 1)} mm`, 3)
    }
    if (beyond.length > 0) say(x, STRIP.top + STRIP.length + 5, `Further in: ${beyond.join('; ')} mm.`.slice(0, 60), 3)
  }
  const bars = checkBars(BARS)
  return { ...SHEET, lines: [...lines, ...bars.lines], texts: [...texts, ...bars.texts] }
}
