import { keysOf } from './tables.ts'

/** The stations in the order of the work; the same seven words in every package. */
export const stations = {
  talk: { label: 'Talk' },
  measure: { label: 'Measure' },
  feet: { label: 'Feet' },
  seat: { label: 'Seat' },
  hands: { label: 'Hands' },
  prove: { label: 'Prove' },
  record: { label: 'Record' },
} as const satisfies Readonly<Record<string, { readonly label: string }>>
export type StationKey = keyof typeof stations
export const stationKeys = keysOf(stations)

/** Those where something is set, in the order of the work: what lies upstream is settled first. */
export const workStations = ['feet', 'seat', 'hands'] as const satisfies readonly StationKey[]
export type WorkStation = (typeof workStations)[number]
