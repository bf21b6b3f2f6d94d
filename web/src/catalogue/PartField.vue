<script setup lang="ts">
import { Input, Textarea } from 'ant-design-vue'
import type { Message } from '@level-stance/core/kernel/message'
import { MessageText } from '../glossary/MessageText.ts'
import SelectField from '../kit/SelectField.vue'

/** One figure or word of a part: a field, a list of words or a longer text, with what is wrong with it below. */
withDefaults(
  defineProps<{
    fieldId: string
    label: string
    /** small, behind the label: its unit, or what it is now */
    hint?: string
    value: string
    /** to choose from; left out = typed */
    options?: Readonly<Record<string, string>> | null
    /** nothing need be said */
    clearable?: boolean
    isLong?: boolean
    placeholder?: string
    problem?: Message
  }>(),
  { hint: '', options: null, clearable: false, isLong: false, placeholder: '', problem: '' },
)
defineEmits<{ typed: [text: string] }>()
</script>

<template>
  <div class="field">
    <label :for="fieldId">
      {{ label }} <span v-if="hint" class="muted small">{{ hint }}</span>
    </label>
    <SelectField
      v-if="options"
      :field-id="fieldId"
      :label="label"
      :value="value === '' ? null : value"
      :options="options"
      :clearable="clearable"
      :placeholder="placeholder || '–'"
      @pick="(key) => $emit('typed', key ?? '')"
    />
    <Textarea v-else-if="isLong" :id="fieldId" :rows="2" :value="value" @update:value="(text: string) => $emit('typed', text)" />
    <Input
      v-else
      :id="fieldId"
      :value="value"
      :placeholder="placeholder"
      :status="problem === '' ? '' : 'error'"
      :aria-invalid="problem !== ''"
      autocomplete="off"
      @update:value="(text: string) => $emit('typed', text)"
    />
    <p v-if="problem !== ''" class="warn small" role="alert"><MessageText :of="problem" /></p>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 2px;
  align-content: start;
}
.field label {
  line-height: 1.2;
}
</style>
