// Speed of the core on one thread; prints JSON.
import { legSweep, saddleHeightForFlexion } from '../../core/src/body/leg.ts'
import type { LegInput } from '../../core/src/body/leg.ts'
import { setupOf } from '../../core/src/rider/setup.ts'
import type { PedalRider } from '../../core/src/stations/feet/pedal/criteria.ts'
import { startingPedals } from '../../core/src/stations/feet/pedal/kinds.ts'
import { rankPedals } from '../../core/src/stations/feet/pedal/ranking.ts'
import { stanceOptions } from '../../core/src/stations/feet/stance/search.ts'
import { setbackCurve } from '../../core/src/knockOn/seatCurve.ts'
import { exampleMatRider } from '../../core/src/simulate/examples.ts'
import { analyseMat } from '../../core/src/stations/seat/mat/analysis.ts'
import { simulateMat, simulatedMat } from '../../core/src/simulate/matSimulation.ts'
import { seeded } from '../../core/src/kernel/random.ts'
import type { SaddleRider } from '../../core/src/stations/seat/saddle/criteria.ts'
import { startingSaddles } from '../../core/src/stations/seat/saddle/kinds.ts'
import { searchCockpit } from '../../core/src/stations/hands/cockpit/search.ts'
import type { SearchInput } from '../../core/src/stations/hands/cockpit/question.ts'
import { rankSaddles } from '../../core/src/stations/seat/saddle/ranking.ts'
import { riderAt } from '../../core/src/body/rider.ts'
import { calibrateBody, calibrateRider, riderWith } from '../../core/src/rider/calibrated.ts'
import { metricSpreads, uncertaintyModelOf } from '../../core/src/uncertainty/uncertainty.ts'
import { defaultHolds, knockOn } from '../../core/src/knockOn/knockOn.ts'
import { standingOf } from '../../core/src/rider/setup.ts'
import { unmoved } from '../../core/src/readings/movedBy.ts'
import { demoVisits } from '../../server/src/demo/riders.ts'
import { complaintAt, controlComplaint, exampleReadings } from '../../core/src/testing.ts'
import { reason } from '../../core/src/reason/reason.ts'
import { aVisit } from '../../core/src/reason/testing.ts'
import { visitModel } from '../../core/src/reason/visitModel.ts'

const leg: LegInput = {
  thigh: 430,
  shank: 440,
  ankleBehind: 130,
  ankleAbove: 90,
  crank: 172.5,
  saddleHeight: 690,
  seatAngle: 73,
  hipForward: 40,
  hipUp: 85,
  footPitch: 18,
}

/** Runs for about `seconds` and gives the rate; the sum keeps the work from being optimised away. */
function rate(seconds: number, batch: (n: number) => number): number {
  let sum = batch(20_000)
  let done = 0
  const start = performance.now()
  while (performance.now() - start < seconds * 1000) {
    sum += batch(1000)
    done += 1000
  }
  if (!Number.isFinite(sum)) throw new Error('the bench computed nonsense')
  return done / ((performance.now() - start) / 1000)
}

const posture = legSweep(leg, 10)
const postures = rate(2, (n) => {
  let sum = 0
  for (let i = 0; i < n; i++) sum += posture(i % 360).kneeFlexion
  return sum
})
const heights = rate(1, (n) => {
  let sum = 0
  for (let i = 0; i < n; i++) sum += saddleHeightForFlexion(leg, 20 + (i % 30))
  return sum
})
const setup = setupOf(exampleReadings, [], 'drop')
const cleats = [
  { setting: 'cleatSetback', side: 'left', by: 5 },
  { setting: 'cleatSetback', side: 'right', by: 8 },
] as const
let judged = 0
const start = performance.now()
while (performance.now() - start < 1000) {
  knockOn(standingOf(setup), cleats, defaultHolds(cleats), 'step')
  judged += 1
}
const proposals = judged / ((performance.now() - start) / 1000)
/** Median milliseconds of a job, after a warm-up. */
function milliseconds(job: () => unknown, times = 60): number {
  for (let i = 0; i < 20; i++) job()
  const taken = Array.from({ length: times }, () => {
    const from = performance.now()
    job()
    return performance.now() - from
  })
  return taken.sort((a, b) => a - b)[Math.floor(times / 2)] ?? 0
}

