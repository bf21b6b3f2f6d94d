import { rowKeys } from '../../../kernel/tables.ts'
import { bare, mm, msg } from '../../../kernel/message.ts'
import { LOW_TORSO, UPRIGHT_TORSO } from '../../../body/postureLimits.ts'
import { z } from 'zod'
import { numberField } from '../../../kernel/calculation.ts'
import { MAX_WEIGHT, said, scoreBetween } from '../../../kernel/ranking.ts'
import type { Criterion, School } from '../../../kernel/ranking.ts'
import type { SaddleSpec } from './kinds.ts'

/** What is known of the rider where a saddle is chosen; null = not read. Lengths mm. */
export interface SaddleRider {
  readonly mass: number | null
  readonly spacing: number | null
  /** width wanted, at the widest */
  readonly width: { readonly low: number; readonly high: number } | null
  /** torso where it decides, degrees */
  readonly torso: number | null
  /** numb or painful saddle area */
  readonly softTissue: boolean
  readonly sitBones: boolean
  /** the pelvis rocks under load */
  readonly rocks: boolean
  /** keeps pushing back, or forward */
  readonly creeps: boolean
  readonly hours: number | null
  /** how much the post can still go down; null = not read */
  readonly postRoomDown: number | null
  readonly railHeightNow: number | null
  /** marks from 0 to 10 of saddles this rider has ridden, by name in small letters */
  readonly tried: Readonly<Record<string, number>>
}

/** From here on a ride is long, h. @source prior */
const LONG = 3
/** A width this far outside the range is no better than any other wrong one, mm. @source prior */
const WIDTH_FADES = 18
/** A saddle rated below this was a bad one, of 10; from that on it is worth a spare. @source prior */
export const BAD_MARK = 4
export const GOOD_MARK = 7

const low = ({ torso }: SaddleRider) => torso !== null && torso < LOW_TORSO
const upright = ({ torso }: SaddleRider) => torso !== null && torso > UPRIGHT_TORSO
const longRides = ({ hours }: SaddleRider) => (hours ?? 0) >= LONG
export const triedMark = (spec: Pick<SaddleSpec, 'name'>, { tried }: Pick<SaddleRider, 'tried'>): number | null =>
  tried[spec.name.toLowerCase()] ?? null
const wantedPadding = (rider: SaddleRider) => (longRides(rider) ? 2 : upright(rider) ? 4 : 3)

/**
 * The criteria with their weights from readings and complaints. Marks are this product's own; the
 * reasons are common practice. Shape, cut-out, nose and padding are personal: the list says what to
 * try first, the ride decides.
 */
