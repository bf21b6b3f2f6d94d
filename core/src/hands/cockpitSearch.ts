import type { BarKind } from '../bike/bikeKinds.ts'
import { barClamp, dropGrip, flatGrip, steererUp } from '../bike/cockpit.ts'
import type { DropBar, FlatBar, Front, Grip } from '../bike/cockpit.ts'
import type { Point, Point3 } from '../bike/contactPoints.ts'
import { narrowestFor } from './barRoom.ts'
import type { ClampSize } from './cockpitParts.ts'
import { alignmentGap } from './gripAlignment.ts'
import type { Alignment } from './gripAlignment.ts'
import { steeringArm } from './steering.ts'
import type { SteeringAxis } from './steering.ts'

/** A stem to choose from; `null` clamp = not read, so it is taken to match. */
export interface StemChoice {
  readonly name: string
  readonly clampSize: ClampSize | null
  readonly stemLength: number
  readonly stemAngle: number
  readonly price: number
  /** it is the one on the bike */
  readonly isOn: boolean
}
/** A bar to choose from, as it stands unrolled. */
export interface BarChoice {
  readonly name: string
  readonly clampSize: ClampSize | null
  readonly price: number
  readonly isOn: boolean
  readonly shape: BarShape
}
export type BarShape =
  | ({ readonly kind: 'flat' } & Omit<FlatBar, 'barRoll' | 'handFromEnd'>)
  | ({ readonly kind: 'drop' } & Omit<DropBar, 'barRoll' | 'hoodPosition' | 'hoodAngle'>)

/** What the hands are to keep or to come to. */
export type Wanted =
  | {
      readonly hold: 'place'
      /** middle of the hands, from the bottom bracket */
      readonly at: Point
      /** hand to hand; null = as the bar has it */
      readonly spacing: number | null
    }
  | {
      readonly hold: 'torso'
      /** shoulder joints at the torso that is held */
      readonly shoulder: Point
      /** shoulder to hand */
      readonly chord: number
      readonly acromionWidth: number
    }

export interface SearchInput {
  readonly bar: BarKind
  /** as it is */
  readonly front: Front
  /** spacers under and above the stem together, mm: the room to move it */
  readonly steerer: number
  /** height of the thinnest spacer at hand, mm */
  readonly spacerStep: number
  readonly stems: readonly StemChoice[]
  readonly bars: readonly BarChoice[]
  /** stems further from the one on the bike than this are left out, mm; null = none */
  readonly stemWithin: number | null
  /** roll of the bar now, and how far either way it may be turned, degrees */
  readonly roll: { readonly now: number; readonly reach: number; readonly step: number }
  /** where the levers stand on a drop bar's bend now, and how far either way they may go, degrees */
  readonly lever: { readonly now: number; readonly reach: number; readonly step: number; readonly angle: number }
  /** end of a flat bar to the middle of the hand, mm */
  readonly handFromEnd: number
  /** grip and clamps of the fuller half, mm along the arm; bars without that much straight are left out */
  readonly needed: number
  readonly wanted: Wanted
  /** what the tape found, less what the parts say, mm: added to every place the parts give */
  readonly offset: Point
  /** the hands' own direction on a flat bar, both sides; empty = not read */
  readonly hands: readonly Alignment[]
  /** lines to give */
  readonly count: number
}

/** A cockpit that was found. */
export interface CockpitLine {
  readonly stem: number
  readonly flipped: boolean
  readonly spacers: number
  readonly bar: number
  readonly roll: number
  /** levers on the bend, degrees; of drop bars */
  readonly lever: number
  /** middle of the hands, and half of their spacing */
  readonly hand: Point3
  /** mm that the hands miss what is wanted by, in the side view */
  readonly misses: number
  /** place reached less the place wanted; null where a torso is held */
  readonly left: Point | null
  /** hand to hand less what is wanted, mm; 0 where none is */
  readonly wider: number
  /** angle between the grip and the hands' own direction, the worse hand; null = not read */
  readonly apart: number | null
  /** steering arm against now, share */
  readonly steering: number
  readonly score: number
}

export interface Found {
  readonly lines: readonly CockpitLine[]
  readonly combinations: number
  /** parts that were left out, with why */
  readonly leftOut: Readonly<Record<LeftOutKey, number>>
}
export const leftOutWords = {
  clamp: 'stem and bar of another clamp diameter',
  length: 'stems too far from this frame’s own',
  narrow: 'bars without room for grip and controls',
} as const
export type LeftOutKey = keyof typeof leftOutWords

