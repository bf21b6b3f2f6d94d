import { msg } from '../kernel/message.ts'
import { term } from '../readings/table/terms.ts'
import type { Message } from '../kernel/message.ts'
import type { Move } from './ledger.ts'
import type { Exchange, SlotKey } from './parts.ts'
import type { SettingKey } from './settings.ts'
import type { SourceKey } from '../kernel/sources.ts'

/** Said where the hand is about to act. */
export interface CautionRow {
  readonly settings: readonly SettingKey[]
  /** said as well when one of these parts is exchanged */
  readonly slots?: readonly SlotKey[]
  readonly words: Message
  readonly source: SourceKey
}

/** What is pulled and pressed after anything was moved that a brake hangs on. @source common-practice */
const brakes: CautionRow = {
  settings: [
    'leverAngle',
    'leverReach',
    'leverClamp',
    'shifterClamp',
    'remoteClamp',
    'hoodPosition',
    'hoodAngle',
    'barRoll',
    'barWidth',
    'gripDiameter',
    'barRise',
    'barForward',
    'barBacksweep',
    'barUpsweep',
    'barReach',
  ],
  slots: ['levers', 'bar', 'grips'],
  words: msg`Before riding off pull both brakes hard: the lever must not touch the bar, front and rear must work as before. Press on the bar with the body’s weight: bar, ${term('hoods', 'hoods')} and clamps must not turn.`,
  source: 'common-practice',
}

export const cautionRows: readonly CautionRow[] = [
  brakes,
  { settings: ['cleatSetback', 'cleatInboard', 'cleatTurn', 'cleatFloat'], slots: ['pedals', 'shoes'], words: 'Mark the cleat’s place; bolts to the maker’s torque, or the foot will not release. Practise the release.', source: 'common-practice' },
  { settings: ['saddleHeight', 'saddleRailHeight'], slots: ['saddle'], words: 'Seatpost: insertion mark hidden, the maker’s torque; carbon: the maker’s paste, no grease.', source: 'iso-4210' },
  { settings: ['saddleSetback', 'saddleTilt'], slots: ['saddle', 'seatpostHead'], words: 'Rails inside their marks, clamp to the maker’s torque; carbon rails only where the clamp’s maker allows them. Check height again.', source: 'common-practice' },
  { settings: ['saddleNoseWidth'], words: 'Both halves of the front inside the maker’s marks and alike; their bolts to the maker’s torque.', source: 'common-practice' },
  { settings: ['handReach', 'handHeight', 'spacers', 'stemLength', 'stemAngle'], slots: ['stem'], words: 'Stem on the steerer as its maker asks, headset without play; cables long enough at full lock; press on the bar with the body’s weight: it must not turn.', source: 'common-practice' },
  { settings: ['barWidth', 'gripSpacing'], words: 'A cut takes both ends for good: hands first, cut later, not under the maker’s minimum; burrs off, ends closed.', source: 'common-practice' },
  { settings: ['barRoll', 'barRise', 'barForward', 'barBacksweep', 'barUpsweep', 'barReach'], slots: ['bar'], words: 'Bar centred, clamp to the maker’s torque.', source: 'common-practice' },
  { settings: ['gripSpacing'], slots: ['bar'], words: 'Hands wider or narrower than before steer differently: ride it first away from traffic.', source: 'common-practice' },
  { settings: ['leverAngle', 'leverClamp', 'shifterClamp', 'remoteClamp'], words: 'Clamps just firm enough to turn in a fall, where the maker allows; no scored bar.', source: 'common-practice' },
  { settings: ['padForward', 'padUp', 'padSpacing', 'extensionLength', 'extensionAngle'], slots: ['extensions'], words: msg`Pads and ${term('extensions', 'extensions')} to the maker’s torque, bridged only as the maker allows; ride them first away from traffic, brakes at hand. Check the event’s rules.`, source: 'common-practice' },
  { settings: ['gripDiameter'], slots: ['grips'], words: 'Grips that cannot turn, ends closed; grip lock bolts to the maker’s torque.', source: 'common-practice' },
  { settings: ['cleatTurn'], words: msg`Heel clear of crank and chainstay at both ends of the ${term('float')}, turned by hand before riding.`, source: 'common-practice' },
  { settings: ['wedge', 'heelWedge', 'archSupport'], slots: ['footbeds'], words: 'One step, then look at the knee’s path again; numb or painful: take it out.', source: 'common-practice' },
  { settings: ['washer', 'axleLength', 'adapter'], slots: ['pedals'], words: 'Enough thread left in the crank, as the makers say; the left pedal turns the other way.', source: 'common-practice' },
  { settings: ['crank', 'tread'], slots: ['cranks'], words: 'Crank bolts to the maker’s torque; toe clearance to the front wheel.', source: 'iso-4210' },
] // prettier-ignore

/** What a caution goes by: what is moved, and which parts are exchanged. */
export interface Cautioned {
  readonly moves: readonly Pick<Move, 'setting'>[]
  readonly exchanges: readonly Pick<Exchange, 'slot'>[]
}

const isAbout = ({ moves, exchanges }: Cautioned, row: CautionRow) =>
  moves.some((move) => row.settings.includes(move.setting)) || exchanges.some(({ slot }) => row.slots?.includes(slot))

/** Cautions for a change, each once, in the order of the table: brakes first. */
export function cautionsFor(change: Cautioned): Message[] {
  return cautionRows.filter((row) => isAbout(change, row)).map((row) => row.words)
}

/** Cautions for several changes together, each once. */
export function cautionsForAll(changes: readonly Cautioned[]): Message[] {
  return cautionRows.filter((row) => changes.some((change) => isAbout(change, row))).map((row) => row.words)
}

/** Whether a change moves something that a brake hangs on: then it must be known which lever works which brake. */
export function isAboutBrakes(change: Cautioned): boolean {
  return isAbout(change, brakes)
}
