<script setup lang="ts" generic="Key extends string">
import { MessageText } from '../../../glossary/MessageText.ts'
import type { Message } from '@level-stance/core/kernel/message'
import { Segmented } from 'ant-design-vue'

/** Schools of the trade beside each other, and what the chosen one says. */
const props = defineProps<{
  label: string
  value: Key
  keys: readonly Key[]
  table: Readonly<Record<Key, { readonly label: string; readonly says: Message }>>
}>()
defineEmits<{ pick: [key: Key] }>()
const options = () => props.keys.map((value) => ({ value, label: props.table[value].label }))
</script>

<template>
  <div class="school" role="group" :aria-label="label">
    <Segmented :value="value" :options="options()" block @change="(key) => $emit('pick', key as Key)" />
    <p class="small muted"><MessageText :of="table[value].says" /></p>
  </div>
</template>

<style scoped>
.school {
  display: grid;
  gap: 2px;
}
</style>
