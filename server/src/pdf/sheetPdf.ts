import type { LengthUnit } from '@level-stance/core/kernel/entry'
import type { Message } from '@level-stance/core/kernel/message'
import { paper } from '@level-stance/core/kernel/drawing'
import { msg, plain } from '@level-stance/core/kernel/message'
import PDFDocument from 'pdfkit'
import { bodyDrawings } from '@level-stance/core/figure/bodyMap'
import type { MarkedDrawing } from '@level-stance/core/figure/bodyMap'
import type { Drawing } from '@level-stance/core/kernel/drawing'
import type { Sheet } from '@level-stance/core/record/sheet'
import { bodyViews } from '@level-stance/core/talk/regions'
import { drawShapes } from './drawingPdf.ts'
import { FontRuns } from './fontRuns.ts'
import type { Weight } from './fontRuns.ts'
import type { SheetFonts } from './fonts.ts'

const { ink, muted, line, petrol, brick, flesh } = paper
const margin = 42
const pageWidth = 595.28
const pageHeight = 841.89
const width = pageWidth - 2 * margin

/** Of a standing figure, points. */
const BODY_HEIGHT = 116
/** Of the row of drawings under the complaints and of a pair of hands at most, and between two, points. */
const ROW_HEIGHT = 176
const PAIR_HEIGHT = 170
const PICTURE_GAP = 16

interface TextStyle {
  readonly size?: number
  readonly weight?: Weight
  readonly color?: string
}

/**
 * The record as PDF: A4, real text, fonts embedded. First what was changed, its drawings and what to
 * check before riding off; many readings go on to further pages rather than being cut.
 */
export function sheetPdf(sheet: Sheet, fonts: SheetFonts, unit: LengthUnit): Promise<Buffer> {
  const doc = new PDFDocument({
    size: 'A4',
    margin,
    // No default font: one opened here would be opened again at every change of font.
    font: '',
    info: { Title: `${sheet.rider}: ${sheet.visit}`, Creator: 'Level Stance' },
    lang: 'en',
  })
  const chunks: Buffer[] = []
  doc.on('data', (chunk: Buffer) => chunks.push(chunk))
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('end', () => resolve(Buffer.concat(chunks)))
    doc.on('error', reject)
  })
  new SheetWriter(doc, fonts, unit).write(sheet)
  doc.end()
  return done
}

class SheetWriter {
  private readonly doc: PDFKit.PDFDocument
  private readonly runs: FontRuns
  private y = margin
  private readonly said: (message: Message) => string
  constructor(doc: PDFKit.PDFDocument, fonts: SheetFonts, unit: LengthUnit) {
    this.doc = doc
    this.said = (message) => plain(message, unit)
    this.runs = new FontRuns(doc, fonts)
  }

  write(sheet: Sheet): void {
    this.line([{ text: sheet.rider, x: 0, width: width - 130, style: { size: 20, weight: 'bold' } }], 25)
    this.line([{ text: `${sheet.bike} · ${sheet.visit} · ${sheet.startedAt.slice(0, 10)}`, x: 0, width, style: { color: muted } }], 15)
    if (sheet.stop !== null) this.paragraph(sheet.stop, { weight: 'bold', color: brick })
    for (const words of sheet.blocks) this.paragraph(words, { weight: 'bold', color: brick })
    this.heading('Complaints', ['before', 'now'])
    if (sheet.complaints.length === 0) this.line([{ text: 'None told.', x: 0, width, style: { color: muted } }])
    for (const row of sheet.complaints)
      this.row(
        row.title,
        row.before === null ? 'not rated' : `${row.before}/10`,
        row.after === null ? 'not rated' : `${row.after}/10`,
        row.note,
        row.after !== null && row.before !== row.after,
      )
    this.drawings(sheet.where, sheet.pictures)
    this.heading('Contact points', ['before', 'after'])
    for (const row of sheet.settings) this.row(row.label, row.before, row.after, row.note, row.changed)
    this.heading('Changes', [])
    if (sheet.changes.length === 0) this.line([{ text: 'None yet.', x: 0, width, style: { color: muted } }])
    sheet.changes.forEach((change, i) => {
      this.paragraph(
        msg`${i + 1}. ${change.title}: ${change.state}.${change.ratings === '' ? '' : ` Rated ${change.ratings}.`}${change.later === '' ? '' : msg` ${change.later}`}`,
      )
    })
    for (let i = 0; i < sheet.handPictures.length; i += 2) this.pair(sheet.handPictures.slice(i, i + 2))
    this.y += 8
    for (const caution of sheet.cautions) this.paragraph(caution, { size: 9, weight: 'bold' })
    this.heading('Readings at the start', [])
    this.abreast(sheet.readings)
    this.y += 8
    this.paragraph(sheet.basis, { size: 8.5, color: muted })
  }

