import { refDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { riderMetrics } from '@level-stance/core/body/metrics'
import type { RiderMetrics } from '@level-stance/core/body/metrics'
import { metricsAsRead } from '@level-stance/core/change/asRead'
import { defaultHolds, knockOn } from '@level-stance/core/change/knockOn'
import type { Holds } from '@level-stance/core/change/knockOnResult'
import { isExchange } from '@level-stance/core/change/moves'
import type { Requested, RequestedMove } from '@level-stance/core/change/moves'
import { changeWords } from '@level-stance/core/change/moveWords'
import { slots } from '@level-stance/core/change/parts'
import type { RequestedExchange, SlotKey } from '@level-stance/core/change/parts'
import { settingOf } from '@level-stance/core/change/settings'
import type { SettingKey } from '@level-stance/core/change/settings'
import { standingOf } from '@level-stance/core/change/setup'
import { axlesOf } from '@level-stance/core/measure/riderModel'
import type { Side } from '@level-stance/core/quantity/sided'
import type { Proposal } from '@level-stance/core/station'
import { stable } from '../composables/stable.ts'
import { viewKeys } from '../board/views.ts'
import type { ViewKey } from '../board/views.ts'
import { useVisit } from './visit.ts'

/** Words come when the hand has rested this long, ms. */
const WORDS_AFTER = 120
/** A request smaller than this is none, mm or degrees. */
const NOTHING = 1e-6
const BY_HAND = 'Asked for by the fitter.'

/** What is about to be moved or exchanged, and what it brings along. */
export const useBoard = defineStore('board', () => {
  const visit = useVisit()
  const view = ref<ViewKey>('side')
  /** what the fitter asks for; null = nothing of their own, and what the open page proposes stands */
  const own = shallowRef<readonly Requested[] | null>(null)
  const ownReason = ref<string | null>(null)
  /** what the fitter has chosen to hold; null = what fits the move */
  const ownHolds = ref<Holds | null>(null)
  /** the proposals of the page that is open, and whether they are of what stands */
  const offers = shallowRef<{ readonly proposals: () => readonly Proposal[]; readonly settled: () => boolean } | null>(null)

  const movable = computed(() => visit.folded.trying === null && visit.shownUpTo === null)
  const judged = computed(() => (movable.value ? (offers.value?.proposals().find((proposal) => proposal.standing) ?? null) : null))
  const requested = computed<readonly Requested[]>(() => own.value ?? judged.value?.requested ?? [])
  /** whether something else is asked for than what the page proposes by itself */
  const changed = computed(() => own.value !== null)
  const holds = stable(() => ownHolds.value ?? defaultHolds(requested.value))
  const standing = computed(() => standingOf(visit.setup))
  const active = computed(() => requested.value.length > 0)
  /** the whole request with exact answers: what is drawn dashed */
  const whole = computed(() => (active.value ? knockOn(standing.value, requested.value, holds.value, 'whole') : null))
  /** what is set now */
  const stepOf = (wanted: readonly Requested[]) => (wanted.length > 0 ? knockOn(standing.value, wanted, holds.value, 'step') : null)
  // While a hand drags, the words beside the board come a little after the drawing and the numbers.
  const rested = refDebounced(requested, WORDS_AFTER)
  const step = computed(() => stepOf(active.value ? rested.value : []))

  const metricsOf = (setup: typeof visit.setup): RiderMetrics | null =>
    setup.model && metricsAsRead(riderMetrics(setup.model, axlesOf(setup.rider.values)), setup)
  const start = computed(() => metricsOf(visit.baseline))
  const now = computed(() => metricsOf(visit.setup))
  const proposed = computed(() => (whole.value?.after ? metricsAsRead(whole.value.after, visit.setup) : null))
  const isChange = (change: typeof step.value) => change !== null && change.moves.length + change.exchanges.length > 0
  // A proposal that is about to change is not tried: what is tried is what was read on the card.
  const isStanding = computed(() => own.value !== null || offers.value === null || offers.value.settled())
  const canTry = computed(() => isChange(step.value) && movable.value && visit.stops.length === 0 && isStanding.value)
  const nowWords = computed(() => (step.value ? changeWords(step.value).join(' · ') : ''))

  /** How far a setting is asked to go from where it is, held in the hardware's room: where its handle stands. */
  function aimed(setting: SettingKey, side: Side | 'both'): number {
    return whole.value?.chosen.find((move) => move.setting === setting && move.side === side)?.aim ?? 0
  }
  /** The part that is asked for in a slot. */
  function exchanged(slot: SlotKey): RequestedExchange | null {
    return requested.value.filter(isExchange).find((one) => one.slot === slot) ?? null
  }

  /** Asks for several settings at once beside what is asked for already; 0 takes a request back. */
  function request(more: readonly RequestedMove[]): void {
    if (!movable.value) return
    const others = requested.value.filter((old) => isExchange(old) || !more.some((wanted) => isSame(wanted, old)))
    own.value = [...others, ...more.filter((wanted) => Math.abs(wanted.by) > NOTHING)]
    ownReason.value = null
  }

  /** Asks for just this, and says why. */
  function take(wanted: readonly Requested[], reason: string): void {
    if (!movable.value) return
    own.value = wanted
    ownReason.value = reason
    ownHolds.value = null
  }

  function nextView(): void {
    view.value = viewKeys[(viewKeys.indexOf(view.value) + 1) % viewKeys.length] ?? 'side'
  }

  /** Gives up the fitter's own request: what the page proposes stands again. */
  function clear(): void {
    own.value = null
    ownReason.value = null
    ownHolds.value = null
  }
  /** Asks for nothing, whatever the page proposes. */
  function leave(): void {
    clear()
    own.value = []
  }
  /**
   * Takes on the proposals of a page.
   * @param settled whether they are of what stands, or about to change
   * @returns how to give them up
   */
  function offer(proposals: () => readonly Proposal[], settled: () => boolean): () => void {
    const offered = { proposals, settled }
    offers.value = offered
    return () => {
      if (offers.value === offered) offers.value = null
    }
  }
  // A request belongs to the rider it was made for.
  watch(() => visit.head?.visitId, clear)

  /** Puts what is set now into the ledger as being tried. */
  function tryStep(): void {
    const change = stepOf(requested.value)
    const station = change && stationOf(change)
    if (!canTry.value || !change || !station) return
    visit.append({
      kind: 'try',
      id: crypto.randomUUID(),
      at: new Date().toISOString(),
      station,
      moves: [...change.moves],
      exchanges: [...change.exchanges],
      reason: (own.value === null ? judged.value?.reason : ownReason.value) ?? BY_HAND,
      later: change.later.slice(0, 300),
    })
    clear()
  }

  return {
    view,
    nextView,
    requested,
    changed,
    judged,
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
    exchanged,
    request,
    take,
    clear,
    leave,
    offer,
    tryStep,
  }
})

const isSame = (a: RequestedMove, b: RequestedMove) => a.setting === b.setting && a.side === b.side

/** The station whose work a change is. */
function stationOf({ moves, exchanges }: Pick<NonNullable<ReturnType<typeof knockOn>>, 'moves' | 'exchanges'>) {
  const [exchange] = exchanges
  const [move] = moves
  return exchange ? slots[exchange.slot].station : move ? settingOf(move.setting).station : null
}
