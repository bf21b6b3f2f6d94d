// Starts the built server as a child and waits until it listens.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { readableApp } from './prepare.mjs'
import { Stop, isRoot, userIds } from './system.mjs'

/**
 * @param databaseUrl where the data is
 * @param port 0 for any free one
 * @param env more environment
 * @returns the child, its address, and a stop that waits
 */
export function serve(databaseUrl, port, env = {}) {
  const ids = isRoot ? (userIds('nobody') ?? { uid: 65534, gid: 65534 }) : null
  const app = readableApp(ids)
  const child = spawn(process.execPath, [join(app, 'server/dist/main.js')], {
    cwd: '/',
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    detached: true,
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      ...(ids ? { LEVEL_STANCE_RUN_AS: `${ids.uid}:${ids.gid}` } : {}),
      ...env,
    },
  })
  const exited = new Promise((resolve) => child.on('exit', (code) => resolve(code ?? 1)))
  const stop = async () => {
    if (child.connected) child.disconnect()
    else child.kill('SIGTERM')
    await exited
  }
  return new Promise((resolve, reject) => {
    child.on('message', (message) => {
      if (message?.failed) reject(new Stop(message.failed))
      if (message?.listening) resolve({ child, exited, stop, port: message.listening, address: `http://127.0.0.1:${message.listening}` })
    })
    void exited.then((code) => reject(new Stop(`The server ended before it listened (code ${code}).`)))
  })
}
