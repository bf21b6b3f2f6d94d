import type { Message } from '../../../kernel/message.ts'
import { capitalised, isSame, joined, mm, msg, soldBy } from '../../../kernel/message.ts'
import { halfStance } from '../../../bike/frame.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { bySide, sides } from '../../../kernel/sided.ts'
import type { Side, Sided } from '../../../kernel/sided.ts'
import { sideName } from '../../../kernel/finding.ts'
import type { Finding } from '../../../kernel/finding.ts'
import type { StanceParts } from './targets.ts'

/** Kinds of part that widen a stance, in the order in which the trade reaches for them. */
export const stanceMeans = {
  cleat: { label: 'cleat sideways', cost: 1, reversible: 'at once', source: 'common-practice' },
  washer: { label: 'washer', cost: 2, reversible: 'at once', source: 'common-practice' },
  axle: { label: 'other axle', cost: 6, reversible: 'with the old pedals', source: 'common-practice' },
  adapter: { label: 'adapter', cost: 9, reversible: 'at once', source: 'common-practice' },
  crank: { label: 'other crank', cost: 20, reversible: 'with the old crank', source: 'common-practice' },
} as const
export type StanceMean = keyof typeof stanceMeans

/** Pitch of a pedal's thread, mm a turn. @source iso-261 */
export const PEDAL_PITCH = 25.4 / 20
/** Thread that must stay in the crank, mm: eight turns. Own limit; the makers' outrank it. @source prior */
export const LEAST_THREAD = 8 * PEDAL_PITCH
/** Thread of a usual pedal where it was not read, mm. @source prior */
export const USUAL_THREAD = 12.5
/** Nearer than this is there: no hand sets a stance finer, mm. @source prior */
export const STANCE_MET = 1

/** Half stances that count as met, mm. */
export interface StanceBand {
  readonly low: number
  readonly high: number
}

/** Parts to be had; each list holds what is mounted as well, or it is added. */
export interface StanceStock {
  readonly washers: readonly number[]
  /** pedals come in pairs: one length for both sides */
  readonly axles: readonly number[]
  readonly adapters: readonly number[]
  readonly treads: readonly number[]
}

export interface StanceSearchInput {
  readonly now: Sided<StanceParts>
  /** half stance wanted, each side, and the band that counts as met; without one, as near as a hand can set */
  readonly target: Sided<number>
  readonly band?: Sided<StanceBand>
  /** how far the cleat may go from where it is: inward on the shoe is +, which moves the foot out */
  readonly cleatRoom: Sided<{ readonly low: number; readonly high: number }>
  /** length of the pedals' thread; null = not read, the usual is taken */
  readonly thread: Sided<number | null>
  readonly stock: StanceStock
}

/** A part changed in a combination. */
export interface StanceMove {
  readonly mean: StanceMean
  readonly side: Side | 'both'
  readonly from: number
  readonly to: number
}

/** One combination that reaches the target, or comes near. */
export interface StanceOption {
  readonly parts: Sided<StanceParts>
  readonly moves: readonly StanceMove[]
  readonly cost: number
  /** target less what it gives, each side, mm: + the foot is still too far in */
  readonly left: Sided<number>
  /** how far each side still lies outside what counts as met, mm */
  readonly miss: Sided<number>
  readonly reaches: boolean
  /** thread left in the crank, mm, the smaller of the sides that carry washers */
  readonly threadLeft: Sided<number>
  readonly reversible: string
  readonly words: Message
}

/** What the trade keeps in a drawer. @source common-practice */
export const usualStock: StanceStock = {
  washers: [0, 1, 1.5],
  axles: [53, 57],
  adapters: [0, 20],
  treads: [],
}

/** A foot that goes past where it is wanted counts as so many times further off: it leads the knee the other way. @source prior */
const OVERSHOOT = 2
/** Sides that ask for nearly the same get the same adapter, mm. @source prior */
const ALIKE = 5
const CLEAT_STEP = 0.5
const same = (a: number, b: number) => Math.abs(a - b) < 1e-9
const withOwn = (list: readonly number[], own: number) => (list.some((value) => same(value, own)) ? list : [own, ...list])

