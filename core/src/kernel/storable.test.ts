import { unstorableIn, unstorableWords } from './storable.ts'

describe('text that cannot be stored', () => {
  // PostgreSQL, 8.3 and 8.14: text and jsonb hold no null character, and no half of a surrogate pair.
  it.each([
    ['a\u0000b', ''],
    [{ complaint: { note: 'x\u0000' } }, 'complaint.note'],
    [{ typed: ['1', '2\uD83D'] }, 'typed.1'],
    [{ name: '\uDEB2 up' }, 'name'],
    [{ 'a\u0000': 1 }, 'a�'],
  ])('%j is found at "%s"', (value, path) => expect(unstorableIn(value)).toBe(path))

  it.each([['plain'], ['🚲 and é, 漢字'], [{ a: [1, null, true, 'ü'] }], [12], [null], [undefined]])('%j can be stored', (value) =>
    expect(unstorableIn(value)).toBeNull(),
  )

  it('is looked for however deep it lies', () => {
    let deep: unknown = 'x'
    for (let i = 0; i < 100_000; i++) deep = [deep]
    expect(unstorableIn(deep)).toBeNull()
  })

  it('is named by its field', () => {
    expect(unstorableWords('complaint.note')).toMatch(/^note has a character that cannot be stored/)
    expect(unstorableWords('typed.1')).toMatch(/^typed has/)
    expect(unstorableWords('')).toMatch(/^The text has/)
  })
})
