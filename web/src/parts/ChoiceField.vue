<script setup lang="ts">
import { computed } from 'vue'
import { definitionOf, optionsOf } from '@level-stance/core/measure/readingDefinitions'
import type { ChoiceKey } from '@level-stance/core/measure/readingDefinitions'
import type { ConditionKey } from '@level-stance/core/measure/conditions'
import type { Reading } from '@level-stance/core/measure/reading'
import { readingName } from '@level-stance/core/measure/readingEntry'
import { readingProps, shownReading } from './readingProps.ts'
import { useVisit } from '../stores/visit.ts'

/** A reading that is one of a few words, of the bike or of one side. */
const props = defineProps<{
  readingKey: ChoiceKey
  side: Reading['side']
  condition: ConditionKey
  /** a new reading at this place of the ledger, beside the one that counts */
  again: boolean
}>()
const visit = useVisit()
const definition = computed(() => definitionOf(props.readingKey))
const stored = computed(() => shownReading(visit.reading(props.readingKey, props.side, props.condition), props.again, visit.after))
const value = computed(() => stored.value?.value ?? '')
/** What the part that was fitted says of itself, where nobody has read it. */
const implied = computed(() => {
  const side = props.side === 'right' ? 'right' : 'left'
  return stored.value === null && !props.again ? visit.setup.now.choices[props.readingKey][side] : null
})

function choose(event: Event): void {
  const chosen = (event.target as HTMLSelectElement).value
  visit.setReading({
    ...readingProps(props, stored.value, visit.after),
    value: chosen === '' ? null : chosen,
    typed: chosen,
    method: definition.value.method,
    repeats: [],
  })
}
</script>

<template>
  <select
    :id="`reading-${readingKey}-${side}${condition === 'usual' ? '' : `-${condition}`}`"
    class="plain-field choice"
    :class="{ empty: value === '' }"
    :value="value"
    :aria-label="readingName(readingKey, side)"
    data-reading
    @change="choose"
  >
    <option value="">{{ implied === null ? '–' : `${definition.options[implied]} (as fitted)` }}</option>
    <option v-for="option in optionsOf(readingKey)" :key="option" :value="option">{{ definition.options[option] }}</option>
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
