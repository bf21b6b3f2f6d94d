import { calibrateRider, riderWith } from '../core/src/change/calibrated.ts'
import { defaultHolds, knockOn } from '../core/src/change/knockOn.ts'
import { setupOf, standingOf } from '../core/src/change/setup.ts'
import { riderFacts } from '../core/src/body/facts.ts'
import { buildModel, axlesOf, unmoved } from '../core/src/measure/riderModel.ts'
import { resolveReadings } from '../core/src/measure/resolve.ts'
import { cleatProposal } from '../core/src/change/cleatProposal.ts'
import { demoVisits } from '../server/src/demo/riders.ts'
const full = demoVisits.at(-1)!.readings; const ledger = demoVisits.at(-1)!.ledger
const rider = calibrateRider(full, ledger, 'drop')
const t = (name: string, f: () => unknown, n = 200) => { for (let i = 0; i < 50; i++) f(); const s = performance.now(); for (let i = 0; i < n; i++) f(); console.log(name, ((performance.now() - s) / n).toFixed(3)) }
const setup = setupOf(full, ledger, 'drop', rider)
const st = standingOf(setup); const wishes = [{ setting: 'saddleHeight' as const, side: 'both' as const, by: 4 }]
const model = riderWith(rider, unmoved)!
t('resolve', () => resolveReadings(full)); t('buildModel', () => buildModel(rider.values, 'drop', st.by)); t('riderFacts', () => riderFacts(model, axlesOf(rider.values)))
t('setupOf', () => setupOf(full, ledger, 'drop', rider)); t('whole', () => knockOn(st, wishes, defaultHolds(wishes), 'whole')); t('step', () => knockOn(st, wishes, defaultHolds(wishes), 'step')); t('calibrate', () => calibrateRider(full, ledger, 'drop'), 50); t('cleatProposal', () => cleatProposal(setup, { left: 18, right: 20 }), 50)
