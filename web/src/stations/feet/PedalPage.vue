<script setup lang="ts">
import { computed, ref } from 'vue'
import { pedalInUse } from '@level-stance/core/feet/inputs'
import { pedalWishes } from '@level-stance/core/feet/exchange'
import type { PedalSpec } from '@level-stance/core/feet/pedalKinds'
import { rankPedals } from '@level-stance/core/feet/pedalRanking'
import type { Ranked } from '@level-stance/core/quantity/ranking'
import { pedalSwitch } from '@level-stance/core/feet/pedalSwitch'
import { useBoard } from '../../stores/board.ts'
import { usePedals } from '../../stores/catalogue.ts'
import { useVisit } from '../../stores/visit.ts'
import CatalogueDrawer from '../../parts/CatalogueDrawer.vue'
import RankingList from '../../parts/RankingList.vue'
import { pedalForm } from './pedalForm.ts'
import { useFeet } from './useFeet.ts'

const visit = useVisit()
const feet = useFeet()
const board = useBoard()
const pedals = usePedals()
const catalogueOpen = ref(false)
if (!pedals.loaded) void pedals.load()

const rider = computed(() => feet.station.pedalRider)
const entries = computed(() => pedals.entries.map(({ entry }) => entry))

const switchTo = (row: Ranked<PedalSpec>) => pedalSwitch(row.spec, rider.value, pedalInUse(visit.setup.now))
/** The exchange as requested: the engine says what they bring along. */
function take(row: Ranked<PedalSpec>): void {
  board.clear()
  board.request(pedalWishes(switchTo(row), visit.setup.now))
}
const isInUse = (row: Ranked<PedalSpec>) => rider.value.kindNow === row.spec.kind
</script>

<template>
  <div class="pedals">
    <div class="page-head">
      <h2>Pedals for this rider</h2>
      <button type="button" class="link" @click="catalogueOpen = true">Catalogue</button>
    </div>
    <p v-if="pedals.problem" class="warn" role="alert">
      {{ pedals.problem }} <button type="button" class="plain" @click="pedals.load()">Try again</button>
    </p>
    <RankingList
      :rank="(own) => rankPedals(entries, rider, own)"
      :stored="visit.head?.pedalWeights"
      :movable="board.movable"
      :is-in-use="isInUse"
      :disturbs="(row) => switchTo(row).disturbs"
      @keep="(own) => visit.setVisit({ pedalWeights: own })"
      @take="take"
    />
    <p class="small muted">Excess play with a good cleat: change the pedal before changing the rider.</p>
    <CatalogueDrawer
      :open="catalogueOpen"
      title="Catalogue of pedal systems"
      part="pedal"
      plural="Systems"
      :form="pedalForm"
      :entries="pedals.entries"
      :save="pedals.save"
      @close="catalogueOpen = false"
    />
  </div>
</template>

<style scoped>
.pedals {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
</style>
