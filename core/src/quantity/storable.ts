/** A null, or half of a character that takes two places: no database and no file can hold them as text. */
const unstorable = /[\0\p{Surrogate}]/u

/**
 * Where in a piece of JSON a text stands that cannot be stored.
 * @returns its path ("complaint.note", "typed.3"), '' for the value itself; null when all can be stored
 */
export function unstorableIn(value: unknown): string | null {
  // A list of what is left to see, not a call for each depth: a hostile file is nested a million deep.
  const left: { at: string; value: unknown }[] = [{ at: '', value }]
  for (let next = left.pop(); next; next = left.pop()) {
    const { at, value: part } = next
    if (typeof part === 'string' && unstorable.test(part)) return at
    if (typeof part !== 'object' || part === null) continue
    for (const [key, inside] of Object.entries(part)) {
      const path = at === '' ? key : `${at}.${key}`
      if (unstorable.test(key)) return path.replace(/[\0\p{Surrogate}]/gu, '�')
      // A path longer than this helps nobody, and would grow with the square of the depth.
      left.push({ at: path.slice(0, 200), value: inside })
    }
  }
  return null
}

/** What is wrong with it, in words. */
export function unstorableWords(path: string): string {
  const name = path.split('.').findLast((part) => !/^\d*$/.test(part)) ?? 'The text'
  return `${name} has a character that cannot be stored (a null, or half of a symbol). Take it out, or type it anew.`
}
