import type { ReadingKey } from '@level-stance/core/measure/readingDefinitions'

/** Small figures, each 120 × 96, with named places on them. */
export const figures = {
  body: {
    paths: ['M60 20 V50', 'M46 24 H74', 'M46 24 L40 42 L38 58', 'M74 24 L80 42 L82 58', 'M60 50 L52 70 L50 88', 'M60 50 L68 70 L70 88', 'M46 88 H54', 'M66 88 H74'],
    rounds: [[60, 12, 7]],
    at: { crown: [60, 5], floor: [60, 88], crotch: [60, 52], hip: [68, 50], knee: [68, 70], ankle: [70, 85], shoulder: [74, 24], shoulderL: [46, 24], elbow: [80, 42], grip: [82, 58], seatL: [55, 52], seatR: [65, 52], hipOuterL: [48, 52], hipOuter: [72, 52] },
  },
  foot: {
    paths: ['M30 84 Q20 60 30 34 Q38 8 56 10 Q74 14 76 36 Q78 52 66 66 Q60 84 48 88 Q36 90 30 84Z', 'M56 10 V88'],
    rounds: [],
    at: { heel: [44, 88], toe: [54, 10], mtp1: [34, 36], mtp5: [75, 44], axle: [50, 52], front: [50, 36], back: [50, 64], inner: [30, 52], outer: [72, 52], heelIn: [31, 80], heelOut: [62, 78], straight: [44, 8], turned: [70, 12] },
  },
  shoe: {
    paths: ['M16 70 Q20 50 38 52 L70 60 Q98 64 102 72 L102 78 H16Z', 'M14 80 H104'],
    rounds: [[70, 88, 3]],
    at: { heel: [16, 72], toe: [102, 74], mtp1: [78, 66], axle: [70, 88], sole: [70, 72], ball: [70, 80], arch: [52, 70], level: [104, 66] },
  },
  hand: {
    paths: ['M44 90 V58 Q42 44 44 20 M54 40 V8 M64 40 V6 M74 42 V12 M84 90 V60 Q84 50 83 22', 'M44 58 L30 46'],
    rounds: [],
    at: { thumbRoot: [44, 62], thumbTip: [30, 46], wrist: [64, 88], tip: [64, 6], knuckleL: [42, 46], knuckleR: [86, 48], index: [54, 8], indexRoot: [54, 42] },
  },
  rod: {
    paths: ['M60 14 V34', 'M60 34 L24 52', 'M60 34 L96 52', 'M14 46 L34 58', 'M106 46 L86 58'],
    rounds: [[60, 8, 6]],
    at: { inner: [86, 58], outer: [106, 46], level: [108, 58] },
  },
  bike: {
    paths: ['M48 68 L40 26', 'M48 68 L76 60 L72 30 L42 38', 'M48 68 L22 66 L42 38', 'M76 60 L96 66', 'M72 30 L70 22 L84 18', 'M30 25 H52', 'M48 68 L54 80'],
    rounds: [[22, 66, 18], [96, 66, 18], [48, 68, 3]],
    at: {
      bb: [48, 68], saddle: [40, 25], nose: [52, 25], tail: [30, 25], head: [72, 30], stemFoot: [70, 22], clamp: [84, 18], hand: [92, 18], rear: [22, 66], front: [96, 66], pedal: [54, 80],
      bbLevel: [84, 68], bbUp: [48, 25], headUp: [48, 30], headLevel: [72, 68], handLevel: [92, 68], ground: [22, 84], tyre: [22, 48], sitBack: [44, 25], drop: [48, 66],
    },
  },
  saddle: {
    paths: ['M104 34 Q80 26 58 32 Q36 34 18 22 L14 30 Q30 44 60 42 Q92 42 104 34Z', 'M96 40 L66 52 H44 L22 34', 'M54 52 L48 92'],
    rounds: [[54, 54, 5], [44, 58, 2], [66, 58, 2]],
    at: { nose: [104, 34], tail: [18, 22], zoneBack: [40, 32], zoneFront: [66, 31], sit: [52, 32], rail: [52, 52], clamp: [54, 54], boltFront: [66, 58], boltRear: [44, 58], noseLevel: [104, 29], tailLevel: [18, 31] },
  },
  saddleTop: {
    paths: ['M108 48 Q108 42 100 42 Q76 40 58 30 Q38 18 22 22 Q12 28 12 48 Q12 68 22 74 Q38 78 58 66 Q76 56 100 54 Q108 54 108 48Z'],
    rounds: [[40, 36, 3], [40, 60, 3]],
    at: { zoneL: [46, 24], zoneR: [46, 72], noseL: [92, 42], noseR: [92, 54] },
  },
  bar: {
    paths: ['M60 40 H74 L82 34 L112 44', 'M60 40 H46 L38 34 L8 44', 'M60 40 V58'],
    rounds: [[60, 40, 4]],
    at: { middle: [60, 40], bend: [82, 34], end: [112, 44], endL: [8, 44], hand: [98, 39], handL: [22, 39], up: [82, 40], straight: [112, 34] },
  },
  half: {
    paths: ['M6 60 H30 L114 68', 'M64 58 L114 63 V73 L64 68Z', 'M52 63 V34 Q56 24 74 28 L86 32', 'M40 62 V78 H52'],
    rounds: [],
    at: { middle: [6, 60], bend: [30, 60], gripIn: [64, 63], gripOut: [114, 68], clamp: [52, 63], clampL: [48, 56], clampR: [56, 57], shifter: [40, 62], shifterL: [36, 56], shifterR: [44, 56], hook: [86, 62], paddle: [52, 78], front: [78, 58], blade: [78, 29], hand: [92, 66] },
  },
  drop: {
    paths: ['M20 30 H56 Q86 30 86 54 Q86 78 56 78 H36', 'M70 30 Q92 20 98 8'],
    rounds: [[20, 30, 5]],
    at: { clamp: [20, 30], reach: [86, 54], low: [36, 78], top: [36, 30], hood: [84, 24], blade: [96, 46], bladeRoot: [82, 30], bladeLevel: [106, 30], pad: [34, 18], tip: [98, 8] },
  },
  crank: {
    paths: ['M30 20 V48 H38 V76', 'M90 76 V48 H82 V20', 'M38 34 H82', 'M90 76 H112', 'M30 20 H8'],
    rounds: [],
    at: { faceL: [30, 20], faceR: [90, 76], pedal: [112, 76], pedalL: [8, 20], washer: [94, 76], axle: [60, 34], end: [90, 76] },
  },
  rider: {
    paths: ['M34 40 L62 22', 'M62 22 L74 38 L90 44', 'M34 40 L58 54 L50 80', 'M42 84 L62 80', 'M24 44 H42', 'M90 44 L86 48'],
    rounds: [[70, 12, 7]],
    at: { hip: [34, 40], shoulder: [62, 22], elbow: [74, 38], hand: [90, 44], knee: [58, 54], ankle: [50, 80], toe: [64, 79], level: [64, 40], flat: [66, 86], kneeOut: [60, 58] },
  },
} as const satisfies Readonly<Record<string, { paths: readonly string[]; rounds: readonly (readonly [number, number, number])[]; at: Readonly<Record<string, readonly [number, number]>> }>> // prettier-ignore

