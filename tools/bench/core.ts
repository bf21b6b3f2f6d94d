// Speed of the core on one thread; prints JSON.
import { legSweep, saddleHeightForFlexion } from '../../core/src/body/leg.ts'
import type { LegInput } from '../../core/src/body/leg.ts'
import { cleatProposal } from '../../core/src/change/cleatProposal.ts'
import { setupOf } from '../../core/src/change/setup.ts'
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
console.log(JSON.stringify({ postures, heights, proposals: judged / ((performance.now() - start) / 1000) }))
