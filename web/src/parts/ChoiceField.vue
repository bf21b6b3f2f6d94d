<script setup lang="ts">
import { computed } from 'vue'
import { definitionOf } from '@level-stance/core/measure/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/measure/readingDefinitions'
import type { Reading } from '@level-stance/core/measure/reading'
import { readingName } from '@level-stance/core/measure/readingEntry'
import { useVisit } from '../stores/visit.ts'

/** A reading that is one of a few words, of the bike or of one side. */
const props = defineProps<{ readingKey: ReadingKey; side: Reading['side'] }>()
const visit = useVisit()
const definition = computed(() => definitionOf(props.readingKey))
const value = computed(() => visit.reading(props.readingKey, props.side)?.value ?? 0)

function choose(event: Event): void {
  const chosen = Number((event.target as HTMLSelectElement).value)
  visit.setReading({
    key: props.readingKey,
    side: props.side,
    value: chosen === 0 ? null : chosen,
    typed: chosen === 0 ? '' : String(chosen),
    method: definition.value.method,
    takenAt: new Date().toISOString(),
    condition: 'usual',
    repeats: [],
  })
}
</script>

<template>
  <select
    :id="`reading-${readingKey}-${side}`"
    class="plain-field choice"
    :class="{ empty: value === 0 }"
    :value="value"
    :aria-label="readingName(readingKey, side)"
    data-reading
    @change="choose"
  >
    <option :value="0">–</option>
    <option v-for="(word, i) in definition.options" :key="word" :value="i + 1">{{ word }}</option>
  </select>
</template>

<style scoped>
.choice {
  width: 100%;
  min-width: 0;
}
.empty {
  border-style: dashed;
}
</style>
