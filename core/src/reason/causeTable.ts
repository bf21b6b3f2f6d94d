import type { Message } from '../kernel/message.ts'
import type { WorkStation } from '../kernel/stations.ts'
import type { PageKeyOf } from '../stations/index.ts'
import type { BarKind } from '../bike/bikeKinds.ts'
import type { SettingKey } from '../ledger/settings.ts'
import type { SlotKey } from '../ledger/parts.ts'
import type { SourceKey } from '../kernel/sources.ts'
import type { TriedKey } from '../talk/history.ts'
import type { NumberKey } from '../readings/readingDefinitions.ts'
import type { NumberName } from './numbers.ts'
import { keysOf } from '../kernel/tables.ts'

/** A setting moved against a cause. */
export interface RemedyMove {
  readonly setting: SettingKey
  /** the way that answers the cause */
  readonly way: 1 | -1
  /** the number whose overshoot it takes away */
  readonly number: NumberName
  /** by how much a unit of the setting takes that number down */
  readonly perUnit: number
  /** where the number has no aim of its own: how far past its line the move goes, in the setting's unit; a number on its line, with its ±, is only half mended */
  readonly beyond?: number
}

/** What a fitter does about a cause: a setting moved, or a part looked for on its page. */
export interface Remedy {
  /** what it is called where no amount is known: "Saddle down" */
  readonly label: string
  /** minutes of work at the stand */
  readonly minutes: number
  /** a part has to be there for it */
  readonly part?: string
  readonly move?: RemedyMove
  /** the move on a drop bar, where it is another */
  readonly dropMove?: RemedyMove
  /** what is slid along the bar, either way, as the cause's page works it out */
  readonly slides?: SettingKey
  /** where the part is exchanged, and looked for on the cause's page */
  readonly slot?: SlotKey
  /** said with it */
  readonly says?: Message
  /** share of the cause it takes away, where it is less than a part commonly does: a search, and no remedy yet */
  readonly works?: number
}

/** A cause of the trade: one row, whichever complaint asks. */
export interface CauseRow {
  readonly label: string
  readonly station: WorkStation
  /** page of the station on which it is dealt with */
  readonly page: string
  /** the page on a drop bar, where it is another */
  readonly dropPage?: PageKeyOf<'hands'>
  /** each foot or hand by itself, else one for the rider */
  readonly sided: boolean
  readonly remedy: Remedy
  /** only on this kind of bar */
  readonly bar?: BarKind
  /** what the bike has to have for it: where this was read as 0, it has none */
  readonly needs?: NumberKey
  /** causes that are settled before it, whatever their complaint */
  readonly mutedBy?: readonly string[]
  /** causes whose change is made before this one's, where both are to be changed */
  readonly after?: readonly string[]
  /** what a rider may have tried that answers it, and that would make it worse */
  readonly tried?: { readonly same: readonly TriedKey[]; readonly opposite?: readonly TriedKey[] }
  readonly source: SourceKey
}

const feet = (page: PageKeyOf<'feet'>, label: string, sided: boolean, remedy: Remedy, more: Partial<CauseRow> = {}): CauseRow => ({
  label,
  station: 'feet',
  page,
  sided,
  remedy,
  source: 'common-practice',
  ...more,
})
const seat = (page: PageKeyOf<'seat'>, label: string, remedy: Remedy, more: Partial<CauseRow> = {}): CauseRow => ({
  label,
  station: 'seat',
  page,
  sided: false,
  remedy,
  source: 'common-practice',
  ...more,
})
const hands = (page: PageKeyOf<'hands'>, label: string, sided: boolean, remedy: Remedy, more: Partial<CauseRow> = {}): CauseRow => ({
  label,
  station: 'hands',
  page,
  sided,
  remedy,
  source: 'common-practice',
  ...more,
})

