#!/usr/bin/env node
// `npm start`: from a fresh checkout to a served app. `-- --fresh` starts with empty data, asking first.
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { lastingCluster, lastingHome, ownDatabase } from './lib/cluster.mjs'
import { needBuild, needDebian, needNode, needPackages } from './lib/prepare.mjs'
import { serve } from './lib/serve.mjs'
import { Stop, isAlive, portIsFree, portProblem, say, sleep, startOf, varFolder, wordsFor } from './lib/system.mjs'

const DEFAULT_PORT = 4810
/** A server or a PostgreSQL that dies is started again, this often within a minute. */
const MOST_RESTARTS = 5
const lockFile = join(varFolder, 'running.json')
const outside = process.env.DATABASE_URL

try {
  await main()
} catch (error) {
  console.error(`\n${wordsFor(error)}\n`)
  process.exit(1)
}

/** The port that was asked for; null = the usual one, or a free one where that is taken. */
function wantedPort() {
  const text = process.env.PORT?.trim() ?? ''
  if (text === '') return null
  const port = Number(text)
  if (/^\d+$/.test(text) && port >= 1 && port <= 65535) return port
  throw new Stop(`PORT must be a whole number from 1 to 65535, not “${text.slice(0, 40)}”. For example: PORT=4811 npm start`)
}

async function main() {
  needNode()
  const port = wantedPort()
  mkdirSync(varFolder, { recursive: true })
  const other = running()
  if (other) throw new Stop(`Level Stance is already running from this folder: ${other.address ?? 'it is still starting'}`)
  writeLock()
  try {
    if (!outside) needDebian('postgresql')
    needPackages()
    if (process.argv.includes('--fresh')) await startAfresh()
    needBuild()
    await runUntilStopped(port)
  } finally {
    rmSync(lockFile, { force: true })
  }
}

function writeLock(more = {}) {
  writeFileSync(lockFile, JSON.stringify({ pid: process.pid, started: startOf(process.pid), ...more }))
}

/** A live launcher of this folder, from its lock. A process id that something else has got since is none. */
function running() {
  if (!existsSync(lockFile)) return null
  try {
    const lock = JSON.parse(readFileSync(lockFile, 'utf8'))
    const command = readFileSync(`/proc/${lock.pid}/cmdline`, 'utf8')
    const isSame = lock.started === undefined || lock.started === startOf(lock.pid)
    return isAlive(lock.pid) && isSame && command.includes('start.mjs') ? lock : null
  } catch {
    return null
  }
}

async function runUntilStopped(asked) {
  const stopAsked = new Promise((resolve) => {
    process.on('SIGINT', () => resolve('asked'))
    process.on('SIGTERM', () => resolve('asked'))
  })
  const wanted = asked ?? DEFAULT_PORT
  const problem = asked === null ? null : await portProblem(asked)
  if (problem !== null) {
    const why = problem === 'EACCES' ? 'may not be listened on by this user' : 'is in use'
    throw new Stop(`Port ${asked} ${why}. Choose another: PORT=4811 npm start`)
  }
  const run = { port: (await portIsFree(wanted)) ? wanted : 0, listened: false }
  let deaths = []
  for (;;) {
    const end = await runOnce(stopAsked, run)
    if (end === 'asked') return
    deaths = [...deaths.filter((at) => Date.now() - at < 60_000), Date.now()]
    if (deaths.length > MOST_RESTARTS)
      throw new Stop(`${end} ended ${deaths.length} times within a minute. Its last lines are above; start again with npm start.`)
    say(`${end} ended unexpectedly; starting again`)
    await Promise.race([stopAsked, sleep(400 * deaths.length)])
  }
}

/** PostgreSQL and server until one of them ends, or a stop is asked for; then both are stopped. */
async function runOnce(stopAsked, run) {
  let cluster = null
  let databaseUrl = outside
  let server = null
  try {
    if (!outside) {
      say('starting PostgreSQL')
      cluster = await lastingCluster()
      databaseUrl = ownDatabase(cluster, lastingHome(), 'level_stance')
    }
    server = await serve(databaseUrl, run.port, { LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn' })
    // From now on it is found under the same address.
    run.port = server.port
    writeLock({ address: server.address })
    if (!run.listened)
      console.log(`\n  Level Stance: ${server.address}\n\n  Ctrl+C stops it. Your data stays${outside ? ' in your database' : ''}.\n`)
    run.listened = true
    const ends = [stopAsked, server.exited.then(() => 'The server')]
    if (cluster) ends.push(cluster.ended().then(() => 'PostgreSQL'))
    return await Promise.race(ends)
  } catch (error) {
    // What never ran is not tried again; what ran before may only need a moment.
    if (!run.listened) throw error
    return 'The server'
  } finally {
    if (server) say('stopping')
    await server?.stop()
    await cluster?.stop()
  }
}

/** Deletes the project's own data, after a yes. Never touches an outside database. */
async function startAfresh() {
  if (outside) throw new Stop('--fresh does not delete anything in DATABASE_URL. Make a new database there instead.')
  if (!process.argv.includes('--yes')) {
    if (!process.stdin.isTTY)
      throw new Stop('--fresh deletes all riders and visits. To do so without being asked: npm start -- --fresh --yes')
    const reader = createInterface({ input: process.stdin, output: process.stdout })
    const answer = await reader.question('This deletes all riders and visits of this folder for good. Type "delete" to go on: ')
    reader.close()
    if (answer.trim() !== 'delete') throw new Stop('Nothing was deleted.')
  }
  const leftover = await lastingCluster()
  await leftover.stop()
  rmSync(lastingHome(), { recursive: true, force: true })
  say('the data was deleted')
}
