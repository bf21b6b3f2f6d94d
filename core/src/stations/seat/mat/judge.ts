import type { Message } from '../../../kernel/message.ts'
import { msg } from '../../../kernel/message.ts'
import { term } from '../../../readings/table/terms.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { judged, verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import type { MatResult } from './analysis.ts'

/** More than this on one side is a finding. @source common-practice */
const MOST_ONE_SIDE = 0.6
/** The middle’s peak against the bones’, %: a finding past the first, a note from the other on. @source prior */
const MIDDLE_PEAKS = 100
const MIDDLE_NEAR = 70
/** ± of two peaks against each other, %, and of a mat’s turn, degrees; k = 2. @source prior */
const MIDDLE_DOUBT = 10
const TURN_DOUBT = 3
/** Turned bones and rocking worth a word, degrees and % of the load. @source prior */
const TURNED = 5
const ROCKS = 25

/** Peak pressure in the middle against the bones' own, %; null where no bones stand out. */
export function middleStands({ bones, softPeak }: MatResult): Judged | null {
  const bone = bones ? (bones.left.pressure + bones.right.pressure) / 2 : 0
  return bone === 0 ? null : judged((100 * softPeak) / bone, MIDDLE_DOUBT, { low: 0, high: MIDDLE_PEAKS })
}

/** How far the sit bones are turned, degrees, + the right one lies ahead; null where they are not seen. */
export function turnStands({ turned }: MatResult): Judged | null {
  return turned === null ? null : judged(turned, TURN_DOUBT, { low: -TURNED, high: TURNED })
}

/** What a mat's numbers say. */
export function matFindings(result: MatResult): Finding[] {
  const found: Finding[] = []
  const add = (key: string, side: Finding['side'], weight: Finding['weight'], headline: Message, sentence: Message, of?: string) =>
    found.push({ key, side, weight, headline, sentence, source: 'common-practice', ...(of === undefined ? {} : { of }) })
  const percent = (share: number) => trimmed(100 * share, 0)
  const { bones } = result
  if (bones === null) {
    add(
      'no-bones',
      'both',
      'note',
      msg`No pair of ${term('sit-bones', 'sit bones')} stands out.`,
      'The saddle may be too narrow or too soft for them to be seen, or the mat lies askew. Use an impression for the spacing.',
    )
  }
  const bone = bones ? (bones.left.pressure + bones.right.pressure) / 2 : null
  const middle = middleStands(result)
  if (middle && verdictOf(middle).end === 'high') {
    add(
      'middle',
      'both',
      verdictOf(middle).weight,
      'The middle carries more than the bones.',
      msg`${trimmed(result.softPeak, 0)} kPa in the middle against ${trimmed(bone ?? 0, 0)} under the bones; ${percent(result.softTissue)} % of the load lies there. Tilt, width and ${term('relief')} before anything else.`,
      'matMiddle',
    )
  } else if (middle && middle.value >= MIDDLE_NEAR) {
    add(
      'middle',
      'both',
      'note',
      'The middle carries nearly as much as the bones.',
      `${trimmed(result.softPeak, 0)} against ${trimmed(bone ?? 0, 0)} kPa; ${percent(result.softTissue)} % of the load.`,
    )
  } else if (middle) {
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
  const turn = turnStands(result)
  if (turn && result.turned !== null && verdictOf(turn).end !== null) {
    add(
      'turned',
      result.turned > 0 ? 'right' : 'left',
      verdictOf(turn).weight,
      `The ${result.turned > 0 ? 'right' : 'left'} bone lies ahead by ${trimmed(Math.abs(result.turned), 0)}°.`,
      'The pelvis sits turned. Leg length, cleats and the saddle’s state come before turning anything else.',
      'matTurn',
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
