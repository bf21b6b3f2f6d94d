<script setup lang="ts">
import { settingOf } from '@level-stance/core/ledger/settings'
import type { RequestedMove } from '@level-stance/core/ledger/moves'
import type { Handle } from './handles.ts'
import { useSvgDrag } from '../kit/svgDrag.ts'
import { projections } from '@level-stance/core/figure/views'
import type { ViewKey } from '@level-stance/core/figure/views'
import { useBoard } from '../data/board.ts'

/** One handle: dragged, or moved by the keys in steps of 1 mm and 0.5°. */
const props = defineProps<{ handle: Handle; view: ViewKey; words: string; size: number }>()
const emit = defineEmits<{ choose: [] }>()
const board = useBoard()
const at = () => projections[props.view](props.handle.at)
const place = ({ setting, side }: Pick<RequestedMove, 'setting' | 'side'>) => `${setting}:${side}`

const { dragging, vDrag } = useSvgDrag(
  (handle) => handle.ownerSVGElement,
  (from) => {
    emit('choose')
    if (!board.movable) return null
    return { from, asked: new Map(props.handle.request(0, 0).map((one) => [place(one), board.aimed(one.setting, one.side)])) }
  },
  ({ x, y }, { from, asked }) =>
    board.request(
      props.handle.request(x - from.x, from.y - y).map((one) => ({ ...one, by: settable(one, (asked.get(place(one)) ?? 0) + one.by) })),
    ),
)

function settable({ setting }: RequestedMove, by: number): number {
  const { resolution } = settingOf(setting)
  return Math.round(by / resolution) * resolution
}

/** Arrow keys: a step of 1 mm or 0.5°; with shift five times as much. */
function nudge(event: KeyboardEvent): void {
  const { right, up } = props.handle
  const axis = { ArrowRight: right, ArrowLeft: right, ArrowUp: up, ArrowDown: up }[event.key]
  if (event.key === 'Escape') board.request(props.handle.request(0, 0).map((request) => ({ ...request, by: 0 })))
  if (!axis || !board.movable) return
  event.preventDefault()
  const forward = event.key === 'ArrowRight' || event.key === 'ArrowUp' ? 1 : -1
  const size = (settingOf(axis.setting).unit === 'deg' ? 0.5 : 1) * (event.shiftKey ? 5 : 1)
  board.request([{ setting: axis.setting, side: axis.side, by: board.aimed(axis.setting, axis.side) + axis.sign * forward * size }])
}
</script>

<template>
  <g
    v-drag
    class="handle"
    :class="{ active: dragging, movable: board.movable }"
    role="button"
    tabindex="0"
    :aria-label="`${handle.label}: ${words}. Arrow keys move it.`"
    :data-testid="`handle-${handle.id}`"
    :transform="`translate(${at().x.toFixed(1)} ${at().y.toFixed(1)})`"
    @focus="$emit('choose')"
    @keydown="nudge"
  >
    <circle class="reach" :r="size" />
    <circle class="ring" :r="size * 0.52" />
    <circle class="dot" :r="size * 0.16" />
  </g>
</template>

<style scoped>
.reach {
  fill: transparent;
}
.ring {
  fill: var(--petrol);
  fill-opacity: 0.16;
  stroke: var(--petrol);
  stroke-width: 5;
}
.dot {
  fill: var(--petrol);
}
.movable {
  cursor: grab;
}
.active {
  cursor: grabbing;
}
.active .ring {
  fill-opacity: 0.35;
}
.handle:focus {
  outline: none;
}
.handle:focus-visible .ring {
  stroke-width: 11;
}
</style>
