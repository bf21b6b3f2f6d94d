import { barOf } from '../bike/bikeKinds.ts'
import { moveWords } from '../change/moveWords.ts'
import type { Folded } from '../change/fold.ts'
import { kneeAtBottom } from '../change/cleatKnockOn.ts'
import { setupOf } from '../change/setup.ts'
import type { Setup } from '../change/setup.ts'
import { cleatSchool } from '../feet/cleatSchools.ts'
import { definitionOf, readingKeys } from '../measure/readingDefinitions.ts'
import type { ReadingKey } from '../measure/readingDefinitions.ts'
import { methods } from '../measure/methods.ts'
import type { MethodKey } from '../measure/methods.ts'
import type { Resolved } from '../measure/resolve.ts'
import { formatLength, trimmed } from '../quantity/entry.ts'
import type { LengthUnit } from '../quantity/entry.ts'
import type { Side } from '../quantity/sided.ts'
import { complaintTitle, positiveWarnings } from '../talk/complaint.ts'
import { severityNow } from '../prove/severity.ts'
import { stopAndRefer } from '../talk/warningSigns.ts'
import type { VisitFile } from './visitFile.ts'

/** One line of the before-and-after table; texts are ready for print. */
export interface SheetRow {
  readonly label: string
  readonly before: string
  readonly after: string
  readonly changed: boolean
  readonly note: string
}

/** The one-page record, the same for screen, print and PDF. */
export interface Sheet {
  readonly rider: string
  readonly bike: string
  readonly visit: string
  readonly startedAt: string
  readonly stop: string | null
  readonly complaints: readonly { readonly title: string; readonly before: number; readonly after: number; readonly note: string }[]
  readonly settings: readonly SheetRow[]
  readonly readings: readonly { readonly label: string; readonly left: string; readonly right: string; readonly how: string }[]
  readonly changes: readonly { readonly title: string; readonly state: string; readonly ratings: string; readonly later: string }[]
  readonly cautions: readonly string[]
  readonly basis: string
}

/** Said at the foot of every sheet. */
export const sheetCautions = [
  'Re-check every bolt after the first ride, to the maker’s torque.',
  'Practise the pedal release before riding off.',
  'Equipment advice, not a diagnosis: pain or numbness that stays, or grows, belongs with a clinician. Makers’ instructions and event rules come first.',
] as const

/** Builds the sheet from a visit file; lengths in the fitter's unit. */
export function sheetOf(file: VisitFile, unit: LengthUnit = 'mm'): Sheet {
  const bar = barOf(file.bike.kind)
  const now = setupOf(file.readings, file.ledger, bar)
  const start = setupOf(file.readings, [], bar, now.rider)
  return {
    rider: file.rider.name,
    bike: `${file.bike.name} (${file.bike.kind})`,
    visit: file.visit.title,
    startedAt: file.visit.startedAt,
    stop: positiveWarnings(file.complaints).length > 0 ? stopAndRefer : null,
    complaints: file.complaints.map((complaint) => ({
      title: complaintTitle(complaint),
      before: complaint.severity,
      after: severityNow(complaint, file.ratings, now.folded.changes),
      note: complaint.startsAfter === null ? '' : `starts after ${complaint.startsAfter} min`,
    })),
    settings: settingRows(start, now, unit),
    readings: readingRows(start, unit),
    changes: changeRows(file, now.folded),
    cautions: sheetCautions,
    basis: `Cleat school: ${cleatSchool(file.visit.cleatSchool).label.toLowerCase()}. Lengths in ${unit}; cleat setback is counted from the first metatarsal head (MTP1) back to the axle. Values marked “est.” are estimates.`,
  }
}

function settingRows(start: Setup, now: Setup, unit: LengthUnit): SheetRow[] {
  const row = (label: string, before: number | undefined, after: number | undefined, note: string): SheetRow => {
    const text = (value: number | undefined) => (value === undefined ? 'not read' : `${formatLength(value, unit)} ${unit}`)
    return { label, before: text(before), after: text(after), changed: before !== after, note }
  }
  const rows = (['left', 'right'] as const).map((side) =>
    row(
      `Cleat behind MTP1, ${side}`,
      start.cleat[side].setbackNow?.value,
      now.cleat[side].setbackNow?.value,
      plusMinusNote(start.cleat[side].setbackNow, unit),
    ),
  )
  rows.push(row('Saddle height, BB to top', start.saddleHeight?.value, now.saddleHeight?.value, plusMinusNote(start.saddleHeight, unit)))
  for (const side of ['left', 'right'] as const) {
    const before = knee(start, side)
    const after = knee(now, side)
    if (before === null || after === null) continue
    const note = 'model: to compare only'
    rows.push({
      label: `Knee flexion at bottom, ${side}`,
      before: `${trimmed(before, 1)}°`,
      after: `${trimmed(after, 1)}°`,
      changed: Math.abs(after - before) >= 0.05,
      note,
    })
  }
  return rows
}

function plusMinusNote(value: { plusMinus: number } | null, unit: LengthUnit): string {
  return value === null ? '' : `±${formatLength(value.plusMinus, unit)} ${unit}`
}

function knee(setup: Setup, side: Side): number | null {
  const leg = setup.legs[side]
  const setback = setup.cleat[side].setbackNow?.value
  if (!leg.ready || setback === undefined) return null
  try {
    return kneeAtBottom({ ...leg.input, setbackFrom: setback, setbackTo: setback }, setback, leg.input.saddleHeight)
  } catch {
    return null
  }
}

function readingRows(start: Setup, unit: LengthUnit): Sheet['readings'] {
  return readingKeys
    .filter((key) => key !== 'cleatSetback' && key !== 'saddleHeight')
    .map((key) => {
      const { left, right } = start.baseline[key]
      const { sided, label } = definitionOf(key)
      const how = [...new Set([left, ...(sided ? [right] : [])].map(howRead))].filter((word) => word !== '').join(' / ')
      return { label, left: readingText(key, left, unit), right: sided ? readingText(key, right, unit) : '', how }
    })
    .filter((row) => row.left !== '' || row.right !== '')
}

function howRead(value: Resolved): string {
  if (value === null) return ''
  return value.basis === 'measured' ? methods[value.from as MethodKey].label : `est. ${value.from}`
}

function readingText(key: ReadingKey, value: Resolved, unit: LengthUnit): string {
  if (value === null) return ''
  const { dimension } = definitionOf(key)
  if (dimension === 'angle') return `${trimmed(value.value, 1)}°`
  return dimension === 'shoe-size' ? trimmed(value.value, 1) : formatLength(value.value, unit)
}

function changeRows(file: VisitFile, folded: Folded): Sheet['changes'] {
  return folded.changes.map((change) => ({
    title: change.moves.map(moveWords).join(', '),
    state: { trying: 'being tried', kept: 'kept', undone: 'undone' }[change.state],
    ratings: file.ratings
      .filter((rating) => rating.changeId === change.id)
      .map((rating) => {
        const complaint = file.complaints.find((c) => c.id === rating.complaintId)
        return complaint ? `${complaintTitle(complaint)} ${rating.severity}/10` : ''
      })
      .filter((words) => words !== '')
      .join(', '),
    later: change.state === 'undone' ? '' : change.later,
  }))
}
