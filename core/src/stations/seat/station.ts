import type { VisitContext } from '../../station/context.ts'
import { HEAVY_HANDS, LOW_TORSO } from '../../body/postureLimits.ts'
import { creepNow } from '../../rider/creep.ts'
import { kneesNow, saddleFor } from '../../rider/kneeNow.ts'
import { bikeKindOf } from '../../bike/bikeKinds.ts'
import type { BikeKind } from '../../bike/bikeKinds.ts'
import { curveAngle } from '../../bike/saddleShape.ts'
import type { SaddleShape } from '../../bike/saddleShape.ts'
import { anyCalculation } from '../../kernel/calculation.ts'
import type { LedgerEntry } from '../../ledger/ledger.ts'
import { setbackCurveCalculation } from '../../knockOn/calculations.ts'
import type { Reading } from '../../readings/reading.ts'
import { optionsOf } from '../../readings/readingDefinitions.ts'
import type { OptionOf, ReadingKey } from '../../readings/readingDefinitions.ts'
import { chosen, measured, measuredValue } from '../../readings/resolve.ts'
import { trimmed } from '../../kernel/entry.ts'
import type { Finding } from '../../kernel/finding.ts'
import { byWeight } from '../../kernel/finding.ts'
import { combined, quantity } from '../../kernel/quantity.ts'
import type { Quantity } from '../../kernel/quantity.ts'
import { bySide } from '../../kernel/sided.ts'
import type { Sided } from '../../kernel/sided.ts'
import { midSentence } from '../../kernel/words.ts'
import { bothSides, defineStation, lazily, oneOf } from '../../station/station.ts'
import type { PageJudgement } from '../../station/station.ts'
import { complaintTitle, hurts, isAt, sidesOf } from '../../talk/complaint.ts'
import type { Complaint } from '../../talk/complaint.ts'
import type { BodyRegionKey } from '../../talk/regions.ts'
import { seatChoicesSchema } from './choices.ts'
import type { SeatChoices } from './choices.ts'
import { heightFindings, judgeHeight } from './height/judge.ts'
import type { HeightJudgement, KneeStanding } from './height/judge.ts'
import { legLengthReadings } from './legs/readings.ts'
import { kneeStanding } from './height/readings.ts'
import { climbInput, tiltHead } from './tilt/readings.ts'
import { saddleShapeNow, posturesOf } from './saddle/readings.ts'
import { judgeLegLength } from './legs/judge.ts'
import type { LegLengthJudgement } from './legs/judge.ts'
import type { MatResult } from './mat/analysis.ts'
import { matFindings } from './mat/judge.ts'
import type { SaddleRider } from './saddle/criteria.ts'
import { legLengthCalculation } from './legs/calculations.ts'
import { climbTiltCalculation } from './tilt/calculations.ts'
import { saddleWidthCalculation } from './saddle/calculations.ts'
import { judgeSetback } from './setback/judge.ts'
import type { SetbackJudgement } from './setback/judge.ts'
import { defaultWidthSchool, widthRange } from './saddle/width.ts'
import type { Posture, WidthRange, WidthSchoolKey } from './saddle/width.ts'
import { climbTilt, tiltTarget } from './tilt/rules.ts'
import type { Climb, TiltTarget, TiltUseKey } from './tilt/rules.ts'
import type { TiltHead } from './tilt/bolts.ts'

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

export interface TiltStanding {
  /** where the rider sits */
  readonly now: Quantity | null
  readonly use: TiltUseKey
  readonly target: TiltTarget
  readonly climb: Climb | null
  /** degrees to the aim; 0 inside the band or while it is not read */
  readonly by: number
  /** whether it is outside the band by more than the level's own ± */
  readonly exceeds: boolean
  readonly tipToTail: Quantity | null
  /** the saddle's own curve: line from tail to nose against the sitting zone */
  readonly curve: number
  readonly curveRead: boolean
  readonly head: TiltHead | null
  readonly headMissing: readonly ReadingKey[]
  readonly findings: readonly Finding[]
}

/** Everything the seat's pages say; each part is worked out when it is first asked for. */
export interface SeatParts {
  readonly context: SeatContext
  readonly spacing: Quantity | null
  readonly postures: readonly Posture[]
  readonly widthSchool: WidthSchoolKey
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
  readonly creep: number | null
}

