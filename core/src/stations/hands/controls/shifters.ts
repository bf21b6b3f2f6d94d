/** Along the bar from its end; mm. */
export interface ThumbInput {
  readonly handFromEnd: number
  readonly handBreadth: number
  readonly thumbLength: number
}

/** How far along the bar a thumb works without the hand letting go, of its length. @source prior */
export const THUMB_WORKS = 0.65
/** A paddle this close to the hand is touched when it holds the grip, mm. @source prior */
const THUMB_CLEAR = 4

/** Where the thumb works, mm from the bar's end. */
export interface ThumbZone {
  readonly from: number
  readonly to: number
}

/** The stretch of the bar a thumb works on. @source geometry */
export function thumbZone({ handFromEnd, handBreadth, thumbLength }: ThumbInput): ThumbZone {
  const edge = handFromEnd + handBreadth / 2
  return { from: edge + THUMB_CLEAR, to: edge + THUMB_WORKS * thumbLength }
}

/** How a paddle stands to the thumb. */
export const paddleWords = { reached: 'in the thumb’s reach', far: 'past the thumb', touches: 'under the hand' } as const
export type PaddleState = keyof typeof paddleWords
/** How it stands, and by how much it must go inboard (+) to be in the zone. */
export function paddleStanding(zone: ThumbZone, paddle: number): { readonly state: PaddleState; readonly by: number } {
  if (paddle < zone.from) return { state: 'touches', by: zone.from - paddle }
  if (paddle > zone.to) return { state: 'far', by: zone.to - paddle }
  return { state: 'reached', by: 0 }
}

/** Clamps beside each other; mm along the bar from its end. */
export interface ClampInput {
  readonly gripLength: number
  /** middle of the brake's clamp, where the finger wants it */
  readonly brakeAt: number
  readonly brakeWidth: number
  readonly shifterWidth: number
  /** middle of the shifter's clamp out to its paddle */
  readonly paddle: number
}

/** Where a control goes against the brake's clamp. */
export const controlPlaceWords = { outside: 'between grip and brake', inside: 'inside of the brake' } as const

/** A place of the shifter against the brake's clamp. */
export interface ShifterOption {
  readonly place: keyof typeof controlPlaceWords
  /** middle of its clamp, mm from the bar's end */
  readonly clampAt: number
  readonly paddleAt: number
  readonly state: PaddleState
  /** mm the paddle misses the zone by; 0 = in it */
  readonly misses: number
  /** whether the clamp finds room there */
  readonly fits: boolean
}

/**
 * Both places of a shifter, the better one first: between grip and brake, or inside of the brake.
 * Its clamp slides within its place, so it is put where the paddle comes nearest the thumb.
 * @source geometry
 */
export function shifterOptions(zone: ThumbZone, clamps: ClampInput, bend: number): ShifterOption[] {
  const { gripLength, brakeAt, brakeWidth, shifterWidth, paddle } = clamps
  const half = shifterWidth / 2
  const places = [
    { place: 'outside', low: gripLength + half, high: brakeAt - brakeWidth / 2 - half },
    { place: 'inside', low: brakeAt + brakeWidth / 2 + half, high: bend - half },
  ] as const
  const middle = (zone.from + zone.to) / 2
  return places
    .map(({ place, low, high }): ShifterOption => {
      const fits = high >= low
      const clampAt = Math.min(Math.max(low, high), Math.max(low, middle + paddle))
      const paddleAt = clampAt - paddle
      const { state, by } = paddleStanding(zone, paddleAt)
      return { place, clampAt, paddleAt, state, misses: Math.abs(by), fits }
    })
    .sort((a, b) => Number(b.fits) - Number(a.fits) || a.misses - b.misses)
}
