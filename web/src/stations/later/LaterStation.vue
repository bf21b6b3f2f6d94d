<script setup lang="ts">
defineProps<{ station: 'seat' | 'hands' }>()
const what = {
  seat: 'Saddle width, tilt, height and setback are judged here. Until then, saddle height is read on Measure, and a cleat move on Feet says what it asks of the saddle.',
  hands: 'Bar width, sweep, roll, levers and grips are judged here, after feet and seat: both change where the hands should be.',
}
</script>

<template>
  <section class="later">
    <h1>{{ station === 'seat' ? 'Seat' : 'Hands' }} is not built yet</h1>
    <p>{{ what[station] }}</p>
    <p class="muted">This version works from talk through feet to the record.</p>
  </section>
</template>

<style scoped>
.later {
  max-width: 560px;
  margin: 0 auto;
  padding: 80px 20px;
  display: grid;
  gap: 10px;
}
</style>
