import type { Unit } from '../quantity/quantity.ts'
import type { MethodKey, ReadingDimension } from './methods.ts'

/** One reading a fitter can take: where it belongs, what it may be, how it is taken. */
export interface ReadingDefinition {
  readonly label: string
  /** which part of which station lists it */
  readonly group: 'body' | 'bike' | 'on-bike' | 'shoe' | 'cleat'
  /** left and right apart, or one value for the rider or bike */
  readonly sided: boolean
  readonly dimension: ReadingDimension
  /** allowed range in the held unit */
  readonly min: number
  readonly max: number
  readonly method: MethodKey
  /** a left–right difference above this is asked about, never refused; held unit */
  readonly pairLimit?: number
  readonly how: string
}

/** Every reading of the product, in the order a tape goes. Ranges are wide: they refuse slips, not people. */
export const readingDefinitions = {
  stature: {
    label: 'Stature',
    group: 'body',
    sided: false,
    dimension: 'length',
    min: 1200,
    max: 2300,
    method: 'tape',
    how: 'Barefoot against a wall, a book level on the head.',
  },
  inseam: {
    label: 'Inseam',
    group: 'body',
    sided: false,
    dimension: 'length',
    min: 500,
    max: 1150,
    method: 'tape',
    how: 'Barefoot, back to the wall, a book pulled up firmly as a saddle would press; floor to the book’s top edge.',
  },
  thigh: {
    label: 'Thigh',
    group: 'body',
    sided: true,
    dimension: 'length',
    min: 250,
    max: 600,
    method: 'tape',
    pairLimit: 20,
    how: 'Bony point at the side of the hip (trochanter) to the middle of the knee joint, from the side.',
  },
  shank: {
    label: 'Shank',
    group: 'body',
    sided: true,
    dimension: 'length',
    min: 250,
    max: 600,
    method: 'tape',
    pairLimit: 20,
    how: 'Middle of the knee joint to the outer ankle bone (malleolus).',
  },
  footLength: {
    label: 'Foot length',
    group: 'body',
    sided: true,
    dimension: 'length',
    min: 180,
    max: 350,
    method: 'ruler',
    pairLimit: 12,
    how: 'Standing, heel to the longest toe.',
  },
  saddleHeight: {
    label: 'Saddle height',
    group: 'bike',
    sided: false,
    dimension: 'length',
    min: 350,
    max: 1000,
    method: 'tape',
    how: 'Bottom-bracket centre along the seat tube to the saddle’s top. Dropper up.',
  },
  seatAngle: {
    label: 'Seat angle',
    group: 'bike',
    sided: false,
    dimension: 'angle',
    min: 60,
    max: 85,
    method: 'level',
    how: 'Line from bottom bracket to where the rider sits, above horizontal.',
  },
  crank: {
    label: 'Crank length',
    group: 'bike',
    sided: false,
    dimension: 'length',
    min: 100,
    max: 220,
    method: 'maker',
    how: 'Stamped on the inside of the crank arm; or axle centre to axle centre.',
  },
  footPitch: {
    label: 'Foot pitch at bottom',
    group: 'on-bike',
    sided: true,
    dimension: 'angle',
    min: -30,
    max: 60,
    method: 'goniometer',
    pairLimit: 12,
    how: 'Pedalling steadily, sole against horizontal at the bottom of the stroke; heel up is plus.',
  },
  shoeSize: {
    label: 'Shoe size',
    group: 'shoe',
    sided: true,
    dimension: 'shoe-size',
    min: 30,
    max: 55,
    method: 'maker',
    pairLimit: 1,
    how: 'EU size on the shoe’s label.',
  },
  heelToMtp1: {
    label: 'Heel to ball (MTP1)',
    group: 'shoe',
    sided: true,
    dimension: 'length',
    min: 120,
    max: 280,
    method: 'ruler',
    pairLimit: 10,
    how: 'Shoe on, foot flat: heel of the shoe’s inside to the first metatarsal head, marked on light tape along the inner edge.',
  },
  heelToMtp5: {
    label: 'Heel to MTP5',
    group: 'shoe',
    sided: true,
    dimension: 'length',
    min: 100,
    max: 260,
    method: 'ruler',
    pairLimit: 10,
    how: 'As for MTP1, to the fifth metatarsal head, marked on the outer edge.',
  },
  cleatSetback: {
    label: 'Behind ball of foot',
    group: 'cleat',
    sided: true,
    dimension: 'length',
    min: -30,
    max: 130,
    method: 'ruler',
    pairLimit: 15,
    how: 'Line the cleat’s axle mark up on the tape; measure from MTP1 back to it. Axle ahead of MTP1 is minus.',
  },
  slotForward: {
    label: 'Slot room forward',
    group: 'cleat',
    sided: true,
    dimension: 'length',
    min: 0,
    max: 45,
    method: 'ruler',
    pairLimit: 12,
    how: 'From where the cleat sits now, how far it could slide toward the toes.',
  },
  slotBack: {
    label: 'Slot room back',
    group: 'cleat',
    sided: true,
    dimension: 'length',
    min: 0,
    max: 80,
    method: 'ruler',
    pairLimit: 12,
    how: 'From where the cleat sits now, how far it could slide toward the heel.',
  },
  soleStack: {
    label: 'Axle to foot sole',
    group: 'cleat',
    sided: true,
    dimension: 'length',
    min: 3,
    max: 80,
    method: 'ruler',
    pairLimit: 8,
    how: 'Pedal-axle centre to the underside of the foot: pedal, cleat, sole and insole together.',
  },
} as const satisfies Readonly<Record<string, ReadingDefinition>>

export type ReadingKey = keyof typeof readingDefinitions
export const readingKeys = Object.keys(readingDefinitions) as [ReadingKey, ...ReadingKey[]]

/** A row of the table, with its optional parts. */
export function definitionOf(key: ReadingKey): ReadingDefinition {
  return readingDefinitions[key]
}

/** The unit a reading is held in. */
export function unitOf(key: ReadingKey): Unit {
  return ({ length: 'mm', angle: 'deg', 'shoe-size': 'EU' } as const)[definitionOf(key).dimension]
}
