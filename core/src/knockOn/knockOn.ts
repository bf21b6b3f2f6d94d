import { barClamp } from '../bike/cockpit.ts'
import type { Grip } from '../bike/cockpit.ts'
import type { Point } from '../bike/contactPoints.ts'
import { stemOptions } from '../bike/stemSearch.ts'
import type { StemOption } from '../bike/stemSearch.ts'
import { riderMetrics } from '../body/metrics.ts'
import { heightForDistance } from '../body/leg.ts'
import { handsMiddle, hipOf, lateralOf, legAt } from '../body/rider.ts'
import type { RiderModel } from '../body/rider.ts'
import { upperPosture } from '../body/upperBody.ts'
import { axlesOf, frontOf, seatAngleOf } from '../model/riderModel.ts'
import type { ResolvedReadings } from '../readings/resolve.ts'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { riderWith } from '../rider/calibrated.ts'
import type { Answer, Chosen, Holds, KnockOn } from './knockOnResult.ts'
import type { Standing } from '../rider/setup.ts'
import { laterWords, leftovers } from './knockOnWords.ts'
import type { Move } from '../ledger/ledger.ts'
import { heldIn, isExchange, isRoomRead, movesAsked, movesOf, roomOf, withMoves, writtenMoves } from '../ledger/moves.ts'
import type { Requested, RequestedMove } from '../ledger/moves.ts'
import type { Pace } from '../ledger/pace.ts'
import { settingOf } from '../ledger/settings.ts'
import { capOf, largestMove, unreadPace, wayBack } from '../ledger/pace.ts'
import type { HandHold, SettingKey } from '../ledger/settings.ts'
import { stepPlanAfter } from '../ledger/stepPlan.ts'
import { keysOf } from '../kernel/tables.ts'

/** Hands are not moved by less than a tape can tell, mm. @source common-practice */
const WORTH_MOVING_HANDS = 3
/** A stem or spacers must bring the hands nearer by this much to be worth the work, mm. @source prior */
const WORTH_A_STEM = 2
/** What a fitter would want held by default while these move. */
export function defaultHolds(requested: readonly Requested[]): Holds {
  const rows = movesAsked(requested).map(({ setting }) => settingOf(setting))
  const holds = rows.map(({ hands }) => hands)
  const hands = holds.find((hold) => hold === 'free') ?? holds.find((hold) => hold !== undefined) ?? 'seat'
  return { knee: !rows.some(({ freesKnee }) => freesKnee), hands, lever: true }
}

/**
 * What a change does to everything else, and the moves that hold what the fitter wants held, in the
 * order feet, seat, hands. Exact: each answer comes from its closed form on the model as moved so
 * far, not from a linear rule.
 * @param requested moves, cut into steps; exchanges of parts, always whole
 * @param mode `whole`: all that is asked for with exact answers, for drawing; `step`: what is set now, within
 *   caps, room and what a hand can set
 * @param pace whose caps hold for a step
 * @source geometry
 */
