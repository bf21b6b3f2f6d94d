import equal from 'fast-deep-equal'

/** A write waiting to reach the server. Everything in it survives a reload. */
export interface PendingWrite {
  /** what it writes; a newer write to the same thing replaces it */
  readonly key: string
  readonly kind: 'reading' | 'complaint' | 'visit' | 'rating' | 'ledger' | 'rider' | 'bike'
  readonly method: 'PUT' | 'POST'
  readonly path: string
  readonly body: Record<string, unknown>
  readonly visitId: string
  /** whose visit it is, for the bar and for who looks at another visit */
  readonly whose?: string
  /** for the conflict bar: the thing, and what this window wrote */
  readonly label: string
  readonly mine: string
  /** how to say what is stored instead */
  readonly conflict?: { readonly current: unknown }
  /** the server failed on it, so often; with the server's words */
  readonly failed?: { readonly tries: number; readonly message: string }
  /** taken up from a window that was closed: it stays over the version it was made over */
  readonly adopted?: true
  /** what was sent for the same thing without an answer: any of it may be stored */
  readonly unanswered?: readonly Record<string, unknown>[]
}

/** Whether a stored row is what one of this window's own writes made it. */
export function isMadeBy(current: unknown, { kind }: PendingWrite, body: Record<string, unknown>): boolean {
  if (typeof current !== 'object' || current === null) return false
  if (kind === 'ledger') {
    const { id } = body['entry'] as { id: string }
    return Array.isArray(current) && (current as { id: string }[]).at(-1)?.id === id
  }
  const row = current as Record<string, unknown>
  const written = kind === 'visit' ? (body['visit'] as Record<string, unknown>) : body
  return Object.entries(written).every(([key, value]) => key === 'version' || equal(row[key], value))
}
