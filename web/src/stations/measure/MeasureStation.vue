<script setup lang="ts">
import { computed } from 'vue'
import { definitionOf, readingKeys } from '@level-stance/core/measure/readingDefinitions'
import type { ReadingDefinition } from '@level-stance/core/measure/readingDefinitions'
import ReadingRow from '../../parts/ReadingRow.vue'
import { useVisit } from '../../stores/visit.ts'
import LegCard from './LegCard.vue'
import QuestionList from './QuestionList.vue'

const visit = useVisit()
const groups: readonly { title: string; group: ReadingDefinition['group'] }[] = [
  { title: 'Rider', group: 'body' },
  { title: 'Bike', group: 'bike' },
  { title: 'On the bike', group: 'on-bike' },
  { title: 'Shoe', group: 'shoe' },
  { title: 'Cleat, by tape', group: 'cleat' },
]
const columns = [groups.slice(0, 1), groups.slice(1, 3), groups.slice(3)]
const keysOf = (group: string) => readingKeys.filter((key) => definitionOf(key).group === group)

/** What a short set still needs before Feet can judge and answer with the saddle. */
const next = computed(() => {
  const wanted = ['stature', 'saddleHeight', 'crank', 'shoeSize', 'cleatSetback', 'slotForward', 'slotBack', 'heelToMtp1'] as const
  const missing = wanted.find((key) => {
    const { left, right } = visit.baseline.baseline[key]
    return [left, right].some((value) => value === null || (value.basis === 'estimated' && key === 'heelToMtp1'))
  })
  return missing === undefined ? null : definitionOf(missing)
})
</script>

<template>
  <div class="measure">
    <div class="top">
      <p v-if="next" class="card">
        <strong>Measure next: {{ next.label.toLowerCase().replace('mtp', 'MTP') }}.</strong> {{ next.how }}
      </p>
      <p v-else class="card">
        <strong>Enough to judge the feet.</strong> Every measured value that replaces an estimate sharpens what the saddle is asked to do.
      </p>
      <LegCard />
    </div>
    <QuestionList :about="readingKeys" />
    <div class="groups">
      <div v-for="(column, i) in columns" :key="i">
        <section v-for="{ title, group } in column" :key="group" :aria-label="title">
          <div class="title">
            <h2>{{ title }}</h2>
            <span class="muted small">left</span><span class="muted small">right</span>
          </div>
          <ReadingRow v-for="key in keysOf(group)" :key="key" :reading-key="key" />
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.measure {
  height: 100%;
  overflow-y: auto;
  padding: 14px 20px 24px;
}
.top {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
}
.groups {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px 32px;
}
section {
  padding-top: 14px;
}
.title {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 64px 64px;
  gap: 4px;
  align-items: baseline;
  padding-bottom: 4px;
  border-bottom: 1px solid var(--line);
}
.title span {
  text-align: right;
  padding-right: 8px;
}
@media (max-width: 1100px) {
  .groups,
  .top {
    grid-template-columns: 1fr;
  }
}
</style>
