<script setup lang="ts">
import { bodyDrawings } from '@level-stance/core/figure/bodyMap'
import { bodyViews } from '@level-stance/core/talk/regions'
import type { BodyView } from '@level-stance/core/talk/regions'
import { computed, useId } from 'vue'

/** One drawing of the body: its skin, what is written over it, and its places cut out of it. */
const props = defineProps<{ view: BodyView }>()
const drawing = computed(() => bodyDrawings[props.view])
const clip = useId()
</script>

<template>
  <g>
    <clipPath v-if="drawing.outline.length > 0" :id="clip">
      <path v-for="path in drawing.outline" :key="path" :d="path" />
    </clipPath>
    <g aria-hidden="true">
      <text class="caption" x="0" y="-3" text-anchor="middle">{{ bodyViews[view].label }}</text>
      <text class="caption" :x="drawing.rightAt * 66" y="-3" text-anchor="middle">right</text>
      <text class="caption" :x="drawing.rightAt * -66" y="-3" text-anchor="middle">left</text>
      <path v-for="path in drawing.outline" :key="path" class="skin" :d="path" />
    </g>
    <g :clip-path="drawing.outline.length > 0 ? `url(#${clip})` : undefined"><slot /></g>
  </g>
</template>

<style scoped>
.caption {
  fill: var(--muted);
  font-size: 12px;
}
.skin {
  fill: var(--flesh);
}
:slotted(path) {
  fill: var(--flesh);
  stroke: var(--panel);
  stroke-width: 2;
}
:slotted(.told > path) {
  fill: var(--brick);
  fill-opacity: 0.75;
}
</style>