/**
 * What each thing counts against a millimetre that the hands are missed by. Own assumptions: they
 * order lines that are near each other, and every line shows what is left.
 * @source prior
 */
export const counts = {
  width: 0.25,
  apart: 1,
  steering: 40,
  price: 1,
  newStem: 3,
  flip: 1,
  spacers: 0.5,
  newBar: 8,
  roll: 0.3,
  lever: 0.5,
} as const

const step = (now: number, { reach, step: by }: { readonly reach: number; readonly step: number }): number[] => {
  const values = [now]
  for (let off = by; off <= reach + 1e-9; off += by) values.push(now - off, now + off)
  return values
}

/** Stem places: where the bar's clamp comes to for every spacer. */
interface StemRow {
  readonly stem: number
  readonly flipped: boolean
  readonly spacers: readonly number[]
  readonly x: Float64Array
  readonly y: Float64Array
  readonly cost: Float64Array
  /** square to the steering axis, the tape's own included */
  readonly across: Float64Array
}
/** Where the hand comes to from the clamp, for every roll and lever place of a bar. */
interface BarRow {
  readonly bar: number
  readonly rolls: readonly number[]
  readonly levers: readonly number[]
  readonly x: Float64Array
  readonly y: Float64Array
  readonly z: number
  readonly cost: Float64Array
  readonly across: Float64Array
  readonly apart: Float64Array
  readonly least: number
  readonly box: { readonly x0: number; readonly x1: number; readonly y0: number; readonly y1: number }
}

/**
 * Goes through every stem, turned over or not, every height of spacers, every bar, roll and lever
 * place, and keeps the best of each stem with each bar, ranked. Exact: nothing is skipped that could
 * be among them. Yields after each stem, so that a worker can say how far it is or give up.
 * @param prune leaves out whole rows that cannot beat what is found; the answer is the same
 * @returns through the generator's end
 * @source geometry
 */
export function* cockpitSearch(input: SearchInput, prune = true): Generator<{ readonly done: number }, Found> {
  const { front, offset, wanted, stems, bars, count } = input
  const axis: SteeringAxis = { at: { x: front.frameReach, y: front.frameStack }, headAngle: front.headAngle }
  const armNow = steeringArm(axis, handNow(input))
  const leftOut: Record<LeftOutKey, number> = { clamp: 0, length: 0, narrow: 0 }
  const on = stems.find(({ isOn }) => isOn)
  const stemRows = stems.flatMap((stem, i): StemRow[] => {
    if (!stem.isOn && on && input.stemWithin !== null && Math.abs(stem.stemLength - on.stemLength) > input.stemWithin) {
      leftOut.length += 1
      return []
    }
    return stemRowsOf(input, stem, i)
  })
  const barRows = bars.flatMap((choice, i): BarRow[] => {
    const { shape } = choice
    if (!choice.isOn && shape.kind === 'flat' && narrowestFor(shape, input.needed) > shape.barWidth) {
      leftOut.narrow += 1
      return []
    }
    return shape.kind === input.bar ? [barRowOf(input, choice, i)] : []
  })
  const best: CockpitLine[] = []
  const total = stemRows.length * barRows.length
  let done = 0
  let combinations = 0
  for (const stem of stemRows) {
    const stemClamp = stems[stem.stem]?.clampSize ?? null
    for (const bar of barRows) {
      done += 1
      const barClampSize = bars[bar.bar]?.clampSize ?? null
      if (stemClamp !== null && barClampSize !== null && stemClamp !== barClampSize) {
        leftOut.clamp += 1
        continue
      }
      combinations += stem.spacers.length * bar.rolls.length * bar.levers.length
      const last = best.length < count ? Infinity : (best[count - 1]?.score ?? Infinity)
      const line = bestOf(stem, bar, last)
      if (line === null) continue
      const place = best.findIndex((other) => line.score < other.score)
      best.splice(place < 0 ? best.length : place, 0, line)
      if (best.length > count) best.pop()
    }
    yield { done: done / Math.max(1, total) }
  }
  return { lines: best, combinations, leftOut }

  /** The best of one stem with one bar, where it beats what it must. */
  function bestOf(stem: StemRow, bar: BarRow, mustBeat: number): CockpitLine | null {
    const aside = wanted.hold === 'place' ? 0 : asideOf(wanted, bar.z)
    if (Number.isNaN(aside)) return null
    const at = wanted.hold === 'place' ? wanted.at : wanted.shoulder
    const widthCost = wanted.hold === 'place' && wanted.spacing !== null ? counts.width * Math.abs(2 * bar.z - wanted.spacing) : 0
    const pairing = { wx: at.x - offset.x, wy: at.y - offset.y, aside, fixed: widthCost, armNow, prune }
    const found = leastOf(stem, bar, pairing, mustBeat)
    return found === null ? null : lineOf(stem, bar, found.i, found.j, found.score)
  }

  function lineOf(stem: StemRow, bar: BarRow, i: number, j: number, score: number): CockpitLine {
    const hand = {
      x: (stem.x[i] ?? 0) + (bar.x[j] ?? 0) + offset.x,
      y: (stem.y[i] ?? 0) + (bar.y[j] ?? 0) + offset.y,
      z: bar.z,
    }
    const left = wanted.hold === 'place' ? { x: hand.x - wanted.at.x, y: hand.y - wanted.at.y } : null
    const misses = left
      ? Math.hypot(left.x, left.y)
      : wanted.hold === 'torso'
        ? Math.abs(Math.hypot(hand.x - wanted.shoulder.x, hand.y - wanted.shoulder.y) - asideOf(wanted, hand.z))
        : 0
    const apart = bar.apart[j] ?? NaN
    return {
      stem: stem.stem,
      flipped: stem.flipped,
      spacers: stem.spacers[i] ?? 0,
      bar: bar.bar,
      roll: bar.rolls[j % bar.rolls.length] ?? 0,
      lever: bar.levers[Math.floor(j / bar.rolls.length)] ?? 0,
      hand,
      misses,
      left,
      wider: wanted.hold === 'place' && wanted.spacing !== null ? 2 * hand.z - wanted.spacing : 0,
      apart: Number.isNaN(apart) ? null : apart,
      steering: steeringArm(axis, hand) / armNow - 1,
      score,
    }
  }
}

