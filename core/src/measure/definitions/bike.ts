import { angle, angles, choice, length, lengths, section } from './definition.ts'

const flat = { bar: 'flat' } as const
const drop = { bar: 'drop' } as const

/** The bike, from the saddle forward to the hands and down to the pedals. */
export const bikeReadings = {
  ...section('bike', 'Saddle', {
    saddleHeight: length('Saddle height', 350, 1000, 'tape', 'Bottom-bracket centre along the seat tube to the saddle’s top where the rider sits. Dropper up.'),
    saddleSetback: length('Nose behind BB', -150, 300, 'tape', 'Plumb line through the bottom bracket, back to the saddle’s nose. Nose ahead of the line is minus.'),
    sitFromNose: length('Nose to sit point', 60, 320, 'tape', 'Along the saddle from its nose to where the sit bones rest, commonly where it is about 80 mm wide or a little behind.'),
    seatAngle: angle('Seat angle', 50, 88, 'level', 'Line from bottom bracket to where the rider sits, above horizontal. Not needed with the nose measured.'),
    saddleTilt: angle('Tilt where you sit', -25, 20, 'level', 'Level on a short board over the sitting zone, not tip to tail; nose up is plus.'),
    saddleWidth: length('Saddle width', 90, 320, 'tape', 'At its widest.'),
    saddleLength: length('Saddle length', 150, 360, 'tape', 'Nose to tail.'),
    postRoomUp: length('Post room up', 0, 300, 'tape', 'How far the post could be raised before its insertion mark shows.'),
    postRoomDown: length('Post room down', 0, 400, 'tape', 'How far the post could be lowered.'),
    railRoomForward: length('Rail room forward', 0, 80, 'tape', 'How far the saddle could slide forward within the rails’ marks.'),
    railRoomBack: length('Rail room back', 0, 80, 'tape', 'How far the saddle could slide back within the rails’ marks.'),
  }),
  ...section('bike', 'Hands, from the bottom bracket', {
    handReach: length('Hand ahead of BB', 50, 1100, 'tape', 'Plumb line through the bottom bracket, forward to the middle of the hand: hollow of the hood, or middle of the grip.'),
    handHeight: length('Hand above BB', 150, 1300, 'tape', 'Bottom-bracket centre straight up to the level of the middle of the hand.'),
    gripSpacing: length('Hand to hand', 200, 950, 'tape', 'Middle of one hand to the middle of the other, straight across.'),
  }),
  ...section('bike', 'Frame', {
    frameReach: length('Frame reach', 200, 620, 'maker', 'Bottom bracket forward to the middle of the head tube’s top; from the maker’s table.'),
    frameStack: length('Frame stack', 300, 900, 'maker', 'Bottom bracket up to the head tube’s top; from the maker’s table.'),
    headAngle: angle('Head angle', 55, 82, 'maker', 'Steerer above horizontal; from the maker’s table or a level on the head tube.'),
    chainstay: length('Chainstay', 320, 700, 'tape', 'Bottom bracket to the rear axle.'),
    frontCentre: length('Front centre', 450, 1800, 'tape', 'Bottom bracket to the front axle.'),
    bbDrop: length('BB drop', -80, 150, 'maker', 'How far the bottom bracket lies below the line of the axles.'),
    wheelDiameter: length('Wheel over tyre', 280, 800, 'tape', 'Ground to the tyre’s top.'),
  }),
  ...section('bike', 'Stem', {
    headset: length('Headset', 0, 60, 'ruler', 'Height of the headset’s upper parts above the head tube.'),
    spacers: length('Spacers under stem', 0, 90, 'ruler', 'All spacers between headset and stem.'),
    spacersAbove: length('Spacers above stem', 0, 90, 'ruler', 'Spacers left above the stem: room to raise it.'),
    stemLength: length('Stem length', 0, 180, 'maker', 'Middle of the steerer to the middle of the bar, along the stem.'),
    stemAngle: angle('Stem angle', -45, 70, 'maker', 'From square to the steerer, rising is plus.'),
  }),
  ...section('bike', 'Bar', {
    barWidth: length('Bar width, end to end', 350, 1000, 'tape', 'End to end, straight across. Not centre to centre.', flat),
    barRise: length('Bar rise', -60, 200, 'maker', 'How much higher the arms begin than the clamp, bar unrolled.', flat),
    barForward: length('Bar forward offset', -60, 150, 'maker', 'How much further forward the arms begin than the clamp, bar unrolled.', flat),
    barBacksweep: angle('Backsweep', -5, 90, 'maker', 'How far the arms point back, bar unrolled.', flat),
    barUpsweep: angle('Upsweep', -20, 30, 'maker', 'How far the arms point up, bar unrolled.', flat),
    barBend: length('Middle to arm', 15, 220, 'tape', 'Middle of the bar to where its straight arm begins, straight across.', flat),
    handFromEnd: length('Bar end to hand', 15, 200, 'tape', 'End of the bar to the middle of the hand.', flat),
    hoodWidth: length('Width at hoods', 260, 560, 'tape', 'Middle of one hood to the middle of the other. Centre to centre.', drop),
    dropWidth: length('Width at drops', 260, 800, 'tape', 'Centre to centre at the ends of the drops.', drop),
    barReach: length('Bar reach', 40, 150, 'maker', 'Clamp forward to the bend’s furthest point, centre to centre.', drop),
    barDrop: length('Bar drop', 60, 220, 'maker', 'Tops down to the ends, centre to centre.', drop),
    barFlare: angle('Flare', 0, 45, 'maker', 'How far the drops stand out from upright, seen from the front.', drop),
    hoodPosition: angle('Lever on the bend', 0, 90, 'eye', 'Where the lever is clamped: 0 at the bend’s top, 90 at its front.', drop),
    hoodAngle: angle('Hoods turned in', -10, 35, 'level', 'Seen from above; turned toward each other is plus.', drop),
    barRoll: angle('Bar roll', -60, 60, 'level', 'From the maker’s zero, or the ramp against level; top of the bar forward is plus.'),
    leverAngle: angles('Lever angle', -20, 90, 'level', 10, 'Blade below horizontal, plus.'),
    leverClamp: lengths('Grip end to lever clamp', 0, 220, 'ruler', 10, 'Inner end of the grip to the middle of the brake’s clamp, along the bar.'),
    leverReach: lengths('Lever reach', 20, 130, 'ruler', 8, 'Bar’s front to the blade’s hook where the finger lies.'),
    gripDiameter: length('Grip diameter', 18, 50, 'ruler', 'Where the middle finger closes.'),
    shifterPlace: choice('Shifter', ['inside the brake clamp', 'outside, by the grip', 'one piece with the brake', 'none'], 'Which lies nearer the grip.'),
  }),
  ...section('bike', 'Forearm extensions', {
    padForward: length('Pads ahead of clamp', -200, 200, 'tape', 'Bar clamp forward to the middle of the pad; behind it is minus.', drop),
    padUp: length('Pads above clamp', -60, 250, 'tape', 'Bar clamp up to the pad’s top.', drop),
    padSpacing: length('Pad to pad', 60, 500, 'tape', 'Middle to middle.', drop),
    extensionLength: length('Pad to grip', 120, 480, 'tape', 'Middle of the pad to the middle of the hand.', drop),
    extensionAngle: angle('Extension rises', -15, 70, 'level', 'Rising forward is plus.', drop),
  }),
  ...section('bike', 'Crank and pedals', {
    crank: length('Crank length', 100, 220, 'maker', 'Stamped on the inside of the crank arm; or axle centre to axle centre.'),
    tread: length('Tread (Q)', 80, 300, 'tape', 'Outer face of one crank to the outer face of the other, square to the bike, not diagonally.'),
    axleLength: lengths('Pedal axle', 35, 130, 'ruler', 8, 'Crank face to the middle of the pedal; commonly 53.'),
    washer: lengths('Washer', 0, 8, 'ruler', 4, 'Between crank and pedal. Never leave too little thread.'),
    adapter: lengths('Adapter', 0, 60, 'ruler', 10, 'Pedal extender between crank and pedal.'),
    dropperTravel: length('Dropper travel', 0, 260, 'tape', 'Saddle fully up to fully down; 0 = none.'),
    pedalKind: choice(
      'Pedal',
      ['three-bolt plate, coil spring', 'three-bolt plate, leaf spring', 'three-bolt, glide entry', 'mechanism in cleat, round body', 'two-bolt recessed', 'two-bolt recessed with platform', 'flat with pins'],
      'By kind, not by maker.',
    ),
  }),
} as const // prettier-ignore
