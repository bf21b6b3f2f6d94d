import type { Move } from './ledger.ts'
import type { SettingKey } from './settings.ts'
import type { SourceKey } from '../sources.ts'

/** Said where the hand is about to act. */
export interface CautionRow {
  readonly settings: readonly SettingKey[]
  readonly words: string
  readonly source: SourceKey
}

export const cautionRows: readonly CautionRow[] = [
  { settings: ['cleatSetback', 'cleatInboard', 'cleatTurn', 'pedalKind', 'cleatFloat'], words: 'Mark the cleat’s place; bolts to the maker’s torque, or the foot will not release. Practise the release.', source: 'common-practice' },
  { settings: ['saddleHeight', 'saddleRailHeight'], words: 'Seatpost: insertion mark hidden, the maker’s torque; carbon: the maker’s paste, no grease.', source: 'iso-4210' },
  { settings: ['saddleSetback', 'saddleTilt', 'saddleKind', 'saddleWidth', 'saddleZoneWidth', 'saddleNoseWidth', 'saddleLength', 'sitFromNose'], words: 'Rails inside their marks, clamp to the maker’s torque; carbon rails only where the clamp’s maker allows them. Check height again.', source: 'common-practice' },
  { settings: ['handReach', 'handHeight', 'spacers', 'stemLength', 'stemAngle'], words: 'Stem on the steerer as its maker asks, headset without play; cables long enough at full lock.', source: 'common-practice' },
  { settings: ['barWidth', 'gripSpacing'], words: 'A cut takes both ends for good: hands first, cut later, not under the maker’s minimum.', source: 'common-practice' },
  { settings: ['barRoll', 'barRise', 'barForward', 'barBacksweep', 'barUpsweep', 'barReach'], words: 'Bar centred, clamp to the maker’s torque.', source: 'common-practice' },
  { settings: ['leverAngle', 'barRoll'], words: 'Pull both brakes before riding off.', source: 'common-practice' },
  { settings: ['cleatTurn'], words: 'Heel clear of crank and chainstay at both ends of the float, turned by hand before riding.', source: 'common-practice' },
  { settings: ['wedge', 'archSupport'], words: 'One step, then look at the knee’s path again; numb or painful: take it out.', source: 'common-practice' },
  { settings: ['washer', 'axleLength', 'adapter', 'pedalKind'], words: 'Enough thread left in the crank, as the makers say; the left pedal turns the other way.', source: 'common-practice' },
  { settings: ['crank', 'tread'], words: 'Crank bolts to the maker’s torque; toe clearance to the front wheel.', source: 'iso-4210' },
] // prettier-ignore

/** Cautions for a set of moves, each once, in the order of the table. */
export function cautionsFor(moves: readonly Pick<Move, 'setting'>[]): string[] {
  return cautionRows.filter((row) => moves.some((move) => row.settings.includes(move.setting))).map((row) => row.words)
}
