import { movesAsked } from '../ledger/moves.ts'
import fc from 'fast-check'
import { foldLedger } from '../ledger/fold.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import type { Reading } from '../readings/reading.ts'
import { slots } from '../ledger/parts.ts'
import { feetStation } from '../stations/feet/station.ts'
import { handsStation } from '../stations/hands/station.ts'
import { definitionOf, isChoice, optionsOf, readingKeys } from '../readings/readingDefinitions.ts'
import type { NumberKey } from '../readings/readingDefinitions.ts'
import { normal, seeded } from '../kernel/random.ts'
import { seatStation } from '../stations/seat/station.ts'
import { leastOf, settingKeys, settingOf } from '../ledger/settings.ts'
import { sources } from '../kernel/sources.ts'
import type { Complaint } from '../talk/complaint.ts'
import { controlSymptomKeys } from '../talk/controlSymptoms.ts'
import { triedKeys } from '../talk/history.ts'
import { bodyKinds, bodyRegions } from '../talk/regions.ts'
import { complaintAt, controlComplaint, entryOf, onlyReadings, readingsWith, testTime, uuid, said } from '../testing.ts'
import { belief, entropy, likelihoodOf, logRatio, normalShare, oddsOf, priorAt, probabilityOf } from './arithmetic.ts'
import { causeKeys, causeOf } from './causeTable.ts'
import { learnedFrom } from './closed.ts'
import { thoughtsOver, turnsOf } from './history.ts'
import { nearestSymptoms, symptomsOf } from './matching.ts'
import { numbers } from './numbers.ts'
import { reason } from './reason.ts'
import { summed, withStudioCounts } from './studio.ts'
import { symptomKeys, symptomOf, whyOf } from './symptomTable.ts'
import { aVisit } from './testing.ts'
import { strengths, tests } from './testTable.ts'
import { visitModel } from './visitModel.ts'
import type { VisitState } from './visitModel.ts'

const think = (over: Partial<VisitState>, focus: string | null = null) => reason(visitModel(aVisit(over)).input, focus)
const chance = (over: Partial<VisitState>, cause: string) =>
  think(over).reasoned.causes.find((row) => row.cause === cause)?.probability ?? 0
const knee = complaintAt(1, 'knee-back', 'right')
const toes = complaintAt(2, 'forefoot', 'right', { kind: 'numb' })

