import { plain } from './kernel/message.ts'
import { settingKeys, settings } from './ledger/settings.ts'
import { cleatSchools, defaultCleatSchool } from './stations/feet/cleat/schools.ts'
import { methodKeys, methods } from './readings/table/methods.ts'
import { definitionOf, isChoice, numberKeys, readingKeys } from './readings/readingDefinitions.ts'
import type { NumberKey } from './readings/readingDefinitions.ts'
import { sources } from './kernel/sources.ts'
import { bodyRegionKeys, bodyRegions, complaintKindKeys } from './talk/regions.ts'
import { warningSigns, warningSignsFor } from './talk/warningSigns.ts'

// Rules are data: these checks hold the tables themselves to what the trade says (common practice).
describe('tables of the trade', () => {
  it('name a known source in every row', () => {
    for (const row of [...cleatSchools, ...Object.values(methods), ...Object.values(settings)]) expect(sources[row.source]).toBeDefined()
    for (const source of Object.values(sources)) expect(source.note.length).toBeGreaterThan(10)
  })

  it('default to behind the ball, listed first', () => {
    expect(defaultCleatSchool).toBe('behind-ball')
    expect(cleatSchools[0].key).toBe('behind-ball')
    expect(cleatSchools).toHaveLength(4)
  })

  it('have ranges that hold the people measured by the surveys, at three deviations and more', () => {
    // ANSUR II, Gordon et al. 2014 (from memory): stature M 1756.2 (68.6), F 1628.5 (64.2); foot length M 271.2 (13.1), F 246.3 (12.5).
    // ANSUR I, Gordon et al. 1989 (from memory): crotch height M 837.2 (46.2), F 771.4 (44.1).
    const holds = (key: NumberKey, mean: number, sd: number) => {
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
      expect(plain(definitionOf(key).how).length).toBeGreaterThan(10)
      if (isChoice(key)) continue
      const { min, max, pairLimit, sided, isRoom } = definitionOf(key)
      expect(min).toBeLessThan(max)
      expect(pairLimit !== undefined).toBe(sided)
      if (isRoom) expect(min).toBe(0)
    }
    for (const key of methodKeys) expect(methods[key].label).not.toBe('')
  })

  it('name only rows that exist: what an estimate comes from, what carries a reading along, whose room it is, what it calibrates', () => {
    for (const key of readingKeys) {
      const { estimate, carried = {}, roomOf, metric, calibrates, compares, words = [] } = definitionOf(key)
      if (estimate && estimate.by !== 'usual') expect(numberKeys).toContain(estimate.of)
      for (const setting of [...Object.keys(carried), ...(roomOf ? [roomOf[0]] : [])]) expect(settingKeys).toContain(setting)
      // What reads a number of the rider calibrates the model too, or is compared with it.
      if (metric) expect([key, calibrates ?? compares]).toEqual([key, expect.any(String)])
      if (metric) expect([key, metric.length]).toEqual([key, definitionOf(key).sided ? 2 : 1])
      for (const word of words) expect(word).toMatch(/^[a-z0-9]+$/)
    }
    const typed = readingKeys.flatMap((key) => definitionOf(key).words ?? [])
    expect(new Set(typed).size).toBe(typed.length)
  })

  it('ask for at least one warning sign with every pain and every numbness, wherever it is', () => {
    for (const region of bodyRegionKeys)
      for (const kind of ['pain', 'numb'] as const)
        expect(warningSignsFor({ places: [{ region }], control: null, kind }).length).toBeGreaterThan(1)
    for (const sign of warningSigns) for (const kind of sign.kinds) expect(complaintKindKeys).toContain(kind)
  })

  it('have no two rows of one name', () => {
    for (const keys of [bodyRegionKeys, warningSigns.map((s) => s.key), cleatSchools.map((s) => s.key)])
      expect(new Set<string>(keys).size).toBe(keys.length)
    expect(new Set(bodyRegions.map((r) => r.label)).size).toBe(bodyRegions.length)
  })
})
