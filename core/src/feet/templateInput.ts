import { judgeCleat, slotRange } from './cleatJudgement.ts'
import { cleatRotation, rotationInput } from './cleatRotation.ts'
import type { CleatSchoolKey } from './cleatSchools.ts'
import type { TemplateInput } from './cleatTemplate.ts'
import { CalculationError } from '../quantity/problem.ts'
import type { Side } from '../quantity/sided.ts'
import { definitionOf } from '../measure/readingDefinitions.ts'
import { midSentence } from '../quantity/words.ts'
import { measured } from '../measure/resolve.ts'
import { cleatReadings, rotationReadings } from './inputs.ts'
import type { Setup } from '../change/setup.ts'

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
