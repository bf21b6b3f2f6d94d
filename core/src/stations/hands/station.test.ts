import { setupOf, standingOf } from '../../rider/setup.ts'
import type { Setup } from '../../rider/setup.ts'
import type { Reading } from '../../readings/reading.ts'
import { readingsOn } from '../../station/station.ts'
import { aReading, contextAt, entryOf, readingsWith, said } from '../../testing.ts'
import { barStrip, STRIP_LENGTH } from './width/barStrip.ts'
import { lineRequests, searchInput, searchLacks, freshRequest } from './cockpit/inputs.ts'
import { startingCockpit } from './cockpit/parts.ts'
import { searchCockpit } from './cockpit/search.ts'
import { positionRows } from './place/positions.ts'
import { broadMiddle, handSweep } from './place/handSweep.ts'
import { controlMove, thumbOf } from './controls/inputs.ts'
import { leverFar, hookOf } from './levers/readings.ts'
import { readyForearm } from './levers/rules.ts'
import { extensionChoices, leverChoices } from './cockpit/partChoices.ts'
import { handsPagesFor, handsParts, handsStation } from './station.ts'
import { stripInput } from './width/stripInput.ts'
import { extensionBar, flatBar, judged, setup, weights } from './testing.ts'

describe('the hands, page by page', () => {
  it('has the pages of its bar', () => {
    expect(handsPagesFor('flat')).toEqual(['width', 'place', 'roll', 'levers', 'controls', 'grips', 'cockpit'])
    expect(handsPagesFor('drop')).toEqual(['width', 'place', 'hoods', 'levers', 'grips', 'extensions', 'cockpit'])
  })

  it('says what is lacking and throws nowhere with nothing read', () => {
    const none = setupOf([], [], 'flat')
    for (const page of handsPagesFor('flat')) expect(judged(page, none).proposals).toEqual([])
    const drop = setupOf([], [], 'drop')
    for (const page of handsPagesFor('drop')) expect(judged(page, drop).proposals).toEqual([])
    expect(searchLacks(none)).toContain('frameReach')
    expect(searchInput(none, startingCockpit, freshRequest)).toBeNull()
  })

  it('plans cuts of a wide bar down to what its parts need, one at a time', () => {
    const wide = judged('width', setup({ barWidth: 880, barShortest: 810 }))
    expect(weights(wide)).toMatchObject({ wide: 'act', floor: 'note' })
    expect(wide.proposals[0]).toMatchObject({ key: 'cut', requested: [{ setting: 'barWidth', by: -10 }] })
    const inches = judged('width', setup({ barWidth: 880 }), { cutSize: 'quarter' })
    expect(inches.proposals[0]?.requested[0]).toMatchObject({ by: -12.7 })
    expect(weights(judged('width', setup({ barWidth: 440 })))).toMatchObject({ 'below-room': 'act' })
    expect(weights(judged('width', setup({ narrowestGap: 800 })))).toMatchObject({ gap: 'note' })
    expect(weights(judged('width', setup({ eventBarWidest: 700 })))).toMatchObject({ event: 'act' })
  })

  it('goes by the ±: a hook a little off is a note, far off is worth a change, each hand by itself', () => {
    // Finger 60 + 25.2 = 85.2; hook 132 + 10 − 66 = 76.
    const near = setup()
    expect(hookOf(near, 'left').found?.off).toBeCloseTo(9.2, 6)
    const off = setup({ leverClamp: [10, 0] })
    const page = judged('levers', off)
    expect(page.findings.filter(({ key }) => key === 'hook-off').map(({ side, weight }) => [side, weight])).toContainEqual(['right', 'act'])
    const asked = page.proposals.find(({ key }) => key === 'hook')?.requested
    expect(asked).toContainEqual({ setting: 'leverClamp', side: 'right', by: 19 })
  })

  it('does not slide a clamp by a lever that would end past the bar', () => {
    const page = judged('levers', setup({ leverHook: [170, 170] }))
    expect(weights(page)).toMatchObject({ 'hook-past': 'note' })
    expect(page.proposals.some(({ key }) => key === 'hook')).toBe(false)
  })

  it('calls levers too flat or too low against the forearm, and both unlike', () => {
    expect(weights(judged('levers', setup({ leverAngle: [20, 20] })))).toMatchObject({ 'lever-flat': 'act' })
    expect(weights(judged('levers', setup({ leverAngle: [55, 55] })))).toMatchObject({ 'lever-low': 'act' })
    expect(weights(judged('levers', setup({ leverAngle: [36, 40] })))).toMatchObject({ 'levers-apart': 'act' })
    // The same lever is right for steep ground.
    expect(weights(judged('levers', setup({ leverAngle: [23, 23] }), { leverSchool: 'flatter' }))).toMatchObject({
      'lever-angle-fits': 'fine',
    })
    // Past the standard's limit, whatever the finger does.
    expect(weights(judged('levers', setup({ leverReach: [96, 96] })))).toMatchObject({ 'reach-limit': 'act' })
  })

  it('lets a finger that was tried outrank the one that was computed', () => {
    const computed = leverFar(setup({ leverReach: [84, 84] }), 'left')
    const tried = leverFar(setup({ leverReach: [84, 84], fingerHooks: [84, 84] }), 'left')
    expect(computed?.value).toBeGreaterThan(5)
    expect(tried?.value).toBeCloseTo(0, 9)
    expect(tried?.plusMinus).toBeLessThan(computed?.plusMinus ?? 0)
  })

  it('asks which lever works the front brake, and stops where told and found differ', () => {
    expect(weights(judged('levers', setup()))).toMatchObject({ 'front-brake': 'note' })
    const of = setup({ frontBrakeLever: 'left' })
    const parts = handsParts({ ...contextAt(of, { kind: 'trail', riding: { frontBrake: 'right' } }), choices: {} })
    expect(parts.levers.findings.find(({ key }) => key === 'front-brake')?.weight).toBe('first')
  })

  it('puts the shifter where the thumb works, or says that no side does', () => {
    const far = setup({ shifterPaddle: [-20, -20] })
    expect(thumbOf(far, 'left').found?.paddle).toBe(182)
    expect(weights(judged('controls', far))).toMatchObject({ 'shifter-far': 'act' })
    expect(controlMove(setup({ shifterPaddle: [34, 34] }), 'left')).toBe(0)
    expect(weights(judged('controls', setup({ barWidth: 440 })))).toMatchObject({ 'no-room': 'act' })
  })

  it('never slides a shifter onto the brake as it stands, wherever the brake should go', () => {
    let [slid, stayed] = [0, 0]
    for (const leverClamp of [0, 10, 22, 32, 44])
      for (const shifterClamp of [20, 40, 60, 80])
        for (const paddle of [0, 15, 30]) {
          const at = setup({
            leverClamp: [leverClamp, leverClamp],
            shifterClamp: [shifterClamp, shifterClamp],
            shifterPaddle: [paddle, paddle],
          })
          const by = controlMove(at, 'left')
          if (by === 0) stayed += 1
          else {
            slid += 1
            expect(Math.abs(shifterClamp + by - leverClamp)).toBeGreaterThanOrEqual(12.5)
          }
        }
    expect([slid > 5, stayed > 5]).toEqual([true, true])
  })

  it('refuses hoods that are turned in strongly, with the reason', () => {
    const page = judged('hoods', setup({ hoodAngle: [14, 14], hoodPosition: [45, 45], hoodWidth: 420, barReach: 80, barDrop: 125 }, 'drop'))
    expect(weights(page)).toMatchObject({ 'turned-in': 'act' })
    expect(said(page.findings.find(({ key }) => key === 'turned-in')?.headline)).toContain('braking suffers')
    for (const { requested } of page.proposals)
      for (const move of requested) if ('setting' in move && move.setting === 'hoodAngle') expect(move.by).toBeLessThan(0)
  })

  it('judges grips by the hand and the school', () => {
    // 0.197 · 165 = 32.5 mm: Kong & Lowe 2005.
    expect(weights(judged('grips', setup({ gripDiameter: [37, 37], handLength: [165, 165] })))).toMatchObject({ 'grip-thick': 'act' })
    expect(weights(judged('grips', setup({ gripDiameter: [28, 28] })))).toMatchObject({ 'grip-thin': 'act' })
  })

  it('says so where a bar was cut below its maker’s mark, which is another trouble than a clamp on the bend', () => {
    const page = judged('width', setup({ barWidth: 680, barShortest: 700 }))
    expect(said(page.findings.find(({ key }) => key === 'below-mark')?.sentence)).toContain('another bar')
    expect(weights(page)).not.toHaveProperty('below-room')
  })
})

