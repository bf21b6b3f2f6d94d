<script setup lang="ts">
import { handsStation } from '@level-stance/core/hands/station'
import RiderBoard from '../../board/RiderBoard.vue'
import StationPages from '../StationPages.vue'
import PlacePage from './PlacePage.vue'
import { useHands } from './useHands.ts'

const hands = useHands()
const { label, pages } = handsStation
const components = { place: PlacePage }
const why = { none: 'Nothing was told that can lie at the hands.', readings: pages.place.readings.slice(0, 4) }
</script>

<template>
  <StationPages :label="label" :station="hands" :pages="pages" :components="components" :why="why">
    <template #board><RiderBoard opens="top" /></template>
  </StationPages>
</template>