const softTissue = ['groin'] as const
const hands = ['hand-thumb', 'hand-little', 'neck', 'shoulder'] as const
/** Complaints a leg-length difference could bear on. */
const legPlaces = ['low-back', 'hip', 'sit-bone', 'knee-outer', 'knee-inner'] as const

/** Complaints of these places, in words. */
function told(complaints: readonly Complaint[], regions: readonly BodyRegionKey[], more: (c: Complaint) => boolean = () => true): string[] {
  return complaints.filter((c) => isAt(c, regions) && c.kind !== 'control' && more(c)).map((c) => midSentence(complaintTitle(c)))
}

/** Whether the rider slides down to the nose, as told; who only said "slips" did not say which way. */
function slidesForward(complaints: readonly Complaint[]): boolean {
  return complaints.some((c) => c.control === 'slides-forward' || (c.kind === 'slips' && isAt(c, ['groin', 'sit-bone'])))
}

/** Whether the rider slides about on the saddle, as told. */
function slidesAbout(complaints: readonly Complaint[]): boolean {
  return slidesForward(complaints) || complaints.some((c) => c.control === 'slides-back')
}

/** The parts of the station for a context. */
export function seatParts(context: SeatContext): SeatParts {
  const { setup, complaints, metrics, mat } = context
  const { now } = setup
  return lazily<SeatParts>({
    context: () => context,
    spacing: () => measured(now, 'sitBoneSpacing'),
    postures: () => posturesOf(setup),
    widthSchool: () => context.choices.widthSchool ?? defaultWidthSchool,
    width: ({ spacing, postures, widthSchool }) => spacing && widthRange(spacing, postures, widthSchool),
    widthFindings: ({ width }) => (width ? widthFindings(width, measured(now, 'saddleWidth'), mat) : []),
    shape: () => saddleShapeNow(now),
    saddleRider: ({ width }) => saddleRider(context, width),
    tilt: () => tiltStanding(context),
    knees: () => {
      const knees = kneesNow(setup, metrics, context.plusMinus)
      return bySide((side) => kneeStanding(setup, side, knees[side]))
    },
    height: ({ knees }) => {
      const height = now.saddleHeight.right
      return height && (knees.left?.leg || knees.right?.leg) ? judgeHeight(height.value, knees, context.plusMinus('kneeRight')) : null
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
        hands: told(complaints, hands),
        hipClosed: [...told(complaints, ['hip', 'stomach']), ...told(complaints, ['low-back', 'groin'], (c) => c.situation === 'climbing')],
        kneeFront: front.counts,
        kneeBack: back.counts,
        ofHeight: [...front.ofHeight, ...back.ofHeight],
        noseDown: tilt.now !== null && tilt.now.value + tilt.now.plusMinus < tilt.target.band.low,
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
      sitsHard: sitsHard(context),
    }),
    creep: () => creepNow(setup)?.value ?? null,
  })
}

/** The share on the hands, where it is heavy by more than its ±; else null. */
function heavyLoad({ metrics, plusMinus }: SeatContext): number | null {
  const load = metrics?.load ?? null
  return load !== null && load - (plusMinus('load') ?? 0) > HEAVY_HANDS ? load : null
}

/** Where the rider sits at the hard effort, as last seen. */
function sitsHard({ readings }: SeatContext): OptionOf<'sitsWhere'> | null {
  const seen = readings.findLast(({ key, condition, value }) => key === 'sitsWhere' && condition === 'hard' && value !== null)?.value
  return optionsOf('sitsWhere').find((option) => option === seen) ?? null
}

function worst(complaints: readonly Complaint[], regions: readonly BodyRegionKey[]): number {
  return Math.max(0, ...complaints.filter((c) => isAt(c, regions) && c.kind === 'pain').map((c) => c.severity ?? 0))
}

