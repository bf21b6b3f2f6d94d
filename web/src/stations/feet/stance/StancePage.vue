<script setup lang="ts">
import { tableFrom } from '@level-stance/core/kernel/tables'
import { MessageText } from '../../../glossary/MessageText.ts'
import { Button, Input } from 'ant-design-vue'
import { computed, reactive } from 'vue'
import { anyCalculation } from '@level-stance/core/kernel/calculation'
import { measuredValue } from '@level-stance/core/readings/resolve'
import { stanceMoves } from '@level-stance/core/stations/feet/exchange'
import { stanceOptionsCalculation } from '@level-stance/core/stations/feet/stance/calculations'
import { treadWords, turnsOfRide } from '@level-stance/core/stations/feet/stance/targets'
import { LEAST_THREAD, missWords, stanceMeans, stanceOptions } from '@level-stance/core/stations/feet/stance/search'
import type { StanceOption } from '@level-stance/core/stations/feet/stance/search'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { sides } from '@level-stance/core/kernel/sided'
import { midSentence } from '@level-stance/core/kernel/words'
import NumberVials from '../../../vial/NumberVials.vue'
import WorkingButton from '../../../working/WorkingButton.vue'
import { useBoard } from '../../../data/board.ts'
import { readSizes, stockKeys, stockRange, usePartsAtHand } from '../../../data/partsAtHand.ts'
import type { StockKey } from '../../../data/partsAtHand.ts'
import { useVisit } from '../../../data/visit.ts'
import FindingList from '../../../finding/FindingList.vue'
import { useFeet } from '../../useFeet.ts'
import SelectField from '../../../kit/SelectField.vue'
import { usePreferences } from '../../../data/preferences.ts'
import FoldPanel from '../../../kit/FoldPanel.vue'

const preferences = usePreferences()
const visit = useVisit()
const feet = useFeet()
const board = useBoard()
const parts = usePartsAtHand()

const stance = computed(() => feet.parts.stance)
/** Parts at hand; where no crank lies there, those that are sold for this kind of bike. */
const stock = computed(() => ({
  ...parts.stock,
  treads: parts.stock.treads.length > 0 ? parts.stock.treads : (stance.value?.treads ?? []),
}))
const wanted = computed(() => sides.some((side) => (stance.value?.gap[side] ?? 0) !== 0))
const options = computed(() => {
  const standing = stance.value
  if (!standing || !wanted.value) return []
  const target = { left: standing.now.left + standing.gap.left, right: standing.now.right + standing.gap.right }
  return stanceOptions({
    now: standing.parts,
    target,
    band: standing.band,
    cleatRoom: standing.cleatRoom,
    thread: standing.thread,
    stock: stock.value,
  })
})

/** A way onto the move card: the engine says what it brings along. */
const take = (option: StanceOption) => board.take(stanceMoves(option), option.words)
const leftWords = (option: StanceOption) => (option.reaches ? 'reaches it' : missWords(option, stance.value?.gap ?? { left: 0, right: 0 }))
const threadOf = (option: StanceOption) =>
  option.moves.some(({ mean }) => mean === 'washer')
    ? `, thread left ${preferences.length(Math.min(option.threadLeft.left, option.threadLeft.right), 1)}`
    : ''

const tread = computed(() => visit.setup.now.tread.left?.value ?? null)
const strokes = computed(() => {
  const hours = measuredValue(visit.setup.now, 'rideHours')
  const cadence = measuredValue(visit.setup.now, 'cadence')
  return hours === null || cadence === null ? null : turnsOfRide(hours, cadence)
})
const estimated = computed(() => stance.value?.estimated.map((key) => midSentence(definitionOf(key).label)).join(', ') ?? '')

const texts = reactive<Partial<Record<StockKey, string>>>({})
const problems = reactive<Partial<Record<StockKey, string | undefined>>>({})
function setSizes(key: StockKey, text: string): void {
  texts[key] = text
  const read = readSizes(key, text)
  problems[key] = 'problem' in read ? read.problem : undefined
  if ('list' in read) parts.set(key, read.list)
}
/** Every way to a target; one that lacks a reading says so and cannot be chosen. */
const targets = computed(() =>
  tableFrom((stance.value?.targets ?? []).map(({ key, label, half }) => [key, `${label}${half === null ? ' (to measure)' : ''}`] as const)),
)
const unread = computed(() => (stance.value?.targets ?? []).flatMap(({ key, half }) => (half === null ? [key] : [])))
const items = computed(() => {
  const standing = stance.value
  if (!standing) return []
  const side = (key: 'left' | 'right') => {
    const { washer, adapter, axle, cleatInboard } = standing.parts[key]
    const { low, high } = standing.cleatRoom[key]
    return {
      washer,
      adapter,
      axle,
      cleatInboard,
      target: standing.now[key] + standing.gap[key],
      low: standing.band[key].low,
      high: standing.band[key].high,
      cleatOut: high,
      cleatIn: -low,
      thread: standing.thread[key],
    }
  }
  return [
    {
      heading: 'Ways to this stance',
      calculation: anyCalculation(stanceOptionsCalculation),
      input: { tread: standing.parts.left.tread, left: side('left'), right: side('right'), ...stock.value },
      plusMinus: {},
    },
  ]
})
</script>

