/** @jest-environment jsdom */
import { createPinia, setActivePinia } from 'pinia'
import { useOutbox } from '../src/data/outbox.ts'
import type { PendingWrite } from '../src/data/pendingWrite.ts'

/** A server made of a list of answers; what it was sent is kept. */
let answers: (() => Promise<Response>)[]
let sent: { path: string; body: Record<string, unknown>; headers: Record<string, string> }[]
let ids = 0
const ok = (body: object) => () => Promise.resolve(answerOf(200, body))
const refuse = (status: number, body: object) => () => Promise.resolve(answerOf(status, body))
const away = () => Promise.reject(new TypeError('refused'))
const answerOf = (status: number, body: object) => ({ ok: status < 400, status, json: () => Promise.resolve(body) }) as Response

const write = (value: number, version = 0, key = 'crank'): PendingWrite => ({
  key,
  kind: 'rating',
  body: { version, value },
  visitId: 'v',
  label: 'Crank length',
  mine: String(value),
})
const settle = (ms = 1000) => jest.advanceTimersByTimeAsync(ms)

beforeEach(() => {
  jest.useFakeTimers()
  localStorage.clear()
  sessionStorage.clear()
  answers = []
  sent = []
  Object.assign(globalThis, {
    fetch: (path: string, init: RequestInit) => {
      const headers = init.headers as Record<string, string>
      sent.push({ path, body: JSON.parse(String(init.body)) as Record<string, unknown>, headers })
      return (answers.shift() ?? away)()
    },
  })
  ids = 0
  Object.assign(globalThis.crypto, { randomUUID: () => `id-${(ids += 1)}` })
  Object.assign(navigator, { locks: { request: () => new Promise(() => {}), query: () => Promise.resolve({ held: [] }) } })
  setActivePinia(createPinia())
})
afterEach(() => jest.useRealTimers())

const stored = () => Object.values({ ...localStorage }).join('')

describe('autosave', () => {
  it('keeps a write here from the first moment, sends it when typing settles, and forgets it when stored', async () => {
    answers = [ok({ version: 1 })]
    const outbox = useOutbox()
    outbox.put(write(170))
    expect(outbox.state).toBe('saving')
    // It goes into the storage once the screen has been painted, or at once when the page is left.
    window.dispatchEvent(new Event('pagehide'))
    expect(stored()).toContain('170')
    expect(sent).toHaveLength(0)
    await settle()
    expect(sent).toHaveLength(1)
    expect(outbox.state).toBe('saved')
    expect(stored()).not.toContain('170')
  })

  it('sends the last of a run of key presses once, over the version first seen', async () => {
    answers = [ok({ version: 4 })]
    const outbox = useOutbox()
    for (const value of [1, 17, 170]) outbox.put(write(value, 3))
    await settle()
    expect(sent.map((s) => s.body)).toEqual([{ version: 3, value: 170 }])
  })

  it('writes what was typed while a write was away over the version that write was given', async () => {
    let release: (value: Response) => void = () => {}
    answers = [() => new Promise((resolve) => (release = resolve)), ok({ version: 2 })]
    const outbox = useOutbox()
    outbox.put(write(170))
    await settle()
    outbox.put(write(175))
    release(answerOf(200, { version: 1 }))
    await settle()
    expect(sent.map((s) => s.body)).toEqual([
      { version: 0, value: 170 },
      { version: 1, value: 175 },
    ])
    expect(outbox.state).toBe('saved')
  })

  it('says that the server cannot be reached, keeps trying, and loses nothing', async () => {
    answers = [away, away, refuse(503, { code: 'no-database', message: 'Not now.' }), ok({ version: 1 })]
    const outbox = useOutbox()
    outbox.put(write(170))
    await settle(400)
    expect(outbox.state).toBe('unreachable')
    expect(stored()).toContain('170')
    await settle(20_000)
    expect(outbox.state).toBe('saved')
    expect(sent).toHaveLength(4)
  })

  it('prefers the newer of two values when the older could not be sent', async () => {
    answers = [away, ok({ version: 1 })]
    const outbox = useOutbox()
    outbox.put(write(170))
    await settle(400)
    outbox.put(write(175))
    await settle(20_000)
    expect(sent.map((s) => s.body['value'])).toEqual([170, 175])
  })
})

