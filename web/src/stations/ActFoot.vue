<script setup lang="ts">
import { ref } from 'vue'

/** What is to be tried, or is being tried, under the rest of a page: it pushes the page up and covers nothing. */
withDefaults(
  defineProps<{
    /** kept to this height while a hand drags on a drawing, so that the drawing keeps its scale under it; px */
    held?: number | null
  }>(),
  { held: null },
)
const place = ref<HTMLElement | null>(null)
defineExpose({
  /** @returns px */
  height: () => place.value?.offsetHeight ?? 0,
})
</script>

<template>
  <div
    ref="place"
    class="foot"
    :class="{ held: held !== null }"
    :style="held === null ? {} : { height: `${held}px` }"
    role="group"
    aria-label="What to try"
  >
    <slot />
  </div>
</template>

<style scoped>
.foot {
  display: flex;
  flex-direction: column;
  max-height: 48vh;
  min-width: 0;
  padding: 6px 8px;
  border-top: 1px solid var(--line);
}
.held {
  overflow: hidden;
}
.held[style*='height: 0'] {
  padding: 0;
  border: 0;
}
.foot:empty {
  display: none;
}
@media (max-width: 700px) {
  .foot {
    max-height: none;
  }
}
</style>
