import { bikeKindOf } from '../../../bike/bikeKinds.ts'
import type { BikeKind } from '../../../bike/bikeKinds.ts'

/** Stems that are usual, mm: shorter and longer ones change how a bike steers. */
interface UsualStems {
  readonly low: number
  readonly high: number
}

/** By kind of bike, where it has stems of its own. @source common-practice */
const byKind: Readonly<Partial<Record<BikeKind, UsualStems>>> = {
  'cross-country': { low: 50, high: 85 },
  trail: { low: 30, high: 65 },
  downhill: { low: 30, high: 55 },
  mountain: { low: 40, high: 80 },
  gravel: { low: 60, high: 110 },
}
/** Everywhere else. @source common-practice */
const byBar = { drop: { low: 60, high: 120 }, flat: { low: 60, high: 110 } } as const

/** Stems that are usual on a kind of bike, mm. */
export function stemLengthsOf(kind: BikeKind): UsualStems {
  return byKind[kind] ?? byBar[bikeKindOf(kind).bar]
}
