/** The field that an event of it came from. @throws TypeError where the event is of something else */
export function fieldOfEvent({ target }: Event): HTMLInputElement {
  if (target instanceof HTMLInputElement) return target
  throw new TypeError('This event does not come from a field.')
}