export function knockOn(
  standing: Standing,
  requested: readonly Requested[],
  holds: Holds,
  mode: 'whole' | 'step',
  pace: Pace = 'settled',
): KnockOn {
  const { rider, by, now } = standing
  const findings: string[] = []
  const how: How = { mode, pace }
  const exchanges = requested.filter(isExchange)
  const chosen = requested
    .filter((one): one is RequestedMove => !isExchange(one))
    .map((one) => chosenFor(now, one, mode, isKnown(standing, one) ? pace : unreadPace(pace)))
    .filter((move) => move.by !== 0 || move.heldByRoom)
  const moved: RequestedMove[] = [...exchanges.flatMap(movesOf), ...chosen.filter((move) => move.by !== 0)]
  const axles = axlesOf(rider.values)
  const start = riderWith(rider, by)
  const bare = riderWith(rider, withMoves(by, moved))
  let model: RiderModel | null = bare
  const current = (): RiderModel | null => model
  const answers: Answer[] = []
  const answer = (more: readonly Answer[]): void => {
    answers.push(...more)
    if (more.length > 0) model = riderWith(rider, withMoves(by, [...moved, ...answers]))
  }
  // Hands moved by themselves: the ways stem and spacers have of doing the whole request.
  const aimOf = (setting: SettingKey) => chosen.find((move) => move.setting === setting)?.aim ?? 0
  const handsAim = { x: aimOf('handReach'), y: aimOf('handHeight') }
  let stems: readonly StemOption[] = mode === 'step' && Math.hypot(handsAim.x, handsAim.y) > 0 ? stemsFor(standing, [], handsAim) : []
  if (start && model && moved.length > 0) {
    const clampMoves = moved.some(({ setting }) => settingOf(setting).movesClamp)
    const has = (key: SettingKey) => moved.some((move) => move.setting === key)
    if (holds.knee && !has('saddleHeight')) answer(kneeAnswer(standing, start, model, how, findings))
    const seated = current()
    const wanted = holds.hands === 'free' || seated === null ? null : handsWanted(holds.hands, start, seated, has, findings)
    if (wanted && Math.hypot(wanted.x, wanted.y) > 1e-9) {
      const parts = mode === 'whole' || clampMoves ? [] : stemsFor(standing, [...moved, ...answers], wanted)
      if (parts.length > 0) stems = parts
      answer(handAnswer(standing, wanted, parts, how))
    }
  }
  // Levers turn with the bar whether or not the rider is known, and are turned back by as much wherever they stood; those of a drop bar go with their hoods.
  const roll = moved.find((move) => move.setting === 'barRoll')
  if (holds.lever && roll && rider.bar === 'flat') {
    answer(
      sides.map((side) => limited(standing, { setting: 'leverAngle', side, by: -roll.by }, how)).filter(({ by: amount }) => amount !== 0),
    )
  }
  const end = current()
  if (start && end && sides.some((side) => kneeOf(end, side) === null)) {
    findings.push('With this the leg no longer reaches the pedal at the bottom.')
  }
  const written = writtenMoves(now, [
    ...chosen.filter((move) => move.by !== 0).map((move) => ({ ...plain(move, 'chosen'), ...stoodAt(move, pace) })),
    ...answers.map((move) => plain(move, 'knock-on')),
  ])
  return {
    chosen,
    answers,
    moves: written.moves,
    exchanges: [...exchanges.map((exchange) => ({ ...exchange, role: 'chosen' as const })), ...written.exchanges],
    left: start && end ? leftovers(holds, start, end, chosen, answers) : [],
    findings,
    stems,
    get before() {
      return start && riderMetrics(start, axles)
    },
    get alone() {
      return bare && riderMetrics(bare, axles)
    },
    get after() {
      return end && riderMetrics(end, axles)
    },
    model: end,
    later: laterWords(chosen, exchanges, pace),
  }
}

function plain({ setting, side, by }: RequestedMove, role: Move['role']): Move {
  return { setting, side, by, role }
}

/** Where a move started, for the record, where it goes further than its pace has it. */
function stoodAt(move: Chosen, pace: Pace): Pick<Move, 'from'> {
  return move.from !== null && Math.abs(move.by) > capOf(move.setting, pace) && wayBack(move) > 0 ? { from: move.from } : {}
}

function kneeOf(model: RiderModel, side: Side): number | null {
  return legAt(model, model.legs[side], hipOf(model), 180).kneeFlexion
}

/** Drawn whole, or set in steps at a pace. */
interface How {
  readonly mode: 'whole' | 'step'
  readonly pace: Pace
}

/** Whether it is known where a setting stands: read, or for the hands by frame, stem and bar. */
function isKnown({ rider, by, now }: Standing, { setting, side }: RequestedMove): boolean {
  if (now[setting][side === 'right' ? 'right' : 'left']?.basis === 'measured') return true
  return (setting === 'handReach' || setting === 'handHeight' || setting === 'gripSpacing') && frontOf(rider.values, by) !== null
}

