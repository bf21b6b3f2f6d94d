import { capital } from '../kernel/words.ts'
import { handPicture } from '../stations/hands/handShapes.ts'
import { halfBarPicture } from '../stations/hands/halfBarShapes.ts'
import { solePicture } from '../stations/feet/soleShapes.ts'
import { isKeyOf } from '../kernel/tables.ts'
import { joined, mm, msg, partLabel } from '../kernel/message.ts'
import type { Message } from '../kernel/message.ts'
import { barOf, drawnBarOf } from '../bike/bikeKinds.ts'
import { metricDefinition, riderMetrics } from '../body/metrics.ts'
import type { MetricKey } from '../body/metrics.ts'
import { amountWords, changeWords, directionOf } from '../ledger/moveWords.ts'
import { slots } from '../ledger/parts.ts'
import type { Exchange, SlotKey } from '../ledger/parts.ts'
import type { Folded } from '../ledger/fold.ts'
import { settingKeys, settings } from '../ledger/settings.ts'
import type { SettingKey } from '../ledger/settings.ts'
import type { Drawing } from '../kernel/drawing.ts'
import { riderPicture } from '../rider/boardShapes.ts'
import { metricEstimate, readingOf } from '../rider/metricEstimate.ts'
import { cautionsForAll } from '../ledger/cautions.ts'
import { riderPlaces } from '../uncertainty/riderPlaces.ts'
import type { Setup } from '../rider/setup.ts'
import { wearInput } from '../stations/feet/wear/readings.ts'
import { cleatReminder } from '../stations/feet/wear/cleatWear.ts'
import { cleatSchool, defaultCleatSchool } from '../stations/feet/cleat/schools.ts'
import { definitionOf, isChoice, optionWord, readingKeys } from '../readings/readingDefinitions.ts'
import type { ChoiceKey, NumberKey } from '../readings/readingDefinitions.ts'
import { readingName, valueWords } from '../readings/readingEntry.ts'
import { axlesOf } from '../model/riderModel.ts'
import { methods } from '../readings/table/methods.ts'
import { isCarried, measuredValue } from '../readings/resolve.ts'
import type { Resolved } from '../readings/resolve.ts'
import { trimmed } from '../kernel/entry.ts'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { sinceWords } from '../talk/history.ts'
import { complaintTitle, stopLines } from '../talk/complaint.ts'
import { blocksOf, blockWords } from '../prove/blocks.ts'
import { unaskedWords } from '../prove/unasked.ts'
import { ratedAgain, severityNow } from '../ledger/severity.ts'
import { markedDrawings } from '../figure/bodyMap.ts'
import type { MarkedDrawing } from '../figure/bodyMap.ts'
import { stopAndRefer } from '../talk/warningSigns.ts'
import type { VisitFile } from './visitFile.ts'

/** One line of the before-and-after table; texts are ready for print. */
export interface SheetRow {
  readonly label: string
  readonly before: Message
  readonly after: Message
  readonly changed: boolean
  readonly note: Message
}

/** The one-page record, the same for screen, print and PDF. */
export interface Sheet {
  readonly rider: string
  readonly bike: string
  readonly visit: string
  readonly startedAt: string
  readonly stop: Message | null
  /** what must not be ridden, and what was overruled */
  readonly blocks: readonly Message[]
  /** `after` is null where nothing was rated again */
  readonly complaints: readonly {
    readonly title: Message
    readonly before: number | null
    readonly after: number | null
    readonly note: Message
  }[]
  /** drawings of the body with the complaints' severity now; those without a mark are left out */
  readonly where: readonly MarkedDrawing[]
  readonly settings: readonly SheetRow[]
  /** what was set, as drawings to scale: rider and soles, and the hands of a flat bar; what cannot be drawn yet is left out */
  readonly pictures: readonly Drawing[]
  readonly handPictures: readonly Drawing[]
  readonly readings: readonly { readonly label: string; readonly left: Message; readonly right: Message; readonly how: string }[]
  readonly changes: readonly { readonly title: Message; readonly state: string; readonly ratings: string; readonly later: Message }[]
  readonly cautions: readonly Message[]
  readonly basis: string
}

