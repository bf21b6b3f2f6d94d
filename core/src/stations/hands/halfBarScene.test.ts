import { setupOf } from '../../rider/setup.ts'
import type { SettingKey } from '../../ledger/settings.ts'
import { readingsWith } from '../../testing.ts'
import { controlMove, controlPlaces, hasControl, thumbOf } from './controls/inputs.ts'
import { piecesWidth } from './bar/pieces.ts'
import { halfBarScene } from './halfBarScene.ts'
import type { HalfBarScene } from './halfBarScene.ts'
import { hookOf } from './levers/readings.ts'
import { flatBar } from './testing.ts'

const still = { aimed: () => 0, handIn: 0 }
const setup = (over: object = {}) => setupOf(readingsWith({ ...flatBar, ...over } as never), [], 'flat')
function drawn(over: object = {}, moves: Parameters<typeof halfBarScene>[2] = still): HalfBarScene {
  const scene = halfBarScene(setup(over), 'right', moves)
  if ('missing' in scene) throw new Error(scene.missing.join())
  return scene
}

describe('the half of the bar, drawn', () => {
  it('has the chain of lengths close on the straight part, each stretch after the other', () => {
    const { chain, straight } = drawn()
    expect(chain[0]?.from).toBe(0)
    chain.slice(1).forEach((mark, i) => expect(mark.from).toBe(chain[i]?.to))
    expect(chain.at(-1)).toMatchObject({ key: 'bend', to: straight })
    // (780 ÷ 2 − 80) along an arm 8° back and 5° up; by hand.
    expect(straight).toBeCloseTo(310 * Math.sqrt(1 + Math.tan((8 * Math.PI) / 180) ** 2 + Math.tan((5 * Math.PI) / 180) ** 2), 9)
  })

  it('has finger, hook and paddle where the judgement has them', () => {
    const scene = drawn()
    const of = setup()
    expect(scene.finger! - scene.hook!).toBeCloseTo(hookOf(of, 'right').found!.off, 9)
    expect(scene.clamps.find(({ key }) => key === 'shifter')?.paddle).toBeCloseTo(thumbOf(of, 'right').found!.paddle, 9)
    expect(scene.hand?.zone).toEqual(thumbOf(of, 'right').found!.zone)
  })

  it('slides a clamp by what is asked for, with its hook and paddle, and nothing else', () => {
    const aimed = (setting: SettingKey) => (setting === 'leverClamp' ? 12 : setting === 'shifterClamp' ? -7 : 0)
    const [before, after] = [drawn(), drawn({}, { aimed, handIn: 0 })]
    expect(after.hook! - before.hook!).toBeCloseTo(12, 9)
    const paddle = (scene: HalfBarScene) => scene.clamps.find(({ key }) => key === 'shifter')!.paddle!
    expect(paddle(after) - paddle(before)).toBeCloseTo(-7, 9)
    expect(after.finger).toBe(before.finger)
  })

  it('takes finger and thumb along with a hand that is held elsewhere to see', () => {
    const [before, after] = [drawn(), drawn({}, { ...still, handIn: 15 })]
    expect(after.finger! - before.finger!).toBeCloseTo(15, 9)
    expect(after.hand!.zone.from - before.hand!.zone.from).toBeCloseTo(15, 9)
    expect(after.hook).toBe(before.hook)
  })

  it('leaves out what lies off the straight part, and says what it lacks', () => {
    expect(drawn({ shifterClamp: [215, 215] }).chain.some(({ key }) => key === 'shifter')).toBe(false)
    const none = halfBarScene(setupOf([], [], 'flat'), 'left', still)
    expect('missing' in none && none.missing).toEqual(expect.arrayContaining(['barWidth', 'barBend', 'gripLength']))
  })
})

describe('a remote', () => {
  const left = { shifterClampWidth: [0, 14], remoteClampWidth: [18, 0], remoteClamp: [60, 0], remotePaddle: [0, 0] }

  it('is on the side whose clamp has a width, and a shifter is not where its clamp has none', () => {
    const of = setup(left)
    expect([hasControl(of, 'left', 'remote'), hasControl(of, 'right', 'remote')]).toEqual([true, false])
    expect([hasControl(of, 'left', 'shifter'), hasControl(of, 'right', 'shifter')]).toEqual([false, true])
    expect(piecesWidth(of, 'left')).toBe(132 + 14 + 18)
  })

  it('is reached by the thumb like a shifter, or slid to where it is', () => {
    // Hand’s edge 60 + 42 = 102; the thumb works to 102 + 0.65 · 60 = 141; the paddle is at 192.
    const of = setup(left)
    const { zone, paddle } = thumbOf(of, 'left', 'remote').found!
    expect([zone.from, zone.to, paddle]).toEqual([106, 141, 192])
    const [best] = controlPlaces(of, 'left', 'remote')!
    expect(best!.misses).toBeLessThan(192 - 141)
    expect(controlMove(of, 'left', 'remote')).toBe(Math.round(best!.clampAt - 192))
    expect(thumbOf(setup({ remoteClampWidth: [18, 0] }), 'left', 'remote').missing).toEqual(['remoteClamp', 'remotePaddle'])
  })
})