describe('the tables', () => {
  it('give every cause a test, a remedy or an advice, a page that exists, and a complaint that asks for it', () => {
    const stations = { feet: feetStation, seat: seatStation, hands: handsStation }
    const listed = new Set<string>(symptomKeys.flatMap((key) => symptomOf(key).causes))
    for (const key of causeKeys) {
      const { station, page, remedy } = causeOf(key)
      expect([key, page in stations[station].pages, remedy.label !== '', listed.has(key)]).toEqual([key, true, true, true])
      expect([key, tests.some((row) => row.cause === key)]).toEqual([key, true])
      const { move } = remedy
      if (move) expect([key, settingOf(move.setting).sided === causeOf(key).sided || !settingOf(move.setting).sided]).toEqual([key, true])
      if (remedy.slot) expect(remedy.slot in slots).toBe(true)
      for (const other of [...(causeOf(key).mutedBy ?? []), ...(causeOf(key).after ?? [])]) expect(causeKeys).toContain(other)
      for (const tried of [...(causeOf(key).tried?.same ?? []), ...(causeOf(key).tried?.opposite ?? [])]) expect(triedKeys).toContain(tried)
    }
  })
  it('test readings and words that exist, and name a source', () => {
    for (const row of tests) {
      expect(Object.hasOwn(sources, row.source)).toBe(true)
      expect([row.for, row.otherwise].every((words) => words.endsWith('.'))).toBe(true)
      if ('of' in row) expect(Object.hasOwn(numbers, row.of)).toBe(true)
      else {
        expect(readingKeys.includes(row.choice) && isChoice(row.choice)).toBe(true)
        for (const option of row.is) expect(optionsOf(row.choice)).toContain(option)
      }
    }
  })
  // Complaints and their causes: common practice of the trade.
  it('know every place and kind of the body map, and every control symptom', () => {
    const unknown = bodyRegions.flatMap(({ key, sided }) =>
      bodyKinds.flatMap((kind) => {
        const complaint = complaintAt(1, key, sided ? 'both' : 'middle', { kind })
        return symptomsOf(complaint).length > 0 || nearestSymptoms(complaint).length > 0 ? [] : [`${key} ${kind}`]
      }),
    )
    expect(unknown).toEqual([])
    for (const control of controlSymptomKeys)
      expect([control, symptomsOf(controlComplaint(1, control))]).toEqual([control, [expect.anything()]])
  })
  it('ask what was told: what hurts is not asked why it is numb', () => {
    const why = (complaint: Complaint) => symptomsOf(complaint).map((key) => whyOf(symptomOf(key), complaint))[0]
    expect(why(complaintAt(1, 'hand-thumb', 'left', { kind: 'numb' }))).toBe('Why do the thumb and first fingers go numb?')
    expect(why(complaintAt(1, 'hand-thumb', 'left', { kind: 'pain' }))).toBe('Why do the thumb and first fingers hurt?')
    expect(why(controlComplaint(1, 'rocks'))).toBe('Why does the rider rock on the saddle?')
    expect(why(controlComplaint(1, 'cramp-after'))).toBe('Why does it cramp afterwards?')
  })
  it('tell the two kinds of creeping apart, and one sit bone from both', () => {
    expect(symptomsOf(controlComplaint(1, 'slides-forward'))).toEqual(['slides-forward'])
    expect(symptomsOf(controlComplaint(1, 'slides-back'))).toEqual(['pushes-back'])
    expect(symptomsOf(complaintAt(1, 'sit-bone', 'left'))).toEqual(['one-sit-bone'])
    expect(symptomsOf(complaintAt(1, 'sit-bone', 'both'))).toEqual(['sit-bones'])
    expect(symptomsOf(complaintAt(1, 'little-finger', 'left', { kind: 'numb' }))).toEqual(['little-fingers'])
    expect(symptomsOf(complaintAt(1, 'thumb', 'left', { kind: 'numb' }))).toEqual(['thumb-fingers'])
  })
})

describe('the arithmetic', () => {
  // Abramowitz & Stegun, table 26.1; values from memory of the table.
  it.each([
    [0, 0.5],
    [1, 0.8413447461],
    [1.96, 0.9750021049],
    [-2.5758, 0.005],
    [3, 0.998650102],
    [-1, 0.1586552539],
  ])('Φ(%d) = %d', (z, share) => {
    expect(normalShare(z)).toBeCloseTo(share, 5)
  })
  it('Φ is the share of drawn numbers below (independent check by drawing)', () => {
    const random = seeded(3)
    const drawn = Array.from({ length: 20000 }, () => normal(random))
    for (const z of [-1.5, -0.4, 0.7, 2]) expect(drawn.filter((one) => one < z).length / drawn.length).toBeCloseTo(normalShare(z), 1)
  })
  it('an unsure number moves nothing, and no test moves more than its strength', () => {
    for (const strength of ['weak', 'moderate', 'strong'] as const) {
      expect(logRatio(0.5, strength)).toBeCloseTo(0, 12)
      const { sensitivity: s, falseRate: f } = strengths[strength]
      expect(logRatio(1, strength)).toBeCloseTo(Math.log(s / f), 12)
      expect(logRatio(0, strength)).toBeCloseTo(Math.log((1 - s) / (1 - f)), 12)
      fc.assert(
        fc.property(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (a, b) =>
          a <= b ? logRatio(a, strength) <= logRatio(b, strength) + 1e-12 : true,
        ),
      )
    }
    // Bayes by hand: prior 0.4, a strong test wholly positive: 0.4·0.95 / (0.4·0.95 + 0.6·0.05) = 0.9268.
    expect(probabilityOf(oddsOf(0.4) * Math.exp(logRatio(1, 'strong')))).toBeCloseTo(0.38 / 0.41, 10)
    expect(belief(0, 3, 2)).toBeCloseTo(0.5, 6)
    expect(belief(6, 6, 4)).toBeCloseTo(normalShare(6 / 5), 12)
  })
  it('priors fall by rank, words by likelihood, entropy is that of a coin', () => {
    expect([priorAt(0), priorAt(1), priorAt(2)].map((p) => p.toFixed(4))).toEqual(['0.4000', '0.2960', '0.2190'])
    expect([0.9, 0.8, 0.6, 0.3, 0.1].map((p) => likelihoodOf(p).words)).toEqual([
      'very likely',
      'very likely',
      'likely',
      'possible',
      'unlikely',
    ])
    expect(entropy(0.5)).toBeCloseTo(Math.LN2, 12)
    expect([entropy(0), entropy(1)]).toEqual([0, 0])
  })
})

