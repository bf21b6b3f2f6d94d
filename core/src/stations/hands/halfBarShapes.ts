import { RADIANS } from '../../bike/contactPoints.ts'
import { rounded } from '../../figure/shapes.ts'
import { lineShape, pathShape } from '../../kernel/drawing.ts'
import type { Drawing, Drawn, Look, Shape } from '../../kernel/drawing.ts'
import { mm, msg } from '../../kernel/message.ts'
import type { Side } from '../../kernel/sided.ts'
import type { Setup } from '../../rider/setup.ts'
import { halfBarScene } from './halfBarScene.ts'
import type { HalfBarScene, SceneClamp } from './halfBarScene.ts'

const looks = {
  bar: { fill: 'steel' },
  grip: { fill: { of: 'ink', share: 0.78, with: 'panel' } },
  hand: { fill: 'flesh', stroke: 'steel' },
  index: { fill: 'flesh', stroke: 'petrol', width: 1.5 },
  blade: { stroke: 'ink', width: 9, isRound: true },
  paddle: { stroke: 'ink', strokeOpacity: 0.8, width: 7, isRound: true },
  want: { stroke: 'petrol', width: 2, dash: [5, 4] },
  hook: { stroke: 'brick', width: 2.5 },
  zone: { stroke: 'bubble', width: 6, isRound: true },
  chain: { stroke: 'ink', width: 1.2 },
} as const satisfies Readonly<Record<string, Look>>
const clampLooks: Readonly<Record<SceneClamp['key'], Look>> = {
  brake: { fill: 'ink' },
  shifter: { fill: 'ink', fillOpacity: 0.8 },
  remote: { fill: 'ink', fillOpacity: 0.6 },
}
const lettering = { fill: 'ink', size: 15, anchor: 'middle' } as const

const MARGIN = { x: 30, y: 112 } as const
const HEIGHT = 296
/** Of the middle, this much is shown before the bend, mm. */
const MIDDLE = 34
/** Half of a bar at its grips and in its middle, mm. */
const BAR = { arm: 11.1, middle: 14 } as const

/** Where a half of the bar lies in its drawing: the right half has the middle on its left, the left half is its mirror. */
export interface HalfBarFrame {
  readonly width: number
  readonly height: number
  /** the bar’s middle line where the drawing of it begins, and whether it runs to the left */
  readonly at: Drawn
  readonly isMirrored: boolean
  /** where the arm begins, and how far it is turned, degrees */
  readonly bend: Drawn
  readonly turn: number
  /** from mm from the bar’s end to the arm’s own x */
  readonly along: (fromEnd: number) => number
}

export function halfBarFrame({ straight, backsweep }: HalfBarScene, side: Side): HalfBarFrame {
  const width = MIDDLE + straight + 2 * MARGIN.x
  const isMirrored = side === 'left'
  return {
    width,
    height: HEIGHT,
    at: { x: isMirrored ? width - MARGIN.x : MARGIN.x, y: MARGIN.y },
    isMirrored,
    bend: { x: MIDDLE, y: 0 },
    turn: backsweep,
    along: (fromEnd) => straight - fromEnd,
  }
}

/** One half of a flat bar from above, to scale: grip, clamps, hand with finger and thumb, and the chain of lengths from its end. */
export function halfBarShapes(scene: HalfBarScene, side: Side): Shape[] {
  const { at, isMirrored, bend, turn } = halfBarFrame(scene, side)
  return [
    {
      key: 'half',
      kind: 'group',
      at,
      isMirrored,
      shapes: [
        pathShape('middle', looks.bar, rounded(0, -BAR.middle, MIDDLE + 2, 2 * BAR.middle, 0)),
        { key: 'arm', kind: 'group', at: bend, turn, shapes: armShapes(scene) },
      ],
    },
    ...labelShapes(scene, side),
  ]
}

