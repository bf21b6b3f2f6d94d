import { freshVisit } from '@level-stance/core/record/dossier'
import type { Move } from '@level-stance/core/change/ledger'
import type { VisitFile } from '@level-stance/core/record/visitFile'
import { freshComplaint } from '@level-stance/core/talk/complaint'
import type { Complaint } from '@level-stance/core/talk/complaint'
import { readingsOf, repeated } from './readings.ts'

/** Made-up riders of a made-up fit room in an invented ferry town. All names and numbers are invented. */

const id = (rider: number, n: number) => `00000000-0000-4000-9000-${String(rider * 1000 + n).padStart(12, '0')}`

/** A complaint as told; what is left out was not asked. */
const told = ({ id: own, places, control, ...rest }: Pick<Complaint, 'id'> & Partial<Complaint>): Complaint => ({
  ...freshComplaint(own, { places: places ?? [], control: control ?? null }),
  ...rest,
})
const cleat = (side: 'left' | 'right', by: number): Move => ({ setting: 'cleatSetback', side, by, role: 'chosen' })
const saddle = (by: number): Move => ({ setting: 'saddleHeight', side: 'both', by, role: 'knock-on' })

const conductorAt = '2026-10-06T14:10:00.000Z'
const conductor: VisitFile = {
  format: 'level-stance/visit',
  version: 3,
  rider: { name: 'Baptiste Okonjo', note: 'Choir conductor. Rides overnight distances twice a month, commutes daily.' },
  bike: { name: 'Randonneur', kind: 'drop bar' },
  visit: {
    ...freshVisit,
    riding: {
      kinds: { touring: 'half', town: 'half' },
      hoursWeek: 9,
      longestRide: 26,
      terrain: ['hilly'],
      clipIn: 'used',
      frontBrake: 'left',
      aims: ['comfort', 'distance'],
    },
    startedAt: conductorAt,
  },
  readings: [
    ...readingsOf(conductorAt, {
      stature: 1785, mass: 78, inseam: 842, thigh: [440, 438], shank: [437, 436], trunk: 522, upperArm: [331, 332],
      forearm: [354, 353], acromionWidth: 402, sitBoneSpacing: 128, hipBreadth: 338, footLength: [268, 270], footWidth: [101, 102],
      heelWidth: [67, 67], archDrop: [8, 8], toeOutHanging: [4, 5], toeOutStanding: [6, 7], forefootTilt: [3, 3], handLength: [193, 194], handBreadth: [88, 88],
      indexFinger: [73, 73], handSweep: [11, 12], handRise: [8, 8], hipFlexion: [112, 110], straightLegRaise: [74, 72],
      kneeAlignment: 'straight', legLengthDifference: 0, saddleHeight: 736, saddleSetback: 61, sitFromNose: 152, seatAngle: 73.2,
      saddleTilt: 1.8, tipToTail: -1.5, saddleKind: 'long-curved', saddleWidth: 139, saddleZoneWidth: 114, saddleNoseWidth: 40, saddleLength: 272,
      saddleNoseDrop: 4, saddleTailRise: 12, saddleRelief: 'none', saddleRailHeight: 48, saddleSound: 'sound', clampFromNose: 134,
      postHead: 'two-bolts', headThread: 'M6', headBoltSpacing: 40, sitsWhere: 'middle', creepForward: 8, postRoomUp: 25, postRoomDown: 60, railRoomForward: 14,
      railRoomBack: 11, frameReach: 396, frameStack: 588, headAngle: 72.5, chainstay: 440, frontCentre: 607, bbDrop: 74,
      wheelDiameter: 694, headset: 12, spacers: 20, spacersAbove: 10, stemLength: 100, stemAngle: -6, hoodWidth: 420,
      dropWidth: 432, barReach: 78, barDrop: 124, barFlare: 4, hoodPosition: 42, hoodAngle: 2, barRoll: 2,
      leverAngle: [62, 62], leverReach: [78, 78], gripDiameter: 32, crank: 172.5, tread: 148, axleLength: [53, 53], washer: [0, 0], adapter: [0, 0], pedalKind: 'recessed',
      shoeSize: [44, 44], shoeLength: [276, 278], shoeBallWidth: [95, 96], shoeHeelWidth: [68, 68], shoeHeelOutside: [68, 68],
      heelToMtp1: [198, 199], heelToMtp5: [172, 174], soleStiffness: 'soft', shoeUpper: 'firm', boltPattern: 'two bolts',
      cleatTurn: [4, 5], cleatTurnRoom: [14, 14], cleatFloat: [6, 6], heelIn: [1, 1], heelOut: [1, 1], stayWidth: 138, axleThread: [13, 13], archSupport: [0, 0],
      cleatDistance: 7400, cleatWalking: 'hardly', cleatWear: ['fresh', 'fresh'], cleatPlay: ['none', 'none'], releaseFeel: ['clean', 'clean'], boltsFitted: ['two', 'two'], boltLength: 11, cleatPlate: 4, boltDepth: 9,
      rideHours: 5, cadence: 85,
      cleatSetback: [4, 6], slotForward: [6, 6], slotBack: [14, 12], cleatInboard: [0, 0], soleStack: [21, 21], soleThickness: [9, 9], slotAcross: [4, 4], recess: 'flush',
      kneeOutside: [2, 4], pelvisLevel: 'level', pelvisRock: 'none', handReach: 542, handHeight: 672, gripSpacing: 420,
      kneeFlexion: [30, 28], footPitch: [18, 19], torsoAngle: 54, elbowFlexion: 14, shoulderAngle: 67, hipAngle: [80, 79],
      wristAngle: [-13, -12],
    }),
    ...readingsOf(conductorAt, {
      kneeFlexion: [33, 30], footPitch: [21, 22], torsoAngle: 55, elbowFlexion: 24, shoulderAngle: 62,
    }, 'hard'),
    ...readingsOf(conductorAt, {
      torsoAngle: 43, elbowFlexion: 22, shoulderAngle: 66, hipAngle: [68, 68],
    }, 'drops'),
    ...readingsOf(conductorAt, {
      torsoAngle: 56, elbowFlexion: 26,
    }, 'tops'),
  ], // prettier-ignore
  complaints: [
    told({
      id: id(1, 1),
      places: [{ region: 'groin', side: 'middle' }],
      kind: 'numb',
      startsAfter: 40,
      situation: 'flat-steady',
      severity: 6,
      since: 'months',
      changed: ['saddle'],
      tried: [{ what: 'nose-up', helped: 'worse' }],
      note: 'Better standing for a minute.',
      warnings: { 'bladder-bowel': 'no', 'lasting-numbness': 'no', 'lost-strength': 'no', fall: 'no', sores: 'no' },
    }),
    told({
      id: id(1, 2),
      places: [{ region: 'forefoot', side: 'both' }],
      kind: 'pain',
      startsAfter: 60,
      situation: 'climbing',
      severity: 7,
      since: 'years',
      changed: ['nothing'],
      tried: [{ what: 'footbeds', helped: 'no' }],
      note: 'Hot feet; takes the shoes off at stops.',
      warnings: { 'lost-strength': 'no', 'night-pain': 'no', 'hot-swollen': 'no', fall: 'no', 'tight-leg': 'no' },
    }),
  ],
  ledger: [
    {
      kind: 'try',
      id: id(1, 10),
      at: '2026-10-06T14:40:00.000Z',
      station: 'feet',
      moves: [cleat('left', 5), cleat('right', 5), saddle(-2.5)],
      pace: 'settled',
      exchanges: [],
      reason: 'Both axles lie far forward of behind the ball; hot feet speak for it.',
      later: 'Next step, if test rides go well: cleat L back 5 mm, then 4 mm; cleat R back 5 mm, then 2 mm.',
    },
    { kind: 'keep', id: id(1, 11), at: '2026-10-06T15:05:00.000Z', of: id(1, 10) },
  ],
  ratings: [{ complaintId: id(1, 2), changeId: id(1, 10), severity: 5 }],
}

