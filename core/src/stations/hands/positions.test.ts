import { setupOf } from '../../rider/setup.ts'
import type { Setup } from '../../rider/setup.ts'
import type { LedgerEntry } from '../../ledger/ledger.ts'
import { judgePage } from '../../station/station.ts'
import type { PageJudgement } from '../../station/station.ts'
import { aReading, contextAt, entryOf, readingsWith, said } from '../../testing.ts'
import { positionRows } from './place/positions.ts'
import { torsoBand } from './place/front.ts'
import { fallbacks, PAD_AHEAD } from './extensions/rules.ts'
import { metricEstimate, plusMinusAsRead } from '../../rider/metricEstimate.ts'
import { blocksOf } from '../../prove/blocks.ts'
import { vialsOf } from '../../station/number.ts'
import { reachToComfort } from '../../body/armReach.ts'
import { riderAt } from '../../body/rider.ts'
import { sides } from '../../kernel/sided.ts'
import { handsParts, handsStation } from './station.ts'
import { extensionBar, flatBar, judged, partsAt, setup, weights } from './testing.ts'
import type { Over } from './testing.ts'

describe('a lever that is too far out', () => {
  const lever = (over: Over) => judged('levers', setup({ leverReach: [80, 80], indexFinger: [60, 60], fingerHooks: [62, 62], ...over }))
  const words = (page: PageJudgement) => said(page.findings.find(({ key }) => key === 'reach-far')!.sentence)
  const dialled = (page: PageJudgement) => page.proposals.find(({ key }) => key === 'reach')?.requested

  it('is dialled in as far as its screw goes, and another lever is named for the rest', () => {
    expect(words(lever({}))).toContain('Dial it in.')
    expect(dialled(lever({}))).toContainEqual({ setting: 'leverReach', side: 'left', by: -18 })
    expect(words(lever({ leverRoomIn: [7, 7] }))).toContain('It comes 7 mm nearer: for the rest, another lever.')
    expect(dialled(lever({ leverRoomIn: [7, 7] }))).toContainEqual({ setting: 'leverReach', side: 'left', by: -7 })
    expect(words(lever({ leverRoomIn: [0, 0] }))).toContain('It comes no nearer: another lever.')
    expect(dialled(lever({ leverRoomIn: [0, 0] }))).toBeUndefined()
  })

  it('is not dialled in so far that it bites at the bar, and bites at the bar nowhere', () => {
    expect(words(lever({ leverBite: [36, 36] }))).toContain('It bites 36 mm from the bar: set the brake to bite earlier')
    expect(dialled(lever({ leverBite: [36, 36] }))).toContainEqual({ setting: 'leverReach', side: 'left', by: -11 })
    expect(weights(lever({ leverBite: [15, 36] }))).toMatchObject({ 'bite-near': 'act' })
    expect(weights(lever({ leverBite: [36, 36] }))).not.toHaveProperty('bite-near')
    // At the bar it is not ridden; by its ± on the safe side.
    expect(weights(lever({ leverBite: [11, 36] }))).toMatchObject({ 'bite-at-bar': 'first' })
    expect(blocksOf(setup({ leverBite: [11, 36] }), []).map(({ key }) => key)).toEqual(['bite-at-bar:left'])
    expect(blocksOf(setup({ leverBite: [15, 36] }), [])).toEqual([])
  })
})

describe('what the eye and the tape say of one thing', () => {
  const thumb = (seen: string, over: Over = {}) => {
    const of = setupOf([...readingsWith({ ...flatBar, ...over }), ...sides.map((side) => aReading('thumbReach', side, seen))], [], 'flat')
    return judged('controls', of)
  }

  it('is named where they disagree, and nothing is moved by it', () => {
    const far: Over = { shifterClamp: [90, 90] }
    expect(weights(judged('controls', setup(far)))).toMatchObject({ 'shifter-far': 'act' })
    const seen = thumb('reached', far)
    expect(weights(seen)).toMatchObject({ 'shifter-contradicted': 'note', 'shifter-far': 'note' })
    expect(seen.proposals.map(({ key }) => key)).not.toContain('shifter')
    // Where both say that it is far, it is moved.
    expect(weights(thumb('lets', far))).toMatchObject({ 'shifter-far': 'act' })
    expect(weights(thumb('lets', far))).not.toHaveProperty('shifter-contradicted')
  })
})

describe('a bar that is turned to the hand', () => {
  it('is turned only where that gains more than the hand is known to', () => {
    // A hand with much more sweep than the bar: roll trades sweep for rise and gains nothing to speak of.
    const page = judged('roll', setup({ barBacksweep: 5, barUpsweep: 5, handSweep: [22, 22] }))
    expect([weights(page)['roll-gains-little'], page.proposals]).toEqual(['note', []])
    expect(said(page.findings.find(({ key }) => key === 'roll-gains-little')!.sentence)).toContain(
      'Look for a bar with 17° more backsweep.',
    )
    for (const sweep of [5, 10, 15, 20, 25, 30])
      for (const up of [0, 3, 6]) {
        const { findings, proposals } = judged('roll', setup({ barBacksweep: sweep, barUpsweep: up }))
        const little = findings.some(({ key }) => key === 'roll-gains-little')
        expect([sweep, up, little && proposals.length > 0]).toEqual([sweep, up, false])
      }
  })
})

