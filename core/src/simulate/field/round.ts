import { seeded } from '../../kernel/random.ts'
import { verdictOf } from '../../kernel/judged.ts'
import type { Judged } from '../../kernel/judged.ts'
import { sides } from '../../kernel/sided.ts'
import type { Side } from '../../kernel/sided.ts'
import { keysOf } from '../../kernel/tables.ts'
import { defaultHolds, knockOn } from '../../knockOn/knockOn.ts'
import type { CauseKey } from '../../reason/causeTable.ts'
import { causeOf } from '../../reason/causeTable.ts'
import { numberAt } from '../../reason/evidence.ts'
import { numberRow, numbers } from '../../reason/numbers.ts'
import type { NumberName } from '../../reason/numbers.ts'
import { reason } from '../../reason/reason.ts'
import { visitModel } from '../../reason/visitModel.ts'
import type { LedgerEntry } from '../../ledger/ledger.ts'
import { standingOf } from '../../rider/setup.ts'
import { simulatedVisit } from '../visit.ts'
import type { DefectName } from './defects.ts'
import { fieldRider, readField } from './rider.ts'
import type { FieldRider } from './rider.ts'

/** What the reasoner calls each defect: any of these is right. Used to score alone. */
const calledBy: Readonly<Record<DefectName, readonly CauseKey[]>> = {
  'seat post 16 mm too far out': ['saddle-high'],
  'seat post 18 mm too far in': ['saddle-low'],
  'saddle slid back past where it carries': ['saddle-back'],
  'saddle slid forward past where it carries': ['saddle-forward'],
  'nose of the saddle up': ['nose-up'],
  'nose of the saddle far down': ['nose-down'],
  'saddle a size too narrow': ['saddle-narrow'],
  'saddle two sizes too wide': ['saddle-wide'],
  'closed saddle': ['no-relief'],
  'saddle broken on one side': ['saddle-worn'],
  'broad padded saddle ridden hard': ['rubs-under-load'],
  'never stands up': ['never-moves'],
  'one leg 11 mm shorter': ['leg-length'],
  'pelvis twisted': ['sits-rotated'],
  'one cleat 9 mm ahead of the other': ['cleats-apart'],
  'cleats far forward': ['cleat-forward'],
  'cleat turned 9° off the foot': ['rotation'],
  'cleat with hardly any float': ['float-small'],
  'feet too far in': ['stance-narrow'],
  'feet too far out': ['stance-wide'],
  'forefoot that tilts': ['foot-tilt'],
  'arch that drops': ['no-arch-support'],
  'cleat worn down': ['worn-cleat'],
  'spring screwed tight': ['tension'],
  'narrow shoe': ['shoe-small'],
  'shoe pulled tight': ['shoe-tight'],
  'soft shoe': ['soft-shoe'],
  'small pedal under a soft sole': ['small-patch'],
  'board-stiff sole': ['stiff-sole'],
  'plate pedal with a cleat that stands out': ['pedal-system'],
  'cranks 13 mm too long': ['crank-long'],
  'bar 35 mm too far away': ['reach-long'],
  'bar 35 mm too near': ['reach-short'],
  'bar 70 mm too low': ['front-low'],
  'bar 75 mm too high': ['front-high'],
  'bar 55 mm too wide': ['bar-wide'],
  'hoods 50 mm too wide': ['bar-wide'],
  'bar 80 mm too narrow': ['bar-narrow'],
  'long stem': ['stem-long'],
  'bar rolled back': ['rolled-back'],
  'bar rolled forward': ['rolled-forward'],
  'hoods low on the bend': ['hoods-low'],
  'hoods high on the bend': ['wrist-back'],
  'hoods turned far in': ['hoods-in'],
  'levers too flat': ['wrist-back'],
  'levers too low': ['wrist-forward'],
  'levers too far away': ['lever-far'],
  'lever slid off the finger': ['hook-off'],
  'shifter out of reach': ['shifter-side'],
  'two fingers on the brake': ['two-fingers'],
  'grips too thick': ['grip-thick'],
  'grips too thin': ['grip-thin'],
  'bar that sweeps against the hand': ['sweep-off'],
  'tyres hard as wood': ['tyres-hard'],
  'fork soft as butter': ['front-soft'],
  'saddle left up on steep ground': ['saddle-up-downhill'],
}

