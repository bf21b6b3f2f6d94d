// Brings a fresh checkout to where it can run: Debian packages, npm packages, built files.
import { copyFileSync, cpSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync } from 'node:fs'
import { basename, join } from 'node:path'
import { browserPath } from './browser.mjs'
import { Stop, checkoutKey, fingerprint, isRoot, root, run, say, userCan, whenChanged } from './system.mjs'

const debianPackages = {
  postgresql: () => postgresBin() !== null,
  'chromium-headless-shell': () => existsSync(browserPath),
}

/** Folder of the newest PostgreSQL binaries, or null. */
export function postgresBin() {
  const base = '/usr/lib/postgresql'
  if (!existsSync(base)) return null
  const versions = readdirSync(base).filter((v) => existsSync(join(base, v, 'bin', 'postgres')))
  versions.sort((a, b) => Number(b) - Number(a))
  return versions.length > 0 ? join(base, versions[0], 'bin') : null
}

/** Installs missing Debian packages as root; otherwise says the exact command. */
export function needDebian(...names) {
  const missing = names.filter((name) => !debianPackages[name]())
  if (missing.length === 0) return
  const command = `apt-get install -y --no-install-recommends ${missing.join(' ')}`
  if (!isRoot)
    throw new Stop(
      `${missing.join(' and ')} must be installed first. Run:\n\n    sudo apt-get update && sudo ${command}\n\nthen start again.`,
    )
  say(`installing ${missing.join(' and ')}`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  run('apt-get', ['update', '-qq'], { env })
  run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing], { env, stdio: ['ignore', 'ignore', 'inherit'] })
  const still = names.filter((name) => !debianPackages[name]())
  if (still.length > 0) throw new Stop(`${still.join(' and ')} could not be installed. Run: ${command}`)
}

export function needNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19)) throw new Stop(`Node 20.19 or newer is needed; this is ${process.versions.node}.`)
}

/** `npm ci`, only when the lockfile has changed since the last one. */
export function needPackages() {
  whenChanged('packages', ['package-lock.json'], 'node_modules/.package-lock.json', () => {
    say('installing packages')
    run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])
  })
}

/** Builds server and screens, only when a source has changed. */
export function needBuild() {
  const sources = [
    'core/src',
    'server/src',
    'server/vite.config.ts',
    'web/src',
    'web/public',
    'web/index.html',
    'web/vite.config.ts',
    'package-lock.json',
  ]
  whenChanged('build', sources, 'server/dist/main.js', () => {
    say('building')
    const vite = join(root, 'node_modules/.bin/vite')
    run(vite, ['build', '--logLevel', 'warn'], { cwd: join(root, 'server') })
    copyFonts()
    run(vite, ['build', '--logLevel', 'warn'], { cwd: join(root, 'web') })
  })
}

/** The sheet's fonts beside the built server, so that it needs no packages to run. */
function copyFonts() {
  const folder = join(root, 'server/dist/fonts')
  mkdirSync(folder, { recursive: true })
  const barlow = ['400Regular', '600SemiBold'].map((cut) => `@expo-google-fonts/barlow/${cut}/Barlow_${cut}.ttf`)
  const wide = ['DejaVuSans', 'DejaVuSans-Bold'].map((cut) => `dejavu-fonts-ttf/ttf/${cut}.ttf`)
  for (const file of [...barlow, ...wide]) copyFileSync(join(root, 'node_modules', file), join(folder, basename(file)))
}

/**
 * Folder from which an unprivileged user can read the built app: the checkout itself, or a copy
 * where a closed parent folder (such as /root) stands in the way.
 */
export function readableApp(ids) {
  const needed = ['server/dist/main.js', 'web/dist/index.html', 'server/migrations/meta/_journal.json']
  if (ids === null || needed.every((file) => userCan(ids, '-r', join(root, file)))) return root
  const home = join('/var/tmp', `level-stance-${checkoutKey}`)
  // Named by the build and put in place whole, so that two starts at once never see half of it.
  const copy = join(home, `app-${fingerprint(['server/migrations', 'var/build.stamp']).slice(0, 12)}`)
  if (existsSync(copy)) return copy
  const making = `${copy}.${process.pid}`
  for (const part of ['server/dist', 'server/migrations', 'web/dist']) cpSync(join(root, part), join(making, part), { recursive: true })
  try {
    renameSync(making, copy)
  } catch {
    rmSync(making, { recursive: true, force: true })
  }
  return copy
}
