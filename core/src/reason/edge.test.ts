import { complaintAt, controlComplaint, onlyReadings, readingsWith } from '../testing.ts'
import { numberAt, weigh } from './evidence.ts'
import type { CauseKey } from './causeTable.ts'
import type { NumberName } from './numbers.ts'
import { rankCauses } from './rank.ts'
import { aVisit } from './testing.ts'
import { visitModel } from './visitModel.ts'

const complaints = [complaintAt(1, 'knee-front', 'both'), controlComplaint(2, 'slides-forward')]
const factsOf = (over: Parameters<typeof onlyReadings>[0], whole = false) =>
  visitModel(aVisit({ complaints, readings: whole ? readingsWith(over) : onlyReadings(over) }), { spreads: null }).facts
const said = (over: Parameters<typeof onlyReadings>[0], cause: CauseKey, of: NumberName) =>
  weigh(factsOf(over), cause, ['left', 'right']).said.find((one) => one.of === of)

describe('a number on the end of its band', () => {
  it.each([
    ['saddle-high', 'knee', { kneeFlexion: 25 }],
    ['saddle-low', 'knee', { kneeFlexion: 35 }],
  ] as const)('speaks for nothing being wrong: %s, %s (25 to 35° held still, Holmes)', (cause, of, over) => {
    const { band, value } = numberAt(factsOf(over), of, 'left')!
    expect([band!.low, band!.high]).toContain(value)
    expect(said(over, cause, of)).toMatchObject({ speaks: 'against', past: 0 })
  })

  it('speaks against a tilt and a float as well', () => {
    const tilt = numberAt(factsOf({ saddleTilt: 0 }), 'saddleTilt', 'left')!.band!
    expect(said({ saddleTilt: tilt.high }, 'nose-up', 'saddleTilt')!.moves).toBeLessThan(-0.2)
    const swing = { heelIn: 2, heelOut: 2, toeOutHanging: 6, cleatTurn: 6 }
    const need = numberAt(factsOf({ ...swing, cleatFloat: 6 }), 'float', 'left')!.band!.low
    // Read to ±3° against a line of 1°: a little.
    expect(said({ ...swing, cleatFloat: need }, 'float-small', 'float')!.moves).toBeLessThan(-0.1)
  })

  it('speaks for the cause from where its page calls it clearly outside', () => {
    const facts = factsOf({ kneeFlexion: 25 })
    const { plusMinus } = numberAt(facts, 'knee', 'left')!
    expect(said({ kneeFlexion: 25 - plusMinus - 0.5 }, 'saddle-high', 'knee')).toMatchObject({ speaks: 'for' })
  })
})

describe('what the kind of bike makes usual', () => {
  it.each([
    ['drop bar', 110, false],
    ['drop bar', 130, true],
    ['trail', 50, false],
    ['trail', 80, true],
    ['cross-country', 80, false],
  ] as const)('%s: a stem of %d mm is long: %s (common practice: road 120, cross-country 85, trail 65)', (kind, stemLength, isLong) => {
    const visit = aVisit({ kind, complaints: [controlComplaint(1, 'nervous-steering')], readings: readingsWith({ stemLength }) })
    const { facts } = visitModel(visit, { spreads: null })
    const [stem] = weigh(facts, 'stem-long', ['left', 'right']).said
    expect(stem?.speaks === 'for').toBe(isLong)
  })
})

it('what several lines on one number lack is asked for once', () => {
  const { open } = weigh(factsOf({}), 'leg-length', ['left', 'right'])
  const asked = open.map(({ of }) => of)
  expect(asked).toContain('legDifference')
  expect(new Set(asked).size).toBe(asked.length)
})

it('a saddle is left up only on a bike that can drop it', () => {
  const causesWith = (dropperTravel: number) => {
    const readings = onlyReadings({ saddleOnDescents: 'up', dropperTravel })
    const { facts } = visitModel(aVisit({ kind: 'trail', complaints: [controlComplaint(1, 'pitched-forward')], readings }), {
      spreads: null,
    })
    return rankCauses(facts, facts.input.complaints).map(({ cause }) => cause)
  }
  expect(causesWith(150)).toContain('saddle-up-downhill')
  expect(causesWith(0)).not.toContain('saddle-up-downhill')
})

describe('one leg longer than the other', () => {
  it('speaks strongly from 10 mm, moderately from what is common (Knutson: 5.2 mm in the mean)', () => {
    const at = (legLengthDifference: number) => said({ legLengthDifference }, 'leg-length', 'legDifference')!
    expect(at(1)).toMatchObject({ speaks: 'against' })
    expect(at(8)).toMatchObject({ speaks: 'for', strength: 'moderate' })
    expect(at(16)).toMatchObject({ speaks: 'for', strength: 'strong' })
    expect(at(16).moves).toBeGreaterThan(at(8).moves)
  })
})

describe('a cleat', () => {
  it('worn to its mark speaks more than a worn one, a fresh one against', () => {
    const moves = (cleatWear: string) =>
      weigh(factsOf({ cleatWear: [cleatWear, cleatWear] }), 'worn-cleat', ['left', 'right']).said.reduce((sum, one) => sum + one.moves, 0)
    expect(moves('at-mark')).toBeGreaterThan(moves('worn'))
    expect(moves('worn')).toBeGreaterThan(0)
    expect(moves('fresh')).toBeLessThan(0)
  })
})