interface HalfOption {
  readonly parts: StanceParts
  readonly cost: number
  readonly left: number
  /** how far outside the band, 0 = met */
  readonly miss: number
  /** the same as it weighs in the choice */
  readonly weight: number
  readonly threadLeft: number
}

/**
 * Every safe combination of washer, axle, adapter and crank, with the cleat taking up the rest within
 * its slot, best first: those that reach the target by their cost, then those that come nearest. A
 * combination is safe when enough thread stays in the crank. None takes a foot the wrong way. Washer
 * and adapter on one side: the washer sits under the adapter's own thread and is left out.
 * @returns at most `count` options; the first is leaving everything alone when that already reaches
 */
export function stanceOptions(input: StanceSearchInput, count = 6): StanceOption[] {
  const { now, stock } = input
  const found: Candidate[] = []
  for (const tread of withOwn(stock.treads, now.left.tread)) {
    for (const axle of axlesOf(input)) {
      const left = halfOptions(input, 'left', tread, axle)
      const right = halfOptions(input, 'right', tread, axle)
      // The sides share crank and pedals only: the best of each are the best of both.
      for (const l of left) for (const r of right) if (isPair(input, l, r)) found.push(candidate(input, l, r))
    }
  }
  const best = found.sort(better).filter(distinct())
  // A few that reach, and then the nearest of those that do not: a cheap first step is often enough to look again.
  const reaching = best.filter(reaches).slice(0, Math.ceil((2 * count) / 3))
  const short = best.filter((one) => !reaches(one))
  const worth = short.filter((one) => !short.some((other) => isNoWorse(other, one)))
  return [...reaching, ...worth].slice(0, count).map((one) => inWords(input, one))
}

/** What a dearer way has to gain on a side to be worth naming, mm. @source prior */
const WORTH = 0.5
/** Whether a cheaper way comes as near on both sides: no other crank for half a millimetre, no washer where none is asked. */
function isNoWorse(cheap: Candidate, dear: Candidate): boolean {
  const asNear = (side: Side) => cheap[side].miss <= dear[side].miss + WORTH + 1e-9
  return cheap.cost < dear.cost && sides.every(asNear)
}

/** Whether both sides carry what suits them together: no adapter on one side only where both ask for nearly the same. */
function isPair({ now, target }: StanceSearchInput, left: HalfOption, right: HalfOption): boolean {
  const asked = bySide((side) => target[side] - halfStance(now[side]))
  if (Math.abs(asked.left - asked.right) > ALIKE || !same(now.left.adapter, now.right.adapter)) return true
  return same(left.parts.adapter, right.parts.adapter)
}

/** A pedal that hangs on too little thread as it is: before anything else. @source prior */
export function threadFinding(side: Side, { washer, adapter }: StanceParts, thread: number | null): Finding | null {
  const left = thread === null || adapter > 0 ? Infinity : thread - washer
  if (left >= LEAST_THREAD - 1e-9) return null
  const name = sideName(side)
  return {
    key: 'thread',
    side,
    weight: 'first',
    headline: `${name} pedal has too little thread in the crank.`,
    sentence: msg`${mm(left, 1)} are left behind the washer; at least ${mm(LEAST_THREAD, 1)} should be, and the makers’ own limit outranks that. A washer off before riding.`,
    source: 'prior',
  }
}

/** Two half options with what they cost together; put into words only when it is one of the best. */
interface Candidate {
  readonly left: HalfOption
  readonly right: HalfOption
  readonly cost: number
  /** the worse side's distance from what counts as met, as it weighs */
  readonly miss: number
  readonly off: number
  /** which parts change on which side, as one number */
  readonly means: number
}

/** Axle pairs to be had; `null` keeps what is on, also where the two sides differ. */
function axlesOf({ now, stock }: StanceSearchInput): (number | null)[] {
  const own = now.left.axle
  return [null, ...stock.axles.filter((axle) => !(same(axle, own) && same(axle, now.right.axle)))]
}

/** How many of a side's half options can still be part of a best whole. */
const KEPT = 4

/** How far a half stance lies outside what counts as met. */
function missOf({ low, high }: StanceBand, half: number): number {
  return Math.max(0, low - half - 1e-9, half - high - 1e-9)
}

