import type { Finding } from '../../../kernel/finding.ts'
import type { StationPage } from '../../../station/station.ts'

interface Parts {
  readonly wear: readonly Finding[]
  readonly bolts: readonly Finding[]
}

export const wearPage = {
  label: 'Wear, bolts',
  tells: 'When the cleats are due, and whether the bolts bite without reaching the foot.',
  picture: 'fore-aft',
  readings: [
    'cleatDistance',
    'cleatHours',
    'cleatWalking',
    'cleatWear',
    'cleatPlay',
    'releaseFeel',
    'boltPattern',
    'boltsFitted',
    'boltLength',
    'cleatPlate',
    'boltDepth',
    'boltTorque',
  ],
  fields: [],
  judge: ({ wear, bolts }) => ({ findings: [...wear, ...bolts] }),
} as const satisfies StationPage<Parts, string>
