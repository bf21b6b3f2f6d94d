import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { toolScript, tools } from './toolScript.ts'

it('the project’s own PostgreSQL: loopback only, by password only, an app role without powers, gone when stopped', () => {
  const seen = toolScript(
    { 'cluster.mjs': 'temporaryCluster, ownDatabase' },
    `
    import { mkdtempSync, rmSync } from 'node:fs'
    import { createConnection } from 'node:net'
    const cluster = await temporaryCluster()
    const home = mkdtempSync('/tmp/level-stance-passwords-')
    const url = ownDatabase(cluster, home, 'probe')
    const same = ownDatabase(cluster, home, 'probe') === url
    const role = cluster.psql("select rolsuper, rolcreatedb, rolcreaterole from pg_roles where rolname = 'probe'")
    const listens = cluster.psql('show listen_addresses') + '|' + cluster.psql('show unix_socket_directories')
    const methods = cluster.psql("select string_agg(distinct auth_method, ',') from pg_hba_file_rules where error is null")
    const owner = cluster.psql("select pg_get_userbyid(datdba) from pg_database where datname = 'probe'")
    const { port } = cluster
    await cluster.stop()
    const open = await new Promise((resolve) => {
      const socket = createConnection(port, '127.0.0.1', () => resolve(true))
      socket.on('error', () => resolve(false))
    })
    rmSync(home, { recursive: true })
    console.log(JSON.stringify({ same, role, listens, methods, owner, open }))
  `,
  )
  expect(seen).toEqual({ same: true, role: 'f|f|f', listens: '127.0.0.1|', methods: 'scram-sha-256', owner: 'probe', open: false })
}, 60_000)

it('refuses to delete data without a yes, and never in a database of the user’s own', () => {
  const fresh = (env: Record<string, string>) =>
    spawnSync(process.execPath, [join(tools, 'start.mjs'), '--fresh'], {
      encoding: 'utf8',
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
      timeout: 120_000,
    })
  const words = /To do so without being asked|already running/
  expect(fresh({}).stderr).toMatch(words)
  const outside = fresh({ DATABASE_URL: 'postgres://nobody@127.0.0.1:1/none' })
  expect(outside.status).toBe(1)
  expect(outside.stderr).toMatch(/does not delete anything in DATABASE_URL|already running/)
}, 120_000)
