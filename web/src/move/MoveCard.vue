<script setup lang="ts">
import { joined, msg } from '@level-stance/core/kernel/message'
import { DownOutlined, UpOutlined } from '@ant-design/icons-vue'
import { Button, Checkbox, Popconfirm } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import type { RiderMetrics } from '@level-stance/core/body/metrics'
import { stemEfforts } from '@level-stance/core/bike/stemSearch'
import { anyCalculation } from '@level-stance/core/kernel/calculation'
import { obstacles } from '@level-stance/core/ledger/course'
import { cautionsFor } from '@level-stance/core/ledger/cautions'
import { metricsCarriedOn } from '@level-stance/core/rider/metricEstimate'
import { isExchange } from '@level-stance/core/ledger/moves'
import { amountWords, changeWords, requestedWords } from '@level-stance/core/ledger/moveWords'
import { isWholeMove, wayBack, wayBackCaution, wholeMoveCaution } from '@level-stance/core/ledger/pace'
import { knockOnCalculation } from '@level-stance/core/knockOn/calculations'
import { handHolds } from '@level-stance/core/ledger/settings'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { lengthWords, trimmed } from '@level-stance/core/kernel/entry'
import type { SettingPlace } from '@level-stance/core/station/settingPlace'
import type { WorkingRun } from '@level-stance/core/station/station'
import { focusCard } from '../kit/focusCard.ts'
import { stable } from '../kit/stable.ts'
import { MessageText } from '../glossary/MessageText.ts'
import { termOfReading } from '../glossary/terms.ts'
import { useBoard } from '../data/board.ts'
import { usePreferences } from '../data/preferences.ts'
import { useVisit } from '../data/visit.ts'
import AskFirst from './AskFirst.vue'
import BlockedNote from './BlockedNote.vue'
import FrontBrakeQuestion from './FrontBrakeQuestion.vue'
import MoveField from './MoveField.vue'
import PacePicker from './PacePicker.vue'
import WorkingButton from '../working/WorkingButton.vue'
import SelectField from '../kit/SelectField.vue'
import FoldPanel from '../kit/FoldPanel.vue'

/** What is to be moved or exchanged, what it brings along, and the button that puts it to the test. */
const props = withDefaults(
  defineProps<{
    fields: readonly SettingPlace[]
    /** whether the fitter chooses here what the hands are held to */
    choosesHold?: boolean
  }>(),
  { choosesHold: true },
)
const visit = useVisit()
const board = useBoard()
const preferences = usePreferences()

/** The station's own fields, and one for whatever else is asked for. */
const shownFields = computed<readonly SettingPlace[]>(() => {
  const others = board.requested.flatMap((request) => (isExchange(request) ? [] : [request]))
  return [
    ...props.fields,
    ...others.filter(({ setting, side }) => !props.fields.some((field) => field.setting === setting && field.side === side)),
  ]
})
/** Left and right of one setting share a row. */
// The same rows while only their amounts change: the card is not drawn anew at every step of a drag.
const rows = stable(() => {
  const keys = [...new Set(shownFields.value.map(({ setting }) => setting))]
  return keys.map((setting) => ({ setting, sides: shownFields.value.filter((field) => field.setting === setting).map(({ side }) => side) }))
})
const step = computed(() => board.step)
/** What it brings along is worked out once the hand rests; the controls of a request come with it, so that a drag starts at once. */
const isSaid = computed(() => board.active && step.value !== null)
/** Why it cannot be tried, where nothing else on the card says so. */
const not = computed(() => board.against.map((key) => obstacles[key]).find((words) => words !== null) ?? null)
const inRole = (role: 'chosen' | 'knock-on') =>
  step.value
    ? changeWords({
        moves: step.value.moves.filter((move) => move.role === role),
        exchanges: step.value.exchanges.filter((one) => one.role === role),
      })
    : []
