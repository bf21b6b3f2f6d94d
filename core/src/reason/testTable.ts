import type { BandEnd } from '../kernel/judged.ts'
import type { BarKind } from '../bike/bikeKinds.ts'
import { HOOD_IN } from '../stations/hands/hoods/rules.ts'
import type { ChoiceKey, OptionOf } from '../readings/readingDefinitions.ts'
import { HEAVY_HANDS, OPEN_SHOULDER, UPRIGHT_TORSO } from '../body/postureLimits.ts'
import type { SourceKey } from '../kernel/sources.ts'
import type { CauseKey } from './causeTable.ts'
import type { NumberName } from './numbers.ts'

/** How well a test tells a cause: how often it is positive with the cause, and without it. @source prior */
export const strengths = {
  weak: { sensitivity: 0.6, falseRate: 0.35 },
  moderate: { sensitivity: 0.79, falseRate: 0.21 },
  strong: { sensitivity: 0.95, falseRate: 0.05 },
} as const satisfies Readonly<Record<string, { readonly sensitivity: number; readonly falseRate: number }>>
export type Strength = keyof typeof strengths

/** A word chosen by eye is wrong this often. @source prior */
export const EYE_ERROR = 0.06

/** Lines of tests on numbers that nothing is asked of by themselves, in the unit of their number. Where no publication or rule gives one, the line is this product's own. */
export const limits = {
  heavyHands: HEAVY_HANDS,
  uprightTorso: UPRIGHT_TORSO,
  closedHip: 40,
  openShoulder: OPEN_SHOULDER,
  hoodIn: HOOD_IN.most,
  legDifference: 5,
  largeLegDifference: 10,
} as const
export type LimitName = keyof typeof limits

interface NumberTest {
  readonly of: NumberName
  /** past which end of the number's own band; or past a line, where nothing is asked of the number by itself */
  readonly past: BandEnd | 'either' | { readonly above: LimitName } | { readonly below: LimitName }
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
  /** how well it tells where it speaks against the cause; as well as for it, where none is named */
  readonly against?: Strength | 'nothing'
  /**
   * said with the number where it speaks for the cause, and where against: `{v}` is the number, `{a}` the number
   * without its sign, `{p}` how far it lies past its line, `{d}` how far it is from its aim; `{float}` is a term of
   * the glossary, `{hoods|hoods}` one by another of its words
   */
  readonly for: string
  readonly otherwise: string
  readonly source: SourceKey
}

const past = (
  cause: CauseKey,
  of: NumberName,
  end: NumberTest['past'],
  soft: number,
  strength: Strength,
  says: string,
  otherwise: string,
  source: SourceKey = 'prior',
): TestRow => ({ cause, of, past: end, soft, strength, for: says, otherwise, source })
const when = <Key extends ChoiceKey>(
  cause: CauseKey,
  choice: Key,
  is: readonly OptionOf<Key>[],
  strength: Strength,
  says: string,
  otherwise: string,
  source: SourceKey = 'common-practice',
): TestRow => ({ cause, choice, is, strength, for: says, otherwise, source })

