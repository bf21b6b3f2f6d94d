import { joined, messageSchema, plain } from './message.ts'
import { z } from 'zod'
import type { WorkingLine } from './calculation.ts'
import type { Ranking } from './ranking.ts'

/** A ranking as every catalogue's calculation answers it. */
export const rankingOutput = z.object({
  ranked: z.array(z.object({ name: z.string(), total: z.number(), excluded: z.array(messageSchema), reason: messageSchema })),
  schools: z.array(z.object({ label: z.string(), best: z.string().nullable() })),
  turning: z.array(messageSchema),
})
export type RankingAnswer = z.infer<typeof rankingOutput>

export function rankingAnswer<Spec extends { readonly name: string }>({ ranked, schools, turning }: Ranking<Spec>): RankingAnswer {
  return {
    ranked: ranked.map(({ spec, total, excluded, reason }) => ({ name: spec.name, total, excluded: [...excluded], reason })),
    schools: schools.map(({ label, best }) => ({ label, best: best?.name ?? null })),
    turning: turning.map(({ words }) => words),
  }
}

/** The first ten, each with why it stands there or is out. */
export function rankingWorking({ ranked }: RankingAnswer): WorkingLine[] {
  return ranked.slice(0, 10).map((row, i) => ({
    label: `${i + 1}. ${row.name}`,
    formula: row.excluded.length > 0 ? `out: ${plain(joined(row.excluded))}` : plain(row.reason),
    value: row.total,
    unit: 'none',
    output: `ranked.${i}.total`,
  }))
}
