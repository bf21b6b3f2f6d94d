import { strengths } from './testTable.ts'
import type { Strength } from './testTable.ts'

/** Belief in the most usual cause of a symptom before anything is read, and how it falls from rank to rank. @source prior */
const FIRST_PRIOR = 0.4
const RANK_FALL = 0.74

/** Words for how likely a cause is, from the likeliest down. @source prior */
export const likelihoods = [
  { key: 'very-likely', words: 'very likely', from: 0.8 },
  { key: 'likely', words: 'likely', from: 0.55 },
  { key: 'possible', words: 'possible', from: 0.25 },
  { key: 'unlikely', words: 'unlikely', from: 0 },
] as const
export const LIKELY = likelihoods[1].from
export const POSSIBLE = likelihoods[2].from

/** The word for a probability. */
export function likelihoodOf(probability: number): (typeof likelihoods)[number] {
  return likelihoods.find(({ from }) => probability >= from) ?? likelihoods[3]
}

/**
 * Share of the normal distribution below z, to 7 digits.
 * @source abramowitz-stegun 26.2.17
 */
export function normalShare(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z))
  const tail =
    (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))))
  return z >= 0 ? 1 - tail : tail
}

/**
 * Belief that a number lies past a line.
 * @param past how far past it, in the number's unit; minus is short of it
 * @param plusMinus its ±, k = 2
 * @param soft how soft the line is, one standard deviation in the same unit
 * @returns 0 to 1; ½ where nothing can be told
 */
export function belief(past: number, plusMinus: number, soft: number): number {
  return normalShare(past / Math.hypot(plusMinus / 2, soft))
}

/**
 * By how much a test moves the log odds of its cause. With b = ½ both lines of the ratio are alike, so
 * an unsure number moves nothing; and no test moves more than its strength.
 * @param b belief that the condition holds, 0 to 1
 */
export function logRatio(b: number, strength: Strength): number {
  const { sensitivity: s, falseRate: f } = strengths[strength]
  return Math.log((s * b + (1 - s) * (1 - b)) / (f * b + (1 - f) * (1 - b)))
}

/** Odds of a probability, and back. */
export const oddsOf = (probability: number): number => probability / (1 - probability)
export const probabilityOf = (odds: number): number => odds / (1 + odds)

/** Prior of the cause at a rank of its symptom, 0 = most usual. */
export function priorAt(rank: number): number {
  return FIRST_PRIOR * RANK_FALL ** rank
}

/** Prior of a cause that several complaints or symptoms point at: that at least one is right. */
export function jointly(priors: readonly number[]): number {
  return 1 - priors.reduce((rest, prior) => rest * (1 - prior), 1)
}

/** Entropy of a yes or no, nats. */
export function entropy(p: number): number {
  return p <= 0 || p >= 1 ? 0 : -p * Math.log(p) - (1 - p) * Math.log(1 - p)
}
