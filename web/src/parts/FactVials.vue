<script setup lang="ts">
import type { FactKey } from '@level-stance/core/body/facts'
import { computed } from 'vue'
import { useVisit } from '../stores/visit.ts'
import FactVial from './FactVial.vue'

/** Numbers of the rider on the bike, two a row, in the order of the body. */
const props = withDefaults(defineProps<{ facts?: readonly FactKey[] }>(), {
  facts: () => [
    'kneeLeft', 'kneeRight', 'hipLeft', 'hipRight', 'torso', 'elbow', 'shoulder', 'wrist', 'reach', 'drop', 'load', 'frontWheel',
    'kneeElbowLeft', 'kneeElbowRight', 'kneeAheadLeft', 'kneeAheadRight', 'stance', 'wristBack',
  ], // prettier-ignore
})

const visit = useVisit()
/** A lever angle means a bend of the wrist only where the hand holds the bar by its grip. */
const shown = computed(() => props.facts.filter((fact) => fact !== 'wristBack' || visit.bar === 'flat'))
</script>

<template>
  <p v-if="visit.setup.model && visit.rider.usual.state === 'none'" class="small muted uncalibrated">
    Not calibrated: nothing is read on the bike yet. These are estimates; trust them for differences.
  </p>
  <div class="vials">
    <FactVial v-for="fact in shown" :key="fact" :fact="fact" />
  </div>
</template>

<style scoped>
.uncalibrated {
  padding-bottom: 6px;
  line-height: 1.25;
}
.vials {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 7px 14px;
}
</style>
