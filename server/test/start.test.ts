import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { sql } from 'drizzle-orm'
import { connect } from '../src/db/connect.ts'
import { databaseWords } from '../src/db/words.ts'
import { toolScript, tools } from './toolScript.ts'

const adminUrl = process.env['TEST_DATABASE_URL'] ?? ''

describe('a start that cannot be', () => {
  it.each(['abc', '99999', '-1', '0', '48 10', '4810.5'])('with PORT=%s ends in one sentence, before anything else', (PORT) => {
    const { status, stderr, stdout } = spawnSync(process.execPath, [join(tools, 'start.mjs')], {
      encoding: 'utf8',
      env: { ...process.env, PORT },
      timeout: 20_000,
    })
    expect([status, stderr.trim()]).toEqual([
      1,
      `PORT must be a whole number from 1 to 65535, not “${PORT}”. For example: PORT=4811 npm start`,
    ])
    expect(stdout).toBe('')
  })

  it('says what is wrong with the disk as a person would, and never shows a stack', () => {
    const said = toolScript(
      { 'system.mjs': 'wordsFor' },
      `
      const of = (code, syscall) => wordsFor(Object.assign(new Error(code), { code, syscall, path: '/srv/app/var' }))
      let odd = ''
      try { null.x } catch (error) { odd = wordsFor(error) }
      console.log(JSON.stringify([of('EROFS', 'mkdir'), of('ENOSPC', 'write'), of('EACCES', 'open'), of('ENOTDIR', 'mkdir'), odd]))`,
    ) as string[]
    expect(said.slice(0, 4)).toEqual([
      'Cannot write /srv/app/var: it is on a read-only disk.',
      'Cannot write /srv/app/var: the disk is full.',
      'Cannot write /srv/app/var: this user may not.',
      'Cannot write /srv/app/var: a file stands where a folder should be.',
    ])
    expect(said[4]).toMatch(/^It could not be started: [^\n]+$/)
  })

  it('knows a process by its id and its start: an id that something else has got since is another', () => {
    const [own, again, gone] = toolScript(
      { 'system.mjs': 'startOf' },
      'console.log(JSON.stringify([startOf(process.pid), startOf(process.pid), startOf(2 ** 22 - 7)]))',
    ) as unknown[]
    expect([own, gone]).toEqual([again, null])
    expect(own).toMatch(/^\d+$/)
  })
})

describe('a database that cannot be used is said in one sentence, without its password', () => {
  const said = async (url: string): Promise<string> => {
    const { db, close } = connect(url, () => {})
    try {
      await db.execute(sql`create table t_rights (x int)`)
      return 'it worked'
    } catch (error) {
      return databaseWords(error, url)
    } finally {
      await close()
    }
  }
  const changed = (change: (url: URL) => void) => {
    const url = new URL(adminUrl)
    change(url)
    return url.href
  }
  it('wrong password, database, host, port and rights', async () => {
    const user = new URL(adminUrl).username
    expect(await said(changed((url) => (url.password = 'secret-guess')))).toBe(
      `The database refused the password of the user “${user}”. Check DATABASE_URL.`,
    )
    expect(await said(changed((url) => (url.pathname = '/not_there')))).toMatch(/^There is no database “not_there” on 127\.0\.0\.1:\d+\./)
    expect(await said('postgres://u:p@127.0.0.1:1/x')).toBe('No database answers on 127.0.0.1:1. Check DATABASE_URL.')
    expect(await said('postgres://u:p@no-such-host.invalid/x')).toMatch(/host “no-such-host.invalid” is not known/)
    const { db, close } = connect(adminUrl, () => {})
    await db.execute(
      sql.raw(
        `do $$ begin if not exists (select from pg_roles where rolname = 'reader_only') then create role reader_only login password 'x'; end if; end $$`,
      ),
    )
    await close()
    const reader = changed((url) => {
      url.username = 'reader_only'
      url.password = 'x'
    })
    expect(await said(reader)).toMatch(/^The user “reader_only” lacks the rights/)
  })
})

it('a PostgreSQL folder that was cut off while it was made is made anew, and a stale process id keeps nobody out', () => {
  const seen = toolScript(
    { 'cluster.mjs': 'clusterAt', 'system.mjs': 'sleep, userIds, isRoot' },
    `
    import { chownSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
    const home = mkdtempSync('/var/tmp/level-stance-half-')
    const ids = isRoot ? userIds('postgres') : null
    if (ids) chownSync(home, ids.uid, ids.gid)
    // What a kill in the middle of initdb leaves: a folder with a version and no more.
    mkdirSync(home + '/data.new/base', { recursive: true })
    writeFileSync(home + '/data.new/PG_VERSION', '15')
    const first = await clusterAt({ home, fast: true })
    const answered = first.psql('select 1')
    process.kill(first.child.pid, 'SIGKILL')
    await sleep(300)
    const pid = readFileSync(home + '/data/postmaster.pid', 'utf8')
    writeFileSync(home + '/data/postmaster.pid', pid.replace(/^\\d+/, String(process.pid)))
    const again = await clusterAt({ home, fast: true })
    const after = again.psql('select 2')
    await again.stop()
    rmSync(home, { recursive: true, force: true })
    console.log(JSON.stringify({ answered, after, left: existsSync(home) }))`,
  )
  expect(seen).toEqual({ answered: '1', after: '2', left: false })
}, 60_000)
