<script setup lang="ts">
import { computed } from 'vue'
import { cleatSchool } from '@level-stance/core/feet/cleatSchools'
import { formatLength } from '@level-stance/core/quantity/entry'
import type { Side } from '@level-stance/core/quantity/sided'
import VialGauge from '../../parts/VialGauge.vue'
import { stable } from '../../composables/stable.ts'
import { usePreferences } from '../../stores/preferences.ts'
import { useVisit } from '../../stores/visit.ts'
import { useFeet } from './useFeet.ts'

const props = defineProps<{ side: Side; scale: { readonly min: number; readonly max: number } }>()
const visit = useVisit()
const feet = useFeet()
const preferences = usePreferences()

const judgement = computed(() => feet.judgements[props.side])
const ticks = stable(() =>
  judgement.value.schools.flatMap((row) => (row.target === null ? [] : [{ at: row.target, label: cleatSchool(row.school).tick }])),
)
const remark = computed(() => {
  if (judgement.value.state === 'missing') return ''
  const { left } = judgement.value.result
  return Math.abs(left) > 0.05 ? `slot ends ${formatLength(Math.abs(left), preferences.unit)} short` : judgement.value.state
})
const ghost = computed(() => {
  const start = visit.baseline.cleat[props.side].setbackNow?.value ?? null
  return judgement.value.state !== 'missing' && start !== judgement.value.now.value ? start : null
})
const proposed = computed(() => {
  const foot = feet.canTry ? feet.proposal.feet[props.side] : null
  return foot && foot.now !== 0 ? foot.from + foot.now : null
})
</script>

<template>
  <div class="foot">
    <VialGauge
      v-if="judgement.state !== 'missing'"
      :label="`Behind ball, ${side}`"
      :shown="`${formatLength(judgement.now.value, preferences.unit)} ${preferences.unit}`"
      :value="judgement.now.value"
      :plus-minus="judgement.now.plusMinus"
      :band="judgement.band"
      :scale="scale"
      :ticks="ticks"
      :ghost="ghost"
      :proposed="proposed"
      :remark="remark"
    />
    <p v-else class="missing">{{ judgement.sentence }}</p>
  </div>
</template>

<style scoped>
.foot {
  padding-top: 4px;
}
.missing {
  margin: 6px 0;
  padding: 8px 0 8px 10px;
  border-left: 3px solid var(--amber);
}
</style>
