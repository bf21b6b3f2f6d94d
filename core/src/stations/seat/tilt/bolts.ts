import { DEGREES, RADIANS } from '../../../bike/contactPoints.ts'
import { optionsOf } from '../../../readings/readingDefinitions.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { keysOf } from '../../../kernel/tables.ts'

/** Coarse pitch by thread, mm a turn. @source iso-261 */
export const threadPitches = { M4: 0.7, M5: 0.8, M6: 1, M8: 1.25 } as const
export type Thread = keyof typeof threadPitches
export const threads = keysOf(threadPitches)

/** How a post's head is tilted, as the reading `postHead` has it. */
export const headKinds = optionsOf('postHead')
export type HeadKind = (typeof headKinds)[number]

/** A head with what its tilt is computed from. Lengths mm, degrees. */
export interface TiltHead {
  readonly kind: HeadKind
  readonly thread: Thread
  /** two bolts: middle to middle; tilt screw: its distance from the pivot */
  readonly spacing: number
  /** notched: angle of one notch */
  readonly notch: number
}

/** One thing the hand does. */
export interface TiltStep {
  readonly bolt: 'front' | 'rear' | 'clamp' | 'screw'
  /** eighths of a turn; + tightens, − loosens; 0 = by hand to the level's reading */
  readonly eighths: number
  readonly words: string
}

export interface TiltTurns {
  /** turns of one bolt against the other, both together; null where no thread sets the tilt */
  readonly turns: number | null
  /** degrees that one whole turn of one bolt makes; null likewise */
  readonly perTurn: number | null
  /** what eighths or notches come to, degrees */
  readonly gives: number
  readonly steps: readonly TiltStep[]
  /** wanted less given, degrees */
  readonly left: number
}

/** A quarter of a turn at most before the other bolt follows, eighths. @source common-practice */
const AT_ONCE = 2

/**
 * One turn of a bolt against the other: its pitch over their distance. Turned opposite ways by half
 * a turn each comes to the same.
 * @source geometry, iso-261
 */
export function degreesPerTurn(spacing: number, thread: Thread): number {
  return Math.atan(threadPitches[thread] / spacing) * DEGREES
}

/**
 * The turns that change a saddle's tilt, and the steps of the hand: to drop the nose the rear bolt
 * is loosened and the front one tightened, alternating.
 * @param change degrees, nose up is plus
 * @source geometry, iso-261
 */
export function tiltTurns({ kind, thread, spacing, notch }: TiltHead, change: number): TiltTurns {
  if (kind === 'smooth') {
    const words = 'Loosen the bolt until the cradle just turns, set the tilt by the level, tighten, read the level again.'
    return { turns: null, perTurn: null, gives: change, left: 0, steps: change === 0 ? [] : [{ bolt: 'clamp', eighths: 0, words }] }
  }
  if (kind === 'notched') {
    const notches = Math.round(change / notch)
    const gives = notches * notch
    const words = `Loosen the bolt until the teeth clear, ${Math.abs(notches)} ${Math.abs(notches) === 1 ? 'notch' : 'notches'} nose ${change > 0 ? 'up' : 'down'}, seat the teeth, tighten.`
    return { turns: null, perTurn: notch, gives, left: change - gives, steps: notches === 0 ? [] : [{ bolt: 'clamp', eighths: 0, words }] }
  }
  const turns = (spacing * Math.tan(Math.abs(change) * RADIANS)) / threadPitches[thread]
  const eighths = Math.round(8 * turns)
  const sign = Math.sign(change)
  const gives = sign * Math.atan(((eighths / 8) * threadPitches[thread]) / spacing) * DEGREES
  const steps = kind === 'screw' ? screwSteps(eighths, sign) : alternating(eighths, sign)
  return { turns, perTurn: degreesPerTurn(spacing, thread), gives: gives === 0 ? 0 : gives, left: change - gives, steps }
}

/** Half of the turns on each bolt, loosening first, never more than a quarter turn before the other follows. */
function alternating(eighths: number, sign: number): TiltStep[] {
  const [opens, closes] = sign < 0 ? (['rear', 'front'] as const) : (['front', 'rear'] as const)
  const steps: TiltStep[] = []
  let [open, close] = [Math.ceil(eighths / 2), Math.floor(eighths / 2)]
  while (open > 0 || close > 0) {
    const loose = Math.min(AT_ONCE, open)
    const tight = Math.min(AT_ONCE, close)
    if (loose > 0) steps.push(step(opens, -loose))
    if (tight > 0) steps.push(step(closes, tight))
    open -= loose
    close -= tight
  }
  return steps
}

/** A tilt screw at the cradle's front: in lifts nothing, it pulls the nose down. */
function screwSteps(eighths: number, sign: number): TiltStep[] {
  if (eighths === 0) return []
  return [
    { bolt: 'clamp', eighths: 0, words: 'Loosen the clamp bolt until the cradle just turns.' },
    step('screw', sign < 0 ? eighths : -eighths),
    { bolt: 'clamp', eighths: 0, words: 'Tighten the clamp bolt, read the level again.' },
  ]
}

function step(bolt: TiltStep['bolt'], eighths: number): TiltStep {
  const name = { front: 'Front bolt', rear: 'Rear bolt', screw: 'Tilt screw', clamp: 'Clamp bolt' }[bolt]
  return { bolt, eighths, words: `${name} ${turnWords(Math.abs(eighths))} ${eighths > 0 ? 'tighter' : 'looser'}` }
}

const fractions = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'] as const
/** "1 ¼ turns", "⅛ turn". */
export function turnWords(eighths: number): string {
  const whole = Math.floor(eighths / 8)
  const part = fractions[eighths % 8] ?? ''
  const shown = [whole > 0 || part === '' ? String(whole) : '', part].filter((text) => text !== '').join(' ')
  return `${shown} ${eighths > 8 ? 'turns' : 'turn'}`
}

/** "1.43° a turn". */
export const perTurnWords = (degrees: number) => `${trimmed(degrees, 2)}° a turn`
