<script setup lang="ts">
import { computed } from 'vue'
import type { MetricKey } from '@level-stance/core/body/metrics'
import { metricEstimate } from '@level-stance/core/rider/metricEstimate'
import { kneeBand } from '@level-stance/core/rider/kneeAtBottom'
import type { Scene } from '@level-stance/core/model/scene'
import { useVisit } from '../data/visit.ts'
import { arcOf, minus, wedgeOf } from './views.ts'
import { projections } from '@level-stance/core/figure/views'
import type { Drawn } from '@level-stance/core/figure/shapes'
import type { ViewKey } from '@level-stance/core/figure/views'

/** Angles as arcs where they are, with the knee's target as a wedge near the bottom of the stroke. */
const props = defineProps<{ scene: Scene; view: ViewKey; crankAngle: number; perPixel: number }>()
const visit = useVisit()

/** The band of the knee that is drawn, by the way it was read. */
const knee = computed(() => kneeBand(visit.setup.now, 'right'))
/** Degrees that a reading lies over what can be drawn: the numbers say what was read. */
const over = (metric: MetricKey) => metricEstimate(visit.setup, metric, null)?.overModel ?? 0
const number = (value: number) => `${Math.round(value)}°`
const marks = computed(() => {
  const { scene } = props
  const at = projections.side
  const leg = scene.legs.right
  const [hip, knee, ankle] = [at(leg.hip), at(leg.knee), at(leg.ankle)]
  const found: { key: string; path: string; label: Drawn; text: string }[] = []
  if (leg.kneeFlexion !== null) {
    const arc = arcOf(knee, minus(knee, hip), minus(ankle, knee), 95, 1.5)
    found.push({ key: 'knee', ...arc, text: number(leg.kneeFlexion + over('kneeRight')) })
  }
  const { trunk, arms } = scene
  if (trunk && scene.armsReach) {
    const shoulder = at(trunk.shoulder)
    found.push({
      key: 'torso',
      ...arcOf(hip, { x: 1, y: 0 }, minus(shoulder, hip), 150, 1.32),
      text: number(trunk.torso + over('torso')),
    })
    if (arms) {
      const [elbow, hand] = [at(arms.right.elbow), at(arms.right.hand)]
      const upper = minus(elbow, at(arms.right.shoulder))
      const turned = minus(hand, elbow)
      found.push({ key: 'elbow', ...arcOf(elbow, upper, turned, 80, 1.6), text: bothBends(arms) })
      const flexion = Math.abs(angle(minus(hip, shoulder), minus(elbow, shoulder)))
      found.push({
        key: 'shoulder',
        ...arcOf(shoulder, minus(hip, shoulder), minus(elbow, shoulder), 95, 1.45),
        text: number(flexion + over('shoulderRight')),
      })
    }
  }
  return found
})
/** Where the shank would point inside the knee's band, while the crank is near the bottom. */
const band = computed(() => {
  const leg = props.scene.legs.right
  if (Math.abs(props.crankAngle - 180) > 12 || leg.kneeFlexion === null) return null
  const at = projections.side
  const thigh = minus(at(leg.knee), at(leg.hip))
  const straight = Math.atan2(thigh.y, thigh.x)
  const back = (flexion: number) => straight + (flexion * Math.PI) / 180
  return wedgeOf(at(leg.knee), back(knee.value.low), back(knee.value.high), 210)
})

function angle(a: Drawn, b: Drawn): number {
  return (Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y) * 180) / Math.PI
}

/** "31°", or "31°, left 35°" where the arms differ by a degree or more. */
function bothBends({ left, right }: NonNullable<Scene['arms']>): string {
  const [l, r] = [bend(left) + over('elbowLeft'), bend(right) + over('elbowRight')]
  return Math.abs(l - r) < 1 ? number(r) : `${number(r)}, left ${number(l)}`
}

/** True bend of the elbow in space, degrees. */
function bend(arm: NonNullable<Scene['arms']>['right']): number {
  const { shoulder: s, elbow: e, hand: h } = arm
  const [ux, uy, uz] = [e.x - s.x, e.y - s.y, e.z - s.z]
  const [fx, fy, fz] = [h.x - e.x, h.y - e.y, h.z - e.z]
  const cosine = (ux * fx + uy * fy + uz * fz) / (Math.hypot(ux, uy, uz) * Math.hypot(fx, fy, fz))
  return (Math.acos(Math.min(1, Math.max(-1, cosine))) * 180) / Math.PI
}
</script>

<template>
  <g v-if="view === 'side'" aria-hidden="true">
    <path v-if="band" class="band" :d="band" />
    <line class="level" :x1="scene.hip.x" :y1="-scene.hip.y" :x2="scene.hip.x + 210" :y2="-scene.hip.y" />
    <g v-for="mark in marks" :key="mark.key">
      <path class="arc" :d="mark.path" />
      <text
        x="0"
        y="0"
        :transform="`translate(${mark.label.x} ${mark.label.y + 5 * perPixel})`"
        :style="{ fontSize: `${16 * perPixel}px`, strokeWidth: `${4 * perPixel}px` }"
        >{{ mark.text }}</text
      >
    </g>
  </g>
</template>

<style scoped>
.arc {
  fill: none;
  stroke: var(--ink);
  stroke-width: 5;
}
.level {
  stroke: var(--muted);
  stroke-width: 3;
  stroke-dasharray: 12 8;
}
.band {
  fill: var(--glass);
  fill-opacity: 0.75;
}
text {
  fill: var(--ink);
  font:
    600 16px 'Barlow Semi Condensed',
    sans-serif;
  text-anchor: middle;
  paint-order: stroke;
  stroke: var(--panel);
}
</style>
