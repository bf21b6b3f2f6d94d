<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import { computed } from 'vue'
import { anyCalculation } from '@level-stance/core/kernel/calculation'
import { saddleHeightsCalculation } from '@level-stance/core/stations/seat/height/calculations'
import { heightMethods, heightsFor } from '@level-stance/core/stations/seat/height/methods'
import { heightInputOf } from '@level-stance/core/stations/seat/height/input'
import { formatLength } from '@level-stance/core/kernel/entry'
import { sides } from '@level-stance/core/kernel/sided'
import { usePreferences } from '../data/preferences.ts'
import { useVisit } from '../data/visit.ts'
import WorkingButton from './WorkingButton.vue'

/** Saddle-height methods side by side, each against where the saddle stands. */
const visit = useVisit()
const preferences = usePreferences()

const inputs = computed(() => sides.map((side) => heightInputOf(visit.setup, side)))
const saddle = computed(() => visit.setup.now.saddleHeight.left?.value ?? null)
const rows = computed(() => {
  const [left, right] = inputs.value
  if (!left || !right) return []
  const both = [heightsFor(left), heightsFor(right)]
  return (both[0] ?? []).map((answer, i) => {
    const other = both[1]?.[i]
    const lows = [answer.low, other?.low ?? null].filter((v) => v !== null)
    const highs = [answer.high, other?.high ?? null].filter((v) => v !== null)
    const known = lows.length > 0 && highs.length > 0
    // A window must suit both legs; a method that gives each leg one height gives a range between the two.
    const isWindow = answer.low !== answer.high
    const [low, high] = isWindow ? [Math.max(...lows), Math.min(...highs)] : [Math.min(...lows), Math.max(...highs)]
    const method = heightMethods[answer.key]
    return { key: answer.key, label: method.label, why: method.why, low, high, known, suits: known && low <= high }
  })
})
/** One scale for all rows, so that they are compared by eye. */
const scale = computed(() => {
  const points = rows.value.flatMap((row) => (row.suits ? [row.low, row.high] : [])).concat(saddle.value ?? [])
  return { min: Math.min(...points) - 8, max: Math.max(...points) + 8 }
})
const at = (value: number) => (100 * (value - scale.value.min)) / (scale.value.max - scale.value.min)
const shown = (value: number) => formatLength(value, preferences.unit, preferences.unit === 'mm' ? 0 : 2)
const against = (row: { low: number; high: number }) => {
  if (saddle.value === null) return ''
  if (saddle.value < row.low) return `saddle ${shown(row.low - saddle.value)} lower`
  if (saddle.value > row.high) return `saddle ${shown(saddle.value - row.high)} higher`
  return 'saddle inside'
}
const items = computed(() =>
  inputs.value.flatMap((input, i) => {
    if (input === null) return []
    const { inseam, pedalling = false } = input
    const { saddleHeight: _, ...leg } = input.leg
    const heading = `Saddle heights, ${sides[i] ?? ''} leg`
    return [{ heading, calculation: anyCalculation(saddleHeightsCalculation), input: { inseam, leg, pedalling }, plusMinus: {} }]
  }),
)
</script>

<template>
  <div class="heights">
    <p class="small muted">
      All as height from the bottom bracket to the saddle’s top, {{ preferences.unit }}. The line is the saddle now.
      <WorkingButton :runs="items" />
    </p>
    <div v-for="row in rows" :key="row.key" class="row">
      <p class="line">
        <span>{{ row.label }}</span>
        <span v-if="row.suits" class="figure">{{ shown(row.low) }}{{ row.high - row.low > 0.5 ? `–${shown(row.high)}` : '' }}</span>
        <span v-else class="muted">{{ row.known ? 'no one height suits both legs' : 'no height gives it' }}</span>
      </p>
      <div v-if="row.suits" class="tube" role="img" :aria-label="`${row.label}: ${shown(row.low)} to ${shown(row.high)}, ${against(row)}`">
        <span class="band" :style="{ left: `${at(row.low)}%`, width: `${Math.max(1.2, at(row.high) - at(row.low))}%` }" />
        <span v-if="saddle !== null" class="now" :style="{ left: `${at(saddle)}%` }" />
      </div>
      <p class="small muted">{{ row.known ? `${against(row)}. ` : '' }}<MessageText :of="row.why" /></p>
    </div>
    <p v-if="rows.length === 0" class="muted">Measure stature, saddle height, crank and cleats first.</p>
  </div>
</template>

<style scoped>
.heights {
  display: grid;
  gap: 8px;
  line-height: 1.25;
}
.line {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.tube {
  position: relative;
  height: 16px;
  margin: 2px 0;
  border: 1px solid var(--line);
  border-radius: 8px;
  background: var(--panel);
  overflow: hidden;
}
.band {
  position: absolute;
  top: 0;
  bottom: 0;
  background: var(--glass);
  border: 1px solid var(--glass-edge);
}
.now {
  position: absolute;
  top: -2px;
  bottom: -2px;
  width: 2px;
  background: var(--ink);
}
.small {
  font-size: 13px;
}
</style>
