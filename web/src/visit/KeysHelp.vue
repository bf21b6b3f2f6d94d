<script setup lang="ts">
import { Modal } from 'ant-design-vue'

defineEmits<{ close: [] }>()
const keys: readonly (readonly [string, string])[] = [
  ['1 – 7', 'stations, in the order of work'],
  ['/', 'short note: cleat L back 4, cleat R out 2, saddle -3, knee R 31 gonio'],
  ['m', 'next missing reading'],
  ['t', 'try the proposal'],
  ['v', 'the board’s next view'],
  ['p', 'the board’s next hand position'],
  ['u', 'undo the last change'],
  ['b', 'the bike as it was at the start, and back'],
  ['Enter', 'next reading; Shift+Enter the one before; Esc gives it back'],
  ['← ↑ ↓ →', 'on a handle of the board: 1 mm or 0.5°; with Shift five times as much; Esc takes it back'],
  ['↑ ↓', 'on a cleat of Feet: 1 mm; with Shift half a millimetre. On a heel: half a degree'],
]
</script>

<template>
  <Modal :open="true" title="Keys" :footer="null" @cancel="$emit('close')">
    <dl>
      <template v-for="[key, what] in keys" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
    <p class="muted small">
      Keys do nothing while you are typing in a field. Level Stance advises on equipment. It does not diagnose; makers’ instructions and
      event rules come first.
    </p>
  </Modal>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 8px 16px;
}
dd {
  margin: 0;
}
kbd {
  padding: 2px 8px;
  border: 1px solid var(--line);
  border-radius: 4px;
  font:
    600 15px 'Barlow Semi Condensed',
    sans-serif;
}
</style>
