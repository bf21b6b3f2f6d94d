import { barClamp, dropGrip, flatGrip } from '../../../bike/cockpit.ts'
import { armChord, upperPosture } from '../../../body/upperBody.ts'
import { handsMiddle, hipOf } from '../../../body/rider.ts'
import type { Requested } from '../../../ledger/moves.ts'
import { partNow } from '../../../ledger/parts.ts'
import type { Part } from '../../../ledger/parts.ts'
import type { Setup } from '../../../rider/setup.ts'
import { chosen, measuredValue, standsAt } from '../../../readings/resolve.ts'
import { definitionOf, isChoice } from '../../../readings/readingDefinitions.ts'
import type { NumberKey, ReadingKey } from '../../../readings/readingDefinitions.ts'
import { dropBarOf, flatBarOf, frontOf } from '../../../model/riderModel.ts'
import { sides } from '../../../kernel/sided.ts'
import type { CockpitSpec } from './parts.ts'
import type { BarChoice, BarShape, SearchInput, StemChoice, Wanted } from './question.ts'
import type { CockpitLine } from './search.ts'
import { piecesWidth } from '../bar/pieces.ts'
import { barSweeps, handAlignment } from '../roll/readings.ts'
import { keysOf } from '../../../kernel/tables.ts'

/** What the search is held to. */
export const searchHolds = {
  same: { label: 'Same hands', says: 'Other parts, the hands where they are.' },
  wanted: { label: 'Wanted place', says: 'Hands moved by what is typed.' },
  torso: { label: 'Held torso', says: 'Wherever the torso stays as it is.' },
} as const
export type SearchHold = keyof typeof searchHolds
export const searchHoldKeys = keysOf(searchHolds)

/** What the fitter asks of the search. */
export interface SearchRequest {
  readonly hold: SearchHold
  /** wanted place against now, mm; of `wanted` */
  readonly forward: number
  readonly up: number
  /** hands further apart, mm; null = as each bar has it */
  readonly wider: number | null
  /** only this bar of the catalogue, by name; null = any */
  readonly onlyBar: string | null
  readonly spacerStep: 2.5 | 5
  /** bars keep their roll */
  readonly keepsRoll: boolean
}
export const freshRequest: SearchRequest = { hold: 'same', forward: 0, up: 0, wider: null, onlyBar: null, spacerStep: 5, keepsRoll: false }

/** Readings that the search cannot do without. */
const needs: Readonly<Record<'flat' | 'drop', readonly NumberKey[]>> = {
  flat: [
    'frameReach',
    'frameStack',
    'headAngle',
    'spacers',
    'stemLength',
    'stemAngle',
    'barWidth',
    'barRise',
    'barBacksweep',
    'barUpsweep',
    'handFromEnd',
  ],
  drop: ['frameReach', 'frameStack', 'headAngle', 'spacers', 'stemLength', 'stemAngle', 'hoodWidth', 'barReach', 'barDrop'],
}

export function searchLacks({ now, rider }: Setup): ReadingKey[] {
  return needs[rider.bar].filter((key) => standsAt(now, key) === null)
}

/** Stems within this of the one on the bike: a frame is made about its stem, mm. @source common-practice */
const STEM_WITHIN = 20

