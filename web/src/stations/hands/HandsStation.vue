<script setup lang="ts">
import { computed } from 'vue'
import { handsPagesFor, handsStation } from '@level-stance/core/stations/hands/station'
import { useVisit } from '../../data/visit.ts'
import StationPages from '../StationPages.vue'
import CockpitPage from './cockpit/CockpitPage.vue'
import ControlsPage from './controls/ControlsPage.vue'
import ExtensionsPage from './extensions/ExtensionsPage.vue'
import GripsPage from './grips/GripsPage.vue'
import HandsBoard from './HandsBoard.vue'
import HoodsPage from './hoods/HoodsPage.vue'
import LeversPage from './levers/LeversPage.vue'
import PlacePage from './place/PlacePage.vue'
import RollPage from './roll/RollPage.vue'
import { useHands } from '../useHands.ts'
import WidthPage from './width/WidthPage.vue'

const visit = useVisit()
const hands = useHands()
const { label } = handsStation
const components = {
  width: WidthPage,
  place: PlacePage,
  roll: RollPage,
  hoods: HoodsPage,
  levers: LeversPage,
  controls: ControlsPage,
  grips: GripsPage,
  extensions: ExtensionsPage,
  cockpit: CockpitPage,
}
/** The pages this bar has. */
const pages = computed(() => Object.fromEntries(handsPagesFor(visit.bar).map((key) => [key, handsStation.pages[key]])))
const why = {
  none: 'No complaint points to the hands. Width before place, place before roll, roll before the levers: see the pages from left to right.',
  readings: ['handReach', 'handHeight', 'elbowFlexion', 'acromionWidth', 'wristAngle'],
} as const
</script>

<template>
  <StationPages :label="label" :station="hands" :pages="pages" :components="components" :why="why">
    <template #board><HandsBoard /></template>
  </StationPages>
</template>
