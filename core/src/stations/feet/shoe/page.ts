import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import type { StationPage } from '../../../station/station.ts'
import type { Finding } from '../../../kernel/finding.ts'
import type { Sided } from '../../../kernel/sided.ts'
import { shoeRoom } from './judge.ts'
import type { ShoeReadings } from './judge.ts'

interface Parts {
  readonly shoe: readonly Finding[]
  readonly shoes: Sided<ShoeReadings>
}

/** How much a shoe has over its foot. */
export const shoeNumbers = {
  shoeLength: {
    label: 'Shoe longer than the foot by',
    unit: 'mm',
    sided: true,
    readings: readFrom('footLength', 'shoeLength'),
    at: ({ shoes }, side) => shoeRoom(shoes[side]).length,
  },
  shoeWidth: {
    label: 'Shoe wider than the foot at the ball by',
    unit: 'mm',
    sided: true,
    readings: readFrom('footWidth', 'shoeBallWidth'),
    at: ({ shoes }, side) => shoeRoom(shoes[side]).ballWidth,
  },
  shoeHeel: {
    label: 'Shoe wider than the heel by',
    unit: 'mm',
    sided: true,
    readings: readFrom('heelWidth', 'shoeHeelWidth'),
    at: ({ shoes }, side) => shoeRoom(shoes[side]).heelWidth,
  },
} as const satisfies NumberRows<Parts>

export const shoePage = {
  label: 'Shoe',
  tells: 'Whether the shoe fits the loaded foot in length and width, and holds the heel: no cleat mends a shoe that does not.',
  picture: 'shoe',
  readings: [
    'footLength',
    'shoeLength',
    'footWidth',
    'shoeBallWidth',
    'heelWidth',
    'shoeHeelWidth',
    'soleStiffness',
    'shoeUpper',
    'shoeSize',
    'boltPattern',
    'recess',
    'soleThickness',
    'archDrop',
  ],
  fields: [],
  numbers: shoeNumbers,
  judge: ({ shoe }) => ({ findings: shoe }),
} as const satisfies StationPage<Parts, string>
