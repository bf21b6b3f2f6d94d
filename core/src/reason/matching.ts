import { isAt, sideOf } from '../talk/complaint.ts'
import type { Complaint } from '../talk/complaint.ts'
import { isWithin } from '../talk/regions.ts'
import type { BodyRegionKey } from '../talk/regions.ts'
import { ridesMuch } from '../talk/riding.ts'
import type { Riding } from '../talk/riding.ts'
import { causeOf } from './causeTable.ts'
import type { WorkStation } from '../kernel/stations.ts'
import { symptomKeys, symptomOf } from './symptomTable.ts'
import type { Modifier, SymptomKey } from './symptomTable.ts'

/** What a complaint is, by the table; several where its places belong to several symptoms. Empty where none fits. */
export function symptomsOf(complaint: Complaint): SymptomKey[] {
  const { control, places } = complaint
  if (control !== null) return symptomKeys.filter((key) => symptomOf(key).controls?.includes(control)).slice(0, 1)
  const whole = symptomKeys.find((key) => symptomOf(key).regions === undefined && fits(complaint, key))
  if (whole !== undefined) return [whole]
  const found = places.flatMap((place) => symptomKeys.find((key) => fits({ ...complaint, places: [place] }, key)) ?? [])
  return [...new Set(found)]
}

/** Whether a complaint of the body fits a row; what nobody has said yet fits all but what is of control. */
function fits(complaint: Pick<Complaint, 'places' | 'kind' | 'situation'>, key: SymptomKey): boolean {
  const { regions, kinds, situations, oneSided } = symptomOf(key)
  if (regions === undefined && situations === undefined) return false
  if (regions !== undefined && !isAt(complaint, regions)) return false
  if (kinds !== undefined && (complaint.kind === null ? !kinds.some((kind) => kind !== 'control') : !kinds.includes(complaint.kind)))
    return false
  if (situations !== undefined && !situations.includes(complaint.situation)) return false
  return oneSided !== true || sideOf(complaint) === 'left' || sideOf(complaint) === 'right'
}

/** Places of which nothing here is a cause, and the symptoms next to them. */
const nearTo: Readonly<Partial<Record<BodyRegionKey, readonly SymptomKey[]>>> = {
  chest: ['neck-shoulders'],
  shin: ['calf', 'knee-sides', 'numb-toes'],
  stomach: ['closed-hip'],
}

/** Symptoms next to a complaint that fits none: same places, whatever they are like. */
export function nearestSymptoms(complaint: Complaint): SymptomKey[] {
  const near = complaint.places.flatMap(({ region }) => nearTo[region] ?? [])
  const same = symptomKeys.filter((key) => {
    const { regions } = symptomOf(key)
    return regions !== undefined && complaint.places.some(({ region }) => isWithin(region, regions))
  })
  return [...new Set([...near, ...same])].slice(0, 3)
}

/** Whether what was told speaks to a modifier. */
export function modifierHolds(row: Modifier, complaint: Complaint, riding: Riding): boolean {
  const { situation, from, upTo, changed, kinds, regions, rides, aims, clipIn, injury, sides } = row
  const side = sideOf(complaint)
  const checks: readonly (boolean | undefined)[] = [
    situation && situation.includes(complaint.situation),
    from === undefined ? undefined : complaint.startsAfter !== null && complaint.startsAfter >= from,
    upTo === undefined ? undefined : complaint.startsAfter !== null && complaint.startsAfter <= upTo,
    changed && changed.some((key) => complaint.changed.includes(key)),
    kinds && complaint.kind !== null && kinds.includes(complaint.kind),
    regions && isAt(complaint, regions),
    rides && ridesMuch(riding, ...rides),
    aims && aims.some((aim) => riding.aims?.includes(aim)),
    clipIn && riding.clipIn !== undefined && clipIn.includes(riding.clipIn),
    injury && riding.injuries?.some(({ place }) => place === injury) === true,
    sides && (sides === 'one') === (side === 'left' || side === 'right'),
  ]
  return checks.every((check) => check !== false)
}

/** Whether any cause of what was told is dealt with at a station. */
export function concerns(complaints: readonly Complaint[], station: WorkStation): boolean {
  return complaints.some((complaint) =>
    symptomsOf(complaint).some((key) => symptomOf(key).causes.some((cause) => causeOf(cause).station === station)),
  )
}
