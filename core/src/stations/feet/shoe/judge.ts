import type { OptionOf } from '../../../readings/readingDefinitions.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { BandEnd, Judged } from '../../../kernel/judged.ts'
import { judged, verdictOf } from '../../../kernel/judged.ts'
import type { TargetBand } from '../../../kernel/band.ts'
import { combined } from '../../../kernel/quantity.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import type { Side } from '../../../kernel/sided.ts'
import { byWeight, sideName } from '../../../kernel/finding.ts'
import type { Finding } from '../../../kernel/finding.ts'

/** One foot and its shoe; null = not read. Lengths in mm. */
export interface ShoeReadings {
  readonly footLength: Quantity | null
  readonly footWidth: Quantity | null
  readonly heelWidth: Quantity | null
  readonly shoeLength: Quantity | null
  readonly shoeBallWidth: Quantity | null
  readonly shoeHeelWidth: Quantity | null
  readonly archDrop: Quantity | null
  readonly soleStiffness: OptionOf<'soleStiffness'> | null
  readonly shoeUpper: OptionOf<'shoeUpper'> | null
  /** how far behind the ball the rearmost cleat place lies, and what the school asks for */
  readonly slotEnd: Quantity | null
  readonly setbackTarget: number | null
}

/**
 * How a shoe should fit its foot, mm: room beyond the longest toe, insole's breadth against the
 * loaded foot. @source common-practice
 */
const shoeFit = {
  length: { low: 4, high: 12 },
  ballWidth: { low: -3, high: 5 },
  heelWidth: { low: -2, high: 6 },
} as const
/** A slot that ends this much short of the target is a reason to change shoes, mm. @source common-practice */
const SLOT_SHORT = 5
/** From here on a dropping arch asks for support, mm of navicular drop. @source navicular-drop */
export const ARCH_DROPS = 10

function room(shoe: Quantity | null, foot: Quantity | null, band: TargetBand): Judged | null {
  return shoe && foot && judged(shoe.value - foot.value, combined(shoe.plusMinus, foot.plusMinus), band)
}

/** Room of a shoe beyond its foot, mm. */
export interface ShoeRoom {
  readonly length: Judged | null
  readonly ballWidth: Judged | null
  readonly heelWidth: Judged | null
}

/** How much a shoe has over its foot in length and width. */
export function shoeRoom(shoe: ShoeReadings): ShoeRoom {
  return {
    length: room(shoe.shoeLength, shoe.footLength, shoeFit.length),
    ballWidth: room(shoe.shoeBallWidth, shoe.footWidth, shoeFit.ballWidth),
    heelWidth: room(shoe.shoeHeelWidth, shoe.heelWidth, shoeFit.heelWidth),
  }
}
/** Whether a room lies past an end of its band by more than its ±. */
function isPast(found: Judged | null, end: BandEnd): boolean {
  const verdict = found && verdictOf(found)
  return verdict !== null && verdict.isClear && verdict.end === end
}
const mm = (value: number) => `${trimmed(Math.abs(value), 1)} mm`

/**
 * The shoe before the cleat: outline of the foot against the shoe's, sole, upper and where its slot
 * lies. A gap inside its own ± is no finding.
 * @source common-practice
 */
