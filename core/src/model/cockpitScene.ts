import type { DrawnBar } from '../bike/bikeKinds.ts'
import { itemAt } from '../kernel/dense.ts'
import { keysOf, tableOf } from '../kernel/tables.ts'
import { bendPoint, dropGrip, extensionGrip, flatGripAxis, rolled } from '../bike/cockpit.ts'
import { RADIANS } from '../bike/contactPoints.ts'
import type { Point, Point3 } from '../bike/contactPoints.ts'
import { bySide } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { definitionOf } from '../readings/readingDefinitions.ts'
import type { NumberKey } from '../readings/readingDefinitions.ts'
import { dropBarOf } from './riderModel.ts'
import type { ModelValues } from './riderModel.ts'
import type { MovedBy } from '../readings/movedBy.ts'

type Line = readonly Point3[]
/** Bar and what is clamped to it, in space, both halves: for drawing. What is not known is left out or as usual. */
export interface SceneCockpit {
  readonly bar: readonly Line[]
  /** what the hands lie on: closed outlines seen from the side */
  readonly hoods: readonly Line[]
  readonly blades: readonly Line[]
  readonly grips: readonly Line[]
  readonly extensions: readonly Line[]
  readonly pads: readonly Line[]
}
export const noCockpit: SceneCockpit = { bar: [], hoods: [], blades: [], grips: [], extensions: [], pads: [] }

/** Sizes that are drawn where they are not read, mm and degrees. @source prior */
const USUAL = { gripLength: 130, leverReach: 70, leverAngle: 35, leverHook: 66, leverClamp: 10 } as const
/** A hood from the side, from the bar's middle under its clamp, hood level, forward and up, mm. @source prior */
const HOOD: readonly Point[] = [
  { x: -14, y: 8 },
  { x: -2, y: 20 },
  { x: 14, y: 27 },
  { x: 44, y: 31 },
  { x: 66, y: 48 },
  { x: 82, y: 66 },
  { x: 96, y: 62 },
  { x: 98, y: 40 },
  { x: 86, y: 12 },
  { x: 56, y: -4 },
  { x: 16, y: -16 },
]
const HOOD_BLADE: readonly Point[] = [
  { x: 88, y: 22 },
  { x: 94, y: -10 },
  { x: 84, y: -52 },
  { x: 60, y: -90 },
  { x: 46, y: -102 },
]
/** Half a forearm pad, mm. @source prior */
const PAD_HALF = 48

/** Bar, hoods or grips, levers and extensions about the stem's clamp. */
export function cockpitScene(values: ModelValues, bar: DrawnBar, by: MovedBy, clamp: Point): SceneCockpit {
  const roll = (values.barRoll.right ?? 0) + by('barRoll', 'both')
  const placed = (line: Line, side: Side): Line =>
    line.map((p) => {
      const turned = rolled(p, roll)
      return { x: clamp.x + turned.x, y: clamp.y + turned.y, z: side === 'right' ? p.z : -p.z }
    })
  const made = bySide((side): SceneCockpit => {
    const half = halves[bar](values, by, side)
    return tableOf(keysOf(half), (key) => half[key].map((line) => placed(line, side)))
  })
  const both = (key: keyof SceneCockpit) => [...made.right[key], ...made.left[key]]
  return {
    bar: both('bar'),
    hoods: both('hoods'),
    blades: both('blades'),
    grips: both('grips'),
    extensions: both('extensions'),
    pads: both('pads'),
  }
}

/** A setting as it stands on a side; null = not known. */
const standing = (values: ModelValues, by: MovedBy, side: Side) => (key: NumberKey) => {
  const value = values[key][side]
  return value === null ? null : value + by(key, definitionOf(key).sided ? side : 'both')
}

/** From the clamp, roll 0, as a right half. */
function flatHalf(values: ModelValues, by: MovedBy, side: Side): SceneCockpit {
  const get = standing(values, by, side)
  const width = get('barWidth')
  if (width === null) return noCockpit
  const axis = flatGripAxis({ barBacksweep: get('barBacksweep') ?? 0, barUpsweep: get('barUpsweep') ?? 0, barRoll: 0 })
  const bend = { x: get('barForward') ?? 0, y: get('barRise') ?? 0, z: get('barBend') ?? 0 }
  /** so far from the end, along the arm */
  const perUnit = (width / 2 - bend.z) / axis.z
  const at = (fromEnd: number): Point3 => {
    const along = perUnit - fromEnd
    return { x: bend.x + along * axis.x, y: bend.y + along * axis.y, z: bend.z + along * axis.z }
  }
  const grip = get('gripLength') ?? USUAL.gripLength
  const lever = grip + (get('leverClamp') ?? USUAL.leverClamp)
  const hook = at(lever - (get('leverHook') ?? USUAL.leverHook))
  const fall = (get('leverAngle') ?? USUAL.leverAngle) * RADIANS
  const reach = get('leverReach') ?? USUAL.leverReach
  const out = (p: Point3, distance: number): Point3 => ({ ...p, x: p.x + distance * Math.cos(fall), y: p.y - distance * Math.sin(fall) })
  return {
    ...noCockpit,
    bar: [[{ x: 0, y: 0, z: 0 }, { x: 0, y: 0, z: Math.min(35, bend.z) }, bend, at(0)]],
    grips: [[at(grip), at(0)]],
    blades: [[at(lever), out(at(lever), reach * 0.75), out(hook, reach)]],
  }
}

