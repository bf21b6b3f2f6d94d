import { setupOf, standingOf } from '../../rider/setup.ts'
import { knockOn } from '../../knockOn/knockOn.ts'
import { movesOf } from '../../ledger/moves.ts'
import { chosen } from '../../readings/resolve.ts'
import { tiltHead } from './tilt/readings.ts'
import { saddleExchange } from './saddle/readings.ts'
import { riderMetrics } from '../../body/metrics.ts'
import { exampleMatRider } from '../../simulate/examples.ts'
import { analyseMat } from './mat/analysis.ts'
import { simulateMat, simulatedMat } from '../../simulate/matSimulation.ts'
import { seeded } from '../../kernel/random.ts'
import { startingSaddles } from './saddle/kinds.ts'
import { aReading, complaintAt, entryOf, readingsWith } from '../../testing.ts'
import type { Complaint } from '../../talk/complaint.ts'
import type { SeatContext } from './station.ts'
import { seatActs, seatParts } from './station.ts'
import { usualTiltUse } from './tilt/judge.ts'

type Over = Parameters<typeof readingsWith>[0]

function stationOf(over: Over, complaints: readonly Complaint[] = [], more: Partial<SeatContext> = {}) {
  const readings = readingsWith(over)
  const setup = setupOf(readings, [], 'drop')
  const metrics = setup.model && riderMetrics(setup.model, null)
  return seatParts({ ...context, setup, start: setup, complaints, readings, metrics, ...more })
}
const context = {
  pace: 'settled',
  riding: {},
  kind: 'drop bar',
  choices: {},
  ledger: [],
  plusMinus: () => 2,
  tried: {},
  mat: null,
} as const
/** A saddle that fits this rider in every way. */
const sound = {
  sitBoneSpacing: 112,
  saddleWidth: 138,
  saddleTilt: -1,
  saddleRelief: 'cut-out',
  saddleSound: 'sound',
  pelvisLevel: 'level',
  pelvisRock: 'none',
  sitsWhere: 'middle',
  legLengthDifference: 0,
  saddleLength: 268,
  sitFromNose: 150,
} as const

describe('the seat as a whole', () => {
  it('counts what is worth a change, and nothing where the saddle fits', () => {
    expect(seatActs(stationOf(sound))).toBe(0)
    expect(seatActs(stationOf({ ...sound, saddleTilt: 3, saddleWidth: 110, legLengthDifference: 20 }))).toBe(3)
  })
  it('takes the width from the posture that decides, and says the mat reads too little on a narrow saddle', () => {
    const upright = stationOf({ ...sound, torsoAngle: 70 }).width!
    const low = stationOf({ ...sound, torsoAngle: 35 }, [], { choices: { widthSchool: 'usual' } }).width!
    expect(upright.middle - low.middle).toBe(10)
    const mat = analyseMat(simulatedMat, simulateMat({ ...exampleMatRider, spacing: 140 }, 2, 10, seeded(3)))
    expect(stationOf(sound, [], { mat }).widthFindings.map((f) => f.key)).toContain('mat-differs')
  })
  it('asks for the tilt where the rider sits, and warns of a level laid nose to tail on a curved saddle', () => {
    const unread = stationOf({ tipToTail: -4, saddleTailRise: 15, saddleNoseDrop: 5, saddleLength: 270 }).tilt
    expect(unread.findings[0]).toMatchObject({ key: 'not-read', sentence: expect.stringMatching(/would stand 0\.2° nose up/) as string })
    const both = stationOf({ ...sound, tipToTail: -5 }).tilt
    expect(both.findings.map((f) => f.key)).toEqual(['tilt-fits', 'tip-to-tail'])
    expect([usualTiltUse('mountain', 50), usualTiltUse('drop bar', 28), usualTiltUse('town', null)]).toEqual(['mountain', 'low', 'road'])
  })
  it('knows which figures a head’s turns still lack', () => {
    const head = (over: Over) => tiltHead(setupOf(readingsWith(over), [], 'drop').now)
    expect(head({}).missing).toEqual(['postHead'])
    expect(head({ postHead: 'two-bolts' }).missing).toEqual(['headThread', 'headBoltSpacing'])
    expect(head({ postHead: 'notched' }).missing).toEqual(['headNotch'])
    expect(head({ postHead: 'smooth' }).head).toMatchObject({ kind: 'smooth' })
    expect(head({ postHead: 'two-bolts', headThread: 'M5', headBoltSpacing: 38 }).head).toMatchObject({
      kind: 'two-bolts',
      thread: 'M5',
      spacing: 38,
    })
  })
  it('rails at their end and a post at its mark hold the proposal', () => {
    expect(stationOf({ ...sound, sitsWhere: 'tail', railRoomBack: 0 }).setback.findings.map((f) => f.key)).toContain('rails')
  })
  it('a rider of whom nothing is read gets no judgement, and no trouble', () => {
    const setup = setupOf([], [], 'flat')
    const empty = seatParts({
      ...context,
      setup,
      start: setup,
      complaints: [complaintAt(1, 'groin', 'middle', { kind: 'numb' })],
      kind: 'other',
      readings: [],
      metrics: null,
      plusMinus: () => null,
    })
    expect(empty).toMatchObject({ width: null, height: null, spacing: null, postures: [] })
    expect(JSON.stringify({ ...empty, context: null })).not.toMatch(/NaN/)
  })
})

describe('an exchange of saddles in the ledger', () => {
  const readings = readingsWith({
    ...sound,
    saddleKind: 'long-curved',
    saddleRailHeight: 48,
    saddleSetback: 60,
    postRoomUp: 20,
    postRoomDown: 40,
    clampFromNose: 130,
  })
  const touring = startingSaddles.find((spec) => spec.name === 'Touring, 165')!
  it('keeps the rider in place: nose, width and post room follow, saddle height and knees do not', () => {
    const setup = setupOf(readings, [], 'drop')
    const exchange = saddleExchange(touring, setup.now)
    expect(exchange.from.name).toBe('Long, curved, 138 mm')
    const { moves, exchanges, before, after } = knockOn(standingOf(setup), [exchange], { knee: true, hands: 'seat', lever: true }, 'step')
    const entry = { ...entryOf(1, ...moves), exchanges: [...exchanges] }
    const then = setupOf(readings, [entry], 'drop').now
    expect([chosen(then, 'saddleKind'), chosen(then, 'saddleRelief')]).toEqual(['touring', 'cut-out'])
    // Its condition has not been checked: what was seen was the saddle before.
    expect(chosen(then, 'saddleSound')).toBeNull()
    expect(then.saddleWidth.left!.value).toBe(165)
    expect(then.saddleHeight.left!.value).toBe(setup.now.saddleHeight.left!.value)
    // Sit point 150 → 160 behind the nose: the nose stands 10 mm further forward; 4 mm taller: as much room less below, more above.
    expect(then.saddleSetback.left!.value).toBe(50)
    expect(then.postRoomDown.left!.value).toBe(36)
    expect(then.postRoomUp.left!.value).toBe(24)
    expect(after!.kneeLeft).toBeCloseTo(before!.kneeLeft!, 6)
  })
  it('leaves out what is not read of the saddle in use', () => {
    const bare = setupOf([aReading('saddleWidth', 'both', 140)], [], 'drop')
    expect(movesOf(saddleExchange(touring, bare.now))).toEqual([{ setting: 'saddleWidth', side: 'both', by: 25 }])
  })
})
