<script setup lang="ts">
import { RadioButton, RadioGroup } from 'ant-design-vue'
import { wholeNumbers } from '../kit/wholeNumbers.ts'

/** 0 to 10 as eleven large targets in one tab stop; arrow keys move. Nothing is chosen until somebody says. */
defineProps<{ label: string; value: number | null }>()
const emit = defineEmits<{ pick: [severity: number] }>()
const steps = wholeNumbers(0, 10)
</script>

<template>
  <RadioGroup
    class="picker"
    role="radiogroup"
    :aria-label="label"
    :name="`severity-${label}`"
    :value="value ?? undefined"
    button-style="solid"
    @change="(event) => emit('pick', Number(event.target.value))"
  >
    <RadioButton v-for="step in steps" :key="step" :value="step" class="figure"
      ><span class="visually-hidden">{{ step }} of 10</span><span aria-hidden="true">{{ step }}</span></RadioButton
    >
  </RadioGroup>
</template>

<style scoped>
.picker {
  display: flex;
}
.picker :deep(.ant-radio-button-wrapper) {
  flex: 1 1 0;
  min-width: 0;
  padding: 0;
  text-align: center;
}
</style>
