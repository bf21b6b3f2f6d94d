import { anyCalculation } from '../calculation.ts'
import { chosen, measured, standsAt } from '../measure/resolve.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import { trimmed } from '../quantity/entry.ts'
import type { Finding } from '../quantity/finding.ts'
import { byWeight, sideName } from '../quantity/finding.ts'
import { combined, quantity } from '../quantity/quantity.ts'
import { bySide, sides } from '../quantity/sided.ts'
import type { Side, Sided } from '../quantity/sided.ts'
import type { PageJudgement, Proposal, Target, WorkingRun } from '../station.ts'
import {
  barPieces,
  forearmNow,
  gripOver,
  halfBar,
  hasShifter,
  hookOf,
  hooksAt,
  leverAngleNow,
  shifterMove,
  shifterPlacesOf,
  thumbOf,
} from './inputs.ts'
import type { OrMissing, ThumbPlace } from './inputs.ts'
import { barRoom } from './barRoom.ts'
import type { BarRoom } from './barRoom.ts'
import type { HandsContext } from './context.ts'
import { defaultGripSchool, GRIP_FITS, gripSchools } from './grips.ts'
import type { GripSchoolKey } from './grips.ts'
import {
  barRoomCalculation,
  gripDiameterCalculation,
  leverAngleCalculation,
  leverClampCalculation,
  leverReachCalculation,
} from './hands.calculations.ts'
import { defaultLeverSchool, HOOK_FITS, leverAngleTarget, leverReachLimit, leversApart, leverSchools, LEVERS_ALIKE } from './levers.ts'
import type { LeverSchoolKey } from './levers.ts'
import { paddleStanding } from './shifters.ts'
import type { ShifterOption } from './shifters.ts'

type Doubted = { readonly value: number; readonly plusMinus: number }

/** The levers of one side. */
export interface LeverSide {
  readonly angle: Doubted | null
  readonly forearm: (Doubted & { readonly isRead: boolean }) | null
  readonly target: ReturnType<typeof leverAngleTarget> | null
  readonly hook: ReturnType<typeof hookOf>
  readonly reach: Doubted | null
  readonly hooks: ReturnType<typeof hooksAt>
  readonly limit: number
}
export interface LeverStanding {
  readonly school: LeverSchoolKey
  readonly sides: Sided<LeverSide>
  readonly missing: readonly ReadingKey[]
  readonly findings: readonly Finding[]
}
type Add = (
  key: string,
  side: Side | 'both',
  weight: Finding['weight'],
  headline: string,
  sentence: string,
  source?: Finding['source'],
) => void
const into = (found: Finding[]): Add => (key, side, weight, headline, sentence, source = 'common-practice') => void found.push({ key, side, weight, headline, sentence, source }) // prettier-ignore

/** A lever this near what the finger hooks will do, mm. @source prior */
export const REACH_FITS = 4

export function leverStanding({ setup, choices, riding }: HandsContext): LeverStanding {
  const flat = setup.rider.bar === 'flat'
  const school = choices.leverSchool ?? defaultLeverSchool
  const forearm = forearmNow(setup)
  const each = bySide((side): LeverSide => {
    const angle = flat ? leverAngleNow(setup, side) : null
    return {
      angle,
      forearm: forearm[side],
      target: forearm[side] && leverAngleTarget(forearm[side].value, school),
      hook: flat ? hookOf(setup, side) : { found: null, missing: [] },
      reach: standsAt(setup.now, 'leverReach', side),
      hooks: hooksAt(setup, side),
      limit: leverReachLimit(measured(setup.now, 'handLength', side)?.value ?? null),
    }
  })
  const findings: Finding[] = []
  const add = into(findings)
  if (flat) angleFindings(each, school, add)
  for (const side of sides) {
    hookFindings(side, each[side], add)
    reachFindings(side, each[side], add)
  }
  const front = chosen(setup.now, 'frontBrakeLever') ?? riding.frontBrake ?? null
  if (front === null) add('front-brake', 'both', 'note', 'Which lever works the front brake is not asked.', 'Ask before a hand is laid on a brake; never change it silently.')
  else if (riding.frontBrake && chosen(setup.now, 'frontBrakeLever') && riding.frontBrake !== chosen(setup.now, 'frontBrakeLever')) add('front-brake', 'both', 'first', 'Told and found differ on the front brake.', `Told: the ${riding.frontBrake} hand; found on the bike: the ${front} lever. Settle it before riding.`)
  if (flat && chosen(setup.now, 'brakeFingers') === 'two') add('two-fingers', 'both', 'act', 'Brakes with two fingers or more.', 'One finger on the hook; the others hold the bar. Two loosen the hold and brake too hard.')
  const missing = [...new Set(sides.flatMap((side) => each[side].hook.missing))]
  return { school, sides: each, missing, findings: byWeight(findings) }
} // prettier-ignore

