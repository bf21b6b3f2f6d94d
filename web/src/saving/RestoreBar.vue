<script setup lang="ts">
import { UndoOutlined } from '@ant-design/icons-vue'
import { Button } from 'ant-design-vue'
import { nextTick, ref, watch } from 'vue'
import { useLastRemoved } from '../data/lastRemoved.ts'

/** What was just removed, with the way back while there is one. */
const lastRemoved = useLastRemoved()
const bar = ref<HTMLElement | null>(null)
// What was removed has taken the focus with it: it goes on to the way back.
watch(
  () => lastRemoved.last,
  async (last) => {
    if (!last) return
    await nextTick()
    const { activeElement } = document
    if (activeElement === null || activeElement === document.body) bar.value?.querySelector('button')?.focus()
  },
)
</script>

<template>
  <div ref="bar" class="bar" role="status">
    <p v-if="lastRemoved.last" class="card">
      {{ lastRemoved.last.words }}
      <Button type="link" size="small" @click="lastRemoved.restore()"><UndoOutlined /> Restore</Button>
    </p>
  </div>
</template>

<style scoped>
.bar {
  position: fixed;
  z-index: 20;
  left: 50%;
  bottom: 52px;
  translate: -50% 0;
}
.card {
  padding: 6px 14px;
  border-color: var(--petrol);
}
</style>