/** Every test, cause by cause. Several on one reading count once, the strongest. */
export const tests: readonly TestRow[] = [
  { ...past('shoe-small', 'shoeWidth', 'low', 1, 'strong', 'The shoe is {p} too narrow over the ball.', 'The shoe is wide enough over the ball.', 'common-practice'), either: 'outline' },
  { ...past('shoe-small', 'shoeLength', 'low', 1, 'strong', 'The toes lack {p} of room.', 'The shoe is long enough.', 'common-practice'), either: 'outline' },
  when('shoe-tight', 'laces', ['tight'], 'strong', 'Tied tight over the {mtp1}.', 'Tied so that the foot has room.'),
  { ...when('soft-shoe', 'soleStiffness', ['soft'], 'moderate', 'The sole folds in the hand.', 'The sole holds.'), either: 'parts' },
  { ...when('soft-shoe', 'shoeUpper', ['soft'], 'moderate', 'The upper is soft or knitted.', 'The upper holds the foot.'), either: 'parts' },
  { ...when('soft-shoe', 'heelCup', ['soft'], 'weak', 'The heel cup gives.', 'The heel cup is firm.'), either: 'parts' },
  past('shoe-loose', 'shoeLength', 'high', 1.5, 'moderate', 'The shoe is {p} longer than the foot needs.', 'The shoe is no longer than the foot needs.', 'common-practice'),
  when('stiff-sole', 'soleStiffness', ['stiff'], 'moderate', 'The sole does not give.', 'The sole gives.'),
  when('small-patch', 'pedalKind', ['recessed', 'cleat-mechanism'], 'moderate', 'The pedal presses on a small patch.', 'The pedal has a broad patch.'),
  when('small-patch', 'soleStiffness', ['soft'], 'strong', 'The sole is soft: the pedal presses through.', 'The sole spreads the pedal’s pressure.'),
  when('pedal-system', 'pedalKind', ['plate-coil', 'plate-leaf', 'plate-glide'], 'moderate', 'One-sided entry.', 'The pedal takes the foot from either side.'),
  when('pedal-system', 'recess', ['flush'], 'weak', 'The cleat stands out of the sole.', 'The cleat sits inside the tread.'),
  past('cleat-forward', 'cleatSetback', 'low', 3, 'strong', 'The axle lies {p} further forward than your school asks.', 'The axle lies far enough back.', 'common-practice'),
  past('cleats-apart', 'cleatsApart', 'high', 1.5, 'strong', 'They stand {v} apart against their targets.', 'Both stand alike against their targets.'),
  past('rotation', 'footTurn', 'either', 1, 'strong', 'The foot’s own direction lies {p} past what the {float} leaves room for.', 'The foot’s own direction has room in its {float}.'),
  past('float-small', 'float', 'low', 1, 'strong', 'The heel swings {p} more than the {float} allows with room.', 'The {float} is as wide as the swing with room.'),
  past('stance-narrow', 'stance', 'low', 3, 'strong', 'The foot stands {p} too far in for this knee.', 'The foot does not stand too far in.', 'common-practice'),
  when('stance-narrow', 'kneeAlignment', ['bow-legged'], 'weak', 'Bow-legged: usually needs it wider.', 'Straight legs, or knock-kneed.'),
  past('stance-wide', 'stance', 'high', 3, 'strong', 'The foot stands {p} too far out for this knee.', 'The foot does not stand too far out.', 'common-practice'),
  { ...past('foot-tilt', 'forefootTilt', 'either', 2, 'moderate', 'The forefoot tilts {p} more than is left alone, with nothing under it.', 'The forefoot tilts little, or has its {wedge}.'), either: 'place' },
  { ...past('foot-tilt', 'heelTilt', 'either', 2, 'weak', 'The heel tilts {p} more than heels commonly do.', 'The heel stands straight, or has its {wedge}.'), either: 'place' },
  past('no-arch-support', 'archDrop', 'high', 2, 'strong', 'The arch drops {p} more than is supported.', 'The arch holds, or is supported.', 'navicular-drop'),
  { ...when('worn-cleat', 'cleatWear', ['at-mark'], 'strong', 'The cleat is worn to its mark.', 'The cleat is not worn to its mark.'), either: 'look' },
  { ...when('worn-cleat', 'cleatWear', ['worn', 'at-mark'], 'moderate', 'The cleat is worn.', 'The cleat is fresh.'), either: 'look' },
  { ...when('worn-cleat', 'cleatPlay', ['much'], 'strong', 'The foot rocks in the pedal.', 'Nothing rocks.'), either: 'look' },
  { ...when('worn-cleat', 'releaseFeel', ['vague'], 'weak', 'Release is vague.', 'Release is not vague.'), either: 'look' },
  when('loose-bolts', 'boltsFitted', ['one'], 'strong', 'A bolt is missing.', 'The bolts are there.'),
  when('loose-bolts', 'cleatPlay', ['much'], 'weak', 'The cleat rocks: check the bolts.', 'Nothing rocks.'),
  when('tension', 'releaseFeel', ['hard'], 'strong', 'The foot comes out hard.', 'The tension lets go.'),
  past('crank-long', 'crank', 'high', 3, 'moderate', 'The crank is {p} longer than a usual share of this inseam.', 'The crank is no longer than usual for this inseam.'),
  past('crank-long', 'hip', { below: 'closedHip' }, 5, 'moderate', 'The hip closes to {v} at the top.', 'The hip stays open at the top, {v}.'),
  past('nose-up', 'saddleTilt', 'high', 0.5, 'strong', 'The nose stands {p} higher than it should where the rider sits.', 'The nose is not up where the rider sits.', 'common-practice'),
  past('nose-down', 'saddleTilt', 'low', 0.7, 'strong', 'The nose stands {p} lower than any use asks.', 'The nose is not too far down.', 'common-practice'),
  when('nose-down', 'sitsWhere', ['nose'], 'weak', 'Sits on the nose.', 'Does not sit on the nose.'),
  past('saddle-narrow', 'saddleWidth', 'low', 4, 'strong', 'The saddle is {p} narrower than these bones and this posture ask.', 'The saddle is wide enough.', 'common-practice'),
  past('saddle-wide', 'saddleWidth', 'high', 5, 'strong', 'The saddle is {p} wider than these bones and this posture ask.', 'The saddle is not too wide.', 'common-practice'),
  when('saddle-wide', 'pelvisRock', ['some', 'much'], 'weak', 'The pelvis rocks.', 'The pelvis is quiet.'),
  when('no-relief', 'saddleRelief', ['none'], 'moderate', 'A closed saddle.', 'The saddle has {relief} in the middle.'),
  past('no-relief', 'matMiddle', 'high', 10, 'strong', 'The mat shows a peak in the middle.', 'The mat shows no peak in the middle.'),
  when('saddle-worn', 'saddleSound', ['sags-left', 'sags-right', 'cracked'], 'strong', 'It sags on one side, or is bent or cracked.', 'The saddle is sound.'),
  { ...when('rubs-under-load', 'saddleKind', ['broad-padded', 'touring', 'sprung'], 'weak', 'A broad saddle for hard pedalling.', 'The saddle’s shape lets the thighs past.'), either: 'shape' },
  { ...past('rubs-under-load', 'noseWidth', 'high', 4, 'moderate', 'The saddle’s nose is {v} wide.', 'The saddle’s nose is narrow enough, {v}.'), either: 'shape' },
  when('rubs-under-load', 'pelvisRock', ['some', 'much'], 'weak', 'The pelvis rocks.', 'The pelvis is quiet.'),
  past('saddle-high', 'knee', 'low', 3, 'strong', 'The knee is {p} too straight at the bottom.', 'The knee is bent enough at the bottom.', 'holmes'),
  when('saddle-high', 'pelvisRock', ['some', 'much'], 'weak', 'The pelvis rocks under load.', 'The pelvis does not rock.'),
  past('saddle-low', 'knee', 'high', 3, 'strong', 'The knee is bent {p} too much at the bottom.', 'The knee is straight enough at the bottom.', 'holmes'),
  when('saddle-forward', 'sitsWhere', ['tail'], 'strong', 'Falls off the tail.', 'Does not fall off the tail.'),
  past('saddle-forward', 'load', { above: 'heavyHands' }, 2, 'weak', 'The hands carry {v} of the body (an index).', 'The hands carry little, {v} (an index).'),
  when('saddle-back', 'sitsWhere', ['nose'], 'strong', 'Sits on the nose.', 'Does not sit on the nose.'),
  past('saddle-back', 'hip', { below: 'closedHip' }, 5, 'weak', 'The hip closes to {v} at the top.', 'The hip stays open at the top, {v}.'),
  when('never-moves', 'standsUp', ['hardly'], 'strong', 'Hardly ever stands up.', 'Stands up now and then.'),
  when('sits-rotated', 'pelvisLevel', ['twisted', 'drops-left', 'drops-right'], 'strong', 'The pelvis is not level from behind.', 'The pelvis is level.'),
  past('sits-rotated', 'matTurn', 'either', 2, 'strong', 'The mat shows the {sit-bones|sit bones} turned by {a}.', 'The mat shows the {sit-bones|sit bones} square.'),
  { ...past('leg-length', 'legDifference', { above: 'legDifference' }, 2, 'moderate', 'The legs differ by {v} more than is made up for.', 'The legs differ by no more than can be told.', 'knutson'), either: 'legs' },
  { ...past('leg-length', 'legDifference', { above: 'largeLegDifference' }, 2, 'strong', 'The legs differ by {v} more than is made up for.', 'The legs differ by no more than can be told.', 'common-practice'), either: 'legs' },
  past('leg-length', 'kneesApart', 'high', 2, 'moderate', 'The knees are {v} apart at the bottom.', 'Both knees bend alike.'),
  when('leg-length', 'pelvisLevel', ['drops-left', 'drops-right'], 'moderate', 'The pelvis drops to one side.', 'The pelvis drops to neither side.'),
  when('saddle-up-downhill', 'saddleOnDescents', ['up'], 'strong', 'The saddle is left up.', 'The saddle is dropped.'),
  { ...past('reach-long', 'elbow', 'low', 4, 'strong', 'The elbows are locked, {v}.', 'The elbows are softly bent, {v}.'), against: 'moderate' },
  past('reach-long', 'creep', 'high', 5, 'moderate', 'Comes forward {v} under effort.', 'Stays in place under effort.'),
  past('reach-long', 'shoulder', { above: 'openShoulder' }, 5, 'weak', 'The shoulder is open, {v}.', 'The shoulder is not overreached, {v}.'),
  past('reach-short', 'elbow', 'high', 5, 'strong', 'The elbows are much bent, {v}.', 'The elbows are not cramped, {v}.'),
  past('reach-short', 'stem', 'low', 8, 'weak', 'A stem of {v}.', 'The stem is not short, {v}.'),
  { ...past('front-low', 'frontTorso', 'low', 4, 'strong', 'The torso lies at {v} from level.', 'The torso is not low, {v}.'), against: 'moderate' },
  { ...past('front-low', 'handsBelow', 'high', 15, 'weak', 'The hands stand {v} below the seat.', 'The hands do not stand far below the seat, {v}.'), against: 'nothing' },
  past('front-low', 'hip', { below: 'closedHip' }, 5, 'moderate', 'The hip closes to {v} at the top.', 'The hip stays open at the top, {v}.'),
  past('front-high', 'handsBelow', 'low', 12, 'strong', 'The hands stand {a} above the seat.', 'The hands do not stand high for this use.'),
  past('front-high', 'frontWheel', 'low', 2, 'moderate', 'The front wheel carries {v} of the rider.', 'The front wheel carries its share, {v}.'),
  past('front-high', 'torso', { above: 'uprightTorso' }, 4, 'weak', 'The torso stands at {v}.', 'The torso does not stand upright, {v}.'),
  past('bar-wide', 'barWidth', 'high', 8, 'strong', 'The bar is {p} too wide.', 'The bar is not too wide.', 'common-practice'),
  past('bar-narrow', 'barWidth', 'low', 8, 'strong', 'The bar is {p} too narrow.', 'The bar is wide enough.', 'common-practice'),
  past('bar-narrow', 'steerArm', 'low', 15, 'weak', 'The hands steer on a short arm, {v}.', 'The hands steer on an arm of {v}.', 'geometry'),
  past('hoods-in', 'hoodIn', { above: 'hoodIn' }, 2, 'strong', 'The {hoods|hoods} are turned in {v}: the fingers pull across the lever.', 'The {hoods|hoods} are not turned in far, {v}.', 'common-practice'),
  past('stem-long', 'stem', 'high', 8, 'strong', 'A stem of {v}.', 'The stem is not long, {v}.'),
  past('rolled-back', 'barRoll', 'low', 1.5, 'strong', 'The bar is rolled {a} back.', 'The bar is not rolled back.'),
  past('rolled-forward', 'barRoll', 'high', 1.5, 'strong', 'The bar is rolled {v} forward.', 'The bar is not rolled forward.'),
  past('hoods-low', 'wrist', 'high', 3, 'strong', 'The wrist bends {v} to the little finger.', 'The wrist does not bend to the little finger, {v}.', 'keir'),
  past('hoods-low', 'hoodPlace', 'high', 6, 'moderate', 'The levers sit {v} down the bend.', 'The levers sit up on the bend.'),
  { ...past('wrist-back', 'leverAngle', 'low', 5, 'strong', 'The levers stand {p} flatter than the forearm asks.', 'The levers are not too flat for the forearm.', 'common-practice'), bar: 'flat' },
  { ...past('wrist-back', 'hoodPlace', 'low', 6, 'strong', 'The levers sit high on the bend, {v} from its top.', 'The levers do not sit high on the bend.'), bar: 'drop' },
  { ...past('wrist-forward', 'leverAngle', 'high', 5, 'strong', 'The levers stand {p} lower than the forearm asks.', 'The levers are not too low for the forearm.', 'common-practice'), bar: 'flat' },
  { ...past('wrist-forward', 'hoodPlace', 'high', 6, 'moderate', 'The levers sit low on the bend, {v} from its top.', 'The levers do not sit low on the bend.'), bar: 'drop' },
  past('sweep-off', 'backsweep', 'either', 3, 'moderate', 'The grip’s sweep is {d} off the hand’s own.', 'The grip sweeps as the hand does.'),
  past('sweep-off', 'upsweep', 'either', 3, 'weak', 'The grip’s rise is {d} off the hand’s own.', 'The grip rises as the hand does.'),
  past('grip-thick', 'gripDiameter', 'high', 1, 'strong', 'The grip is {d} over its aim for this hand.', 'The grip is not too thick.', 'kong-lowe'),
  past('grip-thin', 'gripDiameter', 'low', 1, 'strong', 'The grip is {d} under its aim for this hand.', 'The grip is not too thin.', 'kong-lowe'),
  past('lever-far', 'leverReach', 'high', 4, 'strong', 'The lever is {d} further away than this finger hooks.', 'The finger reaches the lever.'),
  when('two-fingers', 'brakeFingers', ['two'], 'strong', 'Brakes with two fingers or more.', 'Brakes with one finger.'),
  past('hook-off', 'hook', 'either', 3, 'strong', 'The hook lies {a} beside the finger.', 'The hook lies under the finger.'),
  when('hook-off', 'fingerOnLever', ['inside', 'outside'], 'strong', 'The finger does not land on the hook.', 'The finger lands on the hook.'),
  past('shifter-side', 'shifter', 'either', 3, 'strong', 'The shifter lies {p} outside of the thumb’s reach.', 'The thumb works the shifter where it is.'),
  when('shifter-side', 'thumbReach', ['lets', 'touches'], 'strong', 'The thumb does not reach it without letting go, or the hand touches it.', 'The thumb reaches the shifter.'),
  when('tyres-hard', 'tyreFeel', ['hard'], 'strong', 'Tyres or fork are hard.', 'Tyres and fork are not hard.'),
  when('front-soft', 'tyreFeel', ['soft'], 'strong', 'Fork or tyres are soft.', 'Fork and tyres are not soft.'),
] // prettier-ignore
