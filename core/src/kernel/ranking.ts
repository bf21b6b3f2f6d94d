import { joined, msg } from './message.ts'
import type { Message } from './message.ts'
import type { SourceKey } from './sources.ts'
import { trimmed } from './entry.ts'
import { midSentence } from './words.ts'

/** Weights go from 0 (does not count) to this. */
export const MAX_WEIGHT = 5
/** Weights by criterion, as they are stored. */
export type Weights = Readonly<Partial<Record<string, number>>>

/** One thing a part is judged by, for a rider. */
export interface Criterion<Spec, Rider> {
  readonly key: string
  readonly label: string
  /** 0 (poor) to 1 (good) for this rider */
  readonly score: (spec: Spec, rider: Rider) => number
  /** what speaks against a part that scores low here: the fact about it and this rider, in the middle of a sentence */
  readonly against: (spec: Spec, rider: Rider) => Message
  /** how much it counts for this rider, 0 to 5, and why */
  readonly counts: (rider: Rider) => { readonly weight: number; readonly because: Message }
  readonly source: SourceKey
}

/** A school of choosing: what it would weigh, whoever the rider is. */
export interface School {
  readonly key: string
  readonly label: string
  readonly says: Message
  readonly weights: Weights
  readonly source: SourceKey
}

/** What a kind of part is ranked by. */
export interface RankingRules<Spec, Rider> {
  readonly criteria: readonly Criterion<Spec, Rider>[]
  readonly schools: readonly School[]
  /** why a part is not for this rider, whatever it scores; empty = it is in */
  readonly exclusions: (spec: Spec, rider: Rider) => Message[]
}

/** One criterion's part in a score. */
export interface ScorePart {
  readonly key: string
  readonly label: string
  readonly weight: number
  readonly because: Message
  /** 0 to 1 */
  readonly score: number
  /** the fact that speaks against it, where it scores low */
  readonly against: Message
  /** share of the total that it brings, 0 to 1 */
  readonly brings: number
}

/** One entry of a catalogue for this rider. */
export interface Ranked<Spec> {
  readonly id: string
  readonly spec: Spec
  /** 0 to 100 */
  readonly total: number
  readonly parts: readonly ScorePart[]
  /** why it is out, in words; empty = it is in */
  readonly excluded: readonly Message[]
  /** why it stands where it stands: what it does best for this rider, and where it falls short */
  readonly reason: Message
}

/** What would have to be true for the second to win. */
export interface Turning {
  readonly key: string
  readonly label: string
  /** weight now, and the weight at which the two are level */
  readonly from: number
  readonly to: number
  readonly words: Message
}

/** A school's own winner among what is not excluded. */
export interface SchoolVerdict {
  readonly key: string
  readonly label: string
  readonly says: Message
  readonly best: { readonly id: string; readonly name: string } | null
}

/** A criterion's weight for this rider. */
export interface CriterionWeight {
  readonly key: string
  readonly label: string
  readonly weight: number
  readonly because: Message
  /** set by the fitter */
  readonly own: boolean
}

export interface Ranking<Spec> {
  /** in first, best first; then what is out */
  readonly ranked: readonly Ranked<Spec>[]
  readonly weights: readonly CriterionWeight[]
  readonly schools: readonly SchoolVerdict[]
  /** empty where there is no second, or nothing alone turns it */
  readonly turning: readonly Turning[]
}

/** Where a value lies from poor to good, held to 0..1; poor may be the larger. */
export const scoreBetween = (value: number, poor: number, good: number) => Math.min(1, Math.max(0, (value - poor) / (good - poor)))
/** A weight with its reason. */
export const said = (weight: number, because: Message) => ({ weight, because })

/**
 * Ranks a catalogue for a rider: a weighted mean of marks, each criterion visible; what is excluded
 * stands at the end with its reasons. Equal totals keep the catalogue's order.
 * @param own weights the fitter has set, 0 to 5, by criterion
 */
