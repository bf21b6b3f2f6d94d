<script setup lang="ts">
import { usePreferences } from '../data/preferences.ts'
import { DownloadOutlined, PrinterOutlined } from '@ant-design/icons-vue'
import { Button, Segmented, Slider } from 'ant-design-vue'
import { useRafFn } from '@vueuse/core'
import { storeToRefs } from 'pinia'
import { computed, ref, useTemplateRef, watch } from 'vue'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { sceneOf } from '@level-stance/core/model/scene'
import type { Setup } from '@level-stance/core/rider/setup'
import { modelIn, postureWords } from '@level-stance/core/stations/hands/place/positions'
import type { Posture } from '@level-stance/core/stations/hands/place/positions'
import { midSentence } from '@level-stance/core/kernel/words'
import { useZoom } from '../kit/zoom.ts'
import { useBoard } from '../data/board.ts'
import { useVisit } from '../data/visit.ts'
import BoardOverlay from './BoardOverlay.vue'
import BoardTable from './BoardTable.vue'
import BoardTroubles from './BoardTroubles.vue'
import { DrawnShapes } from './DrawnShapes.ts'
import { download, pagePalette } from './exportSvg.ts'
import SelectField from '../kit/SelectField.vue'
import { frameOf } from '@level-stance/core/figure/frame'
import type { Frame } from '@level-stance/core/figure/frame'
import { drawingSvg } from '@level-stance/core/kernel/drawing'
import type { Shape } from '@level-stance/core/kernel/drawing'
import { boardShapes } from '@level-stance/core/rider/boardShapes'
import { viewKeys, viewLabels } from '@level-stance/core/figure/views'
import type { ViewKey } from '@level-stance/core/figure/views'
import ZoomTools from './ZoomTools.vue'

const props = withDefaults(defineProps<{ opens: ViewKey; focus?: 'rider' | 'legs' }>(), { focus: 'rider' })
const visit = useVisit()
const board = useBoard()
const preferences = usePreferences()
const { view } = storeToRefs(board)
view.value = props.opens
const crankAngle = ref(180)
const stage = ref<HTMLElement | null>(null)

function scene({ model, rider, folded: { by } }: Setup) {
  const posed = board.posture === null ? null : modelIn({ rider, by }, board.posture)
  return model && sceneOf(posed ?? model, rider.values, visit.drawnBar, by, crankAngle.value)
}
/** What the hands can hold here, and how hard. */
const postures = computed<Record<string, string>>(() =>
  Object.fromEntries(board.postures.map((posture) => [keyOf(posture), postureWords(posture, visit.drawnBar)])),
)
const keyOf = ({ hands, effort }: Posture) => `${hands} ${effort}`
const posed = computed(() => board.posture ?? board.postures[0] ?? null)
const views = viewKeys.map((value) => ({ value, label: viewLabels[value] }))
const now = computed(() => scene(visit.setup))
const start = computed(() => (visit.setup.folded.changes.some((change) => change.state !== 'undone') ? scene(visit.baseline) : null))
const missing = computed(() => visit.setup.built.missing.map((key) => midSentence(definitionOf(key).label)))

/** While there is nobody to draw yet. */
const UNKNOWN: Frame = { x: -800, y: -1500, width: 1600, height: 1800 }
/** The picture keeps its frame while things move; it is set anew for another view or another rider. */
const held = ref<Frame | null>(null)
const { seen: frame, viewBox, perPixel, zoomBy, reset } = useZoom(stage, () => held.value ?? UNKNOWN)
watch(
  [view, () => visit.head?.visitId, () => now.value === null, () => board.posture],
  () => {
    reset()
    held.value = now.value && frameOf(now.value, view.value, props.focus)
  },
  { immediate: true },
)

/** A slow turn: once round in eight seconds. Where the system asks for less motion, a step per press. */
const calm = () => window.matchMedia('(prefers-reduced-motion: reduce)').matches
let last = 0
const turning = useRafFn(
  ({ timestamp }) => {
    if (last > 0) crankAngle.value = (crankAngle.value + ((timestamp - last) * 360) / 8000) % 360
    last = timestamp
  },
  { immediate: false },
)
function turn(): void {
  if (calm()) crankAngle.value = (crankAngle.value + 15) % 360
  else if (turning.isActive.value) turning.pause()
  else {
    last = 0
    turning.resume()
  }
}