/** A search for this visit and this catalogue; null while readings lack or the search needs a rider that is not known. */
export function searchInput(setup: Setup, catalogue: readonly CockpitSpec[], search: SearchRequest): SearchInput | null {
  const { rider, folded, now, model } = setup
  if (searchLacks(setup).length > 0) return null
  const front = frontOf(rider.values, folded.by)
  const shape = shapeNow(setup)
  if (front === null || shape === null) return null
  const stemOn: StemChoice = {
    name: 'Stem on the bike',
    clampSize: chosen(now, 'stemClampSize'),
    stemLength: front.stemLength,
    stemAngle: front.stemAngle,
    price: 0,
    isOn: true,
  }
  const barOn: BarChoice = {
    name: 'Bar on the bike',
    clampSize: chosen(now, 'barClampSize') ?? chosen(now, 'stemClampSize'),
    price: 0,
    isOn: true,
    shape,
  }
  const usable = catalogue.filter(({ integrated }) => !integrated)
  const stems = usable.flatMap(({ kind, name, clampSize, stemLength, stemAngle, price }): StemChoice[] =>
    kind === 'stem' &&
    stemLength !== null &&
    stemAngle !== null &&
    !(stemLength === front.stemLength && Math.abs(stemAngle) === Math.abs(front.stemAngle))
      ? [{ name, clampSize, stemLength, stemAngle, price, isOn: false }]
      : [],
  )
  const bars = usable.flatMap((spec): BarChoice[] => {
    const other = barShapeOf(spec)
    return other && other.kind === rider.bar
      ? [{ name: spec.name, clampSize: spec.clampSize, price: spec.price, isOn: false, shape: other }]
      : []
  })
  const chosenBars = search.onlyBar === null ? [barOn, ...bars] : bars.filter(({ name }) => name === search.onlyBar)
  const handFromEnd = mean(rider.values.handFromEnd.left, rider.values.handFromEnd.right) ?? 0
  const lever = {
    now: mean(now.hoodPosition.left?.value ?? null, now.hoodPosition.right?.value ?? null) ?? 45,
    angle: mean(now.hoodAngle.left?.value ?? null, now.hoodAngle.right?.value ?? null) ?? 0,
  }
  const roll = barSweeps(setup)?.barRoll ?? standsAt(now, 'barRoll')?.value ?? 0
  const clamp = barClamp(front)
  const grip =
    shape.kind === 'flat'
      ? flatGrip({ ...shape, barRoll: roll, handFromEnd })
      : dropGrip({ ...shape, barRoll: roll, hoodPosition: lever.now, hoodAngle: lever.angle }, 'hoods')
  const byParts = { x: clamp.x + grip.at.x, y: clamp.y + grip.at.y }
  const middle = (model && handsMiddle(model)) ?? byParts
  const wanted = wantedOf(setup, middle, 2 * grip.at.z, search)
  if (wanted === null || chosenBars.length === 0) return null
  const needed = Math.max(0, ...sides.map((side) => piecesWidth(setup, side)))
  return {
    bar: rider.bar,
    front,
    steerer: front.spacers + (measuredValue(now, 'spacersAbove') ?? 0),
    spacerStep: search.spacerStep,
    stems: [stemOn, ...stems],
    bars: chosenBars,
    stemWithin: STEM_WITHIN,
    roll: { now: roll, reach: search.keepsRoll ? 0 : 8, step: 0.5 },
    lever: { ...lever, reach: search.keepsRoll ? 0 : 15, step: 5 },
    handFromEnd,
    needed,
    wanted,
    offset: { x: middle.x - byParts.x, y: middle.y - byParts.y },
    hands: sides.flatMap((side) => handAlignment(setup, side) ?? []).map(({ back, up }) => ({ back, up })),
    count: 12,
  }
}

const mean = (left: number | null, right: number | null): number | null =>
  left === null || right === null ? (left ?? right) : (left + right) / 2

function shapeNow({ rider, folded }: Setup): BarShape | null {
  if (rider.bar === 'flat') {
    const bar = flatBarOf(rider.values, folded.by, 'right')
    if (bar === null) return null
    const { barWidth, barRise, barForward, barBacksweep, barUpsweep, barBend } = bar
    return { kind: 'flat', barWidth, barRise, barForward, barBacksweep, barUpsweep, barBend }
  }
  const { hoodWidth, dropWidth, barReach, barDrop, barFlare } = dropBarOf(rider.values, folded.by, 'right')
  return { kind: 'drop', hoodWidth, dropWidth, barReach, barDrop, barFlare }
}

/** A catalogue's bar as the search takes it; null for other parts. */
export function barShapeOf(spec: CockpitSpec): BarShape | null {
  const { kind, barWidth, barRise, barForward, barBacksweep, barUpsweep, barBend, hoodWidth, dropWidth, barReach, barDrop, barFlare } = spec
  if (
    kind === 'flat-bar' &&
    barWidth !== null &&
    barRise !== null &&
    barForward !== null &&
    barBacksweep !== null &&
    barUpsweep !== null &&
    barBend !== null
  )
    return { kind: 'flat', barWidth, barRise, barForward, barBacksweep, barUpsweep, barBend }
  if (kind === 'drop-bar' && hoodWidth !== null && barReach !== null && barDrop !== null && barFlare !== null)
    return { kind: 'drop', hoodWidth, dropWidth, barReach, barDrop, barFlare }
  return null
}