describe('hands up and down', () => {
  const standing = standingOf(setup())
  const points = handSweep(standing, 'height')!

  it('raise the torso with the hands and ease the neck as much, evenly and without a jump', () => {
    expect(points).toHaveLength(25)
    for (let i = 1; i < points.length; i += 1) {
      const [a, b] = [points[i - 1]!, points[i]!]
      expect(b.metrics!.torso!).toBeGreaterThan(a.metrics!.torso!)
      expect(b.neck! + b.metrics!.torso!).toBeCloseTo(90, 9)
      expect(b.metrics!.torso! - a.metrics!.torso!).toBeLessThan(2)
    }
  })

  it('have a broad middle that the edges found on the trainer set', () => {
    expect(broadMiddle(points, { low: -25, high: 30 })).toEqual({ low: -25, high: 30, lowEnd: 'found', highEnd: 'found' })
    const own = broadMiddle(points, { low: null, high: null })
    expect(own.low).toBeGreaterThanOrEqual(-15)
    expect(own.high).toBeLessThanOrEqual(15)
  })

  it('fall by the ready forearm: bent elbows, hips back, between level and steep', () => {
    const fall = readyForearm(setup().model!)!
    expect(fall.left).toBeGreaterThan(10)
    expect(fall.left).toBeLessThan(70)
    expect(fall.left).toBeCloseTo(fall.right, 0)
  })
})

