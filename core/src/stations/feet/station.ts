import type { VisitContext } from '../../station/context.ts'
import { bikeKindOf } from '../../bike/bikeKinds.ts'
import type { BikeKind } from '../../bike/bikeKinds.ts'
import { anyCalculation } from '../../kernel/calculation.ts'
import { stepPlanCalculation } from '../../knockOn/calculations.ts'
import { kneesNow } from '../../rider/kneeNow.ts'
import type { KneeNow } from '../../rider/kneeNow.ts'
import type { RequestedMove } from '../../ledger/moves.ts'
import { settings } from '../../ledger/settings.ts'
import { capOf } from '../../ledger/pace.ts'
import type { NumberKey, ReadingKey } from '../../readings/readingDefinitions.ts'
import { chosen, measured, measuredValue } from '../../readings/resolve.ts'
import type { ResolvedReadings } from '../../readings/resolve.ts'
import { trimmed } from '../../kernel/entry.ts'
import type { Finding } from '../../kernel/finding.ts'
import { quantity } from '../../kernel/quantity.ts'
import type { Quantity } from '../../kernel/quantity.ts'
import { bySide, sides } from '../../kernel/sided.ts'
import type { Side, Sided } from '../../kernel/sided.ts'
import { bothSides, defineStation, lazily } from '../../station/station.ts'
import type { PageJudgement, Proposal, Target, WorkingRun } from '../../station/station.ts'
import { hurts, isAt } from '../../talk/complaint.ts'
import type { Complaint } from '../../talk/complaint.ts'
import type { Riding } from '../../talk/riding.ts'
import { boltFindings } from './wear/bolts.ts'
import { feetChoicesSchema } from './choices.ts'
import type { FeetChoices } from './choices.ts'
import { judgeCleat, slotRange } from './cleat/judge.ts'
import type { CleatJudgement, CleatReadings } from './cleat/judge.ts'
import { judgeRotation, rotationInput } from './rotation/judge.ts'
import type { RotationJudgement } from './rotation/judge.ts'
import { cleatSchool, defaultCleatSchool } from './cleat/schools.ts'
import type { CleatSchoolKey } from './cleat/schools.ts'
import { cleatTargetCalculation } from './cleat/calculations.ts'
import { wearFindings } from './wear/cleatWear.ts'
import type { CleatLook } from './wear/cleatWear.ts'
import { heelClearanceCalculation, cleatRotationCalculation } from './rotation/calculations.ts'
import { clearanceFinding } from './rotation/heelClearance.ts'
import { boltReadings, cleatLook, wearInput } from './wear/readings.ts'
import { supportReadings } from './support/readings.ts'
import { stancePlusMinus, cleatRoom, stanceEstimated, stanceParts } from './stance/readings.ts'
import { clearanceInput, rotationReadings } from './rotation/readings.ts'
import { shoeReadings } from './shoe/readings.ts'
import { toeInput, cleatReadings } from './cleat/readings.ts'
import type { PedalRider } from './pedal/criteria.ts'
import { shoeFindings } from './shoe/judge.ts'
import { chosenTarget, halves, stanceTargets } from './stance/targets.ts'
import type { StanceMethodKey, StanceParts, StanceTarget, StanceUse } from './stance/targets.ts'
import { threadFinding } from './stance/search.ts'
import { toeFinding } from './cleat/toeClearance.ts'
import { judgeFootbed, judgeWedge, wedgePlaces } from './support/judge.ts'
import type { SupportJudgement } from './support/judge.ts'

/** A rider's other bike as its last visit left it. */
export interface OtherBike {
  readonly name: string
  readonly left: number
  readonly right: number
}

