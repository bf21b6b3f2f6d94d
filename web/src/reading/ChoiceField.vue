<script setup lang="ts">
import { computed } from 'vue'
import { definitionOf, optionsOf } from '@level-stance/core/readings/readingDefinitions'
import type { ChoiceKey } from '@level-stance/core/readings/readingDefinitions'
import type { ConditionKey } from '@level-stance/core/readings/conditions'
import type { Reading } from '@level-stance/core/readings/reading'
import { readingNameIn } from '@level-stance/core/readings/readingEntry'
import { readingProps, shownReading } from './readingProps.ts'
import { useVisit } from '../data/visit.ts'
import SelectField from '../kit/SelectField.vue'

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
  return stored.value === null && !props.again && props.condition === 'usual' ? visit.setup.now.choices[props.readingKey][side] : null
})

const options = computed(() => Object.fromEntries(optionsOf(props.readingKey).map((key) => [key, definition.value.options[key] ?? key])))

function choose(chosen: string | null): void {
  visit.setReading({
    ...readingProps(props, stored.value, visit.after),
    value: chosen,
    typed: chosen ?? '',
    method: definition.value.method,
    repeats: [],
  })
}
</script>

<template>
  <SelectField
    class="choice"
    :class="{ empty: value === '' }"
    :field-id="`reading-${readingKey}-${side}${condition === 'usual' ? '' : `-${condition}`}`"
    :label="readingNameIn(readingKey, side, condition)"
    :value="value === '' ? null : String(value)"
    :options="options"
    :placeholder="implied === null ? '–' : `${definition.options[implied]} (as fitted)`"
    :marks="{ 'data-reading': '', 'data-empty': value === '' ? '' : null }"
    clearable
    @pick="choose"
  />
</template>

<style scoped>
.choice {
  width: 100%;
  min-width: 0;
}
/* A narrow column: words take two lines before they are cut, and the arrow stays in its corner. */
.choice :deep(.ant-select-selector) {
  padding: 0 6px;
}
.choice :deep(.ant-select-selection-item),
.choice :deep(.ant-select-selection-placeholder) {
  display: -webkit-box;
  align-self: center;
  overflow: hidden;
  padding-inline-end: 9px;
  font-size: 14px;
  line-height: 16px;
  white-space: normal;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}
.choice :deep(.ant-select-arrow),
.choice :deep(.ant-select-clear) {
  inset-inline-end: 4px;
  font-size: 9px;
}
.empty :deep(.ant-select-selector) {
  border-style: dashed;
}
</style>