/** A foot that has no room, or slides about, is put right before what holds its shoe. @source common-practice */
const shoeFirst = { after: ['shoe-small', 'shoe-loose'] } as const
/** A pelvis that is not level is settled before a cleat is turned or moved. @source common-practice */
const crooked = { mutedBy: ['sits-rotated', 'leg-length'], ...shoeFirst } as const
/** A narrower bar brings the hands nearer: it comes before a shorter stem. @source common-practice */
const barFirst = { after: ['bar-wide'] } as const

/** Every cause, in the order of the work. */
export const causes = {
  'shoe-small': feet('shoe', 'Shoe narrow or short', true, { label: 'A shoe with room for this foot', minutes: 20, part: 'shoes', slot: 'shoes' }, { tried: { same: ['wider-shoes'] } }),
  'shoe-tight': feet('shoe', 'Shoe tied too hard', false, { label: 'Straps looser over the ball of the foot', minutes: 1, says: 'Close the shoe firm at the heel, loose over the ball.' }),
  'soft-shoe': feet('shoe', 'Soft upper or sole', false, { label: 'A shoe that holds the foot', minutes: 20, part: 'shoes', slot: 'shoes' }, { tried: { same: ['wider-shoes'] } }),
  'shoe-loose': feet('shoe', 'Shoe too long', true, { label: 'A shoe of the right length', minutes: 20, part: 'shoes', slot: 'shoes' }),
  'stiff-sole': feet('shoe', 'Sole too stiff to feel the ground', false, { label: 'A sole that gives', minutes: 20, part: 'shoes', slot: 'shoes' }),
  'small-patch': feet('pedal', 'Small pedal under a soft sole', false, { label: 'A pedal with a larger patch, or a stiffer sole', minutes: 15, part: 'pedals', slot: 'pedals' }, { tried: { same: ['other-pedals'] } }),
  'pedal-system': feet('pedal', 'Pedal system', false, { label: 'Pedals that are easy to get into', minutes: 15, part: 'pedals', slot: 'pedals' }, { tried: { same: ['other-pedals'] } }),
  'cleat-forward': feet('cleat', 'Cleat too far forward', true, { label: 'Cleat back', minutes: 6, move: { setting: 'cleatSetback', way: 1, number: 'cleatSetback', perUnit: 1 } }, { ...crooked, tried: { same: ['cleats-back'], opposite: ['cleats-forward'] } }),
  'cleats-apart': feet('cleat', 'Left and right cleat differ', false, { label: 'Both cleats to the same place', minutes: 8, says: 'Set both cleats to their own targets.' }, crooked),
  rotation: feet('rotation', 'Cleat turned against the foot', true, { label: 'Cleat turned to the foot’s own direction', minutes: 5, says: 'Foot’s own direction into the middle of the float.' }, { ...crooked, tried: { same: ['cleats-turned'] } }),
  'float-small': feet('rotation', 'Too little float for this heel', true, { label: 'A cleat with more float', minutes: 10, part: 'cleats', move: { setting: 'cleatFloat', way: 1, number: 'float', perUnit: 1 } }, crooked),
  'stance-narrow': feet('stance', 'Stance too narrow', true, { label: 'Foot outward', minutes: 6, move: { setting: 'cleatInboard', way: 1, number: 'stance', perUnit: 1 } }, crooked),
  'stance-wide': feet('stance', 'Stance too wide', true, { label: 'Foot inward', minutes: 6, move: { setting: 'cleatInboard', way: -1, number: 'stance', perUnit: 1 } }, crooked),
  'foot-tilt': feet('support', 'Foot tilts in the shoe', true, { label: 'A wedge of one degree', minutes: 8, part: 'a wedge', says: 'Smallest first, and look at the knee’s path again.' }, shoeFirst),
  'no-arch-support': feet('support', 'No arch support', true, { label: 'A footbed under the arch', minutes: 5, part: 'a footbed', move: { setting: 'archSupport', way: 1, number: 'archDrop', perUnit: 1, beyond: 1 } }, { ...shoeFirst, tried: { same: ['footbeds'] } }),
  'worn-cleat': feet('wear', 'Worn or rocking cleat', true, { label: 'New cleats', minutes: 10, part: 'cleats', says: 'In the place of the old ones: mark it first.' }, { tried: { same: ['new-cleats'] } }),
  'loose-bolts': feet('wear', 'Cleat bolts loose or missing', true, { label: 'All bolts in, at the maker’s torque', minutes: 3 }),
  tension: feet('wear', 'Pedal tension too hard', true, { label: 'Tension down', minutes: 2, says: 'Practise release on the trainer, ten times each foot.' }),
  'crank-long': feet('pedal', 'Crank too long', false, { label: 'Shorter cranks', minutes: 30, part: 'cranks', move: { setting: 'crank', way: -1, number: 'crank', perUnit: 1 }, slot: 'cranks' }),
  'nose-up': seat('tilt', 'Saddle nose too high', { label: 'Nose down', minutes: 3, move: { setting: 'saddleTilt', way: -1, number: 'saddleTilt', perUnit: 1 } }, { tried: { same: ['nose-down'], opposite: ['nose-up'] } }),
  'nose-down': seat('tilt', 'Saddle nose too far down', { label: 'Nose up', minutes: 3, move: { setting: 'saddleTilt', way: 1, number: 'saddleTilt', perUnit: 1 } }, { tried: { same: ['nose-up'], opposite: ['nose-down'] } }),
  'saddle-narrow': seat('saddle', 'Saddle too narrow', { label: 'A wider saddle', minutes: 15, part: 'a saddle', move: { setting: 'saddleWidth', way: 1, number: 'saddleWidth', perUnit: 1 }, slot: 'saddle' }, { tried: { same: ['other-saddle'] } }),
  'saddle-wide': seat('saddle', 'Saddle too wide', { label: 'A narrower saddle', minutes: 15, part: 'a saddle', move: { setting: 'saddleWidth', way: -1, number: 'saddleWidth', perUnit: 1 }, slot: 'saddle' }, { tried: { same: ['other-saddle'] } }),
  'no-relief': seat('saddle', 'Saddle without relief in the middle', { label: 'A saddle with relief', minutes: 15, part: 'a saddle', slot: 'saddle' }, { tried: { same: ['other-saddle'] } }),
  'saddle-worn': seat('saddle', 'Saddle sags or is cracked', { label: 'A sound saddle', minutes: 15, part: 'a saddle', slot: 'saddle' }, { tried: { same: ['other-saddle'] } }),
  'rubs-under-load': seat('saddle', 'Saddle rubs under load', { label: 'A saddle with a narrower nose', minutes: 15, part: 'a saddle', slot: 'saddle' }, { tried: { same: ['other-saddle'] } }),
  'saddle-high': seat('height', 'Saddle too high', { label: 'Saddle down', minutes: 2, move: { setting: 'saddleHeight', way: -1, number: 'knee', perUnit: 0.5, beyond: 4 } }, { tried: { same: ['saddle-down'], opposite: ['saddle-up'] } }),
  'saddle-low': seat('height', 'Saddle too low', { label: 'Saddle up', minutes: 2, move: { setting: 'saddleHeight', way: 1, number: 'knee', perUnit: 0.5, beyond: 1 } }, { tried: { same: ['saddle-up'], opposite: ['saddle-down'] } }),
  'saddle-forward': seat('setback', 'Saddle too far forward', { label: 'Saddle back', minutes: 4, move: { setting: 'saddleSetback', way: 1, number: 'load', perUnit: 0.1 } }, { tried: { same: ['saddle-back'], opposite: ['saddle-forward'] } }),
  'saddle-back': seat('setback', 'Saddle too far back', { label: 'Saddle forward', minutes: 4, move: { setting: 'saddleSetback', way: -1, number: 'hip', perUnit: 0.1 } }, { tried: { same: ['saddle-forward'], opposite: ['saddle-back'] } }),
  'never-moves': seat('setback', 'Never moves on the saddle', { label: 'Stand ten seconds every five minutes', minutes: 1, says: 'Costs nothing, and tells at once.' }),
  'sits-rotated': seat('legs', 'Sits rotated', { label: 'Look for what turns the pelvis', minutes: 10, works: 0.3, says: 'Saddle’s state and width, leg length, then the cleats.' }),
  'leg-length': seat('legs', 'One leg shorter', { label: 'A shim under the shorter leg', minutes: 15, part: 'a shim', says: 'Half of the difference at most, in steps.' }),
  'saddle-up-downhill': seat('height', 'Saddle left up on descents', { label: 'Drop the saddle before steep ground', minutes: 1 }, { bar: 'flat', needs: 'dropperTravel' }),
  'reach-long': hands('place', 'Reach too long', false, { label: 'Bar closer', minutes: 8, part: 'a stem', move: { setting: 'handReach', way: -1, number: 'elbow', perUnit: 0.6, beyond: 15 } }, { ...barFirst, tried: { same: ['bar-closer'], opposite: ['bar-further'] } }),
  'reach-short': hands('place', 'Reach too short', false, { label: 'Bar further away', minutes: 8, part: 'a stem', move: { setting: 'handReach', way: 1, number: 'elbow', perUnit: 0.6, beyond: 15 } }, { tried: { same: ['bar-further'], opposite: ['bar-closer'] } }),
  'front-low': hands('place', 'Front too low', false, { label: 'Bar up', minutes: 6, move: { setting: 'handHeight', way: 1, number: 'frontTorso', perUnit: 0.1, beyond: 30 } }, { tried: { same: ['bar-higher'], opposite: ['bar-lower'] } }),
  'front-high': hands('place', 'Front too high', false, { label: 'Bar down', minutes: 6, move: { setting: 'handHeight', way: -1, number: 'handsBelow', perUnit: 1, beyond: 25 } }, { tried: { same: ['bar-lower'], opposite: ['bar-higher'] } }),
  'bar-wide': hands('width', 'Bar too wide', false, { label: 'A narrower bar', minutes: 25, part: 'a bar', move: { setting: 'barWidth', way: -1, number: 'barWidth', perUnit: 1 }, dropMove: { setting: 'hoodWidth', way: -1, number: 'barWidth', perUnit: 1 }, slot: 'bar' }, { tried: { same: ['narrower-bar'], opposite: ['wider-bar'] } }),
  'bar-narrow': hands('width', 'Bar too narrow', false, { label: 'A wider bar', minutes: 25, part: 'a bar', move: { setting: 'barWidth', way: 1, number: 'barWidth', perUnit: 1 }, dropMove: { setting: 'hoodWidth', way: 1, number: 'barWidth', perUnit: 1 }, slot: 'bar' }, { tried: { same: ['wider-bar'], opposite: ['narrower-bar'] } }),
  'stem-long': hands('cockpit', 'Stem too long', false, { label: 'A shorter stem', minutes: 10, part: 'a stem', move: { setting: 'stemLength', way: -1, number: 'stem', perUnit: 1, beyond: 10 }, slot: 'stem' }, barFirst),
  'rolled-back': hands('roll', 'Bar rolled back', false, { label: 'Bar rolled forward', minutes: 3, move: { setting: 'barRoll', way: 1, number: 'barRoll', perUnit: 1, beyond: 3 } }, { dropPage: 'hoods' }),
  'rolled-forward': hands('roll', 'Bar rolled forward', false, { label: 'Bar rolled back', minutes: 3, move: { setting: 'barRoll', way: -1, number: 'barRoll', perUnit: 1, beyond: 3 } }, { dropPage: 'hoods' }),
  'hoods-low': hands('hoods', 'Hoods too low: wrist bent to the little finger', true, { label: 'Hoods up', minutes: 12, move: { setting: 'barRoll', way: -1, number: 'wrist', perUnit: 0.8, beyond: 5 } }, { bar: 'drop', tried: { same: ['levers-moved'] } }),
  'hoods-in': hands('hoods', 'Hoods turned in too far', true, { label: 'Hoods turned out', minutes: 12, move: { setting: 'hoodAngle', way: -1, number: 'hoodIn', perUnit: 1, beyond: 7 } }, { bar: 'drop', tried: { same: ['levers-moved'] } }),
  'wrist-back': hands('levers', 'Wrist bent back: levers too flat, or hoods too far up', true, { label: 'Levers down', minutes: 3, move: { setting: 'leverAngle', way: 1, number: 'leverAngle', perUnit: 1 }, dropMove: { setting: 'barRoll', way: 1, number: 'hoodPlace', perUnit: 1, beyond: 6 } }, { dropPage: 'hoods', tried: { same: ['levers-moved'] } }),
  'wrist-forward': hands('levers', 'Wrist bent forward: levers too low', true, { label: 'Levers up', minutes: 3, move: { setting: 'leverAngle', way: -1, number: 'leverAngle', perUnit: 1 }, dropMove: { setting: 'barRoll', way: -1, number: 'hoodPlace', perUnit: 1, beyond: 6 } }, { dropPage: 'hoods', tried: { same: ['levers-moved'] } }),
  'sweep-off': hands('roll', 'Bar sweep does not match the hands', true, { label: 'A bar with the hand’s own sweep', minutes: 25, part: 'a bar', slot: 'bar' }, { dropPage: 'hoods' }),
  'grip-thick': hands('grips', 'Grip too thick or squeezed hard', true, { label: 'Thinner grips', minutes: 10, part: 'grips', move: { setting: 'gripDiameter', way: -1, number: 'gripDiameter', perUnit: 1 }, slot: 'grips' }, { tried: { same: ['other-grips'] } }),
  'grip-thin': hands('grips', 'Grip too thin', true, { label: 'Thicker grips', minutes: 10, part: 'grips', move: { setting: 'gripDiameter', way: 1, number: 'gripDiameter', perUnit: 1 }, slot: 'grips' }, { tried: { same: ['other-grips'] } }),
  'lever-far': hands('levers', 'Brake lever too far from the bar', true, { label: 'Lever reach shorter', minutes: 2, move: { setting: 'leverReach', way: -1, number: 'leverReach', perUnit: 1 } }, { tried: { same: ['levers-moved'] } }),
  'two-fingers': hands('levers', 'Brakes with two fingers', false, { label: 'One finger, on the hook', minutes: 2, says: 'The others hold the bar.' }, { bar: 'flat' }),
  'hook-off': hands('levers', 'Lever’s hook not under the finger', true, { label: 'Lever clamp to where the finger lands on the hook', minutes: 4, slides: 'leverClamp', says: 'Slide it by what the finger misses.' }, { bar: 'flat', tried: { same: ['levers-moved'] } }),
  'shifter-side': hands('controls', 'Shifter out of the thumb’s reach', true, { label: 'Shifter to the other side of the brake clamp', minutes: 6, slides: 'shifterClamp' }, { bar: 'flat', tried: { same: ['levers-moved'] } }),
  'tyres-hard': hands('place', 'Tyres or fork too hard', false, { label: 'Softer tyres, more sag', minutes: 3, says: 'Within the makers’ limits, a little softer in front.' }, { tried: { same: ['softer-tyres'] } }),
  'front-soft': hands('place', 'Fork or tyres too soft in front', false, { label: 'Firmer fork and front tyre', minutes: 3, says: 'Within the makers’ limits.' }),
} as const satisfies Readonly<Record<string, CauseRow>> // prettier-ignore

export type CauseKey = keyof typeof causes
export const causeKeys = keysOf(causes)

/** A row of the table. */
export function causeOf(key: CauseKey): CauseRow {
  return causes[key]
}

/** The page on which a cause is dealt with, on a bike with this bar. */
export function causePage(key: CauseKey, bar: BarKind): string {
  const { page, dropPage } = causeOf(key)
  return bar === 'drop' ? (dropPage ?? page) : page
}
