/** @jest-environment jsdom */
import { nextTick } from 'vue'
import { ledgerEntrySchema } from '@level-stance/core/change/ledger'
import type { LedgerEntry } from '@level-stance/core/change/ledger'
import { aReading, entryOf, uuid, wholeReadings } from '@level-stance/core/testing'
import { useBoard } from '../src/stores/board.ts'
import { freshWindow, openVisit, rested } from './visitWindow.ts'

const open = (ledger: LedgerEntry[] = []) =>
  openVisit({ ledger, readings: [...wholeReadings, aReading('saddleSetback', 'both', 61), aReading('railRoomBack', 'both', 8)] })
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
    expect(board.nowWords).toMatch(/^Saddle up 5/)
    expect(board.canTry).toBe(true)
  })

  it('adds requested up by setting, and forgets one that is taken back', () => {
    open()
    const board = useBoard()
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
      expect(entry.kind === 'try' && entry.later).toMatch(/cleat R back 5, then 2/)
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
