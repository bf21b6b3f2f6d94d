import type { Point } from '../../../bike/contactPoints.ts'
import { DEGREES } from '../../../bike/contactPoints.ts'
import { solveLinear } from '../../../kernel/leastSquares.ts'
import { itemAt } from '../../../kernel/dense.ts'
import { combined } from '../../../kernel/quantity.ts'
import { at, cellAt, matrixOf } from '../../../kernel/vector.ts'
import type { MatFrame, MatHeader } from './format.ts'

/** Taken once: they run for every cell. */
const { abs, atan2, ceil, exp, floor, hypot, log, max, min, sqrt } = Math

/** What a mat says of the seat. Places in mm from the mat's middle: x to the rider's right, y forward. */
export interface MatResult {
  readonly frames: number
  /** from the first frame to the last, s */
  readonly seconds: number
  /** mean pressure by cell, kPa, as in a frame */
  readonly mean: Float32Array
  /** highest of the mean, kPa, and where */
  readonly peak: number
  readonly peakAt: Point
  /** mean normal force, N; loaded area, cm² */
  readonly force: number
  readonly area: number
  /** sit-bone peaks of the smoothed mean; null where no pair stands out */
  readonly bones: { readonly left: BonePeak; readonly right: BonePeak } | null
  /** centre to centre, mm, with its ± (k = 2) */
  readonly spacing: number | null
  readonly spacingPlusMinus: number | null
  /** how far the line of the bones is turned, degrees, + right bone forward */
  readonly turned: number | null
  /** of the load: left and right of the mat's middle line, before and behind the bones, and in the middle before the bones; 0..1 */
  readonly left: number
  readonly front: number
  readonly softTissue: number
  /** highest smoothed pressure in that middle, kPa */
  readonly softPeak: number
  readonly centre: Point
  /** how far the centre of pressure strays, mm: two deviations across and along */
  readonly wander: Point
  /** (right − left) over both, % */
  readonly asymmetry: number
  /** two deviations of the left share over time, % of the load */
  readonly rocking: number
}

export interface BonePeak extends Point {
  readonly pressure: number
}

/** Less than this is the mat's own noise, kPa. @source prior */
const NOISE_FLOOR = 1.5
/** How much the mean is smoothed before peaks are looked for: deviation, mm. @source prior */
const SMOOTHING = 7
/** Bones lie this far from the middle at least, and their line is turned no more than this, mm. @source prior */
const BONE_FROM_MIDDLE = 22
const BONE_TO_MIDDLE = 105
const BONES_APART_ALONG = 45
/** The middle: this share of the spacing to either side, and this far before the bones, mm. @source prior */
const MIDDLE_SHARE = 0.24
const MIDDLE_AHEAD = 12
/** Where no bones stand out, the middle is this wide to either side, mm. @source prior */
const MIDDLE_WIDTH = 25
/** A peak is fitted over what comes within this share of its highest, and this near, mm. @source prior */
const PEAK_SHARE = 0.5
const PEAK_RADIUS = 19
/** What a mat leaves open of a place: its method's ±, mm; k = 2. @source common-practice */
const MAT_KNOWN = 4
/** Groups of frames whose spacings say how repeatable it is. */
const GROUPS = 4

/** Collects frames as they come; its result can be asked for at any time. */
export class MatAnalysis {
  readonly header: MatHeader
  readonly #sum: Float64Array
  readonly #groups: Float64Array[]
  readonly #x: Float64Array
  readonly #y: Float64Array
  #frames = 0
  #first = 0
  #last = 0
  readonly #centres: { x: number; y: number; left: number; force: number; area: number }[] = []

  constructor(header: MatHeader) {
    this.header = header
    const cells = header.rows * header.columns
    this.#sum = new Float64Array(cells)
    this.#groups = Array.from({ length: GROUPS }, () => new Float64Array(cells))
    this.#x = Float64Array.from({ length: header.columns }, (_, i) => (i + 0.5 - header.columns / 2) * header.cellAcross)
    this.#y = Float64Array.from({ length: header.rows }, (_, i) => (header.rows / 2 - i - 0.5) * header.cellAlong)
  }

  get frames(): number {
    return this.#frames
  }