// A full rider: the conductor of the demo, with every reading.
const full = demoVisits.at(-1)?.readings ?? []
const rider = calibrateRider(full, [], 'drop')
const model = riderWith(rider, unmoved)
if (model === null) throw new Error('the demo rider cannot be drawn')
const wholeRiders = rate(2, (n) => {
  let sum = 0
  for (let i = 0; i < n; i++) sum += riderAt(model, i % 360).centreOfMass?.x ?? 0
  return sum
})
const calibration = milliseconds(() => calibrateRider(full, [], 'drop'))
// The same rider with one knee read a degree further, as after a key press.
const body = calibrateBody(full, [], 'drop')
let turn = 0
const recalibration = milliseconds(() => {
  turn += 1
  const typed = full.map((row) =>
    row.key === 'kneeFlexion' && typeof row.value === 'number' ? { ...row, value: row.value + (turn % 3) } : row,
  )
  return calibrateBody(typed, [], 'drop', body)
})
const uncertainty = milliseconds(() => {
  const known = uncertaintyModelOf(rider, unmoved)
  return known && metricSpreads(known)
}, 30)
const standing = standingOf(setupOf(full, [], 'drop'))
const requested = [{ setting: 'saddleHeight' as const, side: 'both' as const, by: 4 }]
const knockOns = milliseconds(() => knockOn(standing, requested, defaultHolds(requested), 'whole'), 200)
// Two hundred systems: the kinds with every figure varied a little, so that nothing ranks alike.
const catalogue = Array.from({ length: 200 }, (_, i) => {
  const spec = startingPedals[i % startingPedals.length] ?? startingPedals[0]!
  return { id: String(i), spec: { ...spec, name: `System ${i}`, patch: spec.patch + i, stack: spec.stack + (i % 5) / 2, mud: 1 + (i % 5) } }
})
const pedalRider: PedalRider = {
  mass: 88,
  soleStiffness: 'soft',
  forefoot: true,
  knee: true,
  entry: false,
  loose: false,
  bowLegged: true,
  use: 'long',
  widen: 6,
  swing: 4,
  bolts: 'three bolts',
  kindNow: 'recessed',
  axleNow: 53,
  hours: 5,
}
const ranking = milliseconds(() => rankPedals(catalogue, pedalRider, { patch: 4 }), 200)
const ten = (from: number, step: number) => Array.from({ length: 10 }, (_, i) => from + i * step)
const side = { tread: 146, axle: 53, washer: 0, adapter: 0, cleatInboard: 0 }
const stance = milliseconds(
  () =>
    stanceOptions({
      now: { left: side, right: side },
      target: { left: 137, right: 141 },
      cleatRoom: { left: { low: -2, high: 2 }, right: { low: -2, high: 2 } },
      thread: { left: 14, right: 14 },
      stock: { washers: ten(0, 0.4), axles: ten(50, 1.5), adapters: ten(0, 4), treads: ten(140, 5) },
    }),
  100,
)
const mat = simulateMat(exampleMatRider, 10, 10, seeded(1))
const pressure = milliseconds(() => analyseMat(simulatedMat, mat), 60)
const spec = startingSaddles[0]!
const saddleList = Array.from({ length: 200 }, (_, i) => ({ id: String(i), spec: { ...spec, name: `Saddle ${i}`, width: 120 + (i % 60) } }))
const saddleRider: SaddleRider = {
  mass: 78,
  spacing: 128,
  width: { low: 148, high: 158 },
  torso: 54,
  softTissue: true,
  sitBones: false,
  rocks: false,
  creeps: false,
  hours: 5,
  postRoomDown: 60,
  railHeightNow: 48,
  tried: {},
}
const saddleRanking = milliseconds(() => rankSaddles(saddleList, saddleRider), 200)
const curve = milliseconds(() => setbackCurve(standing), 100)
// Eight complaints of the same rider, by ± that are at hand, as the worker has them.
const numb = { kind: 'numb' } as const
const eight = [
  complaintAt(1, 'groin', 'middle', numb),
  complaintAt(2, 'forefoot', 'both', numb),
  complaintAt(3, 'knee-outer', 'right'),
  complaintAt(4, 'neck', 'middle'),
  complaintAt(5, 'hand-little', 'both', numb),
  complaintAt(6, 'low-back', 'middle'),
  controlComplaint(7, 'slides-forward'),
  controlComplaint(8, 'leg-disconnected'),
]
const known = uncertaintyModelOf(rider, unmoved)
const spreads = known && metricSpreads(known)
const { input } = visitModel(aVisit({ readings: full, complaints: eight }), { spreads })
const reasoning = milliseconds(() => reason(input), 60)
// A workshop's catalogue: 200 stems, 120 bars, every 2.5 mm of spacer and half a degree of roll.
const flatShape = { kind: 'flat', barWidth: 780, barRise: 20, barForward: 0, barBacksweep: 8, barUpsweep: 5, barBend: 80 } as const
const cockpit: SearchInput = {
  bar: 'flat',
  front: { frameReach: 445, frameStack: 615, headAngle: 66, headset: 12, spacers: 15, halfClamp: 20, stemLength: 50, stemAngle: 6 },
  steerer: 40,
  spacerStep: 2.5,
  stems: Array.from({ length: 200 }, (_, i) => ({
    name: String(i),
    clampSize: null,
    stemLength: 32 + (i % 90),
    stemAngle: (i % 45) - 15,
    price: 2,
    isOn: i === 0,
  })),
  bars: Array.from({ length: 120 }, (_, i) => ({
    name: String(i),
    clampSize: null,
    price: 2,
    isOn: i === 0,
    shape: { ...flatShape, barWidth: 700 + i, barRise: i % 60 },
  })),
  stemWithin: null,
  roll: { now: 0, reach: 8, step: 0.5 },
  lever: { now: 45, reach: 0, step: 5, angle: 0 },
  handFromEnd: 60,
  needed: 0,
  wanted: { hold: 'place', at: { x: 470, y: 690 }, spacing: 660 },
  offset: { x: 0, y: 0 },
  hands: [{ back: 11, up: 7 }],
  count: 12,
}
const searched = (prune: boolean) => {
  const began = performance.now()
  const { combinations } = searchCockpit(cockpit, prune)
  return (1000 * combinations) / (performance.now() - began)
}
searched(false)
const cockpitAll = Math.round(searched(false))
const cockpitPruned = Math.round(searched(true))
console.log(
  JSON.stringify({
    cockpitAll,
    cockpitPruned,
    reasoning,
    pressure,
    recalibration,
    saddleRanking,
    curve,
    postures,
    heights,
    wholeRiders,
    calibration,
    uncertainty,
    knockOns,
    ranking,
    stance,
    proposals,
  }),
)
