import type { BikeKind } from '../../../bike/bikeKinds.ts'
import type { Setup } from '../../../rider/setup.ts'
import { definitionOf } from '../../../readings/readingDefinitions.ts'
import { standsAt } from '../../../readings/resolve.ts'
import { CalculationError } from '../../../kernel/problem.ts'
import { bySide } from '../../../kernel/sided.ts'
import type { Side } from '../../../kernel/sided.ts'
import { midSentence } from '../../../kernel/words.ts'
import { armPerAcross } from '../bar/room.ts'
import type { StripInput, StripMark } from './barStrip.ts'
import { controlMove } from '../controls/inputs.ts'
import { thumbControlKeys, thumbControls } from '../bar/pieces.ts'
import { hookOf } from '../levers/readings.ts'
import { halfBar } from '../bar/halfBar.ts'
import { HOOK_FITS } from '../levers/rules.ts'
import { widthStanding } from './judge.ts'
import type { WidthChoices } from './judge.ts'

/**
 * Strips of a flat bar as the visit stands: grip, clamps where they are and where they go, cuts.
 * @throws CalculationError naming what is still to be read, or on a drop bar
 */
export function stripInput(setup: Setup, choices: WidthChoices, kind: BikeKind, title: string): StripInput {
  if (setup.rider.bar !== 'flat')
    throw new CalculationError('invalid', 'Strips are for flat bars.', [{ field: 'bar', message: 'This bike has a drop bar.' }])
  const grip = standsAt(setup.now, 'gripLength')
  if (grip === null)
    throw new CalculationError('missing', `The strip needs the ${midSentence(definitionOf('gripLength').label)} first.`, [
      { field: 'gripLength', message: 'Not read yet.' },
    ])
  const bar = halfBar(setup).found
  const { plan } = widthStanding({ setup, choices, kind })
  // A cut is measured straight across; the strip lies along the arm.
  const along = bar === null ? 1 : armPerAcross(bar)
  const cuts = (plan?.cuts ?? []).map(({ n, total }): StripMark => ({
    key: `cut-${n}`,
    label: `cut ${n}`,
    at: (total / 2) * along,
    kind: 'cut',
  }))
  return { title, marks: bySide((side) => [...cuts, ...marksOf(setup, side)]) }
}

function marksOf(setup: Setup, side: Side): StripMark[] {
  const { now } = setup
  const grip = standsAt(now, 'gripLength', side)?.value ?? 0
  const marks: StripMark[] = [{ key: 'grip', label: 'grip ends', at: grip, kind: 'aim' }]
  const lever = standsAt(now, 'leverClamp', side)
  const off = hookOf(setup, side).found?.off ?? 0
  const clamp = (key: string, label: string, at: number, by: number) => {
    if (Math.abs(by) > HOOK_FITS)
      marks.push({ key: `${key}-now`, label: `${label} now`, at, kind: 'now' }, { key, label: `${label}, aim`, at: at + by, kind: 'aim' })
    else marks.push({ key, label, at, kind: 'aim' })
  }
  if (lever) clamp('brake', 'brake clamp, middle', grip + lever.value, off)
  for (const control of thumbControlKeys) {
    const { clamp: key, label } = thumbControls[control]
    const read = standsAt(now, key, side)
    if (read) clamp(control, `${label} clamp, middle`, grip + read.value, controlMove(setup, side, control))
  }
  return marks
}
