#!/usr/bin/env node
// `npm run bench`: how fast it is, as a table. `-- --visits 100000` for a bigger studio. No limits here or in tests.
import { execFileSync } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { ownDatabase, temporaryCluster } from './lib/cluster.mjs'
import { needBuild, needDebian, needPackages } from './lib/prepare.mjs'
import { serve } from './lib/serve.mjs'
import { root, say, varFolder } from './lib/system.mjs'

needDebian('postgresql', 'chromium')
needPackages()
needBuild()
const asked = process.argv.indexOf('--visits')
const visits = asked < 0 ? 10_000 : Number(process.argv[asked + 1])
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
try {
  say('screens')
  const screens = await measureScreens(server.address)
  say(`API with ${visits} visits`)
  await fill(url, visits)
  // The database still writes out what was filled in during the first seconds: those are not a studio's day.
  await measureApi(server.address, visits, 8)
  const { steady, flatOut } = await measureApi(server.address, visits)
  const ms = (value) => `${value.toFixed(1)} ms`
  console.table({
    'leg postures per second, one core': { measured: Math.round(core.postures).toLocaleString('en'), reach: '≥ 1,000,000' },
    'whole riders per second, one core': { measured: Math.round(core.wholeRiders).toLocaleString('en'), reach: '≥ 300,000' },
    'calibration of a full rider, median': { measured: ms(core.calibration), reach: '< 50 ms' },
    '± of every number, first order (in a worker)': { measured: ms(core.uncertainty), reach: '' },
    'one knock-on, exact, with all numbers': { measured: ms(core.knockOns), reach: '' },
    'pedal ranking, 200 systems': { measured: ms(core.ranking), reach: '< 16 ms' },
    'saddle ranking, 200 saddles': { measured: ms(core.saddleRanking), reach: '< 16 ms' },
    'pressure mat, 100 frames of 64 × 32': { measured: ms(core.pressure), reach: '< 50 ms' },
    'height–setback curve': { measured: ms(core.curve), reach: '< 16 ms' },
    'ways to a stance, 10 sizes of every part': { measured: ms(core.stance), reach: '< 16 ms' },
    'saddle heights per second': { measured: Math.round(core.heights).toLocaleString('en'), reach: '' },
    'whole proposals with uncertainty per second': { measured: Math.round(core.proposals).toLocaleString('en'), reach: '' },
    'key press to painted frame, empty page (this machine), median': { measured: ms(screens.floor.median), reach: '' },
    'key press to painted frame, empty page (this machine), p95': { measured: ms(screens.floor.p95), reach: '' },
    'key press to painted frame on Feet, median': { measured: ms(screens.keys.median), reach: '' },
    'key press to painted frame on Feet, p95': { measured: ms(screens.keys.p95), reach: '≤ 16 ms' },
    'mat streaming: knob to painted frame, median': { measured: ms(screens.live.knob.median), reach: '' },
    'mat streaming: knob to painted frame, p95': { measured: ms(screens.live.knob.p95), reach: '' },
    'mat streaming: board drag, median': { measured: ms(screens.live.board.median), reach: '' },
    'mat streaming: board drag, p95': { measured: ms(screens.live.board.p95), reach: '≤ 16 ms' },
    'cleat drag to painted frame, p95': { measured: ms(screens.drags.p95), reach: '' },
    'board drag to painted frame on Measure, all vials, median': { measured: ms(screens.board.median), reach: '' },
    'board drag to painted frame on Measure, all vials, p95': { measured: ms(screens.board.p95), reach: '≤ 16 ms' },
    'pointer to painted frame, empty page (this machine), p95': { measured: ms(screens.pointer.p95), reach: '' },
    'first route, script, gzipped': { measured: `${(screens.firstLoad / 1000).toFixed(0)} kB`, reach: '≤ 250 kB' },
    [`API p99 at 200 requests/s, ${visits} visits`]: { measured: ms(steady.p99), reach: '< 25 ms' },
    'API median at 200 requests/s': { measured: ms(steady.p50), reach: '' },
    'API requests per second, flat out, 8 connections': { measured: Math.round(flatOut.rate).toLocaleString('en'), reach: '' },
    'API errors': { measured: steady.errors + flatOut.errors, reach: '0' },
  })
} finally {
  await server.stop()
  await cluster.stop()
  rmSync(passwords, { recursive: true, force: true })
}
