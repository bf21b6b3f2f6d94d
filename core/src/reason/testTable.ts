import type { BarKind } from '../bike/bikeKinds.ts'
import { metricDefinition } from '../body/metrics.ts'
import type { MetricKey } from '../body/metrics.ts'
import { ALIGNED } from '../stations/hands/roll/gripAlignment.ts'
import { GRIP_FITS } from '../stations/hands/grips/rules.ts'
import { HOOD_IN } from '../stations/hands/hoods/rules.ts'
import { HOOK_FITS, REACH_FITS } from '../stations/hands/levers/rules.ts'
import type { ChoiceKey, OptionOf } from '../readings/readingDefinitions.ts'
import { CREEP, HEAVY_HANDS, LONG_STEM, LOW_TORSO, OPEN_SHOULDER, UPRIGHT_TORSO } from '../body/postureLimits.ts'
import { KNEES_APART } from '../stations/seat/height/judge.ts'
import { TURNED } from '../stations/seat/mat/judge.ts'
import type { SourceKey } from '../kernel/sources.ts'
import type { CauseKey } from './causeTable.ts'
import type { NumberName } from './numbers.ts'

/** How well a test tells a cause: how often it is positive with the cause, and without it. @source prior */
export const strengths = {
  weak: { sensitivity: 0.6, falseRate: 0.35 },
  moderate: { sensitivity: 0.75, falseRate: 0.25 },
  strong: { sensitivity: 0.9, falseRate: 0.12 },
} as const satisfies Readonly<Record<string, { readonly sensitivity: number; readonly falseRate: number }>>
export type Strength = keyof typeof strengths

/** A word chosen by eye is wrong this often. @source prior */
export const EYE_ERROR = 0.1

/** The band of a number of the rider that has one. */
const band = (key: MetricKey) => metricDefinition(key).band ?? { low: -Infinity, high: Infinity }

/** Limits of the tests, in the unit of their number. Where no publication or rule gives one, the line is this product's own. */
export const limits = {
  /** elbows straighter than this are locked; @source prior */
  lockedElbow: band('elbowLeft').low,
  crampedElbow: band('elbowLeft').high,
  /** wrist to the little finger: pressure rises from here; @source keir */
  wristSide: band('wristLeft').high,
  heavyHands: HEAVY_HANDS,
  creep: CREEP,
  lowTorso: LOW_TORSO,
  uprightTorso: UPRIGHT_TORSO,
  closedHip: 40,
  turned: TURNED,
  kneesApart: KNEES_APART,
  openShoulder: OPEN_SHOULDER,
  longStem: LONG_STEM,
  shortStem: 60,
  handsHigh: -45,
  lightFront: 37,
  rolledBack: -4,
  rolledForward: 5,
  hoodLow: 58,
  hoodHigh: 25,
  gripThick: GRIP_FITS,
  gripThin: -GRIP_FITS,
  sweepOff: ALIGNED,
  leverFar: REACH_FITS,
  hookOff: HOOK_FITS,
  /** a hand this near the steering axis steers quickly; @source prior */
  shortArm: 200,
  hoodIn: HOOD_IN.most,
  cleatsApart: 3,
  turnOff: 2,
  legDifference: 5,
} as const
export type LimitName = keyof typeof limits

interface NumberTest {
  readonly of: NumberName
  readonly above?: LimitName | 0
  readonly below?: LimitName
  /** where the line is soft, in the number's unit */
  readonly soft: number
}
interface ChoiceTest {
  readonly choice: ChoiceKey
  readonly is: readonly string[]
}
export type TestRow = (NumberTest | ChoiceTest) & {
  readonly cause: CauseKey
  /** only on this kind of bar */
  readonly bar?: BarKind
  /** one of several ways the cause shows: of those that share a name the one that speaks most for it counts */
  readonly either?: string
  readonly strength: Strength
  /** said with the number where it speaks for the cause, and where against; `{v}` is the number, `{a}` the number without its sign */
  readonly for: string
  readonly against: string
  readonly source: SourceKey
}