describe('a stale write', () => {
  const stale = refuse(409, { code: 'stale', message: 'Changed.', fields: [], current: { version: 7, value: 180 } })

  it('waits for the choice and does not hold up the others', async () => {
    answers = [stale, ok({ version: 1 })]
    const outbox = useOutbox()
    outbox.put(write(170, 3))
    outbox.put(write(1700, 0, 'stature'))
    await settle()
    expect(outbox.state).toBe('conflict')
    expect(outbox.conflicts.map((c) => c.conflict?.current)).toEqual([{ version: 7, value: 180 }])
    expect(sent).toHaveLength(2)
  })

  it('kept as mine goes over the version that is stored', async () => {
    answers = [stale, ok({ version: 8 })]
    const outbox = useOutbox()
    outbox.put(write(170, 3))
    await settle()
    outbox.keepMine('crank')
    await settle()
    expect(sent.at(-1)?.body).toEqual({ version: 7, value: 170 })
    expect(outbox.state).toBe('saved')
  })

  it('given up is gone', async () => {
    answers = [stale]
    const outbox = useOutbox()
    outbox.put(write(170, 3))
    await settle()
    expect(outbox.takeTheirs('crank')?.mine).toBe('170')
    expect(outbox.state).toBe('saved')
    await settle(50)
    expect(stored()).not.toContain('170')
  })

  it('typed over again keeps the question open with the newer words', async () => {
    answers = [stale]
    const outbox = useOutbox()
    outbox.put(write(170, 3))
    await settle()
    outbox.put(write(171, 3))
    await settle()
    expect(outbox.conflicts.map((c) => c.mine)).toEqual(['171'])
  })
})

it('a refused change is said once and not sent again', async () => {
  const message = 'This change is kept already.'
  answers = [refuse(409, { code: 'not-now', message, fields: [] })]
  const outbox = useOutbox()
  const landed = jest.fn()
  outbox.onLanded(landed)
  outbox.put({ ...write(0), key: 'ledger:v:k', kind: 'ledger', label: 'Change', body: { after: 1, entry: { id: 'k' } } })
  await settle()
  expect(outbox.refused).toEqual([{ label: 'Change', visitId: 'v', message }])
  expect(landed).toHaveBeenCalledWith(expect.objectContaining({ key: 'ledger:v:k' }), null)
  expect(sent).toHaveLength(1)
  outbox.dismissRefusal(0)
  expect(outbox.refused).toEqual([])
})

it('what a closed window left behind is taken up, a living one’s is not', async () => {
  localStorage.setItem('level-stance.outbox.gone', JSON.stringify([write(170)]))
  localStorage.setItem('level-stance.outbox.living', JSON.stringify([write(999, 0, 'other')]))
  localStorage.setItem('level-stance.outbox.broken', '{not json')
  Object.assign(navigator, {
    locks: { request: () => new Promise(() => {}), query: () => Promise.resolve({ held: [{ name: 'level-stance.outbox.living' }] }) },
  })
  answers = [ok({ version: 1 })]
  const outbox = useOutbox()
  await settle()
  expect(sent.map((s) => s.body['value'])).toEqual([170])
  expect(outbox.state).toBe('saved')
  expect(localStorage.getItem('level-stance.outbox.living')).toContain('999')
})

describe('a write that the server fails on', () => {
  const fails = refuse(500, { code: 'internal', message: 'Something went wrong here.', fields: [] })

  it('is tried three times, set aside and shown, and everything else goes on; also after a reload', async () => {
    answers = [fails, ok({ version: 1 }), fails, fails]
    const outbox = useOutbox()
    outbox.put(write(170, 0, 'note'))
    outbox.put(write(30, 0, 'knee'))
    await settle(5000)
    expect(sent.map(({ body }) => body['value'])).toEqual([170, 30, 170, 170])
    expect([outbox.state, outbox.broken.map(({ key }) => key)]).toEqual(['failed', ['note']])
    setActivePinia(createPinia())
    const again = useOutbox()
    answers = [ok({ version: 1 }), ok({ version: 2 })]
    again.put(write(31, 1, 'knee'))
    await settle(5000)
    expect([again.state, sent.length]).toEqual(['failed', 5])
    again.tryAgain('note')
    await settle()
    expect([again.state, sent.at(-1)?.body['value']]).toEqual(['saved', 170])
  })

  it('is replaced by what is typed anew', async () => {
    answers = [fails, fails, fails, ok({ version: 1 })]
    const outbox = useOutbox()
    outbox.put(write(170))
    await settle(5000)
    outbox.put(write(172, 2))
    await settle()
    expect([outbox.state, sent.at(-1)?.body['value']]).toEqual(['saved', 172])
  })

  it('is another thing than a server that is away: 503 is waited out', async () => {
    const away503 = refuse(503, { code: 'no-database', message: 'The database does not answer just now.', fields: [] })
    answers = [away503, away503, away503, away503, ok({ version: 1 })]
    const outbox = useOutbox()
    outbox.put(write(170))
    await settle(1500)
    expect(outbox.state).toBe('unreachable')
    await settle(20_000)
    expect([outbox.state, sent.length]).toEqual(['saved', 5])
  })
})

