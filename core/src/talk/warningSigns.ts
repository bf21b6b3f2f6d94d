import { itemAt } from '../kernel/dense.ts'
import { rowKeys } from '../kernel/tables.ts'
import type { ControlSymptomKey } from './controlSymptoms.ts'
import { isWithin } from './regions.ts'
import type { BodyRegionKey, ComplaintKind } from './regions.ts'

/** How soon somebody must look at it. */
export const urgencies = { emergency: 'Emergency, today', soon: 'Before the next ride' } as const
export type Urgency = keyof typeof urgencies
const soon = { urgency: 'soon', act: 'See a clinician before the next ride.' } as const

/** A sign that a fit must not treat; asked with the complaints it belongs to. */
export interface WarningSign {
  readonly key: string
  readonly question: string
  readonly urgency: Urgency
  /** what the rider is told to do */
  readonly act: string
  /** regions it is asked for; null = all */
  readonly regions: readonly BodyRegionKey[] | null
  readonly kinds: readonly ComplaintKind[]
  /** symptoms without a place that it is asked for as well */
  readonly controls?: readonly ControlSymptomKey[]
}

/** Where a saddle's own warning signs are asked for. */
export const saddleArea: readonly BodyRegionKey[] = ['groin', 'sit-bone', 'low-back']
const limbs = ['thigh-front', 'hamstring', 'shin', 'calf', 'achilles', 'forearm', 'forefoot', 'heel'] as const

/** Stop-and-refer signs. @source common-practice */
export const warningSigns = [
  {
    key: 'bladder-bowel',
    question: 'Any change of bladder or bowel, or weakness in both legs?',
    urgency: 'emergency',
    act: 'To an emergency department now: nerves low in the back may be pressed, and hours count. Not by bike, and not alone.',
    regions: saddleArea,
    kinds: ['numb', 'pain', 'rubs'],
    controls: ['leg-disconnected'],
  },
  { key: 'lasting-numbness', question: 'Does the numbness last more than a day off the bike?', ...soon, regions: null, kinds: ['numb'] },
  {
    key: 'lost-strength',
    question: 'Any loss of strength, sudden or new?',
    urgency: 'emergency',
    act: 'To a doctor today. If it came suddenly, is on one side of the body, or face or speech have changed: call the emergency number.',
    regions: null,
    kinds: ['numb', 'pain', 'slips', 'tired'],
    controls: ['leg-disconnected', 'weak-braking', 'missed-shift'],
  },
  {
    key: 'chest-faint',
    question: 'Any chest pain or faintness?',
    urgency: 'emergency',
    act: 'Stop and rest. If it is there now, or comes back: call the emergency number. Otherwise to a doctor today, and no effort until then.',
    regions: ['chest', 'stomach', 'shoulder', 'upper-arm', 'upper-back', 'neck', 'head'],
    kinds: ['pain', 'numb', 'tired'],
    controls: ['cramp-after'],
  },
  {
    key: 'night-pain',
    question: 'Pain at night, or weight lost without reason?',
    ...soon,
    regions: null,
    kinds: ['pain'],
    controls: ['cramp-after'],
  },
  {
    key: 'hot-swollen',
    question: 'Is the calf or joint hot and swollen?',
    urgency: 'emergency',
    act: 'To a doctor today: it may be a clot or an infection. No riding, no massage. With chest pain or short breath: call the emergency number.',
    regions: ['calf', 'achilles', 'shin', 'knee-front', 'knee-inner', 'knee-outer', 'knee-back', 'hip', 'heel', 'forefoot'],
    kinds: ['pain'],
  },
  { key: 'fall', question: 'Did it begin with a fall?', ...soon, regions: null, kinds: ['pain', 'numb'] },
  {
    key: 'sores',
    question: 'Open sores or signs of infection?',
    ...soon,
    regions: ['groin', 'sit-bone', 'thigh-inner'],
    kinds: ['pain', 'numb', 'rubs'],
  },
  {
    key: 'tight-leg',
    question: 'Severe pain with a pressure in the limb that becomes tight and stays?',
    urgency: 'emergency',
    act: 'To an emergency department now: pressure that stays can cut off the blood in the limb. Nothing tight round it, and do not raise it.',
    regions: limbs,
    kinds: ['pain', 'numb', 'tired'],
  },
] as const satisfies readonly WarningSign[]

export type WarningSignKey = (typeof warningSigns)[number]['key']
export const warningSignKeys = rowKeys<WarningSignKey>(warningSigns)

/** What a warning sign is answered by. */
export const warningAnswerWords = { no: 'No', yes: 'Yes', cleared: 'Seen by clinician' } as const

/** Wherever something is more than a fitter's. */
export const referToClinician =
  'Ask the rider to see a clinician before anything is changed. This tool advises on equipment and does not diagnose.'

/** Shown wherever a positive sign stands. */
export const stopAndRefer = `Stop and refer. A warning sign is positive: this is not for a fitting to treat. ${referToClinician}`

/** Signs by key. */
export function warningSign(key: WarningSignKey): WarningSign {
  return itemAt(warningSigns, warningSignKeys.indexOf(key))
}

/** The signs to ask for a complaint; at a place of the body none until somebody has said what it is like. */
export function warningSignsFor({
  places,
  control,
  kind,
}: {
  readonly places: readonly { readonly region: BodyRegionKey }[]
  readonly control: ControlSymptomKey | null
  readonly kind: ComplaintKind | null
}): readonly (WarningSign & { key: WarningSignKey })[] {
  return warningSigns.filter(({ regions, kinds, controls }: WarningSign) => {
    if (control !== null && controls?.includes(control)) return true
    if (kind === null || !kinds.includes(kind) || places.length === 0) return false
    return regions === null || places.some(({ region }) => isWithin(region, regions))
  })
}
