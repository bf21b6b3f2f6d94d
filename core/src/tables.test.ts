import { settings, settingKeys } from './change/settings.ts'
import { cleatSchools, defaultCleatSchool } from './feet/cleatSchools.ts'
import { methodKeys, methods } from './measure/methods.ts'
import { definitionOf, readingKeys } from './measure/readingDefinitions.ts'
import { sources } from './sources.ts'
import { bodyRegionKeys, bodyRegions, complaintKindKeys } from './talk/regions.ts'
import { warningSigns, warningSignsFor } from './talk/warningSigns.ts'

// Rules are data: these checks hold the tables themselves to what the trade says (common practice).
describe('tables of the trade', () => {
  it('name a known source in every row', () => {
    for (const row of [...cleatSchools, ...Object.values(methods), ...Object.values(settings)]) expect(sources[row.source]).toBeDefined()
    for (const source of Object.values(sources)) expect(source.note.length).toBeGreaterThan(10)
  })

  it('say where a published value was written down from memory', () => {
    for (const key of [
      'drillis-contini',
      'ansur-ii',
      'hamley-thomas',
      'holmes',
      'van-sickle-hull',
      'winter-table',
      'ferrer-roca',
      'fonda',
      'keir',
      'iso-4210',
      'jarboe',
      'disley-li',
      'garbalosa',
      'murray',
      'navicular-drop',
      'iso-261',
    ] as const)
      expect(sources[key].note).toMatch(/from memory/)
  })

  it('cap cleat and saddle height at 5 mm a step, settable to half a millimetre', () => {
    expect(settings.cleatSetback).toMatchObject({ cap: 5, unit: 'mm', sided: true })
    expect(settings.saddleHeight).toMatchObject({ cap: 5, unit: 'mm', sided: false })
    for (const key of settingKeys) expect(settings[key].cap % settings[key].resolution).toBeCloseTo(0, 9)
  })

  it('default to behind the ball, listed first', () => {
    expect(defaultCleatSchool).toBe('behind-ball')
    expect(cleatSchools[0].key).toBe('behind-ball')
    expect(cleatSchools).toHaveLength(4)
  })

  it('have ranges that hold the people measured by the surveys, at three deviations and more', () => {
    // ANSUR II, Gordon et al. 2014 (from memory): stature M 1756.2 (68.6), F 1628.5 (64.2); foot length M 271.2 (13.1), F 246.3 (12.5).
    // ANSUR I, Gordon et al. 1989 (from memory): crotch height M 837.2 (46.2), F 771.4 (44.1).
    const holds = (key: (typeof readingKeys)[number], mean: number, sd: number) => {
      expect(definitionOf(key).min).toBeLessThan(mean - 3 * sd)
      expect(definitionOf(key).max).toBeGreaterThan(mean + 3 * sd)
    }
    holds('stature', 1756.2, 68.6)
    holds('stature', 1628.5, 64.2)
    holds('footLength', 271.2, 13.1)
    holds('footLength', 246.3, 12.5)
    holds('inseam', 837.2, 46.2)
    holds('inseam', 771.4, 44.1)
  })

  it('tell how to take every reading, and have a range the right way round', () => {
    for (const key of readingKeys) {
      const { how, min, max, pairLimit, sided } = definitionOf(key)
      expect(how.length).toBeGreaterThan(10)
      expect(min).toBeLessThan(max)
      expect(pairLimit !== undefined).toBe(sided)
    }
    for (const key of methodKeys) expect(methods[key].label).not.toBe('')
  })

  it('ask for at least one warning sign with every pain and every numbness, wherever it is', () => {
    for (const region of bodyRegionKeys)
      for (const kind of ['pain', 'numb'] as const) expect(warningSignsFor(region, kind).length).toBeGreaterThan(1)
    for (const sign of warningSigns) for (const kind of sign.kinds) expect(complaintKindKeys).toContain(kind)
  })

  it('have no two rows of one name', () => {
    for (const keys of [bodyRegionKeys, warningSigns.map((s) => s.key), cleatSchools.map((s) => s.key)])
      expect(new Set<string>(keys).size).toBe(keys.length)
    expect(new Set(bodyRegions.map((r) => r.label)).size).toBe(bodyRegions.length)
  })
})
