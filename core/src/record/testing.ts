import type { Shape } from '../kernel/drawing.ts'
import { riderTroubles } from '../body/troubles.ts'
import type { LengthUnit } from '../kernel/entry.ts'
import { plain } from '../kernel/message.ts'
import type { Message } from '../kernel/message.ts'
import { sides } from '../kernel/sided.ts'
import { defaultHolds, knockOn } from '../knockOn/knockOn.ts'
import { cautionsFor } from '../ledger/cautions.ts'
import { changeWords, requestedWords } from '../ledger/moveWords.ts'
import { contactDifferences } from '../model/contactDifferences.ts'
import { trialPlan } from '../prove/trialPlan.ts'
import { plausibilityQuestions } from '../readings/plausibility.ts'
import { numberKeys } from '../readings/readingDefinitions.ts'
import { readEntry } from '../readings/readingEntry.ts'
import { reason } from '../reason/reason.ts'
import { visitModel } from '../reason/visitModel.ts'
import type { VisitState } from '../reason/visitModel.ts'
import type { Spreads } from '../uncertainty/riderPlaces.ts'
import { standingOf } from '../rider/setup.ts'
import { vialsOf } from '../station/number.ts'
import { judgePage } from '../station/station.ts'
import type { StationPage } from '../station/station.ts'
import { feetStation } from '../stations/feet/station.ts'
import { handsStation } from '../stations/hands/station.ts'
import { seatStation } from '../stations/seat/station.ts'
import { measureNext, nextWords } from '../uncertainty/measureNext.ts'
import { freshVisit } from './dossier.ts'
import { sheetOf } from './sheet.ts'
import type { VisitFile } from './visitFile.ts'

/** A message that a screen or the sheet shows of a visit. */
export interface Shown {
  /** where it stands: "seat finding saddle-high" */
  readonly where: string
  /** whole sentences begin with a capital and end with a full stop; parts are a label or stand inside one */
  readonly is: 'sentence' | 'part'
  readonly message: Message
}

function collector() {
  const shown: Shown[] = []
  const add =
    (is: Shown['is']) =>
    (where: string, ...messages: readonly Message[]) =>
      void shown.push(...messages.map((message) => ({ where, is, message })))
  return { shown, sentence: add('sentence'), part: add('part') }
}

/**
 * Every message that the pages, the card, the causes and the plan of a visit show.
 * @param spreads ± of the rider's numbers; left out, they are worked out, and what would sharpen them is among the messages
 */
export function everyMessage(visit: VisitState, spreads?: Spreads): Shown[] {
  const { input, facts } = visitModel(visit, spreads && { spreads })
  const { feet, seat, hands, setup } = facts
  const { shown, sentence, part } = collector()
  const page = <Parts>(station: string, pages: Readonly<Record<string, StationPage<Parts, string>>>, parts: Parts) => {
    for (const [key, open] of Object.entries(pages)) {
      if (open.bar !== undefined && open.bar !== setup.rider.bar) continue
      const said = judgePage(open, parts)
      const where = `${station} ${key}`
      sentence(`${where} tells`, open.tells)
      for (const finding of said.findings) sentence(`${where} ${finding.key}`, finding.headline, finding.sentence)
      for (const vial of vialsOf(open.numbers ?? {}, parts)) part(`${where} vial ${vial.key}`, vial.label, vial.remark)
      for (const { key: name, words, reason: why, requested } of said.proposals) {
        part(`${where} offers ${name}`, words, why, requestedWords(requested))
        const change = knockOn(standingOf(setup), requested, defaultHolds(requested), 'step', input.pace)
        part(`${where} card ${name}`, ...changeWords(change))
        sentence(`${where} card ${name}`, ...change.left.map(({ words: left }) => left), ...change.findings, ...cautionsFor(change))
        if (change.later !== '') sentence(`${where} later ${name}`, change.later)
      }
    }
  }
  page('feet', feetStation.pages, feet)
  page('seat', seatStation.pages, seat)
  page('hands', handsStation.pages, hands)
  for (const side of sides) {
    const { cleat, rotation, wedge, heelWedge, footbed } = feet
    for (const found of [cleat[side], rotation[side], wedge[side], heelWedge[side], footbed[side]]) {
      const where = `feet ${side} ${found.state}`
      if ('headline' in found) sentence(where, found.headline, found.sentence, found.sure)
      else if ('sentence' in found) sentence(where, found.sentence)
    }
  }

  const { complaints, reasoned } = reason(input)
  for (const { causes } of [...complaints, reasoned])
    for (const row of causes) sentence(`cause ${row.cause}`, ...[...row.said, ...row.learned].map(({ words }) => words))
  for (const next of reasoned.next) sentence('next reading', next.why)
  for (const move of reasoned.moves) {
    part(`first move ${move.cause}`, move.words)
    sentence(`first move ${move.cause}`, move.reason, ...(move.says === '' ? [] : [move.says]), ...move.cautions)
    sentence('trial plan', ...trialPlan(move, visit.complaints, new Map()).map(({ says }) => says))
  }
  for (const next of spreads === undefined ? measureNext(setup.rider, setup.folded.by) : []) sentence('measure next', nextWords(next))
  sentence('questions', ...plausibilityQuestions(visit.readings).map(({ text }) => text))
  sentence('differences', ...contactDifferences(setup.rider.resolved, setup.rider.bar).map(({ words }) => words))
  if (setup.model) sentence('troubles', ...riderTroubles(setup.model))
  for (const key of numberKeys) {
    const entry = readEntry(key, 'left', '99999', 'mm')
    if (!entry.ok) sentence(`entry ${key}`, entry.message)
  }
  return shown
}