const courierAt = '2026-10-13T08:30:00.000Z'
const courier: VisitFile = {
  format: 'level-stance/visit',
  version: 3,
  rider: { name: 'Oona Tervik', note: 'Bakery courier, six hours a day, stops every few minutes.' },
  bike: { name: 'Cargo bike', kind: 'cargo' },
  visit: {
    ...freshVisit,
    riding: {
      kinds: { town: 'most' },
      hoursWeek: 30,
      longestRide: 6,
      terrain: ['hilly', 'rough'],
      clipIn: 'some',
      frontBrake: 'left',
      aims: ['comfort'],
    },
    startedAt: courierAt,
  },
  readings: [
    ...readingsOf(courierAt, {
      stature: 1664, mass: 62, inseam: 771, thigh: [405, 406], shank: [410, 409], trunk: 482, upperArm: [306, 306],
      forearm: [331, 330], acromionWidth: 368, sitBoneSpacing: 134, footLength: [247, 248], footWidth: [94, 95],
      hipBreadth: 331, heelWidth: [61, 61], archDrop: [4, 5], toeOutStanding: [8, 11], forefootTilt: [2, 3], handLength: [178, 178], handBreadth: [80, 80],
      indexFinger: [68, 68], handSweep: [14, 14], handRise: [9, 9], hipFlexion: [118, 117], straightLegRaise: [82, 82],
      kneeAlignment: 'straight', legLengthDifference: 0, saddleHeight: 668, saddleSetback: 38, sitFromNose: 158, saddleTilt: -0.5,
      saddleWidth: 168, saddleLength: 262, postRoomUp: 90, postRoomDown: 120, railRoomForward: 16, railRoomBack: 12,
      frameReach: 425, frameStack: 622, headAngle: 70, chainstay: 610, frontCentre: 655, bbDrop: 55, wheelDiameter: 560,
      headset: 14, spacers: 25, spacersAbove: 15, stemLength: 70, stemAngle: 6, barWidth: 660, barRise: 30, barForward: 0,
      barBacksweep: 12, barUpsweep: 5, barBend: 75, handFromEnd: 62, barRoll: -2, leverAngle: [58, 56], leverClamp: [9, 9], leverReach: [70, 71], gripDiameter: 32, shifterPlace: 'inside',
      gripLength: 130, leverHook: [52, 52], brakeClampWidth: 14, shifterClamp: [24, 24], shifterClampWidth: [0, 18], shifterPaddle: [0, 28], thumbLength: [60, 60], forearmReady: [36, 37], frontBrakeLever: 'left', crank: 170,
      tread: 172, axleLength: [53, 53], washer: [0, 1], adapter: [0, 0], pedalKind: 'recessed-platform', shoeSize: [40, 40],
      shoeLength: [255, 256], shoeBallWidth: [94, 95], shoeHeelWidth: [63, 63], shoeHeelOutside: [62, 62], cleatTurn: [6, 6], cleatTurnRoom: [15, 15], cleatFloat: [6, 6],
      heelIn: [1, 1], heelOut: [1, 1], stayWidth: 142, axleThread: [12.5, 12.5], cleatDistance: 3200, cleatWalking: 'much', cleatWear: ['fresh', 'fresh'], cleatPlay: ['none', 'none'], releaseFeel: ['clean', 'clean'],
      boltsFitted: ['two', 'two'], boltLength: 10, cleatPlate: 4, boltDepth: 8, rideHours: 6, cadence: 70,
      heelToMtp1: [183, 184], heelToMtp5: [160, 160], soleStiffness: 'medium', shoeUpper: 'firm', boltPattern: 'two bolts', cleatSetback: [8, 11],
      slotForward: [8, 11], slotBack: [16, 13], cleatInboard: [1, 0], soleStack: [26, 26], soleThickness: [13, 13], slotAcross: [3, 3], recess: 'recessed', kneeOutside: [3, 5],
      pelvisLevel: 'level', pelvisRock: 'none', handReach: 427, handHeight: 751, gripSpacing: 539, kneeFlexion: [36, 36],
      footPitch: [14, 15], torsoAngle: 74, elbowFlexion: 18, shoulderAngle: 53, hipAngle: [97, 97], wristAngle: [-10, -10],
    }),
    ...repeated(courierAt, 'toeOutHanging', [6, 5.5, 6.5], [9, 10, 9.5]),
    ...readingsOf(courierAt, {
      kneeFlexion: [39, 38], footPitch: [17, 18], torsoAngle: 74, elbowFlexion: 30,
    }, 'hard'),
  ], // prettier-ignore
  complaints: [
    told({
      id: id(2, 1),
      places: [{ region: 'knee-outer', side: 'right' }],
      kind: 'pain',
      startsAfter: 90,
      situation: 'hard-effort',
      severity: 5,
      since: 'months',
      changed: ['shoes-cleats'],
      tried: [{ what: 'saddle-down', helped: 'no' }],
      note: 'Since new shoes in spring.',
      warnings: { 'lost-strength': 'no', 'night-pain': 'no', 'hot-swollen': 'no', fall: 'no' },
    }),
    told({
      id: id(2, 2),
      places: [{ region: 'hand-thumb', side: 'left' }],
      kind: 'numb',
      startsAfter: 30,
      situation: 'anywhere',
      severity: 5,
      note: '',
      warnings: { 'lasting-numbness': 'no', 'lost-strength': 'no', fall: 'no' },
    }),
  ],
  ledger: [],
  ratings: [],
}

