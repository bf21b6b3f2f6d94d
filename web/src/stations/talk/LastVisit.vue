<script setup lang="ts">
import { MessageText } from '../../glossary/MessageText.ts'
import { computed } from 'vue'
import { changeWords } from '@level-stance/core/ledger/moveWords'
import { dayOf } from '../../kit/day.ts'
import { useVisit } from '../../data/visit.ts'

/** What the last visit on this bike left on it: this one begins from there. */
const visit = useVisit()

const last = computed(() => visit.dossier?.last ?? null)
const kept = computed(() => (last.value?.kept ?? []).flatMap((change) => changeWords(change)))
</script>

<template>
  <aside v-if="last" class="before small" aria-label="Last visit">
    <p>
      <strong>{{ last.title }}, {{ dayOf(last.startedAt) }}.</strong>
      {{
        kept.length === 0
          ? 'Nothing was changed on this bike.'
          : 'Kept on this bike, and in the readings this visit begins with (“carried over” where nothing was read there):'
      }}
    </p>
    <ul v-if="kept.length > 0">
      <li v-for="(words, i) in kept" :key="i"><MessageText :of="words" /></li>
    </ul>
    <p>
      Complaints that were still open begin with their last rating. Ask their warning signs again; one that was positive still stops the
      visit.
    </p>
  </aside>
</template>

<style scoped>
.before {
  margin-bottom: 10px;
  padding: 8px 12px;
  border: 1px solid var(--line);
  border-radius: 6px;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  margin: 4px 0;
  padding-left: 18px;
}
</style>
