import { bikeKinds } from '../bike/bikeKinds.ts'
import { z } from 'zod'
import { ledgerEntrySchema } from '../change/ledger.ts'
import { cleatSchoolKeys, defaultCleatSchool } from '../feet/cleatSchools.ts'
import { weightsSchema } from '../feet/pedalCriteria.ts'
import { stanceMethodKeys } from '../feet/stance.ts'
import { readingSchema } from '../measure/reading.ts'
import { seatChoicesSchema } from '../seat/seatChoices.ts'
import { complaintSchema, ratingSchema } from '../talk/complaint.ts'

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
export const visitFieldsSchema = z.strictObject({
  title: words('Visit', 1, 120),
  cleatSchool: z.enum(cleatSchoolKeys, { error: `School must be one of ${cleatSchoolKeys.join(', ')}.` }),
  /** ids of plausibility questions the fitter has answered with "it is right" */
  accepted: z.array(z.string().max(120)).max(200),
  /** the fitter's own weights for choosing pedals, by criterion */
  pedalWeights: weightsSchema.default({}),
  /** how the stance is judged; null = by the first way that has what it needs */
  stanceBy: z
    .enum(stanceMethodKeys, { error: `Stance must be judged by one of ${stanceMethodKeys.join(', ')}.` })
    .nullable()
    .default(null),
  /** what the fitter has chosen at the seat */
  seat: seatChoicesSchema.default({}),
})
export type RiderFields = z.infer<typeof riderFieldsSchema>
export type BikeFields = z.infer<typeof bikeFieldsSchema>
export type VisitFields = z.infer<typeof visitFieldsSchema>

/** What a visit begins with: everything as computed. */
export const freshVisit: VisitFields = {
  title: 'First visit',
  cleatSchool: defaultCleatSchool,
  accepted: [],
  pedalWeights: {},
  stanceBy: null,
  seat: {},
}

/** The fields of a visit out of whatever carries them: the one list of them. */
export function visitFieldsOf({ title, cleatSchool, accepted, pedalWeights, stanceBy, seat }: VisitFields): VisitFields {
  return { title, cleatSchool, accepted, pedalWeights, stanceBy, seat }
}

const row = { id: z.uuid(), version: z.int().min(0) }

/** Everything of one visit, as the server hands it to the screens. Edited rows carry a version. */
export const dossierSchema = z.strictObject({
  rider: riderFieldsSchema.extend(row),
  bike: bikeFieldsSchema.extend(row),
  visit: visitFieldsSchema.extend({ ...row, startedAt: z.iso.datetime() }),
  readings: z.array(z.strictObject({ reading: readingSchema, version: z.int() })),
  complaints: z.array(z.strictObject({ complaint: complaintSchema, version: z.int(), removed: z.boolean() })),
  ledger: z.array(ledgerEntrySchema),
  ratings: z.array(z.strictObject({ rating: ratingSchema, version: z.int() })),
})
export type Dossier = z.infer<typeof dossierSchema>
