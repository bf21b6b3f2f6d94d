import { contract } from '@level-stance/core/contract/contract'
import type { AnswerOf, Route } from '@level-stance/core/contract/route'
import type { z } from 'zod'
import { ask } from './client.ts'

/** The route that each sort of write goes by. */
const writeRoutes = {
  reading: contract.writeReading,
  complaint: contract.writeComplaint,
  visit: contract.writeVisit,
  rating: contract.writeRating,
  ledger: contract.appendToLedger,
} as const
type WriteKind = keyof typeof writeRoutes
/** What a sort of write sends. */
export type BodyOf<Kind extends WriteKind> = z.input<(typeof writeRoutes)[Kind]['body']>
/** The server's answer to a write, by its sort. */
export type WriteAnswer = {
  readonly [Kind in WriteKind]: { readonly kind: Kind; readonly row: AnswerOf<(typeof writeRoutes)[Kind]> }
}[WriteKind]

/** A write waiting to reach the server. Everything in it survives a reload. */
export interface PendingWrite {
  /** what it writes; a newer write to the same thing replaces it */
  readonly key: string
  readonly kind: WriteKind
  readonly body: Readonly<Record<string, unknown>>
  readonly visitId: string
  /** whose visit it is, for the bar and for who looks at another visit */
  readonly whose?: string
  /** for the conflict bar: the thing, and what this window wrote */
  readonly label: string
  readonly mine: string
  /** how to say what is stored instead */
  readonly conflict?: { readonly current: unknown }
  /** the server failed on it, so often; with the server's words */
  readonly failed?: { readonly tries: number; readonly message: string; readonly isRefused?: true }
  /** taken up from a window that was closed: it stays over the version it was made over */
  readonly adopted?: true
  /** of this very value, however often it is sent; the server keeps it with the row */
  readonly id?: string
  /** ids of what was sent for the same thing without an answer: any of it may be stored */
  readonly unanswered?: readonly string[]
}

/** What tells the server whose write this is: its id, and those it may have stored without our hearing of it. */
function markOf({ id, unanswered = [] }: PendingWrite): Readonly<Record<string, string>> {
  // A window of an earlier version kept something else here.
  const lost = unanswered.filter((one) => typeof one === 'string')
  return { ...(id === undefined ? {} : { 'x-write': id }), ...(lost.length === 0 ? {} : { 'x-unanswered': lost.join(',') }) }
}

/** What a write of a sort sends, as a window of this version makes it; null where it is of another. */
export function sentBy<Kind extends WriteKind>(kind: Kind, write: PendingWrite): z.output<(typeof writeRoutes)[Kind]['body']> | null {
  return write.kind === kind ? (write.body as z.output<(typeof writeRoutes)[Kind]['body']>) : null
}

/** Sends a write by the route of its sort. @throws as `ask` does */
export async function sendWrite(write: PendingWrite): Promise<WriteAnswer> {
  const route: Route<string, null, z.ZodType, z.ZodType> = writeRoutes[write.kind]
  const row = await ask(route, { params: { visitId: write.visitId }, body: write.body }, markOf(write))
  return { kind: write.kind, row } as WriteAnswer
}