  /** Side by side: the body with each place of a complaint filled and its severity on it, and what was set. */
  private drawings(where: Sheet['where'], pictures: Sheet['pictures']): void {
    if (where.length + pictures.length === 0) return
    this.room(ROW_HEIGHT + 30)
    const top = this.y + 14
    let x = margin
    for (const drawing of where) {
      const scale = BODY_HEIGHT / bodyDrawings.front.height
      const middle = x + (scale * drawing.width) / 2
      this.body(drawing, middle, top, scale)
      const caption = (words: string, at: number) =>
        this.centred(words, middle + scale * at, top - 9, { size: 6.5, weight: 'regular', color: muted })
      caption(bodyViews[drawing.view].label, 0)
      caption('right', drawing.rightAt * 70)
      caption('left', drawing.rightAt * -70)
      x += scale * drawing.width + PICTURE_GAP
    }
    const drawn = this.abreastFrom(x, top, ROW_HEIGHT, pictures)
    this.y = top + Math.max(where.length > 0 ? BODY_HEIGHT : 0, drawn) + 6
  }

  private body({ outline, spots }: MarkedDrawing, middle: number, top: number, scale: number): void {
    const { doc } = this
    doc.save().translate(middle, top).scale(scale)
    for (const path of outline) doc.path(path).fill(flesh)
    if (outline.length > 0) doc.path(outline.join('')).clip()
    for (const { path, flip, words } of spots) {
      doc.save().scale(flip, 1).path(path).lineWidth(2)
      doc.fillAndStroke(words === null ? flesh : brick, '#FFFFFF').restore()
    }
    doc.restore()
    for (const { x, y, words } of spots)
      if (words !== null) this.centred(words, middle + scale * x, top + scale * y - 4, { size: 7.5, weight: 'bold', color: '#FFFFFF' })
  }

  /** Two drawings side by side. */
  private pair(pictures: readonly Drawing[]): void {
    this.room(PAIR_HEIGHT + 26)
    this.y += this.abreastFrom(margin, this.y + 8, PAIR_HEIGHT, pictures) + 16
  }

  /** Drawings from a place to the page’s edge, each to its own scale in an equal share of the width, with its title below; returns their height. */
  private abreastFrom(left: number, top: number, highest: number, pictures: readonly Drawing[]): number {
    if (pictures.length === 0) return 0
    const { doc, runs } = this
    const room = (margin + width - left - PICTURE_GAP * (pictures.length - 1)) / pictures.length
    const scales = pictures.map(({ box }) => Math.min(highest / box.height, room / box.width))
    const height = Math.max(...pictures.map(({ box }, i) => box.height * (scales[i] ?? 0)))
    pictures.forEach(({ title, box, shapes }, i) => {
      const x = left + i * (room + PICTURE_GAP)
      doc.save()
      doc
        .translate(x, top)
        .scale(scales[i] ?? 0)
        .translate(-box.x, -box.y)
      doc.rect(box.x, box.y, box.width, box.height).clip()
      drawShapes(doc, shapes, runs, this.said)
      doc.restore()
      this.text(title, x, top + height + 3, room, { size: 8.5, color: muted }, true)
    })
    return height + 12
  }