describe('a cockpit for this visit', () => {
  it('changes the parts of its line and nothing else, and puts the hands where the line says', () => {
    const of = setup()
    const search = { ...freshRequest, hold: 'wanted', up: 45, forward: -25, onlyBar: 'Riser 50, 800, 9° back' } as const
    const input = searchInput(of, startingCockpit, search)!
    const [line] = searchCockpit(input).lines.filter(({ stem }) => !input.stems[stem]!.isOn)
    if (!line) throw new Error('no line with another stem')
    const requested = lineRequests(of, input, line, startingCockpit)
    expect(requested.flatMap((one) => ('slot' in one ? [one.slot] : []))).toEqual(['stem', 'bar'])
    // Written into the ledger, the model's hands come to the very place the search promised.
    const moves = requested.flatMap((one) => ('slot' in one ? [] : [{ ...one, role: 'chosen' as const }]))
    const exchanges = requested.flatMap((one) => ('slot' in one ? [{ ...one, role: 'chosen' as const }] : []))
    const after = setupOf(readingsWith({ ...flatBar }) as Reading[], [{ ...entryOf(1, ...moves), exchanges }], 'flat')
    const { left, right } = after.model!.grips!
    expect((left.at.x + right.at.x) / 2).toBeCloseTo(line.hand.x, 1)
    expect((left.at.y + right.at.y) / 2).toBeCloseTo(line.hand.y, 1)
  })

  it('does not offer what is on the bike a second time', () => {
    const input = searchInput(setup(), startingCockpit, freshRequest)!
    expect(input.stems.filter(({ stemLength, stemAngle }) => stemLength === 50 && stemAngle === 6)).toHaveLength(1)
  })
})

