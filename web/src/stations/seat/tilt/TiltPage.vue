<script setup lang="ts">
import { keysOf, tableOf } from '@level-stance/core/kernel/tables'
import { computed } from 'vue'
import { capOf, wayBack } from '@level-stance/core/ledger/pace'
import { anyCalculation } from '@level-stance/core/kernel/calculation'
import { tiltTurnsCalculation } from '@level-stance/core/stations/seat/tilt/calculations'
import type { WorkingRun } from '@level-stance/core/station/station'
import { tiltShift } from '@level-stance/core/bike/frame'
import { sitFromClamp } from '@level-stance/core/model/riderModel'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { trimmed } from '@level-stance/core/kernel/entry'
import { midSentence } from '@level-stance/core/kernel/words'
import { climbWords, tiltUses } from '@level-stance/core/stations/seat/tilt/rules'
import { perTurnWords, tiltTurns, turnWords } from '@level-stance/core/stations/seat/tilt/bolts'
import FindingList from '../../../finding/FindingList.vue'
import PageHead from '../../../working/PageHead.vue'
import ProposalButtons from '../../../move/ProposalButtons.vue'
import NumberVials from '../../../vial/NumberVials.vue'
import { useBoard } from '../../../data/board.ts'
import { useVisit } from '../../../data/visit.ts'
import { useSeat } from '../../useSeat.ts'
import SelectField from '../../../kit/SelectField.vue'
import { usePreferences } from '../../../data/preferences.ts'

/** Tilt where the rider sits, the turns that set it, and the height that goes with them. */
const preferences = usePreferences()
const visit = useVisit()
const seat = useSeat()
const board = useBoard()

const tilt = computed(() => seat.parts.tilt)
const uses = tableOf(keysOf(tiltUses), (key) => tiltUses[key].label)
/** What is about to be set: the request if there is one, else the way to the aim; one step at a time. */
const asked = computed(() => board.aimed('saddleTilt', 'both'))
const whole = computed(() => (asked.value !== 0 ? asked.value : tilt.value.by))
const cap = computed(() => {
  const from = tilt.value.now?.value ?? null
  return Math.max(capOf('saddleTilt', visit.pace), wayBack({ setting: 'saddleTilt', by: whole.value, from }))
})
const change = computed(() => {
  return Math.max(-cap.value, Math.min(cap.value, whole.value))
})
/** The turns as they are shown, then what else the page is judged by. */
const working = computed<readonly WorkingRun[]>(() => {
  const { head } = tilt.value
  const input = head && change.value !== 0 ? { ...head, change: change.value } : null
  return [
    ...(input ? [{ heading: 'Turns', calculation: anyCalculation(tiltTurnsCalculation), input, plusMinus: {} }] : []),
    ...seat.judgement.working,
  ]
})
const turns = computed(() => (tilt.value.head && change.value !== 0 ? tiltTurns(tilt.value.head, change.value) : null))
const shift = computed(() => tiltShift(sitFromClamp(visit.setup.rider.values, visit.setup.folded.by), change.value))
const words = (angle: number) => `${trimmed(Math.abs(angle), 1)}° ${angle > 0 ? 'up' : angle < 0 ? 'down' : ''}`
const lacking = computed(() => tilt.value.headMissing.map((key) => midSentence(definitionOf(key).label)).join(', '))
</script>

<template>
  <div class="tilt">
    <PageHead term="tilt" title="Tilt where you sit" :working="working" />
    <NumberVials :vials="seat.vials" />
    <div class="small">
      Ridden for
      <SelectField label="Ridden for" :value="tilt.use" :options="uses" @pick="(tiltUse) => tiltUse && seat.choose({ tiltUse })" />
    </div>
    <ProposalButtons v-if="asked === 0" :proposals="seat.judgement.proposals" />
    <section aria-label="Turns" class="turns">
      <h2>At the bolts</h2>
      <template v-if="turns">
        <p class="small muted">
          For {{ words(change) }}{{ Math.abs(tilt.by) > cap && asked === 0 ? ', this step' : ''
          }}<template v-if="turns.perTurn !== null && turns.turns !== null"
            >: {{ perTurnWords(turns.perTurn) }}, {{ turnWords(Math.round(8 * turns.turns)) }} of one against the other</template
          >.
        </p>
        <ol data-testid="bolt-steps">
          <li v-for="(step, i) in turns.steps" :key="i">{{ step.words }}</li>
        </ol>
        <p class="small">
          <template v-if="Math.abs(turns.left) > 0.05">Leaves {{ trimmed(Math.abs(turns.left), 2) }}°. </template>
          Where you sit then stands {{ preferences.length(Math.abs(shift.y), 1) }} {{ shift.y >= 0 ? 'higher' : 'lower' }}: check the height
          again.
        </p>
        <p class="caution small">Equal and to the maker’s torque in the end, no thread standing out, carbon as its maker says.</p>
      </template>
      <p v-else-if="lacking" class="small muted">For the turns, read {{ lacking }}.</p>
      <p v-else class="small muted">Nothing to turn. Type where the nose should go, or drag it on the board.</p>
    </section>
    <FindingList :findings="seat.judgement.findings" none="" />
    <p v-if="tilt.climb" class="small" data-testid="climb">
      On the climb it stands {{ climbWords(tilt.climb) }}; the target goes {{ trimmed(Math.abs(tilt.climb.shift), 1) }}° further down for
      it.
    </p>
    <p class="small muted">Check tilt each time the bike was packed or built; level ground, dropper up.</p>
  </div>
</template>

<style scoped>
.tilt,
.turns {
  display: grid;
  gap: 6px;
}
.tilt {
  padding-bottom: 8px;
}
ol {
  margin: 0;
  padding-left: 22px;
  font-size: 16px;
  line-height: 1.35;
}
</style>
