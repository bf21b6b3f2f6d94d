import { readFileSync, readdirSync } from 'node:fs'
import { join, relative } from 'node:path'

const root = join(__dirname, '../..')
const files = ['core/src', 'server/src', 'web/src']
  .flatMap((room) => readdirSync(join(root, room), { recursive: true, encoding: 'utf8' }).map((file) => join(root, room, file)))
  .filter((file) => /\.(ts|vue)$/.test(file) && !/\.test\.ts$|testing\.ts$/.test(file))

it('two things never share a name: every exported name stands for one thing', () => {
  const places = new Map<string, Set<string>>()
  for (const file of files)
    for (const [, name = ''] of readFileSync(file, 'utf8').matchAll(/^export (?:async )?(?:interface|type|class|function|const) (\w+)/gm))
      places.set(name, (places.get(name) ?? new Set()).add(relative(root, file)))
  expect(places.size).toBeGreaterThan(1000)
  expect([...places].filter(([, of]) => of.size > 1).map(([name, of]) => [name, ...of])).toEqual([])
})