function dropHalf(values: ModelValues, by: MovedBy, side: Side): SceneCockpit {
  const get = standing(values, by, side)
  const drop = dropBarOf(values, by, side)
  const z = drop.hoodWidth / 2
  const start = bendPoint(drop, 0)
  const flare = Math.tan(drop.barFlare * RADIANS)
  const bends = [20, 40, 60, 80, 100, 120, 140, 160, 180].map((angle): Point3 => {
    const p = bendPoint(drop, angle)
    return { ...p, z: z + flare * Math.max(0, start.y - p.y) }
  })
  const low = itemAt(bends, bends.length - 1)
  const bar: Line = [{ x: 0, y: 0, z: 0 }, { x: 0, y: 0, z: z - 20 }, { ...start, z }, ...bends, { ...low, x: low.x - drop.barReach * 0.8 }]
  // The hood lies on the bend where it is clamped, turned as its hollow is.
  const foot = bendPoint(drop, drop.hoodPosition)
  const { pointing } = dropGrip({ ...drop, barRoll: 0 }, 'hoods')
  const slope = pointing === null ? 0 : Math.atan2(pointing.y, Math.hypot(pointing.x, pointing.z))
  const inward = Math.tan(drop.hoodAngle * RADIANS)
  const onHood = ({ x, y }: Point): Point3 => {
    const ahead = x * Math.cos(slope) - y * Math.sin(slope)
    return { x: foot.x + ahead, y: foot.y + x * Math.sin(slope) + y * Math.cos(slope), z: z - ahead * inward }
  }
  return { ...noCockpit, bar: [bar], hoods: [HOOD.map(onHood)], blades: [HOOD_BLADE.map(onHood)], ...extensionHalf(get) }
}

/** Base bar: a wing out to the horns, which lie along the hands; brake levers at their tips. */
function baseHalf(values: ModelValues, by: MovedBy, side: Side): SceneCockpit {
  const drop = dropBarOf(values, by, side)
  const { at, pointing } = dropGrip({ ...drop, barRoll: 0 }, 'hoods')
  const slope = pointing === null ? 0 : Math.atan2(pointing.y, Math.hypot(pointing.x, pointing.z))
  const along = (ahead: number, below: number): Point3 => ({
    x: at.x + ahead * Math.cos(slope) + below * Math.sin(slope),
    y: at.y + ahead * Math.sin(slope) - below * Math.cos(slope),
    z: at.z,
  })
  const wing: Line = [{ x: 0, y: 0, z: 0 }, { x: 0, y: 0, z: at.z - 40 }, { x: 10, y: 0, z: at.z - 8 }, along(-40, 0), along(60, 0)]
  return {
    ...noCockpit,
    bar: [wing],
    grips: [[along(-45, 0), along(48, 0)]],
    blades: [[along(62, 0), along(66, 24), along(40, 62), along(14, 84)]],
    ...extensionHalf(standing(values, by, side)),
  }
}
const halves = { flat: flatHalf, drop: dropHalf, base: baseHalf } as const

/** Pad and extension of one side; nothing where their places are not known. */
function extensionHalf(get: (key: NumberKey) => number | null): Pick<SceneCockpit, 'extensions' | 'pads'> {
  const [padForward, padUp, padSpacing, extensionLength] = [get('padForward'), get('padUp'), get('padSpacing'), get('extensionLength')]
  if (padForward === null || padUp === null || padSpacing === null || extensionLength === null) return { extensions: [], pads: [] }
  const { pad, at } = extensionGrip({ padForward, padUp, padSpacing, extensionLength, extensionAngle: get('extensionAngle') ?? 0 })
  const under = { ...pad, y: pad.y - 34 }
  return {
    extensions: [[{ ...under, x: under.x - 30 }, under, { ...at, y: at.y - 20, x: at.x - 60 }, at]],
    pads: [
      [
        { ...pad, x: pad.x - PAD_HALF, y: pad.y - 12 },
        { ...pad, x: pad.x + PAD_HALF, y: pad.y - 12 },
      ],
    ],
  }
}
