<script setup lang="ts">
import {
  barClampCalculation,
  dropBarHandCalculation,
  flatBarHandCalculation,
  stanceCalculation,
} from '@level-stance/core/bike/bike.calculations'
import { armReachCalculation, riderMetricsCalculation, upperPostureCalculation } from '@level-stance/core/body/body.calculations'
import { hipOf } from '@level-stance/core/body/rider'
import { anyCalculation } from '@level-stance/core/kernel/calculation'
import type { AnyCalculation } from '@level-stance/core/kernel/calculation'
import { measureNextCalculation, sensitivityCalculation } from '@level-stance/core/uncertainty/calculations'
import { axlesOf, dropBarOf, flatBarOf, frontOf } from '@level-stance/core/model/riderModel'
import { bySide, sides } from '@level-stance/core/kernel/sided'
import type { Side } from '@level-stance/core/kernel/sided'
import type { UpperBody } from '@level-stance/core/body/upperBody'
import WorkingButton from '../../working/WorkingButton.vue'
import { useVisit } from '../../data/visit.ts'

/** Every calculation behind the rider on the bike, with the numbers that went in. */
const visit = useVisit()

interface Item {
  readonly heading: string
  readonly calculation: AnyCalculation
  readonly input: object
  readonly plusMinus: Readonly<Record<string, number>>
}
const item = (heading: string, calculation: AnyCalculation, input: object | null): Item[] =>
  input === null ? [] : [{ heading, calculation, input, plusMinus: {} }]

function items(): Item[] {
  const { model, folded } = visit.setup
  const { values, bar } = visit.rider
  const { by } = folded
  const now = visit.setup.now
  const grips = model?.grips ?? null
  const whole = { readings: visit.readings, ledger: visit.ledger, place: visit.place, bar }
  const foot = (side: 'left' | 'right') => ({
    axle: now.axleLength[side]?.value,
    washer: now.washer[side]?.value,
    adapter: now.adapter[side]?.value,
    cleatInboard: now.cleatInboard[side]?.value,
  })
  return [
    ...item('The rider on the bike', anyCalculation(riderMetricsCalculation), model && { model, axles: axlesOf(values) }),
    ...item('Trunk and arms', anyCalculation(upperPostureCalculation), model && grips && { body: model.upper, hip: hipOf(model), grips }),
    ...sides.flatMap((side) =>
      item(
        `The arm, ${side}`,
        anyCalculation(armReachCalculation),
        model && grips && { ...pick(model.upper, side), handSpacing: grips.left.at.z + grips.right.at.z },
      ),
    ),
    ...item('Bar clamp', anyCalculation(barClampCalculation), frontOf(values, by)),
    ...sides.flatMap((side) =>
      bar === 'flat'
        ? item(`Hand on the bar, ${side}`, anyCalculation(flatBarHandCalculation), flatBarOf(values, by, side))
        : item(`Hand on the bar, ${side}`, anyCalculation(dropBarHandCalculation), dropBarOf(values, by, side)),
    ),
    ...item('Stance', anyCalculation(stanceCalculation), model && { tread: now.tread.right?.value, ...bySide(foot) }),
    ...item('What to measure next', anyCalculation(measureNextCalculation), whole),
    ...item('Per millimetre and degree', anyCalculation(sensitivityCalculation), model && whole),
  ]
}

function pick({ acromionWidth, elbowFlexion, arms }: UpperBody, side: Side) {
  const { upperArm, forearm } = arms[side]
  return { upperArm, forearm, acromionWidth, elbowFlexion }
}
</script>

<template>
  <WorkingButton :runs="items" />
</template>