  add({ at: seconds, values }: MatFrame): void {
    const { columns, rows, cellAcross, cellAlong } = this.header
    if (this.#frames === 0) this.#first = seconds
    this.#last = seconds
    const sum = this.#sum
    const group = itemAt(this.#groups, this.#frames % GROUPS)
    let [all, left, mx, my, cells] = [0, 0, 0, 0, 0]
    for (let row = 0, i = 0; row < rows; row++) {
      const y = at(this.#y, row)
      for (let column = 0; column < columns; column++, i++) {
        const value = values[i] ?? 0
        if (value < NOISE_FLOOR) continue
        sum[i] = at(sum, i) + value
        group[i] = at(group, i) + value
        const x = at(this.#x, column)
        all += value
        mx += value * x
        my += value * y
        cells += 1
        left += x < 0 ? value : x === 0 ? value / 2 : 0
      }
    }
    this.#frames += 1
    const cell = cellAcross * cellAlong
    if (all > 0) this.#centres.push({ x: mx / all, y: my / all, left: left / all, force: all * cell * 1e-3, area: (cells * cell) / 100 })
  }

  /** What the frames so far say; null while nothing presses on the mat. */
  result(): MatResult | null {
    const { columns } = this.header
    const centres = this.#centres
    if (centres.length === 0) return null
    const mean = Float32Array.from(this.#sum, (value) => value / this.#frames)
    const smooth = this.#smoothed(this.#sum, 1 / this.#frames)
    const bones = this.#bonesOf(smooth, mean)
    let highest = 0
    let peak = 0
    mean.forEach((value, i) => {
      if (value > peak) [peak, highest] = [value, i]
    })
    const shares = this.#sharesOf(mean, smooth, bones)
    const spacing = bones && distance(bones.left, bones.right)
    const centre = { x: average(centres, (c) => c.x), y: average(centres, (c) => c.y) }
    return {
      frames: this.#frames,
      seconds: this.#last - this.#first,
      mean,
      peak,
      peakAt: { x: at(this.#x, highest % columns), y: at(this.#y, floor(highest / columns)) },
      force: average(centres, (c) => c.force),
      area: average(centres, (c) => c.area),
      bones,
      spacing,
      spacingPlusMinus: spacing === null ? null : combined(MAT_KNOWN, this.#scatter()),
      turned: bones && atan2(bones.right.y - bones.left.y, bones.right.x - bones.left.x) * DEGREES,
      ...shares,
      centre,
      wander: { x: 2 * deviation(centres, (c) => c.x), y: 2 * deviation(centres, (c) => c.y) },
      asymmetry: 100 * (1 - 2 * shares.left),
      rocking: 200 * deviation(centres, (c) => c.left),
    }
  }

  /** Blurred along both ways by a bell of {@link SMOOTHING}; the edge counts as empty. */
  #smoothed(sum: Float64Array, scale: number): Float64Array {
    const { rows, columns, cellAcross, cellAlong } = this.header
    const across = bell(cellAcross)
    const along = bell(cellAlong)
    const wide = new Float64Array(sum.length)
    const out = new Float64Array(sum.length)
    const [ra, rl] = [(across.length - 1) / 2, (along.length - 1) / 2]
    for (let row = 0; row < rows; row++) {
      for (let column = 0; column < columns; column++) {
        let value = 0
        for (let k = max(-ra, -column); k <= ra && column + k < columns; k++)
          value += at(across, k + ra) * at(sum, row * columns + column + k)
        wide[row * columns + column] = value * scale
      }
    }
    for (let row = 0; row < rows; row++) {
      for (let k = max(-rl, -row); k <= rl && row + k < rows; k++) {
        const weight = at(along, k + rl)
        for (let column = 0, i = row * columns; column < columns; column++, i++) out[i] = at(out, i) + weight * at(wide, i + k * columns)
      }
    }
    return out
  }

  /** The highest peak of each side that has no higher neighbour, as a pair that could be two sit bones. */
  #bonesOf(smooth: Float64Array, mean: Float32Array | Float64Array): MatResult['bones'] {
    const left = this.#peaks(smooth, mean, -1)
    const right = this.#peaks(smooth, mean, 1)
    let best: { left: BonePeak; right: BonePeak; score: number } | null = null
    for (const l of left)
      for (const r of right) {
        if (abs(l.y - r.y) > BONES_APART_ALONG) continue
        const score = min(l.pressure, r.pressure)
        if (best === null || score > best.score) best = { left: l, right: r, score }
      }
    return best && { left: best.left, right: best.right }
  }

  #peaks(smooth: Float64Array, mean: Float32Array | Float64Array, side: 1 | -1): BonePeak[] {
    const { rows, columns } = this.header
    const found: BonePeak[] = []
    const value = (row: number, column: number) =>
      row < 0 || column < 0 || row >= rows || column >= columns ? 0 : at(smooth, row * columns + column)
    for (let row = 0; row < rows; row++) {
      for (let column = 0; column < columns; column++) {
        const x = side * at(this.#x, column)
        if (x < BONE_FROM_MIDDLE || x > BONE_TO_MIDDLE) continue
        const here = value(row, column)
        if (here < 2 * NOISE_FLOOR) continue
        let top = true
        for (let dy = -1; dy <= 1 && top; dy++) for (let dx = -1; dx <= 1; dx++) if (value(row + dy, column + dx) > here) top = false
        if (top) found.push({ ...this.#fitted(mean, row, column), pressure: here })
      }
    }
    return found.sort((a, b) => b.pressure - a.pressure).slice(0, 4)
  }

  /**
   * Top of a bell laid through the cells about a peak: ln p = a + bx + cy + dx² + ey² by weighted
   * least squares. A saddle's edge cuts a bell without shifting its top, as a mean would.
   * @source geometry
   */
  #fitted(mean: Float32Array | Float64Array, row: number, column: number): Point {
    const { rows, columns, cellAcross, cellAlong } = this.header
    const [cx, cy] = [at(this.#x, column), at(this.#y, row)]
    const [rc, rr] = [ceil(PEAK_RADIUS / cellAcross), ceil(PEAK_RADIUS / cellAlong)]
    const cells: { x: number; y: number; value: number }[] = []
    for (let r = max(0, row - rr); r <= min(rows - 1, row + rr); r++) {
      for (let c = max(0, column - rc); c <= min(columns - 1, column + rc); c++) {
        const [x, y] = [at(this.#x, c) - cx, at(this.#y, r) - cy]
        const value = mean[r * columns + c] ?? 0
        if (value > 0 && hypot(x, y) <= PEAK_RADIUS) cells.push({ x: x / PEAK_RADIUS, y: y / PEAK_RADIUS, value })
      }
    }
    const top = max(...cells.map(({ value }) => value))
    const square = matrixOf(5, 5, () => 0)
    const right = new Float64Array(5)
    for (const { x, y, value } of cells) {
      if (value < PEAK_SHARE * top) continue
      const terms = Float64Array.of(1, x, y, x * x, y * y)
      const weight = value * value
      for (let i = 0; i < 5; i++) {
        const weighted = weight * at(terms, i)
        right[i] = at(right, i) + weighted * log(value)
        for (let k = 0; k < 5; k++) square.cells[5 * i + k] = cellAt(square, i, k) + weighted * at(terms, k)
      }
    }
    const fit = solveLinear(square, right)
    const peak = (slope: number, bend: number) => (bend < -1e-6 ? -slope / (2 * bend) : NaN)
    const [x, y] = fit ? [peak(at(fit, 1), at(fit, 3)), peak(at(fit, 2), at(fit, 4))] : [NaN, NaN]
    // A top far from the highest cell is no bell: the cell itself is the better answer.
    const within = (share: number) => (abs(share) <= 0.7 ? PEAK_RADIUS * share : 0)
    return { x: cx + within(x), y: cy + within(y) }
  }

  #sharesOf(mean: Float32Array, smooth: Float64Array, bones: MatResult['bones']) {
    const { columns, rows } = this.header
    const line = bones ? (bones.left.y + bones.right.y) / 2 : 0
    const middle = bones ? (bones.left.x + bones.right.x) / 2 : 0
    const half = bones ? MIDDLE_SHARE * distance(bones.left, bones.right) : MIDDLE_WIDTH
    let [all, left, front, soft, softPeak] = [0, 0, 0, 0, 0]
    for (let row = 0, i = 0; row < rows; row++) {
      const y = at(this.#y, row)
      for (let column = 0; column < columns; column++, i++) {
        const x = at(this.#x, column)
        const value = mean[i] ?? 0
        all += value
        left += x < 0 ? value : x === 0 ? value / 2 : 0
        if (y > line + MIDDLE_AHEAD) front += value
        if (y > line + MIDDLE_AHEAD && abs(x - middle) <= half) {
          soft += value
          softPeak = max(softPeak, at(smooth, i))
        }
      }
    }
    return { left: left / all, front: front / all, softTissue: soft / all, softPeak }
  }

  /** How much the spacing differs between groups of frames: two deviations of its mean, mm. */
  #scatter(): number {
    if (this.#frames < 2 * GROUPS) return 0
    const spacings = this.#groups.flatMap((group) => {
      const bones = this.#bonesOf(this.#smoothed(group, GROUPS / this.#frames), group)
      return bones ? [distance(bones.left, bones.right)] : []
    })
    return spacings.length < 2 ? 0 : (2 * deviation(spacings, (s) => s)) / sqrt(spacings.length)
  }
}

/** A whole recording at once. */
export function analyseMat(header: MatHeader, frames: readonly MatFrame[]): MatResult | null {
  const analysis = new MatAnalysis(header)
  for (const frame of frames) analysis.add(frame)
  return analysis.result()
}

function bell(cell: number): Float64Array {
  const reach = max(1, ceil((2.5 * SMOOTHING) / cell))
  const weights = Float64Array.from({ length: 2 * reach + 1 }, (_, i) => exp(-0.5 * (((i - reach) * cell) / SMOOTHING) ** 2))
  const all = weights.reduce((sum, weight) => sum + weight, 0)
  return weights.map((weight) => weight / all)
}

const distance = (a: Point, b: Point) => hypot(b.x - a.x, b.y - a.y)
function average<T>(list: readonly T[], of: (item: T) => number): number {
  return list.reduce((sum, item) => sum + of(item), 0) / list.length
}
function deviation<T>(list: readonly T[], of: (item: T) => number): number {
  if (list.length < 2) return 0
  const mean = average(list, of)
  return sqrt(list.reduce((sum, item) => sum + (of(item) - mean) ** 2, 0) / (list.length - 1))
}
