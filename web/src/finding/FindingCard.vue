<script setup lang="ts">
import type { Message } from '@level-stance/core/kernel/message'
import { joined } from '@level-stance/core/kernel/message'
import { MessageText } from '../glossary/MessageText.ts'

/** A finding as a good colleague would say it. */
defineProps<{
  headline: Message
  sentence: Message
  sure: Message
  speaksFor: readonly Message[]
  against: readonly Message[]
  /** how heavily it weighs; none = said without a mark */
  weight?: 'first' | 'act' | 'note' | 'fine'
}>()
</script>

<template>
  <article class="finding" :class="weight">
    <p>
      <strong><MessageText :of="headline" /></strong> <MessageText :of="sentence" />
    </p>
    <p class="small muted">
      <MessageText :of="sure" />{{ ' ' }}
      <template v-if="speaksFor.length > 0">Speaks for it: <MessageText :of="joined(speaksFor, '; ')" />. </template>
      <template v-if="against.length > 0">Speaks against: <MessageText :of="joined(against, '; ')" />.</template>
    </p>
    <slot />
  </article>
</template>

<style scoped>
.finding {
  display: grid;
  gap: 2px;
  padding: 2px 0 8px;
  font-size: 15px;
  line-height: 1.3;
}
.first,
.act,
.note,
.fine {
  margin: 4px 0;
  padding: 4px 0 4px 10px;
  border-left: 3px solid var(--line);
}
.first {
  border-color: var(--brick);
}
.act {
  border-color: var(--amber);
}
.fine {
  border-color: var(--bubble);
}
</style>
