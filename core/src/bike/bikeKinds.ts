import { keysOf } from '../kernel/tables.ts'

/** What carries the hands; decides which readings a bike has. */
export const barKinds = ['flat', 'drop'] as const
export type BarKind = (typeof barKinds)[number]

/** What a bike is ridden for, as far as parts and targets depend on it. */
export type BikeUse = 'road' | 'low' | 'mountain' | 'town'

interface BikeKindRow {
  readonly label: string
  readonly bar: BarKind
  readonly use: BikeUse
  /** drawn as another bar than the readings are of */
  readonly drawn?: 'base'
  /** a wide bottom bracket is usual */
  readonly wide?: true
}

/** Kinds of bike, as a fitter names them. Time-trial bikes carry extensions and have the readings of a drop bar. @source common-practice */
export const bikeKindRows = {
  'drop bar': { label: 'Road, drop bar', bar: 'drop', use: 'road' },
  gravel: { label: 'Gravel', bar: 'drop', use: 'road' },
  'time trial': { label: 'Time trial, triathlon', bar: 'drop', use: 'low', drawn: 'base' },
  'flat bar': { label: 'Flat bar', bar: 'flat', use: 'road' },
  'cross-country': { label: 'Cross-country', bar: 'flat', use: 'mountain', wide: true },
  trail: { label: 'Trail', bar: 'flat', use: 'mountain', wide: true },
  downhill: { label: 'Downhill', bar: 'flat', use: 'mountain', wide: true },
  mountain: { label: 'Mountain, other', bar: 'flat', use: 'mountain', wide: true },
  cargo: { label: 'Cargo', bar: 'flat', use: 'town', wide: true },
  town: { label: 'Town', bar: 'flat', use: 'town' },
  indoor: { label: 'Indoor', bar: 'drop', use: 'road' },
  other: { label: 'Other', bar: 'flat', use: 'road' },
} as const satisfies Readonly<Record<string, BikeKindRow>>

export type BikeKind = keyof typeof bikeKindRows
export const bikeKinds = keysOf(bikeKindRows)

/** A row of the table. */
export function bikeKindOf(kind: BikeKind): BikeKindRow {
  return bikeKindRows[kind]
}

/** The bar of a kind of bike. */
export function barOf(kind: BikeKind): BarKind {
  return bikeKindRows[kind].bar
}

/** A bar as it is ridden and drawn: with extensions it is a base bar, whose horns carry the hands where hoods would be. */
export type DrawnBar = BarKind | 'base'
/** What is read of a bar: of a base bar the same as of a drop bar. */
export function barReadAs(bar: DrawnBar): BarKind {
  return bar === 'base' ? 'drop' : bar
}
export function drawnBarOf(kind: BikeKind): DrawnBar {
  const { bar, drawn } = bikeKindOf(kind)
  return drawn ?? bar
}
