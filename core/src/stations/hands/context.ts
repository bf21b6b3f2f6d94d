import type { VisitContext } from '../../station/context.ts'
import type { HandsChoices } from './choices.ts'

/** What the station is judged from. */
export interface HandsContext extends VisitContext {
  readonly choices: HandsChoices
}
