// Fills a database with many visits, and measures the API over loopback at a steady rate.
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
    `insert into visits select ${id('a002')}, '${studio}', ${id('a000')}, ${id('a001')}, 'First visit', 'behind-ball', '[]', now() - n * interval '1 minute', 1 from ${many}`,
  )
  await client.query(`insert into readings select ${id('a002')}, k.key, k.side, k.value, k.value::text, k.method, now(), 1 from ${many},
    (values ('stature','both',1750.0,'tape'), ('crank','both',172.5,'maker'), ('saddleHeight','both',724,'tape'), ('shoeSize','left',43,'maker'), ('shoeSize','right',43,'maker'),
            ('cleatSetback','left',4,'ruler'), ('cleatSetback','right',6,'ruler'), ('slotForward','left',6,'ruler'), ('slotForward','right',6,'ruler'), ('slotBack','left',12,'ruler'),
            ('slotBack','right',12,'ruler'), ('footLength','left',264,'ruler')) k(key, side, value, method)`)
  await client.query('commit')
  await client.query('vacuum analyze')
  await client.end()
}

/** Steady 200 requests a second of reads, searches, writes and calculations. */
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
        takenAt: new Date().toISOString(),
      },
    })
  const requests = [
    { setupRequest: (r) => ({ ...r, method: 'GET', path: `/api/visits/${visitId()}` }) },
    {
      setupRequest: (r) => ({
        ...r,
        method: 'GET',
        path: `/api/riders?search=${Math.floor(Math.random() * 4096)
          .toString(16)
          .padStart(3, '0')}`,
      }),
    },
    { setupRequest: (r) => ({ ...r, method: 'PUT', path: `/api/visits/${visitId()}/readings`, headers: json, body: reading() }) },
    { setupRequest: (r) => ({ ...r, method: 'POST', path: '/api/calculations/knee-flexion', headers: json, body: knee }) },
  ]
  const steady = await autocannon({ url: address, connections: 8, overallRate: 200, duration: seconds, requests })
  const flatOut = await autocannon({ url: address, connections: 8, duration: Math.max(3, seconds / 2), requests })
  return {
    steady: { rate: steady.requests.average, p50: steady.latency.p50, p99: steady.latency.p99, errors: steady.errors + steady['5xx'] },
    flatOut: { rate: flatOut.requests.average, p99: flatOut.latency.p99, errors: flatOut.errors + flatOut['5xx'] },
  }
}
