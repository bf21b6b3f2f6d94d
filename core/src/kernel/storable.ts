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

/** Characters no field of ours takes: what cannot be stored, and control characters other than tab and line breaks. */
// eslint-disable-next-line no-control-regex -- these are what is taken out
const unwanted = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f\p{Surrogate}]/gu

/** A text as it can be stored: what came along with a paste and cannot be is taken out. */
export function storableText(text: string): string {
  return text.replace(unwanted, '')
}

/** What is wrong with it, in words. */
export function unstorableWords(path: string): string {
  const name = path.split('.').findLast((part) => !/^\d*$/.test(part)) ?? 'The text'
  return `${name} has a character that cannot be stored (a null, or half of a symbol). Take it out, or type it anew.`
}
