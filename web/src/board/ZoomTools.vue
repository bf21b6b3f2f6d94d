<script setup lang="ts">
import { CompressOutlined, MinusOutlined, PlusOutlined } from '@ant-design/icons-vue'
import { Button } from 'ant-design-vue'

/** Smaller, larger, whole: the same in every drawing; for hands that have no wheel and cannot pinch. */
defineProps<{
  zoomBy: (factor: number) => void
  reset: () => void
  /** laid over the drawing's corner, where no bar stands above it */
  over?: boolean
}>()
const STEP = 1.25
</script>

<template>
  <div class="zoom" :class="{ over }">
    <Button type="text" aria-label="Smaller" title="Smaller" @click="zoomBy(1 / STEP)"><MinusOutlined /></Button>
    <Button type="text" aria-label="Larger" title="Larger" @click="zoomBy(STEP)"><PlusOutlined /></Button>
    <Button type="text" aria-label="Whole picture" title="Whole picture" @click="reset"><CompressOutlined /></Button>
  </div>
</template>

<style scoped>
.zoom {
  display: flex;
}
.over {
  position: absolute;
  top: 4px;
  right: 6px;
}
.zoom .ant-btn {
  width: 40px;
  padding: 0;
  color: var(--petrol);
}
</style>
