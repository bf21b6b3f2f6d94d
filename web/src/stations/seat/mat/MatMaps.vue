<script setup lang="ts">
import { computed } from 'vue'
import { useMat } from '../../../data/mat.ts'
import HeatMap from './HeatMap.vue'
import { useSeat } from '../../useSeat.ts'

/** Before and after side by side, in one scale of place and colour. */
const mat = useMat()
const seat = useSeat()
/** In whole steps, so that a streaming peak does not recolour both maps with every frame. */
const STEP = 25
const most = computed(() => STEP * Math.ceil(Math.max(mat.before?.result?.peak ?? 0, mat.after?.result?.peak ?? 0) / STEP))
const shape = computed(() => seat.parts.shape)
</script>

<template>
  <div class="maps">
    <div v-if="mat.before || mat.after" class="pair">
      <HeatMap v-if="mat.before" :recording="mat.before" :most="most" :shape="shape" :title="mat.before.title" />
      <HeatMap v-if="mat.after" :recording="mat.after" :most="most" :shape="shape" :title="mat.after.title" />
    </div>
    <p v-else class="empty muted">
      No recording yet. Load a file of a mat (its open text format is written down in the docs), or let the simulated mat run to see what
      one would say.
    </p>
    <p class="small muted legend">
      × sit bones, ● centre of pressure, ▽ highest, dotted: the saddle in use. Front on top, one scale of colour for both. Lay a mat
      straight and centred.
    </p>
  </div>
</template>

<style scoped>
.maps {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  height: 100%;
  min-height: 0;
}
.pair {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  min-height: 0;
}
.empty {
  align-self: center;
  padding: 24px;
}
.legend {
  padding: 4px 12px 8px;
}
</style>
