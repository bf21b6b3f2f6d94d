import { CHECK_BAR, SHEET, templateSvg } from '../../../kernel/trueSizeSheet.ts'
import { cleatTemplate } from './template.ts'
import type { SheetLine } from '../../../kernel/trueSizeSheet.ts'
import type { TemplateInput } from './template.ts'

const input = (over: Partial<TemplateInput> = {}): TemplateInput => ({
  side: 'right',
  title: 'Rider & “bike” <1>',
  setback: 24,
  setbackNow: 10,
  mtp5Behind: 26,
  slot: { foremost: 2, rearmost: 30 },
  slotAcross: 4,
  inboard: 2,
  turn: 6,
  float: 6,
  ...over,
})

/** Reads the written SVG back: its lines by id, in mm of the page. */
function readBack(svg: string): Map<string, SheetLine> {
  const page = /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg)!
  const scale = Number(page[1]) / Number(page[3])
  const found = new Map<string, SheetLine>()
  for (const m of svg.matchAll(/<line id="([^"]+)" x1="([^"]+)" y1="([^"]+)" x2="([^"]+)" y2="([^"]+)"/g))
    found.set(m[1]!, {
      key: m[1]!,
      kind: 'mark',
      from: { x: Number(m[2]) * scale, y: Number(m[3]) * scale },
      to: { x: Number(m[4]) * scale, y: Number(m[5]) * scale },
    })
  return found
}
const length = ({ from, to }: SheetLine) => Math.hypot(to.x - from.x, to.y - from.y)
const middle = ({ from, to }: SheetLine) => ({ x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 })
/** Angle from straight up the sheet, + to the right, degrees. */
const bearing = ({ from, to }: SheetLine) => (Math.atan2(to.x - from.x, from.y - to.y) * 180) / Math.PI

describe('cleat template, read back from its SVG', () => {
  const lines = readBack(templateSvg(cleatTemplate(input())))
  const get = (key: string) => lines.get(key)!

  it('has its bars at 50 mm and 2 in (25.4 mm an inch by definition)', () => {
    expect(length(get('bar-metric'))).toBeCloseTo(50, 3)
    expect(length(get('bar-inch'))).toBeCloseTo(2 * 25.4, 3)
    expect(CHECK_BAR.inch).toBe(50.8)
  })

  it('has the axle’s middle as far behind MTP1’s mark as asked, and as far inboard', () => {
    expect(middle(get('axle')).y - get('mtp1').from.y).toBeCloseTo(24, 3)
    // From below a right sole’s inner side lies on the right.
    expect(middle(get('axle')).x - get('centre').from.x).toBeCloseTo(2, 3)
    expect(get('mtp5').from.y - get('mtp1').from.y).toBeCloseTo(26, 3)
    expect(get('axle-now').from.y - get('mtp1').from.y).toBeCloseTo(10, 3)
  })

  it('turns the cleat’s axis inward by the toe-out, square to the axle, with the float’s ends either side', () => {
    expect(bearing(get('cleat'))).toBeCloseTo(6, 3)
    expect(bearing(get('float-in'))).toBeCloseTo(9, 2)
    expect(bearing(get('float-out'))).toBeCloseTo(3, 2)
    const { from, to } = get('axle')
    const along = get('cleat')
    expect((to.x - from.x) * (along.to.x - along.from.x) + (to.y - from.y) * (along.to.y - along.from.y)).toBeCloseTo(0, 0)
  })

  it('draws the slot from end to end and as wide as it is', () => {
    expect(get('slot-0').from.y - get('mtp1').from.y).toBeCloseTo(2, 3)
    expect(get('slot-2').from.y - get('mtp1').from.y).toBeCloseTo(30, 3)
    expect(length(get('slot-0'))).toBeCloseTo(4, 3)
  })

  it('mirrors left and right about the sole’s middle', () => {
    const left = readBack(templateSvg(cleatTemplate(input({ side: 'left' }))))
    expect(bearing(left.get('cleat')!)).toBeCloseTo(-6, 3)
    expect(middle(left.get('axle')!).x - SHEET.width / 2).toBeCloseTo(-2, 3)
    expect(middle(left.get('axle')!).y).toBeCloseTo(middle(get('axle')).y, 3)
  })

  it('keeps everything on A4 and on letter paper, at every end of what may be asked', () => {
    for (const setback of [-30, 90])
      for (const turn of [-20, 30])
        for (const side of ['left', 'right'] as const)
          for (const { key, from, to } of cleatTemplate(input({ side, setback, turn, inboard: 15, float: 30 })).lines)
            for (const p of [from, to]) {
              if (key.startsWith('degree') || key.startsWith('slot')) continue
              expect(p.x).toBeGreaterThan(5)
              expect(p.x).toBeLessThan(205)
              expect(p.y).toBeGreaterThan(5)
              expect(p.y).toBeLessThan(274)
            }
  })

  it('says to print unscaled, and writes words as words', () => {
    const svg = templateSvg(cleatTemplate(input()))
    expect(svg).toMatch(/Print unscaled/)
    expect(svg).toContain('Rider &amp; “bike” &lt;1&gt;')
  })

  it('draws less where less is read', () => {
    const bare = cleatTemplate(input({ setbackNow: null, mtp5Behind: null, slot: null, float: null }))
    const names = bare.lines.map((line) => line.key)
    for (const key of ['axle-now', 'mtp5', 'slot-0', 'float-in']) expect(names).not.toContain(key)
    expect(names).toEqual(expect.arrayContaining(['centre', 'mtp1', 'axle', 'cleat', 'bar-metric', 'bar-inch']))
  })
})
