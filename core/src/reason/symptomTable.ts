import type { ControlSymptomKey } from '../talk/controlSymptoms.ts'
import type { BodyRegionKey, ComplaintKind, RideSituation } from '../talk/regions.ts'
import type { RidingKind, ridingAims, injuryPlaces } from '../talk/riding.ts'
import type { ChangedKey } from '../talk/history.ts'
import type { CauseKey } from './causeTable.ts'
import { keysOf } from '../kernel/tables.ts'

/** What makes a cause more or less likely before anything is read: an odds factor from 0.5 to 2. */
export interface Modifier {
  readonly cause: CauseKey
  readonly factor: number
  /** said with it */
  readonly says: string
  readonly situation?: readonly RideSituation[]
  /** minutes until it starts: at least, at most */
  readonly from?: number
  readonly upTo?: number
  readonly changed?: readonly ChangedKey[]
  readonly kinds?: readonly ComplaintKind[]
  readonly regions?: readonly BodyRegionKey[]
  /** told of the riding */
  readonly rides?: readonly RidingKind[]
  readonly aims?: readonly (keyof typeof ridingAims)[]
  readonly clipIn?: readonly string[]
  readonly injury?: keyof typeof injuryPlaces
  /** the symptom is on one side alone, or on both */
  readonly sides?: 'one' | 'both'
}

/** A symptom a rider comes with: what it is, and what commonly causes it, most usual first. */
export interface SymptomRow {
  readonly label: string
  /** as a question: "Why do the forearms tire?" */
  readonly why: string
  /** asked instead, where the complaint is of this kind, or is this about the bike */
  readonly whyIf?: Readonly<Partial<Record<ComplaintKind | ControlSymptomKey, string>>>
  /** at these places of the body, or parts of them; in the order of the table the first that fits counts */
  readonly regions?: readonly BodyRegionKey[]
  readonly kinds?: readonly ComplaintKind[]
  readonly situations?: readonly RideSituation[]
  /** on one side alone */
  readonly oneSided?: true
  /** or one of these, which have no place */
  readonly controls?: readonly ControlSymptomKey[]
  readonly causes: readonly CauseKey[]
  readonly modifiers?: readonly Modifier[]
  /** what to look at that no setting here answers */
  readonly look?: string
}

const hurts = ['pain', 'numb', 'tired'] as const
const cycled = { factor: 1.6, situation: ['climbing', 'hard-effort'] } as const