function angleFindings(each: Sided<LeverSide>, school: LeverSchoolKey, add: Add): void {
  for (const side of sides) {
    const { angle, target, forearm } = each[side]
    if (angle === null || target === null || forearm === null) continue
    const doubt = combined(angle.plusMinus, forearm.plusMinus)
    const by = forearm.isRead ? 'read' : 'by this rider’s lengths'
    const asked = `Asked ${trimmed(target.low, 0)} to ${trimmed(target.high, 0)}°, ${leverSchools[school].label.toLowerCase()}; forearm ${trimmed(forearm.value, 0)}° ±${trimmed(forearm.plusMinus, 0)}, ${by}.`
    const [flat, low] = [target.low - angle.value, angle.value - target.high]
    if (flat > 0) add('lever-flat', side, flat > doubt ? 'act' : 'note', `${sideName(side)} lever ${trimmed(angle.value, 0)}° down: too flat.`, `It bends the wrist back. ${asked}`)
    else if (low > 0) add('lever-low', side, low > doubt ? 'act' : 'note', `${sideName(side)} lever ${trimmed(angle.value, 0)}° down: too low.`, `It bends the wrist forward and loads the thumb. ${asked}`)
    else add('lever-angle-fits', side, 'fine', `${sideName(side)} lever ${trimmed(angle.value, 0)}° down.`, asked)
  }
  const [left, right] = [each.left.angle, each.right.angle]
  if (left && right) {
    const apart = leversApart({ left: left.value, right: right.value })
    if (apart.by > LEVERS_ALIKE + combined(left.plusMinus, right.plusMinus)) add('levers-apart', 'both', 'act', `${sideName(apart.lower)} lever stands ${trimmed(apart.by, 1)}° lower.`, `Both alike, within ${LEVERS_ALIKE}°, unless the hands differ.`)
  }
} // prettier-ignore

function hookFindings(side: Side, { hook }: LeverSide, add: Add): void {
  const { found } = hook
  if (found === null) return
  const off = Math.abs(found.off)
  if (found.hook < 0) {
    add('hook-past', side, 'note', `${sideName(side)}: the hook would lie ${trimmed(-found.hook, 0)} mm past the bar’s end.`, 'Read grip, clamp and hook again: a lever that ends outside of the bar is torn off in the first fall.', 'geometry')
    return
  }
  if (off <= HOOK_FITS) add('hook-fits', side, 'fine', `${sideName(side)}: the hook lies under the finger.`, `${trimmed(off, 0)} mm apart, ±${trimmed(found.plusMinus, 0)}.`)
  else add('hook-off', side, off - HOOK_FITS > found.plusMinus ? 'act' : 'note', `${sideName(side)}: the hook stands ${trimmed(off, 0)} mm ${found.off > 0 ? 'outside' : 'inside'} of the finger.`, `${found.off > 0 ? 'The finger lands short of the hook and pulls where the blade is weak, so a second finger helps.' : 'The finger lies past the hook, at the blade’s end.'} Slide the clamp ${trimmed(off, 0)} mm ${found.off > 0 ? 'inboard' : 'outboard'}; ±${trimmed(found.plusMinus, 0)}.`)
} // prettier-ignore

