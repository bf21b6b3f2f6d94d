import type { Message } from '../kernel/message.ts'
import type { Finding } from '../kernel/finding.ts'
import type { Side } from '../kernel/sided.ts'
import { trimmed } from '../kernel/entry.ts'
import { joined, mm, msg } from '../kernel/message.ts'
import type { RequestedMove } from '../ledger/moves.ts'

/** Writes a finding down; common practice where no source is named. */
export type Add = (
  key: string,
  side: Side | 'both',
  weight: Finding['weight'],
  headline: Message,
  sentence: Message,
  source?: Finding['source'],
) => void

/**
 * Writes into a list.
 * @param of the number that what is written is a verdict on
 */
export function into(found: Finding[], of?: string): Add {
  return (key, side, weight, headline, sentence, source = 'common-practice') =>
    void found.push({ key, side, weight, headline, sentence, source, ...(of === undefined ? {} : { of }) })
}

/** Writes into a list what is said of the rider and the bike, not of a side. */
export function intoBoth(found: Finding[]) {
  const add = into(found)
  return (key: string, weight: Finding['weight'], headline: Message, sentence: Message, source?: Finding['source']): void =>
    add(key, 'both', weight, headline, sentence, source)
}

/** Whether a side has a finding of one of these names that is worth a change. */
export function isActed(findings: readonly Finding[], side: Side, ...keys: readonly string[]): boolean {
  return findings.some((finding) => finding.weight === 'act' && finding.side === side && keys.includes(finding.key))
}

/** An angle without its sign: "6.5°". */
export const degrees = (angle: number, decimals = 1) => `${trimmed(Math.abs(angle), decimals)}°`

/** The headline a proposal is made for: the first finding with one of these names, else the weightiest. */
export function reasonOf(findings: readonly Finding[], ...keys: readonly string[]): Message {
  return (findings.find(({ key }) => keys.includes(key)) ?? findings[0])?.headline ?? ''
}

/** "17 mm inboard, both" or "L 17 mm in, R 16 mm in". */
export function amounts(requested: readonly RequestedMove[], more: string, less: string): Message {
  const size = ({ setting, by }: RequestedMove) => (setting === 'leverAngle' ? degrees(by, 0) : mm(Math.abs(by)))
  const way = (move: RequestedMove) => msg`${size(move)} ${move.by > 0 ? more : less}`
  const [one, other] = requested
  if (one && other && one.by === other.by) return msg`${way(one)}, both`
  return joined(
    requested.map((move) => msg`${move.side === 'left' ? 'L' : 'R'} ${way(move)}`),
    ', ',
  )
}
