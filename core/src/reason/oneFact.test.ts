import { movesAsked } from '../ledger/moves.ts'
import fc from 'fast-check'
import { metricBand } from '../station/number.ts'
import type { StationPage, PageJudgement } from '../station/station.ts'
import { judgePage } from '../station/station.ts'
import type { Vial } from '../station/number.ts'
import { vialsOf } from '../station/number.ts'
import { barOf } from '../bike/bikeKinds.ts'
import { pastEnd, toAim, verdictOf } from '../kernel/judged.ts'
import { bySide, sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { trimmed } from '../kernel/entry.ts'
import { keysOf } from '../kernel/tables.ts'
import type { Reading } from '../readings/reading.ts'
import { fileOf } from '../record/testing.ts'
import { sheetOf } from '../record/sheet.ts'
import { isRead } from '../readings/resolve.ts'
import { aReading, onlyReadings, toleratedMirror } from '../testing.ts'
import { feetStation } from '../stations/feet/station.ts'
import type { FeetParts } from '../stations/feet/station.ts'
import { handsStation } from '../stations/hands/station.ts'
import type { HandsParts } from '../stations/hands/station.ts'
import { seatStation } from '../stations/seat/station.ts'
import type { SeatParts } from '../stations/seat/station.ts'
import { causeKeys } from './causeTable.ts'
import type { Facts } from './context.ts'
import { numberAt, pastOf, testsOf, weigh } from './evidence.ts'
import { firstMoves } from './firstMove.ts'
import { moveFor } from './learning.ts'
import { numberRow, numbers } from './numbers.ts'
import type { NumberName } from './numbers.ts'
import { rankCauses } from './rank.ts'
import { aVisit, randomVisits } from './testing.ts'
import { visitModel } from './visitModel.ts'
import type { VisitState } from './visitModel.ts'

const factsOf = (visit: VisitState) => visitModel(visit).facts
const places = (name: NumberName): readonly Side[] => (numberRow(name).sided ? sides : ['left'])
const everyNumber = keysOf(numbers)

/** What every page says and shows. */
function pagesOf({ feet, seat, hands }: Facts): (PageJudgement & { readonly vials: readonly Vial[] })[] {
  const said = <Parts>(pages: Readonly<Record<string, StationPage<Parts, string>>>, parts: Parts) =>
    Object.values(pages)
      .filter(({ bar }) => bar === undefined || bar === hands.context.setup.rider.bar)
      .map((page) => ({ ...judgePage(page, parts), vials: vialsOf(page.numbers ?? {}, parts) }))
  return [
    ...said<FeetParts>(feetStation.pages, feet),
    ...said<SeatParts>(seatStation.pages, seat),
    ...said<HandsParts>(handsStation.pages, hands),
  ]
}

const isNumber = (name: string): name is NumberName => Object.hasOwn(numbers, name)

describe('a number is one fact', () => {
  it('each has a name of its own, over all pages', () => {
    const pages = [feetStation, seatStation, handsStation].flatMap(({ pages: own }) =>
      Object.values<{ readonly numbers?: object }>(own).flatMap((page) => Object.keys(page.numbers ?? {})),
    )
    expect(new Set(pages).size).toBe(pages.length)
    for (const name of pages) expect(isNumber(name)).toBe(true)
  })

  it('vial, finding, cause, first move and sheet give one value, ± and side of the band, whatever the visit', () => {
    const seen = { vials: 0, findings: 0, tests: 0, moves: 0, sheets: 0 }
    /** verdicts of each weight that findings gave on each number */
    const judgedAs = new Set<string>()
    fc.assert(
      fc.property(randomVisits, (visit) => {
        const facts = factsOf(visit)
        const pages = pagesOf(facts)
        const standing = (name: NumberName, side: Side) => numberAt(facts, name, side)
        for (const { key, value, plusMinus, band } of pages.flatMap(({ vials }) => vials)) {
          const [name = '', side = 'left'] = key.split('-')
          if (!isNumber(name)) throw new Error(`${name} is no number`)
          const row = standing(name, side === 'right' ? 'right' : 'left')
          expect([key, value, plusMinus, band]).toEqual([key, row?.value, row?.plusMinus, row?.band])
          seen.vials += 1
        }
        for (const { key, side, weight, of } of pages.flatMap(({ findings }) => findings)) {
          if (of === undefined || !isNumber(of)) continue
          const on = side === 'both' ? places(of) : [side]
          const verdicts = on.flatMap((one) => standing(of, one) ?? []).map(verdictOf)
          const said = [visit.kind, key, of, weight]
          if (weight === 'fine') expect([said, verdicts.every(({ end }) => end === null)]).toEqual([said, true])
          if (weight === 'note') expect([said, verdicts.some(({ end }) => end !== null)]).toEqual([said, true])
          if (weight === 'act' || weight === 'first') expect([said, verdicts.some(({ isClear }) => isClear)]).toEqual([said, true])
          seen.findings += 1
          judgedAs.add(`${of} ${weight}`)
        }
        for (const cause of causeKeys)
          for (const evidence of weigh(facts, cause, sides).said) {
            if (!isNumber(evidence.of)) continue
            const row = testsOf(cause).find((test) => 'of' in test && test.of === evidence.of)
            const number = standing(evidence.of, evidence.side ?? 'left')
            if (row === undefined || !('of' in row) || number === null) throw new Error(`${cause} goes by nothing`)
            expect([cause, evidence.past]).toEqual([cause, pastOf(row, number)])
            const { end } = verdictOf(number)
            // Said to lie past an end of its band if and only if the page's verdict is that end.
            if (typeof row.past === 'string' && number.band !== null) {
              const isPast = row.past === 'either' ? end !== null : end === row.past
              expect([cause, (evidence.past ?? 0) > 0]).toEqual([cause, isPast])
              if (isPast && end !== null) expect(evidence.past).toBe(pastEnd(number.value, number.band, end))
            }
            seen.tests += 1
          }
        const ranked = rankCauses(facts, facts.input.complaints)
        for (const move of firstMoves(facts, facts.input.complaints, ranked, () => 0.6)) {
          const remedy = moveFor(move.cause, facts.setup.rider.bar)
          if (remedy === null || move.isGuess) continue
          for (const { setting, side, by } of movesAsked(move.requested)) {
            if (setting !== remedy.setting) continue
            const number = standing(remedy.number, side === 'right' ? 'right' : 'left')
            // Never the other way than the number asks, and where the number has an aim and moves one to one, never past it.
            if (number === null || number.band === null || number.aim === null || remedy.perUnit !== 1) continue
            const asked = toAim(number)
            if (asked !== 0 && numberRow(remedy.number).sided) {
              expect([move.cause, Math.abs(by) <= Math.abs(number.aim - number.value) + 1]).toEqual([move.cause, true])
            }
            seen.moves += 1
          }
        }
        const bar = barOf(visit.kind)
        expect(bar).toBe(facts.setup.rider.bar)
        const sheet = sheetOf(fileOf(visit))
        for (const [label, name, side] of [
          ['Knee at the bottom, left', 'knee', 'left'],
          ['Knee at the bottom, right', 'knee', 'right'],
          ['Elbow bend, left', 'elbow', 'left'],
          ['Hip angle at top, right', 'hip', 'right'],
          ['Torso from level', 'torso', 'left'],
        ] as const) {
          const row = sheet.settings.find((one) => one.label === label)
          const number = standing(name, side)
          if (row === undefined || number === null) continue
          expect([label, row.after]).toEqual([label, `${trimmed(number.value, 1)}°`])
          seen.sheets += 1
        }
      }),
      { numRuns: 50, seed: 4 },
    )
    // Findings of every weight were looked at, on several numbers each.
    for (const weight of ['fine', 'note', 'act'])
      expect([weight, [...judgedAs].filter((one) => one.endsWith(weight)).length > 2]).toEqual([weight, true])
    for (const [what, count] of Object.entries(seen)) expect([what, count > 20]).toEqual([what, true])
  })

  it('a mirrored rider has mirrored numbers', () => {
    const other = (side: Reading['side']): Reading['side'] => (side === 'left' ? 'right' : side === 'right' ? 'left' : side)
    fc.assert(
      fc.property(randomVisits, (visit) => {
        const mirrored: VisitState = {
          ...visit,
          readings: visit.readings.map((reading) => ({ ...reading, side: other(reading.side) })),
          ledger: visit.ledger.map((entry) =>
            entry.kind === 'try' ? { ...entry, moves: entry.moves.map((move) => ({ ...move, side: other(move.side) })) } : entry,
          ),
        }
        const [here, there] = [factsOf(visit), factsOf(mirrored)]
        for (const name of everyNumber) {
          const at = (facts: Facts) => bySide((side) => numberAt(facts, name, side))
          const [a, b] = [at(here), at(there)]
          for (const side of places(name)) {
            const [one, two] = [a[side], b[numberRow(name).sided && side === 'left' ? 'right' : numberRow(name).sided ? 'left' : side]]
            expect([name, one === null]).toEqual([name, two === null])
            if (one === null || two === null) continue
            expect([name, toleratedMirror(one.value, two.value)]).toEqual([name, true])
            expect([name, one.isRead]).toEqual([name, two.isRead])
            expect([name, verdictOf(one).end]).toEqual([name, verdictOf(two).end])
          }
        }
      }),
      { numRuns: 20, seed: 7 },
    )
  })

  it('the vials of the body go by the same band', () => {
    fc.assert(
      fc.property(randomVisits, (visit) => {
        const facts = factsOf(visit)
        for (const side of sides) {
          const knee = numberAt(facts, 'knee', side)
          if (knee) {
            const metric = side === 'left' ? 'kneeLeft' : 'kneeRight'
            expect(knee.band).toEqual(metricBand(facts.setup, metric))
            expect(knee.value).toBeCloseTo(facts.metrics?.[metric] ?? NaN, 9)
            expect(knee.plusMinus).toBe(facts.input.plusMinus(metric))
          }
        }
      }),
      { numRuns: 15, seed: 9 },
    )
  })
})

describe('a number', () => {
  // Nothing but a stature and where the seat and hands are: everything else is as it is on others.
  const bare = { stature: 1800, saddleHeight: 720, crank: 172.5, handReach: 520, handHeight: 650 }
  it.each(['drop bar', 'trail', 'time trial'] as const)('is called read only where something of it was read: %s', (kind) => {
    const { facts } = visitModel(aVisit({ kind, readings: [...onlyReadings(bare), aReading('cleatSetback', 'left', 0)], complaints: [] }))
    for (const name of everyNumber)
      for (const side of places(name)) {
        const wasRead = numberRow(name)
          .readings(facts)
          .some((key) => isRead(facts.setup.now, key))
        if (!wasRead) expect([name, numberAt(facts, name, side)?.isRead ?? false]).toEqual([name, false])
      }
  })
})
