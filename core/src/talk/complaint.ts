import { z } from 'zod'
import type { Side } from '../quantity/sided.ts'
import { bodyRegion, bodyRegionKeys, complaintKindKeys, complaintKinds, rideSituationKeys } from './regions.ts'
import type { BodyRegionKey } from './regions.ts'
import { warningSignKeys, warningSigns, warningSignsFor } from './warningSigns.ts'
import type { WarningSignKey } from './warningSigns.ts'

const severity = (label: string) => {
  const error = `${label} must be a whole number from 0 to 10.`
  return z.number({ error }).int({ error }).min(0, { error }).max(10, { error })
}

/** `cleared`: a clinician has seen it and agrees to the fit. */
export const warningAnswers = ['no', 'yes', 'cleared'] as const
export type WarningAnswer = (typeof warningAnswers)[number]

const minutesError = 'Starts after must be a whole number from 0 to 1440 minutes, or empty.'

/** One complaint as the rider tells it. */
export const complaintSchema = z
  .strictObject({
    id: z.uuid({ error: 'id must be a UUID.' }),
    region: z.enum(bodyRegionKeys, { error: 'Pick a place on the body map.' }),
    side: z.enum(['left', 'right', 'both', 'middle'], { error: 'Side must be left, right, both or middle.' }),
    kind: z.enum(complaintKindKeys, { error: `Kind must be one of ${complaintKindKeys.join(', ')}.` }),
    startsAfter: z
      .number({ error: minutesError })
      .int({ error: minutesError })
      .min(0, { error: minutesError })
      .max(1440, { error: minutesError })
      .nullable(),
    situation: z.enum(rideSituationKeys, { error: 'Where on a ride is not known here.' }),
    severity: severity('Severity'),
    note: z.string().max(500, { error: 'The note must be at most 500 characters.' }),
    warnings: z.partialRecord(z.enum(warningSignKeys), z.enum(warningAnswers)),
  })
  .superRefine((complaint, context) => {
    const { sided } = bodyRegion(complaint.region)
    if (sided === (complaint.side === 'middle')) {
      const message = sided ? 'Say left, right or both for this place.' : 'This place has no side: it must be middle.'
      context.addIssue({ code: 'custom', path: ['side'], message })
    }
  })
export type Complaint = z.infer<typeof complaintSchema>

/** A complaint rated again under a change. */
export const ratingSchema = z.strictObject({
  complaintId: z.uuid(),
  changeId: z.uuid(),
  severity: severity('Rating'),
})
export type Rating = z.infer<typeof ratingSchema>

/** "Outer knee, right" or "Numb: saddle area, front". */
export function complaintTitle(complaint: Pick<Complaint, 'region' | 'side' | 'kind'>): string {
  const { label } = bodyRegion(complaint.region)
  const side = complaint.side === 'middle' ? '' : `, ${complaint.side}`
  const kind = complaint.kind === 'pain' ? '' : ` ${complaintKinds[complaint.kind].toLowerCase()}`
  return `${label}${kind}${side}`
}

/** Positive warning signs of the given complaints: what stops the visit. */
export function positiveWarnings(complaints: readonly Complaint[]): { complaint: Complaint; sign: WarningSignKey; question: string }[] {
  return complaints.flatMap((complaint) =>
    warningSigns
      .filter((sign) => complaint.warnings[sign.key] === 'yes')
      .map((sign) => ({ complaint, sign: sign.key, question: sign.question })),
  )
}

/** Signs that belong to the complaint and have no answer yet. */
export function unansweredWarnings(complaint: Complaint): WarningSignKey[] {
  return warningSignsFor(complaint.region, complaint.kind)
    .filter((sign) => complaint.warnings[sign.key] === undefined)
    .map((sign) => sign.key)
}

/** Whether a complaint of these places touches a side. */
export function hurts(complaints: readonly Complaint[], regions: readonly BodyRegionKey[], side: Side | 'both'): boolean {
  const touches = (complaint: Complaint) => side === 'both' || [side, 'both', 'middle'].includes(complaint.side)
  return complaints.some((complaint) => regions.includes(complaint.region) && complaint.kind !== 'control' && touches(complaint))
}