/** Stance as it stands, and where it should go. */
export interface StanceStanding {
  readonly now: Sided<number>
  readonly parts: Sided<StanceParts>
  readonly targets: readonly StanceTarget[]
  readonly target: StanceTarget
  /** wanted less now, each side, mm: + the foot should go out; 0 inside the band */
  readonly gap: Sided<number>
  /** how far it stands outside the band, mm, and the ± of what it is judged by: less than that is too close to call */
  readonly beyond: Sided<number>
  readonly beyondPlusMinus: Sided<number>
  /** whether a side is off by more than that: worth changing parts for */
  readonly isOff: boolean
  /** what counts as met; where nothing binds, where it stands */
  readonly band: Sided<{ readonly low: number; readonly high: number }>
  readonly cleatRoom: Sided<{ readonly low: number; readonly high: number }>
  readonly thread: Sided<number | null>
  /** what is wrong with the parts as they are */
  readonly faults: readonly Finding[]
  /** parts taken as usual because they were not read */
  readonly estimated: readonly NumberKey[]
}

const footAndKnee = ['forefoot', 'heel', 'knee-inner', 'knee-outer', 'shin', 'achilles'] as const
/** A ride from here on is long, h. @source prior */
const LONG_RIDE = 4

/** What the bike's kind asks of pedals. */
function pedalUse(kind: BikeKind, hours: number | null): PedalRider['use'] {
  const { use } = bikeKindOf(kind)
  if (use === 'mountain' || use === 'town') return use
  return (hours ?? 0) >= LONG_RIDE ? 'long' : 'road'
}

/** Wide bottom brackets of mountain and cargo bikes; the others as on the road. */
function stanceUse(kind: BikeKind): StanceUse {
  return bikeKindOf(kind).wide ? 'mountain' : 'road'
}

/** What the station is judged from. */
export interface FeetContext extends VisitContext {
  readonly choices: FeetChoices
  readonly otherBikes: readonly OtherBike[]
}

/** Everything the feet's pages say; each part is worked out when it is first asked for. */
export interface FeetParts {
  readonly context: FeetContext
  readonly school: CleatSchoolKey
  readonly feet: Sided<CleatReadings>
  readonly shoe: readonly Finding[]
  /** foot and shoe are both read in length and width */
  readonly shoeRead: boolean
  readonly cleat: Sided<CleatJudgement>
  readonly rotation: Sided<RotationJudgement>
  readonly clearance: readonly Finding[]
  readonly clearanceMissing: Sided<readonly NumberKey[]>
  readonly stance: StanceStanding | null
  readonly wedge: Sided<SupportJudgement>
  readonly heelWedge: Sided<SupportJudgement>
  readonly footbed: Sided<SupportJudgement>
  readonly wear: readonly Finding[]
  readonly bolts: readonly Finding[]
  readonly look: Sided<CleatLook>
  readonly pedalRider: PedalRider
  /** knee at the bottom; null = not known */
  readonly knee: Sided<KneeNow | null>
  /** the pelvis is twisted or drops: the seat comes before the cleat */
  readonly twisted: boolean
}