/** Width against the range, and the mat's spacing against the one in use. @source common-practice */
function widthFindings(width: WidthRange, saddle: Quantity | null, mat: MatResult | null): Finding[] {
  const found: Finding[] = []
  const add = (key: string, weight: Finding['weight'], headline: string, sentence: string) =>
    found.push({ key, side: 'both', weight, headline, sentence, source: 'common-practice' })
  const range = `${trimmed(width.low, 0)} to ${trimmed(width.high, 0)} mm`
  if (saddle !== null) {
    const doubt = Math.hypot(width.plusMinus, saddle.plusMinus)
    const short = width.low - saddle.value
    const wide = saddle.value - width.high
    if (short > 0) {
      add(
        'narrow',
        short > doubt ? 'act' : 'note',
        `The saddle is ${trimmed(short, 0)} mm narrow.`,
        `${trimmed(saddle.value, 0)} mm against ${range}${short > doubt ? '' : `, within ±${trimmed(doubt, 0)} mm`}. Too narrow: pushes back searching for width, and the middle carries.`,
      )
    } else if (wide > 0) {
      add(
        'wide',
        wide > doubt ? 'act' : 'note',
        `The saddle is ${trimmed(wide, 0)} mm wide.`,
        `${trimmed(saddle.value, 0)} mm against ${range}${wide > doubt ? '' : `, within ±${trimmed(doubt, 0)} mm`}. Too wide: rocks, drops a hip to reach the pedal, rubs the thighs.`,
      )
    } else add('width-fits', 'fine', 'The width fits.', `${trimmed(saddle.value, 0)} mm, asked ${range}.`)
  }
  if (mat && mat.spacing !== null && mat.spacingPlusMinus !== null) {
    const spacing = width.middle - width.decides.allowance.allowance
    const apart = mat.spacing - spacing
    if (Math.abs(apart) > Math.hypot(mat.spacingPlusMinus, width.plusMinus)) {
      add(
        'mat-differs',
        'note',
        `The mat sees the bones ${trimmed(mat.spacing, 0)} mm apart.`,
        `That is ${trimmed(Math.abs(apart), 0)} mm ${apart < 0 ? 'less' : 'more'} than what is entered. On a narrow saddle a mat reads too little; an impression is the better one.`,
      )
    }
  }
  return found
}

function saddleRider({ setup, complaints, metrics, tried }: SeatContext, width: WidthRange | null): SaddleRider {
  const { now } = setup
  const rocks = chosen(now, 'pelvisRock')
  const sits = chosen(now, 'sitsWhere')
  return {
    mass: measuredValue(now, 'mass'),
    spacing: measuredValue(now, 'sitBoneSpacing'),
    width: width && { low: width.low, high: width.high },
    torso: width?.decides.torso ?? metrics?.torso ?? null,
    softTissue: hurts(complaints, softTissue, 'both'),
    sitBones: hurts(complaints, ['sit-bone'], 'both'),
    rocks: rocks !== null && rocks !== 'none',
    creeps: slidesAbout(complaints) || (sits !== null && sits !== 'middle'),
    hours: measuredValue(now, 'rideHours'),
    postRoomDown: measuredValue(now, 'postRoomDown'),
    railHeightNow: measuredValue(now, 'saddleRailHeight'),
    tried,
  }
}

/** What a bike's kind and the torso ask of the tilt. */
export function usualTiltUse(kind: BikeKind, torso: number | null): TiltUseKey {
  const { use } = bikeKindOf(kind)
  if (use === 'mountain' || use === 'low') return use
  return torso !== null && torso < LOW_TORSO ? 'low' : 'road'
}

function tiltStanding({ setup, complaints, choices, kind, metrics }: SeatContext): TiltStanding {
  const { now } = setup
  const read = measured(now, 'saddleTilt')
  const use = choices.tiltUse ?? usualTiltUse(kind, metrics?.torso ?? null)
  const input = climbInput(setup)
  const climb = input && climbTilt(input)
  const sits = chosen(now, 'sitsWhere')
  const slides = slidesForward(complaints)
  const target = tiltTarget(use, climb, {
    down: [...told(complaints, [...softTissue, 'low-back'])],
    up: [...told(complaints, ['hand-thumb', 'hand-little']), ...(slides || sits === 'nose' ? ['slides forward'] : [])],
  })
  const { band, aim } = target
  const level = read?.plusMinus ?? 0
  const outside = read === null ? 0 : Math.max(band.low - read.value, read.value - band.high, 0)
  const { head, missing } = tiltHead(now)
  const shape = saddleShapeNow(now)
  const curveRead = measuredValue(now, 'saddleTailRise') !== null
  const tipToTail = measured(now, 'tipToTail')
  const standing = {
    now: read,
    use,
    target,
    climb,
    tipToTail,
    curve: curveAngle(shape),
    curveRead,
    head,
    headMissing: missing,
    by: read === null || outside === 0 ? 0 : aim - read.value,
    exceeds: outside > level,
  }
  return { ...standing, findings: tiltFindings(standing) }
}

