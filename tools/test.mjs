#!/usr/bin/env node
// `npm test`: the same set-up as `npm start`, then every check. Ends with `N passed, N failed`.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { temporaryCluster } from './lib/cluster.mjs'
import { needBuild, needDebian, needNode, needPackages } from './lib/prepare.mjs'
import { Stop, root, runAsync, say, varFolder } from './lib/system.mjs'

const total = { passed: 0, failed: 0 }
const bin = (name) => join(root, 'node_modules/.bin', name)

/** A check that either holds or not counts as one. */
async function check(name, command, args) {
  say(name)
  const code = await runAsync(command, args)
  total[code === 0 ? 'passed' : 'failed'] += 1
}

/** A runner that writes a report: its own counts are added; a run without a report is a failure. */
async function suite(name, command, args, report, read, env = {}) {
  say(name)
  rmSync(report, { force: true })
  const code = await runAsync(command, args, { env: { ...process.env, ...env } })
  const counts = existsSync(report) ? read(JSON.parse(readFileSync(report, 'utf8'))) : { passed: 0, failed: 1 }
  if (code !== 0 && counts.failed === 0) counts.failed = 1
  total.passed += counts.passed
  total.failed += counts.failed
}

async function main() {
  needNode()
  mkdirSync(varFolder, { recursive: true })
  needDebian('postgresql', 'chromium-headless-shell')
  needPackages()
  await check('eslint', bin('eslint'), ['.'])
  await check('prettier', bin('prettier'), ['--check', '--log-level', 'warn', '.'])
  await check('types of core, server, tools and e2e', bin('tsc'), ['-p', 'tsconfig.json'])
  await check('types of the screens', bin('vue-tsc'), ['-p', 'web/tsconfig.json'])
  needBuild()
  const cluster = await temporaryCluster()
  try {
    const env = { TEST_DATABASE_URL: cluster.adminUrl }
    const jestReport = join(varFolder, 'jest.json')
    await suite(
      'core and server',
      bin('jest'),
      ['--silent', '--json', `--outputFile=${jestReport}`],
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
console.log(`\n${total.passed} passed, ${total.failed} failed`)
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1)