/** The parts of the station for a context. */
export function feetParts(context: FeetContext): FeetParts {
  const { setup, complaints, kind, choices, otherBikes, metrics } = context
  const { now } = setup
  const pelvis = chosen(now, 'pelvisLevel')
  const support = (side: Side) => ({ ...supportReadings(now, side), complaint: hurts(complaints, footAndKnee, side) })
  return lazily<FeetParts>({
    context: () => context,
    school: () => choices.cleatSchool ?? defaultCleatSchool,
    feet: () => bySide((side) => cleatReadings(now, side)),
    shoe: (parts) => {
      const { left, right } = shoesOf(parts)
      return shoeFindings(left, right)
    },
    shoeRead: (parts) => {
      const shoes = shoesOf(parts)
      return sides.every((side) => {
        const { footLength, footWidth, shoeLength, shoeBallWidth } = shoes[side]
        return [footLength, footWidth, shoeLength, shoeBallWidth].every((read) => read !== null)
      })
    },
    cleat: (parts) => bySide((side) => judgeCleat(side, parts.school, parts.feet[side])),
    rotation: (parts) => bySide((side) => judgeRotation(side, rotationReadings(now, side), parts.twisted)),
    clearance: () =>
      sides.flatMap((side) => {
        const input = clearanceInput(now, side)
        return 'missing' in input ? [] : [clearanceFinding(side, input)]
      }),
    clearanceMissing: () =>
      bySide((side) => {
        const input = clearanceInput(now, side)
        return 'missing' in input ? input.missing : []
      }),
    stance: () => stanceStanding(now, { kind, stanceBy: choices.stanceBy ?? null, otherBikes }),
    wedge: () => bySide((side) => judgeWedge(side, 'wedge', support(side))),
    heelWedge: () => bySide((side) => judgeWedge(side, 'heelWedge', support(side))),
    footbed: () => bySide((side) => judgeFootbed(side, support(side))),
    wear: (parts) => wearFindings(wearInput(now), parts.look),
    bolts: () => boltFindings(boltReadings(now)),
    look: () => bySide((side) => cleatLook(now, side)),
    pedalRider: (parts) => pedalRider(now, complaints, kind, parts.stance, context.riding),
    knee: () => kneesNow(setup, metrics, context.plusMinus),
    twisted: () => pelvis !== null && pelvis !== 'level',
  })
}

/** Shoes with where their slots end and what the school asks of them. */
function shoesOf(parts: FeetParts) {
  const { now } = parts.context.setup
  return bySide((side) => {
    const judged = parts.cleat[side]
    const { setbackNow } = parts.feet[side]
    const slot = slotRange(parts.feet[side])
    const slotEnd = setbackNow && slot && { ...setbackNow, value: slot.rearmost }
    return { ...shoeReadings(now, side), slotEnd, setbackTarget: judged.state === 'missing' ? null : judged.result.target }
  })
}

/** Half stances against the chosen target; null while nothing is known of the bike's parts. */
function stanceStanding(
  now: ResolvedReadings,
  { kind, stanceBy, otherBikes }: { kind: BikeKind; stanceBy: StanceMethodKey | null; otherBikes: readonly OtherBike[] },
): StanceStanding | null {
  const parts = stanceParts(now)
  if (parts === null) return null
  const targets = stanceTargets({
    now: parts,
    kneeOutside: bySide((side) => measuredValue(now, 'kneeOutside', side)),
    otherStance: measuredValue(now, 'otherStance'),
    otherBikes,
    use: stanceUse(kind),
    stature: now.stature.left?.value ?? null,
    hipBreadth: measuredValue(now, 'hipBreadth'),
    mass: measuredValue(now, 'mass'),
    bowLegged: chosen(now, 'kneeAlignment') === 'bow-legged',
  })
  const target = chosenTarget(targets, stanceBy)
  const here = halves(parts)
  // The usual stance alone is something to compare with; it is no reason to change parts unless the fitter says so.
  const binds = target.key !== 'use' || stanceBy === 'use'
  const gap = bySide((side) => {
    const half = target.half?.[side]
    if (!half || !binds || (here[side] >= half.low && here[side] <= half.high)) return 0
    return half.target - here[side]
  })
  const thread = bySide((side) => measuredValue(now, 'axleThread', side))
  const faults = sides.flatMap((side) => threadFinding(side, parts[side], thread[side]) ?? [])
  const band = bySide((side) => (binds && target.half?.[side]) || { low: here[side], high: here[side] })
  const beyond = bySide((side) => Math.max(0, band[side].low - here[side], here[side] - band[side].high))
  // Knee over foot goes by what the eye saw of the knee; all other targets by the tape on the parts.
  const beyondPlusMinus = bySide((side) =>
    target.key === 'knee-over-foot' ? (measured(now, 'kneeOutside', side)?.plusMinus ?? 0) : stancePlusMinus(now),
  )
  return {
    now: here,
    parts,
    targets,
    target,
    gap,
    beyond,
    beyondPlusMinus,
    isOff: sides.some((side) => beyond[side] > beyondPlusMinus[side]),
    band,
    cleatRoom: cleatRoom(now),
    thread,
    faults,
    estimated: stanceEstimated(now),
  }
}

