import { metricKeys, riderMetrics } from '../body/metrics.ts'
import type { MetricKey } from '../body/metrics.ts'
import { axlesOf } from '../model/riderModel.ts'
import { definitionOf } from '../readings/readingDefinitions.ts'
import { riderWith } from '../rider/calibrated.ts'
import type { Standing } from '../rider/setup.ts'
import { withMoves } from '../ledger/moves.ts'
import type { RequestedMove } from '../ledger/moves.ts'
import { settingKeys, settings } from '../ledger/settings.ts'
import type { SettingKey } from '../ledger/settings.ts'

/** What one unit of a setting does to each metric, all else left alone: the rule of thumb at this bike. */
export interface Sensitivity {
  readonly setting: SettingKey
  readonly unit: 'mm' | 'deg'
  /** metric -> change per unit; metrics it does not touch are left out */
  readonly per: Readonly<Partial<Record<MetricKey, number>>>
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
  const metricsWith = (setting: SettingKey, amount: number) => {
    const requested: RequestedMove[] = (settings[setting].sided ? (['left', 'right'] as const) : (['both'] as const)).map((side) => ({
      setting,
      side,
      by: amount,
    }))
    const model = riderWith(rider, withMoves(by, requested))
    return model && riderMetrics(model, axles)
  }
  return settingKeys.flatMap((setting): Sensitivity[] => {
    const { bar } = definitionOf(setting)
    if (bar !== undefined && bar !== rider.bar) return []
    const up = metricsWith(setting, HALF)
    const down = metricsWith(setting, -HALF)
    if (up === null || down === null) return []
    const per: Partial<Record<MetricKey, number>> = {}
    for (const key of metricKeys) {
      const [a, b] = [up[key], down[key]]
      if (a !== null && b !== null && Math.abs(a - b) > NOTHING) per[key] = a - b
    }
    return Object.keys(per).length === 0 ? [] : [{ setting, unit: settings[setting].unit, per }]
  })
}
