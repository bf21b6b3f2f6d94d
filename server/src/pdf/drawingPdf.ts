import { hexOf } from '@level-stance/core/kernel/drawing'
import type { Look, Shape } from '@level-stance/core/kernel/drawing'
import type { Message } from '@level-stance/core/kernel/message'
import type { FontRuns } from './fontRuns.ts'

/** The longest dash pattern that PDF’s library takes as one dash and one gap. */
type Dash = readonly [dash: number, gap: number]

/**
 * Draws shapes where the page’s own origin and scale have been set to theirs.
 * @param words a text in the unit of the page
 */
export function drawShapes(doc: PDFKit.PDFDocument, shapes: readonly Shape[], runs: FontRuns, words: (message: Message) => string): void {
  for (const shape of shapes) {
    switch (shape.kind) {
      case 'path':
        paint(doc.path(shape.d), shape.look)
        break
      case 'circle':
        paint(doc.circle(shape.at.x, shape.at.y, shape.r), shape.look)
        break
      case 'line':
        paint(doc.moveTo(shape.from.x, shape.from.y).lineTo(shape.to.x, shape.to.y), shape.look)
        break
      case 'text':
        write(doc, runs, shape, words)
        break
      case 'group':
        doc.save().translate(shape.at.x, shape.at.y)
        if (shape.isMirrored) doc.scale(-1, 1)
        if (shape.turn) doc.rotate(shape.turn)
        drawShapes(doc, shape.shapes, runs, words)
        doc.restore()
        break
    }
  }
}

function paint(doc: PDFKit.PDFDocument, { fill, fillOpacity = 1, stroke, strokeOpacity = 1, width = 1, dash, isRound }: Look): void {
  doc.fillOpacity(fillOpacity).strokeOpacity(strokeOpacity)
  if (stroke !== undefined) {
    doc
      .lineWidth(width)
      .lineJoin('round')
      .lineCap(isRound ? 'round' : 'butt')
    const [on, off] = dashOf(dash)
    if (on > 0) doc.dash(on, { space: off })
    else doc.undash()
  }
  if (fill !== undefined && stroke !== undefined) doc.fillAndStroke(hexOf(fill), hexOf(stroke))
  else if (fill !== undefined) doc.fill(hexOf(fill))
  else if (stroke !== undefined) doc.stroke(hexOf(stroke))
  doc.fillOpacity(1).strokeOpacity(1).undash()
}

const dashOf = (dash: Look['dash']): Dash => [dash?.[0] ?? 0, dash?.[1] ?? 0]

/** Words on their base line, with the rim that keeps them apart from what is below, and those that go on in another colour. */
function write(
  doc: PDFKit.PDFDocument,
  runs: FontRuns,
  { text, then, at, lettering: { fill, size, anchor = 'start', isBold, rim } }: Shape & { readonly kind: 'text' },
  words: (message: Message) => string,
): void {
  const weight = isBold ? 'bold' : 'regular'
  const spans = [{ text: words(text), fill }, ...(then ? [{ text: ` ${words(then.text)}`, fill: then.fill }] : [])]
  const widths = spans.map((span) => runs.widthOf(span.text, weight, size))
  let x = at.x - { start: 0, middle: 0.5, end: 1 }[anchor] * widths.reduce((sum, width) => sum + width, 0)
  spans.forEach((span, i) => {
    const style = { size, weight, anchor: 'start' } as const
    if (rim !== undefined) {
      doc.lineWidth(rim).lineJoin('round').strokeColor(hexOf('panel'))
      runs.write(span.text, { x, y: at.y }, style, { stroke: true, fill: false })
    }
    doc.fillColor(hexOf(span.fill))
    runs.write(span.text, { x, y: at.y }, style, { fill: true })
    x += widths[i] ?? 0
  })
}
