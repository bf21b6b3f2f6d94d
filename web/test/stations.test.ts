/** @jest-environment jsdom */
import { plain } from '@level-stance/core/kernel/message'
import { nextTick, ref } from 'vue'
import { ledgerEntrySchema } from '@level-stance/core/ledger/ledger'
import type { LedgerEntry } from '@level-stance/core/ledger/ledger'
import { feetStation } from '@level-stance/core/stations/feet/station'
import { handsStation } from '@level-stance/core/stations/hands/station'
import { readingKeys } from '@level-stance/core/readings/readingDefinitions'
import { causeKeys, causeOf } from '@level-stance/core/reason/causeTable'
import { seatStation } from '@level-stance/core/stations/seat/station'
import { pageOf } from '@level-stance/core/station/station'
import type { Proposal } from '@level-stance/core/station/station'
import { aReading, entryOf, readingsWith, testTime, uuid } from '@level-stance/core/testing'
import { scaleOf } from '../src/vial/vialScale.ts'
import { useOtherBikes } from '../src/data/otherBikes.ts'
import { useFeet } from '../src/stations/useFeet.ts'
import { useHands } from '../src/stations/useHands.ts'
import { useSeat } from '../src/stations/useSeat.ts'
import { useLastRemoved } from '../src/data/lastRemoved.ts'
import { useAttachments } from '../src/data/attachments.ts'
import { useBoard } from '../src/data/board.ts'
import { warningSignKeys } from '@level-stance/core/talk/warningSigns'
import { aComplaint, followed, freshWindow, openVisit, rested, server } from './visitWindow.ts'

const stations = { feet: feetStation, seat: seatStation, hands: handsStation } as const
beforeEach(freshWindow)

/** Every warning sign was asked: without that nothing is tried. */
const numb = aComplaint(50, { warnings: Object.fromEntries(warningSignKeys.map((key) => [key, 'no' as const])) })
const open = (ledger: LedgerEntry[] = [], readings = readingsWith({ saddleTilt: 2, sitBoneSpacing: 120, saddleWidth: 135 })) =>
  openVisit({ ledger, readings, complaints: [numb] })

describe('pages of the stations', () => {
  it('ask for readings that exist, each once a page', () => {
    for (const { pages } of Object.values(stations))
      for (const { readings, label } of Object.values(pages)) {
        expect(label).not.toBe('')
        for (const key of readings) expect(readingKeys).toContain(key)
        expect(new Set(readings).size).toBe(readings.length)
      }
  })

  it('have a place for every cause', () => {
    for (const key of causeKeys) {
      const { station, page } = causeOf(key)
      expect([key, page in stations[station].pages]).toEqual([key, true])
    }
  })

  it('know which of them moves a setting', () => {
    expect(pageOf(feetStation.pages, 'cleatTurn')).toBe('rotation')
    expect(pageOf(feetStation.pages, 'cleatSetback')).toBe('cleat')
    expect(pageOf(seatStation.pages, 'saddleTilt')).toBe('tilt')
    expect(pageOf(feetStation.pages, 'saddleHeight')).toBeNull()
  })
})

describe('an open station', () => {
  it('says what its open page says, and nothing on the first page', () => {
    open()
    const feet = useFeet()
    expect(feet.judgement).toEqual({ findings: [], proposals: [], working: [] })
    feet.open('cleat')
    expect(feet.vials.map(({ key }) => key)).toEqual(['cleatSetback-left', 'cleatSetback-right'])
    expect(feet.judgement.proposals.map(({ key, standing }) => [key, standing])).toEqual([['as-judged', true]])
    feet.open('no such page')
    expect(feet.vials).toEqual([])
  })

  it('judges every page of every station without trouble, with all readings and with none', () => {
    for (const readings of [readingsWith({ saddleTilt: 2 }), [aReading('mass', 'both', 70)]]) {
      freshWindow()
      open([], readings)
      for (const [station, { pages }] of [
        [useFeet(), feetStation],
        [useSeat(), seatStation],
        [useHands(), handsStation],
      ] as const)
        for (const key of Object.keys(pages)) {
          station.open(key)
          const { proposals, findings } = station.judgement
          for (const { value, band } of station.vials) expect(Number.isFinite(value) && (band === null || band.low <= band.high)).toBe(true)
          for (const { words, requested } of proposals) expect([words === '', requested.length > 0]).toEqual([false, true])
          for (const { headline } of findings) expect(plain(headline)).not.toMatch(/NaN|undefined/)
        }
    }
  })

  it('keeps what is picked there with the visit, beside what other stations picked', async () => {
    const visit = open()
    useSeat().choose({ tiltUse: 'low' })
    useFeet().choose({ cleatSchool: 'mid-foot' })
    expect(visit.choices).toEqual({ feet: { cleatSchool: 'mid-foot' }, seat: { tiltUse: 'low' }, hands: {} })
    expect(useFeet().parts.school).toBe('mid-foot')
    await nextTick()
    expect(visit.dossier?.visit.choices.seat).toEqual({ tiltUse: 'low' })
  })

  it('finds its word for the rail once the hand rests, at once for another visit', async () => {
    const visit = open()
    const feet = useFeet()
    expect([feet.summary.words, feet.settled]).toEqual(['1 to try', true])
    visit.setReading({ ...visit.reading('cleatSetback', 'left')!, value: 40, typed: '40' })
    await followed()
    expect([feet.summary.words, feet.settled]).toEqual(['1 to try', false])
    await rested()
    expect(feet.settled).toBe(true)
    visit.dossier = { ...visit.dossier!, visit: { ...visit.dossier!.visit, id: uuid(4) }, readings: [] }
    expect(feet.summary.words).toBe('readings needed')
  })

  it('has the rider’s other bikes for the causes too, wherever the visit is opened, and does without them where there is no answer', async () => {
    server.reply = () => ({ status: 200, body: { bikes: [{ name: 'Town bike', left: 130, right: 131 }] } })
    const visit = open()
    const otherBikes = useOtherBikes()
    await rested()
    expect(otherBikes.list).toHaveLength(1)
    server.reply = () => ({ status: 500, body: {} })
    visit.dossier = { ...visit.dossier!, visit: { ...visit.dossier!.visit, id: uuid(4) } }
    await rested()
    expect(otherBikes.list).toEqual([])
  })
})

