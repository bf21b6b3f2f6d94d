import type { Complaint, ComplaintPlace } from '../talk/complaint.ts'
import { bodyRegion, bodyViewKeys } from '../talk/regions.ts'
import type { BodyRegionKey, BodyView } from '../talk/regions.ts'
import { standingOutline } from './standing.ts'
import { entriesOf } from '../kernel/tables.ts'

/** A place on a drawing: its outline, drawn for the half that lies at +x, and where its middle is. */
export interface PlaceShape {
  readonly path: string
  readonly at: readonly [x: number, y: number]
}

/** A drawing of the body: what is seen of it, and the places on it. The middle is at x = 0. */
export interface BodyDrawing {
  readonly width: number
  readonly height: number
  /** what the places are cut out of; places outside it do not show */
  readonly outline: readonly string[]
  /** where the rider's right is as one looks at it */
  readonly rightAt: 1 | -1
  readonly places: Readonly<Partial<Record<BodyRegionKey, PlaceShape>>>
}

const box = (x1: number, y1: number, x2: number, y2: number) => `M${x1} ${y1}H${x2}V${y2}H${x1}Z`
const place = (path: string, x: number, y: number): PlaceShape => ({ path, at: [x, y] })

/** Front and back are the figure of the board, standing. */
const standing = standingOutline()

/** Capsule standing on a point: fingers and toes. */
const finger = (x: number, top: number, bottom: number, half: number) =>
  `M${x - half} ${bottom} V${top + half} A${half} ${half} 0 0 1 ${x + half} ${top + half} V${bottom} Z`

export const bodyDrawings: Readonly<Record<BodyView, BodyDrawing>> = {
  front: {
    width: 170,
    height: 412,
    outline: standing,
    rightAt: -1,
    places: {
      head: place(box(-24, 6, 24, 61), 0, 36),
      chest: place('M-24 66 H24 V112 H47 V131 H-47 V112 H-24 Z', 0, 112),
      stomach: place('M-50 131 H50 V184 H19 V192 H-19 V184 H-50 Z', 0, 160),
      shoulder: place(box(24, 66, 64, 112), 42, 92),
      'upper-arm': place('M44 112 H74 V164 H50 Z', 57, 138),
      forearm: place('M50 164 H82 V207 H54 Z', 66, 187),
      wrist: place(box(56, 207, 86, 217), 70, 212),
      'hand-thumb': place(box(61, 217, 72.5, 256), 67, 234),
      'hand-little': place(box(72.5, 217, 82, 256), 77, 234),
      groin: place('M-19 192 H19 L13 221 H-13 Z', 0, 205),
      hip: place('M19 184 H52 V216 H14 L19 192 Z', 34, 200),
      'thigh-inner': place('M0 216 H14 L18.5 282 H0 Z', 10.5, 240),
      'thigh-front': place('M14 216 H52 V282 H18.5 Z', 30, 248),
      'knee-inner': place(box(14.5, 282, 21.5, 318), 18, 300),
      'knee-front': place(box(21.5, 282, 32.5, 318), 27, 300),
      'knee-outer': place(box(32.5, 282, 40, 318), 36, 300),
      shin: place(box(8, 318, 46, 376), 27, 345),
      forefoot: place(box(8, 376, 46, 406), 28, 391),
    },
  },
  back: {
    width: 170,
    height: 412,
    outline: standing,
    rightAt: 1,
    places: {
      neck: place(box(-20, 56, 20, 76), 0, 67),
      'upper-back': place('M-50 76 H50 V112 H44 V138 H-44 V112 H-50 Z', 0, 106),
      'low-back': place(box(-48, 138, 48, 186), 0, 164),
      'sit-bone': place(box(0, 186, 52, 222), 21, 206),
      hamstring: place(box(0, 222, 52, 286), 24, 254),
      'knee-back': place(box(8, 286, 46, 316), 27, 301),
      calf: place(box(8, 316, 46, 358), 27, 336),
      achilles: place(box(8, 358, 46, 380), 26, 369),
      heel: place(box(8, 380, 46, 406), 28, 392),
    },
  },
  palm: {
    width: 240,
    height: 170,
    outline: [],
    rightAt: 1,
    places: {
      'little-finger': place(finger(33, 44, 92, 7.5), 33, 66),
      'ring-finger': place(finger(50, 22, 90, 8), 50, 54),
      'middle-finger': place(finger(68, 12, 89, 8.5), 68, 50),
      'index-finger': place(finger(86, 24, 91, 8), 86, 56),
      thumb: place('M95.5 112 C100 99 105 90 109 84 C113 78 120 82 118 89 C115 102 109 117 99 134 L92 128 Z', 108, 101),
      'palm-little': place('M25.5 94 H59.5 V160 C48 162 36 158 31 148 C26 132 25.5 112 25.5 94 Z', 43, 126),
      'palm-thumb': place('M60.5 94 H94 C95 105 94 112 92 128 L98 135 C92 148 82 159 60.5 160 Z', 76, 128),
    },
  },
  sole: {
    width: 240,
    height: 200,
    outline: [],
    rightAt: 1,
    places: {
      'big-toe': place('M41 44 C36 34 37 18 46 14 C55 11 60 20 59 32 C58.5 38 57 43 55 46 Z', 48, 30),
      'small-toes': place(
        'M61 46 C60 34 63 24 69 25 C74 26 74 32 74 34 C77 29 83 31 83 38 C87 36 91 40 90 46 C94 46 96 50 94 57 C90 62 80 62 61 56 Z',
        78,
        46,
      ),
      'ball-inner': place('M40 48 C46 52 56 55 64 58 V93 H43 C37 78 36 62 40 48 Z', 51, 72),
      'ball-outer': place('M66 59 C78 64 90 65 96 62 C99 74 97 86 93 93 H66 Z', 81, 78),
      arch: place('M44 95 H92.5 C88 112 86 126 86 140 H51 C51 124 48 108 44 95 Z', 68, 118),
      'heel-sole': place('M51 142 H86 C89 160 84 184 68.5 184 C53 184 48 160 51 142 Z', 68, 162),
    },
  },
}