/** What pedals are chosen from. */
function pedalRider(
  now: ResolvedReadings,
  complaints: readonly Complaint[],
  kind: BikeKind,
  stance: StanceStanding | null,
  riding: Riding = {},
): PedalRider {
  const hours = measuredValue(now, 'rideHours')
  const swings = sides.flatMap((side) => {
    const inward = measured(now, 'heelIn', side)
    const outward = measured(now, 'heelOut', side)
    return inward && outward ? [inward.value + outward.value] : []
  })
  const says = (test: (c: Complaint) => boolean) => complaints.some(test)
  return {
    mass: measuredValue(now, 'mass'),
    soleStiffness: chosen(now, 'soleStiffness'),
    forefoot: hurts(complaints, ['forefoot'], 'both'),
    knee: hurts(complaints, ['knee-inner', 'knee-outer'], 'both'),
    entry:
      riding.clipIn === 'never' ||
      riding.clipIn === 'uneasy' ||
      says((c) => c.control === 'clipping' || c.situation === 'getting-in-out') ||
      sides.some((side) => chosen(now, 'releaseFeel', side) === 'hard'),
    loose: says((c) => c.control === 'leg-disconnected' || (c.kind === 'slips' && isAt(c, ['forefoot', 'heel']))),
    bowLegged: chosen(now, 'kneeAlignment') === 'bow-legged',
    use: pedalUse(kind, hours),
    widen: stance?.isOff ? Math.max(0, stance.gap.left, stance.gap.right) : 0,
    swing: swings.length === 0 ? null : Math.max(...swings),
    bolts: chosen(now, 'boltPattern'),
    kindNow: chosen(now, 'pedalKind'),
    axleNow: measuredValue(now, 'axleLength'),
    hours,
  }
}

const sideLabel = (side: Side) => (side === 'left' ? 'Left' : 'Right')

/** Fore–aft: both cleats against the school, and the move to where the slot lets them go. */
function judgeForeAft(parts: FeetParts): Partial<PageJudgement> {
  const { setup, start } = parts.context
  const school = cleatSchool(parts.school)
  const said = sides.flatMap((side) => {
    const judged = parts.cleat[side]
    return judged.state === 'missing' ? [] : [{ side, judged }]
  })
  const moves = said.flatMap(({ side, judged }): RequestedMove[] => {
    const by = judged.result.attainable - judged.now.value
    return judged.exceeds && Math.abs(by) > 1e-9 ? [{ setting: 'cleatSetback', side, by }] : []
  })
  const { resolution } = settings.cleatSetback
  const cap = capOf('cleatSetback', parts.context.pace)
  return {
    findings: sides.flatMap((side) => {
      const input = toeInput(setup.now, side, moves.find((move) => move.side === side) ? attainableOf(parts.cleat[side]) : undefined)
      const finding = input && toeFinding(side, input)
      return finding && finding.weight !== 'fine' ? [finding] : []
    }),
    targets: said.map(({ side, judged }): Target => {
      const { now, band, result, schools, state } = judged
      const before = start.now.cleatSetback[side]?.value ?? null
      return {
        key: `cleat-${side}`,
        label: `Behind ball, ${side}`,
        now,
        band,
        aim: null,
        remark: Math.abs(result.left) > SHORT_WORDS ? `slot ends ${trimmed(Math.abs(result.left), 1)} mm short` : state,
        ticks: schools.flatMap((row) => (row.target === null ? [] : [{ at: row.target, label: cleatSchool(row.school).tick }])),
        start: before === now.value ? null : before,
        moves: { setting: 'cleatSetback', side },
      }
    }),
    proposals:
      moves.length === 0
        ? []
        : [{ key: 'as-judged', words: 'As judged', requested: moves, reason: `${school.label}: ${school.reason}`, standing: true }],
    working: said.flatMap(({ side, judged }): WorkingRun[] => [
      {
        heading: `${sideLabel(side)} foot: target`,
        calculation: anyCalculation(cleatTargetCalculation),
        input: judged.input,
        plusMinus: judged.plusMinus,
      },
      {
        heading: `${sideLabel(side)} foot: steps`,
        calculation: anyCalculation(stepPlanCalculation),
        input: { move: judged.result.attainable - judged.now.value, cap, resolution },
        plusMinus: {},
      },
    ]),
  }
}