function tiltFindings({
  now,
  target: { band, aim, why },
  exceeds,
  tipToTail,
  curve,
  curveRead,
  by,
  use,
}: Omit<TiltStanding, 'findings'>): Finding[] {
  const found: Finding[] = []
  const add = (key: string, weight: Finding['weight'], headline: string, sentence: string, source: Finding['source'] = 'common-practice') =>
    found.push({ key, side: 'both', weight, headline, sentence, source })
  const words = (angle: number) => `${trimmed(Math.abs(angle), 1)}° nose ${angle > 0 ? 'up' : 'down'}`
  const asked = `${trimmed(-band.high, 1)} to ${trimmed(-band.low, 1)}° nose down where you sit, aim ${trimmed(-aim, 1)}`
  if (now === null) {
    const guess = tipToTail === null ? null : tipToTail.value - curve
    add(
      'not-read',
      'act',
      'Tilt where the rider sits is not read.',
      guess === null
        ? 'A level on a short board over the sitting zone; dropper up, bike on level ground.'
        : `Nose to tail reads ${words(tipToTail?.value ?? 0)}; with this saddle’s ${curveRead ? '' : 'usual '}curve the sitting zone would stand ${words(guess)}. Lay the level there.`,
    )
    return found
  }
  if (by === 0)
    add('tilt-fits', 'fine', now.value === 0 ? 'Level where you sit.' : `${words(now.value)} where you sit.`, `${asked}. ${why[0] ?? ''}`)
  else if (now.value > band.high) {
    add(
      'nose-up',
      exceeds ? 'act' : 'note',
      now.value > 0 ? `${words(now.value)}: too much.` : 'A little more nose down.',
      `${asked}. ${now.value > 0 ? 'Nose up has no known good reason: numb soft tissue, blocked from reaching forward, low back bent. ' : ''}${why.slice(1).join(' ')}`.trim(),
    )
  } else {
    add(
      'nose-down',
      exceeds ? 'act' : 'note',
      `${words(now.value)}: too far.`,
      `${asked}. Too far down slides the rider forward; hands and knees carry it. ${why.slice(1).join(' ')}`.trim(),
    )
  }
  if (tipToTail !== null && Math.abs(tipToTail.value - now.value) > 1) {
    add(
      'tip-to-tail',
      'note',
      `Nose to tail reads ${words(tipToTail.value)}.`,
      `A curved saddle: ${trimmed(Math.abs(tipToTail.value - now.value), 1)}° apart from where you sit. Set it by the sitting zone.`,
    )
  }
  if (use === 'low' || use === 'road') {
    if (now.value < -5)
      add(
        'far-down',
        'note',
        'Further than fitters usually go.',
        'One uncontrolled study eased low backs with 10 to 15°; slides and loaded hands are the price.',
        'salai',
      )
  }
  return found
}

/** Findings of the seat that are worth a change, over all its pages. */
export function seatActs({ widthFindings: width, tilt, heightFindings: height, setback, legs, mat }: SeatParts): number {
  const all = [width, tilt.findings, height, setback.findings, legs.findings, mat].flat()
  return all.filter(({ weight }) => weight === 'act' || weight === 'first').length
}

const upDown = (by: number) => (by > 0 ? 'up' : 'down')
const degreesWords = (angle: number) => `${trimmed(Math.abs(angle), 1)}°${angle === 0 ? '' : ` ${upDown(angle)}`}`

function judgeWidth({ width, widthFindings: findings, spacing, postures, widthSchool }: SeatParts): Partial<PageJudgement> {
  if (spacing === null || width === null || postures.length === 0) return { findings }
  const input = {
    spacing: spacing.value,
    spacingPlusMinus: spacing.plusMinus,
    postures: postures.map(({ hands: at, usual, torso, plusMinus }) => ({ hands: at, usual, torso, plusMinus })),
    school: widthSchool,
  }
  const calculation = anyCalculation(saddleWidthCalculation)
  return { findings, working: [{ heading: 'Saddle width', calculation, input, plusMinus: { spacing: spacing.plusMinus } }] }
}

