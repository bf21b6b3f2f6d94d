import type { Message } from '@level-stance/core/kernel/message'
import { sql } from 'drizzle-orm'
import {
  boolean,
  check,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import type { AnyPgColumn } from 'drizzle-orm/pg-core'
import type { Move } from '@level-stance/core/ledger/ledger'
import type { Pace } from '@level-stance/core/ledger/pace'
import type { Exchange } from '@level-stance/core/ledger/parts'
import type { ConditionKey } from '@level-stance/core/readings/conditions'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import type { MethodKey } from '@level-stance/core/readings/table/methods'
import type { Complaint } from '@level-stance/core/talk/complaint'
import type { ControlSymptomKey } from '@level-stance/core/talk/controlSymptoms'
import type { SinceKey } from '@level-stance/core/talk/history'
import type { ComplaintKind } from '@level-stance/core/talk/regions'
import type { StudioCounts } from '@level-stance/core/reason/studio'
import type { BikeFields, VisitFields } from '@level-stance/core/record/dossier'
import type { Choices } from '@level-stance/core/stations/choices'
import type { CatalogueKey, SpecOf } from '@level-stance/core/stations/catalogues'
import type { AttachmentKind, AttachmentFields } from '@level-stance/core/record/attachments'
import type { TriedSaddle } from '@level-stance/core/record/triedSaddles'
import { bytes } from './bytes.ts'

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' })
const id = () => uuid('id').primaryKey()
const version = () => integer('version').notNull()
/** Version of a row that screens write, and the id of the write that made it. */
const written = () => ({ version: version(), writtenBy: uuid('written_by') })

/** Owner of all data. One default studio until there are accounts. */
export const studios = pgTable('studios', {
  id: id(),
  name: text('name').notNull(),
  /** whether what closed visits came to weighs on what is usual */
  learns: boolean('learns').notNull().default(true),
  /** demo data is loaded once, whatever is deleted later */
  demoLoadedAt: at('demo_loaded_at'),
})

/** Parts that a studio knows, of every catalogue, each with a version. */
export const parts = pgTable(
  'parts',
  {
    id: id(),
    studioId: uuid('studio_id')
      .notNull()
      .references(() => studios.id, { onDelete: 'cascade' }),
    catalogue: text('catalogue').$type<CatalogueKey>().notNull(),
    spec: jsonb('spec').$type<SpecOf<CatalogueKey>>().notNull(),
    removed: boolean('removed').notNull().default(false),
    version: version(),
  },
  (t) => [
    // One name once in a catalogue, among what is not removed; it also finds a studio's catalogue.
    uniqueIndex('parts_name')
      .on(t.studioId, t.catalogue, sql`lower(${t.spec}->>'name')`)
      .where(sql`not ${t.removed}`),
    check('parts_spec_is_object', sql`jsonb_typeof(${t.spec}) = 'object'`),
  ],
)

/** Catalogues that were filled with the kinds of the trade: each once, what was removed since stays removed. */
export const filledCatalogues = pgTable(
  'filled_catalogues',
  {
    studioId: uuid('studio_id')
      .notNull()
      .references(() => studios.id, { onDelete: 'cascade' }),
    catalogue: text('catalogue').$type<CatalogueKey>().notNull(),
    at: at('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.studioId, t.catalogue] })],
)

export const riders = pgTable(
  'riders',
  {
    id: id(),
    studioId: uuid('studio_id')
      .notNull()
      .references(() => studios.id, { onDelete: 'cascade' }),
    name: text('name').notNull(),
    note: text('note').notNull(),
    /** lower case without accents, for finding */
    search: text('search').notNull(),
    touchedAt: at('touched_at').notNull(),
    version: version(),
  },
  (t) => [
    unique('riders_studio_id').on(t.studioId, t.id),
    index('riders_recent').on(t.studioId, t.touchedAt.desc().nullsFirst(), t.id.desc().nullsFirst()),
    index('riders_search').using('gin', sql`${t.search} gin_trgm_ops`),
    check('riders_name_not_empty', sql`length(btrim(${t.name})) > 0`),
  ],
)

export const bikes = pgTable(
  'bikes',
  {
    id: id(),
    studioId: uuid('studio_id').notNull(),
    riderId: uuid('rider_id').notNull(),
    name: text('name').notNull(),
    kind: text('kind').$type<BikeFields['kind']>().notNull(),
    version: version(),
  },
  (t) => [
    foreignKey({ columns: [t.studioId, t.riderId], foreignColumns: [riders.studioId, riders.id], name: 'bikes_rider' }).onDelete('cascade'),
    unique('bikes_rider_id').on(t.riderId, t.id),
    index('bikes_of_rider').on(t.riderId),
  ],
)

export const visits = pgTable(
  'visits',
  {
    id: id(),
    studioId: uuid('studio_id').notNull(),
    riderId: uuid('rider_id').notNull(),
    bikeId: uuid('bike_id').notNull(),
    title: text('title').notNull(),
    /** doubts of plausibility that were answered with "it is right" */
    acknowledged: jsonb('accepted').$type<string[]>().notNull(),
    /** choices of each station, one JSON each */
    feet: jsonb('feet').$type<Choices['feet']>().notNull().default({}),
    seat: jsonb('seat').$type<Choices['seat']>().notNull().default({}),
    hands: jsonb('hands').$type<Choices['hands']>().notNull().default({}),
    /** how far one change may go; null = as what was told and ridden suggests */
    pace: text('pace').$type<Pace>(),
    /** what stood in the way of riding and was overruled */
    overruled: jsonb('overruled').$type<VisitFields['overruled']>().notNull().default([]),
    /** how the rider rides */
    riding: jsonb('riding').$type<VisitFields['riding']>().notNull().default({}),
    /** how it ended; null while it is open */
    outcome: text('outcome').$type<VisitFields['outcome']>(),
    /** what its trials came to, symptom by symptom; counted when it is closed, empty while it is open */
    learned: jsonb('learned').$type<StudioCounts>().notNull().default([]),
    startedAt: at('started_at').notNull(),
    ...written(),
  },
  (t) => [
    foreignKey({ columns: [t.studioId, t.riderId], foreignColumns: [riders.studioId, riders.id], name: 'visits_rider' }).onDelete(
      'cascade',
    ),
    foreignKey({ columns: [t.riderId, t.bikeId], foreignColumns: [bikes.riderId, bikes.id], name: 'visits_bike_of_rider' }).onDelete(
      'cascade',
    ),
    check('visits_pace', sql`${t.pace} in ('settled', 'new', 'careful')`),
    check('visits_outcome', sql`${t.outcome} in ('solved', 'better', 'same', 'worse', 'referred')`),
    unique('visits_studio_id').on(t.studioId, t.id),
    index('visits_of_rider').on(t.riderId, t.startedAt.desc().nullsFirst()),
  ],
)

/** Every row below a visit names its studio as well, so that no statement can reach across. */
const ofVisit = () => ({ studioId: uuid('studio_id').notNull(), visitId: uuid('visit_id').notNull() })

/** Ties a row to its visit of the same studio. */
function visitKey(name: string, t: { readonly studioId: AnyPgColumn; readonly visitId: AnyPgColumn }) {
  return foreignKey({ columns: [t.studioId, t.visitId], foreignColumns: [visits.studioId, visits.id], name }).onDelete('cascade')
}

export const readings = pgTable(
  'readings',
  {
    ...ofVisit(),
    key: text('key').$type<ReadingKey>().notNull(),
    side: text('side').$type<'left' | 'right' | 'both'>().notNull(),
    /** mm, degrees or EU size; null = cleared, or a choice */
    value: doublePrecision('value'),
    /** key of a choice */
    choice: text('choice'),
    typed: text('typed').notNull(),
    method: text('method').$type<MethodKey>().notNull(),
    /** ledger entry after which it was read; null = before any change */
    after: uuid('after'),
    /** when it was noted: for information only */
    at: at('taken_at').notNull(),
    /** what the rider did while it was taken */
    condition: text('condition').$type<ConditionKey>().notNull().default('usual'),
    /** single values behind a repeated reading */
    repeats: doublePrecision('repeats').array().notNull().default([]),
    /** ± of this very value, where its method computed one */
    plusMinus: doublePrecision('plus_minus'),
    ...written(),
  },
  (t) => [
    // One reading of a thing at a place of the ledger.
    uniqueIndex('readings_one').on(
      t.visitId,
      t.key,
      t.side,
      t.condition,
      sql`coalesce(${t.after}, '00000000-0000-0000-0000-000000000000'::uuid)`,
    ),
    visitKey('readings_visit', t),
    foreignKey({ columns: [t.visitId, t.after], foreignColumns: [ledger.visitId, ledger.id], name: 'readings_after' }),
    check('readings_side', sql`${t.side} in ('left', 'right', 'both')`),
    check('readings_plus_minus', sql`${t.plusMinus} is null or (${t.plusMinus} > 0 and ${t.plusMinus} <= 100)`),
    check('readings_number_or_choice', sql`${t.value} is null or ${t.choice} is null`),
    check('readings_finite', sql`${t.value} is null or ${t.value} between -100000 and 100000`),
  ],
)

export const complaints = pgTable(
  'complaints',
  {
    id: id(),
    ...ofVisit(),
    /** order in which they were told */
    seq: integer('seq').notNull(),
    /** places of the body; empty for a symptom of control */
    places: jsonb('places').$type<Complaint['places']>().notNull(),
    control: text('control').$type<ControlSymptomKey>(),
    /** null until it is answered */
    kind: text('kind').$type<ComplaintKind>(),
    startsAfter: integer('starts_after'),
    situation: text('situation').$type<Complaint['situation']>().notNull(),
    severity: smallint('severity'),
    since: text('since').$type<SinceKey>(),
    changed: jsonb('changed').$type<Complaint['changed']>().notNull().default([]),
    tried: jsonb('tried').$type<Complaint['tried']>().notNull().default([]),
    note: text('note').notNull(),
    warnings: jsonb('warnings').$type<Complaint['warnings']>().notNull(),
    removed: boolean('removed').notNull(),
    ...written(),
  },
  (t) => [
    visitKey('complaints_visit', t),
    unique('complaints_visit_id').on(t.visitId, t.id),
    unique('complaints_visit_seq').on(t.visitId, t.seq),
    check(
      'complaints_places',
      sql`jsonb_typeof(${t.places}) = 'array' and (jsonb_array_length(${t.places}) > 0 or ${t.control} is not null)`,
    ),
    check('complaints_severity', sql`${t.severity} is null or ${t.severity} between 0 and 10`),
    check('complaints_starts_after', sql`${t.startsAfter} is null or ${t.startsAfter} between 0 and 1440`),
  ],
)

/** Append-only; a trigger refuses updates. */
export const ledger = pgTable(
  'ledger',
  {
    id: id(),
    ...ofVisit(),
    seq: integer('seq').notNull(),
    kind: text('kind').$type<'try' | 'keep' | 'undo'>().notNull(),
    of: uuid('of'),
    station: text('station').$type<'feet' | 'seat' | 'hands'>(),
    moves: jsonb('moves').$type<Move[]>(),
    exchanges: jsonb('exchanges').$type<Exchange[]>(),
    pace: text('pace').$type<Pace>(),
    reason: jsonb('reason').$type<Message>(),
    later: jsonb('later').$type<Message>(),
    at: at('at').notNull(),
  },
  (t) => [
    visitKey('ledger_visit', t),
    unique('ledger_visit_id').on(t.visitId, t.id),
    unique('ledger_visit_seq').on(t.visitId, t.seq),
    foreignKey({ columns: [t.visitId, t.of], foreignColumns: [t.visitId, t.id], name: 'ledger_of_same_visit' }).onDelete('cascade'),
    check('ledger_kind', sql`(${t.kind} = 'try') = (${t.of} is null and ${t.moves} is not null and ${t.station} is not null)`),
    check('ledger_pace', sql`${t.pace} in ('settled', 'new', 'careful')`),
    check('ledger_kinds', sql`${t.kind} in ('try', 'keep', 'undo')`),
  ],
)

export const ratings = pgTable(
  'ratings',
  {
    ...ofVisit(),
    complaintId: uuid('complaint_id').notNull(),
    changeId: uuid('change_id').notNull(),
    severity: smallint('severity').notNull(),
    ...written(),
  },
  (t) => [
    primaryKey({ columns: [t.visitId, t.complaintId, t.changeId] }),
    visitKey('ratings_visit', t),
    foreignKey({
      columns: [t.visitId, t.complaintId],
      foreignColumns: [complaints.visitId, complaints.id],
      name: 'ratings_complaint',
    }).onDelete('cascade'),
    foreignKey({ columns: [t.visitId, t.changeId], foreignColumns: [ledger.visitId, ledger.id], name: 'ratings_change' }).onDelete(
      'cascade',
    ),
    check('ratings_severity', sql`${t.severity} between 0 and 10`),
  ],
)

/** Saddles a rider has ridden, over all visits. */
export const triedSaddles = pgTable(
  'tried_saddles',
  {
    id: id(),
    studioId: uuid('studio_id').notNull(),
    riderId: uuid('rider_id').notNull(),
    saddle: jsonb('saddle').$type<TriedSaddle>().notNull(),
    removed: boolean('removed').notNull().default(false),
    version: version(),
  },
  (t) => [
    foreignKey({
      columns: [t.studioId, t.riderId],
      foreignColumns: [riders.studioId, riders.id],
      name: 'tried_saddles_rider',
    }).onDelete('cascade'),
    index('tried_saddles_of_rider').on(t.riderId),
    check('tried_saddles_saddle_is_object', sql`jsonb_typeof(${t.saddle}) = 'object'`),
  ],
)

/** Pictures and recordings kept with a visit; a picture is stored rewritten, a recording packed. */
export const attachments = pgTable(
  'attachments',
  {
    id: id(),
    ...ofVisit(),
    kind: text('kind').$type<AttachmentKind>().notNull(),
    title: text('title').notNull(),
    marks: jsonb('marks').$type<AttachmentFields['marks']>(),
    mediaType: text('media_type').notNull(),
    width: integer('width'),
    height: integer('height'),
    /** size of the content as it is stored */
    bytes: integer('bytes').notNull(),
    content: bytes('content').notNull(),
    createdAt: at('created_at').notNull(),
    removed: boolean('removed').notNull().default(false),
    version: version(),
  },
  (t) => [
    visitKey('attachments_visit', t),
    index('attachments_of_visit').on(t.visitId, t.createdAt),
    check('attachments_kind', sql`${t.kind} in ('impression', 'mat')`),
    check('attachments_picture', sql`(${t.kind} = 'impression') = (${t.width} is not null and ${t.height} is not null)`),
  ],
)
