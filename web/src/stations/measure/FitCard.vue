<script setup lang="ts">
import { MessageText } from '../../glossary/MessageText.ts'
import { computed } from 'vue'
import { anyCalculation } from '@level-stance/core/kernel/calculation'
import { calibrationCalculation, freeLabels } from '@level-stance/core/rider/calculations'
import { conditions } from '@level-stance/core/readings/conditions'
import { contactDifferences } from '@level-stance/core/model/contactDifferences'
import { definitionOf, readingKeys } from '@level-stance/core/readings/readingDefinitions'
import { trimmed } from '@level-stance/core/kernel/entry'
import { midSentence } from '@level-stance/core/kernel/words'
import WorkingButton from '../../working/WorkingButton.vue'
import { useVisit } from '../../data/visit.ts'
import { usePreferences } from '../../data/preferences.ts'

/** How well the body model fits what was measured on the bike, and where two ways to a place disagree. */
const preferences = usePreferences()
const visit = useVisit()
const calibration = computed(() => visit.rider.usual)
const words = {
  none: 'Not calibrated: nothing is measured on the bike yet. Angles are estimates; trust them for differences.',
  exact: 'Calibrated: every angle measured on the bike is given back exactly.',
  fitted: 'Calibrated by best fit: more was measured than there is to solve. What is left over, reading by reading:',
} as const
const residuals = computed(() =>
  calibration.value.residuals.map(({ known, predicted, residual }) => {
    const key = readingKeys.find((reading) => definitionOf(reading).calibrates === known.kind)
    return {
      label: `${key ? definitionOf(key).label : known.kind}${known.side === 'both' ? '' : `, ${known.side}`}`,
      measured: `${trimmed(known.value, 1)}°`,
      model: `${trimmed(predicted, 1)}°`,
      off: `${residual > 0 ? '+' : ''}${trimmed(residual, 1)}°`,
      large: Math.abs(residual) > known.plusMinus,
    }
  }),
)
const differences = computed(() => contactDifferences(visit.rider.resolved, visit.bar))
const others = computed(() =>
  visit.rider.others.map(({ condition, creep, calibration: { state } }) => ({
    label: conditions[condition].label,
    words: `${Math.abs(creep) < 3 ? 'sits where it sits calm' : `hip ${preferences.length(Math.abs(creep))} ${creep > 0 ? 'further forward' : 'further back'} than calm`}${state === 'fitted' ? ', best fit' : ''}`,
  })),
)
const items = computed(() => [
  {
    heading: 'The body model fitted to this rider',
    calculation: anyCalculation(calibrationCalculation),
    input: { readings: visit.readings, ledger: visit.ledger, bar: visit.bar },
    plusMinus: {},
  },
])
</script>

<template>
  <div class="fit">
    <p>
      {{ words[calibration.state] }}
      <WorkingButton :runs="items" />
    </p>
    <p v-if="calibration.strained.length > 0" class="warn" role="alert">
      The model has to be pulled further than is plausible ({{
        calibration.strained.map((key) => midSentence(freeLabels[key].label)).join(', ')
      }}). A reading is likely wrong: check the largest of these, the contact points, or which way an angle was counted.
    </p>
    <table v-if="residuals.length > 0" class="small figures">
      <thead>
        <tr>
          <th scope="col">Angle</th>
          <th scope="col">read</th>
          <th scope="col">model</th>
          <th scope="col">off</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in residuals" :key="row.label" :class="{ large: row.large }">
          <th scope="row">{{ row.label }}</th>
          <td class="figure">{{ row.measured }}</td>
          <td class="figure">{{ row.model }}</td>
          <td class="figure">{{ row.off }}</td>
        </tr>
      </tbody>
    </table>
    <template v-if="others.length > 0">
      <h3>Other efforts and hands</h3>
      <p v-for="row in others" :key="row.label" class="small">
        <strong>{{ row.label }}:</strong> {{ row.words }}.
      </p>
    </template>
    <template v-if="differences.length > 0">
      <h3>Two ways to the same place</h3>
      <p v-for="row in differences" :key="row.what" class="small" :class="{ warn: row.exceeds }"><MessageText :of="row.words" /></p>
    </template>
  </div>
</template>

<style scoped>
.fit {
  display: grid;
  gap: 8px;
  font-size: 15px;
  line-height: 1.3;
}
h3 {
  padding-top: 6px;
  font-size: 15px;
}
.large td {
  color: var(--brick);
}
</style>
