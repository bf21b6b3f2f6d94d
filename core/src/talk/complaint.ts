import { z } from 'zod'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { midSentence } from '../kernel/words.ts'
import { controlSymptomKeys, controlSymptoms } from './controlSymptoms.ts'
import { changedKeys, helpedKeys, sinceKeys, triedKeys } from './history.ts'
import { bodyRegion, bodyRegionKeys, complaintKindKeys, complaintKinds, isWithin, rideSituationKeys } from './regions.ts'
import type { BodyRegionKey } from './regions.ts'
import { urgencies, warningAnswerWords, warningSign, warningSignKeys, warningSigns, warningSignsFor } from './warningSigns.ts'
import type { Urgency, WarningSignKey } from './warningSigns.ts'
import { keysOf } from '../kernel/tables.ts'

const severity = (label: string) => {
  const error = `${label} must be a whole number from 0 to 10.`
  return z.number({ error }).int({ error }).min(0, { error }).max(10, { error })
}

/** `cleared`: a clinician has seen it and agrees to the fit. */
const warningAnswers = keysOf(warningAnswerWords)
export type WarningAnswer = (typeof warningAnswers)[number]

const minutesError = 'Starts after must be a whole number from 0 to 1440 minutes, or empty.'

/** A place of the body that a complaint sits at. */
export const complaintPlaceSchema = z
  .strictObject({
    region: z.enum(bodyRegionKeys, { error: 'Pick a place on the body map.' }),
    side: z.enum(['left', 'right', 'both', 'middle'], { error: 'Side must be left, right, both or middle.' }),
  })
  .superRefine(({ region, side }, context) => {
    const { sided } = bodyRegion(region)
    if (sided !== (side === 'middle')) return
    const message = sided ? 'Say left, right or both for this place.' : 'This place has no side: it must be middle.'
    context.addIssue({ code: 'custom', path: ['side'], message })
  })
export type ComplaintPlace = z.infer<typeof complaintPlaceSchema>

/** One complaint as the rider tells it: at one or several places of the body, or a symptom of control, which has none. */
export const complaintSchema = z
  .strictObject({
    id: z.uuid({ error: 'id must be a UUID.' }),
    places: z.array(complaintPlaceSchema).max(12, { error: 'At most 12 places for one complaint.' }),
    control: z.enum(controlSymptomKeys, { error: 'This control symptom is not known here.' }).nullable(),
    /** null until it is answered */
    kind: z.enum(complaintKindKeys, { error: `Kind must be one of ${complaintKindKeys.join(', ')}.` }).nullable(),
    startsAfter: z
      .number({ error: minutesError })
      .int({ error: minutesError })
      .min(0, { error: minutesError })
      .max(1440, { error: minutesError })
      .nullable(),
    situation: z.enum(rideSituationKeys, { error: 'Where on a ride is not known here.' }),
    /** null until it is answered */
    severity: severity('Severity').nullable(),
    since: z.enum(sinceKeys, { error: 'Since when is not known here.' }).nullable(),
    /** what changed before it began */
    changed: z.array(z.enum(changedKeys, { error: 'What changed before is not known here.' })).max(9, { error: 'At most 9 changes.' }),
    /** what the rider has tried, and what came of it */
    tried: z
      .array(
        z.strictObject({
          what: z.enum(triedKeys, { error: 'What was tried is not known here.' }),
          helped: z.enum(helpedKeys, { error: 'It helped, made no change, or made it worse.' }),
        }),
      )
      .max(12, { error: 'At most 12 things tried.' }),
    note: z.string().max(500, { error: 'The note must be at most 500 characters.' }),
    warnings: z.partialRecord(z.enum(warningSignKeys), z.enum(warningAnswers)),
  })
  .superRefine(({ places, control }, context) => {
    if (control === null && places.length === 0)
      context.addIssue({ code: 'custom', path: ['places'], message: 'Pick a place on the body map, or a control symptom.' })
    const names = places.map(({ region }) => region)
    if (new Set(names).size < names.length)
      context.addIssue({ code: 'custom', path: ['places'], message: 'Each place once; say both for left and right.' })
  })
export type Complaint = z.infer<typeof complaintSchema>

