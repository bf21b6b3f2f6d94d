import type { MetricKey } from '@level-stance/core/body/metrics'
import type { BarKind } from '@level-stance/core/bike/bikeKinds'
import type { LedgerEntry } from '@level-stance/core/change/ledger'
import type { NextReading } from '@level-stance/core/change/measureNext'
import type { SampledMetrics } from '@level-stance/core/change/sampling'
import type { Sensitivity } from '@level-stance/core/change/sensitivity'
import type { Reading } from '@level-stance/core/measure/reading'

/** What the worker is asked: the visit as it stands. A newer question ends the work on an older one. */
export interface Question {
  readonly id: number
  readonly readings: readonly Reading[]
  /** all changes, which calibration needs, and how many of them are in force on the board */
  readonly ledger: readonly LedgerEntry[]
  readonly place: number
  readonly bar: BarKind
  /** draws of the sampling; 0 = first order only */
  readonly draws: number
}

/** What is known to first order. */
export interface FirstOrder {
  readonly kind: 'first-order'
  readonly id: number
  readonly spreads: Readonly<Record<MetricKey, number | null>> | null
  /** numbers that rest on estimates more than on readings */
  readonly estimated: readonly MetricKey[]
  readonly next: readonly NextReading[]
  readonly sensitivities: readonly Sensitivity[]
}
export interface Progress {
  readonly kind: 'progress'
  readonly id: number
  readonly done: number
  readonly of: number
}
export interface Sampled {
  readonly kind: 'sampled'
  readonly id: number
  readonly metrics: SampledMetrics
  readonly draws: number
}
export type Answer = FirstOrder | Progress | Sampled
