import { messageSchema, plain } from '../kernel/message.ts'
import { z } from 'zod'
import { defineCalculation } from '../kernel/calculation.ts'
import { CalculationError } from '../kernel/problem.ts'
import { trimmed } from '../kernel/entry.ts'
import { sides } from '../kernel/sided.ts'

import { causeKeys, causeOf } from './causeTable.ts'
import { weigh } from './evidence.ts'
import { readingsWords } from './nextReading.ts'
import { causeWord } from './rank.ts'
import type { RankedCause } from './rank.ts'
import { reason } from './reason.ts'
import { visitModel } from './visitModel.ts'
import type { VisitState } from './visitModel.ts'

const causeOut = z.object({
  cause: z.enum(causeKeys),
  label: z.string(),
  side: z.enum(['left', 'right', 'both']).nullable(),
  probability: z.number(),
  word: z.string(),
  for: z.array(messageSchema),
  against: z.array(messageSchema),
  open: z.array(z.string()),
  muted: messageSchema.nullable(),
  remedy: z.string(),
})

function shown(row: RankedCause): z.infer<typeof causeOut> {
  const words = (speaks: 'for' | 'against') => row.said.filter((one) => one.speaks === speaks).map((one) => one.words)
  const lessons = (isFor: boolean) => row.learned.filter(({ moves }) => moves > 0 === isFor).map((one) => one.words)
  return {
    cause: row.cause,
    label: causeOf(row.cause).label,
    side: row.side,
    probability: row.probability,
    word: causeWord(row),
    for: [...words('for'), ...lessons(true)],
    against: [...words('against'), ...lessons(false)],
    open: row.open.map(({ missing }) => readingsWords(missing)),
    muted: row.muted,
    remedy: causeOf(row.cause).remedy.label,
  }
}

/**
 * The two calculations of the reasoner over a visit file.
 * @param readFile turns a visit file of any version into what the reasoner takes; throws CalculationError
 */
export function reasonCalculations(readFile: (file: unknown) => VisitState) {
  const read = (file: unknown): VisitState => {
    try {
      return readFile(file)
    } catch (error) {
      if (!(error instanceof CalculationError)) throw error
      const fields = error.fields.length > 0 ? error.fields : [{ field: '', message: error.message }]
      throw new CalculationError(
        'invalid',
        error.message,
        fields.map(({ field, message }) => ({ field: field === '' ? 'visit' : `visit.${field}`, message })),
      )
    }
  }
  const complaintCauses = defineCalculation({
    name: 'complaint-causes',
    title: 'Causes of what was told, likeliest first',
    summary:
      'Ranks the causes of every complaint of a visit file, says what speaks for and against, what to read next and what to try first.',
    input: z.strictObject({ visit: z.unknown() }),
    output: z.object({
      complaints: z.array(
        z.object({ id: z.string(), title: z.string(), causes: z.array(causeOut), leftOver: z.number(), nearest: z.array(z.string()) }),
      ),
      nextReadings: z.array(z.object({ readings: z.string(), why: messageSchema, minutes: z.number() })),
      firstMoves: z.array(
        z.object({
          cause: z.enum(causeKeys),
          words: messageSchema,
          minutes: z.number(),
          part: z.string().nullable(),
          eases: z.array(z.string()),
          watch: z.array(z.string()),
        }),
      ),
      stopped: z.boolean(),
    }),
    sources: ['common-practice', 'prior', 'farrar', 'abramowitz-stegun'],
    run: (raw) => {
      const { complaints, reasoned, isStopped } = reason(visitModel(read(raw.visit)).input)
      return {
        complaints: complaints.map(({ id, title, causes, leftOver, nearest }) => ({
          id,
          title,
          causes: causes.map(shown),
          leftOver,
          nearest: [...nearest],
        })),
        nextReadings: reasoned.next.map(({ readings, why, minutes }) => ({ readings: readingsWords(readings), why, minutes })),
        firstMoves: reasoned.moves.map(({ cause, words, minutes, part, effects, harms }) => ({
          cause,
          words,
          minutes,
          part,
          eases: effects.map((one) => `${one.title}: ${one.words}`),
          watch: harms.map((one) => causeOf(one.cause).label),
        })),
        stopped: isStopped,
      }
    },
    working: (_, { complaints }) =>
      complaints.flatMap(({ title, causes }) =>
        causes.slice(0, 3).map((cause) => ({
          label: title,
          formula: `${cause.label}: prior odds · Π (test ratios)`,
          value: `${trimmed(100 * cause.probability, 0)} %, ${cause.word}`,
          unit: 'none' as const,
        })),
      ),
  })
  const causeEvidence = defineCalculation({
    name: 'cause-evidence',
    title: 'What the tests say of one cause',
    summary: 'All tests of a cause on a visit file: the belief that each condition holds, and by how much it moves the odds.',
    input: z.strictObject({ visit: z.unknown(), cause: z.enum(causeKeys, { error: `cause must be one of ${causeKeys.join(', ')}.` }) }),
    output: z.object({
      label: z.string(),
      tests: z.array(
        z.object({
          of: z.string(),
          side: z.string().nullable(),
          belief: z.number(),
          strength: z.string(),
          moves: z.number(),
          words: messageSchema,
        }),
      ),
      open: z.array(z.string()),
      moves: z.number(),
    }),
    sources: ['common-practice', 'prior', 'abramowitz-stegun'],
    run: ({ visit: raw, cause }) => {
      const { said, open, moves } = weigh(visitModel(read(raw)).facts, cause, sides)
      return {
        label: causeOf(cause).label,
        tests: said.map(({ of, side, belief, strength, moves: by, words }) => ({ of, side, belief, strength, moves: by, words })),
        open: open.map(({ missing }) => readingsWords(missing)),
        moves,
      }
    },
    working: (_, { tests, moves }) => [
      ...tests.map((row) => ({
        label: plain(row.words),
        formula: `ln[(s·b + (1−s)(1−b)) / (f·b + (1−f)(1−b))], b = ${trimmed(row.belief, 3)}, ${row.strength}`,
        value: row.moves,
        unit: 'none' as const,
      })),
      { label: 'Together', formula: 'sum; the odds are multiplied by its exponential', value: moves, unit: 'none' as const },
    ],
  })
  return { complaintCauses, causeEvidence }
}