function reachFindings(side: Side, { reach, hooks, limit }: LeverSide, add: Add): void {
  if (reach === null) return
  if (reach.value - reach.plusMinus > limit) add('reach-limit', side, 'act', `${sideName(side)} lever ${trimmed(reach.value, 0)} mm out: past the limit of ${limit} mm.`, 'Dial it in; what cannot be dialled in is another lever.', 'iso-4210')
  if (hooks === null) return
  const far = reach.value - hooks.value
  const doubt = combined(reach.plusMinus, hooks.plusMinus)
  const by = hooks.isTried ? 'tried' : 'by its length'
  if (Math.abs(far) <= REACH_FITS) add('reach-fits', side, 'fine', `${sideName(side)} lever ${trimmed(reach.value, 0)} mm out: the finger hooks it.`, `This finger hooks at about ${trimmed(hooks.value, 0)} mm, ${by}.`, 'prior')
  else add(far > 0 ? 'reach-far' : 'reach-near', side, Math.abs(far) - REACH_FITS > doubt ? 'act' : 'note', `${sideName(side)} lever stands ${far > 0 ? 'too far out' : 'close'}: ${trimmed(reach.value, 0)} mm.`, `This finger hooks at about ${trimmed(hooks.value, 0)} mm, ${by}, ±${trimmed(hooks.plusMinus, 0)}. ${far > 0 ? 'Dial it in.' : 'The blade can be pulled onto the bar: dial it out, or set more bite.'}`, 'prior')
} // prettier-ignore

export function judgeLevers({ levers, context }: { readonly levers: LeverStanding; readonly context: HandsContext }): Partial<PageJudgement> {
  const { findings, school } = levers
  const targets: Target[] = []
  const working: WorkingRun[] = []
  const isActed = (side: Side, ...keys: readonly string[]) => findings.some((finding) => finding.weight === 'act' && finding.side === side && keys.includes(finding.key))
  const ask = { hook: [] as Requested[], angle: [] as Requested[], reach: [] as Requested[] }
  for (const side of sides) {
    const { angle, target, forearm, hook, reach, hooks } = levers.sides[side]
    if (hook.found) {
      const { off, plusMinus } = hook.found
      targets.push({ key: `hook-${side}`, label: `Hook, ${side}`, now: quantity(off, plusMinus, 'mm', 'computed'), band: { low: -HOOK_FITS, high: HOOK_FITS }, aim: Math.abs(off) > HOOK_FITS ? 0 : null, remark: Math.abs(off) <= HOOK_FITS ? 'under the finger' : off > 0 ? 'outside' : 'inside' })
      if (isActed(side, 'hook-off')) ask.hook.push({ setting: 'leverClamp', side, by: Math.round(off) })
    }
    if (reach && hooks) {
      targets.push({ key: `reach-${side}`, label: `Reach, ${side}`, now: quantity(reach.value, combined(reach.plusMinus, hooks.plusMinus), 'mm', 'measured'), band: { low: hooks.value - REACH_FITS, high: hooks.value + REACH_FITS }, aim: Math.abs(reach.value - hooks.value) > REACH_FITS ? hooks.value : null, remark: `hooks at ${trimmed(hooks.value, 0)}`, moves: { setting: 'leverReach', side } })
      if (isActed(side, 'reach-far', 'reach-limit')) ask.reach.push({ setting: 'leverReach', side, by: Math.round(hooks.value - reach.value) })
      working.push({ heading: `Lever reach, ${side}`, calculation: anyCalculation(leverReachCalculation), input: { indexFinger: measured(context.setup.now, 'indexFinger', side)?.value ?? 70, gripDiameter: context.setup.now.gripDiameter[side]?.value ?? 32, handLength: context.setup.now.handLength[side]?.value ?? 185, reach: reach.value }, plusMinus: { reach: reach.plusMinus } })
    }
    if (angle && target && forearm) {
      targets.push({ key: `angle-${side}`, label: `Angle, ${side}`, now: quantity(angle.value, combined(angle.plusMinus, forearm.plusMinus), 'deg', 'measured'), band: target, aim: angle.value < target.low || angle.value > target.high ? target.aim : null, remark: `asked ${trimmed(target.low, 0)} to ${trimmed(target.high, 0)}`, moves: { setting: 'leverAngle', side } })
      if (isActed(side, 'lever-flat', 'lever-low')) ask.angle.push({ setting: 'leverAngle', side, by: Math.round(target.aim - angle.value) })
      working.push({ heading: `Lever angle, ${side}`, calculation: anyCalculation(leverAngleCalculation), input: { forearm: forearm.value, angle: angle.value, school }, plusMinus: { forearm: forearm.plusMinus, angle: angle.plusMinus } })
    }
    const place = hook.found && hookReadings(context, side)
    if (place) working.push({ heading: `Hook, ${side}`, calculation: anyCalculation(leverClampCalculation), input: place, plusMinus: {} })
  }
  const proposal = (key: string, words: string, requested: readonly Requested[], about: readonly string[]): Proposal[] =>
    requested.length === 0 ? [] : [{ key, words, requested, reason: findings.find((finding) => about.includes(finding.key))?.headline ?? '' }]
  return {
    findings,
    targets,
    working,
    proposals: [
      ...proposal('hook', `Lever clamp ${amounts(ask.hook, 'inboard', 'outboard')}`, ask.hook, ['hook-off']),
      ...proposal('reach', `Lever reach ${amounts(ask.reach, 'out', 'in')}`, ask.reach, ['reach-far', 'reach-limit']),
      ...proposal('angle', `Levers ${amounts(ask.angle, 'down', 'up')}`, ask.angle, ['lever-flat', 'lever-low']),
    ],
  }
} // prettier-ignore

