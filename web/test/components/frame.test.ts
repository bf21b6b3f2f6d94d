/** @jest-environment jsdom */
import { entryOf, readingsWith, testTime, uuid } from '@level-stance/core/testing'
import type { Finding } from '@level-stance/core/kernel/finding'
import type { SourceKey } from '@level-stance/core/kernel/sources'
import { nextTick } from 'vue'
import ChangeTimeline from '../../src/move/ChangeTimeline.vue'
import ChoiceField from '../../src/reading/ChoiceField.vue'
import ConflictBar from '../../src/saving/ConflictBar.vue'
import FindingList from '../../src/finding/FindingList.vue'
import SeverityPicker from '../../src/complaint/SeverityPicker.vue'
import ReadingRows from '../../src/reading/ReadingRows.vue'
import SelectField from '../../src/kit/SelectField.vue'
import { useOutbox } from '../../src/data/outbox.ts'
import { usePreferences } from '../../src/data/preferences.ts'
import { aComplaint, followed, freshWindow, openVisit, rested, server, shown } from '../visitWindow.ts'

beforeEach(freshWindow)

const knee = aComplaint(51, { places: [{ region: 'knee-front', side: 'left' }], kind: 'pain' })

describe('the string of changes', () => {
  const up = entryOf(
    7,
    { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' },
    { setting: 'handHeight', side: 'both', by: 5, role: 'knock-on' },
  )
  const back = entryOf(10, { setting: 'cleatSetback', side: 'left', by: 4, role: 'chosen' })
  const ledger = [
    up,
    { kind: 'keep', id: uuid(8), at: testTime, of: uuid(7) },
    back,
    { kind: 'undo', id: uuid(11), at: testTime, of: uuid(10) },
  ] as const
  const open = () => openVisit({ ledger, complaints: [knee], ratings: [{ complaintId: knee.id, changeId: uuid(7), severity: 3 }] })
  const beads = (at: ReturnType<typeof shown>) => at.findAll('li').map((bead) => bead.text().replace(/\s+/g, ' '))

  it('has a bead for the start, for each change with what it brought along and its rating, and for each undo', () => {
    open()
    expect(beads(shown(ChangeTimeline, { proposed: 'Saddle up 2' }))).toEqual([
      'Start',
      expect.stringMatching(/^Saddle up 5 mm ?kept · rated 3 ?[a-z].* up 5 mm$/),
      expect.stringMatching(/^Cleat L back 4 mm ?undone$/),
      'Undo of 2',
      expect.stringMatching(/^To try ?Saddle up 2$/),
    ])
  })

  it('shows the bike as it stood at a bead, and now again at the same or the last', async () => {
    const visit = open()
    const at = shown(ChangeTimeline, { proposed: null })
    const [start, first, , undo] = at.findAll('button')
    await start!.trigger('click')
    expect([visit.shownUpTo, visit.setup.now.saddleHeight.left?.value]).toEqual([0, 724])
    expect(start!.attributes('aria-pressed')).toBe('true')
    await first!.trigger('click')
    expect([visit.shownUpTo, visit.setup.now.saddleHeight.left?.value]).toEqual([2, 729])
    await first!.trigger('click')
    expect(visit.shownUpTo).toBeNull()
    await start!.trigger('click')
    await undo!.trigger('click')
    expect(visit.shownUpTo).toBeNull()
  })
})

describe('a reading of words', () => {
  it('is stored by its key, shown by its word, and emptied again', async () => {
    const visit = openVisit({ readings: readingsWith({}) })
    const at = shown(ChoiceField, { readingKey: 'soleStiffness', side: 'both', condition: 'usual', again: false })
    const list = at.getComponent(SelectField)
    // Empty, it is where the key for the next missing reading goes.
    expect(at.get('input').attributes()).toMatchObject({ 'data-reading': '', 'data-empty': '' })
    list.vm.$emit('pick', 'stiff')
    await followed()
    expect(visit.reading('soleStiffness', 'both')?.value).toBe('stiff')
    await nextTick()
    expect(at.text()).toContain('stiff')
    expect(at.get('input').attributes('data-empty')).toBeUndefined()
    list.vm.$emit('pick', null)
    await followed()
    expect(visit.reading('soleStiffness', 'both')?.value ?? null).toBeNull()
  })
})

describe('a doubt about readings', () => {
  const far = () => openVisit({ readings: readingsWith({ thigh: [430, 330] }) })

  it('comes when the hand rests, and goes with the key that settles it', async () => {
    const visit = far()
    const at = shown(ReadingRows, { rows: [{ key: 'thigh', condition: 'usual' }] })
    expect(at.text()).toMatch(/Thigh: left 430 mm and right 330 mm differ by 100 mm/)
    visit.setReading({ ...visit.reading('thigh', 'right')!, value: 433, typed: '433' })
    await followed()
    await nextTick()
    expect(at.findAll('.question')).toHaveLength(0)
    visit.setReading({ ...visit.reading('thigh', 'right')!, value: 33, typed: '33' })
    await followed()
    expect(at.findAll('.question')).toHaveLength(0)
    await rested()
    expect(at.findAll('.question').length).toBeGreaterThan(0)
  })

  it('is answered by "Keep both as typed" for these values only', async () => {
    const visit = far()
    const at = shown(ReadingRows, { rows: [{ key: 'thigh', condition: 'usual' }] })
    const about = at.findAll('.question').length
    await at.get('.question button').trigger('click')
    await nextTick()
    expect(at.findAll('.question')).toHaveLength(about - 1)
    visit.setReading({ ...visit.reading('thigh', 'right')!, value: 331, typed: '331' })
    await followed()
    await rested()
    expect(at.findAll('.question')).toHaveLength(about)
  })

  it('exchanges the sides', async () => {
    const visit = far()
    const at = shown(ReadingRows, { rows: [{ key: 'thigh', condition: 'usual' }] })
    await at
      .findAll('button')
      .find((one) => one.text() === 'Exchange left and right')!
      .trigger('click')
    await followed()
    expect([visit.reading('thigh', 'left')?.value, visit.reading('thigh', 'right')?.value]).toEqual([330, 430])
  })

  it('is left out where it is about other readings', () => {
    far()
    expect(shown(ReadingRows, { rows: [{ key: 'trunk', condition: 'usual' }] }).findAll('.question')).toHaveLength(0)
  })
})

describe('what another window changed', () => {
  it('stands beside one’s own; either is taken', async () => {
    const visit = openVisit()
    const outbox = useOutbox()
    const stored = { reading: { ...visit.reading('inseam', 'both')!, value: 850 }, version: 4 }
    server.reply = (_, method) =>
      method === 'PUT' ? { status: 409, body: { code: 'stale', message: 'Stale.', current: stored } } : { status: 200, body: visit.dossier }
    const at = shown(ConflictBar, {})
    expect(at.find('[role="alert"]').exists()).toBe(false)
    visit.setReading({ ...visit.reading('inseam', 'both')!, value: 822, typed: '822' })
    outbox.flush()
    await rested()
    expect(at.get('[role="alert"]').text()).toMatch(/Inseam was changed in another window\. There: 850 mm\. Here:\s+822\./)
    usePreferences().unit = 'in'
    await nextTick()
    expect(at.text()).toMatch(/There: 33\.46/)
    server.reply = () => ({ status: 200, body: { ...stored, version: 5 } })
    await at
      .findAll('button')
      .find((one) => one.text() === 'Keep mine')!
      .trigger('click')
    outbox.flush()
    await rested()
    expect(at.find('[role="alert"]').exists()).toBe(false)
    const sent = server.asked.filter(({ body }) => body.includes('"inseam"')).map(({ body }) => JSON.parse(body) as { version: number })
    expect(sent.map(({ version }) => version)).toEqual([1, 4])
  })
})

describe('small parts', () => {
  it('a severity is picked by tap; nothing is chosen until somebody says', async () => {
    const at = shown(SeverityPicker, { label: 'Now', value: null })
    expect(at.findAll('.ant-radio-button-wrapper-checked')).toHaveLength(0)
    await at.get('input[value="3"]').setValue(true)
    expect(at.emitted('pick')).toEqual([[3]])
    expect(at.findAll('input[type="radio"]')).toHaveLength(11)
  })

  it('findings say what they rest on: computed, common practice, a publication or an assumption', () => {
    const finding = (key: string, source: SourceKey): Finding => ({
      key,
      side: 'both',
      weight: 'note',
      headline: key,
      sentence: '',
      source,
    })
    const at = shown(FindingList, {
      findings: [finding('a', 'geometry'), finding('b', 'common-practice'), finding('c', 'prior'), finding('d', 'drillis-contini')],
      none: 'Nothing.',
    })
    const basis = at.findAll('.muted').map((line) => line.text())
    expect(basis.slice(0, 3)).toEqual([
      'Source: computed from the readings.',
      'Source: common practice.',
      'Source: this product’s own assumption.',
    ])
    expect(basis[3]).toMatch(/Drillis/)
    expect(shown(FindingList, { findings: [], none: 'Nothing.' }).text()).toBe('Nothing.')
  })
})
