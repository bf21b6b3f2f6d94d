<script setup lang="ts">
import { fieldOfEvent } from './events.ts'
/** A button that asks for a file; the same file chosen again after a refusal is a new try. */
defineProps<{ label: string; accept: string; busy: boolean; name: string }>()
const emit = defineEmits<{ pick: [file: File] }>()
function picked(event: Event): void {
  const input = fieldOfEvent(event)
  const file = input.files?.[0]
  input.value = ''
  if (file) emit('pick', file)
}
</script>

<template>
  <label class="plain file"
    >{{ label }}
    <input type="file" :accept="accept" :disabled="busy" :aria-label="name" @change="picked" />
  </label>
</template>

<style scoped>
.file {
  position: relative;
  display: inline-flex;
  align-items: center;
  cursor: pointer;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.file:focus-within {
  box-shadow: var(--focus);
}
</style>