const now = computed(() => inRole('chosen'))
const withIt = computed(() => inRole('knock-on'))
const exact = computed(() =>
  joined(
    (step.value?.answers ?? [])
      .filter((answer) => answer.by !== 0)
      .map(
        ({ setting, exact, limit }) => msg`exact ${exact < 0 ? '−' : ''}${amountWords(setting, exact)}${limit ? `, ${limits[limit]}` : ''}`,
      ),
    '; ',
  ),
)
const limits = { cap: 'the rest later', room: 'no more room' } as const
const knees = computed(() => {
  const carried = (metrics: RiderMetrics | null | undefined) => metrics && metricsCarriedOn(metrics, visit.setup)
  const [before, after] = [carried(step.value?.before), carried(step.value?.after)]
  return (['left', 'right'] as const).flatMap((side) => {
    const key = side === 'left' ? 'kneeLeft' : 'kneeRight'
    const [from, to] = [before?.[key] ?? null, after?.[key] ?? null]
    return from === null || to === null || Math.abs(to - from) < 0.05 ? [] : [`${side} ${trimmed(from, 1)}° → ${trimmed(to, 1)}°`]
  })
})
const holdsHands = computed(() => visit.setup.model !== null && visit.setup.model.grips !== null)
/** Whether it matters how far one change may go: the whole of it is more than a step. */
const goesFar = computed(() => isWholeMove((step.value?.chosen ?? []).map(({ setting, aim }) => ({ setting, by: aim }))))
/** Further at once than a settled rider would be moved. */
const isWhole = computed(() => step.value !== null && isWholeMove(step.value.chosen))
const isWayBack = computed(() => isWhole.value && (step.value?.chosen ?? []).every((move) => wayBack(move) > 0))
const cautions = computed(() => (step.value ? cautionsFor(step.value) : []))
const stems = computed(() => step.value?.stems ?? [])

/** Folded to a line, with its caution: the page has the room. What is newly asked for is read whole. */
const folded = ref(false)
watch(
  () => board.active,
  (active) => {
    if (active) folded.value = false
  },
)

function hold(change: Partial<typeof board.holds>): void {
  board.ownHolds = { ...board.holds, ...change }
}
function tryIt(): void {
  board.tryStep()
  focusCard('Being tried')
}
function runs(): WorkingRun[] {
  const { readings, ledger, place, bar } = visit
  const { requested, holds } = board
  const input = { readings, ledger, place, bar, requested, holds, mode: 'step', pace: visit.pace }
  return [{ heading: 'What this change brings along', calculation: anyCalculation(knockOnCalculation), input, plusMinus: {} }]
}
</script>