const builderAt = '2026-10-20T17:00:00.000Z'
const trailBuilder: VisitFile = {
  format: 'level-stance/visit',
  version: 3,
  rider: { name: 'Ruta Halvers', note: 'Volunteer trail builder. Rides the ridge after work.' },
  bike: { name: 'Hardtail', kind: 'trail' },
  visit: {
    ...freshVisit,
    riding: {
      kinds: { trail: 'most' },
      hoursWeek: 5,
      longestRide: 4,
      terrain: ['steep', 'rough'],
      clipIn: 'used',
      frontBrake: 'right',
      aims: ['control'],
    },
    startedAt: builderAt,
  },
  readings: [
    ...readingsOf(builderAt, {
      stature: 1712, mass: 66, inseam: 802, thigh: [421, 420], shank: [424, 424], trunk: 494, upperArm: [316, 316],
      forearm: [342, 342], acromionWidth: 376, sitBoneSpacing: 132, footLength: [254, 253], footWidth: [96, 96],
      toeOutHanging: [6, 6], handLength: [176, 176], handBreadth: [79, 79], indexFinger: [66, 66], handSweep: [9, 9],
      handRise: [6, 6], saddleHeight: 702, saddleSetback: 55, sitFromNose: 150, saddleTilt: -2, rearSag: 0, forkSag: 24, climbGradient: 16, postHead: 'two-bolts', headThread: 'M5', headBoltSpacing: 38, saddleWidth: 150,
      saddleLength: 248, postRoomUp: 20, postRoomDown: 70, railRoomForward: 12, railRoomBack: 14, frameReach: 452,
      frameStack: 618, headAngle: 66, chainstay: 432, frontCentre: 752, bbDrop: 58, wheelDiameter: 740, headset: 10,
      spacers: 25, spacersAbove: 10, stemLength: 50, stemAngle: 0, barWidth: 780, barRise: 35, barForward: 5, barBacksweep: 8,
      barUpsweep: 5, barBend: 80, handFromEnd: 70, barRoll: -6, leverAngle: [44, 43], leverClamp: [8, 8], leverReach: [86, 85], gripDiameter: 33, shifterPlace: 'inside', thumbReach: ['reached', 'lets'], brakeFingers: 'two',
      gripLength: 135, leverHook: [66, 66], brakeClampWidth: 14, shifterClamp: [22, 24], shifterClampWidth: [0, 12], shifterPaddle: [-2, -2], remoteClamp: [44], remoteClampWidth: [18, 0], remotePaddle: [50], thumbLength: [58, 58], forearmReady: [38, 38], barShortest: 700, narrowestGap: 940, frontBrakeLever: 'right', stemClampSize: 'd318', barClampSize: 'd318', dropperTravel: 120, crank: 170, tread: 176,
      axleLength: [55, 55], washer: [0, 0], adapter: [0, 0], pedalKind: 'recessed-platform', shoeSize: [41, 41], heelToMtp1: [188, 187],
      heelToMtp5: [163, 163], soleStiffness: 'medium', shoeUpper: 'firm', boltPattern: 'two bolts', cleatSetback: [17, 16], slotForward: [14, 13],
      slotBack: [8, 9], cleatInboard: [0, 0], kneeOutside: [4, 9], axleThread: [13, 13], rideHours: 3, cadence: 75, soleStack: [27, 27], soleThickness: [14, 14], slotAcross: [3, 3], recess: 'recessed', pelvisLevel: 'level', pelvisRock: 'none', handReach: 443,
      handHeight: 743, gripSpacing: 642, kneeFlexion: [32, 32], footPitch: [13, 13], torsoAngle: 67, elbowFlexion: 30,
      shoulderAngle: 51, hipAngle: [91, 91], wristAngle: [0, 0],
    }),
    ...readingsOf(builderAt, {
      kneeFlexion: [35, 34], footPitch: [16, 16], torsoAngle: 65, elbowFlexion: 44,
    }, 'hard'),
  ], // prettier-ignore
  complaints: [
    told({
      id: id(3, 1),
      places: [{ region: 'forearm', side: 'both' }],
      kind: 'pain',
      startsAfter: 10,
      situation: 'descending',
      severity: 6,
      since: 'months',
      changed: ['bar-controls'],
      note: 'Pumped on the long descent.',
      warnings: { 'lost-strength': 'no', 'night-pain': 'no', fall: 'no', 'tight-leg': 'no' },
    }),
    told({
      id: id(3, 2),
      control: 'washes-out',
      kind: 'control',
      situation: 'turns',
      severity: 5,
      since: 'months',
      changed: ['bar-controls'],
      tried: [{ what: 'softer-tyres', helped: 'no' }],
      note: 'Flat turns on gravel roads, since the new stem and bar.',
    }),
    told({
      id: id(3, 3),
      control: 'missed-shift',
      kind: 'control',
      severity: 4,
      since: 'months',
      changed: ['bar-controls'],
      note: 'Has to let go of the grip for the smaller gears.',
      warnings: { 'lost-strength': 'no' },
    }),
  ],
  ledger: [],
  ratings: [],
}

