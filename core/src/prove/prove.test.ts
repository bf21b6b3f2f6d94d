import { plain } from '../kernel/message.ts'
import { setupOf, standingOf } from '../rider/setup.ts'
import { foldLedger } from '../ledger/fold.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import { ledgerEntrySchema } from '../ledger/ledger.ts'
import { defaultHolds, knockOn } from '../knockOn/knockOn.ts'
import { settings } from '../ledger/settings.ts'
import { capOf, isRidden, isWholeMove, paceKeys, rideInWords, usualPace } from '../ledger/pace.ts'
import type { Complaint } from '../talk/complaint.ts'
import { aReading, complaintAt, entryOf, readingsWith, uuid, said } from '../testing.ts'
import { blocksOf, blockWords, standing } from './blocks.ts'
import { failedBefore, failedWords, hasFailed, outcomesOf, worseWords } from '../ledger/outcome.ts'
import { ratedAgain, severityNow } from '../ledger/severity.ts'
import { keysOf } from '../kernel/tables.ts'

const knee = complaintAt(1, 'knee-outer', 'right')
const toes = complaintAt(2, 'forefoot', 'right', { kind: 'numb', severity: 4 })
const back = (n: number) =>
  entryOf(
    n,
    { setting: 'saddleSetback', side: 'both', by: 5, role: 'chosen' },
    { setting: 'saddleHeight', side: 'both', by: -1, role: 'knock-on' },
  )
const decided = (n: number, kind: 'keep' | 'undo', of: number): LedgerEntry => ({
  kind,
  id: uuid(n),
  at: '2026-03-02T10:00:00.000Z',
  of: uuid(of),
})
const told = (entries: readonly LedgerEntry[], ...rated: readonly (readonly [Complaint, number, number])[]) => ({
  complaints: [knee, toes],
  ratings: rated.map(([complaint, change, severity]) => ({ complaintId: complaint.id, changeId: uuid(change), severity })),
  changes: foldLedger(entries).changes,
})
const wish = [{ setting: 'saddleSetback', side: 'both', by: 3 }] as const

describe('what became of a change', () => {
  it('is told against what was before it, not against the start', () => {
    const entries = [back(10), decided(11, 'keep', 10), back(12)]
    const all = told(entries, [knee, 10, 3], [knee, 12, 5], [toes, 12, 4])
    expect(outcomesOf({ id: uuid(12) }, all).map(({ before, after, word }) => [before, after, word])).toEqual([
      [3, 5, 'worse'],
      [4, 4, 'same'],
    ])
    expect(worseWords(outcomesOf({ id: uuid(12) }, all))).toBe('Outer knee, right is worse: 3 → 5')
    expect(outcomesOf({ id: uuid(10) }, all).map(({ word }) => word)).toEqual(['better'])
    // One point is within what riders vary (Farrar: two points, or three tenths).
    expect(outcomesOf({ id: uuid(10) }, told([back(10)], [knee, 10, knee.severity! - 1])).map(({ word }) => word)).toEqual(['same'])
  })

  it('has failed where something got worse and nothing better, or where it was undone unimproved', () => {
    const failed = (entries: readonly LedgerEntry[], ...rated: Parameters<typeof told>[1][]) => {
      const all = told(entries, ...rated)
      return hasFailed(all.changes[0]!, all)
    }
    const kept = [back(10), decided(11, 'keep', 10)]
    const undone = [back(10), decided(11, 'undo', 10)]
    expect(failed(kept, [knee, 10, 8])).toBe(true)
    expect(failed(kept, [knee, 10, 8], [toes, 10, 1])).toBe(false)
    expect(failed(kept, [knee, 10, 6])).toBe(false)
    expect(failed(undone, [knee, 10, 6])).toBe(true)
    expect(failed(undone, [knee, 10, 2])).toBe(false)
    // Undone without a word: nothing is known of it.
    expect(failed(undone)).toBe(false)
  })

  it('is not offered again the same way, whatever the amount; the other way it is', () => {
    const all = told([back(10), decided(11, 'undo', 10)], [knee, 10, 8])
    const found = failedBefore(wish, all)!
    expect(found.id).toBe(uuid(10))
    expect(plain(failedWords(found, all))).toBe(
      'Not offered again: saddle back 5 mm, Saddle down 1 mm was tried. Outer knee, right is worse: 6 → 8.',
    )
    expect(failedBefore([{ ...wish[0], by: -3 }], all)).toBeNull()
    expect(failedBefore([...wish, { setting: 'saddleTilt', side: 'both', by: 1 }], all)).toBeNull()
    expect(failedBefore([], all)).toBeNull()
    // What only followed was not what failed.
    expect(failedBefore([{ setting: 'saddleHeight', side: 'both', by: -1 }], all)).toBeNull()
    // While it is still being tried nothing has failed.
    expect(failedBefore(wish, told([back(10)], [knee, 10, 8]))).toBeNull()
  })

  it('gives a rating again only where one was given, of changes still in force', () => {
    const { changes, ratings } = told([back(10), decided(11, 'undo', 10)], [knee, 10, 8])
    expect(ratedAgain(knee, ratings, changes)).toBeNull()
    expect(severityNow(knee, ratings, changes)).toBe(6)
    const kept = told([back(10), decided(11, 'keep', 10)], [knee, 10, 8])
    expect([ratedAgain(knee, kept.ratings, kept.changes), ratedAgain(toes, kept.ratings, kept.changes)]).toEqual([8, null])
  })
})

