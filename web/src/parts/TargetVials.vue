<script setup lang="ts">
import { computed } from 'vue'
import { formatLength, trimmed } from '@level-stance/core/kernel/entry'
import type { Target } from '@level-stance/core/station/station'
import { stable } from '../composables/stable.ts'
import { termOfReading } from '../glossary/terms.ts'
import { useBoard } from '../stores/board.ts'
import { usePreferences } from '../stores/preferences.ts'
import VialGauge from './VialGauge.vue'
import { scaleOf } from './targetScale.ts'

/** The numbers of a page against their bands, on one scale so that they can be compared by eye. */
const props = defineProps<{ targets: readonly Target[] }>()
const board = useBoard()
const preferences = usePreferences()

const scale = stable(() => scaleOf(props.targets))
const inMm = ({ now }: Target) => now.unit === 'mm'
const shown = (target: Target) =>
  inMm(target) ? `${formatLength(target.now.value, preferences.unit)} ${preferences.unit}` : `${trimmed(target.now.value, 1)}°`
/** Where it is asked to go, else where it should. */
const proposed = computed(() =>
  props.targets.map(({ now, aim, moves }) => {
    const by = moves ? board.aimed(moves.setting, moves.side) : 0
    return by === 0 ? aim : now.value + by
  }),
)
</script>

<template>
  <VialGauge
    v-for="(target, i) in targets"
    :key="target.key"
    :label="preferences.said(target.label)"
    :term="target.moves ? termOfReading(target.moves.setting) : null"
    :shown="shown(target)"
    :value="target.now.value"
    :plus-minus="target.now.plusMinus"
    :band="target.band"
    :scale="scale"
    :ticks="target.ticks ?? []"
    :ghost="target.start ?? null"
    :proposed="proposed[i] ?? null"
    :remark="preferences.said(target.remark)"
    :data-testid="`target-${target.key}`"
  />
</template>
