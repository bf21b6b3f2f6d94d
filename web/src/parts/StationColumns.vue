<script setup lang="ts">
import { useBoard } from '../stores/board.ts'

/** The three columns of a station with a board: readings, board, judgement; each lays itself out alone. */
withDefaults(defineProps<{ left?: number; right?: number }>(), { left: 304, right: 372 })
const board = useBoard()
</script>

<template>
  <div class="columns" :style="{ '--left': `${left}px`, '--right': `${right}px` }">
    <section class="readings" aria-label="Readings"><slot name="readings" /></section>
    <section class="middle" aria-label="Board"><slot name="board" /></section>
    <section class="judgement" :class="{ acting: board.active }" aria-label="Judgement">
      <div class="findings"><slot name="judgement" /></div>
      <div class="act"><slot name="act" /></div>
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
@media (max-width: 1100px) {
  .columns {
    grid-template-columns: 1fr;
    grid-template-rows: none;
    height: auto;
    overflow-y: auto;
  }
  .readings,
  .judgement {
    contain: none;
  }
  .middle {
    height: 560px;
  }
}
</style>
