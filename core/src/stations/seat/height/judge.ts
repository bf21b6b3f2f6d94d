import type { Message } from '../../../kernel/message.ts'
import { mm, msg } from '../../../kernel/message.ts'
import type { OptionOf } from '../../../readings/readingDefinitions.ts'
import { judged, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { combined } from '../../../kernel/quantity.ts'
import { saddleFor } from '../../../rider/kneeAtBottom.ts'
import type { KneeNow } from '../../../rider/kneeAtBottom.ts'
import { saddleHeightForFlexion } from '../../../body/leg.ts'
import type { LegInput } from '../../../body/leg.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { UnreachableError } from '../../../kernel/problem.ts'
import { sides } from '../../../kernel/sided.ts'
import type { Side, Sided } from '../../../kernel/sided.ts'

/** One knee at the bottom, and the leg that says how far the saddle would have to move for it. */
export interface KneeStanding extends KneeNow {
  /** the leg on the bike, its `saddleHeight` not used; null while the leg is not known: then the knee is judged, but no way is said */
  readonly leg: LegInput | null
}

/** Heights that put one knee in its band, mm along the seat line. */
export interface HeightWindow {
  readonly low: number
  readonly high: number
}

/** What each leg asks for, what suits both, and the move to it. */
export interface HeightJudgement {
  readonly windows: Sided<HeightWindow | null>
  /** heights that suit both legs; null where none does, or a leg is not known */
  readonly common: HeightWindow | null
  /** where no height suits both: halfway between what they ask for */
  readonly between: number | null
  /** mm to move, + up; 0 inside the window */
  readonly by: number
}

/** Saddle heights that bend a knee to either end of its band; null where no height does. @source holmes, ferrer-roca */
export function heightWindow({ leg, band, overModel }: Pick<KneeStanding, 'leg' | 'band' | 'overModel'>): HeightWindow | null {
  if (leg === null) return null
  try {
    // The leg bends by the model; where the reading lies over it, the band is that much nearer.
    return { low: saddleHeightForFlexion(leg, band.high - overModel), high: saddleHeightForFlexion(leg, band.low - overModel) }
  } catch (error) {
    if (error instanceof UnreachableError) return null
    throw error
  }
}

/**
 * Height by both knees: the nearest point of the window that suits both legs; where none does,
 * halfway between the two.
 * @param saddleHeight now, mm along the seat line
 */
export function judgeHeight(saddleHeight: number, knees: Sided<KneeStanding | null>): HeightJudgement {
  const windows = { left: knees.left && heightWindow(knees.left), right: knees.right && heightWindow(knees.right) }
  const known = sides.flatMap((side) => windows[side] ?? [])
  const low = Math.max(...known.map((window) => window.low))
  const high = Math.min(...known.map((window) => window.high))
  const common = known.length > 0 && low <= high ? { low, high } : null
  const between = known.length > 0 && common === null ? (low + high) / 2 : null
  const wanted = common ? Math.min(common.high, Math.max(common.low, saddleHeight)) : (between ?? saddleHeight)
  const by = wanted - saddleHeight
  return {
    windows,
    common,
    between,
    by: Math.abs(by) < 1e-6 ? 0 : by,
  }
}

/** What else bears on height; null = not read. */
export interface HeightReadings {
  readonly pelvisLevel: OptionOf<'pelvisLevel'> | null
  readonly rocking: OptionOf<'pelvisRock'> | null
  readonly dropperTravel: number | null
  readonly knees: Sided<KneeNow | null>
  /** a saddle that is clearly wider than these bones ask for */
  readonly tooWide: boolean
}

/** What a pelvis that is not level is called. */
const crookedPelvis: Readonly<Record<OptionOf<'pelvisLevel'>, string | null>> = {
  level: null,
  'drops-left': 'The pelvis drops to the left.',
  'drops-right': 'The pelvis drops to the right.',
  twisted: 'The pelvis sits twisted.',
}

/** What rocking is called, and how much it weighs. */
const rockingWords: Readonly<Record<OptionOf<'pelvisRock'>, { readonly weight: Finding['weight']; readonly words: string } | null>> = {
  none: null,
  some: { weight: 'note', words: 'Rocks a little under load.' },
  much: { weight: 'act', words: 'Rocks much under load.' },
}

/** Knees this far apart are asked about, degrees. @source prior */
const KNEES_APART = 5

/** A knee at the bottom against the band of the way it was read; null while it or its ± is not known. */
export function kneeStands(knee: KneeNow | null): Judged | null {
  return knee === null || knee.plusMinus === null ? null : judged(knee.value, knee.plusMinus, knee.band, { isRead: knee.isRead })
}

/** How far the knees are apart; only knees that were both read can differ, the model's own may be anywhere within their ±. */
export function kneesApart({ left, right }: Sided<KneeNow | null>): Judged | null {
  if (!left?.isRead || !right?.isRead || left.plusMinus === null || right.plusMinus === null) return null
  return judged(Math.abs(left.value - right.value), combined(left.plusMinus, right.plusMinus), { low: 0, high: KNEES_APART })
}

/** Findings of height: knees, their difference, pelvis, dropper. @source common-practice */
export function heightFindings(height: HeightJudgement | null, read: HeightReadings): Finding[] {
  const found: Finding[] = []
  const add = (
    key: string,
    weight: Finding['weight'],
    headline: Message,
    sentence: Message,
    source: Finding['source'] = 'common-practice',
    side: Side | 'both' = 'both',
    of?: string,
  ) => found.push({ key, side, weight, headline, sentence, source, ...(of === undefined ? {} : { of }) })
  const { left, right } = read.knees
  for (const side of sides) {
    const knee = read.knees[side]
    if (knee === null) continue
    const { value, band, isRead } = knee
    const stands = kneeStands(knee)
    const word = saddleFor(knee)
    if (word !== 'level') {
      const off = word === 'low' ? value - band.high : band.low - value
      add(
        `knee-${side}`,
        stands === null ? 'note' : verdictOf(stands).weight,
        `${side === 'left' ? 'Left' : 'Right'} knee: the saddle is ${word} for it.`,
        `Bent ${trimmed(value, 1)}° at the bottom${isRead ? '' : ' by the model'}, ${trimmed(off, 1)}° past the band of ${trimmed(band.low, 0)} to ${trimmed(band.high, 0)}°. ${word === 'low' ? 'Loads the front of the knee.' : 'Loads the back of the knee and rocks the hips.'}`,
        'holmes',
        side,
        'knee',
      )
    }
  }
  const apart = kneesApart(read.knees)
  if (left && right && apart && verdictOf(apart).end === 'high') {
    const longer = left.value < right.value ? 'left' : 'right'
    add(
      'apart',
      'note',
      `The knees differ by ${trimmed(apart.value, 1)}°.`,
      `The ${longer} one is the straighter. Pelvis, cleats and leg length before height: see Legs.`,
      'common-practice',
      'both',
      'kneesApart',
    )
  }
  if (height !== null && height.between !== null) {
    add('no-common', 'note', 'No one height suits both knees.', 'Halfway is all a saddle can do; the rest belongs to cleat or sole.')
  }
  const crooked = read.pelvisLevel && crookedPelvis[read.pelvisLevel]
  if (crooked) {
    add(
      'pelvis',
      'act',
      crooked,
      'Saddle’s width and state, leg length and cleats before height; height read on a crooked pelvis is right for neither leg.',
    )
  }
  const rocks = read.rocking && rockingWords[read.rocking]
  if (rocks) {
    const bentEnough = sides.every((side) => read.knees[side] === null || saddleFor(read.knees[side]) !== 'high')
    const known = sides.some((side) => read.knees[side] !== null)
    add(
      'rocks',
      rocks.weight,
      rocks.words,
      read.tooWide && known && bentEnough
        ? 'The knees are bent enough, and the saddle is too wide: width first.'
        : known && bentEnough
          ? 'The knees are bent enough: look at the saddle’s width, leg length and cleats before height.'
          : (height?.by ?? 0) > 0
            ? 'One knee asks for a lower saddle, the other for a higher one: pelvis, cleats and leg length before height.'
            : msg`Too high, or too wide a saddle: lower first, in ${mm(5)}, until it stops.`,
    )
  }
  if ((read.dropperTravel ?? 0) > 0) add('dropper', 'note', 'Dropper fully up?', 'Height and tilt are read and set with the post right up.')
  return found
}

/** Weeks between two steps of a settled rider. @source prior */
const WEEKS_A_STEP = 2

/** "Now up 5, in 2 weeks up 3; look again 1, 3 and 6 weeks after the last." as dated steps. */
export function weekPlan(steps: readonly number[]): { readonly week: number; readonly by: number }[] {
  return steps.map((by, i) => ({ week: i * WEEKS_A_STEP, by }))
}
