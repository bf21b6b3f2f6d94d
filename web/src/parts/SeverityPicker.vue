<script setup lang="ts">
import { range } from '../composables/range.ts'

/** 0 to 10 as eleven large targets; arrow keys move. */
const props = defineProps<{ label: string; value: number | null }>()
const emit = defineEmits<{ pick: [severity: number] }>()
const steps = range(0, 10)

function arrow(event: KeyboardEvent): void {
  const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key]
  if (by === undefined) return
  event.preventDefault()
  const next = Math.min(10, Math.max(0, (props.value ?? 5) + by))
  emit('pick', next)
  ;(event.currentTarget as HTMLElement).querySelectorAll<HTMLElement>('[role=radio]')[next]?.focus()
}
</script>

<template>
  <div class="picker" role="radiogroup" :aria-label="label" @keydown="arrow">
    <button
      v-for="step in steps"
      :key="step"
      type="button"
      role="radio"
      class="figure"
      :class="{ on: step === value, filled: value !== null && step <= value }"
      :aria-checked="step === value"
      :aria-label="`${step} of 10`"
      :tabindex="step === (value ?? 0) ? 0 : -1"
      @click="emit('pick', step)"
    >
      {{ step }}
    </button>
  </div>
</template>

<style scoped>
.picker {
  display: flex;
  gap: 3px;
}
button {
  flex: 1 1 0;
  min-width: 22px;
  height: 40px;
  padding: 0;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--panel);
  color: var(--muted);
  font-size: 16px;
  cursor: pointer;
}
button.filled {
  background: var(--petrol-soft);
  color: var(--ink);
}
button.on {
  background: var(--petrol);
  border-color: var(--petrol);
  color: var(--on-petrol);
}
</style>