const title = computed(() => `${visit.head?.rider ?? 'Rider'}, ${visit.head?.bike ?? 'bike'}, ${midSentence(viewLabels[view.value])} view`)
/** The board without what a hand can hold. */
const shapes = computed(() =>
  now.value === null
    ? []
    : boardShapes({
        setup: visit.setup,
        now: now.value,
        start: start.value,
        view: view.value,
        crankAngle: crankAngle.value,
        perPixel: perPixel.value,
        hasAngles: !board.active,
        condition: board.condition,
      }),
)
const overlay = useTemplateRef<{ readonly shapes: readonly Shape[] }>('overlay')
/** The file is this much smaller than the bike. */
const PRINTED = 5
function exportSvg(): void {
  const drawing = { title: title.value, box: frame.value, shapes: [...shapes.value, ...(overlay.value?.shapes ?? [])] }
  download(`board-${view.value}.svg`, drawingSvg(drawing, PRINTED, preferences.unit, pagePalette()), 'image/svg+xml')
}
function print(): void {
  document.documentElement.dataset['print'] = 'board'
  window.addEventListener('afterprint', () => delete document.documentElement.dataset['print'], { once: true })
  window.print()
}
</script>

<template>
  <figure class="board" aria-label="Board">
    <figcaption class="on-paper">{{ title }}</figcaption>
    <div class="bar">
      <div role="group" aria-label="Views"><Segmented v-model:value="view" :options="views" /></div>
      <div class="tools">
        <ZoomTools :zoom-by="zoomBy" :reset="reset" />
        <Button type="text" aria-label="SVG" title="Save as SVG" @click="exportSvg"><DownloadOutlined /></Button>
        <Button type="text" aria-label="Print" title="Print" @click="print"><PrinterOutlined /></Button>
      </div>
    </div>
    <div v-if="now" ref="stage" class="stage">
      <svg
        :viewBox="viewBox"
        role="img"
        :aria-label="`Rider and bike to scale, ${viewLabels[view].toLowerCase()} view; the numbers follow as a table`"
      >
        <DrawnShapes :shapes="shapes" />
      </svg>
      <BoardOverlay
        ref="overlay"
        :now="now"
        :view="view"
        :frame="frame"
        :view-box="viewBox"
        :crank-angle="crankAngle"
        :per-pixel="perPixel"
      />
      <p v-if="start || board.active" class="legend">
        {{ start ? 'pale: start · ' : '' }}solid: now{{ board.active ? ' · dashed: to try' : '' }}
      </p>
    </div>
    <div v-else class="empty">
      <p><strong>Nothing to draw yet.</strong></p>
      <p>Measure {{ missing.join(', ') }}. A few readings are enough to start; the rest is estimated until it is measured.</p>
    </div>
    <BoardTroubles v-if="now" />
    <div v-if="now" class="foot-bar">
      <span>Crank</span>
      <Slider
        v-model:value="crankAngle"
        class="crank"
        :min="0"
        :max="360"
        :step="1"
        :tooltip-open="false"
        aria-label-for-handle="Crank angle, right side"
      />
      <span class="figure">{{ Math.round(crankAngle) }}°</span>
      <Button type="text" :aria-pressed="turning.isActive.value" @click="turn">{{ turning.isActive.value ? 'Stop' : 'Turn' }}</Button>
      <SelectField
        v-if="board.postures.length > 1 && posed"
        label="Hands and effort drawn"
        :value="keyOf(posed)"
        :options="postures"
        @pick="(key) => board.pose(board.postures.find((posture) => keyOf(posture) === key) ?? null)"
      />
    </div>
    <BoardTable v-if="now" />
  </figure>
</template>

<style scoped>
.board {
  display: flex;
  flex-direction: column;
  height: 100%;
  margin: 0;
  background: var(--panel);
}
.bar,
.foot-bar {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 6px 10px;
}
.bar {
  justify-content: space-between;
}
.tools {
  display: flex;
}
.tools .ant-btn {
  width: 40px;
  padding: 0;
  color: var(--petrol);
}
.stage {
  position: relative;
  flex: 1;
  min-height: 0;
  contain: strict;
  touch-action: none;
  user-select: none;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
}
.empty {
  flex: 1;
  display: grid;
  align-content: center;
  gap: 8px;
  padding: 0 40px;
  text-align: center;
}
.crank {
  flex: 1;
  min-width: 60px;
}
.figure {
  min-width: 40px;
}
.legend {
  position: absolute;
  right: 12px;
  bottom: 4px;
  color: var(--muted);
  font-size: 13px;
  pointer-events: none;
}
.on-paper {
  display: none;
}
@media print {
  .on-paper {
    display: block;
    padding: 0 0 8px;
    font-weight: 600;
  }
  .bar,
  .foot-bar,
  .stage :deep(.handle) {
    display: none;
  }
}
</style>
