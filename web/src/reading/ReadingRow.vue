<script setup lang="ts">
import { tableOf } from '@level-stance/core/kernel/tables'
import { MessageText } from '../glossary/MessageText.ts'
import { Button } from 'ant-design-vue'
import { computed, nextTick, reactive, ref, watch } from 'vue'
import { predict } from '@level-stance/core/body/calibration'
import { predictionOf } from '@level-stance/core/rider/calibrated'
import { metricEstimate, metricReadBy } from '@level-stance/core/rider/metricEstimate'
import { foldedAt } from '@level-stance/core/ledger/timeline'
import { methods, methodsFor } from '@level-stance/core/readings/table/methods'
import { readingWays, wayOf } from '@level-stance/core/readings/table/readingBands'
import type { ReadingWay } from '@level-stance/core/readings/table/readingBands'
import type { MethodKey } from '@level-stance/core/readings/table/methods'
import { definitionOf, isChoice, optionWord } from '@level-stance/core/readings/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { conditions } from '@level-stance/core/readings/conditions'
import type { ConditionKey } from '@level-stance/core/readings/conditions'
import type { Reading } from '@level-stance/core/readings/reading'
import { summarise } from '@level-stance/core/readings/repeats'
import { readingPlusMinus } from '@level-stance/core/readings/resolve'
import { readingName, unitMark } from '@level-stance/core/readings/readingEntry'
import type { EntryTrouble } from '@level-stance/core/readings/readingEntry'
import { formatLength, trimmed } from '@level-stance/core/kernel/entry'
import { midSentence } from '@level-stance/core/kernel/words'
import { momentOf } from '../kit/day.ts'
import { later } from '../kit/later.ts'
import { stable } from '../kit/stable.ts'
import { usePreferences } from '../data/preferences.ts'
import { useLastRemoved } from '../data/lastRemoved.ts'
import { useVisit } from '../data/visit.ts'
import TermLink from '../glossary/TermLink.vue'
import { termOfReading } from '../glossary/terms.ts'
import ChoiceField from './ChoiceField.vue'
import ReadingField from './ReadingField.vue'
import SelectField from '../kit/SelectField.vue'
import RemoveButton from '../kit/RemoveButton.vue'

const props = withDefaults(
  defineProps<{
    readingKey: ReadingKey
    condition?: ConditionKey
    /** the condition stands with the name: its neighbours are read under others */
    saysCondition?: boolean
  }>(),
  { condition: 'usual', saysCondition: false },
)
const visit = useVisit()
const preferences = usePreferences()
const lastRemoved = useLastRemoved()

const definition = computed(() => definitionOf(props.readingKey))
const term = computed(() => termOfReading(props.readingKey))
const where = computed(() => (props.saysCondition && props.condition !== 'usual' ? `, ${conditions[props.condition].label}` : ''))
const choice = computed(() => (isChoice(props.readingKey) ? props.readingKey : null))
const numberKey = computed(() => (isChoice(props.readingKey) ? null : props.readingKey))
const fieldSides = computed<readonly Reading['side'][]>(() => (definition.value.sided ? ['left', 'right'] : ['both']))
const problems = reactive<Partial<Record<Reading['side'], EntryTrouble | undefined>>>({})
const fields = ref<InstanceType<typeof ReadingField>[]>([])
const open = ref(false)
/** a new reading is being taken, beside those that count so far */
const again = ref(false)

/** Below this a tenth of an inch says too little, mm. */
const FINE = 2.5
const inUnit = (value: number, fine = true) => {
  const { dimension } = definition.value
  if (dimension !== 'length') return trimmed(value, fine ? 1 : 0)
  if (preferences.unit === 'mm') return formatLength(value, 'mm', fine ? undefined : 0)
  // A maker's figure is good to a fiftieth of an inch: one decimal would say ±0.
  return formatLength(value, preferences.unit, Math.abs(value) < FINE ? 2 : 1)
}
/** Unit and sign, at every field: "°, nose up +". */
const unit = computed(() => {
  if (numberKey.value === null) return ''
  const { dimension } = definition.value
  const own = dimension === 'length' ? preferences.unit : unitMark(numberKey.value, preferences.unit).trim()
  const plus = definitionOf(numberKey.value).plus
  return plus === undefined ? own : `${own}, ${plus}`
})
const mark = computed(() => (definition.value.dimension === 'angle' ? '°' : ''))
const resolved = computed(() => (numberKey.value ? visit.setup.rider.resolved[numberKey.value] : null))
/** Read on one side only, or once for both. */
const oneForBoth = computed(() => {
  const { left, right } = resolved.value ?? {}
  return left?.oneForBoth === true || right?.oneForBoth === true
})
/** What stands in an empty field: the estimate it would replace, or what was read for both sides. */
const estimates = stable(() =>
  [resolved.value?.left ?? null, resolved.value?.right ?? null].map((value) => {
    if (props.condition !== 'usual' || value === null || again.value) return '–'
    if (value.basis !== 'estimated') return value.oneForBoth ? inUnit(value.value) : '–'
    return `~${inUnit(value.value, false)}`
  }),
)

