import { complaintAt } from '../testing.ts'
import { LONGEST_AT_STAND, trialPlan } from './trialPlan.ts'

// Common practice: one change, rated before and after under the load that brings the complaint. A difference that
// matters is two points of ten or 30 %: Farrar et al. 2001, Pain 94:149, from memory.
const toes = complaintAt(1, 'forefoot', 'both', { severity: 7, situation: 'climbing', startsAfter: 20 })
const neck = complaintAt(2, 'neck', 'middle', { severity: 4 })
const move = (words: 'better' | 'no change' | 'watch') => ({
  words: 'Cleat L back 5 mm',
  cautions: ['Mark the cleat’s place.', 'Another.'],
  effects: [{ complaintId: toes.id, title: 'Toes and ball of foot, both', words, eases: 0.4 }],
})
const said = (plan: ReturnType<typeof trialPlan>) => Object.fromEntries(plan.map(({ key, says }) => [key, says]))

describe('the plan of a trial', () => {
  it('rates everything told, says what is set with all its cautions, and decides by what should ease', () => {
    const plan = trialPlan(
      move('better'),
      [neck, toes],
      new Map([
        [toes.id, 5],
        [neck.id, null],
      ]),
    )
    expect(plan.map(({ key }) => key)).toEqual(['before', 'set', 'ride', 'after', 'decide'])
    expect(said(plan)).toMatchObject({
      before: expect.stringMatching(/^Now: neck.* not rated and toes.* 5\.$/) as string,
      set: 'Cleat L back 5 mm. Mark the cleat’s place. Another.',
      decide: expect.stringContaining(
        'Keep it if the rating (toes and ball of foot, both) falls by 2 points or 30 %, and none rises by as much.',
      ) as string,
    })
  })
  it('rides what brings the complaint that should ease: at the stand, or outside where it starts too late for that', () => {
    const at = (startsAfter: number | null) => said(trialPlan(move('better'), [neck, { ...toes, startsAfter }], new Map()))['ride']
    expect(at(LONGEST_AT_STAND)).toBe(
      'Easy for five minutes, then climbing seated, at several efforts, until it would have come (after 30 min).',
    )
    expect(at(LONGEST_AT_STAND + 1)).toBe(
      'At the stand for the feel, then a ride of more than 31 minutes, climbing seated: it starts only then.',
    )
    expect(at(null)).toMatch(/until it would have come\.$/)
  })
  it('holds with nothing told, and with nothing that should ease', () => {
    expect(said(trialPlan(move('watch'), [toes], new Map()))['decide']).toContain('Keep it if the rating falls by 2 points or 30 %')
    expect(said(trialPlan({ ...move('no change'), cautions: [] }, [], new Map()))).toMatchObject({
      set: 'Cleat L back 5 mm.',
      ride: 'At several efforts.',
    })
  })
})
