<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { metricDefinition, metricKeys } from '@level-stance/core/body/metrics'
import { trimmed } from '@level-stance/core/kernel/entry'
import { useBoard } from '../data/board.ts'
import { usePreferences } from '../data/preferences.ts'

/** The same as the drawing, for a reader of the page; it comes to rest a little after a drag. */
const board = useBoard()
const preferences = usePreferences()
const all = computed(() => ({ start: board.start, now: board.now, proposed: board.proposed }))
const rested = refDebounced(all, 250)
const rows = computed(() =>
  metricKeys.flatMap((key) => {
    const { label, unit } = metricDefinition(key)
    const { start, now, proposed } = rested.value
    const shown = (value: number | null | undefined) =>
      typeof value === 'number'
        ? unit === 'mm'
          ? preferences.length(value, 1)
          : `${trimmed(value, 1)}${unit === 'deg' ? '°' : ` ${unit}`}`
        : 'no value'
    return now ? [[label, shown(start?.[key]), shown(now[key]), proposed ? shown(proposed[key]) : '']] : []
  }),
)
</script>

<template>
  <table class="visually-hidden">
    <caption>
      Rider on the bike
    </caption>
    <thead>
      <tr>
        <th scope="col">What</th>
        <th scope="col">Start</th>
        <th scope="col">Now</th>
        <th scope="col">To try</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row[0]">
        <td v-for="(cell, i) in row" :key="i">{{ cell }}</td>
      </tr>
    </tbody>
  </table>
</template>
