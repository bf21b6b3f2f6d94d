/** @jest-environment jsdom */
import { nextTick } from 'vue'
import WhyPage from '../../src/stations/WhyPage.vue'
import type { Reasoning } from '@level-stance/core/reason/reason'
import { useReasoning } from '../../src/data/reasoning.ts'
import { aComplaint, freshWindow, openVisit, shown } from '../visitWindow.ts'

jest.mock('../../src/data/workers/startWorker.ts', () => ({
  startVisitWorker: () => ({ addEventListener() {}, postMessage() {} }),
  startMatWorker: () => ({ addEventListener() {}, postMessage() {} }),
}))
beforeEach(freshWindow)

const none = 'Nothing was told that can lie at the seat.'
const numb = aComplaint(50, { places: [{ region: 'groin', side: 'middle' }] })
const answer = (ids: readonly string[]): Reasoning => ({
  complaints: ids.map((id) => ({
    id,
    title: 'Groin numb',
    why: '',
    symptoms: [],
    nearest: [],
    look: [],
    isTold: true,
    causes: [],
    leftOver: 1,
  })),
  isStopped: false,
  hasToAsk: false,
  focus: null,
  reasoned: { causes: [], leftOver: 1, next: [], short: [], moves: [] },
})

it('says that causes are being worked out, and nothing else, until they are those of the complaints that are told', async () => {
  openVisit({ complaints: [numb] })
  const reasoning = useReasoning()
  const at = shown(WhyPage, { station: 'seat', none })
  expect(at.text()).toBe('Working out the causes…')
  // An answer of before the complaint was told says nothing of it.
  reasoning.reasoning = answer([])
  await nextTick()
  expect(at.text()).toBe('Working out the causes…')
  // One about it that readings have overtaken has no last word either.
  reasoning.reasoning = answer([numb.id])
  await nextTick()
  expect(at.text()).toBe('Working out the causes…')
  reasoning.isCurrent = true
  await nextTick()
  expect(at.text()).toBe(none)
})
