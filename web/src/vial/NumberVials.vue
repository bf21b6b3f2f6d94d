<script setup lang="ts">
import { computed } from 'vue'
import { formatLength, trimmed } from '@level-stance/core/kernel/entry'
import type { Vial } from '@level-stance/core/station/number'
import { stable } from '../kit/stable.ts'
import { useBoard } from '../data/board.ts'
import { usePreferences } from '../data/preferences.ts'
import VialGauge from './VialGauge.vue'
import { scaleOf } from './vialScale.ts'

/** The numbers of a page against their bands, on one scale so that they can be compared by eye. */
const props = defineProps<{ vials: readonly Vial[] }>()
const board = useBoard()
const preferences = usePreferences()

const scale = stable(() => scaleOf(props.vials))
const shown = ({ value, unit }: Vial) => {
  if (unit === 'mm') return `${formatLength(value, preferences.unit)} ${preferences.unit}`
  return `${trimmed(value, 1)}${unit === 'deg' ? '°' : ' %'}`
}
/** Where it is asked to go, else where it should. */
const proposed = computed(() =>
  props.vials.map(({ value, aim, moves }) => {
    const by = moves ? board.aimed(moves.setting, moves.side) : 0
    return by === 0 ? aim : value + by
  }),
)
</script>

<template>
  <VialGauge
    v-for="(vial, i) in vials"
    :key="vial.key"
    :label="vial.label"
    :term="vial.term"
    :shown="shown(vial)"
    :value="vial.value"
    :plus-minus="vial.plusMinus"
    :band="vial.band"
    :scale="scale"
    :ticks="vial.ticks ?? []"
    :ghost="vial.start ?? null"
    :proposed="proposed[i] ?? null"
    :remark="preferences.plain(vial.remark)"
    :data-testid="`target-${vial.key}`"
  />
</template>
