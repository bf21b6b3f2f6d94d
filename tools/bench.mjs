#!/usr/bin/env node
// `npm run bench`: how fast it is, as a table. `-- --visits 100000` for a bigger studio, `-- --only Hands` for the
// screens' rows with that word alone. No limits here or in tests.
import { execFileSync } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { ownDatabase, temporaryCluster } from './lib/cluster.mjs'
import { needBuild, needDebian, needPackages } from './lib/prepare.mjs'
import { serve } from './lib/serve.mjs'
import { root, say, varFolder } from './lib/system.mjs'

needDebian('postgresql', 'chromium-headless-shell')
needPackages()
needBuild()
const asked = process.argv.indexOf('--visits')
const visits = asked < 0 ? 10_000 : Number(process.argv[asked + 1])
const word = process.argv.indexOf('--only')
const only = word < 0 ? undefined : new RegExp(process.argv[word + 1] ?? '', 'i')
const { fill, measureApi } = await import('./bench/load.mjs')
const { measureScreens } = await import('./bench/screens.mjs')

say('core')
const core = JSON.parse(
  execFileSync(process.execPath, ['--import', 'tsx', join(root, 'tools/bench/core.ts')], { cwd: root, encoding: 'utf8' }),
)
const cluster = await temporaryCluster()
const passwords = join(varFolder, 'bench')
execFileSync('mkdir', ['-p', passwords])
const url = ownDatabase(cluster, passwords, 'bench')
const server = await serve(url, 0, { LOG_LEVEL: 'error' })
/** Ended from outside, it leaves nothing running. */
let ending = false
async function end(code) {
  if (ending) return
  ending = true
  await server.stop()
  await cluster.stop()
  rmSync(passwords, { recursive: true, force: true })
  process.exit(code)
}
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void end(1))
try {
  say('screens')
  const screens = await measureScreens(server.address, { only })
  const ms = (value) => `${value.toFixed(1)} ms`
  const table = {
    'leg postures per second, one core': { measured: Math.round(core.postures).toLocaleString('en'), reach: '≥ 1,000,000' },
    'whole riders per second, one core': { measured: Math.round(core.wholeRiders).toLocaleString('en'), reach: '≥ 300,000' },
    'calibration of a full rider, median': { measured: ms(core.calibration), reach: '< 50 ms' },
    'the same after one key, warm': { measured: ms(core.recalibration), reach: '' },
    '± of every number, first order (in a worker)': { measured: ms(core.uncertainty), reach: '' },
    'causes, next readings and first moves of 8 complaints (in a worker)': { measured: ms(core.reasoning), reach: '30 ms' },
    'one knock-on, exact, with all numbers': { measured: ms(core.knockOns), reach: '' },
    'pedal ranking, 200 systems': { measured: ms(core.ranking), reach: '< 16 ms' },
    'saddle ranking, 200 saddles': { measured: ms(core.saddleRanking), reach: '< 16 ms' },
    'pressure mat, 100 frames of 64 × 32': { measured: ms(core.pressure), reach: '< 50 ms' },
    'height–setback curve': { measured: ms(core.curve), reach: '< 16 ms' },
    'ways to a stance, 10 sizes of every part': { measured: ms(core.stance), reach: '< 16 ms' },
    'cockpit search, combinations per second, all of them': { measured: core.cockpitAll.toLocaleString('en'), reach: '≥ 5,000,000' },
    'cockpit search, rows that cannot win left out': { measured: core.cockpitPruned.toLocaleString('en'), reach: '' },
    'saddle heights per second': { measured: Math.round(core.heights).toLocaleString('en'), reach: '' },
    'proposals for both cleats per second': { measured: Math.round(core.proposals).toLocaleString('en'), reach: '' },
  }
  for (const [name, found] of Object.entries(screens)) {
    if (found === undefined) continue
    if (found.failed) table[name] = { measured: `failed: ${found.failed}`, reach: '' }
    else if (name === 'firstLoad')
      table['first route, script, gzipped'] = { measured: `${(found / 1000).toFixed(0)} kB`, reach: '≤ 250 kB' }
    else {
      const isFloor = name === 'floor' || name === 'pointer'
      const limit = name.endsWith('throttled') ? 33 : 8
      const label = { floor: 'key on an empty page', pointer: 'drag on an empty page' }[name] ?? name
      table[`${label}: work, median / p95`] = {
        measured: `${ms(found.work.median)} / ${ms(found.work.p95)}`,
        reach: isFloor ? '' : `p95 ≤ ${limit} ms`,
      }
      table[`${label}: event to painted frame, p95`] = {
        measured: ms(found.frame.p95),
        reach: isFloor || name.endsWith('throttled') ? '' : 'empty page + 8 ms',
      }
      if (found.all) {
        table[`${label}: until all that follows is painted, median / p95`] = {
          measured: `${ms(found.all.median)} / ${ms(found.all.p95)}`,
          reach: '',
        }
        table[`${label}: main thread a press, all of it`] = { measured: ms(found.busy), reach: '' }
      }
    }
  }
  try {
    say(`API with ${visits} visits`)
    await fill(url, visits)
    // The database still writes out what was filled in during the first seconds: those are not a studio's day.
    await measureApi(server.address, visits, 6)
    const { steady, flatOut, reads } = await measureApi(server.address, visits, 8)
    table[`API p99 at 200 requests/s, ${visits} visits`] = { measured: ms(steady.p99), reach: '< 25 ms' }
    table['API median at 200 requests/s'] = { measured: ms(steady.p50), reach: '' }
    table['API requests per second, flat out, 8 connections'] = { measured: Math.round(flatOut.rate).toLocaleString('en'), reach: '' }
    table['whole visits read per second, 8 connections'] = { measured: Math.round(reads.rate).toLocaleString('en'), reach: '' }
    table['API errors'] = { measured: steady.errors + flatOut.errors + reads.errors, reach: '0' }
  } catch (error) {
    table['API'] = { measured: `failed: ${error.message}`, reach: '' }
  }
  console.table(table)
} finally {
  await end(0)
}
