import { plain } from '../../kernel/message.ts'
import type { Shape } from '../../kernel/drawing.ts'
import { sides } from '../../kernel/sided.ts'
import { setupOf } from '../../rider/setup.ts'
import { readingsWith } from '../../testing.ts'
import { asItStands, boardBikeOf, boardFootOf } from './boardFoot.ts'
import type { BoardFoot } from './boardFoot.ts'
import { footFrameOf, footShapes, soleFrameOf, solePicture, underSoles } from './soleShapes.ts'

const own = {
  footLength: 264,
  heelToMtp1: 195,
  cleatSetback: 9,
  tread: 148,
  axleLength: 53,
  washer: 1.5,
  cleatInboard: -2,
  cleatTurn: 4,
  cleatFloat: 6,
}
const setup = setupOf(readingsWith(own as never), [], 'drop')
const foot = (side: 'left' | 'right', over: Partial<BoardFoot> = {}): BoardFoot => ({
  ...boardFootOf(setup, setup, side, { schools: [], swing: { low: 1, high: 7 } }, asItStands),
  ...over,
})
const every = (shapes: readonly Shape[]): Shape[] =>
  shapes.flatMap((shape) => (shape.kind === 'group' ? [shape, ...every(shape.shapes)] : [shape]))
const wordsOf = (shapes: readonly Shape[], unit: 'mm' | 'in' = 'mm') =>
  every(shapes).flatMap((shape) => (shape.kind === 'text' ? [plain(shape.text, unit)] : []))
const keysOf = (shapes: readonly Shape[]) => every(shapes).map(({ key }) => key)

describe('a foot on its pedal', () => {
  it('lies with its ball as far before the axle as was read', () => {
    for (const side of sides) {
      const frame = footFrameOf(side, foot(side))
      // Heel to ball less what the axle lies behind the ball.
      expect(frame.axleFromHeel).toBe(186)
      expect(frame.axleY(9)).toBe(0)
      expect(frame.axleY(14)).toBe(5)
    }
  })
  it('is mirrored left and right: outlines differ by their sign across', () => {
    const across = (side: 'left' | 'right') =>
      every(footShapes(side, foot(side), 'fore-aft')).flatMap((shape) =>
        shape.key === 'MTP1' && shape.kind === 'circle' ? [shape.at.x] : [],
      )
    expect(across('left')[0]).toBeCloseTo(-across('right')[0]!, 6)
  })
  it('shows the cleat to try with what comes first, each once', () => {
    const keys = keysOf(footShapes('right', foot('right', { aim: 15, firstStep: 14 }), 'fore-aft'))
    expect(keys).toEqual(expect.arrayContaining(['cleat', 'cleat to try', 'step']))
    expect(keysOf(footShapes('right', foot('right'), 'fore-aft'))).not.toContain('cleat to try')
  })
  it('says what lacks instead of drawing a foot nobody measured', () => {
    expect(wordsOf(footShapes('left', foot('left', { footLength: null }), 'fore-aft'))).toEqual(['measure', 'foot length'])
    expect(wordsOf(footShapes('left', foot('left', { heelToMtp1: null }), 'fore-aft'))).toEqual(['measure', 'heel to ball'])
  })
  it('draws float and swing on the page of rotation only', () => {
    expect(keysOf(footShapes('right', foot('right'), 'rotation'))).toEqual(expect.arrayContaining(['fan', 'swing']))
    expect(keysOf(footShapes('right', foot('right'), 'fore-aft'))).not.toContain('fan')
  })
})

describe('both soles', () => {
  const feet = { left: foot('left'), right: foot('right') }
  // By hand: 74 + 53 + 1.5 − 2 = 126.5 on each side, 253 together; 126.5 mm = 4.98 in, 253 mm = 9.96 in.
  it('say what makes the stance, in the unit in use', () => {
    const shapes = underSoles(feet, boardBikeOf(setup))
    expect(wordsOf(shapes)).toEqual(expect.arrayContaining(['74 + 53 + 1.5 − 2 = 126.5 mm', 'stance 253 mm']))
    expect(wordsOf(shapes, 'in')).toContain('stance 9.96 in')
  })
  it('says of a stance that rests on a usual axle or tread that it is an estimate', () => {
    const unread = setupOf(
      readingsWith(own as never).filter(({ key }) => key !== 'axleLength'),
      [],
      'drop',
    )
    const said = wordsOf(solePicture(unread, unread, 'Soles')!.shapes)
    expect(said.filter((words) => words.startsWith('stance'))).toEqual(['stance 253 mm est.'])
  })
  it('put each pedal where the foot stands less what the cleat shifts it', () => {
    expect(soleFrameOf(feet).pedalX).toEqual({ left: -128.5, right: 128.5 })
  })
  it('make a picture to keep with one key a shape and no number that is none; none where no foot was read', () => {
    const picture = solePicture(setup, setup, 'Soles')!
    expect(new Set(picture.shapes.map(({ key }) => key)).size).toBe(picture.shapes.length)
    expect(JSON.stringify(picture)).not.toMatch(/NaN|null|Infinity/)
    const bare = setupOf([], [], 'drop')
    expect(solePicture(bare, bare, 'Soles')).toBeNull()
  })
})
