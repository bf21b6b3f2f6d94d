import { stationKeys } from '@level-stance/core/kernel/stations'
import type { StationKey } from '@level-stance/core/kernel/stations'

/** Where a page of an open visit is: `/visits/ID/hands/levers`; without a page, the station's first. */
export function addressOf(visitId: string | undefined, station: StationKey, page = '', query: Readonly<Record<string, string>> = {}) {
  return { name: station, params: { visitId: visitId ?? '', ...(page === '' ? {} : { page }) }, query }
}

/** The station a mistyped address means: by its beginning, else by most letters in common, else the first. */
export function nearestStation(typed: string): StationKey {
  const word =
    typed
      .toLowerCase()
      .split(/[^a-z]+/)
      .find((part) => part !== '') ?? ''
  const begins = stationKeys.find((station) => word !== '' && (station.startsWith(word) || word.startsWith(station)))
  if (begins) return begins
  const common = (station: string) => [...station].filter((letter) => word.includes(letter)).length / station.length
  const best = [...stationKeys].sort((a, b) => common(b) - common(a))[0] ?? 'talk'
  return common(best) > NEAR_ENOUGH ? best : 'talk'
}
/** share of a station's letters */
const NEAR_ENOUGH = 0.7
