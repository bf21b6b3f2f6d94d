import type { BarKind, BikeUse } from '../bike/bikeKinds.ts'

/**
 * Lines that several judgements draw on a rider's posture. Where no publication or rule gives one, the
 * line is this product's own.
 */

/** Hips that come forward by more than this tell about saddle or reach, mm. @source prior */
export const CREEP = 15
/** Hands that carry more than this share of the body are heavily loaded, %; an index. @source prior */
export const HEAVY_HANDS = 16
/** A torso below this is low, above the other upright, degrees from level. @source prior */
export const LOW_TORSO = 35
export const UPRIGHT_TORSO = 62
/** An upper arm this far from the trunk reaches out, degrees. @source prior */
export const OPEN_SHOULDER = 88
/**
 * What a front may ask by what a bike is ridden for: a torso below `torso` is low there, degrees from
 * level; hands further below the seat than `deepest` reach down, further up than `highest` stand high
 * (minus = above), mm; a flat bar on the road is taken for its comfort. @source prior
 */
export const fronts: Readonly<
  Record<BikeUse, { readonly torso: number; readonly deepest: number; readonly highest: Readonly<Record<BarKind, number>> }>
> = {
  road: { torso: 42, deepest: 90, highest: { drop: -10, flat: -45 } },
  low: { torso: 30, deepest: 170, highest: { drop: 0, flat: 0 } },
  mountain: { torso: 45, deepest: 70, highest: { drop: -45, flat: -45 } },
  town: { torso: 50, deepest: 30, highest: { drop: -120, flat: -120 } },
}
/** On forearm pads a torso is low from here, and in the drops by so much later than on the hoods, degrees. @source common-practice */
export const PADS_TORSO = 24
export const DROPS_LOWER = 8
/** With the forearms level over the hoods a torso is low by so much later, degrees. @source prior */
export const AERO_LOWER = 14
/** A front wheel that carries less of the rider is light, %. @source prior */
export const FRONT_WHEEL_LIGHT = 37
