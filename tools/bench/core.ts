// Speed of the core on one thread; prints JSON.
import { legSweep, saddleHeightForFlexion } from '../../core/src/body/leg.ts'
import type { LegInput } from '../../core/src/body/leg.ts'
import { cleatProposal } from '../../core/src/change/cleatProposal.ts'
import { setupOf } from '../../core/src/change/setup.ts'
import { riderAt } from '../../core/src/body/rider.ts'
import { calibrateRider, riderWith } from '../../core/src/change/calibrated.ts'
import { factSpreads, knowledgeOf } from '../../core/src/change/knowledge.ts'
import { defaultHolds, knockOn } from '../../core/src/change/knockOn.ts'
import { standingOf } from '../../core/src/change/setup.ts'
import { unmoved } from '../../core/src/measure/riderModel.ts'
import { demoVisits } from '../../server/src/demo/riders.ts'
import { exampleReadings } from '../../core/src/testing.ts'

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
let judged = 0
const start = performance.now()
while (performance.now() - start < 1000) {
  cleatProposal(setup, { left: 10, right: 18 })
  judged += 1
}
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
const knowledge = milliseconds(() => {
  const known = knowledgeOf(rider, unmoved)
  return known && factSpreads(known)
}, 30)
const standing = standingOf(setupOf(full, [], 'drop', rider))
const wishes = [{ setting: 'saddleHeight' as const, side: 'both' as const, by: 4 }]
const knockOns = milliseconds(() => knockOn(standing, wishes, defaultHolds(wishes), 'whole'), 200)
console.log(
  JSON.stringify({
    postures,
    heights,
    wholeRiders,
    calibration,
    knowledge,
    knockOns,
    proposals: judged / ((performance.now() - start) / 1000),
  }),
)
