#!/usr/bin/env node
// `npm run dev`: the server from source and the screens with hot reload, on the lasting data.
import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { lastingCluster, lastingHome, ownDatabase } from './lib/cluster.mjs'
import { needDebian, needPackages } from './lib/prepare.mjs'
import { root } from './lib/system.mjs'

needDebian('postgresql')
needPackages()
const cluster = await lastingCluster()
const env = { ...process.env, PORT: '4811', DATABASE_URL: ownDatabase(cluster, lastingHome(), 'level_stance') }
const server = spawn(process.execPath, ['--watch', '--import', 'tsx', join(root, 'server/src/main.ts')], {
  stdio: 'inherit',
  env,
  detached: true,
})
const web = spawn(join(root, 'node_modules/.bin/vite'), { cwd: join(root, 'web'), stdio: 'inherit', detached: true })
process.on('SIGINT', async () => {
  process.kill(-server.pid, 'SIGTERM')
  process.kill(-web.pid, 'SIGTERM')
  await cluster.stop()
  process.exit(0)
})