interface Requested {
  readonly setting: 'leverClamp' | 'leverAngle' | 'leverReach'
  readonly side: Side
  readonly by: number
}

/** "14 inboard, both" or "L 14 inboard, R 9 inboard", in the setting's unit. */
function amounts(requested: readonly Requested[], more: string, less: string): string {
  const [one, other] = requested
  const unit = one?.setting === 'leverAngle' ? '°' : ' mm'
  const way = (by: number) => `${trimmed(Math.abs(by), 0)}${unit} ${by > 0 ? more : less}`
  if (one && other && one.by === other.by) return `${way(one.by)}, both`
  return requested.map(({ side, by }) => `${side === 'left' ? 'L' : 'R'} ${way(by)}`).join(', ')
}

function hookReadings({ setup: { now } }: HandsContext, side: Side) {
  const at = (key: 'handFromEnd' | 'handBreadth' | 'gripLength' | 'leverClamp' | 'leverHook') => standsAt(now, key, side)?.value ?? 0
  return { handFromEnd: at('handFromEnd'), handBreadth: at('handBreadth'), gripLength: at('gripLength'), leverClamp: at('leverClamp'), leverHook: at('leverHook') }
} // prettier-ignore

/** The controls of both halves: thumb and paddle, pieces and room. */
export interface ControlStanding {
  readonly thumbs: Sided<OrMissing<ThumbPlace> | null>
  /** places of the shifter, the better first; null while they cannot be said */
  readonly options: Sided<readonly ShifterOption[] | null>
  readonly rooms: Sided<BarRoom | null>
  readonly missing: readonly ReadingKey[]
  readonly findings: readonly Finding[]
}

export function controlStanding({ setup }: HandsContext): ControlStanding {
  const flat = setup.rider.bar === 'flat'
  const bar = flat ? halfBar(setup) : { found: null, missing: [] }
  const rooms = bySide((side) => {
    const pieces = barPieces(setup, side).found
    return bar.found && pieces ? barRoom(bar.found, pieces) : null
  })
  const thumbs = bySide((side) => (flat && hasShifter(setup, side) ? thumbOf(setup, side) : null))
  const options = bySide((side) => (flat ? shifterPlacesOf(setup, side) : null))
  const findings: Finding[] = []
  const add = into(findings)
  for (const side of sides) {
    const thumb = thumbs[side]?.found
    if (thumb) paddleFindings(side, thumb, options[side], chosen(setup.now, 'shifterPlace'), add)
    const room = rooms[side]
    if (room) roomFindings(side, room, add)
  }
  const told = bySide((side) => chosen(setup.now, 'thumbReach', side))
  for (const side of sides) {
    const word = told[side]
    if (thumbs[side] === null || thumbs[side].found || word === null || word === 'reached') continue
    add('thumb-told', side, 'act', `${sideName(side)}: the thumb ${word === 'lets' ? 'lets go for the shifter' : 'touches the shifter when it holds the grip'}.`, `Read thumb length, shifter clamp and paddle to say where it goes.`)
  }
  const missing = [...new Set([...bar.missing, ...sides.flatMap((side) => thumbs[side]?.missing ?? []), ...sides.flatMap((side) => barPieces(setup, side).missing)])]
  return { thumbs, options, rooms, missing: flat ? missing : [], findings: byWeight(findings) }
} // prettier-ignore

