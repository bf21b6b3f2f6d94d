<script setup lang="ts">
import { Button, Popover } from 'ant-design-vue'
import TermDrawing from './TermDrawing.vue'
import { useGlossary } from './glossaryStore.ts'
import { termOf } from './terms.ts'
import type { TermKey } from './terms.ts'

/** A term beside its word: what it means, its drawing, and the way into the glossary. */
const props = defineProps<{
  term: TermKey
  box: { readonly left: number; readonly top: number; readonly width: number; readonly height: number }
}>()
const emit = defineEmits<{ glossary: [] }>()
const glossary = useGlossary()
function open(): void {
  emit('glossary')
  glossary.show(props.term)
}
const px = (length: number) => `${length}px`
</script>

<template>
  <Popover open :trigger="[]" :title="termOf(term).term" placement="top" overlay-class-name="term-tip">
    <template #content>
      <div class="meaning">
        <TermDrawing :term="term" />
        <div>
          <p>{{ termOf(term).says }}</p>
          <Button type="link" size="small" @click="open">Glossary</Button>
        </div>
      </div>
    </template>
    <span class="anchor" :style="{ left: px(box.left), top: px(box.top), width: px(box.width), height: px(box.height) }" />
  </Popover>
</template>

<style scoped>
.anchor {
  position: fixed;
  pointer-events: none;
}
.meaning {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr);
  gap: 12px;
  width: 360px;
  max-width: calc(100vw - 40px);
}
p {
  font-size: 15px;
  line-height: 1.35;
}
.ant-btn {
  padding: 0;
}
</style>