describe('ranking', () => {
  it('with nothing read is the order of the trade, and says so', () => {
    const { causes } = think({ complaints: [toes] }).reasoned
    expect(causes.map(({ cause }) => cause)).toEqual(['shoe-small', 'shoe-tight', 'cleat-forward', 'small-patch', 'no-arch-support'])
    expect(causes.every(({ isRead }) => !isRead)).toBe(true)
  })
  it('a straighter knee never makes a high saddle less likely', () => {
    const at = (degrees: number) => chance({ complaints: [knee], readings: onlyReadings({ kneeFlexion: degrees }) }, 'saddle-high')
    const found = [40, 34, 28, 26, 24, 20, 14].map(at)
    expect([...found].sort((a, b) => a - b)).toEqual(found)
  })
  it('mirrors with the rider', () => {
    const one = think({
      complaints: [complaintAt(1, 'knee-outer', 'left'), complaintAt(2, 'forefoot', 'right', { kind: 'numb' })],
      readings: readingsWith({ cleatTurn: [1, 9], toeOutHanging: [9, 9], cleatFloat: 6, cleatSetback: [20, 2] }),
    })
    const other = think({
      complaints: [complaintAt(1, 'knee-outer', 'right'), complaintAt(2, 'forefoot', 'left', { kind: 'numb' })],
      readings: mirrored(readingsWith({ cleatTurn: [1, 9], toeOutHanging: [9, 9], cleatFloat: 6, cleatSetback: [20, 2] })),
    })
    const flipped = { left: 'right', right: 'left', both: 'both' } as const
    const shown = (list: typeof one.reasoned.causes, flip: boolean) =>
      list.map(({ cause, side, probability }) => [cause, side === null ? null : flip ? flipped[side] : side, probability.toFixed(3)])
    expect(shown(other.reasoned.causes, true)).toEqual(shown(one.reasoned.causes, false))
  })
  it('does not depend on the order in which readings were typed', () => {
    const readings = readingsWith({ saddleTilt: 2, saddleWidth: 128, sitBoneSpacing: 130 })
    const groin = [complaintAt(1, 'groin', 'middle', { kind: 'numb' })]
    const a = think({ complaints: groin, readings }).reasoned.causes
    const b = think({ complaints: groin, readings: [...readings].reverse() }).reasoned.causes
    expect(b.map(({ cause }) => cause)).toEqual(a.map(({ cause }) => cause))
    // The search for the body may end a hair's breadth elsewhere.
    b.forEach(({ probability }, i) => expect(probability).toBeCloseTo(a[i]!.probability, 3))
  })
  it('takes several complaints together: at least one of them is right, evidence counts once', () => {
    const both = [complaintAt(1, 'calf', 'right'), complaintAt(2, 'forefoot', 'right', { kind: 'numb' })]
    const cause = (complaints: Complaint[]) => think({ complaints }).reasoned.causes.find((row) => row.cause === 'cleat-forward')!
    expect(cause(both).prior).toBeCloseTo(1 - (1 - priorAt(0)) * (1 - priorAt(2)), 9)
    expect(cause(both).explains).toHaveLength(2)
  })
  it('goes by what was told: what changed before, where on a ride, and what was tried', () => {
    const told = (over: Partial<Complaint>) => chance({ complaints: [{ ...complaintAt(1, 'knee-outer', 'right'), ...over }] }, 'rotation')
    expect(told({ changed: ['shoes-cleats'] })).toBeGreaterThan(told({}))
    const high = (over: Partial<Complaint>) => chance({ complaints: [{ ...knee, ...over }] }, 'saddle-high')
    expect(high({ tried: [{ what: 'saddle-down', helped: 'yes' }] })).toBeGreaterThan(high({}))
    expect(high({ tried: [{ what: 'saddle-down', helped: 'no' }] })).toBeLessThan(high({}))
    expect(high({ tried: [{ what: 'saddle-up', helped: 'worse' }] })).toBeGreaterThan(high({}))
    const back = (riding: VisitState['riding']) =>
      chance({ riding, complaints: [complaintAt(1, 'groin', 'middle', { kind: 'numb' })] }, 'never-moves')
    expect(back({ kinds: { indoor: 'most' } })).toBeGreaterThan(back({}))
  })
  it('settles the pelvis before the cleat, and feet and seat before the hands', () => {
    const outer = complaintAt(1, 'knee-outer', 'right')
    const crooked = think({
      complaints: [outer],
      readings: onlyReadings({ pelvisLevel: 'twisted', toeOutHanging: 9, cleatTurn: 2, cleatFloat: 6 }),
    }).reasoned
    expect(crooked.causes.find(({ cause }) => cause === 'rotation')?.muted).toMatch(/^First: sits rotated/)
    expect(crooked.moves.map(({ cause }) => cause)).not.toContain('rotation')
    const fingers = complaintAt(1, 'hand-little', 'both', { kind: 'numb' })
    const tilted = think({ complaints: [fingers], readings: onlyReadings({ saddleTilt: -8, wristAngle: 25 }) }).reasoned
    expect(tilted.causes.find(({ cause }) => cause === 'hoods-low')?.muted).toMatch(/^First: saddle nose too far down/)
    expect(tilted.moves[0]?.cause).toBe('nose-down')
  })
})

