import type { Requested, RequestedMove } from '../ledger/moves.ts'
import { leastOf, settingOf, soldMove } from '../ledger/settings.ts'
import { capOf, unreadPace } from '../ledger/pace.ts'
import { verdictOf } from '../kernel/judged.ts'
import type { BandEnd } from '../kernel/judged.ts'
import { dialIn, leverTurn } from '../stations/hands/levers/judge.ts'
import { widthRequest } from '../stations/hands/width/judge.ts'
import { controlMove } from '../stations/hands/controls/inputs.ts'
import { sides as bothSides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { legLengthReadings } from '../stations/seat/legs/readings.ts'
import { narrowerFront } from '../stations/seat/saddle/judge.ts'
import { closerBy } from '../stations/hands/place/judge.ts'
import { rollRoom } from '../stations/hands/roll/readings.ts'
import { SETBACK_STEP } from '../stations/seat/setback/judge.ts'
import type { CauseKey } from './causeTable.ts'
import type { Facts } from './context.ts'
import { moveFor } from './learning.ts'
import { stillToGo } from './rank.ts'

/** Moves that a station works out exactly, where its judgement has one. */
const exact: Partial<Record<CauseKey, (facts: Facts, sides: readonly Side[]) => Requested[] | null>> = {
  rotation: ({ feet }, sides) =>
    sides.flatMap((side): RequestedMove[] => {
      const judged = feet.rotation[side]
      return judged.state === 'missing' || judged.turn === 0 ? [] : [{ setting: 'cleatTurn', side, by: judged.turn }]
    }),
  'cleat-forward': ({ feet }, sides) =>
    sides.flatMap((side): RequestedMove[] => {
      const judged = feet.cleat[side]
      return judged.state === 'missing' || judged.result.difference <= 0
        ? []
        : [{ setting: 'cleatSetback', side, by: judged.result.difference }]
    }),
  'cleats-apart': ({ feet }) =>
    bothSides.flatMap((side): RequestedMove[] => {
      const judged = feet.cleat[side]
      return judged.state === 'missing' || Math.abs(judged.result.difference) < 1
        ? []
        : [{ setting: 'cleatSetback', side, by: judged.result.difference }]
    }),
  'foot-tilt': ({ feet }, sides) => [
    ...sides.flatMap((side): RequestedMove[] => (feet.wedge[side].by === 0 ? [] : [{ setting: 'wedge', side, by: feet.wedge[side].by }])),
  ],
  'no-arch-support': ({ feet }, sides) =>
    sides.flatMap((side): RequestedMove[] =>
      feet.footbed[side].by <= 0 ? [] : [{ setting: 'archSupport', side, by: feet.footbed[side].by }],
    ),
  'nose-up': ({ seat }) => tiltMove(seat.tilt.by, -1),
  'nose-down': ({ seat }) => tiltMove(seat.tilt.by, 1),
  'saddle-high': (facts) => heightMove(facts, -1),
  'saddle-low': (facts) => heightMove(facts, 1),
  'saddle-forward': () => [{ setting: 'saddleSetback', side: 'both', by: SETBACK_STEP }],
  'saddle-back': () => [{ setting: 'saddleSetback', side: 'both', by: -SETBACK_STEP }],
  'rubs-under-load': ({ setup }) => {
    const by = narrowerFront(setup)
    return by === 0 ? null : [{ setting: 'saddleNoseWidth', side: 'both', by }]
  },
  'leg-length': ({ seat, setup }) => {
    const { shorter, now } = seat.legs
    const { difference } = legLengthReadings(setup.now)
    return difference === null || shorter === null || now <= 0 ? null : [{ setting: 'soleStack', side: shorter, by: now }]
  },
  'reach-long': ({ hands }) => {
    const by = closerBy(hands.place)
    return by === null ? null : [{ setting: 'handReach', side: 'both', by }]
  },
  'lever-far': ({ hands }, sides) =>
    sides.flatMap((side): RequestedMove[] => {
      const by = dialIn(hands.levers.sides[side])
      return by === 0 ? [] : [{ setting: 'leverReach', side, by }]
    }),
  'wrist-back': (facts) => leverMoves(facts, 1),
  'wrist-forward': (facts) => leverMoves(facts, -1),
  'bar-wide': (facts) => barMove(facts, 'high'),
  'bar-narrow': (facts) => barMove(facts, 'low'),
  'hook-off': ({ hands }, sides) =>
    sides.flatMap((side): RequestedMove[] => {
      const by = Math.round(hands.levers.sides[side].hook.found?.off ?? 0)
      return by === 0 ? [] : [{ setting: 'leverClamp', side, by }]
    }),
  'shifter-side': ({ setup }, sides) =>
    sides.flatMap((side): RequestedMove[] => {
      const by = controlMove(setup, side)
      return by === 0 ? [] : [{ setting: 'shifterClamp', side, by }]
    }),
}

/** Causes whose page alone says how far to go: where it moves nothing, nothing is moved. */
const pageDecides: ReadonlySet<CauseKey> = new Set(['wrist-back', 'wrist-forward', 'lever-far', 'bar-wide', 'bar-narrow'])

/** Levers of a flat bar as their page turns them, both where both are out; a drop bar's go with its hoods. */
function leverMoves({ hands, setup }: Facts, way: 1 | -1): RequestedMove[] | null {
  if (setup.rider.bar === 'drop') return null
  return bothSides.flatMap((side): RequestedMove[] => {
    const by = leverTurn(hands.levers.sides[side])
    return Math.sign(by) === way ? [{ setting: 'leverAngle', side, by }] : []
  })
}

/** The bar as its page cuts or exchanges it; null where its width is not known, or it lies at the other end. */
function barMove({ hands: { width }, setup }: Facts, end: BandEnd): Requested[] | null {
  if (width.stands === null) return null
  return verdictOf(width.stands).end === end ? widthRequest(width, setup) : []
}

function tiltMove(by: number, way: 1 | -1): RequestedMove[] | null {
  return Math.sign(by) === way ? [{ setting: 'saddleTilt', side: 'both', by }] : null
}

function heightMove({ seat: { height } }: Facts, way: 1 | -1): RequestedMove[] | null {
  return height === null || Math.sign(height.by) !== way ? null : [{ setting: 'saddleHeight', side: 'both', by: height.by }]
}

const keptWithin = (by: number, { low, high }: { readonly low: number; readonly high: number }) => Math.min(high, Math.max(low, by))

/** What answers a cause, and how it came by its size. */
interface RemedyMoves {
  readonly moves: readonly Requested[]
  /** sized by a number that was read; else one step */
  readonly isSized: boolean
  /** the number it would be sized by says that there is nothing left to move */
  readonly isThere: boolean
}

/**
 * The moves that answer a cause: as its station works them out, else by how far its number lies past
 * its line and the aim beyond it, else one step, and that never a whole move.
 * @param isGuess nothing that can be read speaks for the cause: the smallest step that can be felt
 */
export function remedyMoves(facts: Facts, cause: CauseKey, sides: readonly Side[], isGuess = false): RemedyMoves {
  const own = exact[cause]?.(facts, sides) ?? null
  if (own !== null && (own.length > 0 || pageDecides.has(cause))) return { moves: own, isSized: true, isThere: own.length === 0 }
  const move = moveFor(cause, facts.setup.rider.bar)
  if (move === null) return { moves: [], isSized: false, isThere: false }
  const { sided, resolution, ofPart, inPairs } = settingOf(move.setting)
  const places: readonly (Side | 'both')[] = sided ? (inPairs ? bothSides : sides) : ['both']
  const step = isGuess ? leastOf(move.setting) : capOf(move.setting, unreadPace(facts.input.pace))
  const rests = places.map((side) => ({ side, rest: stillToGo(facts, cause, side === 'both' ? sides : [side]) }))
  const isSized = rests.some(({ rest }) => rest !== null && rest > 0)
  const moves = rests.flatMap(({ side, rest }): RequestedMove[] => {
    if (rest !== null && rest <= 0) return []
    // A part comes in sizes; a setting goes no further than its number asks.
    const wanted = rest === null ? step : ofPart ? Math.max(leastOf(move.setting), rest) : Math.max(resolution, rest)
    const asked = move.way * Math.ceil(wanted / resolution - 0.5) * resolution
    const by = move.setting === 'barRoll' ? keptWithin(asked, rollRoom(facts.setup)) : asked
    if (by === 0) return []
    return [
      {
        setting: move.setting,
        side,
        by: soldMove(move.setting, facts.setup.now[move.setting][side === 'right' ? 'right' : 'left']?.value ?? null, by),
      },
    ]
  })
  // Of a part whose size nothing says, another one is looked for, and none is named.
  return { moves: ofPart && !isSized ? [] : moves, isSized, isThere: rests.every(({ rest }) => rest !== null && rest <= 0) }
}
