import { runInNewContext } from 'node:vm'
import { isLost } from '../src/db/lost.ts'

const coded = (code: string, message = 'Told by the database.') => Object.assign(new Error(message), { code })

describe('a connection that is lost', () => {
  // PostgreSQL, appendix A: class 08 is connection exception, 57P01 to 57P03 shutdown, 53300 too many connections.
  it.each(['08006', '57P01', '57P03', '53300', 'ECONNRESET', 'EPIPE'])('is known by its code %s, however deep it is wrapped', (code) => {
    expect(isLost(coded(code))).toBe(true)
    expect(isLost(new Error('Failed query', { cause: new Error('wrapped', { cause: coded(code) }) }))).toBe(true)
  })
  it('is known by the driver’s words, and whatever realm the error comes from', () => {
    expect(isLost(new Error('Connection terminated unexpectedly'))).toBe(true)
    expect(isLost(new Error('timeout exceeded when trying to connect'))).toBe(true)
    expect(isLost(runInNewContext(`Object.assign(new Error('read ECONNRESET'), { code: 'ECONNRESET' })`))).toBe(true)
  })
  // 23505 is a unique violation, 57014 a statement that was cancelled: the database is there.
  it.each([coded('23505'), coded('57014'), new Error('Something else'), 'Connection terminated', null, undefined, 5])(
    'is not %s',
    (error) => expect(isLost(error)).toBe(false),
  )
})
