import { aReading, exampleReadings, said } from '../testing.ts'
import { methodUncertainty, methodsFor } from './table/methods.ts'
import { bandFor } from './table/readingBands.ts'
import { plausibilityQuestions } from './plausibility.ts'
import { readingSchema } from './reading.ts'
import { definitionOf, readingKeys } from './readingDefinitions.ts'
import { rangeProblem, readEntry } from './readingEntry.ts'
import { noChanges } from './movedBy.ts'
import { hiddenParts, resolveReadings } from './resolve.ts'

// Common practice: default ± by method.
describe('methods', () => {
  it.each([
    ['tape', 'length', 3],
    ['ruler', 'length', 1.5],
    ['level', 'angle', 0.3],
    ['goniometer', 'angle', 3],
    ['photo', 'length', 4],
    ['photo', 'angle', 2],
    ['motion', 'angle', 1.5],
    ['eye', 'length', 10],
    ['eye', 'angle', 6],
  ] as const)('%s reads %s within ±%s', (method, dimension, plusMinus) => {
    expect(methodUncertainty(method, dimension)).toBe(plusMinus)
  })
  it('offers for each reading only methods that can read it, its default among them', () => {
    for (const key of readingKeys) expect(methodsFor(definitionOf(key))).toContain(definitionOf(key).method)
    for (const key of ['kneeFlexion', 'torsoAngle', 'stature'] as const) expect(methodsFor(definitionOf(key))).not.toContain('maker')
    expect(methodsFor(definitionOf('kneeFlexion'))).not.toContain('tape')
    expect(methodsFor(definitionOf('thigh'))).not.toContain('mat')
    expect(methodsFor(definitionOf('sitBoneSpacing'))).toEqual(expect.arrayContaining(['mat', 'card', 'picture']))
  })
})

// Holmes, Pruitt & Whalen 1994: 25–35° held still; Ferrer-Roca et al. 2012: 30–40° pedalling (both from memory).
it('judges a knee by the band for the way it was read', () => {
  for (const method of ['goniometer', 'eye', null] as const) expect(bandFor('knee-at-bottom', method)).toEqual({ low: 25, high: 35 })
  for (const method of ['photo', 'motion'] as const) expect(bandFor('knee-at-bottom', method)).toEqual({ low: 30, high: 40 })
})

describe('entry of a reading', () => {
  it('takes millimetres and inches to the same value', () => {
    expect(readEntry('heelToMtp1', 'left', '196.85', 'mm')).toEqual({ ok: true, value: 196.85, repeats: [] })
    expect(readEntry('heelToMtp1', 'left', '7 3/4', 'in')).toEqual({ ok: true, value: 196.85, repeats: [] })
  })

  it('offers inches when only inches make sense', () => {
    expect(said(readEntry('heelToMtp1', 'left', '7.75', 'mm'))).toEqual({
      ok: false,
      message: 'Heel to ball (MTP1), left must lie between 120 and 280 mm.',
      suggestion: { label: 'Take it as 7.75 in (196.8\u00A0mm)', text: '7.75 in' },
    })
    expect(readEntry('heelToMtp1', 'left', '196', 'in')).toMatchObject({ ok: false, suggestion: { label: 'Take it as 196 mm' } })
  })

  it.each([
    ['crank', 'both', '172500', 'Crank length must lie between 100 and 220 mm.'],
    ['crank', 'both', '-170', 'Crank length must lie between 100 and 220 mm.'],
    [
      'crank',
      'both',
      'long',
      'Crank length: “long” is not a number here. Type for example 251, 25.1 cm or 9 7/8 in. Allowed: 100 to 220 mm.',
    ],
    [
      'slotBack',
      'left',
      '-6',
      'Slot room back, left is written the wrong way round: room is counted from where the part stands now, as a positive number. Allowed: 0 to 80 mm.',
    ],
    ['shoeSize', 'right', '430', 'Shoe size, right must lie between EU 30 and 55.'],
    ['seatAngle', 'both', '12', 'Seat angle must lie between 50° and 88°.'],
  ] as const)('%s %s “%s”: names field and range', (key, side, text, message) => {
    expect(said(readEntry(key, side, text, 'mm'))).toMatchObject({ ok: false, message })
  })

  it('clears on empty', () => expect(readEntry('crank', 'both', '  ', 'mm')).toEqual({ ok: true, value: null, repeats: [] }))

  it('is checked again by the schema, wherever it comes from', () => {
    expect(readingSchema.safeParse(aReading('crank', 'both', 172.5)).success).toBe(true)
    expect(readingSchema.safeParse(aReading('crank', 'left', 172.5)).success).toBe(false)
    expect(readingSchema.safeParse(aReading('cleatSetback', 'both', 4)).success).toBe(false)
    expect(readingSchema.safeParse({ ...aReading('seatAngle', 'both', 73), method: 'tape' }).success).toBe(false)
    expect(readingSchema.safeParse({ ...aReading('crank', 'both', 172.5), value: Infinity }).success).toBe(false)
    expect(rangeProblem('crank', 'both', Number.NaN)).not.toBeNull()
  })
})