/** Symptoms by the trade's experience. @source common-practice */
export const symptoms = {
  'clip-in-out': {
    label: 'Hard to get in or out of the pedals',
    why: 'Why is it hard to get in or out?',
    controls: ['clipping'],
    situations: ['getting-in-out'],
    causes: ['tension', 'pedal-system', 'worn-cleat', 'loose-bolts'],
    modifiers: [{ cause: 'pedal-system', factor: 1.8, clipIn: ['never', 'uneasy'], says: 'Not used to clip-in pedals.' }, { cause: 'tension', factor: 1.5, changed: ['pedals', 'shoes-cleats'], says: 'Began with new pedals, shoes or cleats.' }],
  },
  'little-fingers': {
    label: 'Little and ring finger',
    why: 'Why do the little fingers go numb?',
    whyIf: { pain: 'Why do the little fingers hurt?', tired: 'Why do the little fingers tire?' },
    regions: ['hand-little'],
    kinds: hurts,
    causes: ['nose-down', 'reach-long', 'bar-wide', 'hoods-low', 'saddle-forward', 'grip-thick'],
    modifiers: [{ cause: 'hoods-low', factor: 1.4, situation: ['flat-steady'], says: 'Shows where the hands lie on the hoods.' }, { cause: 'nose-down', factor: 1.5, changed: ['saddle', 'position'], says: 'Began after the saddle was changed.' }, { cause: 'bar-wide', factor: 1.5, changed: ['bar-controls'], says: 'Began with another bar.' }],
  },
  'thumb-fingers': {
    label: 'Thumb to middle finger',
    why: 'Why do the thumb and first fingers go numb?',
    whyIf: { pain: 'Why do the thumb and first fingers hurt?', tired: 'Why do the thumb and first fingers tire?' },
    regions: ['hand-thumb', 'wrist'],
    kinds: hurts,
    causes: ['wrist-back', 'wrist-forward', 'front-low', 'grip-thick', 'sweep-off', 'nose-down'],
    modifiers: [{ cause: 'wrist-forward', factor: 1.5, situation: ['descending'], says: 'Shows on descents.' }, { cause: 'wrist-back', factor: 1.4, changed: ['bar-controls'], says: 'Began with other levers, grips or bar.' }, { cause: 'front-low', factor: 1.4, situation: ['low', 'hard-effort'], says: 'Shows with the hands low or pushing hard.' }],
  },
  'forearms-tire': {
    label: 'Forearms tire',
    why: 'Why do the forearms tire?',
    whyIf: { pain: 'Why do the forearms hurt?', numb: 'Why do the forearms go numb?' },
    regions: ['forearm'],
    causes: ['lever-far', 'two-fingers', 'grip-thick', 'grip-thin', 'wrist-forward', 'tyres-hard'],
    modifiers: [{ cause: 'wrist-forward', factor: 1.6, situation: ['descending'], says: 'Shows on descents: the thumb holds the rider up.' }, { cause: 'lever-far', factor: 1.3, situation: ['descending'], says: 'Shows on descents, braking.' }, { cause: 'tyres-hard', factor: 1.4, rides: ['trail', 'downhill', 'gravel'], says: 'Rides rough ground.' }],
    look: 'A forearm that tires on the flat, without braking, is seldom caused by the bike: look at strength, training and how hard the bar is held.',
  },
  'neck-shoulders': {
    label: 'Neck and shoulders',
    why: 'Why do neck and shoulders hurt?',
    regions: ['neck', 'shoulder', 'upper-back', 'upper-arm', 'head'],
    kinds: hurts,
    causes: ['reach-long', 'front-low', 'bar-wide', 'hoods-low', 'front-high', 'nose-down'],
    modifiers: [{ cause: 'front-low', factor: 1.6, situation: ['low', 'flat-steady'], says: 'Shows when riding low for long.' }, { cause: 'front-low', factor: 1.4, rides: ['time-trial'], says: 'Rides low positions.' }, { cause: 'nose-down', factor: 1.4, changed: ['saddle'], says: 'Began with another saddle.' }, { cause: 'bar-wide', factor: 1.4, changed: ['bar-controls'], says: 'Began with another bar.' }],
  },
  'low-back': {
    label: 'Low back',
    why: 'Why does the low back hurt?',
    regions: ['low-back'],
    kinds: hurts,
    causes: ['nose-up', 'reach-long', 'saddle-high', 'front-low', 'leg-length'],
    modifiers: [{ cause: 'nose-up', ...cycled, says: 'Shows on climbs and hard efforts.' }, { cause: 'front-low', factor: 1.4, situation: ['low'], says: 'Shows with the hands low.' }, { cause: 'leg-length', factor: 1.4, changed: ['injury'], says: 'Began with an injury.' }],
  },
  'soft-tissue': {
    label: 'Saddle area',
    why: 'Why is the saddle area numb or sore?',
    regions: ['groin'],
    kinds: ['pain', 'numb'],
    causes: ['nose-up', 'saddle-narrow', 'no-relief', 'saddle-high', 'reach-long', 'never-moves'],
    modifiers: [{ cause: 'never-moves', factor: 1.5, situation: ['flat-steady'], says: 'Shows on steady riding, where nobody stands up.' }, { cause: 'never-moves', factor: 1.5, rides: ['indoor'], says: 'Rides indoors, where nothing makes the rider stand.' }, { cause: 'no-relief', factor: 1.5, situation: ['low'], says: 'Shows with the hands low.' }, { cause: 'saddle-narrow', factor: 1.5, changed: ['saddle'], says: 'Began with another saddle.' }, { cause: 'nose-up', factor: 1.4, situation: ['climbing'], says: 'Shows on climbs.' }],
  },
  'one-sit-bone': {
    label: 'One sit bone',
    why: 'Why does one sit bone hurt?',
    regions: ['sit-bone'],
    kinds: ['pain', 'numb', 'rubs'],
    oneSided: true,
    causes: ['leg-length', 'sits-rotated', 'cleats-apart', 'saddle-worn'],
    modifiers: [{ cause: 'cleats-apart', factor: 1.6, changed: ['shoes-cleats', 'pedals'], says: 'Began with shoes, cleats or pedals.' }, { cause: 'saddle-worn', factor: 1.4, changed: ['nothing'], says: 'Nothing was changed: wear comes by itself.' }],
  },
  'sit-bones': {
    label: 'Sit bones',
    why: 'Why do the sit bones hurt?',
    regions: ['sit-bone'],
    kinds: ['pain', 'numb'],
    causes: ['saddle-narrow', 'saddle-wide', 'saddle-high', 'saddle-worn', 'never-moves'],
    modifiers: [{ cause: 'saddle-narrow', factor: 1.4, changed: ['saddle'], says: 'Began with another saddle.' }],
  },
  'chafing': {
    label: 'Rubs or rocks on the saddle',
    why: 'Why does it rub?',
    whyIf: { rocks: 'Why does the rider rock on the saddle?', pain: 'Why does it hurt where the saddle rubs?' },
    regions: ['groin', 'sit-bone', 'thigh-inner'],
    kinds: ['rubs', 'pain'],
    controls: ['rocks'],
    causes: ['saddle-high', 'saddle-wide', 'leg-length', 'rubs-under-load', 'front-low'],
    modifiers: [{ cause: 'saddle-wide', factor: 1.5, changed: ['saddle'], says: 'Began with another saddle.' }, { cause: 'saddle-high', factor: 1.5, changed: ['position'], says: 'Began after the position was changed.' }, { cause: 'leg-length', factor: 1.3, sides: 'one', says: 'On one side only.' }],
  },
  'pushes-back': {
    label: 'Keeps pushing back',
    why: 'Why does the rider push back?',
    controls: ['slides-back'],
    causes: ['saddle-narrow', 'reach-short', 'nose-up'],
    modifiers: [{ cause: 'saddle-narrow', factor: 1.5, changed: ['saddle'], says: 'Began with another saddle.' }],
  },
  'slides-forward': {
    label: 'Slides forward',
    why: 'Why does the rider slide forward?',
    controls: ['slides-forward'],
    regions: ['groin'],
    kinds: ['slips'],
    causes: ['nose-down', 'reach-long', 'rubs-under-load', 'saddle-back'],
    modifiers: [{ cause: 'rubs-under-load', factor: 1.4, situation: ['hard-effort'], says: 'Shows at hard effort.' }, { cause: 'reach-long', factor: 1.3, situation: ['hard-effort'], says: 'Shows at hard effort.' }, { cause: 'saddle-back', factor: 1.4, situation: ['climbing'], says: 'Shows on climbs.' }],
  },
  'slips-about': {
    label: 'Slips on the saddle',
    why: 'Why does the rider slip on the saddle?',
    regions: ['sit-bone'],
    kinds: ['slips'],
    causes: ['nose-down', 'saddle-narrow', 'nose-up', 'sits-rotated', 'reach-long'],
    modifiers: [{ cause: 'saddle-narrow', factor: 1.5, changed: ['saddle'], says: 'Began with another saddle.' }, { cause: 'sits-rotated', factor: 1.4, sides: 'one', says: 'On one side only.' }],
  },
  'knee-front': {
    label: 'Front of knee',
    why: 'Why does the front of the knee hurt?',
    regions: ['knee-front', 'thigh-front'],
    kinds: hurts,
    causes: ['saddle-low', 'saddle-forward', 'cleat-forward', 'crank-long'],
    modifiers: [{ cause: 'crank-long', factor: 1.4, situation: ['climbing', 'hard-effort'], says: 'Shows where the pedal is pushed hard at the top.' }, { cause: 'cleat-forward', factor: 1.6, changed: ['shoes-cleats'], says: 'Began with shoes or cleats.' }, { cause: 'saddle-low', factor: 1.5, changed: ['position', 'bike'], says: 'Began after the position or the bike was changed.' }],
  },
  'knee-back': {
    label: 'Back of knee and thigh',
    why: 'Why does the back of the knee hurt?',
    regions: ['knee-back', 'hamstring'],
    kinds: hurts,
    causes: ['saddle-high', 'saddle-back'],
    modifiers: [{ cause: 'saddle-high', factor: 1.5, changed: ['position', 'bike', 'shoes-cleats'], says: 'Began after something was changed.' }],
  },
  'knee-sides': {
    label: 'Inner or outer knee',
    why: 'Why does the side of the knee hurt?',
    regions: ['knee-inner', 'knee-outer'],
    kinds: hurts,
    causes: ['rotation', 'float-small', 'stance-narrow', 'stance-wide', 'worn-cleat', 'foot-tilt'],
    modifiers: [{ cause: 'stance-narrow', factor: 1.6, regions: ['knee-outer'], says: 'On the outer side.' }, { cause: 'stance-wide', factor: 1.6, regions: ['knee-inner'], says: 'On the inner side.' }, { cause: 'stance-wide', factor: 0.6, regions: ['knee-outer'], says: 'On the outer side.' }, { cause: 'stance-narrow', factor: 0.6, regions: ['knee-inner'], says: 'On the inner side.' }, { cause: 'rotation', factor: 1.8, changed: ['shoes-cleats'], says: 'Began with shoes or cleats.' }, { cause: 'worn-cleat', factor: 1.5, changed: ['nothing'], says: 'Nothing was changed: wear comes by itself.' }],
  },
  'numb-toes': {
    label: 'Toes and ball of the foot',
    why: 'Why do the toes go numb or hot?',
    whyIf: { pain: 'Why do toes or ball of the foot hurt?', tired: 'Why do the feet tire?' },
    regions: ['forefoot'],
    kinds: hurts,
    causes: ['shoe-small', 'shoe-tight', 'cleat-forward', 'small-patch', 'no-arch-support'],
    modifiers: [{ cause: 'cleat-forward', factor: 1.5, situation: ['climbing', 'hard-effort', 'standing'], says: 'Shows where the pedal is pushed hard.' }, { cause: 'shoe-small', factor: 1.6, changed: ['shoes-cleats'], says: 'Began with other shoes.' }, { cause: 'small-patch', factor: 1.6, changed: ['pedals'], says: 'Began with other pedals.' }, { cause: 'shoe-tight', factor: 1.4, upTo: 20, says: 'Starts early in the ride.' }],
  },
  'foot-slips': {
    label: 'Foot feels loose in the shoe',
    why: 'Why does the foot feel loose?',
    regions: ['forefoot', 'heel'],
    kinds: ['slips', 'rubs'],
    causes: ['shoe-loose', 'soft-shoe', 'no-arch-support', 'worn-cleat', 'foot-tilt'],
    modifiers: [{ cause: 'worn-cleat', factor: 1.4, changed: ['nothing'], says: 'Nothing was changed: wear comes by itself.' }],
  },
  'heel-arch': {
    label: 'Heel and arch',
    why: 'Why does the heel or the arch hurt?',
    regions: ['heel'],
    causes: ['no-arch-support', 'soft-shoe', 'shoe-small', 'cleats-apart'],
  },
  'leg-disconnected': {
    label: 'One leg feels disconnected',
    why: 'Why does one leg feel disconnected?',
    controls: ['leg-disconnected'],
    causes: ['soft-shoe', 'no-arch-support', 'leg-length', 'worn-cleat', 'foot-tilt', 'sits-rotated'],
    modifiers: [{ cause: 'worn-cleat', factor: 1.5, changed: ['nothing'], says: 'Nothing was changed: wear comes by itself.' }],
    look: 'One leg that does not push like the other, with everything here in range, is for a clinician: strength, nerve and blood supply.',
  },
  calf: {
    label: 'Calf and Achilles tendon',
    why: 'Why do calf or Achilles tendon hurt?',
    regions: ['calf', 'achilles'],
    causes: ['cleat-forward', 'saddle-high'],
    modifiers: [{ cause: 'cleat-forward', factor: 1.6, changed: ['shoes-cleats'], says: 'Began with shoes or cleats.' }, { cause: 'saddle-high', factor: 1.5, changed: ['position', 'bike'], says: 'Began after the position was changed.' }],
  },
  'closed-hip': {
    label: 'Hip, stomach and running after',
    why: 'Why does the hip feel closed?',
    whyIf: { 'blocked-forward': 'Why can the rider not reach down to the bar?', 'cramp-after': 'Why does it cramp afterwards?', 'running-after': 'Why is running hard afterwards?' },
    regions: ['hip', 'stomach'],
    controls: ['blocked-forward', 'cramp-after', 'running-after'],
    causes: ['front-low', 'crank-long', 'saddle-back', 'saddle-low'],
    modifiers: [{ cause: 'front-low', factor: 1.5, rides: ['time-trial'], says: 'Rides low positions.' }, { cause: 'front-low', factor: 1.4, situation: ['low'], says: 'Shows with the hands low.' }],
  },
  'bar-far': {
    label: 'Bar feels far away',
    why: 'Why does the bar feel far away?',
    controls: ['bar-far'],
    causes: ['reach-long', 'front-low', 'saddle-back', 'lever-far', 'hoods-low'],
    modifiers: [{ cause: 'reach-long', factor: 1.4, changed: ['bar-controls', 'bike'], says: 'Began with another bar, stem or bike.' }, { cause: 'saddle-back', factor: 1.4, changed: ['saddle', 'position'], says: 'Began after the saddle was changed.' }],
  },
  'nervous-steering': {
    label: 'Nervous steering',
    why: 'Why does it steer nervously?',
    controls: ['nervous-steering'],
    causes: ['bar-narrow', 'stem-long', 'front-low'],
    modifiers: [{ cause: 'stem-long', factor: 1.4, changed: ['bar-controls', 'bike'], says: 'Began with another bar, stem or bike.' }],
    look: 'Headset play, a bent fork, tyre pressure and loose luggage make a bike nervous as well: check them first.',
  },
  'front-heavy': {
    label: 'Cannot lift or push the front',
    why: 'Why does the front not come up?',
    controls: ['front-heavy'],
    causes: ['bar-wide', 'reach-short', 'front-high'],
  },
  'washes-out': {
    label: 'Front washes out in flat turns',
    why: 'Why does the front wash out?',
    controls: ['washes-out'],
    kinds: ['control'],
    situations: ['turns'],
    causes: ['front-high', 'rolled-back', 'tyres-hard'],
    modifiers: [{ cause: 'front-high', factor: 1.4, changed: ['bar-controls', 'bike'], says: 'Began with another bar, stem or bike.' }],
  },
  'pitched-forward': {
    label: 'Pitched forward on steep descents',
    why: 'Why does it pitch forward?',
    controls: ['pitched-forward'],
    kinds: ['control'],
    situations: ['descending'],
    causes: ['saddle-up-downhill', 'front-low', 'rolled-forward', 'wrist-forward', 'front-soft', 'tyres-hard'],
  },
  'missed-shift': {
    label: 'Missed shifts',
    why: 'Why are shifts missed?',
    controls: ['missed-shift'],
    causes: ['shifter-side', 'hook-off', 'wrist-forward'],
    modifiers: [{ cause: 'shifter-side', factor: 1.4, changed: ['bar-controls'], says: 'Began with other levers or grips.' }],
  },
  'weak-braking': {
    label: 'Weak or missed braking',
    why: 'Why is braking weak or missed?',
    controls: ['weak-braking'],
    causes: ['hook-off', 'lever-far', 'wrist-forward', 'hoods-in', 'grip-thick'],
    look: 'Brakes that are weak in themselves come before any lever: pads, air in the line, rotors, cables.',
  },
  unstable: {
    label: 'Unstable when standing',
    why: 'Why is it unstable standing?',
    controls: ['unstable-standing'],
    kinds: ['control'],
    situations: ['standing'],
    causes: ['stance-narrow', 'small-patch', 'stiff-sole', 'worn-cleat'],
    modifiers: [{ cause: 'stance-narrow', factor: 1.4, rides: ['trail', 'downhill'], says: 'Stands on rough ground.' }],
  },
} as const satisfies Readonly<Record<string, SymptomRow>> // prettier-ignore

export type SymptomKey = keyof typeof symptoms
export const symptomKeys = keysOf(symptoms)

/** A row of the table. */
export function symptomOf(key: SymptomKey): SymptomRow {
  return symptoms[key]
}

/** The question of a complaint about a symptom, by what it is like: what hurts is not asked why it is numb. */
export function whyOf(
  { why, whyIf }: SymptomRow,
  { kind, control }: { readonly kind: ComplaintKind | null; readonly control: ControlSymptomKey | null },
): string {
  return (control === null ? undefined : whyIf?.[control]) ?? (kind === null ? undefined : whyIf?.[kind]) ?? why
}
