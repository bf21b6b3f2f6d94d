<script setup lang="ts">
import { fieldOfEvent } from '../kit/events.ts'
import { isKeyOf } from '@level-stance/core/kernel/tables'
import type { Message } from '@level-stance/core/kernel/message'
import { computed, ref, watch } from 'vue'
import { handsMiddle } from '@level-stance/core/body/rider'
import { settingOf } from '@level-stance/core/ledger/settings'
import type { SettingKey } from '@level-stance/core/ledger/settings'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { readEntry, shownValue, unitMark } from '@level-stance/core/readings/readingEntry'
import type { Side } from '@level-stance/core/kernel/sided'
import { MessageText } from '../glossary/MessageText.ts'
import { termOfReading } from '../glossary/terms.ts'
import { useBoard } from '../data/board.ts'
import { usePreferences } from '../data/preferences.ts'
import { useVisit } from '../data/visit.ts'

/** A setting with its value now, and a field for the value to go to. */
const props = withDefaults(
  defineProps<{
    setting: SettingKey
    side: Side | 'both'
    /** without its name: the row says it for both sides */
    compact?: boolean
  }>(),
  { compact: false },
)
const visit = useVisit()
const board = useBoard()
const preferences = usePreferences()

/** Read, or where the hands follow from frame, stem and bar: their place by the model. */
const now = computed<number | null>(() => {
  const read = visit.setup.now[props.setting][props.side === 'left' ? 'left' : 'right']
  if (read) return read.value
  const { model } = visit.setup
  const middle = model && handsMiddle(model)
  if (!model?.grips || !middle) return null
  const { left, right } = model.grips
  const places = { handReach: middle.x, handHeight: middle.y, gripSpacing: left.at.z + right.at.z }
  return isKeyOf(places, props.setting) ? places[props.setting] : null
})
const aimed = computed(() => board.aimed(props.setting, props.side))
const base = computed(() => now.value ?? 0)
const label = computed(() => {
  const side = props.side === 'both' ? '' : `, ${props.side}`
  return `${definitionOf(props.setting).label}${side}`
})
const shown = computed(() => (aimed.value === 0 ? '' : shownValue(props.setting, base.value + aimed.value, preferences.unit)))
const text = ref(shown.value)
const editing = ref(false)
const wrong = ref<Message | null>(null)
watch(shown, (value) => {
  if (!editing.value) text.value = value
})

/** How far it was asked to go before the hand began to type: that stands while the text is no value. */
let before = 0
function typed(event: Event): void {
  if (!editing.value) before = aimed.value
  editing.value = true
  text.value = fieldOfEvent(event).value
  const entry = readEntry(props.setting, props.side, text.value, preferences.unit)
  wrong.value = entry.ok ? null : entry.message
  const by = !entry.ok ? before : entry.value === null ? 0 : entry.value - base.value
  if (by !== aimed.value) board.request([{ setting: props.setting, side: props.side, by }])
}
function done(): void {
  editing.value = false
  if (wrong.value === null) text.value = shown.value
}
/** Arrow keys: a step of 1 mm or 0.5°. */
function nudge(event: KeyboardEvent, sign: 1 | -1): void {
  event.preventDefault()
  editing.value = false
  const size = settingOf(props.setting).unit === 'deg' ? 0.5 : 1
  board.request([{ setting: props.setting, side: props.side, by: aimed.value + sign * size }])
}
</script>

<template>
  <label class="move" :class="{ compact }">
    <span class="name" :class="{ 'visually-hidden': compact }"><MessageText :of="label" :term="termOfReading(setting)" /></span>
    <span v-if="compact" class="muted small" aria-hidden="true">{{ side === 'left' ? 'L' : 'R' }}</span>
    <span class="figure now">{{ now === null ? '–' : shownValue(setting, now, preferences.unit) }}</span>
    <input
      class="plain-field figure"
      :class="{ wrong: wrong !== null }"
      :value="text"
      :placeholder="now === null ? 'not read' : 'to'"
      :disabled="now === null || !board.movable"
      :aria-label="`${label}, to`"
      :aria-invalid="wrong !== null"
      autocomplete="off"
      @focus="fieldOfEvent($event).select()"
      @input="typed"
      @blur="done"
      @keydown.enter.prevent="done"
      @keydown.up="nudge($event, 1)"
      @keydown.down="nudge($event, -1)"
    />
    <span v-if="!compact" class="muted small unit">{{ unitMark(setting, preferences.unit) }}</span>
    <span v-if="wrong" class="problem small" role="alert"><MessageText :of="wrong" /></span>
  </label>
</template>

<style scoped>
.move {
  display: grid;
  grid-template-columns: auto auto 72px auto;
  align-items: center;
  gap: 2px 6px;
  font-size: 15px;
  line-height: 1.2;
}
.compact {
  grid-template-columns: 12px auto 62px;
}
.now {
  text-align: right;
}
input {
  width: 100%;
  height: 36px;
  text-align: right;
}
.problem {
  grid-column: 1 / -1;
  color: var(--brick);
}
</style>
