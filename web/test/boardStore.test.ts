/** @jest-environment jsdom */
import { plain } from '@level-stance/core/kernel/message'
import { nextTick } from 'vue'
import { ledgerEntrySchema } from '@level-stance/core/ledger/ledger'
import type { LedgerEntry } from '@level-stance/core/ledger/ledger'
import { singlePlace } from '@level-stance/core/station/settingPlace'
import type { Reading } from '@level-stance/core/readings/reading'
import { aReading, entryOf, uuid, wholeReadings } from '@level-stance/core/testing'
import { useBoard } from '../src/data/board.ts'
import { usePreferences } from '../src/data/preferences.ts'
import { freshWindow, openVisit, rested } from './visitWindow.ts'

const open = (ledger: LedgerEntry[] = [], more: Reading[] = []) =>
  openVisit({ ledger, readings: [...wholeReadings, aReading('saddleSetback', 'both', 61), aReading('railRoomBack', 'both', 8), ...more] })
const saddle = (by: number) => ({ setting: 'saddleHeight', side: 'both', by }) as const

beforeEach(freshWindow)

describe('what is about to be moved', () => {
  it('is nothing at first, and its numbers are those of the bike', () => {
    open()
    const board = useBoard()
    expect(board.active).toBe(false)
    expect(board.whole).toBeNull()
    expect(board.now!.kneeLeft!).toBeGreaterThan(30)
    expect(board.start).toEqual(board.now)
    expect(board.proposed).toBeNull()
    expect(board.canTry).toBe(false)
  })

  it('moves the drawing and the numbers at once, the words when the hand rests', async () => {
    open()
    const board = useBoard()
    board.request([saddle(8)])
    expect(board.aimed('saddleHeight', 'both')).toBe(8)
    expect(board.proposed!.kneeLeft!).toBeLessThan(board.now!.kneeLeft! - 2)
    await rested()
    expect(plain(board.nowWords)).toMatch(/^Saddle up 5/)
    expect(board.canTry).toBe(true)
  })

  it('adds requests of one page up by setting, and forgets one that is taken back', () => {
    open()
    const board = useBoard()
    board.enter({ key: 'seat/setback', label: 'Setback', fields: [...singlePlace('saddleSetback'), ...singlePlace('saddleHeight')] })
    board.request([saddle(3)])
    board.request([{ setting: 'saddleSetback', side: 'both', by: -2 }])
    board.request([saddle(4)])
    expect(board.requested).toMatchObject([
      { setting: 'saddleSetback', by: -2 },
      { setting: 'saddleHeight', by: 4 },
    ])
    board.request([saddle(0)])
    expect(board.requested).toHaveLength(1)
    board.clear()
    expect(board.active).toBe(false)
  })

  it('keeps wishes of different pages apart: one is tried, the rest wait until it is done', async () => {
    const visit = open()
    const board = useBoard()
    const tilt = { key: 'seat/tilt', label: 'Tilt', fields: singlePlace('saddleTilt') }
    board.enter(tilt)
    board.request([{ setting: 'saddleTilt', side: 'both', by: -1 }])
    board.enter({ key: 'seat/height', label: 'Height', fields: singlePlace('saddleHeight') })
    expect(board.active).toBe(false)
    board.request([saddle(-5)])
    expect(board.waiting).toEqual([{ key: 'seat/tilt', label: 'Tilt', requested: [{ setting: 'saddleTilt', side: 'both', by: -1 }] }])
    // A handle on the picture that belongs to neither page asks for a change of its own.
    board.request([{ setting: 'handHeight', side: 'both', by: 6 }])
    expect(board.requested).toMatchObject([{ setting: 'handHeight' }])
    expect(board.waiting.map(({ label }) => label)).toEqual(['Tilt', 'Height'])
    board.takeUp('seat/height')
    await rested()
    board.tryStep()
    expect(visit.ledger.at(-1)).toMatchObject({
      moves: expect.arrayContaining([expect.objectContaining({ setting: 'saddleHeight', by: -5 })]),
    })
    expect(visit.ledger.at(-1)).not.toMatchObject({ moves: expect.arrayContaining([expect.objectContaining({ setting: 'saddleTilt' })]) })
    expect(board.waiting.map(({ label }) => label)).toEqual(['Tilt', 'Reach, height'])
    board.drop('hands/place')
    expect(board.waiting).toHaveLength(1)
    // Back on its page it is on the card again.
    visit.decide('keep', visit.folded.trying!)
    board.enter(tilt)
    expect(board.requested).toMatchObject([{ setting: 'saddleTilt', by: -1 }])
    expect(board.waiting).toEqual([])
  })

  it('goes whole on a new set-up, and says on the record that it was one', async () => {
    const visit = open()
    const board = useBoard()
    expect(visit.pace).toBe('settled')
    visit.setVisit({ pace: 'new' })
    board.request([saddle(12)])
    await rested()
    expect(plain(board.nowWords)).toMatch(/^Saddle up 12/)
    board.tryStep()
    expect(visit.ledger.at(-1)).toMatchObject({ pace: 'new', later: expect.stringMatching(/^Ride in: 3 easy rides/) })
  })

  it('tries nothing while something must not be ridden, but what mends it', async () => {
    const visit = open([], [aReading('saddleSound', 'both', 'cracked')])
    const board = useBoard()
    board.request([saddle(3)])
    await rested()
    expect([board.canTry, board.blocks.map(({ key }) => key)]).toEqual([false, ['cracked:both']])
    const part = { name: 'Saddle', properties: {} }
    board.take(
      [{ slot: 'saddle', from: part, to: { name: 'Sound saddle', properties: { saddleSound: 'sound' } } }],
      'The old one is cracked.',
    )
    await rested()
    expect([board.canTry, board.blocks]).toEqual([true, []])
    board.request([saddle(3)])
    visit.setVisit({ overruled: [{ block: 'cracked:both', reason: 'A photo, nobody pedals.' }] })
    await rested()
    expect(board.blocks).toEqual([])
  })

  it('stands where the hardware ends, however far it is pulled', () => {
    open()
    const board = useBoard()
    board.request([{ setting: 'saddleSetback', side: 'both', by: 30 }])
    expect(board.aimed('saddleSetback', 'both')).toBe(8)
  })

  it('holds what fits the move until the fitter says otherwise', () => {
    open()
    const board = useBoard()
    board.request([{ setting: 'barRise', side: 'both', by: 10 }])
    expect(board.holds.hands).toBe('frame')
    board.ownHolds = { ...board.holds, hands: 'torso', knee: false }
    expect(board.holds).toEqual({ hands: 'torso', knee: false, lever: true })
    board.clear()
    expect(board.ownHolds).toBeNull()
  })
})

