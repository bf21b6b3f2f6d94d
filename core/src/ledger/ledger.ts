import { messageSchema } from '../kernel/message.ts'
import { workStations } from '../kernel/stations.ts'
import { z } from 'zod'
import { momentField } from '../kernel/moment.ts'
import { exchangeSchema } from './parts.ts'
import { paceKeys, largestMove } from './pace.ts'
import { settingKeys, settingOf } from './settings.ts'

/** One setting moved by a signed amount; knock-on moves answer the chosen one. */
export const moveSchema = z
  .strictObject({
    setting: z.enum(settingKeys, { error: `setting must be one of ${settingKeys.join(', ')}.` }),
    side: z.enum(['left', 'right', 'both'], { error: 'side must be left, right or both.' }),
    by: z.number({ error: 'by must be a number.' }),
    role: z.enum(['chosen', 'knock-on'], { error: 'role must be chosen or knock-on.' }),
    /** where it stood, where the step is as large as that asks */
    from: z.number({ error: 'from must be a number.' }).optional(),
  })
  .superRefine((move, context) => {
    const setting = settingOf(move.setting)
    if (setting.sided !== (move.side !== 'both')) {
      context.addIssue({
        code: 'custom',
        path: ['side'],
        message: `${setting.label} is moved ${setting.sided ? 'left or right' : 'as one'}.`,
      })
    }
  })
export type Move = z.infer<typeof moveSchema>

/** Steps of a tenth or of a fraction of an inch do not add up exactly in binary, mm or degrees. */
const ROUNDING = 1e-9

const shared = {
  id: z.uuid({ error: 'id must be a UUID.' }),
  at: momentField('at'),
}

/** What is appended to a visit's ledger; nothing in it is ever edited. `at` is for information only. */
export const ledgerEntrySchema = z.discriminatedUnion('kind', [
  z
    .strictObject({
      ...shared,
      kind: z.literal('try'),
      station: z.enum(workStations),
      moves: z.array(moveSchema).max(12),
      /** how far it may go at once */
      pace: z.enum(paceKeys, { error: `pace must be one of ${paceKeys.join(', ')}.` }).default('settled'),
      exchanges: z.array(exchangeSchema).max(4).default([]),
      reason: messageSchema,
      /** what stays for later, in words */
      later: messageSchema,
    })
    .refine(({ moves, exchanges }) => moves.length + exchanges.length > 0, {
      path: ['moves'],
      error: 'A change needs at least one move or exchange.',
    })
    .superRefine(({ moves, pace }, context) => {
      moves.forEach((move, i) => {
        const { label, unit } = settingOf(move.setting)
        const most = largestMove(move, pace)
        if (Math.abs(move.by) > 0 && Math.abs(move.by) <= most + ROUNDING) return
        const message = `${label} moves by more than 0 and at most ${most} ${unit} at once.`
        context.addIssue({ code: 'custom', path: ['moves', i, 'by'], message })
      })
    }),
  z.strictObject({ ...shared, kind: z.literal('keep'), of: z.uuid() }),
  z.strictObject({ ...shared, kind: z.literal('undo'), of: z.uuid() }),
])
export type LedgerEntry = z.infer<typeof ledgerEntrySchema>
