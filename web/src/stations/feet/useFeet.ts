import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import { cleatProposal } from '@level-stance/core/change/cleatProposal'
import { judgeCleat } from '@level-stance/core/feet/cleatJudgement'
import { cleatSchool, defaultCleatSchool } from '@level-stance/core/feet/cleatSchools'
import { bySide } from '@level-stance/core/quantity/sided'
import type { Side } from '@level-stance/core/quantity/sided'
import { cleatEvidence } from '@level-stance/core/reason/causes'
import { footComplaints } from '@level-stance/core/reason/footCauses'
import { footStation } from '@level-stance/core/feet/station'
import type { OtherBike } from '@level-stance/core/feet/station'
import { api } from '../../api/client.ts'
import { stable } from '../../composables/stable.ts'
import { useBoard } from '../../stores/board.ts'
import { useVisit } from '../../stores/visit.ts'
import type { FeetPageKey } from './pages.ts'

/** What the fitter aims at on one foot: as judged, an own value, or leave it alone. */
type Aim = { readonly kind: 'judged' } | { readonly kind: 'own'; readonly setback: number } | { readonly kind: 'alone' }
const judged: Aim = { kind: 'judged' }

/** Judgement and proposal of the feet station, from the open visit and the fitter's aim. */
export const useFeet = defineStore('feet', () => {
  const visit = useVisit()
  const board = useBoard()
  /** the page that is open; the address carries it */
  const page = ref<FeetPageKey>('why')
  const otherBikes = shallowRef<readonly OtherBike[]>([])
  const aims = ref<{ left: Aim; right: Aim }>({ left: judged, right: judged })
  const withSaddle = ref(true)

  const school = computed(() => visit.head?.cleatSchool ?? defaultCleatSchool)
  const judgements = computed(() => bySide((side) => judgeCleat(side, school.value, visit.setup.cleat[side])))
  const aim = computed(() => bySide((side) => aimFor(side)))
  const proposal = computed(() => cleatProposal(visit.setup, aim.value, withSaddle.value))
  const evidence = stable(() =>
    bySide((side) => {
      const judgement = judgements.value[side]
      const back = judgement.state === 'missing' || judgement.result.difference >= 0
      return cleatEvidence(visit.complaints, side, back ? 'back' : 'forward')
    }),
  )
  const canTry = computed(
    () => proposal.value.moves.length > 0 && visit.folded.trying === null && visit.stops.length === 0 && visit.shownUpTo === null,
  )

  /** Everything the pages say; asked for only while the station is open. */
  const station = computed(() =>
    footStation(visit.setup, visit.complaints, {
      kind: visit.head?.kind ?? 'other',
      school: school.value,
      stanceBy: visit.head?.stanceBy ?? null,
      otherBikes: otherBikes.value,
      metrics: board.now,
    }),
  )
  const causes = computed(() => footComplaints(visit.complaints, station.value))

  /** The rider's other bikes; without an answer the stance is judged by what is read here. */
  async function loadOtherBikes(visitId: string): Promise<void> {
    otherBikes.value = []
    try {
      const { bikes } = await api<{ bikes: OtherBike[] }>('GET', `/visits/${visitId}/other-bikes`)
      if (visit.head?.visitId === visitId) otherBikes.value = bikes
    } catch {
      otherBikes.value = []
    }
  }

  function aimFor(side: Side): number | null {
    const own = aims.value[side]
    if (own.kind === 'alone') return null
    if (own.kind === 'own') return own.setback
    const judgement = judgements.value[side]
    return judgement.state !== 'missing' && judgement.exceeds ? judgement.result.attainable : null
  }

  function setAim(side: Side, setback: number): void {
    aims.value = { ...aims.value, [side]: { kind: 'own', setback } }
  }

  function leaveAlone(side: Side): void {
    aims.value = { ...aims.value, [side]: { kind: 'alone' } }
  }

  /** Back to what the judgement says. */
  function reset(): void {
    aims.value = { left: judged, right: judged }
    withSaddle.value = true
  }

  // An aim belongs to the rider it was set for.
  watch(() => visit.head?.visitId, reset)

  /** Puts the proposal into the ledger as being tried. */
  function tryProposal(): void {
    if (!canTry.value) return
    const { moves, later } = proposal.value
    const reason = `${cleatSchool(school.value).label}: ${cleatSchool(school.value).reason}`
    visit.append({ kind: 'try', id: crypto.randomUUID(), at: new Date().toISOString(), station: 'feet', moves: [...moves], reason, later })
    reset()
  }

  return {
    page,
    station,
    causes,
    otherBikes,
    loadOtherBikes,
    school,
    aims,
    aim,
    withSaddle,
    judgements,
    evidence,
    proposal,
    canTry,
    setAim,
    leaveAlone,
    reset,
    tryProposal,
  }
})
