import fc from 'fast-check'
import { entryOf, testTime, uuid } from '../testing.ts'
import { againstTrial, course, obstacles, refusal } from './course.ts'
import type { BeforeTrial, CourseEvent, CourseState } from './course.ts'
import { appendProblem, foldLedger, ledgerProblem } from './fold.ts'
import type { LedgerEntry } from './ledger.ts'

describe('the course of a change', () => {
  // Common practice: one change at a time, tried before it is judged; a kept one can be taken back, an undone one is tried anew as another.
  const expected: readonly [CourseState, CourseEvent, CourseState | null][] = [
    ['asked', 'try', 'trying'],
    ['asked', 'rate', null],
    ['asked', 'keep', null],
    ['asked', 'undo', null],
    ['trying', 'try', null],
    ['trying', 'rate', 'trying'],
    ['trying', 'keep', 'kept'],
    ['trying', 'undo', 'undone'],
    ['kept', 'try', null],
    ['kept', 'rate', 'kept'],
    ['kept', 'keep', null],
    ['kept', 'undo', 'undone'],
    ['undone', 'try', null],
    ['undone', 'rate', 'undone'],
    ['undone', 'keep', null],
    ['undone', 'undo', null],
  ]
  it.each(expected)('%s, %s: %s', (state, event, to) => {
    const outcome = course[state][event]
    if (to === null) expect(refusal(state, event)).toMatch(/^[A-Z].+\.$/)
    else expect(outcome).toBe(to)
  })

  it('has every state and every event, each pair once', () => {
    const pairs = Object.entries(course).flatMap(([state, events]) => Object.keys(events).map((event) => `${state} ${event}`))
    expect([...pairs].sort()).toEqual(expected.map(([state, event]) => `${state} ${event}`).sort())
  })

  it('is what the ledger goes by: any run of entries, as a list kept by hand says', () => {
    const step = fc.record({ kind: fc.constantFrom('try', 'keep', 'undo'), of: fc.integer({ min: 1, max: 4 }) })
    fc.assert(
      fc.property(fc.array(step, { maxLength: 24 }), (steps) => {
        const entries: LedgerEntry[] = []
        const byHand = new Map<number, 'trying' | 'kept' | 'undone'>()
        steps.forEach(({ kind, of }, i) => {
          const entry: LedgerEntry =
            kind === 'try'
              ? entryOf(of, { setting: 'saddleHeight', side: 'both', by: 2, role: 'chosen' })
              : { kind: kind === 'keep' ? 'keep' : 'undo', id: uuid(100 + i), at: testTime, of: uuid(of) }
          const stands = byHand.get(of)
          const isAllowed =
            kind === 'try'
              ? stands === undefined && ![...byHand.values()].includes('trying')
              : kind === 'keep'
                ? stands === 'trying'
                : stands === 'trying' || stands === 'kept'
          expect(appendProblem(entries, entry) === null).toBe(isAllowed)
          if (!isAllowed) return
          entries.push(entry)
          byHand.set(of, kind === 'try' ? 'trying' : kind === 'keep' ? 'kept' : 'undone')
        })
        expect(ledgerProblem(entries)).toBeNull()
        const { changes, trying, by } = foldLedger(entries)
        expect(changes.map(({ id, state }) => [id, state])).toEqual([...byHand].map(([of, state]) => [uuid(of), state]))
        expect(trying?.id).toBe(changes.find(({ state }) => state === 'trying')?.id)
        expect(by('saddleHeight', 'both')).toBe(2 * [...byHand.values()].filter((state) => state !== 'undone').length)
      }),
    )
  })
})

describe('what stands against a trial', () => {
  const ready: BeforeTrial = { isChange: true, isTrying: false, stops: 0, unasked: 0, blocks: 0, isPast: false, isChanging: false }

  it('is nothing where all is asked, read and standing', () => {
    expect(againstTrial(ready)).toEqual([])
  })

  it.each([
    ['nothing', { isChange: false }],
    ['another', { isTrying: true }],
    ['stopped', { stops: 1 }],
    ['unasked', { unasked: 2 }],
    ['blocked', { blocks: 1 }],
    ['past', { isPast: true }],
    ['changing', { isChanging: true }],
  ] as const)('is “%s” alone for that alone', (key, over) => {
    expect(againstTrial({ ...ready, ...over })).toEqual([key])
  })

  it('is told whole, warning signs before anything the card could mend', () => {
    const all = againstTrial({ isChange: false, isTrying: true, stops: 1, unasked: 1, blocks: 1, isPast: true, isChanging: true })
    expect(all).toEqual(Object.keys(obstacles))
    expect(all.indexOf('stopped')).toBeLessThan(all.indexOf('unasked'))
    expect(all.indexOf('unasked')).toBeLessThan(all.indexOf('blocked'))
  })
})
