<script setup lang="ts">
import { computed, ref } from 'vue'
import { anyCalculation } from '@level-stance/core/calculation'
import { climbInput } from '@level-stance/core/seat/inputs'
import { settings } from '@level-stance/core/change/settings'
import { tiltShift } from '@level-stance/core/bike/frame'
import { sitFromClamp } from '@level-stance/core/measure/riderModel'
import { definitionOf } from '@level-stance/core/measure/readingDefinitions'
import { trimmed } from '@level-stance/core/quantity/entry'
import { midSentence } from '@level-stance/core/quantity/words'
import { climbTiltCalculation, tiltTurnsCalculation } from '@level-stance/core/seat/seat.calculations'
import { climbWords, tiltUses } from '@level-stance/core/seat/tilt'
import type { TiltUseKey } from '@level-stance/core/seat/tilt'
import { perTurnWords, tiltTurns, turnWords } from '@level-stance/core/seat/tiltBolts'
import FindingList from '../../parts/FindingList.vue'
import VialGauge from '../../parts/VialGauge.vue'
import WorkingPanel from '../../parts/WorkingPanel.vue'
import { useBoard } from '../../stores/board.ts'
import { useVisit } from '../../stores/visit.ts'
import { useSeat } from './useSeat.ts'

/** Tilt where the rider sits, the turns that set it, and the height that goes with them. */
const visit = useVisit()
const seat = useSeat()
const board = useBoard()
const workingOpen = ref(false)
const none = [] as const

const tilt = computed(() => seat.station.tilt)
/** What is about to be set: the request if there is one, else the way to the aim; one step at a time. */
const wished = computed(() => board.aimed('saddleTilt', 'both'))
const { cap } = settings.saddleTilt
const change = computed(() => {
  const whole = wished.value !== 0 ? wished.value : tilt.value.by
  return Math.max(-cap, Math.min(cap, whole))
})
const turns = computed(() => (tilt.value.head && change.value !== 0 ? tiltTurns(tilt.value.head, change.value) : null))
const shift = computed(() => tiltShift(sitFromClamp(visit.setup.rider.values, visit.setup.folded.by), change.value))
const scale = computed(() => {
  const { now, target } = tilt.value
  return { min: Math.min(-6, now?.value ?? 0, target.band.low) - 1, max: Math.max(4, now?.value ?? 0) + 1 }
})
const words = (angle: number) => `${trimmed(Math.abs(angle), 1)}° ${angle > 0 ? 'up' : angle < 0 ? 'down' : ''}`
const lacking = computed(() => tilt.value.headMissing.map((key) => midSentence(definitionOf(key).label)).join(', '))
function aim(): void {
  board.request([{ setting: 'saddleTilt', side: 'both', by: tilt.value.by }])
}
const items = computed(() => {
  const { head } = tilt.value
  const climb = climbInput(visit.setup)
  return [
    ...(head && change.value !== 0 ? [{ heading: 'Turns', calculation: anyCalculation(tiltTurnsCalculation), input: { ...head, change: change.value }, plusMinus: {} }] : []),
    ...(climb ? [{ heading: 'On the climb', calculation: anyCalculation(climbTiltCalculation), input: { ...climb, use: tilt.value.use }, plusMinus: {} }] : []),
  ]
}) // prettier-ignore
</script>

<template>
  <div class="tilt">
    <div class="page-head">
      <h2>Tilt where you sit</h2>
      <button v-if="items.length > 0" type="button" class="link" @click="workingOpen = true">Working</button>
    </div>
    <VialGauge
      v-if="tilt.now"
      label="Saddle’s nose"
      :shown="words(tilt.now.value)"
      :value="tilt.now.value"
      :plus-minus="tilt.now.plusMinus"
      :band="tilt.target.band"
      :scale="scale"
      :ghost="visit.baseline.now.saddleTilt.left?.value ?? null"
      :proposed="wished !== 0 ? tilt.now.value + wished : tilt.by !== 0 ? tilt.target.aim : null"
    />
    <label class="small"
      >Ridden for
      <select
        class="plain-field"
        :value="tilt.use"
        aria-label="Ridden for"
        @change="seat.choose({ tiltUse: ($event.target as HTMLSelectElement).value as TiltUseKey })"
      >
        <option v-for="(row, key) in tiltUses" :key="key" :value="key">{{ row.label }}</option>
      </select></label
    >
    <p v-if="tilt.by !== 0 && wished === 0 && board.movable">
      <button type="button" class="plain" data-testid="aim-tilt" @click="aim">Aim at {{ words(tilt.target.aim) }}</button>
    </p>
    <section aria-label="Turns" class="turns">
      <h2>At the bolts</h2>
      <template v-if="turns">
        <p class="small muted">
          For {{ words(change) }}{{ Math.abs(tilt.by) > cap && wished === 0 ? ', this step' : ''
          }}<template v-if="turns.perTurn !== null && turns.turns !== null"
            >: {{ perTurnWords(turns.perTurn) }}, {{ turnWords(Math.round(8 * turns.turns)) }} of one against the other</template
          >.
        </p>
        <ol data-testid="bolt-steps">
          <li v-for="(step, i) in turns.steps" :key="i">{{ step.words }}</li>
        </ol>
        <p class="small">
          <template v-if="Math.abs(turns.left) > 0.05">Leaves {{ trimmed(Math.abs(turns.left), 2) }}°. </template>
          Where you sit then stands {{ trimmed(Math.abs(shift.y), 1) }} mm {{ shift.y >= 0 ? 'higher' : 'lower' }}: check the height again.
        </p>
        <p class="caution small">Equal and to the maker’s torque in the end, no thread standing out, carbon as its maker says.</p>
      </template>
      <p v-else-if="lacking" class="small muted">For the turns, read {{ lacking }}.</p>
      <p v-else class="small muted">Nothing to turn. Type where the nose should go, or drag it on the board.</p>
    </section>
    <FindingList :findings="tilt.findings" none="" />
    <p v-if="tilt.climb" class="small" data-testid="climb">
      On the climb it stands {{ climbWords(tilt.climb) }}; the target goes {{ trimmed(Math.abs(tilt.climb.shift), 1) }}° further down for
      it.
    </p>
    <p class="small muted">Check tilt each time the bike was packed or built; level ground, dropper up.</p>
    <WorkingPanel :open="workingOpen" :items="workingOpen ? items : none" @close="workingOpen = false" />
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
select.plain-field {
  width: auto;
}
</style>