const taken = stable(() =>
  fieldSides.value.map((side) => visit.reading(props.readingKey, side, props.condition)).filter((r) => r !== null && r.value !== null),
)
/** Read once, without a side. */
const forBoth = computed(() => (definition.value.onceForBoth ? visit.reading(props.readingKey, 'both', props.condition) : null))
const method = computed<MethodKey>(() => (taken.value[0] ?? forBoth.value)?.method ?? definition.value.method)
/** How the leg moved while it was read, of a reading whose band goes by that. */
const way = computed(() => (numberKey.value !== null && definitionOf(numberKey.value).band !== undefined ? wayOf(method.value) : null))
/** Asked once, at the first of these readings; then the fitter's usual way is known. */
const asksWay = computed(
  () =>
    way.value === 'still' &&
    method.value === definition.value.method &&
    preferences.readingWay === null &&
    taken.value.length > 0 &&
    visit.shownUpTo === null,
)
function readBy(chosen: ReadingWay): void {
  preferences.readLegs(chosen)
  if (chosen !== way.value) setMethod(readingWays[chosen].method)
}
const how = computed(() => {
  const rows = taken.value.length > 0 ? taken.value : [forBoth.value]
  if (rows[0] === null || rows.length === 0) {
    const estimate = resolved.value?.left ?? null
    if (estimate !== null && estimate.basis !== 'estimated' && props.condition === 'usual') return 'of the part that was fitted'
    return estimate === null || props.condition !== 'usual' ? 'to measure' : `estimate, ${estimate.from}`
  }
  if (choice.value) return methods[method.value].label
  const spread = Math.max(...rows.map((reading) => (reading ? readingPlusMinus(reading) : 0)))
  const once = oneForBoth.value ? ', read once for both sides' : ''
  const moves = way.value === null ? '' : `, ${readingWays[way.value].label}`
  return `±${inUnit(spread)}${mark.value} ${methods[method.value].label}${moves}${repeated.value}${once}`
})
/** "3 readings, spread 1.2": said where a reading was repeated. */
const repeated = computed(() => {
  const most = taken.value.map((reading) => reading?.repeats ?? []).sort((a, b) => b.length - a.length)[0] ?? []
  if (most.length < 2) return ''
  return `, mean of ${most.length}, spread ${inUnit(summarise(0, most).spread)}`
})

/** Several values of left and right, each as it is shown. */
const bothSides = (values: readonly (number | null)[]) =>
  `${values.map((value) => (value === null ? '–' : inUnit(value))).join(' / ')}${mark.value}`