describe('a reach that is too long', () => {
  it('is taken in by as much as makes the elbows soft, the torso held', () => {
    const long = setup({ elbowFlexion: [3, 3], sitsWhere: 'nose', creepForward: 40, shoulderAngle: [92, 92] }, 'drop')
    const { findings, proposals } = judged('place', long)
    const finding = findings.find(({ key }) => key === 'reach-long')!
    expect(said(finding.sentence)).toMatch(
      /With the torso as it is, hands \d+ mm closer bend the elbows to \d+° and bring the shoulder to \d+°\./,
    )
    const [closer] = proposals.filter(({ key }) => key === 'closer')
    const [move] = closer!.requested.flatMap((one) => ('slot' in one ? [] : [one]))
    expect(move!.by).toBe(Math.round(reachToComfort(long.model!)!.by))
    // Creep seen before the hands were moved is seen again, and asks for no second step.
    const creeps = { sitsWhere: 'nose', creepForward: 40, gripSpacing: 640, elbowFlexion: [25, 25], shoulderAngle: [60, 60] } as Over
    expect(weights(judged('place', setup(creeps, 'drop')))).toMatchObject({ 'reach-long': 'act' })
    const moved = setupOf(readingsWith(creeps), [entryOf(1, { setting: 'handReach', side: 'both', by: -10, role: 'chosen' })], 'drop')
    expect(weights(judged('place', moved))).toMatchObject({ creeps: 'note' })
    expect(weights(judged('place', moved))).not.toHaveProperty('reach-long')
    // Nothing read of the arms: no amount is named, and one step is all there is.
    const unread = readingsWith(creeps).filter(({ key }) => !['elbowFlexion', 'shoulderAngle'].includes(key))
    const [step] = judged('place', setupOf(unread, [], 'drop')).proposals.filter(({ key }) => key === 'closer')
    expect(step!.requested).toEqual([{ setting: 'handReach', side: 'both', by: -10 }])
    // Sitting on the nose with wide hands alone does not make a reach long.
    const wide = judged('place', setup({ sitsWhere: 'nose', gripSpacing: 640, elbowFlexion: [25, 25], creepForward: 0 }, 'drop'))
    expect(weights(wide)).not.toHaveProperty('reach-long')
  })
})

