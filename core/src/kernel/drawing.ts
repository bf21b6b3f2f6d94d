import type { LengthUnit } from './entry.ts'
import { plain } from './message.ts'
import type { Message } from './message.ts'

/** A place in a drawing: x to the right, y down, in the drawing’s own unit. */
export interface Drawn {
  readonly x: number
  readonly y: number
}

/** Colours by what they stand for, as they are on paper; the screen has its own for a light and a dim room by the same names. */
export const paper = {
  panel: '#fffdf8',
  ink: '#1d2b2a',
  muted: '#5a6561',
  line: '#d9d3c5',
  petrol: '#0e6b6b',
  glass: '#dce8a8',
  'glass-edge': '#b9c884',
  bubble: '#6f8f1f',
  brick: '#a63d2a',
  sole: '#efe8da',
  steel: '#b7ad9b',
  flesh: '#e4dccb',
} as const
export type Ink = keyof typeof paper
/** A colour, or one mixed of two: so much of the first, 0..1. */
export type Paint = Ink | { readonly of: Ink; readonly share: number; readonly with: Ink }

/** How a shape is painted; widths and dashes in the drawing’s unit. What is left out is not painted. */
export interface Look {
  readonly fill?: Paint
  readonly fillOpacity?: number
  readonly stroke?: Paint
  readonly strokeOpacity?: number
  readonly width?: number
  readonly dash?: readonly number[]
  /** ends of lines are square unless they are said to be round */
  readonly isRound?: boolean
}

/** How words are written: their height, where their place lies in them, and how wide a rim keeps them apart from what is below. */
export interface Lettering {
  readonly fill: Ink
  readonly size: number
  readonly anchor?: 'start' | 'middle' | 'end'
  readonly isBold?: boolean
  readonly rim?: number
}

/** One shape of a drawing. Its key tells it from the others of its list. */
export type Shape =
  | { readonly key: string; readonly kind: 'path'; readonly look: Look; readonly d: string }
  | { readonly key: string; readonly kind: 'circle'; readonly look: Look; readonly at: Drawn; readonly r: number }
  | { readonly key: string; readonly kind: 'line'; readonly look: Look; readonly from: Drawn; readonly to: Drawn }
  | {
      readonly key: string
      readonly kind: 'text'
      readonly lettering: Lettering
      readonly at: Drawn
      readonly text: Message
      readonly then?: { readonly text: Message; readonly fill: Ink }
    }
  | {
      readonly key: string
      readonly kind: 'group'
      /** where the group’s own origin lies, how far it is turned, degrees clockwise, and whether its x runs to the left */
      readonly at: Drawn
      readonly turn?: number
      readonly isMirrored?: boolean
      readonly shapes: readonly Shape[]
    }

export const pathShape = (key: string, look: Look, d: string): Shape => ({ key, kind: 'path', look, d })
export const lineShape = (key: string, look: Look, from: Drawn, to: Drawn): Shape => ({ key, kind: 'line', look, from, to })
export const circleShape = (key: string, look: Look, at: Drawn, r: number): Shape => ({ key, kind: 'circle', look, at, r })
/** Shapes taken together where they are, turned about their origin. @param turn degrees clockwise */
export const groupShape = (key: string, shapes: readonly Shape[], turn = 0): Shape => ({
  key,
  kind: 'group',
  at: { x: 0, y: 0 },
  turn,
  shapes,
})

/** A drawing that stands alone: what it shows of the plane, and its shapes from below to above. */
export interface Drawing {
  readonly title: string
  readonly box: Drawn & { readonly width: number; readonly height: number }
  readonly shapes: readonly Shape[]
}

/** A colour as the style of a page says it. */
export const cssOf = (paint: Paint): string =>
  typeof paint === 'string'
    ? `var(--${paint})`
    : `color-mix(in srgb, var(--${paint.of}) ${Math.round(100 * paint.share)}%, var(--${paint.with}))`

/** A colour in six digits, from the colours of a page or of paper. */
export function hexOf(paint: Paint, palette: Readonly<Record<Ink, string>> = paper): string {
  if (typeof paint === 'string') return palette[paint]
  const [a, b] = [palette[paint.of], palette[paint.with]].map((hex) => Number.parseInt(hex.slice(1), 16))
  const part = (from: number, shift: number) => (from >> shift) & 255
  const mixed = [16, 8, 0].map((shift) => Math.round(paint.share * part(a ?? 0, shift) + (1 - paint.share) * part(b ?? 0, shift)))
  return `#${mixed.map((value) => value.toString(16).padStart(2, '0')).join('')}`
}

/** Attributes of an SVG element. */
export type Attributes = Readonly<Record<string, string | number>>

const short = (value: number): number => Number(value.toFixed(2))

/** A look as attributes of SVG. @param colour how a colour is written */
export function lookAttributes(look: Look, colour: (paint: Paint) => string): Attributes {
  const { fill, fillOpacity, stroke, strokeOpacity, width = 1, dash, isRound } = look
  return {
    fill: fill === undefined ? 'none' : colour(fill),
    ...(fillOpacity === undefined ? {} : { 'fill-opacity': fillOpacity }),
    ...(stroke === undefined ? {} : { stroke: colour(stroke), 'stroke-width': width, 'stroke-linejoin': 'round' }),
    ...(strokeOpacity === undefined ? {} : { 'stroke-opacity': strokeOpacity }),
    ...(dash === undefined ? {} : { 'stroke-dasharray': dash.join(' ') }),
    ...(isRound ? { 'stroke-linecap': 'round' } : {}),
  }
}

