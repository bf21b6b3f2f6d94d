<script setup lang="ts">
import { isOneOf } from '@level-stance/core/kernel/tables'
import { Segmented } from 'ant-design-vue'
import { computed } from 'vue'
import { cutSizeKeys, cutSizes } from '@level-stance/core/stations/hands/width/cutPlan'
import { floorWords } from '@level-stance/core/stations/hands/width/judge'
import { barWidthSchools, widthSchoolsFor } from '@level-stance/core/stations/hands/width/rules'
import { lengthWords } from '@level-stance/core/kernel/entry'
import { usePreferences } from '../../../data/preferences.ts'
import { useVisit } from '../../../data/visit.ts'
import JudgedPage from '../pieces/JudgedPage.vue'
import SchoolPicker from '../pieces/SchoolPicker.vue'
import StripLinks from '../pieces/StripLinks.vue'
import { useHands } from '../../useHands.ts'

/** Width by school, what the spread of the hands costs, and the cuts of a flat bar. */
const visit = useVisit()
const hands = useHands()
const preferences = usePreferences()
const width = computed(() => hands.rested.width)
/** Cuts come in eighths of an inch: three decimals say them. */
const shown = (mm: number, unit = preferences.unit) => lengthWords(mm, unit, unit === 'mm' ? 1 : 3)
const other = computed(() => (preferences.unit === 'in' ? 'mm' : 'in'))
const sizes = cutSizeKeys.map((value) => ({ value, label: cutSizes[value].label }))
const cuts = computed(() => width.value.plan?.cuts ?? [])
const spread = computed(() => width.value.spreadCost)
</script>

<template>
  <JudgedPage term="bar-width" title="Width" none="Not judged yet: read shoulders and bar width.">
    <template #choices>
      <SchoolPicker
        label="Width by"
        :value="width.school"
        :keys="widthSchoolsFor(visit.bar)"
        :table="barWidthSchools"
        @pick="(widthSchool) => hands.choose({ widthSchool })"
      />
    </template>
    <p v-if="spread" class="small" data-testid="spread">
      The spread of the hands costs {{ shown(spread.now) }} of reach{{ width.by === 0 ? '' : `, ${shown(spread.aim)} at the aim` }}.
    </p>
    <section v-if="width.plan" aria-label="Cut plan" class="plan">
      <h2>Cut plan</h2>
      <div role="group" aria-label="Cut off each end">
        <Segmented
          :value="width.cutSize"
          :options="sizes"
          size="small"
          @change="(cutSize) => isOneOf(cutSizeKeys, cutSize) && hands.choose({ cutSize })"
        />
        <span class="small muted"> a side</span>
      </div>
      <table v-if="cuts.length > 0" class="figures" data-testid="cuts">
        <thead>
          <tr>
            <th scope="col">Cut</th>
            <th scope="col">each end</th>
            <th scope="col">off in all</th>
            <th scope="col">bar then</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="cut in cuts" :key="cut.n">
            <th scope="row">{{ cut.n }}</th>
            <td class="figure">{{ shown(cut.perSide) }}</td>
            <td class="figure">{{ shown(cut.total) }}</td>
            <td class="figure">
              {{ shown(cut.width) }} <span class="muted">{{ shown(cut.width, other) }}</span>
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else class="small muted">Less to take off than a tape can tell.</p>
      <p v-if="cuts[0]" class="small">
        {{ shown(cuts[0].perSide) }} a side is {{ shown(2 * cuts[0].perSide) }} of bar. Ride between cuts, and stop when it feels right.
      </p>
      <p class="small caution">A cut is for good: move the controls in and ride first. Never below the maker’s mark.</p>
    </section>
    <p v-if="width.floors[0] && visit.bar === 'flat'" class="small muted" data-testid="floor">
      Not below {{ shown(width.floors[0].width) }}: {{ floorWords[width.floors[0].key].label }}.
    </p>
    <template #after><StripLinks /></template>
  </JudgedPage>
</template>

<style scoped>
.plan {
  display: grid;
  gap: 6px;
}
</style>