/** The file of a visit, of a rider and a bike without a story. */
export function fileOf({ kind, readings, complaints, ledger, ratings }: VisitState): VisitFile {
  return {
    format: 'level-stance/visit',
    version: 4,
    rider: { name: 'R', note: '' },
    bike: { name: 'B', kind },
    visit: { ...freshVisit, startedAt: '2026-03-02T09:30:00.000Z' },
    readings: [...readings],
    complaints: [...complaints],
    ledger: [...ledger],
    ratings: [...ratings],
  }
}

/** Every message of a visit's sheet. */
export function sheetMessages(visit: VisitState): Shown[] {
  const { shown, sentence, part } = collector()
  const sheet = sheetOf(fileOf(visit))
  for (const row of sheet.settings) part(`sheet ${row.label}`, row.label, row.before, row.after, row.note)
  for (const row of sheet.readings) part(`sheet ${row.label}`, row.left, row.right, row.how)
  for (const row of sheet.changes) {
    part('sheet change', row.title)
    if (row.later !== '') sentence('sheet change', row.later)
  }
  for (const { title, shapes } of [...sheet.pictures, ...sheet.handPictures]) part(`sheet ${title}`, ...wordsIn(shapes))
  sentence('sheet', ...sheet.blocks, ...sheet.cautions, sheet.basis)
  return shown
}

/** Every text of some shapes. */
const wordsIn = (shapes: readonly Shape[]): Message[] =>
  shapes.flatMap((shape) => {
    if (shape.kind === 'group') return wordsIn(shape.shapes)
    return shape.kind === 'text' ? [shape.text, ...(shape.then ? [shape.then.text] : [])] : []
  })

/** What is wrong with a text, each with how it shows; a no-break space stands before the unit of a size that parts are sold by. */
const faults: readonly { readonly is: string; readonly shows: RegExp; readonly in?: LengthUnit; readonly of?: Shown['is'] }[] = [
  { is: 'is no text', shows: /NaN|undefined|Infinity|null|\[object|[{}]/ },
  { is: 'has millimetres in inches', shows: /\d mm(?![²³/\w])/, in: 'in' },
  { is: 'has inches in millimetres', shows: /\d in(?= ?[.,;:)·]|$)/, in: 'mm' },
  { is: 'has a ± without a unit', shows: /±[\d.]+(?! ?(?:mm|in|°|%|h\b|km|N|kg)|[\d.]| ?(?:to|and) )/ },
  {
    is: 'has a fraction without a unit',
    shows: /(?<![\d.±])−?\d+\.\d+(?![\d.]|\u00A0mm| ?(?:mm|in\b|°|%|N·m|kg|km|h\b|kPa|to |and |±|×|→|W\b|g\b|[+−=] )|,? (?:to|of 10))/,
  },
  { is: 'has a number without a unit', shows: /(?<![\d.]|EU |EU \d+ and |M|MTP|\/)\b\d+(?=[.;,:)](?: |$)|$)/, of: 'sentence' },
  { is: 'says the unit of a range twice', shows: /\d (mm|in) to [\d.]+ \1/ },
  { is: 'says a word or a unit twice', shows: /\b([a-z]+) \1\b|\b(mm|in) (?:mm|in)\b(?! )|°°|%%/i },
  { is: 'has a stop or a space too many', shows: /\.\.|\s[.,;:](?!\d)| {2}|[,;:]\.|^\s|\s$|\(\)|, ,/ },
  { is: 'does not begin with a capital', shows: /^[a-zà-ÿ]/, of: 'sentence' },
  { is: 'does not end with a full stop', shows: /[^.?!”)]$/, of: 'sentence' },
]

/** What is wrong with a message, in either unit; nothing, where all is right. */
export function messageFaults({ where, is, message }: Shown): string[] {
  return (['mm', 'in'] as const).flatMap((unit) => {
    const text = plain(message, unit)
    const found = faults
      .filter((fault) => (fault.in ?? unit) === unit && (fault.of ?? is) === is && fault.shows.test(text))
      .map((fault) => fault.is)
    const parts = text.split(/; | · /)
    if (new Set(parts).size < parts.length) found.push('lists a thing twice')
    return found.map((fault) => `${where} ${fault}: ${text}`)
  })
}
