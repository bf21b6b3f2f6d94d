import { plain } from './kernel/message.ts'
import type { Message } from './kernel/message.ts'
import { metricsAt } from './rider/metricEstimate.ts'
import type { Setup } from './rider/setup.ts'
import type { VisitContext } from './station/context.ts'
import type { RiderModel } from './body/rider.ts'
import type { LedgerEntry, Move } from './ledger/ledger.ts'
import type { Reading } from './readings/reading.ts'
import { definitionOf } from './readings/readingDefinitions.ts'
import type { ReadingKey } from './readings/readingDefinitions.ts'
import { freshComplaint } from './talk/complaint.ts'
import type { Complaint } from './talk/complaint.ts'
import type { ControlSymptomKey } from './talk/controlSymptoms.ts'
import type { BodyRegionKey } from './talk/regions.ts'
import { entriesOf } from './kernel/tables.ts'

/** Fixed values for tests of every package; the rider is made up. */
export const testTime = '2026-03-02T09:30:00.000Z'

/** A valid UUID that says which one it is. */
export function uuid(n: number): string {
  return `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
}

export function aReading(key: ReadingKey, side: Reading['side'], value: Reading['value'], after: string | null = null): Reading {
  return {
    key,
    side,
    value,
    typed: value === null ? '' : String(value),
    method: definitionOf(key).method,
    after,
    at: testTime,
    condition: 'usual',
    repeats: [],
  }
}

const pair = (key: ReadingKey, left: number, right: number) => [aReading(key, 'left', left), aReading(key, 'right', right)]

/** A rider with all that the feet and the leg model need; segments estimated from stature. */
export const exampleReadings: readonly Reading[] = [
  aReading('stature', 'both', 1756),
  aReading('saddleHeight', 'both', 724),
  aReading('crank', 'both', 172.5),
  ...pair('footLength', 264, 265),
  ...pair('shoeSize', 43, 43),
  ...pair('heelToMtp1', 195, 196),
  ...pair('cleatSetback', 4, 6),
  ...pair('slotForward', 6, 6),
  ...pair('slotBack', 12, 12),
]

/** The same rider measured as a whole, hands from the bottom bracket, angles on the bike read with small errors. */
export const wholeReadings: readonly Reading[] = [
  ...exampleReadings,
  aReading('inseam', 'both', 832),
  aReading('trunk', 'both', 508),
  aReading('acromionWidth', 'both', 396),
  ...pair('thigh', 431, 430),
  ...pair('shank', 433, 432),
  ...pair('upperArm', 327, 327),
  ...pair('forearm', 352, 352),
  aReading('seatAngle', 'both', 73),
  aReading('tread', 'both', 148),
  aReading('handReach', 'both', 520),
  aReading('handHeight', 'both', 655),
  aReading('gripSpacing', 'both', 420),
  ...pair('kneeFlexion', 32, 31),
  ...pair('footPitch', 17, 19),
  aReading('torsoAngle', 'both', 54),
  ...pair('elbowFlexion', 24, 24),
  ...pair('shoulderAngle', 60, 60),
]

const leg = {
  thigh: 431,
  shank: 433,
  ankleBehind: 126,
  ankleAbove: 92,
  axleFromHeel: 191,
  stack: 24,
  footLength: 264,
  footPitch: 17,
  halfStance: 127,
  hipAhead: 0,
  hipAbove: 0,
}
const arm = { upperArm: 327, forearm: 352, handSet: 0, naturalSweep: 10 }
const grip = { at: { x: 520, y: 655, z: 210 }, axis: null, pointing: { x: 1, y: 0, z: 0 } }
/** A rider on a bike as plain numbers. */
export const exampleRider: RiderModel = {
  legs: { left: leg, right: { ...leg, thigh: 430, shank: 432, footPitch: 19 } },
  pitchSwing: 10,
  crank: 172.5,
  sit: { x: -212, y: 692 },
  hipForward: 42,
  hipUp: 88,
  hipWidth: 176,
  upper: { trunk: 508, acromionWidth: 396, elbowFlexion: 24, elbowSwivel: 25, twist: 0, arms: { left: arm, right: arm } },
  grips: { left: grip, right: grip },
  levers: { left: null, right: null },
  fingers: { left: null, right: null },
}

/** What a station is judged from at a setup, with nothing told. */
export function contextAt(setup: Setup, over: Partial<VisitContext> = {}): VisitContext {
  const metrics = metricsAt(setup)
  return { setup, start: setup, complaints: [], kind: 'other', riding: {}, pace: 'settled', metrics, plusMinus: () => 3, ...over }
}

/** A tried change with the given moves. */
export function entryOf(n: number, ...moves: Move[]): Extract<LedgerEntry, { kind: 'try' }> {
  return { kind: 'try', id: uuid(n), at: testTime, station: 'feet', moves, pace: 'settled', exchanges: [], reason: 'Test.', later: '' }
}

type Over = number | string | readonly [number | string, number | string]
/** The whole example rider with some readings laid over it: a number or key for one value, a pair for left and right. */
export function readingsWith(over: Partial<Record<ReadingKey, Over>>): Reading[] {
  const added = entriesOf(over).flatMap(([key, value]) => {
    const [left, right] = Array.isArray(value) ? (value as readonly [number, number]) : [value as number, value as number]
    return definitionOf(key).sided ? [aReading(key, 'left', left), aReading(key, 'right', right)] : [aReading(key, 'both', left)]
  })
  const placed = new Set(added.map((r) => `${r.key}:${r.side}`))
  return [...wholeReadings.filter((r) => !placed.has(`${r.key}:${r.side}`) || r.condition !== 'usual'), ...added]
}

/** A told complaint at a place of the body: "knee-outer right", "groin middle"; the number says which one it is. */
export function complaintAt(
  n: number,
  region: BodyRegionKey,
  side: 'left' | 'right' | 'both' | 'middle',
  over: Partial<Complaint> = {},
): Complaint {
  return { ...freshComplaint(uuid(n), { places: [{ region, side }], control: null }), kind: 'pain', severity: 6, ...over }
}

/** A told symptom of control. */
export function controlComplaint(n: number, control: ControlSymptomKey, over: Partial<Complaint> = {}): Complaint {
  return { ...freshComplaint(uuid(n), { places: [], control }), severity: 6, ...over }
}

/** Readings by key, nothing else known: a number or key for one value, a pair for left and right. */
export function onlyReadings(over: Partial<Record<ReadingKey, Over>>): Reading[] {
  return readingsWith(over).filter(({ key }) => Object.hasOwn(over, key))
}

/** Whether two numbers that should be one another's mirror are alike: a search that ends within its tolerance may end on either side of it. */
export function toleratedMirror(one: number, other: number): boolean {
  return Math.abs(one - other) <= 0.02 + 1e-3 * Math.abs(one)
}

/** Whatever is answered, with every message in it as plain text in millimetres: what a test compares. */
export function said<T>(answer: T): T {
  if (Array.isArray(answer)) {
    const isMessage = answer.some((one: unknown) => typeof one === 'object' && one !== null && ('mm' in one || 'term' in one))
    return (isMessage ? plain(answer as Message) : answer.map((one: unknown) => said(one))) as T
  }
  if (typeof answer !== 'object' || answer === null || Object.getPrototypeOf(answer) !== Object.prototype) return answer
  return Object.fromEntries(Object.entries(answer).map(([key, value]: [string, unknown]) => [key, said(value)])) as T
}
