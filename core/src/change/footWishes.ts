import type { PedalSwitch } from '../feet/pedalSwitch.ts'
import type { StanceMean, StanceOption } from '../feet/stanceSearch.ts'
import type { ResolvedReadings } from '../measure/resolve.ts'
import { sides } from '../quantity/sided.ts'
import { measuredValue } from './footInputs.ts'
import type { Wish } from './moves.ts'
import type { SettingKey } from './settings.ts'

/** The setting each means of widening a stance moves. */
const settingOfMean: Readonly<Record<StanceMean, SettingKey>> = {
  cleat: 'cleatInboard',
  washer: 'washer',
  axle: 'axleLength',
  adapter: 'adapter',
  crank: 'tread',
}

/** A way to a stance as wishes: the engine says what they bring along. */
export function stanceWishes({ moves }: Pick<StanceOption, 'moves'>): Wish[] {
  return moves.map(({ mean, side, from, to }) => ({ setting: settingOfMean[mean], side, by: to - from }))
}

/** An exchange of pedals smaller than this leaves stack and axle as they are, mm. @source prior */
const WORTH_SETTING = 0.25

/** An exchange of pedals as wishes: kind, stack, axle, and the float of each foot whose own is read. */
export function pedalWishes({ kind, stack, axle, float }: PedalSwitch, now: ResolvedReadings): Wish[] {
  const both = (setting: 'soleStack' | 'axleLength', by: number | null): Wish[] =>
    by === null || Math.abs(by) < WORTH_SETTING ? [] : sides.map((side) => ({ setting, side, by }))
  const floats = sides.flatMap((side): Wish[] => {
    const here = measuredValue(now, 'cleatFloat', side)
    return float === null || here === null || float === here ? [] : [{ setting: 'cleatFloat', side, by: float - here }]
  })
  const exchange: Wish[] = kind ? [{ setting: 'pedalKind', side: 'both', by: kind.to - kind.from }] : []
  return [...exchange, ...both('soleStack', stack), ...both('axleLength', axle), ...floats]
}
