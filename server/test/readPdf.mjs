// Reads a PDF from stdin with an independent reader and prints its pages and text as JSON.
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

const chunks = []
for await (const chunk of process.stdin) chunks.push(chunk)
const document = await getDocument({ data: new Uint8Array(Buffer.concat(chunks)), useSystemFonts: false, verbosity: 0 }).promise
let text = ''
for (let i = 1; i <= document.numPages; i++) {
  const content = await (await document.getPage(i)).getTextContent()
  text += ` ${content.items.map((item) => item.str ?? '').join(' ')}`
}
process.stdout.write(JSON.stringify({ pages: document.numPages, text: text.replace(/\s+/g, ' ') }))
