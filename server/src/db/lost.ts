import { isRecord } from '@level-stance/core/kernel/tables'

/** What PostgreSQL and the socket say when a connection ends or cannot be had. @source PostgreSQL, appendix A: classes 08, 57P and 53300 */
const lostCodes: ReadonlySet<string> = new Set([
  '08000',
  '08001',
  '08003',
  '08004',
  '08006',
  '53300',
  '57P01',
  '57P02',
  '57P03',
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
])
/** The driver's own words, which carry no code. */
const lostWords =
  /^(Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|Client was closed)/

/** Whether the database could not be reached or went away, as against refusing what it was asked. */
export function isLost(error: unknown): boolean {
  // By what it carries, not by its class: an error of the socket may come from another realm than this module.
  for (let at = error; isRecord(at); at = at['cause']) {
    const { code, message } = at
    if ((typeof code === 'string' && lostCodes.has(code)) || (typeof message === 'string' && lostWords.test(message))) return true
  }
  return false
}
