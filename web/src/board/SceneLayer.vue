<script setup lang="ts">
import { computed } from 'vue'
import { outline } from '@level-stance/core/bike/saddleShape'
import type { Scene } from '@level-stance/core/measure/scene'
import { footPath, legPath, pathOf, projections } from './views.ts'
import type { ViewKey } from './views.ts'

/** One state of rider and bike in one view: `now` with flesh and bike, `ghost` and `proposal` as lines. */
const props = defineProps<{ scene: Scene; view: ViewKey; look: 'now' | 'ghost' | 'proposal' }>()

const project = computed(() => projections[props.view])
const legs = computed(() => ({
  near: props.scene.legs.right,
  far: props.scene.legs.left,
}))
const paths = computed(() => {
  const { view, scene } = props
  const at = project.value
  const { near, far } = legs.value
  const shoulder = scene.trunk?.shoulder
  const arm = (side: 'left' | 'right') => {
    const bones = scene.arms?.[side]
    return bones ? pathOf([bones.shoulder, bones.elbow, bones.hand].map(at)) : ''
  }
  return {
    nearLeg: legPath(near, view),
    farLeg: legPath(far, view),
    nearFoot: footPath(near, view),
    farFoot: footPath(far, view),
    trunk: shoulder ? pathOf([at(scene.hip), at(shoulder)]) : '',
    shoulders: scene.arms ? pathOf([at(scene.arms.left.shoulder), at(scene.arms.right.shoulder)]) : '',
    hips: pathOf([at(near.hip), at(far.hip)]),
    nearArm: arm('right'),
    farArm: arm('left'),
  }
})
const frame = computed(() => props.scene.frame.map((line) => pathOf(line.map(project.value))).join(''))
/** From each knee straight down to its pedal's height: whether it travels over the foot. */
const plumbs = computed(() => {
  if (props.view !== 'front' || props.look !== 'now') return ''
  const { near, far } = legs.value
  return [near, far]
    .flatMap((leg) => (leg.knee ? [pathOf([project.value(leg.knee), project.value({ ...leg.knee, y: leg.axle.y })])] : []))
    .join('')
})
const bar = computed(() => props.scene.bar.map((line) => pathOf(line.map(project.value))).join(''))
const cranks = computed(() => {
  const at = project.value
  const { near, far } = legs.value
  const middle = (end: typeof near.crankEnd) => at({ x: 0, y: 0, z: end.z })
  return (
    pathOf([middle(near.crankEnd), at(near.crankEnd), at(near.axle)]) +
    pathOf([middle(far.crankEnd), at(far.crankEnd), at(far.axle)]) +
    pathOf([middle(near.crankEnd), middle(far.crankEnd)])
  )
})
const saddle = computed(() => {
  const { nose, line, width, shape } = props.scene.saddle
  const at = project.value
  if (props.view === 'side') return pathOf(line.map(at))
  const half = (width ?? shape.width) / 2
  const out = (p: typeof nose, z: number) => at({ ...p, z })
  if (props.view === 'front') return pathOf([out(nose, -half), out(nose, half)])
  const edge = outline(shape, 24).map(({ x, y }) => ({ p: { ...nose, x: nose.x - x }, z: y }))
  return `${pathOf([...edge.map(({ p, z }) => out(p, z)), ...edge.reverse().map(({ p, z }) => out(p, -z))])}Z`
})
const head = computed(() => {
  const { trunk } = props.scene
  return trunk && { ...project.value(trunk.head), r: trunk.headRadius }
})
const neck = computed(() => (props.scene.trunk ? pathOf([props.scene.trunk.shoulder, props.scene.trunk.head].map(project.value)) : ''))
const wheels = computed(() =>
  props.view === 'side' ? props.scene.wheels.map(({ centre, radius }) => ({ ...project.value(centre), r: radius ?? 18 })) : [],
)
const ground = computed(() => (props.view === 'top' ? null : props.scene.ground))
const joints = computed(() => {
  const { near, far } = legs.value
  const at = project.value
  const arms = props.scene.arms
  const both = props.view !== 'side'
  const points = [near.hip, near.knee, near.ankle, ...(both ? [far.hip, far.knee, far.ankle] : [])]
  if (arms)
    points.push(
      arms.right.shoulder,
      arms.right.elbow,
      arms.right.hand,
      ...(both ? [arms.left.shoulder, arms.left.elbow, arms.left.hand] : []),
    )
  return points.map(at)
})
const short = computed(
  () => !props.scene.armsReach || props.scene.legs.right.kneeFlexion === null || props.scene.legs.left.kneeFlexion === null,
)
</script>

