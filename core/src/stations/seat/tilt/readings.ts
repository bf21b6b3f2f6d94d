import { chosen, measuredValue } from '../../../readings/resolve.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import type { ReadingKey } from '../../../readings/readingDefinitions.ts'
import type { HeadKind, TiltHead } from './bolts.ts'
import { axlesOf } from '../../../model/riderModel.ts'
import type { Setup } from '../../../rider/setup.ts'
import type { ClimbInput } from './rules.ts'

/** What the turns of each kind of head are computed from. */
const headNeeds: Readonly<Record<HeadKind, readonly ('headThread' | 'headBoltSpacing' | 'headNotch')[]>> = {
  'two-bolts': ['headThread', 'headBoltSpacing'],
  screw: ['headThread', 'headBoltSpacing'],
  notched: ['headNotch'],
  smooth: [],
}

/** What stands for a figure that this kind of head does not use. */
const UNUSED = { thread: 'M6', spacing: 40, notch: 1 } as const
/** The head that tilts the saddle; null while its kind is not read, with what is still missing for its turns. */
export function tiltHead(now: ResolvedReadings): { readonly head: TiltHead | null; readonly missing: readonly ReadingKey[] } {
  const kind = chosen(now, 'postHead')
  if (kind === null) return { head: null, missing: ['postHead'] }
  const found = {
    headThread: chosen(now, 'headThread'),
    headBoltSpacing: measuredValue(now, 'headBoltSpacing'),
    headNotch: measuredValue(now, 'headNotch'),
  }
  const missing = headNeeds[kind].filter((key) => found[key] === null)
  if (missing.length > 0) return { head: null, missing }
  const { headThread: thread, headBoltSpacing: spacing, headNotch: notch } = found
  return {
    head: { kind, thread: thread ?? UNUSED.thread, spacing: spacing ?? UNUSED.spacing, notch: notch ?? UNUSED.notch },
    missing: [],
  }
}

/** @source prior */
const USUAL_WHEELBASE = 1100
/** Sag, wheelbase and slope; null where nothing was read that stands the bike up on a climb. */
export function climbInput(setup: Setup): ClimbInput | null {
  const { now, rider } = setup
  const axles = axlesOf(rider.values)
  const rearSag = measuredValue(now, 'rearSag')
  const forkSag = measuredValue(now, 'forkSag')
  const gradient = measuredValue(now, 'climbGradient')
  if (gradient === null && rearSag === null) return null
  return {
    rearSag: rearSag ?? 0,
    forkSag: forkSag ?? 0,
    gradient: gradient ?? 0,
    wheelbase: axles ? axles.front.x - axles.rear.x : USUAL_WHEELBASE,
  }
}
