/** @jest-environment jsdom */
import { appliesNow, matching, ofPress } from '../src/app/commands/command.ts'
import type { Command } from '../src/app/commands/command.ts'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { drawingOfTerm, termKeys, termOf, termOfReading, termsWith } from '../src/glossary/terms.ts'
import { nearestStation } from '../src/address/stations.ts'

const done: string[] = []
const command = (key: string, label: string, more: Partial<Command> = {}): Command => ({
  key,
  label,
  group: 'Actions',
  run: () => done.push(key),
  ...more,
})
const commands = [
  command('station-seat', 'Seat', { group: 'Stations', press: '4' }),
  command('page-height', 'Seat: Height', { group: 'Pages' }),
  command('reading-saddleHeight', 'Saddle height', { group: 'Readings', also: 'Saddle' }),
  command('reading-railHeight', 'Rail height', { group: 'Readings', also: 'Saddle' }),
  command('try', 'Try the proposal', { press: 't', applies: () => false }),
  command('undo', 'Undo the last change', { press: 'u' }),
] // prettier-ignore
const keysOf = (found: readonly Command[]) => found.map(({ key }) => key)

describe('the registry of commands', () => {
  it('finds by the beginnings of words, in any order; what begins with them comes first', () => {
    expect(keysOf(matching(commands, 'saddle hei', 9))).toEqual(['reading-saddleHeight', 'reading-railHeight'])
    expect(keysOf(matching(commands, 'HEIGHT seat', 9))).toEqual(['page-height'])
    expect(keysOf(matching(commands, 'ddle', 9))).toEqual([])
    expect(matching(commands, 'e', 9)).toEqual([])
    expect(matching(commands, 'h', 2)).toHaveLength(2)
  })
  it('lists what has a key while nothing is typed, and never what does nothing now', () => {
    expect(keysOf(matching(commands, '  ', 9))).toEqual(['station-seat', 'undo'])
    expect(matching(commands, 'try', 9)).toEqual([])
    expect(commands.filter((row) => !appliesNow(row))).toHaveLength(1)
  })
  it('does what a key says, if it does anything now', () => {
    ofPress(commands, 'u')?.run()
    expect(done).toEqual(['undo'])
    expect([ofPress(commands, 't'), ofPress(commands, 'x')]).toEqual([null, null])
  })
})

describe('the glossary', () => {
  it('has a drawing for every term, and words that end', () => {
    for (const key of termKeys) {
      const { says, term } = termOf(key)
      const reading = drawingOfTerm(key)
      expect([key, reading !== null && definitionOf(reading).drawing !== undefined]).toEqual([key, true])
      expect([key, says]).toEqual([key, expect.stringMatching(/^[A-Z].*\.$/)])
      // A length is said in no unit here: the glossary is the same in inches.
      expect(`${term} ${says}`).not.toMatch(/\d mm\b/)
    }
  })
  it('is reached from a reading, and searched by words', () => {
    expect([termOfReading('cleatSetback'), termOfReading('tread'), termOfReading('barBacksweep'), termOfReading('cadence')]).toEqual([
      'cleat-setback',
      'tread',
      'backsweep',
      null,
    ])
    expect(termsWith('heel float')).toContain('float')
    expect(termsWith('nothing of the kind')).toEqual([])
    expect(termsWith('')).toEqual(termKeys)
  })
})

describe('a mistyped address under a visit', () => {
  it.each([
    ['seats', 'seat'],
    ['mesure', 'measure'],
    ['hand', 'hands'],
    ['FEET/shoe', 'feet'],
    ['recrod', 'record'],
    ['', 'talk'],
    ['zzz', 'talk'],
  ])('%s goes to %s', (typed, station) => {
    expect(nearestStation(typed)).toBe(station)
  })
})
