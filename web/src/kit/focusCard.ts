import { nextTick } from 'vue'

/**
 * Where the hand goes on after a button has gone from the page with the card it stood on: without it
 * a keyboard starts again at the top of the page.
 * @param label the card's name
 */
export function focusCard(label: string): void {
  void nextTick(() => document.querySelector<HTMLElement>(`article[aria-label="${label}"]`)?.focus({ preventScroll: true }))
}
