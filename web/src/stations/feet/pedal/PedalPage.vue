<script setup lang="ts">
import { computed } from 'vue'
import { pedalExchange } from '@level-stance/core/stations/feet/exchange'
import { pedalInUse } from '@level-stance/core/stations/feet/pedal/readings'
import type { PedalSpec } from '@level-stance/core/stations/feet/pedal/kinds'
import { rankPedals } from '@level-stance/core/stations/feet/pedal/ranking'
import { pedalDisturbs } from '@level-stance/core/stations/feet/pedal/switch'
import type { Weights } from '@level-stance/core/kernel/ranking'
import { pedalForm } from '../../../catalogue/partForms.ts'
import RankedParts from '../../../catalogue/RankedParts.vue'
import { usePedals } from '../../../data/catalogue.ts'
import { useVisit } from '../../../data/visit.ts'
import FindingList from '../../../finding/FindingList.vue'
import { useFeet } from '../../useFeet.ts'

/** Pedal systems ranked for this rider. */
const visit = useVisit()
const feet = useFeet()
const pedals = usePedals()
const rider = computed(() => feet.rested.pedalRider)
const entries = computed(() => pedals.entries.map(({ entry }) => entry))
const rank = (own: Weights) => rankPedals(entries.value, rider.value, own)
const disturbs = (spec: PedalSpec) => pedalDisturbs(spec, rider.value, pedalInUse(visit.setup.now))
const exchange = (spec: PedalSpec) => pedalExchange(spec, rider.value, visit.setup.now)
</script>

<template>
  <div class="pedals">
    <FindingList :findings="feet.judgement.findings" none="" />
    <RankedParts
      title="Pedals for this rider"
      part="pedal"
      catalogue="Catalogue of pedal systems"
      plural="Systems"
      :form="pedalForm"
      :store="pedals"
      :rank="rank"
      :stored="feet.choices.pedalWeights"
      :is-in-use="({ spec }) => rider.kindNow === spec.kind"
      :disturbs="disturbs"
      :exchange="exchange"
      @keep="(pedalWeights) => feet.choose({ pedalWeights })"
    />
    <p class="small muted">Excess play with a good cleat: change the pedal before changing the rider.</p>
  </div>
</template>

<style scoped>
.pedals {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
</style>
