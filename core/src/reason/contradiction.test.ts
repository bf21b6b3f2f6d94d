import fc from 'fast-check'
import { riderMetrics } from '../body/metrics.ts'
import { metricsAsRead, plusMinusAsRead } from '../rider/metricEstimate.ts'
import { setupOf } from '../rider/setup.ts'
import { feetParts, feetStation } from '../stations/feet/station.ts'
import { readingPlusMinus } from '../readings/resolve.ts'
import { seatParts, seatStation } from '../stations/seat/station.ts'
import { judgePage } from '../station/station.ts'
import type { StationPage } from '../station/station.ts'
import type { Complaint } from '../talk/complaint.ts'
import { bodyRegion, bodyRegionKeys } from '../talk/regions.ts'
import type { BodyRegionKey } from '../talk/regions.ts'
import type { aReading } from '../testing.ts'
import { complaintAt, readingsWith } from '../testing.ts'
import { sides } from '../kernel/sided.ts'
import { causeKeys } from './causeTable.ts'
import { factsAt } from './context.ts'
import { weigh } from './evidence.ts'
import { numberRow, numbers } from './numbers.ts'
import type { NumberName } from './numbers.ts'
import type { ReadingKey } from '../readings/readingDefinitions.ts'
import { aVisit } from './testing.ts'
import { visitModel } from './visitModel.ts'

const complaint = (region: BodyRegionKey, side: 'left' | 'right' | 'both', n: number): Complaint =>
  complaintAt(n, region, bodyRegion(region).sided ? side : 'middle', { kind: n % 3 === 0 ? 'numb' : n % 3 === 1 ? 'pain' : 'slips' })

/** Everything the pages and the causes say of a rider with these readings, whatever hurts. */
function saidOf(over: Parameters<typeof readingsWith>[0], side: 'left' | 'right' | 'both', key: ReadingKey) {
  const readings = readingsWith(over)
  const setup = setupOf(readings, [], 'drop')
  const metrics = setup.model && metricsAsRead(riderMetrics(setup.model, null), setup)
  const plusMinus = (metric: Parameters<typeof plusMinusAsRead>[1]) => plusMinusAsRead(setup, metric, 1.5)
  const complaints = bodyRegionKeys.flatMap((region, i) => [0, 1, 2].map((n) => complaint(region, side, 3 * i + n)))
  const about = { setup, start: setup, complaints, kind: 'drop bar', choices: {}, metrics, plusMinus, pace: 'settled', riding: {} } as const
  const seat = seatParts({ ...about, readings, ledger: [], tried: {}, mat: null })
  const feet = feetParts({ ...about, otherBikes: [] })
  const visit = aVisit({ readings, complaints })
  const facts = factsAt({ ...visitModel(visit, { spreads: null }).input, plusMinus })
  // Only what goes by the reading itself: other readings may speak otherwise.
  const isOf = (of: string) =>
    of in numbers &&
    numberRow(of as NumberName)
      .readings(facts)
      .includes(key)
  const asked = side === 'both' ? sides : [side]
  const causes = causeKeys.flatMap((cause) =>
    weigh(facts, cause, asked).said.flatMap(({ of, speaks }) => (isOf(of) ? [{ key: cause, speaks }] : [])),
  )
  const pages = [
    ...Object.values<StationPage<typeof seat, string>>(seatStation.pages).map((page) => judgePage(page, seat)),
    ...Object.values<StationPage<typeof feet, string>>(feetStation.pages).map((page) => judgePage(page, feet)),
  ]
  return {
    readings,
    seat,
    feet,
    causes,
    findings: pages.flatMap((page) => page.findings),
    proposals: pages.flatMap((page) => page.proposals),
  }
}
type SaidAll = ReturnType<typeof saidOf>