describe('what a page proposes', () => {
  const proposal: Proposal = {
    key: 'as-judged',
    words: 'As judged',
    requested: [
      { setting: 'cleatSetback', side: 'left', by: 4 },
      { setting: 'cleatSetback', side: 'right', by: 8 },
    ],
    reason: 'The school asks for it.',
    standing: true,
  }
  const offered = (board: ReturnType<typeof useBoard>) =>
    board.offer(
      () => [proposal],
      () => true,
    )

  it('stands until something else is asked for, and again when that is given up', () => {
    open()
    const board = useBoard()
    const withdraw = offered(board)
    expect(board.requested).toEqual(proposal.requested)
    board.request([{ setting: 'cleatSetback', side: 'left', by: 2 }])
    // The other foot stays as judged.
    expect([board.aimed('cleatSetback', 'left'), board.aimed('cleatSetback', 'right')]).toEqual([2, 8])
    board.clear()
    expect(board.requested).toEqual(proposal.requested)
    board.leave()
    expect([board.active, board.changed]).toEqual([false, true])
    board.clear()
    withdraw()
    expect(board.active).toBe(false)
  })

  it('is tried with its own reason, a request of the fitter’s with another', async () => {
    const visit = open()
    const board = useBoard()
    const settled = ref(false)
    board.offer(
      () => [proposal],
      () => settled.value,
    )
    await rested()
    // About to change: it is not tried.
    board.tryStep()
    expect([board.canTry, visit.folded.trying]).toEqual([false, null])
    settled.value = true
    board.tryStep()
    expect(visit.ledger.at(-1)).toMatchObject({ kind: 'try', station: 'feet', reason: 'The school asks for it.' })
    expect(board.active).toBe(false)
  })

  it('does not stand while another change is tried, or the past is shown', () => {
    const visit = open([entryOf(7, { setting: 'cleatSetback', side: 'left', by: 5, role: 'chosen' })])
    const board = useBoard()
    offered(board)
    expect(board.requested).toEqual([])
    visit.decide('keep', visit.folded.trying!)
    expect(board.requested).toHaveLength(2)
    visit.shownUpTo = 0
    expect(board.requested).toEqual([])
  })

  it('may be another part: it is tried as an exchange that the ledger takes', async () => {
    const visit = open()
    const board = useBoard()
    const to = { name: 'Wide one', properties: { saddleKind: 'short-nose', saddleWidth: 155 } }
    board.take([{ slot: 'saddle', from: { name: 'Old one', properties: { saddleWidth: 135 } }, to }], 'It is wide enough.')
    expect(board.exchanged('saddle')?.to.name).toBe('Wide one')
    expect(board.exchanged('stem')).toBeNull()
    await rested()
    expect(board.nowWords).toMatch(/^Saddle: Wide one for Old one/)
    board.tryStep()
    const entry = visit.ledger.at(-1)
    expect(ledgerEntrySchema.safeParse(entry).error).toBeUndefined()
    expect(entry).toMatchObject({ station: 'seat', reason: 'It is wide enough.', exchanges: [{ slot: 'saddle', role: 'chosen' }] })
    expect(visit.setup.now.saddleWidth.left?.value).toBe(155)
  })
})

