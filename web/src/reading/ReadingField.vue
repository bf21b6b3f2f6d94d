<script setup lang="ts">
import { fieldOfEvent } from '../kit/events.ts'
import { msg } from '@level-stance/core/kernel/message'
import { computed, ref, watch } from 'vue'
import { formatLength, trimmed } from '@level-stance/core/kernel/entry'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import type { NumberKey } from '@level-stance/core/readings/readingDefinitions'
import { allowedRange, readEntry, readingNameIn, unitMark } from '@level-stance/core/readings/readingEntry'
import type { EntryTrouble } from '@level-stance/core/readings/readingEntry'
import { usualMethod } from '@level-stance/core/readings/table/readingBands'
import { methodOver } from '@level-stance/core/readings/table/methods'
import type { ConditionKey } from '@level-stance/core/readings/conditions'
import type { Reading } from '@level-stance/core/readings/reading'
import { readingPlace } from '@level-stance/core/readings/readingPlace'
import { goToNextReading } from '../kit/nextReading.ts'
import { readingProps, shownReading } from './readingProps.ts'
import { useDrafts } from '../data/drafts.ts'
import { useOutbox } from '../data/outbox.ts'
import { usePreferences } from '../data/preferences.ts'
import { useVisit } from '../data/visit.ts'

const props = defineProps<{
  readingKey: NumberKey
  side: Reading['side']
  estimate: string
  condition: ConditionKey
  /** a new reading at this place of the ledger, beside the one that counts */
  again: boolean
}>()
const emit = defineEmits<{ problem: [problem: EntryTrouble | null] }>()

const visit = useVisit()
const drafts = useDrafts()
const outbox = useOutbox()
const preferences = usePreferences()

const counting = computed(() => visit.reading(props.readingKey, props.side, props.condition))
const stored = computed(() => shownReading(counting.value, props.again, visit.after))
const place = computed(
  () =>
    `${visit.head?.visitId}/${readingPlace({ key: props.readingKey, side: props.side, condition: props.condition })}${props.again ? '@again' : ''}`,
)
/** what this field wrote a moment ago: the screen follows a frame later */
let written: Reading | null = null
const newest = () => written ?? stored.value
watch(stored, () => (written = null), { flush: 'sync' })
const text = ref(drafts.get(place.value) ?? shown())
const editing = ref(false)
const wrong = ref(false)
const name = computed(() => readingNameIn(props.readingKey, props.side, props.condition))
const fieldId = computed(() => `reading-${props.readingKey}-${props.side}${props.condition === 'usual' ? '' : `-${props.condition}`}`)
const unit = computed(() => preferences.unit)

/** The stored value as the fitter's unit shows it. */
function shown(): string {
  const value = newest()?.value
  if (typeof value !== 'number') return ''
  return definitionOf(props.readingKey).dimension === 'length' ? formatLength(value, preferences.unit) : trimmed(value, 1)
}

// What another window or a conflict choice has stored shows at once, unless the hand is in the field.
watch([() => stored.value?.value, unit], () => {
  if (!editing.value && drafts.get(place.value) === null) text.value = shown()
})
if (drafts.get(place.value) !== null) judge()

function store(value: number | null, repeats: readonly number[] = []): void {
  const before = newest()
  if (value === (before?.value ?? null) && repeats.length === (before?.repeats.length ?? 0)) return
  const method = methodOver(counting.value?.method, usualMethod(definitionOf(props.readingKey), preferences.readingWay))
  const typed = value === null ? '' : text.value.trim().slice(0, 60)
  write({ ...readingProps(props, before, visit.after), value, typed, method, repeats: [...repeats] })
}
function write(reading: Reading): void {
  written = reading
  visit.setReading(reading)
}

/** What stood here before the hand began to type: it stands again when the text is none that the field takes. */
let before: Reading | null = null
/** Puts a reading back as it stood. */
function putBack(reading: Reading | null): void {
  const now = newest()
  if ((reading?.value ?? null) === (now?.value ?? null) && (reading?.repeats.length ?? 0) === (now?.repeats.length ?? 0)) return
  if (reading !== null) return write(reading)
  if (now === null) return
  const { plusMinus: _, ...rest } = now
  write({ ...rest, value: null, typed: '', repeats: [] })
}