function judgeTilt({ tilt, context }: SeatParts): Partial<PageJudgement> {
  const { now, target, by, use, findings } = tilt
  const climb = climbInput(context.setup)
  const before = context.start.now.saddleTilt.left?.value ?? null
  return {
    findings,
    targets:
      now === null
        ? []
        : [
            {
              key: 'tilt',
              label: 'Saddle’s nose',
              now,
              band: target.band,
              aim: by === 0 ? null : target.aim,
              remark: degreesWords(now.value),
              start: before === now.value ? null : before,
              moves: { setting: 'saddleTilt', side: 'both' },
            },
          ],
    proposals:
      by === 0
        ? []
        : [
            {
              key: 'tilt',
              words: `Aim at ${degreesWords(target.aim)}`,
              requested: [{ setting: 'saddleTilt', side: 'both', by }],
              reason: findings[0]?.headline ?? '',
            },
          ],
    working: climb
      ? [{ heading: 'On the climb', calculation: anyCalculation(climbTiltCalculation), input: { ...climb, use }, plusMinus: {} }]
      : [],
  }
}

function judgeHeightPage({ height, heightFindings: findings }: SeatParts): Partial<PageJudgement> {
  if (height === null || height.by === 0) return { findings }
  return {
    findings,
    proposals: [
      {
        key: 'height',
        words: `Aim ${trimmed(Math.abs(height.by), 1)} mm ${upDown(height.by)}`,
        requested: [{ setting: 'saddleHeight', side: 'both', by: height.by }],
        reason: findings[0]?.headline ?? '',
      },
    ],
  }
}

/** The curve's reach and step, as the picture under the board draws it, mm. */
export const CURVE = { reach: 40, step: 2 } as const

function judgeSetbackPage({ setback, context }: SeatParts): Partial<PageJudgement> {
  const { by, findings } = setback
  const { readings, ledger, setup } = context
  return {
    findings,
    proposals:
      by === 0
        ? []
        : [
            {
              key: 'setback',
              words: `Aim ${trimmed(Math.abs(by), 1)} mm ${by > 0 ? 'back' : 'forward'}`,
              requested: [{ setting: 'saddleSetback', side: 'both', by }],
              reason: findings[0]?.headline ?? '',
            },
          ],
    working: [
      {
        heading: 'Height for every setback',
        calculation: anyCalculation(setbackCurveCalculation),
        input: { readings, ledger, place: setup.place, bar: setup.rider.bar, ...CURVE },
        plusMinus: {},
      },
    ],
  }
}

function judgeLegs({ legs, context }: SeatParts): Partial<PageJudgement> {
  const { difference, place, stack } = legLengthReadings(context.setup.now)
  const { shorter, now, findings } = legs
  return {
    findings,
    proposals:
      now > 0 && shorter !== null
        ? [
            {
              key: 'shim',
              words: `Put ${trimmed(now, 1)} mm under the ${shorter} foot`,
              requested: [{ setting: 'soleStack', side: shorter, by: now }],
              reason: findings[0]?.headline ?? '',
            },
          ]
        : [],
    working:
      difference === null
        ? []
        : [
            {
              heading: 'Leg length',
              calculation: anyCalculation(legLengthCalculation),
              input: {
                difference: difference.value,
                differencePlusMinus: difference.plusMinus,
                place,
                stackLeft: stack.left?.value ?? null,
                stackRight: stack.right?.value ?? null,
              },
              plusMinus: { difference: difference.plusMinus },
            },
          ],
  }
}

