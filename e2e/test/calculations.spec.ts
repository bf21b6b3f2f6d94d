import { wholeReadings } from '@level-stance/core/testing'
import { expect, test } from '../site.ts'

test('a heavy calculation holds up nobody: everything else answers while it runs', async ({ request }) => {
  const plusMinus = Object.fromEntries(wholeReadings.slice(0, 30).map((_, i) => [`readings.${i}.value`, 2]))
  let isDone = false
  const heavy = request
    .post('/api/calculations/measure-next', { data: { readings: wholeReadings, ledger: [], bar: 'drop', plusMinus }, timeout: 30_000 })
    .then((answer) => {
      isDone = true
      return answer
    })
  const light = await Promise.all([
    request.get('/api/riders'),
    request.get('/api/health'),
    request.post('/api/calculations/knee-flexion', { data: { thigh: 430, shank: 440, distance: 840 } }),
  ])
  expect(light.map((answer) => answer.status())).toEqual([200, 200, 200])
  expect(isDone).toBe(false)
  expect([200, 422]).toContain((await heavy).status())

  const tooMany = Object.fromEntries(Array.from({ length: 61 }, (_, i) => [`readings.${i}.value`, 2]))
  const refused = await request.post('/api/calculations/measure-next', {
    data: { readings: wholeReadings, ledger: [], bar: 'drop', plusMinus: tooMany },
  })
  expect(refused.status()).toBe(400)
  expect(((await refused.json()) as { message: string }).message).toContain('At most 60 inputs may have a ±')
})