describe('plausibility', () => {
  const ask = (...readings: Parameters<typeof plausibilityQuestions>[0]) => plausibilityQuestions(readings)
  it('asks about sides that differ too much and offers to exchange them', () => {
    const questions = ask(aReading('cleatSetback', 'left', 4), aReading('cleatSetback', 'right', 29))
    expect(questions).toHaveLength(1)
    expect(questions[0]).toMatchObject({ swap: 'cleatSetback', id: 'pair:cleatSetback:4:29' })
  })
  it('does not ask about an ordinary rider', () => expect(plausibilityQuestions(exampleReadings)).toEqual([]))
  it.each([
    ['a thigh longer than the inseam', [aReading('thigh', 'left', 590), aReading('inseam', 'both', 580)]],
    ['an inseam beyond half the stature', [aReading('inseam', 'both', 1000), aReading('stature', 'both', 1700)]],
    ['a ball at the toes', [aReading('heelToMtp1', 'left', 240), aReading('footLength', 'left', 260)]],
    ['MTP5 ahead of MTP1', [aReading('heelToMtp1', 'left', 170), aReading('heelToMtp5', 'left', 195)]],
    ['a shoe five sizes off', [aReading('shoeSize', 'left', 48), aReading('footLength', 'left', 260)]],
    ['an axle under the heel', [aReading('cleatSetback', 'left', 120), aReading('heelToMtp1', 'left', 190)]],
    ['a saddle above the inseam', [aReading('saddleHeight', 'both', 900), aReading('inseam', 'both', 800)]],
  ])('asks about %s', (_, readings) => expect(plausibilityQuestions(readings)).toHaveLength(1))
  it('has a new id for new values, so that an old answer does not cover them', () => {
    const id = (right: number) => ask(aReading('footLength', 'left', 250), aReading('footLength', 'right', right))[0]?.id
    expect(id(270)).not.toBe(id(271))
  })
})

// Drillis & Contini 1966 in Winter, fig. 4.1 (from memory): thigh 0.245, shank 0.246, foot 0.152, ankle 0.039 of stature.
describe('what was not measured', () => {
  const resolved = resolveReadings([aReading('stature', 'both', 1800)])
  it('is estimated from stature by the published fractions, and marked', () => {
    expect(resolved.thigh.left).toMatchObject({ value: expect.closeTo(441, 6), basis: 'estimated', source: 'drillis-contini' })
    expect(resolved.shank.right?.value).toBeCloseTo(442.8, 6)
    expect(resolved.footLength.left?.value).toBeCloseTo(273.6, 6)
    expect(hiddenParts(resolved, 'left').ankleHeight?.value).toBeCloseTo(70.2, 6)
  })
  it('carries a wider ± than a tape, and an estimate of an estimate a wider one still', () => {
    expect(resolved.thigh.left!.plusMinus).toBeGreaterThan(20)
    const measuredFoot = resolveReadings([aReading('footLength', 'left', 270)])
    expect(resolved.heelToMtp1.left!.plusMinus).toBeGreaterThan(measuredFoot.heelToMtp1.left!.plusMinus)
  })
  it('gives way to a measurement, per side', () => {
    const some = resolveReadings([aReading('stature', 'both', 1800), aReading('thigh', 'left', 430)])
    expect(some.thigh.left).toMatchObject({ value: 430, basis: 'measured', plusMinus: 3 })
    expect(some.thigh.right?.basis).toBe('estimated')
  })
  it('takes a tread as the kind of bike commonly has it, by its bar', () => {
    const tread = (bar: 'flat' | 'drop' | null) => resolveReadings([], noChanges, 0, 'usual', bar).tread.left?.value
    expect([tread('drop'), tread('flat'), tread(null)]).toEqual([148, 168, 155])
  })
  it('stays missing when nothing speaks for it', () => {
    const none = resolveReadings([])
    expect(none.thigh.left).toBeNull()
    expect(none.cleatSetback.left).toBeNull()
    expect(hiddenParts(none, 'left').hipUp).toBeNull()
  })
})
