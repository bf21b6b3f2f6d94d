import { defineStore } from 'pinia'
import { computed, ref, shallowRef, watch } from 'vue'
import type { Change } from '@level-stance/core/ledger/fold'
import type { LedgerEntry } from '@level-stance/core/ledger/ledger'
import { barOf, drawnBarOf } from '@level-stance/core/bike/bikeKinds'
import { paceOf } from '@level-stance/core/ledger/pace'
import type { Pace } from '@level-stance/core/ledger/pace'
import { foldedAt } from '@level-stance/core/ledger/timeline'
import type { ConditionKey } from '@level-stance/core/readings/conditions'
import { plausibilityQuestions } from '@level-stance/core/readings/plausibility'
import type { Reading } from '@level-stance/core/readings/reading'
import type { ReadingKey } from '@level-stance/core/readings/readingDefinitions'
import { readingName } from '@level-stance/core/readings/readingEntry'
import { readingIdentity, readingPlace } from '@level-stance/core/readings/readingPlace'
import { countingReadings } from '@level-stance/core/readings/resolve'
import { blocksOf } from '@level-stance/core/prove/blocks'
import { unasked as unaskedOf } from '@level-stance/core/prove/unasked'
import type { Told } from '@level-stance/core/ledger/outcome'
import { severityNow } from '@level-stance/core/ledger/severity'
import { visitFieldsOf } from '@level-stance/core/record/dossier'
import type { Choices } from '@level-stance/core/stations/choices'
import type { Dossier, VisitFields } from '@level-stance/core/record/dossier'
import { complaintTitle, positiveWarnings } from '@level-stance/core/talk/complaint'
import type { Complaint, Rating } from '@level-stance/core/talk/complaint'
import type { Riding } from '@level-stance/core/talk/riding'
import { riderPlaces } from '@level-stance/core/uncertainty/riderPlaces'
import type { RiderPlaces } from '@level-stance/core/uncertainty/riderPlaces'
import { contract } from '@level-stance/core/contract/contract'
import { ask } from './client.ts'
import { afterFrame } from '../kit/afterFrame.ts'
import { later } from '../kit/later.ts'
import { stable } from '../kit/stable.ts'
import { thingOf, useOutbox } from './outbox.ts'
import { sentBy } from './pendingWrite.ts'
import type { BodyOf, PendingWrite, WriteAnswer } from './pendingWrite.ts'

/**
 * The open visit: what the server holds, with this window's unsaved writes laid over it, and
 * everything the core derives from the two. Writing goes through the outbox.
 */