/** What the reasoner made of one rider, who was read once. */
export interface FieldRound {
  readonly behind: DefectName
  readonly complaint: string
  /** place of what is behind it, 0 = first; null = not thought of */
  readonly place: number | null
  /** what was stated of each cause, and whether it was the one */
  readonly stated: readonly { readonly probability: number; readonly isIt: boolean }[]
  /** cause that came first */
  readonly first: CauseKey | null
  /** numbers that were good and that the first move takes clearly out of their band; null = no move is offered */
  readonly spoiled: readonly string[] | null
}

/** One rider of the field, by seed. */
export function fieldRound(seed: number): FieldRound {
  const random = seeded(seed)
  for (let i = 0; i < 8; i++) random()
  const rider = fieldRider(random)
  const { kind, complaint } = rider
  const { input } = visitModel(simulatedVisit({ kind, complaints: [complaint], readings: readField(rider, random) }))
  const { reasoned } = reason(input)
  const right = calledBy[rider.behind]
  const place = reasoned.causes.findIndex(({ cause }) => right.includes(cause))
  const move = reasoned.moves.find(({ requested }) => requested.length > 0)
  const change = move && knockOn(standingOf(input.setup), move.requested, defaultHolds(move.requested), 'step', input.pace)
  const tried: LedgerEntry | null = change
    ? {
        kind: 'try',
        id: '00000000-0000-4000-b000-000000000001',
        at: '2026-01-01T00:00:00.000Z',
        station: causeOf(move.cause).station,
        moves: [...change.moves],
        exchanges: [...change.exchanges],
        pace: input.pace,
        reason: '',
        later: '',
      }
    : null
  return {
    behind: rider.behind,
    complaint: complaint.control ?? complaint.places[0]?.region ?? '',
    place: place < 0 ? null : place,
    stated: reasoned.causes.map(({ cause, probability }) => ({ probability, isIt: right.includes(cause) })),
    first: reasoned.causes[0]?.cause ?? null,
    spoiled: tried && spoiledBy(rider, tried),
  }
}

/** Numbers that truly were in their band and clearly are not after a change. */
function spoiledBy(rider: FieldRider, tried: LedgerEntry): string[] {
  const truly = { kind: rider.kind, complaints: [rider.complaint], readings: readField(rider, null) }
  const [before, after] = [visitModel(simulatedVisit(truly)).facts, visitModel(simulatedVisit({ ...truly, ledger: [tried] })).facts]
  return keysOf(numbers).flatMap((name: NumberName) =>
    (numberRow(name).sided ? sides : (['left'] as const)).flatMap((side: Side) => {
      const [was, is]: (Judged | null)[] = [numberAt(before, name, side), numberAt(after, name, side)]
      return was?.band && is?.band && verdictOf(was).end === null && verdictOf(is).isClear ? [`${name} ${side}`] : []
    }),
  )
}

/** How good what was said of many riders is. */
export interface FieldScore {
  readonly riders: number
  /** shares, 0 to 1 */
  readonly first: number
  readonly amongThree: number
  /** stated and true shares in tenths of what was stated, and their mean distance weighted by how many */
  readonly tenths: readonly { readonly stated: number; readonly true: number; readonly count: number }[]
  readonly calibration: number
  /** share of first moves that take a good number out of its band */
  readonly bad: number
}

export function scoreOf(rounds: readonly FieldRound[]): FieldScore {
  const share = (count: number, of: number) => (of === 0 ? 0 : count / of)
  const stated = rounds.flatMap((round) => round.stated)
  const tenths = Array.from({ length: 10 }, (_, i) => stated.filter(({ probability }) => Math.min(9, Math.floor(10 * probability)) === i))
    .filter((list) => list.length > 0)
    .map((list) => ({
      stated: list.reduce((sum, { probability }) => sum + probability, 0) / list.length,
      true: share(list.filter(({ isIt }) => isIt).length, list.length),
      count: list.length,
    }))
  const offered = rounds.filter(({ spoiled }) => spoiled !== null)
  return {
    riders: rounds.length,
    first: share(rounds.filter(({ place }) => place === 0).length, rounds.length),
    amongThree: share(rounds.filter(({ place }) => place !== null && place < 3).length, rounds.length),
    tenths,
    calibration: tenths.reduce((sum, { stated: said, true: is, count }) => sum + (count / stated.length) * Math.abs(said - is), 0),
    bad: share(offered.filter(({ spoiled }) => (spoiled ?? []).length > 0).length, offered.length),
  }
}
