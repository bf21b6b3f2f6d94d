import { fieldOf, isRecord } from '@level-stance/core/kernel/tables'
import type { SheetFonts } from './fonts.ts'

export type Weight = 'regular' | 'bold'
/** How far letters rise over their base line, of their size. */
const ASCENT = 0.8
interface Glyphs {
  hasGlyphForCodePoint(codePoint: number): boolean
}

/** The library has no call for the glyphs of the font in use; the font it keeps has. */
function hasGlyphs(doc: PDFKit.PDFDocument): doc is PDFKit.PDFDocument & { readonly _font: { readonly font: Glyphs } } {
  return isRecord(fieldOf(fieldOf(doc, '_font'), 'font'))
}

/** Text in runs, each in the first of the shipped fonts that has its letters: names come in many scripts. */
export class FontRuns {
  private readonly doc: PDFKit.PDFDocument
  constructor(doc: PDFKit.PDFDocument, fonts: SheetFonts) {
    this.doc = doc
    for (const weight of ['regular', 'bold'] as const) fonts[weight].forEach((data, i) => doc.registerFont(`${weight}${i}`, data))
  }

  of(text: string, weight: Weight): { font: string; text: string }[] {
    const runs: { font: string; text: string }[] = []
    for (const letter of text) {
      const font = `${weight}${this.fontFor(letter, weight)}`
      const last = runs.at(-1)
      if (last && (last.font === font || letter === ' ')) last.text += letter
      else runs.push({ font, text: letter })
    }
    return runs
  }

  /** Width in points. */
  widthOf(text: string, weight: Weight, size: number): number {
    return this.of(text, weight).reduce((sum, run) => sum + this.doc.font(run.font).fontSize(size).widthOfString(run.text), 0)
  }

  /**
   * Writes words on their base line, in the colours that are set.
   * @param at where the anchor lies on the base line, in the page’s unit as it is scaled
   */
  write(
    text: string,
    at: { readonly x: number; readonly y: number },
    { size, weight, anchor }: { readonly size: number; readonly weight: Weight; readonly anchor: 'start' | 'middle' | 'end' },
    painted: { readonly fill?: boolean; readonly stroke?: boolean } = {},
  ): void {
    let x = at.x - { start: 0, middle: 0.5, end: 1 }[anchor] * this.widthOf(text, weight, size)
    for (const run of this.of(text, weight)) {
      this.doc.font(run.font).fontSize(size)
      // The library hangs a text from its top.
      this.doc.text(run.text, x, at.y - size * ASCENT, { lineBreak: false, ...painted })
      x += this.doc.widthOfString(run.text)
    }
  }

  private fontFor(letter: string, weight: Weight): number {
    for (const i of [0, 1]) {
      this.doc.font(`${weight}${i}`)
      if (hasGlyphs(this.doc) && this.doc._font.font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 32)) return i
    }
    return 1
  }
}
