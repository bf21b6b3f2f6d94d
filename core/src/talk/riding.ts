import { z } from 'zod'
import { numberField } from '../kernel/calculation.ts'
import { textField } from '../kernel/fields.ts'
import { keysOf } from '../kernel/tables.ts'

/** Kinds of riding a fitter asks for. */
export const ridingKinds = {
  road: 'Road',
  touring: 'Long distance',
  'time-trial': 'Time trial, triathlon',
  gravel: 'Gravel',
  'cross-country': 'Cross-country',
  trail: 'Trail',
  downhill: 'Downhill',
  town: 'Town, errands',
  indoor: 'Indoor',
} as const
export const shareWords = { some: 'some', half: 'half', most: 'most' } as const
export const terrains = { flat: 'Flat', hilly: 'Hilly', mountains: 'Long climbs', steep: 'Steep descents', rough: 'Rough ground' } as const
/** Where an injury or an operation was. */
export const injuryPlaces = {
  neck: 'Neck',
  back: 'Back',
  shoulder: 'Shoulder',
  hand: 'Hand, wrist',
  hip: 'Hip, pelvis',
  knee: 'Knee',
  foot: 'Foot, ankle',
  head: 'Head',
} as const
export const clipSkills = {
  never: 'Never used them',
  uneasy: 'Uneasy with them',
  some: 'Some practice',
  used: 'Used to them',
} as const
export const ridingAims = {
  comfort: 'Comfort',
  speed: 'Speed',
  control: 'Control on steep ground',
  distance: 'Distance',
} as const

const known = (what: string) => ({ error: `${what} is not one of the answers known here.` })
const some = <Table extends object>(table: Table, what: string) =>
  z.array(z.enum(keysOf(table), known(what))).max(20, { error: `${what}: at most 20 answers.` })

/** How the rider rides: everything may be left out. Hours are hours. */
export const ridingSchema = z.strictObject({
  kinds: z.partialRecord(z.enum(keysOf(ridingKinds), known('Kind of riding')), z.enum(keysOf(shareWords), known('Share'))).optional(),
  hoursWeek: numberField('Hours a week', 0, 60, 'h').optional(),
  longestRide: numberField('Longest ride', 0, 48, 'h').optional(),
  terrain: some(terrains, 'Terrain').optional(),
  /** events ridden, and the rules they have for the position */
  events: textField('Events and their rules', 0, 200).optional(),
  injuries: z
    .array(
      z.strictObject({
        place: z.enum(keysOf(injuryPlaces), known('Place of the injury')),
        when: z.enum(['recent', 'old'], { error: 'An injury is recent or old.' }),
      }),
    )
    .max(10, { error: 'At most 10 injuries.' })
    .optional(),
  /** what was tried before, in words */
  tried: textField('What was tried', 0, 500).optional(),
  clipIn: z.enum(keysOf(clipSkills), known('Experience with clip-in pedals')).optional(),
  frontBrake: z.enum(['left', 'right'], { error: 'The front brake is worked by the left or the right hand.' }).optional(),
  aims: some(ridingAims, 'Aim').optional(),
})
export type Riding = z.infer<typeof ridingSchema>
export type RidingKind = keyof typeof ridingKinds

/** Whether most or half of the riding is of one of these kinds. */
export function ridesMuch({ kinds }: Riding, ...asked: readonly RidingKind[]): boolean {
  return asked.some((kind) => kinds?.[kind] === 'most' || kinds?.[kind] === 'half')
}

/** Whether an injury or operation is recent: the body is not used to anything yet. */
export function isBackFromInjury({ injuries }: Riding): boolean {
  return injuries?.some(({ when }) => when === 'recent') ?? false
}

/** "Road mostly, gravel some · 6 h a week, longest 4 h · hilly · aims: comfort, distance": empty where nothing was told. */
export function ridingWords(riding: Riding): string {
  const kinds = keysOf(ridingKinds).flatMap((kind) => {
    const share = riding.kinds?.[kind]
    return share === undefined ? [] : [`${ridingKinds[kind]} ${share === 'most' ? 'mostly' : share}`]
  })
  const hours = [
    riding.hoursWeek === undefined ? '' : `${riding.hoursWeek} h a week`,
    riding.longestRide === undefined ? '' : `longest ride ${riding.longestRide} h`,
  ].filter((words) => words !== '')
  const listed = (label: string, words: readonly string[] | undefined) =>
    words === undefined || words.length === 0 ? '' : `${label}${words.join(', ').toLowerCase()}`
  return [
    kinds.join(', '),
    hours.join(', '),
    listed(
      '',
      riding.terrain?.map((key) => terrains[key]),
    ),
    riding.events ? `events: ${riding.events}` : '',
    listed(
      'injuries: ',
      riding.injuries?.map(({ place, when }) => `${injuryPlaces[place]} (${when})`),
    ),
    riding.tried ? `tried: ${riding.tried}` : '',
    riding.clipIn === undefined ? '' : `clip-in pedals: ${clipSkills[riding.clipIn].toLowerCase()}`,
    riding.frontBrake === undefined ? '' : `front brake: ${riding.frontBrake} hand`,
    listed(
      'aims: ',
      riding.aims?.map((key) => ridingAims[key]),
    ),
  ]
    .filter((words) => words !== '')
    .join(' · ')
}
