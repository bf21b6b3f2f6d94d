/** Kinds of bike, as a fitter names them; each has one kind of bar. */
export const bikeKinds = ['drop bar', 'flat bar', 'mountain', 'cargo', 'town', 'other'] as const
export type BikeKind = (typeof bikeKinds)[number]

/** What carries the hands; decides which readings a bike has. */
export const barKinds = ['flat', 'drop'] as const
export type BarKind = (typeof barKinds)[number]

/** The bar of a kind of bike. */
export function barOf(kind: BikeKind): BarKind {
  return kind === 'drop bar' ? 'drop' : 'flat'
}
