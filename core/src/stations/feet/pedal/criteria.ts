import { rowKeys } from '../../../kernel/tables.ts'
import { mm, msg } from '../../../kernel/message.ts'
import { z } from 'zod'
import { numberField } from '../../../kernel/calculation.ts'
import { MAX_WEIGHT, said, scoreBetween } from '../../../kernel/ranking.ts'
import type { Criterion, School } from '../../../kernel/ranking.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { OptionOf } from '../../../readings/readingDefinitions.ts'
import type { PedalKind, PedalSpec } from './kinds.ts'

/** What is known of the rider where pedals are chosen; null = not read. */
export interface PedalRider {
  readonly mass: number | null
  readonly soleStiffness: OptionOf<'soleStiffness'> | null
  /** hot, numb or painful forefoot */
  readonly forefoot: boolean
  /** inner or outer knee */
  readonly knee: boolean
  /** "hard to get in or out", or stops all the time */
  readonly entry: boolean
  readonly loose: boolean
  readonly bowLegged: boolean
  /** town, cargo, mountain, tourer, road… as the bike's kind says it */
  readonly use: 'town' | 'mountain' | 'road' | 'long'
  /** wider stance wanted, mm a side, the larger of both; 0 = none */
  readonly widen: number
  /** the heel's whole swing, the larger of both feet; null = not read */
  readonly swing: number | null
  /** words of the shoe's bolt pattern */
  readonly bolts: PedalSpec['bolts'] | null
  /** kind of the pedal in use */
  readonly kindNow: PedalKind | null
  /** pedal axle in use, mm */
  readonly axleNow: number | null
  readonly hours: number | null
}

const marks = (value: number) => (value - 1) / 4
/** Heavy for a pedal: the spring, the body and the cleat take more, kg. @source common-practice */
export const HEAVY = 90
const heavy = ({ mass }: PedalRider) => (mass ?? 0) >= HEAVY
/** Light for a spring: below this a stiff one takes the whole leg, kg. @source prior */
const LIGHT = 60
const light = ({ mass }: PedalRider) => mass !== null && mass < LIGHT
/** How a spring suits a light and a heavy rider, 0 to 1: a leaf lets go early, one that can be set is turned up or right down. @source prior */
const springs = {
  none: { light: 1, heavy: 1, against: { light: '', heavy: '' } },
  leaf: { light: 1, heavy: 0, against: { light: '', heavy: 'a leaf spring that cannot be turned up' } },
  settable: { light: 0.25, heavy: 1, against: { light: 'a strong spring, to be turned right down', heavy: '' } },
  fixed: { light: 0.75, heavy: 0.5, against: { light: 'a spring that cannot be turned down', heavy: 'a spring that cannot be turned up' } },
} as const
function springOf({ kind, release, tension }: PedalSpec): (typeof springs)[keyof typeof springs] {
  return springs[release === 0 ? 'none' : kind === 'plate-leaf' ? 'leaf' : tension ? 'settable' : 'fixed']
}

/**
 * How well a pedal's cleat goes with a shoe, 0 to 1, by the bolts of both: four go on three by a plate;
 * under a flat pedal the smooth sole of a shoe for cleats slips. @source prior
 */
const onShoe: Readonly<Record<PedalSpec['bolts'], Readonly<Record<PedalSpec['bolts'], number>>>> = {
  'two bolts': { 'two bolts': 1, 'three bolts': 0, 'four bolts': 0, none: 0 },
  'three bolts': { 'two bolts': 0, 'three bolts': 1, 'four bolts': 0, none: 0 },
  'four bolts': { 'two bolts': 0, 'three bolts': 0.75, 'four bolts': 1, none: 0 },
  none: { 'two bolts': 0.5, 'three bolts': 0.25, 'four bolts': 0.25, none: 1 },
}

/**
 * The criteria with their own weights from readings and complaints. Scores are relative marks of
 * this product; the reasons are common practice.
 */
