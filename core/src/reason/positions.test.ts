import { aReading, complaintAt, controlComplaint, entryOf, readingsWith, said as plainOf } from '../testing.ts'
import type { Reading } from '../readings/reading.ts'
import type { ConditionKey } from '../readings/conditions.ts'
import { dropBar } from '../stations/hands/testing.ts'
import { aVisit } from './testing.ts'
import { conditionsFrom, numberIn } from './positions.ts'
import { posedModels } from '../stations/hands/place/positions.ts'
import { posturesOf } from '../stations/seat/saddle/readings.ts'
import { standingOf } from '../rider/setup.ts'
import { reason } from './reason.ts'
import { methodUncertainty } from '../readings/table/methods.ts'
import { visitModel } from './visitModel.ts'
import type { VisitState } from './visitModel.ts'

const inPosition = (condition: ConditionKey, ...rows: readonly Reading[]): Reading[] => rows.map((row) => ({ ...row, condition }))
const causeIn = (visit: VisitState, cause: string) => reason(visitModel(visit).input).reasoned.causes.find((row) => row.cause === cause)!
const wordsOf = (visit: VisitState, cause: string) => causeIn(visit, cause).said.map(({ words }) => plainOf(words))

const extensions = { padForward: 60, padUp: 40, padSpacing: 180, extensionLength: 300 }
const low = inPosition(
  'extension',
  aReading('torsoAngle', 'both', 18),
  aReading('hipAngle', 'left', 36),
  aReading('hipAngle', 'right', 36),
  aReading('elbowFlexion', 'left', 92),
  aReading('elbowFlexion', 'right', 92),
)
const timeTrial = (over: Partial<VisitState> = {}) =>
  aVisit({
    kind: 'time trial',
    readings: [...readingsWith({ ...dropBar, ...extensions, torsoAngle: 50 }), ...low],
    complaints: [complaintAt(1, 'neck', 'middle')],
    ...over,
  })
const riding = (shares: object) => ({ choices: { feet: {}, seat: {}, hands: { shares } } })