interface Row {
  readonly what: string
  readonly over: (value: number) => Parameters<typeof readingsWith>[0]
  readonly range: readonly [number, number]
  /** the band the value is judged by, the lines of the trade or of its vial */
  readonly band: (said: SaidAll) => { readonly low: number; readonly high: number }
  /** causes and findings that say it lies below, and above */
  readonly below: readonly string[]
  readonly above: readonly string[]
  readonly key: Parameters<typeof aReading>[0]
}
const rows: readonly Row[] = [
  { what: 'a knee held still', key: 'kneeFlexion', over: (v) => ({ kneeFlexion: [v, v] }), range: [12, 50], band: () => ({ low: 25, high: 35 }), below: ['saddle-high', 'knee-left'], above: ['saddle-low', 'knee-left'] },
  { what: 'the saddle’s nose', key: 'saddleTilt', over: (v) => ({ saddleTilt: v }), range: [-8, 4], band: ({ seat }) => seat.tilt.target.band, below: ['nose-down'], above: ['nose-up'] },
  { what: 'the torso', key: 'torsoAngle', over: (v) => ({ torsoAngle: v }), range: [26, 62], band: () => ({ low: 42, high: 90 }), below: ['front-low'], above: [] },
  { what: 'the elbows', key: 'elbowFlexion', over: (v) => ({ elbowFlexion: [v, v] }), range: [2, 60], band: () => ({ low: 10, high: 45 }), below: ['reach-long'], above: ['reach-short'] },
  { what: 'the hips at the top', key: 'hipAngle', over: (v) => ({ hipAngle: [v, v] }), range: [28, 60], band: () => ({ low: 40, high: 95 }), below: ['crank-long'], above: [] },
  { what: 'the knees outside the feet', key: 'kneeOutside', over: (v) => ({ kneeOutside: [v, v] }), range: [-25, 25], band: () => ({ low: -5, high: 5 }), below: ['stance-wide'], above: ['stance-narrow'] },
  { what: 'the saddle’s width', key: 'saddleWidth', over: (v) => ({ saddleWidth: v, sitBoneSpacing: 110 }), range: [110, 180], band: ({ seat }) => ({ low: seat.width!.low, high: seat.width!.high }), below: ['narrow', 'saddle-narrow'], above: ['wide', 'saddle-wide'] },
  { what: 'the cleats', key: 'cleatSetback', over: (v) => ({ cleatSetback: [v, v] }), range: [-4, 14], band: ({ feet }) => (feet.cleat.left.state === 'missing' ? { low: -99, high: 99 } : feet.cleat.left.stands.band!), below: ['cleat-forward'], above: [] },
] // prettier-ignore

describe('no judgement contradicts the reading it is about', () => {
  it.each(rows)('$what', ({ over, range, band, below, above, key }) => {
    const [onlyBelow, onlyAbove] = [below.filter((name) => !above.includes(name)), above.filter((name) => !below.includes(name))]
    fc.assert(
      fc.property(
        fc.double({ min: range[0], max: range[1], noNaN: true }),
        fc.constantFrom('left', 'right', 'both'),
        fc.record({ saddleHeight: fc.integer({ min: 695, max: 745 }), footPitch: fc.integer({ min: 2, max: 30 }) }),
        fc.constantFrom('level', 'drops-left', 'twisted'),
        (value, side, { saddleHeight, footPitch }, pelvisLevel) => {
          const said = saidOf({ saddleHeight, footPitch: [footPitch, footPitch], pelvisLevel, ...over(value) }, side, key)
          const { low, high } = band(said)
          const plusMinus = readingPlusMinus(said.readings.find((reading) => reading.key === key)!)
          const speaks = (names: readonly string[], word: string) =>
            said.causes.filter((cause) => names.includes(cause.key) && cause.speaks === word).map((cause) => cause.key)
          const acts = (names: readonly string[]) =>
            said.findings.filter((f) => names.includes(f.key) && f.weight === 'act').map((f) => f.key)
          // Inside its band it is never called outside.
          if (value >= low) expect(speaks(onlyBelow, 'for')).toEqual([])
          if (value <= high) expect(speaks(onlyAbove, 'for')).toEqual([])
          if (value >= low && value <= high) expect([speaks([...below, ...above], 'for'), acts([...below, ...above])]).toEqual([[], []])
          // Beyond it by more than any ± here it is never cleared.
          const doubt = Math.hypot(plusMinus, 8)
          if (value < low - doubt) expect(speaks(below, 'against')).toEqual([])
          if (value > high + doubt) expect(speaks(above, 'against')).toEqual([])
        },
      ),
      { numRuns: 25 },
    )
  })
})
