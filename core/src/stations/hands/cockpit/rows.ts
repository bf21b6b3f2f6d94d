import { barClamp, dropGrip, flatGrip, steererUp } from '../../../bike/cockpit.ts'
import type { Grip } from '../../../bike/cockpit.ts'
import type { Point3 } from '../../../bike/contactPoints.ts'
import { counts } from './question.ts'
import type { BarChoice, BarShape, SearchInput, StemChoice } from './question.ts'
import { alignmentGap } from '../roll/gripAlignment.ts'

/** A value, and those in steps either way of it. */
const either = (now: number, { reach, step: by }: { readonly reach: number; readonly step: number }): number[] => {
  const values = [now]
  for (let off = by; off <= reach + 1e-9; off += by) values.push(now - off, now + off)
  return values
}

/** Stem places: where the bar's clamp comes to for every spacer. */
export interface StemRow {
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
export interface BarRow {
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

/** Where the hands are by the parts on the bike, with what the tape added. */
export function handNow({ front, bars, roll, lever, offset, handFromEnd }: SearchInput): Point3 {
  const on = bars.find(({ isOn }) => isOn) ?? bars[0]
  const clamp = barClamp(front)
  const at = on ? gripOn(on.shape, roll.now, lever.now, lever.angle, handFromEnd).at : { x: 0, y: 0, z: 200 }
  return { x: clamp.x + at.x + offset.x, y: clamp.y + at.y + offset.y, z: at.z }
}

export function stemRowsOf({ front, steerer, spacerStep, offset }: SearchInput, stem: StemChoice, index: number): StemRow[] {
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

export function barRowOf(
  { front, roll, lever, handFromEnd, hands }: SearchInput,
  { shape, isOn, price }: BarChoice,
  index: number,
): BarRow {
  const rolls = either(roll.now, roll)
  const levers = shape.kind === 'drop' ? either(lever.now, lever).filter((at) => at >= 0 && at <= 90) : [lever.now]
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
