/** A write waiting to reach the server. Everything in it survives a reload. */
export interface PendingWrite {
  /** what it writes; a newer write to the same thing replaces it */
  readonly key: string
  readonly kind: 'reading' | 'complaint' | 'visit' | 'rating' | 'ledger' | 'rider' | 'bike'
  readonly method: 'PUT' | 'POST'
  readonly path: string
  readonly body: Record<string, unknown>
  readonly visitId: string
  /** for the conflict bar: the thing, and what this window wrote */
  readonly label: string
  readonly mine: string
  /** how to say what is stored instead */
  readonly conflict?: { readonly current: unknown }
}