/** A complaint nobody has said anything more of. */
export const freshComplaint = (id: string, at: Pick<Complaint, 'places' | 'control'>): Complaint => ({
  id,
  ...at,
  kind: at.control === null ? null : 'control',
  startsAfter: null,
  situation: at.control === null ? 'anywhere' : controlSymptoms[at.control].usual,
  severity: null,
  since: null,
  changed: [],
  tried: [],
  note: '',
  warnings: {},
})

/** A complaint rated again under a change. */
export const ratingSchema = z.strictObject({
  complaintId: z.uuid(),
  changeId: z.uuid(),
  severity: severity('Rating'),
})
export type Rating = z.infer<typeof ratingSchema>

/** The side of all its places together; `middle` where none has one. */
export function sideOf({ places }: Pick<Complaint, 'places'>): ComplaintPlace['side'] {
  const found = new Set(places.flatMap(({ side }) => (side === 'middle' ? [] : side === 'both' ? sides : [side])))
  return found.size === 2 ? 'both' : ([...found][0] ?? 'middle')
}

/** The sides it touches: one for a place with a side, both for all others. */
export function sidesOf(complaint: Pick<Complaint, 'places'>): readonly Side[] {
  const side = sideOf(complaint)
  return side === 'left' || side === 'right' ? [side] : sides
}

/** "Outer knee, right", "Toes and ball of foot numb, both", "Front washes out". */
export function complaintTitle({ places, control, kind }: Pick<Complaint, 'places' | 'control' | 'kind'>): string {
  if (control !== null) return controlSymptoms[control].label
  const names = places.map(({ region }, i) => (i === 0 ? bodyRegion(region).label : midSentence(bodyRegion(region).label)))
  const where = names.length > 2 ? `${names[0]} and ${names.length - 1} more` : names.join(' and ')
  const side = sideOf({ places })
  const like = kind === null || kind === 'pain' ? '' : ` ${complaintKinds[kind].toLowerCase()}`
  return `${where}${like}${side === 'middle' ? '' : `, ${side}`}`
}

/** Whether all is told that a complaint needs: what it is like, and how bad it is. */
export function isTold({ kind, severity: how }: Pick<Complaint, 'kind' | 'severity'>): boolean {
  return kind !== null && how !== null
}

/** Positive warning signs of the given complaints: what stops the visit. */
export function positiveWarnings(complaints: readonly Complaint[]): { complaint: Complaint; sign: WarningSignKey; question: string }[] {
  return complaints.flatMap((complaint) =>
    warningSigns
      .filter((sign) => complaint.warnings[sign.key] === 'yes')
      .map((sign) => ({ complaint, sign: sign.key, question: sign.question })),
  )
}

/** What is said and done about positive warning signs, the most urgent first; empty where there is none. */
export function stopLines(complaints: readonly Complaint[]): { readonly urgency: Urgency; readonly words: string }[] {
  const found = positiveWarnings(complaints).map(({ complaint, sign, question }) => {
    const { urgency, act } = warningSign(sign)
    return { urgency, words: `${urgencies[urgency]}. ${complaintTitle(complaint)}: ${question} Yes. ${act}` }
  })
  return [...found.filter(({ urgency }) => urgency === 'emergency'), ...found.filter(({ urgency }) => urgency === 'soon')]
}

/** Signs that belong to the complaint and have no answer yet. */
export function unansweredWarnings(complaint: Complaint): WarningSignKey[] {
  return warningSignsFor(complaint)
    .filter((sign) => complaint.warnings[sign.key] === undefined)
    .map((sign) => sign.key)
}

/** Whether a complaint sits at one of these places, or at a part of one. */
export function isAt({ places }: Pick<Complaint, 'places'>, regions: readonly BodyRegionKey[]): boolean {
  return places.some(({ region }) => isWithin(region, regions))
}

/** Whether a complaint of these places touches a side. */
export function hurts(complaints: readonly Complaint[], regions: readonly BodyRegionKey[], side: Side | 'both'): boolean {
  const touches = (complaint: Complaint) =>
    complaint.places.some((place) => isWithin(place.region, regions) && (side === 'both' || [side, 'both', 'middle'].includes(place.side)))
  return complaints.some((complaint) => complaint.kind !== 'control' && touches(complaint))
}
