<script setup lang="ts">
import { computed } from 'vue'
import { GLASS_HEIGHT, WITH_TICKS, bubbleAt } from './vialScale.ts'
import type { Glass } from './vialScale.ts'

/** Where a bubble is to go, laid over its glass: it follows a hand that drags, and the glass is not drawn anew. */
const props = defineProps<{ glass: Glass; value: number; plusMinus: number | null; hasTicks?: boolean }>()
/** From the drawing's upper edge, and of the outline, in its units. */
const [top, high] = [4.5, 15]
const percent = (length: number) => `${((100 * length) / (props.hasTicks ? WITH_TICKS : GLASS_HEIGHT)).toFixed(1)}%`
const place = computed(() => ({ ...bubbleAt(props.glass, props.value, props.plusMinus), top: percent(top), height: percent(high) }))
</script>

<template>
  <span class="proposed" aria-hidden="true" :style="place" />
</template>

<style scoped>
.proposed {
  position: absolute;
  border: 2px dashed var(--petrol);
  border-radius: 50%;
  pointer-events: none;
}
</style>
