import { factKeys, riderFacts } from '../body/facts.ts'
import type { FactKey } from '../body/facts.ts'
import { axlesOf } from '../measure/riderModel.ts'
import { definitionOf } from '../measure/readingDefinitions.ts'
import { riderWith } from './calibrated.ts'
import type { Standing } from './knockOn.ts'
import { withMoves } from './moves.ts'
import type { Wish } from './moves.ts'
import { settingKeys, settings } from './settings.ts'
import type { SettingKey } from './settings.ts'

/** What one unit of a setting does to each fact, all else left alone: the rule of thumb at this bike. */
export interface Sensitivity {
  readonly setting: SettingKey
  readonly unit: 'mm' | 'deg' | 'kind'
  /** fact -> change per unit; facts it does not touch are left out */
  readonly per: Readonly<Partial<Record<FactKey, number>>>
}

/** Half a unit either way: small against the curve, large against rounding. */
const HALF = 0.5
/** Less than this per unit is nothing. */
const NOTHING = 1e-6

/**
 * Linear sensitivities by central differences; sided settings are moved on both sides together.
 * @source geometry
 */
export function sensitivities({ rider, by }: Pick<Standing, 'rider' | 'by'>): Sensitivity[] {
  const axles = axlesOf(rider.values)
  const factsWith = (setting: SettingKey, amount: number) => {
    const wishes: Wish[] = (settings[setting].sided ? (['left', 'right'] as const) : (['both'] as const)).map((side) => ({
      setting,
      side,
      by: amount,
    }))
    const model = riderWith(rider, withMoves(by, wishes))
    return model && riderFacts(model, axles)
  }
  return settingKeys.flatMap((setting): Sensitivity[] => {
    const { bar } = definitionOf(setting)
    if (settings[setting].unit === 'kind' || (bar !== undefined && bar !== rider.bar)) return []
    const up = factsWith(setting, HALF)
    const down = factsWith(setting, -HALF)
    if (up === null || down === null) return []
    const per: Partial<Record<FactKey, number>> = {}
    for (const key of factKeys) {
      const [a, b] = [up[key], down[key]]
      if (a !== null && b !== null && Math.abs(a - b) > NOTHING) per[key] = a - b
    }
    return Object.keys(per).length === 0 ? [] : [{ setting, unit: settings[setting].unit, per }]
  })
}
