import type { Side } from '../../../kernel/sided.ts'
import { bySide } from '../../../kernel/sided.ts'
import { chosen, measured, measuredValue } from '../../../readings/resolve.ts'
import type { ResolvedReadings } from '../../../readings/resolve.ts'
import type { BoltReadings } from './bolts.ts'
import type { CleatLook, WearInput } from './cleatWear.ts'

export function wearInput(now: ResolvedReadings): WearInput {
  return {
    kind: chosen(now, 'pedalKind'),
    distance: measuredValue(now, 'cleatDistance'),
    hours: measuredValue(now, 'cleatHours'),
    walking: chosen(now, 'cleatWalking'),
    recess: chosen(now, 'recess'),
  }
}
export function cleatLook(now: ResolvedReadings, side: Side): CleatLook {
  return {
    wear: chosen(now, 'cleatWear', side),
    play: chosen(now, 'cleatPlay', side),
    release: chosen(now, 'releaseFeel', side),
  }
}
export function boltReadings(now: ResolvedReadings): BoltReadings {
  return {
    pattern: chosen(now, 'boltPattern'),
    fitted: bySide((side) => chosen(now, 'boltsFitted', side)),
    length: measured(now, 'boltLength'),
    plate: measured(now, 'cleatPlate'),
    depth: measured(now, 'boltDepth'),
    torque: measuredValue(now, 'boltTorque'),
  }
}
