<script setup lang="ts">
import { feetStation } from '@level-stance/core/stations/feet/station'
import StationPages from '../StationPages.vue'
import CleatPage from './cleat/CleatPage.vue'
import FeetBoard from './FeetBoard.vue'
import PedalPage from './pedal/PedalPage.vue'
import RotationPage from './rotation/RotationPage.vue'
import ShoePage from './shoe/ShoePage.vue'
import StancePage from './stance/StancePage.vue'
import SupportPage from './support/SupportPage.vue'
import WearPage from './wear/WearPage.vue'
import { useFeet } from '../useFeet.ts'

const feet = useFeet()
const { label, pages } = feetStation
const components = {
  shoe: ShoePage,
  pedal: PedalPage,
  cleat: CleatPage,
  rotation: RotationPage,
  stance: StancePage,
  support: SupportPage,
  wear: WearPage,
}
const why = {
  none: 'Nothing was told that can lie at the feet. The shoe still comes before the cleat: see the pages from left to right.',
  readings: pages.cleat.readings,
}
</script>

<template>
  <StationPages :label="label" :station="feet" :pages="pages" :components="components" :why="why">
    <template #board="{ show }"><FeetBoard @show="show" /></template>
  </StationPages>
</template>
