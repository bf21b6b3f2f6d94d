import type { SourceKey } from '../kernel/sources.ts'
import { barClamp, steererUp } from './cockpit.ts'
import type { Front } from './cockpit.ts'
import { RADIANS } from './contactPoints.ts'
import type { Point } from './contactPoints.ts'

/** What it takes to change a front end, cheapest first. */
export const stemEfforts = {
  spacers: { label: 'move spacers', costs: 0 },
  flip: { label: 'turn the stem over', costs: 1 },
  stem: { label: 'another stem', costs: 3 },
} as const
export type StemEffort = keyof typeof stemEfforts

/** Stems as they are commonly sold; mm and degrees. */
export const usualStems: { readonly lengths: readonly number[]; readonly angles: readonly number[]; readonly source: SourceKey } = {
  lengths: [35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 120, 130, 140],
  angles: [-35, -17, -10, -6, 0, 6, 10, 17, 35],
  source: 'common-practice',
}

/** One way to bring the bar clamp near a wanted place. */
export interface StemOption {
  readonly effort: StemEffort
  readonly stemLength: number
  readonly stemAngle: number
  readonly spacers: number
  /** wanted place less the place reached, mm */
  readonly left: Point
  /** length of `left` */
  readonly misses: number
}

/**
 * Searches stems and spacers for the bar clamp nearest to a wanted place. For each stem the best
 * height of spacers has a closed form; it is held in the steerer's room and rounded to whole mm.
 * Sorted by what is missed plus what the exchange costs, in mm: a cheaper way that misses by as
 * much more is as good.
 * @param front as it is
 * @param wanted bar clamp from the bottom bracket
 * @param steerer spacers under and above the stem together, mm: the room to move it
 * @source geometry
 */
export function stemOptions(front: Front, wanted: Point, steerer: number, count = 3): StemOption[] {
  const up = steererUp(front.headAngle)
  const foot = barClamp({ ...front, spacers: 0, stemLength: 0 })
  const most = Math.max(steerer, front.spacers)
  const best: StemOption[] = []
  const consider = (effort: StemEffort, stemLength: number, stemAngle: number): void => {
    const e = (90 - front.headAngle + stemAngle) * RADIANS
    const x = wanted.x - foot.x - stemLength * Math.cos(e)
    const y = wanted.y - foot.y - stemLength * Math.sin(e)
    const along = x * up.x + y * up.y
    // A spacer that is already there may have any height; others come in whole millimetres.
    const spacers = Math.abs(along - front.spacers) < 0.5 ? front.spacers : Math.round(Math.min(most, Math.max(0, along)))
    const left = { x: x - spacers * up.x, y: y - spacers * up.y }
    const misses = Math.sqrt(left.x * left.x + left.y * left.y)
    const cost = misses + stemEfforts[effort].costs
    const last = best[count - 1]
    if (last && cost >= score(last)) return
    const place = best.findIndex((option) => cost < score(option))
    best.splice(place < 0 ? best.length : place, 0, { effort, stemLength, stemAngle, spacers, left, misses })
    if (best.length > count) best.pop()
  }
  consider('spacers', front.stemLength, front.stemAngle)
  if (front.stemAngle !== 0) consider('flip', front.stemLength, -front.stemAngle)
  for (const stemLength of usualStems.lengths)
    for (const stemAngle of usualStems.angles)
      if (stemLength !== front.stemLength || Math.abs(stemAngle) !== Math.abs(front.stemAngle)) consider('stem', stemLength, stemAngle)
  return best
}

function score(option: StemOption): number {
  return option.misses + stemEfforts[option.effort].costs
}