<template>
  <g :class="[look, view, { short }]">
    <template v-if="look === 'now'">
      <line v-if="ground !== null" class="ground" x1="-2000" x2="2500" :y1="-ground" :y2="-ground" />
      <circle v-for="(wheel, i) in wheels" :key="i" class="wheel" :cx="wheel.x" :cy="wheel.y" :r="wheel.r" />
      <path class="flesh far" :d="paths.farLeg" />
      <path class="foot far" :d="paths.farFoot" />
      <path class="flesh thin far" :d="paths.farArm" />
      <path class="tube" :d="frame" />
      <path class="bar" :d="bar" />
      <path class="crank" :d="cranks" />
      <path class="flesh wide" :d="paths.trunk" />
      <path v-if="view !== 'side'" class="flesh" :d="paths.shoulders" />
      <path v-if="neck" class="flesh neck" :d="neck" />
      <circle v-if="head" class="head" :cx="head.x" :cy="head.y" :r="head.r" />
      <path class="flesh" :d="paths.nearLeg" />
      <path class="foot" :d="paths.nearFoot" />
      <path class="flesh thin" :d="paths.nearArm" />
    </template>
    <path class="saddle" :d="saddle" />
    <path v-if="look !== 'now'" class="bone" :d="cranks" />
    <path class="bone far" :d="paths.farLeg + paths.farArm" />
    <path class="bone" :d="paths.trunk + paths.nearLeg + paths.nearArm + (view === 'side' ? '' : paths.hips + paths.shoulders)" />
    <path v-if="plumbs" class="plumb" :d="plumbs" />
    <path v-if="look !== 'now'" class="sole" :d="paths.nearFoot + (view === 'side' ? '' : paths.farFoot)" />
    <template v-if="look === 'now'">
      <circle v-for="(joint, i) in joints" :key="i" class="joint" :cx="joint.x" :cy="joint.y" r="9" />
    </template>
  </g>
</template>

<style scoped>
g {
  fill: none;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.ground {
  stroke: var(--line);
  stroke-width: 3;
}
.wheel {
  stroke: var(--steel);
  stroke-width: 7;
  stroke-opacity: 0.6;
}
.tube {
  stroke: var(--steel);
  stroke-width: 15;
}
.bar {
  stroke: var(--steel);
  stroke-width: 13;
}
.crank {
  stroke: var(--ink);
  stroke-width: 11;
}
.flesh {
  stroke: var(--flesh);
  stroke-width: 78;
}
.flesh.wide {
  stroke-width: 138;
}
.flesh.neck {
  stroke-width: 64;
}
.flesh.thin {
  stroke-width: 56;
}
.front .flesh.wide,
.top .flesh.wide {
  stroke-width: 210;
}
.foot {
  fill: var(--flesh);
  stroke: var(--flesh);
  stroke-width: 20;
}
.side .flesh.far,
.side .foot.far {
  stroke: color-mix(in srgb, var(--flesh) 55%, var(--panel));
}
.side .foot.far {
  fill: color-mix(in srgb, var(--flesh) 55%, var(--panel));
}
.head {
  fill: var(--flesh);
}
.saddle {
  stroke: var(--ink);
  stroke-width: 15;
}
.top .saddle {
  stroke-width: 4;
  fill: var(--panel);
  fill-opacity: 0.25;
}
.bone {
  stroke: var(--ink);
  stroke-width: 5;
}
.side .bone.far {
  stroke-opacity: 0.3;
}
.joint {
  fill: var(--panel);
  stroke: var(--ink);
  stroke-width: 4;
}
.short .bone {
  stroke: var(--brick);
}
.ghost .bone,
.ghost .saddle,
.ghost .sole {
  stroke: var(--muted);
  stroke-width: 4;
  stroke-opacity: 0.45;
}
.side.ghost .bone.far,
.side.proposal .bone.far {
  stroke-opacity: 0.25;
}
.proposal .bone,
.proposal .saddle,
.proposal .sole {
  stroke: var(--petrol);
  stroke-width: 5.5;
  stroke-dasharray: 22 13;
  fill: none;
}
.proposal .saddle {
  stroke-width: 9;
}
.plumb {
  stroke: var(--petrol);
  stroke-width: 3;
  stroke-dasharray: 14 9;
}
</style>
