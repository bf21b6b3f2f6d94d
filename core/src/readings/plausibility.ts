import { term } from './table/terms.ts'
import type { Message } from '../kernel/message.ts'
import { mm, msg, range } from '../kernel/message.ts'
import { trimmed } from '../kernel/entry.ts'
import { capital, midSentence } from '../kernel/words.ts'
import { sides } from '../kernel/sided.ts'
import type { Side } from '../kernel/sided.ts'
import { readingName, valueWords } from './readingEntry.ts'
import { definitionOf, numberKeys } from './readingDefinitions.ts'
import type { ReadingKey } from './readingDefinitions.ts'
import type { Reading } from './reading.ts'

/** A doubt about stored readings: asked, never refused. */
export interface PlausibilityQuestion {
  /** changes with the values, so that an answer holds only for what it was given to */
  readonly id: string
  readonly text: Message
  readonly about: readonly ReadingKey[]
  /** offered when exchanging the sides of a reading could be the answer */
  readonly swap: ReadingKey | null
}

type Read = (key: ReadingKey, side: Side | 'both') => number | null

/** Compares readings with each other. Limits are common practice, wide on purpose. */
export function plausibilityQuestions(readings: readonly Reading[]): PlausibilityQuestion[] {
  // Of several readings of one thing the last counts.
  const calm = new Map(readings.filter((r) => r.condition === 'usual').map((r) => [`${r.key}:${r.side}`, r.value]))
  const read: Read = (key, side) => {
    const value = calm.get(`${key}:${side}`)
    return typeof value === 'number' ? value : null
  }
  return [
    ...numberKeys.flatMap((key) => pairQuestion(key, read)),
    ...bodyQuestions(read),
    ...sides.flatMap((side) => footQuestions(read, side)),
  ]
}

function pairQuestion(key: ReadingKey, read: Read): PlausibilityQuestion[] {
  const { pairLimit, label, dimension } = definitionOf(key)
  const left = read(key, 'left')
  const right = read(key, 'right')
  if (pairLimit === undefined || left === null || right === null) return []
  const gap = Math.abs(left - right)
  if (gap <= pairLimit) return []
  const said = (value: number) => (dimension === 'shoe-size' ? `${trimmed(value, 1)} sizes` : valueWords(key, value))
  const both =
    dimension === 'shoe-size' ? `left ${trimmed(left, 1)} and right ${trimmed(right, 1)}` : msg`left ${said(left)} and right ${said(right)}`
  const text = msg`${label}: ${both} differ by ${said(gap)}; more than ${said(pairLimit)} is unusual. Is a side mistyped, or are the sides exchanged?`
  return [{ id: `pair:${key}:${left}:${right}`, text, about: [key], swap: key }]
}

function bodyQuestions(read: Read): PlausibilityQuestion[] {
  const questions: PlausibilityQuestion[] = []
  const inseam = read('inseam', 'both')
  const stature = read('stature', 'both')
  if (inseam !== null && stature !== null && (inseam / stature < 0.4 || inseam / stature > 0.54)) {
    const share = Math.round((inseam / stature) * 100)
    questions.push(
      ask(`inseam:${inseam}:${stature}`, `The inseam is ${share} % of stature; 40 to 54 % is usual. Is one of them mistyped?`, [
        'inseam',
        'stature',
      ]),
    )
  }
  questions.push(...shareQuestions(read))
  for (const side of sides) {
    const thigh = read('thigh', side)
    const shank = read('shank', side)
    if (thigh !== null && inseam !== null && thigh >= inseam) {
      questions.push(
        ask(
          `thigh:${side}:${thigh}:${inseam}`,
          msg`The ${side} thigh (${mm(thigh, 1)}) is as long as the inseam (${mm(inseam, 1)}). Is one of them mistyped?`,
          ['thigh', 'inseam'],
        ),
      )
    } else if (thigh !== null && shank !== null && (thigh / shank > 1.35 || thigh / shank < 0.75)) {
      questions.push(
        ask(
          `segments:${side}:${thigh}:${shank}`,
          msg`The ${side} thigh (${mm(thigh, 1)}) and shank (${mm(shank, 1)}) are unusually unequal. Were both taken to the middle of the knee?`,
          ['thigh', 'shank'],
        ),
      )
    }
  }
  const height = read('saddleHeight', 'both')
  if (height !== null && inseam !== null && (height / inseam < 0.7 || height / inseam > 1)) {
    const share = Math.round((height / inseam) * 100)
    questions.push(
      ask(
        `height:${height}:${inseam}`,
        msg`${term('saddle-height', 'Saddle height')} is ${share} % of the inseam; 70 to 100 % is usual. Is it measured from the bottom bracket to the saddle’s top?`,
        ['saddleHeight', 'inseam'],
      ),
    )
  }
  return questions
}

/** One reading as a share of another, with what is usual and what a slip there usually was. */
interface ShareRow {
  readonly key: ReadingKey
  readonly of: ReadingKey
  readonly low: number
  readonly high: number
  readonly slip: string
}

