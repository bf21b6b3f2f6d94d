import { trimmed } from '../../../kernel/entry.ts'
import type { Finding } from '../../../kernel/finding.ts'
import type { MatResult } from './analysis.ts'

/** More than this on one side is a finding. @source common-practice */
const MOST_ONE_SIDE = 0.6
/** The middle against the bones: a finding from this on, and a note from that on. @source prior */
const MIDDLE_PEAKS = 1
const MIDDLE_NEAR = 0.7
/** Turned bones and rocking worth a word, degrees and % of the load. @source prior */
export const TURNED = 5
const ROCKS = 25

/** What a mat's numbers say. */
export function matFindings(result: MatResult): Finding[] {
  const found: Finding[] = []
  const add = (key: string, side: Finding['side'], weight: Finding['weight'], headline: string, sentence: string) =>
    found.push({ key, side, weight, headline, sentence, source: 'common-practice' })
  const percent = (share: number) => trimmed(100 * share, 0)
  const { bones } = result
  if (bones === null) {
    add(
      'no-bones',
      'both',
      'note',
      'No pair of sit bones stands out.',
      'The saddle may be too narrow or too soft for them to be seen, or the mat lies askew. Use an impression for the spacing.',
    )
  }
  const bone = bones ? (bones.left.pressure + bones.right.pressure) / 2 : null
  const against = bone === null || bone === 0 ? null : result.softPeak / bone
  if (against !== null && against >= MIDDLE_PEAKS) {
    add(
      'middle',
      'both',
      'act',
      'The middle carries more than the bones.',
      `${trimmed(result.softPeak, 0)} kPa in the middle against ${trimmed(bone ?? 0, 0)} under the bones; ${percent(result.softTissue)} % of the load lies there. Tilt, width and relief before anything else.`,
    )
  } else if (against !== null && against >= MIDDLE_NEAR) {
    add(
      'middle',
      'both',
      'note',
      'The middle carries nearly as much as the bones.',
      `${trimmed(result.softPeak, 0)} against ${trimmed(bone ?? 0, 0)} kPa; ${percent(result.softTissue)} % of the load.`,
    )
  } else if (against !== null) {
    add(
      'middle',
      'both',
      'fine',
      'The bones carry.',
      `${trimmed(bone ?? 0, 0)} kPa under them, ${trimmed(result.softPeak, 0)} in the middle; ${percent(result.softTissue)} % of the load lies there.`,
    )
  }
  const heavier = Math.max(result.left, 1 - result.left)
  const side = result.left > 0.5 ? 'left' : 'right'
  if (heavier > MOST_ONE_SIDE) {
    add(
      'one-side',
      side,
      'act',
      `${percent(heavier)} % lies on the ${side}.`,
      `More than ${percent(MOST_ONE_SIDE)} : ${percent(1 - MOST_ONE_SIDE)} is a finding: rotated sitting, leg length or cleats, a worn saddle. Lay the mat straight and record again before believing it.`,
    )
  }
  if (result.turned !== null && Math.abs(result.turned) > TURNED) {
    add(
      'turned',
      result.turned > 0 ? 'right' : 'left',
      'act',
      `The ${result.turned > 0 ? 'right' : 'left'} bone lies ahead by ${trimmed(Math.abs(result.turned), 0)}°.`,
      'The pelvis sits turned. Leg length, cleats and the saddle’s state come before turning anything else.',
    )
  }
  if (result.rocking > ROCKS) {
    add(
      'rocks',
      'both',
      'note',
      'The load swings from side to side.',
      `${trimmed(result.rocking, 0)} % of it with the pedals: too high, or too wide.`,
    )
  }
  return found
}
