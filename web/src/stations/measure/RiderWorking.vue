<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  barClampCalculation,
  dropBarHandCalculation,
  flatBarHandCalculation,
  stanceCalculation,
} from '@level-stance/core/bike/bike.calculations'
import { armReachCalculation, riderMetricsCalculation, upperPostureCalculation } from '@level-stance/core/body/body.calculations'
import { hipOf } from '@level-stance/core/body/rider'
import { anyCalculation } from '@level-stance/core/calculation'
import type { AnyCalculation } from '@level-stance/core/calculation'
import { measureNextCalculation, sensitivityCalculation } from '@level-stance/core/change/rider.calculations'
import { axlesOf, dropBarOf, flatBarOf, frontOf } from '@level-stance/core/measure/riderModel'
import { bySide } from '@level-stance/core/quantity/sided'
import WorkingPanel from '../../parts/WorkingPanel.vue'
import { useVisit } from '../../stores/visit.ts'

/** Every calculation behind the rider on the bike, with the numbers that went in. */
const visit = useVisit()
const open = ref(false)
const none = [] as const

interface Item {
  readonly heading: string
  readonly calculation: AnyCalculation
  readonly input: object
  readonly plusMinus: Readonly<Record<string, number>>
}
const item = (heading: string, calculation: AnyCalculation, input: object | null): Item[] =>
  input === null ? [] : [{ heading, calculation, input, plusMinus: {} }]

const items = computed<Item[]>(() => {
  const { model, folded } = visit.setup
  const { values, bar } = visit.rider
  const { by } = folded
  const now = visit.setup.now
  const grip = model?.grip ?? null
  const whole = { readings: visit.readings, ledger: visit.ledger, bar }
  const foot = (side: 'left' | 'right') => ({
    axle: now.axleLength[side]?.value,
    washer: now.washer[side]?.value,
    adapter: now.adapter[side]?.value,
    cleatInboard: now.cleatInboard[side]?.value,
  })
  return [
    ...item('The rider on the bike', anyCalculation(riderMetricsCalculation), model && { model, axles: axlesOf(values) }),
    ...item('Trunk and arms', anyCalculation(upperPostureCalculation), model && grip && { body: model.upper, hip: hipOf(model), grip }),
    ...item(
      'The arm',
      anyCalculation(armReachCalculation),
      model && grip && { ...pick(model.upper), elbowFlexion: model.upper.elbowFlexion, handSpacing: 2 * grip.at.z },
    ),
    ...item('Bar clamp', anyCalculation(barClampCalculation), frontOf(values, by)),
    ...(bar === 'flat'
      ? item('Hand on the bar', anyCalculation(flatBarHandCalculation), flatBarOf(values, by))
      : item('Hand on the bar', anyCalculation(dropBarHandCalculation), dropBarOf(values, by))),
    ...item('Stance', anyCalculation(stanceCalculation), model && { tread: now.tread.right?.value, ...bySide(foot) }),
    ...item('What to measure next', anyCalculation(measureNextCalculation), whole),
    ...item('Per millimetre and degree', anyCalculation(sensitivityCalculation), model && whole),
  ]
})

function pick({ upperArm, forearm, acromionWidth }: { upperArm: number; forearm: number; acromionWidth: number }) {
  return { upperArm, forearm, acromionWidth }
}
</script>

<template>
  <button type="button" class="link" @click="open = true">Working</button>
  <WorkingPanel :open="open" :items="open ? items : none" @close="open = false" />
</template>
