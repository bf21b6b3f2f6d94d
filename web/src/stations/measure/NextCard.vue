<script setup lang="ts">
import { usePreferences } from '../../data/preferences.ts'
import { MessageText } from '../../glossary/MessageText.ts'
import type { Message } from '@level-stance/core/kernel/message'
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { nextWords } from '@level-stance/core/uncertainty/measureNext'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { midSentence } from '@level-stance/core/kernel/words'
import { useReasoning } from '../../data/reasoning.ts'
import { useUncertainty } from '../../data/uncertainty.ts'
import { useVisit } from '../../data/visit.ts'
import HowDrawing from '../../drawing/HowDrawing.vue'

/** What to measure next, by how much it would sharpen, with how to do it. */
defineEmits<{ goto: [key: ReadingKey] }>()
const preferences = usePreferences()
const uncertainty = useUncertainty()
const reasoning = useReasoning()
const visit = useVisit()
const all = ref(false)
/** While complaints are open, what would decide between their causes; then what sharpens the judgements. */
const rows = computed<readonly { readonly key: ReadingKey; readonly words: Message }[]>(() => {
  const deciding = (reasoning.reasoned?.next ?? []).flatMap(({ readings, why }) =>
    readings.slice(0, 1).map(({ key }) => ({ key, words: why })),
  )
  const asked = deciding.filter(({ key }, i) => deciding.findIndex((row) => row.key === key) === i)
  const sharpening = uncertainty.next.map((next) => ({ key: next.key, words: nextWords(next) }))
  return visit.complaints.length > 0 && asked.length > 0 ? asked : sharpening
})
const first = computed(() => rows.value[0] ?? null)
const others = computed(() => rows.value.slice(1, 8))
const name = (key: ReadingKey) => midSentence(definitionOf(key).label)
</script>

<template>
  <section class="next" aria-label="Measure next">
    <template v-if="first">
      <HowDrawing v-if="definitionOf(first.key).drawing" :reading-key="first.key" />
      <div :class="{ whole: !definitionOf(first.key).drawing }">
        <p class="how" :title="preferences.plain(definitionOf(first.key).how)">
          <strong>Measure next: {{ name(first.key) }}.</strong> <MessageText :of="definitionOf(first.key).how" />
        </p>
        <p class="small muted words"><MessageText :of="first.words" /></p>
        <p class="acts">
          <Button type="link" size="small" @click="$emit('goto', first.key)">Enter it</Button>
          <Button v-if="others.length > 0" type="link" size="small" :aria-expanded="all" @click="all = !all">
            {{ all ? 'Less' : 'Then' }}
          </Button>
        </p>
      </div>
      <ol v-if="all" class="small">
        <li v-for="next in others" :key="next.key">
          <Button type="link" size="small" @click="$emit('goto', next.key)">{{ definitionOf(next.key).label }}</Button>
          <span class="muted"><MessageText :of="next.words" /></span>
        </li>
      </ol>
    </template>
    <p v-else-if="uncertainty.spreads" class="small">
      <strong>Nothing more would sharpen a judgement much.</strong> Repeat what surprises you.
    </p>
    <p v-else class="small muted">Working out what to measure next…</p>
  </section>
</template>

<style scoped>
/* As high whatever it says: tabs and rows under it stay where the hand is. */
.next {
  min-height: 126px;
  align-content: center;
  display: grid;
  grid-template-columns: 96px minmax(0, 1fr);
  gap: 2px 10px;
  padding: 6px 0 8px;
  font-size: 15px;
  line-height: 1.28;
}
.whole,
.next > p {
  grid-column: 1 / -1;
}
.next > :deep(svg) {
  width: 96px;
  height: 77px;
  border-radius: 6px;
  background: var(--panel);
}
.how {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 3;
}
.words {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.acts {
  display: flex;
  gap: 14px;
}
ol {
  grid-column: 1 / -1;
  margin: 0;
  padding-left: 22px;
}
ol .link {
  margin-right: 6px;
}
</style>