function armShapes(scene: HalfBarScene): Shape[] {
  const { straight, grip, hand, finger, hook, reach, clamps, chain } = scene
  const at = (fromEnd: number) => straight - fromEnd
  const thick = grip.diameter
  const brake = clamps.find(({ key }) => key === 'brake')
  const mark = (key: string, look: Look, x: number, from: number, to: number) => lineShape(key, look, { x, y: from }, { x, y: to })
  return [
    pathShape('bar', looks.bar, rounded(-2, -BAR.arm, straight + 2, 2 * BAR.arm, 0)),
    pathShape('grip', looks.grip, rounded(at(grip.length), -thick / 2, grip.length, thick, 3)),
    ...(hand ? [handShape(hand, at(hand.at), thick)] : []),
    ...(brake && hook !== null ? [pathShape('blade', looks.blade, bladePath(at(brake.at), at(hook), reach))] : []),
    ...clamps.flatMap(({ key, at: stands, width, paddle }): Shape[] => [
      pathShape(`clamp ${key}`, clampLooks[key], rounded(at(stands) - width / 2, -18, width, 36, 2)),
      ...(paddle === null
        ? []
        : [pathShape(`paddle ${key}`, looks.paddle, `M${at(stands)} 17 Q${at(stands)} 40 ${at(paddle) - 6} 40 h14`)]),
    ]),
    ...(hand && finger !== null
      ? [
          pathShape(
            'index',
            looks.index,
            rounded(at(finger) - hand.breadth * 0.1, -reach - 14, hand.breadth * 0.2, reach + 14 + thick / 2, hand.breadth * 0.1),
          ),
          mark('want', looks.want, at(finger), -reach - 34, -20),
          lineShape('zone', looks.zone, { x: at(hand.zone.from), y: 52 }, { x: at(hand.zone.to), y: 52 }),
        ]
      : []),
    ...(hook === null ? [] : [mark('hook', looks.hook, at(hook), -reach - 26, -reach + 4)]),
    lineShape('chain', looks.chain, { x: at(0), y: 74 }, { x: at(straight), y: 74 }),
    mark('end', looks.chain, at(0), 68, 80),
    ...chain.map(({ key, to }) => mark(`mark ${key}`, looks.chain, at(to), 68, 80)),
  ]
}

/** Palm, three fingers round the grip, and the thumb under it. */
function handShape({ breadth, thumb }: NonNullable<HalfBarScene['hand']>, x: number, thick: number): Shape {
  const half = breadth / 2
  return {
    key: 'hand',
    kind: 'group',
    at: { x, y: 0 },
    shapes: [
      pathShape('palm', looks.hand, `M${half} ${thick / 2 - 6} q4 46 ${-half} 52 q${-half} 2 ${-half} -48 z`),
      ...[1, 2, 3].map((n) =>
        pathShape(
          `finger ${n}`,
          looks.hand,
          rounded(breadth * (n * 0.23 - 0.22), -thick / 2 - 8, breadth * 0.21, thick + 10, breadth * 0.1),
        ),
      ),
      pathShape('thumb', looks.hand, rounded(-half - thumb * 0.6, thick / 2 - 4, thumb * 0.75, 17, 8)),
    ],
  }
}

const bladePath = (from: number, to: number, reach: number) =>
  `M${from} -16 C${from} ${-reach - 24} ${from + 20} ${-reach - 22} ${to - 10} ${-reach - 12} q12 2 12 16`

/** What each mark of the chain is, and how far it lies from the end. Short stretches lie close together: their words stand under one another, the outer one lower, as the arm falls. */
function labelShapes(scene: HalfBarScene, side: Side): Shape[] {
  const { width, along, isMirrored } = halfBarFrame(scene, side)
  return scene.chain.map(({ key, label, from, to }, i): Shape => {
    const middle = along((from + to) / 2)
    const x = MARGIN.x + MIDDLE + middle
    const y = MARGIN.y + 92 + middle * scene.backsweep * RADIANS + (3 - (i % 4)) * 14
    return { key: `label ${key}`, kind: 'text', lettering, at: { x: isMirrored ? width - x : x, y }, text: msg`${label} ${mm(to)}` }
  })
}

/** One half of a flat bar to keep, as it stands; null while it cannot be drawn. */
export function halfBarPicture(setup: Setup, side: Side, title: string): Drawing | null {
  const scene = halfBarScene(setup, side, { aimed: () => 0, handIn: 0 })
  if ('missing' in scene) return null
  const { width, height } = halfBarFrame(scene, side)
  return { title, box: { x: 0, y: 0, width, height }, shapes: halfBarShapes(scene, side) }
}
