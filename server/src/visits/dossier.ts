import { and, asc, eq, sql } from 'drizzle-orm'
import type { SQL } from 'drizzle-orm'
import type { PgColumn } from 'drizzle-orm/pg-core'
import type { LedgerEntry } from '@level-stance/core/ledger/ledger'
import type { Dossier } from '@level-stance/core/record/dossier'
import type { Queryable } from '../db/queryable.ts'
import { bikes, complaints, ledger, ratings, readings, riders, visits } from '../db/schema.ts'
import { prepared } from '../db/prepared.ts'
import { notFound } from '../http/errors.ts'
import { showEntry } from '../db/rows.ts'

/** Makes sure that a visit is the studio's, and names its rider. @throws HttpError 404 */
export async function riderOfVisit(db: Queryable, studioId: string, id: string): Promise<{ id: string; touchedAt: Date }> {
  const statement = prepared(db, 'rider_of_visit', (q, name) =>
    q
      .select({ id: riders.id, touchedAt: riders.touchedAt })
      .from(visits)
      .innerJoin(riders, eq(riders.id, visits.riderId))
      .where(oneVisit())
      .prepare(name),
  )
  const [rider] = await statement.execute({ studioId, id })
  if (!rider) throw notFound('This visit')
  return rider
}

/** The visit of the placeholders `studioId` and `id`. */
function oneVisit(): SQL | undefined {
  return and(eq(visits.studioId, sql.placeholder('studioId')), eq(visits.id, sql.placeholder('id')))
}

const moment = (column: PgColumn | SQL) => sql`to_char(${column} at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"')`

/** Place of the ledger entry after which a reading was taken; 0 = the start. */
const placeOfReading = sql`case when ${readings.after} is null then 0 else (select ${ledger.seq} from ${ledger} where ${ledger.visitId} = ${readings.visitId} and ${ledger.id} = ${readings.after}) end`

const readingFields = sql`'key', ${readings.key}, 'side', ${readings.side}, 'value', coalesce(to_json(${readings.choice}), to_json(${readings.value})),
  'typed', ${readings.typed}, 'method', ${readings.method}, 'after', ${readings.after}, 'at', ${moment(readings.at)},
  'condition', ${readings.condition}, 'repeats', ${readings.repeats}`

/** A list as JSON, empty where there is none. */
const listOf = (rows: SQL) => sql`coalesce((select json_agg(${rows}), '[]'::json)`