describe('positions of a bar with extensions', () => {
  it('lie lower the further the hands are, and fall back to what is easier on the neck', () => {
    const of = setup(extensionBar, 'drop')
    const rows = positionRows(of)
    expect(rows.map(({ hands }) => hands)).toEqual(['hoods', 'tops', 'drops', 'extension'])
    const torso = Object.fromEntries(rows.map(({ hands, metrics }) => [hands, metrics.torso!]))
    expect(torso['drops']).toBeLessThan(torso['hoods']!)
    for (const { neck } of fallbacks(rows, 'drops')) expect(neck).toBeGreaterThan(0)
  })

  it('have forearms level over the hoods where something was read there, and no locked elbow', () => {
    const level = (key: 'elbowFlexion' | 'torsoAngle', value: number) =>
      (key === 'torsoAngle' ? (['both'] as const) : sides).map((side) => ({ ...aReading(key, side, value), condition: 'aero' as const }))
    const of = setupOf([...readingsWith({ ...extensionBar }), ...level('elbowFlexion', 88)], [], 'drop')
    const aero = positionRows(of).find(({ hands }) => hands === 'aero')!
    expect(aero.metrics.elbowLeft).toBeCloseTo(88, 6)
    const { arms } = riderAt(aero.model, 90).upper!
    expect(arms.left.forearmFall).toBeCloseTo(0, 9)
    // On the tip of the hood: ahead of the hand that lies in its hollow.
    const hoods = positionRows(of).find(({ hands }) => hands === 'hoods')!
    expect(arms.left.hand.x).toBeGreaterThan(hoods.model.grips!.left.at.x + 40)
    const page = judged('place', of, { shares: { hoods: 60, aero: 40 } })
    expect(weights(page)).toMatchObject({ 'aero-hoods': 'note' })
    expect(weights(page)).not.toHaveProperty('locked-aero')
    expect(torsoBand('drop bar', 'aero').low).toBe(28)
    // It is no place to rest the neck.
    expect(fallbacks(positionRows(of), 'drops').map(({ hands }) => hands)).not.toContain('aero')
  })

  it('carry the forearm on the pad along the extension', () => {
    for (const extensionAngle of [0, 8, 20]) {
      const on = positionRows(setup({ ...extensionBar, extensionAngle }, 'drop')).find(({ hands }) => hands === 'extension')!
      const arms = riderAt(on.model, 90).upper!.arms
      for (const side of sides) expect(arms[side].forearmFall).toBeCloseTo(-extensionAngle, 6)
      expect(arms.left.elbow.z).toBeCloseTo(arms.left.hand.z, 6)
    }
  })

  /** Extensions on which this was read of the rider. */
  const readOn = (key: 'kneeElbowGap' | 'elbowFlexion', value: number, over: Over = {}, ledger: readonly LedgerEntry[] = []) => {
    const method = key === 'kneeElbowGap' ? ('ruler' as const) : ('goniometer' as const)
    const read = sides.map((side) => ({ ...aReading(key, side, value), method, condition: 'extension' as const }))
    return setupOf([...readingsWith({ ...extensionBar, ...over }), ...read], ledger, 'drop')
  }

  it('judge a gap between knee and forearm as it was read, and say when they meet', () => {
    const gapOf = (of: Setup) => vialsOf(handsStation.pages.extensions.numbers ?? {}, partsAt(of)).find(({ key }) => key === 'armGap')!
    expect(gapOf(readOn('kneeElbowGap', 0))).toMatchObject({ value: 0, plusMinus: 1.5 })
    expect(gapOf(readOn('kneeElbowGap', 40)).value).toBe(40)
    const meets = judged('extensions', readOn('kneeElbowGap', -12))
    expect(said(meets.findings.find(({ key }) => key === 'arm-gap')!.headline)).toBe('Knee and forearm meet: 12 mm too close.')
    expect(meets.proposals.map(({ words }) => said(words))).toContain('Pads 10 mm up')
    expect(weights(judged('extensions', readOn('kneeElbowGap', 40)))).not.toHaveProperty('arm-gap')
    // Read on the hoods, it says nothing of the extensions.
    const elsewhere = setupOf(
      [...readingsWith(extensionBar), { ...aReading('kneeElbowGap', 'left', -12), method: 'ruler' as const }],
      [],
      'drop',
    )
    expect(gapOf(elsewhere).plusMinus).toBe(15)
    expect(metricEstimate(elsewhere, 'kneeElbowLeft', null)).toMatchObject({ value: -12, plusMinus: 1.5 })
    const context = contextAt(elsewhere, { kind: 'drop bar', plusMinus: (metric) => plusMinusAsRead(elsewhere, metric, 40) })
    const { findings } = judgePage(handsStation.pages.place as never, handsParts({ ...context, choices: {} })) as PageJudgement
    expect(weights({ findings, proposals: [] } as never)).toMatchObject({ 'knees-meet': 'act' })
  })

  it('ask for a square elbow there, and move pads under the forearm without moving the hands', () => {
    expect(weights(judged('extensions', readOn('elbowFlexion', 90)))).not.toHaveProperty('reaches-out')
    expect(weights(judged('extensions', readOn('elbowFlexion', 40)))).toMatchObject({ 'reaches-out': 'act' })
    expect(weights(judged('extensions', readOn('elbowFlexion', 125)))).toMatchObject({ cramped: 'act' })
    // The pads go as far as the elbow asks: the page is content then, and asks for no way back.
    for (const bent of [40, 55, 112, 125]) {
      const [asked] = judged('extensions', readOn('elbowFlexion', bent)).proposals.filter(({ key }) => key === 'back' || key === 'ahead')
      const [move] = asked!.requested.flatMap((one) => ('slot' in one ? [] : [{ ...one, role: 'chosen' as const }]))
      expect(Math.sign(move!.by)).toBe(bent < 60 ? -1 : 1)
      const page = judged('extensions', readOn('elbowFlexion', bent, {}, [entryOf(1, move!)]))
      expect([bent, weights(page)['reaches-out'], weights(page)['cramped']]).toEqual([bent, undefined, undefined])
      expect(page.proposals.map(({ key }) => key)).not.toContain('back')
      expect(page.proposals.map(({ key }) => key)).not.toContain('ahead')
    }
    // By the model alone nothing is moved for it.
    const unread = judged('extensions', setup({ ...extensionBar, padForward: 160 }, 'drop'))
    expect(unread.proposals.map(({ key }) => key)).not.toContain('back')
    const far = readOn('elbowFlexion', 90, { extensionLength: 400 })
    const forward = judged('extensions', far).proposals.find(({ key }) => key === 'forward')!
    const moves = forward.requested.flatMap((one) => ('slot' in one ? [] : [{ ...one, role: 'chosen' as const }]))
    const after = setupOf(readingsWith({ ...extensionBar, extensionLength: 400 }), [entryOf(1, ...moves)], 'drop')
    const padAhead = vialsOf(handsStation.pages.extensions.numbers ?? {}, partsAt(after)).find(({ key }) => key === 'padAhead')!
    expect(padAhead.value).toBeGreaterThan(PAD_AHEAD.low)
    const handOn = (of: Setup) => positionRows(of).find(({ hands }) => hands === 'extension')!.model.grips!.left.at
    // To a millimetre: the extensions rise 8°, the pads go level.
    expect(Math.abs(handOn(after).x - handOn(far).x)).toBeLessThan(1)
  })
})
