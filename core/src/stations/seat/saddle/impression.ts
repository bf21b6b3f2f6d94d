import type { Point } from '../../../bike/contactPoints.ts'
import { combined } from '../../../kernel/quantity.ts'
import { homography, mapped, quadFault } from './homography.ts'
import type { Quad } from './homography.ts'
import { itemAt } from '../../../kernel/dense.ts'

/** Marks on a picture of an impression, in the picture's own pixels. */
export interface ImpressionMarks {
  /** `sheet`: four corners of a sheet of known size, which takes out the slant; `scale`: two marks of known distance, which does not */
  readonly by: 'sheet' | 'scale'
  /** corners round the sheet, beginning with one end of the side called width */
  readonly corners: Quad
  /** mm */
  readonly sheet: { readonly width: number; readonly height: number }
  readonly scale: { readonly from: Point; readonly to: Point; readonly length: number }
  /** the two deepest points */
  readonly bones: { readonly left: Point; readonly right: Point }
}

/** What the picture gives. */
export interface ImpressionResult {
  /** centre to centre, mm */
  readonly spacing: number
  /** everything taken together, k = 2, mm */
  readonly plusMinus: number
  /** its parts: where the marks were clicked, how well sheet or scale is known, how well an impression shows the bones */
  readonly clicking: number
  readonly scaling: number
  readonly impression: number
  /** the same without the slant taken out, mm: what a ruler on the picture would have said; null by a scale */
  readonly uncorrected: number | null
}

/** How well a sheet's or a scale's length is known, mm; k = 2. @source prior */
const SHEET_KNOWN = 0.5
/** What an impression itself leaves open: the deepest point is not the bone's own middle, mm; k = 2. @source common-practice */
export const IMPRESSION_KNOWN = 3
/** A hand points at the screen this well, screen pixels; k = 2. @source prior */
export const CLICK = 2

/** Why the marks give nothing; null = they do. */
export function marksFault({ by, corners, scale, bones }: ImpressionMarks): string | null {
  if (by === 'sheet') {
    const fault = quadFault(corners)
    if (fault !== null) return fault
  } else if (Math.hypot(scale.to.x - scale.from.x, scale.to.y - scale.from.y) < 5) return 'The two scale marks are in the same place.'
  if (Math.hypot(bones.right.x - bones.left.x, bones.right.y - bones.left.y) < 5) return 'The two points are in the same place.'
  return null
}

/**
 * Spacing of two points marked on a picture: through the sheet's homography, or by a scale.
 * @param click ± of a mark in the picture's pixels, k = 2
 * @returns null where the marks give nothing
 * @source geometry, gum
 */
export function impressionSpacing(marks: ImpressionMarks, click: number): ImpressionResult | null {
  const spacing = spacingOf(marks)
  if (spacing === null) return null
  const along = (shift: (by: number) => ImpressionMarks, step: number): number => {
    const [up, down] = [spacingOf(shift(step)), spacingOf(shift(-step))]
    return up === null || down === null ? 0 : (up - down) / (2 * step)
  }
  // Central differences of half a pixel; a pixel of a mark counts the same across and down.
  const places = placesOf(marks)
  const perMark = places.flatMap((_, i) => [along((by) => nudged(marks, i, by, 0), 0.5), along((by) => nudged(marks, i, 0, by), 0.5)])
  const clicking = combined(...perMark.map((slope) => slope * click))
  const scaling =
    marks.by === 'sheet'
      ? combined(
          SHEET_KNOWN * along((by) => ({ ...marks, sheet: { ...marks.sheet, width: marks.sheet.width + by } }), 0.1),
          SHEET_KNOWN * along((by) => ({ ...marks, sheet: { ...marks.sheet, height: marks.sheet.height + by } }), 0.1),
        )
      : (SHEET_KNOWN * spacing) / marks.scale.length
  return {
    spacing,
    clicking,
    scaling,
    impression: IMPRESSION_KNOWN,
    plusMinus: combined(clicking, scaling, IMPRESSION_KNOWN),
    uncorrected: marks.by === 'sheet' ? flatSpacing(marks) : null,
  }
}

function spacingOf(marks: ImpressionMarks): number | null {
  if (marksFault(marks) !== null) return null
  const { bones, scale } = marks
  if (marks.by === 'scale') {
    const perPixel = scale.length / Math.hypot(scale.to.x - scale.from.x, scale.to.y - scale.from.y)
    return perPixel * Math.hypot(bones.right.x - bones.left.x, bones.right.y - bones.left.y)
  }
  const { width, height } = marks.sheet
  const sheet: Quad = [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: height },
    { x: 0, y: height },
  ]
  const h = homography(marks.corners, sheet)
  const left = h && mapped(h, bones.left)
  const right = h && mapped(h, bones.right)
  return left && right ? Math.hypot(right.x - left.x, right.y - left.y) : null
}

/** By the sheet's two widths as they appear, as a ruler on the picture would. */
function flatSpacing({ corners: [a, b, c, d], sheet, bones }: ImpressionMarks): number {
  const width = (Math.hypot(b.x - a.x, b.y - a.y) + Math.hypot(d.x - c.x, d.y - c.y)) / 2
  return (sheet.width / width) * Math.hypot(bones.right.x - bones.left.x, bones.right.y - bones.left.y)
}

/** Every mark that counts, in one list: corners or scale, then the two points. */
export function placesOf({ by, corners, scale, bones }: ImpressionMarks): Point[] {
  return [...(by === 'sheet' ? corners : [scale.from, scale.to]), bones.left, bones.right]
}

/** The marks with one of them moved, by its place in {@link placesOf}. */
export function withPlace(marks: ImpressionMarks, place: number, point: Point): ImpressionMarks {
  const list = placesOf(marks)
  list[place] = point
  const bones = { left: itemAt(list, list.length - 2), right: itemAt(list, list.length - 1) }
  if (marks.by === 'sheet') return { ...marks, corners: [itemAt(list, 0), itemAt(list, 1), itemAt(list, 2), itemAt(list, 3)], bones }
  return { ...marks, scale: { ...marks.scale, from: itemAt(list, 0), to: itemAt(list, 1) }, bones }
}

function nudged(marks: ImpressionMarks, place: number, x: number, y: number): ImpressionMarks {
  const now = itemAt(placesOf(marks), place)
  return withPlace(marks, place, { x: now.x + x, y: now.y + y })
}