/** Usual shares, wide on purpose. @source common-practice */
const shares: readonly ShareRow[] = [
  { key: 'trunk', of: 'stature', low: 0.24, high: 0.34, slip: 'Was it taken from the hip’s bony point to the tip of the shoulder?' },
  { key: 'upperArm', of: 'stature', low: 0.16, high: 0.22, slip: 'Was it taken to the middle of the elbow?' },
  { key: 'forearm', of: 'stature', low: 0.16, high: 0.25, slip: 'Was it taken to a rod in the fist, not to the wrist or the fingertips?' },
  { key: 'acromionWidth', of: 'stature', low: 0.18, high: 0.28, slip: 'Bone to bone, not round the muscle?' },
  { key: 'handLength', of: 'stature', low: 0.09, high: 0.135, slip: 'From the crease of the wrist?' },
  { key: 'indexFinger', of: 'handLength', low: 0.28, high: 0.5, slip: 'Crease to tip?' },
  { key: 'footWidth', of: 'footLength', low: 0.3, high: 0.5, slip: 'Across the heads of the first and fifth metatarsals?' },
  { key: 'sitFromNose', of: 'saddleLength', low: 0.25, high: 0.9, slip: 'Is it counted from the nose?' },
  { key: 'dropWidth', of: 'hoodWidth', low: 0.9, high: 1.8, slip: 'Both centre to centre?' },
  { key: 'gripSpacing', of: 'barWidth', low: 0.5, high: 1, slip: 'Middle of hand to middle of hand, and the bar end to end?' },
  { key: 'wheelDiameter', of: 'chainstay', low: 0.9, high: 2.2, slip: 'Over the tyre, and bottom bracket to rear axle?' },
  { key: 'tread', of: 'crank', low: 0.55, high: 1.6, slip: 'Square to the bike, not diagonally from crank end to crank end?' },
]

function shareQuestions(read: Read): PlausibilityQuestion[] {
  return shares.flatMap(({ key, of, low, high, slip }): PlausibilityQuestion[] => {
    const places: readonly (Side | 'both')[] = definitionOf(key).sided ? sides : ['both']
    return places.flatMap((side) => {
      const value = read(key, side)
      const whole = read(of, definitionOf(of).sided ? side : 'both')
      if (value === null || whole === null || !(whole > 0)) return []
      const share = value / whole
      if (share >= low && share <= high) return []
      const percent = (part: number) => Math.round(part * 100)
      const text = msg`${readingName(key, side)} (${mm(value, 1)}) is ${percent(share)} % of ${midSentence(definitionOf(of).label)} (${mm(whole, 1)}); ${percent(low)} to ${percent(high)} % is usual. ${slip}`
      return [ask(`share:${key}:${side}:${value}:${whole}`, text, [key, of])]
    })
  })
}

function footQuestions(read: Read, side: Side): PlausibilityQuestion[] {
  const questions: PlausibilityQuestion[] = []
  const foot = read('footLength', side)
  const ball = read('heelToMtp1', side)
  const outer = read('heelToMtp5', side)
  const size = read('shoeSize', side)
  const now = read('cleatSetback', side)
  if (foot !== null && ball !== null && (ball / foot < 0.64 || ball / foot > 0.84)) {
    const share = Math.round((ball / foot) * 100)
    questions.push(
      ask(
        `ball:${side}:${ball}:${foot}`,
        `${capital(side)} heel to ball is ${share} % of foot length; about 74 % is usual. Was the mark taken at the first metatarsal head?`,
        ['heelToMtp1', 'footLength'],
      ),
    )
  }
  if (ball !== null && outer !== null && (outer >= ball || ball - outer > 60)) {
    questions.push(
      ask(
        `heads:${side}:${ball}:${outer}`,
        msg`${capital(side)}: MTP5 (${mm(outer, 1)}) usually lies ${range(10, 45)} nearer the heel than ${term('mtp1', 'MTP1')} (${mm(ball, 1)}). Are the two marks exchanged?`,
        ['heelToMtp1', 'heelToMtp5'],
      ),
    )
  }
  // An EU size is the last's length in steps of 2/3 cm; a last is commonly 10 to 20 mm longer than the foot.
  if (foot !== null && size !== null && Math.abs((size * 20) / 3 - 15 - foot) > 22) {
    questions.push(
      ask(
        `size:${side}:${size}:${foot}`,
        msg`${capital(side)} shoe size EU ${trimmed(size, 1)} is made for a foot of about ${mm((size * 20) / 3 - 15)}; this foot reads ${mm(foot, 1)}. Is the size right, or the shoe wrong for this foot?`,
        ['shoeSize', 'footLength'],
      ),
    )
  }
  if (now !== null && ball !== null && now > ball * 0.55) {
    questions.push(
      ask(
        `setback:${side}:${now}:${ball}`,
        msg`${capital(side)}: the axle ${mm(now, 1)} behind ${term('mtp1', 'MTP1')} would lie under the heel half of the foot. Is that right?`,
        ['cleatSetback'],
      ),
    )
  }
  return questions
}

function ask(id: string, text: Message, about: readonly ReadingKey[]): PlausibilityQuestion {
  return { id, text, about, swap: null }
}