type Figure = keyof typeof figures
type Place<F extends Figure> = keyof (typeof figures)[F]['at']
/** What is measured on a figure: between two places, or an angle at the first between the other two. */
export interface How {
  readonly figure: Figure
  readonly places: readonly string[]
}
const how = <F extends Figure>(figure: F, ...places: readonly Place<F>[]): How => ({ figure, places: places as readonly string[] })

/** Where the tape or the goniometer goes. */
export const howShapes: Readonly<Partial<Record<ReadingKey, How>>> = {
  stature: how('body', 'crown', 'floor'), inseam: how('body', 'crotch', 'floor'), thigh: how('body', 'hip', 'knee'), shank: how('body', 'knee', 'ankle'),
  trunk: how('body', 'hip', 'shoulder'), upperArm: how('body', 'shoulder', 'elbow'), forearm: how('body', 'elbow', 'grip'),
  acromionWidth: how('body', 'shoulderL', 'shoulder'), sitBoneSpacing: how('body', 'seatL', 'seatR'),
  hipFlexion: how('rider', 'hip', 'shoulder', 'knee'), straightLegRaise: how('body', 'crotch', 'floor', 'knee'), legLengthDifference: how('body', 'hip', 'ankle'),
  footLength: how('foot', 'heel', 'toe'), footWidth: how('foot', 'mtp1', 'mtp5'), archDrop: how('shoe', 'arch', 'sole'),
  toeOutHanging: how('foot', 'heel', 'straight', 'turned'), toeOutStanding: how('foot', 'heel', 'straight', 'turned'), forefootTilt: how('foot', 'mtp1', 'mtp5'), heelTilt: how('foot', 'heelIn', 'heelOut'),
  handLength: how('hand', 'wrist', 'tip'), handBreadth: how('hand', 'knuckleL', 'knuckleR'), indexFinger: how('hand', 'indexRoot', 'index'),
  handSweep: how('rod', 'inner', 'outer', 'level'), handRise: how('rod', 'inner', 'outer', 'level'),
  saddleHeight: how('bike', 'bb', 'saddle'), saddleSetback: how('bike', 'bbUp', 'nose'), sitFromNose: how('bike', 'nose', 'saddle'), seatAngle: how('bike', 'bb', 'saddle', 'bbLevel'),
  saddleTilt: how('saddle', 'zoneBack', 'zoneFront'), tipToTail: how('saddle', 'tail', 'nose'), saddleZoneWidth: how('saddleTop', 'zoneL', 'zoneR'), saddleNoseWidth: how('saddleTop', 'noseL', 'noseR'), saddleNoseDrop: how('saddle', 'noseLevel', 'nose'), saddleTailRise: how('saddle', 'tailLevel', 'tail'),
  saddleRailHeight: how('saddle', 'rail', 'sit'), clampFromNose: how('saddle', 'nose', 'clamp'), headBoltSpacing: how('saddle', 'boltFront', 'boltRear'), headNotch: how('saddle', 'clamp', 'boltFront', 'boltRear'), rearSag: how('bike', 'rear', 'tyre'), forkSag: how('bike', 'front', 'stemFoot'), creepForward: how('bike', 'saddle', 'nose'), saddleWidth: how('bike', 'tail', 'sitBack'), saddleLength: how('bike', 'nose', 'tail'),
  handReach: how('bike', 'bbLevel', 'hand'), handHeight: how('bike', 'handLevel', 'hand'), gripSpacing: how('bar', 'handL', 'hand'),
  frameReach: how('bike', 'headUp', 'head'), frameStack: how('bike', 'headLevel', 'head'), headAngle: how('bike', 'head', 'stemFoot', 'headUp'),
  chainstay: how('bike', 'bb', 'rear'), frontCentre: how('bike', 'bb', 'front'), bbDrop: how('bike', 'bb', 'drop'), wheelDiameter: how('bike', 'ground', 'tyre'),
  headset: how('bike', 'head', 'stemFoot'), spacers: how('bike', 'head', 'stemFoot'), spacersAbove: how('bike', 'stemFoot', 'clamp'), stemLength: how('bike', 'stemFoot', 'clamp'), stemAngle: how('bike', 'stemFoot', 'clamp', 'headUp'),
  barWidth: how('bar', 'endL', 'end'), barRise: how('bar', 'up', 'bend'), barForward: how('bar', 'middle', 'bend'), barBacksweep: how('bar', 'bend', 'end', 'straight'), barUpsweep: how('bar', 'bend', 'end', 'straight'),
  barBend: how('bar', 'middle', 'bend'), handFromEnd: how('bar', 'end', 'hand'),
  hoodWidth: how('bar', 'handL', 'hand'), dropWidth: how('bar', 'endL', 'end'), barReach: how('drop', 'clamp', 'reach'), barDrop: how('drop', 'top', 'low'), barFlare: how('bar', 'bend', 'end', 'straight'),
  hoodPosition: how('drop', 'clamp', 'hood'), hoodAngle: how('drop', 'hood', 'tip'), barRoll: how('drop', 'clamp', 'reach', 'hood'), leverAngle: how('drop', 'bladeRoot', 'blade', 'bladeLevel'),
  barShortest: how('bar', 'endL', 'end'), eventBarWidest: how('bar', 'endL', 'end'), narrowestGap: how('bar', 'endL', 'end'),
  gripLength: how('half', 'gripOut', 'gripIn'), leverHook: how('half', 'clamp', 'hook'), brakeClampWidth: how('half', 'clampL', 'clampR'), shifterClamp: how('half', 'gripIn', 'shifter'), shifterClampWidth: how('half', 'shifterL', 'shifterR'), shifterPaddle: how('half', 'shifter', 'paddle'), remoteClamp: how('half', 'gripIn', 'shifter'), remoteClampWidth: how('half', 'shifterL', 'shifterR'), remotePaddle: how('half', 'shifter', 'paddle'), fingerHooks: how('half', 'front', 'blade'),
  thumbLength: how('hand', 'thumbRoot', 'thumbTip'), forearmReady: how('rider', 'hand', 'elbow', 'level'), frontLowEdge: how('bike', 'handLevel', 'hand'), frontHighEdge: how('bike', 'handLevel', 'hand'),
  leverClamp: how('half', 'gripIn', 'clamp'), leverReach: how('half', 'front', 'blade'), gripDiameter: how('drop', 'reach', 'hood'), dropperTravel: how('bike', 'saddle', 'bb'),
  soleThickness: how('shoe', 'sole', 'arch'), slotAcross: how('foot', 'inner', 'outer'),
  hipBreadth: how('body', 'hipOuterL', 'hipOuter'), heelWidth: how('foot', 'heelIn', 'heelOut'), axleThread: how('crank', 'end', 'washer'), stayWidth: how('crank', 'faceL', 'faceR'), otherStance: how('crank', 'pedalL', 'pedal'),
  shoeLength: how('shoe', 'heel', 'toe'), shoeBallWidth: how('foot', 'mtp1', 'mtp5'), shoeHeelWidth: how('foot', 'heelIn', 'heelOut'), shoeHeelOutside: how('foot', 'heelIn', 'heelOut'),
  cleatTurn: how('foot', 'heel', 'straight', 'turned'), cleatFloat: how('foot', 'axle', 'straight', 'turned'), archSupport: how('shoe', 'arch', 'sole'), wedge: how('foot', 'mtp1', 'mtp5'), heelWedge: how('foot', 'heelIn', 'heelOut'),
  heelIn: how('foot', 'axle', 'heel', 'heelIn'), heelOut: how('foot', 'axle', 'heel', 'heelOut'), boltLength: how('shoe', 'axle', 'sole'), cleatPlate: how('shoe', 'axle', 'ball'), boltDepth: how('shoe', 'ball', 'sole'),
  padForward: how('drop', 'clamp', 'pad'), padUp: how('drop', 'clamp', 'pad'), padSpacing: how('bar', 'handL', 'hand'), extensionLength: how('drop', 'pad', 'tip'), extensionAngle: how('drop', 'pad', 'tip', 'hood'),
  crank: how('bike', 'bb', 'pedal'), tread: how('crank', 'faceL', 'faceR'), axleLength: how('crank', 'faceR', 'pedal'), washer: how('crank', 'end', 'washer'), adapter: how('crank', 'faceR', 'pedal'),
  heelToMtp1: how('shoe', 'heel', 'mtp1'), heelToMtp5: how('foot', 'heel', 'mtp5'), cleatSetback: how('shoe', 'mtp1', 'axle'), slotForward: how('foot', 'axle', 'front'), slotBack: how('foot', 'axle', 'back'),
  cleatInboard: how('foot', 'inner', 'axle'), soleStack: how('shoe', 'axle', 'sole'),
  kneeFlexion: how('rider', 'knee', 'hip', 'ankle'), footPitch: how('rider', 'ankle', 'toe', 'flat'), kneeOutside: how('rider', 'knee', 'kneeOut'), hipAngle: how('rider', 'hip', 'shoulder', 'knee'),
  torsoAngle: how('rider', 'hip', 'shoulder', 'level'), elbowFlexion: how('rider', 'elbow', 'shoulder', 'hand'), shoulderAngle: how('rider', 'shoulder', 'hip', 'elbow'), wristAngle: how('rider', 'hand', 'elbow', 'level'), kneeElbowGap: how('rider', 'knee', 'elbow'),
} // prettier-ignore
