import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import { isSame, mm, msg, range } from '../../../kernel/message.ts'
import type { OptionOf } from '../../../readings/readingDefinitions.ts'
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
const size = (value: number) => mm(Math.abs(value), 1)

/**
 * The shoe before the cleat: outline of the foot against the shoe's, sole, upper and where its slot
 * lies. A gap inside its own ± is no finding.
 * @source common-practice
 */
export function shoeCheck(side: Side, shoe: ShoeReadings): ShoeFinding[] {
  const found: ShoeFinding[] = []
  const add = (
    key: HeadlineKey,
    weight: Finding['weight'],
    sentence: Message,
    { source = 'common-practice', of }: { readonly source?: Finding['source']; readonly of?: string } = {},
  ) => found.push({ key, side, weight, headline: headlineOf(key, side), sentence, source, ...(of === undefined ? {} : { of }) })
  const { length, ballWidth: ball, heelWidth: heel } = shoeRoom(shoe)
  const long = isPast(length, 'high')
  if (long && !isPast(ball, 'high')) {
    add(
      'long-for-width',
      'first',
      msg`It is ${size(length?.value ?? 0)} longer than the foot while the ball has ${ball === null ? 'no width read' : widthWords(ball.value)}: a longer size for width puts the holes too far forward and the bend behind the ball. A wide shoe in the right length first; no cleat setting mends this.`,
      { of: 'shoeLength' },
    )
  } else if (long) {
    add(
      'too-long',
      'first',
      msg`${size(length?.value ?? 0)} beyond the longest toe; ${range(shoeFit.length.low, shoeFit.length.high, 1)} is right. The foot slides, and the holes lie too far forward.`,
      { of: 'shoeLength' },
    )
  }
  if (isPast(length, 'low')) {
    add(
      'too-short',
      'first',
      msg`${length !== null && length.value >= 0 ? msg`Only ${size(length.value)} beyond the longest toe` : msg`The foot is ${size(length?.value ?? 0)} longer`}; toes that touch go numb whatever the cleat does.`,
      { of: 'shoeLength' },
    )
  }
  if (isPast(ball, 'low')) {
    add(
      'narrow',
      'first',
      msg`The insole is ${size(ball?.value ?? 0)} narrower than the loaded foot. Hot spots and numb toes often end with the shoe alone: a wider one first, straps looser until then.`,
      { of: 'shoeWidth' },
    )
  }
  if (isPast(heel, 'high')) {
    add(
      'loose-heel',
      'act',
      msg`The heel has ${size(heel?.value ?? 0)} of room to either side together: it swings and lifts in the shoe, and the cleat gets the blame.`,
      { of: 'shoeHeel' },
    )
  }
  if (shoe.slotEnd && shoe.setbackTarget !== null && shoe.slotEnd.value + shoe.slotEnd.plusMinus < shoe.setbackTarget - SLOT_SHORT) {
    add(
      'holes-forward',
      'act',
      msg`All the way back puts the axle ${size(shoe.slotEnd.value)} ${term('cleat-setback', 'behind the ball')}; ${size(shoe.setbackTarget)} is asked for. Take what the slot gives; the rest needs a shoe with holes further back.`,
    )
  }
  if (shoe.soleStiffness === 'soft') {
    add(
      'soft-sole',
      'act',
      'A soft sole lets a small patch press through: hot spots on a small pedal, a foot that tires. A stiffer sole or a pedal with a large patch. (One study found more forefoot pressure under the stiffest soles: stiff helps against a small patch, not by itself.)',
      { source: 'jarboe' },
    )
  }
  const drops = shoe.archDrop !== null && shoe.archDrop.value >= ARCH_DROPS
  if (shoe.shoeUpper === 'soft') {
    add(
      'soft-upper',
      drops ? 'first' : 'act',
      msg`A soft or knitted upper lets the foot roll over its edge, and a footbed has nothing to rest on.${drops ? msg` This arch drops under load: a firm shoe before any footbed or ${term('wedge')}.` : ''}`,
    )
  }
  if (shoe.shoeUpper === 'mouldable') {
    add('mouldable', 'note', 'Follow the steps below before the cleat goes on; its maker’s sheet outranks them.')
  }
  if (found.length === 0 && length !== null && ball !== null) {
    add('fits', 'fine', msg`${size(length.value)} beyond the toes, ${widthWords(ball.value)} at the ball.`)
  }
  return byWeight(found)
}

function widthWords(room: number): Message {
  if (Math.abs(room) < 0.05) return 'exactly the foot’s width'
  return room > 0 ? msg`${size(room)} to spare` : msg`${size(room)} too little`
}

/** What a finding says of one foot, behind its side, and of both; of the shoe itself it is said once. */
const headlines = {
  'long-for-width': { one: 'shoe was bought long for its width.', both: 'Both shoes were bought long for their width.' },
  'too-long': { one: 'shoe is too long.', both: 'Both shoes are too long.' },
  'too-short': { one: 'shoe is too short.', both: 'Both shoes are too short.' },
  narrow: { one: 'shoe is narrow at the ball.', both: 'Both shoes are narrow at the ball.' },
  'loose-heel': { one: 'heel is loose.', both: 'Both heels are loose.' },
  'holes-forward': { one: 'shoe’s holes sit far forward.', both: 'Both shoes’ holes sit far forward.' },
  fits: { one: 'shoe follows the foot.', both: 'Both shoes follow the foot.' },
  'soft-sole': { one: null, both: 'The sole folds at the ball.' },
  'soft-upper': { one: null, both: 'The upper gives no support.' },
  mouldable: { one: null, both: 'This shoe can be moulded.' },
} as const
type HeadlineKey = keyof typeof headlines
type ShoeFinding = Finding & { readonly key: HeadlineKey }
function headlineOf(key: HeadlineKey, side: Finding['side']): string {
  const { one, both } = headlines[key]
  return one === null || side === 'both' ? both : `${sideName(side)} ${one}`
}
const isOfTheShoe = (key: HeadlineKey) => headlines[key].one === null

/** Both feet together; what is true of the pair, or the same on either side, is said once. */
export function shoeFindings(left: ShoeReadings, right: ShoeReadings): Finding[] {
  const [ofLeft, ofRight] = [shoeCheck('left', left), shoeCheck('right', right)]
  const together: ShoeFinding[] = []
  for (const finding of ofLeft) {
    const twin = ofRight.find((other) => other.key === finding.key)
    const shared = isOfTheShoe(finding.key)
    // A dropping arch on one side makes a soft upper weigh more: the weightier words are kept.
    const heavier = twin && shared && twin.weight === 'first' ? twin : finding
    if (shared) together.push({ ...heavier, side: 'both' })
    else if (twin && isSame(twin.sentence, finding.sentence))
      together.push({ ...finding, side: 'both', headline: headlineOf(finding.key, 'both') })
    else together.push(finding)
  }
  const said = new Set(together.filter(({ side }) => side === 'both').map(({ key }) => key))
  const rest = ofRight.filter(({ key }) => !said.has(key)).map((f) => (isOfTheShoe(f.key) ? { ...f, side: 'both' as const } : f))
  return byWeight([...together, ...rest])
}
