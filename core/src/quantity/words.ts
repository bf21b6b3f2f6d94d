/** A label as it stands inside a sentence: first letter small, unless the first word is a shorthand such as BB. */
export function midSentence(label: string): string {
  return /^[A-Z]{2}/.test(label) ? label : label.replace(/^./, (letter) => letter.toLowerCase())
}
