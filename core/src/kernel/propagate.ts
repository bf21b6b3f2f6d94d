import { fieldOf } from './tables.ts'
/** Result of {@link propagate}: the value, each numeric output's ±, and who causes it. */
export interface Propagated<Output> {
  readonly result: Output
  /** output path -> expanded uncertainty, in the output's unit */
  readonly plusMinus: Readonly<Record<string, number>>
  /** output path -> input path -> share of the variance, 0..1 */
  readonly shares: Readonly<Record<string, Readonly<Record<string, number>>>>
  /** input paths of which one side could not be computed, so that the ± is one-sided */
  readonly oneSided: readonly string[]
}

/** Every finite number in a nested value, by dotted path. */
export function numericLeaves(value: unknown, prefix = ''): Record<string, number> {
  const leaves: Record<string, number> = {}
  const walk = (node: unknown, path: string): void => {
    if (typeof node === 'number') {
      if (Number.isFinite(node)) leaves[path] = node
    } else if (node !== null && typeof node === 'object') {
      for (const [key, child] of Object.entries(node)) walk(child, path === '' ? key : `${path}.${key}`)
    }
  }
  walk(value, prefix)
  return leaves
}

/** A copy of a nested record with the number at a dotted path replaced. */
export function withLeaf<T>(value: T, path: string, leaf: number): T {
  const [head, ...rest] = path.split('.')
  if (head === undefined) return value
  const replaced = rest.length === 0 ? leaf : withLeaf(fieldOf(value, head), rest.join('.'), leaf)
  return Object.assign(Array.isArray(value) ? [] : {}, value, { [head]: replaced })
}

/**
 * First-order propagation of uncertainty by the finite differences the GUM allows:
 * contribution i = (f(x + uᵢ) − f(x − uᵢ)) / 2, combined by root-sum-of-squares.
 * Inputs shared by several outputs stay correlated because the whole function is re-run.
 * Where one side cannot be computed (a leg that no longer reaches), the other side alone counts,
 * and the input is named in `oneSided`.
 *
 * @param run the pure function
 * @param input its input
 * @param plusMinus input path -> expanded uncertainty in the input's unit; missing means exact
 * @throws whatever `run` throws for the input itself
 * @source gum
 */
export function propagate<Input, Output>(
  run: (input: Input) => Output,
  input: Input,
  plusMinus: Readonly<Record<string, number>>,
): Propagated<Output> {
  const result = run(input)
  const centre = numericLeaves(result)
  const inputs = numericLeaves(input)
  const variances: Record<string, Record<string, number>> = {}
  const oneSided: string[] = []
  for (const [path, u] of Object.entries(plusMinus)) {
    const x = inputs[path]
    if (x === undefined || !(u > 0)) continue
    const up = attempt(run, withLeaf(input, path, x + u))
    const down = attempt(run, withLeaf(input, path, x - u))
    if (up === null || down === null) oneSided.push(path)
    for (const [output, middle] of Object.entries(centre)) {
      const high = up?.[output]
      const low = down?.[output]
      const shift =
        high !== undefined && low !== undefined
          ? (high - low) / 2
          : high !== undefined
            ? high - middle
            : low !== undefined
              ? middle - low
              : 0
      ;(variances[output] ??= {})[path] = shift * shift
    }
  }
  const total: Record<string, number> = {}
  const shares: Record<string, Record<string, number>> = {}
  for (const output of Object.keys(centre)) {
    const parts = variances[output] ?? {}
    const sum = Object.values(parts).reduce((a, b) => a + b, 0)
    total[output] = Math.sqrt(sum)
    shares[output] = Object.fromEntries(Object.entries(parts).map(([k, v]) => [k, sum > 0 ? v / sum : 0]))
  }
  return { result, plusMinus: total, shares, oneSided }
}

function attempt<Input>(run: (input: Input) => unknown, input: Input): Record<string, number> | null {
  try {
    return numericLeaves(run(input))
  } catch {
    return null
  }
}