/** Lettering as attributes of SVG. */
export function letteringAttributes({ fill, size, anchor, isBold, rim }: Lettering, colour: (paint: Paint) => string): Attributes {
  return {
    fill: colour(fill),
    'font-size': short(size),
    ...(anchor === undefined ? {} : { 'text-anchor': anchor }),
    ...(isBold ? { 'font-family': 'Barlow Semi Condensed, Barlow, sans-serif', 'font-weight': 600 } : {}),
    ...(rim === undefined ? {} : { stroke: colour('panel'), 'stroke-width': short(rim), 'paint-order': 'stroke' }),
  }
}

/** Where a group lies, as SVG says it. */
export function transformOf({
  at,
  turn = 0,
  isMirrored,
}: {
  readonly at: Drawn
  readonly turn?: number
  readonly isMirrored?: boolean
}): string {
  const moved = `translate(${short(at.x)} ${short(at.y)})`
  return `${moved}${isMirrored ? ' scale(-1 1)' : ''}${turn === 0 ? '' : ` rotate(${short(turn)})`}`
}

/** One element of SVG: what the screen mounts and what a file holds are both made from it. */
export interface SvgElement {
  readonly tag: 'path' | 'circle' | 'line' | 'text' | 'tspan' | 'g'
  readonly key: string
  readonly attributes: Attributes
  readonly inside: string | readonly SvgElement[]
}

/** How the parts of a shape are said: attributes of looks and letterings, and words in a unit. */
export interface Saying {
  readonly look: (look: Look) => Attributes
  readonly lettering: (lettering: Lettering) => Attributes
  readonly words: (message: Message) => string
}

/** A shape as an element of SVG. */
export function elementOf(shape: Shape, say: Saying): SvgElement {
  const { key } = shape
  switch (shape.kind) {
    case 'path':
      return { tag: 'path', key, attributes: { ...say.look(shape.look), d: shape.d }, inside: '' }
    case 'circle': {
      const { at, r } = shape
      return { tag: 'circle', key, attributes: { ...say.look(shape.look), cx: short(at.x), cy: short(at.y), r: short(r) }, inside: '' }
    }
    case 'line': {
      const { from, to } = shape
      const ends = { x1: short(from.x), y1: short(from.y), x2: short(to.x), y2: short(to.y) }
      return { tag: 'line', key, attributes: { ...say.look(shape.look), ...ends }, inside: '' }
    }
    case 'text':
      // Moved as a whole: a text whose own place changes is shaped anew.
      return {
        tag: 'text',
        key,
        attributes: { ...say.lettering(shape.lettering), x: 0, y: 0, transform: transformOf({ at: shape.at }) },
        inside: spansOf(shape, say),
      }
    case 'group':
      return { tag: 'g', key, attributes: { transform: transformOf(shape) }, inside: shape.shapes.map((one) => elementOf(one, say)) }
  }
}

/** The words of a text; those that go on in another colour follow after a space. */
function spansOf({ text, then }: Shape & { readonly kind: 'text' }, say: Saying): SvgElement['inside'] {
  const first = say.words(text)
  if (then === undefined) return first
  const more = say.lettering({ fill: then.fill, size: 0 })['fill'] ?? ''
  return [
    { tag: 'tspan', key: 'first', attributes: {}, inside: first },
    { tag: 'tspan', key: 'then', attributes: { fill: more }, inside: ` ${say.words(then.text)}` },
  ]
}

/** A text as it stands in XML. */
export const escapedXml = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;')

function markup({ tag, attributes, inside }: SvgElement): string {
  const said = Object.entries(attributes).map(([name, value]) => ` ${name}="${escapedXml(String(value))}"`)
  return `<${tag}${said.join('')}>${typeof inside === 'string' ? escapedXml(inside) : inside.map(markup).join('')}</${tag}>`
}

/**
 * A drawing as a stand-alone SVG file; millimetres as its units.
 * @param scale so much smaller it is on paper: 5 for 1:5
 */
export function drawingSvg(
  { title, box, shapes }: Drawing,
  scale: number,
  unit: LengthUnit,
  palette: Readonly<Record<Ink, string>> = paper,
): string {
  const { x, y, width, height } = box
  const colour = (paint: Paint) => hexOf(paint, palette)
  const say: Saying = {
    look: (look) => lookAttributes(look, colour),
    lettering: (lettering) => letteringAttributes(lettering, colour),
    words: (message) => plain(message, unit),
  }
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${[x, y, width, height].map(short).join(' ')}" width="${(width / scale).toFixed(1)}mm" height="${(height / scale).toFixed(1)}mm" font-family="Barlow, sans-serif">`,
    `<title>${escapedXml(title)}. One unit is one millimetre; printed unscaled it is 1:${scale}.</title>`,
    `<rect x="${short(x)}" y="${short(y)}" width="${short(width)}" height="${short(height)}" fill="${palette.panel}"/>`,
    ...shapes.map((shape) => markup(elementOf(shape, say))),
    '</svg>',
    '',
  ].join('\n')
}
