<script setup lang="ts">
import { computed } from 'vue'
import { thumbControlKeys, thumbControls } from '@level-stance/core/stations/hands/bar/pieces'
import { controlPlaceWords, paddleWords } from '@level-stance/core/stations/hands/controls/shifters'
import { lengthWords } from '@level-stance/core/kernel/entry'
import { sides } from '@level-stance/core/kernel/sided'
import { usePreferences } from '../../../data/preferences.ts'
import JudgedPage from '../pieces/JudgedPage.vue'
import StripLinks from '../pieces/StripLinks.vue'
import { useHands } from '../../useHands.ts'

/** Thumb, shifter and remote, and whether grip and clamps fit the straight part of each half. */
const hands = useHands()
const preferences = usePreferences()
const standing = computed(() => hands.rested.controls)
/** Each control of each side with its two places. */
const tables = computed(() =>
  thumbControlKeys.flatMap((control) =>
    sides.flatMap((side) => {
      const { places } = standing.value.controls[control][side]
      return places ? [{ key: `${control}-${side}`, title: `Places for the ${thumbControls[control].label}, ${side}`, places }] : []
    }),
  ),
)
</script>

<template>
  <JudgedPage
    term="paddle"
    title="Controls"
    none="Not judged yet: read the clamps, the paddles and the thumb."
    :missing="standing.missing"
    words-first
  >
    <table v-for="table in tables" :key="table.key" class="figures small" :data-testid="table.key">
      <caption class="small">
        {{
          table.title
        }}
      </caption>
      <tbody>
        <tr v-for="option in table.places" :key="option.place">
          <th scope="row">{{ controlPlaceWords[option.place] }}</th>
          <td>{{ option.fits ? paddleWords[option.state] : 'no room' }}</td>
          <td class="figure">{{ option.fits ? `paddle ${lengthWords(option.paddleAt, preferences.unit)} from the end` : '' }}</td>
        </tr>
      </tbody>
    </table>
    <template #after>
      <p class="small caution">Clamps just firm enough to turn in a fall, where the maker allows; no scored bar.</p>
      <StripLinks />
    </template>
  </JudgedPage>
</template>
