import { RADIANS } from '../bike/contactPoints.ts'
import { halfWidth } from '../bike/saddleShape.ts'
import type { SaddleShape } from '../bike/saddleShape.ts'
import { BONES_BEHIND } from './contact.ts'
import type { MatFrame, MatHeader } from '../stations/seat/mat/format.ts'
import { itemAt } from '../kernel/dense.ts'

/** Taken once: they run for every cell. */
const { abs, cos, exp, max, min, round, sin, sqrt } = Math

/** A made-up rider on a made-up mat: a stand-in for the device, never a measurement. */
export interface MatRider {
  /** truth: sit-bone spacing, mm */
  readonly spacing: number
  /** pelvis turned, degrees, + right side forward */
  readonly turned: number
  /** saddle’s tilt where the rider sits, degrees, + nose up */
  readonly tilt: number
  /** torso from level, degrees */
  readonly torso: number
  /** −1..1: how far the weight hangs to one side, + right */
  readonly leans: number
  /** 0..1: how much the hips rock with the pedals */
  readonly rocking: number
  /** 0 easy .. 1 hard: hard pedalling lifts the rider off the seat */
  readonly effort: number
  /** kg */
  readonly mass: number
  readonly cadence: number
  readonly shape: SaddleShape
  readonly relief: number
}

/** The mat that is simulated: cells of a size that a real one could have. */
export const simulatedMat: MatHeader = {
  rows: 64,
  columns: 32,
  cellAcross: 8,
  cellAlong: 5,
  source: 'simulated rider on a simulated mat',
  simulated: true,
}

/** Where the mat’s middle row lies behind the saddle’s nose, mm: it is laid about the sitting zone. */
export const middleBehindNose = (shape: SaddleShape) => shape.sitFromNose - 5
/** Share of body weight the seat carries, easy and hard; spread of bone and middle, mm. @source prior */
const SEAT_SHARE = { easy: 0.52, hard: 0.36 } as const
const BONE = 13
const MIDDLE = { across: 12, along: 30, ahead: 48 } as const
const FLESH = 34
/** Bone that hangs this near the edge begins to lose its hold, mm. @source prior */
const EDGE = 9
const GRAVITY = 9.80665

/**
 * One frame of a simulated rider: two bones, the flesh about them and the middle before them, cut to
 * the saddle's outline and scaled to the weight on the seat; then noise. Direction of the effects
 * follows the trade and, for the middle under a low torso, {@link sources.partin}; sizes are this
 * product's own.
 * @param random 0..1, as Math.random
 * @source prior, partin
 */
export function simulateFrame(rider: MatRider, at: number, random: () => number, noise = 1): MatFrame {
  const { rows, columns, cellAcross, cellAlong } = simulatedMat
  const { shape } = rider
  const values = new Float32Array(rows * columns)
  const phase = (2 * Math.PI * rider.cadence * at) / 60
  const sway = rider.leans + rider.rocking * 0.5 * sin(phase)
  const c = cos(rider.turned * RADIANS)
  const s = sin(rider.turned * RADIANS)
  const half = rider.spacing / 2
  // Narrow for these bones: they hang over the edge, and what they lose the middle carries.
  const room = halfWidth(shape, middleBehindNose(shape) + BONES_BEHIND) - half * c
  const held = min(1, max(0.25, 0.5 + (room - EDGE) / (2 * EDGE)))
  const low = max(0, (60 - rider.torso) / 60)
  const middle =
    max(0.02, (0.1 + 0.3 * low + 0.05 * rider.tilt) * (rider.relief > 0 ? 1 - min(0.8, rider.relief / 36) : 1)) + 0.35 * (1 - held)
  const bone = (side: 1 | -1) => held * max(0.05, 0.5 * (1 + side * 0.55 * sway))
  const jitter = { x: 2 * (random() - 0.5), y: 3 * (random() - 0.5) }
  const blobs = [
    { x: -half * c, y: -BONES_BEHIND - half * s, sx: BONE, sy: BONE, weight: bone(-1) },
    { x: half * c, y: -BONES_BEHIND + half * s, sx: BONE, sy: BONE, weight: bone(1) },
    { x: 0.8 * -half, y: 8 - BONES_BEHIND, sx: FLESH, sy: FLESH, weight: 0.16 * (1 - 0.3 * sway) },
    { x: 0.8 * half, y: 8 - BONES_BEHIND, sx: FLESH, sy: FLESH, weight: 0.16 * (1 + 0.3 * sway) },
    { x: 0, y: MIDDLE.ahead - BONES_BEHIND + 10 * rider.effort, sx: MIDDLE.across, sy: MIDDLE.along, weight: middle },
  ]
  const share = SEAT_SHARE.easy + (SEAT_SHARE.hard - SEAT_SHARE.easy) * rider.effort
  const force = share * rider.mass * GRAVITY * (1 + 0.06 * sin(2 * phase))
  // A bell over the plane is the product of two: one list down the rows, one across the columns.
  const y = (row: number) => (rows / 2 - row - 0.5) * cellAlong
  const x = (column: number) => (column + 0.5 - columns / 2) * cellAcross
  const bells = blobs.map((blob) => ({
    down: Float64Array.from(
      { length: rows },
      (_, row) => (blob.weight / (blob.sx * blob.sy)) * bell((y(row) - blob.y - jitter.y) / blob.sy),
    ),
    across: Float64Array.from({ length: columns }, (_, column) => bell((x(column) - blob.x - jitter.x) / blob.sx)),
  }))
  let all = 0
  for (let row = 0; row < rows; row++) {
    const wide = halfWidth(shape, middleBehindNose(shape) - y(row))
    const open = y(row) > 12 - BONES_BEHIND ? rider.relief / 2 : 0
    for (let column = 0; column < columns; column++) {
      const aside = abs(x(column))
      if (aside > wide || aside < open) continue
      let value = 0
      for (const { down, across } of bells) value += itemAt(down, row) * itemAt(across, column)
      values[row * columns + column] = value
      all += value
    }
  }
  // kPa × mm² = 1e-3 N
  const scale = all > 0 ? force / (all * cellAcross * cellAlong * 1e-3) : 0
  for (let i = 0; i < values.length; i++) {
    const value = itemAt(values, i) * scale
    if (value === 0) continue
    values[i] = max(0, round(10 * (value + noise * (0.7 + 0.04 * value) * bellRandom(random))) / 10)
  }
  return { at, values }
}

/** A recording of a simulated rider. */
export function simulateMat(rider: MatRider, seconds: number, rate: number, random: () => number, noise = 1): MatFrame[] {
  return Array.from({ length: max(1, round(seconds * rate)) }, (_, i) => simulateFrame(rider, i / rate, random, noise))
}

const bell = (t: number) => exp(-0.5 * t * t)
/** About normal with deviation 1: the sum of four uniform draws. */
function bellRandom(random: () => number): number {
  return (random() + random() + random() + random() - 2) * sqrt(3)
}
