export const sides = ['left', 'right'] as const
export type Side = (typeof sides)[number]

/** One value per side; a rider is never assumed symmetric. */
export interface Sided<T> {
  readonly left: T
  readonly right: T
}

/** Builds a sided value by asking for each side. */
export function bySide<T>(make: (side: Side) => T): Sided<T> {
  return { left: make('left'), right: make('right') }
}
