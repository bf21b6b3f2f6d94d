import { exampleMatRider, matText } from '../../../simulate/examples.ts'
import { shapeFrom } from '../../../bike/saddleShape.ts'
import { analyseMat } from './analysis.ts'
import { matFindings } from './judge.ts'
import { MatReader, matFrameText, matHeaderText } from './format.ts'
import type { MatFrame, MatHeader } from './format.ts'
import { simulateMat, simulatedMat } from '../../../simulate/matSimulation.ts'
import { seeded } from '../../../kernel/random.ts'
import type { MatRider } from '../../../simulate/matSimulation.ts'

const recorded = (more: Partial<MatRider> = {}, seed = 1) =>
  analyseMat(simulatedMat, simulateMat({ ...exampleMatRider, ...more }, 2, 10, seeded(seed)))!

function read(text: string): { header: MatHeader; frames: MatFrame[] } {
  const frames: MatFrame[] = []
  const reader = new MatReader((frame) => frames.push(frame))
  reader.push(text)
  reader.end()
  return { header: reader.header!, frames }
}

describe('a pressure mat’s analysis', () => {
  it('gives back the simulated spacing over 200 riders, with noise: mean error under 1 mm, none over 2', () => {
    const errors: number[] = []
    for (let seed = 1; seed <= 200; seed++) {
      const random = seeded(seed)
      const spacing = 95 + 50 * random()
      const shape = shapeFrom({ width: spacing + 20 + 25 * random(), length: 270, noseWidth: 42, sitFromNose: 150 })
      const found = recorded(
        {
          spacing,
          shape,
          turned: 8 * random() - 4,
          tilt: -3 * random(),
          torso: 40 + 30 * random(),
          leans: 0.4 * random() - 0.2,
          rocking: 0.3 * random(),
          effort: random(),
          mass: 55 + 40 * random(),
          relief: random() < 0.5 ? 0 : 20,
        },
        seed,
      )
      errors.push(found.spacing! - spacing)
    }
    const mean = errors.reduce((sum, error) => sum + error, 0) / errors.length
    expect(Math.abs(mean)).toBeLessThan(1)
    expect(Math.max(...errors.map(Math.abs))).toBeLessThan(2)
  })

  it('finds two bells where they were put, to a tenth of a millimetre, off the cells’ grid (independent of the simulation)', () => {
    const header = { ...simulatedMat, rows: 40, columns: 40, cellAcross: 6, cellAlong: 7 }
    const [left, right] = [
      { x: -51.3, y: -8.4 },
      { x: 58.7, y: 3.1 },
    ]
    const values = Float32Array.from({ length: 1600 }, (_, i) => {
      const x = ((i % 40) + 0.5 - 20) * 6
      const y = (20 - Math.floor(i / 40) - 0.5) * 7
      const bell = (p: { x: number; y: number }, top: number) => top * Math.exp(-((x - p.x) ** 2 + (y - p.y) ** 2) / (2 * 14 ** 2))
      return bell(left, 40) + bell(right, 60)
    })
    const found = analyseMat(header, [{ at: 0, values }])!
    expect(found.bones!.left.x).toBeCloseTo(left.x, 1)
    expect(found.bones!.right.y).toBeCloseTo(right.y, 1)
    expect(found.spacing!).toBeCloseTo(Math.hypot(110, 11.5), 1)
    expect(found.turned!).toBeCloseTo((Math.atan2(11.5, 110) * 180) / Math.PI, 1)
    // 40 : 60 of two equal bells.
    expect(found.left).toBeCloseTo(0.4, 2)
    expect(Math.abs(found.asymmetry - 20)).toBeLessThan(1)
  })

  it('weighs as pressure times area: a flat load of 10 kPa on 100 × 100 mm is 100 N in its middle', () => {
    const header = { ...simulatedMat, rows: 20, columns: 20, cellAcross: 10, cellAlong: 10 }
    const values = new Float32Array(400)
    for (let row = 5; row < 15; row++) for (let column = 5; column < 15; column++) values[row * 20 + column] = 10
    const found = analyseMat(header, [
      { at: 0, values },
      { at: 0.1, values },
    ])!
    expect(found.force).toBeCloseTo(100, 6)
    expect(found.area).toBeCloseTo(100, 6)
    expect(found.centre).toEqual({ x: 0, y: 0 })
    expect(found.wander).toEqual({ x: 0, y: 0 })
    expect(found.left).toBeCloseTo(0.5, 9)
  })

  it('says the truth of turned, leaning and rocking riders', () => {
    expect(recorded({ turned: 8 }).turned!).toBeCloseTo(8, 0)
    expect(recorded({ leans: 0.8 }).left).toBeLessThan(0.45)
    expect(recorded({ rocking: 1 }).rocking).toBeGreaterThan(recorded({ rocking: 0 }).rocking + 3)
  })

  it('moves load to the middle when the torso goes low, the nose up, or the saddle is narrow (direction: Partin et al. 2012, from memory; common practice)', () => {
    const soft = (more: Partial<MatRider>) => recorded(more).softTissue
    const usual = soft({})
    expect(soft({ torso: 30 })).toBeGreaterThan(usual)
    expect(soft({ tilt: 3 })).toBeGreaterThan(usual)
    expect(soft({ shape: shapeFrom({ width: 118, length: 270, sitFromNose: 155 }) })).toBeGreaterThan(usual)
    expect(soft({ relief: 26 })).toBeLessThan(usual)
  })

  it('says what is a finding: more than 60 : 40, and a middle above the bones (common practice)', () => {
    const keys = (more: Partial<MatRider>) =>
      matFindings(recorded(more))
        .filter((f) => f.weight === 'act')
        .map((f) => f.key)
    expect(keys({})).toEqual([])
    expect(keys({ leans: 1 })).toContain('one-side')
    expect(keys({ tilt: 4, torso: 35, shape: shapeFrom({ width: 124, length: 270, sitFromNose: 155 }) })).toContain('middle')
    expect(keys({ turned: 9 })).toContain('turned')
  })

  it('an empty mat, and one far too narrow, have no spacing rather than a wrong one', () => {
    const values = new Float32Array(64 * 32)
    expect(analyseMat(simulatedMat, [{ at: 0, values }])).toBeNull()
    values.fill(5)
    expect(analyseMat(simulatedMat, [{ at: 0, values }])!.force).toBeGreaterThan(0)
  })
})