/** Left for right. */
function mirrored(readings: readonly Reading[]): Reading[] {
  return readings.map((reading) => (reading.side === 'both' ? reading : { ...reading, side: reading.side === 'left' ? 'right' : 'left' }))
}

describe('the shortest way from a complaint to something worth acting on', () => {
  const acts = (over: Partial<VisitState>) => think(over).reasoned.moves.find(({ isGuess }) => !isGuess)
  it('numb toes: cleat and shoe size', () => {
    const move = acts({ complaints: [toes], readings: onlyReadings({ cleatSetback: 2, shoeSize: 43 }) })
    expect(said(move)).toMatchObject({ cause: 'cleat-forward', words: expect.stringMatching(/^Cleat R back 5/) as string })
  })
  it('back of the knee: one knee angle', () => {
    const move = acts({ complaints: [knee], readings: onlyReadings({ kneeFlexion: 16 }).filter(({ side }) => side === 'right') })
    expect(said(move)).toMatchObject({ cause: 'saddle-high', words: 'Saddle down 5 mm' })
  })
  it('little fingers: shoulders, bar width, one wrist', () => {
    const fingers = complaintAt(1, 'hand-little', 'right', { kind: 'numb' })
    const readings = [
      ...onlyReadings({ acromionWidth: 400, hoodWidth: 400 }),
      ...onlyReadings({ wristAngle: 24 }).filter(({ side }) => side === 'right'),
    ]
    expect(
      think({ complaints: [fingers], readings }).reasoned.causes.find(({ cause }) => cause === 'hoods-low')!.probability,
    ).toBeGreaterThan(0.5)
    expect(acts({ complaints: [fingers], readings })).toMatchObject({ cause: 'hoods-low' })
  })
  it('is what is asked for first, and the short list ends once no reading would change what comes first', () => {
    const start = think({ complaints: [knee] }).reasoned
    expect(start.next[0]?.readings).toEqual([{ key: 'kneeFlexion', side: 'right', condition: 'usual' }])
    expect(start.short.length).toBeGreaterThan(0)
    const done = think({
      complaints: [knee],
      readings: onlyReadings({ kneeFlexion: 14, pelvisRock: 'much', sitsWhere: 'middle' }),
    }).reasoned
    expect(done.short).toEqual([])
  })
})

