import { trimmed } from '../../kernel/entry.ts'
import { lineShape, pathShape } from '../../kernel/drawing.ts'
import type { Drawing, Drawn, Lettering, Look, Shape } from '../../kernel/drawing.ts'
import { mm, msg } from '../../kernel/message.ts'
import type { Message } from '../../kernel/message.ts'
import type { Side } from '../../kernel/sided.ts'
import type { SettingKey } from '../../ledger/settings.ts'
import { standsAt } from '../../readings/resolve.ts'
import type { Setup } from '../../rider/setup.ts'
import { USUAL_HAND } from './halfBarScene.ts'
import { forearmNow, hooksAt, leverAngleNow } from './levers/readings.ts'

const looks = {
  arm: { stroke: 'flesh', width: 62, isRound: true },
  palm: { stroke: 'flesh', width: 50, isRound: true },
  fingers: { fill: 'flesh' },
  grip: { fill: { of: 'ink', share: 0.78, with: 'panel' } },
  bar: { fill: 'steel' },
  line: { stroke: 'ink', width: 1.5, dash: [2, 4] },
  blade: { stroke: 'ink', width: 12, isRound: true },
  finger: { stroke: { of: 'flesh', share: 0.78, with: 'ink' }, strokeOpacity: 0.9, width: 17, isRound: true },
  reach: { stroke: 'petrol', width: 2, dash: [6, 4] },
} as const satisfies Readonly<Record<string, Look>>
const lettering = { fill: 'ink', size: 17 } as const satisfies Lettering

/** Half a bar at its grips, mm. */
const BAR = 11.1
/** Of the drawing: its size, the grip’s middle in it, and its unit over mm. */
export const handFrame = { width: 430, height: 240, grip: { x: 196, y: 112 }, scale: 1.15 } as const

/** One hand from the side in the ready position; degrees below level and mm. */
export interface HandScene {
  readonly forearm: { readonly below: number; readonly isRead: boolean }
  /** lever below level, with what is asked for; null = not read */
  readonly lever: number | null
  /** of the lever from the bar, with what is asked for; as is usual where it was not read */
  readonly reach: number
  readonly isReachRead: boolean
  readonly gripRadius: number
  /** where the finger hooks, from the bar; null = not known */
  readonly hooks: { readonly at: number; readonly isTried: boolean } | null
}

/** @param aimed what is asked for and not on the bike yet */
export function handSceneOf(setup: Setup, side: Side, aimed: (setting: SettingKey, side: Side | 'both') => number): HandScene {
  const forearm = forearmNow(setup)[side]
  const lever = leverAngleNow(setup, side)
  const hooks = hooksAt(setup, side)
  const value = (key: 'leverReach' | 'gripDiameter') => standsAt(setup.now, key, side)?.value
  return {
    forearm: { below: forearm.value, isRead: forearm.by === 'reading' },
    lever: lever === null ? null : lever.value + aimed('leverAngle', side) + aimed('barRoll', 'both'),
    reach: (value('leverReach') ?? USUAL_HAND.reach) + aimed('leverReach', side),
    isReachRead: value('leverReach') !== undefined,
    gripRadius: (value('gripDiameter') ?? USUAL_HAND.grip) / 2,
    hooks: hooks && { at: hooks.value, isTried: hooks.isTried },
  }
}

/** A place so far from the grip’s middle, mm, at an angle below level. */
function placeAt(below: number, distance: number): Drawn {
  const angle = (below * Math.PI) / 180
  const { grip, scale } = handFrame
  return { x: grip.x + scale * distance * Math.cos(angle), y: grip.y + scale * distance * Math.sin(angle) }
}

/** Where the lever’s end is drawn: what a hand can turn. */
export const leverEnd = ({ lever, reach }: HandScene): Drawn | null => (lever === null ? null : placeAt(lever, BAR + reach))

const said = ({ x, y }: Drawn) => `${x} ${y}`

/** One hand from the side: forearm, wrist, grip, blade, and how far the finger hooks. */
export function handShapes(scene: HandScene): Shape[] {
  const { forearm, lever, reach, isReachRead, gripRadius: radius, hooks } = scene
  const { grip, height, scale } = handFrame
  const fall = (forearm.below * Math.PI) / 180
  const wrist = { x: grip.x - 62, y: grip.y - 24 }
  const elbow = { x: wrist.x - 150 * Math.cos(fall), y: wrist.y - 150 * Math.sin(fall) }
  const far = { x: elbow.x + 440 * Math.cos(fall), y: elbow.y + 440 * Math.sin(fall) }
  const circle = (key: string, look: Look, r: number): Shape => ({ key, kind: 'circle', look, at: grip, r: scale * r })
  const words = (key: string, at: Drawn, text: Message): Shape => ({ key, kind: 'text', lettering, at, text })
  const est = (isKnown: boolean) => (isKnown ? '' : ' est.')
  const end = leverEnd(scene)
  return [
    lineShape('arm', looks.arm, elbow, wrist),
    lineShape('palm', looks.palm, wrist, { x: grip.x - 8, y: grip.y - scale * radius * 0.4 }),
    circle('fingers', looks.fingers, radius + 9),
    circle('grip', looks.grip, radius),
    circle('bar', looks.bar, BAR),
    lineShape('forearm', looks.line, elbow, far),
    words('forearm angle', { x: 8, y: height - 30 }, `forearm ${trimmed(forearm.below, 0)}°${est(forearm.isRead)}`),
    ...(lever === null || end === null
      ? [words('missing', { x: 12, y: height - 14 }, 'Lever angle is not read.')]
      : [
          ...leverShapes(lever, reach, radius, hooks?.at ?? null),
          words('lever angle', { x: end.x + 20, y: end.y - 4 }, `${trimmed(lever, 0)}° down`),
          words('lever reach', { x: end.x + 20, y: end.y + 14 }, msg`${mm(reach)} out${est(isReachRead)}`),
          ...(hooks ? [words('hooks', { x: 8, y: height - 10 }, msg`finger hooks at ${mm(hooks.at)}${est(hooks.isTried)}`)] : []),
        ]),
  ]
}

/** Blade and finger, bent toward the lever’s end, and the arc on which the finger hooks. */
function leverShapes(lever: number, reach: number, radius: number, hooks: number | null): Shape[] {
  const bent = (from: Drawn, over: Drawn, to: Drawn) => `M${said(from)} Q${said(over)} ${said(to)}`
  const shapes = [
    pathShape(
      'blade',
      looks.blade,
      bent(placeAt(lever - 24, radius + 6), placeAt(lever - 20, BAR + reach * 0.55), placeAt(lever, BAR + reach)),
    ),
    pathShape(
      'finger',
      looks.finger,
      bent(placeAt(lever - 62, radius + 9), placeAt(lever - 34, BAR + reach * 0.75), placeAt(lever - 4, BAR + reach + 5)),
    ),
  ]
  if (hooks === null) return shapes
  const [r, low, high] = [BAR + hooks, Math.max(-15, lever - 30), lever + 22]
  const round = handFrame.scale * r
  return [...shapes, pathShape('reach', looks.reach, `M${said(placeAt(low, r))} A${round} ${round} 0 0 1 ${said(placeAt(high, r))}`)]
}

/** One hand to keep, as its lever stands. */
export function handPicture(setup: Setup, side: Side, title: string): Drawing | null {
  const scene = handSceneOf(setup, side, () => 0)
  const { width, height } = handFrame
  return scene.lever === null ? null : { title, box: { x: 0, y: 0, width, height }, shapes: handShapes(scene) }
}
