import { ApiError } from './client.ts'
import { keep } from '../kit/browserStorage.ts'

const place = 'level-stance.asked.'
/** What is being asked for just now, by what it is. */
const asking = new Map<string, Promise<unknown>>()

/**
 * Asks the server to make something once, however often the button is pressed or an answer is lost:
 * its id is kept in this window, over a reload as well, until the server has answered.
 * @param what names the thing: the same name, the same id
 * @param make asks for it with the id
 */
export function once<T>(what: string, make: (id: string) => Promise<T>): Promise<T> {
  const running = asking.get(what)
  if (running) return running as Promise<T>
  const made = askWith(what, make).finally(() => asking.delete(what))
  asking.set(what, made)
  return made
}

async function askWith<T>(what: string, make: (id: string) => Promise<T>): Promise<T> {
  const id = sessionStorage.getItem(place + what) ?? crypto.randomUUID()
  keep(() => sessionStorage.setItem(place + what, id))
  try {
    const answer = await make(id)
    sessionStorage.removeItem(place + what)
    return answer
  } catch (error) {
    // A refusal is an answer; silence, or a server that is away, is none.
    if (error instanceof ApiError && error.status < 500) sessionStorage.removeItem(place + what)
    throw error
  }
}
