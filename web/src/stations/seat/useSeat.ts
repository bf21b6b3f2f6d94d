import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import type { SeatChoices } from '@level-stance/core/seat/choices'
import { seatComplaints } from '@level-stance/core/reason/seatCauses'
import { seatStation } from '@level-stance/core/seat/station'
import { useBoard } from '../../stores/board.ts'
import { useUncertainty } from '../../stores/uncertainty.ts'
import { useMat } from '../../stores/mat.ts'
import { useTriedSaddles } from '../../stores/triedSaddles.ts'
import { useVisit } from '../../stores/visit.ts'
import type { SeatPageKey } from './pages.ts'

/** Judgement of the seat station, from the open visit and what the fitter has chosen. */
export const useSeat = defineStore('seat', () => {
  const visit = useVisit()
  const board = useBoard()
  const uncertainty = useUncertainty()
  const tried = useTriedSaddles()
  const mat = useMat()
  /** the page that is open; the address carries it */
  const page = ref<SeatPageKey>('why')
  const choices = computed<SeatChoices>(() => visit.head?.seat ?? {})

  /** Everything the pages say; asked for only while the station is open. */
  const station = computed(() =>
    seatStation(visit.setup, visit.complaints, {
      kind: visit.head?.kind ?? 'other',
      widthSchool: choices.value.widthSchool ?? null,
      tiltUse: choices.value.tiltUse ?? null,
      readings: visit.readings,
      metrics: board.now,
      kneePlusMinus: uncertainty.plusMinus('kneeRight'),
      tried: tried.marks,
      // What is simulated is no evidence about this rider: it stays with its own page.
      mat: mat.measured?.result ?? null,
    }),
  )
  const causes = computed(() => seatComplaints(visit.complaints, station.value))
  const choose = (change: SeatChoices) => visit.setVisit({ seat: { ...choices.value, ...change } })

  return { page, choices, choose, station, causes }
})
