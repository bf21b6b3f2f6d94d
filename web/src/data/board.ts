import type { Message } from '@level-stance/core/kernel/message'
import { joined } from '@level-stance/core/kernel/message'
import { refDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { metricsCarriedOn } from '@level-stance/core/rider/metricEstimate'
import { defaultHolds, knockOn } from '@level-stance/core/knockOn/knockOn'
import type { Holds } from '@level-stance/core/knockOn/knockOnResult'
import { isExchange } from '@level-stance/core/ledger/moves'
import type { Requested, RequestedMove } from '@level-stance/core/ledger/moves'
import { changeWords } from '@level-stance/core/ledger/moveWords'
import { slots } from '@level-stance/core/ledger/parts'
import type { RequestedExchange, SlotKey } from '@level-stance/core/ledger/parts'
import type { Pace } from '@level-stance/core/ledger/pace'
import { settingOf } from '@level-stance/core/ledger/settings'
import type { SettingKey } from '@level-stance/core/ledger/settings'
import { standingOf } from '@level-stance/core/rider/setup'
import { feetStation } from '@level-stance/core/stations/feet/station'
import { conditionOf } from '@level-stance/core/readings/conditions'
import { posedModels } from '@level-stance/core/stations/hands/place/positions'
import type { Posture } from '@level-stance/core/stations/hands/place/positions'
import { handsStation } from '@level-stance/core/stations/hands/station'
import { againstTrial } from '@level-stance/core/ledger/course'
import { standing as standingBlocks } from '@level-stance/core/prove/blocks'
import type { Side } from '@level-stance/core/kernel/sided'
import { seatStation } from '@level-stance/core/stations/seat/station'
import { pageOf } from '@level-stance/core/station/station'
import type { Proposal } from '@level-stance/core/station/station'
import type { SettingPlace } from '@level-stance/core/station/settingPlace'
import { stable } from '../kit/stable.ts'
import { viewKeys } from '@level-stance/core/figure/views'
import type { ViewKey } from '@level-stance/core/figure/views'
import { useVisit } from './visit.ts'

/** Words come when the hand has rested this long, ms. */
const WORDS_AFTER = 120
/** A request smaller than this is none, mm or degrees. */
const NOTHING = 1e-6
const BY_HAND = 'Asked for by the fitter.'

/** A page on which settings can be asked for. */
export interface BoardPage {
  readonly key: string
  readonly label: string
  readonly fields: readonly SettingPlace[]
}

/** What the fitter asks for on one page: one change. */
interface DraftChange {
  readonly label: string
  readonly requested: readonly Requested[]
  /** null = by the fitter's own hand */
  readonly reason: Message | null
  readonly holds: Holds | null
}
/** A draft that waits until the one on the card is done. */
export interface Waiting extends Pick<DraftChange, 'label' | 'requested'> {
  readonly key: string
}

const stations = { feet: feetStation, seat: seatStation, hands: handsStation } as const

/** The page that has a setting's field, as `station/page`; its station alone where none has. */
function homeOf(setting: SettingKey): string {
  const { station } = settingOf(setting)
  const pages: Readonly<Record<string, { readonly fields: readonly SettingPlace[] }>> = stations[station].pages
  const page = pageOf(pages, setting)
  return page === null ? station : pageKey(station, page)
}
const isStation = (key: string): key is keyof typeof stations => Object.hasOwn(stations, key)
/** Names a page of a station among the drafts. */
export const pageKey = (station: string, page: string) => `${station}/${page}`
function labelOf(key: string): string {
  const [station, page] = key.split('/')
  if (station === undefined || !isStation(station)) return ''
  const pages: Readonly<Record<string, { readonly label: string } | undefined>> = stations[station].pages
  return (page !== undefined ? pages[page]?.label : undefined) ?? stations[station].label
}
/** What is about to be moved or exchanged, and what it brings along: one change; drafts of other pages wait. */
export const useBoard = defineStore('board', () => {
  const visit = useVisit()
  const view = ref<ViewKey>('side')
  /** hands and effort the rider is drawn in; null = hands where they usually are, calm */
  const posture = shallowRef<Posture | null>(null)
  /** the page that is open, with the settings it moves; null = the open station has none */
  const here = shallowRef<BoardPage | null>(null)
  /** what the fitter asks for, page by page: one of them is on the card, the others wait */
  const drafts = shallowRef<ReadonlyMap<string, DraftChange>>(new Map())
  const group = ref('')
  const draft = computed(() => drafts.value.get(group.value) ?? null)
  /** what the fitter asks for here; null = nothing of their own, and what the open page proposes stands */
  const own = computed(() => draft.value?.requested ?? null)
  /** what the fitter has chosen to hold; null = what fits the move */
  const ownHolds = computed({
    get: () => draft.value?.holds ?? null,
    set: (holds) => put({ requested: own.value ?? requested.value, reason: draft.value?.reason ?? null, holds }),
  })
  const waiting = computed<readonly Waiting[]>(() =>
    [...drafts.value].flatMap(([key, { label, requested: asked }]) =>
      key === group.value || asked.length === 0 ? [] : [{ key, label, requested: asked }],
    ),
  )
  /** the proposals of the page that is open, and whether they are of what stands */
  const offers = shallowRef<{ readonly proposals: () => readonly Proposal[]; readonly settled: () => boolean } | null>(null)

  const movable = computed(() => visit.folded.trying === null && visit.shownUpTo === null)
  const isHere = computed(() => group.value === (here.value?.key ?? ''))
  const judged = computed(() =>
    movable.value && isHere.value
      ? (offers.value?.proposals().find(({ standing, failed }) => standing && failed === undefined) ?? null)
      : null,
  )
  const requested = computed<readonly Requested[]>(() => own.value ?? judged.value?.requested ?? [])
  /** whether something else is asked for than what the page proposes by itself */
  const changed = computed(() => own.value !== null)
  const holds = stable(() => ownHolds.value ?? defaultHolds(requested.value))
  const standing = computed(() => standingOf(visit.setup))
  /** every posture there is to draw, the usual one first */
  const postures = computed<readonly Posture[]>(() => (visit.setup.model === null ? [] : posedModels(standing.value)))
  /** position and effort that is drawn */
  const condition = computed(() => (posture.value === null ? 'usual' : conditionOf(visit.bar, posture.value.hands, posture.value.effort)))
  const active = computed(() => requested.value.length > 0)
  /** the whole request with exact answers: what is drawn dashed */
  const whole = computed(() => (active.value ? knockOn(standing.value, requested.value, holds.value, 'whole', visit.pace) : null))
  /** what is set now */
  const stepOf = (wanted: readonly Requested[]) =>
    wanted.length > 0 ? knockOn(standing.value, wanted, holds.value, 'step', visit.pace) : null
  // While a hand drags, the words beside the board come a little after the drawing and the numbers.
  const rested = refDebounced(requested, WORDS_AFTER)
  const step = computed(() => stepOf(active.value ? rested.value : []))

  const start = computed(() => visit.places.start.metrics)
  const now = computed(() => visit.places.at(visit.place).metrics)
  const proposed = computed(() => (whole.value?.after ? metricsCarriedOn(whole.value.after, visit.setup) : null))
  /** the finding that the card answers, by its headline; null = the fitter's own draft */
  const reason = computed(() => (active.value ? ((own.value === null ? judged.value?.reason : draft.value?.reason) ?? null) : null))
  const isChange = (change: typeof step.value) => change !== null && change.moves.length + change.exchanges.length > 0
  // A proposal that is about to change is not tried: what is tried is what was read on the card.
  const isStanding = computed(() => own.value !== null || offers.value === null || offers.value.settled())
  /** what must not be ridden, and the change on the card does not mend */
  const blocks = computed(() => standingBlocks(visit.blocks, requested.value))
  /** what stands against a trial of it, first to be dealt with first */
  const against = computed(() =>
    againstTrial({
      isChange: isChange(step.value),
      isTrying: visit.folded.trying !== null,
      isPast: visit.shownUpTo !== null,
      stops: visit.stops.length,
      unasked: visit.unasked.length,
      blocks: blocks.value.length,
      isChanging: !isStanding.value,
    }),
  )
  const canTry = computed(() => against.value.length === 0)
  /** Sawn off, it cannot be put back: asked once more. */
  const isForGood = computed(() =>
    (step.value?.moves ?? []).some(({ setting, by }) => settingOf(setting).forGood === (by < 0 ? 'less' : 'more')),
  )
  const nowWords = computed<Message>(() => (step.value ? joined(changeWords(step.value), ' · ') : ''))

  /** How far a setting is asked to go from where it is, held in the hardware's room: where its handle stands. */
  function aimed(setting: SettingKey, side: Side | 'both'): number {
    return whole.value?.chosen.find((move) => move.setting === setting && move.side === side)?.aim ?? 0
  }
  /** The part that is asked for in a slot. */
  function exchanged(slot: SlotKey): RequestedExchange | null {
    return requested.value.filter(isExchange).find((one) => one.slot === slot) ?? null
  }

  function put({ requested: asked, reason, holds: held }: Omit<DraftChange, 'label'>, key = group.value): void {
    const label = drafts.value.get(key)?.label ?? (here.value?.key === key ? here.value.label : labelOf(key))
    drafts.value = new Map([...drafts.value, [key, { label, requested: asked, reason, holds: held }]])
  }
  function drop(key: string): void {
    drafts.value = new Map([...drafts.value].filter(([other]) => other !== key))
  }

  /** The page whose draft a setting belongs to: the open one where it has its field, else its own. */
  function groupOf(setting: SettingKey): string {
    return here.value?.fields.some((field) => field.setting === setting) ? here.value.key : homeOf(setting)
  }

  /** Asks for several settings at once beside what is asked for on their page already; 0 takes a request back. */
  function request(more: readonly RequestedMove[]): void {
    const [first] = more
    if (!movable.value || first === undefined) return
    const known = requested.value.some((old) => !isExchange(old) && more.every((wanted) => wanted.setting === old.setting))
    // What is asked of another page is another change: this one waits.
    if (!known) group.value = groupOf(first.setting)
    const others = requested.value.filter((old) => isExchange(old) || !more.some((wanted) => isSame(wanted, old)))
    put({
      requested: [...others, ...more.filter((wanted) => Math.abs(wanted.by) > NOTHING)],
      reason: null,
      holds: draft.value?.holds ?? null,
    })
  }

  /** Asks for just this, and says why. */
  function take(wanted: readonly Requested[], reason: Message): void {
    if (!movable.value) return
    const [first] = wanted
    group.value = here.value?.key ?? (first === undefined ? '' : isExchange(first) ? slots[first.slot].station : homeOf(first.setting))
    put({ requested: wanted, reason, holds: null })
  }

  /** Brings a draft that waits onto the card. */
  function takeUp(key: string): void {
    if (drafts.value.has(key)) group.value = key
  }

  /**
   * Opens a page: what was asked for on it before is on the card, what was asked for elsewhere waits.
   * @returns how to leave it
   */
  function enter(page: BoardPage): () => void {
    here.value = page
    group.value = page.key
    return () => {
      if (here.value !== page) return
      here.value = null
      group.value = ''
    }
  }

  const isDrawn = ({ hands, effort }: Posture) => hands === posture.value?.hands && effort === posture.value.effort
  /** Draws the rider in a posture; the usual one is no choice. */
  function pose(next: Posture | null): void {
    const [usual] = postures.value
    posture.value = next === null || (next.hands === usual?.hands && next.effort === usual.effort) ? null : next
  }
  function nextPosture(): void {
    const list = postures.value
    pose(list[(Math.max(0, list.findIndex(isDrawn)) + 1) % list.length] ?? null)
  }

  function nextView(): void {
    view.value = viewKeys[(viewKeys.indexOf(view.value) + 1) % viewKeys.length] ?? 'side'
  }

  /** Gives up the fitter's own request: what the page proposes stands again. */
  function clear(): void {
    drop(group.value)
    group.value = here.value?.key ?? ''
  }
  /** the pace the fitter had chosen when something came onto the card */
  const paceBefore = shallowRef<Pace | null>(null)
  watch(active, (isActive) => {
    if (isActive) paceBefore.value = visit.dossier?.visit.pace ?? null
  })
  /** Asks for nothing, whatever the page proposes; the pace is what it was before. */
  function leave(): void {
    const isOwn = isHere.value
    if (visit.dossier && visit.dossier.visit.pace !== paceBefore.value) visit.setVisit({ pace: paceBefore.value })
    clear()
    if (isOwn) put({ requested: [], reason: null, holds: null })
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
  watch(
    () => visit.head?.visitId,
    () => {
      posture.value = null
      drafts.value = new Map()
      group.value = here.value?.key ?? ''
    },
  )

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
      pace: visit.pace,
      exchanges: [...change.exchanges],
      reason: reason.value ?? BY_HAND,
      // What the part cannot give at all belongs on the record as well.
      later: joined(
        [change.later, ...change.left.flatMap(({ what, words }) => (what === 'room' ? [words] : []))].filter((words) => words !== ''),
      ),
    })
    clear()
  }

  return {
    view,
    nextView,
    posture,
    postures,
    condition,
    pose,
    nextPosture,
    blocks,
    against,
    waiting,
    enter,
    takeUp,
    drop,
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
    isForGood,
    reason,
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
