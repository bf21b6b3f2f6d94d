import { fieldOf } from '@level-stance/core/kernel/tables'
import { existsSync } from 'node:fs'
import type { Server } from 'node:http'
import { fileURLToPath, pathToFileURL } from 'node:url'
import pino from 'pino'
import { createApp } from './app.ts'
import { calculateHere, workBy } from './calculations/heavy.ts'
import { calculationPool } from './calculations/pool.ts'
import { connect, migrateDatabase } from './db/connect.ts'
import { databaseWords } from './db/words.ts'
import { loadDemo } from './demo/load.ts'
import { DEFAULT_STUDIO, ensureStudio } from './http/studio.ts'
import { ensureCatalogues } from './catalogue/store.ts'
import { countAllDue } from './visits/learned.ts'
import { loadSheetFonts } from './pdf/fonts.ts'

const path = (relative: string) => fileURLToPath(new URL(relative, import.meta.url))
const logger = pino({ level: process.env['LOG_LEVEL'] ?? 'info', base: null })
const databaseUrl = process.env['DATABASE_URL']
if (databaseUrl === undefined) {
  process.stderr.write('DATABASE_URL is not set. Use `npm start`, which sets it.\n')
  process.exit(2)
}

/** Ends before it has begun, in one sentence: to the launcher, or to the terminal. */
function giveUp(words: string, code: number): Promise<never> {
  const leave = () => process.exit(code)
  if (process.send) process.send({ failed: words }, leave)
  else process.stderr.write(`${words}\n`, leave)
  return new Promise(() => {})
}

leaveRoot()
const { db, close } = connect(databaseUrl, (error) => logger.warn(`lost a database connection: ${error.message}`))
try {
  await migrateDatabase(db, path('../migrations'))
  await ensureStudio(db)
  await ensureCatalogues(db, DEFAULT_STUDIO)
  if (process.env['LEVEL_STANCE_DEMO'] !== 'no') await loadDemo(db)
} catch (error) {
  await giveUp(databaseWords(error, databaseUrl), 4)
}

const built = path('../../web/dist')
// A studio's machine has few cores: one for everybody, and what is heavy beside it.
const workerScript = path('./calculation.worker.js')
const pool = existsSync(workerScript) ? calculationPool(pathToFileURL(workerScript), 2, 10_000) : null
const calculate = pool?.calculate ?? calculateHere(() => loadSheetFonts(path('./main.js')))
countAllDue(db, workBy(calculate)).catch((error: unknown) => logger.warn({ err: error }, 'what some visits came to is still to be counted'))
const app = createApp({
  db,
  logger,
  fonts: loadSheetFonts(path('./main.js')),
  webRoot: existsSync(built) ? built : null,
  calculate,
  extraHosts: (process.env['LEVEL_STANCE_HOSTS'] ?? '').split(',').filter((host) => host !== ''),
})
const host = process.env['HOST'] ?? '127.0.0.1'
const server: Server = app.listen(Number(process.env['PORT'] ?? 4810), host, (error) => {
  if (error) {
    const code = fieldOf(error, 'code')
    const why = code === 'EADDRINUSE' ? 'is in use' : code === 'EACCES' ? 'may not be listened on by this user' : 'cannot be listened on'
    return void giveUp(`Port ${process.env['PORT'] ?? 4810} ${why}. Choose another: PORT=4811 npm start`, 3)
  }
  const address = server.address()
  const port = typeof address === 'object' && address !== null ? address.port : 0
  logger.info(`listening on http://${host}:${port}`)
  process.send?.({ listening: port })
})

/** Started by root, the server goes on as the user it is told to. */
function leaveRoot(): void {
  const [uid, gid] = (process.env['LEVEL_STANCE_RUN_AS'] ?? '').split(':').map(Number)
  if (process.getuid?.() !== 0 || !uid || !gid) return
  process.setgroups?.([])
  process.setgid?.(gid)
  process.setuid?.(uid)
}

// Longer than a browser keeps an idle connection, so that it is never closed under a request on its way.
server.keepAliveTimeout = 65_000

// What is thrown outside of a request is heard, and the launcher starts the server again.
for (const event of ['uncaughtException', 'unhandledRejection'] as const) {
  process.on(event, (error: unknown) => {
    logger.fatal({ err: error }, 'something failed outside of a request')
    setTimeout(() => process.exit(1), 1000).unref()
    stop(1)
  })
}

let stopping = false
/** Lets running requests finish, then leaves. */
function stop(code = 0): void {
  if (stopping) return
  stopping = true
  // A request whose caller has gone may still be at work when the last connection closes.
  server.close(() => setTimeout(() => void close().finally(() => process.exit(code)), 150))
  server.closeIdleConnections()
  setTimeout(() => process.exit(code), 5000).unref()
}
for (const signal of ['SIGTERM', 'SIGINT', 'disconnect'] as const) process.on(signal, () => stop())
