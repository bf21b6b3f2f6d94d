/** @jest-environment jsdom */
import { aReading, entryOf, readingsWith, uuid } from '@level-stance/core/testing'
import type { Proposal } from '@level-stance/core/station/station'
import { bothSides } from '@level-stance/core/station/settingPlace'
import { singlePlace } from '@level-stance/core/station/settingPlace'
import { nextTick } from 'vue'
import MoveCard from '../../src/move/MoveCard.vue'
import TrialCard from '../../src/move/TrialCard.vue'
import { useBoard } from '../../src/data/board.ts'
import { usePreferences } from '../../src/data/preferences.ts'
import { aComplaint, freshWindow, openVisit, rested, shown } from '../visitWindow.ts'

beforeEach(freshWindow)

const withRooms = [...readingsWith({ railRoomBack: 8, railRoomForward: 8 }), aReading('saddleSetback', 'both', 61)]
const card = () => shown(MoveCard, { fields: [...singlePlace('saddleHeight'), ...bothSides('cleatSetback')] })
type Card = ReturnType<typeof card>
const to = (at: Card, label: string) => at.get<HTMLInputElement>(`input[aria-label="${label}, to"]`)
const tryButton = (at: Card) => at.find('[data-testid="try"]')

describe('the move card', () => {
  it('shows where each setting stands, sides in one row, and asks for nothing by itself', () => {
    openVisit({ readings: withRooms })
    const at = card()
    expect(at.findAll('.now').map((cell) => cell.text())).toEqual(['724', '4', '6'])
    expect(at.findAll('.pair')).toHaveLength(1)
    expect(at.text()).toContain('Drag on the board, or type where it should go.')
    expect(tryButton(at).exists()).toBe(false)
  })

  it('turns a typed target into a request at every key press, and words, cautions and Try when the hand rests', async () => {
    openVisit({ readings: withRooms })
    const board = useBoard()
    const at = card()
    await to(at, 'Saddle height').setValue('728')
    expect(board.aimed('saddleHeight', 'both')).toBeCloseTo(4, 9)
    expect(tryButton(at).exists()).toBe(false)
    await rested()
    expect(at.get('[data-testid="move-now"]').text()).toBe('Now: Saddle up 4 mm')
    // The usual caution stands where the hand acts.
    expect(at.get('.caution').text()).toMatch(/torque/i)
    expect(tryButton(at).attributes('disabled')).toBeUndefined()
  })

  it('moves the saddle with the cleat as long as the knee is held', async () => {
    openVisit({ readings: withRooms })
    const at = card()
    await to(at, 'Behind ball of foot, left').setValue('8')
    await to(at, 'Behind ball of foot, right').setValue('10')
    await rested()
    expect(at.get('[data-testid="move-now"]').text()).toMatch(/Cleats? .*back 4/)
    expect(at.get('[data-testid="move-answers"]').text()).toMatch(/With it: Saddle down \d/)
    await at.get('input[type="checkbox"]').setValue(false)
    await rested()
    expect(at.find('[data-testid="move-answers"]').exists()).toBe(false)
    expect(at.text()).toMatch(/Knee at the bottom: left .+° → .+°, right .+° → .+°\./)
  })

  it('has its fields under what they bring along, so that none moves under the hand, and folds to a line', async () => {
    openVisit({ readings: withRooms })
    const at = card()
    await to(at, 'Saddle height').setValue('728')
    await rested()
    const [now, field] = [at.get('[data-testid="move-now"]').element, to(at, 'Saddle height').element]
    expect(now.compareDocumentPosition(field) & Node.DOCUMENT_POSITION_FOLLOWING).toBeTruthy()
    const fold = () => at.get('button[aria-expanded]')
    await fold().trigger('click')
    expect([at.findAll('input').length, fold().attributes('aria-expanded')]).toEqual([0, 'false'])
    // What is asked for is still read, with its caution, and can be tried.
    expect(at.text()).toContain('Saddle up 4 mm')
    expect(at.get('.caution').text()).toMatch(/torque/i)
    expect(tryButton(at).exists()).toBe(true)
    useBoard().leave()
    await nextTick()
    useBoard().request([{ setting: 'saddleHeight', side: 'both', by: 2 }])
    await rested()
    expect(at.get('[data-testid="move-now"]').text()).toBe('Now: Saddle up 2 mm')
  })

  it('says what is wrong with a target and leaves it standing', async () => {
    openVisit({ readings: withRooms })
    const board = useBoard()
    const at = card()
    await to(at, 'Saddle height').setValue('7280')
    expect(at.get('[role="alert"]').text()).toMatch(/^Saddle height must lie between .+ and .+ mm\./)
    expect([to(at, 'Saddle height').element.value, board.active]).toEqual(['7280', false])
  })

  it('steps by arrow keys: 1 mm, and takes a request back with an emptied field', async () => {
    openVisit({ readings: withRooms })
    const board = useBoard()
    const at = card()
    const field = to(at, 'Saddle height')
    for (const key of ['ArrowUp', 'ArrowUp', 'ArrowDown']) await field.trigger(`keydown.${key.slice(5).toLowerCase()}`)
    expect(board.aimed('saddleHeight', 'both')).toBeCloseTo(1, 9)
    expect(field.element.value).toBe('725')
    await field.setValue('')
    expect(board.active).toBe(false)
  })

  it('takes a target in inches', async () => {
    openVisit({ readings: withRooms })
    usePreferences().unit = 'in'
    const at = card()
    await to(at, 'Saddle height').setValue('28.6')
    expect(useBoard().aimed('saddleHeight', 'both')).toBeCloseTo(28.6 * 25.4 - 724, 6)
  })

  it('tries what is on it: the ledger has it with its reason, and the card is empty', async () => {
    const visit = openVisit({ readings: withRooms })
    const at = card()
    await to(at, 'Saddle height').setValue('726')
    await rested()
    await tryButton(at).trigger('click')
    expect(visit.ledger.at(-1)).toMatchObject({
      kind: 'try',
      station: 'seat',
      reason: 'Asked for by the fitter.',
      moves: [{ setting: 'saddleHeight', side: 'both', by: 2, role: 'chosen' }],
    })
    expect(useBoard().active).toBe(false)
  })

  it('lets a proposal of the page stand, until it is left or something else is asked for', async () => {
    openVisit({ readings: withRooms })
    const board = useBoard()
    const proposal: Proposal = {
      key: 'judged',
      words: 'As judged',
      requested: [{ setting: 'saddleHeight', side: 'both', by: -3 }],
      reason: 'Both knees ask for it.',
      standing: true,
    }
    board.offer(
      () => [proposal],
      () => true,
    )
    const at = card()
    const button = (words: string) => at.findAll('button').find((one) => one.text() === words)
    await rested()
    expect(at.get('[data-testid="move-now"]').text()).toBe('Now: Saddle down 3 mm')
    expect(button('As judged')).toBeUndefined()
    await button('Leave it')!.trigger('click')
    expect(board.active).toBe(false)
    await button('As judged')!.trigger('click')
    expect(board.aimed('saddleHeight', 'both')).toBe(-3)
  })

  it('tries nothing while a warning sign is positive, and says so', async () => {
    const stopped = aComplaint(50, { places: [{ region: 'groin', side: 'middle' }], warnings: { 'lasting-numbness': 'yes' } })
    const visit = openVisit({ readings: withRooms, complaints: [stopped] })
    expect(visit.stops.length).toBeGreaterThan(0)
    const at = card()
    await to(at, 'Saddle height').setValue('726')
    await rested()
    expect(tryButton(at).attributes('disabled')).toBeDefined()
    expect(at.text()).toContain('Not while a warning sign is positive.')
  })
})