describe('an answer that is lost after the write was stored', () => {
  it('is named to the server with what is sent next, so that it can tell one’s own write from another’s', async () => {
    answers = [away, away, ok({ version: 2 }), ok({ version: 3 })]
    const outbox = useOutbox()
    outbox.put(write(170))
    await settle(400)
    outbox.put(write(171))
    await settle(8000)
    expect(sent.map(({ body }) => [body['version'], body['value']])).toEqual([
      [0, 170],
      [0, 171],
      [0, 171],
    ])
    const marks = sent.map(({ headers }) => [headers['x-write'], headers['x-unanswered']])
    expect(marks.map(([, lost]) => lost)).toEqual([undefined, 'id-2', 'id-2,id-3'])
    // The same value keeps its id, however often it is sent.
    expect(marks[1]![0]).toBe(marks[2]![0])
    expect(outbox.state).toBe('saved')
    outbox.put(write(172, 2))
    await settle(3000)
    expect(sent.at(-1)).toMatchObject({ body: { version: 2, value: 172 } })
    expect(sent.at(-1)!.headers['x-unanswered']).toBeUndefined()
  })

  it('is a conflict where the server says that another has written', async () => {
    answers = [away, refuse(409, { code: 'stale', message: 'Changed.', fields: [], current: { version: 1, value: 999 } })]
    const outbox = useOutbox()
    outbox.put(write(170))
    await settle(400)
    outbox.put(write(171))
    await settle(6000)
    expect([outbox.state, sent.length]).toEqual(['conflict', 2])
  })
})

it('what a closed window left behind stays over the version it was made over: it is asked about, not stored over newer', async () => {
  localStorage.setItem('level-stance.outbox.gone', JSON.stringify([write(801)]))
  answers = [ok({ version: 1 }), refuse(409, { code: 'stale', message: 'Changed.', fields: [], current: { version: 1, value: 822 } })]
  const outbox = useOutbox()
  outbox.put(write(822))
  await settle(3000)
  expect(sent.map(({ body }) => [body['version'], body['value']])).toEqual([
    [0, 822],
    [0, 801],
  ])
  expect(outbox.conflicts).toMatchObject([{ mine: '801', conflict: { current: { value: 822 } } }])
})

describe('readings taken after a change that is still on its way', () => {
  const reading = (after: string | null) => ({ key: 'kneeFlexion', side: 'left', condition: 'usual', after, value: 30 })
  const change = (): PendingWrite => ({
    ...write(0),
    key: 'ledger:v:c',
    kind: 'ledger',
    body: { after: 0, entry: { id: 'c' } },
    label: 'Change',
  })
  const taken = (): PendingWrite => ({
    ...write(30),
    key: 'reading:v:kneeFlexion:left@c',
    kind: 'reading',
    body: { version: 0, reading: reading('c') },
  })
  const stale = refuse(409, { code: 'stale', message: 'Changed.', fields: [], current: [{ id: 'theirs' }] })

  it('wait until it has arrived', async () => {
    answers = [away, ok({ entry: {} }), ok({ version: 1 })]
    const outbox = useOutbox()
    outbox.put(change())
    outbox.put(taken())
    await settle(6000)
    expect(sent.map(({ path }) => path)).toEqual(['/api/visits/v/ledger', '/api/visits/v/ledger', '/api/visits/v/readings'])
    expect(outbox.state).toBe('saved')
  })

  it('stand after the last change that is stored when theirs is given up, and nothing typed is lost', async () => {
    answers = [stale, ok({ version: 1 })]
    const outbox = useOutbox()
    outbox.put(change())
    outbox.put(taken())
    await settle()
    expect(sent).toHaveLength(1)
    outbox.takeTheirs('ledger:v:c')
    await settle()
    expect(sent[1]?.body).toEqual({ version: 0, reading: reading('theirs') })
    expect(outbox.state).toBe('saved')
  })

  it('go out after it when it is written over theirs', async () => {
    answers = [stale, ok({ entry: {} }), ok({ version: 1 })]
    const outbox = useOutbox()
    outbox.put(change())
    outbox.put(taken())
    await settle()
    outbox.keepMine('ledger:v:c')
    await settle()
    expect(sent.map(({ body }) => body['after'] ?? (body['reading'] as { after: string }).after)).toEqual([0, 1, 'c'])
  })
})