describe('trying it', () => {
  it('puts the first step, with what it brings along, into the ledger as the schema wants it, even before the words have come', () => {
    const visit = open()
    const board = useBoard()
    const append = jest.spyOn(visit, 'append').mockImplementation(() => undefined)
    // What is written down keeps millimetres, whatever unit is on the screen.
    usePreferences().unit = 'in'
    board.request([{ setting: 'cleatSetback', side: 'right', by: 9 }])
    // The words lag; the change that is tried does not.
    return rested().then(() => {
      board.request([{ setting: 'cleatSetback', side: 'right', by: 12 }])
      board.tryStep()
      const entry = append.mock.calls[0]![0]
      expect(ledgerEntrySchema.safeParse(entry).success).toBe(true)
      expect(entry).toMatchObject({
        kind: 'try',
        station: 'feet',
        moves: [{ setting: 'cleatSetback', side: 'right', by: 5, role: 'chosen' }, expect.anything()],
      })
      expect(plain((entry.kind === 'try' && entry.later) || '')).toMatch(/cleat R back 5 mm, then 2 mm/)
      expect(board.active).toBe(false)
    })
  })

  it('is refused while another change is on trial, and nothing can be wished', async () => {
    open([entryOf(1, { setting: 'saddleHeight', side: 'both', by: 2, role: 'chosen' })])
    const board = useBoard()
    expect(board.movable).toBe(false)
    board.request([saddle(3)])
    await nextTick()
    expect(board.active).toBe(false)
    expect(board.canTry).toBe(false)
  })

  it('belongs to its rider: another visit starts with nothing wished', async () => {
    const visit = open()
    const board = useBoard()
    board.request([saddle(3)])
    visit.dossier = { ...visit.dossier!, visit: { ...visit.dossier!.visit, id: uuid(44) } }
    await nextTick()
    expect(board.active).toBe(false)
  })

  it('walks through the views and back to the first', () => {
    const board = useBoard()
    expect([board.view, ...[1, 2, 3].map(() => (board.nextView(), board.view))]).toEqual(['side', 'front', 'top', 'side'])
  })
})
