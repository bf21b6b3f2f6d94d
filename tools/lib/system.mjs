// What the launcher needs of the machine. Only Node's own modules: it runs before `npm ci`.
import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const root = dirname(dirname(dirname(fileURLToPath(import.meta.url))))
export const varFolder = join(root, 'var')
export const isRoot = process.getuid?.() === 0

export const say = (text) => console.log(`· ${text}`)

/** A failure with words for the terminal; no stack is shown for it. */
export class Stop extends Error {}

/** What the machine says of a file or a port, as a person would. */
const reasons = {
  EROFS: 'it is on a read-only disk',
  EACCES: 'this user may not',
  EPERM: 'this user may not',
  ENOSPC: 'the disk is full',
  EDQUOT: 'the disk quota is used up',
  ENOTDIR: 'a file stands where a folder should be',
  EEXIST: 'a file stands where a folder should be',
  EISDIR: 'a folder stands where a file should be',
  ENOENT: 'it is not there',
  EMFILE: 'too many files are open',
}

/** One plain sentence for whatever stopped the launcher; a stack trace helps nobody at a terminal. */
export function wordsFor(error) {
  if (error instanceof Stop) return error.message
  const reason = reasons[error?.code]
  if (reason && error.path) {
    const reading = ['open', 'read', 'stat', 'scandir'].includes(error.syscall) && error.code === 'ENOENT'
    return `${reading ? 'Cannot read' : 'Cannot write'} ${error.path}: ${reason}.`
  }
  return `It could not be started: ${String(error?.message ?? error).split('\n')[0]}`
}

/** Runs a command to its end, output shown; throws when it fails. */
export function run(command, args, options = {}) {
  const result = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options })
  if (result.status !== 0) throw new Stop(`${command} ${args.join(' ')} failed (${result.status ?? result.signal ?? result.error?.code}).`)
  return result
}

/** Runs a command and resolves with its exit code; does not block timers or signals. */
export function runAsync(command, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { cwd: root, stdio: 'inherit', ...options })
    child.on('error', reject)
    child.on('exit', (code, signal) => resolve(code ?? (signal ? 1 : 0)))
  })
}

/** uid and gid of a system user, or null. */
export function userIds(name) {
  const line = readFileSync('/etc/passwd', 'utf8')
    .split('\n')
    .find((entry) => entry.startsWith(`${name}:`))
  if (!line) return null
  const [, , uid, gid] = line.split(':')
  return { uid: Number(uid), gid: Number(gid) }
}

/** Whether another user can use a path: `test -r`, `-w` or `-x` as that user. */
export function userCan(ids, flag, path) {
  return spawnSync('test', [flag, path], { ...ids, cwd: '/' }).status === 0
}

export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer()
    server.on('error', reject)
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address()
      server.close(() => resolve(port))
    })
  })
}

/** Why a port of this machine cannot be listened on: `EADDRINUSE`, `EACCES`; null where it can. */
export function portProblem(port) {
  return new Promise((resolve) => {
    const server = createServer()
    server.on('error', (error) => resolve(error.code ?? 'EADDRINUSE'))
    server.listen(port, '127.0.0.1', () => server.close(() => resolve(null)))
  })
}

export const portIsFree = async (port) => (await portProblem(port)) === null

/** When a process was started, in ticks since boot: with its id it names one process for good. Null where it is gone. */
export function startOf(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null
  } catch {
    return null
  }
}

export const isAlive = (pid) => {
  try {
    process.kill(pid, 0)
    return true
  } catch (error) {
    return error.code === 'EPERM'
  }
}

export const sleep = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

/** A folder name that belongs to this checkout alone. */
export const checkoutKey = createHash('sha256').update(root).digest('hex').slice(0, 10)

/** Fingerprint of source folders and files: changes when anything in them does. */
export function fingerprint(paths) {
  const hash = createHash('sha256')
  const visit = (path) => {
    if (!existsSync(path)) return
    const info = statSync(path)
    if (info.isDirectory()) {
      for (const name of readdirSync(path).sort()) if (name !== 'node_modules' && name !== 'dist') visit(join(path, name))
    } else hash.update(`${path}\0`).update(readFileSync(path))
  }
  for (const path of paths) visit(join(root, path))
  return hash.digest('hex')
}

/** Runs `work` only when the fingerprint under `name` has changed or `output` is missing. */
export function whenChanged(name, paths, output, work) {
  const stampFile = join(varFolder, `${name}.stamp`)
  const now = fingerprint(paths)
  if (existsSync(join(root, output)) && existsSync(stampFile) && readFileSync(stampFile, 'utf8') === now) return false
  work()
  mkdirSync(varFolder, { recursive: true })
  writeFileSync(stampFile, now)
  return true
}
