/** @jest-environment jsdom */
import { aReading, entryOf, readingsWith, uuid } from '@level-stance/core/testing'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import ReadingRow from '../../src/reading/ReadingRow.vue'
import ReadingRows from '../../src/reading/ReadingRows.vue'
import SelectField from '../../src/kit/SelectField.vue'
import RemoveButton from '../../src/kit/RemoveButton.vue'
import { useLastRemoved } from '../../src/data/lastRemoved.ts'
import { usePreferences } from '../../src/data/preferences.ts'
import { useDrafts } from '../../src/data/drafts.ts'
import { followed, freshWindow, openVisit, shown } from '../visitWindow.ts'

beforeEach(freshWindow)

const row = (readingKey: ReadingKey) => shown(ReadingRow, { readingKey })
type Row = ReturnType<typeof row>
const field = (at: Row, label: string) => at.get<HTMLInputElement>(`input[aria-label="${label}"]`)
/** Types as a hand does: one key after the other, each a value of its own. */
async function type(at: Row, label: string, text: string): Promise<void> {
  const input = field(at, label)
  input.element.focus()
  for (let i = 1; i <= text.length; i++) await input.setValue(text.slice(0, i))
}
const stored = (key: ReadingKey, side: 'left' | 'right' | 'both') => {
  const rows = openNow().dossier!.readings.filter(({ reading }) => reading.key === key && reading.side === side)
  return rows.at(-1)?.reading.value ?? null
}
let openNow: () => ReturnType<typeof openVisit>
function open(...given: Parameters<typeof openVisit>) {
  const visit = openVisit(...given)
  openNow = () => visit
  return visit
}
const saddleUp = entryOf(7, { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' })

describe('a field of the tape', () => {
  it('stores every key press at once, keeps the focus, and the screen follows', async () => {
    const visit = open()
    const at = row('inseam')
    await type(at, 'Inseam', '841')
    expect(stored('inseam', 'both')).toBe(841)
    expect(document.activeElement).toBe(field(at, 'Inseam').element)
    await followed()
    expect(visit.setup.now.inseam.left?.value).toBe(841)
    expect([document.activeElement, field(at, 'Inseam').element.value]).toEqual([field(at, 'Inseam').element, '841'])
  })

  it('goes by what was typed last, however fast: there and back within one frame', async () => {
    open({ readings: readingsWith({ kneeFlexion: [3, 31] }) })
    const at = row('kneeFlexion')
    const input = field(at, 'Knee at the bottom, left')
    for (const text of ['32', '3']) await input.setValue(text)
    expect(stored('kneeFlexion', 'left')).toBe(3)
    await followed()
    expect(stored('kneeFlexion', 'left')).toBe(3)
  })

  it('holds half a number without storing it, and says the allowed range only when the hand leaves', async () => {
    open()
    const at = row('inseam')
    await type(at, 'Inseam', '8')
    expect(stored('inseam', 'both')).toBe(832)
    expect(at.find('[role="alert"]').exists()).toBe(false)
    await field(at, 'Inseam').trigger('blur')
    expect(at.get('[role="alert"]').text()).toMatch(/^Inseam must lie between .+ and .+ mm/)
    expect(field(at, 'Inseam').attributes('aria-invalid')).toBe('true')
    // Nothing typed is lost: a reload finds it as it was left.
    expect(useDrafts().any(`${uuid(3)}/inseam:`)).toBe(true)
    expect(field(shown(ReadingRow, { readingKey: 'inseam' }), 'Inseam').element.value).toBe('8')
  })

  it('shows what was carried over as that, and what is typed over it as read', async () => {
    const carried = { ...aReading('heelWedge', 'left', 1), method: 'carried' as const, plusMinus: 1 }
    open({ readings: [...readingsWith({}), carried] })
    const at = row('heelWedge')
    expect(at.get('.how').text()).toMatch(/carried over/)
    await type(at, 'Wedge under the heel, left', '2')
    await followed()
    const stands = openNow().reading('heelWedge', 'left')
    expect([stands?.value, stands?.method, stands?.plusMinus]).toEqual([2, definitionOf('heelWedge').method, undefined])
  })

  it('leaves no piece of a refused entry behind: what stood before stands, and the field says so', async () => {
    open({ readings: readingsWith({ kneeFlexion: [30, 31] }) })
    const at = row('kneeFlexion')
    const label = 'Knee at the bottom, left'
    await type(at, label, '350')
    expect(stored('kneeFlexion', 'left')).toBe(30)
    await nextTick()
    expect(at.get('[role="alert"]').text()).toMatch(/must lie between .* 30° is kept\.$/)
    expect(field(at, label).element.value).toBe('350')
    // Back in the range it is taken again; past it a second time, still what stood before the hand began.
    await field(at, label).setValue('35')
    expect(stored('kneeFlexion', 'left')).toBe(35)
    await field(at, label).setValue('359')
    expect(stored('kneeFlexion', 'left')).toBe(30)
  })

  it('clears again what had nothing before, and takes a repeated reading whole', async () => {
    open({ readings: readingsWith({}).filter(({ key }) => key !== 'saddleHeight' && key !== 'footLength') })
    const height = row('saddleHeight')
    await type(height, 'Saddle height', '7430')
    expect(stored('saddleHeight', 'both')).toBeNull()
    await field(height, 'Saddle height').trigger('blur')
    expect(height.get('[role="alert"]').text()).toMatch(/Nothing is stored\.$/)
    const foot = row('footLength')
    await type(foot, 'Foot length, left', '264; 266; 26')
    expect(stored('footLength', 'left')).toBeNull()
    expect(foot.find('[role="alert"]').exists()).toBe(false)
    await field(foot, 'Foot length, left').setValue('264; 266; 265')
    expect(stored('footLength', 'left')).toBe(265)
  })

  it('takes inches where the fitter works in inches, and offers what was likely meant', async () => {
    open()
    usePreferences().unit = 'in'
    const at = row('inseam')
    await type(at, 'Inseam', '33')
    expect(stored('inseam', 'both')).toBeCloseTo(838.2, 6)
    await type(at, 'Inseam', '830')
    await field(at, 'Inseam').trigger('blur')
    const offer = at.get('[role="alert"] button')
    await offer.trigger('click')
    expect(stored('inseam', 'both')).toBe(830)
  })

  it('gives back with Escape what it held, also a field that was empty', async () => {
    open({ readings: readingsWith({}).filter(({ key }) => key !== 'trunk') })
    const inseam = row('inseam')
    await field(inseam, 'Inseam').trigger('focus')
    await type(inseam, 'Inseam', '700')
    expect(stored('inseam', 'both')).toBe(700)
    await field(inseam, 'Inseam').trigger('keydown', { key: 'Escape' })
    expect(stored('inseam', 'both')).toBe(832)
    const trunk = row('trunk')
    const label = trunk.get('input').attributes('aria-label')!
    await field(trunk, label).trigger('focus')
    await type(trunk, label, '500')
    await field(trunk, label).trigger('keydown', { key: 'Escape' })
    expect(stored('trunk', 'both')).toBeNull()
  })

  it('leaves the field with Escape where nothing was typed', async () => {
    open()
    const inseam = row('inseam')
    const input = field(inseam, 'Inseam')
    input.element.focus()
    expect(document.activeElement).toBe(input.element)
    await input.trigger('keydown', { key: 'Escape' })
    expect(document.activeElement).toBe(document.body)
    expect(stored('inseam', 'both')).toBe(832)
  })

  it('goes on with Enter, back with Shift, and past the end of a page', async () => {
    open()
    document.body.innerHTML = ''
    const rows = mount(ReadingRows, {
      props: { rows: (['thigh', 'shank'] as const).map((key) => ({ key, condition: 'usual' as const })) },
      attachTo: document.body,
    })
    const fields = rows.findAll<HTMLInputElement>('input')
    const ends: number[] = []
    document.body.addEventListener('page-end', (event) => ends.push((event as CustomEvent<number>).detail))
    fields[0]!.element.focus()
    await fields[0]!.trigger('keydown', { key: 'Enter' })
    expect(document.activeElement).toBe(fields[1]!.element)
    await fields[1]!.trigger('keydown', { key: 'Enter', shiftKey: true })
    expect(document.activeElement).toBe(fields[0]!.element)
    await fields[3]!.trigger('keydown', { key: 'Enter' })
    await fields[0]!.trigger('keydown', { key: 'Enter', shiftKey: true })
    expect(ends).toEqual([1, -1])
  })

  it('shows what another window stores, but not under a typing hand', async () => {
    const visit = open()
    const at = row('inseam')
    const theirs = (value: number) => {
      const readings = visit.dossier!.readings.filter(({ reading }) => reading.key !== 'inseam')
      visit.dossier = { ...visit.dossier!, readings: [...readings, { reading: aReading('inseam', 'both', value), version: 2 }] }
    }
    theirs(851)
    await nextTick()
    expect(field(at, 'Inseam').element.value).toBe('851')
    await type(at, 'Inseam', '84')
    theirs(860)
    await nextTick()
    expect(field(at, 'Inseam').element.value).toBe('84')
  })
})

describe('a row of the tape', () => {
  it('says how it was read and how sure that is; by what method can be changed', async () => {
    open()
    const at = row('kneeFlexion')
    expect(at.get('.how').text()).toMatch(/^±3° goniometer/)
    await at.get('button.name').trigger('click')
    at.getComponent(SelectField).vm.$emit('pick', 'photo')
    await followed()
    await nextTick()
    expect(at.get('.how').text()).toMatch(/^±\d+(\.\d)?° .*photo/)
  })

  it('never says ±0 of a small ± in inches', async () => {
    open({ readings: [{ ...aReading('crank', 'both', 172.5), method: 'maker' }] })
    usePreferences().unit = 'in'
    const text = row('crank').text()
    expect(text).toMatch(/±0\.\d*[1-9]/)
    expect(text).not.toMatch(/±0(?![.\d])/)
  })
  it('stands with its estimate until it is read', async () => {
    open({ readings: readingsWith({}).filter(({ key }) => key !== 'thigh') })
    const at = row('thigh')
    // Drillis and Contini: thigh 0.245 of stature, 1756 mm.
    expect(field(at, 'Thigh, left').element.placeholder).toBe('~430')
    expect(at.get('.how').text()).toBe('estimate, from stature')
  })

  it('keeps start and now apart after a change, and reads again beside the first', async () => {
    const visit = open({ ledger: [saddleUp, { kind: 'keep', id: uuid(8), at: saddleUp.at, of: uuid(7) }] })
    const at = row('kneeFlexion')
    expect(at.get('.how').text()).toMatch(/^start, predicted now \d+(\.\d)? \/ \d+(\.\d)?°$/)
    await at.get('button.name').trigger('click')
    await at.get('[data-testid="again-kneeFlexion"]').trigger('click')
    await nextTick()
    expect(field(at, 'Knee at the bottom, left').element.value).toBe('')
    await type(at, 'Knee at the bottom, left', '29')
    await field(at, 'Knee at the bottom, left').trigger('blur')
    await followed()
    await nextTick()
    expect(visit.allReadings('kneeFlexion', 'left').map(({ value, after }) => [value, after])).toEqual([
      [32, null],
      [29, uuid(8)],
    ])
    expect(at.get('.how').text()).toMatch(/^32 \/ 31° at start, /)
    expect(at.findAll('.past').map((line) => line.text())).toEqual([
      expect.stringMatching(/^Start, left: 32°/),
      expect.stringMatching(/^After change 1, left: 29°/),
      expect.stringMatching(/^Start, right: 31°/),
    ])
    const one = at.findAllComponents(RemoveButton).find((button) => button.props('label')?.startsWith('Remove: After change 1, left'))!
    one.vm.$emit('remove')
    await followed()
    expect(visit.reading('kneeFlexion', 'left')?.value).toBe(32)
    // For ten seconds it can be taken back.
    const lastRemoved = useLastRemoved()
    expect(lastRemoved.last?.words).toBe('Knee at the bottom, left removed.')
    await lastRemoved.restore()
    await followed()
    expect(visit.reading('kneeFlexion', 'left')?.value).toBe(29)
    expect(lastRemoved.last).toBeNull()
  })
})
