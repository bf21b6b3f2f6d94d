import type { MetricKey } from '@level-stance/core/body/metrics'
import { measureNext } from '@level-stance/core/uncertainty/measureNext'
import type { SharpeningReading } from '@level-stance/core/uncertainty/measureNext'
import { sampleMetrics } from '@level-stance/core/uncertainty/sampling'
import type { SampledMetrics } from '@level-stance/core/uncertainty/sampling'
import { sensitivities } from '@level-stance/core/uncertainty/sensitivity'
import type { Sensitivity } from '@level-stance/core/uncertainty/sensitivity'
import { estimatedMetrics } from '@level-stance/core/uncertainty/uncertainty'
import { thoughtsOver } from '@level-stance/core/reason/history'
import type { Stage } from '@level-stance/core/reason/history'
import { reason } from '@level-stance/core/reason/reason'
import type { Reasoning } from '@level-stance/core/reason/reason'
import type { SearchInput } from '@level-stance/core/stations/hands/cockpit/question'
import { cockpitSearch } from '@level-stance/core/stations/hands/cockpit/search'
import type { Found } from '@level-stance/core/stations/hands/cockpit/search'
import { emptyVisit, visitModel } from '@level-stance/core/reason/visitModel'
import type { VisitState } from '@level-stance/core/reason/visitModel'
import { standingOf } from '@level-stance/core/rider/setup'
import type { Spreads } from '@level-stance/core/uncertainty/riderPlaces'

/** The visit as the worker holds it. */
export interface HeldVisit extends VisitState {
  /** how many ledger entries are in force on the board */
  readonly place: number
}

/** What is known to first order. */
export interface FirstOrder {
  readonly spreads: Spreads | null
  /** numbers that rest on estimates more than on readings */
  readonly estimated: readonly MetricKey[]
  readonly next: readonly SharpeningReading[]
  readonly sensitivities: readonly Sensitivity[]
}

export interface SampleAnswer {
  readonly metrics: SampledMetrics
  readonly draws: number
}
export interface CockpitAnswer {
  readonly found: Found
  /** how long it took */
  readonly ms: number
}
/** How much is done so far, and of how much. */
export interface Progress {
  readonly done: number
  readonly of: number
}

/** How causes are asked for. */
export interface ReasonQuestion {
  /** the complaint that is looked at; null = all together */
  readonly focus: string | null
  /** whether what was thought after each trial is shown */
  readonly looksBack: boolean
}
export interface ReasonAnswer {
  readonly reasoning: Reasoning
  /** what was thought at the start and after each trial; empty where nobody looks at it, and while nothing was changed */
  readonly stages: readonly Stage[]
}

/** What the worker answers. An answer is null where a newer question of its kind has come meanwhile. */
export interface VisitWorker {
  /** Puts the parts that are others now in the place of those that were held. */
  readonly hold: (changed: Partial<HeldVisit>) => void
  readonly firstOrder: () => Promise<FirstOrder | null>
  readonly reasoning: (question: ReasonQuestion) => Promise<ReasonAnswer | null>
  /** Ends when the visit changes. */
  readonly sample: (draws: number, told: (progress: Progress) => unknown) => Promise<SampleAnswer | null>
  /** Stems, spacers, bars and rolls for a place of the hands. */
  readonly searchCockpit: (input: SearchInput, told: (progress: Progress) => unknown) => Promise<CockpitAnswer | null>
}

/** A slice of long work between two looks at the mailbox, ms. */
const SLICE = 24
/** Work shorter than this shows no progress, ms. */
const QUIET = 200

/**
 * The worker behind the screens, apart from its mailbox: it holds the open visit and answers what is said
 * with ±, in words or by many draws. The body and what is uncertain of it are worked out once for all of them.
 * @param rest gives the mailbox a turn
 * @param random uniform in [0, 1)
 */
export function visitWorker(rest: () => Promise<void>, clock: () => number, random: () => number): VisitWorker {
  let held: HeldVisit = { ...emptyVisit, place: 0 }
  let model = visitModel(held)
  const newest = { firstOrder: 0, reasoning: 0, sample: 0, search: 0 }

  /** The rider where the board shows them. */
  const shown = () => model.places.at(held.place)

  /** Whether a question is still the newest of its kind once the mailbox had its turn. */
  async function isNewest(kind: keyof typeof newest): Promise<boolean> {
    newest[kind] += 1
    const mine = newest[kind]
    await rest()
    return mine === newest[kind]
  }

  /** Does work in slices, with a turn of the mailbox between two; null where nobody waits for it any more. */
  async function inSlices<Step, Result>(
    work: Generator<Step, Result>,
    told: (step: Step) => unknown,
    isWanted: () => boolean,
  ): Promise<Result | null> {
    const started = clock()
    for (;;) {
      const until = clock() + SLICE
      let step = work.next()
      while (!step.done && clock() < until) step = work.next()
      if (step.done) return step.value
      if (clock() - started > QUIET) told(step.value)
      await rest()
      if (!isWanted()) return null
    }
  }

  return {
    hold: (changed) => {
      held = { ...held, ...changed }
      model = visitModel(held, { before: model })
      newest.sample += 1
    },
    firstOrder: async () => {
      if (!(await isNewest('firstOrder'))) return null
      const { setup, uncertainty, spreads } = shown()
      const { rider } = setup
      return {
        spreads,
        estimated: uncertainty === null ? [] : estimatedMetrics(uncertainty, rider),
        next: measureNext(rider, setup.folded.by, uncertainty),
        sensitivities: sensitivities(standingOf(setup)),
      }
    },
    reasoning: async ({ focus, looksBack }) => {
      if (!(await isNewest('reasoning'))) return null
      const { input, places } = model
      return { reasoning: reason(input, focus), stages: looksBack && held.ledger.length > 0 ? thoughtsOver(held, places.now.spreads) : [] }
    },
    sample: async (draws, told) => {
      if (!(await isNewest('sample'))) return null
      const mine = newest.sample
      const { setup, uncertainty } = shown()
      if (uncertainty === null) return null
      const drawn = sampleMetrics(setup.rider, setup.folded.by, draws, random)
      const metrics = await inSlices(
        drawn,
        (done) => told({ done, of: draws }),
        () => mine === newest.sample,
      )
      return metrics && { metrics, draws }
    },
    searchCockpit: async (input, told) => {
      if (!(await isNewest('search'))) return null
      const mine = newest.search
      const started = clock()
      const found = await inSlices(
        cockpitSearch(input),
        ({ done }) => told({ done, of: 1 }),
        () => mine === newest.search,
      )
      return found && { found, ms: clock() - started }
    },
  }
}
