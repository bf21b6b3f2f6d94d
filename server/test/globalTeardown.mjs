export default async function globalTeardown() {
  await globalThis.testCluster?.stop()
}