export const saddleCriteria: readonly Criterion<SaddleSpec, SaddleRider>[] = [
  {
    key: 'width',
    label: 'Width for these bones and this posture',
    source: 'common-practice',
    score: (spec, r) => {
      const { width } = r
      // What was ridden and liked has shown its width.
      if ((triedMark(spec, r) ?? 0) >= GOOD_MARK) return 1
      if (width === null) return 0.5
      const off = Math.max(width.low - spec.width, spec.width - width.high, 0)
      return 1 - scoreBetween(off, 0, WIDTH_FADES)
    },
    against: ({ width }, r) =>
      r.width === null ? msg`${mm(width)} wide` : msg`${mm(width)} wide, ${bare(r.width.low)} to ${mm(r.width.high)} asked`,
    counts: (r) =>
      r.width === null
        ? said(0, 'spacing or torso is not known')
        : r.sitBones || r.softTissue || r.rocks || r.creeps
          ? said(5, 'the first thing to get right')
          : said(4, 'the bones must be carried'),
  },
  {
    key: 'relief',
    label: 'Relief in the middle',
    source: 'common-practice',
    score: (spec) => (spec.relief === 'cut-out' ? scoreBetween(spec.reliefWidth, 8, 24) * 0.4 + 0.6 : spec.relief === 'groove' ? 0.5 : 0.1),
    against: ({ relief, reliefWidth }) =>
      relief === 'none'
        ? 'no relief in the middle'
        : relief === 'groove'
          ? 'only a groove in the middle'
          : msg`a cut-out of ${mm(reliefWidth)}`,
    counts: (r) =>
      r.softTissue
        ? said(5, 'saddle area complains')
        : low(r)
          ? said(3, 'rides low')
          : upright(r)
            ? said(1, 'sits upright')
            : said(2, 'usual'),
  },
  {
    key: 'nose',
    label: 'Nose out of the way',
    source: 'common-practice',
    score: (spec, r) => (low(r) ? 1 - scoreBetween(spec.length, 240, 278) : 1 - scoreBetween(spec.noseWidth, 36, 62)),
    against: ({ length, noseWidth }, r) => (low(r) ? msg`${mm(length)} long for a low torso` : msg`a nose ${mm(noseWidth)} wide`),
    counts: (r) =>
      low(r)
        ? said(r.softTissue ? 4 : 3, 'rides low: a short nose')
        : r.rocks
          ? said(4, 'the pelvis rocks: a narrow nose lets the thighs past')
          : said(1, 'usual'),
  },
  {
    key: 'padding',
    label: 'Firmness for these rides',
    source: 'common-practice',
    score: (spec, r) => 1 - Math.abs(spec.padding - wantedPadding(r)) / 4,
    against: ({ padding }, r) => `${padding > wantedPadding(r) ? 'soft' : 'hard'} for ${longRides(r) ? 'long hours' : 'these rides'}`,
    counts: (r) =>
      longRides(r)
        ? said(3, 'long hours: firm, so that bone and not the middle carries')
        : upright(r)
          ? said(2, 'upright, short: softer')
          : said(1, 'usual'),
  },
  {
    key: 'flex',
    label: 'Gives under the rider',
    source: 'common-practice',
    score: (spec) => scoreBetween(spec.flex, 1, 4),
    against: () => 'hardly gives',
    counts: (r) => (r.sitBones ? said(2, 'sit bones sore') : longRides(r) ? said(2, 'long hours') : said(1, 'usual')),
  },
  {
    key: 'holds',
    label: 'Holds a place',
    source: 'common-practice',
    score: (spec) => scoreBetween(spec.tailRise, 3, 15),
    against: () => 'flat: nothing holds the seat in its place',
    counts: (r) => (r.creeps ? said(3, 'slides about') : said(1, 'usual')),
  },
  {
    key: 'proven',
    label: 'Ridden and liked',
    source: 'common-practice',
    score: (spec, r) => (triedMark(spec, r) ?? 5) / 10,
    against: (spec, r) => (triedMark(spec, r) === null ? 'not ridden yet' : `rated ${triedMark(spec, r)} of 10 by this rider`),
    counts: (r) => (Object.keys(r.tried).length > 0 ? said(5, 'the ride outranks every figure') : said(0, 'nothing tried yet')),
  },
]

/** Weights by criterion, as they are stored. */
export const saddleWeightsSchema = z.partialRecord(
  z.enum(rowKeys(saddleCriteria), { error: 'This criterion is not known.' }),
  numberField('Weight', 0, MAX_WEIGHT, ''),
)

/** Schools of choosing a saddle. @source common-practice */
export const saddleSchools: readonly School[] = [
  {
    key: 'bone',
    label: 'Bone first',
    source: 'common-practice',
    says: 'Right width and firm padding; the middle is free when the bones carry.',
    weights: { width: 5, padding: 4, holds: 2, relief: 1, flex: 1, proven: 3 },
  },
  {
    key: 'relief',
    label: 'Relief first',
    source: 'common-practice',
    says: 'A cut-out and a short nose; width second.',
    weights: { relief: 5, nose: 4, width: 3, padding: 1, proven: 3 },
  },
]
