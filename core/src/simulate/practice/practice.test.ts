import { sides } from '../../kernel/sided.ts'
import { seeded } from '../../kernel/random.ts'
import { causeOf } from '../../reason/causeTable.ts'
import type { CauseKey } from '../../reason/causeTable.ts'
import { play } from './play.ts'
import { plants } from './plants.ts'
import { heal, moveTrue, practiceRider, stillThere, trueValue } from './rider.ts'

const riders = (n: number, warned = false) => Array.from({ length: n }, (_, i) => practiceRider(seeded(500 + i), warned))

describe('practice riders', () => {
  it('have causes that stand in the tables, complaints that their causes make, and are the same at every run of a seed', () => {
    for (const key of Object.keys(plants)) expect(causeOf(key as CauseKey)).toBeDefined()
    for (const { causes, complaints } of riders(40)) {
      expect(causes.length).toBe(complaints.length)
      expect(causes.length).toBeGreaterThan(0)
    }
    const [a, b] = [practiceRider(seeded(9)), practiceRider(seeded(9))]
    expect([...a.values]).toEqual([...b.values])
  })
  it('carry each hidden cause whole at the start, and lose it when it is put right', () => {
    for (const truth of riders(60))
      for (const hidden of truth.causes) {
        expect([hidden.cause, stillThere(truth, hidden).toFixed(3)]).toEqual([hidden.cause, '1.000'])
        heal(truth, hidden.cause)
        expect(stillThere(truth, hidden)).toBeLessThan(0.3)
      }
  })
  it('answer a change by a body that is not the app’s model: the ankle swallows part of a saddle’s move', () => {
    for (const truth of riders(20)) {
      const before = sides.map((side) => Number(trueValue(truth, 'kneeFlexion', side)))
      moveTrue(truth, 'saddleHeight', 'both', -5)
      const after = sides.map((side) => Number(trueValue(truth, 'kneeFlexion', side)))
      after.forEach((knee, i) => expect(knee - before[i]!).toBeCloseTo(2.5 * (1 - truth.body.ankleFollows), 6))
    }
  })
  // Aims of this product: the true cause first in 80 of 100, among three in 95, eased in 90; more riders with `npm run practice`.
  it('are mostly seen through, and never moved past a warning sign', () => {
    const played = Array.from({ length: 60 }, (_, i) => play(77_000 + i))
    const all = played.filter(({ warned }) => !warned).flatMap(({ complaints }) => complaints)
    const share = (test: (one: (typeof all)[number]) => boolean) => all.filter(test).length / all.length
    expect(share(({ place }) => place === 0)).toBeGreaterThan(0.8)
    expect(share(({ place }) => place !== null && place < 3)).toBeGreaterThan(0.95)
    // So few complaints stray by 5 in 100 either way.
    expect(share(({ relievedAfter }) => relievedAfter !== null)).toBeGreaterThan(0.85)
    expect(played.every(({ pastWarning }) => pastWarning === 0)).toBe(true)
  })
})
