<script setup lang="ts">
import { computed, ref } from 'vue'
import { movesOf, withMoves } from '@level-stance/core/ledger/moves'
import { amountWords } from '@level-stance/core/ledger/moveWords'
import { modelIn } from '@level-stance/core/stations/hands/place/positions'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { seatAngleOf } from '@level-stance/core/model/riderModel'
import { sceneOf } from '@level-stance/core/model/scene'
import type { Scene } from '@level-stance/core/model/scene'
import { midSentence } from '@level-stance/core/kernel/words'
import { useBoard } from '../data/board.ts'
import { usePreferences } from '../data/preferences.ts'
import { useVisit } from '../data/visit.ts'
import BoardHandle from './BoardHandle.vue'
import { handlesOf } from './handles.ts'
import { riderShapes } from '@level-stance/core/figure/riderShapes'
import type { Frame } from '@level-stance/core/figure/frame'
import { angleShapes } from '@level-stance/core/rider/boardShapes'
import { groupShape } from '@level-stance/core/kernel/drawing'
import type { Shape } from '@level-stance/core/kernel/drawing'
import { DrawnShapes } from './DrawnShapes.ts'
import { scaleBar } from './scaleBar.ts'
import type { ViewKey } from '@level-stance/core/figure/views'

/** What moves under the hand: the proposal and the handles, a layer over the drawing of what is. */
const props = defineProps<{ now: Scene; view: ViewKey; frame: Frame; viewBox: string; crankAngle: number; perPixel: number }>()
const visit = useVisit()
const board = useBoard()
const preferences = usePreferences()
const chosen = ref<string | null>(null)

const proposal = computed<Scene | null>(() => {
  const { whole, posture } = board
  if (!whole?.model) return null
  const by = withMoves(visit.setup.folded.by, [...whole.moves, ...whole.exchanges.flatMap(movesOf)])
  const model = posture === null ? whole.model : (modelIn({ rider: visit.rider, by }, posture) ?? whole.model)
  return sceneOf(model, visit.rider.values, visit.drawnBar, by, props.crankAngle)
})
const handles = computed(() => handlesOf(proposal.value ?? props.now, props.view, seatAngleOf(visit.rider.values)))
/** How far each of a handle's settings is asked to go, in words. */
const words = computed(() =>
  handles.value.map((handle) =>
    handle
      .request(0, 0)
      .map(({ setting, side }) => {
        const by = board.aimed(setting, side)
        const amount = by === 0 ? 'as it is' : `${by > 0 ? '+' : '−'}${preferences.plain(amountWords(setting, by))}`
        return `${midSentence(definitionOf(setting).label)} ${amount}`
      })
      .join(', '),
  ),
)
const hint = computed(() => {
  const index = handles.value.findIndex((handle) => handle.id === chosen.value)
  return index < 0 ? '' : `${handles.value[index]?.label ?? ''}: ${words.value[index] ?? ''}`
})
const scale = computed(() =>
  scaleBar(
    preferences.unit,
    { mm: 200, inches: 8 },
    { x: props.frame.x + 24, y: props.frame.y + props.frame.height - 24 },
    { size: 14 * props.perPixel, line: 9 },
  ),
)
/** What is to be tried, with its angles, and the scale. */
const shapes = computed<readonly Shape[]>(() => {
  if (proposal.value === null) return [scale.value]
  const { view, crankAngle, perPixel } = props
  const toTry = groupShape('proposal', riderShapes(proposal.value, view, 'proposal'))
  return [toTry, ...angleShapes(visit.setup, proposal.value, view, crankAngle, perPixel, board.condition), scale.value]
})
defineExpose({ shapes })
</script>

<template>
  <svg class="over" :viewBox="viewBox">
    <g aria-hidden="true"><DrawnShapes :shapes="shapes" /></g>
    <BoardHandle
      v-for="(handle, i) in handles"
      :key="handle.id"
      :handle="handle"
      :view="view"
      :words="words[i] ?? ''"
      :size="20 * perPixel"
      @choose="chosen = handle.id"
    />
  </svg>
  <p v-if="hint" class="hint" aria-live="polite">{{ hint }}</p>
</template>

<style scoped>
.over {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.hint {
  position: absolute;
  top: 0;
  left: 10px;
  right: 10px;
  height: 22px;
  overflow: hidden;
  contain: strict;
  color: var(--petrol);
  font-size: 14px;
  pointer-events: none;
}
</style>
