import { trimmed } from '../quantity/entry.ts'
import { midSentence } from '../quantity/words.ts'
import { MAX_WEIGHT, criteria, lateralReach, pedalSchools } from './pedalCriteria.ts'
import type { PedalRider, Weights } from './pedalCriteria.ts'
import { RELEASE_ROOM } from './cleatRotation.ts'
import type { CatalogueEntry, PedalSpec } from './pedalKinds.ts'

/** One criterion's part in a score. */
export interface Part {
  readonly key: string
  readonly label: string
  readonly weight: number
  readonly because: string
  /** 0 to 1 */
  readonly score: number
  /** share of the total that it brings, 0 to 1 */
  readonly brings: number
}

/** One entry of the catalogue for this rider. */
export interface Ranked {
  readonly id: string
  readonly spec: PedalSpec
  /** 0 to 100 */
  readonly total: number
  readonly parts: readonly Part[]
  /** why it is out, in words; empty = it is in */
  readonly excluded: readonly string[]
  /** why it stands where it stands: what it does best for this rider, and where it falls short */
  readonly reason: string
}

/** What would have to be true for the second to win. */
export interface Turning {
  readonly key: string
  readonly label: string
  /** weight now, and the weight at which the two are level */
  readonly from: number
  readonly to: number
  readonly words: string
}

/** A school's own winner among what is not excluded. */
export interface SchoolVerdict {
  readonly key: string
  readonly label: string
  readonly says: string
  readonly best: { readonly id: string; readonly name: string } | null
}

export interface PedalRanking {
  /** in first, best first; then what is out */
  readonly ranked: readonly Ranked[]
  readonly weights: readonly { readonly key: string; readonly label: string; readonly weight: number; readonly because: string; readonly own: boolean }[]
  readonly schools: readonly SchoolVerdict[]
  /** empty where there is no second, or nothing alone turns it */
  readonly turning: readonly Turning[]
} // prettier-ignore

/** A stance that is short by less than this is no reason to leave a pedal out, mm. @source prior */
const STANCE_TOLERANCE = 2.5
/** A patch below this presses through a soft sole, mm². @source prior */
export const SMALL_PATCH = 1000

/** Why a pedal is not for this rider, whatever it scores. @source common-practice */
export function exclusions(spec: PedalSpec, rider: PedalRider): string[] {
  const found: string[] = []
  if (spec.massLimit !== null && rider.mass !== null && rider.mass > spec.massLimit) {
    found.push(`Its limit is ${trimmed(spec.massLimit, 0)} kg; the rider is ${trimmed(rider.mass, 0)} kg.`)
  }
  const reach = lateralReach(spec, rider)
  if (rider.widen > STANCE_TOLERANCE && reach < Math.min(rider.widen, STANCE_TOLERANCE + 1)) {
    found.push(`Stance should go ${trimmed(rider.widen, 0)} mm wider a side; it has ${trimmed(reach, 1)} mm of room.`)
  }
  if (spec.patch < SMALL_PATCH && rider.soleStiffness === 1 && rider.forefoot) {
    found.push('A small patch on a soft sole is a likely cause of the hot foot.')
  }
  if (spec.release === 0 && (rider.use === 'road' || rider.use === 'long') && !rider.entry) {
    found.push('Nothing holds the foot on long or fast rides: for learning and some trail riding.')
  }
  const needed = rider.swing === null ? null : rider.swing + 2 * RELEASE_ROOM
  const widest = Math.max(...spec.floats)
  if (needed !== null && widest < needed) {
    found.push(`The heel needs ${trimmed(needed, 1)}° of float with room; its widest is ${trimmed(widest, 1)}°.`)
  }
  return found
}

/** Weights for this rider, with the fitter's own laid over them. */
export function weightsFor(rider: PedalRider, own: Weights): PedalRanking['weights'] {
  return criteria.map(({ key, label, counts }) => {
    const { weight, because } = counts(rider)
    const mine = own[key]
    return mine === undefined
      ? { key, label, weight, because, own: false }
      : { key, label, weight: Math.min(MAX_WEIGHT, Math.max(0, mine)), because: 'set by you', own: true }
  })
}

/**
 * Ranks a catalogue for a rider: a weighted mean of marks, each criterion visible; what is excluded
 * stands at the end with its reasons. Equal totals keep the catalogue's order.
 * @param own weights the fitter has set, 0 to 5, by criterion
 */
export function rankPedals(catalogue: readonly Pick<CatalogueEntry, 'id' | 'spec'>[], rider: PedalRider, own: Weights = {}): PedalRanking {
  const weights = weightsFor(rider, own)
  const whole = weights.reduce((sum, { weight }) => sum + weight, 0)
  const scored = catalogue.map(({ id, spec }): Ranked => {
    const scores = criteria.map((criterion) => criterion.score(spec, rider))
    const parts = weights.map(({ key, label, weight, because }, i): Part => {
      const score = scores[i] ?? 0
      return { key, label, weight, because, score, brings: whole > 0 ? (weight * score) / whole : 0 }
    })
    const total = 100 * parts.reduce((sum, part) => sum + part.brings, 0)
    return { id, spec, total, parts, excluded: exclusions(spec, rider), reason: reasonOf(parts) }
  })
  const ranked = scored
    .map((row, place) => ({ row, place }))
    .sort((a, b) => Number(a.row.excluded.length > 0) - Number(b.row.excluded.length > 0) || b.row.total - a.row.total || a.place - b.place)
    .map(({ row }) => row)
  const open = ranked.filter((row) => row.excluded.length === 0)
  return { ranked, weights, schools: verdicts(open), turning: turningPoints(open[0], open[1], weights) }
}

function reasonOf(parts: readonly Part[]): string {
  const counting = parts.filter((part) => part.weight > 0)
  const best = [...counting].sort((a, b) => b.weight * b.score - a.weight * a.score).filter((part) => part.score >= 0.6).slice(0, 2)
  const worst = [...counting].sort((a, b) => b.weight * (1 - b.score) - a.weight * (1 - a.score)).find((part) => part.score < 0.5)
  const good = best.map((part) => `${midSentence(part.label)} (${part.because})`).join(' and ')
  return `${good === '' ? 'Nothing it does best' : `For: ${good}`}${worst ? `. Against: ${midSentence(worst.label)}` : ''}.`
} // prettier-ignore

function verdicts(open: readonly Ranked[]): SchoolVerdict[] {
  return pedalSchools.map(({ key, label, says, weights }) => {
    const total = (row: Ranked) => row.parts.reduce((sum, part) => sum + (weights[part.key] ?? 0) * part.score, 0)
    let best: Ranked | null = null
    for (const row of open) if (best === null || total(row) > total(best)) best = row
    return { key, label, says, best: best && { id: best.id, name: best.spec.name } }
  })
}

/**
 * For each criterion the weight at which the second draws level, all others left alone: the totals
 * are linear in a weight, so w* = w − D / (s₁ − s₂) with D = Σ w (s₁ − s₂). Nearest first.
 */
export function turningPoints(first: Ranked | undefined, second: Ranked | undefined, weights: PedalRanking['weights']): Turning[] {
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
