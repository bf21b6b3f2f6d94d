import { BALL_OF_FOOT_RATIO } from '../../body/proportions.ts'
import { amount, angles, choice, choices, length, lengths, section, shareOf, usually } from './definition.ts'

/** Shoe and cleat, by the tape method. */
export const footReadings = {
  ...section('shoe', 'Shoe', {
    shoeSize: { label: 'Shoe size', sided: true, dimension: 'shoe-size', min: 30, max: 55, method: 'maker', pairLimit: 1, how: 'EU size on the shoe’s label.', part: 'shoes', words: ['size', 'shoe'] },
    heelToMtp1: lengths('Heel to ball (MTP1)', 120, 280, 'ruler', 10, 'Shoe on, foot flat: heel of the shoe’s inside to the first metatarsal head, marked on light tape along the inner edge.', { inModel: true, estimate: shareOf('footLength', BALL_OF_FOOT_RATIO, 10, 'from foot length', 'ansur-ii'), words: ['ball', 'mtp1'], drawing: ['shoe', 'heel', 'mtp1'], term: 'mtp1' }),
    heelToMtp5: lengths('Heel to MTP5', 100, 260, 'ruler', 10, 'As for MTP1, to the fifth metatarsal head, marked on the outer edge.', { words: ['mtp5'], drawing: ['foot', 'heel', 'mtp5'], term: 'mtp1' }),
    soleStiffness: choice('Sole', { soft: 'soft', medium: 'medium', stiff: 'stiff' }, 'Bend the shoe by hand at the ball: folds, gives, or holds.', { part: 'shoes' }),
    shoeUpper: choice('Upper', { soft: 'soft or knitted', firm: 'firm', mouldable: 'mouldable' }, 'A soft or knitted upper gives a footbed nothing to rest on.', { part: 'shoes' }),
    laces: choice('How the shoe is closed', { snug: 'snug', tight: 'tight over the ball' }, 'As the rider does it up; a finger should slide under the strap over the ball.'),
    heelCup: choice('Heel cup', { firm: 'firm', soft: 'soft' }, 'Press the back of the shoe together above the sole: holds, or gives.', { part: 'shoes' }),
    soleThickness: lengths('Sole thickness', 2, 60, 'ruler', 6, 'Outside of the sole under the ball to the insole’s underside.', { part: 'shoes', drawing: ['shoe', 'sole', 'arch'] }),
    slotAcross: lengths('Slot room sideways', 0, 25, 'ruler', 6, 'How far the cleat could slide across in all, from one end to the other.', { part: 'shoes', drawing: ['foot', 'inner', 'outer'] }),
    recess: choice('Recess', { recessed: 'recessed, walkable', flush: 'flush, cleat stands out' }, 'Whether the cleat sits inside the tread.', { part: 'shoes' }),
    shoeLength: lengths('Shoe inside length', 180, 370, 'ruler', 8, 'Insole out of the shoe: heel edge to toe edge along its middle.', { part: 'shoes', drawing: ['shoe', 'heel', 'toe'] }),
    shoeBallWidth: lengths('Shoe width at ball', 60, 150, 'ruler', 6, 'Insole’s breadth across both heads of the metatarsals; press the upper to feel whether it gives.', { part: 'shoes', drawing: ['foot', 'mtp1', 'mtp5'] }),
    shoeHeelWidth: lengths('Shoe width at heel', 40, 110, 'ruler', 6, 'Insole’s breadth where the heel is broadest.', { part: 'shoes', drawing: ['foot', 'heelIn', 'heelOut'] }),
    shoeHeelOutside: lengths('Shoe heel, outside', 45, 130, 'ruler', 6, 'Broadest part of the heel cup from the outside: what passes the crank.', { part: 'shoes', drawing: ['foot', 'heelIn', 'heelOut'] }),
    boltPattern: choice('Bolt pattern', { 'two bolts': 'two bolts', 'three bolts': 'three bolts', 'four bolts': 'four bolts', none: 'none' }, 'Threads in the sole.', { part: 'shoes' }),
  }),
  ...section('cleat', 'Cleat, by tape', {
    cleatSetback: lengths('Behind ball of foot', -30, 130, 'ruler', 15, 'Line the cleat’s axle mark up on the tape; measure from MTP1 back to it. Axle ahead of MTP1 is minus.', { inModel: true, plus: 'behind +', words: ['setback', 'behind'], drawing: ['shoe', 'mtp1', 'axle'], term: 'cleat-setback' }),
    slotForward: lengths('Slot room forward', 0, 45, 'ruler', 12, 'From where the cleat sits now, how far it could slide toward the toes.', { isRoom: true, carried: { cleatSetback: 1 }, roomOf: ['cleatSetback', 'less'], words: ['forward'], drawing: ['foot', 'axle', 'front'], term: 'cleat-setback' }),
    slotBack: lengths('Slot room back', 0, 80, 'ruler', 12, 'From where the cleat sits now, how far it could slide toward the heel.', { isRoom: true, carried: { cleatSetback: -1 }, roomOf: ['cleatSetback', 'more'], words: ['room'], drawing: ['foot', 'axle', 'back'], term: 'cleat-setback' }),
    cleatInboard: lengths('Cleat inboard', -15, 15, 'ruler', 6, 'Cleat’s middle from the middle of the shoe’s sole, toward the bike is plus: that moves the foot outward.', { inModel: true, plus: 'toward the bike +', estimate: usually(0, 4, 'middle of the shoe'), drawing: ['foot', 'inner', 'axle'], term: 'stance-width' }),
    cleatTurn: angles('Cleat turned', -20, 30, 'template', 10, 'Where the foot points when the cleat stands in the middle of its float: toes out is plus. Lay the template’s lines on the sole.', { plus: 'toes out +', words: ['turn'], drawing: ['foot', 'heel', 'straight', 'turned'], term: 'cleat-rotation' }),
    cleatTurnRoom: angles('Cleat turns in its slot, ±', 0, 30, 'template', 8, 'How far the cleat can be turned from straight on this sole, either way.', { part: 'shoes', term: 'cleat-rotation' }),
    cleatFloat: angles('Float', 0, 30, 'maker', 4, 'The whole angle the foot may swing before release begins; 0 = fixed. From the maker’s sheet for this cleat.', { part: 'pedals', words: ['float'], drawing: ['foot', 'axle', 'straight', 'turned'], term: 'float' }),
    archSupport: lengths('Arch support, height', 0, 25, 'ruler', 6, 'Footbed’s height under the arch above its height beside it; 0 = flat insole.', { estimate: usually(0, 4, 'flat insole'), part: 'footbeds', drawing: ['shoe', 'arch', 'sole'], term: 'arch-support' }),
    heelWedge: angles('Wedge under the heel', -6, 8, 'maker', 4, 'In the shoe, under the heel alone; inner side raised is plus.', { plus: 'inner side up +', estimate: usually(0, 1, 'usually none'), drawing: ['foot', 'heelIn', 'heelOut'], term: 'wedge' }),
    wedge: angles('Wedge under the foot', -6, 8, 'maker', 4, 'In the shoe or under the cleat; big-toe side raised is plus.', { plus: 'big-toe side up +', estimate: usually(0, 1, 'usually none'), words: ['wedge'], drawing: ['foot', 'mtp1', 'mtp5'], term: 'wedge' }),
    soleStack: lengths('Axle to foot sole', 3, 80, 'ruler', 8, 'Pedal-axle centre to the underside of the foot: pedal, cleat, sole and insole together.', { inModel: true, owner: 'bike', estimate: usually(24, 10, 'usual shoe and pedal'), words: ['sole'], drawing: ['shoe', 'axle', 'sole'], term: 'stack' }),
  }),
  ...section('cleat', 'Swing of the heel', {
    heelIn: angles('Heel swings in', 0, 25, 'photo', 6, 'From behind, pedalling on loose float: how far the heel goes toward the bike from where the foot points by nature.', { owner: 'rider', drawing: ['foot', 'axle', 'heel', 'heelIn'], term: 'float' }),
    heelOut: angles('Heel swings out', 0, 25, 'photo', 6, 'The same, away from the bike.', { owner: 'rider', drawing: ['foot', 'axle', 'heel', 'heelOut'], term: 'float' }),
  }),
  ...section('cleat', 'Wear and hardware', {
    cleatDistance: amount('Ridden on these cleats', 'distance', 0, 60000, 'told', 'Since they were new, as the rider tells.', { words: ['km'] }),
    cleatHours: amount('Hours on these cleats', 'hours', 0, 5000, 'told', 'Where the distance is not known.'),
    cleatWalking: choice('Walking on them', { hardly: 'hardly', some: 'some', much: 'much' }, 'Steps on hard ground wear a cleat more than riding does.'),
    cleatWear: choices('Wear mark', { fresh: 'fresh', worn: 'worn', 'at-mark': 'at the mark' }, 'Look at the edge that enters first and at the maker’s mark.'),
    cleatPlay: choices('Toggle by hand', { none: 'none', little: 'a little', much: 'much' }, 'Foot in the pedal, heel held: rock the foot sideways.'),
    releaseFeel: choices('Release', { clean: 'clean', vague: 'vague', hard: 'hard' }, 'Ten times each foot, rider held on the trainer.'),
    boltsFitted: choices('Bolts fitted', { one: '1', two: '2', three: '3', four: '4' }, 'Count them; a missing or loose one means the foot will not release.'),
    boltLength: length('Bolt under its head', 4, 30, 'calliper', 'Underside of the head to the tip. The longest, where they differ.', { drawing: ['shoe', 'axle', 'sole'] }),
    cleatPlate: length('Cleat under the bolt', 1, 15, 'calliper', 'What the bolt passes before it reaches the sole: cleat, washer and wedge.', { drawing: ['shoe', 'axle', 'ball'] }),
    boltDepth: length('Depth behind the hole', 3, 40, 'calliper', 'From the sole’s outside through the hole to the insole’s underside.', { drawing: ['shoe', 'ball', 'sole'] }),
    boltTorque: amount('Maker’s torque', 'torque', 0.5, 20, 'maker', 'From the maker’s sheet for this cleat and this shoe.'),
  }),
} as const // prettier-ignore
