<script setup lang="ts">
import {
  ColumnWidthOutlined,
  ControlOutlined,
  ExperimentOutlined,
  FileTextOutlined,
  MessageOutlined,
  RetweetOutlined,
  VerticalAlignMiddleOutlined,
} from '@ant-design/icons-vue'
import { computed } from 'vue'
import type { Component } from 'vue'
import { sides } from '@level-stance/core/kernel/sided'
import { standing } from '@level-stance/core/prove/blocks'
import type { Summary } from '@level-stance/core/station/station'
import { unansweredWarnings } from '@level-stance/core/talk/complaint'
import { stable } from '../../kit/stable.ts'
import { stationKeys } from '@level-stance/core/kernel/stations'
import type { StationKey } from '@level-stance/core/kernel/stations'
import { useFeet } from '../../stations/useFeet.ts'
import { useHands } from '../../stations/useHands.ts'
import { useSeat } from '../../stations/useSeat.ts'
import { useVisit } from '../../data/visit.ts'
import { tableOf } from '@level-stance/core/kernel/tables'

/** How each station stands: words under its name, and a mark. */
defineProps<{ visitId: string }>()
const visit = useVisit()
const judged = { feet: useFeet(), seat: useSeat(), hands: useHands() }
const icons: Readonly<Record<StationKey, Component>> = {
  talk: MessageOutlined,
  measure: ColumnWidthOutlined,
  feet: RetweetOutlined,
  seat: VerticalAlignMiddleOutlined,
  hands: ControlOutlined,
  prove: ExperimentOutlined,
  record: FileTextOutlined,
}
const onTrial: Summary = { words: 'on trial', mark: 'wanting' }

const talk = computed<Summary>(() => {
  const told = visit.complaints.length
  if (visit.stops.length > 0) return { words: 'stop', mark: 'stop' }
  if (told === 0) return { words: 'open', mark: 'open' }
  const unasked = visit.complaints.some((complaint) => unansweredWarnings(complaint).length > 0)
  return unasked
    ? { words: 'warning signs to ask', mark: 'wanting' }
    : { words: told === 1 ? '1 complaint' : `${told} complaints`, mark: 'level' }
})
const measure = computed<Summary>(() => {
  const doubts = visit.asked.length
  if (doubts > 0) return { words: doubts === 1 ? '1 doubt' : `${doubts} doubts`, mark: 'wanting' }
  const known = visit.setup.model !== null && sides.every((side) => visit.setup.now.cleatSetback[side] !== null)
  return known ? { words: 'enough', mark: 'level' } : { words: 'readings needed', mark: 'wanting' }
})
const prove = computed<Summary>(() => {
  const kept = visit.folded.changes.filter((change) => change.state === 'kept').length
  if (standing(visit.blocks).length > 0) return { words: 'blocked', mark: 'stop' }
  if (visit.folded.trying !== null) return { words: 'rate', mark: 'wanting' }
  return kept > 0 ? { words: `${kept} kept`, mark: 'level' } : { words: 'open', mark: 'open' }
})
/** While no visit is open, or there is none, nothing is said of it. */
const unknown: Summary = { words: '', mark: 'open' }
const noStates = tableOf(stationKeys, () => unknown)
const stationState = (key: keyof typeof judged): Summary => (visit.folded.trying?.station === key ? onTrial : judged[key].summary)

const states = stable<Record<StationKey, Summary>>(() =>
  visit.head === null
    ? noStates
    : {
        talk: talk.value,
        measure: measure.value,
        feet: stationState('feet'),
        seat: stationState('seat'),
        hands: stationState('hands'),
        prove: prove.value,
        record: { words: 'sheet', mark: 'open' },
      },
)
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
      v-for="(station, i) in stationKeys"
      :key="station"
      :to="{ name: station, params: { visitId } }"
      class="station"
      :title="`Key ${i + 1}`"
    >
      <component :is="icons[station]" class="icon" aria-hidden="true" />
      <span class="name">{{ station }}</span>
      <span class="state muted"
        ><span class="dot" :class="`is-${states[station].mark}`" aria-hidden="true" />{{ states[station].words }}</span
      >
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
  min-height: 80px;
  padding: 6px 6px 6px 12px;
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
.icon {
  font-size: 17px;
}
.state {
  font-size: 13px;
  line-height: 15px;
}
.dot {
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 5px;
  border: 1.5px solid var(--muted);
  border-radius: 50%;
}
.is-level {
  background: var(--bubble);
  border-color: var(--bubble);
}
.is-wanting {
  background: var(--amber);
  border-color: var(--amber);
}
.is-stop {
  background: var(--brick);
  border-color: var(--brick);
}
.dot.later {
  border-style: dotted;
}
@media (max-width: 700px) {
  .rail {
    position: fixed;
    z-index: 6;
    inset: auto 0 0;
    flex-direction: row;
    height: 60px;
    overflow: auto hidden;
    border-top: 1px solid var(--line);
    border-right: 0;
    background: var(--ground);
  }
  .home {
    display: none;
  }
  .station {
    flex: 1 0 auto;
    justify-items: center;
    min-width: 54px;
    min-height: 60px;
    padding: 4px 5px;
    border-top: 3px solid transparent;
    border-left: 0;
  }
  .station.router-link-active {
    border-top-color: var(--petrol);
  }
  .name {
    font-size: 13px;
  }
  /* Its words are still read out; a dot says the rest. */
  .state {
    position: absolute;
    top: 5px;
    right: 8px;
    width: 10px;
    height: 10px;
    overflow: hidden;
  }
}
@media print {
  .rail {
    display: none;
  }
}
</style>
