/**
 * Goes on to the next field of the tape, or with `back` to the one before. At the end of a page,
 * whoever shows the pages turns it.
 * @param from the field the hand is in, marked `data-reading`
 */
export function goToNextReading(from: HTMLElement, back: boolean): void {
  const fields = [...document.querySelectorAll<HTMLElement>('[data-reading]')]
  const there = fields[fields.indexOf(from) + (back ? -1 : 1)]
  if (there) there.focus()
  else from.dispatchEvent(new CustomEvent('page-end', { bubbles: true, detail: back ? -1 : 1 }))
}
