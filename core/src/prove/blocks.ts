import { msg } from '../kernel/message.ts'
import type { Message } from '../kernel/message.ts'
import type { SlotKey } from '../ledger/parts.ts'
import type { Requested } from '../ledger/moves.ts'
import { isExchange } from '../ledger/moves.ts'
import type { Setup } from '../rider/setup.ts'
import { boltFindings } from '../stations/feet/wear/bolts.ts'
import { wearFindings } from '../stations/feet/wear/cleatWear.ts'
import { boltReadings, cleatLook, wearInput } from '../stations/feet/wear/readings.ts'
import { biteFinding } from '../stations/hands/levers/bite.ts'
import { stanceParts } from '../stations/feet/stance/readings.ts'
import { threadFinding } from '../stations/feet/stance/search.ts'
import { chosen, measured, measuredValue } from '../readings/resolve.ts'
import type { Finding } from '../kernel/finding.ts'
import { bySide, sides } from '../kernel/sided.ts'

/** What the fitter has overruled, and why. */
export interface Overruled {
  readonly block: string
  readonly reason: string
}

/** Something on the bike that must not be ridden, until it is mended or overruled. */
export interface Block {
  /** finding and side: names it in the visit when it is overruled */
  readonly key: string
  readonly finding: Finding
  /** the fitter's reason for riding all the same; null = it blocks */
  readonly overruled: string | null
  /** exchanging one of these mends it */
  readonly mendedBy: readonly SlotKey[]
}

/** Findings that keep a bike off the road, and the parts that mend them when exchanged. @source common-practice */
const blocking: Readonly<Record<string, readonly SlotKey[]>> = {
  'missing-bolt': [],
  through: ['shoes'],
  'short-bite': ['shoes'],
  worn: [],
  thread: ['pedals', 'cranks'],
  cracked: ['saddle'],
  'bite-at-bar': ['levers'],
}

/** Everything that was read which must not be ridden as it is. */
export function blocksOf({ now }: Setup, overruled: readonly Overruled[]): Block[] {
  const parts = stanceParts(now)
  const found: Finding[] = [
    ...boltFindings(boltReadings(now)),
    ...wearFindings(
      wearInput(now),
      bySide((side) => cleatLook(now, side)),
    ),
    ...(parts ? sides.flatMap((side) => threadFinding(side, parts[side], measuredValue(now, 'axleThread', side)) ?? []) : []),
    ...sides.flatMap((side) => biteFinding(side, measured(now, 'leverBite', side)) ?? []),
    ...(chosen(now, 'saddleSound') === 'cracked' ? [crackedSaddle] : []),
  ]
  return found.flatMap((finding): Block[] => {
    const mendedBy = blocking[finding.key]
    if (finding.weight !== 'first' || mendedBy === undefined) return []
    const key = `${finding.key}:${finding.side}`
    return [{ key, finding, mendedBy, overruled: overruled.find(({ block }) => block === key)?.reason ?? null }]
  })
}

const crackedSaddle: Finding = {
  key: 'cracked',
  side: 'both',
  weight: 'first',
  headline: 'The saddle’s rails or shell are bent or cracked.',
  sentence: 'Take it off the bike: it can break under the rider without warning.',
  source: 'common-practice',
}

/** What still stands in the way of riding, a change that mends it taken into account. */
export function standing(blocks: readonly Block[], requested: readonly Requested[] = []): Block[] {
  const slots = requested.filter(isExchange).map(({ slot }) => slot)
  return blocks.filter(({ overruled, mendedBy }) => overruled === null && !mendedBy.some((slot) => slots.includes(slot)))
}

/** Blocks in words for the record: what stands, then what was overruled and why. */
export function blockWords(blocks: readonly Block[]): Message[] {
  return [
    ...standing(blocks).map(({ finding }) => msg`Not to be ridden: ${finding.headline} ${finding.sentence}`),
    ...blocks.flatMap(({ finding, overruled }) =>
      overruled === null ? [] : [msg`${finding.headline} Overruled by the fitter: ${overruled.replace(/\.$/, '')}.`],
    ),
  ]
}
