/** @jest-environment jsdom */
import { aReading, entryOf, readingsWith, testTime, uuid } from '@level-stance/core/testing'
import { mount } from '@vue/test-utils'
import { createMemoryHistory, createRouter } from 'vue-router'
import EntryLine from '../../src/app/shell/EntryLine.vue'
import { useBoard } from '../../src/data/board.ts'
import { usePreferences } from '../../src/data/preferences.ts'
import { followed, freshWindow, openVisit } from '../visitWindow.ts'

beforeEach(freshWindow)

/** The line in a window that stands at a station. */
async function line(station = 'measure') {
  const page = { template: '<p />' }
  const routes = ['talk', 'measure', 'feet', 'seat', 'hands'].map((name) => ({
    name,
    path: `/visits/:visitId/${name}/:page?`,
    component: page,
  }))
  const router = createRouter({ history: createMemoryHistory(), routes })
  await router.push({ name: station, params: { visitId: uuid(3) } })
  document.body.innerHTML = ''
  const at = mount(EntryLine, { props: { commands: [] }, attachTo: document.body, global: { plugins: [router] } })
  const input = at.get('input')
  return {
    meaning: () => at.find('[role="status"]').text(),
    text: () => input.element.value,
    type: async (note: string) => {
      await input.trigger('focus')
      await input.setValue(note)
    },
    enter: () => input.trigger('keydown', { key: 'Enter' }),
    route: () => ({ name: router.currentRoute.value.name, page: router.currentRoute.value.params['page'] }),
  }
}
const saddle = [aReading('saddleSetback', 'both', 61), ...readingsWith({ railRoomBack: 8, railRoomForward: 8 })]

describe('a short note', () => {
  it('says what it will do before Enter, asks for the move, and goes to the page that has its field', async () => {
    openVisit({ readings: saddle })
    const at = await line('talk')
    await at.type('cleat L back 4')
    expect(at.meaning()).toMatch(/^Cleat L back 4 mm · Enter takes it/)
    expect(useBoard().active).toBe(false)
    await at.enter()
    await followed()
    expect(useBoard().requested).toEqual([{ setting: 'cleatSetback', side: 'left', by: 4 }])
    expect([at.text(), at.route()]).toEqual(['', { name: 'feet', page: 'cleat' }])
  })

  it('stays at Measure for what its board shows, but not for cleats', async () => {
    openVisit({ readings: saddle })
    const saddleDown = await line()
    await saddleDown.type('saddle -3')
    await saddleDown.enter()
    await followed()
    expect(useBoard().aimed('saddleHeight', 'both')).toBe(-3)
    expect(saddleDown.route().name).toBe('measure')
    const cleat = await line()
    await cleat.type('cleat R forward 2')
    await cleat.enter()
    await followed()
    expect(cleat.route().name).toBe('feet')
  })

  it('notes a reading with its method, at its own place', async () => {
    const visit = openVisit({ ledger: [entryOf(7, { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' })] })
    const at = await line()
    await at.type('knee L 33 photo')
    await at.enter()
    await followed()
    // A knee belongs to the contact points: as they stand now, beside the one read at the start.
    expect(visit.allReadings('kneeFlexion', 'left').map(({ value, method, after }) => [value, method, after])).toEqual([
      [32, 'goniometer', null],
      [33, 'photo', uuid(7)],
    ])
    await at.type('inseam 840')
    await at.enter()
    await followed()
    // The rider's own: mended where it is.
    expect(visit.allReadings('inseam', 'both').map(({ value, after }) => [value, after])).toEqual([[840, null]])
  })

  it('moves a setting to a noted value once something was changed, and says what it did', async () => {
    const visit = openVisit({ readings: saddle, ledger: [entryOf(7, { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' })] })
    visit.append({ kind: 'keep', id: uuid(8), at: testTime, of: uuid(7) })
    const at = await line()
    await at.type('saddle 720')
    expect(at.meaning()).toMatch(/^Saddle down 9 mm: from 729 mm to 720 mm · Enter takes it/)
    await at.enter()
    await followed()
    expect(visit.baseline.now.saddleHeight.left?.value).toBe(724)
    expect(useBoard().aimed('saddleHeight', 'both')).toBe(-9)
    expect(at.meaning()).toBe('Saddle down 9 mm: from 729 mm to 720 mm: on the move card.')
  })

  it('reads inches where the fitter works in inches', async () => {
    const visit = openVisit()
    usePreferences().unit = 'in'
    const at = await line()
    await at.type('inseam 33')
    await at.enter()
    await followed()
    expect(visit.reading('inseam', 'both')?.value).toBeCloseTo(838.2, 6)
  })

  it('keeps what it does not understand, and does nothing', async () => {
    const visit = openVisit()
    const before = visit.readings
    const at = await line()
    await at.type('make it comfortable')
    expect(at.meaning()).not.toContain('Enter takes it')
    await at.enter()
    await followed()
    expect([at.text(), visit.readings, useBoard().active]).toEqual(['make it comfortable', before, false])
  })
})
