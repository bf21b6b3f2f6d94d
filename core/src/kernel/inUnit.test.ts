import fc from 'fast-check'
import { trimmed } from './entry.ts'
import { inUnit, soldBy } from './inUnit.ts'

describe('a sentence in the unit in use', () => {
  // One inch is 25.4 mm exactly: international yard and pound agreement of 1959; worked by hand.
  it.each([
    ['The saddle is 25.4 mm narrow.', 'The saddle is 1 in narrow.'],
    ['127 mm against 120 to 130 mm, within ±3 mm.', '5 in against 4.72 to 5.12 in, within ±0.12 in.'],
    ['treads of 90 and 180 mm', 'treads of 3.54 and 7.09 in'],
    ['bones 118 ±3 mm apart', 'bones 4.65 ±0.12 in apart'],
    ['−12.7 mm now, +6.35 mm then', '−0.5 in now, +0.25 in then'],
    ['4 mm left, 6 mm right', '0.16 in left, 0.24 in right'],
    ['0.1 mm of play; 0 mm of room', '0.004 in of play; 0 in of room'],
    ['(254 mm)', '(10 in)'],
  ])('%s', (said, inches) => {
    expect(inUnit(said, 'in')).toBe(inches)
    expect(inUnit(said, 'mm')).toBe(said)
  })
  it('leaves other units, areas, speeds and sizes that parts are sold by', () => {
    for (const said of [
      'a patch of 700 mm² at 3 mm/s',
      '28.4° and 12 % at 90 rpm',
      `a ${soldBy('31.8')} clamp, a ${soldBy(4)} key`,
      '5 mmHg',
    ])
      expect(inUnit(said, 'in')).toBe(said)
    expect(inUnit('a step of 12 mm², then 12.7 mm', 'in')).toBe('a step of 12 mm², then 0.5 in')
  })
  it('speaks centimetres where they are in use', () => {
    expect(inUnit('251 mm', 'cm')).toBe('25.1 cm')
  })
  it('is never further from the millimetres than a hundredth of an inch rounds', () => {
    fc.assert(
      fc.property(fc.double({ min: -5000, max: 5000, noNaN: true }), (value) => {
        const text = trimmed(value, 1)
        const said = inUnit(`Moves ${text} mm here.`, 'in')
        const inches = Number(/Moves (\S+) in here\./.exec(said)?.[1]?.replace('−', '-'))
        expect(Math.abs(inches * 25.4 - Number(text.replace('−', '-')))).toBeLessThanOrEqual(0.005 * 25.4 + 1e-9)
      }),
    )
  })
})
