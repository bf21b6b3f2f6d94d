// Fills a database with many visits, and measures the API over loopback at a steady rate.
import { Agent, request } from 'node:http'
import autocannon from 'autocannon'
import pg from 'pg'

/** Riders with one bike, one visit and twelve readings each; made-up names. */
export async function fill(url, visits) {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  const studio = '00000000-0000-4000-8000-000000000001'
  const id = (part) => `('00000000-0000-4000-${part}-' || lpad(n::text, 12, '0'))::uuid`
  const many = `generate_series(1, ${visits}) n`
  await client.query('begin')
  await client.query(
    `insert into riders select ${id('a000')}, '${studio}', 'Rider ' || md5(n::text), 'bench', 'rider ' || md5(n::text), now() - n * interval '1 minute', 1 from ${many}`,
  )
  await client.query(`insert into bikes select ${id('a001')}, '${studio}', ${id('a000')}, 'Bike', 'other', 1 from ${many}`)
  await client.query(
    `insert into visits (id, studio_id, rider_id, bike_id, title, accepted, started_at, version) select ${id('a002')}, '${studio}', ${id('a000')}, ${id('a001')}, 'First visit', '[]', now() - n * interval '1 minute', 1 from ${many}`,
  )
  await client.query(`insert into readings (visit_id, studio_id, key, side, value, typed, method, taken_at, version)
    select ${id('a002')}, '${studio}', k.key, k.side, k.value, k.value::text, k.method, now(), 1 from ${many},
    (values ('stature','both',1750.0,'tape'), ('crank','both',172.5,'maker'), ('saddleHeight','both',724,'tape'), ('shoeSize','left',43,'maker'), ('shoeSize','right',43,'maker'),
            ('cleatSetback','left',4,'ruler'), ('cleatSetback','right',6,'ruler'), ('slotForward','left',6,'ruler'), ('slotForward','right',6,'ruler'), ('slotBack','left',12,'ruler'),
            ('slotBack','right',12,'ruler'), ('footLength','left',264,'ruler')) k(key, side, value, method)`)
  await client.query('commit')
  await client.query('vacuum analyze')
  await client.end()
}

/** A steady 200 requests a second of reads, searches, writes and calculations, then as many as it takes. */
export async function measureApi(address, visits, seconds = 10) {
  const visitId = () => `00000000-0000-4000-a002-${String(1 + Math.floor(Math.random() * visits)).padStart(12, '0')}`
  const json = { 'content-type': 'application/json' }
  const knee = JSON.stringify({ thigh: 430, shank: 440, distance: 840 })
  const reading = () =>
    JSON.stringify({
      version: 0,
      reading: {
        key: 'inseam',
        side: 'both',
        value: 800 + Math.floor(Math.random() * 50),
        typed: '',
        method: 'tape',
        at: new Date().toISOString(),
      },
    })
  const kinds = [
    () => ({ method: 'GET', path: `/api/visits/${visitId()}` }),
    () => ({
      method: 'GET',
      path: `/api/riders?search=${Math.floor(Math.random() * 4096)
        .toString(16)
        .padStart(3, '0')}`,
    }),
    () => ({ method: 'PUT', path: `/api/visits/${visitId()}/readings`, headers: json, body: reading() }),
    () => ({ method: 'POST', path: '/api/calculations/knee-flexion', headers: json, body: knee }),
  ]
  await steadily(address, kinds, 200, 2)
  const steady = await steadily(address, kinds, 200, seconds)
  const requests = kinds.map((make) => ({ setupRequest: (request) => ({ ...request, ...make() }) }))
  const flatOut = await autocannon({ url: address, connections: 8, duration: Math.max(3, seconds / 2), requests })
  const whole = { setupRequest: (made) => ({ ...made, method: 'GET', path: `/api/visits/${visitId()}` }) }
  const reads = await autocannon({ url: address, connections: 8, duration: Math.max(3, seconds / 2), requests: [whole] })
  const rateOf = (run) => ({ rate: run.requests.average, errors: run.errors + run['5xx'] })
  return { steady, flatOut: rateOf(flatOut), reads: rateOf(reads) }
}

/** Requests at even intervals, whatever the answers do; each is timed from when it was due. */
async function steadily(address, kinds, perSecond, seconds) {
  const agent = new Agent({ keepAlive: true, maxSockets: 32 })
  const times = []
  let errors = 0
  const waiting = []
  const start = performance.now()
  for (let i = 0; i < perSecond * seconds; i++) {
    const due = start + (i * 1000) / perSecond
    const early = due - performance.now()
    if (early > 0) await new Promise((resolve) => setTimeout(resolve, early))
    waiting.push(
      once(agent, address, kinds[i % kinds.length]()).then(
        (status) => {
          times.push(performance.now() - due)
          if (status >= 500) errors += 1
        },
        () => (errors += 1),
      ),
    )
  }
  await Promise.all(waiting)
  agent.destroy()
  times.sort((a, b) => a - b)
  return { p50: times[Math.floor(times.length / 2)], p99: times[Math.floor(times.length * 0.99)], errors }
}

function once(agent, address, { method, path, headers, body }) {
  return new Promise((resolve, reject) => {
    const outgoing = request(`${address}${path}`, { agent, method, headers }, (response) => {
      response.resume()
      response.on('end', () => resolve(response.statusCode))
    })
    outgoing.on('error', reject)
    outgoing.end(body)
  })
}
