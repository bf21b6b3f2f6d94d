<script setup lang="ts">
import { computed } from 'vue'
import { trimmed } from '@level-stance/core/quantity/entry'
import { sides } from '@level-stance/core/quantity/sided'
import JudgedPage from './JudgedPage.vue'
import StripLinks from './StripLinks.vue'
import { useHands } from './useHands.ts'

/** Thumb and shifter, and whether grip and clamps fit the straight part of each half. */
const hands = useHands()
const controls = computed(() => hands.rested.controls)
const places = { outside: 'between grip and brake', inside: 'inside of the brake' } as const
const states = { reached: 'in the thumb’s reach', far: 'past the thumb', touches: 'under the hand' } as const
</script>

<template>
  <JudgedPage title="Controls" none="Not judged yet: read the clamps, the paddle and the thumb." :missing="controls.missing" words-first>
    <template v-for="side in sides" :key="side">
      <table v-if="controls.options[side]" class="figures small" :data-testid="`shifter-${side}`">
        <caption class="small">
          Shifter,
          {{
            side
          }}
        </caption>
        <tbody>
          <tr v-for="option in controls.options[side]" :key="option.place">
            <th scope="row">{{ places[option.place] }}</th>
            <td>{{ option.fits ? states[option.state] : 'no room' }}</td>
            <td class="figure">{{ option.fits ? `paddle ${trimmed(option.paddleAt, 0)} mm from the end` : '' }}</td>
          </tr>
        </tbody>
      </table>
    </template>
    <template #after>
      <p class="small caution">Clamps just firm enough to turn in a fall, where the maker allows; no scored bar.</p>
      <StripLinks />
    </template>
  </JudgedPage>
</template>
