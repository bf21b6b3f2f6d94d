import { setupOf } from '../change/setup.ts'
import type { Setup } from '../change/setup.ts'
import type { BikeKind } from '../bike/bikeKinds.ts'
import { aReading, entryOf, readingsWith, uuid } from '../testing.ts'
import type { Complaint } from '../talk/complaint.ts'
import { footComplaints } from './footCauses.ts'
import { feetParts, pedalUse, stanceUse } from '../feet/station.ts'
import type { FeetContext } from '../feet/station.ts'

const told = (over: Partial<Complaint> = {}): Complaint => ({
  id: uuid(1),
  region: 'knee-outer',
  side: 'right',
  kind: 'pain',
  startsAfter: null,
  situation: 'anywhere',
  severity: 5,
  note: '',
  warnings: {},
  ...over,
})

function stationOf(over: Parameters<typeof readingsWith>[0], complaints: readonly Complaint[] = [told()], kind: BikeKind = 'drop bar') {
  return partsOf(setupOf(readingsWith(over), [], 'drop'), complaints, { kind })
}
const partsOf = (setup: Setup, complaints: readonly Complaint[], more: Partial<FeetContext> = {}) =>
  feetParts({
    setup,
    start: setup,
    complaints,
    kind: 'drop bar',
    choices: {},
    otherBikes: [],
    metrics: null,
    plusMinus: () => null,
    pace: 'settled',
    ...more,
  })
const causesOf = (over: Parameters<typeof readingsWith>[0], complaint = told()) =>
  footComplaints([complaint], stationOf(over, [complaint]))[0]?.causes ?? []
const speaks = (over: Parameters<typeof readingsWith>[0], complaint = told()) =>
  Object.fromEntries(causesOf(over, complaint).map((c) => [c.key, c.speaks]))

describe('complaints tied to the feet (causes most usual first, common practice)', () => {
  it('list the causes of each in the order of the trade', () => {
    expect(causesOf({}).map((c) => c.label)).toEqual([
      'Rotation off',
      'Float too small or sloppy',
      'Stance wrong for these hips',
      'Worn cleat',
      'Foot tilt',
    ])
    const toes = causesOf({}, told({ region: 'forefoot', kind: 'numb', side: 'both' }))
    expect(toes.map((c) => c.key)).toEqual(['shoe-fit', 'cleat-forward', 'small-patch', 'no-arch-support'])
    expect(causesOf({}, told({ region: 'calf' })).map((c) => c.key)).toEqual(['cleat-forward', 'saddle-high'])
    expect(causesOf({}, told({ region: 'forefoot', kind: 'slips', situation: 'getting-in-out' })).map((c) => c.key)).toEqual([
      'tension',
      'system',
      'loose-cleat',
    ])
    expect(causesOf({}, told({ region: 'head', side: 'middle', kind: 'control', situation: 'standing' })).map((c) => c.key)).toEqual([
      'stance-narrow',
      'small-patch',
      'stiff-sole',
    ])
    expect(footComplaints([told({ region: 'neck', side: 'middle' })], stationOf({}))).toEqual([])
  })

  it('say what to read while nothing decides', () => {
    const rotation = causesOf({})[0]
    expect(rotation).toMatchObject({ speaks: 'open' })
    expect(rotation?.measure).toEqual(expect.arrayContaining(['cleatTurn', 'cleatFloat']))
  })

  it('find an outer knee’s cause in a cleat that stops the heel, and clear the others', () => {
    const whole = {
      toeOutHanging: 11,
      cleatTurn: 6,
      cleatFloat: 6,
      heelIn: 1,
      heelOut: 1,
      kneeOutside: [0, 0] as const,
      cleatWear: 'fresh',
      cleatPlay: 'none',
      forefootTilt: 2,
    } as const
    expect(speaks(whole)).toEqual({ rotation: 'for', float: 'against', stance: 'against', 'worn-cleat': 'against', 'foot-tilt': 'against' })
    // Turned, the cause is gone.
    expect(speaks({ ...whole, cleatTurn: 11 })).toMatchObject({ rotation: 'against' })
    // A twisted pelvis leaves it open: the seat first.
    expect(causesOf({ ...whole, pelvisLevel: 'twisted' })[0]).toMatchObject({
      speaks: 'open',
      because: expect.stringMatching(/seat first/) as string,
    })
  })

  it('find a knee outside its foot, a float too narrow, a toggling or worn cleat, a tilted foot', () => {
    expect(speaks({ kneeOutside: [0, 14] })['stance']).toBe('for')
    expect(speaks({ toeOutHanging: 6, cleatTurn: 6, cleatFloat: 4, heelIn: 3, heelOut: 3 })['float']).toBe('for')
    expect(speaks({ cleatPlay: 'much' })).toMatchObject({ float: 'for', 'worn-cleat': 'for' })
    expect(speaks({ cleatWear: 'at-mark' })['worn-cleat']).toBe('for')
    expect(speaks({ forefootTilt: 9 })['foot-tilt']).toBe('for')
  })

  it('find hot feet in the shoe, the cleat, the patch and the arch', () => {
    const hot = told({ region: 'forefoot', side: 'both' })
    const bad = {
      footLength: 268,
      footWidth: 102,
      shoeLength: 276,
      shoeBallWidth: 95,
      cleatSetback: 4,
      shoeSize: 43,
      slotForward: 5,
      slotBack: 15,
      pedalKind: 'recessed',
      soleStiffness: 'soft',
      archDrop: 7,
      shoeUpper: 'firm',
    } as const
    expect(speaks(bad, hot)).toEqual({ 'shoe-fit': 'for', 'cleat-forward': 'for', 'small-patch': 'for', 'no-arch-support': 'for' })
    expect(speaks({ ...bad, shoeBallWidth: 101, cleatSetback: 24, pedalKind: 'plate-coil', archDrop: 3 }, hot)).toEqual({
      'shoe-fit': 'against',
      'cleat-forward': 'against',
      'small-patch': 'against',
      'no-arch-support': 'against',
    })
  })

  it('looks only at the side that hurts', () => {
    expect(speaks({ kneeOutside: [14, 0] })['stance']).toBe('against')
    expect(speaks({ kneeOutside: [14, 0] }, told({ side: 'left' }))['stance']).toBe('for')
    expect(speaks({ kneeOutside: [14, 0] }, told({ side: 'both' }))['stance']).toBe('for')
  })
})

