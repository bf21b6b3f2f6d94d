import type { Part, RequestedExchange } from '../../ledger/parts.ts'
import { partNow } from '../../ledger/parts.ts'
import type { RequestedMove } from '../../ledger/moves.ts'
import type { SettingKey } from '../../ledger/settings.ts'
import type { ResolvedReadings } from '../../readings/resolve.ts'
import { pedalInUse } from './pedal/readings.ts'
import type { PedalRider } from './pedal/criteria.ts'
import type { PedalSpec } from './pedal/kinds.ts'
import { pedalChoice } from './pedal/switch.ts'
import type { StanceMean, StanceOption } from './stance/search.ts'

/** The setting each means of widening a stance moves. */
const settingOfMean: Readonly<Record<StanceMean, SettingKey>> = {
  cleat: 'cleatInboard',
  washer: 'washer',
  axle: 'axleLength',
  adapter: 'adapter',
  crank: 'tread',
}

/** A way to a stance as moves: the engine says what they bring along. */
export function stanceMoves({ moves }: Pick<StanceOption, 'moves'>): RequestedMove[] {
  return moves.map(({ mean, side, from, to }) => ({ setting: settingOfMean[mean], side, by: to - from }))
}

/** A pedal system as the part it would be on this bike: with the axle and float that suit the rider. */
function pedalPart(spec: PedalSpec, rider: Pick<PedalRider, 'swing'>, now: ResolvedReadings): Part {
  const { axle, float } = pedalChoice(spec, rider, pedalInUse(now))
  return { name: spec.name, properties: { pedalKind: spec.kind, pedalStack: spec.stack, axleLength: axle, cleatFloat: float } }
}

/** Other pedals for those on the bike. */
export function pedalExchange(spec: PedalSpec, rider: Pick<PedalRider, 'swing'>, now: ResolvedReadings): RequestedExchange {
  return { slot: 'pedals', from: partNow(now, 'pedals'), to: pedalPart(spec, rider, now) }
}
