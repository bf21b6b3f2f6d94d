<script setup lang="ts">
/** A finding as a good colleague would say it. */
defineProps<{ headline: string; sentence: string; sure: string; speaksFor: readonly string[]; against: readonly string[] }>()
</script>

<template>
  <article class="finding">
    <p>
      <strong>{{ headline }}</strong> {{ sentence }}
    </p>
    <p class="small muted">
      {{ sure }}
      <template v-if="speaksFor.length > 0">Speaks for it: {{ speaksFor.join('; ') }}.</template>
      <template v-if="against.length > 0">Speaks against: {{ against.join('; ') }}.</template>
    </p>
  </article>
</template>

<style scoped>
.finding {
  display: grid;
  gap: 2px;
  padding: 2px 0 8px;
  font-size: 15px;
  line-height: 1.3;
}
</style>
