import { fieldOf, isRecord } from '@level-stance/core/kernel/tables'
import PDFDocument from 'pdfkit'
import { lineLooks } from '@level-stance/core/kernel/trueSizeSheet'
import type { Template } from '@level-stance/core/kernel/trueSizeSheet'
import { FontRuns } from './fontRuns.ts'
import type { SheetFonts } from './fonts.ts'

/** Points of a PDF in a millimetre. */
const PT = 72 / 25.4
/** Templates in true size, one shoe a page; viewers are asked not to scale when printing. */
export function templatePdf(templates: readonly Template[], title: string, fonts: SheetFonts): Promise<Buffer> {
  const doc = new PDFDocument({ autoFirstPage: false, font: '', info: { Title: title, Creator: 'Level Stance' }, lang: 'en' })
  const chunks: Buffer[] = []
  doc.on('data', (chunk: Buffer) => chunks.push(chunk))
  const done = new Promise<Buffer>((resolve, reject) => {
    doc.on('end', () => resolve(Buffer.concat(chunks)))
    doc.on('error', reject)
  })
  const runs = new FontRuns(doc, fonts)
  for (const template of templates) writePage(doc, template, runs)
  askNotToScale(doc)
  doc.end()
  return done
}

function writePage(doc: PDFKit.PDFDocument, { width, height, lines, texts }: Template, runs: FontRuns): void {
  doc.addPage({ size: [width * PT, height * PT], margin: 0 })
  for (const { kind, from, to } of lines) {
    const { width: thick, dash } = lineLooks[kind]
    doc.lineWidth(thick * PT).strokeColor('#000')
    if (dash) doc.dash(dash[0] ?? 1, { space: dash[1] ?? 1 })
    doc
      .moveTo(from.x * PT, from.y * PT)
      .lineTo(to.x * PT, to.y * PT)
      .stroke()
    if (dash) doc.undash()
  }
  for (const { at, text, size, anchor } of texts) {
    doc.fillColor('#000')
    runs.write(text, { x: at.x * PT, y: at.y * PT }, { size: size * PT, weight: 'regular', anchor })
  }
}

/** The library has no call for the viewer's print scaling; its catalogue object takes it as data. */
function askNotToScale(doc: PDFKit.PDFDocument): void {
  const data = fieldOf(fieldOf(doc, '_root'), 'data')
  if (!isRecord(data)) throw new TypeError('The catalogue of the document is not where it was.')
  Object.assign(data, { ViewerPreferences: doc.ref({ PrintScaling: 'None' }) })
}