/** A slot that ends this much short is worth a word, mm. @source prior */
const SHORT_WORDS = 0.05
const attainableOf = (judged: CleatJudgement) => (judged.state === 'missing' ? undefined : judged.result.attainable)

const floatRemarks = { level: 'float around it', near: 'near the end', outside: 'stopped' } as const

/** Rotation and float: the foot's own direction in the middle of the float, the heel past crank and stay. */
function judgeTurn(parts: FeetParts): Partial<PageJudgement> {
  const { now } = parts.context.setup
  const judged = sides.flatMap((side) => {
    const judgement = parts.rotation[side]
    return judgement.state === 'missing' ? [] : [{ side, judgement }]
  })
  const turns = judged.filter(({ judgement }) => judgement.turn !== 0).map(({ side, judgement }) => ({ side, by: judgement.turn }))
  const words = turns.map(({ side, by }) => `${side} ${trimmed(Math.abs(by), 1)}° ${by > 0 ? 'toe-out' : 'toe-in'}`).join(', ')
  return {
    findings: parts.clearance,
    targets: judged.flatMap(({ side, judgement }): Target[] => {
      const { toeOut } = rotationReadings(now, side)
      const { band, attainable, difference } = judgement.rotation
      if (toeOut === null) return []
      return [
        {
          key: `rotation-${side}`,
          label: `Foot points, ${side}`,
          now: toeOut,
          band,
          aim: Math.abs(difference) < SHORT_WORDS ? null : attainable,
          remark: floatRemarks[judgement.state],
        },
      ]
    }),
    proposals:
      turns.length === 0
        ? []
        : [
            {
              key: 'turn',
              words: `Turn ${words}`,
              requested: turns.map(({ side, by }) => ({ setting: 'cleatTurn' as const, side, by })),
              reason: 'The foot’s own direction in the middle of the float.',
            },
          ],
    working: sides.flatMap((side): WorkingRun[] => {
      const read = rotationReadings(now, side)
      const input = rotationInput(read)
      const clearance = clearanceInput(now, side)
      const { toeOut, cleatTurn, float } = read
      return [
        ...(input && toeOut && cleatTurn && float
          ? [
              {
                heading: `${sideLabel(side)} foot: rotation`,
                calculation: anyCalculation(cleatRotationCalculation),
                input,
                plusMinus: { toeOut: toeOut.plusMinus, cleatTurn: cleatTurn.plusMinus, float: float.plusMinus },
              },
            ]
          : []),
        ...('missing' in clearance
          ? []
          : [
              {
                heading: `${sideLabel(side)} heel: clearance`,
                calculation: anyCalculation(heelClearanceCalculation),
                input: clearance,
                plusMinus: {},
              },
            ]),
      ]
    }),
  }
}

/** Stance: each foot from the middle against the chosen target. The ways to it need the parts at hand and are the page's own. */
function judgeStance({ stance, context }: FeetParts): Partial<PageJudgement> {
  if (stance === null) return {}
  const plusMinus = stancePlusMinus(context.setup.now)
  return {
    findings: stance.faults,
    targets: sides.flatMap((side): Target[] => {
      const band = stance.target.half?.[side]
      const gap = stance.gap[side]
      const doubt = stance.beyondPlusMinus[side]
      const clear = stance.beyond[side] > doubt
      if (!band) return []
      return [
        {
          key: `stance-${side}`,
          label: `Foot from the middle, ${side}`,
          now: quantity(stance.now[side], Math.max(plusMinus, doubt), 'mm', 'computed'),
          band,
          aim: clear ? stance.now[side] + gap : null,
          remark:
            gap === 0
              ? 'inside the band'
              : clear
                ? `should go ${trimmed(Math.abs(gap), 1)} mm ${gap > 0 ? 'outward' : 'inward'}`
                : `${trimmed(stance.beyond[side], 1)} mm outside, within ±${trimmed(doubt, 0)} mm`,
        },
      ]
    }),
  }
}

