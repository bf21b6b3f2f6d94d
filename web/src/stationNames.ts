/** The stations in the order of work; the same seven words everywhere. */
export const stations = ['talk', 'measure', 'feet', 'seat', 'hands', 'prove', 'record'] as const
export type Station = (typeof stations)[number]

/** The station a mistyped address means: by its beginning, else by most letters in common, else the first. */
export function nearestStation(typed: string): Station {
  const word =
    typed
      .toLowerCase()
      .split(/[^a-z]+/)
      .find((part) => part !== '') ?? ''
  const begins = stations.find((station) => word !== '' && (station.startsWith(word) || word.startsWith(station)))
  if (begins) return begins
  const common = (station: string) => [...station].filter((letter) => word.includes(letter)).length / station.length
  const best = [...stations].sort((a, b) => common(b) - common(a))[0] ?? 'talk'
  return common(best) > NEAR_ENOUGH ? best : 'talk'
}
/** share of a station's letters */
const NEAR_ENOUGH = 0.7
