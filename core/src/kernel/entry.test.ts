import fc from 'fast-check'
import { MM_PER_INCH, formatLength, parseEntry, trimmed } from './entry.ts'

describe('what a hand with a tape types', () => {
  // 1 in = 25.4 mm exactly (international yard and pound agreement, 1959).
  it.each([
    ['251', 'mm', 251],
    ['251,5', 'mm', 251.5],
    [' 251.5 mm ', 'mm', 251.5],
    ['25.1cm', 'mm', 251],
    ['1.94 m', 'mm', 1940],
    ['1,94m', 'in', 1940],
    ['9 7/8 in', 'mm', 250.825],
    ['9-7/8"', 'mm', 250.825],
    ['9⅞', 'in', 250.825],
    ['29 1/4 in', 'mm', 742.95],
    ['3/8 in', 'mm', 9.525],
    ['5 ft 9 in', 'mm', 1752.6],
    ['5\'9"', 'mm', 1752.6],
    ['-6', 'mm', -6],
    ['−6', 'mm', -6],
    ['.5', 'in', 12.7],
    ['9.9', 'in', 251.46],
  ] as const)('%s in a field of %s is %s mm', (text, unit, mm) => {
    expect(parseEntry(text, 'length', unit)).toMatchObject({ ok: true, value: expect.closeTo(mm, 6) })
  })

  it.each(['abc', '12..5', '1/0 in', '1e5', '12 furlongs', '--4', '4 4', 'NaN', 'Infinity', '0x10'])('%s is not understood', (text) => {
    expect(parseEntry(text, 'length')).toMatchObject({ ok: false, reason: 'not-understood' })
  })

  it('tells an empty field from a wrong one', () => {
    expect(parseEntry('   ', 'length')).toMatchObject({ ok: false, reason: 'empty' })
  })

  it('reads angles, sizes and minutes with and without their unit', () => {
    expect(parseEntry('18,5°', 'angle')).toMatchObject({ ok: true, value: 18.5, unit: 'deg' })
    expect(parseEntry('EU 43.5', 'shoe-size')).toMatchObject({ ok: true, value: 43.5 })
    expect(parseEntry('40 min', 'minutes')).toMatchObject({ ok: true, value: 40 })
  })

  it('comes back from the screen as it went, to the last shown digit', () => {
    fc.assert(
      fc.property(fc.integer({ min: -3000, max: 23000 }), (tenths) => {
        const mm = tenths / 10
        const back = parseEntry(formatLength(mm, 'mm'), 'length', 'mm')
        expect(back).toMatchObject({ ok: true, value: expect.closeTo(mm, 9) })
      }),
    )
    const inches = parseEntry(formatLength(742.95, 'in', 3), 'length', 'in')
    expect(inches).toMatchObject({ ok: true, value: expect.closeTo(29.25 * MM_PER_INCH, 9) })
  })

  it('never throws and never yields a non-number, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string(), fc.constantFrom('length' as const, 'angle' as const, 'shoe-size' as const), (text, dimension) => {
        const parsed = parseEntry(text, dimension)
        if (parsed.ok) expect(Number.isFinite(parsed.value)).toBe(true)
        else expect(parsed.message).not.toBe('')
      }),
    )
  })

  it('writes numbers without a negative zero or idle decimals', () => {
    expect([trimmed(-0.01, 1), trimmed(5, 1), trimmed(-2.5, 1), trimmed(10, 0)]).toEqual(['0', '5', '−2.5', '10'])
  })
})
