<script setup lang="ts" generic="Key extends string">
import { RadioButton, RadioGroup } from 'ant-design-vue'

/** A few words to choose one from, in one tab stop; none is chosen until somebody says. */
defineProps<{ label: string; value: Key | null; options: Readonly<Record<Key, string>> }>()
const emit = defineEmits<{ pick: [key: Key] }>()
</script>

<template>
  <RadioGroup
    role="radiogroup"
    :aria-label="label"
    :name="`answer-${label}`"
    :value="value ?? undefined"
    button-style="solid"
    @change="(event) => emit('pick', event.target.value as Key)"
  >
    <RadioButton v-for="(words, key) in options" :key="key" :value="key" :class="`is-${key}`">{{ words }}</RadioButton>
  </RadioGroup>
</template>

<style scoped>
.ant-radio-button-wrapper {
  padding: 0 9px;
  font-size: 15px;
}
.is-yes.ant-radio-button-wrapper-checked {
  background: var(--brick);
  border-color: var(--brick);
}
</style>
