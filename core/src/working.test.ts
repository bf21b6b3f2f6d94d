import { vialsOf } from './station/number.ts'
import type { Vial } from './station/number.ts'
import type { FeetParts } from './stations/feet/station.ts'
import type { SeatParts } from './stations/seat/station.ts'
import { evaluate } from './kernel/calculation.ts'
import { setupOf } from './rider/setup.ts'
import { feetParts, feetStation } from './stations/feet/station.ts'
import { definitionOf, isChoice, readingKeys } from './readings/readingDefinitions.ts'
import type { NumberKey } from './readings/readingDefinitions.ts'
import { plain } from './kernel/message.ts'
import type { Message } from './kernel/message.ts'
import { numericLeaves } from './kernel/propagate.ts'
import { seatParts, seatStation } from './stations/seat/station.ts'
import { judgePage } from './station/station.ts'
import type { PageJudgement, StationPage, WorkingRun } from './station/station.ts'
import { contextAt, aReading, readingsWith } from './testing.ts'

/** Readings that give every page something to work out. */
const rich = readingsWith({
  saddleWidth: 143,
  sitBoneSpacing: 110,
  saddleTilt: 3,
  tipToTail: 1,
  rearSag: 20,
  forkSag: 15,
  climbGradient: 12,
  legLengthDifference: 9,
  toeOutHanging: [8, 9],
  cleatTurn: [2, 2],
  cleatFloat: [6, 6],
  heelIn: [2, 2],
  heelOut: [2, 2],
  cleatTurnRoom: [8, 8],
  shoeHeelOutside: [70, 70],
  stayWidth: 130,
  tread: 148,
  axleLength: [53, 53],
})

/** What every page of feet and seat says of a rider with these readings. */
function judgementsOf(readings: readonly ReturnType<typeof aReading>[]): (PageJudgement & { readonly vials: readonly Vial[] })[] {
  const setup = setupOf(readings, [], 'drop')
  const about = { ...contextAt(setup, { kind: 'drop bar', plusMinus: () => 2 }), choices: {} }
  const seat = seatParts({ ...about, readings, ledger: [], tried: {}, mat: null })
  const feet = feetParts({ ...about, otherBikes: [] })
  const said = <Parts>(pages: Readonly<Record<string, StationPage<Parts, string>>>, parts: Parts) =>
    Object.values(pages).map((page) => ({ ...judgePage(page, parts), vials: vialsOf(page.numbers ?? {}, parts) }))
  return [...said<SeatParts>(seatStation.pages, seat), ...said<FeetParts>(feetStation.pages, feet)]
}
const runsIn = (said: readonly PageJudgement[]): WorkingRun[] => said.flatMap(({ working }) => working)
/** Every sentence a fitter reads there. */
const sentencesIn = (said: ReturnType<typeof judgementsOf>): Message[] =>
  said.flatMap(({ findings, vials, proposals }) => [
    ...findings.flatMap(({ headline, sentence }) => [headline, sentence]),
    ...vials.flatMap(({ label, remark }) => [label, remark]),
    ...proposals.flatMap(({ words, reason }) => [words, reason]),
  ])

describe('pages of feet and seat', () => {
  const usual = runsIn(judgementsOf(rich))
  it('show the working of every page that works something out', () => {
    expect(new Set(usual.map(({ calculation }) => calculation.name))).toEqual(
      new Set([
        'saddle-width',
        'climb-tilt',
        'setback-curve',
        'leg-length',
        'cleat-target',
        'step-plan',
        'cleat-rotation',
        'heel-clearance',
      ]),
    )
  })

  const numbers = readingKeys.filter((key): key is NumberKey => !isChoice(key))
  it.each(numbers)('work from what the page was judged by, and speak one unit, with %s at either end of its range', (key) => {
    const { min, max, sided } = definitionOf(key)
    for (const value of [min, max]) {
      const readings = [...rich.filter((reading) => reading.key !== key), aReading(key, sided ? 'left' : 'both', value)]
      const said = judgementsOf(readings)
      for (const words of sentencesIn(said)) {
        expect(plain(words)).not.toMatch(/NaN|undefined|Infinity|null/)
        // "±4" of what? Every ± names it.
        expect(plain(words)).not.toMatch(/±[\d.]+(?! ?(mm|in|°|%|h\b|km|N)|[\d.])/)
        expect(plain(words, 'in')).not.toMatch(/\d mm(?![²\w])/)
      }
      for (const { heading, calculation, input, plusMinus } of runsIn(said)) {
        let refused = ''
        try {
          evaluate(calculation, { ...(input as object), plusMinus: {} })
        } catch (error) {
          refused = error instanceof Error ? error.message : 'refused'
        }
        // A geometry that cannot be is said by the page in words; a number out of the panel's range is a panel that shows something else.
        expect([heading, refused]).toEqual([heading, expect.not.stringMatching(/must be|must lie|at most/)])
        expect(Object.keys(plusMinus).every((path) => path in numericLeaves(input))).toBe(true)
      }
    }
  })
})