function chosenFor(now: ResolvedReadings, request: RequestedMove, mode: 'whole' | 'step', pace: Pace): Chosen {
  const { resolution, usualRoom } = settingOf(request.setting)
  const cap = capOf(request.setting, pace)
  const room = roomOf(now, request.setting, request.side)
  const aim = heldIn(room, request.by)
  const isRead = isRoomRead(now, request.setting, request.side, request.by)
  const stands = now[request.setting][request.side === 'left' ? 'left' : 'right']
  const from = stands?.value ?? null
  const back = stands?.basis === 'measured' ? wayBack({ ...request, by: aim, from }) : 0
  const plan = stepPlanAfter(back, aim, cap, resolution)
  return {
    ...request,
    wanted: request.by,
    aim,
    from,
    plan,
    by: mode === 'whole' ? aim : (plan.steps[0] ?? 0),
    heldByRoom: Math.abs(aim - request.by) > 1e-9,
    doubtfulBeyond: usualRoom !== undefined && !isRead && Math.abs(aim) > usualRoom ? usualRoom : null,
  }
}

/** An answer within the hardware's room and, for a step, the cap and what a hand can set. */
function limited({ now }: Standing, request: RequestedMove, { mode, pace }: How): Answer {
  const { resolution } = settingOf(request.setting)
  const cap = capOf(request.setting, pace)
  const room = heldIn(roomOf(now, request.setting, request.side), request.by)
  if (mode === 'whole') return { ...request, by: room, exact: request.by, limit: room === request.by ? null : 'room' }
  const set = Math.max(-cap, Math.min(cap, Math.round(room / resolution) * resolution))
  const limit = room !== request.by ? 'room' : Math.abs(room) > cap + 1e-9 ? 'cap' : null
  return { ...request, by: set === 0 ? 0 : set, exact: request.by, limit }
}

/** A saddle moved by less than this comes to half a millimetre: nobody feels it, and no tape finds it again. @source common-practice */
const FELT = 0.75

/**
 * Saddle height that gives the knees back what they had: halfway between what the two legs ask for.
 * A leg that nothing has moved asks for nothing.
 * @source geometry
 */
function kneeAnswer(standing: Standing, start: RiderModel, moved: RiderModel, how: How, findings: string[]): Answer[] {
  const seatAngle = seatAngleOf(standing.rider.values)
  const asked = sides.map((side) => saddleMoveFor(start, moved, side, seatAngle))
  if (asked.some((move) => move === null)) {
    findings.push('A leg does not reach, so no saddle height can be computed. Check saddle height, crank, thigh and shank.')
    return []
  }
  const exact = asked.reduce<number>((sum, move) => sum + (move ?? 0), 0) / 2
  if (Math.abs(exact) < (how.mode === 'step' ? FELT : 1e-9)) return []
  const found = limited(standing, { setting: 'saddleHeight', side: 'both', by: exact }, how)
  return found.by === 0 ? [] : [found]
}

/**
 * By how much the saddle must move along the seat line so that a leg's knee is bent as before.
 * @returns mm, + up; null when the leg does not reach before, or nothing gives it back
 * @source geometry
 */
export function saddleMoveFor(before: RiderModel, after: RiderModel, side: Side, seatAngle: number): number | null {
  const then = legAt(before, before.legs[side], hipOf(before), 180)
  if (then.kneeFlexion === null) return null
  const { hip, ankle } = legAt(after, after.legs[side], hipOf(after), 180)
  return heightForDistance({ x: hip.x - ankle.x, y: hip.y - ankle.y }, seatAngle, then.distance, lateralOf(after, after.legs[side]))
}

