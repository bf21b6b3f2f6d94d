import { term } from '../../../readings/table/terms.ts'
import { judged, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import { anyCalculation } from '../../../kernel/calculation.ts'
import type { RequestedMove } from '../../../ledger/moves.ts'
import { chosen } from '../../../readings/resolve.ts'
import type { OptionOf, ReadingKey } from '../../../readings/readingDefinitions.ts'
import { mm, msg, range } from '../../../kernel/message.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { byWeight, sideName } from '../../../kernel/finding.ts'
import { bySide, sides } from '../../../kernel/sided.ts'
import type { Side, Sided } from '../../../kernel/sided.ts'
import type { PageJudgement, Proposal } from '../../../station/station.ts'
import { barRoom } from '../bar/room.ts'
import type { BarRoom } from '../bar/room.ts'
import type { VisitContext } from '../../../station/context.ts'
import { barRoomCalculation } from './calculations.ts'
import { controlMove, controlPlaces, hasControl, isContradicted, thumbOf } from './inputs.ts'
import { barPieces, thumbControlKeys, thumbControls } from '../bar/pieces.ts'
import { halfBar } from '../bar/halfBar.ts'
import type { ThumbPlace } from './inputs.ts'
import type { ThumbControl } from '../bar/pieces.ts'
import type { OrMissing } from '../../../station/readOf.ts'
import { amounts, into, isActed, reasonOf } from '../../../station/say.ts'
import type { Add } from '../../../station/say.ts'
import { controlPlaceWords, paddleStanding } from './shifters.ts'
import type { ShifterOption } from './shifters.ts'
import { capital } from '../../../kernel/words.ts'

/** What a thumb works on one side. */
export interface ControlSide {
  /** null = there is none on this side */
  readonly thumb: OrMissing<ThumbPlace> | null
  /** its paddle against where the thumb works, mm from the bar's end; null while not known */
  readonly stands: Judged | null
  /** places against the brake's clamp, the better first; null while they cannot be said */
  readonly places: readonly ShifterOption[] | null
}

/** The controls of both halves: thumb and paddles, pieces and room. */
export interface ControlStanding {
  readonly controls: Readonly<Record<ThumbControl, Sided<ControlSide>>>
  readonly rooms: Sided<BarRoom | null>
  readonly missing: readonly ReadingKey[]
  readonly findings: readonly Finding[]
}

export function controlStanding({ setup }: Pick<VisitContext, 'setup'>): ControlStanding {
  const flat = setup.rider.bar === 'flat'
  const bar = flat ? halfBar(setup) : { found: null, missing: [] }
  const pieces = bySide((side) => barPieces(setup, side))
  const rooms = bySide((side) => (bar.found && pieces[side].found ? barRoom(bar.found, pieces[side].found) : null))
  const of = (control: ThumbControl) =>
    bySide((side): ControlSide => {
      const has = flat && hasControl(setup, side, control)
      if (!has) return { thumb: null, stands: null, places: null }
      const thumb = thumbOf(setup, side, control)
      const places = controlPlaces(setup, side, control)
      const { zone, paddle, plusMinus } = thumb.found ?? { zone: null, paddle: 0, plusMinus: 0 }
      const stands = zone && judged(paddle, plusMinus, { low: zone.from, high: zone.to }, { aim: places?.[0]?.paddleAt ?? null })
      return { thumb, stands, places }
    })
  const controls = { shifter: of('shifter'), remote: of('remote') }
  const findings: Finding[] = []
  const add = into(findings)
  for (const side of sides) {
    const seen = chosen(setup.now, 'thumbReach', side)
    for (const key of thumbControlKeys) {
      const found = controls[key][side].thumb?.found
      const contradicts = key === 'shifter' && found && isContradicted(setup, side, found) ? seen : null
      paddleFindings(side, key, controls[key][side], chosen(setup.now, 'shifterPlace'), contradicts, into(findings, key))
    }
    if (rooms[side]) roomFindings(side, rooms[side], add)
    // What the rider was seen to do counts until thumb and paddle are read.
    const { thumb } = controls.shifter[side]
    if (thumb === null || thumb.found || seen === null || seen === 'reached') continue
    const read = msg`Read thumb length, shifter clamp and ${term('paddle')}: then this page says where it goes.`
    add('thumb-told', side, 'act', `${sideName(side)}: the thumb ${thumbDoes[seen]}.`, read)
  }
  const lacking = thumbControlKeys.flatMap((key) => sides.flatMap((side) => controls[key][side].thumb?.missing ?? []))
  const missing = flat ? [...new Set([...bar.missing, ...lacking, ...sides.flatMap((side) => pieces[side].missing)])] : []
  return { controls, rooms, missing, findings: byWeight(findings) }
}

/** What a thumb was seen to do. */
const thumbDoes: Readonly<Record<OptionOf<'thumbReach'>, string>> = {
  reached: 'works the shifter',
  lets: 'lets go for the shifter',
  touches: 'touches the shifter when it holds the grip',
}

function paddleFindings(
  side: Side,
  control: ThumbControl,
  { thumb, stands, places }: ControlSide,
  place: string | null,
  contradicts: OptionOf<'thumbReach'> | null,
  add: Add,
): void {
  if (!thumb?.found || stands === null) return
  const { weight: judgedWeight } = verdictOf(stands)
  const { zone, paddle, plusMinus } = thumb.found
  const { label } = thumbControls[control]
  const name = sideName(side)
  const { state, by } = paddleStanding(zone, paddle)
  // Seen at work, a thumb outranks what its length makes of it.
  const weight = contradicts === null ? judgedWeight : 'note'
  if (contradicts !== null) {
    const makes = state === 'reached' ? 'in reach' : state === 'far' ? msg`${mm(-by)} past the thumb` : msg`${mm(by)} too near`
    const words = msg`By thumb length and clamp the ${term('paddle')} is ${makes}. Look again, then read the thumb and the clamp again.`
    add(`${control}-contradicted`, side, 'note', `${name}: seen, the thumb ${thumbDoes[contradicts]}; the readings say otherwise.`, words)
  }
  if (state === 'reached') {
    const past = msg`${term('paddle', 'Paddle')} ${mm(paddle - zone.from)} inside of the hand’s edge, ±${mm(plusMinus)}.`
    add(`${control}-fits`, side, weight, `${name}: the thumb works the ${label} without letting go.`, past, 'prior')
    return
  }
  const [best] = places ?? []
  const helps = best?.fits === true && best.misses < Math.abs(by) - 1
  const other = best && control === 'shifter' && best.place !== place ? ', the other side of the brake clamp' : ''
  const put =
    best === undefined
      ? place === 'one-piece' && control === 'shifter'
        ? ' One piece with the brake: it goes where the brake goes.'
        : ''
      : helps
        ? ` Best ${controlPlaceWords[best.place]}${other}.`
        : ` Neither side of the brake’s clamp brings it in reach: its other screw place, if it has two; else another ${label}.`
  const off = state === 'far' ? msg`${mm(-by)} past the thumb` : msg`${mm(by)} too near: the hand touches it`
  const works = msg`The thumb works ${range(zone.from, zone.to)} from the bar’s end; the ${term('paddle')} is at ${mm(paddle)}, ±${mm(plusMinus)}.`
  add(`${control}-${state === 'far' ? 'far' : 'near'}`, side, weight, msg`${name} ${label} ${off}.`, msg`${works}${put}`, 'prior')
}

/** Room is known no better than this, mm; a tape and three rulers. @source common-practice */
const ROOM_DOUBT = 4

function roomFindings(side: Side, { left, inside, overlaps, straight }: BarRoom, add: Add): void {
  const half = `${sideName(side)} half`
  for (const [one, other] of overlaps) {
    add(
      'overlap',
      side,
      'note',
      `${half}: ${one} and ${other} overlap.`,
      'Read their places and widths again, or slide one of them.',
      'geometry',
    )
  }
  if (left < -ROOM_DOUBT) {
    const bend = msg`Straight part ${mm(straight)}. A part on the bend cannot be clamped safely. A gear display that comes off makes room.`
    add('no-room', side, 'act', msg`${half}: parts ${mm(-left)} longer than the straight part.`, bend, 'geometry')
  } else if (inside < -ROOM_DOUBT) {
    const free = msg`It lies ${mm(-inside)} past the straight part; ${mm(left)} are free further out.`
    add('on-bend', side, 'act', `${half}: a clamp stands on the bend.`, free, 'geometry')
  } else {
    const last = msg`${mm(Math.max(0, inside))} of it inside of the last clamp.`
    add('room', side, 'fine', msg`${half}: ${mm(Math.max(0, left))} of the straight part free.`, last, 'geometry')
  }
}

export function judgeControls({
  controls: standing,
  context,
}: {
  readonly controls: ControlStanding
  readonly context: VisitContext
}): Partial<PageJudgement> {
  const { findings, rooms } = standing
  const { setup } = context
  const bar = halfBar(setup).found
  return {
    findings,
    proposals: thumbControlKeys.flatMap((key) => proposalOf(key, standing, context)),
    working: sides.flatMap((side) => {
      const pieces = barPieces(setup, side).found
      if (!bar || !pieces || !rooms[side]) return []
      return [{ heading: `Room, ${side} half`, calculation: anyCalculation(barRoomCalculation), input: { ...bar, pieces }, plusMinus: {} }]
    }),
  }
}

function proposalOf(control: ThumbControl, { findings }: ControlStanding, { setup }: VisitContext): Proposal[] {
  const { clamp, label } = thumbControls[control]
  const keys = [`${control}-far`, `${control}-near`]
  const requested = sides.flatMap((side): RequestedMove[] => {
    const by = isActed(findings, side, ...keys) ? controlMove(setup, side, control) : 0
    return by === 0 ? [] : [{ setting: clamp, side, by }]
  })
  if (requested.length === 0) return []
  const words = msg`${capital(label)} ${amounts(requested, 'inboard', 'outboard')}`
  return [{ key: control, words, requested, reason: reasonOf(findings, ...keys) }]
}