describe('a reading taken again', () => {
  const change = entryOf(7, { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' })
  const keep: LedgerEntry = { kind: 'keep', id: uuid(8), at: testTime, of: change.id }

  it('stands beside the first, at its own place; the past shows the first', async () => {
    const visit = open([change, keep])
    const first = visit.reading('kneeFlexion', 'right')!
    expect([first.value, first.after, visit.after]).toEqual([31, null, uuid(8)])
    visit.setReading({ ...first, value: 28, typed: '28', after: visit.after })
    await followed()
    expect(visit.reading('kneeFlexion', 'right')?.value).toBe(28)
    expect(visit.allReadings('kneeFlexion', 'right').map(({ value }) => value)).toEqual([31, 28])
    visit.shownUpTo = 0
    expect(visit.reading('kneeFlexion', 'right')?.value).toBe(31)
  })

  it('mended at the start stays at the start', async () => {
    const visit = open([change, keep])
    const first = visit.reading('kneeFlexion', 'right')!
    visit.setReading({ ...first, value: 33, typed: '33' })
    await followed()
    expect(visit.allReadings('kneeFlexion', 'right')).toHaveLength(1)
    expect(visit.baseline.rider.knowns.find(({ known }) => known.kind === 'kneeFlexion' && known.side === 'right')?.known.value).toBe(33)
  })
})

describe('one scale for several numbers', () => {
  const target = (at: number, low: number, high: number, ticks: number[] = []) => ({
    key: 'x',
    label: 'X',
    value: at,
    plusMinus: 1,
    unit: 'mm' as const,
    band: { low, high },
    aim: null,
    term: null,
    remark: '',
    ticks: ticks.map((tick) => ({ at: tick, label: 'school' })),
  })

  it('shows them all, and is not stretched by a mark far off', () => {
    const { min, max } = scaleOf([target(9, 24, 30), target(11, 24, 30, [18, 150])])
    expect(min).toBeLessThan(9)
    expect(max).toBeGreaterThan(30)
    expect(max).toBeLessThan(60)
  })
  it('has a length even where all are one', () => {
    const { min, max } = scaleOf([target(5, 5, 5)])
    expect(max - min).toBeGreaterThan(10)
  })
})

describe('pictures and recordings', () => {
  const kept = { id: uuid(70), kind: 'mat', title: 'Before', version: 1, marks: null, bytes: 9, width: null, height: null }

  it('are read for the open visit, forgotten with it, and say when they cannot be read', async () => {
    const visit = open()
    const attachments = useAttachments()
    server.reply = () => ({ status: 500, body: { code: 'x', message: 'Down.', fields: [] } })
    await attachments.load()
    expect(attachments.problem).toBe('Down.')
    server.reply = () => ({ status: 200, body: { attachments: [kept] } })
    await attachments.load()
    expect([attachments.list.length, attachments.problem, attachments.loadedFor]).toEqual([1, null, uuid(3)])
    visit.dossier = { ...visit.dossier!, visit: { ...visit.dossier!.visit, id: uuid(4) } }
    await nextTick()
    expect([attachments.list.length, attachments.loadedFor]).toEqual([0, null])
  })

  it('are added, named anew and removed; what another wrote meanwhile is shown', async () => {
    open()
    const attachments = useAttachments()
    server.reply = () => ({ status: 200, body: kept })
    expect(await attachments.add('mat', '', new Blob(['x']))).toEqual(kept)
    expect(server.asked.at(-1)?.path).toContain('title=Without+a+name')
    server.reply = () => ({
      status: 409,
      body: { code: 'stale', message: 'Changed elsewhere.', fields: [], current: { ...kept, title: 'Theirs', version: 2 } },
    })
    expect(await attachments.write(kept.id, { title: 'Mine' })).toMatchObject({ ok: false, message: 'Changed elsewhere.' })
    expect(attachments.list[0]?.title).toBe('Theirs')
    server.reply = () => ({ status: 200, body: { ...kept, title: 'Mine', version: 3 } })
    expect(await attachments.write(kept.id, { title: 'Mine' })).toEqual({ ok: true })
    expect(await attachments.write(kept.id, {}, true)).toEqual({ ok: true })
    expect(attachments.list).toEqual([])
    expect(await attachments.write(kept.id, { title: 'Late' })).toMatchObject({ ok: false })
    // Taken back within ten seconds, it is there again.
    server.reply = () => ({ status: 200, body: { ...kept, version: 5 } })
    await useLastRemoved().restore()
    expect(attachments.list).toEqual([{ ...kept, version: 5 }])
    expect(JSON.parse(server.asked.at(-1)!.body)).toMatchObject({ removed: false })
  })
})
