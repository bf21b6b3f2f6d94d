import { spawnSync } from 'node:child_process'
import { join } from 'node:path'

/** The launcher's own files. */
export const tools = join(__dirname, '../../tools')

/**
 * What a short script, run by plain node beside the launcher's tools, prints as JSON.
 * @param imports from which file of `tools/lib` it takes what, e.g. `{ 'cluster.mjs': 'temporaryCluster' }`
 */
export function toolScript(imports: Readonly<Record<string, string>>, body: string): unknown {
  const lines = Object.entries(imports).map(([file, names]) => `import { ${names} } from ${JSON.stringify(join(tools, 'lib', file))}`)
  const { stdout, stderr, status } = spawnSync(process.execPath, ['--input-type=module', '-e', [...lines, body].join('\n')], {
    encoding: 'utf8',
    timeout: 60_000,
  })
  if (status !== 0) throw new Error(stderr)
  return JSON.parse(stdout) as unknown
}
