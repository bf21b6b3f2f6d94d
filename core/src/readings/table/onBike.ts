import { amount, angle, angles, choice, length, lengths, section, usually } from './definition.ts'

/** Taken at other efforts too, and with the hands elsewhere. */
const hands = { ridden: true } as const

/** Read on the bike, pedalling; first calm in the usual hand position, then hard and elsewhere. */
export const onBikeReadings = {
  ...section('on-bike', 'Legs', {
    kneeFlexion: angles('Knee at the bottom', -5, 120, 'goniometer', 8, 'Crank at the bottom: hip point, middle of the knee, ankle bone; a straight leg is 0.', { ...hands, band: 'knee-at-bottom', plus: 'bent +', calibrates: 'kneeFlexion', metric: ['kneeLeft', 'kneeRight'], words: ['knee'], drawing: ['rider', 'knee', 'hip', 'ankle'], term: 'knee-angle' }),
    footPitch: angles('Foot pitch at bottom', -30, 60, 'goniometer', 12, 'Pedalling steadily, sole against horizontal at the bottom of the stroke; heel up is plus.', { ...hands, plus: 'heel up +', calibrates: 'footPitch', estimate: usually(15, 12, 'usual pedalling'), words: ['pitch'], drawing: ['rider', 'ankle', 'toe', 'flat'] }),
    kneeOutside: lengths('Knee outside foot', -120, 120, 'photo', 40, 'From the front, crank forward: how far the knee’s middle lies outside the foot’s middle; inside is minus.', { plus: 'outside +', drawing: ['rider', 'knee', 'kneeOut'], term: 'stance-width' }),
    hipAngle: angles('Hip angle at top', 20, 140, 'photo', 12, 'Trunk (hip to shoulder) against thigh with that foot at the top.', { ...hands, calibrates: 'hipAngle', metric: ['hipLeft', 'hipRight'], words: ['hip'], drawing: ['rider', 'hip', 'shoulder', 'knee'], term: 'hip-angle' }),
  }),
  ...section('on-bike', 'Trunk and arms', {
    torsoAngle: angle('Torso from level', 0, 100, 'photo', 'Hip point to tip of the shoulder, above horizontal, pedalling steadily.', { ...hands, calibrates: 'torsoAngle', metric: ['torso'], words: ['torso'], drawing: ['rider', 'hip', 'shoulder', 'level'], term: 'torso-angle' }),
    elbowFlexion: angles('Elbow bend', 0, 130, 'photo', 15, 'Straight arm is 0.', { ...hands, onceForBoth: true, calibrates: 'elbowFlexion', metric: ['elbowLeft', 'elbowRight'], words: ['elbow'], drawing: ['rider', 'elbow', 'shoulder', 'hand'] }),
    shoulderAngle: angles('Shoulder angle', 10, 170, 'photo', 15, 'Trunk against upper arm, from the side.', { ...hands, onceForBoth: true, calibrates: 'shoulderAngle', metric: ['shoulderLeft', 'shoulderRight'], words: ['shoulder'], drawing: ['rider', 'shoulder', 'hip', 'elbow'] }),
    wristAngle: angles('Wrist to little finger', -50, 60, 'photo', 15, 'Hand against forearm, toward the little finger is plus.', { ...hands, plus: 'to little finger +', calibrates: 'wrist', metric: ['wristLeft', 'wristRight'], words: ['wrist'], drawing: ['rider', 'hand', 'elbow', 'level'], term: 'wrist' }),
    forearmReady: angles('Forearm below level, ready', -10, 80, 'photo', 12, 'Standing, cranks level, elbows out, hips back, a finger on each lever: forearm below horizontal.', { onceForBoth: true, plus: 'below level +', drawing: ['rider', 'hand', 'elbow', 'level'], term: 'lever-angle' }),
    fingerHooks: lengths('Finger hooks at', 20, 130, 'ruler', 8, 'Hand where it rides, wrist straight: bar’s front to the blade at the reach where one finger hooks it easily. Found by turning the dial.', { onceForBoth: true, drawing: ['half', 'front', 'blade'], term: 'lever-reach' }),
    kneeElbowGap: lengths('Knee to forearm', -60, 500, 'eye', 60, 'Least gap while pedalling; minus where the knee has to swing out past the arm.', { ...hands, onceForBoth: true, plus: 'clear +', compares: 'kneeElbowGap', metric: ['kneeElbowLeft', 'kneeElbowRight'], drawing: ['rider', 'knee', 'elbow'], term: 'arm-gap' }),
  }),
  ...section('on-bike', 'Edges found on the trainer', {
    frontLowEdge: length('Front too low from', 150, 1300, 'tape', 'Lower the front until the rider falls onto the bar: bottom bracket straight up to the hand.', { owner: 'bike', drawing: ['bike', 'handLevel', 'hand'] }),
    frontHighEdge: length('Front too high from', 150, 1300, 'tape', 'Raise the front until the back switches off and the hands carry again: bottom bracket straight up to the hand.', { owner: 'bike', drawing: ['bike', 'handLevel', 'hand'] }),
  }),
  ...section('on-bike', 'Pelvis', {
    pelvisLevel: choice('Pelvis from behind', { level: 'level', 'drops-left': 'drops left', 'drops-right': 'drops right', twisted: 'twisted' }, 'From behind, both legs, under load.'),
    sitsWhere: choice('Sits', { nose: 'on the nose', middle: 'in the middle', tail: 'off the tail' }, 'From the side, after some minutes; again at the hard effort, and with the hands elsewhere.', hands),
    creepForward: length('Creeps forward', 0, 120, 'tape', 'How far the hips have come forward after five minutes at the hard effort.', { drawing: ['bike', 'saddle', 'nose'], term: 'creep' }),
    standsUp: choice('Stands up now and then', { yes: 'yes', hardly: 'hardly ever' }, 'Ten seconds every few minutes, on a long ride.', { owner: 'rider' }),
    saddleOnDescents: choice('Saddle on descents', { down: 'dropped', up: 'left up' }, 'What the rider does before steep ground.', { owner: 'rider' }),
    pelvisRock: choice('Rocking', { none: 'none', some: 'some', much: 'much' }, 'From behind, at the hard effort: does the saddle’s edge disappear left and right in turn?'),
  }),
  ...section('on-bike', 'Usual ride', {
    rideHours: amount('Usual ride', 'hours', 0, 24, 'told', 'How long the rider is usually on this bike at a time.', { owner: 'bike' }),
    climbGradient: amount('Usual steep climb', 'gradient', 0, 40, 'told', 'Rise per hundred of way on the climbs that count.', { owner: 'bike' }),
    narrowestGap: length('Narrowest gap', 400, 2000, 'tape', 'Between trees, posts or gates on the rides that count.', { owner: 'rider', drawing: ['bar', 'endL', 'end'] }),
    cadence: amount('Cadence', 'rate', 30, 140, 'told', 'Turns of the crank a minute on such a ride.', { owner: 'bike' }),
  }),
} as const // prettier-ignore
