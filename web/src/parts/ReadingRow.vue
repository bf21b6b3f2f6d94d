<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { methods, methodsFor } from '@level-stance/core/measure/methods'
import type { MethodKey } from '@level-stance/core/measure/methods'
import { definitionOf } from '@level-stance/core/measure/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/measure/readingDefinitions'
import type { ConditionKey } from '@level-stance/core/measure/conditions'
import type { Reading } from '@level-stance/core/measure/reading'
import { shownValue } from '@level-stance/core/measure/readingEntry'
import { summarise } from '@level-stance/core/measure/repeats'
import { readingPlusMinus } from '@level-stance/core/measure/resolve'
import { formatLength, trimmed } from '@level-stance/core/quantity/entry'
import { momentOf } from '../composables/day.ts'
import { stable } from '../composables/stable.ts'
import { usePreferences } from '../stores/preferences.ts'
import { useVisit } from '../stores/visit.ts'
import ChoiceField from './ChoiceField.vue'
import ReadingField from './ReadingField.vue'

const props = withDefaults(defineProps<{ readingKey: ReadingKey; condition?: ConditionKey }>(), { condition: 'usual' })
const visit = useVisit()
const preferences = usePreferences()

const definition = computed(() => definitionOf(props.readingKey))
const fieldSides = computed<readonly Reading['side'][]>(() => (definition.value.sided ? ['left', 'right'] : ['both']))
const resolved = computed(() => visit.baseline.baseline[props.readingKey])
const problems = reactive<Partial<Record<Reading['side'], { message: string; suggestion?: { label: string; text: string } } | undefined>>>(
  {},
)
const fields = ref<InstanceType<typeof ReadingField>[]>([])
const open = ref(false)

/** What stands in an empty field: the estimate it would replace. */
const estimates = stable(() =>
  [resolved.value.left, resolved.value.right].map((value) => {
    if (props.condition !== 'usual' || value === null || value.basis !== 'estimated') return '–'
    const { dimension } = definition.value
    return `~${dimension === 'length' ? formatLength(value.value, preferences.unit, preferences.unit === 'mm' ? 0 : 1) : trimmed(value.value, 0)}`
  }),
)

const taken = stable(() =>
  fieldSides.value.map((side) => visit.reading(props.readingKey, side, props.condition)).filter((r) => r !== null && r.value !== null),
)
const method = computed<MethodKey>(() => taken.value[0]?.method ?? definition.value.method)
const how = computed(() => {
  if (taken.value.length === 0) {
    const estimate = resolved.value.left
    return estimate === null || props.condition !== 'usual' ? 'to measure' : `estimate, ${estimate.from}`
  }
  if (definition.value.dimension === 'choice') return methods[method.value].label
  const spread = Math.max(...taken.value.map((reading) => (reading ? readingPlusMinus(reading) : 0)))
  const unit = definition.value.dimension === 'length' ? preferences.unit : 'mm'
  const amount = definition.value.dimension === 'length' ? formatLength(spread, unit) : trimmed(spread, 1)
  return `±${amount}${definition.value.dimension === 'angle' ? '°' : ''} ${methods[method.value].label}${repeated.value}`
})
/** "3 readings, spread 1.2": said where a reading was repeated. */
const repeated = computed(() => {
  const most = taken.value.map((reading) => reading?.repeats ?? []).sort((a, b) => b.length - a.length)[0] ?? []
  if (most.length < 2) return ''
  const { spread } = summarise(0, most)
  const shown = definition.value.dimension === 'length' ? formatLength(spread, preferences.unit) : trimmed(spread, 1)
  return `, mean of ${most.length}, spread ${shown}`
})

/** Where a change has moved what was read: the value in force now. */
const moved = computed(() => {
  if (props.condition !== 'usual') return null
  const start = visit.baseline.baseline[props.readingKey]
  const now = visit.setup.now[props.readingKey]
  if (fieldSides.value.every((side) => start[side === 'both' ? 'left' : side]?.value === now[side === 'both' ? 'left' : side]?.value))
    return null
  const shown = (side: Reading['side']) => {
    const value = now[side === 'both' ? 'left' : side]?.value
    const room = props.readingKey.startsWith('slot') || props.readingKey.includes('Room')
    return value === undefined ? '–' : shownValue(props.readingKey, room ? Math.max(0, value) : value, preferences.unit)
  }
  return `now ${fieldSides.value.map(shown).join(' / ')}`
})

