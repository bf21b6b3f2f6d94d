import { plain } from '../kernel/message.ts'
import { freshVisit } from './dossier.ts'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import Ajv2020 from 'ajv/dist/2020.js'
import addFormats from 'ajv-formats'
import { complaintSchema, complaintTitle, positiveWarnings, unansweredWarnings } from '../talk/complaint.ts'
import type { BodyRegionKey, ComplaintKind } from '../talk/regions.ts'
import { warningSignsFor } from '../talk/warningSigns.ts'
import { severityNow } from '../ledger/severity.ts'
import { symptomsOf } from '../reason/matching.ts'
import { reasoningText } from '../reason/tablesText.ts'
import { foldLedger } from '../ledger/fold.ts'
import { aReading, complaintAt, entryOf, exampleReadings, testTime, uuid, wholeReadings, said } from '../testing.ts'
import { sheetOf } from './sheet.ts'
import { parseVisitFile, visitFileJsonSchema } from './visitFile.ts'
import type { VisitFile } from './visitFile.ts'

const complaint = complaintAt(50, 'forefoot', 'right', {
  kind: 'numb',
  startsAfter: 40,
  situation: 'flat-steady',
  warnings: { 'lasting-numbness': 'no', 'lost-strength': 'no' },
})
const tried = entryOf(
  1,
  { setting: 'cleatSetback', side: 'right', by: 5, role: 'chosen' },
  { setting: 'saddleHeight', side: 'both', by: -1, role: 'knock-on' },
)
const file: VisitFile = {
  format: 'level-stance/visit',
  version: 4,
  rider: { name: 'Živa Østergård', note: '' },
  bike: { name: 'Tourer', kind: 'drop bar' },
  visit: {
    ...freshVisit,
    startedAt: testTime,
  },
  readings: [...exampleReadings],
  complaints: [complaint],
  ledger: [tried, { kind: 'keep', id: uuid(2), at: testTime, of: uuid(1) }],
  ratings: [{ complaintId: uuid(50), changeId: uuid(1), severity: 3 }],
}

describe('complaints', () => {
  it('are titled as a fitter would say them', () => {
    expect(complaintTitle(complaint)).toBe('Toes and ball of foot numb, right')
    expect(complaintTitle(complaintAt(1, 'knee-outer', 'left'))).toBe('Outer knee, left')
  })
  it('bring the warning signs that belong to them', () => {
    const keys = (region: BodyRegionKey, kind: ComplaintKind | null) =>
      warningSignsFor({ places: [{ region }], control: null, kind }).map((sign) => sign.key)
    expect(keys('groin', 'numb')).toEqual(expect.arrayContaining(['bladder-bowel', 'lasting-numbness', 'lost-strength', 'sores']))
    expect(keys('calf', 'pain')).toEqual(expect.arrayContaining(['hot-swollen', 'night-pain', 'tight-leg']))
    expect(keys('chest', 'pain')).toContain('chest-faint')
    expect(keys('ring-finger', 'numb')).toContain('lasting-numbness')
    expect(keys('calf', null)).toEqual([])
    expect(warningSignsFor({ places: [], control: 'leg-disconnected', kind: 'control' }).map(({ key }) => key)).toContain('lost-strength')
    expect(keys('forefoot', 'slips')).not.toContain('night-pain')
    expect(unansweredWarnings({ ...complaint, warnings: {} })).toContain('lasting-numbness')
  })
  it('stop the visit on a positive sign until a clinician has cleared it', () => {
    expect(positiveWarnings([{ ...complaint, warnings: { 'lost-strength': 'yes' } }])).toHaveLength(1)
    expect(positiveWarnings([{ ...complaint, warnings: { 'lost-strength': 'cleared' } }])).toHaveLength(0)
  })
  it('have a side where the body has one', () => {
    expect(complaintSchema.safeParse({ ...complaint, places: [{ region: 'forefoot', side: 'middle' }] }).success).toBe(false)
    expect(complaintSchema.safeParse({ ...complaint, places: [{ region: 'neck', side: 'left' }] }).success).toBe(false)
    expect(complaintSchema.safeParse({ ...complaint, places: [] }).success).toBe(false)
    expect(complaintSchema.safeParse({ ...complaint, places: [], control: 'rocks' }).success).toBe(true)
    expect(complaintSchema.safeParse({ ...complaint, places: [...complaint.places, ...complaint.places] }).success).toBe(false)
    expect(complaintSchema.safeParse({ ...complaint, kind: null, severity: null }).success).toBe(true)
    expect(complaintSchema.safeParse({ ...complaint, severity: 11 }).success).toBe(false)
    expect(complaintSchema.safeParse({ ...complaint, startsAfter: -1 }).success).toBe(false)
  })
  it('are rated now by the last change in force', () => {
    expect(severityNow(complaint, file.ratings, foldLedger(file.ledger).changes)).toBe(3)
    const undone = foldLedger([...file.ledger, { kind: 'undo', id: uuid(3), at: testTime, of: uuid(1) }])
    expect(severityNow(complaint, file.ratings, undone.changes)).toBe(6)
  })
})

