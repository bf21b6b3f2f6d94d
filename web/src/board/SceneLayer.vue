<script setup lang="ts">
import { itemAt } from '@level-stance/core/kernel/dense'
import { computed } from 'vue'
import { outline } from '@level-stance/core/bike/saddleShape'
import type { Point3 } from '@level-stance/core/bike/contactPoints'
import type { Scene } from '@level-stance/core/model/scene'
import { silhouetteOf } from '@level-stance/core/figure/silhouette'
import { pathOf, smooth } from '@level-stance/core/figure/shapes'
import { footPath, legPath } from './views.ts'
import { projections } from '@level-stance/core/figure/views'
import type { ViewKey } from '@level-stance/core/figure/views'

/** One state of rider and bike in one view: `now` as a person on a bike, `ghost` and `proposal` as lines. */
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
const figure = computed(() => (props.look === 'now' ? silhouetteOf(props.scene, props.view) : null))
const frame = computed(() => props.scene.frame.map((line) => pathOf(line.map(project.value))).join(''))
/** From each knee straight down to its pedal's height: whether it travels over the foot. */
const plumbs = computed(() => {
  if (props.view !== 'front' || props.look !== 'now') return ''
  const { near, far } = legs.value
  return [near, far]
    .flatMap((leg) => (leg.knee ? [pathOf([project.value(leg.knee), project.value({ ...leg.knee, y: leg.axle.y })])] : []))
    .join('')
})
/** Lines of the cockpit in this view. */
const linesOf = (lines: readonly (readonly Point3[])[]) => lines.map((line) => pathOf(line.map(project.value))).join('')
const cockpit = computed(() => {
  const { bar, hoods, blades, grips, extensions, pads } = props.scene.cockpit
  const soft = (line: readonly Point3[]) => smooth(line.map(project.value))
  // A hood is a shape from the side; from elsewhere it is the width of a grip, from its back to its tip.
  const along = hoods.flatMap((line) => {
    const byReach = [...line].sort((a, b) => a.x - b.x)
    const [back, tip] = [byReach[0], byReach.at(-1)]
    return back && tip ? [[back, tip]] : []
  })
  const side = props.view === 'side'
  return {
    bar: linesOf(bar),
    hoods: side ? hoods.map(soft).join('') : '',
    grips: linesOf(side ? grips : [...grips, ...along]),
    blades: linesOf(blades),
    extensions: linesOf(extensions),
    pads: linesOf(pads),
  }
})
const stem = computed(() => (props.scene.stem ? pathOf(props.scene.stem.map(project.value)) : ''))
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
/** The saddle's body under its top line, from the side: share of the length from the nose, and depth, mm. */
const depths = [
  [0.02, 12],
  [0.12, 22],
  [0.45, 26],
  [0.75, 34],
  [0.97, 30],
] as const
const saddleBody = computed(() => {
  const { line } = props.scene.saddle
  if (props.view !== 'side' || props.look !== 'now') return ''
  const top = line.map(project.value)
  const under = depths.map(([share, depth]) => {
    const p = itemAt(top, Math.round(share * (top.length - 1)))
    return { x: p.x, y: p.y + depth }
  })
  return `${pathOf([...top, ...under.reverse()])}Z`
})
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
/** Every shape of the drawing, by what it looks like. */
const looks = {
  'far leg': 'flesh far',
  'far shoe': 'shoe far',
  'far arm': 'flesh far',
  tube: 'tube',
  crank: 'crank',
  stem: 'stem',
  bar: 'bar',
  blade: 'blade',
  hood: 'hood',
  grip: 'grip',
  pad: 'pad',
  torso: 'flesh',
  head: 'flesh',
  helmet: 'helmet',
  leg: 'flesh',
  shoe: 'shoe',
  sole: 'sole',
  arm: 'flesh arm',
} as const
type Shape = keyof typeof looks
/** What is drawn over what: from the side the far limbs lie behind the bike, from the front the bar before the trunk, from above the trunk over the legs. */
const orders: Readonly<Record<ViewKey, readonly Shape[]>> = {
  side: [
    'far leg',
    'far shoe',
    'far arm',
    'tube',
    'crank',
    'stem',
    'bar',
    'blade',
    'hood',
    'grip',
    'pad',
    'torso',
    'head',
    'helmet',
    'leg',
    'shoe',
    'sole',
    'arm',
  ],
  front: [
    'tube',
    'torso',
    'head',
    'helmet',
    'far leg',
    'leg',
    'crank',
    'far shoe',
    'shoe',
    'stem',
    'bar',
    'blade',
    'far arm',
    'arm',
    'grip',
    'pad',
  ],
  top: [
    'tube',
    'crank',
    'far shoe',
    'shoe',
    'far leg',
    'leg',
    'stem',
    'bar',
    'blade',
    'grip',
    'pad',
    'torso',
    'far arm',
    'arm',
    'head',
    'helmet',
  ],
}
const layers = computed(() => {
  if (figure.value === null) return []
  const { torso, head, helmet, near, far } = figure.value
  const { bar, extensions, blades, hoods, grips, pads } = cockpit.value
  const drawn: Readonly<Record<Shape, string>> = {
    'far leg': far.leg,
    'far shoe': far.shoe,
    'far arm': far.arm,
    tube: frame.value,
    crank: cranks.value,
    stem: stem.value,
    bar: bar + extensions,
    blade: blades,
    hood: hoods,
    grip: grips,
    pad: pads,
    torso,
    head,
    helmet,
    leg: near.leg,
    shoe: near.shoe,
    sole: near.sole,
    arm: near.arm,
  }
  return orders[props.view].flatMap((key) => (drawn[key] === '' ? [] : [{ key, look: looks[key], d: drawn[key] }]))
})
const short = computed(
  () => !props.scene.armsReach || props.scene.legs.right.kneeFlexion === null || props.scene.legs.left.kneeFlexion === null,
)
</script>

