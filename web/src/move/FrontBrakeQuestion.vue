<script setup lang="ts">
import { computed } from 'vue'
import { isAboutBrakes } from '@level-stance/core/ledger/cautions'
import type { Cautioned } from '@level-stance/core/ledger/cautions'
import { chosen } from '@level-stance/core/readings/resolve'
import { useVisit } from '../data/visit.ts'
import AnswerPicker from '../kit/AnswerPicker.vue'

/** Asked where the hand is about to act on something a brake hangs on, until it is told or found on the bike. */
const props = defineProps<{ change: Cautioned }>()
const visit = useVisit()

const isOpen = computed(
  () => isAboutBrakes(props.change) && chosen(visit.setup.now, 'frontBrakeLever') === null && visit.riding.frontBrake === undefined,
)
const noAnswer = computed((): 'left' | 'right' | null => null)
const levers = { left: 'Left', right: 'Right' } as const
</script>

<template>
  <div v-if="isOpen" class="ask" data-testid="front-brake-question">
    <p class="small">Which lever works the front brake? Ask before a hand is laid on a brake.</p>
    <AnswerPicker
      label="Front brake"
      :value="noAnswer"
      :options="levers"
      @pick="(frontBrake) => visit.setVisit({ riding: { ...visit.riding, frontBrake } })"
    />
  </div>
</template>

<style scoped>
.ask {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
}
.ask p {
  flex: 1 1 180px;
}
</style>
