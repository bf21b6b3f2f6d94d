/** @jest-environment jsdom */
import { aReading, entryOf, readingsWith, uuid } from '@level-stance/core/testing'
import { nextTick } from 'vue'
import BlockList from '../../src/move/BlockList.vue'
import ConflictBar from '../../src/saving/ConflictBar.vue'
import PacePicker from '../../src/move/PacePicker.vue'
import ProposalButtons from '../../src/move/ProposalButtons.vue'
import TrialCard from '../../src/move/TrialCard.vue'
import { useOutbox } from '../../src/data/outbox.ts'
import { useVisit } from '../../src/data/visit.ts'
import { aComplaint, freshWindow, openVisit, rested, server, shown } from '../visitWindow.ts'

beforeEach(freshWindow)

const change = entryOf(10, { setting: 'saddleSetback', side: 'both', by: 5, role: 'chosen' })
const knee = aComplaint(1, { places: [{ region: 'knee-outer', side: 'right' }], kind: 'pain', severity: 6 })
const byText = (at: ReturnType<typeof shown>, text: string) => at.findAll('button').find((button) => button.text() === text)

describe('a change that made it worse', () => {
  const tried = () => openVisit({ complaints: [knee], ledger: [change] })

  it('says so at once, offers to undo it first, and keeps it only after asking', async () => {
    const visit = tried()
    const at = shown(TrialCard, { change: visit.folded.trying! })
    expect(at.find('[data-testid="worse"]').exists()).toBe(false)
    visit.setRating({ complaintId: knee.id, changeId: change.id, severity: 8 })
    await nextTick()
    expect(at.get('[data-testid="worse"]').text()).toBe('Outer knee, right is worse: 6 → 8. Undo it, unless there is a reason to keep it.')
    expect(at.findAll('.buttons .ant-btn').map((button) => button.text())).toEqual(['Undo', 'Keep'])
    await byText(at, 'Keep')!.trigger('click')
    await rested()
    expect(visit.folded.trying).not.toBeNull()
    expect(document.body.textContent).toContain('Keep it all the same?')
    await byText(at, 'Undo')!.trigger('click')
    expect(visit.ledger.at(-1)).toMatchObject({ kind: 'undo', of: change.id })
  })

  it('that let nothing fall is kept only when that is said, and the earlier number waits for the new one', async () => {
    const visit = tried()
    const at = shown(TrialCard, { change: visit.folded.trying! })
    expect(at.text()).not.toMatch(/was 6/)
    expect(visit.isAsked(knee.id)).toBe(true)
    visit.setRating({ complaintId: knee.id, changeId: change.id, severity: 5 })
    await nextTick()
    expect(at.text()).toMatch(/Outer knee, right was 6\s*same/)
    expect(visit.isAsked(knee.id)).toBe(false)
    await byText(at, 'Keep')!.trigger('click')
    await rested()
    expect(document.body.textContent).toContain('Nothing got better by enough to matter. Keep it all the same?')
    expect(visit.folded.trying).not.toBeNull()
  })

  it('that made it better is kept without a question', async () => {
    const visit = tried()
    visit.setRating({ complaintId: knee.id, changeId: change.id, severity: 3 })
    const at = shown(TrialCard, { change: visit.folded.trying! })
    expect(at.text()).toMatch(/Outer knee, right was 6\s*better/)
    await byText(at, 'Keep')!.trigger('click')
    expect(visit.ledger.at(-1)).toMatchObject({ kind: 'keep' })
  })
})

it('a proposal that failed before is said and not offered', () => {
  openVisit()
  const proposals = [
    { key: 'a', words: 'Aim 5 mm back', requested: [], reason: '', failed: 'Not offered again: saddle back 5 was tried.' },
    { key: 'b', words: 'Aim 2 mm up', requested: [], reason: '' },
  ]
  const at = shown(ProposalButtons, { proposals })
  expect(at.findAll('button').map((button) => button.text())).toEqual(['Aim 2 mm up'])
  expect(at.get('[data-testid="failed-before"]').text()).toMatch(/^Not offered again/)
})

describe('what must not be ridden', () => {
  it('is overruled only by a reason, and the reason can be taken back', async () => {
    const visit = openVisit({ readings: [...readingsWith({}), aReading('saddleSound', 'both', 'cracked')] })
    const at = shown(BlockList, { blocks: visit.blocks })
    expect(at.text()).toContain('Not to be ridden. The saddle’s rails or shell are bent or cracked.')
    await byText(at, 'Overrule…')!.trigger('click')
    await at.get('form').trigger('submit')
    expect(at.get('[role="alert"]').text()).toBe('A reason has 3 to 300 characters.')
    expect(visit.dossier!.visit.overruled).toEqual([])
    await at.get('input').setValue('A photo, nobody pedals')
    await at.get('form').trigger('submit')
    expect(visit.dossier!.visit.overruled).toEqual([{ block: 'cracked:both', reason: 'A photo, nobody pedals' }])
    await at.setProps({ blocks: visit.blocks })
    expect(at.text()).toContain('Reason: A photo, nobody pedals')
    await byText(at, 'Block it again')!.trigger('click')
    expect(visit.blocks[0]).toMatchObject({ overruled: null })
  })

  it('stands at the trial as well', () => {
    const visit = openVisit({ ledger: [change], readings: [...readingsWith({}), aReading('saddleSound', 'both', 'cracked')] })
    const at = shown(TrialCard, { change: visit.folded.trying! })
    expect(at.get('[data-testid="blocked"]').text()).toMatch(/^Not to be ridden: The saddle’s rails/)
  })
})

it('the pace is what the visit suggests until the fitter says otherwise', async () => {
  const visit = openVisit()
  visit.dossier = { ...visit.dossier!, earlierVisits: 0 }
  const at = shown(PacePicker, {})
  expect(visit.pace).toBe('new')
  await at.findAll('input')[0]!.setValue(true)
  expect(visit.pace).toBe('settled')
  expect(visit.dossier.visit.pace).toBe('settled')
})

describe('a write that waits for a choice', () => {
  it('names rider and visit, and is shown only in its own visit', async () => {
    const visit = openVisit()
    const outbox = useOutbox()
    server.reply = () => ({
      status: 409,
      body: { code: 'stale', message: 'Changed.', current: { reading: aReading('inseam', 'both', 850), version: 2 } },
    })
    visit.setReading(aReading('inseam', 'both', 832))
    outbox.flush()
    await rested()
    expect(outbox.conflicts).toHaveLength(1)
    const at = shown(ConflictBar, {})
    expect(at.text()).toMatch(/^Test Rider, First visit: Inseam was changed in another window\. There: 850 mm\. Here: 832\./)
    const other = useVisit()
    other.dossier = { ...other.dossier!, visit: { ...other.dossier!.visit, id: uuid(77) } }
    await nextTick()
    expect(at.text()).toBe('')
    expect(outbox.conflicts[0]).toMatchObject({ whose: 'Test Rider, First visit' })
  })
})
