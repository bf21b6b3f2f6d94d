import fc from 'fast-check'
import { bare, capitalised, insideSentence, isSame, joined, messageSchema, mm, msg, partLabel, plain, range, soldBy } from './message.ts'

describe('a message', () => {
  // One inch is 25.4 mm exactly: international yard and pound agreement of 1959; worked by hand.
  it.each([
    [msg`The saddle is ${mm(25.4, 1)} narrow.`, 'The saddle is 25.4 mm narrow.', 'The saddle is 1 in narrow.'],
    [msg`${mm(127)} against ${range(120, 130)}, within ±${mm(3)}.`, '127 mm against 120 to 130 mm, within ±3 mm.', '5 in against 4.72 to 5.12 in, within ±0.12 in.'],
    [msg`bones ${bare(118)} ±${mm(3)} apart`, 'bones 118 ±3 mm apart', 'bones 4.65 ±0.12 in apart'],
    [msg`${mm(-12.7, 1)} now`, '−12.7 mm now', '−0.5 in now'],
    [msg`${mm(0.1, 1)} of play; ${mm(0)} of room`, '0.1 mm of play; 0 mm of room', '0.004 in of play; 0 in of room'],
    // An eighth of an inch comes back as what it was.
    [msg`cut ${mm(3.175, 3)} a side`, 'cut 3.175 mm a side', 'cut 0.125 in a side'],
    [msg`28.4° and ${12} % at 90 rpm, a ${soldBy('31.8')} clamp`, '28.4° and 12 % at 90 rpm, a 31.8\u00A0mm clamp', '28.4° and 12 % at 90 rpm, a 31.8\u00A0mm clamp'],
    [msg`The ${{ term: 'float', words: 'float' }} is read.`, 'The float is read.', 'The float is read.'],
  ] as const)('is written in the unit in use: %s', (message, inMm, inInches) => {
    expect(plain(message)).toBe(inMm)
    expect(plain(message, 'in')).toBe(inInches)
    expect(messageSchema.parse(JSON.parse(JSON.stringify(message)))).toEqual(message)
  }) // prettier-ignore

  it('speaks centimetres where they are in use', () => {
    expect(plain(msg`${mm(251)}`, 'cm')).toBe('25.1 cm')
  })
  it('is text alone where nothing in it has a unit, and one message where it is made of several', () => {
    expect(msg`Left, ${2} of ${'three'}.`).toBe('Left, 2 of three.')
    expect(joined(['Shim.', msg`${mm(3)} now.`, ''])).toEqual(['Shim. ', { mm: 3 }, ' now. '])
    expect(plain(joined([mm(3), mm(4)], ', then '))).toBe('3 mm, then 4 mm')
    expect(joined([])).toBe('')
  })
  it('begins a sentence or stands inside one', () => {
    expect([capitalised('hands back'), insideSentence('Cleat R back'), insideSentence('BB drop')]).toEqual([
      'Hands back',
      'cleat R back',
      'BB drop',
    ])
    expect(plain(capitalised(msg`hands ${mm(5)} back`))).toBe('Hands 5 mm back')
    expect(plain(capitalised(msg`${{ term: 'float', words: 'float' }} is read`))).toBe('Float is read')
    expect(plain(capitalised(msg`${mm(5)} back`))).toBe('5 mm back')
  })
  it('is the same as another that reads the same', () => {
    expect([isSame(msg`${mm(4.96)}`, msg`${mm(5)}`), isSame(msg`${mm(5)}`, msg`${mm(6)}`)]).toEqual([true, false])
  })
  it('keeps the size in a part’s name', () => {
    expect(partLabel('Bar 760 mm, 9°')).toBe('Bar 760\u00A0mm, 9°')
  })
  it('never holds a number that is none', () => {
    expect(messageSchema.safeParse(JSON.parse(JSON.stringify(msg`${mm(Number.NaN)}`))).success).toBe(false)
  })
  it('is never further from the millimetres than a hundredth of an inch rounds', () => {
    fc.assert(
      fc.property(fc.double({ min: -5000, max: 5000, noNaN: true }), (value) => {
        const shown = Number(
          plain(msg`${mm(value, 1)}`)
            .replace(' mm', '')
            .replace('−', '-'),
        )
        const inches = Number(
          plain(msg`${mm(value, 1)}`, 'in')
            .replace(' in', '')
            .replace('−', '-'),
        )
        expect(Math.abs(inches * 25.4 - shown)).toBeLessThanOrEqual(0.005 * 25.4 + 1e-9)
      }),
    )
  })
})