export function shoeCheck(side: Side, shoe: ShoeReadings): Finding[] {
  const name = sideName(side)
  const found: Finding[] = []
  const add = (
    key: string,
    weight: Finding['weight'],
    headline: string,
    sentence: string,
    { source = 'common-practice', of }: { readonly source?: Finding['source']; readonly of?: string } = {},
  ) => found.push({ key, side, weight, headline, sentence, source, ...(of === undefined ? {} : { of }) })
  const { length, ballWidth: ball, heelWidth: heel } = shoeRoom(shoe)
  const long = isPast(length, 'high')
  if (long && !isPast(ball, 'high')) {
    add(
      'long-for-width',
      'first',
      `${name} shoe was bought long for its width.`,
      `It is ${mm(length?.value ?? 0)} longer than the foot while the ball has ${ball === null ? 'no width read' : widthWords(ball.value)}: a longer size for width puts the holes too far forward and the bend behind the ball. A wide shoe in the right length first; no cleat setting mends this.`,
      { of: 'shoeLength' },
    )
  } else if (long) {
    add(
      'too-long',
      'first',
      `${name} shoe is too long.`,
      `${mm(length?.value ?? 0)} beyond the longest toe; ${shoeFit.length.low} to ${shoeFit.length.high} mm is right. The foot slides, and the holes lie too far forward.`,
      { of: 'shoeLength' },
    )
  }
  if (isPast(length, 'low')) {
    add(
      'too-short',
      'first',
      `${name} shoe is too short.`,
      `${length !== null && length.value >= 0 ? `Only ${mm(length.value)} beyond the longest toe` : `The foot is ${mm(length?.value ?? 0)} longer`}; toes that touch go numb whatever the cleat does.`,
      { of: 'shoeLength' },
    )
  }
  if (isPast(ball, 'low')) {
    add(
      'narrow',
      'first',
      `${name} shoe is narrow at the ball.`,
      `The insole is ${mm(ball?.value ?? 0)} narrower than the loaded foot. Hot spots and numb toes often end with the shoe alone: a wider one first, straps looser until then.`,
      { of: 'shoeWidth' },
    )
  }
  if (isPast(heel, 'high')) {
    add(
      'loose-heel',
      'act',
      `${name} heel is loose.`,
      `The heel has ${mm(heel?.value ?? 0)} of room to either side together: it swings and lifts in the shoe, and the cleat gets the blame.`,
      { of: 'shoeHeel' },
    )
  }
  if (shoe.slotEnd && shoe.setbackTarget !== null && shoe.slotEnd.value + shoe.slotEnd.plusMinus < shoe.setbackTarget - SLOT_SHORT) {
    add(
      'holes-forward',
      'act',
      `${name} shoe’s holes sit far forward.`,
      `All the way back puts the axle ${mm(shoe.slotEnd.value)} behind the ball; ${mm(shoe.setbackTarget)} is asked for. Take what the slot gives; the rest needs a shoe with holes further back.`,
    )
  }
  if (shoe.soleStiffness === 'soft') {
    add(
      'soft-sole',
      'act',
      'The sole folds at the ball.',
      'A soft sole lets a small patch press through: hot spots on a small pedal, a foot that tires. A stiffer sole or a pedal with a large patch. (One study found more forefoot pressure under the stiffest soles: stiff helps against a small patch, not by itself.)',
      { source: 'jarboe' },
    )
  }
  const drops = shoe.archDrop !== null && shoe.archDrop.value >= ARCH_DROPS
  if (shoe.shoeUpper === 'soft') {
    add(
      'soft-upper',
      drops ? 'first' : 'act',
      'The upper gives no support.',
      `A soft or knitted upper lets the foot roll over its edge, and a footbed has nothing to rest on.${drops ? ' This arch drops under load: a firm shoe before any footbed or wedge.' : ''}`,
    )
  }
  if (shoe.shoeUpper === 'mouldable') {
    add(
      'mouldable',
      'note',
      'This shoe can be moulded.',
      'Follow the steps below before the cleat goes on; its maker’s sheet outranks them.',
    )
  }
  if (found.length === 0 && length !== null && ball !== null) {
    add('fits', 'fine', `${name} shoe follows the foot.`, `${mm(length.value)} beyond the toes, ${widthWords(ball.value)} at the ball.`)
  }
  return byWeight(found)
}

function widthWords(room: number): string {
  if (Math.abs(room) < 0.05) return 'exactly the foot’s width'
  return room > 0 ? `${mm(room)} to spare` : `${mm(room)} too little`
}

/** Findings that are said of the shoe, not of a foot: once for both. */
const ofTheShoe = ['soft-sole', 'soft-upper', 'mouldable']

/** Headlines of one foot as they are said of both. */
const ofBoth: readonly (readonly [RegExp, string])[] = [
  [/^Left shoe is/, 'Both shoes are'],
  [/^Left shoe was/, 'Both shoes were'],
  [/^Left shoe’s/, 'Both shoes’'],
  [/^Left shoe follows/, 'Both shoes follow'],
  [/^Left heel is/, 'Both heels are'],
]

/** Both feet together; what is true of the pair, or the same on either side, is said once. */
export function shoeFindings(left: ShoeReadings, right: ShoeReadings): Finding[] {
  const [ofLeft, ofRight] = [shoeCheck('left', left), shoeCheck('right', right)]
  const together: Finding[] = []
  for (const finding of ofLeft) {
    const twin = ofRight.find((other) => other.key === finding.key)
    const shared = ofTheShoe.includes(finding.key)
    // A dropping arch on one side makes a soft upper weigh more: the weightier words are kept.
    const heavier = twin && shared && twin.weight === 'first' ? twin : finding
    if (shared) together.push({ ...heavier, side: 'both' })
    else if (twin?.sentence === finding.sentence) together.push({ ...finding, side: 'both', headline: saidOfBoth(finding.headline) })
    else together.push(finding)
  }
  const said = new Set(together.filter(({ side }) => side === 'both').map(({ key }) => key))
  const rest = ofRight.filter(({ key }) => !said.has(key)).map((f) => (ofTheShoe.includes(f.key) ? { ...f, side: 'both' as const } : f))
  return byWeight([...together, ...rest])
}

function saidOfBoth(headline: string): string {
  const row = ofBoth.find(([start]) => start.test(headline))
  return row ? headline.replace(row[0], row[1]) : headline
}