describe('the open pressure format', () => {
  const text = matText(exampleMatRider, 1, 4)
  const small = (change: (lines: string[]) => void) => {
    const lines = [
      'unit,kPa',
      'rows,4',
      'columns,4',
      'cell_across_mm,10',
      'cell_along_mm,10',
      'frame,0',
      '1,2,3,4',
      '1,2,3,4',
      '1,2,3,4',
      '1,2,3,4',
    ]
    change(lines)
    return lines.join('\n')
  }

  it('reads back what it writes, whole or in pieces of any size', () => {
    const whole = read(text)
    expect(whole.header).toMatchObject({ rows: 64, columns: 32, cellAcross: 8, cellAlong: 5, simulated: true })
    expect(whole.frames).toHaveLength(10)
    const frames: MatFrame[] = []
    const reader = new MatReader((frame) => frames.push(frame))
    for (let i = 0; i < text.length; i += 777) reader.push(text.slice(i, i + 777))
    reader.end()
    expect(frames.map((f) => Array.from(f.values))).toEqual(whole.frames.map((f) => Array.from(f.values)))
    expect(matHeaderText(whole.header) + whole.frames.map((f) => matFrameText(f, whole.header)).join('')).toBe(text)
  })

  it('takes spreadsheets: byte order mark, carriage returns, semicolons with decimal commas, comments', () => {
    const sheet = small(() => undefined)
      .replace(/,/g, ';')
      .replace('1;2;3;4', '1,5;2;3;4')
      .replace(/\n/g, '\r\n')
    expect(read(`\uFEFF# from a sheet\r\n${sheet}`).frames[0]!.values[0]).toBeCloseTo(1.5, 6)
  })

  it.each<[string, string, RegExp]>([
    ['not a pressure file', 'name,age\nA,3\n', /“name” is not known/],
    ['nothing', '', /no pressure file/],
    ['zero frames', small((l) => l.splice(5)), /no frame|no pressure file/],
    ['wrong unit', small((l) => (l[0] = 'unit,psi')), /must be kPa.*psi/],
    ['no unit', small((l) => l.splice(0, 1)), /unit is missing/],
    [
      '10,000 × 10,000 in the heading',
      small((l) => {
        l[1] = 'rows,10000'
        l[2] = 'columns,10000'
      }),
      /rows must be a whole number from 4 to 256.*10000/,
    ],
    ['no cell size', small((l) => l.splice(3, 1)), /cell_across_mm must be from 2 to 40 mm, and it is missing/],
    ['negative', small((l) => (l[7] = '1,-2,3,4')), /Line 8: −2 in column 2 is no pressure/],
    ['words', small((l) => (l[7] = '1,x,3,4')), /Line 8: “x” in column 2/],
    ['not a number', small((l) => (l[7] = '1,NaN,3,4')), /is no number/],
    ['too few columns', small((l) => (l[7] = '1,2,3')), /Line 8: This row has 3 values.*4 columns/],
    ['cut off', small((l) => l.pop()), /3 of 4 rows: the file is cut off/],
    ['rows from the back', small((l) => l.unshift('first_row,back')), /first row must be the front/],
    ['one endless line', '1'.repeat(200_000), /no end/],
  ])('refuses %s in words that name the line', (_, file, words) => {
    expect(() => read(file)).toThrow(words)
  })
})
