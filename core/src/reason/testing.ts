import fc from 'fast-check'
import type { BarKind } from '../bike/bikeKinds.ts'
import type { LedgerEntry } from '../ledger/ledger.ts'
import { definitionOf, isChoice } from '../readings/readingDefinitions.ts'
import type { Reading } from '../readings/reading.ts'
import { dropBar, flatBar } from '../stations/hands/testing.ts'
import { complaintAt, entryOf, readingsWith } from '../testing.ts'
import { emptyVisit } from './visitModel.ts'
import type { VisitState } from './visitModel.ts'

/** A visit on a drop bar with nothing in it, and what a test lays over it. */
export function aVisit(over: Partial<VisitState> = {}): VisitState {
  return { ...emptyVisit, kind: 'drop bar', ...over }
}

const seated = {
  saddleTilt: 0,
  saddleWidth: 140,
  saddleNoseWidth: 49,
  sitBoneSpacing: 112,
  cleatTurn: [5, 5],
  cleatFloat: [6, 6],
  toeOutHanging: [6, 6],
  heelIn: [2, 2],
  heelOut: [2, 2],
  kneeOutside: [0, 0],
  axleLength: [53, 53],
  archDrop: [8, 8],
  forefootTilt: [3, 3],
  footWidth: [100, 100],
  shoeBallWidth: [100, 100],
  shoeLength: [272, 272],
  wristAngle: [0, 0],
  hipAngle: [45, 45],
  creepForward: 5,
} as const

const read = [...new Set([flatBar, dropBar].flatMap((bar) => readingsWith({ ...seated, ...bar }).map(({ key }) => key)))]

/** As far off as bikes are found, mm. */
const FAR = 40
/** From −1 to 1, each as likely: most doubles lie next to nothing. */
const share = fc.integer({ min: -50, max: 50 }).map((step) => step / 50)

/** A visit with every reading that bears on a number somewhere near its usual, some left out, some moved since. */
export const randomVisits = fc
  .record({
    bar: fc.constantFrom<BarKind>('flat', 'drop'),
    shifts: fc.dictionary(fc.constantFrom<string>(...read), fc.tuple(share, share), { maxKeys: 40, size: 'max' }),
    gone: fc.array(fc.constantFrom<string>(...read), { maxLength: 4 }),
    move: fc.constantFrom<LedgerEntry[]>(
      [],
      [entryOf(1, { setting: 'saddleHeight', side: 'both', by: -4, role: 'chosen' })],
      [entryOf(1, { setting: 'cleatSetback', side: 'left', by: 3, role: 'chosen' })],
      [entryOf(1, { setting: 'saddleTilt', side: 'both', by: -1, role: 'chosen' })],
    ),
  })
  .map(({ bar, shifts, gone, move }): VisitState => {
    const readings = readingsWith({ ...seated, ...(bar === 'flat' ? flatBar : dropBar) }).flatMap((reading): Reading[] => {
      const { key, side, value } = reading
      if (gone.includes(key)) return []
      const shift = shifts[key]?.[side === 'right' ? 1 : 0]
      if (isChoice(key) || typeof value !== 'number' || shift === undefined) return [reading]
      const { min, max, dimension } = definitionOf(key)
      const far = dimension === 'angle' ? 14 : Math.min(FAR, 0.12 * Math.max(Math.abs(value), 60))
      // Shoes come in whole sizes; a tape shows tenths.
      const steps = dimension === 'shoe-size' ? 1 : 10
      const moved = Math.round(Math.min(max, Math.max(min, value + shift * far)) * steps) / steps
      return [{ ...reading, value: moved, typed: String(moved) }]
    })
    const complaints = [
      complaintAt(1, 'knee-front', 'left'),
      complaintAt(2, 'hand-thumb', 'right', { kind: 'numb' }),
      complaintAt(3, 'forefoot', 'both', { kind: 'numb' }),
      complaintAt(4, 'groin', 'middle', { kind: 'numb' }),
      complaintAt(5, 'neck', 'middle'),
    ]
    return aVisit({ readings, ledger: move, complaints, kind: bar === 'flat' ? 'trail' : 'drop bar' })
  })
