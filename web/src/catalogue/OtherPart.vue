<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { anotherPart, askedOf, fittedWords, partNow, slots } from '@level-stance/core/ledger/parts'
import type { Part, SlotKey } from '@level-stance/core/ledger/parts'
import { msg } from '@level-stance/core/kernel/message'
import type { Message } from '@level-stance/core/kernel/message'
import { midSentence } from '@level-stance/core/kernel/words'
import { definitionOf, isChoice } from '@level-stance/core/readings/readingDefinitions'
import type { NumberKey, ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { readEntry, shownValue, unitMark } from '@level-stance/core/readings/readingEntry'
import FoldPanel from '../kit/FoldPanel.vue'
import PartField from './PartField.vue'
import { textsFrom } from './specForm.ts'
import type { FormTexts } from './specForm.ts'
import { useBoard } from '../data/board.ts'
import { useDrafts } from '../data/drafts.ts'
import { usePreferences } from '../data/preferences.ts'
import { useVisit } from '../data/visit.ts'

/** Another part that is at hand: what is known of it goes onto the card as an exchange, and what is on the bike stays written down. */
const props = defineProps<{ slotKey: SlotKey; open?: boolean }>()
const board = useBoard()
const visit = useVisit()
const drafts = useDrafts()
const preferences = usePreferences()

const label = computed(() => midSentence(slots[props.slotKey].label))
/** A name on the record is no longer than this. */
const MOST_LETTERS = 120
/** What is typed and not yet on the card is kept as it is, by visit. */
const place = computed(() => `${visit.head?.visitId}/other-${props.slotKey}`)
const texts = computed<FormTexts>(() => textsFrom(drafts.get(place.value)) ?? {})
function type(key: string, text: string): void {
  drafts.set(place.value, JSON.stringify({ ...texts.value, [key]: text }))
}
const now = computed(() => partNow(visit.setup.now, props.slotKey))
/** What it is on the bike, beside the field for the other one. */
const shownNow = (key: ReadingKey): string => {
  const value = now.value.properties[key]
  if (value === undefined) return '–'
  const ofSide = (one: number | string) => shownValue(key, one, preferences.unit)
  return typeof value === 'object' ? `${ofSide(value.left)} / ${ofSide(value.right)}` : ofSide(value)
}
const entryOf = (key: NumberKey) => readEntry(key, 'both', texts.value[key] ?? '', preferences.unit)
const wrong = computed<Readonly<Record<string, Message>>>(() =>
  Object.fromEntries(
    askedOf(props.slotKey).flatMap((key) => {
      const entry = isChoice(key) ? null : entryOf(key)
      return entry === null || entry.ok ? [] : [[key, entry.message]]
    }),
  ),
)
/** What was said of it; null while something of it cannot be taken. */
const known = computed<Part['properties'] | null>(() => {
  if (Object.keys(wrong.value).length > 0) return null
  const found: Part['properties'] = {}
  for (const key of askedOf(props.slotKey)) {
    const text = texts.value[key] ?? ''
    if (text.trim() === '') continue
    if (isChoice(key)) found[key] = text
    else {
      const entry = entryOf(key)
      if (entry.ok && entry.value !== null) found[key] = entry.value
    }
  }
  return found
})
const name = computed(() => (texts.value['name'] ?? '').trim())
const isSaid = computed(() => known.value !== null && (name.value !== '' || Object.keys(known.value).length > 0))
function take(): void {
  if (known.value === null) return
  board.take([anotherPart(visit.setup.now, props.slotKey, name.value, known.value)], msg`Other ${label.value} tried.`)
}
</script>

<template>
  <FoldPanel :title="`Other ${label} to try`" :open="open">
    <form class="part" novalidate @submit.prevent="take">
      <PartField
        class="wide"
        :field-id="`other-${slotKey}-name`"
        label="Name"
        hint="as you call them"
        :value="texts['name'] ?? ''"
        @typed="(text) => type('name', text.slice(0, MOST_LETTERS))"
      />
      <PartField
        v-for="key in askedOf(slotKey)"
        :key="key"
        :field-id="`other-${slotKey}-${key}`"
        :label="definitionOf(key).label"
        :hint="`${unitMark(key, preferences.unit).trim()} now ${shownNow(key)}`"
        :value="texts[key] ?? ''"
        :options="isChoice(key) ? definitionOf(key).options : null"
        clearable
        placeholder="not known"
        :problem="wrong[key] ?? ''"
        @typed="(text) => type(key, text)"
      />
      <div class="wide">
        <Button html-type="submit" :disabled="!isSaid || !board.movable">Set up to try</Button>
      </div>
      <p v-if="fittedWords(slotKey)" class="wide small muted">{{ fittedWords(slotKey) }}</p>
    </form>
  </FoldPanel>
</template>

<style scoped>
.part {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 8px 12px;
}
.wide {
  grid-column: 1 / -1;
}
</style>