/** Said at the foot of every sheet. */
const sheetCautions = [
  'Re-check every bolt after the first ride, to the maker’s torque.',
  'Practise the pedal release before riding off.',
  'Equipment advice, not a diagnosis: pain or numbness that stays, or grows, belongs with a clinician. Makers’ instructions and event rules come first.',
] as const

/** Builds the sheet from a visit file. */
export function sheetOf(file: VisitFile): Sheet {
  const bar = barOf(file.bike.kind)
  const places = riderPlaces(file.readings, file.ledger, drawnBarOf(file.bike.kind))
  const { setup: now } = places.now
  const { setup: start } = places.start
  const stops = stopLines(file.complaints)
  return {
    rider: file.rider.name,
    bike: `${file.bike.name} (${file.bike.kind})`,
    visit: file.visit.title,
    startedAt: file.visit.startedAt,
    stop: stops.length > 0 ? joined([...stops.map(({ words }) => words), stopAndRefer]) : null,
    blocks: [...unaskedWords(file.complaints, file.visit.overruled), ...blockWords(blocksOf(now, file.visit.overruled))],
    complaints: file.complaints.map((complaint) => ({
      title: complaintTitle(complaint),
      before: complaint.severity,
      after: ratedAgain(complaint, file.ratings, now.folded.changes),
      note: complaintNote(complaint),
    })),
    where: markedDrawings(
      file.complaints.map((complaint) => ({ ...complaint, severity: severityNow(complaint, file.ratings, now.folded.changes) })),
    ),
    settings: settingRows(start, now),
    // Drawn when they are asked for: most of what is said of a sheet needs none of them.
    get pictures() {
      return [
        riderPicture(now, start, drawnBarOf(file.bike.kind), 'From the right'),
        solePicture(now, start, 'Soles from above, on their pedals'),
      ].filter((picture) => picture !== null)
    },
    get handPictures() {
      return bar === 'flat' ? handPicturesOf(now) : []
    },
    readings: readingRows(start, now),
    changes: changeRows(file, now.folded),
    // What was changed and stands brings its own cautions along.
    cautions: [...cautionsForAll(now.folded.changes.filter(({ state }) => state !== 'undone')), ...reminders(now), ...sheetCautions],
    basis: `Cleat school: ${cleatSchool(file.visit.choices.feet.cleatSchool ?? defaultCleatSchool).label.toLowerCase()}. Cleat setback is counted from the first metatarsal head (MTP1) back to the axle. Values marked “est.” are estimates.`,
  }
}

/** Each half of a flat bar and each hand, whose clamps and levers are set by it. */
function handPicturesOf(now: Setup): Drawing[] {
  const all = sides.flatMap((side) => [
    halfBarPicture(now, side, `${capital(side)} half of the bar from above, lengths from its end`),
    handPicture(now, side, `${capital(side)} hand from the side, standing ready`),
  ])
  return all.filter((picture) => picture !== null)
}

/** When it shows, and since when. */
function complaintNote({ startsAfter, since }: VisitFile['complaints'][number]): string {
  return [startsAfter === null ? '' : `starts after ${startsAfter} min`, since === null ? '' : `since ${sinceWords[since]}`]
    .filter((words) => words !== '')
    .join(', ')
}

/** What this bike asks for later: cleats to be looked at, the torque noted for their bolts. */
function reminders({ now }: Setup): string[] {
  const cleats = cleatReminder(wearInput(now))
  const torque = measuredValue(now, 'boltTorque')
  return [
    ...(cleats === null ? [] : [cleats]),
    ...(torque === null ? [] : [`Cleat bolts: ${trimmed(torque, 1)} N·m, noted from the maker’s sheet; again after the first ride.`]),
  ]
}

