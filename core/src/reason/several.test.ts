import fc from 'fast-check'
import { complaintAt, onlyReadings } from '../testing.ts'
import { aVisit, randomVisits } from './testing.ts'
import { reason } from './reason.ts'
import { visitModel } from './visitModel.ts'

describe('several complaints together', () => {
  const four = [
    complaintAt(1, 'knee-front', 'both'),
    complaintAt(2, 'neck', 'middle'),
    complaintAt(3, 'hand-thumb', 'both', { kind: 'numb' }),
    complaintAt(4, 'groin', 'middle', { kind: 'numb' }),
  ]
  const think = (complaints: typeof four, readings = onlyReadings({})) => reason(visitModel(aVisit({ complaints, readings })).input)

  it('leave as much for something else as each by itself in the mean, and one by itself as much as alone', () => {
    const { complaints, reasoned } = think(four)
    expect(reasoned.leftOver).toBeCloseTo(complaints.reduce((sum, { leftOver }) => sum + leftOver, 0) / 4, 12)
    expect(reasoned.leftOver).toBeGreaterThan(0.1)
    const alone = think(four.slice(0, 1))
    expect(alone.reasoned.leftOver).toBe(alone.complaints[0]!.leftOver)
    expect(think([]).reasoned.leftOver).toBe(1)
  })

  it('are offered no move that would do none of them any good, but for a guess', () => {
    fc.assert(
      fc.property(randomVisits, (visit) => {
        for (const { isGuess, effects } of reason(visitModel(visit, { spreads: null }).input).reasoned.moves)
          if (!isGuess) expect(Math.max(...effects.map(({ eases }) => eases))).toBeGreaterThan(0)
      }),
      { numRuns: 40, seed: 31 },
    )
  })
})
