/** @jest-environment jsdom */
import { plain } from '@level-stance/core/kernel/message'
import { nextTick } from 'vue'
import { complaintAt, controlComplaint, onlyReadings } from '@level-stance/core/testing'
import { aVisit } from '@level-stance/core/reason/testing'
import BodyMap from '../../src/stations/talk/BodyMap.vue'
import ComplaintForm from '../../src/stations/talk/ComplaintForm.vue'
import ControlList from '../../src/stations/talk/ControlList.vue'
import { controlDrawings } from '../../src/stations/talk/controlDrawings.ts'
import CauseRanking from '../../src/reasoning/CauseRanking.vue'
import SelectField from '../../src/kit/SelectField.vue'
import RidingForm from '../../src/complaint/RidingForm.vue'
import { visitWorker } from '../../src/data/workers/visit.ts'
import type { HeldVisit, ReasonQuestion } from '../../src/data/workers/visit.ts'
import { freshWindow, shown } from '../visitWindow.ts'

beforeEach(freshWindow)
const knee = complaintAt(1, 'knee-outer', 'right', { severity: 7 })

describe('the body map', () => {
  const map = (complaints = [knee]) => shown(BodyMap, { views: ['front', 'back'], complaints, open: null })
  it('is one tab stop; arrows go to the next place that way and keep the stop', async () => {
    const at = map()
    const stops = () => at.findAll('[role="button"]').filter((spot) => spot.attributes('tabindex') === '0')
    expect(stops()).toHaveLength(1)
    await at.get('[data-spot="front-forearm-left"]').trigger('keydown', { key: 'ArrowDown' })
    expect(stops()[0]?.attributes('data-spot')).toBe('front-wrist-left')
    await at.get('[data-spot="front-wrist-left"]').trigger('keydown', { key: 'ArrowUp' })
    expect(stops()[0]?.attributes('data-spot')).toBe('front-forearm-left')
  })
  it('says what is told where, and picks by tap, Enter and space', async () => {
    const at = map()
    expect(at.get('[data-spot="front-knee-outer-right"]').attributes('aria-label')).toBe('Outer knee, right, told')
    expect(at.text()).toContain('7')
    for (const how of [['click'], ['keydown', { key: 'Enter' }], ['keydown', { key: ' ' }]] as const)
      await at.get('[data-spot="back-calf-left"]').trigger(how[0], how[1] ?? {})
    expect(at.emitted('pick')).toEqual(Array.from({ length: 3 }, () => [{ region: 'calf', side: 'left' }]))
  })
  it('shows the rider’s right on the left of the front, and on the right of the back', () => {
    const flip = (spot: string) => map().get(`[data-spot="${spot}"] path`).attributes('transform')
    expect([flip('front-calf-right'.replace('calf', 'shin')), flip('back-calf-right')]).toEqual(['scale(-1 1)', 'scale(1 1)'])
  })
})

describe('what is told', () => {
  it('starts unanswered: no kind, no severity, and no warning signs until it is said what it is like', async () => {
    const fresh = complaintAt(2, 'groin', 'middle', { kind: null, severity: null })
    const at = shown(ComplaintForm, { complaint: fresh, adding: false })
    expect(at.findAll('.ant-radio-button-wrapper-checked')).toHaveLength(0)
    expect(at.text()).not.toContain('warning signs')
    await at.setProps({ complaint: { ...fresh, kind: 'numb' } })
    expect(at.text()).toContain('Ask before going on: 5 warning signs')
  })
  it('puts all its places on a side, and takes one of several back', async () => {
    const two = { ...knee, places: [...knee.places, { region: 'calf' as const, side: 'right' as const }] }
    const at = shown(ComplaintForm, { complaint: two, adding: false })
    await at.get('[aria-label="Side"] input[value="both"]').setValue(true)
    const [[changed]] = at.emitted('change') as [[typeof two]]
    expect(changed.places.map(({ side }) => side)).toEqual(['both', 'both'])
  })
  it('has a drawing for every symptom that sits at no place', () => {
    const at = shown(ControlList, { told: ['rocks'] })
    expect(at.findAll('svg path').length).toBeGreaterThan(Object.keys(controlDrawings).length)
    expect(at.findAll('[aria-pressed="true"]')).toHaveLength(1)
  })
  it('of the riding is kept as far as it holds together, with words where it does not', async () => {
    const at = shown(RidingForm, { riding: { hoursWeek: 8 } })
    const hours = at.get('input[aria-label="Hours a week"]')
    await hours.setValue('200')
    await hours.trigger('blur')
    expect(at.get('[role="alert"]').text()).toBe('Hours a week must be a number from 0 to 60 h.')
    expect(at.emitted('change')).toBeUndefined()
    await at.get('[aria-label="Front brake"] input[value="right"]').setValue(true)
    expect(at.emitted('change')).toEqual([[{ hoursWeek: 8, frontBrake: 'right' }]])
  })
})

describe('ranked causes', () => {
  const worker = visitWorker(
    () => Promise.resolve(),
    () => 0,
    Math.random,
  )
  const ask = async (visit: Partial<HeldVisit>, more: Partial<ReasonQuestion> = {}) => {
    worker.hold(visit)
    return (await worker.reasoning({ focus: null, looksBack: false, ...more }))!
  }
  const visit = aVisit({
    complaints: [complaintAt(1, 'knee-back', 'right'), controlComplaint(2, 'rocks')],
    readings: onlyReadings({ kneeFlexion: 15 }),
  })
  it('come from the worker as plain things, said in either unit', async () => {
    const { reasoning, stages } = await ask(visit)
    expect(JSON.parse(JSON.stringify(reasoning))).toEqual(reasoning)
    expect(stages).toEqual([])
    expect(reasoning.reasoned.causes[0]?.cause).toBe('saddle-high')
    const wide = { ...visit, readings: onlyReadings({ saddleWidth: 190, sitBoneSpacing: 100, torsoAngle: 50 }) }
    const [best] = (await ask(wide)).reasoning.reasoned.causes
    expect(plain(best!.said[0]!.words)).toBe('The saddle is 60 mm wider than these bones and this posture ask.')
    expect(plain(best!.said[0]!.words, 'in')).toBe('The saddle is 2.36 in wider than these bones and this posture ask.')
  })
  it('are said with how likely, what speaks for them and what is not read, and lead to their page', async () => {
    const { reasoning } = await ask(visit)
    const at = shown(CauseRanking, { causes: reasoning.reasoned.causes, leftOver: reasoning.reasoned.leftOver })
    await nextTick()
    const first = at.get('[data-testid="cause-saddle-high"]')
    expect(first.text()).toContain('very likely')
    expect(first.text()).toContain('too straight at the bottom')
    expect(at.get('[data-testid="cause-saddle-wide"]').text()).toContain('nothing read yet')
    expect(at.text()).toContain('for none of these')
    await first.get('[aria-label="Saddle too high: open Height"]').trigger('click')
    expect((at.emitted('go') as [[{ cause: string }]])[0][0].cause).toBe('saddle-high')
  })
})

it('a list to choose from has a name, and points at nothing while it is closed', async () => {
  const at = shown(SelectField, { label: 'Began', value: null, options: { weeks: 'some weeks ago' }, clearable: true })
  await nextTick()
  const field = at.get('input[role="combobox"]')
  expect(field.attributes('aria-label')).toBe('Began')
  expect(field.attributes('aria-expanded')).toBe('false')
  expect(field.attributes('aria-controls')).toBeUndefined()
})
