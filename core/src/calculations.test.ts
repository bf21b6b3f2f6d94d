import { z } from 'zod'
import { evaluate } from './calculation.ts'
import { calculationNamed, calculations } from './calculations.ts'
import type { CalculationError } from './quantity/problem.ts'
import { sources } from './sources.ts'

/** One good input per calculation; results are checked where the pure functions are. */
const goodInputs: Readonly<Record<string, Record<string, unknown>>> = {
  'knee-flexion': { thigh: 430, shank: 440, distance: 840 },
  'distance-for-flexion': { thigh: 430, shank: 440, kneeFlexion: 30 },
  'leg-posture': { thigh: 430, shank: 440, ankleBehind: 130, ankleAbove: 90, crank: 172.5, seatAngle: 73, hipForward: 40, hipUp: 85, footPitch: 20, saddleHeight: 700 },
  'saddle-height-for-flexion': { thigh: 430, shank: 440, ankleBehind: 130, ankleAbove: 90, crank: 172.5, seatAngle: 73, hipForward: 40, hipUp: 85, footPitch: 20, kneeFlexion: 30 },
  'cleat-target': { setbackNow: 6, shoeSize: 43, slotForward: 6, slotBack: 12 },
  'cleat-knock-on': { thigh: 430, shank: 440, heelToMtp1: 195, heelToAnkle: 65, ankleHeight: 68, stack: 22, crank: 172.5, saddleHeight: 700, seatAngle: 73, hipForward: 40, hipUp: 85, footPitch: 20, setbackFrom: 0, setbackTo: 5 },
  'step-plan': { move: 12 },
} // prettier-ignore

describe.each(calculations.map((calculation) => [calculation.name, calculation] as const))('%s', (name, calculation) => {
  it('answers, with working, sources and an output that holds to its own schema', () => {
    const answer = evaluate(calculation, goodInputs[name])
    expect(calculation.output.safeParse(answer.result).success).toBe(true)
    expect(answer.working.length).toBeGreaterThan(0)
    for (const line of answer.working) expect(String(line.value)).not.toMatch(/NaN|undefined/)
    expect(answer.sources.length).toBeGreaterThan(0)
    for (const key of calculation.sources) expect(sources[key]).toBeDefined()
  })

  it('names the field when one is missing, a word, or unknown', () => {
    const good = goodInputs[name]!
    const field = Object.keys(good)[0]!
    const fails = (input: unknown) => {
      try {
        evaluate(calculation, input)
      } catch (error) {
        return error as CalculationError
      }
      throw new Error('was accepted')
    }
    expect(fails({ ...good, [field]: 'a word' }).fields[0]?.field).toBe(field)
    expect(fails({ ...good, [field]: undefined }).fields[0]?.field).toBe(field)
    expect(fails({ ...good, nonsense: 1 }).fields[0]?.field).toBe('nonsense')
    expect(fails({ ...good, [field]: 1e9 }).message).toMatch(/from|between|at most/)
    expect(fails([]).code).toBe('invalid')
    expect(fails(null).code).toBe('invalid')
  })

  it('has a JSON Schema for both ends', () => {
    expect(z.toJSONSchema(calculation.input)).toMatchObject({ type: 'object' })
    expect(z.toJSONSchema(calculation.output)).toMatchObject({ type: 'object' })
  })

  it('carries uncertainty when asked to', () => {
    const field = Object.keys(goodInputs[name]!)[0]!
    const answer = evaluate(calculation, { ...goodInputs[name], plusMinus: { [field]: 1 } })
    expect(Object.values(answer.plusMinus).some((value) => value > 0)).toBe(true)
  })
})

it('finds by name, and nothing by another', () => {
  expect(calculationNamed('knee-flexion')?.title).toMatch(/Knee flexion/)
  expect(calculationNamed('__proto__')).toBeNull()
})