describe('first moves', () => {
  it('are never offered past a warning sign, nor before it is told what it is like', () => {
    const stopped = think({ complaints: [{ ...knee, warnings: { 'night-pain': 'yes' } }], readings: onlyReadings({ kneeFlexion: 14 }) })
    expect([stopped.isStopped, stopped.reasoned.moves]).toEqual([true, []])
    expect(think({ complaints: [{ ...knee, kind: null }], readings: onlyReadings({ kneeFlexion: 14 }) }).reasoned.moves).toEqual([])
    expect(think({ complaints: [knee] }).hasToAsk).toBe(true)
  })
  it('say what they make likelier that nobody has told of', () => {
    const move = think({
      complaints: [complaintAt(1, 'knee-front', 'both')],
      readings: readingsWith({ kneeFlexion: 36.5, sitsWhere: 'tail', saddleHeight: 724 }),
    }).reasoned.moves[0]!
    expect(move.effects.map(({ words }) => words)).not.toContain('watch')
    for (const { rises } of move.harms) expect(rises).toBeGreaterThan(0.04)
  })
  it('are not offered again the same way once they failed, and the next cause comes up', () => {
    const change = { ...entryOf(1, { setting: 'saddleHeight', side: 'both', by: -5, role: 'chosen' }), station: 'seat' as const }
    const undo: LedgerEntry = { kind: 'undo', id: uuid(2), at: testTime, of: change.id }
    const visit = { complaints: [knee], readings: onlyReadings({ kneeFlexion: 23 }) }
    const before = think(visit).reasoned
    const after = think({
      ...visit,
      ledger: [change, undo],
      ratings: [{ complaintId: knee.id, changeId: change.id, severity: 6 }],
    }).reasoned
    expect(before.moves[0]?.cause).toBe('saddle-high')
    expect(after.moves.map(({ cause }) => cause)).not.toContain('saddle-high')
    const of = (list: typeof before) => list.causes.find(({ cause }) => cause === 'saddle-high')!.probability
    expect(of(after)).toBeLessThan(of(before))
  })
  it('are no smaller than a trial by itself, and aim past the line by what the trade leaves', () => {
    const stem = think({ complaints: [controlComplaint(1, 'nervous-steering')], readings: onlyReadings({ stemLength: 122 }) }).reasoned
    // 122 on a line of 120: 2 over it, and 10 beyond; a stem 2 mm shorter is none that anybody sells.
    expect(stem.moves.find(({ cause }) => cause === 'stem-long')?.requested).toEqual([{ setting: 'stemLength', side: 'both', by: -12 }])
    for (const key of settingKeys) expect([key, leastOf(key) <= settingOf(key).cap]).toEqual([key, true])
  })
  it('of a part that was tried and taken off again are not offered again either', () => {
    const numb = complaintAt(1, 'sit-bone', 'both')
    const readings = onlyReadings({ saddleWidth: 130, sitBoneSpacing: 135, torsoAngle: 45 })
    const before = think({ complaints: [numb], readings }).reasoned.moves
    expect(before[0]?.cause).toBe('saddle-narrow')
    const by = movesAsked(before[0]!.requested)[0]!.by
    const wider: LedgerEntry = {
      ...entryOf(1),
      station: 'seat',
      exchanges: [
        {
          slot: 'saddle',
          role: 'chosen',
          from: { name: 'Old', properties: { saddleWidth: 130 } },
          to: { name: 'Wider', properties: { saddleWidth: 130 + by } },
        },
      ],
    }
    const undo: LedgerEntry = { kind: 'undo', id: uuid(2), at: testTime, of: wider.id }
    const after = think({
      complaints: [numb],
      readings,
      ledger: [wider, undo],
      ratings: [{ complaintId: numb.id, changeId: wider.id, severity: 6 }],
    }).reasoned.moves
    expect(after.map(({ cause }) => cause)).not.toContain('saddle-narrow')
  })
})

