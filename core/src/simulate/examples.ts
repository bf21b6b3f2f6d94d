import { shapeFrom } from '../bike/saddleShape.ts'
import type { ImpressionMarks } from '../stations/seat/saddle/impression.ts'
import { matFrameText, matHeaderText } from '../stations/seat/mat/format.ts'
import { simulateMat, simulatedMat } from './matSimulation.ts'
import { seeded } from '../kernel/random.ts'
import type { MatRider } from './matSimulation.ts'

/** Made-up examples for tests of every package. */
export const exampleMarks: ImpressionMarks = {
  by: 'sheet',
  corners: [
    { x: 120, y: 880 },
    { x: 1040, y: 840 },
    { x: 980, y: 420 },
    { x: 160, y: 440 },
  ],
  sheet: { width: 1000, height: 500 },
  scale: { from: { x: 0, y: 0 }, to: { x: 100, y: 0 }, length: 100 },
  bones: { left: { x: 400, y: 700 }, right: { x: 800, y: 500 } },
}

export const exampleMatRider: MatRider = {
  spacing: 112,
  turned: 0,
  tilt: -1,
  torso: 50,
  leans: 0,
  rocking: 0.1,
  effort: 0.2,
  mass: 70,
  cadence: 85,
  shape: shapeFrom({ width: 145, length: 270, noseWidth: 42, sitFromNose: 155 }),
  relief: 0,
}

/** The text of a short simulated recording. */
export function matText(rider: MatRider, seconds: number, seed: number): string {
  const frames = simulateMat(rider, seconds, 10, seeded(seed))
  return matHeaderText(simulatedMat) + frames.map((frame) => matFrameText(frame, simulatedMat)).join('')
}

/** Two bells on a small mat, twice. */
const bells = Array.from({ length: 16 * 20 }, (_, i) => {
  const [x, y] = [((i % 20) + 0.5 - 10) * 10, (8 - Math.floor(i / 20) - 0.5) * 10]
  const bell = (at: number) => 50 * Math.exp(-((x - at) ** 2 + y ** 2) / 400)
  return bell(-56) + bell(56)
})
export const exampleMat = {
  frames: [
    { at: 0, values: bells },
    { at: 0.1, values: bells },
  ],
  rows: 16,
  columns: 20,
  cellAcross: 10,
  cellAlong: 10,
}