describe('the feet’s whole station', () => {
  it('knows what the bike and the complaints ask of pedals', () => {
    expect(pedalUse('mountain', null)).toBe('mountain')
    expect(pedalUse('cargo', 6)).toBe('town')
    expect(pedalUse('drop bar', 6)).toBe('long')
    expect(pedalUse('drop bar', 2)).toBe('road')
    expect(stanceUse('cargo')).toBe('mountain')
    const { pedalRider } = stationOf({ kneeOutside: [0, 14], mass: 96, heelIn: [2, 3], heelOut: [1, 2] })
    expect(pedalRider).toMatchObject({ widen: 14, mass: 96, knee: true, forefoot: false, swing: 5 })
  })

  it('calls a stance met inside its band, and says which parts are only usual', () => {
    expect(stationOf({ kneeOutside: [4, -4] }).stance?.gap).toEqual({ left: 0, right: 0 })
    expect(stationOf({ kneeOutside: [6, 0] }).stance?.gap.left).toBe(6)
    const setup = setupOf([aReading('kneeOutside', 'left', 3), aReading('kneeOutside', 'right', 3)], [], 'drop')
    const bare = partsOf(setup, [], { kind: 'other' })
    expect(bare.stance?.estimated).toEqual(['tread', 'axleLength', 'cleatInboard'])
  })

  it('stands with nothing read at all', () => {
    const bare = partsOf(setupOf([], [], 'drop'), [])
    expect(bare.shoe).toEqual([])
    expect(bare.rotation.left.state).toBe('missing')
    expect(bare.clearanceMissing.left.length).toBeGreaterThan(0)
    expect(bare.knee).toEqual({ left: null, right: null })
    expect(footComplaints([told()], bare)[0]?.causes.every((c) => c.speaks === 'open')).toBe(true)
  })

  it('matches another bike when the fitter asks for it', () => {
    const setup = setupOf(readingsWith({ kneeOutside: [0, 0] }), [], 'drop')
    const station = partsOf(setup, [], { choices: { stanceBy: 'other-bike' }, otherBikes: [{ name: 'Hardtail', left: 140, right: 140 }] })
    expect(station.stance?.target.reason).toMatch(/Hardtail/)
    expect(station.stance?.gap.left).toBeGreaterThan(5)
  })

  it('lets the knee stay where it is while the foot goes under it, and believes a new reading', () => {
    const washer = entryOf(50, { setting: 'washer', side: 'right', by: 4, role: 'chosen' })
    const first = readingsWith({ kneeOutside: [0, 8] })
    const again = [...first, aReading('kneeOutside', 'right', 3, washer.id)]
    const outside = (readings: Parameters<typeof setupOf>[0], place?: number) =>
      setupOf(readings, [washer], 'drop', place).now.kneeOutside.right?.value
    expect([outside(first, 0), outside(first)]).toEqual([8, 4])
    expect([outside(again, 0), outside(again)]).toEqual([8, 3])
    // The target stays where the knee is: after the move only the rest is asked for.
    const [before, after] = [0, 1].map((place) => partsOf(setupOf(first, [washer], 'drop', place), []).stance)
    expect(after?.target.half?.right.target).toBeCloseTo(before?.target.half?.right.target ?? NaN, 9)
    expect(before?.gap.right).toBe(8)
    expect(after?.gap.right).toBe(0)
  })
})