const isChanged = computed(() => visit.place > 0 && props.condition === 'usual')
/** The model's angles now, of an angle that it has. */
const predicted = stable(() => {
  const kind = definitionOf(props.readingKey).calibrates
  const { model } = visit.setup
  if (!isChanged.value || kind === undefined || model === null || taken.value.length === 0) return null
  return fieldSides.value.map((side) => {
    const modelled = predict(model, { kind, side })
    const metric = metricReadBy(props.readingKey, side)
    // Carried on from what was read of it, as everywhere.
    return metric === null ? modelled : (metricEstimate(visit.setup, metric, modelled)?.value ?? modelled)
  })
})
/** What the model had said of a reading taken after a change, before it was taken. */
const before = later(
  () => [visit.readings, visit.place],
  () => visit.head?.visitId,
  () =>
    fieldSides.value.map((side) => {
      const reading = visit.reading(props.readingKey, side, props.condition)
      const isLater =
        reading !== null && visit.placeOf(reading) > 0 && visit.allReadings(props.readingKey, side, props.condition).length > 1
      return isLater ? predictionOf(reading, visit.readings, visit.ledger, visit.bar) : null
    }),
)
/** Start and now: what was read first, what is predicted, and where a change has put it. */
const moved = stable(() => {
  if (!isChanged.value || choice.value) return null
  const first = fieldSides.value.map((side) => visit.allReadings(props.readingKey, side)[0] ?? null)
  const isReread = fieldSides.value.some((side, i) => {
    const counts = visit.reading(props.readingKey, side)
    return counts !== null && first[i] !== null && counts !== first[i]
  })
  if (isReread) {
    const start = bothSides(first.map((reading) => (typeof reading?.value === 'number' ? reading.value : null)))
    return {
      start: `${start} at start`,
      now: before.value.some((value) => value !== null) ? `predicted ${bothSides(before.value)}` : how.value,
    }
  }
  if (predicted.value && taken.value.every((reading) => reading !== null && visit.placeOf(reading) < visit.place)) {
    return { start: 'start', now: `predicted now ${bothSides(predicted.value)}` }
  }
  if (predicted.value || !numberKey.value) return null
  const [start, now] = [visit.baseline.now[numberKey.value], visit.setup.now[numberKey.value]]
  const at = (side: Reading['side']) => (side === 'right' ? 'right' : 'left')
  if (fieldSides.value.every((side) => start[at(side)]?.value === now[at(side)]?.value)) return null
  const shown = fieldSides.value.map((side) => {
    const value = now[at(side)]?.value ?? null
    return value === null || definition.value.isRoom !== true ? value : Math.max(0, value)
  })
  // Of a part that was fitted since nothing may be known: then there is no now to say.
  return shown.every((value) => value === null) ? null : { start: 'start', now: `now ${bothSides(shown)}` }
})

/** Every reading of this row, in the order they were taken. */
const history = computed(() =>
  [...fieldSides.value, ...(definition.value.onceForBoth ? (['both'] as const) : [])].flatMap((side) =>
    visit.allReadings(props.readingKey, side, props.condition).map((reading) => ({
      reading,
      words: `${placeWords(visit.placeOf(reading))}${side === 'both' ? '' : `, ${side}`}: ${valueWords(reading)}${reading.at === '' ? '' : `, ${momentOf(reading.at)}`}`,
    })),
  ),
)
const placeWords = (place: number) => {
  const changes = foldedAt(visit.ledger, place).changes.length
  return changes === 0 ? 'Start' : `After change ${changes}`
}
const valueWords = ({ value }: Reading) => {
  if (typeof value === 'string') return choice.value ? optionWord(choice.value, value) : value
  return value === null ? 'cleared' : `${inUnit(value)}${mark.value}`
}
/** Something was changed since it was read. */
const canReadAgain = computed(
  () =>
    visit.shownUpTo === null && [...taken.value, forBoth.value].some((reading) => reading !== null && visit.placeOf(reading) < visit.place),
)
watch([() => visit.place, () => visit.head?.visitId], () => (again.value = false))
async function readAgain(): Promise<void> {
  again.value = true
  await nextTick()
  row.value?.querySelector<HTMLElement>('[data-reading]')?.focus()
}
const row = ref<HTMLElement | null>(null)

const ways = computed(() => tableOf([...new Set([...methodsFor(definition.value), method.value])], (key): string => methods[key].label))
function setMethod(chosen: MethodKey | null): void {
  if (chosen === null) return
  for (const reading of [...taken.value, forBoth.value]) {
    if (!reading) continue
    // A ± worked out by one method is not another's.
    const { plusMinus: _, ...rest } = reading
    visit.setReading({ ...rest, method: chosen, at: new Date().toISOString() })
  }
}
function remove(reading: Reading): void {
  const { plusMinus: _, ...rest } = reading
  visit.setReading({ ...rest, value: null, typed: '', repeats: [] })
  lastRemoved.offer(`${readingName(reading.key, reading.side)} removed.`, () => visit.setReading(reading))
}

function setProblem(side: Reading['side'], problem: EntryTrouble | null): void {
  problems[side] = problem ?? undefined
}
</script>

