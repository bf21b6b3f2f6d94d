<script setup lang="ts">
import { Button, Checkbox } from 'ant-design-vue'
import { mouldingSteps } from '@level-stance/core/stations/feet/shoe/moulding'
import { useMoulding } from '../../../data/moulding.ts'
import { useVisit } from '../../../data/visit.ts'

const moulding = useMoulding()
const visit = useVisit()
</script>

<template>
  <ol class="steps">
    <li
      v-for="(step, i) in mouldingSteps"
      :key="step.key"
      :class="{ done: moulding.done.includes(step.key), on: moulding.running?.step === step.key }"
    >
      <Checkbox :checked="moulding.done.includes(step.key)" @update:checked="(on: boolean) => moulding.setDone(step.key, on)">
        <strong>{{ i + 1 }}. {{ step.title }}</strong>
      </Checkbox>
      <p class="small">{{ step.how }}</p>
      <p v-if="step.caution" class="caution">{{ step.caution }}</p>
      <p v-if="step.minutes !== null" class="clock">
        <template v-if="moulding.running?.step === step.key && moulding.clock">
          <span class="count figure" :class="{ over: moulding.over }" role="timer" data-testid="moulding-count">{{
            moulding.clock.shown
          }}</span>
          <Button @click="moulding.stop()">{{ moulding.over ? 'Done' : 'Stop' }}</Button>
        </template>
        <Button
          v-else
          :disabled="moulding.running !== null"
          @click="moulding.start(step.key, visit.head?.visitId ?? '', visit.head?.rider ?? '')"
        >
          Start {{ step.minutes }} minutes
        </Button>
      </p>
    </li>
  </ol>
  <p><Button type="link" size="small" @click="moulding.reset()">Begin anew</Button></p>
</template>

<style scoped>
.steps {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  gap: 3px;
  padding-left: 10px;
  border-left: 3px solid var(--line);
}
.on {
  border-color: var(--petrol);
}
.done strong {
  color: var(--muted);
  text-decoration: line-through;
}
.clock {
  display: flex;
  align-items: center;
  gap: 12px;
}
.count {
  font-size: 30px;
}
.over {
  color: var(--brick);
}
</style>