export function rankParts<Spec extends { readonly name: string }, Rider>(
  catalogue: readonly { readonly id: string; readonly spec: Spec }[],
  rider: Rider,
  own: Weights,
  rules: RankingRules<Spec, Rider>,
): Ranking<Spec> {
  const weights = weightsFor(rules.criteria, rider, own)
  const whole = weights.reduce((sum, { weight }) => sum + weight, 0)
  const scored = catalogue.map(({ id, spec }): Ranked<Spec> => {
    const scores = rules.criteria.map((criterion) => criterion.score(spec, rider))
    const parts = weights.map(({ key, label, weight, because }, i): ScorePart => {
      const score = scores[i] ?? 0
      const against = rules.criteria[i]?.against(spec, rider) ?? ''
      return { key, label, weight, because, score, against, brings: whole > 0 ? (weight * score) / whole : 0 }
    })
    const total = 100 * parts.reduce((sum, part) => sum + part.brings, 0)
    return { id, spec, total, parts, excluded: rules.exclusions(spec, rider), reason: reasonOf(parts) }
  })
  const ranked = scored
    .map((row, place) => ({ row, place }))
    .sort((a, b) => Number(a.row.excluded.length > 0) - Number(b.row.excluded.length > 0) || b.row.total - a.row.total || a.place - b.place)
    .map(({ row }) => row)
  const open = ranked.filter((row) => row.excluded.length === 0)
  return { ranked, weights, schools: verdicts(rules.schools, open), turning: turningPoints(open[0], open[1], weights) }
}

/** Weights for this rider, with the fitter's own laid over them. */
function weightsFor<Spec, Rider>(criteria: readonly Criterion<Spec, Rider>[], rider: Rider, own: Weights): CriterionWeight[] {
  return criteria.map(({ key, label, counts }) => {
    const { weight, because } = counts(rider)
    const mine = own[key]
    return mine === undefined
      ? { key, label, weight, because, own: false }
      : { key, label, weight: Math.min(MAX_WEIGHT, Math.max(0, mine)), because: 'set by you', own: true }
  })
}

function reasonOf(parts: readonly ScorePart[]): Message {
  const counting = parts.filter((part) => part.weight > 0)
  const best = [...counting]
    .sort((a, b) => b.weight * b.score - a.weight * a.score)
    .filter((part) => part.score >= 0.6)
    .slice(0, 2)
  const worst = [...counting].sort((a, b) => b.weight * (1 - b.score) - a.weight * (1 - a.score)).find((part) => part.score < 0.5)
  const good = best.map((part) => msg`${midSentence(part.label)} (${part.because})`)
  return msg`${good.length === 0 ? 'Nothing it does best' : msg`For: ${joined(good, ' and ')}`}${worst ? msg`. Against: ${worst.against}` : ''}.`
}

function verdicts<Spec extends { readonly name: string }>(schools: readonly School[], open: readonly Ranked<Spec>[]): SchoolVerdict[] {
  return schools.map(({ key, label, says, weights }) => {
    const total = (row: Ranked<Spec>) => row.parts.reduce((sum, part) => sum + (weights[part.key] ?? 0) * part.score, 0)
    let best: Ranked<Spec> | null = null
    for (const row of open) if (best === null || total(row) > total(best)) best = row
    return { key, label, says, best: best && { id: best.id, name: best.spec.name } }
  })
}

/**
 * For each criterion the weight at which the second draws level, all others left alone: the totals
 * are linear in a weight, so w* = w − D / (s₁ − s₂) with D = Σ w (s₁ − s₂). Nearest first.
 */
function turningPoints<Spec extends { readonly name: string }>(
  first: Ranked<Spec> | undefined,
  second: Ranked<Spec> | undefined,
  weights: readonly CriterionWeight[],
): Turning[] {
  if (!first || !second) return []
  const ahead = (i: number) => (first.parts[i]?.score ?? 0) - (second.parts[i]?.score ?? 0)
  const lead = weights.reduce((sum, { weight }, i) => sum + weight * ahead(i), 0)
  return weights
    .flatMap(({ key, label, weight }, i): Turning[] => {
      const d = ahead(i)
      if (Math.abs(d) < 1e-9) return []
      const to = weight - lead / d
      // At the very end of the scale there is nothing beyond to set.
      if (to <= 1e-6 || to >= MAX_WEIGHT - 1e-6 || Math.abs(to - weight) < 1e-9) return []
      const words = `${second.spec.name} wins if “${midSentence(label)}” counts ${to > weight ? 'more than' : 'less than'} ${trimmed(to, 1)} instead of ${trimmed(weight, 1)}.`
      return [{ key, label, from: weight, to, words }]
    })
    .sort((a, b) => Math.abs(a.to - a.from) - Math.abs(b.to - b.from))
}
