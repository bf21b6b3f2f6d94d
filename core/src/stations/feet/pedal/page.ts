import { judged } from '../../../kernel/judged.ts'
import { combined } from '../../../kernel/quantity.ts'
import { measured } from '../../../readings/resolve.ts'
import type { VisitContext } from '../../../station/context.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import type { StationPage } from '../../../station/station.ts'

interface Parts {
  readonly context: Pick<VisitContext, 'setup'>
}
/** Cranks are commonly near a fifth of the inseam; longer than this share is long. @source prior */
const CRANK_SHARE = 0.216

/** The crank against the rider's inseam. */
export const pedalNumbers = {
  crank: {
    label: 'Crank',
    unit: 'mm',
    sided: false,
    readings: readFrom('crank', 'inseam'),
    at: ({ context }) => {
      const { now } = context.setup
      const [crank, inseam] = [measured(now, 'crank'), measured(now, 'inseam')]
      const most = { low: 0, high: CRANK_SHARE * (inseam?.value ?? 0) }
      return crank && inseam && judged(crank.value, combined(crank.plusMinus, CRANK_SHARE * inseam.plusMinus), most)
    },
  },
} as const satisfies NumberRows<Parts>

export const pedalPage = {
  label: 'Pedal',
  tells: 'Which kind of pedal suits these feet and rides, best first, and what a switch would disturb.',
  picture: 'stance',
  readings: [
    'pedalKind',
    'mass',
    'soleStiffness',
    'rideHours',
    'cadence',
    'heelIn',
    'heelOut',
    'axleLength',
    'soleStack',
    'soleThickness',
    'boltPattern',
    'recess',
    'kneeAlignment',
  ],
  fields: [],
  numbers: pedalNumbers,
  judge: () => ({}),
} as const satisfies StationPage<Parts, string>