function settingRows(start: Setup, now: Setup): SheetRow[] {
  const row = (label: string, before: number | undefined, after: number | undefined, note: Message): SheetRow => {
    const text = (value: number | undefined) => (value === undefined ? 'not read' : msg`${mm(value, 1)}`)
    return { label, before: text(before), after: text(after), changed: before !== after, note }
  }
  const rows = sides.map((side) => {
    const [before, after] = [start.now.cleatSetback[side], now.now.cleatSetback[side]]
    return row(`Cleat behind MTP1, ${side}`, before?.value, after?.value, plusMinusNote(before))
  })
  const [before, after] = [start.now.saddleHeight.right, now.now.saddleHeight.right]
  rows.push(row('Saddle height, BB to top', before?.value, after?.value, plusMinusNote(before)))
  return [...rows, ...partRows(now), ...otherRows(start, now), ...metricRows(start, now)]
}

/** Parts exchanged, by name: what the bike came with, and what is on it now. */
function partRows(now: Setup): SheetRow[] {
  const first = new Map<SlotKey, Exchange>()
  for (const { exchanges, state } of now.folded.changes) {
    if (state !== 'undone') for (const exchange of exchanges) if (!first.has(exchange.slot)) first.set(exchange.slot, exchange)
  }
  return [...now.folded.fitted].map(([slot, { exchange }]) => ({
    label: slots[slot].label,
    before: partLabel(first.get(slot)?.from.name ?? exchange.from.name),
    after: partLabel(exchange.to.name),
    changed: true,
    note: 'exchanged',
  }))
}

/** Every other setting that a change has moved. */
function otherRows(start: Setup, now: Setup): SheetRow[] {
  return settingKeys.flatMap((key): SheetRow[] => {
    // What belongs to a part is said by the part's name, and its main sizes beside it.
    if (key === 'cleatSetback' || key === 'saddleHeight' || (settings[key].ofPart && !mainSizes.includes(key))) return []
    const places: readonly (Side | 'both')[] = settings[key].sided ? sides : ['both']
    return places.flatMap((side) => {
      const by = now.folded.by(key, side)
      if (by === 0) return []
      const value = (setup: Setup) => setup.now[key][side === 'left' ? 'left' : 'right']?.value
      const text = (held: number | undefined) => (held === undefined ? 'not read' : valueWords(key, held))
      const moved = msg`${directionOf(key, by)} ${amountWords(key, by)}`
      return [
        {
          label: readingName(key, side),
          before: text(value(start)),
          after: value(now) === undefined ? moved : text(value(now)),
          changed: true,
          note: moved,
        },
      ]
    })
  })
}

/** Sizes of parts that are said beside the part's name when it was exchanged. */
const mainSizes: readonly SettingKey[] = ['stemLength', 'stemAngle', 'crank', 'axleLength', 'saddleWidth', 'barRise', 'barReach']

/** Angles that a fitter compares before and after. */
const compared: readonly MetricKey[] = ['kneeLeft', 'kneeRight', 'hipLeft', 'hipRight', 'torso', 'elbowLeft', 'elbowRight']

function metricRows(start: Setup, now: Setup): SheetRow[] {
  const axles = axlesOf(now.rider.values)
  const modelled = (setup: Setup) => setup.model && riderMetrics(setup.model, axles)
  const [before, after] = [modelled(start), modelled(now)]
  const model = { none: 'model: to compare only', exact: 'model, calibrated', fitted: 'model, calibrated' }[now.rider.usual.state]
  return compared.flatMap((key): SheetRow[] => {
    const [a, b] = [metricEstimate(start, key, before?.[key] ?? null), metricEstimate(now, key, after?.[key] ?? null)]
    if (a === null || b === null) return []
    const changed = Math.abs(b.value - a.value) >= 0.05
    return [
      {
        label: metricDefinition(key).label,
        before: `${trimmed(a.value, 1)}°`,
        after: `${trimmed(b.value, 1)}°`,
        changed,
        note: !b.isRead
          ? model
          : !changed
            ? 'read'
            : isReadAgain(key, start, now)
              ? 'read, before and after'
              : 'read; after: by the model from there',
      },
    ]
  })
}