describe('what must not be ridden (common practice)', () => {
  const of = (over: Parameters<typeof readingsWith>[0], overruled: Parameters<typeof blocksOf>[1] = []) =>
    blocksOf(setupOf(readingsWith(over), [], 'drop'), overruled)

  it.each([
    [{ boltPattern: 'three bolts', boltsFitted: ['three', 'two'] }, 'missing-bolt:right'],
    [{ boltLength: 14, cleatPlate: 4, boltDepth: 8 }, 'through:both'],
    [{ boltLength: 6, cleatPlate: 4, boltDepth: 12 }, 'short-bite:both'],
    [{ tread: 148, axleLength: [53, 53], washer: [3, 0], axleThread: [12, 12] }, 'thread:left'],
    [{ saddleSound: 'cracked' }, 'cracked:both'],
    [{ cleatWear: ['at-mark', 'fresh'] }, 'worn:left'],
  ] as const)('%j blocks', (over, key) => {
    expect(of(over as Parameters<typeof of>[0]).map((block) => block.key)).toEqual([key])
  })

  it('does not block where all is sound, nor where nothing was looked at', () => {
    expect(of({})).toEqual([])
    expect(
      of({ boltPattern: 'three bolts', boltsFitted: ['three', 'three'], saddleSound: 'sags-left', cleatWear: ['worn', 'worn'] }),
    ).toEqual([])
  })

  it('stands until it is mended, exchanged or overruled with a reason', () => {
    const blocks = of({ saddleSound: 'cracked' })
    const part = { name: 'Saddle', properties: {} }
    expect(standing(blocks)).toHaveLength(1)
    expect(standing(blocks, [{ slot: 'saddle', from: part, to: { ...part, name: 'New' } }])).toEqual([])
    expect(standing(blocks, [{ slot: 'pedals', from: part, to: part }])).toHaveLength(1)
    const overruled = of({ saddleSound: 'cracked' }, [{ block: 'cracked:both', reason: 'Photo only.' }])
    expect(standing(overruled)).toEqual([])
    expect(blockWords(overruled)).toEqual(['The saddle’s rails or shell are bent or cracked. Overruled by the fitter: Photo only.'])
    expect(of({ saddleSound: 'sound' }, [{ block: 'cracked:both', reason: 'Photo only.' }])).toEqual([])
  })
})

