<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import { computed } from 'vue'
import { riderTroubles } from '@level-stance/core/body/troubles'
import { useBoard } from '../data/board.ts'
import { useVisit } from '../data/visit.ts'
import { stable } from '../kit/stable.ts'

/** What is impossible about the rider on the bike, under the drawing of what is possible. */
const visit = useVisit()
const board = useBoard()
const strained = computed(() =>
  visit.rider.usual.strained.length > 0
    ? ['The readings contradict each other: the body model has to be strained to fit them. See Fit on Measure.']
    : [],
)
const troubles = stable(() => {
  const model = board.whole?.model ?? visit.setup.model
  return [...strained.value, ...(model ? riderTroubles(model) : [])]
})
</script>

<template>
  <div class="place">
    <div v-if="troubles.length > 0" class="troubles" role="alert">
      <p v-for="(words, i) in troubles" :key="i"><MessageText :of="words" /></p>
    </div>
  </div>
</template>

<style scoped>
.place {
  position: relative;
}
/* While a hand drags on the drawing the drawing keeps its size, and its scale: the words lie over its lower end. */
.hand-drags .troubles {
  position: absolute;
  right: 0;
  bottom: 0;
  left: 0;
}
.troubles {
  padding: 6px 12px;
  border-left: 3px solid var(--brick);
  background: var(--brick-soft);
  font-size: 14px;
}
</style>
