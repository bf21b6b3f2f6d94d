import { freshVisit } from './dossier.ts'
import fc from 'fast-check'
import { CalculationError } from '../kernel/problem.ts'
import { withLeaf } from '../kernel/propagate.ts'
import { entryOf, exampleReadings, testTime, uuid } from '../testing.ts'
import { sheetOf } from './sheet.ts'
import { parseVisitFile } from './visitFile.ts'
import type { VisitFile } from './visitFile.ts'

const file: VisitFile = {
  format: 'level-stance/visit',
  version: 4,
  rider: { name: 'Test Rider', note: '' },
  bike: { name: 'Tourer', kind: 'drop bar' },
  visit: {
    ...freshVisit,
    startedAt: testTime,
  },
  readings: [...exampleReadings],
  complaints: [
    {
      id: uuid(5),
      places: [{ region: 'calf', side: 'left' }],
      control: null,
      kind: 'pain',
      startsAfter: 20,
      situation: 'climbing',
      severity: 4,
      since: 'weeks',
      changed: ['saddle'],
      tried: [{ what: 'saddle-up', helped: 'worse' }],
      note: '',
      warnings: { fall: 'no' },
    },
  ],
  ledger: [entryOf(1, { setting: 'cleatSetback', side: 'right', by: 5, role: 'chosen' })],
  ratings: [{ complaintId: uuid(5), changeId: uuid(1), severity: 2 }],
}

/** Reads a text as a user's file: either a file that makes a sheet, or words. */
function readOrWords(text: string): 'read' | 'refused' {
  try {
    const sheet = sheetOf(parseVisitFile(text))
    expect(JSON.stringify(sheet)).not.toMatch(/NaN|undefined|Infinity/)
    return 'read'
  } catch (error) {
    expect(error).toBeInstanceOf(CalculationError)
    expect((error as CalculationError).message.length).toBeGreaterThan(10)
    return 'refused'
  }
}

/** Every dotted path of a value, leaves and branches. */
function paths(value: unknown, prefix = ''): string[] {
  if (value === null || typeof value !== 'object') return [prefix]
  const below = Object.entries(value).flatMap(([key, child]) => paths(child, prefix === '' ? key : `${prefix}.${key}`))
  return prefix === '' ? below : [prefix, ...below]
}

describe('whatever is handed in as a visit file', () => {
  it('any text gives words, never a crash', () => {
    fc.assert(fc.property(fc.string(), (text) => expect(readOrWords(text)).toBe('refused')))
    fc.assert(fc.property(fc.json(), (text) => expect(readOrWords(text)).toBe('refused')))
  })

  it('a good file with any one part replaced by anything is read whole or refused whole', () => {
    const anything = fc.oneof(fc.jsonValue(), fc.constantFrom(-1, 0, 1e308, '', 'x'.repeat(5000), null, [], {}, true))
    fc.assert(
      fc.property(fc.constantFrom(...paths(file)), anything, (path, junk) => {
        readOrWords(JSON.stringify(withLeaf(file, path, junk as never)))
      }),
      { numRuns: 600 },
    )
  })

  it('a good file with any one part missing is refused, but for a warning answer and what older files do not have', () => {
    for (const path of paths(file)) {
      const text = JSON.stringify(withLeaf(file, path, undefined as never))
      const optional =
        path.startsWith('complaints.0.warnings.') ||
        /^(readings\.\d+\.(condition|repeats|after)|ledger\.\d+\.(exchanges|pace)|visit\.(pace|overruled|riding|outcome))$/.test(path)
      expect([path, readOrWords(text)]).toEqual([path, optional ? 'read' : 'refused'])
    }
  })

  it('a good file cut anywhere is refused', () => {
    const text = JSON.stringify(file)
    fc.assert(fc.property(fc.integer({ min: 0, max: text.length - 1 }), (end) => expect(readOrWords(text.slice(0, end))).toBe('refused')))
  })
})
