import fc from 'fast-check'
import { randomVisits } from '../reason/testing.ts'
import { visitModel } from '../reason/visitModel.ts'
import type { VisitState } from '../reason/visitModel.ts'
import type { Spreads } from '../uncertainty/riderPlaces.ts'
import { everyMessage, messageFaults, sheetMessages } from './testing.ts'

/** ± of every number of the rider of a visit. */
function spreadsOf(visit: VisitState): Spreads | undefined {
  return visitModel(visit).places.now.spreads ?? undefined
}

describe('every message of a visit', () => {
  it('reads well in either unit, whatever was read, told and moved', () => {
    const places = new Set<string>()
    const seen = new Set<string>()
    const faults = new Map<string, string>()
    let visits = 0
    let spreads: Spreads | undefined
    fc.assert(
      fc.property(randomVisits, fc.nat(), (visit, n) => {
        visits += 1
        // One complaint at a time, every ± worked out on every tenth visit, the sheet on every fifth: they take longest.
        const told = { ...visit, complaints: visit.complaints.filter((_, i) => i === n % visit.complaints.length) }
        if (visits % 10 === 1) spreads = spreadsOf(told)
        const sheet = visits % 5 === 0 ? sheetMessages(told) : []
        for (const one of [...everyMessage(told, visits % 10 === 1 ? undefined : spreads), ...sheet]) {
          places.add(one.where)
          // What was said before in the same words is right or wrong as it was then.
          const said = `${one.is} ${JSON.stringify(one.message)}`
          if (seen.has(said)) continue
          seen.add(said)
          for (const fault of messageFaults(one)) faults.set(fault.split(':')[0] ?? fault, fault)
        }
      }),
      { numRuns: 500, seed: 25 },
    )
    expect([...faults.values()]).toEqual([])
    // Enough of the screens were looked at for that to say something.
    expect(places.size).toBeGreaterThan(400)
  })

  it.each([
    ['is no text', 'The saddle is NaN mm wide.'],
    ['has a number without a unit', 'Nose up by 2, aim 3.'],
    ['has a fraction without a unit', 'It lies 2.5 behind.'],
    ['has a ± without a unit', 'It lies within ±4.'],
    ['says the unit of a range twice', 'From 3 mm to 5 mm.'],
    ['says a word or a unit twice', 'It goes to to the end.'],
    ['has a stop or a space too many', 'It lies here..'],
    ['does not begin with a capital', 'it lies here.'],
    ['does not end with a full stop', 'It lies here'],
    ['lists a thing twice', 'Shim it; look; look'],
  ])('finds a sentence that %s', (is, text) => {
    expect(messageFaults({ where: 'here', is: 'sentence', message: text })).toContain(`here ${is}: ${text}`)
  })
})
