import { temporaryCluster } from '../tools/lib/cluster.mjs'
import { needBuild, needDebian } from '../tools/lib/prepare.mjs'

/** A PostgreSQL and built screens, unless the test command has brought them. */
export default async function globalSetup(): Promise<(() => Promise<void>) | undefined> {
  if (process.env['TEST_DATABASE_URL']) return undefined
  needDebian('postgresql', 'chromium-headless-shell')
  needBuild()
  const cluster = await temporaryCluster()
  process.env['TEST_DATABASE_URL'] = cluster.adminUrl
  return () => cluster.stop()
}
