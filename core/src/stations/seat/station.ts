import type { VisitContext } from '../../station/context.ts'
import { HEAVY_HANDS } from '../../body/postureLimits.ts'
import { kneesNow, saddleFor } from '../../rider/kneeAtBottom.ts'
import type { SaddleShape } from '../../bike/saddleShape.ts'
import type { LedgerEntry } from '../../ledger/ledger.ts'
import type { Reading } from '../../readings/reading.ts'
import type { OptionOf } from '../../readings/readingDefinitions.ts'
import { chosen, measured, measuredValue } from '../../readings/resolve.ts'
import type { Finding } from '../../kernel/finding.ts'
import { byWeight } from '../../kernel/finding.ts'
import type { Quantity } from '../../kernel/quantity.ts'
import { bySide } from '../../kernel/sided.ts'
import type { Sided } from '../../kernel/sided.ts'
import { lazily } from '../../kernel/lazily.ts'
import { numbersFrom } from '../../station/number.ts'
import { defineStation } from '../../station/station.ts'
import { sidesOf } from '../../talk/complaint.ts'
import type { Complaint } from '../../talk/complaint.ts'
import type { BodyRegionKey } from '../../talk/regions.ts'
import { seatChoicesSchema } from './choices.ts'
import type { SeatChoices } from './choices.ts'
import { heightFindings, judgeHeight } from './height/judge.ts'
import type { HeightJudgement, KneeStanding } from './height/judge.ts'
import { legLengthReadings } from './legs/readings.ts'
import { kneeStanding } from './height/readings.ts'
import { saddleShapeNow, posturesOf } from './saddle/readings.ts'
import { judgeLegLength } from './legs/judge.ts'
import type { LegLengthJudgement } from './legs/judge.ts'
import type { MatResult } from './mat/analysis.ts'
import { matFindings } from './mat/judge.ts'
import type { SaddleRider } from './saddle/criteria.ts'
import { judgeSetback } from './setback/judge.ts'
import type { SetbackJudgement } from './setback/judge.ts'
import { defaultSaddleWidthSchool, widthRange } from './saddle/width.ts'
import type { SitPosture, WidthRange, SaddleWidthSchoolKey } from './saddle/width.ts'

import { verdictOf } from '../../kernel/judged.ts'
import type { Judged } from '../../kernel/judged.ts'
import { riderNumbers } from '../../station/riderNumbers.ts'
import { handPlaces, legPlaces, told, worst } from './complaints/told.ts'
import { widthFindings, widthStands, saddleRider } from './saddle/judge.ts'
import { tiltStanding } from './tilt/judge.ts'
import type { TiltStanding } from './tilt/judge.ts'
import { saddleNumbers, saddlePage } from './saddle/page.ts'
import { matNumbers, matPage } from './mat/page.ts'
import { tiltNumbers, tiltPage } from './tilt/page.ts'
import { heightNumbers, heightPage } from './height/page.ts'
import { setbackPage } from './setback/page.ts'
import { legsNumbers, legsPage } from './legs/page.ts'

/** What the station is judged from. */
export interface SeatContext extends VisitContext {
  readonly choices: SeatChoices
  readonly readings: readonly Reading[]
  readonly ledger: readonly LedgerEntry[]
  /** saddles ridden, with the mark of each, by name in small letters */
  readonly tried: Readonly<Record<string, number>>
  /** the mat recording that is looked at; what is simulated is no evidence about a rider and does not come here */
  readonly mat: MatResult | null
}

/** Everything the seat's pages say; each part is worked out when it is first asked for. */
export interface SeatParts {
  readonly context: SeatContext
  readonly spacing: Quantity | null
  readonly postures: readonly SitPosture[]
  readonly widthSchool: SaddleWidthSchoolKey
  readonly width: WidthRange | null
  readonly widthFindings: readonly Finding[]
  readonly shape: SaddleShape
  readonly saddleRider: SaddleRider
  readonly tilt: TiltStanding
  readonly knees: Sided<KneeStanding | null>
  readonly height: HeightJudgement | null
  readonly heightFindings: readonly Finding[]
  readonly setback: SetbackJudgement
  readonly legs: LegLengthJudgement
  readonly mat: readonly Finding[]
  readonly look: {
    readonly pelvis: OptionOf<'pelvisLevel'> | null
    readonly rocking: OptionOf<'pelvisRock'> | null
    readonly sound: OptionOf<'saddleSound'> | null
    readonly relief: OptionOf<'saddleRelief'> | null
    readonly sits: OptionOf<'sitsWhere'> | null
    readonly sitsHard: OptionOf<'sitsWhere'> | null
  }
  /** hips forward at the hard effort, mm; null = not known */
  readonly creep: Judged | null
}

