import { isTooDeep, MOST_NESTED } from './nesting.ts'

describe('nesting of a JSON text', () => {
  const nested = (depth: number) => `{"x":${'['.repeat(depth - 1)}1${']'.repeat(depth - 1)}}`
  it('is counted without reading it', () => {
    expect([isTooDeep(nested(MOST_NESTED)), isTooDeep(nested(MOST_NESTED + 1)), isTooDeep(nested(5000))]).toEqual([false, true, true])
    expect(isTooDeep('['.repeat(1_000_000))).toBe(true)
  })
  it('counts no bracket of a text, however quoted, and no breadth', () => {
    expect(isTooDeep(JSON.stringify({ note: '[{'.repeat(500), more: '\\"[[['.repeat(500) }))).toBe(false)
    expect(isTooDeep(JSON.stringify(Array.from({ length: 5000 }, () => [[{}]])))).toBe(false)
  })
})