/** What holds for one stem with one bar. */
interface Pairing {
  /** place of the hand or of the shoulder, by the parts alone */
  readonly wx: number
  readonly wy: number
  /** 0 = the place itself is wanted, else this far from it */
  readonly aside: number
  readonly fixed: number
  readonly armNow: number
  readonly prune: boolean
}

/** Every spacer with every roll and lever place: the hot loop, plain numbers only. */
function leastOf(
  { x: stemX, y: stemY, cost: stemCost, across: stemAcross }: StemRow,
  { x: barX, y: barY, cost: barCost, across: barAcross, z, least, box }: BarRow,
  { wx, wy, aside, fixed, armNow, prune }: Pairing,
  mustBeat: number,
): { readonly i: number; readonly j: number; readonly score: number } | null {
  const size = barX.length
  const zz = z * z
  let score = mustBeat
  let bestI = -1
  let bestJ = -1
  for (let i = 0; i < stemX.length; i += 1) {
    const dx = (stemX[i] as number) - wx
    const dy = (stemY[i] as number) - wy
    const start = fixed + (stemCost[i] as number)
    if (prune && start + least + (aside === 0 ? boxDistance(box, -dx, -dy) : 0) >= score) continue
    const out = stemAcross[i] as number
    for (let j = 0; j < size; j += 1) {
      const x = dx + (barX[j] as number)
      const y = dy + (barY[j] as number)
      const sum = start + (barCost[j] as number) + Math.abs(Math.sqrt(x * x + y * y) - aside)
      if (prune && sum >= score) continue
      // Distance from the axis is linear in the place, so that it adds up of both parts.
      const square = out + (barAcross[j] as number)
      const whole = sum + counts.steering * Math.abs(Math.sqrt(square * square + zz) / armNow - 1)
      if (whole < score) {
        score = whole
        bestI = i
        bestJ = j
      }
    }
  }
  return bestI < 0 ? null : { i: bestI, j: bestJ, score }
}

/** The whole search at once. */
export function searchCockpit(input: SearchInput, prune = true): Found {
  const run = cockpitSearch(input, prune)
  for (;;) {
    const { value, done } = run.next()
    if (done) return value
  }
}

/** Length of an arm's chord in the side view for hands this far from the middle; NaN where the arms do not reach so far apart. */
function asideOf({ chord, acromionWidth }: Extract<Wanted, { hold: 'torso' }>, z: number): number {
  const out = z - acromionWidth / 2
  return Math.sqrt(chord * chord - out * out)
}

