import { judgeCleat, slotRange } from './judge.ts'
import { cleatRotation, rotationInput } from '../rotation/judge.ts'
import type { CleatSchoolKey } from './schools.ts'
import type { TemplateInput } from './template.ts'
import { CalculationError } from '../../../kernel/problem.ts'
import type { Side } from '../../../kernel/sided.ts'
import { definitionOf } from '../../../readings/readingDefinitions.ts'
import { midSentence } from '../../../kernel/words.ts'
import { measured } from '../../../readings/resolve.ts'
import { rotationReadings } from '../rotation/readings.ts'
import { cleatReadings } from './readings.ts'
import type { Setup } from '../../../rider/setup.ts'

/**
 * Template of one shoe as the visit stands: axle where the school and the slot allow, the cleat
 * turned to the middle of the heel's swing where that is read, else as it is.
 * @param aim setback and turn the fitter aims at instead
 * @throws CalculationError naming what is still to be read
 */
export function templateInput(
  setup: Setup,
  school: CleatSchoolKey,
  side: Side,
  title: string,
  aim: { readonly setback?: number | undefined; readonly turn?: number | undefined } = {},
): TemplateInput {
  const { now } = setup
  const cleat = cleatReadings(now, side)
  const judged = judgeCleat(side, school, cleat)
  const setback = aim.setback ?? (judged.state === 'missing' ? undefined : judged.result.attainable)
  if (setback === undefined) {
    const lacking = judged.state === 'missing' ? judged.missing : []
    const names = lacking.map((key) => midSentence(definitionOf(key).label)).join(' and ')
    throw new CalculationError(
      'missing',
      `The ${side} template needs ${names} first.`,
      lacking.map((field) => ({ field, message: 'Not read yet.' })),
    )
  }
  const { setbackNow, heelToMtp1, heelToMtp5 } = cleat
  const readings = rotationReadings(now, side)
  const rotation = rotationInput(readings)
  const turn = rotation === null ? (readings.cleatTurn?.value ?? 0) : cleatRotation(rotation).attainable
  return {
    side,
    title,
    setback,
    setbackNow: setbackNow?.value ?? null,
    mtp5Behind: heelToMtp1?.basis === 'measured' && heelToMtp5?.basis === 'measured' ? heelToMtp1.value - heelToMtp5.value : null,
    slot: slotRange(cleat),
    slotAcross: measured(now, 'slotAcross', side)?.value ?? null,
    inboard: now.cleatInboard[side]?.value ?? 0,
    turn: aim.turn ?? turn,
    float: readings.float?.value ?? null,
  }
}
