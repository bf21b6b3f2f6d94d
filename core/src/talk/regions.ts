/** Where on the body a complaint can sit; `view` says on which drawing it is pointed at. */
export interface BodyRegion {
  readonly key: string
  readonly label: string
  readonly view: 'front' | 'back'
  readonly sided: boolean
}

/** Regions of the body map, top to bottom. */
export const bodyRegions = [
  { key: 'head', label: 'Head', view: 'front', sided: false },
  { key: 'chest', label: 'Chest', view: 'front', sided: false },
  { key: 'stomach', label: 'Stomach', view: 'front', sided: false },
  { key: 'shoulder', label: 'Shoulder', view: 'front', sided: true },
  { key: 'upper-arm', label: 'Upper arm', view: 'front', sided: true },
  { key: 'forearm', label: 'Forearm', view: 'front', sided: true },
  { key: 'hand-thumb', label: 'Thumb side of hand', view: 'front', sided: true },
  { key: 'hand-little', label: 'Little-finger side of hand', view: 'front', sided: true },
  { key: 'groin', label: 'Saddle area', view: 'front', sided: false },
  { key: 'hip', label: 'Hip', view: 'front', sided: true },
  { key: 'thigh-front', label: 'Front of thigh', view: 'front', sided: true },
  { key: 'knee-front', label: 'Front of knee', view: 'front', sided: true },
  { key: 'knee-inner', label: 'Inner knee', view: 'front', sided: true },
  { key: 'knee-outer', label: 'Outer knee', view: 'front', sided: true },
  { key: 'shin', label: 'Shin', view: 'front', sided: true },
  { key: 'forefoot', label: 'Toes and ball of foot', view: 'front', sided: true },
  { key: 'neck', label: 'Neck', view: 'back', sided: false },
  { key: 'upper-back', label: 'Upper back', view: 'back', sided: false },
  { key: 'low-back', label: 'Low back', view: 'back', sided: false },
  { key: 'sit-bone', label: 'Sit bone', view: 'back', sided: true },
  { key: 'hamstring', label: 'Back of thigh', view: 'back', sided: true },
  { key: 'knee-back', label: 'Back of knee', view: 'back', sided: true },
  { key: 'calf', label: 'Calf', view: 'back', sided: true },
  { key: 'achilles', label: 'Achilles tendon', view: 'back', sided: true },
  { key: 'heel', label: 'Heel and arch', view: 'back', sided: true },
] as const satisfies readonly BodyRegion[]

export type BodyRegionKey = (typeof bodyRegions)[number]['key']
export const bodyRegionKeys = bodyRegions.map((region) => region.key) as [BodyRegionKey, ...BodyRegionKey[]]

export function bodyRegion(key: BodyRegionKey): BodyRegion {
  return bodyRegions.find((region) => region.key === key) ?? bodyRegions[0]
}

export const complaintKinds = {
  pain: 'Pain',
  numb: 'Numb',
  slips: 'Slips',
  control: 'Control',
} as const
export type ComplaintKind = keyof typeof complaintKinds
export const complaintKindKeys = Object.keys(complaintKinds) as [ComplaintKind, ...ComplaintKind[]]

/** Where on a ride it shows. */
export const rideSituations = {
  anywhere: 'Anywhere',
  'flat-steady': 'Flat, steady',
  'hard-effort': 'Hard effort',
  climbing: 'Climbing seated',
  standing: 'Standing',
  descending: 'Descending',
  turns: 'In turns',
  low: 'Hands low',
  'getting-in-out': 'In and out of pedals',
  after: 'After the ride',
} as const
export type RideSituation = keyof typeof rideSituations
export const rideSituationKeys = Object.keys(rideSituations) as [RideSituation, ...RideSituation[]]
