import { keysOf, rowKeys } from '../kernel/tables.ts'

/** Drawings of the body on which a place is pointed at, with what is written over them. */
export const bodyViews = {
  front: { label: 'front' },
  back: { label: 'back' },
  palm: { label: 'own palms' },
  sole: { label: 'feet from above' },
} as const satisfies Readonly<Record<string, { readonly label: string }>>
export type BodyView = keyof typeof bodyViews
export const bodyViewKeys = keysOf(bodyViews)

/** Where on the body a complaint can sit; `view` says on which drawing it is pointed at. */
export interface BodyRegion {
  readonly key: string
  readonly label: string
  readonly view: BodyView
  readonly sided: boolean
  /** the larger place that it is part of: what holds for that holds for it */
  readonly within?: string
}

/** Regions of the body map, each drawing from top to bottom. */
export const bodyRegions = [
  { key: 'head', label: 'Head', view: 'front', sided: false },
  { key: 'chest', label: 'Chest', view: 'front', sided: false },
  { key: 'stomach', label: 'Stomach', view: 'front', sided: false },
  { key: 'shoulder', label: 'Shoulder', view: 'front', sided: true },
  { key: 'upper-arm', label: 'Upper arm', view: 'front', sided: true },
  { key: 'forearm', label: 'Forearm', view: 'front', sided: true },
  { key: 'wrist', label: 'Wrist', view: 'front', sided: true },
  { key: 'hand-thumb', label: 'Thumb side of hand', view: 'front', sided: true },
  { key: 'hand-little', label: 'Little-finger side of hand', view: 'front', sided: true },
  { key: 'groin', label: 'Saddle area', view: 'front', sided: false },
  { key: 'hip', label: 'Hip', view: 'front', sided: true },
  { key: 'thigh-inner', label: 'Inner thigh', view: 'front', sided: true },
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
  { key: 'middle-finger', label: 'Middle finger', view: 'palm', sided: true, within: 'hand-thumb' },
  { key: 'index-finger', label: 'Index finger', view: 'palm', sided: true, within: 'hand-thumb' },
  { key: 'ring-finger', label: 'Ring finger', view: 'palm', sided: true, within: 'hand-little' },
  { key: 'little-finger', label: 'Little finger', view: 'palm', sided: true, within: 'hand-little' },
  { key: 'thumb', label: 'Thumb', view: 'palm', sided: true, within: 'hand-thumb' },
  { key: 'palm-thumb', label: 'Ball of the thumb', view: 'palm', sided: true, within: 'hand-thumb' },
  { key: 'palm-little', label: 'Palm, little-finger side', view: 'palm', sided: true, within: 'hand-little' },
  { key: 'big-toe', label: 'Big toe', view: 'sole', sided: true, within: 'forefoot' },
  { key: 'small-toes', label: 'Small toes', view: 'sole', sided: true, within: 'forefoot' },
  { key: 'ball-inner', label: 'Ball of foot, big-toe side', view: 'sole', sided: true, within: 'forefoot' },
  { key: 'ball-outer', label: 'Ball of foot, little-toe side', view: 'sole', sided: true, within: 'forefoot' },
  { key: 'arch', label: 'Arch', view: 'sole', sided: true, within: 'heel' },
  { key: 'heel-sole', label: 'Underside of heel', view: 'sole', sided: true, within: 'heel' },
] as const satisfies readonly BodyRegion[]

export type BodyRegionKey = (typeof bodyRegions)[number]['key']
export const bodyRegionKeys = rowKeys<BodyRegionKey>(bodyRegions)

export function bodyRegion(key: BodyRegionKey): BodyRegion {
  return bodyRegions.find((region) => region.key === key) ?? bodyRegions[0]
}

/** Whether a place is one of these, or part of one. */
export function isWithin(key: BodyRegionKey, regions: readonly BodyRegionKey[]): boolean {
  const { within } = bodyRegion(key)
  return regions.some((region) => region === key || region === within)
}

/** What a complaint is like; `control` has a list of its own and is not among the answers for a place. */
export const complaintKinds = {
  pain: 'Pain',
  numb: 'Numb',
  tired: 'Tired',
  rubs: 'Rubs',
  slips: 'Slips',
  control: 'Control',
} as const
export type ComplaintKind = keyof typeof complaintKinds
export const complaintKindKeys = keysOf(complaintKinds)
/** Kinds a place of the body can have. */
export const bodyKinds = complaintKindKeys.filter((kind) => kind !== 'control')

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
export const rideSituationKeys = keysOf(rideSituations)
