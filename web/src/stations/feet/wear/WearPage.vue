<script setup lang="ts">
import FindingList from '../../../finding/FindingList.vue'
import { useFeet } from '../../useFeet.ts'

/** Wear of the cleats, toggle and release, and the bolts that hold them. */
const feet = useFeet()
</script>

<template>
  <section class="group">
    <h2>Wear and release</h2>
    <FindingList
      :findings="feet.rested.wear"
      none="Ask for the distance or the hours on these cleats; look at the mark, toggle each foot by hand, try the release ten times."
    />
  </section>
  <section class="group">
    <h2>Bolts</h2>
    <FindingList :findings="feet.rested.bolts" none="Choose the bolt pattern of the sole; count the bolts, then bolt against sole." />
  </section>
  <p class="caution">
    Short bolts where two lengths came in the bag: a long one can pierce the sole. Practise the release before riding off.
  </p>
</template>

<style scoped>
.group {
  display: grid;
  gap: 2px;
  padding-bottom: 10px;
}
</style>
