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
  for (let at = error; at instanceof Error; at = at.cause) {
    const code = (at as { code?: unknown }).code
    if ((typeof code === 'string' && lostCodes.has(code)) || lostWords.test(at.message)) return true
  }
  return false
}