<template>
  <div ref="row" class="row" :class="{ single: !definition.sided, words: definition.sided && choice !== null }">
    <button class="name" type="button" :aria-expanded="open" @click="open = !open">
      <span class="label"
        >{{ definition.label }}{{ where }}&nbsp;<span v-if="unit" class="unit muted">{{ unit }}</span></span
      >
      <span v-if="moved" class="how muted"
        >{{ moved.start }}, <strong class="moved">{{ moved.now }}</strong></span
      >
      <span v-else class="how muted">{{ how }}</span>
    </button>
    <template v-if="choice">
      <ChoiceField v-for="side in fieldSides" :key="`c-${side}`" :reading-key="choice" :side="side" :condition="condition" :again="again" />
    </template>
    <template v-if="numberKey">
      <ReadingField
        v-for="(side, i) in fieldSides"
        :key="side"
        ref="fields"
        :condition="condition"
        :reading-key="numberKey"
        :side="side"
        :estimate="estimates[i] ?? '–'"
        :again="again"
        @problem="(problem) => setProblem(side, problem)"
      />
    </template>
    <template v-for="(side, i) in fieldSides" :key="`p-${side}`">
      <p
        v-if="problems[side]"
        :id="`reading-${readingKey}-${side}${condition === 'usual' ? '' : `-${condition}`}-problem`"
        class="problem"
        role="alert"
      >
        <MessageText :of="problems[side]?.message ?? ''" />{{ ' ' }}
        <Button v-if="problems[side]?.suggestion" class="suggest" @click="fields[i]?.take(problems[side]?.suggestion?.text ?? '')">
          <MessageText :of="problems[side]?.suggestion?.label ?? ''" />
        </Button>
      </p>
    </template>
    <p v-if="asksWay" class="way small" role="group" aria-label="How the leg was read">
      Held still, or pedalling? It changes what is asked.
      <Button v-for="({ label }, key) in readingWays" :key="key" size="small" @click="readBy(key)">{{ label }}</Button>
    </p>
    <div v-if="open" class="more small">
      <p><MessageText :of="definition.how" /> <TermLink v-if="term" :of="term" /></p>
      <p v-for="{ reading, words } in history" :key="`${reading.side}@${reading.after}`" class="past">
        {{ words }}
        <RemoveButton :what="`this reading of ${midSentence(definition.label)}`" :label="`Remove: ${words}`" @remove="remove(reading)" />
      </p>
      <p v-if="canReadAgain && !again">
        <Button :data-testid="`again-${readingKey}`" @click="readAgain"> Read again, as the bike stands now </Button>
      </p>
      <p v-else-if="again && canReadAgain">
        The next value is a new reading; the earlier one is kept. <Button type="link" size="small" @click="again = false">Not now</Button>
      </p>
      <div v-if="taken.length > 0 || forBoth" class="how-measured">
        How measured
        <SelectField label="How measured" :value="method" :options="ways" @pick="setMethod" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 64px 64px;
  /* What a row says may take a line more: its fields stay where they are. */
  align-items: start;
  gap: 2px 4px;
  padding: 2px 0;
  border-bottom: 1px solid var(--line);
}
.row.words {
  grid-template-columns: minmax(0, 1fr) 88px 88px;
}
.row.words :deep(.choice) {
  padding: 0 2px;
  font-size: 14px;
}
.row.single :deep(.field) {
  grid-column: 3;
}
.row.single :deep(.choice) {
  grid-column: 2 / 4;
}
.row.single:has(.choice) > .name {
  grid-column: 1 / 2;
}
.row.single:not(:has(.choice)) > .name {
  grid-column: 1 / 3;
}
.name {
  min-height: 42px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
  line-height: 1.2;
}
.label,
.how {
  display: block;
}
.label {
  font-size: 15px;
}
.how {
  font-size: 13px;
}
.unit {
  font-size: 12.5px;
}
.moved {
  color: var(--petrol);
  white-space: nowrap;
}
.problem {
  grid-column: 1 / -1;
  color: var(--brick);
  font-size: 14px;
  padding: 2px 0 6px;
}
.way {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  grid-column: 1 / -1;
  padding: 2px 0 6px;
}
.suggest {
  margin-top: 4px;
}
.more {
  grid-column: 1 / -1;
  padding: 4px 0 10px;
  color: var(--muted);
}
.how-measured {
  display: flex;
  align-items: center;
  gap: 8px;
  margin-top: 6px;
}
</style>
