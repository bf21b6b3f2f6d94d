<script setup lang="ts" generic="Key extends string">
import PageTabs from './PageTabs.vue'

/** The pictures of a station: their tabs, the one that is open, and a chart or a note under it. */
defineProps<{ pictures: readonly { readonly key: Key; readonly label: string }[]; shown: Key }>()
defineEmits<{ show: [key: Key] }>()
</script>

<template>
  <div class="stack" :class="{ charted: $slots['chart'] }">
    <PageTabs :pages="pictures" :shown="shown" label="Pictures" @show="(key) => $emit('show', key)" />
    <div class="picture"><slot /></div>
    <div v-if="$slots['chart']" class="chart"><slot name="chart" /></div>
    <slot name="note" />
  </div>
</template>

<style scoped>
.stack {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  height: 100%;
  min-height: 0;
}
.picture {
  min-height: 0;
}
/* On a tablet upright there is room beside the picture, and little under it. */
@media (min-width: 701px) and (max-width: 1100px) and (orientation: portrait) {
  .charted {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    grid-template-rows: auto minmax(0, 1fr);
  }
  .charted > :first-child {
    grid-column: 1 / -1;
  }
  .chart {
    align-self: center;
  }
}
</style>