/** Every key press: a value in range repaints everything; anything else is kept as text, and what stood before stands. */
function typed(event: Event): void {
  if (!editing.value) before = newest()
  editing.value = true
  text.value = fieldOfEvent(event).value
  const entry = readEntry(props.readingKey, props.side, text.value, unit.value)
  if (entry.ok && entry.value !== null) {
    drafts.clear(place.value)
    store(entry.value, entry.repeats)
    problem(null)
  } else {
    drafts.set(place.value, text.value)
    const stood = newest()
    putBack(before)
    // Between two values of a repeated reading nothing is wrong yet.
    if (wrong.value || (stood !== newest() && !entry.ok && !/[;+]/.test(text.value))) judge()
  }
}

/** Leaving the field or Enter: now a wrong entry is said. */
function commit(): void {
  if (!editing.value && !wrong.value) return
  editing.value = false
  const entry = readEntry(props.readingKey, props.side, text.value, unit.value)
  if (!entry.ok) return judge()
  drafts.clear(place.value)
  store(entry.value, entry.repeats)
  problem(null)
  text.value = shown()
  outbox.flush()
}

function judge(): void {
  const entry = readEntry(props.readingKey, props.side, text.value, unit.value)
  if (entry.ok) return problem(null)
  const stands = shown()
  const kept = stands === '' ? 'Nothing is stored.' : `${stands}${unitMark(props.readingKey, unit.value)} is kept.`
  problem({ ...entry, message: msg`${entry.message} ${kept}` })
}

function problem(found: EntryTrouble | null): void {
  wrong.value = found !== null
  emit('problem', found)
}

/** Enter goes on to the next field, in the order of the tape. */
function next(event: KeyboardEvent): void {
  commit()
  if (!wrong.value) goToNextReading(fieldOfEvent(event), event.shiftKey)
}

/** What the field held when the hand came to it. */
let held: Reading | null = null
function enter(event: FocusEvent): void {
  held = newest()
  fieldOfEvent(event).select()
}

/** Escape gives back what the field held; where nothing was typed, it leaves the field. */
function escape(event: Event): void {
  if (editing.value || wrong.value || held?.value !== newest()?.value) giveUp()
  else fieldOfEvent(event).blur()
}
function giveUp(): void {
  drafts.clear(place.value)
  editing.value = false
  putBack(held)
  text.value = shown()
  problem(null)
}

/** Takes a suggested reading of the entry. */
function take(suggested: string): void {
  text.value = suggested
  editing.value = true
  commit()
}
defineExpose({ take })
</script>

<template>
  <input
    :id="fieldId"
    class="field figure"
    :class="{ wrong, empty: text === '' }"
    :value="text"
    :placeholder="estimate"
    :aria-label="name"
    :aria-invalid="wrong"
    :aria-describedby="wrong ? `${fieldId}-problem` : undefined"
    :title="`${name}: ${preferences.plain(allowedRange(readingKey))}`"
    data-reading
    inputmode="text"
    autocomplete="off"
    spellcheck="false"
    maxlength="60"
    @focus="enter"
    @input="typed"
    @blur="commit"
    @keydown.enter.prevent="next"
    @keydown.esc.prevent="escape"
  />
</template>

<style scoped>
.field {
  width: 100%;
  height: 40px;
  padding: 0 8px;
  text-align: right;
  font-size: 17px;
  color: var(--ink);
  background: transparent;
  border: 1px solid transparent;
  border-radius: 6px;
}
.field:hover {
  border-color: var(--line);
}
.field.empty {
  border: 1px dashed var(--steel);
}
.field::placeholder {
  color: var(--muted);
  opacity: 1;
  font-weight: 400;
}
.field:focus {
  outline: none;
  background: var(--panel);
  border: 1px solid var(--petrol);
  box-shadow: var(--focus);
}
.field.wrong {
  border: 1px solid var(--brick);
  background: var(--brick-soft);
}
</style>
