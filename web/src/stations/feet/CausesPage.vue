<script setup lang="ts">
import { useRouter } from 'vue-router'
import { definitionOf } from '@level-stance/core/measure/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/measure/readingDefinitions'
import type { CauseVerdict } from '@level-stance/core/talk/footCauses'
import { midSentence } from '@level-stance/core/quantity/words'
import { useVisit } from '../../stores/visit.ts'
import { feetPages, pageOf } from './pages.ts'
import type { FeetPageKey } from './pages.ts'
import { useFeet } from './useFeet.ts'

/** Complaints that can lie at the feet, each with its causes and what the readings say of them. */
const emit = defineEmits<{ show: [page: FeetPageKey] }>()
const visit = useVisit()
const feet = useFeet()
const router = useRouter()

const marks = { for: { sign: '●', words: 'speaks for it' }, open: { sign: '○', words: 'not known yet' }, against: { sign: '–', words: 'speaks against it' } } as const // prettier-ignore
const names = (keys: readonly ReadingKey[]) => keys.map((key) => midSentence(definitionOf(key).label)).join(', ')
function go(cause: CauseVerdict): void {
  const page = pageOf(cause.page, cause.key)
  if (page !== null) emit('show', page)
  else void router.push({ name: 'seat', params: { visitId: visit.head?.visitId ?? '' } })
}
const label = (cause: CauseVerdict) => {
  const page = pageOf(cause.page, cause.key)
  return page === null ? 'Seat' : feetPages[page].label
}
</script>

<template>
  <p v-if="feet.causes.length === 0" class="muted none">
    Nothing was told that can lie at the feet. The shoe still comes before the cleat: see the pages from left to right.
  </p>
  <article v-for="{ complaintId, title, causes } in feet.causes" :key="complaintId" class="complaint">
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
        <button type="button" class="link" :aria-label="`${cause.label}: open ${label(cause)}`" @click="go(cause)">
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
