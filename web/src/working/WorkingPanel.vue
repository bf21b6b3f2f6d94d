<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import { Drawer } from 'ant-design-vue'
import { computed } from 'vue'
import { evaluate, fieldsTaken } from '@level-stance/core/kernel/calculation'
import type { WorkingRun } from '@level-stance/core/station/station'
import { CalculationError } from '@level-stance/core/kernel/problem'
import { trimmed } from '@level-stance/core/kernel/entry'
import { numericLeaves } from '@level-stance/core/kernel/propagate'
import { usePreferences } from '../data/preferences.ts'
import FoldPanel from '../kit/FoldPanel.vue'

const props = defineProps<{
  open: boolean
  /** each calculation with the input it was run on, and that input's ± */
  items: readonly (WorkingRun & { readonly estimated?: readonly string[] })[]
}>()
defineEmits<{ close: [] }>()
const preferences = usePreferences()

const unitSigns: Readonly<Record<string, string>> = { mm: ' mm', deg: '°', EU: ' EU', min: ' min', none: '' }

const worked = computed(() =>
  !props.open
    ? []
    : props.items.map(({ heading, calculation, input, plusMinus, estimated }) => {
        const known = fieldsTaken(calculation, input)
        try {
          const answer = evaluate(calculation, { ...known, plusMinus })
          return {
            heading,
            title: calculation.title,
            summary: calculation.summary,
            known,
            plusMinus,
            estimated: estimated ?? [],
            answer,
            error: null,
          }
        } catch (error) {
          if (!(error instanceof CalculationError)) throw error
          return {
            heading,
            title: calculation.title,
            summary: calculation.summary,
            known,
            plusMinus,
            estimated: estimated ?? [],
            answer: null,
            error: error.words,
          }
        }
      }),
)

/** What went in, line by line: nested numbers by their path, long lists by their length. */
function wentIn(known: object): [string, number | string][] {
  return Object.entries(known).flatMap(([key, value]: [string, unknown]): [string, number | string][] => {
    if (typeof value === 'number' || typeof value === 'string') return [[key, value]]
    if (Array.isArray(value)) return [[key, value.length === 1 ? 'one' : `${value.length} of them`]]
    if (value === null || typeof value !== 'object') return [[key, value === null ? 'none' : String(value)]]
    return Object.entries(numericLeaves(value)).map(([path, leaf]) => [`${key}.${path}`, leaf])
  })
}

/** Formulas count in millimetres; where another unit is in use a length is said in it first. */
const inOther = (unit: string) => unit === 'mm' && preferences.unit !== 'mm'
function shown(value: number | string, unit: string): string {
  const words = `${typeof value === 'number' ? trimmed(value, 2) : value}${unitSigns[unit] ?? ''}`
  if (!inOther(unit)) return words
  return `${typeof value === 'number' ? preferences.length(value) : preferences.plain(words)} (${words})`
}
const sure = (plusMinus: number, unit: string) => (inOther(unit) ? preferences.length(plusMinus) : trimmed(plusMinus, 2))
</script>

<template>
  <Drawer :open="open" title="How this is worked out" placement="right" :width="560" @close="$emit('close')">
    <div role="dialog" aria-label="How this is worked out">
      <section v-for="item in worked" :key="item.heading" class="item">
        <h2>{{ item.heading }}</h2>
        <p class="muted small">{{ item.title }}. {{ item.summary }}</p>
        <p v-if="item.error" class="stop"><MessageText :of="item.error" /></p>
        <template v-if="item.answer">
          <table class="lines">
            <tbody>
              <tr v-for="row in item.answer.working" :key="row.label">
                <th scope="row">
                  {{ row.label }}<span class="formula muted">{{ row.formula }}</span>
                </th>
                <td class="figure">
                  {{ shown(row.value, row.unit)
                  }}<span v-if="row.output && item.answer.plusMinus[row.output]" class="muted">
                    ±{{ sure(item.answer.plusMinus[row.output] ?? 0, row.unit) }}</span
                  >
                </td>
              </tr>
            </tbody>
          </table>
          <p v-if="preferences.unit !== 'mm'" class="small muted">Formulas and what went in count in millimetres.</p>
          <FoldPanel title="What went in">
            <table class="lines inputs">
              <tbody>
                <tr v-for="[key, value] in wentIn(item.known)" :key="key">
                  <th scope="row">{{ key }}<span v-if="item.estimated.includes(key)" class="muted"> (estimate)</span></th>
                  <td class="figure">
                    {{ typeof value === 'number' ? trimmed(value, 1) : value
                    }}<span v-if="item.plusMinus[key]" class="muted"> ±{{ trimmed(item.plusMinus[key] ?? 0, 1) }}</span>
                  </td>
                </tr>
              </tbody>
            </table>
          </FoldPanel>
          <p class="small muted">Rests on:</p>
          <ul class="small">
            <li v-for="source in item.answer.sources" :key="source.key">
              {{ source.title }}. <span class="muted">{{ source.note }}</span>
            </li>
          </ul>
        </template>
      </section>
      <p class="small muted">± are about 95 % (coverage factor 2), propagated to first order.</p>
    </div>
  </Drawer>
</template>

<style scoped>
.item {
  padding-bottom: 16px;
  margin-bottom: 16px;
  border-bottom: 1px solid var(--line);
}
.lines {
  width: 100%;
  border-collapse: collapse;
  margin: 8px 0;
}
.lines th {
  text-align: left;
  font-weight: 400;
  padding: 4px 8px 4px 0;
}
.lines td {
  text-align: right;
  white-space: nowrap;
  padding: 4px 0;
}
.lines tr {
  border-bottom: 1px solid var(--line);
}
.formula {
  display: block;
  font-size: 13px;
}
ul {
  margin: 4px 0 0;
  padding-left: 20px;
}
</style>
