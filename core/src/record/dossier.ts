import { bikeKinds } from '../bike/bikeKinds.ts'
import { z } from 'zod'
import { ledgerEntrySchema, moveSchema } from '../ledger/ledger.ts'
import { exchangeSchema } from '../ledger/parts.ts'
import { paceKeys } from '../ledger/pace.ts'
import { readingSchema } from '../readings/reading.ts'
import { complaintSchema, ratingSchema } from '../talk/complaint.ts'
import { ridingSchema } from '../talk/riding.ts'
import { keysOf } from '../kernel/tables.ts'
import { choicesSchema } from '../stations/choices.ts'

/** Trimmed text with a length, and no control characters beyond line breaks. */
function words(label: string, min: number, max: number) {
  const error = min > 0 ? `${label} must have ${min} to ${max} characters.` : `${label} must have at most ${max} characters.`
  return (
    z
      .string({ error })
      .trim()
      .min(min, { error })
      .max(max, { error })
      // eslint-disable-next-line no-control-regex -- these are what is refused
      .regex(/^[^\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]*$/, { error: `${label} must not hold control characters.` })
  )
}

export const riderFieldsSchema = z.strictObject({
  name: words('Name', 1, 120),
  note: words('Note', 0, 2000),
})
export const bikeFieldsSchema = z.strictObject({
  name: words('Bike', 1, 120),
  kind: z.enum(bikeKinds, { error: `Kind must be one of ${bikeKinds.join(', ')}.` }),
})
/** Something that stands in the way of riding, which the fitter has overruled. */
const overruledSchema = z.strictObject({
  block: z.string().max(120),
  reason: words('Reason', 3, 300),
})
/** How a visit ended; null while it is open. */
export const outcomes = {
  solved: 'Solved',
  better: 'Better',
  same: 'No change',
  worse: 'Worse',
  referred: 'Referred to a clinician',
} as const
const outcomeKeys = keysOf(outcomes)
export const visitFieldsSchema = z.strictObject({
  title: words('Visit', 1, 120),
  /** ids of plausibility questions the fitter has answered with "it is right" */
  acknowledged: z.array(z.string().max(120)).max(200),
  choices: choicesSchema,
  /** how far one change may go; null = as what was told and ridden suggests */
  pace: z
    .enum(paceKeys, { error: `Pace must be one of ${paceKeys.join(', ')}.` })
    .nullable()
    .default(null),
  /** what stood in the way of riding and was overruled, by key and side, with the reason */
  overruled: z.array(overruledSchema).max(20, { error: 'At most 20 things can be overruled.' }).default([]),
  /** how the rider rides */
  riding: ridingSchema.default({}),
  /** how the visit ended; null while it is open */
  outcome: z
    .enum(outcomeKeys, { error: `Outcome must be one of ${outcomeKeys.join(', ')}.` })
    .nullable()
    .default(null),
})

export type RiderFields = z.infer<typeof riderFieldsSchema>
export type BikeFields = z.infer<typeof bikeFieldsSchema>
export type VisitFields = z.infer<typeof visitFieldsSchema>

/** What a visit begins with: everything as computed. */
export const freshVisit: VisitFields = {
  title: 'First visit',
  acknowledged: [],
  choices: { feet: {}, seat: {}, hands: {} },
  pace: null,
  overruled: [],
  riding: {},
  outcome: null,
}

/** The fields of a visit out of whatever carries them: the one list of them. */
export function visitFieldsOf({ title, acknowledged, choices, pace, overruled, riding, outcome }: VisitFields): VisitFields {
  return { title, acknowledged, choices, pace, overruled, riding, outcome }
}

const row = { id: z.uuid(), version: z.int().min(0) }

/** Everything of one visit, as the server hands it to the screens. Edited rows carry a version. */
export const dossierSchema = z.strictObject({
  rider: riderFieldsSchema.extend(row),
  bike: bikeFieldsSchema.extend(row),
  visit: visitFieldsSchema.extend({ ...row, startedAt: z.iso.datetime() }),
  /** visits on this bike before this one */
  earlierVisits: z.int().min(0),
  /** what the last of them left on the bike, first to last; null where there is none */
  last: z
    .strictObject({
      title: z.string(),
      startedAt: z.iso.datetime(),
      kept: z.array(z.strictObject({ moves: z.array(moveSchema), exchanges: z.array(exchangeSchema) })),
    })
    .nullable(),
  readings: z.array(z.strictObject({ reading: readingSchema, version: z.int() })),
  complaints: z.array(z.strictObject({ complaint: complaintSchema, version: z.int(), removed: z.boolean() })),
  ledger: z.array(ledgerEntrySchema),
  ratings: z.array(z.strictObject({ rating: ratingSchema, version: z.int() })),
})
export type Dossier = z.infer<typeof dossierSchema>
