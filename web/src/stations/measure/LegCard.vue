<script setup lang="ts">
import { computed, ref } from 'vue'
import { legPostureCalculation } from '@level-stance/core/body/leg.calculations'
import { anyCalculation } from '@level-stance/core/calculation'
import { legFor } from '@level-stance/core/change/cleatKnockOn'
import { definitionOf } from '@level-stance/core/measure/readingDefinitions'
import { legPosture } from '@level-stance/core/body/leg'
import { UnreachableError } from '@level-stance/core/quantity/problem'
import { propagate } from '@level-stance/core/quantity/propagate'
import { trimmed } from '@level-stance/core/quantity/entry'
import { sides } from '@level-stance/core/quantity/sided'
import type { Side } from '@level-stance/core/quantity/sided'
import WorkingPanel from '../../parts/WorkingPanel.vue'
import { useVisit } from '../../stores/visit.ts'

const visit = useVisit()
const workingOpen = ref(false)
const none = [] as const

/** Knee flexion at the bottom by the leg model, with its ±; or why not. */
const legs = computed(() => sides.map((side) => ({ side, ...legOf(side) })))

function legOf(side: Side): { words: string; input: object | null; trouble: boolean } {
  const leg = visit.setup.legs[side]
  const setback = visit.setup.cleat[side].setbackNow?.value
  if (!leg.ready)
    return { words: `needs ${leg.missing.map((key) => definitionOf(key).label.toLowerCase()).join(', ')}`, input: null, trouble: false }
  if (setback === undefined) return { words: 'needs behind ball of foot', input: null, trouble: false }
  const full = { ...leg.input, setbackFrom: setback, setbackTo: setback }
  try {
    const { result, plusMinus } = propagate(
      (input: typeof full) => ({ knee: legPosture(legFor(input, setback), 180).kneeFlexion }),
      full,
      leg.plusMinus,
    )
    return { words: `${trimmed(result.knee, 1)}° ±${trimmed(plusMinus['knee'] ?? 0, 0)}`, input: legFor(full, setback), trouble: false }
  } catch (error) {
    if (!(error instanceof UnreachableError)) throw error
    return { words: error.message, input: null, trouble: true }
  }
}

const items = computed(() =>
  legs.value.flatMap(({ side, input }) =>
    input
      ? [
          {
            heading: `${side === 'left' ? 'Left' : 'Right'} leg at the bottom`,
            calculation: anyCalculation(legPostureCalculation),
            input,
            plusMinus: {},
          },
        ]
      : [],
  ),
)
</script>

<template>
  <div class="card leg">
    <p>
      <strong>Knee at the bottom, by the model</strong>
      <button v-if="items.length > 0" type="button" class="link" @click="workingOpen = true">Working</button>
    </p>
    <p v-for="leg in legs" :key="leg.side" :class="{ trouble: leg.trouble }">
      <span class="muted">{{ leg.side }}</span> <span class="figure">{{ leg.words }}</span>
    </p>
    <p class="small muted">Not calibrated to this rider yet: trust it for differences, not as an angle. 25–35° is the usual static band.</p>
    <WorkingPanel :open="workingOpen" :items="workingOpen ? items : none" @close="workingOpen = false" />
  </div>
</template>

<style scoped>
.leg {
  display: grid;
  gap: 2px;
}
.trouble {
  color: var(--brick);
}
.link {
  border: 0;
  background: none;
  color: var(--petrol);
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}
</style>
