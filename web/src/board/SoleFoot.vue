<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatLength, trimmed } from '@level-stance/core/kernel/entry'
import type { LengthUnit } from '@level-stance/core/kernel/entry'
import type { Side } from '@level-stance/core/kernel/sided'
import { heldInSlot, heldTurn, turnOfHeel } from '@level-stance/core/stations/feet/boardFoot'
import type { BoardFoot } from '@level-stance/core/stations/feet/boardFoot'
import { footFrameOf, footShapes } from '@level-stance/core/stations/feet/soleShapes'
import type { SoleView } from '@level-stance/core/stations/feet/soleShapes'
import { useSvgDrag } from '../kit/svgDrag.ts'
import { DrawnShapes } from './DrawnShapes.ts'

/**
 * One foot from above, to scale, about its pedal: the pedal's middle is the origin, y runs backward.
 * Over its drawing lie the two things a hand can move: the cleat, and the foot's direction.
 */
const props = defineProps<{ side: Side; foot: BoardFoot; unit: LengthUnit; movable: boolean; shows: SoleView }>()
const emit = defineEmits<{ aim: [setback: number]; turn: [toeOut: number] }>()

const pedal = ref<SVGGElement | null>(null)
const sole = ref<SVGGElement | null>(null)
const shapes = computed(() => footShapes(props.side, props.foot, props.shows))
const frame = computed(() => footFrameOf(props.side, props.foot))
const isDrawn = computed(() => props.foot.footLength !== null && props.foot.heelToMtp1 !== null)
const setbackNow = computed(() => props.foot.setbackNow ?? 0)
const turnHandle = computed(() => {
  const { turn, turnAim } = props.foot
  if (props.shows !== 'rotation' || turn === null) return null
  return { at: frame.value.heelAt(turnAim ?? turn, frame.value.axleFromHeel + 42), value: turnAim ?? turn }
})

const handleAt = computed(() => props.foot.aim ?? props.foot.setbackNow)
const mm = (value: number) => `${formatLength(value, props.unit)} ${props.unit}`
const degrees = (value: number) => `${trimmed(value, 1)}°`

// What a hand holds: the value under it less that of the handle.
const { dragging: isAiming, vDrag: vAim } = useSvgDrag(
  () => sole.value,
  (at) => (props.movable && handleAt.value !== null ? setbackNow.value + at.y - handleAt.value : null),
  (at, grab) => {
    const setback = heldInSlot(setbackNow.value + at.y - grab, props.foot.slot)
    if (setback !== props.foot.aim) emit('aim', setback)
  },
)
const { dragging: isTurning, vDrag: vTurn } = useSvgDrag(
  () => pedal.value,
  (at) => (props.movable && turnHandle.value !== null ? turnOfHeel(at.x, at.y, frame.value.outward) - turnHandle.value.value : null),
  (at, grab) => {
    const turn = heldTurn(turnOfHeel(at.x, at.y, frame.value.outward) - grab, props.foot.turnRoom)
    if (turn !== (props.foot.turnAim ?? props.foot.turn)) emit('turn', turn)
  },
)

function nudge(event: KeyboardEvent): void {
  const by = { ArrowUp: -1, ArrowDown: 1, PageUp: -5, PageDown: 5 }[event.key]
  if (!props.movable || by === undefined || handleAt.value === null) return
  event.preventDefault()
  emit('aim', heldInSlot(handleAt.value + (event.shiftKey ? by / 2 : by), props.foot.slot))
}
function nudgeTurn(event: KeyboardEvent): void {
  const by = { ArrowUp: 0.5, ArrowRight: 0.5, ArrowDown: -0.5, ArrowLeft: -0.5, PageUp: 2, PageDown: -2 }[event.key]
  if (!props.movable || by === undefined || turnHandle.value === null) return
  event.preventDefault()
  emit('turn', heldTurn(turnHandle.value.value + by, props.foot.turnRoom))
}
</script>

<template>
  <g ref="pedal" :class="side">
    <DrawnShapes :shapes="shapes" />
    <template v-if="isDrawn">
      <g ref="sole" :transform="`rotate(${frame.turned})`">
        <g
          v-if="handleAt !== null"
          v-aim
          class="handle along"
          :class="{ movable, active: isAiming }"
          role="slider"
          :tabindex="movable ? 0 : -1"
          :aria-label="`Cleat to try, ${side}`"
          aria-orientation="vertical"
          :aria-valuemin="foot.slot?.foremost ?? -30"
          :aria-valuemax="foot.slot?.rearmost ?? 90"
          :aria-valuenow="handleAt"
          :aria-valuetext="`${mm(handleAt)} behind the ball`"
          :aria-disabled="!movable"
          @keydown="nudge"
        >
          <rect class="reach" x="-30" :y="frame.axleY(handleAt) - 34" width="60" height="64" />
        </g>
      </g>
      <g
        v-if="turnHandle"
        v-turn
        class="handle"
        :class="{ movable, active: isTurning }"
        role="slider"
        :tabindex="movable ? 0 : -1"
        :aria-label="`Foot’s direction to try, ${side}`"
        :aria-valuemin="foot.turnRoom.low"
        :aria-valuemax="foot.turnRoom.high"
        :aria-valuenow="turnHandle.value"
        :aria-valuetext="`toes ${degrees(Math.abs(turnHandle.value))} ${turnHandle.value < 0 ? 'in' : 'out'}`"
        :aria-disabled="!movable"
        @keydown="nudgeTurn"
      >
        <line class="lever" x1="0" y1="0" :x2="turnHandle.at.x" :y2="turnHandle.at.y" />
        <circle class="reach round" :cx="turnHandle.at.x" :cy="turnHandle.at.y" r="21" />
        <circle class="knob" :cx="turnHandle.at.x" :cy="turnHandle.at.y" r="10" />
      </g>
    </template>
  </g>
</template>

<style scoped>
.reach {
  fill: transparent;
}
.handle.movable {
  cursor: grab;
}
.handle.along.movable {
  cursor: ns-resize;
}
.handle:focus-visible {
  outline: none;
}
.handle:focus-visible .reach {
  stroke: var(--petrol);
  stroke-width: 2;
}
.lever {
  stroke: var(--petrol);
  stroke-width: 1;
  stroke-dasharray: 2 3;
}
.knob {
  fill: var(--panel);
  stroke: var(--petrol);
  stroke-width: 2.5;
}
.active .knob {
  fill: var(--petrol);
}
</style>
