import { fieldOf, isRecord } from '@level-stance/core/kernel/tables'
import type { SheetFonts } from './fonts.ts'

export type Weight = 'regular' | 'bold'
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

  private fontFor(letter: string, weight: Weight): number {
    for (const i of [0, 1]) {
      this.doc.font(`${weight}${i}`)
      if (hasGlyphs(this.doc) && this.doc._font.font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 32)) return i
    }
    return 1
  }
}
