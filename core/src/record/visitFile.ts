import { isRecord } from '../kernel/tables.ts'
import { emptyVisit } from '../reason/visitModel.ts'
import type { VisitState } from '../reason/visitModel.ts'
import { z } from 'zod'
import { momentField } from '../kernel/moment.ts'
import { ledgerEntrySchema } from '../ledger/ledger.ts'
import { ledgerProblem } from '../ledger/fold.ts'
import { fieldProblems } from '../kernel/calculation.ts'
import { readingSchema } from '../readings/reading.ts'
import { readingIdentity } from '../readings/readingPlace.ts'
import { visitFrom1 } from './visitFrom1.ts'
import { visitFrom2 } from './visitFrom2.ts'
import { visitFrom3 } from './visitFrom3.ts'
import { CalculationError } from '../kernel/problem.ts'
import { complaintSchema, ratingSchema } from '../talk/complaint.ts'
import { bikeFieldsSchema, riderFieldsSchema, visitFieldsOf, visitFieldsSchema } from './dossier.ts'
import type { Dossier } from './dossier.ts'
import { unstorableIn, unstorableWords } from '../kernel/storable.ts'

const VISIT_FILE_FORMAT = 'level-stance/visit'
const VISIT_FILE_VERSION = 4
/** Larger files are refused before they are read. */
export const VISIT_FILE_MAX_BYTES = 2_000_000

/**
 * The open visit file: one rider, one bike, one visit, whole. Lengths in mm, angles in degrees,
 * times in UTC. Ids are UUIDs that only tie the file's own parts together.
 */
export const visitFileSchema = z
  .strictObject({
    format: z.literal(VISIT_FILE_FORMAT),
    version: z.literal(VISIT_FILE_VERSION),
    rider: riderFieldsSchema,
    bike: bikeFieldsSchema,
    visit: visitFieldsSchema.extend({ startedAt: momentField('startedAt') }),
    readings: z.array(readingSchema).max(2000),
    complaints: z.array(complaintSchema).max(100),
    ledger: z.array(ledgerEntrySchema).max(2000),
    ratings: z.array(ratingSchema).max(5000),
  })
  .superRefine((file, context) => {
    const complain = (path: (string | number)[], message: string) => context.addIssue({ code: 'custom', path, message })
    unique(file.readings.map(readingIdentity), (i) => complain(['readings', i], 'This reading stands twice in the file.'))
    unique(
      file.complaints.map((c) => c.id),
      (i) => complain(['complaints', i, 'id'], 'This id stands twice in the file.'),
    )
    unique(
      file.ratings.map((r) => `${r.complaintId}:${r.changeId}`),
      (i) => complain(['ratings', i], 'This rating stands twice in the file.'),
    )
    const problem = ledgerProblem(file.ledger)
    if (problem !== null) return complain(['ledger', problem.index], problem.words)
    const entries = new Set(file.ledger.map(({ id }) => id))
    const changes = new Set(file.ledger.flatMap(({ kind, id }) => (kind === 'try' ? [id] : [])))
    const complaints = new Set(file.complaints.map(({ id }) => id))
    for (const [index, reading] of file.readings.entries()) {
      if (reading.after !== null && !entries.has(reading.after)) complain(['readings', index, 'after'], 'No such ledger entry in the file.')
    }
    for (const [index, rating] of file.ratings.entries()) {
      if (!complaints.has(rating.complaintId)) complain(['ratings', index, 'complaintId'], 'No such complaint in the file.')
      if (!changes.has(rating.changeId)) complain(['ratings', index, 'changeId'], 'No such change in the file.')
    }
  })
export type VisitFile = z.infer<typeof visitFileSchema>

function unique(keys: readonly string[], twice: (index: number) => void): void {
  const seen = new Set<string>()
  keys.forEach((key, index) => (seen.has(key) ? twice(index) : seen.add(key)))
}

