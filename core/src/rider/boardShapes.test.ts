import { drawingSvg, hexOf, paper } from '../kernel/drawing.ts'
import type { Shape } from '../kernel/drawing.ts'
import { riderShapes } from '../figure/riderShapes.ts'
import type { SceneLook } from '../figure/riderShapes.ts'
import { viewKeys } from '../figure/views.ts'
import type { ViewKey } from '../figure/views.ts'
import { sceneOf } from '../model/scene.ts'
import { aReading, entryOf, readingsWith } from '../testing.ts'
import { riderWith } from './calibrated.ts'
import { angleShapes, boardShapes, riderPicture } from './boardShapes.ts'
import { setupOf } from './setup.ts'

const setup = setupOf(readingsWith({}), [], 'drop')
const scene = sceneOf(setup.model!, setup.rider.values, 'drop', setup.folded.by, 180)
const drawn = (view: ViewKey, look: SceneLook) => riderShapes(scene, view, look)
const keysFrom = (shapes: readonly Shape[]) => shapes.map(({ key }) => key)

type Place = readonly [number, number]
/** Corners of a path made of straight lines. */
const corners = (shape: Shape | undefined): Place[] =>
  shape?.kind === 'path' ? [...shape.d.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)]) : []
const length = ([a, b]: readonly Place[]) => Math.hypot(a![0] - b![0], a![1] - b![1])
/** Bend between two lines that follow each other, degrees. */
function bend([a, b, c]: readonly Place[]): number {
  const turn = Math.atan2(c![1] - b![1], c![0] - b![0]) - Math.atan2(b![1] - a![1], b![0] - a![0])
  return Math.abs((((turn * 180) / Math.PI + 540) % 360) - 180)
}

describe('the drawing of the rider', () => {
  it('is to scale: the near leg is as long and as bent as the rider’s own', () => {
    // The trunk first, then hip, knee and ankle of the near leg.
    const [, , hip, knee, ankle] = corners(drawn('side', 'now').find(({ key }) => key === 'bones'))
    // Seen from the side a leg is shorter only by what it stands across the bike: a few millimetres here.
    const { thigh, shank } = setup.model!.legs.right
    expect(length([hip!, knee!])).toBeGreaterThan(thigh - 8)
    expect(length([hip!, knee!])).toBeLessThan(thigh + 0.2)
    expect(length([knee!, ankle!])).toBeGreaterThan(shank - 8)
    expect(length([knee!, ankle!])).toBeLessThan(shank + 0.2)
    // The knee was read at 31°, and the drawing is of that rider.
    expect(Math.abs(bend([hip!, knee!, ankle!]) - 31)).toBeLessThan(2)
  })

  it('has trunk, head, both legs, shoes and arms in every view', () => {
    for (const view of viewKeys)
      expect(keysFrom(drawn(view, 'now'))).toEqual(
        expect.arrayContaining(['torso', 'head', 'leg', 'far leg', 'shoe', 'far shoe', 'arm', 'far arm', 'saddle', 'bones']),
      )
  })

  it('shows start and proposal as lines over what is, without flesh', () => {
    for (const look of ['ghost', 'proposal'] as const)
      expect(keysFrom(drawn('side', look))).toEqual(['saddle', 'cranks', 'far bones', 'bones', 'soles'])
  })

  it('says in its colour that a leg or an arm does not reach', () => {
    const far = { ...scene, armsReach: false }
    const strokes = (shapes: readonly Shape[]) =>
      shapes.flatMap((shape) => (shape.key === 'bones' && 'look' in shape ? [shape.look.stroke] : []))
    expect([strokes(riderShapes(far, 'side', 'now')), strokes(drawn('side', 'now')), strokes(riderShapes(far, 'side', 'ghost'))]).toEqual([
      ['brick'],
      ['ink'],
      ['muted'],
    ])
  })

  it('never draws two shapes by one key, nor a number that is none', () => {
    for (const view of viewKeys)
      for (const look of ['now', 'ghost', 'proposal'] as const) {
        const keys = keysFrom(drawn(view, look))
        expect(new Set(keys).size).toBe(keys.length)
        expect(JSON.stringify(drawn(view, look))).not.toMatch(/NaN|null|Infinity/)
      }
  })

  it('drops a plumb line from each knee, from the front only', () => {
    expect(viewKeys.filter((view) => keysFrom(drawn(view, 'now')).includes('plumb'))).toEqual(['front'])
  })
})

