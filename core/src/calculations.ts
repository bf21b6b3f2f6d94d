import * as bike from './bike/bike.calculations.ts'
import * as body from './body/body.calculations.ts'
import * as leg from './body/leg.calculations.ts'
import * as knockOn from './knockOn/calculations.ts'
import * as reason from './record/reason.calculations.ts'
import * as rider from './rider/calculations.ts'
import * as cleat from './stations/feet/cleat/calculations.ts'
import * as pedal from './stations/feet/pedal/calculations.ts'
import * as rotation from './stations/feet/rotation/calculations.ts'
import * as stance from './stations/feet/stance/calculations.ts'
import * as wear from './stations/feet/wear/calculations.ts'
import * as cockpit from './stations/hands/cockpit/calculations.ts'
import * as controls from './stations/hands/controls/calculations.ts'
import * as grips from './stations/hands/grips/calculations.ts'
import * as levers from './stations/hands/levers/calculations.ts'
import * as place from './stations/hands/place/calculations.ts'
import * as roll from './stations/hands/roll/calculations.ts'
import * as width from './stations/hands/width/calculations.ts'
import * as height from './stations/seat/height/calculations.ts'
import * as legs from './stations/seat/legs/calculations.ts'
import * as mat from './stations/seat/mat/calculations.ts'
import * as saddle from './stations/seat/saddle/calculations.ts'
import * as tilt from './stations/seat/tilt/calculations.ts'
import * as uncertainty from './uncertainty/calculations.ts'
import type { AnyCalculation } from './kernel/calculation.ts'

/** Where calculations are written, in the order of the work: every calculation a module exports is offered. */
const modules: readonly object[] = [
  bike,
  leg,
  body,
  rider,
  uncertainty,
  cleat,
  rotation,
  stance,
  pedal,
  wear,
  saddle,
  tilt,
  height,
  legs,
  mat,
  width,
  controls,
  roll,
  levers,
  grips,
  place,
  cockpit,
  knockOn,
  reason,
]

const isCalculation = (thing: unknown): thing is AnyCalculation =>
  typeof thing === 'object' && thing !== null && 'run' in thing && 'working' in thing && 'sources' in thing

/** Every calculation, in the order of the work. */
export const calculations: readonly AnyCalculation[] = modules.flatMap((module) => Object.values(module).filter(isCalculation))

/** A calculation by its name, or null. */
export function calculationNamed(name: string): AnyCalculation | null {
  return calculations.find((calculation) => calculation.name === name) ?? null
}
