import type { BarKind } from '../bike/bikeKinds.ts'
import { stations, workStations } from '../kernel/stations.ts'
import type { WorkStation } from '../kernel/stations.ts'
import { entriesOf } from '../kernel/tables.ts'
import { settingOf } from '../ledger/settings.ts'
import type { SettingKey } from '../ledger/settings.ts'
import { pageOf } from '../station/station.ts'
import { feetStation } from './feet/station.ts'
import { handsStation } from './hands/station.ts'
import { seatStation } from './seat/station.ts'

/** The stations that judge and set something: the one list of them, and with their pages the one list of those. */
const judgingStations = { feet: feetStation, seat: seatStation, hands: handsStation } as const satisfies Readonly<
  Record<WorkStation, { readonly key: WorkStation }>
>
type Pages = { readonly [Station in WorkStation]: keyof (typeof judgingStations)[Station]['pages'] & string }

/** Names of a station's pages. */
export type PageKeyOf<Station extends WorkStation> = Pages[Station]

/** Every page that a bar has, in the order of the work. */
export function pagesFor(bar: BarKind): { readonly station: WorkStation; readonly page: string; readonly label: string }[] {
  return workStations.flatMap((station) => {
    const pages: Readonly<Record<string, { readonly label: string; readonly bar?: BarKind }>> = judgingStations[station].pages
    return entriesOf(pages)
      .filter(([, row]) => row.bar === undefined || row.bar === bar)
      .map(([page, row]) => ({ station, page, label: `${stations[station].label}: ${row.label}` }))
  })
}

/** The page that has a setting's field; where none has, the first page of the station whose work it is. */
export function pageWith(setting: SettingKey): { readonly station: WorkStation; readonly page: string } {
  const { station: own } = settingOf(setting)
  for (const station of [own, 'seat'] as const) {
    const page = pageOf<string>(judgingStations[station].pages, setting)
    if (page !== null) return { station, page }
  }
  return { station: own, page: Object.keys(judgingStations[own].pages)[0] ?? '' }
}