/** Whether a way takes a foot away from what counts as met: out of it, or further off on the side where it is off already. */
function leadsAway(band: StanceBand, own: number, half: number): boolean {
  const low = own < band.low - 1e-9
  const high = own > band.high + 1e-9
  return low ? half < own - 1e-9 : high ? half > own + 1e-9 : missOf(band, half) > 0
}

/** The same for choosing: past the target weighs more than short of it. */
function weightOf(miss: number, half: number, target: number, own: number): number {
  return miss * (Math.sign(half - target) === Math.sign(target - own) ? OVERSHOOT : 1)
}

function bandOf({ target, band }: StanceSearchInput, side: Side): StanceBand {
  return band?.[side] ?? { low: target[side] - STANCE_MET, high: target[side] + STANCE_MET }
}

function halfOptions(input: StanceSearchInput, side: Side, tread: number, axle: number | null) {
  const { now, target, cleatRoom, thread, stock } = input
  const own = now[side]
  const band = bandOf(input, side)
  const length = axle ?? own.axle
  const whole = thread[side] ?? USUAL_THREAD
  const options: HalfOption[] = []
  for (const adapter of withOwn(stock.adapters, own.adapter)) {
    for (const washer of withOwn(stock.washers, own.washer)) {
      const threadLeft = whole - washer
      const kept = same(washer, own.washer) && same(adapter, own.adapter)
      if (!kept && (threadLeft < LEAST_THREAD - 1e-9 || (adapter > 0 && washer > 0))) continue
      const bare = halfStance({ tread, axle: length, washer, adapter, cleatInboard: own.cleatInboard })
      const { low, high } = cleatRoom[side]
      const wanted = Math.round((target[side] - bare) / CLEAT_STEP) * CLEAT_STEP
      // Small rests are left alone rather than chased with the cleat.
      const shift =
        missOf(band, bare) === 0
          ? 0
          : Math.min(Math.floor(high / CLEAT_STEP) * CLEAT_STEP, Math.max(Math.ceil(low / CLEAT_STEP) * CLEAT_STEP, wanted))
      const parts = { tread, axle: length, washer, adapter, cleatInboard: own.cleatInboard + shift }
      const cost =
        (shift === 0 ? 0 : stanceMeans.cleat.cost) +
        (same(washer, own.washer) ? 0 : stanceMeans.washer.cost) +
        (same(adapter, own.adapter) ? 0 : stanceMeans.adapter.cost)
      const half = halfStance(parts)
      const miss = missOf(band, half)
      if (leadsAway(band, halfStance(own), half)) continue
      const weight = weightOf(miss, half, target[side], halfStance(own))
      keepBest(options, { parts, cost, left: target[side] - half, miss, weight, threadLeft })
    }
  }
  return options
}

/** Puts an option in its place among the few best, met before missed, then cheap, then near. */
function keepBest(best: HalfOption[], option: HalfOption): void {
  let place = best.length
  while (place > 0 && before(option, best[place - 1] ?? option)) place -= 1
  if (place < KEPT) best.splice(place, 0, option)
  if (best.length > KEPT) best.pop()
}

function before(a: HalfOption, b: HalfOption): boolean {
  if (a.miss > 0 !== b.miss > 0) return b.miss > 0
  const first = a.miss > 0 ? a.weight - b.weight : a.cost - b.cost
  const second = a.miss > 0 ? a.cost - b.cost : Math.abs(a.left) - Math.abs(b.left)
  return first < 0 || (first === 0 && second < 0)
}

const sharedCost = { axle: stanceMeans.axle.cost, crank: stanceMeans.crank.cost } as const

function candidate({ now }: StanceSearchInput, left: HalfOption, right: HalfOption): Candidate {
  const axles = !same(left.parts.axle, now.left.axle) || !same(right.parts.axle, now.right.axle)
  const crank = !same(left.parts.tread, now.left.tread)
  const cost = left.cost + right.cost + (axles ? sharedCost.axle : 0) + (crank ? sharedCost.crank : 0)
  const means = meansOf(now.left, left.parts) * 32 + meansOf(now.right, right.parts)
  return { left, right, cost, miss: Math.max(left.weight, right.weight), off: Math.abs(left.left) + Math.abs(right.left), means }
}

