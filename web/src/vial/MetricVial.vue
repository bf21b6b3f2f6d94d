<script setup lang="ts">
import type { Side } from '@level-stance/core/kernel/sided'
import { computed } from 'vue'
import { metricDefinition } from '@level-stance/core/body/metrics'
import type { MetricKey } from '@level-stance/core/body/metrics'
import { kneeBand } from '@level-stance/core/rider/kneeAtBottom'
import { bandState, bandWords, isUnsure } from '@level-stance/core/kernel/band'
import { formatLength, trimmed } from '@level-stance/core/kernel/entry'
import { MessageText } from '../glossary/MessageText.ts'
import { termOfMetric } from '../glossary/terms.ts'
import { useBoard } from '../data/board.ts'
import { useUncertainty } from '../data/uncertainty.ts'
import { usePreferences } from '../data/preferences.ts'
import { useVisit } from '../data/visit.ts'
import VialAim from './VialAim.vue'
import VialTube from './VialTube.vue'

/** One number of the rider on the bike: now, its ±, start, and what is to be tried. */
const props = defineProps<{ metric: MetricKey }>()
const board = useBoard()
const uncertainty = useUncertainty()
const visit = useVisit()
const preferences = usePreferences()

const definition = computed(() => metricDefinition(props.metric))
const glass = computed(() => ({ scale: definition.value.scale, width: 190 }))
const knee = computed((): Side | undefined => (props.metric === 'kneeLeft' ? 'left' : props.metric === 'kneeRight' ? 'right' : undefined))
/** A knee read while pedalling is judged by the band for pedalling. */
const band = computed(() => (knee.value ? kneeBand(visit.setup.now, knee.value) : definition.value.band))
/** What was read shows at once, with nothing else known of the rider. */
const now = computed(() => board.now?.[props.metric] ?? null)
const start = computed(() => board.start?.[props.metric] ?? null)
/** To what can be shown, so that a number that stays the same draws nothing anew. */
const rounded = (value: number) => Math.round(value * 10) / 10
const proposed = computed(() => {
  const value = board.active ? (board.proposed?.[props.metric] ?? null) : null
  return value === null ? null : rounded(value)
})
const plusMinus = computed(() => uncertainty.plusMinus(props.metric))
/** It stands large, and nobody has read what it rests on. */
const estimated = computed(() => now.value !== null && uncertainty.isEstimated(props.metric))
const moves = computed(() => now.value !== null && proposed.value !== null && Math.abs(proposed.value - now.value) >= 0.05)
const unsure = computed(() => band.value !== null && plusMinus.value !== null && isUnsure(plusMinus.value, band.value))
const state = computed(() =>
  band.value === null || now.value === null || unsure.value
    ? 'free'
    : bandState({ value: now.value, plusMinus: plusMinus.value ?? 0 }, band.value),
)
const word = computed(() => (unsure.value ? 'unsure' : state.value === 'free' ? '' : bandWords[state.value]))
/** A convention is called one where it is shown. */
const convention = computed(() => definition.value.source === 'common-practice')
const shown = (value: number) => {
  const { unit } = definition.value
  if (unit !== 'mm') return trimmed(value, 1)
  return formatLength(value, preferences.unit, preferences.unit === 'mm' ? 0 : 2)
}
const mark = computed(() => ({ deg: '°', mm: ` ${preferences.unit}`, '%': ' %' })[definition.value.unit])
const spoken = computed(() => {
  const { label } = definition.value
  if (now.value === null) return `${label}: no value`
  const target = band.value === null ? '' : `, ${word.value}, target ${band.value.low} to ${band.value.high}`
  const sure = plusMinus.value === null ? '' : ` ±${shown(plusMinus.value)}`
  // What is to be tried is said by the board's table, when the hand has come to rest.
  return `${label} ${shown(now.value)}${mark.value}${sure}${estimated.value ? ', estimated' : ''}${target}`
})
</script>

<template>
  <div
    class="metric"
    :class="[state, { short: board.active }]"
    role="img"
    :aria-label="spoken"
    :title="definition.note"
    :data-testid="`metric-${metric}`"
  >
    <div class="line" aria-hidden="true">
      <span class="name"><MessageText :of="definition.short" :term="termOfMetric(metric)" /></span>
      <template v-if="board.active && now !== null">
        <span class="figure end">{{ shown(now) }}{{ moves ? '' : mark }}</span>
        <span v-if="moves && proposed !== null" class="figure to">→ {{ shown(proposed) }}{{ mark }}</span>
      </template>
      <span v-else-if="word" class="word">{{ word }}</span>
    </div>
    <template v-if="now !== null">
      <div class="over-glass">
        <VialTube
          :value="now"
          :plus-minus="plusMinus"
          :band="band"
          :scale="glass.scale"
          :state="state"
          :ghost="start !== null && Math.abs(start - now) >= 0.05 ? start : null"
          :width="glass.width"
        />
        <VialAim v-if="moves && proposed !== null" :glass="glass" :value="proposed" :plus-minus="plusMinus" />
      </div>
      <div v-if="!board.active" class="line" aria-hidden="true">
        <span class="figure">{{ shown(now) }}{{ mark }}</span>
        <span v-if="plusMinus !== null" class="muted">±{{ shown(plusMinus) }}</span>
        <span v-if="estimated" class="word">est.</span>
        <span v-else-if="convention" class="word">convention</span>
      </div>
    </template>
    <p v-else class="muted none">not known yet</p>
  </div>
</template>

<style scoped>
.over-glass {
  position: relative;
}
/* Of a fixed size and laid out alone: a number that changes moves nothing else. */
.metric {
  contain: size layout style;
  height: 58px;
  min-width: 0;
  font-size: 14px;
  line-height: 1.25;
}
.metric.short {
  height: 40px;
}
.line {
  display: flex;
  align-items: baseline;
  gap: 6px;
  white-space: nowrap;
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
}
.word {
  margin-left: auto;
  color: var(--muted);
}
.near .word {
  color: var(--amber-ink);
}
.outside .word {
  color: var(--brick);
}
.figure {
  font-size: 16px;
}
.end {
  margin-left: auto;
}
.to {
  color: var(--petrol);
}
.none {
  padding: 3px 0;
}
</style>