export const useVisit = defineStore('visit', () => {
  const outbox = useOutbox()
  const dossier = shallowRef<Dossier | null>(null)
  /** number of ledger entries shown; null = all */
  const shownUpTo = ref<number | null>(null)

  // Each part is told apart first: writing a reading leaves the lists of complaints and changes the same objects.
  const parts = {
    readings: computed(() => dossier.value?.readings),
    complaints: computed(() => dossier.value?.complaints),
    ledger: computed(() => dossier.value?.ledger),
    ratings: computed(() => dossier.value?.ratings),
    acknowledged: computed(() => dossier.value?.visit.acknowledged),
    choices: computed(() => dossier.value?.visit.choices),
    pace: computed(() => dossier.value?.visit.pace),
    overruled: computed(() => dossier.value?.visit.overruled),
    riding: computed(() => dossier.value?.visit.riding),
  }
  const head = stable(() => {
    if (!dossier.value) return null
    const { rider, bike, visit } = dossier.value
    return {
      riderId: rider.id,
      rider: rider.name,
      bike: bike.name,
      kind: bike.kind,
      bar: barOf(bike.kind),
      visitId: visit.id,
      title: visit.title,
    }
  })
  /** what the fitter has picked at each station */
  const choices = stable<Choices>(() => parts.choices.value ?? { feet: {}, seat: {}, hands: {} })
  /** how the rider rides */
  const riding = stable<Riding>(() => parts.riding.value ?? {})
  // The server's answer to a write is mostly what was written: nothing below is worked out again for it, and no draw given up.
  const latest = stable(() => (parts.readings.value ?? []).map((row) => row.reading))
  /**
   * The readings that everything is worked out from. What a hand types is stored at once and painted in
   * its own field first; all that follows from it comes right after that frame, however slow the machine.
   */
  const readings = shallowRef<readonly Reading[]>([])
  const follow = () => (readings.value = latest.value)
  const followSoon = afterFrame(follow)
  let isTyped = false
  watch(latest, () => (isTyped ? followSoon() : follow()), { flush: 'sync' })
  const complaints = stable(() => (parts.complaints.value ?? []).filter((row) => !row.removed).map((row) => row.complaint))
  const ledger = stable(() => parts.ledger.value ?? [])
  const ratings = computed(() => (parts.ratings.value ?? []).map((row) => row.rating))
  const folded = computed(() => foldedAt(ledger.value, ledger.value.length))
  const bar = computed(() => head.value?.bar ?? 'drop')
  /** the bar as it is drawn */
  const drawnBar = computed(() => (head.value ? drawnBarOf(head.value.kind) : bar.value))
  /** how many ledger entries are in force on the screen */
  const place = computed(() => Math.min(shownUpTo.value ?? ledger.value.length, ledger.value.length))
  /** the entry a reading taken now is taken after */
  const after = computed(() => ledger.value[place.value - 1]?.id ?? null)
  // The search for the body starts where it ended a key press ago.
  const places = computed<RiderPlaces>((before) => riderPlaces(readings.value, ledger.value, drawnBar.value, before))
  const baseline = computed(() => places.value.start.setup)
  const setup = computed(() => places.value.at(place.value).setup)
  const rider = computed(() => setup.value.rider)
  const counting = computed(() => countingReadings(readings.value, places.value.body.timeline, place.value))
  const stops = computed(() => positiveWarnings(complaints.value))
  /** what must not be ridden as it was read, overruled or not */
  const blocks = stable(() => blocksOf(setup.value, parts.overruled.value ?? []))
  /** warning signs that must be asked before anything is tried */
  const unasked = stable(() => unaskedOf(complaints.value, parts.overruled.value ?? []))
  /** how far one change may go: as the fitter says, else as what was told and ridden suggests */
  const pace = computed<Pace>(() =>
    paceOf(
      {
        pace: parts.pace.value ?? null,
        earlierVisits: dossier.value?.earlierVisits ?? 0,
        complaints: complaints.value,
        riding: riding.value,
      },
      setup.value.now,
    ),
  )
  const told = computed<Told>(() => ({ complaints: complaints.value, ratings: ratings.value, changes: folded.value.changes }))
  const questions = computed(() => {
    const acknowledged = new Set(parts.acknowledged.value ?? [])
    const standing = [...counting.value.values()].map((row) => row.reading)
    return plausibilityQuestions(standing).filter((question) => !acknowledged.has(question.id))
  })
  /** The questions on the screen: they come when the hand rests, and go as soon as they stand no more. */
  const asked = later(
    () => [counting.value, parts.acknowledged.value],
    () => head.value?.visitId,
    () => questions.value,
  )
  watch(
    () => (asked.value.length > 0 ? questions.value : asked.value),
    (standing) => {
      const still = asked.value.filter(({ id }) => standing.some((question) => question.id === id))
      if (still.length < asked.value.length) asked.value = still
    },
    { flush: 'sync' },
  )
  /** Whether a complaint is to be rated in the trial under way. */
  const isAsked = (complaintId: string): boolean => {
    const trying = folded.value.trying
    return trying !== null && !ratings.value.some((one) => one.complaintId === complaintId && one.changeId === trying.id)
  }
  const severities = computed(() => new Map(complaints.value.map((c) => [c.id, severityNow(c, ratings.value, folded.value.changes)])))

  /** Reads the visit and lays unsent writes over it. */
  async function open(id: string): Promise<void> {
    if (dossier.value?.visit.id !== id) {
      dossier.value = null
      shownUpTo.value = null
    }
    const fresh = await readWhole(id)
    dossier.value = outbox.pendingFor(id).reduce(overlaid, fresh)
  }

  /** writes of this window that the server has answered */
  let landings = 0
  /**
   * The visit as the server holds it. A write that lands while it is read may be neither in the
   * answer nor waiting any more: then it is read again.
   */
  async function readWhole(id: string): Promise<Dossier> {
    for (;;) {
      const before = landings
      const fresh = await ask(contract.readVisit, { params: { visitId: id } })
      if (landings === before) return fresh
    }
  }

  /** Reads again what another window may have changed, unless something here is unsent. */
  async function refresh(): Promise<void> {
    const id = dossier.value?.visit.id
    if (id === undefined || outbox.pendingFor(id).length > 0) return
    const fresh = await readWhole(id)
    if (dossier.value?.visit.id === id && outbox.pendingFor(id).length === 0) dossier.value = fresh
  }

  /** The reading that counts at the place shown, as it was taken; null = not read, or only said by the part's maker. */
  function reading(key: ReadingKey, side: Reading['side'], condition: ConditionKey = 'usual'): Reading | null {
    const found = counting.value.get(readingPlace({ key, side, condition }))?.reading
    return found === undefined || found.at === '' ? null : found
  }
  const byPlace = computed(() => {
    const found = new Map<string, Reading[]>()
    for (const row of readings.value) {
      if (row.value === null) continue
      const name = readingPlace(row)
      found.set(name, [...(found.get(name) ?? []), row])
    }
    for (const rows of found.values()) rows.sort((a, b) => placeOf(a) - placeOf(b))
    return found
  })
  /** Every reading of one thing, in the order of the ledger. */
  function allReadings(key: ReadingKey, side: Reading['side'], condition: ConditionKey = 'usual'): readonly Reading[] {
    return byPlace.value.get(readingPlace({ key, side, condition })) ?? []
  }
  const placeOf = (row: Pick<Reading, 'after'>) => places.value.body.timeline.placeOf(row.after)

  function write<Kind extends PendingWrite['kind']>(
    kind: Kind,
    place: string,
    body: BodyOf<Kind>,
    words: { label: string; mine: string },
  ): void {
    const current = dossier.value
    if (!current) return
    const id = current.visit.id
    const write: PendingWrite = {
      key: `${kind}:${id}:${place}`,
      kind,
      body,
      visitId: id,
      whose: `${current.rider.name}, ${current.visit.title}`,
      ...words,
    }
    dossier.value = overlaid(current, write)
    outbox.put(write)
  }

  function setReading(reading: Reading): void {
    const identity = readingIdentity(reading)
    const row = dossier.value?.readings.find((r) => readingIdentity(r.reading) === identity)
    const words = { label: readingName(reading.key, reading.side), mine: reading.value === null ? 'cleared' : reading.typed }
    isTyped = true
    write('reading', identity, { version: row?.version ?? 0, reading }, words)
    isTyped = false
  }

  function setComplaint(complaint: Complaint, removed = false): void {
    const row = dossier.value?.complaints.find((r) => r.complaint.id === complaint.id)
    const words = {
      label: complaintTitle(complaint),
      mine: removed ? 'removed' : complaint.severity === null ? 'not rated' : `severity ${complaint.severity}`,
    }
    write('complaint', complaint.id, { version: row?.version ?? 0, complaint, removed }, words)
  }

  function setRating(rating: Rating): void {
    const row = dossier.value?.ratings.find((r) => r.rating.complaintId === rating.complaintId && r.rating.changeId === rating.changeId)
    const words = { label: 'Rating', mine: String(rating.severity) }
    write('rating', `${rating.complaintId}:${rating.changeId}`, { version: row?.version ?? 0, rating }, words)
  }

  function setVisit(change: Partial<VisitFields>): void {
    if (!dossier.value) return
    const { version } = dossier.value.visit
    const visit = { ...visitFieldsOf(dossier.value.visit), ...change }
    write('visit', '', { version, visit }, { label: 'Visit', mine: visit.title })
  }

  /** What the fitter picks at a station. */
  function choose<Key extends keyof Choices>(station: Key, change: Partial<Choices[Key]>): void {
    setVisit({ choices: { ...choices.value, [station]: { ...choices.value[station], ...change } } })
  }

  /** Appends to the ledger: try, keep or undo. */
  function append(entry: LedgerEntry): void {
    follow()
    const words = { label: 'Change', mine: entry.kind }
    write('ledger', entry.id, { after: ledger.value.length, entry }, words)
    shownUpTo.value = null
  }

  function decide(kind: 'keep' | 'undo', change: Change): void {
    append({ kind, id: crypto.randomUUID(), at: new Date().toISOString(), of: change.id })
  }

  /** Gives up this window's write and shows what is stored. */
  async function takeTheirs(key: string): Promise<void> {
    const id = dossier.value?.visit.id
    outbox.takeTheirs(key)
    if (id !== undefined) await open(id)
  }

  outbox.onLanded((landed, answer) => {
    landings += 1
    const current = dossier.value
    if (!current || landed.visitId !== current.visit.id) return
    // A refused write leaves the screen ahead of the server: read again.
    if (answer === null) return void open(current.visit.id)
    const later = outbox.pendingFor(landed.visitId).filter((write) => thingOf(write) === thingOf(landed) && !write.adopted)
    dossier.value = later.reduce(overlaid, stored(current, answer))
  })

  return {
    dossier,
    head,
    choices,
    bar,
    drawnBar,
    readings,
    complaints,
    ledger,
    places,
    place,
    after,
    ratings,
    folded,
    rider,
    baseline,
    setup,
    stops,
    unasked,
    blocks,
    pace,
    riding,
    told,
    asked,
    severities,
    shownUpTo,
    open,
    refresh,
    reading,
    allReadings,
    placeOf,
    setReading,
    isAsked,
    setComplaint,
    setRating,
    setVisit,
    choose,
    append,
    decide,
    takeTheirs,
  }
})

