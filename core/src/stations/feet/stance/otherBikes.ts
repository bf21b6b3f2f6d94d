import { barOf } from '../../../bike/bikeKinds.ts'
import type { BikeKind } from '../../../bike/bikeKinds.ts'
import type { LedgerEntry } from '../../../ledger/ledger.ts'
import type { Reading } from '../../../readings/reading.ts'
import { setupOf } from '../../../rider/setup.ts'
import type { OtherBike } from './judge.ts'
import { isStanceRead, stanceParts } from './readings.ts'
import { halves } from './targets.ts'

/** A bike as a visit left it. */
interface LeftBike {
  readonly bike: { readonly name: string; readonly kind: BikeKind }
  readonly readings: readonly Reading[]
  readonly ledger: readonly LedgerEntry[]
}

/** Half stances of bikes as their visits left them, mm; bikes whose parts were not read are left out. */
export function otherBikesOf(left: readonly LeftBike[]): OtherBike[] {
  return left.flatMap(({ bike, readings, ledger }): OtherBike[] => {
    const { now } = setupOf(readings, ledger, barOf(bike.kind))
    const parts = stanceParts(now)
    if (parts === null || !isStanceRead(now)) return []
    return [{ name: bike.name, ...halves(parts) }]
  })
}
