/** A label as it stands inside a sentence: first letter small, unless the first word is a shorthand such as BB. */
export function midSentence(label: string): string {
  return /^[A-Z]{2}/.test(label) ? label : label.replace(/^./, (letter) => letter.toLowerCase())
}

/** A word as it begins a sentence or a label: "shifter" as "Shifter". */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
