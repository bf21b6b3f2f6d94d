import { needDebian } from '../../tools/lib/prepare.mjs'
import { temporaryCluster } from '../../tools/lib/cluster.mjs'

/** A real PostgreSQL for the server's tests: the one the test command started, or one of their own. */
export default async function globalSetup() {
  if (process.env.TEST_DATABASE_URL) return
  needDebian('postgresql')
  const cluster = await temporaryCluster()
  process.env.TEST_DATABASE_URL = cluster.adminUrl
  globalThis.testCluster = cluster
}
