<script setup lang="ts">
import { gripSchoolKeys, gripSchools } from '@level-stance/core/stations/hands/grips/rules'
import JudgedPage from '../pieces/JudgedPage.vue'
import SchoolPicker from '../pieces/SchoolPicker.vue'
import OtherPart from '../../../catalogue/OtherPart.vue'
import { useHands } from '../../useHands.ts'

/** Diameter of the grip for the hand. */
const hands = useHands()
</script>

<template>
  <JudgedPage title="Grips" none="Not judged yet: read hand length and grip diameter.">
    <template #choices>
      <SchoolPicker
        label="Grip by"
        :value="hands.rested.grips.school"
        :keys="gripSchoolKeys"
        :table="gripSchools"
        @pick="(gripSchool) => hands.choose({ gripSchool })"
      />
    </template>
    <template #after>
      <p class="small muted">
        Forearms that pump with a thick grip: thinner. Fingers that curl onto the palm: thicker. Pressure at the palm: a softer cushion.
        Locked on, ends closed.
      </p>
      <OtherPart slot-key="grips" />
    </template>
  </JudgedPage>
</template>