/** A dossier as the open file; cleared readings and removed complaints are left out. */
export function toVisitFile(dossier: Dossier): VisitFile {
  const { rider, bike, visit } = dossier
  const complaints = dossier.complaints.filter((row) => !row.removed).map((row) => row.complaint)
  const kept = new Set(complaints.map((complaint) => complaint.id))
  return {
    format: VISIT_FILE_FORMAT,
    version: VISIT_FILE_VERSION,
    rider: { name: rider.name, note: rider.note },
    bike: { name: bike.name, kind: bike.kind },
    visit: { ...visitFieldsOf(visit), startedAt: visit.startedAt },
    readings: dossier.readings.map((row) => row.reading).filter((reading) => reading.value !== null),
    complaints,
    ledger: dossier.ledger,
    ratings: dossier.ratings.map((row) => row.rating).filter((rating) => kept.has(rating.complaintId)),
  }
}

/** A visit as the reasoner takes it, with nothing known beyond its file. */
export function visitStateOf({ readings, ledger, complaints, ratings, bike, visit }: VisitFile): VisitState {
  const { riding, choices, pace } = visit
  return { ...emptyVisit, readings, ledger, complaints, ratings, riding, choices, pace, kind: bike.kind }
}

/**
 * Reads the text of a visit file.
 * @throws CalculationError with a message for the screen and the fields at fault
 */
export function parseVisitFile(text: string): VisitFile {
  if (text.length > VISIT_FILE_MAX_BYTES) {
    throw new CalculationError(
      'too-large',
      `The file is larger than ${VISIT_FILE_MAX_BYTES / 1_000_000} MB; a visit is far smaller. Is it the right file?`,
      [],
    )
  }
  let raw: unknown
  try {
    raw = JSON.parse(text)
  } catch {
    throw new CalculationError(
      'broken-file',
      'This is not a readable JSON file: it may be cut off or of another kind. Nothing was imported.',
      [],
    )
  }
  return visitFileFrom(raw)
}

/** A file of each version that can be read, in today's form. */
const versions: ReadonlyMap<unknown, (file: Readonly<Record<string, unknown>>) => unknown> = new Map([
  [1, (file) => visitFrom3(visitFrom2(visitFrom1(file)))],
  [2, (file) => visitFrom3(visitFrom2(file))],
  [3, visitFrom3],
  [VISIT_FILE_VERSION, (file) => file],
])

/**
 * Reads a visit file that was parsed as JSON already.
 * @throws CalculationError with a message for the screen and the fields at fault
 */
export function visitFileFrom(raw: unknown): VisitFile {
  const at = unstorableIn(raw)
  if (at !== null)
    throw new CalculationError('invalid', `${unstorableWords(at)} Nothing was imported.`, [{ field: at, message: unstorableWords(at) }])
  const head = isRecord(raw) ? raw : {}
  if (head['format'] !== VISIT_FILE_FORMAT) {
    throw new CalculationError(
      'other-format',
      'This JSON file is not a visit file (its “format” is missing or another). Nothing was imported.',
      [{ field: 'format', message: `Expected ${VISIT_FILE_FORMAT}.` }],
    )
  }
  const { version } = head
  const upgrade = versions.get(version)
  if (upgrade === undefined) {
    const found = typeof version === 'number' ? String(version) : 'missing'
    throw new CalculationError(
      'other-version',
      `This visit file has version ${found}; this program reads versions 1 to ${VISIT_FILE_VERSION}. Nothing was imported.`,
      [{ field: 'version', message: `Expected ${VISIT_FILE_VERSION}.` }],
    )
  }
  const parsed = visitFileSchema.safeParse(upgrade(head))
  if (parsed.success) return parsed.data
  const fields = fieldProblems(parsed.error)
  const first = fields[0]
  throw new CalculationError(
    'invalid',
    `The visit file does not hold together${first ? ` at ${first.field}: ${first.message}` : '.'} Nothing was imported.`,
    fields,
  )
}

/** The published JSON Schema of the file. */
export function visitFileJsonSchema(): Record<string, unknown> {
  return { $id: `urn:level-stance:visit:${VISIT_FILE_VERSION}`, title: 'Level Stance visit', ...z.toJSONSchema(visitFileSchema) }
}
