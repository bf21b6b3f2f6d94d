import { at } from '../../../kernel/vector.ts'
import type { Point, Point3 } from '../../../bike/contactPoints.ts'
import { narrowestFor } from '../bar/room.ts'
import { counts } from './question.ts'
import type { SearchInput, Wanted } from './question.ts'
import { barRowOf, handNow, stemRowsOf } from './rows.ts'
import type { BarRow, StemRow } from './rows.ts'
import { steeringArm } from '../place/steering.ts'
import type { SteeringAxis } from '../place/steering.ts'

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
    const dx = at(stemX, i) - wx
    const dy = at(stemY, i) - wy
    const start = fixed + at(stemCost, i)
    if (prune && start + least + (aside === 0 ? boxDistance(box, -dx, -dy) : 0) >= score) continue
    const out = at(stemAcross, i)
    for (let j = 0; j < size; j += 1) {
      const x = dx + at(barX, j)
      const y = dy + at(barY, j)
      const sum = start + at(barCost, j) + Math.abs(Math.sqrt(x * x + y * y) - aside)
      if (prune && sum >= score) continue
      // Distance from the axis is linear in the place, so that it adds up of both parts.
      const square = out + at(barAcross, j)
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
