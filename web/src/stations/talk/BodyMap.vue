<script setup lang="ts">
import { computed, nextTick, ref } from 'vue'
import { bodyDrawings, complaintsAt, severityAt, spotsOf } from '@level-stance/core/figure/bodyMap'
import type { BodySpot } from '@level-stance/core/figure/bodyMap'
import type { BodyView } from '@level-stance/core/talk/regions'
import type { Complaint, ComplaintPlace } from '@level-stance/core/talk/complaint'
import BodyDrawing from '../../complaint/BodyDrawing.vue'

/**
 * Drawings of the body to point at; places follow its outline. One tab stop: arrow keys go to the next
 * place that way, Enter or space picks it.
 */
const props = defineProps<{
  views: readonly BodyView[]
  complaints: readonly Complaint[]
  /** the complaint that is looked at */
  open: string | null
}>()
const emit = defineEmits<{ pick: [place: ComplaintPlace] }>()

/** A place, and where it is in the whole picture. */
interface Spot extends BodySpot {
  readonly key: string
}

const GAP = 6
const drawings = computed(() => {
  let from = 0
  return props.views.map((view) => {
    const drawing = bodyDrawings[view]
    const middle = from + drawing.width / 2
    from += drawing.width + GAP
    return { view, middle, ...drawing }
  })
})
const width = computed(() => drawings.value.reduce((sum, { width: own }) => sum + own + GAP, -GAP))
const height = computed(() => Math.max(...drawings.value.map(({ height: own }) => own)) + CAPTION)
const CAPTION = 16

/** Every place of the drawings, sided ones twice. */
const spots = computed<readonly Spot[]>(() =>
  drawings.value.flatMap(({ view, middle }) =>
    spotsOf(view).map((spot) => ({ ...spot, key: `${view}-${spot.region}-${spot.side}`, x: middle + spot.x, y: spot.y + CAPTION })),
  ),
)
const marks = computed(
  () =>
    new Map(
      spots.value.flatMap((spot) => {
        const words = severityAt(spot, props.complaints)
        return words === null
          ? []
          : [[spot.key, { words, isOpen: complaintsAt(spot, props.complaints).some(({ id }) => id === props.open) }]]
      }),
    ),
)

/** the place under the pointer or the focus */
const named = ref<Spot | null>(null)
/** the place that Tab comes to */
const current = ref<string | null>(null)
const stop = computed(() => spots.value.find(({ key }) => key === current.value)?.key ?? spots.value[0]?.key)
const svg = ref<SVGSVGElement | null>(null)

const ways: Readonly<Record<string, readonly [x: number, y: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}
/** The nearest place the way of an arrow key; what lies aside counts double. */
async function step(event: KeyboardEvent, from: Spot): Promise<void> {
  const way = ways[event.key]
  if (way === undefined) return
  event.preventDefault()
  const far = (spot: Spot) => {
    const [dx, dy] = [spot.x - from.x, spot.y - from.y]
    const along = dx * way[0] + dy * way[1]
    return along <= 1 ? Infinity : along + 2 * Math.abs(dx * way[1] + dy * way[0])
  }
  const next = [...spots.value].sort((a, b) => far(a) - far(b))[0]
  if (next === undefined || far(next) === Infinity) return
  current.value = next.key
  await nextTick()
  svg.value?.querySelector<SVGElement>(`[data-spot="${next.key}"]`)?.focus()
}
function pick(spot: Spot): void {
  current.value = spot.key
  emit('pick', { region: spot.region, side: spot.side })
}
const tag = computed(() => {
  if (named.value === null) return null
  const wide = 7.2 * named.value.label.length + 14
  const x = Math.min(width.value - wide / 2, Math.max(wide / 2, named.value.x))
  return { x, y: Math.max(14, named.value.y - 26), wide, words: named.value.label }
})
</script>

<template>
  <svg ref="svg" class="body-map" :viewBox="`0 0 ${width} ${height}`" role="group" aria-label="Body map: pick where it hurts or fails">
    <g v-for="{ view, middle } in drawings" :key="view" :transform="`translate(${middle} ${CAPTION})`">
      <BodyDrawing :view="view">
        <g
          v-for="spot in spots.filter(({ key }) => key.startsWith(`${view}-`))"
          :key="spot.key"
          class="spot"
          :class="{ told: marks.has(spot.key), open: marks.get(spot.key)?.isOpen }"
          role="button"
          :tabindex="spot.key === stop ? 0 : -1"
          :data-spot="spot.key"
          :aria-label="marks.has(spot.key) ? `${spot.label}, told` : spot.label"
          @click="pick(spot)"
          @keydown.enter.prevent="pick(spot)"
          @keydown.space.prevent="pick(spot)"
          @keydown="step($event, spot)"
          @focus="named = spot"
          @blur="named = null"
          @pointerenter="named = spot"
          @pointerleave="named = null"
        >
          <path :d="spot.path" :transform="`scale(${spot.flip} 1)`" />
        </g>
      </BodyDrawing>
    </g>
    <g aria-hidden="true" class="over">
      <template v-for="spot in spots" :key="spot.key">
        <text v-if="marks.has(spot.key)" class="severity" :x="spot.x" :y="spot.y + 4" text-anchor="middle">
          {{ marks.get(spot.key)?.words }}
        </text>
      </template>
      <g v-if="tag" class="tag">
        <rect :x="tag.x - tag.wide / 2" :y="tag.y - 14" :width="tag.wide" height="20" rx="4" />
        <text :x="tag.x" :y="tag.y" text-anchor="middle">{{ tag.words }}</text>
      </g>
    </g>
  </svg>
</template>

<style scoped>
.body-map {
  display: block;
  width: 100%;
  height: 100%;
}
.spot {
  cursor: pointer;
  outline: none;
}
.spot:hover path {
  fill: var(--petrol-soft);
}
.spot.open path {
  fill-opacity: 1;
}
.spot:focus-visible path {
  stroke: var(--petrol);
  stroke-width: 4;
}
.over {
  pointer-events: none;
}
.severity {
  fill: var(--panel);
  font:
    600 12px 'Barlow Semi Condensed',
    sans-serif;
}
.tag rect {
  fill: var(--ink);
}
.tag text {
  fill: var(--panel);
  font-size: 13px;
}
</style>
