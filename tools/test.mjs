#!/usr/bin/env node
// `npm test`: the same set-up as `npm start`, then every check. Ends with `N passed, N failed`.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { temporaryCluster } from './lib/cluster.mjs'
import { needBuild, needDebian, needNode, needPackages } from './lib/prepare.mjs'
import { Stop, root, runAsync, say, varFolder } from './lib/system.mjs'

const total = { passed: 0, failed: 0 }
const bin = (name) => join(root, 'node_modules/.bin', name)
const began = Date.now()
const took = (name, from) => say(`${name}: ${((Date.now() - from) / 1000).toFixed(0)} s`)

/** Each either holds or not, and counts as one. What a file’s check came to is kept until the file is another. */
const kept = (name) => join(varFolder, 'checks', name)
const sources = ['core/src', 'server/src', 'web/src']
const checks = [
  ['types', 'vue-tsc', ['-b']],
  ['eslint', 'eslint', ['.', '--cache', '--cache-strategy', 'content', '--cache-location', kept('eslint.json')]],
  ['prettier', 'prettier', ['--check', '--log-level', 'warn', '--cache', '--cache-strategy', 'content', '--cache-location', kept('prettier.json'), '.']],
  ['nothing exported that nobody uses', 'knip', ['--no-progress', '--no-config-hints']],
  ['rooms and circles of files', 'depcruise', ['--config', '.dependency-cruiser.mjs', ...sources]],
  ['circles of folders', 'depcruise', ['--config', '.dependency-cruiser.folders.mjs', ...sources]],
] // prettier-ignore

/** All checks, as many at once as there are cores; the longest first. */
async function everyCheck() {
  const waiting = [...checks]
  const lane = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [name, command, args] = next
      const from = Date.now()
      const code = await runAsync(bin(command), args)
      total[code === 0 ? 'passed' : 'failed'] += 1
      took(code === 0 ? name : `${name} FAILED`, from)
    }
  }
  await Promise.all(Array.from({ length: Math.max(1, availableParallelism()) }, lane))
}

/** A runner that writes a report: its own counts are added; a run without a report is a failure. */
async function suite(name, command, args, report, read, env = {}) {
  const from = Date.now()
  rmSync(report, { force: true })
  const code = await runAsync(command, args, { env: { ...process.env, ...env } })
  const counts = existsSync(report) ? read(JSON.parse(readFileSync(report, 'utf8'))) : { passed: 0, failed: 1 }
  if (code !== 0 && counts.failed === 0) counts.failed = 1
  total.passed += counts.passed
  total.failed += counts.failed
  took(name, from)
}

async function main() {
  needNode()
  mkdirSync(join(varFolder, 'checks'), { recursive: true })
  needDebian('postgresql', 'chromium-headless-shell')
  needPackages()
  await everyCheck()
  needBuild()
  const cluster = await temporaryCluster()
  try {
    const env = { TEST_DATABASE_URL: cluster.adminUrl }
    const jestReport = join(varFolder, 'jest.json')
    await suite(
      'core, screens’ parts and server',
      bin('jest'),
      ['--silent', `--maxWorkers=${availableParallelism()}`, '--json', `--outputFile=${jestReport}`],
      jestReport,
      (r) => ({ passed: r.numPassedTests, failed: r.numFailedTests + r.numRuntimeErrorTestSuites }),
      env,
    )
    const e2eReport = join(varFolder, 'e2e.json')
    await suite(
      'screens',
      bin('playwright'),
      ['test', '--config', 'e2e/playwright.config.ts'],
      e2eReport,
      ({ stats, errors }) => ({ passed: stats.expected + stats.flaky, failed: stats.unexpected + (errors?.length ?? 0) }),
      { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: e2eReport },
    )
  } finally {
    await cluster.stop()
  }
}

try {
  await main()
} catch (error) {
  console.error(error instanceof Stop ? error.message : error)
  total.failed += 1
}
took('all of it', began)
console.log(`\n${total.passed} passed, ${total.failed} failed`)
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1)