export const criteria: readonly Criterion<PedalSpec, PedalRider>[] = [
  {
    key: 'held',
    label: 'Holds the foot in its place',
    source: 'common-practice',
    score: (spec) => (spec.release > 0 ? 1 : 0),
    against: () => 'nothing holds the foot',
    counts: (r) =>
      r.use === 'road' || r.use === 'long'
        ? said(5, 'the same place, turn after turn')
        : r.use === 'mountain'
          ? said(4, 'stays on over rough ground')
          : said(3, 'what is fitted should stay'),
  },
  {
    key: 'patch',
    label: 'Support under the ball',
    source: 'common-practice',
    score: (spec) => scoreBetween(Math.sqrt(spec.patch), Math.sqrt(600), Math.sqrt(2400)),
    against: ({ patch }, { soleStiffness }) => `a patch of ${trimmed(patch, 0)} mm²${soleStiffness === 'soft' ? ' under a soft sole' : ''}`,
    counts: (r) =>
      r.forefoot
        ? said(r.soleStiffness === 'stiff' ? 4 : 5, 'hot or numb forefoot')
        : r.soleStiffness === 'soft'
          ? said(4, 'soft sole')
          : said(2, 'usual'),
  },
  {
    key: 'stability',
    label: 'Stable, little rock',
    source: 'common-practice',
    score: (spec) => 1 - scoreBetween((spec.rockNew + spec.rockWorn) / 2, 0, 5),
    against: ({ rockNew, rockWorn }) => `the foot rocks ${trimmed(rockNew, 1)}°, worn ${trimmed(rockWorn, 1)}°`,
    counts: (r) =>
      r.loose
        ? said(4, 'a foot that feels loose')
        : heavy(r)
          ? said(4, `${HEAVY} kg and more`)
          : r.bowLegged
            ? said(4, 'bow-legged')
            : r.knee
              ? said(3, 'inner or outer knee')
              : said(2, 'usual'),
  },
  {
    key: 'float',
    label: 'Float that holds the swing',
    source: 'common-practice',
    score: (spec, r) => scoreBetween(Math.max(...spec.floats), 0, (r.swing ?? 2) + 4),
    against: ({ floats }, { swing }) =>
      `${trimmed(Math.max(...floats), 1)}° of float${swing === null ? '' : ` for a heel that swings ${trimmed(swing, 0)}°`}`,
    counts: (r) => (r.knee ? said(5, 'inner or outer knee') : said(2, 'usual')),
  },
  {
    key: 'stance',
    label: 'Room to set the stance',
    source: 'common-practice',
    score: (spec, r) => scoreBetween(lateralReach(spec, r), 0, Math.max(4, r.widen)),
    against: (spec, r) => msg`${mm(lateralReach(spec, r), 1)} of room outward${r.widen > 1 ? msg`, ${mm(r.widen)} wanted` : ''}`,
    counts: (r) =>
      r.widen > 1
        ? said(4, msg`stance to go ${mm(r.widen)} wider a side`)
        : r.bowLegged
          ? said(3, 'bow-legged')
          : said(1, 'stance stands well'),
  },
  {
    key: 'foreAft',
    label: 'Room fore–aft',
    source: 'common-practice',
    score: (spec) => scoreBetween(spec.foreAft, 12, 26),
    against: ({ foreAft }) => msg`${mm(foreAft)} of room fore and aft`,
    counts: (r) => (r.forefoot ? said(3, 'the axle should go back') : said(1, 'usual')),
  },
  {
    key: 'entry',
    label: 'Easy in and out',
    source: 'common-practice',
    score: (spec) => 0.5 * marks(spec.entryEase) + 0.5 * (spec.entrySides === 'one side' ? 0 : 1),
    against: ({ entrySides }) => `slow to get in and out of${entrySides === 'one side' ? ', from one side only' : ''}`,
    counts: (r) =>
      r.entry
        ? said(5, 'hard to get in or out')
        : r.use === 'town'
          ? said(4, 'stops every few minutes')
          : r.use === 'mountain'
            ? said(4, 'feet down on rough ground')
            : said(1, 'few stops'),
  },
  {
    key: 'walking',
    label: 'Walks well',
    source: 'common-practice',
    score: (spec) => marks(spec.walking),
    against: (_, { use }) => `hard to walk in${use === 'long' ? ' at stops' : use === 'road' ? '' : ' off the bike'}`,
    counts: (r) =>
      r.use === 'town'
        ? said(5, 'walks between rides')
        : r.use === 'mountain'
          ? said(4, 'pushes and carries')
          : r.use === 'long'
            ? said(3, 'stops on long ways')
            : said(1, 'hardly walks'),
  },
  {
    key: 'mud',
    label: 'Works with mud and grit',
    source: 'common-practice',
    score: (spec) => marks(spec.mud),
    against: () => 'clogs with mud and grit',
    counts: (r) => (r.use === 'mountain' ? said(5, 'trail') : r.use === 'town' ? said(2, 'all weather') : said(1, 'clean roads')),
  },
  {
    key: 'durability',
    label: 'Lasts',
    source: 'common-practice',
    score: (spec) => marks(spec.durability),
    against: (_, r) => `wears out soon${heavy(r) ? ' under a heavy rider' : ''}`,
    counts: (r) => (heavy(r) ? said(3, `${HEAVY} kg and more`) : (r.hours ?? 0) >= 4 ? said(3, 'long hours') : said(2, 'usual')),
  },
  {
    key: 'shoes',
    label: 'Goes with these shoes',
    source: 'common-practice',
    score: (spec, { bolts }) => (bolts === null ? 1 : onShoe[spec.bolts][bolts]),
    against: ({ bolts }, rider) =>
      bolts === 'none'
        ? 'the sole of a shoe for cleats slips on it'
        : bolts === 'four bolts' && rider.bolts === 'three bolts'
          ? 'four bolts: a plate between it and this shoe'
          : `another shoe, for ${bolts}`,
    counts: ({ bolts }) =>
      bolts === null ? said(0, 'shoe not looked at') : said(4, `shoes for ${bolts === 'none' ? 'flat pedals' : bolts}`),
  },
  {
    key: 'spring',
    label: 'Spring for this weight',
    source: 'common-practice',
    score: (spec, r) => springOf(spec)[heavy(r) ? 'heavy' : 'light'],
    against: (spec, r) => springOf(spec).against[heavy(r) ? 'heavy' : 'light'],
    counts: (r) => (light(r) ? said(4, `under ${LIGHT} kg`) : heavy(r) ? said(3, `${HEAVY} kg and more`) : said(0, 'usual weight')),
  },
  {
    key: 'tension',
    label: 'Release easy, or can be set',
    source: 'common-practice',
    score: (spec) => (spec.tension || spec.release === 0 ? 1 : marks(spec.entryEase)),
    against: () => 'its release cannot be set',
    counts: (r) => (r.entry ? said(3, 'hard to get in or out') : said(1, 'usual')),
  },
]

