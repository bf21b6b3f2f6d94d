import type { SourceKey } from '../sources.ts'
import { barClamp } from './cockpit.ts'
import type { Front } from './cockpit.ts'
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
  const tries: { effort: StemEffort; stemLength: number; stemAngle: number }[] = [
    { effort: 'spacers', stemLength: front.stemLength, stemAngle: front.stemAngle },
    ...(front.stemAngle === 0 ? [] : [{ effort: 'flip' as const, stemLength: front.stemLength, stemAngle: -front.stemAngle }]),
    ...usualStems.lengths.flatMap((stemLength) =>
      usualStems.angles
        .filter((stemAngle) => stemLength !== front.stemLength || Math.abs(stemAngle) !== Math.abs(front.stemAngle))
        .map((stemAngle) => ({ effort: 'stem' as const, stemLength, stemAngle })),
    ),
  ]
  return tries
    .map((stem) => optionFor(front, stem, wanted, steerer))
    .sort((a, b) => score(a) - score(b))
    .slice(0, count)
}

function optionFor(
  front: Front,
  stem: { effort: StemEffort; stemLength: number; stemAngle: number },
  wanted: Point,
  steerer: number,
): StemOption {
  const none = barClamp({ ...front, ...stem, spacers: 0 })
  const one = barClamp({ ...front, ...stem, spacers: 1 })
  const up = { x: one.x - none.x, y: one.y - none.y }
  const best = (wanted.x - none.x) * up.x + (wanted.y - none.y) * up.y
  // A spacer that is already there may have any height; others come in whole millimetres.
  const spacers =
    Math.abs(best - front.spacers) < 0.5 ? front.spacers : Math.round(Math.min(Math.max(steerer, front.spacers), Math.max(0, best)))
  const left = { x: wanted.x - none.x - spacers * up.x, y: wanted.y - none.y - spacers * up.y }
  return { ...stem, spacers, left, misses: Math.hypot(left.x, left.y) }
}

function score(option: StemOption): number {
  return option.misses + stemEfforts[option.effort].costs
}