/** A dossier with an unsent write laid over it; versions stay those of the server. */
function overlaid(dossier: Dossier, write: PendingWrite): Dossier {
  const reading = sentBy('reading', write)?.reading
  if (reading)
    return {
      ...dossier,
      readings: placed(
        dossier.readings,
        (row) => readingIdentity(row.reading) === readingIdentity(reading),
        (row) => ({ reading, version: row?.version ?? 0 }),
      ),
    }
  const told = sentBy('complaint', write)
  if (told)
    return {
      ...dossier,
      complaints: placed(
        dossier.complaints,
        (row) => row.complaint.id === told.complaint.id,
        (row) => ({ complaint: told.complaint, removed: told.removed, version: row?.version ?? 0 }),
      ),
    }
  const rating = sentBy('rating', write)?.rating
  if (rating)
    return {
      ...dossier,
      ratings: placed(
        dossier.ratings,
        (row) => row.rating.complaintId === rating.complaintId && row.rating.changeId === rating.changeId,
        (row) => ({ rating, version: row?.version ?? 0 }),
      ),
    }
  const fields = sentBy('visit', write)?.visit
  if (fields) return { ...dossier, visit: { ...dossier.visit, ...fields } }
  const entry = sentBy('ledger', write)?.entry
  const isNew = entry && dossier.ledger.every((other) => other.id !== entry.id)
  return isNew ? { ...dossier, ledger: [...dossier.ledger, entry] } : dossier
}

