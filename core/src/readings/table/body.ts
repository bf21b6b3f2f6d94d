import { angles, choice, length, lengths, section } from './definition.ts'

/** The rider, from the head down to the feet and out to the hands. Ranges are wide: they refuse slips, not people. */
export const bodyReadings = {
  ...section('body', 'Lengths', {
    stature: length('Stature', 1200, 2300, 'tape', 'Barefoot against a wall, a book level on the head.'),
    mass: { label: 'Mass', sided: false, dimension: 'mass', min: 25, max: 250, method: 'scale', how: 'On a scale, dressed to ride, in kilograms.' },
    inseam: length('Inseam', 500, 1150, 'tape', 'Barefoot, back to the wall, a book pulled up firmly as a saddle would press; floor to the book’s top edge.'),
    thigh: lengths('Thigh', 250, 600, 'tape', 20, 'Bony point at the side of the hip (trochanter) to the middle of the knee joint, from the side.', { inModel: true }),
    shank: lengths('Shank', 250, 600, 'tape', 20, 'Middle of the knee joint to the outer ankle bone (malleolus).', { inModel: true }),
    trunk: length('Trunk', 330, 720, 'tape', 'Standing: bony point at the side of the hip (trochanter) up to the tip of the shoulder (acromion).', { inModel: true }),
    upperArm: lengths('Upper arm', 200, 460, 'tape', 15, 'Tip of the shoulder (acromion) to the middle of the elbow joint, arm hanging.', { inModel: true }),
    forearm: lengths('Forearm to grip', 230, 500, 'tape', 15, 'Middle of the elbow joint to the middle of a rod held in the fist.', { inModel: true }),
  }),
  ...section('body', 'Widths', {
    acromionWidth: length('Shoulders, acromia', 260, 520, 'tape', 'From behind: tip of one shoulder bone to the other, with straight ends to the tape. Not round the muscle.', { inModel: true }),
    hipBreadth: length('Hip breadth', 220, 520, 'tape', 'Standing, straight across from one bony point at the side of the hip (trochanter) to the other.'),
    sitBoneSpacing: length('Sit-bone spacing', 60, 200, 'card', 'Sit on card on a hard flat seat, mark the two deepest points, measure centre to centre. This is not saddle width.'),
  }),
  ...section('body', 'Feet', {
    footLength: lengths('Foot length', 180, 350, 'ruler', 12, 'Standing, heel to the longest toe.', { inModel: true }),
    footWidth: lengths('Foot width', 60, 140, 'ruler', 8, 'Standing, across the heads of the first and fifth metatarsals.'),
    heelWidth: lengths('Heel width', 40, 100, 'ruler', 6, 'Standing, across the broadest part of the heel.'),
    archDrop: lengths('Arch drop', 0, 30, 'ruler', 5, 'Height of the navicular bone sitting, less its height standing.'),
    toeOutHanging: angles('Toe-out, hanging', -20, 45, 'goniometer', 12, 'Sitting on a table edge, feet hanging: foot’s long axis against straight ahead, toes out is plus.'),
    toeOutStanding: angles('Toe-out, standing', -20, 45, 'goniometer', 12, 'Marching on the spot, then stop: foot’s long axis against straight ahead, toes out is plus.'),
    heelTilt: angles('Heel tilt', -20, 20, 'goniometer', 6, 'Standing, from behind: line of the heel against the lower leg’s; fallen inward is plus. Unreliable: repeat it.'),
    forefootTilt: angles('Forefoot tilt', -20, 25, 'goniometer', 8, 'Lying face down, heel held upright: ball of the foot against level, big-toe side up is plus. Unreliable: repeat it.'),
  }),
  ...section('body', 'Hands', {
    handLength: lengths('Hand length', 130, 240, 'ruler', 8, 'Crease of the wrist to the tip of the middle finger.'),
    handBreadth: lengths('Hand breadth', 55, 125, 'ruler', 6, 'Across the knuckles, without the thumb.'),
    indexFinger: lengths('Index finger', 45, 105, 'ruler', 6, 'Crease at the palm to the fingertip.', { inModel: true }),
    thumbLength: lengths('Thumb length', 35, 95, 'ruler', 6, 'Crease at its base to the tip.'),
    handSweep: angles('Hand sweeps back', -10, 45, 'photo', 10, 'Arms out at bar width, elbows relaxed, a rod in each fist: how far its outer end points back from straight across.', { inModel: true }),
    handRise: angles('Hand sweeps up', -20, 40, 'photo', 10, 'The same rods seen from the front: how far the inner end stands above the outer.'),
  }),
  ...section('body', 'Findings', {
    hipFlexion: angles('Hip flexion', 60, 150, 'goniometer', 15, 'Lying on the back, knee bent to the chest until the pelvis starts to turn: thigh against the table.'),
    straightLegRaise: angles('Straight-leg raise', 20, 130, 'goniometer', 15, 'Lying on the back, straight leg lifted until the pelvis starts to turn: leg against the table.'),
    kneeAlignment: choice('Knees over feet', { straight: 'straight', 'bow-legged': 'bow-legged', 'knock-kneed': 'knock-kneed' }, 'Standing, feet together, from the front.'),
    legDifferenceAt: choice('Difference lies in', { unknown: 'not known', thigh: 'thigh', shank: 'shank', foot: 'foot', pelvis: 'pelvis' }, 'As a clinician found it; lying, knees bent, knees seen from the front and the side tell thigh from shank.'),
    legLengthDifference: length('Right leg shorter by', -60, 60, 'tape', 'As found lying or by a clinician; minus when the left is the shorter. A tape cannot tell less than 5 mm.', { noBetterThan: { tape: 5 } }),
  }),
} as const // prettier-ignore
