<script setup lang="ts">
import { computed } from 'vue'
import { bandState, bandWords } from '@level-stance/core/kernel/band'
import type { TargetBand } from '@level-stance/core/kernel/band'
import { MessageText } from '../glossary/MessageText.ts'
import type { TermKey } from '../glossary/terms.ts'
import VialAim from './VialAim.vue'
import VialTube from './VialTube.vue'
import type { VialTick } from './VialTube.vue'

/** A judged number with its words over the glass. */
const props = defineProps<{
  label: string
  /** the term that the label is an amount of, where it does not name it itself */
  term?: TermKey | null
  /** value as text, with unit */
  shown: string
  value: number
  plusMinus: number
  /** null = nothing is asked of it */
  band: TargetBand | null
  scale: { readonly min: number; readonly max: number }
  ticks?: readonly VialTick[]
  ghost?: number | null
  proposed?: number | null
  /** said at the right instead of the plain state */
  remark?: string
}>()

/** Of the glass, in its drawing's units. */
const WIDTH = 320
const state = computed(() => (props.band === null ? 'free' : bandState(props, props.band)))
const word = computed(() => (state.value === 'free' ? '' : bandWords[state.value]))
const spoken = computed(
  () =>
    `${props.label} ${props.shown}, ±${props.plusMinus.toFixed(1)}` +
    (props.band === null ? '.' : `: ${word.value}. Target ${props.band.low.toFixed(1)} to ${props.band.high.toFixed(1)}.`),
)
</script>

<template>
  <div class="vial" :class="state" role="img" :aria-label="spoken">
    <div class="head" aria-hidden="true">
      <span class="name"><MessageText :of="label" :term="term" /></span>
      <span class="figure">{{ shown }}</span>
      <span class="remark">{{ remark ?? word }}</span>
    </div>
    <div class="over-glass">
      <VialTube
        :value="value"
        :plus-minus="plusMinus"
        :band="band"
        :scale="scale"
        :state="state"
        :ticks="ticks"
        :ghost="ghost"
        :width="WIDTH"
      />
      <VialAim
        v-if="typeof proposed === 'number'"
        :glass="{ scale, width: WIDTH }"
        :value="proposed"
        :plus-minus="plusMinus"
        :has-ticks="(ticks ?? []).length > 0"
      />
    </div>
  </div>
</template>

<style scoped>
.over-glass {
  position: relative;
}
.head {
  display: flex;
  align-items: baseline;
  gap: 6px;
  margin-bottom: 3px;
  font-size: 15px;
}
.figure {
  font-size: 18px;
  white-space: nowrap;
}
.remark {
  margin-left: auto;
  color: var(--muted);
  font-size: 14px;
}
.near .remark {
  color: var(--amber-ink);
}
.outside .remark {
  color: var(--brick);
}
</style>
