/** Deeper than any request or file of ours: what is nested further is refused before it is read. */
export const MOST_NESTED = 40

/**
 * Whether a JSON text is nested deeper than is accepted, without reading it: brackets are counted
 * outside of strings, one character after the other.
 */
export function isTooDeep(text: string, most = MOST_NESTED): boolean {
  let depth = 0
  let isInText = false
  for (let i = 0; i < text.length; i++) {
    const code = text.charCodeAt(i)
    if (isInText) {
      if (code === BACKSLASH) i += 1
      else if (code === QUOTE) isInText = false
    } else if (code === QUOTE) isInText = true
    else if (code === BRACKET || code === BRACE) {
      depth += 1
      if (depth > most) return true
    } else if (code === BRACKET + 2 || code === BRACE + 2) depth -= 1
  }
  return false
}

/** Character codes of `"`, `\`, `[` and `{`; their closing ones lie two further on. */
const [QUOTE, BACKSLASH, BRACKET, BRACE] = [34, 92, 91, 123] as const

/** Said of what is nested too deep. */
export const tooDeepWords = `The JSON is nested deeper than ${MOST_NESTED} levels; that is more than is read here.`
