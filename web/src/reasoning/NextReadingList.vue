<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import type { Message } from '@level-stance/core/kernel/message'
import { isSame } from '@level-stance/core/kernel/message'
import { useTimeoutFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { NextReading } from '@level-stance/core/reason/nextReading'
import type { ReadingAt } from '@level-stance/core/station/station'
import { useReasoning } from '../data/reasoning.ts'
import ReadingRow from '../reading/ReadingRow.vue'

/** The readings that would decide most, each with its field: they are entered where they are asked for. */
const reasoning = useReasoning()
const MOST = 3
const REST = 700

interface Shown extends ReadingAt {
  readonly why: Message
}
const nameOf = ({ key, condition }: ReadingAt) => `${key} ${condition}`
const wanted = computed<readonly Shown[]>(() => {
  const best: readonly NextReading[] = reasoning.reasoned?.next.slice(0, MOST) ?? []
  const rows = best.flatMap(({ readings, why }) => readings.map(({ key, condition }) => ({ key, condition, why })))
  return rows.filter((one, i) => rows.findIndex((row) => nameOf(row) === nameOf(one)) === i)
})
/** While a hand types here no row goes or moves; more may come at the end. */
const shown = ref<readonly Shown[]>([])
const isTyping = ref(false)
const settle = () => {
  const more = wanted.value.filter((one) => !shown.value.some((row) => nameOf(row) === nameOf(one)))
  shown.value = isTyping.value ? [...shown.value, ...more] : wanted.value
}
watch(wanted, settle, { immediate: true })
watch(
  () => reasoning.focus,
  () => (shown.value = wanted.value),
)
/** Not at once: what a finger is about to press under the list must not move away from it. */
const { start: settleLater } = useTimeoutFn(() => settle(), REST, { immediate: false })
function leave(event: FocusEvent): void {
  const to = event.relatedTarget
  if (to instanceof Node && event.currentTarget instanceof Node && event.currentTarget.contains(to)) return
  isTyping.value = false
  settleLater()
}
const minutes = computed(() => reasoning.reasoned?.short.reduce((sum, next) => sum + next.minutes, 0) ?? 0)
</script>

<template>
  <div class="next" @focusin="isTyping = true" @focusout="leave">
    <p v-if="shown.length === 0" class="small muted">Nothing more to read: no reading here would change the order.</p>
    <p v-else-if="reasoning.shortKeys.length === 0" class="small muted">Enough is read to act. These would make it surer.</p>
    <p v-else class="small muted">
      {{ reasoning.shortKeys.length }} {{ reasoning.shortKeys.length === 1 ? 'reading' : 'readings' }} for this, about
      {{ Math.ceil(minutes) }} min. {{ reasoning.shortKeys.length === 1 ? 'It' : 'They' }} could still change what comes first.
    </p>
    <div v-for="(row, i) in shown" :key="nameOf(row)" class="one" :data-testid="`next-${row.key}`">
      <ReadingRow :reading-key="row.key" :condition="row.condition" says-condition />
      <p v-if="!isSame(shown[i + 1]?.why ?? '', row.why)" class="small muted why"><MessageText :of="row.why" /></p>
    </div>
  </div>
</template>

<style scoped>
.one {
  border-bottom: 1px solid var(--line);
}
.why {
  padding: 0 0 6px;
}
</style>
