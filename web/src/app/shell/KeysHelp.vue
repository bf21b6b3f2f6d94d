<script setup lang="ts">
import { mm, msg } from '@level-stance/core/kernel/message'
import { Button, Modal } from 'ant-design-vue'
import { computed } from 'vue'
import type { Command } from '../commands/command.ts'
import { useGlossary } from '../../glossary/glossaryStore.ts'
import { usePreferences } from '../../data/preferences.ts'

/** Keys and what they do: those of the commands, as they are registered, and those inside fields and drawings. */
const props = defineProps<{ commands: readonly Command[] }>()
const emit = defineEmits<{ close: []; list: [] }>()
const glossary = useGlossary()
const preferences = usePreferences()

const pressed = computed(() => props.commands.filter(({ press, group }) => press !== undefined && group !== 'Stations'))
const inside = computed(() => [
  ['Enter', 'in a field or a list: the next reading; Shift+Enter the one before; Esc gives back what was there'],
  ['↓', 'in a list: opens it, as typing does; then Enter takes what is marked'],
  ['← ↑ ↓ →', preferences.plain(msg`on a handle of the board: ${mm(1)} or 0.5°; with Shift five times as much; Esc takes it back`)],
  ['← ↑ ↓ →', 'on the body of Talk: the next place; Enter tells it'],
  ['↑ ↓', preferences.plain(msg`on a cleat of Feet: ${mm(1)}, with Shift ${mm(0.5, 1)}; on a heel 0.5°`)],
])
function words(): void {
  emit('close')
  glossary.show()
}
</script>

<template>
  <Modal :open="true" title="Keys and help" :footer="null" @cancel="$emit('close')">
    <p class="also">
      <Button @click="$emit('list')">All commands <kbd>Ctrl+K</kbd></Button>
      <Button @click="words">Glossary</Button>
    </p>
    <dl>
      <dt><kbd>1 – 7</kbd></dt>
      <dd>stations, in the order of work</dd>
      <template v-for="command in pressed" :key="command.key">
        <dt>
          <kbd>{{ command.press }}</kbd>
        </dt>
        <dd>{{ command.label }}</dd>
      </template>
      <template v-for="[key, what] in inside" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
    <p class="muted small">
      A short note reads: cleat L back 4, cleat R out 2, saddle -3, knee R 31 gonio. Keys do nothing while you are typing in a field. Level
      Stance advises on equipment. It does not diagnose; makers’ instructions and event rules come first.
    </p>
  </Modal>
</template>

<style scoped>
.also {
  display: flex;
  gap: 8px;
  margin-bottom: 12px;
}
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 8px 16px;
}
dd {
  margin: 0;
}
</style>
