<script setup lang="ts">
import { definitionOf } from '@level-stance/core/measure/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/measure/readingDefinitions'
import { midSentence } from '@level-stance/core/quantity/words'
import type { CauseVerdict, ComplaintCauses } from '@level-stance/core/reason/cause'
import { useVisit } from '../stores/visit.ts'

/** Complaints with their causes, most usual first, and what the readings say of each. */
defineProps<{
  complaints: readonly ComplaintCauses[]
  /** said where nothing belongs here */
  none: string
  /** where a cause is dealt with, in words */
  label: (cause: CauseVerdict) => string
}>()
defineEmits<{ go: [cause: CauseVerdict] }>()
const visit = useVisit()
const marks = {
  for: { sign: '●', words: 'speaks for it' },
  open: { sign: '○', words: 'not known yet' },
  against: { sign: '–', words: 'speaks against it' },
} as const
const names = (keys: readonly ReadingKey[]) => keys.map((key) => midSentence(definitionOf(key).label)).join(', ')
</script>

<template>
  <p v-if="complaints.length === 0" class="muted none">
    {{ none }}
  </p>
  <article v-for="{ complaintId, title, causes } in complaints" :key="complaintId" class="complaint">
    <h2>
      {{ title }} <span class="muted">{{ visit.severities.get(complaintId) }}/10</span>
    </h2>
    <p class="small muted">Causes, most usual first. What is open is asked for on the left.</p>
    <ul>
      <li v-for="cause in causes" :key="cause.key" :class="cause.speaks" :data-testid="`cause-${cause.key}`">
        <span class="sign" role="img" :aria-label="marks[cause.speaks].words">{{ marks[cause.speaks].sign }}</span>
        <div>
          <p>
            <strong>{{ cause.label }}.</strong> {{ cause.because }}
            <span v-if="cause.speaks === 'open' && cause.measure.length > 0" class="muted">Read {{ names(cause.measure) }}.</span>
          </p>
        </div>
        <button type="button" class="link" :aria-label="`${cause.label}: open ${label(cause)}`" @click="$emit('go', cause)">
          {{ label(cause) }} ›
        </button>
      </li>
    </ul>
  </article>
</template>

<style scoped>
.none {
  padding: 8px 0;
}
.complaint {
  padding: 4px 0 12px;
}
ul {
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr) max-content;
  gap: 6px;
  align-items: start;
  padding: 6px 0;
  border-top: 1px solid var(--line);
  font-size: 15px;
  line-height: 1.3;
}
.sign {
  font-weight: 700;
  text-align: center;
}
.for .sign {
  color: var(--brick);
}
.open .sign {
  color: var(--amber-ink);
}
.against {
  color: var(--muted);
}
.link {
  min-height: 28px;
}
</style>
