<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { controlGroups, controlSymptomKeys, controlSymptoms } from '@level-stance/core/talk/controlSymptoms'
import type { ControlSymptomKey } from '@level-stance/core/talk/controlSymptoms'
import { controlDrawings } from './controlDrawings.ts'
import { keysOf } from '@level-stance/core/kernel/tables'

/** What fails on the bike and sits at no place of the body, each with a small drawing. */
defineProps<{ told: readonly ControlSymptomKey[] }>()
defineEmits<{ pick: [control: ControlSymptomKey] }>()
const groups = keysOf(controlGroups).map((key) => ({
  key,
  label: controlGroups[key],
  rows: controlSymptomKeys.filter((symptom) => controlSymptoms[symptom].group === key),
}))
</script>

<template>
  <div class="list">
    <section v-for="{ key, label, rows } in groups" :key="key" :aria-label="label">
      <h3 class="small muted">{{ label }}</h3>
      <Button
        v-for="row in rows"
        :key="row"
        class="symptom"
        :type="told.includes(row) ? 'primary' : 'default'"
        :aria-pressed="told.includes(row)"
        :title="controlSymptoms[row].says"
        @click="$emit('pick', row)"
      >
        <svg viewBox="0 0 48 30" aria-hidden="true"><path v-for="line in controlDrawings[row]" :key="line" :d="line" /></svg>
        <span>{{ controlSymptoms[row].label }}</span>
      </Button>
    </section>
  </div>
</template>

<style scoped>
.list {
  display: grid;
  gap: 8px;
  overflow-y: auto;
}
h3 {
  margin: 0 0 4px;
}
section {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
}
section h3 {
  grid-column: 1 / -1;
}
.symptom {
  display: flex;
  align-items: center;
  gap: 8px;
  height: auto;
  min-height: 44px;
  padding: 4px 8px;
  font-size: 14px;
  line-height: 1.2;
  text-align: left;
  white-space: normal;
}
svg {
  flex: none;
  width: 48px;
}
path {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.8;
  stroke-linecap: round;
  stroke-linejoin: round;
}
</style>
