import { fieldOf, isRecord } from './tables.ts'
import { z } from 'zod'
import { propagate } from './propagate.ts'
import { trimmed } from './entry.ts'
import type { FieldProblem } from './problem.ts'
import { CalculationError } from './problem.ts'
import { sources } from './sources.ts'
import type { Source, SourceKey } from './sources.ts'
import type { Unit } from './quantity.ts'

/** One line of "show working": what, by which formula, with the numbers put in, giving what. */
export interface WorkingLine {
  readonly label: string
  readonly formula: string
  readonly value: number | string
  readonly unit: Unit
  /** output path whose ± belongs beside the value */
  readonly output?: string
}

/** A calculation as a value: from it come the function, the route, the command and the working panel. */
export interface Calculation<Input = never, Output = unknown> {
  readonly name: string
  readonly title: string
  readonly summary: string
  readonly input: z.ZodType<Input>
  readonly output: z.ZodType<Output>
  readonly sources: readonly SourceKey[]
  readonly run: (input: Input) => Output
  readonly working: (input: Input, output: Output) => readonly WorkingLine[]
}

/** Identity with types: checks the parts against each other where they are written. */
export function defineCalculation<Input, Output>(definition: Calculation<Input, Output>): Calculation<Input, Output> {
  return definition
}

/** A calculation of whatever input, as lists and panels hold them. */
export type AnyCalculation = Calculation<never, unknown>

/** Forgets what a calculation takes; its own schema still checks every input. */
export function anyCalculation<Input, Output>(calculation: Calculation<Input, Output>): AnyCalculation {
  return calculation as unknown as AnyCalculation
}

/** What of an input the calculation takes, without what is not known. */
export function fieldsTaken({ input: schema }: AnyCalculation, input: unknown): Readonly<Record<string, unknown>> {
  const shape = fieldOf(schema, 'shape')
  const isTaken = (key: string) => !isRecord(shape) || key in shape
  const entries = isRecord(input) ? Object.entries(input) : []
  return Object.fromEntries(entries.filter(([key, value]) => value !== undefined && isTaken(key)))
}

/** What every face of a calculation answers with. */
export interface Evaluation<Output> {
  readonly name: string
  readonly result: Output
  /** output path -> expanded uncertainty, only when input uncertainties were given */
  readonly plusMinus: Readonly<Record<string, number>>
  readonly shares: Readonly<Record<string, Readonly<Record<string, number>>>>
  readonly working: readonly WorkingLine[]
  readonly sources: readonly (Source & { readonly key: SourceKey })[]
}

/** More uncertain inputs than this say nothing that fewer do not, and each is worked out by itself. */
const MOST_UNCERTAIN = 60
const uncertainties = z
  .record(z.string().max(80), z.number().min(0).max(1000))
  .refine((given) => Object.keys(given).length <= MOST_UNCERTAIN, { error: `At most ${MOST_UNCERTAIN} inputs may have a ±.` })

/**
 * Checks raw input against the definition, runs it and propagates uncertainty.
 * `raw.plusMinus`, when present, maps input paths to their ±.
 * @throws CalculationError with the fields at fault
 */
export function evaluate<Input, Output>(definition: Calculation<Input, Output>, raw: unknown): Evaluation<Output> {
  if (!isRecord(raw) || Array.isArray(raw)) {
    throw new CalculationError('invalid', 'The input must be a JSON object.', [{ field: '', message: 'Expected an object.' }])
  }
  const { plusMinus: rawPlusMinus, ...fields } = raw
  const input = parseOrThrow(definition.input, fields)
  const plusMinus = rawPlusMinus === undefined ? {} : parseOrThrow(uncertainties, rawPlusMinus, 'plusMinus')
  const { result, plusMinus: spread, shares } = propagate(definition.run, input, plusMinus)
  return {
    name: definition.name,
    result,
    plusMinus: rawPlusMinus === undefined ? {} : spread,
    shares: rawPlusMinus === undefined ? {} : shares,
    working: definition.working(input, result).map(tidied),
    sources: definition.sources.map((key) => ({ key, ...sources[key] })),
  }
}

/** A working line without the far decimals of a number that was put into its words. */
function tidied(line: WorkingLine): WorkingLine {
  const tidy = (words: string) => words.replace(/\d+\.\d{4,}/g, (number) => trimmed(Number(number), 3))
  return { ...line, formula: tidy(line.formula), value: typeof line.value === 'string' ? tidy(line.value) : line.value }
}

/** Parses with a schema; failures become one error naming every field. */
function parseOrThrow<T>(schema: z.ZodType<T>, raw: unknown, prefix = ''): T {
  const parsed = schema.safeParse(raw)
  if (parsed.success) return parsed.data
  const fields = fieldProblems(parsed.error, prefix)
  const first = fields[0]
  throw new CalculationError('invalid', first ? `${first.field || 'input'}: ${first.message}` : 'Invalid input.', fields)
}

/** A Zod error as field problems in plain words. */
export function fieldProblems(error: z.ZodError, prefix = ''): FieldProblem[] {
  return error.issues.slice(0, 50).map((issue) => {
    const path = [...(prefix === '' ? [] : [prefix]), ...issue.path.map(String)]
    if (issue.code === 'unrecognized_keys') {
      return { field: [...path, issue.keys[0] ?? ''].join('.'), message: 'This field is not known here.' }
    }
    return { field: path.join('.'), message: issue.message }
  })
}

/** A number field that states its own range when it is missed. */
export function numberField(label: string, min: number, max: number, unit: string, description?: string) {
  const message = `${label} must be a number from ${min} to ${max}${unit === '' ? '' : ` ${unit}`}.`
  return z
    .number({ error: message })
    .min(min, { error: message })
    .max(max, { error: message })
    .meta({ description: description ?? `${label}, ${unit}` })
}

/** A number field that may be left out or null: not read. */
export const optionalNumber = (label: string, min: number, max: number, unit: string) =>
  numberField(label, min, max, unit).nullable().default(null)

/** What is said where none of the keys of a list was given. */
export const oneOfKeys = (name: string, keys: readonly [string, ...string[]]) => ({ error: `${name} must be one of ${keys.join(', ')}.` })

/** A side, or both as one. */
export const sideField = z.enum(['left', 'right', 'both'])

/** JSON Schemas of a calculation's two ends. */
export function calculationSchemas(definition: Pick<Calculation, 'input' | 'output'>): { input: unknown; output: unknown } {
  return { input: z.toJSONSchema(definition.input), output: z.toJSONSchema(definition.output) }
}

const coordinate = (label: string) => numberField(label, -5000, 5000, 'mm')
/** A point of the side view, mm from the bottom bracket: x forward, y up. */
export const pointSchema = z.strictObject({ x: coordinate('x'), y: coordinate('y') })
/** A point or direction in space; z to the rider's right. */
export const spacePointSchema = z.strictObject({ x: coordinate('x'), y: coordinate('y'), z: coordinate('z') })

/** "(467.1, 631.7)" with a real minus sign, for working lines. */
export function xy({ x, y }: { readonly x: number; readonly y: number }): string {
  return `(${x.toFixed(1)}, ${y.toFixed(1)})`.replace(/-/g, '−')
}

/** A metric's or setting's unit as a working line shows it. */
export function anyUnit(unit: 'mm' | 'deg' | '%' | 'kind'): Unit {
  return unit === '%' || unit === 'kind' ? 'none' : unit
}
