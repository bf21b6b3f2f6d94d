<script setup lang="ts">
import { computed, ref } from 'vue'
import { handFrame, handSceneOf, handShapes, leverEnd } from '@level-stance/core/stations/hands/handShapes'
import { leverAngleNow } from '@level-stance/core/stations/hands/levers/readings'
import { trimmed } from '@level-stance/core/kernel/entry'
import { capital } from '@level-stance/core/kernel/words'
import type { Side } from '@level-stance/core/kernel/sided'
import { DrawnShapes } from '../../board/DrawnShapes.ts'
import { useSvgDrag } from '../../kit/svgDrag.ts'
import { useBoard } from '../../data/board.ts'
import { useVisit } from '../../data/visit.ts'

/** One hand from the side in the ready position: forearm, wrist, grip, blade, and how far the finger hooks. */
const props = defineProps<{ side: Side }>()
const visit = useVisit()
const board = useBoard()
const svg = ref<SVGSVGElement | null>(null)

const now = computed(() => leverAngleNow(visit.setup, props.side))
const aim = computed(() => board.aimed('leverAngle', props.side))
const roll = computed(() => board.aimed('barRoll', 'both'))
const scene = computed(() => handSceneOf(visit.setup, props.side, board.aimed))
const shapes = computed(() => handShapes(scene.value))
const end = computed(() => leverEnd(scene.value))
const angle = computed(() => scene.value.lever)
const fall = computed(() => scene.value.forearm.below)
const bend = computed(() => (angle.value === null ? null : fall.value - angle.value))
const bendWords = computed(() => {
  if (bend.value === null || Math.abs(bend.value) < 1) return 'wrist straight'
  return `wrist ${trimmed(Math.abs(bend.value), 0)}° ${bend.value > 0 ? 'back' : 'forward'}`
})
const words = computed(
  () =>
    `${props.side} hand from the side: forearm ${trimmed(fall.value, 0)}° down${angle.value === null ? '' : `, lever ${trimmed(angle.value, 0)}° down, ${bendWords.value}`}`,
)
const { vDrag } = useSvgDrag(
  () => svg.value,
  () => (board.movable && now.value !== null ? now.value.value : null),
  (point, start) => {
    const below = (Math.atan2(point.y - handFrame.grip.y, point.x - handFrame.grip.x) * 180) / Math.PI
    board.request([{ setting: 'leverAngle', side: props.side, by: Math.round(2 * (below - roll.value - start)) / 2 }])
  },
)
function key(event: KeyboardEvent): void {
  const step = { ArrowDown: 0.5, ArrowUp: -0.5, PageDown: 5, PageUp: -5 }[event.key]
  if (step === undefined || !board.movable) return
  event.preventDefault()
  board.request([{ setting: 'leverAngle', side: props.side, by: aim.value + step }])
}
</script>

<template>
  <section class="hand-side" :aria-label="`${side} hand from the side`">
    <h2>{{ side === 'right' ? 'Right' : 'Left' }} hand from the side, standing ready</h2>
    <svg ref="svg" :viewBox="`0 0 ${handFrame.width} ${handFrame.height}`" role="group" :aria-label="words" data-testid="hand-side">
      <DrawnShapes :shapes="shapes" />
      <circle
        v-if="end && angle !== null"
        v-drag
        :cx="end.x"
        :cy="end.y"
        r="11"
        class="handle"
        role="slider"
        tabindex="0"
        :aria-label="`Lever angle, ${side}`"
        :aria-valuenow="angle"
        :aria-valuetext="`${trimmed(angle, 1)}° below level, ${bendWords}`"
        @keydown="key"
      />
    </svg>
    <p class="small muted">
      Dotted: forearm. Dashed: where the finger hooks. The ring turns the lever.
      <template v-if="bend !== null">{{ capital(bendWords) }}.</template>
    </p>
  </section>
</template>

<style scoped>
.hand-side {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  min-height: 0;
  padding: 6px 12px;
}
svg {
  width: 100%;
  height: 100%;
  min-height: 0;
}
.handle {
  fill: var(--panel);
  stroke: var(--petrol);
  stroke-width: 3;
  cursor: grab;
  touch-action: none;
}
</style>