const wholeVisit = sql<string>`json_build_object(
  'rider', json_build_object('id', ${riders.id}, 'name', ${riders.name}, 'note', ${riders.note}, 'version', ${riders.version}),
  'bike', json_build_object('id', ${bikes.id}, 'name', ${bikes.name}, 'kind', ${bikes.kind}, 'version', ${bikes.version}),
  'visit', json_build_object('id', ${visits.id}, 'version', ${visits.version}, 'title', ${visits.title}, 'acknowledged', ${visits.acknowledged},
    'choices', json_build_object('feet', ${visits.feet}, 'seat', ${visits.seat}, 'hands', ${visits.hands}), 'pace', ${visits.pace}, 'overruled', ${visits.overruled}, 'riding', ${visits.riding}, 'outcome', ${visits.outcome}, 'startedAt', ${moment(visits.startedAt)}),
  'earlierVisits', (select count(*) from ${visits} as earlier where earlier.studio_id = ${visits.studioId} and earlier.bike_id = ${visits.bikeId} and earlier.started_at < ${visits.startedAt}),
  'last', (select json_build_object('title', earlier.title, 'startedAt', ${moment(sql`earlier.started_at`)},
      'kept', ${listOf(sql`json_build_object('moves', tried.moves, 'exchanges', tried.exchanges) order by tried.seq) from ${ledger} as tried
        where tried.studio_id = earlier.studio_id and tried.visit_id = earlier.id and tried.kind = 'try' and not exists (select 1 from ${ledger} as undone
          where undone.studio_id = tried.studio_id and undone.visit_id = tried.visit_id and undone.kind = 'undo' and undone.of = tried.id)`)})
    from ${visits} as earlier where earlier.studio_id = ${visits.studioId} and earlier.bike_id = ${visits.bikeId} and earlier.started_at < ${visits.startedAt}
    order by earlier.started_at desc limit 1),
  'readings', ${listOf(sql`json_build_object('reading', case when ${readings.plusMinus} is null then json_build_object(${readingFields})
      else json_build_object(${readingFields}, 'plusMinus', ${readings.plusMinus}) end, 'version', ${readings.version})
      order by ${readings.key}, ${readings.side}, ${readings.condition}, ${placeOfReading}) from ${readings} where ${readings.studioId} = ${visits.studioId} and ${readings.visitId} = ${visits.id}`)},
  'complaints', ${listOf(sql`json_build_object('complaint', json_build_object('id', ${complaints.id}, 'places', ${complaints.places}, 'control', ${complaints.control},
      'kind', ${complaints.kind}, 'startsAfter', ${complaints.startsAfter}, 'situation', ${complaints.situation}, 'severity', ${complaints.severity},
      'since', ${complaints.since}, 'changed', ${complaints.changed}, 'tried', ${complaints.tried}, 'note', ${complaints.note}, 'warnings', ${complaints.warnings}), 'removed', ${complaints.removed}, 'version', ${complaints.version})
      order by ${complaints.seq}) from ${complaints} where ${complaints.studioId} = ${visits.studioId} and ${complaints.visitId} = ${visits.id}`)},
  'ledger', ${listOf(sql`case when ${ledger.kind} = 'try'
      then json_build_object('kind', ${ledger.kind}, 'id', ${ledger.id}, 'at', ${moment(ledger.at)}, 'station', ${ledger.station},
        'moves', ${ledger.moves}, 'pace', coalesce(${ledger.pace}, 'settled'), 'exchanges', ${ledger.exchanges}, 'reason', ${ledger.reason}, 'later', ${ledger.later})
      else json_build_object('kind', ${ledger.kind}, 'id', ${ledger.id}, 'at', ${moment(ledger.at)}, 'of', ${ledger.of}) end
      order by ${ledger.seq}) from ${ledger} where ${ledger.studioId} = ${visits.studioId} and ${ledger.visitId} = ${visits.id}`)},
  'ratings', ${listOf(sql`json_build_object('rating', json_build_object('complaintId', ${ratings.complaintId}, 'changeId', ${ratings.changeId},
      'severity', ${ratings.severity}), 'version', ${ratings.version})
      order by ${ratings.changeId}, ${ratings.complaintId}) from ${ratings} where ${ratings.studioId} = ${visits.studioId} and ${ratings.visitId} = ${visits.id}`)}
)::text`

function dossierStatement(db: Queryable, name: string) {
  return db
    .select({ whole: wholeVisit })
    .from(visits)
    .innerJoin(riders, eq(riders.id, visits.riderId))
    .innerJoin(bikes, eq(bikes.id, visits.bikeId))
    .where(oneVisit())
    .prepare(name)
}

/**
 * Everything of one visit as JSON text, read in one statement and so at one moment. PostgreSQL writes
 * the text, and it is handed on as it is: nothing is parsed and written again on the way.
 * @throws HttpError 404
 */
export async function readDossierText(db: Queryable, studioId: string, id: string): Promise<string> {
  const [row] = await prepared(db, 'dossier', dossierStatement).execute({ studioId, id })
  if (!row) throw notFound('This visit')
  return row.whole
}

/** The same as an object. @throws HttpError 404 */
export async function readDossier(db: Queryable, studioId: string, id: string): Promise<Dossier> {
  return JSON.parse(await readDossierText(db, studioId, id)) as Dossier
}

export async function readLedger(db: Queryable, studioId: string, visitId: string): Promise<LedgerEntry[]> {
  const mine = and(eq(ledger.studioId, studioId), eq(ledger.visitId, visitId))
  return (await db.select().from(ledger).where(mine).orderBy(asc(ledger.seq))).map(showEntry)
}
