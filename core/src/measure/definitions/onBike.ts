import { amount, angle, angles, choice, length, lengths, section } from './definition.ts'

const effort = { conditions: 'effort' } as const
const hands = { conditions: 'effort-hands' } as const

/** Read on the bike, pedalling; first calm in the usual hand position, then hard and elsewhere. */
export const onBikeReadings = {
  ...section('on-bike', 'Legs', {
    kneeFlexion: angles('Knee at the bottom', -5, 120, 'goniometer', 8, 'Crank at the bottom: hip point, middle of the knee, ankle bone; a straight leg is 0. Say whether still or pedalling by the method.', effort),
    footPitch: angles('Foot pitch at bottom', -30, 60, 'goniometer', 12, 'Pedalling steadily, sole against horizontal at the bottom of the stroke; heel up is plus.', effort),
    kneeOutside: lengths('Knee outside foot', -120, 120, 'photo', 40, 'From the front, crank forward: how far the knee’s middle lies outside the foot’s middle; inside is minus.'),
    hipAngle: angles('Hip angle at top', 20, 140, 'photo', 12, 'Trunk (hip to shoulder) against thigh with that foot at the top.', hands),
  }),
  ...section('on-bike', 'Trunk and arms', {
    torsoAngle: angle('Torso from level', 0, 100, 'photo', 'Hip point to tip of the shoulder, above horizontal, pedalling steadily.', hands),
    elbowFlexion: angle('Elbow bend', 0, 130, 'photo', 'Straight arm is 0.', hands),
    shoulderAngle: angle('Shoulder angle', 10, 170, 'photo', 'Trunk against upper arm, from the side.', hands),
    wristAngle: angles('Wrist to little finger', -50, 60, 'photo', 15, 'Hand against forearm, toward the little finger is plus.', hands),
    kneeElbowGap: length('Knee to forearm', 0, 500, 'eye', 'Least gap while pedalling.'),
  }),
  ...section('on-bike', 'Pelvis', {
    pelvisLevel: choice('Pelvis from behind', ['level', 'drops left', 'drops right', 'twisted'], 'From behind, both legs, under load.'),
    sitsWhere: { ...choice('Sits', ['on the nose', 'in the middle', 'off the tail'], 'From the side, after some minutes; again at the hard effort.'), ...effort },
    creepForward: length('Creeps forward', 0, 120, 'tape', 'How far the hips have come forward after five minutes at the hard effort.'),
    pelvisRock: choice('Rocking', ['none', 'some', 'much'], 'From behind, at the hard effort: does the saddle’s edge disappear left and right in turn?'),
  }),
  ...section('on-bike', 'Usual ride', {
    rideHours: amount('Usual ride', 'hours', 0, 24, 'told', 'How long the rider is usually on this bike at a time.'),
    climbGradient: amount('Usual steep climb', 'gradient', 0, 40, 'told', 'Rise per hundred of way on the climbs that count.'),
    cadence: amount('Cadence', 'rate', 30, 140, 'told', 'Turns of the crank a minute on such a ride.'),
  }),
} as const // prettier-ignore