  private centred(text: string, x: number, y: number, style: Required<TextStyle>): void {
    const width = this.runs.widthOf(text, style.weight, style.size)
    this.text(text, x - width / 2, y, width + 1, style, true)
  }

  private heading(title: string, columns: readonly string[]): void {
    this.room(40)
    this.y += 9
    this.line(
      [
        { text: title, x: 0, width: 220, style: { size: 12, weight: 'bold', color: petrol } },
        ...columns.map((text, i) => ({ text, x: 230 + i * 80, width: 74, style: { size: 8.5, color: muted } })),
      ],
      16,
    )
    this.doc
      .moveTo(margin, this.y - 2)
      .lineTo(margin + width, this.y - 2)
      .lineWidth(0.5)
      .strokeColor(line)
      .stroke()
    this.y += 2
  }

  private row(label: Message, first: Message, second: Message, note: Message, strong: boolean): void {
    this.line([
      { text: label, x: 0, width: 226 },
      { text: first, x: 230, width: 76 },
      { text: second, x: 310, width: 76, style: { weight: strong ? 'bold' : 'regular' } },
      { text: note, x: 390, width: width - 390, style: { size: 8.5, color: muted } },
    ])
  }

  /** Readings in two columns, each read top to bottom. */
  private abreast(rows: Sheet['readings']): void {
    const half = Math.ceil(rows.length / 2)
    const column = width / 2
    const small: TextStyle = { size: 8.5 }
    for (let i = 0; i < half; i++) {
      const cells = [rows[i], rows[i + half]].flatMap((row, k) => {
        if (row === undefined) return []
        const x = k * (column + 4)
        return [
          { text: row.label, x, width: 100, style: small },
          { text: row.left, x: x + 102, width: 46, style: { size: 8.5, weight: 'bold' as const } },
          { text: row.right, x: x + 150, width: 34, style: { size: 8.5, weight: 'bold' as const } },
          { text: row.how, x: x + 186, width: column - 190, style: { size: 7.5, color: muted } },
        ]
      })
      this.line(cells, 11.5)
    }
  }

  private line(cells: readonly { text: Message; x: number; width: number; style?: TextStyle }[], height = 14): void {
    this.room(height)
    for (const { text, x, width: room, style = {} } of cells) {
      // Small print sits on the same baseline as the rest of its row.
      const drop = height === 14 && style.size !== undefined ? (10 - style.size) * 0.9 : 0
      this.text(text, margin + x, this.y + drop, room, style, true)
    }
    this.y += height
  }

  private paragraph(text: Message, style: TextStyle = {}): void {
    this.room(28)
    this.y = this.text(text, margin, this.y, width, style, false) + 2
  }

  /** Starts a new page when less than `height` is left. */
  private room(height: number): void {
    if (this.y + height <= pageHeight - margin) return
    this.doc.addPage()
    this.y = margin
  }

  /** Writes text in runs, each in the first font that has its letters; returns the y below it. */
  private text(
    message: Message,
    x: number,
    y: number,
    maxWidth: number,
    { size = 10, weight = 'regular', color = ink }: TextStyle,
    oneLine: boolean,
  ): number {
    const text = this.said(message)
    if (text === '') return y
    this.doc.fontSize(size).fillColor(color)
    const runs = this.runs.of(oneLine ? this.fitted(text, maxWidth, weight, size) : text, weight)
    runs.forEach((run, i) => {
      this.doc.font(run.font)
      const options = { width: maxWidth, lineBreak: !oneLine, continued: i < runs.length - 1 }
      if (i === 0) this.doc.text(run.text, x, y, options)
      else this.doc.text(run.text, options)
    })
    return this.doc.y
  }

  /** Shortens one-line text with an ellipsis to its column. */
  private fitted(text: string, maxWidth: number, weight: Weight, size: number): string {
    const measure = (candidate: string) => this.runs.widthOf(candidate, weight, size)
    if (measure(text) <= maxWidth) return text
    let kept = text.slice(0, 400)
    while (kept.length > 1 && measure(`${kept}…`) > maxWidth) kept = kept.slice(0, -1)
    return `${kept}…`
  }
}
