import type { BarKind } from '../../../bike/bikeKinds.ts'
import type { DropBar, FlatBar, Front } from '../../../bike/cockpit.ts'
import type { Point } from '../../../bike/contactPoints.ts'
import type { ClampSize } from './parts.ts'
import type { Alignment } from '../roll/gripAlignment.ts'

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
