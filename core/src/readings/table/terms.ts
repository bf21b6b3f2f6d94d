import type { TermPiece } from '../../kernel/message.ts'
import type { MetricKey } from '../../body/metrics.ts'

/** A word of the trade, as it is meant on these screens. */
export interface Term {
  readonly term: string
  /** one to three sentences */
  readonly says: string
  /** the reading whose drawing shows it; readings lead to their term by their own row */
  readonly drawing: string
  /** numbers of the rider on the bike that it is the name of */
  readonly metrics?: readonly MetricKey[]
  /** how it is called in a sentence, in the singular; left out where the word may mean something else there */
  readonly words?: readonly string[]
}

/** In the order of a visit: feet, seat, hands, then the way of working. */
export const terms = {
  mtp1: { term: 'Ball of the foot (MTP1)', drawing: 'heelToMtp1', words: ['ball of the foot', 'MTP1'], says: 'The joint at the root of the big toe, felt from the inside of the foot. MTP5 is the same joint of the little toe; it lies further back.' },
  'cleat-setback': { term: 'Cleat setback', drawing: 'cleatSetback', words: ['cleat setback', 'behind the ball'], says: 'How far the pedal axle lies behind the ball of the foot, along the foot. Further back loads toes and calf less.' },
  'cleat-rotation': { term: 'Cleat rotation', drawing: 'cleatTurn', words: ['cleat rotation', 'toe-out'], says: 'The angle at which the shoe stands on the pedal. It should let the heel go where that leg wants it, with room to either side. Toe-out is plus.' },
  float: { term: 'Float', drawing: 'cleatFloat', words: ['float'], says: 'How far the foot may turn on the pedal before it meets resistance or comes out, heel in to heel out, in degrees.' },
  tread: { term: 'Tread (Q)', drawing: 'tread', words: ['tread'], says: 'Width from the outer face of one crank to the outer face of the other, where the pedals screw in.' },
  'stance-width': { term: 'Stance width', drawing: 'otherStance', metrics: ['stance'], words: ['stance width', 'stance'], says: 'Middle of one foot to the middle of the other while pedalling: tread, pedal axles, washers, less what the cleats bring the feet inward.' },
  stack: { term: 'Pedal stack', drawing: 'soleStack', words: ['pedal stack', 'stack of the pedal'], says: 'Height from the middle of the pedal axle to the sole under the foot. A thicker pedal raises the foot, so the saddle goes up with it.' },
  wedge: { term: 'Wedge', drawing: 'wedge', words: ['wedge'], says: 'A thin tapered shim between shoe and cleat, or under the heel, that tilts the foot to meet the pedal as it hangs.' },
  'arch-support': { term: 'Arch support', drawing: 'archSupport', words: ['arch support'], says: 'How high the footbed stands under the arch. It should hold the foot, and never press.' },
  'saddle-height': { term: 'Saddle height', drawing: 'saddleHeight', words: ['saddle height'], says: 'Middle of the bottom bracket to the top of the saddle where the rider sits, along the seat tube.' },
  'saddle-setback': { term: 'Saddle setback', drawing: 'saddleSetback', words: ['saddle setback', 'setback'], says: 'How far the nose of the saddle stands behind the bottom bracket, measured level.' },
  'sit-point': { term: 'Sit point', drawing: 'sitFromNose', words: ['sit point'], says: 'The place on the saddle that carries the sit bones. Heights and setbacks of different saddles are compared there, not at the nose.' },
  'sit-bones': { term: 'Sit bones', drawing: 'sitBoneSpacing', words: ['sit bone'], says: 'The two lowest bones of the pelvis, which should carry the weight. Their distance, and how far the rider leans, decide the width of the saddle.' },
  tilt: { term: 'Saddle tilt', drawing: 'saddleTilt', words: ['saddle tilt'], says: 'The angle of the part that is sat on, not of the whole saddle. Nose up is plus.' },
  relief: { term: 'Relief', drawing: 'saddleNoseWidth', words: ['relief'], says: 'A channel or cut-out along the middle of a saddle that takes pressure off soft tissue.' },
  'knee-angle': { term: 'Knee at the bottom', drawing: 'kneeFlexion', metrics: ['kneeLeft', 'kneeRight'], words: ['knee at the bottom'], says: 'How far the knee is bent where the leg is longest. A straight leg is 0°; held still, 25 to 35° is the usual band.' },
  'hip-angle': { term: 'Hip angle', drawing: 'hipAngle', metrics: ['hipLeft', 'hipRight'], words: ['hip angle'], says: 'Trunk against thigh at the top of the stroke. A small angle closes the hip; shorter cranks and a higher front open it.' },
  'torso-angle': { term: 'Torso angle', drawing: 'torsoAngle', metrics: ['torso'], words: ['torso angle', 'torso from level'], says: 'The line from hip to shoulder against level. Upright is near 90°; low over the bar is 30° or less.' },
  creep: { term: 'Creep', drawing: 'creepForward', words: ['creep'], says: 'How far the rider moves forward on the saddle under effort. A rider who creeps is looking for a place the saddle does not give.' },
  'leg-difference': { term: 'Leg-length difference', drawing: 'legLengthDifference', words: ['leg-length difference', 'leg difference'], says: 'How much one leg is shorter than the other. A few millimetres are usual; a large one is for a clinician first.' },
  reach: { term: 'Reach', drawing: 'handReach', metrics: ['reach'], says: 'How far forward the hands are. Of a frame: from the bottom bracket forward to the top of the head tube, measured level.' },
  drop: { term: 'Drop', drawing: 'handHeight', metrics: ['drop'], says: 'How far the hands are below the seat. Of a drop bar: from the tops down to the lower end of the bend.' },
  'bar-width': { term: 'Bar width', drawing: 'barWidth', words: ['bar width'], says: 'End to end on a flat bar; between the hoods, middle to middle, on a drop bar.' },
  backsweep: { term: 'Backsweep', drawing: 'barBacksweep', words: ['backsweep'], says: 'How far the grips point back toward the rider, seen from above.' },
  upsweep: { term: 'Upsweep', drawing: 'barUpsweep', words: ['upsweep'], says: 'How far the grips point up toward their ends, seen from the front.' },
  roll: { term: 'Bar roll', drawing: 'barRoll', words: ['bar roll'], says: 'How the bar is turned in the stem’s clamp. It changes where sweep points, and tilts drops and hoods.' },
  flare: { term: 'Flare', drawing: 'barFlare', words: ['flare'], says: 'How far the drops spread outward below the hoods.' },
  hoods: { term: 'Hoods', drawing: 'hoodPosition', words: ['hood'], says: 'The rubber-covered bodies of the levers on a drop bar, and the hand position on them.' },
  'lever-reach': { term: 'Lever reach', drawing: 'leverReach', words: ['lever reach'], says: 'Front of the grip to the blade where the finger rests. The first joint of the finger should hook over it with the hand closed.' },
  'lever-angle': { term: 'Lever angle', drawing: 'leverAngle', metrics: ['leverLeft', 'leverRight'], words: ['lever angle'], says: 'How far the blade points below level. In line with the forearm, ready to brake, the wrist stays straight.' },
  hook: { term: 'Hook', drawing: 'leverHook', says: 'The bend at the end of a lever blade where one finger pulls best.' },
  paddle: { term: 'Paddle', drawing: 'shifterPaddle', words: ['paddle'], says: 'The part of a shifter or dropper remote that the thumb pushes.' },
  pads: { term: 'Pads', drawing: 'padForward', words: ['arm pad', 'forearm pad'], says: 'Where the forearms rest on a bike with extensions.' },
  extensions: { term: 'Extensions', drawing: 'extensionLength', words: ['extension'], says: 'The bars ahead of the pads that are held in a low position against the wind.' },
  'arm-gap': { term: 'Arm gap', drawing: 'kneeElbowGap', metrics: ['kneeElbowLeft', 'kneeElbowRight'], words: ['arm gap'], says: 'The least room between knee and forearm over a turn of the cranks.' },
  wrist: { term: 'Wrist to the little finger', drawing: 'wristAngle', metrics: ['wristLeft', 'wristRight'], says: 'How far the wrist is bent sideways. Bent far either way, the pressure inside it rises.' },
  'plus-minus': { term: '±', drawing: 'saddleHeight', says: 'How far a number may be off, by how it was read. A verdict holds only where the whole of it lies on one side of the line.' },
  band: { term: 'Band', drawing: 'kneeFlexion', says: 'The range a number should lie in. It is engraved on the vial; the bubble is the rider’s number, and its width the ±.' },
  estimate: { term: 'Estimate (est.)', drawing: 'stature', words: ['estimate'], says: 'A number nobody has read on this rider. It comes from stature or from what is usual, and is wide; a reading replaces it.' },
  'knock-on': { term: 'Knock-on', drawing: 'seatAngle', words: ['knock-on'], says: 'What else must move so that a change does only what it should: a thicker sole raises the saddle, a saddle moved back comes down a little.' },
  trial: { term: 'Trial', drawing: 'forearmReady', says: 'A change that is being ridden and not yet decided. One at a time: it is rated, then kept or undone.' },
} as const satisfies Readonly<Record<string, Term>> // prettier-ignore

export type TermKey = keyof typeof terms
export const isTerm = (key: string): key is TermKey => Object.hasOwn(terms, key)

/**
 * A term in a `msg`: it is marked where it is shown, and the glossary tells what it means.
 * @param words as it is called there; its first name where left out
 */
export function term(key: TermKey, words?: string): TermPiece {
  const named: Term = terms[key]
  return { term: key, words: words ?? named.words?.[0] ?? named.term }
}
