<script setup lang="ts">
import { computed } from 'vue'
import { lengthWords } from '@level-stance/core/kernel/entry'
import { usePreferences } from '../../../data/preferences.ts'
import { useBoard } from '../../../data/board.ts'
import { useVisit } from '../../../data/visit.ts'
import { useHands } from '../../useHands.ts'

/** Shoulders and bar from the front, to scale: the acromia dropped onto the bar, hands, and the width asked for. */
const visit = useVisit()
const hands = useHands()
const board = useBoard()
const preferences = usePreferences()
const width = computed(() => hands.parts.width)
const flat = computed(() => visit.bar === 'flat')
const moved = computed(() => board.aimed('barWidth', 'both') + board.aimed('gripSpacing', 'both'))
const now = computed(() => width.value.now?.value ?? null)
const spacing = computed(() => (width.value.spacing === null ? null : width.value.spacing + moved.value))
const shoulders = computed(() => visit.setup.now.acromionWidth.left?.value ?? null)
const bar = computed(() => (now.value === null ? null : now.value + moved.value))
const span = computed(() => Math.max(bar.value ?? 0, spacing.value ?? 0, width.value.asked?.target.high ?? 0, 500) * 1.12)
const [WIDTH, HEIGHT] = [480, 420]
const x = (across: number) => WIDTH / 2 + (across / span.value) * WIDTH
const TOP = 92
const BAR = 300
const shown = (mm: number) => lengthWords(mm, preferences.unit)
const words = computed(() => {
  const said = [
    shoulders.value === null ? 'shoulders not read' : `shoulders ${shown(shoulders.value)}`,
    bar.value === null ? 'bar not read' : `bar ${shown(bar.value)}`,
    spacing.value === null ? '' : `hands ${shown(spacing.value)} apart`,
  ]
  return `From the front: ${said.filter((one) => one !== '').join(', ')}`
})
</script>

<template>
  <section class="front">
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="words" data-testid="bar-front">
      <template v-if="width.asked">
        <rect
          v-for="sign in [-1, 1]"
          :key="sign"
          :x="Math.min(x((sign * width.asked.target.low) / 2), x((sign * width.asked.target.high) / 2))"
          :y="BAR - 26"
          :width="Math.abs(x(width.asked.target.high / 2) - x(width.asked.target.low / 2))"
          height="52"
          class="asked"
        />
      </template>
      <circle :cx="WIDTH / 2" :cy="TOP - 46" r="34" class="body" />
      <path
        v-if="shoulders !== null"
        :d="`M${x(-shoulders / 2)} ${TOP} Q${WIDTH / 2} ${TOP - 34} ${x(shoulders / 2)} ${TOP} L${x(shoulders * 0.36)} ${BAR + 60} L${x(-shoulders * 0.36)} ${BAR + 60} Z`"
        class="body"
      />
      <template v-if="spacing !== null && shoulders !== null">
        <path
          v-for="sign in [-1, 1]"
          :key="sign"
          :d="`M${x((sign * shoulders) / 2)} ${TOP + 8} Q${x(sign * (Math.max(spacing, shoulders) / 2 + 60))} ${TOP + 110} ${x((sign * spacing) / 2)} ${BAR}`"
          class="limb"
        />
      </template>
      <line v-if="bar !== null" :x1="x(-bar / 2)" :x2="x(bar / 2)" :y1="BAR" :y2="BAR" class="bar" />
      <line
        v-if="bar !== null && now !== null && moved !== 0"
        :x1="x(-now / 2)"
        :x2="x(now / 2)"
        :y1="BAR + 16"
        :y2="BAR + 16"
        class="before"
      />
      <template v-if="shoulders !== null">
        <g v-for="sign in [-1, 1]" :key="sign">
          <line :x1="x((sign * shoulders) / 2)" :x2="x((sign * shoulders) / 2)" :y1="TOP" :y2="BAR + 40" class="drop" />
          <circle :cx="x((sign * shoulders) / 2)" :cy="TOP" r="5" class="joint" />
        </g>
        <text :x="WIDTH / 2" :y="TOP + 26" text-anchor="middle">shoulders {{ shown(shoulders) }}</text>
      </template>
      <g v-if="spacing !== null">
        <circle v-for="sign in [-1, 1]" :key="sign" :cx="x((sign * spacing) / 2)" :cy="BAR" r="13" class="hand" />
        <text :x="WIDTH / 2" :y="BAR + 60" text-anchor="middle">hands {{ shown(spacing) }} apart</text>
      </g>
      <text v-if="bar !== null" :x="WIDTH / 2" :y="BAR + 80" text-anchor="middle">
        {{ flat ? 'bar, end to end' : 'hoods, centre to centre' }} {{ shown(bar) }}
      </text>
    </svg>
    <p class="small muted">Dotted: the tips of the shoulders dropped onto the bar. Green: the width asked for.</p>
  </section>
</template>

<style scoped>
.front {
  display: grid;
  grid-template-rows: minmax(0, 1fr) auto;
  min-height: 0;
  padding: 6px 12px;
}
svg {
  width: 100%;
  height: 100%;
  min-height: 0;
}
.asked {
  fill: var(--glass);
}
.body {
  fill: var(--flesh);
}
.limb {
  fill: none;
  stroke: color-mix(in srgb, var(--flesh) 78%, var(--ink));
  stroke-width: 30;
  stroke-linecap: round;
}
.bar {
  stroke: var(--ink);
  stroke-width: 9;
  stroke-linecap: round;
}
.before {
  stroke: var(--steel);
  stroke-width: 4;
  stroke-dasharray: 6 5;
}
.drop {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 2 5;
}
.joint {
  fill: var(--panel);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.hand {
  fill: var(--panel);
  stroke: var(--petrol);
  stroke-width: 3;
}
text {
  fill: var(--ink);
  font-size: 15px;
}
</style>
