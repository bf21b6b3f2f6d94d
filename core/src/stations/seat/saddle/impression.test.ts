import fc from 'fast-check'
import type { Point } from '../../../bike/contactPoints.ts'
import { exampleMarks } from '../../../simulate/examples.ts'
import { homography, mapped, quadFault } from './homography.ts'
import type { Quad } from './homography.ts'
import { IMPRESSION_KNOWN, impressionSpacing, marksFault, withPlace } from './impression.ts'

const world: Quad = [
  { x: 0, y: 0 },
  { x: 1000, y: 0 },
  { x: 1000, y: 500 },
  { x: 0, y: 500 },
]
const picture = exampleMarks.corners

/** A pinhole camera over the plane: an independent way from world to picture, with no homography in it. */
function camera({ pan, tilt, turn, away, focal }: { pan: number; tilt: number; turn: number; away: number; focal: number }) {
  const [cp, sp, ct, st, cr, sr] = [Math.cos(pan), Math.sin(pan), Math.cos(tilt), Math.sin(tilt), Math.cos(turn), Math.sin(turn)]
  return ({ x, y }: Point): Point => {
    const [x1, y1] = [x * cr - y * sr, x * sr + y * cr]
    const [x2, z2] = [x1 * cp, -x1 * sp]
    const [y3, z3] = [y1 * ct - z2 * st, y1 * st + z2 * ct]
    const depth = away + z3
    return { x: 2000 + (focal * x2) / depth, y: 1500 + (focal * y3) / depth }
  }
}

describe('plane homography', () => {
  it('gives the worked example: world (500, 250) and a distance of 523.5 mm', () => {
    // Worked example, derived apart from this code: world (500, 250) → (583.1, 632.3); (400, 700) and (800, 500) are 523.5 mm apart.
    const there = mapped(homography(world, picture)!, { x: 500, y: 250 })!
    expect(there.x).toBeCloseTo(583.1, 1)
    expect(there.y).toBeCloseTo(632.3, 1)
    expect(impressionSpacing(exampleMarks, 1)!.spacing).toBeCloseTo(523.5, 1)
  })

  it('sends corners to corners and comes back, however the four points lie', () => {
    const h = homography(world, picture)!
    const back = homography(picture, world)!
    world.forEach((corner, i) => {
      expect(mapped(h, corner)!.x).toBeCloseTo(picture[i]!.x, 6)
      expect(mapped(back, picture[i]!)!.y).toBeCloseTo(corner.y, 6)
    })
    const middle = { x: 321, y: 123 }
    const round = mapped(back, mapped(h, middle)!)!
    expect(round.x).toBeCloseTo(321, 6)
    expect(round.y).toBeCloseTo(123, 6)
  })

  it('takes a camera’s slant out: spacing is found whatever the camera, where a ruler on the picture is wrong', () => {
    const sheet = { width: 297, height: 210 }
    const corners: Quad = [
      { x: -148.5, y: -105 },
      { x: 148.5, y: -105 },
      { x: 148.5, y: 105 },
      { x: -148.5, y: 105 },
    ]
    const angle = fc.double({ min: -0.6, max: 0.6, noNaN: true })
    let ruler = 0
    fc.assert(
      fc.property(
        angle,
        angle,
        angle,
        fc.double({ min: 80, max: 160, noNaN: true }),
        fc.double({ min: -30, max: 30, noNaN: true }),
        (pan, tilt, turn, spacing, y) => {
          const see = camera({ pan, tilt, turn, away: 700, focal: 2600 })
          const marks = {
            ...exampleMarks,
            sheet,
            corners: corners.map(see) as unknown as Quad,
            bones: { left: see({ x: -spacing / 2, y }), right: see({ x: spacing / 2, y: y + 4 }) },
          }
          const found = impressionSpacing(marks, 2)!
          expect(found.spacing).toBeCloseTo(Math.hypot(spacing, 4), 4)
          ruler = Math.max(ruler, Math.abs(found.uncorrected! - spacing))
        },
      ),
      { seed: 11, numRuns: 200 },
    )
    expect(ruler).toBeGreaterThan(IMPRESSION_KNOWN)
  })

  it('refuses crossed, collinear and doubled corners in words', () => {
    const [a, b, c, d] = picture
    expect(quadFault([a, c, b, d])).toMatch(/crossed/)
    expect(quadFault([a, a, c, d])).toMatch(/one line|one point/)
    expect(quadFault([a, b, { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, d])).toMatch(/one line/)
    expect(homography([a, c, b, d], world)).toBeNull()
    expect(impressionSpacing({ ...exampleMarks, corners: [a, c, b, d] }, 1)).toBeNull()
    expect(marksFault({ ...exampleMarks, bones: { left: a, right: a } })).toMatch(/two points/)
  })
})

describe('± of a marked spacing', () => {
  it('agrees with clicking the same picture two thousand times', () => {
    // Monte Carlo as the independent way (JCGM 101): marks scattered with half the click’s ±.
    let state = 5
    const random = () => (state = (state * 16807) % 2147483647) / 2147483647
    const bell = () => Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random())
    const click = 6
    const spacings = Array.from({ length: 2000 }, () => {
      let marks = exampleMarks
      for (let i = 0; i < 6; i++) {
        const at = [...exampleMarks.corners, exampleMarks.bones.left, exampleMarks.bones.right][i]!
        marks = withPlace(marks, i, { x: at.x + (bell() * click) / 2, y: at.y + (bell() * click) / 2 })
      }
      return impressionSpacing(marks, click)!.spacing
    })
    const mean = spacings.reduce((sum, s) => sum + s, 0) / spacings.length
    const spread = 2 * Math.sqrt(spacings.reduce((sum, s) => sum + (s - mean) ** 2, 0) / spacings.length)
    const { clicking } = impressionSpacing(exampleMarks, click)!
    expect(Math.abs(clicking - spread) / spread).toBeLessThan(0.08)
  })

  it('is never less than what an impression leaves open, and a scale adds its own share', () => {
    const byScale = impressionSpacing({ ...exampleMarks, by: 'scale', bones: { left: { x: 0, y: 0 }, right: { x: 112, y: 0 } } }, 1)!
    expect(byScale.spacing).toBeCloseTo(112, 9)
    expect(byScale.scaling).toBeCloseTo((0.5 * 112) / 100, 9)
    expect(byScale.plusMinus).toBeGreaterThan(IMPRESSION_KNOWN)
    expect(byScale.uncorrected).toBeNull()
  })
})