/** The parts of the station for a context. */
export function seatParts(context: SeatContext): SeatParts {
  const { setup, complaints, metrics, mat } = context
  const { now } = setup
  return lazily<SeatParts>({
    context: () => context,
    spacing: () => measured(now, 'sitBoneSpacing'),
    postures: () => posturesOf(setup),
    widthSchool: () => context.choices.widthSchool ?? defaultSaddleWidthSchool,
    width: ({ spacing, postures, widthSchool }) => spacing && widthRange(spacing, postures, widthSchool),
    widthFindings: ({ width }) => (width ? widthFindings(width, widthStands(width, measured(now, 'saddleWidth')), mat) : []),
    shape: () => saddleShapeNow(now),
    saddleRider: ({ width }) => saddleRider(context, width),
    tilt: () => tiltStanding(context),
    knees: () => {
      const knees = kneesNow(setup, metrics, context.plusMinus)
      return bySide((side) => kneeStanding(setup, side, knees[side]))
    },
    height: ({ knees }) => {
      const height = now.saddleHeight.right
      return height && (knees.left?.leg || knees.right?.leg) ? judgeHeight(height.value, knees) : null
    },
    heightFindings: ({ height, knees, look, widthFindings: width }) =>
      byWeight(
        heightFindings(height, {
          pelvisLevel: look.pelvis,
          rocking: look.rocking,
          dropperTravel: measuredValue(now, 'dropperTravel'),
          knees,
          tooWide: width.some(({ key, weight }) => key === 'wide' && weight === 'act'),
        }),
      ),
    setback: ({ look, creep, knees, tilt }) => {
      const apart = (regions: readonly BodyRegionKey[], wrong: 'low' | 'high') => {
        const isOfHeight = (c: Complaint) => sidesOf(c).some((side) => knees[side] !== null && saddleFor(knees[side]) === wrong)
        return { counts: told(complaints, regions, (c) => !isOfHeight(c)), ofHeight: told(complaints, regions, isOfHeight) }
      }
      const [front, back] = [apart(['knee-front'], 'low'), apart(['knee-back', 'hamstring'], 'high')]
      return judgeSetback({
        sits: look.sits,
        sitsHard: look.sitsHard,
        creep,
        hands: told(complaints, handPlaces),
        hipClosed: [...told(complaints, ['hip', 'stomach']), ...told(complaints, ['low-back', 'groin'], (c) => c.situation === 'climbing')],
        kneeFront: front.counts,
        kneeBack: back.counts,
        ofHeight: [...front.ofHeight, ...back.ofHeight],
        noseDown: isClearlyDown(tilt.stands),
        load: heavyLoad(context),
        railRoomBack: measuredValue(now, 'railRoomBack'),
        railRoomForward: measuredValue(now, 'railRoomForward'),
      })
    },
    legs: () => judgeLegLength({ ...legLengthReadings(now), pain: worst(complaints, legPlaces) }),
    mat: () => (mat ? byWeight(matFindings(mat)) : []),
    look: () => ({
      pelvis: chosen(now, 'pelvisLevel'),
      rocking: chosen(now, 'pelvisRock'),
      sound: chosen(now, 'saddleSound'),
      relief: chosen(now, 'saddleRelief'),
      sits: chosen(now, 'sitsWhere'),
      sitsHard: chosen(setup.rider.readIn('hard'), 'sitsWhere'),
    }),
    creep: () => riderNumbers.creep.at(context),
  })
}

/** Whether the nose stands further down than any use asks, by more than the level's ±. */
function isClearlyDown(stands: Judged | null): boolean {
  const verdict = stands && verdictOf(stands)
  return verdict !== null && verdict.isClear && verdict.end === 'low'
}

/** The share on the hands, where it is heavy by more than its ±; else null. */
function heavyLoad(context: SeatContext): number | null {
  const load = riderNumbers.load.at(context)
  return load && verdictOf({ ...load, band: { low: 0, high: HEAVY_HANDS } }).isClear ? load.value : null
}

/** Findings of the seat that are worth a change, over all its pages. */
export function seatActs({ widthFindings: width, tilt, heightFindings: height, setback, legs, mat }: SeatParts): number {
  const all = [width, tilt.findings, height, setback.findings, legs.findings, mat].flat()
  return all.filter(({ weight }) => weight === 'act' || weight === 'first').length
}

/** The seat, in the order of the work: the saddle before its tilt, tilt before height, height before setback. */
export const seatStation = defineStation({
  key: 'seat',
  label: 'Seat',
  choices: seatChoicesSchema,
  parts: seatParts,
  pages: { saddle: saddlePage, mat: matPage, tilt: tiltPage, height: heightPage, setback: setbackPage, legs: legsPage },
  summary: (parts) => {
    const acts = seatActs(parts)
    if (parts.context.setup.model === null) return { words: 'readings needed', mark: 'wanting' }
    return acts > 0 ? { words: `${acts} to try`, mark: 'open' } : { words: 'in range', mark: 'level' }
  },
})
/** Every number of the seat's pages. */
export const seatNumbers = numbersFrom<SeatParts>()({ ...saddleNumbers, ...matNumbers, ...tiltNumbers, ...heightNumbers, ...legsNumbers })
