import { mm, msg } from '../../kernel/message.ts'
import {
  ACROMION_RATIO,
  FOREARM_TO_GRIP_RATIO,
  HAND_LENGTH_RATIO,
  INDEX_FINGER_RATIO,
  INSEAM_RATIO,
  TRUNK_RATIO,
  statureFractions,
} from '../../body/proportions.ts'
import { angles, choice, length, lengths, section, shareOf, usually } from './definition.ts'

/** The rider, from the head down to the feet and out to the hands. Ranges are wide: they refuse slips, not people. */
export const bodyReadings = {
  ...section('body', 'Lengths', {
    stature: length('Stature', 1200, 2300, 'tape', 'Barefoot against a wall, a book level on the head.', { words: ['stature'], drawing: ['body', 'crown', 'floor'], term: 'estimate' }),
    mass: { label: 'Mass', sided: false, dimension: 'mass', min: 25, max: 250, method: 'scale', how: 'On a scale, dressed to ride, in kilograms.', words: ['mass'] },
    inseam: length('Inseam', 500, 1150, 'tape', 'Barefoot, back to the wall, a book pulled up firmly as a saddle would press; floor to the book’s top edge.', { estimate: shareOf('stature', INSEAM_RATIO, 45, 'from stature', 'prior'), words: ['inseam'], drawing: ['body', 'crotch', 'floor'] }),
    thigh: lengths('Thigh', 250, 600, 'tape', 20, 'Bony point at the side of the hip (trochanter) to the middle of the knee joint, from the side.', { inModel: true, estimate: shareOf('stature', statureFractions.thigh, 30, 'from stature', 'drillis-contini'), likeOther: true, words: ['thigh'], drawing: ['body', 'hip', 'knee'] }),
    shank: lengths('Shank', 250, 600, 'tape', 20, 'Middle of the knee joint to the outer ankle bone (malleolus).', { inModel: true, estimate: shareOf('stature', statureFractions.shank, 30, 'from stature', 'drillis-contini'), likeOther: true, words: ['shank'], drawing: ['body', 'knee', 'ankle'] }),
    trunk: length('Trunk', 330, 720, 'tape', 'Standing: bony point at the side of the hip (trochanter) up to the tip of the shoulder (acromion).', { inModel: true, estimate: shareOf('stature', TRUNK_RATIO, 40, 'from stature', 'drillis-contini'), words: ['trunk'], drawing: ['body', 'hip', 'shoulder'] }),
    upperArm: lengths('Upper arm', 200, 460, 'tape', 15, 'Tip of the shoulder (acromion) to the middle of the elbow joint, arm hanging.', { inModel: true, estimate: shareOf('stature', statureFractions.upperArm, 25, 'from stature', 'drillis-contini'), words: ['arm'], drawing: ['body', 'shoulder', 'elbow'] }),
    forearm: lengths('Forearm to grip', 230, 500, 'tape', 15, 'Middle of the elbow joint to the middle of a rod held in the fist.', { inModel: true, estimate: shareOf('stature', FOREARM_TO_GRIP_RATIO, 25, 'from stature', 'drillis-contini'), words: ['forearm'], drawing: ['body', 'elbow', 'grip'] }),
  }),
  ...section('body', 'Widths', {
    acromionWidth: length('Shoulders, acromia', 260, 520, 'tape', 'From behind: tip of one shoulder bone to the other, with straight ends to the tape. Not round the muscle.', { inModel: true, estimate: shareOf('stature', ACROMION_RATIO, 35, 'from stature', 'ansur-ii'), words: ['acromia'], drawing: ['body', 'shoulderL', 'shoulder'] }),
    hipBreadth: length('Hip breadth', 220, 520, 'tape', 'Standing, straight across from one bony point at the side of the hip (trochanter) to the other.', { drawing: ['body', 'hipOuterL', 'hipOuter'] }),
    sitBoneSpacing: length('Sit-bone spacing', 60, 200, 'card', 'Sit on card on a hard flat seat, mark the two deepest points, measure centre to centre. This is not saddle width.', { words: ['sitbones'], drawing: ['body', 'seatL', 'seatR'], term: 'sit-bones' }),
  }),
  ...section('body', 'Feet', {
    footLength: lengths('Foot length', 180, 350, 'ruler', 12, 'Standing, heel to the longest toe.', { inModel: true, estimate: shareOf('stature', statureFractions.footLength, 16, 'from stature', 'drillis-contini'), words: ['foot'], drawing: ['foot', 'heel', 'toe'] }),
    footWidth: lengths('Foot width', 60, 140, 'ruler', 8, 'Standing, across the heads of the first and fifth metatarsals.', { drawing: ['foot', 'mtp1', 'mtp5'], term: 'mtp1' }),
    heelWidth: lengths('Heel width', 40, 100, 'ruler', 6, 'Standing, across the broadest part of the heel.', { drawing: ['foot', 'heelIn', 'heelOut'] }),
    archDrop: lengths('Arch drop', 0, 30, 'ruler', 5, 'Height of the navicular bone sitting, less its height standing.', { words: ['drop'], drawing: ['shoe', 'arch', 'sole'], term: 'arch-support' }),
    toeOutHanging: angles('Toe-out, hanging', -20, 45, 'goniometer', 12, 'Sitting on a table edge, feet hanging: foot’s long axis against straight ahead, toes out is plus.', { plus: 'toes out +', words: ['toes'], drawing: ['foot', 'heel', 'straight', 'turned'], term: 'cleat-rotation' }),
    toeOutStanding: angles('Toe-out, standing', -20, 45, 'goniometer', 12, 'Marching on the spot, then stop: foot’s long axis against straight ahead, toes out is plus.', { plus: 'toes out +', drawing: ['foot', 'heel', 'straight', 'turned'], term: 'cleat-rotation' }),
    heelTilt: angles('Heel tilt', -20, 20, 'goniometer', 6, 'Standing, from behind: line of the heel against the lower leg’s; fallen inward is plus. Unreliable: repeat it.', { plus: 'fallen inward +', drawing: ['foot', 'heelIn', 'heelOut'], term: 'wedge' }),
    forefootTilt: angles('Forefoot tilt', -20, 25, 'goniometer', 8, 'Lying face down, heel held upright: ball of the foot against level, big-toe side up is plus. Unreliable: repeat it.', { plus: 'big-toe side up +', drawing: ['foot', 'mtp1', 'mtp5'], term: 'wedge' }),
  }),
  ...section('body', 'Hands', {
    handLength: lengths('Hand length', 130, 240, 'ruler', 8, 'Crease of the wrist to the tip of the middle finger.', { estimate: shareOf('stature', HAND_LENGTH_RATIO, 16, 'from stature', 'ansur-ii'), words: ['hand'], drawing: ['hand', 'wrist', 'tip'] }),
    handBreadth: lengths('Hand breadth', 55, 125, 'ruler', 6, 'Across the knuckles, without the thumb.', { drawing: ['hand', 'knuckleL', 'knuckleR'] }),
    indexFinger: lengths('Index finger', 45, 105, 'ruler', 6, 'Crease at the palm to the fingertip.', { inModel: true, estimate: shareOf('handLength', INDEX_FINGER_RATIO, 8, 'from hand length', 'pheasant'), drawing: ['hand', 'indexRoot', 'index'], term: 'lever-reach' }),
    thumbLength: lengths('Thumb length', 35, 95, 'ruler', 6, 'Crease at its base to the tip.', { drawing: ['hand', 'thumbRoot', 'thumbTip'], term: 'paddle' }),
    handSweep: angles('Hand sweeps back', -10, 45, 'photo', 10, 'Arms out at bar width, elbows relaxed, a rod in each fist: how far its outer end points back from straight across.', { inModel: true, plus: 'back +', estimate: usually(10, 8, 'usual hand'), drawing: ['rod', 'inner', 'outer', 'level'], term: 'backsweep' }),
    handRise: angles('Hand sweeps up', -20, 40, 'photo', 10, 'The same rods seen from the front: how far the inner end stands above the outer.', { plus: 'inner end up +', drawing: ['rod', 'inner', 'outer', 'level'], term: 'upsweep' }),
  }),
  ...section('body', 'Findings', {
    hipFlexion: angles('Hip flexion', 60, 150, 'goniometer', 15, 'Lying on the back, knee bent to the chest until the pelvis starts to turn: thigh against the table.', { drawing: ['rider', 'hip', 'shoulder', 'knee'], term: 'hip-angle' }),
    straightLegRaise: angles('Straight-leg raise', 20, 130, 'goniometer', 15, 'Lying on the back, straight leg lifted until the pelvis starts to turn: leg against the table.', { drawing: ['body', 'crotch', 'floor', 'knee'], term: 'hip-angle' }),
    kneeAlignment: choice('Knees over feet', { straight: 'straight', 'bow-legged': 'bow-legged', 'knock-kneed': 'knock-kneed' }, 'Standing, feet together, from the front.'),
    legDifferenceAt: choice('Difference lies in', { unknown: 'not known', thigh: 'thigh', shank: 'shank', foot: 'foot', pelvis: 'pelvis' }, 'As a clinician found it; lying, knees bent, knees seen from the front and the side tell thigh from shank.', { term: 'leg-difference' }),
    legLengthDifference: length('Right leg shorter by', -60, 60, 'tape', msg`As found lying or by a clinician; minus when the left is the shorter. A tape cannot tell less than ${mm(5)}.`, { noBetterThan: { tape: 5 }, plus: 'left shorter −', drawing: ['body', 'hip', 'ankle'], term: 'leg-difference' }),
  }),
} as const // prettier-ignore
