import type { RiderMetrics } from '../body/metrics.ts'
import { metricDefinition } from '../body/metrics.ts'
import type { MetricKey } from '../body/metrics.ts'
import { bandState, isUnsure } from '../quantity/band.ts'
import { quantity } from '../quantity/quantity.ts'
import { defineStation, lazily, oneOf } from '../station.ts'
import type { Summary } from '../station.ts'
import { handsChoicesSchema } from './choices.ts'

/** What the station is judged from. */
export interface HandsContext {
  readonly metrics: RiderMetrics | null
  /** ± of a number; null until the worker has said it */
  readonly plusMinus: (key: MetricKey) => number | null
}

/** What the station makes of it: the numbers, and how those with a band stand. */
export interface HandsParts {
  readonly context: HandsContext
  readonly states: readonly ('level' | 'near' | 'outside')[]
}

const judged: readonly MetricKey[] = ['elbowLeft', 'elbowRight', 'wristLeft', 'wristRight']

function handsParts(context: HandsContext): HandsParts {
  return lazily<HandsParts>({
    context: () => context,
    states: () =>
      judged.flatMap((key) => {
        const value = context.metrics?.[key] ?? null
        const { band } = metricDefinition(key)
        const plusMinus = context.plusMinus(key) ?? 0
        return value === null || band === null || isUnsure(plusMinus, band) ? [] : [bandState({ value, plusMinus }, band)]
      }),
  })
}

function summary({ states }: HandsParts): Summary {
  if (states.length === 0) return { words: 'readings', mark: 'wanting' }
  if (states.includes('outside')) return { words: 'outside', mark: 'open' }
  return states.includes('near') ? { words: 'near', mark: 'open' } : { words: 'level', mark: 'level' }
}

const metric = (key: MetricKey) =>
  function of({ context }: HandsParts) {
    const value = context.metrics?.[key] ?? null
    return value === null
      ? null
      : quantity(value, context.plusMinus(key) ?? 0, metricDefinition(key).unit === 'mm' ? 'mm' : 'deg', 'computed')
  }

/** The hands: numbers of both arms, and hands, bar and levers to move. The complete judgement is still to come. */
export const handsStation = defineStation({
  key: 'hands',
  label: 'Hands',
  choices: handsChoicesSchema,
  parts: handsParts,
  pages: {
    place: {
      label: 'Place',
      picture: 'top',
      readings: ['handReach', 'handHeight', 'gripSpacing', 'acromionWidth', 'stemLength', 'stemAngle', 'spacers', 'spacersAbove', 'barWidth', 'hoodWidth', 'dropWidth', 'barRise', 'barForward', 'barBacksweep', 'barUpsweep', 'barReach', 'barDrop', 'handFromEnd', 'hoodPosition', 'hoodAngle', 'barRoll', 'leverAngle', 'leverClamp', 'leverReach', 'gripDiameter', 'shifterPlace', 'indexFinger', 'handSweep', 'handRise', 'torsoAngle', 'elbowFlexion', 'shoulderAngle', 'wristAngle'],
      fields: [...oneOf('handReach'), ...oneOf('handHeight'), ...oneOf('gripSpacing'), ...oneOf('barRoll')],
      choosesHold: true,
      judge: () => ({}),
    },
  },
  metrics: {
    elbowLeft: metric('elbowLeft'),
    elbowRight: metric('elbowRight'),
    wristLeft: metric('wristLeft'),
    wristRight: metric('wristRight'),
  },
  summary,
}) // prettier-ignore