describe('the visit file', () => {
  it('reads back what was written', () => expect(parseVisitFile(JSON.stringify(file))).toEqual(file))

  it('holds to its published JSON Schema, read by an independent validator', () => {
    const ajv = new Ajv2020({ strict: false })
    ;(addFormats as unknown as (ajv: Ajv2020) => void)(ajv)
    const validate = ajv.compile(visitFileJsonSchema() as object)
    expect(validate(JSON.parse(JSON.stringify(file)))).toBe(true)
    expect(validate({ ...file, version: 2 })).toBe(false)
    expect(validate({ ...file, extra: 1 })).toBe(false)
  })

  it('reads what version 2 wrote: a complaint sat at one place, and nothing was asked of its history', () => {
    const { places: _, control: __, since: ___, changed: ____, tried: _____, ...rest } = complaint
    const { riding: ______, outcome: _______, ...visit } = file.visit
    const old = { ...file, version: 2, visit, complaints: [{ ...rest, region: 'forefoot', side: 'right' }] }
    expect(parseVisitFile(JSON.stringify(old))).toEqual(file)
    const control = { ...rest, region: 'hand-thumb', side: 'right', kind: 'control', situation: 'turns' }
    const [told] = parseVisitFile(JSON.stringify({ ...old, complaints: [control], ratings: [] })).complaints
    expect(symptomsOf(told!)).toEqual(['washes-out'])
  })

  it.each<[string, unknown, string]>([
    ['cut off', JSON.stringify(file).slice(0, 200), 'broken-file'],
    ['another kind', '{"format":"something"}', 'other-format'],
    ['a list', '[]', 'other-format'],
    ['null', 'null', 'other-format'],
    ['of another version', JSON.stringify({ ...file, version: 7 }), 'other-version'],
    ['huge', ' '.repeat(2_000_001), 'too-large'],
    ['with a reading out of range', JSON.stringify({ ...file, readings: [{ ...exampleReadings[0], value: 9e9 }] }), 'invalid'],
    ['with an unknown field', JSON.stringify({ ...file, admin: true }), 'invalid'],
    ['with __proto__', JSON.stringify(file).replace('{', '{"__proto__":{"polluted":1},'), 'invalid'],
    ['with a reading twice', JSON.stringify({ ...file, readings: [exampleReadings[0], exampleReadings[0]] }), 'invalid'],
    ['with two changes tried at once', JSON.stringify({ ...file, ledger: [tried, { ...tried, id: uuid(9) }] }), 'invalid'],
    [
      'with a rating of nothing',
      JSON.stringify({ ...file, ratings: [{ complaintId: uuid(77), changeId: uuid(1), severity: 3 }] }),
      'invalid',
    ],
    ['with a name of control characters', JSON.stringify({ ...file, rider: { name: 'a\u0000b', note: '' } }), 'invalid'],
    ['deeply nested', `{"format":"level-stance/visit","version":1,"rider":${'['.repeat(50000)}${']'.repeat(50000)}}`, 'invalid'],
  ])('refuses a file that is %s, with words', (_, text, code) => {
    expect(() => parseVisitFile(text as string)).toThrow(expect.objectContaining({ code, message: expect.stringMatching(/\w/) }))
    expect(({} as Record<string, unknown>)['polluted']).toBeUndefined()
  })

  it('names the field at fault', () => {
    const wrong = JSON.stringify({ ...file, readings: [{ ...exampleReadings[0], value: 17 }] })
    expect(() => parseVisitFile(wrong)).toThrow(/readings\.0\.value: Stature must lie between 1200 and 2300 mm/)
  })
})

