import { escapedXml } from './drawing.ts'

/** A place on the sheet: mm from its upper left corner, y down. */
export interface SheetPoint {
  readonly x: number
  readonly y: number
}

/** How a line is drawn; what each stands for is said on the sheet. */
export type LineKind = 'centre' | 'axle' | 'cleat' | 'float' | 'mark' | 'now' | 'slot' | 'bar' | 'degree'
export interface SheetLine {
  readonly key: string
  readonly kind: LineKind
  readonly from: SheetPoint
  readonly to: SheetPoint
}
export interface SheetText {
  readonly at: SheetPoint
  readonly text: string
  /** height of the letters, mm */
  readonly size: number
  readonly anchor: 'start' | 'middle' | 'end'
}

/** A drawing in true size. */
export interface Template {
  readonly width: number
  readonly height: number
  readonly lines: readonly SheetLine[]
  readonly texts: readonly SheetText[]
}

/** A4; everything lies where letter paper has room as well. @source common-practice */
export const SHEET = { width: 210, height: 297 } as const
/** Lengths of the two bars a printer is checked by, mm. */
export const CHECK_BAR = { metric: 50, inch: 50.8 } as const

/** Two bars to check the printer by, the lower one 12 mm under the upper, with what to do beside them. */
export function checkBars({ x, y }: SheetPoint): Pick<Template, 'lines' | 'texts'> {
  const inch = y + 12
  const say = (at: SheetPoint, text: string, size: number): SheetText => ({ at, text, size, anchor: 'start' })
  return {
    lines: [
      { key: 'bar-metric', kind: 'bar', from: { x, y }, to: { x: x + CHECK_BAR.metric, y } },
      { key: 'bar-inch', kind: 'bar', from: { x, y: inch }, to: { x: x + CHECK_BAR.inch, y: inch } },
    ],
    texts: [
      say({ x: x + CHECK_BAR.metric + 3, y: y + 1 }, '50 mm', 3.4),
      say({ x: x + CHECK_BAR.inch + 3, y: inch + 1 }, '2 in', 3.4),
      say({ x: x + 75, y: y + 1 }, 'Print unscaled: 100 %, no “fit to page”.', 4),
      say({ x: x + 75, y: y + 7 }, 'Measure both bars before use.', 3.4),
    ],
  }
}

/** How each sort of line is drawn, black; mm. */
export const lineLooks: Readonly<Record<LineKind, { readonly width: number; readonly dash?: readonly number[] }>> = {
  centre: { width: 0.25, dash: [6, 2, 1, 2] },
  axle: { width: 0.6 },
  cleat: { width: 0.5 },
  float: { width: 0.2 },
  mark: { width: 0.5 },
  now: { width: 0.25, dash: [2, 1.5] },
  slot: { width: 0.25 },
  bar: { width: 0.8 },
  degree: { width: 0.2 },
}

const strokeOf = ({ width, dash }: (typeof lineLooks)[LineKind]) =>
  `stroke-width="${width}"${dash === undefined ? '' : ` stroke-dasharray="${dash.join(' ')}"`}`
const place = (value: number) => String(Number(value.toFixed(3)))

/** The template as SVG in millimetres. */
export function templateSvg({ width, height, lines, texts }: Template): string {
  const drawn = lines.map(
    ({ key, kind, from, to }) =>
      `<line id="${key}" x1="${place(from.x)}" y1="${place(from.y)}" x2="${place(to.x)}" y2="${place(to.y)}" ${strokeOf(lineLooks[kind])}/>`,
  )
  const said = texts.map(
    ({ at, text, size, anchor }) =>
      `<text x="${place(at.x)}" y="${place(at.y)}" font-size="${size}" text-anchor="${anchor}">${escapedXml(text)}</text>`,
  )
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">`,
    `<g fill="none" stroke="#000">`,
    ...drawn,
    `</g>`,
    `<g fill="#000" font-family="sans-serif">`,
    ...said,
    `</g>`,
    `</svg>`,
    '',
  ].join('\n')
}