<template>
  <g :class="[look, view, { short }]">
    <template v-if="look === 'now'">
      <line v-if="ground !== null" class="ground" x1="-2000" x2="2500" :y1="-ground" :y2="-ground" />
      <template v-for="(wheel, i) in wheels" :key="i">
        <circle class="tyre" :cx="wheel.x" :cy="wheel.y" :r="Math.max(0, wheel.r - 14)" />
        <circle v-if="wheel.r > 60" class="rim" :cx="wheel.x" :cy="wheel.y" :r="wheel.r - 34" />
        <circle v-if="wheel.r > 60" class="hub" :cx="wheel.x" :cy="wheel.y" r="15" />
      </template>
      <circle v-if="view === 'side'" class="ring" cx="0" cy="0" r="82" />
      <path v-for="{ key, look: style, d } in layers" :key="key" :class="style" :d="d" />
    </template>
    <path v-if="saddleBody" class="saddle body" :d="saddleBody" />
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
.tyre {
  stroke: var(--steel);
  stroke-width: 28;
  stroke-opacity: 0.55;
}
.rim {
  stroke: var(--steel);
  stroke-width: 4;
  stroke-opacity: 0.5;
}
.hub {
  fill: var(--steel);
}
.tube {
  stroke: var(--steel);
  stroke-width: 24;
}
.stem {
  stroke: var(--ink);
  stroke-opacity: 0.75;
  stroke-width: 26;
}
.bar {
  stroke: var(--ink);
  stroke-opacity: 0.75;
  stroke-width: 20;
}
.blade {
  stroke: var(--ink);
  stroke-width: 10;
}
.hood {
  fill: color-mix(in srgb, var(--ink) 82%, var(--panel));
}
.grip {
  stroke: color-mix(in srgb, var(--ink) 82%, var(--panel));
  stroke-width: 30;
}
.pad {
  stroke: var(--ink);
  stroke-width: 18;
}
.ring {
  stroke: var(--steel);
  stroke-width: 9;
}
.crank {
  stroke: var(--ink);
  stroke-width: 11;
}
.flesh {
  fill: var(--flesh);
}
.side .flesh.arm {
  fill: color-mix(in srgb, var(--flesh) 94%, var(--ink));
}
.shoe,
.helmet {
  fill: color-mix(in srgb, var(--flesh) 84%, var(--ink));
}
.sole {
  stroke: var(--ink);
  stroke-width: 6;
}
.side .flesh.far {
  fill: color-mix(in srgb, var(--flesh) 55%, var(--panel));
}
.side .shoe.far {
  fill: color-mix(in srgb, var(--flesh) 75%, var(--panel));
}
.saddle {
  stroke: var(--ink);
  stroke-width: 15;
}
.saddle.body {
  fill: var(--ink);
  stroke-width: 6;
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