function paddleFindings(side: Side, { zone, paddle, plusMinus }: ThumbPlace, options: readonly ShifterOption[] | null, place: string | null, add: Add): void {
  const { state, by } = paddleStanding(zone, paddle)
  if (state === 'reached') {
    add('paddle-fits', side, 'fine', `${sideName(side)}: the thumb works the shifter without letting go.`, `Paddle ${trimmed(paddle - zone.from, 0)} mm inside of the hand’s edge.`, 'prior')
    return
  }
  const [best] = options ?? []
  const helps = best?.fits === true && best.misses < Math.abs(by) - 1
  const put = best === undefined ? '' : !helps ? ' Neither side of the brake’s clamp brings it in reach: another shifter or remote.' : ` Best ${best.place === 'outside' ? 'between grip and brake' : 'inside of the brake'}${best.place === place ? '' : ', the other side of the brake clamp'}.`
  const words = state === 'far' ? `${trimmed(-by, 0)} mm past the thumb` : `${trimmed(by, 0)} mm too near: the hand touches it`
  add(state === 'far' ? 'paddle-far' : 'paddle-near', side, Math.abs(by) > plusMinus ? 'act' : 'note', `${sideName(side)} shifter ${words}.`, `The thumb works ${trimmed(zone.from, 0)} to ${trimmed(zone.to, 0)} mm from the bar’s end; the paddle is at ${trimmed(paddle, 0)}, ±${trimmed(plusMinus, 0)}.${put}`, 'prior')
} // prettier-ignore

function roomFindings(side: Side, { left, inside, overlaps, straight }: BarRoom, add: Add): void {
  for (const [one, other] of overlaps) add('overlap', side, 'note', `${sideName(side)}: ${one} and ${other} stand in one another.`, 'Read their places and widths again.', 'geometry')
  if (left < -ROOM_DOUBT) add('no-room', side, 'act', `${sideName(side)} half: parts ${trimmed(-left, 0)} mm longer than the straight part.`, `Straight ${trimmed(straight, 0)} mm. A part on the bend cannot be clamped safely.`, 'geometry')
  else if (inside < -ROOM_DOUBT) add('on-bend', side, 'act', `${sideName(side)} half: a clamp stands on the bend.`, `It lies ${trimmed(-inside, 0)} mm past the straight part; there are ${trimmed(left, 0)} mm free further out.`, 'geometry')
  else add('room', side, 'fine', `${sideName(side)} half: ${trimmed(Math.max(0, left), 0)} mm of the straight part free.`, `${trimmed(Math.max(0, inside), 0)} mm of it inside of the last clamp.`, 'geometry')
} // prettier-ignore
/** Room is known no better than this, mm; a tape and three rulers. @source common-practice */
const ROOM_DOUBT = 4

export function judgeControls({ controls, context }: { readonly controls: ControlStanding; readonly context: HandsContext }): Partial<PageJudgement> {
  const { findings, options, thumbs, rooms } = controls
  const targets = sides.flatMap((side): Target[] => {
    const thumb = thumbs[side]?.found
    return thumb
      ? [{ key: `paddle-${side}`, label: `Shifter, ${side}`, now: quantity(thumb.paddle, thumb.plusMinus, 'mm', 'computed'), band: { low: thumb.zone.from, high: thumb.zone.to }, aim: paddleStanding(thumb.zone, thumb.paddle).by === 0 ? null : options[side]?.[0]?.paddleAt ?? null, remark: `thumb ${trimmed(thumb.zone.from, 0)} to ${trimmed(thumb.zone.to, 0)}` }]
      : []
  })
  const requested = sides.flatMap((side) => {
    const by = shifterMove(context.setup, side)
    return by === 0 ? [] : [{ setting: 'shifterClamp' as const, side, by }]
  })
  const bar = halfBar(context.setup).found
  return {
    findings,
    targets,
    proposals: requested.length === 0 ? [] : [{ key: 'shifter', words: `Shifter ${requested.map(({ side, by }) => `${side === 'left' ? 'L' : 'R'} ${Math.abs(by)} mm ${by > 0 ? 'inboard' : 'outboard'}`).join(', ')}`, requested, reason: findings[0]?.headline ?? '' }],
    working: sides.flatMap((side) => {
      const pieces = barPieces(context.setup, side).found
      return bar && pieces && rooms[side] ? [{ heading: `Room, ${side} half`, calculation: anyCalculation(barRoomCalculation), input: { ...bar, pieces }, plusMinus: {} }] : []
    }),
  }
} // prettier-ignore

