import { hipOf } from '../body/rider.ts'
import type { RiderModel } from '../body/rider.ts'
import { upperPosture } from '../body/upperBody.ts'
import { shapeFrom } from '../bike/saddleShape.ts'
import type { SaddleShape } from '../bike/saddleShape.ts'
import { conditions } from '../measure/conditions.ts'
import type { HandPosition } from '../measure/conditions.ts'
import { kneeBand, methodKeys } from '../measure/methods.ts'
import { axlesOf } from '../measure/riderModel.ts'
import type { ResolvedReadings } from '../measure/resolve.ts'
import type { TargetBand } from '../quantity/band.ts'
import type { Side } from '../quantity/sided.ts'
import { bySide } from '../quantity/sided.ts'
import type { KneeStanding } from '../seat/heightJudgement.ts'
import { differencePlaces } from '../seat/legLength.ts'
import type { LegLengthReadings } from '../seat/legLength.ts'
import { reliefs } from '../seat/saddleKinds.ts'
import type { SaddleInUse, SaddleSwitch } from '../seat/saddleRanking.ts'
import type { Posture } from '../seat/saddleWidth.ts'
import type { ClimbInput } from '../seat/tilt.ts'
import { headKinds, threads } from '../seat/tiltBolts.ts'
import type { TiltHead } from '../seat/tiltBolts.ts'
import { riderWith } from './calibrated.ts'
import { measured, measuredValue } from './footInputs.ts'
import { heightInputOf } from './heightInput.ts'
import type { Wish } from './moves.ts'
import type { Setup } from './setup.ts'

/** ± of a torso that no reading of that position pins down, degrees; k = 2. @source prior */
const MODEL_TORSO = 6

const handWords: Readonly<Record<HandPosition, string>> = {
  grip: 'hands on the grips',
  hoods: 'hands on the hoods',
  tops: 'hands on the tops',
  drops: 'hands in the drops',
  extension: 'on the extensions',
}

/** Torso in every hand position this bike has, the usual one first; from the calibrated model. */
export function posturesOf({ rider, folded, now, model }: Setup): Posture[] {
  const usual = rider.bar === 'drop' ? 'hoods' : 'grip'
  const positions: readonly HandPosition[] = rider.bar === 'drop' ? ['hoods', 'tops', 'drops', 'extension'] : ['grip']
  return positions.flatMap((hands): Posture[] => {
    const at = hands === usual ? model : riderWith(rider, folded.by, hands)
    const torso = at && torsoOf(at)
    if (torso === null) return []
    const read = hands === usual ? measured(now, 'torsoAngle') : null
    const own = rider.others.some((row) => row.hands === hands && conditions[row.condition].effort === 'calm')
    return [{ hands: handWords[hands], usual: hands === usual, torso, plusMinus: read?.plusMinus ?? (own ? 2 : MODEL_TORSO) }]
  })
}

function torsoOf(model: RiderModel): number | null {
  if (model.grip === null) return null
  const { torso, reaches } = upperPosture(model.upper, hipOf(model), model.grip)
  return reaches ? torso : null
}

/** The saddle as it stands; what is not read is as usual. */
export function saddleShapeNow(now: ResolvedReadings): SaddleShape {
  return shapeFrom({
    length: measuredValue(now, 'saddleLength'),
    width: measuredValue(now, 'saddleWidth'),
    zoneWidth: measuredValue(now, 'saddleZoneWidth'),
    noseWidth: measuredValue(now, 'saddleNoseWidth'),
    sitFromNose: now.sitFromNose.left?.value ?? null,
    noseDrop: measuredValue(now, 'saddleNoseDrop'),
    tailRise: measuredValue(now, 'saddleTailRise'),
  })
}

/** Relief of the saddle in use, null while it is not read. */
export function reliefNow(now: ResolvedReadings): (typeof reliefs)[number] | null {
  const place = measuredValue(now, 'saddleRelief')
  return place === null ? null : (reliefs[place - 1] ?? null)
}

export function saddleInUse(now: ResolvedReadings): SaddleInUse {
  return {
    kind: measuredValue(now, 'saddleKind'),
    width: measuredValue(now, 'saddleWidth'),
    length: measuredValue(now, 'saddleLength'),
    sitFromNose: measuredValue(now, 'sitFromNose'),
    railHeight: measuredValue(now, 'saddleRailHeight'),
    nose: measuredValue(now, 'saddleSetback'),
  }
}

