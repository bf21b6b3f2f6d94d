<script setup lang="ts">
import { CheckOutlined, MinusOutlined, QuestionOutlined } from '@ant-design/icons-vue'
import { Button, Popover, Progress } from 'ant-design-vue'
import { feetStation } from '@level-stance/core/stations/feet/station'
import { handsStation } from '@level-stance/core/stations/hands/station'
import { seatStation } from '@level-stance/core/stations/seat/station'
import { POSSIBLE } from '@level-stance/core/reason/arithmetic'
import { causeOf, causePage } from '@level-stance/core/reason/causeTable'
import { readingsWords } from '@level-stance/core/reason/nextReading'
import { causeWord } from '@level-stance/core/reason/rank'
import type { RankedCause } from '@level-stance/core/reason/rank'
import { usePaintedFirst } from '../kit/painted.ts'
import { MessageText } from '../glossary/MessageText.ts'
import { useVisit } from '../data/visit.ts'

/** Causes, likeliest first: how likely in a word, what speaks for and against, what is still to be read. */
const props = withDefaults(
  defineProps<{
    causes: readonly RankedCause[]
    /** share left over for what no contact point causes; left out where only some causes are shown */
    leftOver?: number | null
  }>(),
  { leftOver: null },
)
defineEmits<{ go: [cause: RankedCause] }>()
const visit = useVisit()
const { shown } = usePaintedFirst(() => props.causes, 4)

const stations = { feet: feetStation, seat: seatStation, hands: handsStation } as const
function pageLabel({ cause }: RankedCause): string {
  const { station } = causeOf(cause)
  const page = causePage(cause, visit.bar)
  const pages: Readonly<Record<string, { readonly label: string } | undefined>> = stations[station].pages
  return pages[page]?.label ?? stations[station].label
}
const percent = (share: number) => `${Math.round(100 * share)} %`
const side = ({ side: on }: RankedCause) => (on === null ? '' : on === 'both' ? ', both' : `, ${on}`)
const factor = (moves: number) => `× ${Math.exp(moves).toFixed(Math.exp(moves) < 10 ? 2 : 0)}`
const open = (row: RankedCause, again: boolean) =>
  [...new Set(row.open.filter((test) => (test.again !== undefined) === again).map(({ missing }) => readingsWords(missing).toLowerCase()))]
    .slice(0, 2)
    .join('; ')
const spoken = (row: RankedCause) => row.said.filter(({ speaks }) => speaks !== 'unsure')
const unsure = (row: RankedCause) => row.said.filter(({ speaks }) => speaks === 'unsure')
</script>

<template>
  <ul class="causes">
    <li
      v-for="row in shown"
      :key="row.cause"
      :class="{ muted: row.muted !== null, dim: row.isRead && row.found === null && row.probability < POSSIBLE }"
      :data-testid="`cause-${row.cause}`"
    >
      <div class="top">
        <Button
          type="link"
          class="name"
          :aria-label="`${causeOf(row.cause).label}${side(row)}: open ${pageLabel(row)}`"
          @click="$emit('go', row)"
          >{{ causeOf(row.cause).label }}{{ side(row) }}</Button
        >
        <Popover trigger="click" placement="left">
          <template #content>
            <table class="sum">
              <tbody>
                <tr>
                  <td>Before anything was read</td>
                  <td class="figure">{{ percent(row.prior) }}</td>
                </tr>
                <tr v-for="(line, i) in row.sum" :key="i">
                  <td><MessageText :of="line.words" /></td>
                  <td class="figure">{{ factor(line.moves) }}</td>
                </tr>
                <tr>
                  <td><strong>Now</strong></td>
                  <td class="figure">
                    <strong>{{ percent(row.probability) }}</strong>
                  </td>
                </tr>
                <tr v-if="row.here">
                  <td>Here, in closed visits</td>
                  <td class="figure">{{ row.here.eased }} of {{ row.here.tried }} eased</td>
                </tr>
              </tbody>
            </table>
          </template>
          <Button type="text" class="word" :aria-label="`${causeOf(row.cause).label}: ${causeWord(row)}, show the sum`">{{
            causeWord(row)
          }}</Button>
        </Popover>
      </div>
      <Progress :percent="100 * row.probability" :show-info="false" size="small" :class="{ read: row.isRead }" aria-hidden="true" />
      <p v-if="row.muted" class="line first">{{ row.muted }}</p>
      <p v-for="one in spoken(row)" :key="`${one.of}-${one.side}`" class="line" :class="one.speaks">
        <CheckOutlined v-if="one.speaks === 'for'" aria-label="speaks for it" />
        <MinusOutlined v-else aria-label="speaks against it" />
        {{ ' ' }}<MessageText :of="one.words" />
      </p>
      <p v-for="(lesson, i) in row.learned" :key="`learned-${i}`" class="line" :class="lesson.moves > 0 ? 'for' : 'against'">
        <CheckOutlined v-if="lesson.moves > 0" aria-label="speaks for it" />
        <MinusOutlined v-else aria-label="speaks against it" />
        <MessageText :of="lesson.words" />
      </p>
      <p v-for="one in unsure(row)" :key="`unsure-${one.of}`" class="line open">
        <QuestionOutlined aria-label="not decided" /> <MessageText :of="one.words" />
      </p>
      <p v-if="open(row, false)" class="line open"><QuestionOutlined aria-label="not read" /> Not read: {{ open(row, false) }}.</p>
      <p v-if="open(row, true)" class="line open">
        <QuestionOutlined aria-label="to read again" /> Still worth reading: {{ open(row, true) }}.
      </p>
      <p v-if="row.here" class="line here">Here: {{ row.here.eased }} of {{ row.here.tried }} eased.</p>
    </li>
    <li v-if="leftOver !== null" class="rest">
      <span>Something else: bike check, training load, clinician</span>
      <span class="figure">{{ percent(leftOver) }} for none of these</span>
    </li>
  </ul>
</template>

<style scoped>
.causes {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  padding: 8px 0 9px;
  border-top: 1px solid var(--line);
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
.name {
  height: auto;
  min-height: 32px;
  padding: 0;
  color: var(--ink);
  font-weight: 600;
  text-align: left;
  white-space: normal;
}
.word {
  flex: none;
  height: 32px;
  padding: 0 4px;
  font-weight: 600;
}
.dim .name,
.dim .word,
.muted .name,
.muted .word {
  color: var(--muted);
}
li :deep(.ant-progress) {
  margin: 0;
  line-height: 1;
}
li :deep(.ant-progress-bg) {
  background: var(--steel);
}
li :deep(.read .ant-progress-bg) {
  background: var(--petrol);
}
.dim :deep(.read .ant-progress-bg),
.muted :deep(.read .ant-progress-bg) {
  background: var(--steel);
}
.line {
  margin: 3px 0 0;
  font-size: 15px;
  line-height: 1.3;
}
.line :deep(.anticon) {
  margin-right: 2px;
  font-size: 12px;
}
.for :deep(.anticon) {
  color: var(--brick);
}
.against {
  color: var(--muted);
}
.open :deep(.anticon) {
  color: var(--amber-ink);
}
.open,
.here {
  color: var(--muted);
}
.first {
  padding-left: 8px;
  border-left: 3px solid var(--amber);
}
.rest {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  color: var(--muted);
}
.sum {
  max-width: 380px;
  font-size: 14px;
}
.sum td {
  padding: 3px 6px;
  vertical-align: top;
}
.sum td.figure {
  text-align: right;
  white-space: nowrap;
}
</style>