describe('the card of what is on trial', () => {
  const knee = aComplaint(51, { places: [{ region: 'knee-front', side: 'left' }], kind: 'pain' })

  it('asks for a rating of each complaint, with the caution, and keeps or undoes', async () => {
    const visit = openVisit({ ledger: [entryOf(7, { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' })], complaints: [knee] })
    const at = shown(TrialCard, { change: visit.folded.trying! })
    expect(at.text()).toContain('Being tried: Saddle up 5 mm.')
    expect(at.text()).toContain('1 not rated yet')
    expect(at.get('.caution').text()).toContain('Check the bolts')
    await at.get('input[value="2"]').setValue(true)
    expect(visit.ratings).toEqual([{ complaintId: uuid(51), changeId: uuid(7), severity: 2 }])
    await nextTick()
    expect(at.text()).not.toContain('not rated yet')
    await at
      .findAll('button')
      .find((one) => one.text() === 'Undo')!
      .trigger('click')
    expect(visit.folded.changes.map(({ state }) => state)).toEqual(['undone'])
    // The saddle stands again where it stood.
    expect(visit.setup.now.saddleHeight.left?.value).toBe(724)
  })
})

describe('before anything is tried', () => {
  const numb = aComplaint(50, {})
  const asked = (at: Card) => at.find('[data-testid="ask-first"]')
  async function wanted(): Promise<Card> {
    const at = card()
    await to(at, 'Saddle height').setValue('728')
    await rested()
    return at
  }

  it('warning signs nobody has asked are asked on the card, one after the other', async () => {
    const visit = openVisit({ readings: withRooms, complaints: [numb] })
    const at = await wanted()
    expect(tryButton(at).attributes('disabled')).toBeDefined()
    const count = visit.unasked[0]!.signs.length
    expect(asked(at).text()).toContain(`Ask before trying: ${count} warning signs.`)
    for (let i = 0; i < count; i++) await asked(at).get('.is-no input').setValue(true)
    await rested()
    expect(asked(at).exists()).toBe(false)
    expect(tryButton(at).attributes('disabled')).toBeUndefined()
    await tryButton(at).trigger('click')
    expect(visit.folded.trying).not.toBeNull()
  })

  it('or a reason is given, which is stored', async () => {
    const visit = openVisit({ readings: withRooms, complaints: [numb] })
    const at = await wanted()
    await asked(at)
      .findAll('button')
      .find((button) => button.text() === 'Not asked…')!
      .trigger('click')
    await asked(at).get('form').trigger('submit')
    expect(asked(at).get('[role="alert"]').text()).toMatch(/3 to 300/)
    await asked(at).get('input').setValue('Seen by her physiotherapist today.')
    await asked(at).get('form').trigger('submit')
    await rested()
    expect(visit.dossier!.visit.overruled).toEqual([{ block: `unasked:${numb.id}`, reason: 'Seen by her physiotherapist today.' }])
    expect(tryButton(at).attributes('disabled')).toBeUndefined()
  })

  it('a target that is none any more takes its request back', async () => {
    openVisit({ readings: withRooms })
    const board = useBoard()
    const at = card()
    for (const text of ['7', '72', '728', '7280']) await to(at, 'Saddle height').setValue(text)
    expect(board.aimed('saddleHeight', 'both')).toBe(0)
  })

  it('leaving it puts the pace back', async () => {
    const visit = openVisit({ readings: withRooms })
    const board = useBoard()
    const at = await wanted()
    visit.setVisit({ pace: 'new' })
    await nextTick()
    await at
      .findAll('button')
      .find((button) => button.text() === 'Leave it')!
      .trigger('click')
    expect([visit.dossier!.visit.pace, board.active]).toEqual([null, false])
  })
})

describe('a change that a brake hangs on', () => {
  const turned = { ...entryOf(1, { setting: 'leverAngle', side: 'left', by: -5, role: 'chosen' }), station: 'hands' as const }
  it('has the pull test and the question of the front brake on its trial, and nothing of pedals', async () => {
    const visit = openVisit({ readings: readingsWith({ leverAngle: [40, 40], barWidth: 760 }), ledger: [turned], kind: 'trail' })
    const at = shown(TrialCard, { change: visit.folded.trying! })
    expect(at.get('[data-testid="trial-cautions"]').text()).toMatch(/pull both brakes hard/)
    expect(at.text()).not.toMatch(/release/)
    await at.get('[data-testid="front-brake-question"] .is-right input').setValue(true)
    await nextTick()
    expect(visit.riding.frontBrake).toBe('right')
    expect(at.find('[data-testid="front-brake-question"]').exists()).toBe(false)
  })
})
