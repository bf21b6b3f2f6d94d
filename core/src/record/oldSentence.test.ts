import { plain } from '../kernel/message.ts'
import { messageOf } from './oldSentence.ts'

describe('a sentence of an earlier version', () => {
  // One inch is 25.4 mm exactly: international yard and pound agreement of 1959; worked by hand.
  it.each([
    ['The saddle is 25.4 mm narrow.', 'The saddle is 1 in narrow.'],
    ['127 mm against 120 to 130 mm, within ±3 mm.', '5 in against 4.72 to 5.12 in, within ±0.12 in.'],
    ['treads of 90 and 180 mm', 'treads of 3.54 and 7.09 in'],
    ['bones 118 ±3 mm apart', 'bones 4.65 ±0.12 in apart'],
    ['−12.7 mm now, +6.35 mm then', '−0.5 in now, +0.25 in then'],
    ['Next step, if test rides go well: cleat L back 5 mm, then 4 mm.', 'Next step, if test rides go well: cleat L back 0.2 in, then 0.16 in.'],
    ['0.1 mm of play; 0 mm of room', '0.004 in of play; 0 in of room'],
    ['(254 mm)', '(10 in)'],
    ['a patch of 700 mm² at 3 mm/s, 28.4° and 12 % at 90 rpm', 'a patch of 700 mm² at 3 mm/s, 28.4° and 12 % at 90 rpm'],
    ['a 31.8\u00A0mm clamp', 'a 31.8\u00A0mm clamp'],
    ['Both axles lie far forward.', 'Both axles lie far forward.'],
    ['', ''],
  ])('reads the same, and in inches: %s', (said, inches) => {
    expect(plain(messageOf(said))).toBe(said)
    expect(plain(messageOf(said), 'in')).toBe(inches)
  })
}) // prettier-ignore
