<script setup lang="ts">
import { computed, ref } from 'vue'
import { outline, shapeFrom, widestBehindNose } from '@level-stance/core/bike/saddleShape'
import type { SaddleShape } from '@level-stance/core/bike/saddleShape'
import { propertyOf } from '@level-stance/core/ledger/parts'
import type { PropertyKey } from '@level-stance/core/ledger/parts'
import { USUAL_RELIEF } from '@level-stance/core/stations/seat/saddle/kinds'
import { BONES_BEHIND, contactOf } from '@level-stance/core/simulate/contact'
import { trimmed } from '@level-stance/core/kernel/entry'
import ZoomTools from '../../../board/ZoomTools.vue'
import { useZoom } from '../../../kit/zoom.ts'
import { useBoard } from '../../../data/board.ts'
import { usePreferences } from '../../../data/preferences.ts'
import { useVisit } from '../../../data/visit.ts'
import { useSeat } from '../../useSeat.ts'

/** The saddle from above to scale, nose up, with the sit bones and where they touch in each posture. */
const visit = useVisit()
const seat = useSeat()
const board = useBoard()
const preferences = usePreferences()
const MARGIN = 46

const shape = computed(() => seat.parts.shape)
const spacing = computed(() => seat.parts.spacing)
/** The saddle that is asked for, about the same sit point. */
const asked = computed<SaddleShape | null>(() => {
  const to = board.exchanged('saddle')?.to
  if (!to) return null
  const of = (key: PropertyKey) => {
    const value = propertyOf(to, key, 'left')
    return typeof value === 'number' ? value : null
  }
  return shapeFrom({
    length: of('saddleLength'),
    width: of('saddleWidth'),
    zoneWidth: of('saddleZoneWidth'),
    noseWidth: of('saddleNoseWidth'),
    sitFromNose: of('sitFromNose'),
    noseDrop: of('saddleNoseDrop'),
    tailRise: of('saddleTailRise'),
  })
})
/** mm: x to the right, y backward from the sit point. */
const path = (of: SaddleShape) => {
  const edge = outline(of, 60).map(({ x, y }) => ({ x: y, y: x - of.sitFromNose }))
  const points = [...edge, ...[...edge].reverse().map(({ x, y }) => ({ x: -x, y }))]
  return `M${points.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`
}
const box = computed(() => {
  const all = [shape.value, ...(asked.value ? [asked.value] : [])]
  const half = Math.max(...all.map((of) => of.width / 2), 100) + MARGIN
  const top = -Math.max(...all.map((of) => of.sitFromNose)) - MARGIN
  const bottom = Math.max(...all.map((of) => of.length - of.sitFromNose)) + MARGIN
  return { x: -half, y: top, width: 2 * half, height: bottom - top }
})
const stage = ref<SVGSVGElement | null>(null)
const { viewBox, zoomBy, reset } = useZoom(stage, () => box.value)
const contacts = computed(() => {
  const between = spacing.value
  return between === null ? [] : seat.parts.postures.map((posture) => ({ ...posture, ...contactOf(between.value, posture.torso) }))
})
const wanted = computed(() => seat.parts.width)
/** The widest place, for the range wanted. */
const widestAt = computed(() => widestBehindNose(shape.value) - shape.value.sitFromNose)
const relief = computed(() => USUAL_RELIEF[seat.parts.look.relief ?? 'none'])
const spoken = computed(() => {
  const bones = spacing.value === null ? 'sit bones not read' : `sit bones ${preferences.length(spacing.value.value)} apart`
  return `Saddle from above to scale: ${preferences.length(shape.value.width)} wide, ${bones}.`
})
const read = (key: 'saddleWidth' | 'saddleLength') => visit.setup.now[key].left?.basis === 'measured'
</script>

