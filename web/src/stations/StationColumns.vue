<script setup lang="ts">
import { Segmented } from 'ant-design-vue'
import { ref } from 'vue'
import { useScreen } from '../kit/screen.ts'
import { useBoard } from '../data/board.ts'

/**
 * The three parts of a station with a board: readings, board, judgement; each lays itself out alone.
 * On a tablet the board keeps its place, and the others are sheets under it or beside it.
 */
withDefaults(defineProps<{ left?: number; right?: number }>(), { left: 304, right: 372 })
const board = useBoard()
const screen = useScreen()
/** the sheet that is on top, where only one fits beside the board */
const sheet = ref<'readings' | 'judgement'>('judgement')
const sheets = [
  { value: 'readings', label: 'Readings' },
  { value: 'judgement', label: 'Judgement' },
]
</script>

<template>
  <div class="columns" :class="[screen, `on-${sheet}`]" :style="{ '--left': `${left}px`, '--right': `${right}px` }">
    <p v-if="screen === 'phone'" class="larger small" role="note">
      This page wants a larger screen. Talk, ratings, Prove and the record work here.
    </p>
    <div v-if="screen === 'low'" class="choice"><Segmented v-model:value="sheet" :options="sheets" block aria-label="Sheet" /></div>
    <section class="readings" aria-label="Readings"><slot name="readings" /></section>
    <section class="middle" aria-label="Board"><slot name="board" /></section>
    <section class="judgement" :class="{ acting: board.active }" aria-label="Judgement">
      <div class="findings"><slot name="judgement" /></div>
      <!-- What is longer than its room is scrolled by the arrow keys as well, also where no field on it can be typed into. -->
      <div class="act" :tabindex="board.active ? undefined : 0" role="group" aria-label="What to try"><slot name="act" /></div>
    </section>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: var(--left) minmax(0, 1fr) var(--right);
  grid-template-rows: minmax(0, 1fr);
  height: 100%;
  min-height: 0;
}
/* Each column lays itself out alone: a key press in one does not move the others. */
.readings,
.middle,
.judgement {
  contain: strict;
}
.readings {
  overflow-y: auto;
  padding: 8px 14px 16px 16px;
}
.middle {
  min-height: 0;
  background: var(--panel);
  border-left: 1px solid var(--line);
  border-right: 1px solid var(--line);
}
.judgement {
  display: flex;
  flex-direction: column;
  min-height: 0;
}
.findings {
  flex: 1;
  min-height: 120px;
  overflow-y: auto;
  padding: 8px 16px;
}
.act {
  flex: none;
  max-height: 44%;
  margin: 0 10px 10px;
  overflow-y: auto;
}
/* While something is asked for, what it does is read whole. */
.judgement.acting .act {
  max-height: 66%;
}
.act:empty {
  display: none;
}
.upright {
  grid-template:
    'board board' minmax(0, 1fr)
    'readings judgement' minmax(0, 1fr) / minmax(0, 42fr) minmax(0, 58fr);
}
.low {
  grid-template:
    'board choice' auto
    'board sheet' minmax(0, 1fr) / minmax(0, 1fr) minmax(0, 432px);
}
.upright .middle,
.low .middle {
  grid-area: board;
}
.upright .middle {
  border: 0;
  border-bottom: 1px solid var(--line);
}
.upright .readings {
  grid-area: readings;
}
.upright .judgement {
  grid-area: judgement;
  border-left: 1px solid var(--line);
}
.low .choice {
  grid-area: choice;
  padding: 6px 10px;
}
.low .readings,
.low .judgement {
  grid-area: sheet;
}
.low.on-readings .judgement,
.low.on-judgement .readings {
  display: none;
}
.phone {
  display: block;
  height: auto;
}
.phone > * {
  contain: none;
}
.phone .middle {
  height: 420px;
  contain: strict;
}
.phone .act,
.phone .judgement.acting .act {
  max-height: none;
}
.larger {
  padding: 8px 16px;
  background: var(--petrol-soft);
}
</style>
