<script setup lang="ts">
import { computed } from 'vue'
import FindingList from '../../../finding/FindingList.vue'
import MouldingGuide from './MouldingGuide.vue'
import OtherPart from '../../../catalogue/OtherPart.vue'
import { useFeet } from '../../useFeet.ts'
import FoldPanel from '../../../kit/FoldPanel.vue'

const feet = useFeet()
const mouldable = computed(() => feet.rested.shoe.some((finding) => finding.key === 'mouldable'))
const blocked = computed(() => feet.rested.shoe.some((finding) => finding.weight === 'first'))
</script>

<template>
  <div class="shoe">
    <h2>The shoe before the cleat</h2>
    <p v-if="blocked" class="small warn">What is marked first comes before any cleat: no setting makes up for it.</p>
    <FindingList
      :findings="feet.rested.shoe"
      none="Measure foot against shoe: lengths, width at ball and heel. Both insole and foot, the foot standing."
    />
    <FoldPanel class="mould" title="Moulding a mouldable shoe" :open="mouldable">
      <MouldingGuide />
    </FoldPanel>
    <OtherPart slot-key="shoes" :open="blocked" />
  </div>
</template>

<style scoped>
.shoe {
  display: grid;
  gap: 4px;
  padding: 2px 0 8px;
}
.mould {
  margin-top: 6px;
}
</style>