/** An exchange smaller than this leaves a figure as it is, mm. @source prior */
const WORTH_SETTING = 0.5

/** An exchange of saddles as wishes; figures of the one in use that are not read stay out of it. */
export function saddleWishes({ kind, width, length, sitFromNose, railHeight }: SaddleSwitch): Wish[] {
  const wish = (setting: Wish['setting'], by: number | null): Wish[] =>
    by === null || Math.abs(by) < WORTH_SETTING ? [] : [{ setting, side: 'both', by }]
  return [
    ...wish('saddleKind', kind),
    ...wish('saddleWidth', width),
    ...wish('saddleLength', length),
    ...wish('sitFromNose', sitFromNose),
    ...wish('saddleRailHeight', railHeight),
  ]
}

/** The head that tilts the saddle; null while its kind is not read, with what is still missing for its turns. */
export function tiltHead(now: ResolvedReadings): { readonly head: TiltHead | null; readonly missing: readonly ('postHead' | 'headThread' | 'headBoltSpacing' | 'headNotch')[] } {
  const place = measuredValue(now, 'postHead')
  const kind = place === null ? null : (headKinds[place - 1] ?? null)
  if (kind === null) return { head: null, missing: ['postHead'] }
  const thread = measuredValue(now, 'headThread')
  const spacing = measuredValue(now, 'headBoltSpacing')
  const notch = measuredValue(now, 'headNotch')
  const missing =
    kind === 'smooth'
      ? []
      : kind === 'notched'
        ? (notch === null ? (['headNotch'] as const) : [])
        : [...(thread === null ? (['headThread'] as const) : []), ...(spacing === null ? (['headBoltSpacing'] as const) : [])]
  if (missing.length > 0) return { head: null, missing }
  return { head: { kind, thread: (thread === null ? null : threads[thread - 1]) ?? 'M6', spacing: spacing ?? 40, notch: notch ?? 1 }, missing: [] }
} // prettier-ignore

/** Sag, wheelbase and slope; null where nothing was read that stands the bike up on a climb. */
export function climbInput(setup: Setup): ClimbInput | null {
  const { now, rider } = setup
  const axles = axlesOf(rider.values)
  const rearSag = measuredValue(now, 'rearSag')
  const forkSag = measuredValue(now, 'forkSag')
  const gradient = measuredValue(now, 'climbGradient')
  if (gradient === null && rearSag === null) return null
  return { rearSag: rearSag ?? 0, forkSag: forkSag ?? 0, gradient: gradient ?? 0, wheelbase: axles ? axles.front.x - axles.rear.x : USUAL_WHEELBASE }
} // prettier-ignore
/** @source prior */
const USUAL_WHEELBASE = 1100

/** The band a knee at the bottom is judged by: the way it was read decides. */
export function kneeBandNow(now: ResolvedReadings, side: Side): TargetBand {
  const read = now.kneeFlexion[side]
  return kneeBand(read?.basis === 'measured' ? (methodKeys.find((key) => key === read.from) ?? null) : null)
}

/** One leg as height is judged by it; null while it is not known. */
export function kneeStanding(setup: Setup, side: Side, flexion: number | null): KneeStanding | null {
  const input = heightInputOf(setup, side)
  return input === null || flexion === null ? null : { leg: input.leg, flexion, band: kneeBandNow(setup.now, side) }
}

/** What leg length is judged from, less the complaint. */
export function legLengthReadings(now: ResolvedReadings): Omit<LegLengthReadings, 'pain'> {
  const place = measuredValue(now, 'legDifferenceAt')
  return {
    difference: measured(now, 'legLengthDifference'),
    place: (place === null ? null : differencePlaces[place - 1]) ?? 'unknown',
    stack: bySide((side) => measured(now, 'soleStack', side)),
    cleat: bySide((side) => measured(now, 'cleatSetback', side)),
    pelvisLevel: measuredValue(now, 'pelvisLevel'),
  }
}

/** Hips forward at the hard effort, mm: as read, else from the angles read at that effort; null = neither. */
export function creepNow(setup: Setup): number | null {
  const read = measuredValue(setup.now, 'creepForward')
  if (read !== null) return read
  const hard = setup.rider.others.find(({ condition }) => conditions[condition].effort === 'hard')
  return hard ? Math.max(0, hard.creep) : null
}
