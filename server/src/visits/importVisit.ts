import { randomUUID } from 'node:crypto'
import type { VisitFile } from '@level-stance/core/record/visitFile'
import type { Queryable } from '../db/queryable.ts'
import { bikes, complaints, ledger, ratings, readings, riders, visits } from '../db/schema.ts'
import { searchable } from '../riders/store.ts'
import { ledgerRow, readingRow, rowOfFields } from '../db/rows.ts'

/**
 * Stores a checked visit file as a new rider, bike and visit. Ids are given anew, so that importing
 * never touches what is there; what the file ties together stays tied.
 * @param visitId given by who imports, so that asking again stores nothing twice
 */
export async function importVisit(
  tx: Queryable,
  studioId: string,
  file: VisitFile,
  touchedAt = new Date(),
  visitId: string = randomUUID(),
): Promise<{ riderId: string; visitId: string }> {
  const fresh = new Map<string, string>()
  const renew = (id: string): string => {
    const made = fresh.get(id) ?? randomUUID()
    fresh.set(id, made)
    return made
  }
  const [riderId, bikeId] = [randomUUID(), randomUUID()]
  const mine = { studioId, visitId }
  await tx.insert(riders).values({
    id: riderId,
    studioId,
    ...file.rider,
    search: searchable(`${file.rider.name} ${file.rider.note.slice(0, 200)}`),
    touchedAt,
    version: 1,
  })
  await tx.insert(bikes).values({ id: bikeId, studioId, riderId, ...file.bike, version: 1 })
  await tx
    .insert(visits)
    .values({ id: visitId, studioId, riderId, bikeId, ...rowOfFields(file.visit), startedAt: new Date(file.visit.startedAt), version: 1 })
  if (file.complaints.length > 0) {
    await tx
      .insert(complaints)
      .values(
        file.complaints.map((complaint, i) => ({ ...complaint, ...mine, id: renew(complaint.id), seq: i + 1, removed: false, version: 1 })),
      )
  }
  if (file.ledger.length > 0) {
    const entries = file.ledger.map((entry) =>
      entry.kind === 'try' ? { ...entry, id: renew(entry.id) } : { ...entry, id: renew(entry.id), of: renew(entry.of) },
    )
    await tx.insert(ledger).values(entries.map((entry, i) => ledgerRow(mine, i + 1, entry)))
  }
  if (file.readings.length > 0) {
    const placed = file.readings.map((reading) => ({ ...reading, after: reading.after === null ? null : renew(reading.after) }))
    await tx.insert(readings).values(placed.map((reading) => ({ ...readingRow(mine, reading), version: 1 })))
  }
  if (file.ratings.length > 0) {
    await tx.insert(ratings).values(
      file.ratings.map(({ complaintId, changeId, severity }) => ({
        ...mine,
        complaintId: renew(complaintId),
        changeId: renew(changeId),
        severity,
        version: 1,
      })),
    )
  }
  return { riderId, visitId }
}