/** How far the hands must move, from the bottom bracket, to be where they are wanted. */
function handsWanted(
  hold: Exclude<HandHold, 'free'>,
  start: RiderModel,
  moved: RiderModel,
  has: (key: SettingKey) => boolean,
  findings: string[],
): Point | null {
  const [then, now] = [handsMiddle(start), handsMiddle(moved)]
  if (then === null || now === null) {
    findings.push('Where the hands are is not known, so nothing is computed for them.')
    return null
  }
  const free = { x: !has('handReach'), y: !has('handHeight') }
  const held = (x: number, y: number): Point => ({ x: free.x ? x : 0, y: free.y ? y : 0 })
  if (hold === 'frame') return held(then.x - now.x, then.y - now.y)
  if (hold === 'seat') {
    const wanted = seatToHands(start)
    const is = seatToHands(moved)
    return held(wanted.reach - is.reach, is.drop - wanted.drop)
  }
  const up = heightForTorso(start, moved)
  if (up === null) findings.push('No height of the hands gives the torso’s angle back.')
  return up === null ? null : held(0, up)
}

/** Level way from where the rider sits to the hands, spread included, and how far the hands lie below it. */
export function seatToHands(model: RiderModel): { reach: number; drop: number } {
  const middle = handsMiddle(model)
  if (model.grips === null || middle === null) return { reach: 0, drop: 0 }
  const { spreadCost } = upperPosture(model.upper, hipOf(model), model.grips)
  return { reach: middle.x - model.sit.x + spreadCost, drop: model.sit.y - middle.y }
}

/** How much higher the hands must be for the torso to lean as it did; null when nothing within a hand's breadth does. */
function heightForTorso(start: RiderModel, moved: RiderModel): number | null {
  const { grips } = moved
  if (start.grips === null || grips === null) return null
  const wanted = upperPosture(start.upper, hipOf(start), start.grips).torso
  const raised = (grip: Grip, up: number): Grip => ({ ...grip, at: { ...grip.at, y: grip.at.y + up } })
  const off = (up: number) => {
    const at = upperPosture(moved.upper, hipOf(moved), { left: raised(grips.left, up), right: raised(grips.right, up) })
    return at.reaches ? at.torso - wanted : null
  }
  let low = -120
  let high = 120
  const [atLow, atHigh] = [off(low), off(high)]
  if (atLow === null || atHigh === null || atLow > 0 || atHigh < 0) return null
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    const value = off(middle)
    if (value === null) return null
    if (value < 0) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** Stems that bring the hands where they are wanted; none where frame or stem is not known. */
function stemsFor({ rider, by, now }: Standing, moves: readonly RequestedMove[], wanted: Point): StemOption[] {
  const front = frontOf(rider.values, withMoves(by, moves))
  if (front === null) return []
  const clamp = barClamp(front)
  const steerer = front.spacers + (now.spacersAbove.right?.value ?? 0)
  return stemOptions(front, { x: clamp.x + wanted.x, y: clamp.y + wanted.y }, steerer, 5)
}

function handAnswer(standing: Standing, wanted: Point, stems: readonly StemOption[], how: How): Answer[] {
  const { mode } = how
  const best = stems.find((option) => stemMoves(standing, option) !== null)
  const off = Math.hypot(wanted.x, wanted.y)
  if (mode === 'step' && off < WORTH_MOVING_HANDS) return []
  if (mode === 'step' && best) return off - best.misses < WORTH_A_STEM ? [] : (stemMoves(standing, best) ?? [])
  return [
    limited(standing, { setting: 'handReach', side: 'both', by: wanted.x }, how),
    limited(standing, { setting: 'handHeight', side: 'both', by: wanted.y }, how),
  ].filter((move) => Math.abs(move.by) > 1e-9)
}

/** The moves that put a stem option on the bike; null where no usual exchange goes that far: half a stem is no stem. */
export function stemMoves({ rider, by }: Standing, option: StemOption): Answer[] | null {
  const front = frontOf(rider.values, by)
  if (front === null) return null
  const parts = { spacers: option.spacers, stemLength: option.stemLength, stemAngle: option.stemAngle } as const
  const moves = keysOf(parts).flatMap((setting): Answer[] => {
    const amount = parts[setting] - front[setting]
    return Math.abs(amount) < 1e-9 ? [] : [{ setting, side: 'both', by: amount, exact: amount, limit: null }]
  })
  return moves.every((move) => Math.abs(move.by) <= largestMove({ setting: move.setting, by: move.by, role: 'knock-on' }, 'settled'))
    ? moves
    : null
}