describe('strips', () => {
  it('have every mark in true size from the bar’s end, what lies further in in words', () => {
    const sheet = barStrip(stripInput(setup({ barWidth: 840 }), {}, 'trail', 'Test'))
    const y = (key: string) => sheet.lines.find((line) => line.key === key)!.from.y
    expect(y('left-grip') - y('left-end')).toBeCloseTo(132, 9)
    expect(y('left-brake-now') - y('left-end')).toBeCloseTo(142, 9)
    expect(y('left-brake') - y('left-brake-now')).toBeCloseTo(9.2, 6)
    const bar = sheet.lines.find(({ key }) => key === 'bar-metric')!
    expect(bar.to.x - bar.from.x).toBe(50)
    const far = barStrip({ title: 'T', marks: { left: [{ key: 'a', label: 'remote', at: STRIP_LENGTH + 20, kind: 'aim' }], right: [] } })
    expect(far.texts.some(({ text }) => text.includes('Further in: remote 220'))).toBe(true)
    for (const { from, to } of sheet.lines)
      for (const at of [from, to]) {
        expect(at.x).toBeGreaterThan(0)
        expect(at.x).toBeLessThan(sheet.width)
        expect(at.y).toBeLessThan(sheet.height)
      }
  })

  it('say what is still to be read, and are for flat bars', () => {
    expect(() => stripInput(setupOf([], [], 'flat'), {}, 'trail', 'T')).toThrow('grip length')
    expect(() => stripInput(setupOf([], [], 'drop'), {}, 'gravel', 'T')).toThrow('flat bars')
  })
})

describe('other levers and extensions of the catalogue', () => {
  it('come under finger and thumb with their clamp slid there, the nearest first', () => {
    const of = setup()
    const rows = leverChoices(of, startingCockpit)
    expect(rows).toHaveLength(12)
    for (let i = 1; i < rows.length; i += 1)
      if (rows[i]!.fits === rows[i - 1]!.fits) expect(rows[i]!.misses).toBeGreaterThanOrEqual(rows[i - 1]!.misses)
    const [best] = rows
    const exchange = best!.requested.flatMap((one) => ('slot' in one ? [{ ...one, role: 'chosen' as const }] : []))
    const moves = best!.requested.flatMap((one) => ('slot' in one ? [] : [{ ...one, role: 'chosen' as const }]))
    const after = setupOf(readingsWith({ ...flatBar }), [{ ...entryOf(1, ...moves), exchanges: exchange }], 'flat')
    expect(Math.abs(hookOf(after, 'right').found!.off)).toBeLessThan(best!.misses + 1)
  })

  it('of extensions say where the hands come to and what torso and neck make of it', () => {
    const rows = extensionChoices(setup(extensionBar, 'drop'), startingCockpit)
    expect(rows).toHaveLength(4)
    for (const { words } of rows) expect(said(words)).toMatch(/^Hands \d+ mm (back|forward), \d+ mm (up|down)/)
    expect(extensionChoices(setup({}, 'drop'), startingCockpit)).toEqual([])
  })

  it('judges the extensions by what was read on them, and nothing else by it', () => {
    const on = (key: 'torsoAngle' | 'hipAngle', value: number) =>
      (key === 'torsoAngle' ? (['both'] as const) : (['left', 'right'] as const)).map((side) => ({
        ...aReading(key, side, value),
        condition: 'extension' as const,
      }))
    const bars = {
      hoodWidth: 420,
      barReach: 80,
      barDrop: 125,
      padForward: 40,
      padUp: 60,
      padSpacing: 330,
      extensionLength: 290,
      extensionAngle: 8,
    }
    const before = setupOf(readingsWith(bars), [], 'drop')
    const after = setupOf([...readingsWith(bars), ...on('torsoAngle', 8)], [], 'drop')
    const torsoOn = (of: Setup) => positionRows(of).find(({ hands, effort }) => hands === 'extension' && effort === 'calm')?.metrics.torso
    expect(torsoOn(after)).toBeCloseTo(8, 6)
    expect(Math.abs((torsoOn(before) ?? 0) - 8)).toBeGreaterThan(1)
    expect(weights(judged('extensions', after))).toMatchObject({ 'too-low': 'note' })
    // The hoods are none of its business.
    const usual = (of: Setup) => contextAt(of).metrics?.torso
    expect(usual(after)).toBe(usual(before))
    const torso = readingsOn(handsStation.pages.extensions, 'drop').find(({ key }) => key === 'torsoAngle')
    expect(torso?.condition).toBe('extension')
    expect(readingsOn(handsStation.pages.extensions, 'drop').find(({ key }) => key === 'padUp')?.condition).toBe('usual')
  })
})