/** A place on its drawing, once for each side it has: `flip` turns its path to that side. */
export interface BodySpot extends ComplaintPlace {
  readonly label: string
  readonly path: string
  readonly flip: 1 | -1
  readonly x: number
  readonly y: number
}

/** Every place of a drawing; those with a side twice. */
export function spotsOf(view: BodyView): readonly BodySpot[] {
  const { places, rightAt } = bodyDrawings[view]
  return entriesOf(places).flatMap(([region, { path, at }]) => {
    const { label, sided } = bodyRegion(region)
    const sidesHere: readonly ComplaintPlace['side'][] = sided ? ['left', 'right'] : ['middle']
    return sidesHere.map((side): BodySpot => {
      const flip = side === 'middle' ? 1 : (side === 'right') === (rightAt === 1) ? 1 : -1
      return { region, side, label: side === 'middle' ? label : `${label}, ${side}`, path, flip, x: flip * at[0], y: at[1] }
    })
  })
}

/** Complaints that sit at a spot, theirs being both sides included. */
export const complaintsAt = <Told extends Pick<Complaint, 'places'>>(
  { region, side }: ComplaintPlace,
  complaints: readonly Told[],
): Told[] =>
  complaints.filter(({ places }) =>
    places.some((place) => place.region === region && (place.side === side || (place.side === 'both' && side !== 'middle'))),
  )

/** What stands on a spot: the worst severity; a question mark where none has been told; null where no complaint sits. */
export function severityAt(spot: ComplaintPlace, complaints: readonly Pick<Complaint, 'places' | 'severity'>[]): string | null {
  const here = complaintsAt(spot, complaints)
  if (here.length === 0) return null
  const told = here.flatMap(({ severity }) => severity ?? [])
  return told.length === 0 ? '?' : String(Math.max(...told))
}

/** The drawings on which something is marked, with what stands where: a picture of the complaints to print. */
export function markedDrawings(complaints: readonly Pick<Complaint, 'places' | 'severity'>[]): readonly MarkedDrawing[] {
  return bodyViewKeys.flatMap((view) => {
    const spots = spotsOf(view).map((spot) => ({ ...spot, words: severityAt(spot, complaints) }))
    return spots.some(({ words }) => words !== null) ? [{ view, ...bodyDrawings[view], spots }] : []
  })
}
export interface MarkedDrawing extends BodyDrawing {
  readonly view: BodyView
  readonly spots: readonly (BodySpot & { readonly words: string | null })[]
}
