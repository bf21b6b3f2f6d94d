import { DEGREES, RADIANS } from './contactPoints.ts'
import type { Point } from './contactPoints.ts'

/** A saddle's shape in plain numbers, mm; side view in its own frame, in which the sitting zone is level. */
export interface SaddleShape {
  readonly length: number
  /** at its widest */
  readonly width: number
  /** where the sit bones rest */
  readonly zoneWidth: number
  readonly noseWidth: number
  /** nose to the sitting zone */
  readonly sitFromNose: number
  /** how far the nose's tip lies below the sitting zone's level, and how far the tail stands above it */
  readonly noseDrop: number
  readonly tailRise: number
}

/** What is taken for a saddle of which only some numbers are known. @source prior */
const USUAL_SHAPE: SaddleShape = {
  length: 265,
  width: 145,
  zoneWidth: 120,
  noseWidth: 40,
  sitFromNose: 150,
  noseDrop: 4,
  tailRise: 8,
}

/** The zone's width over the width where it is not read. @source prior */
const ZONE_SHARE = 0.83
/** How far before the tail a saddle is widest, as a share of its length. @source prior */
const WIDEST_AT = 0.84

/** How far behind its nose a saddle is widest, mm. */
export function widestBehindNose({ length, sitFromNose }: Pick<SaddleShape, 'length' | 'sitFromNose'>): number {
  return Math.max(WIDEST_AT * length, Math.min(sitFromNose, length) + 1)
}

/** A shape from what is read of it; the rest as usual. */
export function shapeFrom(read: Readonly<Partial<Record<keyof SaddleShape, number | null>>>): SaddleShape {
  const width = read.width ?? USUAL_SHAPE.width
  return {
    length: read.length ?? USUAL_SHAPE.length,
    width,
    zoneWidth: read.zoneWidth ?? ZONE_SHARE * width,
    noseWidth: read.noseWidth ?? USUAL_SHAPE.noseWidth,
    sitFromNose: read.sitFromNose ?? USUAL_SHAPE.sitFromNose,
    noseDrop: read.noseDrop ?? USUAL_SHAPE.noseDrop,
    tailRise: read.tailRise ?? USUAL_SHAPE.tailRise,
  }
}

/**
 * Half the saddle's width at a distance behind its nose, mm: nose, sitting zone, widest place and
 * rounded tail joined smoothly. 0 outside.
 */
export function halfWidth(shape: SaddleShape, behindNose: number): number {
  const { length, width, zoneWidth, noseWidth, sitFromNose } = shape
  if (behindNose < 0 || behindNose > length) return 0
  const widest = widestBehindNose(shape)
  const round = noseWidth / 2
  // The nose's tip is a half circle, the tail a quarter of an ellipse.
  if (behindNose < round) return Math.sqrt(Math.max(0, round ** 2 - (round - behindNose) ** 2))
  const straight = Math.min(0.3 * length, 0.6 * sitFromNose)
  if (behindNose < straight) return round
  if (behindNose < sitFromNose)
    return blend(behindNose, straight, sitFromNose, noseWidth / 2, Math.min(zoneWidth, width) / 2, slopeAt(shape))
  if (behindNose < widest) return blend(behindNose, sitFromNose, widest, Math.min(zoneWidth, width) / 2, width / 2, 0, slopeAt(shape))
  const share = (behindNose - widest) / Math.max(1, length - widest)
  return (width / 2) * Math.sqrt(Math.max(0, 1 - share ** 2))
}

/** How fast the half width grows at the sitting zone, so that both curves meet without a kink. */
function slopeAt({ length, width, zoneWidth, noseWidth, sitFromNose }: SaddleShape): number {
  const widest = Math.max(WIDEST_AT * length, sitFromNose + 1)
  const before = (zoneWidth - noseWidth) / 2 / Math.max(1, sitFromNose - Math.min(0.3 * length, 0.6 * sitFromNose))
  const after = (Math.max(width, zoneWidth) - zoneWidth) / 2 / (widest - sitFromNose)
  return Math.max(0, Math.min(2 * before, 2 * after))
}

/** A cubic from one height to another with given slopes at its ends (Hermite). @source geometry */
function blend(at: number, from: number, to: number, low: number, high: number, slopeEnd: number, slopeStart = 0): number {
  const span = Math.max(1e-6, to - from)
  const t = (at - from) / span
  const value =
    low * (2 * t ** 3 - 3 * t ** 2 + 1) +
    high * (3 * t ** 2 - 2 * t ** 3) +
    span * slopeStart * (t ** 3 - 2 * t ** 2 + t) +
    span * slopeEnd * (t ** 3 - t ** 2)
  return Math.max(0, value)
}

/** Height of the saddle's top above the sitting zone's level, in the saddle's own frame, mm. */
export function topAt({ length, sitFromNose, noseDrop, tailRise }: SaddleShape, behindNose: number): number {
  if (behindNose <= sitFromNose) {
    const share = (sitFromNose - behindNose) / Math.max(1, sitFromNose)
    return -noseDrop * share ** 3
  }
  const share = (behindNose - sitFromNose) / Math.max(1, length - sitFromNose)
  return tailRise * share ** 2
}

/**
 * What a level laid from nose to tail reads when the sitting zone stands at a tilt: the saddle's own
 * curve comes on top.
 * @param zoneTilt degrees, nose up is plus
 * @source geometry
 */
export function tipToTail(shape: SaddleShape, zoneTilt: number): number {
  return zoneTilt + curveAngle(shape)
}

/** The line from tail to nose against the sitting zone, degrees; nose up is plus, so a raised tail is minus. @source geometry */
export function curveAngle(shape: SaddleShape): number {
  return Math.atan2(topAt(shape, 0) - topAt(shape, shape.length), shape.length) * DEGREES
}

/** The top's line in the side view, nose first, about the sit point and turned by the zone's tilt; mm. */
export function sideLine(shape: SaddleShape, sit: Point, zoneTilt: number, points = 12): Point[] {
  const c = Math.cos(zoneTilt * RADIANS)
  const s = Math.sin(zoneTilt * RADIANS)
  return Array.from({ length: points + 1 }, (_, i) => {
    const behind = (shape.length * i) / points
    const x = shape.sitFromNose - behind
    const y = topAt(shape, behind)
    return { x: sit.x + x * c - y * s, y: sit.y + x * s + y * c }
  })
}

/** The outline from above: half widths from nose to tail, closer together at the round ends; x behind the nose, y half the width, mm. */
export function outline(shape: SaddleShape, points = 40): Point[] {
  return Array.from({ length: points + 1 }, (_, i) => {
    const x = (shape.length * (1 - Math.cos((Math.PI * i) / points))) / 2
    return { x, y: halfWidth(shape, x) }
  })
}