/** What a support puts under a foot, in words. */
function supportWords({ key, side, by }: SupportJudgement): string {
  if (key === 'footbed') return `${side} ${trimmed(by, 0)} mm`
  const { more, less } = wedgePlaces[key].sides
  return `${side} ${trimmed(Math.abs(by), 1)}° ${by > 0 ? more : less} side`
}

/** Wedges and footbeds to try, each kind at once for both feet. */
function judgeSupport({ wedge, heelWedge, footbed }: FeetParts): Partial<PageJudgement> {
  const offer = (key: string, name: string, setting: 'wedge' | 'heelWedge' | 'archSupport', rows: Sided<SupportJudgement>): Proposal[] => {
    const tries = sides.map((side) => rows[side]).filter(({ by }) => by !== 0)
    if (tries.length === 0) return []
    const requested = tries.map(({ side, by }) => ({ setting, side, by }))
    return [{ key, words: `${name}: ${tries.map(supportWords).join(', ')}`, requested, reason: tries[0]?.headline ?? '' }]
  }
  return {
    proposals: [
      ...offer('wedge', 'Wedge', 'wedge', wedge),
      ...offer('heelWedge', 'Heel wedge', 'heelWedge', heelWedge),
      ...offer('footbed', 'Support', 'archSupport', footbed),
    ],
  }
}

/** What is read on each page. */
const reads = {
  shoe: ['footLength', 'shoeLength', 'footWidth', 'shoeBallWidth', 'heelWidth', 'shoeHeelWidth', 'soleStiffness', 'shoeUpper', 'shoeSize', 'boltPattern', 'recess', 'soleThickness', 'archDrop'],
  pedal: ['pedalKind', 'mass', 'soleStiffness', 'rideHours', 'cadence', 'heelIn', 'heelOut', 'axleLength', 'soleStack', 'soleThickness', 'boltPattern', 'recess', 'kneeAlignment'],
  cleat: ['footLength', 'shoeSize', 'heelToMtp1', 'heelToMtp5', 'cleatSetback', 'slotForward', 'slotBack'],
  rotation: ['toeOutHanging', 'toeOutStanding', 'cleatTurn', 'cleatTurnRoom', 'cleatFloat', 'heelIn', 'heelOut', 'shoeHeelOutside', 'stayWidth', 'pelvisLevel'],
  stance: ['tread', 'axleLength', 'washer', 'adapter', 'cleatInboard', 'slotAcross', 'axleThread', 'kneeOutside', 'hipBreadth', 'kneeAlignment', 'otherStance', 'rideHours', 'cadence'],
  support: ['forefootTilt', 'wedge', 'heelTilt', 'heelWedge', 'heelCup', 'archDrop', 'archSupport', 'shoeUpper'],
  wear: ['cleatDistance', 'cleatHours', 'cleatWalking', 'cleatWear', 'cleatPlay', 'releaseFeel', 'boltPattern', 'boltsFitted', 'boltLength', 'cleatPlate', 'boltDepth', 'boltTorque'],
} as const satisfies Readonly<Record<string, readonly ReadingKey[]>> // prettier-ignore

