import { judged } from '../../../kernel/judged.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { combined } from '../../../kernel/quantity.ts'
import { chosen, measured, measuredValue } from '../../../readings/resolve.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { sides } from '../../../kernel/sided.ts'
import type { VisitContext } from '../../../station/context.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import type { StationPage } from '../../../station/station.ts'
import { hardRelease } from './release.ts'
import { HEAVY } from './criteria.ts'
import { startingPedals } from './kinds.ts'

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

/** What is wrong with the pedals as they are, before another one is looked for. @source common-practice */
function pedalFindings(now: ResolvedReadings): Finding[] {
  const found: Finding[] = []
  const [kind, shoe, mass] = [chosen(now, 'pedalKind'), chosen(now, 'boltPattern'), measuredValue(now, 'mass')]
  const bolts = startingPedals.find((spec) => spec.kind === kind)?.bolts
  const both = { side: 'both', source: 'common-practice' } as const
  if (bolts !== undefined && bolts !== 'none' && shoe !== null && bolts !== shoe)
    found.push({
      ...both,
      key: 'other-bolts',
      weight: 'first',
      headline: 'Pedal and shoe do not go together.',
      sentence: `Cleats of this pedal want ${bolts}; the shoe has ${shoe === 'none' ? 'no holes for any' : shoe}. Read both again. With a plate in between, check that it sits tight and that the bolts bite deep enough.`,
    })
  for (const side of sides) if (chosen(now, 'releaseFeel', side) === 'hard') found.push(hardRelease(side))
  if (mass !== null && mass >= HEAVY && kind !== null && kind !== 'flat-pins')
    found.push({
      ...both,
      key: 'mass-limit',
      weight: 'note',
      headline: 'Ask the maker how heavy a rider the pedal carries.',
      sentence: `The limit is a model’s own, for axle, body and cleat. At ${trimmed(mass, 0)} kg it can be what decides.`,
    })
  return found
}

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
  judge: ({ context }) => ({ findings: pedalFindings(context.setup.now) }),
} as const satisfies StationPage<Parts, string>