const takenAt = computed(() => {
  const at = taken.value[0]?.takenAt
  return at === undefined ? '' : momentOf(at)
})

function setMethod(event: Event): void {
  const chosen = (event.target as HTMLSelectElement).value as MethodKey
  for (const reading of taken.value) {
    if (!reading) continue
    // A ± worked out by one method is not another's.
    const { plusMinus: _, ...rest } = reading
    visit.setReading({ ...rest, method: chosen, takenAt: new Date().toISOString() })
  }
}

function setProblem(side: Reading['side'], problem: { message: string; suggestion?: { label: string; text: string } } | null): void {
  problems[side] = problem ?? undefined
}
</script>

<template>
  <div class="row" :class="{ single: !definition.sided, words: definition.sided && definition.dimension === 'choice' }">
    <button class="name" type="button" :aria-expanded="open" @click="open = !open">
      <span class="label">{{ definition.label }}</span>
      <span v-if="moved" class="how muted"
        >start, <strong class="moved">{{ moved }}</strong></span
      >
      <span v-else class="how muted">{{ how }}</span>
    </button>
    <template v-if="definition.dimension === 'choice'">
      <ChoiceField v-for="side in fieldSides" :key="`c-${side}`" :reading-key="readingKey" :side="side" />
    </template>
    <ReadingField
      v-for="(side, i) in definition.dimension === 'choice' ? [] : fieldSides"
      :key="side"
      ref="fields"
      :condition="condition"
      :reading-key="readingKey"
      :side="side"
      :estimate="estimates[i] ?? '–'"
      @problem="(problem) => setProblem(side, problem)"
    />
    <template v-for="(side, i) in fieldSides" :key="`p-${side}`">
      <p
        v-if="problems[side]"
        :id="`reading-${readingKey}-${side}${condition === 'usual' ? '' : `-${condition}`}-problem`"
        class="problem"
        role="alert"
      >
        {{ problems[side]?.message }}
        <button
          v-if="problems[side]?.suggestion"
          type="button"
          class="plain suggest"
          @click="fields[i]?.take(problems[side]?.suggestion?.text ?? '')"
        >
          {{ problems[side]?.suggestion?.label }}
        </button>
      </p>
    </template>
    <div v-if="open" class="more small">
      <p>{{ definition.how }}</p>
      <p v-if="takenAt">Read {{ takenAt }}.</p>
      <label v-if="taken.length > 0">
        How measured
        <select class="plain-field" :value="method" @change="setMethod">
          <option v-for="key in methodsFor(definition.dimension)" :key="key" :value="key">{{ methods[key].label }}</option>
        </select>
      </label>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 64px 64px;
  align-items: center;
  gap: 2px 4px;
  padding: 2px 0;
  border-bottom: 1px solid var(--line);
}
.row.words {
  grid-template-columns: minmax(0, 1fr) 88px 88px;
}
.row.words :deep(.choice) {
  padding: 0 2px;
  font-size: 14px;
}
.row.single :deep(.field) {
  grid-column: 3;
}
.row.single :deep(.choice) {
  grid-column: 2 / 4;
}
.row.single:has(.choice) > .name {
  grid-column: 1 / 2;
}
.row.single:not(:has(.choice)) > .name {
  grid-column: 1 / 3;
}
.name {
  min-height: 42px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
  line-height: 1.2;
}
.label,
.how {
  display: block;
}
.label {
  font-size: 15px;
}
.how {
  font-size: 13px;
}
.moved {
  color: var(--petrol);
  white-space: nowrap;
}
.problem {
  grid-column: 1 / -1;
  color: var(--brick);
  font-size: 14px;
  padding: 2px 0 6px;
}
.suggest {
  margin-top: 4px;
}
.more {
  grid-column: 1 / -1;
  padding: 4px 0 10px;
  color: var(--muted);
}
.more label {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-top: 6px;
}
</style>