function wantedOf(
  { model }: Setup,
  middle: { readonly x: number; readonly y: number },
  spacing: number,
  search: SearchRequest,
): Wanted | null {
  const apart = search.wider === null ? null : spacing + search.wider
  if (search.hold !== 'torso') {
    const by = search.hold === 'wanted' ? { x: search.forward, y: search.up } : { x: 0, y: 0 }
    return { hold: 'place', at: { x: middle.x + by.x, y: middle.y + by.y }, spacing: apart }
  }
  if (!model?.grips) return null
  const posture = upperPosture(model.upper, hipOf(model), model.grips)
  if (!posture.reaches) return null
  const { arms, elbowFlexion, acromionWidth } = model.upper
  const chord =
    (armChord(arms.left.upperArm, arms.left.forearm, elbowFlexion) + armChord(arms.right.upperArm, arms.right.forearm, elbowFlexion)) / 2
  return { hold: 'torso', shoulder: posture.shoulder, chord, acromionWidth }
}

/** A part of the catalogue as it goes onto the bike: a stem that is turned over falls by what it rose. */
export function cockpitPart(spec: CockpitSpec, flipped = false): Part {
  const properties: Part['properties'] = {}
  for (const key of partFigures[spec.kind]) {
    const value = spec[key]
    if (value !== null) properties[key] = key === 'stemAngle' && flipped && typeof value === 'number' ? -value : value
  }
  return { name: spec.name, properties }
}
const partFigures = {
  stem: ['stemLength', 'stemAngle'],
  'flat-bar': ['barWidth', 'barRise', 'barForward', 'barBacksweep', 'barUpsweep', 'barBend', 'barShortest'],
  'drop-bar': ['hoodWidth', 'dropWidth', 'barReach', 'barDrop', 'barFlare'],
  levers: ['leverHook', 'brakeClampWidth', 'shifterPlace', 'shifterClampWidth', 'shifterPaddle'],
  extensions: ['padForward', 'padUp', 'padSpacing', 'extensionLength', 'extensionAngle'],
} as const

/** A line of the search as the changes it takes: parts exchanged, spacers moved, the bar rolled. */
export function lineRequests(setup: Setup, input: SearchInput, line: CockpitLine, catalogue: readonly CockpitSpec[]): Requested[] {
  const { now } = setup
  const [stem, bar] = [input.stems[line.stem], input.bars[line.bar]]
  const requested: Requested[] = []
  const specOf = (name: string | undefined, kinds: readonly CockpitSpec['kind'][]) =>
    catalogue.find((spec) => spec.name === name && kinds.includes(spec.kind))
  const stemSpec = stem?.isOn === false ? specOf(stem.name, ['stem']) : undefined
  if (stemSpec) requested.push({ slot: 'stem', from: fullPart(setup, 'stem'), to: cockpitPart(stemSpec, line.flipped) })
  else if (stem?.isOn && line.flipped) requested.push({ setting: 'stemAngle', side: 'both', by: -2 * input.front.stemAngle })
  const barSpec = bar?.isOn === false ? specOf(bar.name, ['flat-bar', 'drop-bar']) : undefined
  if (barSpec) requested.push({ slot: 'bar', from: fullPart(setup, 'bar'), to: cockpitPart(barSpec) })
  const add = (setting: 'spacers' | 'barRoll', by: number) => Math.abs(by) > 1e-6 && requested.push({ setting, side: 'both', by })
  add('spacers', line.spacers - input.front.spacers)
  add('barRoll', line.roll - input.roll.now)
  if (now.hoodPosition.left && Math.abs(line.lever - input.lever.now) > 1e-6)
    for (const side of sides) requested.push({ setting: 'hoodPosition', side, by: line.lever - input.lever.now })
  return requested
}

/** The part on the bike with everything that the model takes it to be, read or usual: so that an exchange says what changes. */
export function fullPart(setup: Setup, slot: 'stem' | 'bar' | 'levers' | 'extensions'): Part {
  const part = partNow(setup.now, slot)
  const kind = slot === 'bar' ? (setup.rider.bar === 'flat' ? 'flat-bar' : 'drop-bar') : slot
  const properties: Part['properties'] = { ...part.properties }
  for (const key of partFigures[kind]) {
    if (properties[key] !== undefined || isChoice(key)) continue
    const { left, right } = setup.now[key]
    const round = (value: number) => Math.round(value * 1000) / 1000
    if (left && right)
      properties[key] =
        definitionOf(key).sided && left.value !== right.value ? { left: round(left.value), right: round(right.value) } : round(right.value)
  }
  return { name: part.name, properties }
}
