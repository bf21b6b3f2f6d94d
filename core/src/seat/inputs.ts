import { shapeFrom } from '../bike/saddleShape.ts'
import type { SaddleShape } from '../bike/saddleShape.ts'
import { hipOf } from '../body/rider.ts'
import type { RiderModel } from '../body/rider.ts'
import { upperPosture } from '../body/upperBody.ts'
import { asRead } from '../change/asRead.ts'
import { riderWith } from '../change/calibrated.ts'
import type { KneeNow } from '../change/kneeNow.ts'
import { partNow } from '../change/parts.ts'
import type { Part, RequestedExchange } from '../change/parts.ts'
import type { Setup } from '../change/setup.ts'
import { conditions, handPositionsOf, usualHands } from '../measure/conditions.ts'
import type { HandPosition } from '../measure/conditions.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import { chosen, measured, measuredValue } from '../measure/resolve.ts'
import type { ResolvedReadings } from '../measure/resolve.ts'
import { axlesOf } from '../measure/riderModel.ts'
import type { Side } from '../quantity/sided.ts'
import { bySide, sides } from '../quantity/sided.ts'
import type { KneeStanding } from './heightJudgement.ts'
import { heightInputOf } from './heightInput.ts'
import type { LegLengthReadings } from './legLength.ts'
import type { SaddleSpec } from './saddleKinds.ts'
import type { SaddleInUse } from './saddleRanking.ts'
import type { Posture } from './saddleWidth.ts'
import type { ClimbInput } from './tilt.ts'
import type { HeadKind, TiltHead } from './tiltBolts.ts'

/** ± of a torso that no reading of that position pins down, degrees; k = 2. @source prior */
const MODEL_TORSO = 6
/** ± of a torso whose own angles were read in that position, degrees; k = 2. @source prior */
const READ_TORSO = 2

const handWords: Readonly<Record<HandPosition, string>> = {
  grip: 'hands on the grips',
  hoods: 'hands on the hoods',
  tops: 'hands on the tops',
  drops: 'hands in the drops',
  extension: 'on the extensions',
}

/** Torso in every hand position this bike has, the usual one first: as read, else from the calibrated model. */
export function posturesOf(setup: Setup): Posture[] {
  const { rider, folded, model } = setup
  const usual = usualHands(rider.bar)
  return handPositionsOf(rider.bar).flatMap((hands): Posture[] => {
    const at = hands === usual ? model : riderWith(rider, folded.by, hands)
    const modelled = at && torsoOf(at)
    const read = hands === usual ? asRead(setup, 'torso', modelled) : null
    const torso = read?.value ?? modelled
    if (torso === null) return []
    const own = rider.others.some((row) => row.hands === hands && conditions[row.condition].effort === 'calm')
    return [{ hands: handWords[hands], usual: hands === usual, torso, plusMinus: read?.plusMinus ?? (own ? READ_TORSO : MODEL_TORSO) }]
  })
}

function torsoOf(model: RiderModel): number | null {
  if (model.grips === null) return null
  const { torso, reaches } = upperPosture(model.upper, hipOf(model), model.grips)
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

export function saddleInUse(now: ResolvedReadings): SaddleInUse {
  return {
    sitFromNose: measuredValue(now, 'sitFromNose'),
    railHeight: measuredValue(now, 'saddleRailHeight'),
    nose: measuredValue(now, 'saddleSetback'),
  }
}

/** A saddle of the catalogue as a part. */
function saddlePart(spec: SaddleSpec): Part {
  const { name, kind, width, zoneWidth, noseWidth, length, sitFromNose, noseDrop, tailRise, relief, railHeight } = spec
  return {
    name,
    properties: {
      saddleKind: kind,
      saddleWidth: width,
      saddleZoneWidth: zoneWidth,
      saddleNoseWidth: noseWidth,
      saddleLength: length,
      sitFromNose,
      saddleNoseDrop: noseDrop,
      saddleTailRise: tailRise,
      saddleRelief: relief,
      saddleRailHeight: railHeight,
    },
  }
}

/** Another saddle for the one on the bike. */
export function saddleExchange(spec: SaddleSpec, now: ResolvedReadings): RequestedExchange {
  return { slot: 'saddle', from: partNow(now, 'saddle'), to: saddlePart(spec) }
}

/** What the turns of each kind of head are computed from. */
const headNeeds: Readonly<Record<HeadKind, readonly ('headThread' | 'headBoltSpacing' | 'headNotch')[]>> = {
  'two-bolts': ['headThread', 'headBoltSpacing'],
  screw: ['headThread', 'headBoltSpacing'],
  notched: ['headNotch'],
  smooth: [],
}
/** What stands for a figure that this kind of head does not use. */
const UNUSED = { thread: 'M6', spacing: 40, notch: 1 } as const

/** The head that tilts the saddle; null while its kind is not read, with what is still missing for its turns. */
export function tiltHead(now: ResolvedReadings): { readonly head: TiltHead | null; readonly missing: readonly ReadingKey[] } {
  const kind = chosen(now, 'postHead')
  if (kind === null) return { head: null, missing: ['postHead'] }
  const found = {
    headThread: chosen(now, 'headThread'),
    headBoltSpacing: measuredValue(now, 'headBoltSpacing'),
    headNotch: measuredValue(now, 'headNotch'),
  }
  const missing = headNeeds[kind].filter((key) => found[key] === null)
  if (missing.length > 0) return { head: null, missing }
  const { headThread: thread, headBoltSpacing: spacing, headNotch: notch } = found
  return {
    head: { kind, thread: thread ?? UNUSED.thread, spacing: spacing ?? UNUSED.spacing, notch: notch ?? UNUSED.notch },
    missing: [],
  }
}

/** Sag, wheelbase and slope; null where nothing was read that stands the bike up on a climb. */
export function climbInput(setup: Setup): ClimbInput | null {
  const { now, rider } = setup
  const axles = axlesOf(rider.values)
  const rearSag = measuredValue(now, 'rearSag')
  const forkSag = measuredValue(now, 'forkSag')
  const gradient = measuredValue(now, 'climbGradient')
  if (gradient === null && rearSag === null) return null
  return {
    rearSag: rearSag ?? 0,
    forkSag: forkSag ?? 0,
    gradient: gradient ?? 0,
    wheelbase: axles ? axles.front.x - axles.rear.x : USUAL_WHEELBASE,
  }
}
/** @source prior */
const USUAL_WHEELBASE = 1100

/** One leg as height is judged by it; null while the knee is neither read nor known to the model. */
export function kneeStanding(setup: Setup, side: Side, knee: KneeNow | null): KneeStanding | null {
  return knee && { ...knee, leg: heightInputOf(setup, side)?.leg ?? null }
}

/** What leg length is judged from, less the complaint. */
export function legLengthReadings(now: ResolvedReadings): Omit<LegLengthReadings, 'pain'> {
  // Of soles that nobody measured, what a shim of this visit has made of them still counts.
  const isShimmed = sides.some((side) => now.soleStack[side]?.isMoved)
  return {
    difference: measured(now, 'legLengthDifference'),
    place: chosen(now, 'legDifferenceAt') ?? 'unknown',
    stack: bySide((side) => (isShimmed ? now.soleStack[side] : measured(now, 'soleStack', side))),
    cleat: bySide((side) => measured(now, 'cleatSetback', side)),
    pelvisLevel: chosen(now, 'pelvisLevel'),
  }
}
