import { trimmed } from '../quantity/entry.ts'
import { sides } from '../quantity/sided.ts'
import type { Side } from '../quantity/sided.ts'
import { against, byKnee, byLine, causesOf, open, speaksFor } from './cause.ts'
import type { CauseRow, ComplaintCauses, ComplaintRow } from './cause.ts'
import type { Complaint } from '../talk/complaint.ts'
import type { FeetParts, StanceStanding } from '../feet/station.ts'

/** Where a cause is dealt with. */
export type FootPage = 'shoe' | 'pedal' | 'cleat' | 'rotation' | 'stance' | 'support' | 'wear' | 'seat'

/** Less than this is nothing to move a cleat for, mm. @source prior */
const WORTH_A_MOVE = 1
/** Cleats that stand this much apart against their targets are a cause of their own, mm. @source prior */
const FEET_APART = 3

type Row = CauseRow<FeetParts, FootPage>

const shoeFaults = ['narrow', 'too-short', 'long-for-width', 'too-long']
const ofSide = <T extends { readonly side: Side | 'both' }>(list: readonly T[], side: Side) =>
  list.filter((f) => f.side === side || f.side === 'both')

/** The causes that lie at the feet, each with what the readings say of it. @source common-practice */
export const footCauses = {
  'shoe-fit': {
    label: 'Shoe narrow, short or tied hard',
    page: 'shoe',
    says: ({ shoe, shoeRead }, side) => {
      const fault = ofSide(shoe, side).find((finding) => shoeFaults.includes(finding.key))
      if (fault) return speaksFor(fault.headline)
      return shoeRead
        ? against('The shoe follows the foot.')
        : open('Foot against shoe is not read.', 'footLength', 'footWidth', 'shoeLength', 'shoeBallWidth')
    },
  },
  'cleat-forward': {
    label: 'Cleat too far forward',
    page: 'cleat',
    says: ({ cleat }, side) => {
      const judged = cleat[side]
      if (judged.state === 'missing') return open(judged.sentence, ...judged.missing)
      if (judged.result.difference <= 0 && judged.result.target - judged.now.value < WORTH_A_MOVE)
        return against('The axle lies where the school asks, or further back.')
      if (judged.exceeds) return speaksFor(judged.headline)
      return judged.result.left > Math.max(WORTH_A_MOVE, judged.differencePlusMinus)
        ? speaksFor(`${judged.headline} The slot gives no more.`)
        : against('Within what the ruler can tell.')
    },
  },
  'small-patch': {
    label: 'Small patch on a soft sole',
    page: 'pedal',
    says: ({ pedalRider: { kindNow, soleStiffness } }) => {
      if (kindNow === null) return open('Which kind of pedal?', 'pedalKind')
      if (kindNow !== 'recessed') return against('This kind of pedal has a broad patch.')
      if (soleStiffness === null) return open('A small patch; the sole is not judged.', 'soleStiffness')
      if (soleStiffness === 'soft') return speaksFor('A small body presses through a sole that folds.')
      return soleStiffness === 'medium' ? speaksFor('A small body under a sole that gives: part of it.') : against('The sole is stiff.')
    },
  },
  'no-arch-support': {
    label: 'No arch support',
    page: 'support',
    says: ({ footbed }, side) => {
      const { state, headline } = footbed[side]
      return state === 'missing' ? open(headline, 'archDrop') : state === 'try' ? speaksFor(headline) : against(headline)
    },
  },
  rotation: {
    label: 'Rotation off',
    page: 'rotation',
    says: ({ rotation, twisted }, side) => {
      const judged = rotation[side]
      if (judged.state === 'missing')
        return open('Foot’s direction, cleat’s turn and float are not all read.', ...judged.missing.map((key) => rotationKeys[key]))
      if (twisted && judged.state !== 'level') return open('The pelvis is not level: the seat first, then look again.', 'pelvisLevel')
      if (judged.turn === 0) return against(judged.headline)
      const words = `${judged.headline} ${trimmed(Math.abs(judged.turn), 1)}° to turn`
      return judged.exceeds
        ? speaksFor(`${words}.`)
        : open(`${words}, within ±${trimmed(judged.turnPlusMinus, 1)}°: read again.`, 'toeOutHanging')
    },
  },
  float: {
    label: 'Float too small or sloppy',
    page: 'rotation',
    says: ({ rotation, look }, side) => {
      const judged = rotation[side]
      if (look[side].play === 'much') return speaksFor('The foot toggles in the pedal.')
      if (judged.state === 'missing') return open('Float is not read.', 'cleatFloat', 'heelIn', 'heelOut')
      if (!judged.swingRead) return open('The heel’s swing is not read.', 'heelIn', 'heelOut')
      const { floatEnough, floatNeeded } = judged.rotation
      return floatEnough
        ? against('The float is as wide as the swing with room.')
        : speaksFor(`The swing with room asks for ${trimmed(floatNeeded, 1)}°.`)
    },
  },
  stance: {
    label: 'Stance wrong for these hips',
    page: 'stance',
    says: ({ stance }, side) => {
      if (stance === null) return open('Parts of the stance are not read.', 'tread', 'axleLength')
      if (stance.target.key === 'use') return open('Only the usual stance to compare with.', 'kneeOutside')
      const gap = stance.gap[side]
      if (Math.abs(gap) <= WORTH_A_MOVE) return against(`${stance.target.label}: level.`)
      const words = `${stance.target.label}: the foot should go ${trimmed(Math.abs(gap), 0)} mm ${gap > 0 ? 'out' : 'in'}.`
      return byLine(stance.beyond[side], 0, 'above', stance.beyondPlusMinus[side], { beyond: words, short: words }, ...stanceKeys(stance))
    },
  },
  'worn-cleat': {
    label: 'Worn cleat',
    page: 'wear',
    says: ({ look, wear }, side) => {
      const found = ofSide(wear, side).find((f) => ['worn', 'play'].includes(f.key) && f.weight === 'first')
      if (found) return speaksFor(found.headline)
      const used = wear.find((f) => f.key === 'use' && f.weight === 'act')
      if (used && look[side].wear !== 'fresh') return speaksFor(used.headline)
      return look[side].wear === null
        ? open('Nobody has looked at the wear mark.', 'cleatWear', 'cleatPlay')
        : against('The mark is not reached.')
    },
  },
  'foot-tilt': {
    label: 'Foot tilt',
    page: 'support',
    says: ({ wedge, heelWedge }, side) => {
      const [fore, heel] = [wedge[side], heelWedge[side]]
      const toTry = [fore, heel].find(({ state }) => state === 'try')
      if (toTry) return speaksFor(toTry.headline)
      return fore.state === 'missing' ? open(fore.headline, 'forefootTilt') : against(fore.headline)
    },
  },
  'soft-shoe': {
    label: 'Soft upper or sole',
    page: 'shoe',
    says: ({ shoe, pedalRider: { soleStiffness } }) => {
      const found = shoe.find((f) => ['soft-sole', 'soft-upper', 'loose-heel'].includes(f.key))
      return found
        ? speaksFor(found.headline)
        : soleStiffness === null
          ? open('Sole and upper are not judged.', 'soleStiffness', 'shoeUpper')
          : against('Sole and upper hold the foot.')
    },
  },
  'saddle-high': {
    label: 'Saddle high',
    page: 'seat',
    says: ({ knee }, side) => byKnee(knee[side], 'high'),
  },
  'saddle-low': {
    label: 'Saddle low or far forward',
    page: 'seat',
    says: ({ knee }, side) => byKnee(knee[side], 'low'),
  },
  'stance-narrow': {
    label: 'Stance narrow',
    page: 'stance',
    says: ({ stance }) =>
      stance === null
        ? open('Parts of the stance are not read.', 'tread', 'axleLength')
        : Math.max(stance.gap.left, stance.gap.right) <= WORTH_A_MOVE
          ? against(`${stance.target.label}: level.`)
          : sides.some((side) => stance.gap[side] > 0 && stance.beyond[side] > stance.beyondPlusMinus[side])
            ? speaksFor(`${stance.target.label} asks for more.`)
            : open(`${stance.target.label} asks for more, by less than it can be read.`, ...stanceKeys(stance)),
  },
  'stiff-sole': {
    label: 'Sole too stiff to feel',
    page: 'shoe',
    says: ({ pedalRider: { soleStiffness } }) =>
      soleStiffness === null
        ? open('Sole is not judged.', 'soleStiffness')
        : soleStiffness === 'stiff'
          ? speaksFor('The sole is stiff.')
          : against('The sole gives.'),
  },
  tension: {
    label: 'Tension',
    page: 'wear',
    says: ({ look }, side) =>
      look[side].release === null
        ? open('Release is not tried.', 'releaseFeel')
        : look[side].release === 'hard'
          ? speaksFor('The foot comes out hard.')
          : against('Tension lets go.'),
  },
  system: {
    label: 'Pedal system',
    page: 'pedal',
    says: ({ pedalRider: { kindNow, use } }) =>
      kindNow === null
        ? open('Which kind of pedal?', 'pedalKind')
        : (kindNow === 'plate-coil' || kindNow === 'plate-leaf') && (use === 'town' || use === 'mountain')
          ? speaksFor('One-sided entry where the foot comes down often.')
          : against('Its entry suits the use.'),
  },
  'loose-cleat': {
    label: 'Worn or loose cleat',
    page: 'wear',
    says: ({ bolts, look, wear }, side) => {
      const found = [
        ...ofSide(bolts, side).filter((f) => f.key === 'missing-bolt'),
        ...ofSide(wear, side).filter((f) => ['worn', 'play', 'vague-release'].includes(f.key) && f.weight !== 'note'),
      ][0]
      return found
        ? speaksFor(found.headline)
        : look[side].wear === null
          ? open('Nobody has looked at the cleat.', 'cleatWear', 'boltsFitted')
          : against('Cleat and bolts are sound.')
    },
  },
  'cleat-difference': {
    label: 'Left and right cleat differ',
    page: 'cleat',
    says: ({ cleat: { left, right } }) => {
      if (left.state === 'missing' || right.state === 'missing') return open('Both cleats are not read.', 'cleatSetback')
      const apart = Math.abs(left.now.value - left.result.target - (right.now.value - right.result.target))
      const doubt = Math.hypot(left.differencePlusMinus, right.differencePlusMinus)
      const words = { beyond: `They stand ${trimmed(apart, 1)} mm apart against their targets.`, short: 'They stand alike.' }
      // Alike is alike, however coarsely it was read.
      return apart <= FEET_APART ? against(words.short) : byLine(apart, FEET_APART, 'above', doubt, words, 'cleatSetback')
    },
  },
} as const satisfies Readonly<Record<string, Row>>
export type FootCauseKey = keyof typeof footCauses

