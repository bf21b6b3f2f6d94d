import type { Part, RequestedExchange } from '../change/parts.ts'
import { partNow } from '../change/parts.ts'
import type { RequestedMove } from '../change/moves.ts'
import type { SettingKey } from '../change/settings.ts'
import type { ResolvedReadings } from '../measure/resolve.ts'
import { pedalInUse } from './inputs.ts'
import type { PedalRider } from './pedalCriteria.ts'
import type { PedalSpec } from './pedalKinds.ts'
import { pedalChoice } from './pedalSwitch.ts'
import type { StanceMean, StanceOption } from './stanceSearch.ts'

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
