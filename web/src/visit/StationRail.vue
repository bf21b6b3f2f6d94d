<script setup lang="ts">
import { unansweredWarnings } from '@level-stance/core/talk/complaint'
import { metricDefinition } from '@level-stance/core/body/metrics'
import type { MetricKey } from '@level-stance/core/body/metrics'
import { bandState, isUnsure } from '@level-stance/core/quantity/band'
import { sides } from '@level-stance/core/quantity/sided'
import { stable } from '../composables/stable.ts'
import { stations } from '../router.ts'
import type { Station } from '../router.ts'
import { seatActs } from '@level-stance/core/seat/station'
import { useSeat } from '../stations/seat/useSeat.ts'
import { useFeet } from '../stations/feet/useFeet.ts'
import { useBoard } from '../stores/board.ts'
import { useUncertainty } from '../stores/uncertainty.ts'
import { useVisit } from '../stores/visit.ts'

defineProps<{ visitId: string }>()
const visit = useVisit()
const feet = useFeet()
const seat = useSeat()
const board = useBoard()
const uncertainty = useUncertainty()

/** How each station stands: words under its name, and a mark. */
const states = stable<Record<Station, State>>(() => {
  const told = visit.complaints.length
  const unasked = visit.complaints.some((complaint) => unansweredWarnings(complaint).length > 0)
  const judged = sides.map((side) => feet.judgements[side].state)
  const feetMissing = judged.includes('missing')
  const trying = visit.folded.trying !== null
  const kept = visit.folded.changes.filter((change) => change.state === 'kept').length
  const legMissing = sides.some((side) => !visit.setup.legs[side].ready)
  return {
    talk:
      visit.stops.length > 0
        ? { words: 'stop', mark: 'stop' }
        : told === 0
          ? { words: 'open', mark: 'open' }
          : unasked
            ? { words: 'ask', mark: 'wanting' }
            : { words: `${told} told`, mark: 'level' },
    measure:
      visit.questions.length > 0
        ? { words: `${visit.questions.length} to check`, mark: 'wanting' }
        : legMissing
          ? { words: 'readings', mark: 'wanting' }
          : { words: 'enough', mark: 'level' },
    feet: trying
      ? { words: 'on trial', mark: 'wanting' }
      : feetMissing
        ? { words: 'readings', mark: 'wanting' }
        : judged.every((state) => state === 'level')
          ? { words: 'level', mark: 'level' }
          : feet.proposal.moves.length > 0
            ? { words: '1 to try', mark: 'open' }
            : { words: 'seen', mark: 'level' },
    seat: seatState(),
    hands: stationState('hands', ['elbow', 'wrist']),
    prove: trying
      ? { words: 'rate', mark: 'wanting' }
      : kept > 0
        ? { words: `${kept} kept`, mark: 'level' }
        : { words: 'open', mark: 'open' },
    record: { words: 'sheet', mark: 'open' },
  }
})

type State = { words: string; mark: 'open' | 'level' | 'wanting' | 'stop' }

/** The seat: what its pages find worth a change, once the knees are known. */
function seatState(): State {
  const state = stationState('seat', ['kneeLeft', 'kneeRight'])
  const acts = state.mark === 'wanting' ? 0 : seatActs(seat.station)
  return acts > 0 ? { words: `${acts} to try`, mark: 'open' } : state
}

/** A station with a board: on trial, lacking readings, or how its judged numbers stand. */
function stationState(station: 'seat' | 'hands', metrics: readonly MetricKey[]): State {
  if (visit.folded.trying?.station === station) return { words: 'on trial', mark: 'wanting' }
  const states = metrics.flatMap((key) => {
    const value = board.now?.[key] ?? null
    const { band } = metricDefinition(key)
    const plusMinus = uncertainty.plusMinus(key) ?? 0
    return value === null || band === null || isUnsure(plusMinus, band) ? [] : [bandState({ value, plusMinus }, band)]
  })
  if (states.length === 0) return { words: 'readings', mark: 'wanting' }
  if (states.includes('outside')) return { words: 'outside', mark: 'open' }
  return states.includes('near') ? { words: 'near', mark: 'open' } : { words: 'level', mark: 'level' }
}
</script>

<template>
  <nav class="rail" aria-label="Stations">
    <RouterLink class="home" to="/riders" aria-label="All riders">
      <svg viewBox="0 0 54 22" aria-hidden="true">
        <rect x="1.5" y="2.5" width="51" height="17" rx="8.5" class="glass" />
        <path d="M19 2.5v17M35 2.5v17" class="mark" />
        <ellipse cx="27" cy="11" rx="6" ry="4.5" class="bubble" />
      </svg>
      <span>Riders</span>
    </RouterLink>
    <RouterLink
      v-for="(station, i) in stations"
      :key="station"
      :to="{ name: station, params: { visitId } }"
      class="station"
      :title="`Key ${i + 1}`"
    >
      <span class="name">{{ station }}</span>
      <span class="state muted">{{ states[station].words }}</span>
      <span class="dot" :class="states[station].mark" aria-hidden="true" />
    </RouterLink>
  </nav>
</template>

<style scoped>
.rail {
  contain: strict;
  display: flex;
  flex-direction: column;
  min-height: 0;
  overflow-y: auto;
  border-right: 1px solid var(--line);
}
.home {
  display: grid;
  justify-items: center;
  padding: 14px 0 8px;
  color: var(--muted);
  font-size: 13px;
  text-decoration: none;
}
.home svg {
  width: 54px;
}
.glass {
  fill: var(--glass);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.mark {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.bubble {
  fill: var(--bubble);
}
.station {
  position: relative;
  display: grid;
  align-content: center;
  min-height: 70px;
  padding: 6px 8px 6px 16px;
  border-left: 4px solid transparent;
  color: var(--muted);
  text-decoration: none;
}
.station.router-link-active {
  background: var(--panel);
  border-left-color: var(--petrol);
  color: var(--ink);
}
.name {
  font-weight: 600;
}
.name::first-letter {
  text-transform: uppercase;
}
.name {
  display: inline-block;
}
.state {
  font-size: 13px;
  white-space: nowrap;
}
.dot {
  position: absolute;
  right: 9px;
  bottom: 19px;
  width: 10px;
  height: 10px;
  border: 1.5px solid var(--muted);
  border-radius: 50%;
}
.dot.level {
  background: var(--bubble);
  border-color: var(--bubble);
}
.dot.wanting {
  background: var(--amber);
  border-color: var(--amber);
}
.dot.stop {
  background: var(--brick);
  border-color: var(--brick);
}
.dot.later {
  border-style: dotted;
}
@media print {
  .rail {
    display: none;
  }
}
</style>
