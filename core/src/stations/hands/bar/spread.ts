import { bySide } from '../../../kernel/sided.ts'
import { upperPosture } from '../../../body/upperBody.ts'
import { hipOf } from '../../../body/rider.ts'
import type { Setup } from '../../../rider/setup.ts'

/** Hand to hand as the model has it, mm; null while the hands are not known. */
export function spacingNow({ model }: Pick<Setup, 'model'>): number | null {
  return model?.grips ? model.grips.left.at.z + model.grips.right.at.z : null
}

/**
 * Reach that the spread of the hands costs, mm, mean of both arms.
 * @param wider hands further apart than they are, mm
 * @returns null while rider or hands are not known, or where the arms do not reach
 * @source geometry
 */
export function spreadCost({ model }: Pick<Setup, 'model'>, wider = 0): number | null {
  const grips = model?.grips
  if (!model || !grips) return null
  const apart = bySide((side) => ({ ...grips[side], at: { ...grips[side].at, z: grips[side].at.z + wider / 2 } }))
  const { reaches, spreadCost: cost } = upperPosture(model.upper, hipOf(model), apart)
  return reaches ? cost : null
}