describe('the angles on it', () => {
  const at = (crankAngle: number, view: ViewKey = 'side') => angleShapes(setup, scene, view, crankAngle, 1)
  it('are written where they are, as they were read', () => {
    expect(at(180).flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []))).toEqual(['31°', '54°', '24°', '60°'])
  })
  it('are those of the position that is drawn', () => {
    const pads = { padForward: 40, padUp: 60, padSpacing: 220, extensionLength: 290, extensionAngle: 8 }
    const far = { ...aReading('torsoAngle', 'both', 30), condition: 'extension' as const }
    const on = setupOf([...readingsWith(pads), far], [], 'drop')
    const model = riderWith(on.rider, on.folded.by, 'extension')!
    const shapes = angleShapes(on, sceneOf(model, on.rider.values, 'base', on.folded.by, 180), 'side', 180, 1, 'extension')
    expect(shapes.find(({ key }) => key === 'angle torso')).toMatchObject({ text: '30°' })
  })
  it('come with the knee’s band near the bottom of the stroke only, and from the side only', () => {
    expect(keysFrom(at(180))).toContain('band')
    expect(keysFrom(at(90))).not.toContain('band')
    expect(at(180, 'front')).toEqual([])
  })
})

describe('a picture to keep', () => {
  const moved = setupOf(readingsWith({}), [entryOf(7, { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' })], 'drop')
  it('shows the start beside it once something was changed', () => {
    expect(keysFrom(riderPicture(setup, setup, 'drop', 'A rider')!.shapes)).not.toContain('ghost')
    expect(keysFrom(riderPicture(moved, setup, 'drop', 'A rider')!.shapes)).toContain('ghost')
  })
  it('says that angles nobody read are the model’s', () => {
    const unread = setupOf(
      readingsWith({}).filter(({ key }) => !/Flexion|Angle|Pitch|wrist/.test(key)),
      [],
      'drop',
    )
    expect(riderPicture(unread, unread, 'drop', 'A rider')!.title).toBe('A rider; angles by the model: to compare only')
    expect(riderPicture(setup, setup, 'drop', 'A rider')!.title).toBe('A rider')
  })
  it('is none while there is nobody to draw', () => {
    const nobody = setupOf([], [], 'drop')
    expect(riderPicture(nobody, nobody, 'drop', 'Nobody')).toBeNull()
  })
  it('stands alone as SVG: millimetres, a title, plain colours, nothing of a page', () => {
    const text = drawingSvg(riderPicture(setup, setup, 'drop', 'A <rider> & a bike')!, 5, 'mm')
    expect(text).toMatch(/^<\?xml[^\n]*\n<svg xmlns="http:\/\/www.w3.org\/2000\/svg" viewBox="[-\d. ]+" width="[\d.]+mm"/)
    expect(text).toContain('<title>A &lt;rider&gt; &amp; a bike. One unit is one millimetre; printed unscaled it is 1:5.</title>')
    expect(text).not.toMatch(/var\(|color-mix|class=|data-|undefined|NaN/)
    expect(text).toContain('>31°</text>')
  })
  it('gets its board shapes from one list, angles and centre of mass included', () => {
    const shapes = boardShapes({ setup, now: scene, start: scene, view: 'side', crankAngle: 180, perPixel: 2, hasAngles: true })
    expect(keysFrom(shapes)).toEqual(expect.arrayContaining(['ghost', 'now', 'angle knee', 'mass']))
  })
})

describe('colours of a drawing', () => {
  // CSS Color 5, color-mix() in srgb: each channel p·a + (1 − p)·b. 0.84·228 + 0.16·29 = 196.2 → c4; 0.84·220 + 0.16·43 = 191.7 → c0; 0.84·203 + 0.16·42 = 177.2 → b1.
  it('are mixed as a page mixes them', () => {
    expect(hexOf({ of: 'flesh', share: 0.84, with: 'ink' })).toBe('#c4c0b1')
    expect(hexOf('ink')).toBe(paper.ink)
    expect(hexOf({ of: 'ink', share: 0.5, with: 'panel' }, { ...paper, ink: '#000000', panel: '#ffffff' })).toBe('#808080')
  })
})
