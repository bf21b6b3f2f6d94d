<script setup lang="ts">
import { computed } from 'vue'
import { trimmed } from '@level-stance/core/kernel/entry'
import JudgedPage from '../pieces/JudgedPage.vue'
import { useHands } from '../../useHands.ts'
import { usePreferences } from '../../../data/preferences.ts'

/** Sweep and roll of a flat bar against the hands' own direction. */
const preferences = usePreferences()
const hands = useHands()
const roll = computed(() => hands.rested.roll)
</script>

<template>
  <JudgedPage
    term="backsweep"
    title="Sweep and roll"
    none="Not judged yet: read the bar’s sweeps and how each hand lies, back and up, with arms out at bar width."
  >
    <p v-if="roll.best !== null && roll.sweeps" class="small" data-testid="best-roll">
      Roll now {{ trimmed(roll.sweeps.barRoll, 1) }}°; nearest to both hands at {{ trimmed(roll.best, 1) }}°. Rolling turns the levers too:
      the card brings them back.
    </p>
    <template #after>
      <p class="small muted">
        Bar centred within {{ preferences.length(1) }}, measured from stem to both ends; stem in line with the wheel, sighted from above.
      </p>
    </template>
  </JudgedPage>
</template>
