<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { PartChoice } from '@level-stance/core/stations/hands/cockpit/partChoices'
import { useBoard } from '../../../data/board.ts'
import { usePreferences } from '../../../data/preferences.ts'

/** Parts of the catalogue on this bike, the best first; one of them goes to the card. */
const props = defineProps<{ title: string; rows: readonly PartChoice[]; part: string }>()
const board = useBoard()
const preferences = usePreferences()
/** As many as are shown before the rest is asked for. */
const FEW = 3
const all = ref(false)
const shown = computed(() => (all.value ? props.rows : props.rows.slice(0, FEW)))
</script>

<template>
  <section v-if="rows.length > 0" :aria-label="title" class="choices">
    <h2>{{ title }}</h2>
    <ol :data-testid="`choices-${part}`">
      <li v-for="(row, i) in shown" :key="row.spec.name">
        <p class="small">
          <strong>{{ row.spec.name }}</strong>. {{ preferences.plain(row.words) }}
        </p>
        <Button
          size="small"
          :disabled="!board.movable"
          :data-testid="`choose-${part}-${i}`"
          @click="board.take(row.requested, `${title}: ${row.spec.name}.`)"
          >Set up to try</Button
        >
      </li>
    </ol>
    <Button v-if="rows.length > FEW" type="link" size="small" @click="all = !all">{{ all ? 'Fewer' : `All ${rows.length}` }}</Button>
  </section>
</template>

<style scoped>
.choices {
  padding: 8px 0;
  border-top: 1px solid var(--line);
}
ol {
  display: grid;
  gap: 6px;
  margin: 0;
  padding-left: 20px;
}
</style>
