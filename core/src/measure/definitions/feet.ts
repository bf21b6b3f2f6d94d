import { choice, lengths, section } from './definition.ts'

/** Shoe and cleat, by the tape method. */
export const footReadings = {
  ...section('shoe', 'Shoe', {
    shoeSize: { label: 'Shoe size', sided: true, dimension: 'shoe-size', min: 30, max: 55, method: 'maker', pairLimit: 1, how: 'EU size on the shoe’s label.' },
    heelToMtp1: lengths('Heel to ball (MTP1)', 120, 280, 'ruler', 10, 'Shoe on, foot flat: heel of the shoe’s inside to the first metatarsal head, marked on light tape along the inner edge.'),
    heelToMtp5: lengths('Heel to MTP5', 100, 260, 'ruler', 10, 'As for MTP1, to the fifth metatarsal head, marked on the outer edge.'),
    soleStiffness: choice('Sole', ['soft', 'medium', 'stiff'], 'Bend the shoe by hand at the ball: folds, gives, or holds.'),
    shoeUpper: choice('Upper', ['soft or knitted', 'firm', 'mouldable'], 'A soft or knitted upper gives a footbed nothing to rest on.'),
    soleThickness: lengths('Sole thickness', 2, 60, 'ruler', 6, 'Outside of the sole under the ball to the insole’s underside.'),
    slotAcross: lengths('Slot room sideways', 0, 25, 'ruler', 6, 'How far the cleat could slide across in all, from one end to the other.'),
    recess: choice('Recess', ['recessed, walkable', 'flush, cleat stands out'], 'Whether the cleat sits inside the tread.'),
    boltPattern: choice('Bolt pattern', ['two bolts', 'three bolts', 'four bolts', 'none'], 'Threads in the sole.'),
  }),
  ...section('cleat', 'Cleat, by tape', {
    cleatSetback: lengths('Behind ball of foot', -30, 130, 'ruler', 15, 'Line the cleat’s axle mark up on the tape; measure from MTP1 back to it. Axle ahead of MTP1 is minus.'),
    slotForward: lengths('Slot room forward', 0, 45, 'ruler', 12, 'From where the cleat sits now, how far it could slide toward the toes.'),
    slotBack: lengths('Slot room back', 0, 80, 'ruler', 12, 'From where the cleat sits now, how far it could slide toward the heel.'),
    cleatInboard: lengths('Cleat inboard', -15, 15, 'ruler', 6, 'Cleat’s middle from the middle of the shoe’s sole, toward the bike is plus: that moves the foot outward.'),
    soleStack: lengths('Axle to foot sole', 3, 80, 'ruler', 8, 'Pedal-axle centre to the underside of the foot: pedal, cleat, sole and insole together.'),
  }),
} as const // prettier-ignore