const returningAt = '2026-11-03T10:00:00.000Z'
const returning: VisitFile = {
  format: 'level-stance/visit',
  version: 3,
  rider: { name: 'Imre Castellane', note: 'Back on a bike after twelve years. One leg shorter since childhood.' },
  bike: { name: 'Town bike', kind: 'town' },
  visit: {
    ...freshVisit,
    riding: { kinds: { town: 'most' }, hoursWeek: 2, longestRide: 1, terrain: ['flat'], clipIn: 'never', aims: ['comfort'] },
    startedAt: returningAt,
  },
  readings: [
    ...readingsOf(returningAt, {
      stature: 1738, mass: 84, inseam: 818, thigh: [428, 421], shank: [430, 426], trunk: 506, upperArm: [322, 322],
      forearm: [345, 345], acromionWidth: 398, sitBoneSpacing: 126, footLength: [262, 260], footWidth: [100, 99],
      toeOutHanging: [10, 12], handLength: [186, 186], handBreadth: [86, 86], indexFinger: [70, 70], handSweep: [16, 16],
      handRise: [8, 8], hipFlexion: [104, 101], straightLegRaise: [64, 62], legLengthDifference: 9, saddleHeight: 690,
      saddleSetback: 43, sitFromNose: 165, saddleTilt: 0.5, saddleKind: 'touring', saddleWidth: 176, saddleZoneWidth: 150, saddleNoseWidth: 44,
      saddleLength: 262, saddleRelief: 'groove', saddleRailHeight: 54, saddleSound: 'sound', clampFromNose: 145, postHead: 'notched', headNotch: 2,
      legDifferenceAt: 'shank', sitsWhere: 'middle', rideHours: 1, postRoomUp: 60,
      postRoomDown: 80, railRoomForward: 10, railRoomBack: 10, frameReach: 392, frameStack: 634, headAngle: 70,
      chainstay: 450, frontCentre: 618, bbDrop: 60, wheelDiameter: 700, headset: 15, spacers: 30, spacersAbove: 20,
      stemLength: 90, stemAngle: 17, barWidth: 620, barRise: 60, barForward: -10, barBacksweep: 26, barUpsweep: 0,
      barBend: 90, handFromEnd: 60, barRoll: 0, leverAngle: [40, 40], leverClamp: [10, 10], leverReach: [74, 74], gripDiameter: 34, shifterPlace: 'outside', crank: 170, tread: 165, axleLength: [53, 53],
      washer: [0, 0], adapter: [0, 0], pedalKind: 'recessed', shoeSize: [43, 43], heelToMtp1: [194, 193], soleStiffness: 'soft',
      shoeUpper: 'soft', boltPattern: 'two bolts', cleatSetback: [22, 10], slotForward: [14, 6], slotBack: [6, 14], cleatInboard: [0, 0],
      soleStack: [30, 30], soleThickness: [16, 16], slotAcross: [3, 3], recess: 'recessed', pelvisLevel: 'drops-right', pelvisRock: 'some', handReach: 351, handHeight: 812, gripSpacing: 512,
      kneeFlexion: [42, 42], footPitch: [12, 16], torsoAngle: 84, elbowFlexion: 35, shoulderAngle: 36, hipAngle: [105, 105],
      wristAngle: [7, 7],
    }),
    ...readingsOf(returningAt, {
      kneeFlexion: [44, 44], footPitch: [15, 19], torsoAngle: 87, elbowFlexion: 30,
    }, 'hard'),
  ], // prettier-ignore
  complaints: [
    told({
      id: id(4, 1),
      places: [{ region: 'sit-bone', side: 'right' }],
      kind: 'pain',
      startsAfter: 25,
      situation: 'flat-steady',
      severity: 6,
      note: '',
      warnings: { 'bladder-bowel': 'no', 'lost-strength': 'no', 'night-pain': 'no', fall: 'no', sores: 'no' },
    }),
    told({
      id: id(4, 2),
      places: [{ region: 'forefoot', side: 'right' }],
      kind: 'slips',
      startsAfter: 10,
      situation: 'anywhere',
      severity: 4,
      note: 'That foot feels loose, as if it belonged to nobody.',
      warnings: { 'lost-strength': 'no' },
    }),
  ],
  ledger: [],
  ratings: [],
}