<template>
  <article class="card foot" :class="{ folded }" aria-label="Proposal" tabindex="-1">
    <div v-if="!folded" class="main">
      <div v-if="isSaid || board.waiting.length > 0" class="said">
        <template v-if="isSaid && step">
          <div class="sides">
            <div>
              <p v-if="now.length > 0" data-testid="move-now"><strong>Now:</strong> <MessageText :of="joined(now, ' · ')" /></p>
              <p v-if="withIt.length > 0" data-testid="move-answers">
                <strong>With it:</strong> <MessageText :of="joined(withIt, ' · ')" />{{ ' ' }}
                <span v-if="exact" class="muted small">(<MessageText :of="exact" />)</span>
              </p>
              <p v-if="knees.length > 0" class="small muted">Knee at the bottom: {{ knees.join(', ') }}.</p>
              <p v-if="step.left.length > 0" class="small"><MessageText :of="joined(step.left.map((left) => left.words))" /></p>
              <p v-if="step.later" class="small muted"><MessageText :of="step.later" /></p>
            </div>
            <div>
              <p v-if="now.length > 0" class="caution"><MessageText :of="joined(cautions)" /></p>
              <p v-if="isWhole" class="small caution">{{ isWayBack ? wayBackCaution : wholeMoveCaution }}</p>
              <p v-for="words in step.findings" :key="words" class="small warn">{{ words }}</p>
              <BlockedNote :blocks="board.blocks" />
              <p v-if="not" class="small" :class="visit.stops.length > 0 ? 'warn' : 'muted'">{{ not }}</p>
            </div>
          </div>
          <FoldPanel v-if="stems.length > 0 && choosesHold" class="small" title="Ways with stem and spacers">
            <p v-for="(option, i) in stems" :key="i">
              {{ lengthWords(option.stemLength, preferences.unit) }}, {{ trimmed(option.stemAngle, 0) }}°, spacers
              {{ lengthWords(option.spacers, preferences.unit) }}: {{ stemEfforts[option.effort].label }}, misses by
              {{ lengthWords(option.misses, preferences.unit, preferences.unit === 'mm' ? 1 : 2) }}
            </p>
          </FoldPanel>
          <template v-if="now.length > 0">
            <AskFirst />
            <FrontBrakeQuestion :change="step" />
          </template>
        </template>
        <ul v-if="board.waiting.length > 0" class="waiting" aria-label="Waiting until this one is done" data-testid="waiting">
          <li v-for="row in board.waiting" :key="row.key" class="small">
            <span>Waits: {{ row.label }}, <MessageText :of="requestedWords(row.requested)" /></span>
            <Button type="link" size="small" @click="board.takeUp(row.key)">Take up</Button>
            <Button type="link" size="small" @click="board.drop(row.key)">Forget</Button>
          </li>
        </ul>
      </div>
      <div v-if="isSaid" class="tools">
        <Checkbox :checked="board.holds.knee" @update:checked="(on: boolean) => hold({ knee: on })">hold knee</Checkbox>
        <div v-if="holdsHands && choosesHold" class="holds">
          <span>Hold</span>
          <SelectField label="Hands hold" :value="board.holds.hands" :options="handHolds" @pick="(hands) => hands && hold({ hands })" />
        </div>
        <PacePicker v-if="goesFar" />
        <WorkingButton :runs="runs" />
      </div>
      <!-- The row under the hand is the last one: what comes with it grows upward and moves no field. -->
      <div class="fields">
        <h2>Move</h2>
        <template v-for="row in rows" :key="row.setting">
          <MoveField v-if="row.sides.length === 1" :setting="row.setting" :side="row.sides[0] ?? 'both'" />
          <div v-else class="pair">
            <span><MessageText :of="definitionOf(row.setting).label" :term="termOfReading(row.setting)" /></span>
            <MoveField v-for="side in row.sides" :key="side" :setting="row.setting" :side="side" compact />
          </div>
        </template>
        <p v-if="!board.active" class="small muted">Drag on the board, or type where it should go.</p>
      </div>
    </div>
    <div v-else class="main">
      <p class="line">
        <strong>Move</strong>&ensp;<MessageText v-if="isSaid && now.length > 0" :of="joined(now, ' · ')" /><span v-else class="muted">{{
          rows.map(({ setting }) => definitionOf(setting).label).join(' · ')
        }}</span>
      </p>
      <!-- What can be tried is never without its caution. -->
      <p v-if="isSaid && now.length > 0" class="caution small"><MessageText :of="joined(cautions)" /></p>
    </div>
    <div class="acts">
      <Button
        type="text"
        size="small"
        :aria-label="folded ? 'Unfold the card' : 'Fold the card to a line'"
        :aria-expanded="!folded"
        @click="folded = !folded"
      >
        <UpOutlined v-if="folded" aria-hidden="true" /><DownOutlined v-else aria-hidden="true" />
      </Button>
      <Button v-if="(isSaid || !board.active) && board.changed && board.judged" type="link" size="small" @click="board.clear()"
        >As judged</Button
      >
      <Button v-if="isSaid" type="link" size="small" @click="board.leave()">Leave it</Button>
      <Popconfirm
        v-if="isSaid && now.length > 0"
        :disabled="!board.canTry || !board.isForGood"
        placement="topRight"
        title="A cut is for good. Ridden with the hands there first, and measured twice?"
        ok-text="Cut and try"
        cancel-text="Not yet"
        @confirm="tryIt"
      >
        <Button type="primary" size="large" :disabled="!board.canTry" data-testid="try" @click="board.isForGood || tryIt()"
          >Try&ensp;<kbd aria-hidden="true">t</kbd></Button
        >
      </Popconfirm>
    </div>
  </article>
</template>

<style scoped>
article:focus {
  outline: none;
}
.foot {
  display: flex;
  gap: 14px;
  min-height: 0;
  padding: 6px 12px;
  font-size: 15px;
  line-height: 1.3;
}
.main {
  display: flex;
  flex: 1;
  flex-direction: column;
  justify-content: end;
  gap: 5px;
  min-width: 0;
  min-height: 0;
}
.said {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 5px;
  min-height: 0;
  overflow-y: auto;
}
.sides {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
}
.sides > div {
  display: grid;
  flex: 1 1 300px;
  align-content: start;
  gap: 3px;
}
.tools {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 16px;
}
.fields {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 20px;
}
.folded .main {
  justify-content: center;
}
.line {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.acts {
  display: flex;
  flex: none;
  flex-direction: column;
  align-items: end;
  justify-content: end;
  gap: 4px;
}
.acts > :first-child {
  margin-bottom: auto;
}
.folded .acts {
  flex-direction: row-reverse;
  align-items: center;
  justify-content: start;
}
.folded .acts > :first-child {
  margin: 0;
}
.waiting {
  display: grid;
  gap: 2px;
  margin: 0;
  padding: 4px 0 0;
  border-top: 1px solid var(--line);
  list-style: none;
}
.waiting li {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
}
.pair {
  display: flex;
  align-items: center;
  gap: 2px 8px;
}
.holds {
  display: flex;
  align-items: center;
  gap: 8px;
}
.holds > :last-child {
  min-width: 190px;
}
</style>