describe('next readings', () => {
  it('ask on for a complaint that is still open, however clear another one is', () => {
    const clear = onlyReadings({ kneeFlexion: 14, pelvisRock: 'much', sitsWhere: 'middle' })
    expect(think({ complaints: [knee], readings: clear }).reasoned.short).toEqual([])
    const { short } = think({ complaints: [knee, toes], readings: clear }).reasoned
    expect(short.flatMap(({ readings }) => readings.map(({ key }) => key))).toEqual(
      expect.arrayContaining(['cleatSetback', 'shoeBallWidth']),
    )
    for (const { why } of short) expect(why).not.toMatch(/saddle too high/)
  })
})

describe('learning', () => {
  const change = { ...entryOf(1, { setting: 'saddleHeight', side: 'both', by: -5, role: 'chosen' }), station: 'seat' as const }
  const keep: LedgerEntry = { kind: 'keep', id: uuid(2), at: testTime, of: change.id }
  const rated = (severity: number) => ({
    complaints: [knee],
    ledger: [change, keep],
    ratings: [{ complaintId: knee.id, changeId: change.id, severity }],
  })
  it('relief speaks for the cause, none against it, worse more so; one point is within what riders vary', () => {
    const [plain, relief, same, worse] = [{ complaints: [knee] }, rated(3), rated(5), rated(9)].map((over) => chance(over, 'saddle-high'))
    expect(relief).toBeGreaterThan(plain!)
    expect(same).toBeLessThan(plain!)
    expect(worse).toBeLessThan(same!)
  })
  it('takes the steps of one plan for one trial: what came of them from before the first to after the last', () => {
    const second = { ...change, id: uuid(3) }
    const steps = (first: number, last: number) => ({
      complaints: [knee],
      ledger: [change, keep, second, { kind: 'keep', id: uuid(4), at: testTime, of: second.id } satisfies LedgerEntry],
      ratings: [
        { complaintId: knee.id, changeId: change.id, severity: first },
        { complaintId: knee.id, changeId: second.id, severity: last },
      ],
    })
    // A point at each step is two in all: a difference that matters, from 6 to 4.
    const learned = think(steps(5, 4)).reasoned.causes.find(({ cause }) => cause === 'saddle-high')!.learned
    expect(learned).toHaveLength(1)
    expect(said(learned[0]!.words)).toBe('Saddle down 5 mm, then Saddle down 5 mm eased it.')
    // Nothing tells how far there is to go: each full step is taken for 35 of 100.
    expect(learned[0]!.moves).toBeCloseTo(0.7 * Math.log(3), 9)
    expect(chance(steps(5, 4), 'saddle-high')).toBeGreaterThan(chance(steps(6, 6), 'saddle-high'))
  })
  it('is looked back on trial by trial, each by what was known by then', () => {
    const visit = aVisit({ ...rated(3), readings: readingsWith({ kneeFlexion: 18 }) })
    const later: Reading = { ...onlyReadings({ pelvisRock: 'some' })[0]!, after: keep.id }
    const stages = thoughtsOver({ ...visit, readings: [...visit.readings, later] }, null)
    const at = (i: number) => stages[i]!.complaints[0]!.causes.find(({ cause }) => cause === 'saddle-high')!.probability
    expect(stages.map(({ changeId }) => changeId)).toEqual([null, change.id])
    expect(at(0)).toBeCloseTo(chance({ complaints: [knee], readings: visit.readings }, 'saddle-high'), 12)
    expect(at(1)).toBeCloseTo(chance({ ...visit, readings: [...visit.readings, later] }, 'saddle-high'), 12)
    // What eased raises it against the same move not yet rated; a knee that is right now is no word against what it was.
    expect(at(1)).toBeGreaterThan(chance({ ...visit, readings: [...visit.readings, later], ratings: [] }, 'saddle-high'))
    const turns = turnsOf(stages, visit.complaints).get(change.id)!
    expect(turns.map(({ words }) => words)).toContain('Saddle too high: was very likely, it was this')
  })
  it('counts for a studio what was tried and what eased, and is a weak word on what is usual', () => {
    const { complaints, ledger, ratings } = rated(3)
    const counts = learnedFrom({ complaints, ratings, changes: foldLedger(ledger).changes }, 'drop')
    expect(counts).toEqual([{ symptom: 'knee-back', cause: 'saddle-high', tried: 1, eased: 1 }])
    expect(summed([...counts, ...counts])).toEqual([{ symptom: 'knee-back', cause: 'saddle-high', tried: 2, eased: 2 }])
    // Ten cases weigh as much as the prior: (10·0.4 + 9) / (10 + 10).
    expect(withStudioCounts(0.4, { symptom: 'knee-back', cause: 'saddle-high', tried: 10, eased: 9 })).toBeCloseTo(0.65, 10)
    expect(
      chance({ complaints: [knee], studio: [{ symptom: 'knee-back', cause: 'saddle-back', tried: 20, eased: 19 }] }, 'saddle-back'),
    ).toBeGreaterThan(0.6)
  })
})