function boxDistance({ x0, x1, y0, y1 }: BarRow['box'], x: number, y: number): number {
  return Math.hypot(Math.max(0, x0 - x, x - x1), Math.max(0, y0 - y, y - y1))
}

/** Where the hands are by the parts on the bike, with what the tape added. */
function handNow({ front, bars, roll, lever, offset, handFromEnd }: SearchInput): Point3 {
  const on = bars.find(({ isOn }) => isOn) ?? bars[0]
  const clamp = barClamp(front)
  const at = on ? gripOn(on.shape, roll.now, lever.now, lever.angle, handFromEnd).at : { x: 0, y: 0, z: 200 }
  return { x: clamp.x + at.x + offset.x, y: clamp.y + at.y + offset.y, z: at.z }
}

function stemRowsOf({ front, steerer, spacerStep, offset }: SearchInput, stem: StemChoice, index: number): StemRow[] {
  const most = Math.max(steerer, front.spacers)
  const heights = [front.spacers]
  for (let height = 0; height <= most + 1e-9; height += spacerStep) if (Math.abs(height - front.spacers) > 1e-9) heights.push(height)
  const up = steererUp(front.headAngle)
  const turned = stem.stemAngle === 0 ? [false] : [false, true]
  return turned.map((flipped) => {
    const stemAngle = flipped ? -stem.stemAngle : stem.stemAngle
    const places = heights.map((spacers) => barClamp({ ...front, spacers, stemLength: stem.stemLength, stemAngle }))
    const changed = stem.isOn ? (flipped ? counts.flip : 0) : counts.newStem + counts.price * stem.price
    return {
      stem: index,
      flipped,
      spacers: heights,
      x: Float64Array.from(places, ({ x }) => x),
      y: Float64Array.from(places, ({ y }) => y),
      across: Float64Array.from(places, ({ x, y }) => (x + offset.x - front.frameReach) * up.y - (y + offset.y - front.frameStack) * up.x),
      cost: Float64Array.from(heights, (height) => changed + (height === front.spacers ? 0 : counts.spacers)),
    }
  })
}

function gripOn(shape: BarShape, barRoll: number, hoodPosition: number, hoodAngle: number, handFromEnd: number): Grip {
  return shape.kind === 'flat'
    ? flatGrip({ ...shape, barRoll, handFromEnd })
    : dropGrip({ ...shape, barRoll, hoodPosition, hoodAngle }, 'hoods')
}

function barRowOf({ front, roll, lever, handFromEnd, hands }: SearchInput, { shape, isOn, price }: BarChoice, index: number): BarRow {
  const rolls = step(roll.now, roll)
  const levers = shape.kind === 'drop' ? step(lever.now, lever).filter((at) => at >= 0 && at <= 90) : [lever.now]
  const all = levers.flatMap((place) => rolls.map((turn) => ({ place, turn, grip: gripOn(shape, turn, place, lever.angle, handFromEnd) })))
  const apart = all.map(({ turn }) =>
    shape.kind === 'flat' && hands.length > 0
      ? Math.max(...hands.map((hand) => alignmentGap(hand, { ...shape, barRoll: turn }).apart))
      : NaN,
  )
  const cost = Float64Array.from(all, ({ place, turn }, j) => {
    const off = apart[j] ?? NaN
    return (
      (isOn ? 0 : counts.newBar + counts.price * price) +
      (turn === roll.now ? 0 : counts.roll) +
      (place === lever.now ? 0 : counts.lever) +
      (Number.isNaN(off) ? 0 : counts.apart * off)
    )
  })
  const up = steererUp(front.headAngle)
  const x = Float64Array.from(all, ({ grip }) => grip.at.x)
  const y = Float64Array.from(all, ({ grip }) => grip.at.y)
  const [x0, x1, y0, y1] = [Math.min(...x), Math.max(...x), Math.min(...y), Math.max(...y)]
  return {
    bar: index,
    rolls,
    levers,
    x,
    y,
    z: all[0]?.grip.at.z ?? 0,
    cost,
    across: Float64Array.from(all, ({ grip: { at } }) => at.x * up.y - at.y * up.x),
    apart: Float64Array.from(apart),
    least: Math.min(...cost),
    box: { x0, x1, y0, y1 },
  }
}
