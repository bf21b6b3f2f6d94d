import type { Message } from '../../../kernel/message.ts'
import { DEGREES } from '../../../bike/contactPoints.ts'
import type { TargetBand } from '../../../kernel/band.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { SourceKey } from '../../../kernel/sources.ts'
import { keysOf } from '../../../kernel/tables.ts'

/** What a saddle is ridden for, as far as its tilt is concerned. */
export interface TiltUse {
  readonly label: string
  /** where the rider sits, nose up is plus */
  readonly band: TargetBand
  /** where nothing speaks for either end */
  readonly aim: number
  readonly why: string
  readonly source: SourceKey
}

/** Targets by use: 0 to 3° nose down where the rider sits is in range for all; use and climb move the aim. Nose up has no known good reason. @source common-practice */
export const tiltUses = {
  road: { label: 'Road, town', band: { low: -3, high: 0 }, aim: -1, why: '0 to 3° nose down where you sit.', source: 'common-practice' },
  low: {
    label: 'Low position',
    band: { low: -3, high: 0 },
    aim: -2,
    why: 'The pelvis rolls forward onto the nose: toward the lower end.',
    source: 'common-practice',
  },
  mountain: {
    label: 'Trail, climbs',
    band: { low: -4, high: 0 },
    aim: -2,
    why: 'The bike sits back on climbs: a little more nose down.',
    source: 'common-practice',
  },
} as const satisfies Readonly<Record<string, TiltUse>>
export type TiltUseKey = keyof typeof tiltUses

/** How far suspension and climb may push the target beyond the table, degrees. @source prior */
const MOST_FOR_CLIMB = 3
/** Share of a climb's own slope that a saddle makes up for: the rest of the ride is level. @source prior */
const SHARE_OF_SLOPE = 0.15

/** What stands the bike nose up on a climb. */
export interface ClimbInput {
  /** how far the rear axle and the fork are pressed in, rider seated, mm */
  readonly rearSag: number
  readonly forkSag: number
  readonly wheelbase: number
  /** rise per hundred of way */
  readonly gradient: number
}

export interface Climb {
  /** nose up by the ground alone, and by the suspension alone, degrees */
  readonly slope: number
  readonly sag: number
  /** what the saddle's target goes further nose down for it, degrees, at or below 0 */
  readonly shift: number
}

/**
 * How far a bike stands nose up on a climb: the slope itself, and the rear pressed in more than the
 * fork over the wheelbase.
 * @source geometry
 */
export function climbTilt({ rearSag, forkSag, wheelbase, gradient }: ClimbInput): Climb {
  const slope = Math.atan(gradient / 100) * DEGREES
  const sag = Math.atan((rearSag - forkSag) / wheelbase) * DEGREES
  // What the suspension does all day is made up whole; of the slope a share.
  const shift = Math.max(-MOST_FOR_CLIMB, -(Math.max(0, sag) + SHARE_OF_SLOPE * Math.max(0, slope)))
  return { slope, sag, shift: shift === 0 ? 0 : shift }
}

/** "8.5° nose up by the slope, 1.2° nose down by the suspension". */
export function climbWords({ slope, sag }: Pick<Climb, 'slope' | 'sag'>): string {
  return `${trimmed(slope, 1)}° nose up by the slope, ${trimmed(Math.abs(sag), 1)}° nose ${sag < 0 ? 'down' : 'up'} by the suspension`
}

/** Complaints and findings that pull the tilt one way. */
export interface TiltEvidence {
  /** soft tissue numb or sore, low back: nose down */
  readonly down: readonly string[]
  /** slides forward, hands or knees carry: nose up */
  readonly up: readonly string[]
}

export interface TiltTarget {
  readonly band: TargetBand
  readonly aim: number
  readonly why: readonly Message[]
}

/** How far evidence moves the aim within the band, degrees. @source prior */
const EVIDENCE = 1

/** Target tilt where the rider sits, from use, climb and what speaks for either end. */
export function tiltTarget(use: TiltUseKey, climb: Climb | null, evidence: TiltEvidence): TiltTarget {
  const row = tiltUses[use]
  const shift = climb?.shift ?? 0
  // A climb lets the nose go further down, and never calls a level saddle wrong.
  const band = { low: row.band.low + shift, high: row.band.high }
  const pull = (evidence.up.length > 0 ? EVIDENCE : 0) - (evidence.down.length > 0 ? EVIDENCE : 0)
  const aim = Math.min(band.high, Math.max(band.low, row.aim + shift / 2 + pull))
  const why: string[] = [row.why]
  if (climb !== null && shift !== 0) {
    why.push(`Up the climb the bike stands ${climbWords(climb)}.`)
  }
  if (evidence.down.length > 0) why.push(`Nose down: ${evidence.down.join(', ')}.`)
  if (evidence.up.length > 0) why.push(`Less nose down: ${evidence.up.join(', ')}.`)
  return { band, aim: Math.round(2 * aim) / 2, why }
}
export const tiltUseKeys = keysOf(tiltUses)
