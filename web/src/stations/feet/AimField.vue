<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { formatLength } from '@level-stance/core/quantity/entry'
import { readEntry } from '@level-stance/core/measure/readingEntry'
import type { Side } from '@level-stance/core/quantity/sided'
import { usePreferences } from '../../stores/preferences.ts'
import { useFeet } from './useFeet.ts'

const props = defineProps<{ side: Side }>()
const feet = useFeet()
const preferences = usePreferences()
const editing = ref(false)
const wrong = ref<string | null>(null)

/** The aim as text; empty = this foot is left alone. */
const shown = computed(() => {
  const aim = feet.proposal.feet[props.side]?.aim
  return aim === undefined ? '' : formatLength(aim, preferences.unit)
})
const text = ref(shown.value)
watch(shown, (now) => {
  if (!editing.value) text.value = now
})

function typed(event: Event): void {
  editing.value = true
  text.value = (event.target as HTMLInputElement).value
  const entry = readEntry('cleatSetback', props.side, text.value, preferences.unit)
  wrong.value = entry.ok ? null : entry.message
  if (!entry.ok) return
  if (entry.value === null) feet.leaveAlone(props.side)
  else feet.setAim(props.side, entry.value)
}

function done(): void {
  editing.value = false
  if (wrong.value === null) text.value = shown.value
}
</script>

<template>
  <label class="aim">
    <span class="muted small">{{ side }}</span>
    <input
      class="plain-field figure"
      :class="{ wrong: wrong !== null }"
      :value="text"
      :aria-label="`Aim, ${side}`"
      :aria-invalid="wrong !== null"
      :title="wrong ?? undefined"
      placeholder="leave"
      autocomplete="off"
      @focus="($event.target as HTMLInputElement).select()"
      @input="typed"
      @blur="done"
      @keydown.enter.prevent="done"
    />
    <span v-if="wrong" class="problem small" role="alert">{{ wrong }}</span>
  </label>
</template>

<style scoped>
.aim {
  display: flex;
  align-items: center;
  gap: 6px;
  flex-wrap: wrap;
}
input {
  width: 68px;
  text-align: right;
  font-size: 17px;
}
.problem {
  flex-basis: 100%;
  color: var(--brick);
}
</style>
