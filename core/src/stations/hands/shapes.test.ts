import { plain } from '../../kernel/message.ts'
import type { Shape } from '../../kernel/drawing.ts'
import { setupOf } from '../../rider/setup.ts'
import { readingsWith } from '../../testing.ts'
import { handPicture, handSceneOf, handShapes, leverEnd } from './handShapes.ts'
import { halfBarPicture } from './halfBarShapes.ts'
import { flatBar } from './testing.ts'

const none = () => 0
const own = { leverAngle: 40, leverReach: 80, gripDiameter: 32, forearmReady: 38, fingerHooks: 70 }
const setup = setupOf(readingsWith({ ...flatBar, ...own } as never), [], 'flat')
const every = (shapes: readonly Shape[]): Shape[] =>
  shapes.flatMap((shape) => (shape.kind === 'group' ? [shape, ...every(shape.shapes)] : [shape]))
const wordsOf = (shapes: readonly Shape[], unit: 'mm' | 'in' = 'mm') =>
  every(shapes).flatMap((shape) => (shape.kind === 'text' ? [plain(shape.text, unit)] : []))

describe('half of a flat bar', () => {
  it('says how far each thing lies from the bar’s end, in the unit in use', () => {
    const { shapes } = halfBarPicture(setup, 'right', 'Right half')!
    const said = wordsOf(shapes)
    expect(said.some((words) => /^grip \d+ mm$/.test(words))).toBe(true)
    expect(wordsOf(shapes, 'in').every((words) => / in$/.test(words))).toBe(true)
  })
  it('is drawn mirrored on the left: the same arm in a group whose x runs to the left', () => {
    const halves = (['left', 'right'] as const).map((side) => halfBarPicture(setup, side, side)!.shapes[0]!)
    expect(halves.map((half) => half.kind === 'group' && half.isMirrored)).toEqual([true, false])
  })
  it('never carries a number that is none, nor two shapes of one list by one key', () => {
    for (const picture of [halfBarPicture(setup, 'left', 'L')!, handPicture(setup, 'left', 'L')!]) {
      expect(JSON.stringify(picture)).not.toMatch(/NaN|null|Infinity/)
      for (const { shapes } of [picture, ...every(picture.shapes).flatMap((shape) => (shape.kind === 'group' ? [shape] : []))])
        expect(new Set(shapes.map(({ key }) => key)).size).toBe(shapes.length)
    }
  })
  it('is none while grip and bar are not read', () => {
    expect(halfBarPicture(setupOf([], [], 'flat'), 'right', 'none')).toBeNull()
  })
})

describe('a hand from the side', () => {
  // By hand: 40° below level, 11.1 + 80 mm out, at 1.15 of the drawing’s unit: (196 + 104.77·cos 40°, 112 + 104.77·sin 40°).
  it('ends its lever where its angle and reach say', () => {
    const { x, y } = leverEnd(handSceneOf(setup, 'right', none))!
    expect(x).toBeCloseTo(276.3, 0)
    expect(y).toBeCloseTo(179.3, 0)
  })
  it('turns the lever with the bar and by what is asked for', () => {
    const aimed = (setting: string) => (setting === 'barRoll' ? 3 : setting === 'leverAngle' ? -5 : 0)
    expect(handSceneOf(setup, 'right', aimed).lever).toBe(38)
  })
  it('says angle and reach, and where the finger hooks', () => {
    expect(wordsOf(handShapes(handSceneOf(setup, 'right', none)))).toEqual([
      'forearm 38°',
      '40° down',
      '80 mm out',
      'finger hooks at 70 mm',
    ])
  })
  it('says of a reach that nobody read that it is an estimate', () => {
    const unread = setupOf(
      readingsWith({ ...flatBar, ...own } as never).filter(({ key }) => key !== 'leverReach'),
      [],
      'flat',
    )
    expect(wordsOf(handShapes(handSceneOf(unread, 'right', none)))).toContain('70 mm out est.')
  })
  it('says that a lever was not read instead of drawing one', () => {
    const bare = setupOf(
      readingsWith({ ...flatBar } as never).filter(({ key }) => key !== 'leverAngle'),
      [],
      'flat',
    )
    expect(wordsOf(handShapes(handSceneOf(bare, 'right', none)))).toContain('Lever angle is not read.')
    expect(handPicture(bare, 'right', 'none')).toBeNull()
  })
})
