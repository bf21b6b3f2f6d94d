<script setup lang="ts">
import { Button, Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import { cleatCautions, saddleCaution } from '@level-stance/core/change/cleatProposal'
import { formatLength, trimmed } from '@level-stance/core/quantity/entry'
import { sides } from '@level-stance/core/quantity/sided'
import { usePreferences } from '../../stores/preferences.ts'
import { useVisit } from '../../stores/visit.ts'
import AimField from './AimField.vue'
import { useFeet } from './useFeet.ts'

const visit = useVisit()
const feet = useFeet()
const preferences = usePreferences()

const ready = computed(() => sides.some((side) => visit.setup.cleat[side].setbackNow !== null))
const changed = computed(() => feet.aims.left.kind !== 'judged' || feet.aims.right.kind !== 'judged' || !feet.withSaddle)
const held = computed(() => sides.filter((side) => feet.proposal.feet[side]?.heldBySlot))
const cautions = computed(() => [...cleatCautions, ...(feet.proposal.saddle?.by ? [saddleCaution] : [])].join(' '))
const knees = computed(() =>
  sides.flatMap((side) => {
    const knee = feet.proposal.saddle?.knee[side]
    return knee ? [`${side} ${trimmed(knee.before, 1)}° → ${trimmed(knee.after, 1)}°`] : []
  }),
)
</script>

<template>
  <article v-if="ready" class="card proposal" aria-label="Proposal">
    <div class="aims">
      <h2>Aim</h2>
      <AimField v-for="side in sides" :key="side" :side="side" />
      <button v-if="changed" type="button" class="link" @click="feet.reset()">As judged</button>
    </div>
    <p v-for="side in held" :key="side" class="small warn">
      The slot ends at {{ formatLength(feet.proposal.feet[side]?.aim ?? 0, preferences.unit) }} {{ preferences.unit }} on the {{ side }}.
    </p>
    <template v-if="feet.proposal.moves.length > 0">
      <p class="now" data-testid="proposal-now"><strong>Now:</strong> {{ feet.proposal.nowWords }}</p>
      <p v-if="feet.proposal.later" class="small">{{ feet.proposal.later }}</p>
      <template v-if="feet.proposal.saddle">
        <Checkbox :checked="feet.withSaddle" @update:checked="(on: boolean) => (feet.withSaddle = on)">
          Saddle with it: <span class="figure">{{ trimmed(feet.proposal.saddle.exact, 1) }}</span> mm
          <span class="muted">±{{ trimmed(feet.proposal.saddle.plusMinus, 1) }} computed</span>
        </Checkbox>
        <p class="small muted">Knee at the bottom: {{ knees.join(', ') }}. {{ feet.proposal.notes.join(' ') }}</p>
      </template>
      <p v-else class="small warn">{{ feet.proposal.saddleMissing }} {{ feet.proposal.notes.join(' ') }}</p>
      <div class="last">
        <p class="caution">{{ cautions }}</p>
        <Button type="primary" size="large" :disabled="!feet.canTry" data-testid="try" @click="feet.tryProposal()">Try</Button>
      </div>
      <p v-if="visit.stops.length > 0" class="small warn">Not while a warning sign is positive.</p>
      <p v-else-if="visit.shownUpTo !== null" class="small muted">Go back to now first.</p>
    </template>
    <p v-else class="small muted">Nothing to move. Drag a cleat on the board or type an aim to see what it would do.</p>
  </article>
</template>

<style scoped>
.proposal {
  display: grid;
  gap: 5px;
  padding: 8px 14px 10px;
}
.aims {
  display: flex;
  align-items: center;
  gap: 8px;
}
.now {
  font-size: 16px;
}
.last :deep(.ant-btn) {
  min-width: 84px;
}
</style>