describe('a write of a closed window beside one typed here', () => {
  const reloaded = (value: number) => {
    // This window's own queue, and what the other one left.
    sessionStorage.setItem('level-stance.tab', 'here')
    localStorage.setItem('level-stance.outbox.here', JSON.stringify([{ ...write(value), id: 'own' }]))
    localStorage.setItem('level-stance.outbox.gone', JSON.stringify([{ ...write(801), id: 'left' }]))
  }

  it('never takes its place while the server is away: the newer value is stored, the other asked about', async () => {
    reloaded(822)
    answers = [
      away,
      away,
      away,
      ok({ version: 1 }),
      refuse(409, { code: 'stale', message: 'Changed.', fields: [], current: { version: 1, value: 822 } }),
    ]
    const outbox = useOutbox()
    await settle(20_000)
    const values = sent.map(({ body }) => body['value'])
    expect(values.slice(3)).toEqual([822, 801])
    expect(outbox.conflicts).toMatchObject([{ mine: '801', adopted: true, conflict: { current: { value: 822 } } }])
  })

  it('both are asked about where a third has written, each as what it is', async () => {
    reloaded(822)
    const third = refuse(409, { code: 'stale', message: 'Changed.', fields: [], current: { version: 5, value: 777 } })
    answers = [away, third, third]
    const outbox = useOutbox()
    await settle(20_000)
    const asked = outbox.conflicts.map(({ mine, adopted }) => [mine, adopted === true])
    expect(asked.sort()).toEqual([
      ['801', true],
      ['822', false],
    ])
    answers = [ok({ version: 6 })]
    outbox.keepMine(outbox.conflicts.find(({ adopted }) => !adopted)!.key)
    await settle()
    expect(sent.at(-1)?.body).toEqual({ version: 5, value: 822 })
    expect(outbox.conflicts.map(({ mine }) => mine)).toEqual(['801'])
  })
})

describe('a value that the server refuses', () => {
  const note = (value: number): PendingWrite => ({ ...write(value), kind: 'complaint', label: 'Outer knee' })
  const refused = refuse(400, { code: 'invalid', message: 'The note must be at most 500 characters.', fields: [] })

  it('stays where it was typed, with the reason, until it is typed anew', async () => {
    answers = [refused, ok({ version: 1 })]
    const outbox = useOutbox()
    outbox.put(note(1))
    await settle(5000)
    expect(sent).toHaveLength(1)
    expect([outbox.state, outbox.refused]).toEqual(['failed', []])
    expect(outbox.pendingFor('v')).toMatchObject([
      { body: { value: 1 }, failed: { isRefused: true, message: 'The note must be at most 500 characters.' } },
    ])
    outbox.put(note(2))
    await settle()
    expect([outbox.state, sent.at(-1)?.body['value']]).toEqual(['saved', 2])
  })
})

it('a browser that cannot keep what is typed says so, and goes on sending', async () => {
  const { cannotKeep } = await import('../src/kit/browserStorage.ts')
  const full = jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError')
  })
  answers = [ok({ version: 1 })]
  const outbox = useOutbox()
  full.mockClear()
  outbox.put(write(170))
  window.dispatchEvent(new Event('pagehide'))
  expect(cannotKeep.value).toBe(true)
  full.mockRestore()
  await settle()
  expect([outbox.state, cannotKeep.value]).toEqual(['saved', false])
})
