<script setup lang="ts">
import { InputNumber } from 'ant-design-vue'
import { computed } from 'vue'
import { sharesOf } from '@level-stance/core/stations/hands/place/judge'
import { positionLabel } from '@level-stance/core/stations/hands/place/positions'
import { isPositionThere } from '@level-stance/core/rider/calibrated'
import { handPositionsOf } from '@level-stance/core/readings/conditions'
import type { HandPosition } from '@level-stance/core/readings/conditions'
import { lengthWords, trimmed } from '@level-stance/core/kernel/entry'
import MetricVials from '../../../vial/MetricVials.vue'
import { usePreferences } from '../../../data/preferences.ts'
import { useVisit } from '../../../data/visit.ts'
import JudgedPage from '../pieces/JudgedPage.vue'
import { useHands } from '../../useHands.ts'

/** Reach and height: signs of a long reach, positions by their share of the ride, steering, and the sweep under the board. */
const visit = useVisit()
const hands = useHands()
const preferences = usePreferences()
/** Those the bike has, and what was said or read of others before. */
const positions = computed(() =>
  handPositionsOf(visit.bar).filter((hands) => isPositionThere(visit.rider, hands) || (shares.value.of[hands] ?? 0) > 0),
)
const shares = computed(() => sharesOf(hands.parts.context))
const steering = computed(() => hands.rested.place.steering)
const elbow = (position: HandPosition) => {
  const row = hands.rested.positions.find(({ hands: at, effort }) => at === position && effort === 'calm')
  const { elbowLeft: left = null, elbowRight: right = null, torso = null } = row?.metrics ?? {}
  return left === null || right === null ? null : { elbow: Math.min(left, right), torso }
}
function mark(position: HandPosition, share: number | null): void {
  const { [position]: _, ...others } = hands.choices.shares ?? {}
  hands.choose({ shares: share === null ? others : { ...others, [position]: share } })
}
</script>

<template>
  <JudgedPage term="reach" title="Reach and height" none="Nothing speaks against it. Read elbows and shoulders, calm and hard, to be sure.">
    <table v-if="positions.length > 1" class="figures small" data-testid="shares">
      <caption class="visually-hidden">
        Share of a usual ride in each position
      </caption>
      <tbody>
        <tr v-for="position in positions" :key="position">
          <th scope="row">{{ positionLabel(position, visit.drawnBar) }}</th>
          <td>
            <InputNumber
              :value="shares.of[position] ?? ''"
              :min="0"
              :max="100"
              :step="5"
              :precision="0"
              size="small"
              addon-after="%"
              :aria-label="`Share of the ride, ${positionLabel(position, visit.drawnBar)}`"
              @change="(value: unknown) => mark(position, typeof value === 'number' ? value : null)"
            />
          </td>
          <td class="figure">
            {{
              elbow(position) ? `elbow ${trimmed(elbow(position)?.elbow ?? 0, 0)}°, torso ${trimmed(elbow(position)?.torso ?? 0, 0)}°` : '–'
            }}
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="positions.length > 1 && shares.sum > 0 && shares.sum !== 100" class="small warn">
      Shares make {{ trimmed(shares.sum, 0) }} %.
    </p>
    <MetricVials
      :metrics="[
        'elbowLeft',
        'elbowRight',
        'shoulderLeft',
        'shoulderRight',
        'torso',
        'load',
        'hipLeft',
        'hipRight',
        'kneeElbowLeft',
        'kneeElbowRight',
        'reach',
        'drop',
        'frontWheel',
      ]"
    />
    <template #after>
      <p v-if="steering" class="small muted" data-testid="steering">
        Steering arm {{ lengthWords(steering.arm, preferences.unit) }}: {{ lengthWords(10, preferences.unit) }} of hand turn the wheel
        {{ trimmed(steering.turn, 2) }}°. An index to compare.
      </p>
    </template>
  </JudgedPage>
</template>
