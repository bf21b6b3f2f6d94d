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
/** Hands further above the seat than this stand high (minus = above), mm. @source prior */
export const HANDS_HIGH = -45
/** A front wheel that carries less of the rider is light, %. @source prior */
export const FRONT_WHEEL_LIGHT = 37