describe('pace', () => {
  const standingNow = standingOf(setupOf([...readingsWith({ postRoomUp: 60 }), aReading('saddleSetback', 'both', 61)], [], 'drop'))
  const raise = (by: number, pace: 'settled' | 'new') => {
    const requested = [{ setting: 'saddleHeight', side: 'both', by } as const]
    return knockOn(standingNow, requested, defaultHolds(requested), 'step', pace)
  }

  it('is settled for a rider who rides the bike, new where nobody was fitted on it and nothing was told', () => {
    const nothing = { earlierVisits: 0, complaints: 0, ridden: false, injured: false }
    expect(usualPace(nothing)).toBe('new')
    for (const sign of [{ earlierVisits: 1 }, { complaints: 1 }, { ridden: true }])
      expect(usualPace({ ...nothing, ...sign })).toBe('settled')
    // After an injury steps get smaller, never a new set-up's.
    for (const sign of [{}, { complaints: 2 }, { earlierVisits: 1 }])
      expect(usualPace({ ...nothing, ...sign, injured: true })).toBe('careful')
    const ridden = (over: Parameters<typeof readingsWith>[0]) => isRidden(setupOf(readingsWith(over), [], 'drop').now)
    expect([ridden({}), ridden({ cleatDistance: 0 }), ridden({ cleatWear: ['fresh', 'fresh'] })]).toEqual([false, false, false])
    expect([ridden({ cleatDistance: 800 }), ridden({ cleatHours: 20 }), ridden({ cleatWear: ['fresh', 'worn'] })]).toEqual([
      true,
      true,
      true,
    ])
  })

  it('cuts a settled rider’s move into steps and makes a new set-up’s at once, with how to ride it in', () => {
    const [settled, whole] = [raise(22, 'settled'), raise(22, 'new')]
    expect(settled.moves.find(({ setting }) => setting === 'saddleHeight')?.by).toBe(5)
    expect(said(settled.later)).toMatch(/^Next step, if test rides go well: saddle up 5 mm/)
    expect(whole.moves.find(({ setting }) => setting === 'saddleHeight')?.by).toBe(22)
    expect(whole.later).toBe(rideInWords())
    expect(isWholeMove(whole.chosen)).toBe(true)
    // A step a settled rider would be moved anyway needs no riding in.
    expect(raise(4, 'new').later).toBe('')
  })

  it('never goes further at once than what a pace allows, on the record either', () => {
    for (const pace of paceKeys)
      for (const key of keysOf(settings)) {
        const { sided } = settings[key]
        const entry = (by: number) => ({
          ...entryOf(1),
          moves: [{ setting: key, side: sided ? 'left' : 'both', by, role: 'chosen' }],
          pace,
        })
        expect([key, ledgerEntrySchema.safeParse(entry(capOf(key, pace))).success]).toEqual([key, true])
        expect([key, ledgerEntrySchema.safeParse(entry(capOf(key, pace) + 0.5)).success]).toEqual([key, false])
      }
    // Wedges and cuts are small steps at any pace.
    for (const key of ['wedge', 'heelWedge', 'archSupport', 'barWidth'] as const) expect(capOf(key, 'new')).toBe(capOf(key, 'settled'))
  })
})

describe('a plan whose end this part cannot reach', () => {
  const back55 = (over: Parameters<typeof readingsWith>[0] | null) => {
    const readings = over === null ? readingsWith({}).filter(({ key }) => key !== 'slotBack') : readingsWith(over)
    const requested = [{ setting: 'cleatSetback', side: 'left', by: 55 } as const]
    const { left, later } = knockOn(standingOf(setupOf(readings, [], 'drop')), requested, defaultHolds(requested), 'step')
    return said([later, ...left.filter(({ what }) => what === 'room').map(({ words }) => words)]).join(' ')
  }
  it('says so: mid-foot in a slot that has 10', () => {
    expect(back55({ slotBack: [10, 10] })).toBe(
      'Next step, if test rides go well: cleat L back 5 mm. Cleat L: no room for another 45 mm back.',
    )
  })
  it('doubts it where the slot was not read', () => {
    expect(back55(null)).toMatch(/cleat L back, 10 more steps of 5 mm\. Cleat L: such a part commonly gives 12 mm; read how far it goes/)
  })
})

it('rolling a bar asks for no other stem by itself', () => {
  expect(defaultHolds([{ setting: 'barRoll', side: 'both', by: 5 }]).hands).toBe('free')
})
