<script setup lang="ts">
import { computed, ref } from 'vue'
import { toeInput } from '@level-stance/core/feet/inputs'
import { toeFinding } from '@level-stance/core/feet/toeClearance'
import { cleatTargetCalculation } from '@level-stance/core/feet/cleatTarget.calculations'
import { cleatKnockOnCalculation, stepPlanCalculation } from '@level-stance/core/change/change.calculations'
import { settings } from '@level-stance/core/change/settings'
import { anyCalculation } from '@level-stance/core/calculation'
import { cleatSchools } from '@level-stance/core/feet/cleatSchools'
import type { CleatSchoolKey } from '@level-stance/core/feet/cleatSchools'
import { sides } from '@level-stance/core/quantity/sided'
import WorkingPanel from '../../parts/WorkingPanel.vue'
import { stable } from '../../composables/stable.ts'
import { useVisit } from '../../stores/visit.ts'
import FindingCard from '../../parts/FindingCard.vue'
import FindingList from '../../parts/FindingList.vue'
import FootVial from './FootVial.vue'
import SchoolTable from './SchoolTable.vue'
import TemplateLinks from './TemplateLinks.vue'
import { useFeet } from './useFeet.ts'

const visit = useVisit()
const feet = useFeet()
const workingOpen = ref(false)
const none = [] as const
const comparing = ref(false)

/** One scale for both vials, so that they can be compared by eye; the mid-foot tick is pinned when far. */
const scale = stable(() => {
  const points = sides.flatMap((side) => {
    const judgement = feet.judgements[side]
    if (judgement.state === 'missing') return []
    const near = judgement.schools
      .filter((row) => row.target !== null && (row.school !== 'mid-foot' || feet.school === 'mid-foot'))
      .map((row) => row.target ?? 0)
    return [
      judgement.now.value,
      judgement.band.low,
      judgement.band.high,
      judgement.result.attainable,
      ...near,
      visit.baseline.cleat[side].setbackNow?.value ?? 0,
    ]
  })
  return { min: Math.min(-2, ...points) - 4, max: Math.max(30, ...points) + 4 }
})
/** What there is to say, foot by foot. */
const said = computed(() =>
  sides.flatMap((side) => {
    const judgement = feet.judgements[side]
    return judgement.state === 'missing' ? [] : [{ side, judgement }]
  }),
)

const items = computed(() =>
  sides.flatMap((side) => {
    const judgement = feet.judgements[side]
    const foot = feet.proposal.feet[side]
    const leg = visit.setup.legs[side]
    const name = side === 'left' ? 'Left' : 'Right'
    const { cap, resolution } = settings.cleatSetback
    return [
      ...(judgement.state === 'missing'
        ? []
        : [
            {
              heading: `${name} foot: target`,
              calculation: anyCalculation(cleatTargetCalculation),
              input: judgement.input,
              plusMinus: judgement.plusMinus,
            },
          ]),
      ...(foot
        ? [
            {
              heading: `${name} foot: steps`,
              calculation: anyCalculation(stepPlanCalculation),
              input: { move: foot.aim - foot.from, cap, resolution },
              plusMinus: {},
            },
          ]
        : []),
      ...(foot?.knockOnInput && leg.ready
        ? [
            {
              heading: `${name} leg: knock-on`,
              calculation: anyCalculation(cleatKnockOnCalculation),
              input: foot.knockOnInput,
              plusMinus: leg.plusMinus,
              estimated: [
                ...leg.estimated,
                'heelToAnkle',
                'ankleHeight',
                'hipForward',
                'hipUp',
                ...(leg.estimated.includes('soleStack') ? ['stack'] : []),
              ],
            },
          ]
        : []),
    ]
  }),
)
/** Toes past the front wheel where the aim would put the cleat; said only where they come near it. */
const toes = computed(() =>
  sides.flatMap((side) => {
    const input = toeInput(visit.setup.now, side, feet.aim[side] ?? undefined)
    const finding = input && toeFinding(side, input)
    return finding && finding.weight !== 'fine' ? [finding] : []
  }),
)
function chooseSchool(event: Event): void {
  visit.setVisit({ cleatSchool: (event.target as HTMLSelectElement).value as CleatSchoolKey })
  feet.reset()
}
</script>

<template>
  <div class="school">
    <label for="school"><h2>School</h2></label>
    <select id="school" class="plain-field" :value="feet.school" @change="chooseSchool">
      <option v-for="school in cleatSchools" :key="school.key" :value="school.key">{{ school.label }}</option>
    </select>
    <button type="button" class="link" :aria-expanded="comparing" @click="comparing = !comparing">
      {{ comparing ? 'Hide' : 'Compare' }}
    </button>
    <button type="button" class="link" @click="workingOpen = true">Working</button>
  </div>
  <SchoolTable v-if="comparing" />
  <FootVial v-for="side in sides" :key="side" :side="side" :scale="scale" />
  <FindingCard
    v-for="{ side, judgement } in said"
    :key="side"
    :data-testid="`judgement-${side}`"
    :headline="judgement.headline"
    :sentence="judgement.sentence"
    :sure="judgement.sure"
    :speaks-for="feet.evidence[side].speaksFor"
    :against="feet.evidence[side].against"
  />
  <FindingList :findings="toes" none="" />
  <TemplateLinks />
  <WorkingPanel :open="workingOpen" :items="workingOpen ? items : none" @close="workingOpen = false" />
</template>

<style scoped>
.school {
  display: flex;
  align-items: center;
  gap: 8px;
}
.school select {
  flex: 1;
  min-width: 0;
}
</style>
