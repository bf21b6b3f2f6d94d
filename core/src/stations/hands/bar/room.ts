import { RADIANS } from '../../../bike/contactPoints.ts'

/** Half of a flat bar; lengths mm, angles degrees. */
export interface HalfBar {
  /** end to end */
  readonly barWidth: number
  /** middle to where the straight arm begins, straight across */
  readonly barBend: number
  readonly barBacksweep: number
  readonly barUpsweep: number
}

/** A part that covers some of the arm. */
export interface BarPiece {
  readonly key: 'grip' | 'brake' | 'shifter' | 'remote'
  readonly label: string
  /** along the arm, mm */
  readonly width: number
  /** its middle from the bar's end; null = as close to the one before as it goes */
  readonly middle: number | null
}

/** A piece where it stands, mm from the bar's end. */
interface PlacedPiece extends BarPiece {
  readonly from: number
  readonly to: number
}

/** What a half of the bar holds, mm along the arm. */
export interface BarRoom {
  /** straight part, from the bend to the end */
  readonly straight: number
  readonly pieces: readonly PlacedPiece[]
  /** straight part that nothing covers; minus = the pieces are longer than it */
  readonly left: number
  /** straight part from the innermost piece to the bend, as the pieces stand; minus = it stands on the bend */
  readonly inside: number
  /** pieces that stand in one another, by name */
  readonly overlaps: readonly (readonly [string, string])[]
}

/** Along the arm per mm straight across. @source geometry */
export function armPerAcross({ barBacksweep, barUpsweep }: Pick<HalfBar, 'barBacksweep' | 'barUpsweep'>): number {
  const back = Math.tan(barBacksweep * RADIANS)
  const up = Math.tan(barUpsweep * RADIANS)
  return Math.sqrt(1 + back * back + up * up)
}

/** Straight part of half a bar, along the arm, mm; 0 where the bend is further out than the end. @source geometry */
export function straightPart(bar: HalfBar): number {
  return Math.max(0, (bar.barWidth / 2 - bar.barBend) * armPerAcross(bar))
}

/** The narrowest bar, end to end, on whose straight parts this much still fits. @source geometry */
export function narrowestFor(bar: Omit<HalfBar, 'barWidth'>, needed: number): number {
  return 2 * (bar.barBend + needed / armPerAcross(bar))
}

/** Pieces stand in one another by more than this, mm: less is a ruler's doubt. */
const TOUCH = 1.5

/**
 * Lays grip and clamps along the straight part, from the bar's end inward.
 * @param pieces from the end inward; each stands where it was read, else against the one before
 * @source geometry
 */
export function barRoom(bar: HalfBar, pieces: readonly BarPiece[]): BarRoom {
  const straight = straightPart(bar)
  const placed: PlacedPiece[] = []
  let edge = 0
  for (const piece of pieces) {
    const middle = piece.middle ?? edge + piece.width / 2
    const own = { ...piece, from: middle - piece.width / 2, to: middle + piece.width / 2 }
    placed.push(own)
    edge = Math.max(edge, own.to)
  }
  const inward = [...placed].sort((a, b) => a.from - b.from)
  const overlaps = inward.flatMap((piece, i) => {
    const next = inward[i + 1]
    return next !== undefined && piece.to - next.from > TOUCH ? [[piece.label, next.label] as const] : []
  })
  return {
    straight,
    pieces: placed,
    left: straight - pieces.reduce((sum, { width }) => sum + width, 0),
    inside: straight - edge,
    overlaps,
  }
}