/** Oldest first, so that the list shows the newest on top. */
const mechanicAt = '2026-11-10T09:20:00.000Z'
const mechanic: VisitFile = {
  format: 'level-stance/visit',
  version: 3,
  rider: { name: 'Dagny Verholt', note: 'Keeps the lamps of three lighthouses. Rides long races against the clock.' },
  bike: { name: 'Time-trial bike', kind: 'time trial' },
  visit: {
    ...freshVisit,
    riding: {
      kinds: { 'time-trial': 'most', road: 'some' },
      hoursWeek: 10,
      longestRide: 7,
      terrain: ['flat'],
      events: 'Ferry coast 180 km: drafting not allowed, extensions allowed.',
      clipIn: 'used',
      frontBrake: 'right',
      aims: ['speed', 'distance'],
    },
    choices: { ...freshVisit.choices, hands: { shares: { extension: 75, hoods: 20, drops: 0, tops: 5 } } },
    startedAt: mechanicAt,
  },
  readings: [
    ...readingsOf(mechanicAt, {
      stature: 1794, mass: 74, inseam: 856, thigh: [445, 445], shank: [443, 442], trunk: 526, upperArm: [333, 333],
      forearm: [356, 356], acromionWidth: 392, sitBoneSpacing: 130, footLength: [266, 266], handLength: [188, 188], handBreadth: [84, 84], indexFinger: [70, 70],
      saddleHeight: 752, saddleSetback: 2, sitFromNose: 118, seatAngle: 77.5, saddleTilt: -1.5, saddleKind: 'split-nose', saddleWidth: 135, crank: 170, tread: 148, axleLength: [53, 53],
      washer: [0, 0], adapter: [0, 0], pedalKind: 'plate-leaf', shoeSize: [43, 43], heelToMtp1: [196, 196], cleatSetback: [10, 10], soleStack: [20, 20], slotForward: [8, 8], slotBack: [10, 10],
      frameReach: 428, frameStack: 522, headAngle: 72.5, chainstay: 410, frontCentre: 606, bbDrop: 72, wheelDiameter: 676, headset: 8, spacers: 10, spacersAbove: 20,
      stemLength: 90, stemAngle: -6, hoodWidth: 400, barReach: 70, barDrop: 110, hoodPosition: 40, hoodAngle: 1, barRoll: 0, leverReach: [66, 66],
      padForward: 60, padUp: 62, padSpacing: 350, extensionLength: 300, extensionAngle: 8, handReach: 566, handHeight: 590, gripSpacing: 400,
      kneeFlexion: [33, 33], footPitch: [19, 19], torsoAngle: 46, elbowFlexion: 23, shoulderAngle: 72, wristAngle: [-4, -4], pelvisLevel: 'level', pelvisRock: 'none', sitsWhere: 'middle', creepForward: 32,
      rideHours: 5, cadence: 88, frontBrakeLever: 'right',
    }),
    ...readingsOf(mechanicAt, { kneeFlexion: [36, 36], sitsWhere: 'nose' }, 'hard'),
    ...readingsOf(mechanicAt, { torsoAngle: 20 }, 'extension'),
    ...readingsOf(mechanicAt, { torsoAngle: 18 }, 'hard-extension'),
  ], // prettier-ignore
  complaints: [
    told({
      id: id(5, 1),
      places: [{ region: 'neck', side: 'middle' }],
      kind: 'pain',
      startsAfter: 60,
      situation: 'low',
      severity: 6,
      since: 'months',
      changed: ['bar-controls'],
      note: 'Cannot look up the road after the first hour on the extensions.',
      warnings: {},
    }),
    told({
      id: id(5, 2),
      control: 'slides-forward',
      kind: 'control',
      situation: 'hard-effort',
      severity: 5,
      since: 'months',
      note: 'Ends up on the nose whenever the pace goes up.',
    }),
  ],
  ledger: [],
  ratings: [],
}

export const demoVisits: readonly VisitFile[] = [mechanic, trailBuilder, returning, courier, conductor]
