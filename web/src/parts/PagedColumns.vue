<script setup lang="ts" generic="Key extends string">
import PageTabs from './PageTabs.vue'
import StationColumns from './StationColumns.vue'

/** A station of several pages: their tabs over its three columns. */
defineProps<{ pages: readonly { readonly key: Key; readonly label: string; readonly note?: string }[]; shown: Key; label: string }>()
defineEmits<{ show: [key: Key] }>()
</script>

<template>
  <div class="station">
    <PageTabs :pages="pages" :shown="shown" :label="label" @show="(key) => $emit('show', key)" />
    <StationColumns :left="292" :right="428">
      <template #readings><slot name="readings" /></template>
      <template #board><slot name="board" /></template>
      <template #judgement><slot name="judgement" /></template>
      <template #act><slot name="act" /></template>
    </StationColumns>
  </div>
</template>

<style scoped>
.station {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  height: 100%;
  min-height: 0;
}
@media (max-width: 1100px) {
  .station {
    display: block;
    overflow-y: auto;
  }
}
</style>
