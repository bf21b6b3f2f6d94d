import { verdictOf } from '../kernel/judged.ts'
import { handsParts, handsPagesFor } from '../stations/hands/station.ts'
import { flatBar } from '../stations/hands/testing.ts'
import { startingCockpit } from '../stations/hands/cockpit/parts.ts'
import { leverChoices } from '../stations/hands/cockpit/partChoices.ts'
import { complaintAt, controlComplaint, onlyReadings, readingsWith } from '../testing.ts'
import { causeOf, causeKeys, causePage } from './causeTable.ts'
import { numberRow } from './numbers.ts'
import { reason } from './reason.ts'
import { aVisit } from './testing.ts'
import type { VisitState } from './visitModel.ts'
import { visitModel } from './visitModel.ts'

type Over = Parameters<typeof readingsWith>[0]
const visitOf = (over: Over, more: Partial<VisitState> = {}) =>
  aVisit({
    readings: readingsWith({ ...flatBar, ...over }),
    kind: 'trail',
    complaints: [complaintAt(1, 'forearm', 'both', { kind: 'tired' })],
    ...more,
  })
const factsOf = (over: Over, more: Partial<VisitState> = {}) => visitModel(visitOf(over, more)).facts
const endOf = (facts: ReturnType<typeof factsOf>, name: Parameters<typeof numberRow>[0]) => {
  const number = numberRow(name).at(facts, 'right')
  return number && verdictOf(number).end
}

describe('the reasoner and the pages of the hands', () => {
  it('judge a lever’s angle by one school: what is right for steep ground is no cause', () => {
    const angles = { leverAngle: [23, 23], forearmReady: [36, 36] } as const
    expect(endOf(factsOf(angles), 'leverAngle')).toBe('low')
    expect(endOf(factsOf(angles, { choices: { feet: {}, seat: {}, hands: { leverSchool: 'flatter' } } }), 'leverAngle')).not.toBe('low')
  })

  it('judge the width by the school that was chosen', () => {
    // 740 to 800 mm are common on trail bikes; 0.42 of a stature of 1850 is 777 mm.
    const over = { barWidth: 760, stature: 1850 }
    const byStature = { choices: { feet: {}, seat: {}, hands: { widthSchool: 'stature' } } } as const
    expect([endOf(factsOf(over), 'barWidth'), endOf(factsOf(over, byStature), 'barWidth')]).toEqual([null, 'low'])
    // 0.46 of it is 851 mm, and no bar for the trail is wider than 800.
    expect(endOf(factsOf({ ...over, barWidth: 826 }, byStature), 'barWidth')).toBe('high')
  })

  it.each([
    ['grip-thick', { gripDiameter: [42, 42], handLength: [170, 170] }, 'grips', 'grip-thick'],
    ['hook-off', { leverClamp: [10, 10], leverHook: [86, 86] }, 'levers', 'hook-off'],
    ['lever-far', { leverReach: [97, 97], indexFinger: [64, 64] }, 'levers', 'reach-far'],
    ['shifter-side', { shifterPaddle: [-20, -20] }, 'controls', 'shifter-far'],
    ['bar-wide', { barWidth: 900 }, 'width', 'wide'],
  ] as const)('agree on %s: what the page would change, the test speaks for', (cause, over, page, key) => {
    const facts = factsOf(over)
    const parts = handsParts({ ...facts.hands.context })
    expect(parts[page].findings.some((finding) => finding.key === key && finding.weight === 'act')).toBe(true)
    const complaints = [
      complaintAt(1, 'forearm', 'both', { kind: 'tired' }),
      controlComplaint(2, 'missed-shift'),
      controlComplaint(3, 'front-heavy'),
      controlComplaint(4, 'weak-braking'),
    ]
    const { causes } = reason(visitModel(visitOf(over, { complaints })).input).reasoned
    expect(causes.find((row) => row.cause === cause)?.said.some(({ speaks }) => speaks === 'for')).toBe(true)
  })

  it('send every cause to a page that the bar has', () => {
    for (const key of causeKeys) {
      const { station, bar } = causeOf(key)
      if (station !== 'hands') continue
      for (const kind of ['flat', 'drop'] as const)
        if (bar === undefined || bar === kind) expect(handsPagesFor(kind)).toContain(causePage(key, kind))
    }
  })

  it('slide a clamp by exactly what the finger misses, and a shifter to the better side', () => {
    const complaints = [controlComplaint(1, 'weak-braking')]
    const { moves } = reason(visitModel(visitOf({ leverHook: [86, 86] }, { complaints })).input).reasoned
    const slide = moves.find(({ cause }) => cause === 'hook-off')
    // Finger 60 + 0.30 · 84 = 85.2, hook 132 + 10 − 86 = 56.
    expect(slide?.requested).toContainEqual({ setting: 'leverClamp', side: 'right', by: 29 })
  })

  it('know hoods that are turned in as a cause of weak braking, and turn them out', () => {
    const readings = onlyReadings({ hoodAngle: [18, 18], hoodPosition: [45, 45], leverReach: [66, 66], indexFinger: [68, 68] })
    const { reasoned } = reason(visitModel(aVisit({ readings, complaints: [controlComplaint(1, 'weak-braking')] })).input)
    expect(reasoned.causes[0]?.cause).toBe('hoods-in')
    const [move] = reasoned.moves
    expect(move).toMatchObject({ cause: 'hoods-in' })
    for (const one of move?.requested ?? []) expect('by' in one && one.by < 0).toBe(true)
  })

  it('offer no lever of the catalogue that leaves more undone than another before it', () => {
    const rows = leverChoices(factsOf({}).setup, startingCockpit)
    expect(rows.filter(({ fits }) => fits).map(({ misses }) => misses)).toEqual(
      rows
        .filter(({ fits }) => fits)
        .map(({ misses }) => misses)
        .sort((a, b) => a - b),
    )
  })
})
