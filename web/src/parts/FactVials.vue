<script setup lang="ts">
import type { FactKey } from '@level-stance/core/body/facts'
import FactVial from './FactVial.vue'

/** Numbers of the rider on the bike, two a row, in the order of the body. */
withDefaults(defineProps<{ facts?: readonly FactKey[] }>(), {
  facts: () => [
    'kneeLeft', 'kneeRight', 'hipLeft', 'hipRight', 'torso', 'elbow', 'shoulder', 'wrist', 'reach', 'drop', 'load', 'frontWheel',
    'kneeElbowLeft', 'kneeElbowRight', 'kneeAheadLeft', 'kneeAheadRight', 'stance', 'longestRight',
  ], // prettier-ignore
})
</script>

<template>
  <div class="vials">
    <FactVial v-for="fact in facts" :key="fact" :fact="fact" />
  </div>
</template>

<style scoped>
.vials {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 7px 14px;
}
</style>
