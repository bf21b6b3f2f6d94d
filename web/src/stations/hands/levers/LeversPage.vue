<script setup lang="ts">
import { computed } from 'vue'
import { leverSchoolKeys, leverSchools, usualLeverAngles } from '@level-stance/core/stations/hands/levers/rules'
import { leverChoices } from '@level-stance/core/stations/hands/cockpit/partChoices'
import { useCockpit } from '../../../data/catalogue.ts'
import { useVisit } from '../../../data/visit.ts'
import JudgedPage from '../pieces/JudgedPage.vue'
import PartChoices from '../pieces/PartChoices.vue'
import SchoolPicker from '../pieces/SchoolPicker.vue'
import StripLinks from '../pieces/StripLinks.vue'
import { useHands } from '../../useHands.ts'

/** Levers: under the finger, at its reach, at the forearm's angle; and which one works the front brake. */
const visit = useVisit()
const hands = useHands()
const catalogue = useCockpit()
if (!catalogue.loaded) void catalogue.load()
const choices = computed(() =>
  leverChoices(
    hands.rested.context.setup,
    catalogue.entries.map(({ entry }) => entry.spec),
  ),
)
const levers = computed(() => hands.rested.levers)
const front = computed(() => levers.value.front)
const usual = Object.entries(usualLeverAngles)
  .map(([use, [low, high]]) => `${low} to ${high}° for ${use}`)
  .join(', ')
</script>

<template>
  <JudgedPage
    term="lever-reach"
    title="Levers"
    none="Not judged yet: read where the hand lies, the grip, the clamp and the hook; one finger does the rest."
    words-first
    :missing="levers.missing"
  >
    <template v-if="visit.bar === 'flat'" #choices>
      <SchoolPicker
        label="Lever angle by"
        :value="levers.school"
        :keys="leverSchoolKeys"
        :table="leverSchools"
        @pick="(leverSchool) => hands.choose({ leverSchool })"
      />
    </template>
    <p class="small" data-testid="front-brake">
      Front brake: <strong>{{ front === null ? 'not asked yet' : `${front} lever` }}</strong>. It is never changed without the rider
      knowing.
    </p>
    <template #after>
      <PartChoices title="Other levers for these hands" part="levers" :rows="choices" />
      <p v-if="visit.bar === 'flat'" class="small muted">Usual: {{ usual }}.</p>
      <p class="small caution">After every change of reach: pull hard, the lever must not touch the bar before the brake is on.</p>
      <StripLinks />
    </template>
  </JudgedPage>
</template>
