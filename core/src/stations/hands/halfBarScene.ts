import type { SettingKey } from '../../ledger/settings.ts'
import type { Setup } from '../../rider/setup.ts'
import { standsAt } from '../../readings/resolve.ts'
import type { NumberKey, ReadingKey } from '../../readings/readingDefinitions.ts'
import type { Side } from '../../kernel/sided.ts'
import { straightPart } from './bar/room.ts'
import { hasControl } from './controls/inputs.ts'
import { thumbControlKeys, thumbControls } from './bar/pieces.ts'
import type { ThumbControl } from './bar/pieces.ts'
import { halfBar } from './bar/halfBar.ts'
import { INDEX_OFFSET } from './levers/rules.ts'
import { thumbZone } from './controls/shifters.ts'
import type { ThumbZone } from './controls/shifters.ts'

/** Sizes that are drawn where they are not read, mm. @source prior */
export const USUAL_HAND = { grip: 32, breadth: 84, thumb: 58, reach: 70, clamp: 14 } as const

/** A clamp that can be slid along the bar. */
export interface SceneClamp {
  readonly key: 'brake' | ThumbControl
  readonly label: string
  readonly setting: SettingKey & ('leverClamp' | 'shifterClamp' | 'remoteClamp')
  /** its middle, mm from the bar's end */
  readonly at: number
  readonly width: number
  /** where the thumb works it, mm from the bar's end; of the brake and where it is not read null */
  readonly paddle: number | null
}

/** A half of a flat bar from above, everything in mm along the arm from its end. */
export interface HalfBarScene {
  readonly straight: number
  readonly backsweep: number
  readonly grip: { readonly length: number; readonly diameter: number }
  readonly hand: { readonly at: number; readonly breadth: number; readonly thumb: number; readonly zone: ThumbZone } | null
  readonly finger: number | null
  readonly hook: number | null
  readonly reach: number
  readonly clamps: readonly SceneClamp[]
  /** from the end inward: what lies there, and where it ends */
  readonly chain: readonly { readonly key: string; readonly label: string; readonly from: number; readonly to: number }[]
}

/** What is about to be moved: asked for on the board, and the hand held elsewhere to see. */
export interface SceneMoves {
  readonly aimed: (setting: SettingKey, side: Side) => number
  /** hand further in than it rides, mm */
  readonly handIn: number
}

/**
 * Where everything on a half of a flat bar stands with what is asked for.
 * @returns the readings that lack where it cannot be drawn
 * @source geometry
 */
export function halfBarScene(
  setup: Pick<Setup, 'now'>,
  side: Side,
  { aimed, handIn }: SceneMoves,
): HalfBarScene | { readonly missing: readonly ReadingKey[] } {
  const value = (key: NumberKey) => standsAt(setup.now, key, side)?.value ?? null
  const bar = halfBar(setup)
  const grip = value('gripLength')
  if (bar.found === null || grip === null) return { missing: [...bar.missing, ...(grip === null ? (['gripLength'] as const) : [])] }
  const straight = straightPart(bar.found)
  const clampOf = (
    key: SceneClamp['key'],
    label: string,
    setting: SceneClamp['setting'],
    width: NumberKey,
    paddle: NumberKey | null,
  ): SceneClamp[] => {
    const fromGrip = value(setting)
    if (fromGrip === null) return []
    const at = grip + fromGrip + aimed(setting, side)
    const out = paddle === null ? null : value(paddle)
    return [{ key, label, setting, at, width: value(width) ?? USUAL_HAND.clamp, paddle: out === null ? null : at - out }]
  }
  const brake = clampOf('brake', 'brake', 'leverClamp', 'brakeClampWidth', null)
  const others = thumbControlKeys.flatMap((key) => {
    const { label, clamp, width, paddle } = thumbControls[key]
    return hasControl(setup, side, key) ? clampOf(key, label, clamp, width, paddle) : []
  })
  const rides = value('handFromEnd')
  const [breadth, thumb] = [value('handBreadth') ?? USUAL_HAND.breadth, value('thumbLength') ?? USUAL_HAND.thumb]
  const hand =
    rides === null
      ? null
      : { at: rides + handIn, breadth, thumb, zone: thumbZone({ handFromEnd: rides + handIn, handBreadth: breadth, thumbLength: thumb }) }
  const out = value('leverHook')
  const [brakeClamp] = brake
  const clamps = [...brake, ...others]
  return {
    straight,
    backsweep: bar.found.barBacksweep,
    grip: { length: grip, diameter: value('gripDiameter') ?? USUAL_HAND.grip },
    hand,
    finger: hand && hand.at + INDEX_OFFSET * breadth,
    hook: brakeClamp === undefined || out === null ? null : brakeClamp.at - out,
    reach: (value('leverReach') ?? USUAL_HAND.reach) + aimed('leverReach', side),
    clamps,
    chain: chainOf([
      ...(hand ? [{ key: 'hand', label: 'hand', to: hand.at }] : []),
      { key: 'grip', label: 'grip', to: grip },
      ...clamps.map(({ key, label, at }) => ({ key, label, to: at })),
      { key: 'bend', label: 'bend', to: straight },
    ]),
  }
}

/** Marks in their order from the end inward, each with the one before; what lies off the straight part is left out. */
function chainOf(marks: readonly { readonly key: string; readonly label: string; readonly to: number }[]): HalfBarScene['chain'] {
  const bend = marks.find(({ key }) => key === 'bend')?.to ?? 0
  const inward = marks.filter(({ to }) => to >= 0 && to <= bend).sort((a, b) => a.to - b.to)
  return inward.map((mark, i) => ({ ...mark, from: inward[i - 1]?.to ?? 0 }))
}
