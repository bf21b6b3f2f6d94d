import { keysOf } from '../kernel/tables.ts'

/** What became of a change that is in the ledger. */
export type ChangeState = 'trying' | 'kept' | 'undone'
/** On the card it is only asked for, and in no ledger yet. */
export type CourseState = 'asked' | ChangeState
/** What can happen to a change. */
export type CourseEvent = 'try' | 'rate' | 'keep' | 'undo'

/** An event that cannot be, with why. */
interface Refusal {
  readonly refused: string
}
type Outcome = ChangeState | Refusal

const unknown: Refusal = { refused: 'The change it refers to is not in this visit.' }
const entered: Refusal = { refused: 'This entry is already in the ledger.' }
const already = (state: ChangeState): Refusal => ({ refused: `This change is already ${state}.` })

/** How a change goes: what each event makes of it in each state. It is rated as long as the rider finds something to say. */
export const course: Readonly<Record<CourseState, Readonly<Record<CourseEvent, Outcome>>>> = {
  asked: { try: 'trying', rate: unknown, keep: unknown, undo: unknown },
  trying: { try: entered, rate: 'trying', keep: 'kept', undo: 'undone' },
  kept: { try: entered, rate: 'kept', keep: already('kept'), undo: 'undone' },
  undone: { try: entered, rate: 'undone', keep: already('undone'), undo: already('undone') },
}

/** Why an event cannot be in a state; null where it can. */
export function refusal(state: CourseState, event: CourseEvent): string | null {
  const outcome = course[state][event]
  return typeof outcome === 'string' ? null : outcome.refused
}

/** What stands between the card and a trial, in the order in which it is dealt with; in words where the card shows nothing else for it. */
export const obstacles = {
  nothing: null,
  another: 'Another change is being tried. Keep or undo it first: one change at a time.',
  stopped: 'Not while a warning sign is positive.',
  unasked: null,
  blocked: null,
  past: 'Go back to now first.',
  changing: null,
} as const satisfies Readonly<Record<string, string | null>>
export type Obstacle = keyof typeof obstacles

/** What is to be known of a visit and its card before something is tried. */
export interface BeforeTrial {
  /** whether something on the card can be set now */
  readonly isChange: boolean
  /** whether another change is under test */
  readonly isTrying: boolean
  /** positive warning signs, unasked ones, and what must not be ridden and the change does not mend: how many */
  readonly stops: number
  readonly unasked: number
  readonly blocks: number
  /** whether an earlier place of the ledger is shown */
  readonly isPast: boolean
  /** whether what is on the card is about to be another */
  readonly isChanging: boolean
}

/** Everything that stands against a trial, first to be dealt with first; nothing: it may be tried. */
export function againstTrial(before: BeforeTrial): Obstacle[] {
  const stands: Readonly<Record<Obstacle, boolean>> = {
    nothing: !before.isChange,
    another: before.isTrying,
    stopped: before.stops > 0,
    unasked: before.unasked > 0,
    blocked: before.blocks > 0,
    past: before.isPast,
    changing: before.isChanging,
  }
  return keysOf(obstacles).filter((key) => stands[key])
}