/** What is read on each page. */
const reads = {
  saddle: ['sitBoneSpacing', 'saddleKind', 'saddleWidth', 'saddleZoneWidth', 'saddleNoseWidth', 'saddleLength', 'sitFromNose', 'saddleRelief', 'saddleRailHeight', 'saddleSound', 'torsoAngle', 'pelvisRock', 'rideHours', 'mass', 'postRoomDown'],
  mat: ['sitBoneSpacing', 'saddleWidth', 'saddleZoneWidth', 'saddleRelief', 'saddleTilt', 'pelvisLevel', 'pelvisRock'],
  tilt: ['saddleTilt', 'tipToTail', 'saddleNoseDrop', 'saddleTailRise', 'saddleLength', 'postHead', 'headThread', 'headBoltSpacing', 'headNotch', 'clampFromNose', 'saddleRailHeight', 'rearSag', 'forkSag', 'climbGradient', 'sitsWhere', 'dropperTravel'],
  height: ['saddleHeight', 'inseam', 'kneeFlexion', 'footPitch', 'pelvisLevel', 'pelvisRock', 'dropperTravel', 'postRoomUp', 'postRoomDown', 'crank', 'seatAngle'],
  setback: ['saddleSetback', 'sitFromNose', 'sitsWhere', 'creepForward', 'railRoomForward', 'railRoomBack', 'torsoAngle', 'elbowFlexion', 'hipAngle', 'postRoomUp', 'postRoomDown'],
  legs: ['legLengthDifference', 'legDifferenceAt', 'pelvisLevel', 'kneeFlexion', 'thigh', 'shank', 'soleStack', 'cleatSetback', 'saddleSound'],
} as const satisfies Readonly<Record<string, readonly ReadingKey[]>> // prettier-ignore

/** The seat, in the order of the work: the saddle before its tilt, tilt before height, height before setback. */
export const seatStation = defineStation({
  key: 'seat',
  label: 'Seat',
  choices: seatChoicesSchema,
  parts: seatParts,
  pages: {
    saddle: {
      label: 'Saddle',
      tells: 'How wide the saddle should be for these bones at this lean, and which saddles suit, best first.',
      picture: 'above',
      readings: reads.saddle,
      fields: [],
      judge: judgeWidth,
    },
    mat: {
      label: 'Pressure',
      tells: 'What carries the weight, bones or middle, left or right, before and after a change.',
      picture: 'above',
      readings: reads.mat,
      fields: [],
      judge: ({ mat }) => ({ findings: mat }),
    },
    tilt: {
      label: 'Tilt',
      tells: 'At what angle the part that is sat on should stand, and the turns at the bolts that bring it there.',
      picture: 'side',
      readings: reads.tilt,
      fields: oneOf('saddleTilt'),
      judge: judgeTilt,
    },
    height: {
      label: 'Height',
      tells: 'Which heights suit both knees, and a plan of small steps to get there.',
      picture: 'side',
      readings: reads.height,
      fields: oneOf('saddleHeight'),
      choosesHold: true,
      judge: judgeHeightPage,
    },
    setback: {
      label: 'Setback',
      tells: 'Whether the saddle should go forward or back, and what the post must do so that the knees stay.',
      picture: 'side',
      readings: reads.setback,
      fields: [...oneOf('saddleSetback'), ...oneOf('saddleHeight')],
      choosesHold: true,
      judge: judgeSetbackPage,
    },
    legs: {
      label: 'Legs',
      tells: 'Whether one leg is shorter, where, and how thick a shim to begin with.',
      picture: 'side',
      readings: reads.legs,
      fields: bothSides('soleStack'),
      judge: judgeLegs,
    },
  },
  metrics: {
    saddleTilt: ({ tilt }) => tilt.now,
    saddleNarrow: (parts) => widthShort(parts, 1),
    saddleWide: (parts) => widthShort(parts, -1),
    heightOff: ({ height }) => height && quantity(height.by, 0, 'mm', 'computed'),
  },
  summary: (parts) => {
    const acts = seatActs(parts)
    if (parts.context.setup.model === null) return { words: 'readings needed', mark: 'wanting' }
    return acts > 0 ? { words: `${acts} to try`, mark: 'open' } : { words: 'in range', mark: 'level' }
  },
})

/** How much the saddle is narrower (1) or wider (−1) than asked, mm; minus = not. */
function widthShort({ width, context }: SeatParts, way: 1 | -1): Quantity | null {
  const saddle = measured(context.setup.now, 'saddleWidth')
  if (width === null || saddle === null) return null
  const by = way === 1 ? width.low - saddle.value : saddle.value - width.high
  return quantity(by, combined(width.plusMinus, saddle.plusMinus), 'mm', 'computed')
}