describe('what is read in a position', () => {
  it('counts for what hurts anywhere once much of the ride is spent there', () => {
    expect(causeIn(timeTrial(riding({ extension: 10, hoods: 90 })), 'front-low').probability).toBeLessThan(0.1)
    const much = timeTrial(riding({ extension: 85, hoods: 15 }))
    expect(causeIn(much, 'front-low').probability).toBeGreaterThan(0.5)
    expect(wordsOf(much, 'front-low')).toContain('On the extensions: the torso lies at 18° from level.')
  })

  it('counts for what shows with the hands low, and the hoods then do not', () => {
    const told = timeTrial({ complaints: [complaintAt(1, 'neck', 'middle', { situation: 'low' })] })
    for (const words of wordsOf(told, 'front-low')) expect(words).toMatch(/^On the extensions: /)
    // Read nowhere but on the hoods, that is all there is to go by.
    const hoods = { ...told, readings: readingsWith({ ...dropBar, torsoAngle: 50 }) }
    expect(wordsOf(hoods, 'front-low')[0]).toBe('The torso is not low, 50°.')
  })

  it('says nothing of the arms by the band of the hoods: an elbow at 92° is wanted on the pads', () => {
    const { said } = causeIn(timeTrial(riding({ extension: 85, hoods: 15 })), 'front-low')
    expect(said.map(({ of }) => of)).not.toContain('elbow')
    const reach = causeIn(
      timeTrial({ ...riding({ extension: 85, hoods: 15 }), complaints: [controlComplaint(1, 'slides-back')] }),
      'reach-short',
    )
    expect(reach.said.find(({ of }) => of === 'elbow')?.speaks).toBe('against')
  })

  it('at the hard effort counts where the complaint is told there: on the nose is not “does not sit on the nose”', () => {
    const readings = [
      ...readingsWith({ creepForward: 35, sitsWhere: 'middle' }),
      ...inPosition('hard', aReading('sitsWhere', 'both', 'nose')),
    ]
    const at = (situation: 'hard-effort' | 'flat-steady') =>
      aVisit({ readings, complaints: [controlComplaint(1, 'slides-forward', { situation })] })
    expect(wordsOf(at('hard-effort'), 'nose-down')).toContain('At the hard effort: sits on the nose.')
    expect(wordsOf(at('flat-steady'), 'nose-down')).toContain('Does not sit on the nose.')
  })

  it('is of where the rider sits and of the knee too, with the hands there', () => {
    const onPads = inPosition(
      'extension',
      aReading('sitsWhere', 'both', 'nose'),
      aReading('kneeFlexion', 'left', 38),
      aReading('kneeFlexion', 'right', 38),
    )
    const visit = timeTrial({
      readings: [...readingsWith({ ...dropBar, ...extensions, sitsWhere: 'middle' }), ...low, ...onPads],
      complaints: [controlComplaint(1, 'slides-forward', { situation: 'low' })],
    })
    expect(wordsOf(visit, 'nose-down')).toContain('On the extensions: sits on the nose.')
    const { setup } = visitModel(visit).facts
    const there = setup.rider.others.find(({ condition }) => condition === 'extension')!
    expect(there.knowns.map(({ known }) => known.kind)).toContain('kneeFlexion')
    // The knee of the hoods is none of its business.
    expect(setup.rider.usual.residuals.every(({ known }) => known.value !== 38)).toBe(true)
  })

  it('a base bar has neither tops nor drops; what was read there before stays', () => {
    const positionsOf = (visit: VisitState) => {
      const { setup } = visitModel(visit).facts
      return [posedModels(standingOf(setup)).map(({ hands }) => hands), posturesOf(setup).map(({ hands }) => hands)]
    }
    expect(positionsOf(timeTrial())).toEqual([
      ['hoods', 'extension'],
      ['hands on the base bar', 'on the extensions'],
    ])
    expect(positionsOf({ ...timeTrial(), kind: 'drop bar' })[0]).toEqual(['hoods', 'tops', 'drops', 'extension'])
    const before = timeTrial({ readings: [...timeTrial().readings, ...inPosition('drops', aReading('torsoAngle', 'both', 30))] })
    expect(positionsOf(before)[0]).toEqual(['hoods', 'drops', 'extension'])
    // Be it only where the rider sat.
    const sat = timeTrial({ readings: [...timeTrial().readings, ...inPosition('drops', aReading('sitsWhere', 'both', 'nose'))] })
    expect(positionsOf(sat)[0]).toEqual(['hoods', 'drops', 'extension'])
  })

  it('keeps the ± it was read with, and a change carries it on', () => {
    const visit = timeTrial()
    const at = (over: Partial<VisitState>) => numberIn(visitModel({ ...visit, ...over }).facts, 'torso', 'left', 'extension')!
    expect(at({}).value).toBeCloseTo(18, 6)
    // Never less than a photo's own; more where the body does not fit it.
    expect(at({}).plusMinus).toBeGreaterThanOrEqual(methodUncertainty('photo', 'angle')!)
    const higher = entryOf(1, { setting: 'handHeight', side: 'both', by: 10, role: 'chosen' })
    expect(at({ ledger: [higher] }).value).toBeGreaterThan(18)
  })

  it('is asked for where the complaint was told of, the position ridden most, until it was read there', () => {
    const askedFor = (visit: VisitState) =>
      reason(visitModel(visit).input).reasoned.next.flatMap(({ readings }) => readings.map(({ key, condition }) => `${key} ${condition}`))
    const told = {
      ...riding({ extension: 60, drops: 10, hoods: 30 }),
      complaints: [complaintAt(1, 'neck', 'middle', { situation: 'low' })],
    }
    const hoods = { ...timeTrial(told), readings: readingsWith({ ...dropBar, ...extensions, torsoAngle: 50 }) }
    expect(askedFor(hoods)).toContain('torsoAngle extension')
    expect(causeIn(hoods, 'front-low').open[0]).toMatchObject({ again: 'elsewhere' })
    expect(askedFor(timeTrial(told))).not.toContain('torsoAngle extension')
    // Without pads it is the drops; and at the hard effort where the hands usually are.
    const noPads = readingsWith({ hoodWidth: 420, barReach: 80, barDrop: 125, torsoAngle: 50 })
    expect(askedFor({ ...hoods, kind: 'drop bar', readings: noPads })).toContain('torsoAngle drops')
    // A base bar has no drops.
    expect(askedFor({ ...hoods, readings: noPads })).not.toContain('torsoAngle drops')
    const slides = aVisit({
      readings: readingsWith({ sitsWhere: 'middle' }),
      complaints: [controlComplaint(1, 'slides-forward', { situation: 'hard-effort' })],
    })
    expect(askedFor(slides)).toContain('sitsWhere hard')
  })

  it('is looked for in the positions of the bike alone', () => {
    const hard = inPosition('hard', aReading('torsoAngle', 'both', 40))
    const { facts } = visitModel(aVisit({ kind: 'trail', readings: hard }))
    expect(conditionsFrom(facts, [complaintAt(1, 'neck', 'middle', { situation: 'low' })])).toEqual(['usual'])
    expect(conditionsFrom(facts, [complaintAt(1, 'neck', 'middle', { situation: 'hard-effort' })])).toEqual(['hard'])
  })
})

describe('a rider who rocks', () => {
  it('may be too low in front: torso and closed hip speak for it', () => {
    const rocks = aVisit({ readings: readingsWith({ torsoAngle: 10.5, hipAngle: [34, 34] }), complaints: [controlComplaint(1, 'rocks')] })
    expect(reason(visitModel(rocks).input).reasoned.causes[0]?.cause).toBe('front-low')
  })
})
