// Reads a PDF from stdin with an independent reader; prints for each page its size and every straight line, in mm from the upper left corner.
import { OPS, getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

const chunks = []
for await (const chunk of process.stdin) chunks.push(chunk)
const document = await getDocument({ data: new Uint8Array(Buffer.concat(chunks)), useSystemFonts: false, verbosity: 0 }).promise
const MM = 25.4 / 72
const times = ([a, b, c, d, e, f], [g, h, i, j, k, l]) => [
  a * g + c * h,
  b * g + d * h,
  a * i + c * j,
  b * i + d * j,
  a * k + c * l + e,
  b * k + d * l + f,
]
const pages = []
for (let n = 1; n <= document.numPages; n++) {
  const page = await document.getPage(n)
  const [x0, y0, x1, y1] = page.view
  const { fnArray, argsArray } = await page.getOperatorList()
  const lines = []
  let matrix = [1, 0, 0, 1, 0, 0]
  const stack = []
  fnArray.forEach((fn, at) => {
    const args = argsArray[at]
    if (fn === OPS.save) stack.push(matrix)
    else if (fn === OPS.restore) matrix = stack.pop() ?? matrix
    else if (fn === OPS.transform) matrix = times(matrix, args)
    else if (fn === OPS.constructPath) {
      // Move is 0, line is 1, each followed by its point.
      const path = Array.from(args[1][0])
      let from = null
      for (let i = 0; i + 2 < path.length + 0.5; i += 3) {
        const [px, py] = [path[i + 1], path[i + 2]]
        const point = [matrix[0] * px + matrix[2] * py + matrix[4], matrix[1] * px + matrix[3] * py + matrix[5]]
        const here = { x: (point[0] - x0) * MM, y: (y1 - point[1]) * MM }
        if (path[i] === 1 && from) lines.push({ from, to: here })
        from = here
      }
    }
  })
  pages.push({ width: (x1 - x0) * MM, height: (y1 - y0) * MM, lines })
}
process.stdout.write(JSON.stringify({ pages, printScaling: (await document.getViewerPreferences())?.PrintScaling ?? null }))