function meansOf(now: StanceParts, then: StanceParts): number {
  const changed = (key: keyof StanceParts, bit: number) => (same(now[key], then[key]) ? 0 : bit)
  return changed('cleatInboard', 1) + changed('washer', 2) + changed('axle', 4) + changed('adapter', 8) + changed('tread', 16)
}

const reaches = ({ miss }: Candidate) => miss === 0

function inWords({ now }: StanceSearchInput, found: Candidate): StanceOption {
  const { left, right, cost } = found
  const parts = { left: left.parts, right: right.parts }
  const moves: StanceMove[] = []
  if (!same(parts.left.tread, now.left.tread)) moves.push({ mean: 'crank', side: 'both', from: now.left.tread, to: parts.left.tread })
  const each = [
    ['axle', 'axle'],
    ['adapter', 'adapter'],
    ['washer', 'washer'],
    ['cleat', 'cleatInboard'],
  ] as const
  for (const [mean, key] of each)
    for (const side of sides)
      if (!same(parts[side][key], now[side][key])) moves.push({ mean, side, from: now[side][key], to: parts[side][key] })
  const heaviest = (['crank', 'axle'] as const).find((mean) => moves.some((move) => move.mean === mean))
  return {
    parts,
    moves,
    cost,
    left: { left: left.left, right: right.left },
    miss: { left: left.miss, right: right.miss },
    reaches: reaches(found),
    threadLeft: { left: left.threadLeft, right: right.threadLeft },
    reversible: moves.length === 0 ? 'nothing to undo' : stanceMeans[heaviest ?? 'cleat'].reversible,
    words: moves.length === 0 ? 'Leave it as it is' : stanceWords(moves),
  }
}

/** How a way that does not reach misses its aim, each side: "2 mm short of the aim left, 3 mm past it right". */
export function missWords({ miss, left }: Pick<StanceOption, 'miss' | 'left'>, asked: Sided<number>): Message {
  const said = (side: Side) => {
    if (miss[side] < 0.05) return null
    // Left over in the direction that was asked for is short; the other way is past it.
    const short = Math.sign(left[side]) === Math.sign(asked[side])
    return msg`${mm(Math.abs(left[side]), 1)} ${short ? 'short of the aim' : 'past the aim'}`
  }
  const [l, r] = [said('left'), said('right')]
  if (l !== null && r !== null && isSame(l, r)) return l
  return joined(
    [l && msg`${l} left`, r && msg`${r} right`].filter((words) => words !== null),
    ', ',
  )
}

/** All moves in words; what is alike on both sides is said once. */
function stanceWords(moves: readonly StanceMove[]): Message {
  const alike = (a: StanceMove, b: StanceMove) => a.mean === b.mean && same(a.from, b.from) && same(a.to, b.to) && a.side !== b.side
  const said = moves.flatMap((move): StanceMove[] => {
    const twin = moves.some((other) => alike(move, other))
    return twin && move.side === 'right' ? [] : [twin ? { ...move, side: 'both' } : move]
  })
  return capitalised(joined(said.map(stanceMoveWords), ' · '))
}

/** "washer R 1 → 1.5", "other axle both 53 → 57". */
function stanceMoveWords({ mean, side, from, to }: StanceMove): Message {
  const where = side === 'both' ? (mean === 'crank' ? '' : ' both') : side === 'left' ? ' L' : ' R'
  if (mean === 'cleat') return msg`cleat${where} ${to > from ? 'inboard' : 'outboard'} ${mm(Math.abs(to - from), 1)}`
  return `${stanceMeans[mean].label}${where} ${trimmed(from, 1)} → ${soldBy(trimmed(to, 1))}`
}

/** Reaching before not reaching; then cheap before dear, or near before far. */
function better(a: Candidate, b: Candidate): number {
  if (reaches(a) !== reaches(b)) return reaches(a) ? -1 : 1
  const near = Math.round((a.miss - b.miss) * 100) / 100
  return reaches(a) ? a.cost - b.cost || a.off - b.off : near || a.cost - b.cost
}

/** One option per set of means on each side: other sizes of the same parts that do worse are left out. */
function distinct() {
  const seen = new Set<number>()
  return ({ means }: Candidate) => {
    if (seen.has(means)) return false
    seen.add(means)
    return true
  }
}