/** Weights by criterion, as they are stored. */
export const weightsSchema = z.partialRecord(
  z.enum(rowKeys(criteria), { error: 'This criterion is not known.' }),
  numberField('Weight', 0, MAX_WEIGHT, ''),
)

/** How far outward of where it is the pedal can put a foot, mm: cleat to the side, and the longest axle to be had. */
export function lateralReach(spec: PedalSpec, { axleNow }: Pick<PedalRider, 'axleNow'>): number {
  return spec.lateral / 2 + Math.max(0, Math.max(...spec.axles) - (axleNow ?? Math.min(...spec.axles)))
}

/** Schools of pedal choice. @source common-practice */
export const pedalSchools: readonly School[] = [
  {
    key: 'walkable',
    label: 'Walkable first',
    source: 'common-practice',
    says: 'Recessed two-bolt pedals: easy entry, walking, long life.',
    weights: { held: 3, patch: 1, stability: 1, float: 2, stance: 1, foreAft: 1, entry: 5, walking: 5, mud: 3, durability: 4, tension: 2 },
  },
  {
    key: 'stable',
    label: 'Stable plate first',
    source: 'common-practice',
    says: 'A large plate: no hot spots, no rocking; walking matters little.',
    weights: { held: 5, patch: 5, stability: 5, float: 2, stance: 3, foreAft: 2, entry: 1, walking: 0, mud: 0, durability: 4, tension: 2 },
  },
]