<template>
  <div class="above">
    <ZoomTools over :zoom-by="zoomBy" :reset="reset" />
    <svg ref="stage" :viewBox="viewBox" role="img" :aria-label="spoken" preserveAspectRatio="xMidYMid meet">
      <path :d="path(shape)" class="saddle" :class="{ guessed: !read('saddleWidth') }" />
      <rect
        v-if="relief > 0"
        :x="-relief / 2"
        :y="-shape.sitFromNose * 0.62"
        :width="relief"
        :height="shape.sitFromNose * 0.62 + 38"
        :rx="relief / 2"
        class="relief"
      />
      <path v-if="asked" :d="path(asked)" class="asked" />
      <line :x1="0" :x2="0" :y1="-shape.sitFromNose - 14" :y2="shape.length - shape.sitFromNose + 14" class="axis" />
      <line :x1="-shape.zoneWidth / 2" :x2="shape.zoneWidth / 2" y1="0" y2="0" class="zone" />
      <text :x="-shape.width / 2 - 8" y="4" text-anchor="end">sit point</text>
      <g v-if="wanted" class="wanted">
        <line
          v-for="side in [-1, 1]"
          :key="side"
          :x1="(side * wanted.low) / 2"
          :x2="(side * wanted.high) / 2"
          :y1="widestAt"
          :y2="widestAt"
        />
      </g>
      <g v-for="contact in contacts" :key="contact.hands" class="contact" :class="{ usual: contact.usual }">
        <ellipse v-for="side in [-1, 1]" :key="side" :cx="side * contact.half" :cy="contact.behind" rx="15" ry="18" />
      </g>
      <template v-if="spacing">
        <circle v-for="side in [-1, 1]" :key="side" :cx="(side * spacing.value) / 2" :cy="BONES_BEHIND" r="5" class="bone" />
        <line :x1="-spacing.value / 2" :x2="spacing.value / 2" :y1="BONES_BEHIND + 26" :y2="BONES_BEHIND + 26" class="measure" />
        <text x="0" :y="BONES_BEHIND + 42" text-anchor="middle">
          {{ preferences.length(spacing.value) }}
        </text>
      </template>
      <g class="scale">
        <line :x1="-50" :x2="50" :y1="shape.length - shape.sitFromNose + 30" :y2="shape.length - shape.sitFromNose + 30" />
        <text x="0" :y="shape.length - shape.sitFromNose + 43" text-anchor="middle">{{ preferences.length(100) }}</text>
      </g>
    </svg>
    <p class="small muted legend">
      <template v-if="spacing"
        >● sit bones, read upright. Ovals: where they touch as the pelvis rolls ({{
          contacts.map((c) => `${c.hands} ${trimmed(c.torso, 0)}°`).join(', ') || 'torso not known'
        }}); their size is this product’s own.
      </template>
      <template v-else>Sit-bone spacing is not read. </template>
      <template v-if="wanted">Bars at the sides: width wanted. </template>
      <template v-if="!read('saddleWidth') || !read('saddleLength')">What is not read is drawn as usual. </template>
    </p>
  </div>
</template>

<style scoped>
.above {
  position: relative;
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  height: 100%;
  min-height: 0;
}
svg {
  width: 100%;
  height: 100%;
  min-height: 0;
}
.saddle {
  fill: var(--sole);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.guessed {
  stroke-dasharray: 5 4;
}
.relief {
  fill: var(--panel);
  stroke: var(--steel);
}
.asked {
  fill: none;
  stroke: var(--petrol);
  stroke-width: 2;
  stroke-dasharray: 6 4;
}
.axis,
.zone {
  stroke: var(--steel);
  stroke-dasharray: 2 4;
}
.contact ellipse {
  fill: var(--bubble);
  fill-opacity: 0.14;
  stroke: var(--bubble);
  stroke-width: 0.8;
}
.contact.usual ellipse {
  fill-opacity: 0.4;
}
.bone {
  fill: var(--ink);
}
.measure,
.scale line {
  stroke: var(--ink);
}
.wanted line {
  stroke: var(--petrol);
  stroke-width: 6;
}
text {
  fill: var(--muted);
  font-size: 11px;
}
.legend {
  padding: 4px 12px 8px;
}
</style>
