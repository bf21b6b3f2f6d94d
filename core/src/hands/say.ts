import type { Finding } from '../quantity/finding.ts'
import type { Side } from '../quantity/sided.ts'
import { trimmed } from '../quantity/entry.ts'

/** Writes a finding down; common practice where no source is named. */
export type Add = (
  key: string,
  side: Side | 'both',
  weight: Finding['weight'],
  headline: string,
  sentence: string,
  source?: Finding['source'],
) => void

/** Writes into a list. */
export function into(found: Finding[]): Add {
  return (key, side, weight, headline, sentence, source = 'common-practice') =>
    void found.push({ key, side, weight, headline, sentence, source })
}

/** Whether a side has a finding of one of these names that is worth a change. */
export function isActed(findings: readonly Finding[], side: Side, ...keys: readonly string[]): boolean {
  return findings.some((finding) => finding.weight === 'act' && finding.side === side && keys.includes(finding.key))
}

/** An angle without its sign: "6.5°". */
export const degrees = (angle: number, decimals = 1) => `${trimmed(Math.abs(angle), decimals)}°`

/** The headline a proposal is made for: the first finding with one of these names, else the weightiest. */
export function reasonOf(findings: readonly Finding[], ...keys: readonly string[]): string {
  return (findings.find(({ key }) => keys.includes(key)) ?? findings[0])?.headline ?? ''
}
