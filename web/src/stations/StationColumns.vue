<script setup lang="ts">
import { Segmented } from 'ant-design-vue'
import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import { useScreen } from '../kit/screen.ts'
import ActFoot from './ActFoot.vue'

/**
 * The three parts of a station with a board: readings, board, judgement; each lays itself out alone. What is to
 * be tried is a foot under board and judgement: it pushes them up and covers nothing.
 * On a tablet the board keeps its place, and the others are sheets under it or beside it.
 */
withDefaults(defineProps<{ left?: number; right?: number }>(), { left: 304, right: 372 })
const screen = useScreen()
/** the sheet that is on top, where only one fits beside the board */
const sheet = ref<'readings' | 'judgement'>('judgement')
const foot = ref<InstanceType<typeof ActFoot> | null>(null)
/** While a hand drags on the board the foot keeps its height, so that the board keeps its scale under the hand; px */
const held = ref<number | null>(null)
const letGo = () => (held.value = null)
useEventListener(window, ['pointerup', 'pointercancel', 'blur'], letGo)
const sheets = [
  { value: 'readings', label: 'Readings' },
  { value: 'judgement', label: 'Judgement' },
]
</script>

<template>
  <div
    class="columns"
    :class="[screen, `on-${sheet}`, { 'hand-drags': held !== null }]"
    :style="{ '--left': `${left}px`, '--right': `${right}px` }"
  >
    <p v-if="screen === 'phone'" class="larger small" role="note">
      This page wants a larger screen. Talk, ratings, Prove and the record work here.
    </p>
    <div v-if="screen === 'low'" class="choice"><Segmented v-model:value="sheet" :options="sheets" block aria-label="Sheet" /></div>
    <section class="readings" aria-label="Readings"><slot name="readings" /></section>
    <section class="middle" aria-label="Board" @pointerdown.capture="held = foot?.height() ?? null"><slot name="board" /></section>
    <!-- What is longer than its room is scrolled by the arrow keys as well, also where nothing in it takes the focus. -->
    <section class="judgement" aria-label="Judgement" tabindex="0"><slot name="judgement" /></section>
    <ActFoot ref="foot" class="act" :held="held"><slot name="act" /></ActFoot>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template:
    'readings board judgement' minmax(0, 1fr)
    'readings act act' auto / var(--left) minmax(0, 1fr) var(--right);
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
.readings {
  grid-area: readings;
}
.middle {
  grid-area: board;
}
.judgement {
  grid-area: judgement;
  overflow-y: auto;
  padding: 8px 16px;
}
.judgement:focus-visible {
  outline-offset: -2px;
}
.act {
  grid-area: act;
  border-left: 1px solid var(--line);
}
.upright {
  grid-template:
    'board board' 50%
    'readings judgement' minmax(0, 1fr)
    'act act' auto / minmax(0, 42fr) minmax(0, 58fr);
}
.low {
  grid-template:
    'board choice' auto
    'board sheet' minmax(0, 1fr)
    'act act' auto / minmax(0, 1fr) minmax(0, 432px);
}
.upright .middle {
  border: 0;
  border-bottom: 1px solid var(--line);
}
.upright .judgement {
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
.larger {
  padding: 8px 16px;
  background: var(--petrol-soft);
}
</style>