const above = (
  cause: CauseKey,
  of: NumberName,
  limit: LimitName | 0,
  soft: number,
  strength: Strength,
  says: string,
  against: string,
  source: SourceKey = 'prior',
): TestRow => ({ cause, of, above: limit, soft, strength, for: says, against, source })
const below = (
  cause: CauseKey,
  of: NumberName,
  limit: LimitName,
  soft: number,
  strength: Strength,
  says: string,
  against: string,
  source: SourceKey = 'prior',
): TestRow => ({ cause, of, below: limit, soft, strength, for: says, against, source })
const when = <Key extends ChoiceKey>(
  cause: CauseKey,
  choice: Key,
  is: readonly OptionOf<Key>[],
  strength: Strength,
  says: string,
  against: string,
  source: SourceKey = 'common-practice',
): TestRow => ({ cause, choice, is, strength, for: says, against, source })

/** Every test, cause by cause. Several on one reading count once, the strongest. */
export const tests: readonly TestRow[] = [
  { ...above('shoe-small', 'shoeNarrow', 0, 1, 'strong', 'The shoe is {v} too narrow over the ball.', 'The shoe is wide enough over the ball.', 'common-practice'), either: 'outline' },
  { ...above('shoe-small', 'shoeShort', 0, 1, 'strong', 'The toes lack {v} of length.', 'The shoe is long enough.', 'common-practice'), either: 'outline' },
  when('shoe-tight', 'laces', ['tight'], 'strong', 'Tied tight over the ball of the foot.', 'Tied so that the foot has room.'),
  { ...when('soft-shoe', 'soleStiffness', ['soft'], 'moderate', 'The sole folds in the hand.', 'The sole holds.'), either: 'parts' },
  { ...when('soft-shoe', 'shoeUpper', ['soft'], 'moderate', 'The upper is soft or knitted.', 'The upper holds the foot.'), either: 'parts' },
  { ...when('soft-shoe', 'heelCup', ['soft'], 'weak', 'The heel cup gives.', 'The heel cup is firm.'), either: 'parts' },
  above('shoe-loose', 'shoeLoose', 0, 1.5, 'moderate', 'The shoe is {v} longer than the foot needs.', 'The shoe is no longer than the foot needs.', 'common-practice'),
  when('stiff-sole', 'soleStiffness', ['stiff'], 'moderate', 'The sole does not give.', 'The sole gives.'),
  when('small-patch', 'pedalKind', ['recessed', 'cleat-mechanism'], 'moderate', 'The pedal presses on a small patch.', 'The pedal has a broad patch.'),
  when('small-patch', 'soleStiffness', ['soft'], 'strong', 'The sole is soft: the pedal presses through.', 'The sole spreads the pedal’s pressure.'),
  when('pedal-system', 'pedalKind', ['plate-coil', 'plate-leaf', 'plate-glide'], 'moderate', 'One-sided entry.', 'The pedal takes the foot from either side.'),
  when('pedal-system', 'recess', ['flush'], 'weak', 'The cleat stands out of the sole.', 'The cleat sits inside the tread.'),
  above('cleat-forward', 'cleatShort', 0, 3, 'strong', 'The axle lies {v} further forward than behind the ball asks.', 'The axle lies far enough back.', 'common-practice'),
  above('cleats-apart', 'cleatsApart', 'cleatsApart', 1.5, 'strong', 'They stand {v} apart against their targets.', 'Both stand alike against their targets.'),
  above('rotation', 'turnOff', 'turnOff', 1, 'strong', 'The cleat is turned {v} off the foot’s own direction.', 'The foot’s own direction is centred in its float.'),
  above('float-small', 'floatShort', 0, 1, 'strong', 'The heel swings {v} more than the float allows with room.', 'The float is as wide as the swing with room.'),
  above('stance-narrow', 'stanceIn', 0, 3, 'strong', 'The foot stands {v} too far in for this knee.', 'The foot does not stand too far in.', 'common-practice'),
  when('stance-narrow', 'kneeAlignment', ['bow-legged'], 'weak', 'Bow-legged: usually needs it wider.', 'Straight legs, or knock-kneed.'),
  above('stance-wide', 'stanceOut', 0, 3, 'strong', 'The foot stands {v} too far out for this knee.', 'The foot does not stand too far out.', 'common-practice'),
  { ...above('foot-tilt', 'tilt', 0, 2, 'moderate', 'The forefoot tilts {v} more than feet commonly do, with nothing under it.', 'The forefoot tilts no more than feet do, or has its wedge.', 'garbalosa'), either: 'place' },
  { ...above('foot-tilt', 'heelTilt', 0, 2, 'weak', 'The heel tilts {v} more than heels commonly do.', 'The heel stands straight, or has its wedge.'), either: 'place' },
  above('no-arch-support', 'archOpen', 0, 2, 'strong', 'The arch drops {v} more than is supported.', 'The arch holds, or is supported.', 'navicular-drop'),
  { ...when('worn-cleat', 'cleatWear', ['worn', 'at-mark'], 'moderate', 'The cleat is worn.', 'The cleat is fresh.'), either: 'look' },
  { ...when('worn-cleat', 'cleatPlay', ['much'], 'strong', 'The foot rocks in the pedal.', 'Nothing rocks.'), either: 'look' },
  { ...when('worn-cleat', 'releaseFeel', ['vague'], 'weak', 'Release is vague.', 'Release is not vague.'), either: 'look' },
  when('loose-bolts', 'boltsFitted', ['one'], 'strong', 'A bolt is missing.', 'The bolts are there.'),
  when('loose-bolts', 'cleatPlay', ['much'], 'weak', 'The cleat rocks: check the bolts.', 'Nothing rocks.'),
  when('tension', 'releaseFeel', ['hard'], 'strong', 'The foot comes out hard.', 'The tension lets go.'),
  above('crank-long', 'crankLong', 0, 3, 'moderate', 'The crank is {v} longer than a usual share of this inseam.', 'The crank is no longer than usual for this inseam.'),
  below('crank-long', 'hip', 'closedHip', 5, 'moderate', 'The hip closes to {v} at the top.', 'The hip stays open at the top, {v}.'),
  above('nose-up', 'tiltUp', 0, 0.5, 'strong', 'The nose stands {v} higher than it should where the rider sits.', 'The nose is not up where the rider sits.', 'common-practice'),
  above('nose-down', 'tiltDown', 0, 0.7, 'strong', 'The nose stands {v} lower than any use asks.', 'The nose is not too far down.', 'common-practice'),
  when('nose-down', 'sitsWhere', ['nose'], 'weak', 'Sits on the nose.', 'Does not sit on the nose.'),
  above('saddle-narrow', 'saddleNarrow', 0, 4, 'strong', 'The saddle is {v} narrower than these bones and this posture ask.', 'The saddle is wide enough.', 'common-practice'),
  above('saddle-wide', 'saddleWide', 0, 5, 'strong', 'The saddle is {v} wider than these bones and this posture ask.', 'The saddle is not too wide.', 'common-practice'),
  when('saddle-wide', 'pelvisRock', ['some', 'much'], 'weak', 'The pelvis rocks.', 'The pelvis is quiet.'),
  when('no-relief', 'saddleRelief', ['none'], 'moderate', 'A closed saddle.', 'The saddle has relief in the middle.'),
  above('no-relief', 'matMiddle', 0, 0.5, 'strong', 'The mat shows a peak in the middle.', 'The mat shows no peak in the middle.'),
  when('saddle-worn', 'saddleSound', ['sags-left', 'sags-right', 'cracked'], 'strong', 'It sags on one side, or is bent or cracked.', 'The saddle is sound.'),
  when('rubs-under-load', 'saddleKind', ['broad-padded', 'touring', 'sprung'], 'weak', 'A broad saddle for hard pedalling.', 'The saddle’s shape lets the thighs past.'),
  when('rubs-under-load', 'pelvisRock', ['some', 'much'], 'weak', 'The pelvis rocks.', 'The pelvis is quiet.'),
  above('saddle-high', 'kneeStraight', 0, 3, 'strong', 'The knee is {v} too straight at the bottom.', 'The knee is bent enough at the bottom.', 'holmes'),
  when('saddle-high', 'pelvisRock', ['some', 'much'], 'weak', 'The pelvis rocks under load.', 'The pelvis does not rock.'),
  above('saddle-low', 'kneeBent', 0, 3, 'strong', 'The knee is bent {v} too much at the bottom.', 'The knee is straight enough at the bottom.', 'holmes'),
  when('saddle-forward', 'sitsWhere', ['tail'], 'strong', 'Falls off the tail.', 'Does not fall off the tail.'),
  above('saddle-forward', 'load', 'heavyHands', 2, 'weak', 'The hands carry {v} of the body (an index).', 'The hands carry little, {v} (an index).'),
  when('saddle-back', 'sitsWhere', ['nose'], 'strong', 'Sits on the nose.', 'Does not sit on the nose.'),
  below('saddle-back', 'hip', 'closedHip', 5, 'weak', 'The hip closes to {v} at the top.', 'The hip stays open at the top, {v}.'),
  when('never-moves', 'standsUp', ['hardly'], 'strong', 'Hardly ever stands up.', 'Stands up now and then.'),
  when('sits-rotated', 'pelvisLevel', ['twisted', 'drops-left', 'drops-right'], 'strong', 'The pelvis is not level from behind.', 'The pelvis is level.'),
  above('sits-rotated', 'matTurned', 'turned', 2, 'strong', 'The mat shows the sit bones turned by {v}.', 'The mat shows the sit bones square.'),
  above('leg-length', 'legDifference', 'legDifference', 2, 'strong', 'The legs differ by {v} more than is made up for.', 'The legs differ by no more than can be told.', 'knutson'),
  above('leg-length', 'kneesApart', 'kneesApart', 2, 'moderate', 'The knees are {v} apart at the bottom.', 'Both knees bend alike.'),
  when('leg-length', 'pelvisLevel', ['drops-left', 'drops-right'], 'moderate', 'The pelvis drops to one side.', 'The pelvis drops to neither side.'),
  when('saddle-up-downhill', 'saddleOnDescents', ['up'], 'strong', 'The saddle is left up.', 'The saddle is dropped.'),
  below('reach-long', 'elbowStraight', 'lockedElbow', 4, 'strong', 'The elbows are locked, {v}.', 'The elbows are softly bent, {v}.'),
  above('reach-long', 'creep', 'creep', 5, 'moderate', 'Comes forward {v} under effort.', 'Stays in place under effort.'),
  above('reach-long', 'shoulder', 'openShoulder', 5, 'weak', 'The shoulder is open, {v}.', 'The shoulder is not overreached, {v}.'),
  above('reach-short', 'elbowBent', 'crampedElbow', 5, 'strong', 'The elbows are much bent, {v}.', 'The elbows are not cramped, {v}.'),
  below('reach-short', 'stem', 'shortStem', 8, 'weak', 'A stem of {v}.', 'The stem is not short, {v}.'),
  below('front-low', 'torso', 'lowTorso', 4, 'strong', 'The torso lies at {v} from level.', 'The torso is not low, {v}.'),
  below('front-low', 'hip', 'closedHip', 5, 'moderate', 'The hip closes to {v} at the top.', 'The hip stays open at the top, {v}.'),
  below('front-high', 'handsBelow', 'handsHigh', 12, 'strong', 'The hands stand {a} above the seat.', 'The hands do not stand high for this use.'),
  below('front-high', 'frontWheel', 'lightFront', 2, 'moderate', 'The front wheel carries {v} of the rider.', 'The front wheel carries its share, {v}.'),
  above('front-high', 'torso', 'uprightTorso', 4, 'weak', 'The torso stands at {v}.', 'The torso does not stand upright, {v}.'),
  above('bar-wide', 'barWide', 0, 8, 'strong', 'The bar is {v} wider than asked.', 'The bar is no wider than asked.', 'common-practice'),
  above('bar-narrow', 'barNarrow', 0, 8, 'strong', 'The bar is {v} narrower than asked.', 'The bar is wide enough.', 'common-practice'),
  below('bar-narrow', 'steerArm', 'shortArm', 15, 'weak', 'The hands steer on a short arm, {v}.', 'The hands steer on an arm of {v}.', 'geometry'),
  above('hoods-in', 'hoodIn', 'hoodIn', 2, 'strong', 'The hoods are turned in {v}: the fingers pull across the lever.', 'The hoods are not turned in far, {v}.', 'common-practice'),
  above('stem-long', 'stem', 'longStem', 8, 'strong', 'A stem of {v}.', 'The stem is not long, {v}.'),
  below('rolled-back', 'barRoll', 'rolledBack', 1.5, 'strong', 'The bar is rolled {a} back.', 'The bar is not rolled back.'),
  above('rolled-forward', 'barRoll', 'rolledForward', 1.5, 'strong', 'The bar is rolled {v} forward.', 'The bar is not rolled forward.'),
  above('hoods-low', 'wristSide', 'wristSide', 3, 'strong', 'The wrist bends {v} to the little finger.', 'The wrist does not bend to the little finger, {v}.', 'keir'),
  above('hoods-low', 'hoodPlace', 'hoodLow', 6, 'moderate', 'The levers sit {v} down the bend.', 'The levers sit up on the bend.'),
  { ...above('wrist-back', 'leverFlat', 0, 5, 'strong', 'The levers stand {v} flatter than the forearm asks.', 'The levers are not too flat for the forearm.', 'common-practice'), bar: 'flat' },
  { ...below('wrist-back', 'hoodPlace', 'hoodHigh', 6, 'strong', 'The levers sit high on the bend, {v} from its top.', 'The levers do not sit high on the bend.'), bar: 'drop' },
  { ...above('wrist-forward', 'leverLow', 0, 5, 'strong', 'The levers stand {v} lower than the forearm asks.', 'The levers are not too low for the forearm.', 'common-practice'), bar: 'flat' },
  { ...above('wrist-forward', 'hoodPlace', 'hoodLow', 6, 'moderate', 'The levers sit low on the bend, {v} from its top.', 'The levers do not sit low on the bend.'), bar: 'drop' },
  above('sweep-off', 'sweepOff', 'sweepOff', 3, 'moderate', 'The grip’s sweep is {v} off the hand’s own.', 'The grip sweeps as the hand does.'),
  above('sweep-off', 'riseOff', 'sweepOff', 3, 'weak', 'The grip’s rise is {v} off the hand’s own.', 'The grip rises as the hand does.'),
  above('grip-thick', 'gripOver', 'gripThick', 1, 'strong', 'The grip is {v} thicker than suits the hand.', 'The grip is not too thick.', 'kong-lowe'),
  below('grip-thin', 'gripOver', 'gripThin', 1, 'strong', 'The grip is {a} thinner than suits the hand.', 'The grip is not too thin.', 'kong-lowe'),
  above('lever-far', 'leverFar', 'leverFar', 4, 'strong', 'The lever is {v} further away than this finger hooks.', 'The finger reaches the lever.'),
  when('two-fingers', 'brakeFingers', ['two'], 'strong', 'Brakes with two fingers or more.', 'Brakes with one finger.'),
  above('hook-off', 'hookMisses', 'hookOff', 3, 'strong', 'The hook lies {v} beside the finger.', 'The hook lies under the finger.'),
  when('hook-off', 'fingerOnLever', ['inside', 'outside'], 'strong', 'The finger does not land on the hook.', 'The finger lands on the hook.'),
  above('shifter-side', 'paddleMisses', 0, 3, 'strong', 'The shifter lies {v} outside of the thumb’s reach.', 'The thumb works the shifter where it is.'),
  when('shifter-side', 'thumbReach', ['lets', 'touches'], 'strong', 'The thumb does not reach it without letting go, or the hand touches it.', 'The thumb reaches the shifter.'),
  when('tyres-hard', 'tyreFeel', ['hard'], 'strong', 'Tyres or fork are hard.', 'Tyres and fork are not hard.'),
  when('front-soft', 'tyreFeel', ['soft'], 'strong', 'Fork or tyres are soft.', 'Fork and tyres are not soft.'),
] // prettier-ignore
