import { setupOf } from '../../rider/setup.ts'
import type { Setup } from '../../rider/setup.ts'
import { judgePage } from '../../station/station.ts'
import type { PageJudgement } from '../../station/station.ts'
import { contextAt, readingsWith } from '../../testing.ts'
import type { HandsChoices } from './choices.ts'
import { handsParts, handsStation } from './station.ts'
import type { HandsPageKey } from './station.ts'

/** A flat bar with its controls and the hands that hold it, to lay over the example rider; made up. */
export const flatBar = {
  frameReach: 430,
  frameStack: 600,
  headAngle: 67,
  headset: 12,
  spacers: 20,
  spacersAbove: 10,
  stemLength: 50,
  stemAngle: 6,
  barWidth: 780,
  barRise: 20,
  barForward: 0,
  barBacksweep: 8,
  barUpsweep: 5,
  barBend: 80,
  handFromEnd: [60, 60],
  barRoll: 0,
  handBreadth: [84, 84],
  handLength: [185, 185],
  indexFinger: [70, 70],
  thumbLength: [60, 60],
  gripLength: [132, 132],
  leverClamp: [10, 10],
  leverHook: [66, 66],
  brakeClampWidth: [14, 14],
  leverReach: [75, 75],
  leverAngle: [36, 36],
  forearmReady: [36, 36],
  shifterPlace: 'inside',
  shifterClamp: [30, 30],
  shifterClampWidth: [14, 14],
  shifterPaddle: [30, 30],
  gripDiameter: [36, 36],
  handSweep: [9, 9],
  handRise: [6, 6],
  handReach: 470,
  handHeight: 700,
  gripSpacing: 656,
} as const

/** A drop bar with its levers and the hands that hold it; made up. */
export const dropBar = {
  hoodWidth: 420,
  hoodPosition: [45, 45],
  hoodAngle: [2, 2],
  barReach: 75,
  barDrop: 120,
  barRoll: 0,
  stemLength: 100,
  frameReach: 400,
  frameStack: 560,
  headAngle: 73,
  headset: 10,
  spacers: 10,
  spacersAbove: 10,
  stemAngle: -6,
  dropWidth: 430,
  leverReach: [72, 72],
  indexFinger: [70, 70],
  gripDiameter: [33, 33],
  handLength: [185, 185],
} as const

export type Over = Parameters<typeof readingsWith>[0]

export function setup(over: Over = {}, bar: 'flat' | 'drop' = 'flat'): Setup {
  return setupOf(readingsWith(bar === 'flat' ? { ...flatBar, ...over } : over), [], bar)
}
export function judged(page: HandsPageKey, of: Setup, choices: HandsChoices = {}, plusMinus = 3): PageJudgement {
  const kind = of.rider.bar === 'flat' ? 'trail' : 'drop bar'
  const parts = handsParts({ ...contextAt(of, { kind, plusMinus: () => plusMinus }), choices })
  return judgePage(handsStation.pages[page] as never, parts)
}
export const partsAt = (of: Setup) => handsParts({ ...contextAt(of, { kind: 'drop bar', plusMinus: () => 3 }), choices: {} })
export const weights = ({ findings }: PageJudgement) => Object.fromEntries(findings.map(({ key, weight }) => [key, weight]))

/** A drop bar with extensions. */
export const extensionBar: Over = {
  frameReach: 400,
  frameStack: 560,
  headAngle: 73,
  headset: 10,
  spacers: 10,
  stemLength: 90,
  stemAngle: -6,
  hoodWidth: 400,
  barReach: 75,
  barDrop: 120,
  hoodPosition: [45, 45],
  padForward: 40,
  padUp: 60,
  padSpacing: 220,
  extensionLength: 290,
  extensionAngle: 8,
}
