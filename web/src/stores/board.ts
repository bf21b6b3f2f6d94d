import { refDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { riderMetrics } from '@level-stance/core/body/metrics'
import type { RiderMetrics } from '@level-stance/core/body/metrics'
import { defaultHolds, knockOn } from '@level-stance/core/change/knockOn'
import type { Holds } from '@level-stance/core/change/knockOn'
import type { RequestedMove } from '@level-stance/core/change/moves'
import { settingOf } from '@level-stance/core/change/settings'
import type { SettingKey } from '@level-stance/core/change/settings'
import { standingOf } from '@level-stance/core/change/setup'
import { moveWords } from '@level-stance/core/change/moveWords'
import { axlesOf } from '@level-stance/core/measure/riderModel'
import type { Side } from '@level-stance/core/quantity/sided'
import { viewKeys } from '../board/views.ts'
import type { ViewKey } from '../board/views.ts'
import { useVisit } from './visit.ts'

/** Words come when the hand has rested this long, ms. */
const WORDS_AFTER = 120

/** What the fitter is about to move on the board, and what it brings along. */
export const useBoard = defineStore('board', () => {
  const visit = useVisit()
  const view = ref<ViewKey>('side')
  const requested = ref<readonly RequestedMove[]>([])
  /** what the fitter has chosen to hold; null = what fits the move */
  const ownHolds = ref<Holds | null>(null)

  const holds = computed(() => ownHolds.value ?? defaultHolds(requested.value))
  const standing = computed(() => standingOf(visit.setup))
  const active = computed(() => requested.value.length > 0)
  /** the whole request with exact answers: what is drawn dashed */
  const whole = computed(() => (active.value ? knockOn(standing.value, requested.value, holds.value, 'whole') : null))
  /** what is set now */
  const stepOf = (wanted: readonly RequestedMove[]) => (wanted.length > 0 ? knockOn(standing.value, wanted, holds.value, 'step') : null)
  // While a hand drags, the words beside the board come a little after the drawing and the numbers.
  const rested = refDebounced(requested, WORDS_AFTER)
  const step = computed(() => stepOf(active.value ? rested.value : []))

  const metricsOf = (setup: typeof visit.setup): RiderMetrics | null => setup.model && riderMetrics(setup.model, axlesOf(setup.rider.values))
  const start = computed(() => metricsOf(visit.baseline))
  const now = computed(() => metricsOf(visit.setup))
  const proposed = computed(() => whole.value?.after ?? null)
  const canTry = computed(
    () => (step.value?.moves.length ?? 0) > 0 && visit.folded.trying === null && visit.stops.length === 0 && visit.shownUpTo === null,
  )
  const movable = computed(() => visit.folded.trying === null && visit.shownUpTo === null)
  const nowWords = computed(() => step.value?.moves.map(moveWords).join(' · ') ?? '')

  /** How far a setting is wished from where it is, held in the hardware's room: where its handle stands. */
  function aimed(setting: SettingKey, side: Side | 'both'): number {
    return whole.value?.chosen.find((move) => move.setting === setting && move.side === side)?.aim ?? 0
  }

  /** Wishes several settings at once; 0 takes a request back. */
  function request(more: readonly RequestedMove[]): void {
    if (!movable.value) return
    const others = requested.value.filter((old) => !more.some((wanted) => wanted.setting === old.setting && wanted.side === old.side))
    requested.value = [...others, ...more.filter((wanted) => Math.abs(wanted.by) > 1e-6)]
  }

  function nextView(): void {
    view.value = viewKeys[(viewKeys.indexOf(view.value) + 1) % viewKeys.length] ?? 'side'
  }

  function clear(): void {
    requested.value = []
    ownHolds.value = null
  }
  // A request belongs to the rider it was made for.
  watch(() => visit.head?.visitId, clear)

  /** Puts what is set now into the ledger as being tried. */
  function tryStep(): void {
    const change = stepOf(requested.value)
    const first = change?.moves[0]
    if (!canTry.value || !change || !first) return
    visit.append({
      kind: 'try',
      id: crypto.randomUUID(),
      at: new Date().toISOString(),
      station: settingOf(first.setting).station,
      moves: [...change.moves],
      reason: 'Moved on the board.',
      later: change.later.slice(0, 300),
    })
    clear()
  }

  return {
    view,
    nextView,
    requested,
    ownHolds,
    holds,
    active,
    whole,
    step,
    start,
    now,
    proposed,
    canTry,
    movable,
    nowWords,
    aimed,
    request,
    clear,
    tryStep,
  }
})