/** A dossier with the server's answer to a write. */
function stored(dossier: Dossier, answer: WriteAnswer): Dossier {
  switch (answer.kind) {
    case 'reading': {
      const { row } = answer
      return {
        ...dossier,
        readings: placed(
          dossier.readings,
          (other) => readingIdentity(other.reading) === readingIdentity(row.reading),
          () => row,
        ),
      }
    }
    case 'complaint': {
      const { row } = answer
      return {
        ...dossier,
        complaints: placed(
          dossier.complaints,
          (other) => other.complaint.id === row.complaint.id,
          () => row,
        ),
      }
    }
    case 'rating': {
      const { row } = answer
      return {
        ...dossier,
        ratings: placed(
          dossier.ratings,
          (other) => other.rating.complaintId === row.rating.complaintId && other.rating.changeId === row.rating.changeId,
          () => row,
        ),
      }
    }
    case 'visit':
      return { ...dossier, visit: answer.row }
    default:
      return dossier
  }
}

/** A list with the matching row replaced, or a new one at its end. */
function placed<Row>(rows: readonly Row[], matches: (row: Row) => boolean, make: (row: Row | undefined) => Row): Row[] {
  const index = rows.findIndex(matches)
  const made = make(rows[index])
  return index < 0 ? [...rows, made] : rows.map((row, i) => (i === index ? made : row))
}
