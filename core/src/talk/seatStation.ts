import type { RiderFacts } from '../body/facts.ts'
import type { BikeKind } from '../bike/bikeKinds.ts'
import { measured, measuredValue } from '../change/footInputs.ts'
import {
  climbInput, creepNow, kneeBandNow, kneeStanding, legLengthReadings, posturesOf, reliefNow, saddleShapeNow, tiltHead,
} from '../change/seatInputs.ts' // prettier-ignore
import type { Setup } from '../change/setup.ts'
import { curveAngle } from '../bike/saddleShape.ts'
import type { SaddleShape } from '../bike/saddleShape.ts'
import { readingPlace } from '../measure/readingPlace.ts'
import type { Reading } from '../measure/reading.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import { trimmed } from '../quantity/entry.ts'
import type { Finding } from '../quantity/finding.ts'
import { byWeight } from '../quantity/finding.ts'
import type { Quantity } from '../quantity/quantity.ts'
import { bySide } from '../quantity/sided.ts'
import type { Sided } from '../quantity/sided.ts'
import { heightFindings, judgeHeight } from '../seat/heightJudgement.ts'
import type { HeightJudgement, KneeStanding } from '../seat/heightJudgement.ts'
import { judgeLegLength } from '../seat/legLength.ts'
import type { LegLengthJudgement } from '../seat/legLength.ts'
import type { MatResult } from '../seat/matAnalysis.ts'
import { matFindings } from '../seat/matFindings.ts'
import { LOW_TORSO } from '../seat/saddleCriteria.ts'
import type { SaddleRider } from '../seat/saddleCriteria.ts'
import { judgeSetback } from '../seat/setback.ts'
import type { SetbackJudgement } from '../seat/setback.ts'
import { defaultWidthSchool, widthRange } from '../seat/saddleWidth.ts'
import type { Posture, WidthRange, WidthSchoolKey } from '../seat/saddleWidth.ts'
import { climbTilt, tiltTarget } from '../seat/tilt.ts'
import type { Climb, TiltTarget, TiltUseKey } from '../seat/tilt.ts'
import type { TiltHead } from '../seat/tiltBolts.ts'
import { complaintTitle } from './complaint.ts'
import type { Complaint } from './complaint.ts'
import { hurts } from './footStation.ts'
import type { BodyRegionKey } from './regions.ts'

