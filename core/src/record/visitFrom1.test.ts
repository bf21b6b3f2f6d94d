import { said } from '../testing.ts'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { foldLedger } from '../ledger/fold.ts'
import { setupOf } from '../rider/setup.ts'
import { barOf } from '../bike/bikeKinds.ts'
import { chosen } from '../readings/resolve.ts'
import { sheetOf } from './sheet.ts'
import { parseVisitFile } from './visitFile.ts'

/** A visit as the version before wrote it: seven entries in the ledger, readings before and after them. */
const text = readFileSync(join(__dirname, 'fixtures/visit-1.json'), 'utf8')
interface Old {
  readings: { key: string; side: string; value: number | null; typed: string; takenAt: string; condition?: string }[]
  ledger: { id: string; kind: string; at: string; of?: string; moves?: { setting: string; side: string; by: number }[]; reason?: string }[]
  ratings: unknown[]
  complaints: unknown[]
}
const old = JSON.parse(text) as Old
const file = parseVisitFile(text)
const readings = file.readings
const setup = setupOf(readings, file.ledger, barOf(file.bike.kind))

describe('a visit file of version 1', () => {
  it('keeps every reading with what the hand typed', () => {
    expect(readings).toHaveLength(old.readings.length)
    for (const row of old.readings) {
      const found = readings.find((r) => r.key === row.key && r.side === row.side && r.condition === (row.condition ?? 'usual'))
      expect([row.key, found === undefined]).toEqual([row.key, false])
      if (typeof found?.value === 'number') expect([found.value, found.typed]).toEqual([row.value, row.typed])
    }
  })

  it('turns places in a list of words into their keys', () => {
    // Version 1 counted: soft, medium, stiff; and plate coil, plate leaf, plate glide, mechanism in the cleat, recessed, …
    const place = (key: string) => old.readings.find((row) => row.key === key)?.value ?? 0
    expect(readings.find((r) => r.key === 'soleStiffness')?.value).toBe(['', 'soft', 'medium', 'stiff'][place('soleStiffness')])
    const kinds = ['', 'plate-coil', 'plate-leaf', 'plate-glide', 'cleat-mechanism', 'recessed', 'recessed-platform', 'flat-pins']
    expect(readings.find((r) => r.key === 'pedalKind')?.value).toBe(kinds[place('pedalKind')])
  })

  it('keeps the ledger in its order, with ids, reasons and decisions', () => {
    expect(file.ledger.map(({ id, kind, at }) => [id, kind, at])).toEqual(old.ledger.map(({ id, kind, at }) => [id, kind, at]))
    file.ledger.forEach((entry, i) => {
      if (entry.kind === 'try') expect(entry.reason).toBe(old.ledger[i]?.reason)
      else expect(entry.of).toBe(old.ledger[i]?.of)
    })
    expect([file.ratings.length, file.complaints.length]).toEqual([old.ratings.length, old.complaints.length])
  })

  it('writes steps along a list anew as parts with names', () => {
    const exchanges = file.ledger.flatMap((entry) => (entry.kind === 'try' ? entry.exchanges : []))
    expect(exchanges.map(({ slot }) => slot)).toEqual(expect.arrayContaining(['saddle', 'pedals']))
    for (const entry of file.ledger)
      if (entry.kind === 'try') for (const { setting } of entry.moves) expect(['pedalKind', 'saddleKind']).not.toContain(setting)
  })

  it('stands where it stood: the sum of what was read and what is in force', () => {
    const undone = new Set(old.ledger.flatMap(({ kind, of }) => (kind === 'undo' ? [of] : [])))
    const moves = old.ledger.filter(({ id, kind }) => kind === 'try' && !undone.has(id)).flatMap((entry) => entry.moves ?? [])
    const height = moves.filter(({ setting }) => setting === 'saddleHeight').reduce((sum, { by }) => sum + by, 0)
    const read = old.readings.find(({ key }) => key === 'saddleHeight')?.value ?? NaN
    expect(setup.now.saddleHeight.left?.value).toBeCloseTo(read + height, 6)
    const kind = file.ledger
      .flatMap((entry) => (entry.kind === 'try' && !undone.has(entry.id) ? entry.exchanges : []))
      .findLast(({ slot }) => slot === 'saddle')
    expect(chosen(setup.now, 'saddleKind')).toBe(kind?.to.properties.saddleKind)
  })

  it('places what was read on the bike by its time, once; from then on no clock is asked', () => {
    const after = readings.filter((r) => r.after !== null)
    expect(after.length).toBeGreaterThan(0)
    const entries = new Set(file.ledger.map(({ id }) => id))
    for (const { after: id } of after) expect(entries.has(id ?? '')).toBe(true)
    const clockless = readings.map((r) => ({ ...r, at: '2001-01-01T00:00:00.000Z' }))
    expect(setupOf(clockless, file.ledger, barOf(file.bike.kind)).now).toEqual(setup.now)
  })

  it('prints: changes by name, nothing undone in force', () => {
    const sheet = sheetOf(file)
    expect(sheet.changes).toHaveLength(foldLedger(file.ledger).changes.length)
    expect(said(sheet.changes.map(({ title }) => title)).join('; ')).toMatch(/Saddle: .+ for .+/)
  })
})
