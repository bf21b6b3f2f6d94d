import { said } from '../testing.ts'
import fc from 'fast-check'
import { asMove, understand } from './entryLine.ts'

describe('short notes', () => {
  it.each([
    ['cleat L back 4', { kind: 'move', setting: 'cleatSetback', side: 'left', by: 4, words: 'Cleat L back 4 mm' }],
    ['CLEAT right forward 2,5', { kind: 'move', setting: 'cleatSetback', side: 'right', by: -2.5, words: 'Cleat R forward 2.5 mm' }],
    ['cleat r back 12', { kind: 'move', by: 12, words: 'Cleat R back 12 mm, in steps of 5 mm' }],
    ['cleat l back 3/16 in', { kind: 'move', by: expect.closeTo(4.7625, 4) as number }],
    ['crank 172.5', { kind: 'reading', key: 'crank', side: 'both', value: 172.5, method: null, words: 'Crank length: 172.5 mm' }],
    ['ball R 196 ruler', { kind: 'reading', key: 'heelToMtp1', side: 'right', value: 196, method: 'ruler' }],
    [
      'pitch l 18 gonio',
      {
        kind: 'reading',
        key: 'footPitch',
        side: 'left',
        value: 18,
        method: 'goniometer',
        words: 'Foot pitch at bottom, left: 18°, goniometer',
      },
    ],
    ['size l 43.5', { kind: 'reading', key: 'shoeSize', value: 43.5 }],
    ['stature 5 ft 9 in', { kind: 'reading', key: 'stature', value: 1752.6 }],
    ['knee R 31 gonio', { kind: 'reading', key: 'kneeFlexion', side: 'right', value: 31, method: 'goniometer' }],
    ['torso 42', { kind: 'reading', key: 'torsoAngle', side: 'both', value: 42 }],
    ['saddle -3', { kind: 'move', setting: 'saddleHeight', side: 'both', by: -3, words: 'Saddle down 3 mm' }],
    ['saddle +2.5', { kind: 'move', setting: 'saddleHeight', by: 2.5 }],
    ['saddle back 8', { kind: 'move', setting: 'saddleSetback', by: 8, words: 'Saddle back 8 mm, in steps of 5 mm' }],
    ['nose down 1.5', { kind: 'move', setting: 'saddleTilt', by: -1.5, words: 'Saddle nose down 1.5°, in steps of 1°' }],
    ['hands up 1/2 in', { kind: 'move', setting: 'handHeight', by: 12.7 }],
    ['washer L on 1', { kind: 'move', setting: 'washer', side: 'left', by: 1 }],
    ['hoods narrower 20', { kind: 'move', setting: 'hoodWidth', by: -20 }],
    ['hoods 420', { kind: 'reading', key: 'hoodWidth', value: 420 }],
    ['roll back 4', { kind: 'move', setting: 'barRoll', by: -4 }],
    ['cleat R out 2', { kind: 'move', setting: 'cleatTurn', side: 'right', by: 2, words: 'Cleat R toe-out 2°' }],
    ['cleat l toe-in 1.5', { kind: 'move', setting: 'cleatTurn', side: 'left', by: -1.5 }],
    ['arch l higher 3', { kind: 'move', setting: 'archSupport', side: 'left', by: 3 }],
    ['adapter r longer 20', { kind: 'move', setting: 'adapter', side: 'right', by: 20 }],
    ['float r 6 maker', { kind: 'reading', key: 'cleatFloat', side: 'right', value: 6, method: 'maker' }],
    ['km 4200', { kind: 'reading', key: 'cleatDistance', side: 'both', value: 4200, words: 'Ridden on these cleats: 4200 km' }],
    ['saddle 28 1/2 in', { kind: 'reading', key: 'saddleHeight', value: 723.9 }],
  ])('%s', (note, meant) => expect(said(understand(note, 'mm'))).toMatchObject(meant))

  it.each([
    ['', /For example/],
    ['wheel 7', /“wheel” is not known here/],
    ['cleat back 4', /Cleat: L or R/],
    ['cleat l 4', /which way, and by how much/],
    ['cleat l back', /by how much/],
    ['cleat l back 0', /by how much/],
    ['cleat l back 900', /by how much/],
    ['saddle down', /by how much/],
    ['saddle -900', /At most 100/],
    ['washer on 1', /L or R/],
    ['cleat r out', /by how much/],
    ['crank', /how much/],
    ['crank 9', /must lie between 100 and 220 mm/],
    ['ball 196', /L or R/],
    ['ball l long', /not a number/],
    ['setback 5', /cleat \(setback L 4\) or of the saddle \(nose 61\)/],
  ])('%s asks back instead of guessing', (note, words) =>
    expect(said(understand(note, 'mm'))).toMatchObject({ kind: 'unknown', words: expect.stringMatching(words) }),
  )

  it('takes a bare number in the fitter’s own unit', () => {
    expect(understand('crank 6.75', 'in')).toMatchObject({ value: 171.45 })
    expect(understand('cleat l back 0.25', 'in')).toMatchObject({ by: 6.35 })
  })

  it('takes no bare number for inches that nobody moves by', () => {
    expect(said(understand('saddle -3', 'in'))).toMatchObject({ kind: 'unknown', words: expect.stringMatching(/3 in are 76\smm/) })
    expect(understand('saddle -3 mm', 'in')).toMatchObject({ kind: 'move', by: -3 })
    expect(understand('saddle -1/8', 'in')).toMatchObject({ kind: 'move', by: -3.175 })
    expect(understand('nose down 1.5', 'in')).toMatchObject({ by: -1.5 })
  })

  it('once something was changed, a noted value of a setting is a move to it', () => {
    expect(said(asMove(understand('saddle 720', 'mm'), 733.5))).toMatchObject({
      kind: 'move',
      setting: 'saddleHeight',
      by: -13.5,
      words: 'Saddle down 13.5 mm: from 733.5 mm to 720 mm',
    })
    expect(said(asMove(understand('saddle 733.5', 'mm'), 733.5))).toMatchObject({
      kind: 'unknown',
      words: expect.stringMatching(/already/),
    })
    expect(asMove(understand('saddle 720', 'mm'), null)).toMatchObject({ kind: 'reading' })
    expect(asMove(understand('inseam 840', 'mm'), 830)).toMatchObject({ kind: 'reading' })
  })

  it('never throws, whatever is typed', () => {
    const word = fc.constantFrom(
      'cleat',
      'l',
      'r',
      'back',
      'forward',
      'crank',
      'ball',
      '4',
      '-4',
      '1/0',
      '__proto__',
      'constructor',
      'in',
      '',
    )
    fc.assert(fc.property(fc.array(word), (words) => expect(understand(words.join(' '), 'mm').words).not.toBe('')))
    fc.assert(fc.property(fc.string(), (note) => expect(typeof understand(note, 'mm').words).toBe('string')))
  })
})