<template>
  <div v-if="stance" class="stance">
    <div class="head">
      <label for="stance-by"><h2>Target</h2></label>
      <SelectField
        field-id="stance-by"
        label="Target"
        :value="feet.choices.stanceBy ?? null"
        :options="targets"
        :closed="unread"
        placeholder="first that has what it needs"
        clearable
        @pick="(stanceBy) => feet.choose({ stanceBy: stanceBy ?? undefined })"
      />
      <WorkingButton :runs="items" />
    </div>
    <FindingList v-if="stance.faults.length > 0" :findings="stance.faults" none="" />
    <p class="small">
      <strong>{{ stance.target.label }}.</strong> <MessageText :of="stance.target.reason" />
    </p>
    <NumberVials :vials="feet.vials" />
    <p v-if="estimated" class="small warn">Taken as usual, not read: {{ estimated }}. Read them before parts are bought.</p>
    <section v-if="wanted" aria-label="Ways">
      <h2>Ways, best first</h2>
      <p v-if="!stance.isOff" class="small warn">Off by no more than the reading’s own ±: read again before parts are changed.</p>
      <ol>
        <li v-for="(option, i) in options" :key="preferences.plain(option.words)" :class="{ short: !option.reaches }">
          <p>
            <strong><MessageText :of="option.words" />:</strong>
            {{ ' '
            }}<span class="muted"> <MessageText :of="leftWords(option)" />{{ threadOf(option) }}; undone {{ option.reversible }}.</span>
          </p>
          <Button
            v-if="option.moves.length > 0 && board.movable"
            :aria-label="`Take way ${i + 1}: ${preferences.plain(option.words)}`"
            @click="take(option)"
          >
            Take
          </Button>
        </li>
      </ol>
      <p class="small muted">
        In the trade’s order:
        {{
          Object.values(stanceMeans)
            .map((mean) => mean.label)
            .join(', ')
        }}. At least {{ preferences.length(LEAST_THREAD, 1) }} of thread stays in the crank; the makers’ own limit outranks it.
      </p>
    </section>
    <p v-else-if="stance.target.key === 'use'" class="small">
      The usual stance is only something to compare with. Measure knee outside foot, left and right, and the feet get a target of their own.
    </p>
    <p v-else class="small">Both feet stand inside the band: leave them.</p>
    <FoldPanel class="small" title="Parts at hand">
      <label v-for="key in stockKeys" :key="key" class="stock">
        <span>{{ stockRange[key].label }}, mm</span>
        <Input
          :value="texts[key] ?? parts.stock[key].join(' ')"
          :status="problems[key] ? 'error' : ''"
          :aria-invalid="problems[key] !== undefined"
          autocomplete="off"
          @update:value="(text: string) => setSizes(key, text)"
        />
        <span v-if="problems[key]" class="warn" role="alert">{{ problems[key] }}</span>
      </label>
    </FoldPanel>
    <p v-if="tread !== null" class="small muted"><MessageText :of="treadWords(tread)" /></p>
    <p v-if="strokes !== null" class="small" data-testid="strokes">
      On the usual ride each leg turns <strong class="figure">{{ Math.round(strokes).toLocaleString('en') }}</strong> times: what is a
      little off repeats as often.
    </p>
    <p v-else class="small muted">Read the usual ride and its cadence, and the strokes are counted.</p>
  </div>
  <p v-else class="muted">Measure tread and axle first.</p>
</template>

<style scoped>
.stance {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
.head {
  display: flex;
  align-items: center;
  gap: 8px;
}
ol {
  margin: 4px 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) max-content;
  gap: 8px;
  align-items: center;
  padding: 5px 0;
  border-top: 1px solid var(--line);
  font-size: 15px;
  line-height: 1.25;
}
.short strong {
  font-weight: 500;
}
.stock {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr);
  align-items: center;
  gap: 2px 8px;
  margin-bottom: 4px;
}
.stock .warn {
  grid-column: 1 / -1;
}
</style>