/** The feet, in the order of the work: the shoe before the pedal, the pedal before the cleat. */
export const feetStation = defineStation({
  key: 'feet',
  label: 'Feet',
  choices: feetChoicesSchema,
  parts: feetParts,
  pages: {
    shoe: {
      label: 'Shoe',
      tells: 'Whether the shoe fits the loaded foot in length and width, and holds the heel: no cleat mends a shoe that does not.',
      picture: 'shoe',
      readings: reads.shoe,
      fields: [],
      judge: ({ shoe }) => ({ findings: shoe }),
    },
    pedal: {
      label: 'Pedal',
      tells: 'Which kind of pedal suits these feet and rides, best first, and what a switch would disturb.',
      picture: 'stance',
      readings: reads.pedal,
      fields: [],
      judge: () => ({}),
    },
    cleat: {
      label: 'Fore–aft',
      tells: 'Where the axle lies under the foot, where your school wants it, and how far the slot lets it go.',
      picture: 'fore-aft',
      readings: reads.cleat,
      fields: bothSides('cleatSetback'),
      judge: judgeForeAft,
    },
    rotation: {
      label: 'Rotation',
      tells: 'Whether the heel may go where this leg wants it, and by how much to turn the cleat.',
      picture: 'rotation',
      readings: reads.rotation,
      fields: [...bothSides('cleatTurn'), ...bothSides('cleatFloat')],
      judge: judgeTurn,
    },
    stance: {
      label: 'Stance',
      tells: 'How wide the feet stand, how wide they should, and the cheapest parts that bring them there.',
      picture: 'stance',
      readings: reads.stance,
      fields: [...bothSides('cleatInboard'), ...bothSides('washer')],
      judge: judgeStance,
    },
    support: {
      label: 'Wedge, footbed',
      tells: 'Whether the foot needs a wedge or support under the arch, how much of it first, and when to stop.',
      picture: 'fore-aft',
      readings: reads.support,
      fields: [...bothSides('wedge'), ...bothSides('heelWedge'), ...bothSides('archSupport')],
      judge: judgeSupport,
    },
    wear: {
      label: 'Wear, bolts',
      tells: 'When the cleats are due, and whether the bolts bite without reaching the foot.',
      picture: 'fore-aft',
      readings: reads.wear,
      fields: [],
      judge: ({ wear, bolts }) => ({ findings: [...wear, ...bolts] }),
    },
  },
  metrics: {
    cleatShortLeft: ({ cleat }) => shortOf(cleat.left),
    cleatShortRight: ({ cleat }) => shortOf(cleat.right),
    turnLeft: ({ rotation }) => turnOf(rotation.left),
    turnRight: ({ rotation }) => turnOf(rotation.right),
    stanceGapLeft: (parts) => gapOf(parts, 'left'),
    stanceGapRight: (parts) => gapOf(parts, 'right'),
  },
  summary: ({ cleat }) => {
    const states = sides.map((side) => cleat[side].state)
    if (states.includes('missing')) return { words: 'readings needed', mark: 'wanting' }
    if (states.every((state) => state === 'level')) return { words: 'in range', mark: 'level' }
    const toTry = sides.some((side) => {
      const judged = cleat[side]
      return (
        judged.state !== 'missing' &&
        judged.exceeds &&
        Math.abs(judged.result.attainable - judged.now.value) >= settings.cleatSetback.resolution
      )
    })
    return toTry ? { words: '1 to try', mark: 'open' } : { words: 'nothing to change', mark: 'level' }
  },
})

/** How far the axle lies ahead of where the school asks for it. */
function shortOf(judged: CleatJudgement): Quantity | null {
  return judged.state === 'missing' ? null : quantity(judged.result.difference, judged.differencePlusMinus, 'mm', 'computed')
}
/** How far the cleat is turned off the middle of the heel's swing. */
function turnOf(judged: RotationJudgement): Quantity | null {
  return judged.state === 'missing' ? null : quantity(judged.rotation.difference, judged.turnPlusMinus, 'deg', 'computed')
}
function gapOf({ stance }: FeetParts, side: Side): Quantity | null {
  return stance && quantity(stance.gap[side], stance.beyondPlusMinus[side], 'mm', 'computed')
}