describe('whatever is handed in', () => {
  const words = (over: Partial<VisitState>) => {
    const said = think(over)
    expect(JSON.stringify(said)).not.toMatch(/NaN|undefined|Infinity/)
    return said
  }
  it('nothing told: nothing ranked', () => {
    expect(words({}).complaints).toEqual([])
  })
  it('a complaint that fits nothing says what is nearest', () => {
    const said = words({ complaints: [complaintAt(1, 'shin', 'left')] })
    expect(said.complaints[0]).toMatchObject({ symptoms: [], causes: [], nearest: ['calf', 'knee-sides', 'numb-toes'] })
  })
  it('contradictory readings: both knees speak for their own side', () => {
    const said = words({
      complaints: [complaintAt(1, 'knee-back', 'left'), complaintAt(2, 'knee-front', 'right')],
      readings: onlyReadings({ kneeFlexion: [14, 50] }),
    })
    const of = (cause: string) => said.reasoned.causes.find((row) => row.cause === cause)!.probability
    expect(Math.min(of('saddle-high'), of('saddle-low'))).toBeGreaterThan(0.7)
  })
  it('every reading at either end of its range', () => {
    const complaints = [
      complaintAt(1, 'groin', 'middle', { kind: 'numb' }),
      toes,
      knee,
      controlComplaint(4, 'washes-out'),
      complaintAt(5, 'hand-little', 'both', { kind: 'numb' }),
    ]
    for (const end of ['min', 'max'] as const) {
      const readings = readingsWith(atEnds(end))
      for (const kind of ['drop bar', 'trail'] as const) words({ complaints, readings, kind })
    }
  })
  it('one side missing: the other speaks', () => {
    const said = words({
      complaints: [complaintAt(1, 'knee-back', 'both')],
      readings: onlyReadings({ kneeFlexion: 14 }).filter(({ side }) => side === 'left'),
    })
    expect(said.reasoned.causes[0]).toMatchObject({ cause: 'saddle-high', isRead: true })
  })
})

function atEnds(end: 'min' | 'max') {
  return Object.fromEntries(
    readingKeys.map((key) => {
      if (isChoice(key)) return [key, end === 'min' ? optionsOf(key)[0] : optionsOf(key).at(-1)!]
      const { min, max } = definitionOf(key as NumberKey)
      return [key, end === 'min' ? min : max]
    }),
  ) as Parameters<typeof readingsWith>[0]
}
