import { wearPage } from './wear/page.ts'
import { pedalRider } from './pedal/rider.ts'
import { stanceStanding } from './stance/judge.ts'
import type { OtherBike, StanceStanding } from './stance/judge.ts'
import type { SupportReadings, SupportJudgement } from './support/judge.ts'
import { supportNumbers, supportPage } from './support/page.ts'
import { stanceNumbers, stancePage } from './stance/page.ts'
import { rotationNumbers, rotationPage } from './rotation/page.ts'
import { cleatNumbers, cleatPage } from './cleat/page.ts'
import { pedalNumbers, pedalPage } from './pedal/page.ts'
import { shoeNumbers, shoePage } from './shoe/page.ts'
import type { VisitContext } from '../../station/context.ts'
import { kneesNow } from '../../rider/kneeAtBottom.ts'
import type { KneeNow } from '../../rider/kneeAtBottom.ts'
import type { NumberKey } from '../../readings/readingDefinitions.ts'
import { chosen } from '../../readings/resolve.ts'
import type { Finding } from '../../kernel/finding.ts'
import { bySide, sides } from '../../kernel/sided.ts'
import type { Sided } from '../../kernel/sided.ts'
import { lazily } from '../../kernel/lazily.ts'
import { numbersFrom } from '../../station/number.ts'
import { defineStation } from '../../station/station.ts'
import { hurts } from '../../talk/complaint.ts'
import { boltFindings } from './wear/bolts.ts'
import { feetChoicesSchema } from './choices.ts'
import type { FeetChoices } from './choices.ts'
import { judgeCleat, slotRange } from './cleat/judge.ts'
import type { CleatJudgement, CleatReadings } from './cleat/judge.ts'
import { judgeRotation } from './rotation/judge.ts'
import type { RotationJudgement } from './rotation/judge.ts'
import { defaultCleatSchool } from './cleat/schools.ts'
import type { CleatSchoolKey } from './cleat/schools.ts'
import { wearFindings } from './wear/cleatWear.ts'
import type { CleatLook } from './wear/cleatWear.ts'
import { clearanceFinding } from './rotation/heelClearance.ts'
import { boltReadings, cleatLook, wearInput } from './wear/readings.ts'
import { supportReadings } from './support/readings.ts'
import { clearanceInput, rotationReadings } from './rotation/readings.ts'
import { shoeReadings } from './shoe/readings.ts'
import { cleatReadings } from './cleat/readings.ts'
import type { PedalRider } from './pedal/criteria.ts'
import { shoeFindings } from './shoe/judge.ts'
import type { ShoeReadings } from './shoe/judge.ts'
import { judgeFootbed, judgeWedge } from './support/judge.ts'

const footAndKnee = ['forefoot', 'heel', 'knee-inner', 'knee-outer', 'shin', 'achilles'] as const

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
  readonly shoes: Sided<ShoeReadings>
  readonly shoe: readonly Finding[]
  /** foot and shoe are both read in length and width */
  readonly shoeRead: boolean
  readonly cleat: Sided<CleatJudgement>
  readonly rotation: Sided<RotationJudgement>
  readonly clearance: readonly Finding[]
  readonly clearanceMissing: Sided<readonly NumberKey[]>
  readonly stance: StanceStanding | null
  readonly support: Sided<SupportReadings>
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
  return lazily<FeetParts>({
    context: () => context,
    school: () => choices.cleatSchool ?? defaultCleatSchool,
    feet: () => bySide((side) => cleatReadings(now, side)),
    shoes: (parts) => shoesOf(parts),
    shoe: ({ shoes }) => shoeFindings(shoes.left, shoes.right),
    shoeRead: ({ shoes }) => {
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
    support: () => bySide((side) => ({ ...supportReadings(now, side), complaint: hurts(complaints, footAndKnee, side) })),
    wedge: ({ support }) => bySide((side) => judgeWedge(side, 'wedge', support[side])),
    heelWedge: ({ support }) => bySide((side) => judgeWedge(side, 'heelWedge', support[side])),
    footbed: ({ support }) => bySide((side) => judgeFootbed(side, support[side])),
    wear: (parts) => wearFindings(wearInput(now), parts.look),
    bolts: () => boltFindings(boltReadings(now)),
    look: () => bySide((side) => cleatLook(now, side)),
    pedalRider: (parts) =>
      pedalRider(
        now,
        complaints,
        kind,
        parts.stance?.isOff ? Math.max(0, parts.stance.gap.left, parts.stance.gap.right) : 0,
        context.riding,
      ),
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

/** The feet, in the order of the work: the shoe before the pedal, the pedal before the cleat. */
export const feetStation = defineStation({
  key: 'feet',
  label: 'Feet',
  choices: feetChoicesSchema,
  parts: feetParts,
  pages: {
    shoe: shoePage,
    pedal: pedalPage,
    cleat: cleatPage,
    rotation: rotationPage,
    stance: stancePage,
    support: supportPage,
    wear: wearPage,
  },
  summary: ({ cleat }) => {
    const states = sides.map((side) => cleat[side].state)
    if (states.includes('missing')) return { words: 'readings needed', mark: 'wanting' }
    if (states.every((state) => state === 'level')) return { words: 'in range', mark: 'level' }
    const toTry = sides.some((side) => {
      const judged = cleat[side]
      return judged.state !== 'missing' && judged.isWorthMoving
    })
    return toTry ? { words: '1 to try', mark: 'open' } : { words: 'nothing to change', mark: 'level' }
  },
})
/** Every number of the feet's pages. */
export const feetNumbers = numbersFrom<FeetParts>()({
  ...shoeNumbers,
  ...pedalNumbers,
  ...cleatNumbers,
  ...rotationNumbers,
  ...stanceNumbers,
  ...supportNumbers,
})
