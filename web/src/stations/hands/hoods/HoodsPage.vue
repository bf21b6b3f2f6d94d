<script setup lang="ts">
import { computed } from 'vue'
import { trimmed } from '@level-stance/core/kernel/entry'
import MetricVials from '../../../vial/MetricVials.vue'
import JudgedPage from '../pieces/JudgedPage.vue'
import { useHands } from '../../useHands.ts'

/** Hoods of a drop bar: inward turn, place on the bend, and the wrist on them. */
const hands = useHands()
const ease = computed(() => hands.rested.hoods.ease)
const way = (by: number, more: string, less: string) =>
  Math.abs(by) < 0.5 ? 'where it is' : `${trimmed(Math.abs(by), 0)}° ${by > 0 ? more : less}`
</script>

<template>
  <JudgedPage term="hoods" title="Hoods" none="Not judged yet: read how far the hoods are turned in, and where the levers sit on the bend.">
    <MetricVials :metrics="['wristLeft', 'wristRight', 'elbowLeft', 'elbowRight']" />
    <p v-if="ease" class="small" data-testid="wrist-ease">
      The wrist lies easiest, near 2° to the little finger, with
      <template v-if="ease.position">the levers {{ way(ease.position.at, 'down the bend', 'up the bend') }}</template>
      <template v-if="ease.position && ease.roll">, or </template>
      <template v-if="ease.roll">the bar rolled {{ way(ease.roll.at, 'forward', 'back') }}</template
      >.
    </p>
    <template #after
      ><p class="small muted">Both hoods alike unless the hands differ. Unwrap no tape before the levers are judged.</p></template
    >
  </JudgedPage>
</template>