/** What would settle a stance that is too close to call. */
const stanceKeys = ({ target }: StanceStanding) =>
  target.key === 'knee-over-foot' ? (['kneeOutside'] as const) : (['tread', 'axleLength', 'cleatInboard'] as const)
const rotationKeys = { toeOut: 'toeOutHanging', cleatTurn: 'cleatTurn', float: 'cleatFloat' } as const

const hurt = (c: Complaint) => c.kind === 'pain' || c.kind === 'numb'
const at =
  (...regions: Complaint['region'][]) =>
  (c: Complaint) =>
    hurt(c) && regions.includes(c.region)

/** Complaints tied to the feet, with their causes, most usual first. @source common-practice */
const rows: readonly ComplaintRow<FootCauseKey>[] = [
  { when: (c) => c.situation === 'getting-in-out', causes: ['tension', 'system', 'loose-cleat'] },
  { when: at('knee-inner', 'knee-outer'), causes: ['rotation', 'float', 'stance', 'worn-cleat', 'foot-tilt'] },
  { when: at('forefoot'), causes: ['shoe-fit', 'cleat-forward', 'small-patch', 'no-arch-support'] },
  { when: at('calf', 'achilles'), causes: ['cleat-forward', 'saddle-high'] },
  { when: at('knee-front'), causes: ['saddle-low', 'cleat-forward'] },
  { when: at('knee-back', 'hamstring'), causes: ['saddle-high'] },
  { when: at('heel'), causes: ['soft-shoe', 'no-arch-support'] },
  { when: at('sit-bone'), causes: ['cleat-difference'] },
  {
    when: (c) => c.kind === 'slips' && ['forefoot', 'heel'].includes(c.region),
    causes: ['soft-shoe', 'no-arch-support', 'foot-tilt', 'worn-cleat'],
  },
  { when: (c) => c.kind === 'control' && c.situation === 'standing', causes: ['stance-narrow', 'small-patch', 'stiff-sole'] },
]

/** Complaints that can lie at the feet, each with its causes and what the readings say of them. */
export function footComplaints(complaints: readonly Complaint[], station: FeetParts): ComplaintCauses<FootPage>[] {
  return causesOf(complaints, rows, footCauses, (row, side) => row.says(station, side), sides)
}
