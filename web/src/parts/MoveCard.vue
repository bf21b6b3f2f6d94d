<script setup lang="ts">
import { Button, Checkbox } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { stemEfforts } from '@level-stance/core/bike/stemSearch'
import { anyCalculation } from '@level-stance/core/calculation'
import { cautionsFor } from '@level-stance/core/change/cautions'
import { handHolds } from '@level-stance/core/change/knockOn'
import type { HandHold } from '@level-stance/core/change/knockOn'
import { moveWords } from '@level-stance/core/change/moveWords'
import { knockOnCalculation } from '@level-stance/core/change/rider.calculations'
import type { SettingKey } from '@level-stance/core/change/settings'
import { definitionOf } from '@level-stance/core/measure/readingDefinitions'
import { trimmed } from '@level-stance/core/quantity/entry'
import type { Side } from '@level-stance/core/quantity/sided'
import { useBoard } from '../stores/board.ts'
import { useVisit } from '../stores/visit.ts'
import MoveField from './MoveField.vue'
import WorkingPanel from './WorkingPanel.vue'

/** What is to be moved, what it brings along, and the button that puts it to the test. */
const props = withDefaults(
  defineProps<{
    fields: readonly { readonly setting: SettingKey; readonly side: Side | 'both' }[]
    /** whether the fitter chooses here what the hands are held to */
    choosesHold?: boolean
  }>(),
  { choosesHold: true },
)
const visit = useVisit()
const board = useBoard()
const workingOpen = ref(false)
const none = [] as const

/** The station's own fields, and one for whatever else is wished. */
const shownFields = computed(() => [
  ...props.fields,
  ...board.requested.filter((request) => !props.fields.some((field) => field.setting === request.setting && field.side === request.side)),
])
/** Left and right of one setting share a row. */
const rows = computed(() => {
  const keys = [...new Set(shownFields.value.map(({ setting }) => setting))]
  return keys.map((setting) => ({ setting, sides: shownFields.value.filter((field) => field.setting === setting).map(({ side }) => side) }))
})
const step = computed(() => board.step)
const chosen = computed(() => step.value?.moves.filter((move) => move.role === 'chosen') ?? [])
const answers = computed(() => step.value?.answers.filter((answer) => answer.by !== 0) ?? [])
const holdsHands = computed(() => visit.setup.model?.grip !== null && visit.setup.model !== null)
const cautions = computed(() => cautionsFor(step.value?.moves ?? []))
const stems = computed(() => step.value?.stems ?? [])

function hold(change: Partial<typeof board.holds>): void {
  board.ownHolds = { ...board.holds, ...change }
}
const items = computed(() => [
  {
    heading: 'What this change brings along',
    calculation: anyCalculation(knockOnCalculation),
    input: { readings: visit.readings, ledger: visit.ledger, bar: visit.bar, requested: board.requested, holds: board.holds, mode: 'step' },
    plusMinus: {},
  },
])
</script>

<template>
  <article class="card" aria-label="Proposal">
    <div class="head">
      <h2>Move</h2>
      <Checkbox v-if="board.active" :checked="board.holds.knee" @update:checked="(on: boolean) => hold({ knee: on })">hold knee</Checkbox>
      <button v-if="board.active" type="button" class="link" @click="workingOpen = true">Working</button>
      <button v-if="board.active" type="button" class="link" @click="board.clear()">Leave it</button>
    </div>
    <template v-for="row in rows" :key="row.setting">
      <MoveField v-if="row.sides.length === 1" :setting="row.setting" :side="row.sides[0] ?? 'both'" />
      <div v-else class="pair">
        <span>{{ definitionOf(row.setting).label }}</span>
        <MoveField v-for="side in row.sides" :key="side" :setting="row.setting" :side="side" compact />
      </div>
    </template>
    <template v-if="board.active && step">
      <div v-if="holdsHands && choosesHold" class="holds">
        <label>
          Hold
          <select
            class="plain-field"
            :value="board.holds.hands"
            aria-label="Hands hold"
            @change="hold({ hands: ($event.target as HTMLSelectElement).value as HandHold })"
          >
            <option v-for="(words, key) in handHolds" :key="key" :value="key">
              {{ words }}
            </option>
          </select>
        </label>
      </div>
      <p v-if="chosen.length > 0" data-testid="move-now"><strong>Now:</strong> {{ chosen.map(moveWords).join(' · ') }}</p>
      <p v-if="answers.length > 0" data-testid="move-answers">
        <strong>With it:</strong> {{ answers.map(moveWords).join(' · ') }}
        <span class="muted small"
          >({{
            answers
              .map((a) => `exact ${trimmed(a.exact, 1)}${a.limit ? `, ${a.limit === 'cap' ? 'the rest later' : 'no more room'}` : ''}`)
              .join('; ')
          }})</span
        >
      </p>
      <div v-if="chosen.length > 0" class="last">
        <p class="caution">{{ cautions.join(' ') }}</p>
        <Button type="primary" size="large" :disabled="!board.canTry" data-testid="try-move" @click="board.tryStep()">Try</Button>
      </div>
      <p v-for="words in step.findings" :key="words" class="small warn">{{ words }}</p>
      <p v-if="step.left.length > 0" class="small">{{ step.left.map((left) => left.words).join(' ') }}</p>
      <p v-if="step.later" class="small muted">{{ step.later }}</p>
      <details v-if="stems.length > 0 && choosesHold" class="small">
        <summary>Ways with stem and spacers</summary>
        <p v-for="(option, i) in stems" :key="i">
          {{ trimmed(option.stemLength, 0) }} mm, {{ trimmed(option.stemAngle, 0) }}°, spacers {{ trimmed(option.spacers, 0) }}:
          {{ stemEfforts[option.effort].label }}, misses by {{ trimmed(option.misses, 1) }} mm
        </p>
      </details>
      <p v-if="visit.stops.length > 0" class="small warn">Not while a warning sign is positive.</p>
    </template>
    <p v-else class="small muted">Drag on the board, or type where it should go.</p>
    <WorkingPanel :open="workingOpen" :items="workingOpen ? items : none" @close="workingOpen = false" />
  </article>
</template>

<style scoped>
.card {
  contain: content;
  display: grid;
  gap: 5px;
  padding: 8px 14px 10px;
  font-size: 15px;
  line-height: 1.3;
}
.head {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 30px;
}
.head h2 {
  flex: 1;
}
.pair {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 118px 118px;
  align-items: center;
  gap: 2px 8px;
}
.holds label {
  display: flex;
  align-items: center;
  gap: 8px;
}
.holds select {
  flex: 1;
  min-width: 0;
}
.holds select {
  font-size: 14px;
}
summary::marker {
  font-size: 12px;
}
</style>