/** Whether a number of the rider was read anew since the start. */
function isReadAgain(metric: MetricKey, start: Setup, now: Setup): boolean {
  const reading = readingOf(metric)
  if (reading === null) return false
  const at = (setup: Setup) => setup.rider.resolved[reading.key][reading.side]?.value
  return at(start) !== at(now)
}

function plusMinusNote(value: { plusMinus: number } | null): Message {
  return value === null ? '' : msg`±${mm(value.plusMinus, 1)}`
}

/** What was read, at the start or else later; estimates stand only where the judgement of the feet or the saddle rests on them. */
function readingRows(start: Setup, now: Setup): Sheet['readings'] {
  return readingKeys
    .filter((key) => key !== 'cleatSetback' && key !== 'saddleHeight')
    .map((key) => (isChoice(key) ? choiceRow(key, start, now) : numberRow(key, start, now)))
    .filter((row) => row.left !== '' || row.right !== '')
}

function numberRow(key: NumberKey, start: Setup, now: Setup): Sheet['readings'][number] {
  const { sided, label } = definitionOf(key)
  const at = (side: Side) => {
    const [first, later] = [start.now[key][side], now.now[key][side]]
    const value = first?.basis === 'measured' || later?.basis !== 'measured' ? first : later
    return value?.basis === 'measured' || isCarried(value) || judgedBy.includes(key) ? value : null
  }
  const [left, right] = [at('left'), sided ? at('right') : null]
  const how = [...new Set([left, ...(sided ? [right] : [])].map(howRead))].filter((word) => word !== '').join(' / ')
  return { label, left: readingText(key, left), right: readingText(key, right), how }
}

function choiceRow(key: ChoiceKey, start: Setup, now: Setup): Sheet['readings'][number] {
  const { sided, label } = definitionOf(key)
  const at = (side: Side) => {
    const option = start.now.choices[key][side] ?? now.now.choices[key][side]
    return option === null ? '' : optionWord(key, option)
  }
  return { label, left: at('left'), right: sided ? at('right') : '', how: methods.eye.label }
}

const judgedBy: readonly NumberKey[] = ['inseam', 'thigh', 'shank', 'footLength', 'heelToMtp1', 'seatAngle', 'footPitch', 'soleStack']

function howRead(value: Resolved): string {
  if (value === null) return ''
  const once = value.oneForBoth ? ', one for both sides' : ''
  if (isCarried(value)) return value.from
  return value.basis === 'measured'
    ? `${isKeyOf(methods, value.from) ? methods[value.from].label : value.from}${once}`
    : `est. ${value.from}`
}

const readingText = (key: NumberKey, value: Resolved): Message => (value === null ? '' : valueWords(key, value.value))

function changeRows(file: VisitFile, folded: Folded): Sheet['changes'] {
  const byChange = new Map<string, VisitFile['ratings']>()
  for (const rating of file.ratings) byChange.set(rating.changeId, [...(byChange.get(rating.changeId) ?? []), rating])
  return folded.changes.map((change) => ({
    title: joined(changeWords(change), ', '),
    state: { trying: 'being tried', kept: 'kept', undone: 'undone' }[change.state],
    ratings: (byChange.get(change.id) ?? [])
      .map((rating) => {
        const complaint = file.complaints.find((c) => c.id === rating.complaintId)
        return complaint ? `${complaintTitle(complaint)} ${rating.severity}/10` : ''
      })
      .filter((words) => words !== '')
      .join(', '),
    later: change.state === 'undone' ? '' : change.later,
  }))
}
