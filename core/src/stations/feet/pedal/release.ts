import { sideName } from '../../../kernel/finding.ts'
import type { Finding } from '../../../kernel/finding.ts'
import type { Side } from '../../../kernel/sided.ts'

/** A foot that does not come out is a fall at the next stop. @source common-practice */
export function hardRelease(side: Side): Finding {
  return {
    key: 'hard-release',
    side,
    weight: 'act',
    headline: `${sideName(side)} foot comes out hard.`,
    sentence: 'Tension down until ten releases in a row take no thought, then up only as far as sprints need. Never ride off before that.',
    source: 'common-practice',
  }
}