export interface GripStanding {
  readonly school: GripSchoolKey
  readonly over: Sided<ReturnType<typeof gripOver>>
  readonly findings: readonly Finding[]
}

export function gripStanding({ setup, choices }: HandsContext): GripStanding {
  const school = choices.gripSchool ?? defaultGripSchool
  const over = bySide((side) => gripOver(setup, side, school))
  const findings: Finding[] = []
  const add = into(findings)
  for (const side of sides) {
    const grip = over[side]
    if (grip === null) continue
    const held = Math.abs(grip.own - grip.aim) < 0.05 ? '' : ` The hand alone asks ${trimmed(grip.own, 1)}, held to what is made.`
    const asked = `Asked ${trimmed(grip.aim, 1)} mm.${held}`
    const doubtful = Math.abs(grip.value) - GRIP_FITS <= grip.plusMinus
    if (grip.value > GRIP_FITS) add('grip-thick', side, doubtful ? 'note' : 'act', `${sideName(side)} grip ${trimmed(grip.value, 1)} mm thick for this hand.`, `${asked} A thick grip is squeezed to be held: pump.`, gripSchools[school].source)
    else if (grip.value < -GRIP_FITS) add('grip-thin', side, doubtful ? 'note' : 'act', `${sideName(side)} grip ${trimmed(-grip.value, 1)} mm thin for this hand.`, `${asked} Fingers that curl onto the palm hold harder than they need: pump.`, gripSchools[school].source)
    else add('grip-fits', side, 'fine', `${sideName(side)} grip suits the hand.`, asked, gripSchools[school].source)
  }
  return { school, over, findings: byWeight(findings) }
} // prettier-ignore

export function judgeGrips({ grips, context }: { readonly grips: GripStanding; readonly context: HandsContext }): Partial<PageJudgement> {
  const { over, findings, school } = grips
  const targets = sides.flatMap((side): Target[] => {
    const grip = over[side]
    const read = standsAt(context.setup.now, 'gripDiameter', side)
    return grip && read
      ? [{ key: `grip-${side}`, label: `Grip, ${side}`, now: quantity(read.value, grip.plusMinus, 'mm', 'measured'), band: { low: grip.aim - GRIP_FITS, high: grip.aim + GRIP_FITS }, aim: Math.abs(grip.value) > GRIP_FITS ? grip.aim : null, remark: `asked ${trimmed(grip.aim, 1)}`, moves: { setting: 'gripDiameter', side } }]
      : []
  })
  const requested = sides.flatMap((side) => {
    const grip = over[side]
    const isActed = findings.some((finding) => finding.side === side && finding.weight === 'act')
    return grip && isActed ? [{ setting: 'gripDiameter' as const, side, by: -Math.round(grip.value) }] : []
  })
  return {
    findings,
    targets,
    proposals: requested.length === 0 ? [] : [{ key: 'grips', words: `Grips ${trimmed(Math.abs(requested[0]?.by ?? 0), 0)} mm ${(requested[0]?.by ?? 0) > 0 ? 'thicker' : 'thinner'}`, requested, reason: findings[0]?.headline ?? '' }],
    working: sides.flatMap((side) => {
      const hand = measured(context.setup.now, 'handLength', side)
      return hand ? [{ heading: `Grip, ${side}`, calculation: anyCalculation(gripDiameterCalculation), input: { handLength: hand.value, school }, plusMinus: { handLength: hand.plusMinus } }] : []
    }),
  }
} // prettier-ignore
