import type { Message } from './message.ts'
import type { Side } from './sided.ts'
import type { SourceKey } from './sources.ts'

/** Something seen, in words for the screen. */
export interface Finding {
  readonly key: string
  readonly side: Side | 'both'
  /** `first`: no setting helps until this is mended; `act`: worth a change; `note`: to know; `fine`: as it should be */
  readonly weight: 'first' | 'act' | 'note' | 'fine'
  readonly headline: Message
  readonly sentence: Message
  readonly source: SourceKey
  /** the number it is a verdict on, by the name of its row; then its weight is that number's */
  readonly of?: string
}

const order = { first: 0, act: 1, note: 2, fine: 3 } as const

/** Weightiest first; within a weight as found. */
export function byWeight<F extends Pick<Finding, 'weight'>>(findings: readonly F[]): F[] {
  return [...findings].sort((a, b) => order[a.weight] - order[b.weight])
}

/** "Left", "Right", "Both feet" at the head of a sentence. */
export function sideName(side: Side | 'both'): string {
  return side === 'both' ? 'Both feet' : side === 'left' ? 'Left' : 'Right'
}
