<script setup lang="ts">
import { MessageText } from '../../../glossary/MessageText.ts'
import { computed } from 'vue'
import { cleatSchools } from '@level-stance/core/stations/feet/cleat/schools'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { formatLength } from '@level-stance/core/kernel/entry'
import { sides } from '@level-stance/core/kernel/sided'
import type { Side } from '@level-stance/core/kernel/sided'
import { usePreferences } from '../../../data/preferences.ts'
import { useFeet } from '../../useFeet.ts'

const feet = useFeet()
const preferences = usePreferences()

const rows = computed(() => cleatSchools.map((school) => ({ school, left: cell('left', school.key), right: cell('right', school.key) })))

/** One school's answer for one foot: the target, and what the slot allows where that is less. */
function cell(side: Side, key: string): string {
  const row = feet.parts.cleat[side].schools.find((answer) => answer.school === key)
  if (!row) return 'not read'
  if (row.target === null) return `needs ${row.missing.map((field) => definitionOf(field).label).join(', ')}`
  const shown = (value: number) => formatLength(value, preferences.unit)
  return Math.abs(row.left ?? 0) > 0.05 ? `${shown(row.target)}, slot gives ${shown(row.attainable ?? 0)}` : shown(row.target)
}
</script>

<template>
  <table class="small">
    <caption class="muted">
      Target of each school,
      {{
        preferences.unit
      }}
      behind MTP1
    </caption>
    <thead>
      <tr>
        <th scope="col">School</th>
        <th v-for="side in sides" :key="side" scope="col">{{ side }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.school.key" :class="{ chosen: row.school.key === feet.parts.school }">
        <th scope="row">
          {{ row.school.label
          }}<span class="muted suits"
            ><MessageText :of="row.school.key === feet.parts.school ? row.school.reason : row.school.suits"
          /></span>
        </th>
        <td>{{ row.left }}</td>
        <td>{{ row.right }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  margin-bottom: 8px;
}
th,
td:first-child {
  max-width: 190px;
}
.suits {
  display: block;
  font-weight: 400;
  font-size: 13px;
}
caption {
  text-align: left;
}
th,
td {
  text-align: left;
  font-weight: 400;
  padding: 4px 6px 4px 0;
  border-bottom: 1px solid var(--line);
  vertical-align: top;
}
.chosen th,
.chosen td {
  font-weight: 600;
}
</style>