describe('the sheet', () => {
  const sheet = sheetOf(file)
  it('shows before and after from the ledger', () => {
    expect(said(sheet.settings[1])).toMatchObject({ label: 'Cleat behind MTP1, right', before: '6 mm', after: '11 mm', changed: true })
    expect(said(sheet.settings[0])).toMatchObject({ before: '4 mm', after: '4 mm', changed: false })
    expect(said(sheet.settings[2])).toMatchObject({ before: '724 mm', after: '723 mm' })
    expect(sheet.complaints[0]).toMatchObject({ before: 6, after: 3 })
    expect(said(sheet.changes[0])).toMatchObject({ title: 'Cleat R back 5 mm, Saddle down 1 mm', state: 'kept' })
  })
  it('marks estimates and converts for a fitter who works in inches', () => {
    expect(sheet.readings.find((row) => row.label === 'Thigh')?.how).toBe('est. from stature')
    expect(plain(sheet.settings[2]!.before, 'in')).toBe('28.5 in')
  })
  it('gives the value after for everything that was moved, by how much, and where it was never read', () => {
    const entry = entryOf(
      40,
      { setting: 'saddleSetback', side: 'both', by: 5, role: 'chosen' },
      { setting: 'saddleTilt', side: 'both', by: -1, role: 'chosen' },
    )
    const moved = { ...file, readings: [...file.readings, aReading('saddleTilt', 'both', 2)], ledger: [...file.ledger, entry] }
    const rows = Object.fromEntries(sheetOf(moved).settings.map((row) => [row.label, row]))
    expect(rows['Tilt where you sit']).toMatchObject({ before: '2°', after: '1°', note: 'down 1°' })
    expect(rows['Nose behind BB']).toMatchObject({ before: 'not read', changed: true })
    const { after } = rows['Nose behind BB']!
    expect([plain(after), plain(after, 'in')]).toEqual(['back 5 mm', 'back 0.2 in'])
  })
  it('gives a rating only where one was given again', () => {
    expect(sheetOf({ ...file, ratings: [] }).complaints[0]).toMatchObject({ before: 6, after: null })
  })
  it('tells what was read from what the model says', () => {
    const read = sheetOf({ ...file, readings: [...wholeReadings], ledger: [], ratings: [] })
    const note = (of: typeof read, label: string) => of.settings.find((row) => row.label === label)?.note
    expect(note(read, 'Knee at the bottom, left')).toBe('read')
    expect(note(read, 'Hip angle at top, left')).toBe('model, calibrated')
    const up = entryOf(41, { setting: 'saddleHeight', side: 'both', by: 5, role: 'chosen' })
    const after = sheetOf({ ...file, readings: [...wholeReadings], ledger: [up], ratings: [] })
    expect(note(after, 'Knee at the bottom, left')).toBe('read; after: by the model from there')
    const again = [...wholeReadings, { ...aReading('kneeFlexion', 'left', 29), after: up.id }]
    const reread = sheetOf({ ...file, readings: again, ledger: [up], ratings: [] })
    expect(note(reread, 'Knee at the bottom, left')).toBe('read, before and after')
    expect(reread.settings.find((row) => row.label === 'Knee at the bottom, left')).toMatchObject({ before: '32°', after: '29°' })
  })
  it('says on top what must not be ridden, and what was overruled and why', () => {
    const readings = [...file.readings, aReading('boltPattern', 'both', 'two bolts'), aReading('boltsFitted', 'left', 'one')]
    expect(sheetOf({ ...file, readings }).blocks).toEqual([expect.stringMatching(/^Not to be ridden: Left cleat lacks a bolt\./)])
    const overruled = [{ block: 'missing-bolt:left', reason: 'Spin on the trainer only' }]
    expect(sheetOf({ ...file, readings, visit: { ...file.visit, overruled } }).blocks).toEqual([
      'Left cleat lacks a bolt. Overruled by the fitter: Spin on the trainer only.',
    ])
    expect(sheet.blocks).toEqual([])
  })
  it('carries the stop words when a warning sign is positive', () => {
    expect(sheet.stop).toBeNull()
    expect(sheetOf({ ...file, complaints: [{ ...complaint, warnings: { 'lost-strength': 'yes' } }] }).stop).toMatch(/clinician/)
  })
  it('makes a sheet of an empty visit too', () => {
    const empty = sheetOf({ ...file, readings: [], complaints: [], ledger: [], ratings: [] })
    expect(empty.settings[0]?.before).toBe('not read')
    expect(JSON.stringify(empty)).not.toContain('NaN')
  })
})

it('publishes in docs/ the very tables causes are ranked by', () => {
  const words = (text: string) => text.replace(/[\s|*_\\-]+/g, ' ').trim()
  const published = readFileSync(join(__dirname, '../../../docs/reasoning.md'), 'utf8')
  expect(words(published)).toBe(words(reasoningText()))
})

it('publishes in docs/ the very schema the program reads by', () => {
  const published: unknown = JSON.parse(readFileSync(join(__dirname, '../../../docs/visit-file.schema.json'), 'utf8'))
  expect(published).toEqual(JSON.parse(JSON.stringify(visitFileJsonSchema())))
})

// The caution of what was changed stays with it, from the card to the rider's sheet; common practice.
it('says on the sheet what must be pulled and pressed after levers were turned, as long as the change stands', () => {
  const turned = { ...entryOf(1, { setting: 'leverAngle', side: 'left', by: -5, role: 'chosen' }), station: 'hands' as const }
  const kept = { kind: 'keep', id: uuid(2), at: testTime, of: uuid(1) } as const
  const cautions = (ledger: VisitFile['ledger']) => said(sheetOf({ ...file, ledger, ratings: [] }).cautions).join(' ')
  for (const ledger of [[turned], [turned, kept]]) {
    expect(cautions(ledger)).toMatch(/pull both brakes hard: the lever must not touch the bar, front and rear must work as before/)
    expect(cautions(ledger)).toMatch(/bar, hoods and clamps must not turn/)
  }
  expect(cautions([turned, kept, { ...kept, kind: 'undo', id: uuid(3) }])).not.toMatch(/brakes/)
})
