import { term } from '../../../readings/table/terms.ts'
import { mm, msg } from '../../../kernel/message.ts'
import { RADIANS } from '../../../bike/contactPoints.ts'
import { halfStance } from '../../../bike/frame.ts'
import type { Side } from '../../../kernel/sided.ts'
import { sideName } from '../../../kernel/finding.ts'
import type { Finding } from '../../../kernel/finding.ts'

/** One foot beside its crank; mm and degrees, toes out is plus. */
export interface ClearanceInput {
  readonly tread: number
  readonly axle: number
  readonly washer: number
  readonly adapter: number
  readonly cleatInboard: number
  /** axle to the shoe's heel, along the foot */
  readonly axleFromHeel: number
  /** breadth of the heel cup, outside */
  readonly heelOutside: number
  /** outer face to outer face of the chainstays where the heels pass; null = not read */
  readonly stayWidth: number | null
  readonly crank: number
  /** axle to the ankle's middle: behind it along the foot, above it square to the foot; null = not known */
  readonly ankle: { readonly behind: number; readonly above: number } | null
  readonly cleatTurn: number
  readonly float: number
}

/** Gaps at one end of the float, mm; minus = it touches. */
export interface HeelGap {
  /** foot's direction there */
  readonly toeOut: number
  /** null: the heel never comes level with the crank's arm there */
  readonly crank: number | null
  /** null: stays not read */
  readonly stay: number | null
  /** inner ankle bone to the crank's arm; null: not known, or behind the arm */
  readonly ankle: number | null
}
export interface HeelClearance {
  /** toes in, heel out / toes out, heel in */
  readonly heelOut: HeelGap
  readonly heelIn: HeelGap
}

/** The heel cup is round: its inner edge lies this share of its breadth ahead of the heel's end. @source prior */
const CUP = 0.5
/** How far the arm's outer face leans in from the pedal to the bracket, mm. @source prior */
export const ARM_LEAN = 8
/** Half of the breadth over both ankle bones: men 74, women 67 mm, with a sock. From memory of body surveys. @source prior */
export const ANKLE_HALF = 36
/** Less than this is asked about: shoes flex and ankles roll, mm. @source prior */
export const HEEL_GAP = 4

/**
 * Gap from the heel cup to crank and chainstay, and from the ankle to the crank, at both ends of the
 * float. The cup is a circle as broad as the shoe's heel; it swings about the pedal's axle and passes
 * a crank arm whose outer face lies at half the tread at the pedal and leans in toward the bracket.
 * @source geometry
 */
export function heelClearance(input: ClearanceInput): HeelClearance {
  const half = halfStance(input)
  const arm = input.axleFromHeel - CUP * input.heelOutside
  const gapAt = (toeOut: number): HeelGap => {
    const inner = half - arm * Math.sin(toeOut * RADIANS) - input.heelOutside / 2
    /** Outer face of the arm at a distance from the pedal: it leans in toward the bracket. */
    const armAt = (behind: number) => input.tread / 2 - (ARM_LEAN * Math.min(behind, input.crank)) / input.crank
    const { ankle } = input
    // The arm comes by the ankle as far from the pedal as the ankle is, whatever the crank's angle then.
    const ankleFrom = ankle === null ? Infinity : Math.hypot(ankle.behind, ankle.above)
    // The arm reaches a crank's length from the axle, and half its own breadth round the bracket.
    const passes = arm * Math.cos(toeOut * RADIANS) - input.heelOutside / 2 < input.crank + 20
    return {
      toeOut,
      crank: passes ? inner - armAt(arm) : null,
      stay: input.stayWidth === null ? null : inner - input.stayWidth / 2,
      ankle:
        ankle === null || ankleFrom > input.crank + 20
          ? null
          : half - ankle.behind * Math.sin(toeOut * RADIANS) - ANKLE_HALF - armAt(ankleFrom),
    }
  }
  return { heelOut: gapAt(input.cleatTurn - input.float / 2), heelIn: gapAt(input.cleatTurn + input.float / 2) }
}

/** The nearest thing the heel meets anywhere in its float. */
export function nearestGap({
  heelOut,
  heelIn,
}: HeelClearance): { readonly what: 'crank' | 'chainstay' | 'ankle'; readonly gap: number } | null {
  const gaps = [heelOut, heelIn].flatMap(({ crank, stay, ankle }) => [
    ...(ankle === null ? [] : [{ what: 'ankle' as const, gap: ankle }]),
    ...(crank === null ? [] : [{ what: 'crank' as const, gap: crank }]),
    ...(stay === null ? [] : [{ what: 'chainstay' as const, gap: stay }]),
  ])
  return gaps.sort((a, b) => a.gap - b.gap)[0] ?? null
}

/** In words for the screen. @source geometry */
export function clearanceFinding(side: Side, input: ClearanceInput): Finding {
  const nearest = nearestGap(heelClearance(input))
  const part = `${sideName(side)} ${nearest?.what === 'ankle' ? 'ankle' : 'heel'}`
  const thing = nearest?.what === 'chainstay' ? 'chainstay' : 'crank'
  const base = { key: 'heel-clearance', side, source: 'geometry' as const }
  const unread = input.stayWidth === null ? ' Chainstays are not read: turn the heel by hand past them.' : ''
  if (nearest === null) {
    return {
      ...base,
      weight: 'note',
      headline: `${part} stays behind the crank.`,
      sentence: msg`Nothing to touch within the ${term('float')}.${unread}`,
    }
  }
  if (nearest.gap < 0) {
    return {
      ...base,
      weight: 'first',
      headline: `${part} meets the ${thing}.`,
      sentence: msg`At the inner end of its ${term('float')} it overlaps by ${mm(-nearest.gap, 1)}. Less ${term('cleat-rotation', 'toe-out')}, more ${term('stance-width', 'stance')} or less float before riding.${unread}`,
    }
  }
  if (nearest.gap < HEEL_GAP) {
    return {
      ...base,
      weight: 'act',
      headline: `${part} passes the ${thing} close.`,
      sentence: msg`${mm(nearest.gap, 1)} at the inner end of the ${term('float')}: shoes flex, so look at it under load.${unread}`,
    }
  }
  return {
    ...base,
    weight: 'fine',
    headline: `${part} clears the ${thing}.`,
    sentence: msg`${mm(nearest.gap, 1)} at the inner end of the ${term('float')}.${unread}`,
  }
}