/** What the seat station knows besides the setup. */
export interface SeatContext {
  readonly kind: BikeKind
  readonly widthSchool: WidthSchoolKey | null
  readonly tiltUse: TiltUseKey | null
  readonly readings: readonly Reading[]
  /** the rider's numbers as they stand, where the model has them */
  readonly facts: RiderFacts | null
  /** ± of the knees, degrees; null until the worker has said it */
  readonly kneePlusMinus: number | null
  /** saddles ridden, with the mark of each, by name in small letters */
  readonly tried: Readonly<Record<string, number>>
  /** the mat recording that is looked at */
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

/** Everything the seat says; each part is a plain function of the readings in force. */
export interface SeatStation {
  readonly spacing: Quantity | null
  readonly postures: readonly Posture[]
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
  readonly matResult: MatResult | null
  readonly look: {
    readonly pelvis: number | null
    readonly rocking: number | null
    readonly sound: number | null
    readonly relief: ReturnType<typeof reliefNow>
    readonly sits: number | null
    readonly creep: number | null
  }
  readonly facts: RiderFacts | null
}

const softTissue = ['groin'] as const
const hands = ['hand-thumb', 'hand-little', 'neck', 'shoulder'] as const

/** Complaints of these places, in words. */
function told(complaints: readonly Complaint[], regions: readonly BodyRegionKey[], more: (c: Complaint) => boolean = () => true): string[] {
  return complaints
    .filter((c) => regions.includes(c.region) && c.kind !== 'control' && more(c))
    .map((c) => complaintTitle(c).replace(/^./, (letter) => letter.toLowerCase()))
}

export function seatStation(setup: Setup, complaints: readonly Complaint[], context: SeatContext): SeatStation {
  const { now } = setup
  const { facts } = context
  const spacing = measured(now, 'sitBoneSpacing')
  const postures = posturesOf(setup)
  const width = spacing && widthRange(spacing, postures, context.widthSchool ?? defaultWidthSchool)
  const knees = bySide((side) => kneeStanding(setup, side, facts?.[side === 'left' ? 'kneeLeft' : 'kneeRight'] ?? null))
  const height = setup.saddleHeight && (knees.left || knees.right) ? judgeHeight(setup.saddleHeight.value, knees, context.kneePlusMinus) : null
  const hard = context.readings.find((reading) => readingPlace(reading) === readingPlace({ key: 'sitsWhere', side: 'both', condition: 'hard' }))
  const look = {
    pelvis: measuredValue(now, 'pelvisLevel'),
    rocking: measuredValue(now, 'pelvisRock'),
    sound: measuredValue(now, 'saddleSound'),
    relief: reliefNow(now),
    sits: measuredValue(now, 'sitsWhere'),
    creep: creepNow(setup),
  }
  return {
    spacing,
    postures,
    width,
    widthFindings: width ? widthFindings(width, measured(now, 'saddleWidth'), context.mat) : [],
    shape: saddleShapeNow(now),
    saddleRider: saddleRider(setup, complaints, context, width),
    tilt: tiltStanding(setup, complaints, context),
    knees,
    height,
    heightFindings: height
      ? byWeight(
          heightFindings(height, {
            pelvisLevel: look.pelvis,
            rocking: look.rocking,
            dropperTravel: measuredValue(now, 'dropperTravel'),
            knees: bySide((side) => knees[side]?.flexion ?? null),
            bands: bySide((side) => (knees[side] ? kneeBandNow(now, side) : null)),
          }),
        )
      : [],
    setback: judgeSetback({
      sits: look.sits,
      sitsHard: hard?.value ?? null,
      creep: look.creep,
      hands: told(complaints, hands),
      hipClosed: [...told(complaints, ['hip', 'stomach']), ...told(complaints, ['low-back', 'groin'], (c) => c.situation === 'climbing')],
      kneeFront: told(complaints, ['knee-front']),
      kneeBack: told(complaints, ['knee-back', 'hamstring']),
      load: facts?.load ?? null,
      railRoomBack: measuredValue(now, 'railRoomBack'),
      railRoomForward: measuredValue(now, 'railRoomForward'),
    }),
    legs: judgeLegLength({ ...legLengthReadings(now), pain: worst(complaints, ['low-back', 'hip', 'sit-bone', 'knee-outer', 'knee-inner']) }),
    mat: context.mat ? byWeight(matFindings(context.mat)) : [],
    matResult: context.mat,
    look,
    facts,
  }
} // prettier-ignore

function worst(complaints: readonly Complaint[], regions: readonly BodyRegionKey[]): number {
  return Math.max(0, ...complaints.filter((c) => regions.includes(c.region) && c.kind === 'pain').map((c) => c.severity))
}

/** Width against the range, and the mat's spacing against the one in use. @source common-practice */
function widthFindings(width: WidthRange, saddle: Quantity | null, mat: MatResult | null): Finding[] {
  const found: Finding[] = []
  const add = (key: string, weight: Finding['weight'], headline: string, sentence: string) =>
    found.push({ key, side: 'both', weight, headline, sentence, source: 'common-practice' })
  const range = `${trimmed(width.low, 0)} to ${trimmed(width.high, 0)} mm`
  if (saddle !== null) {
    const doubt = width.plusMinus + saddle.plusMinus
    const short = width.low - saddle.value
    const wide = saddle.value - width.high
    if (short > 0) {
      add('narrow', short > doubt ? 'act' : 'note', `The saddle is ${trimmed(short, 0)} mm narrow.`, `${trimmed(saddle.value, 0)} mm against ${range}${short > doubt ? '' : `, within ±${trimmed(doubt, 0)}`}. Too narrow: pushes back searching for width, and the middle carries.`) // prettier-ignore
    } else if (wide > 0) {
      add('wide', wide > doubt ? 'act' : 'note', `The saddle is ${trimmed(wide, 0)} mm wide.`, `${trimmed(saddle.value, 0)} mm against ${range}${wide > doubt ? '' : `, within ±${trimmed(doubt, 0)}`}. Too wide: rocks, drops a hip to reach the pedal, rubs the thighs.`) // prettier-ignore
    } else add('width-fits', 'fine', 'The width fits.', `${trimmed(saddle.value, 0)} mm, asked ${range}.`)
  }
  if (mat && mat.spacing !== null && mat.spacingPlusMinus !== null) {
    const spacing = width.middle - width.decides.allowance.allowance
    const apart = mat.spacing - spacing
    if (Math.abs(apart) > Math.hypot(mat.spacingPlusMinus, width.plusMinus)) {
      add('mat-differs', 'note', `The mat sees the bones ${trimmed(mat.spacing, 0)} mm apart.`, `That is ${trimmed(Math.abs(apart), 0)} mm ${apart < 0 ? 'less' : 'more'} than what is entered. On a narrow saddle a mat reads too little; an impression is the better one.`) // prettier-ignore
    }
  }
  return found
}

function saddleRider(setup: Setup, complaints: readonly Complaint[], context: SeatContext, width: WidthRange | null): SaddleRider {
  const { now } = setup
  return {
    mass: measuredValue(now, 'mass'),
    spacing: measuredValue(now, 'sitBoneSpacing'),
    width: width && { low: width.low, high: width.high },
    torso: width?.decides.torso ?? context.facts?.torso ?? null,
    softTissue: hurts(complaints, softTissue, 'both'),
    sitBones: hurts(complaints, ['sit-bone'], 'both'),
    rubs: (measuredValue(now, 'pelvisRock') ?? 1) > 1,
    creeps: complaints.some((c) => c.kind === 'slips' && ['groin', 'sit-bone'].includes(c.region)) || (measuredValue(now, 'sitsWhere') ?? 2) !== 2,
    hours: measuredValue(now, 'rideHours'),
    postRoomDown: measuredValue(now, 'postRoomDown'),
    railHeightNow: measuredValue(now, 'saddleRailHeight'),
    tried: context.tried,
  }
} // prettier-ignore

/** What a bike's kind and the torso ask of the tilt. */
export function usualTiltUse(kind: BikeKind, torso: number | null): TiltUseKey {
  if (kind === 'mountain') return 'mountain'
  return torso !== null && torso < LOW_TORSO ? 'low' : 'road'
}

function tiltStanding(setup: Setup, complaints: readonly Complaint[], context: SeatContext): TiltStanding {
  const { now } = setup
  const read = measured(now, 'saddleTilt')
  const use = context.tiltUse ?? usualTiltUse(context.kind, context.facts?.torso ?? null)
  const input = climbInput(setup)
  const climb = input && climbTilt(input)
  const sits = measuredValue(now, 'sitsWhere')
  const slides = complaints.some((c) => c.kind === 'slips' && ['groin', 'sit-bone'].includes(c.region))
  const target = tiltTarget(use, climb, {
    down: [...told(complaints, [...softTissue, 'low-back'])],
    up: [...told(complaints, ['hand-thumb', 'hand-little']), ...(slides || sits === 1 ? ['slides forward'] : [])],
  })
  const { band, aim } = target
  const level = read?.plusMinus ?? 0
  const outside = read === null ? 0 : Math.max(band.low - read.value, read.value - band.high, 0)
  const { head, missing } = tiltHead(now)
  const shape = saddleShapeNow(now)
  const curveRead = measuredValue(now, 'saddleTailRise') !== null
  const tipToTail = measured(now, 'tipToTail')
  const standing = {
    now: read, use, target, climb, tipToTail, curve: curveAngle(shape), curveRead, head, headMissing: missing,
    by: read === null || outside === 0 ? 0 : aim - read.value,
    exceeds: outside > level,
  } // prettier-ignore
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
    found.push({ key, side: 'both', weight, headline, sentence, source }) // prettier-ignore
  const words = (angle: number) => `${trimmed(Math.abs(angle), 1)}° nose ${angle > 0 ? 'up' : 'down'}`
  const asked = `${trimmed(-band.high, 1)} to ${trimmed(-band.low, 1)}° nose down where you sit, aim ${trimmed(-aim, 1)}`
  if (now === null) {
    const guess = tipToTail === null ? null : tipToTail.value - curve
    add('not-read', 'act', 'Tilt where the rider sits is not read.', guess === null ? 'A level on a short board over the sitting zone; dropper up, bike on level ground.' : `Nose to tail reads ${words(tipToTail?.value ?? 0)}; with this saddle’s ${curveRead ? '' : 'usual '}curve the sitting zone would stand ${words(guess)}. Lay the level there.`) // prettier-ignore
    return found
  }
  if (by === 0)
    add('tilt-fits', 'fine', now.value === 0 ? 'Level where you sit.' : `${words(now.value)} where you sit.`, `${asked}. ${why[0] ?? ''}`) // prettier-ignore
  else if (now.value > band.high) {
    add('nose-up', exceeds ? 'act' : 'note', now.value > 0 ? `${words(now.value)}: too much.` : 'A little more nose down.', `${asked}. ${now.value > 0 ? 'Nose up has no known good reason: numb soft tissue, blocked from reaching forward, low back bent. ' : ''}${why.slice(1).join(' ')}`.trim()) // prettier-ignore
  } else {
    add('nose-down', exceeds ? 'act' : 'note', `${words(now.value)}: too far.`, `${asked}. Too far down slides the rider forward; hands and knees carry it. ${why.slice(1).join(' ')}`.trim()) // prettier-ignore
  }
  if (tipToTail !== null && Math.abs(tipToTail.value - now.value) > 1) {
    add('tip-to-tail', 'note', `Nose to tail reads ${words(tipToTail.value)}.`, `A curved saddle: ${trimmed(Math.abs(tipToTail.value - now.value), 1)}° apart from where you sit. Set it by the sitting zone.`) // prettier-ignore
  }
  if (use === 'low' || use === 'road') {
    if (now.value < -5) add('far-down', 'note', 'Further than the trade goes.', 'One uncontrolled study eased low backs with 10 to 15°; slides and loaded hands are the price.', 'salai') // prettier-ignore
  }
  return found
}

/** Findings of the seat that are worth a change, over all its pages; what is simulated is not among them. */
export function seatActs({ widthFindings: width, tilt, heightFindings: height, setback, legs, mat }: SeatStation): number {
  const all = [width, tilt.findings, height, setback.findings, legs.findings, mat].flat()
  return all.filter(({ weight }) => weight === 'act' || weight === 'first').length
}
