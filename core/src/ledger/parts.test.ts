import { plain } from '../kernel/message.ts'
import fc from 'fast-check'
import { wholeReadings, aReading, entryOf, readingsWith, uuid } from '../testing.ts'
import { defaultHolds, knockOn } from '../knockOn/knockOn.ts'
import { ledgerEntrySchema } from './ledger.ts'
import { movesOf, writtenMoves } from './moves.ts'
import { changeWords, exchangeWords } from './moveWords.ts'
import { anotherPart, askedOf, exchangeSchema, exchangeShifts, partName, partNow, slotKeys, slotOf, propertiesOf } from './parts.ts'
import type { Exchange } from './parts.ts'
import { settingKeys, settings } from './settings.ts'
import { setupOf, standingOf } from '../rider/setup.ts'

const saddle = (name: string, properties: Exchange['to']['properties']) => ({ name, properties })

describe('slots', () => {
  it('have every part a fitter exchanges, and no figure twice', () => {
    expect(slotKeys).toEqual([
      'shoes',
      'footbeds',
      'pedals',
      'cranks',
      'saddle',
      'seatpostHead',
      'stem',
      'bar',
      'grips',
      'levers',
      'extensions',
    ])
    const figures = slotKeys.flatMap((slot) => [...propertiesOf(slot)])
    expect(new Set(figures).size).toBe(figures.length)
  })

  it('hold every setting that is a size of a part', () => {
    for (const key of settingKeys) if (settings[key].ofPart) expect([key, slotOf(key)]).not.toEqual([key, null])
  })
})

describe('the name of a part that has none', () => {
  it('says which of its lengths is which', () => {
    expect(partName('bar', { hoodWidth: 360, barReach: 78 })).toBe('360 mm at the hoods, 78 mm reach')
    expect(partName('bar', { barWidth: 760, barRise: 20 })).toBe('760 mm, 20 mm rise')
    expect(partName('saddle', { saddleKind: 'long-curved', saddleWidth: 139 })).toBe('Long, curved, 139 mm')
  })
})

describe('another part that is at hand', () => {
  const now = setupOf(readingsWith({ soleThickness: [12, 12], soleStack: [30, 30] }), [], 'drop').now

  it('is written down by what is known of it, beside the one on the bike', () => {
    const exchange = anotherPart(now, 'shoes', '', { soleThickness: 16 })
    expect(exchange).toMatchObject({
      slot: 'shoes',
      from: { properties: { soleThickness: 12 } },
      to: { name: 'Other shoes', properties: { soleThickness: 16 } },
    })
    expect(exchangeSchema.safeParse({ ...exchange, role: 'chosen' }).success).toBe(true)
    expect(anotherPart(now, 'grips', ' Soft ones ', { gripDiameter: 32 }).to).toEqual({
      name: 'Soft ones',
      properties: { gripDiameter: 32 },
    })
    for (const slot of slotKeys) for (const key of askedOf(slot)) expect(propertiesOf(slot)).toContain(key)
  })

  it('a thicker sole raises the foot by as much, and the saddle answers', () => {
    const exchange = anotherPart(now, 'shoes', '', { soleThickness: 16 })
    expect(exchangeShifts(exchange)).toEqual(
      expect.arrayContaining([
        { key: 'soleThickness', side: 'left', by: 4 },
        { key: 'soleStack', side: 'left', by: 4 },
      ]),
    )
    const setup = setupOf(readingsWith({ soleThickness: [12, 12], soleStack: [30, 30] }), [], 'drop')
    const change = knockOn(standingOf(setup), [exchange], defaultHolds([exchange]), 'step')
    const [answer] = change.answers.filter(({ setting }) => setting === 'saddleHeight')
    // 4 mm under the sole are about 4 mm at the saddle, less what the foot's pitch takes.
    expect(answer!.exact).toBeGreaterThan(3)
    expect(answer!.exact).toBeLessThan(4.2)
    expect(plain(change.later, 'mm')).toContain('Set the cleats to the same place from the heel')
    const fitted = setupOf(
      readingsWith({ soleThickness: [12, 12], soleStack: [30, 30], soleStiffness: 'soft' as never }),
      [{ ...entryOf(1), moves: [], exchanges: [{ ...exchange, role: 'chosen' }] } as never],
      'drop',
    )
    expect([fitted.now.soleThickness.left?.value, fitted.now.soleStack.left?.value]).toEqual([16, 34])
  })
})

describe('an exchange', () => {
  const exchange: Exchange = {
    slot: 'pedals',
    from: saddle('Recessed', { pedalKind: 'recessed', pedalStack: 14, axleLength: { left: 53, right: 57 } }),
    to: saddle('Plate', { pedalKind: 'plate-coil', pedalStack: 17, axleLength: 53 }),
    role: 'chosen',
  }

  it('moves what both parts say, side by side, and nothing that only one says', () => {
    expect(movesOf(exchange)).toEqual([
      { setting: 'soleStack', side: 'left', by: 3 },
      { setting: 'soleStack', side: 'right', by: 3 },
      { setting: 'axleLength', side: 'right', by: -4 },
    ])
    expect(exchangeShifts({ from: saddle('A', {}), to: exchange.to })).toEqual([])
  })

  it('there and back moves nothing, whatever the figures', () => {
    const figure = fc.integer({ min: 0, max: 40 })
    fc.assert(
      fc.property(figure, figure, figure, figure, (a, b, c, d) => {
        const [from, to] = [
          saddle('A', { pedalStack: a, axleLength: { left: 45 + b, right: 45 + c } }),
          saddle('B', { pedalStack: d, axleLength: 50 }),
        ]
        const sums = new Map<string, number>()
        for (const { key, side, by } of [...exchangeShifts({ from, to }), ...exchangeShifts({ from: to, to: from })])
          sums.set(`${key}:${side}`, (sums.get(`${key}:${side}`) ?? 0) + by)
        for (const sum of sums.values()) expect(sum).toBeCloseTo(0, 9)
      }),
    )
  })

  it('is said by name, and by what differs where the name is the same', () => {
    expect(plain(exchangeWords(exchange))).toBe('Pedals: Plate for Recessed')
    const longer = {
      slot: 'pedals' as const,
      from: saddle('Plate', { axleLength: { left: 53, right: 53 } }),
      to: saddle('Plate', { axleLength: { left: 55, right: 53 } }),
    }
    expect(plain(exchangeWords(longer))).toBe('Pedals: pedal axle L longer 2 mm')
    expect(
      changeWords({ moves: [{ setting: 'saddleHeight', side: 'both', by: 3 }], exchanges: [exchange] }).map((words) => plain(words)),
    ).toEqual(['Pedals: Plate for Recessed', 'Saddle up 3 mm'])
  })

  it('is refused with a figure of another part, a value no such part has, or two values where there is one', () => {
    const bad = (to: object) => exchangeSchema.safeParse({ ...exchange, to: { name: 'X', properties: to } }).success
    expect(bad({ pedalStack: 17 })).toBe(true)
    expect([{ stemLength: 90 }, { pedalStack: 170 }, { pedalKind: 'rocket' }, { pedalKind: 4 }].map(bad)).toEqual([
      false,
      false,
      false,
      false,
    ])
    expect(
      exchangeSchema.safeParse({
        slot: 'cranks',
        from: saddle('A', {}),
        to: saddle('B', { tread: { left: 140, right: 150 } }),
        role: 'chosen',
      }).success,
    ).toBe(false)
  })
})

describe('a size of a part', () => {
  const { now } = setupOf(readingsWith({ stemLength: 100, stemAngle: 6 }), [], 'drop')

  it('is written down as another part, which differs in just that size', () => {
    const written = writtenMoves(now, [
      { setting: 'stemLength', side: 'both', by: -10, role: 'chosen' },
      { setting: 'saddleHeight', side: 'both', by: 2, role: 'knock-on' },
    ])
    expect(written.moves.map(({ setting }) => setting)).toEqual(['saddleHeight'])
    expect(written.exchanges).toEqual([
      {
        slot: 'stem',
        from: { name: '100 mm, 6°', properties: { stemLength: 100, stemAngle: 6 } },
        to: { name: '90 mm, 6°', properties: { stemLength: 90, stemAngle: 6 } },
        role: 'chosen',
      },
    ])
    expect(movesOf(written.exchanges[0]!)).toEqual([{ setting: 'stemLength', side: 'both', by: -10 }])
  })

  it('asked for on the board enters the ledger as an exchange that the ledger takes', () => {
    const setup = setupOf([...wholeReadings, aReading('axleLength', 'left', 53), aReading('axleLength', 'right', 53)], [], 'drop')
    const asked = [{ setting: 'axleLength', side: 'left', by: 4 }] as const
    const step = knockOn(standingOf(setup), asked, defaultHolds(asked), 'step')
    const entry = { ...entryOf(5, ...step.moves), exchanges: [...step.exchanges] }
    expect(ledgerEntrySchema.safeParse(entry).error).toBeUndefined()
    expect(step.exchanges.map(({ slot }) => slot)).toEqual(['pedals'])
    const after = setupOf([...wholeReadings, aReading('axleLength', 'left', 53), aReading('axleLength', 'right', 53)], [entry], 'drop')
    expect([after.now.axleLength.left?.value, after.now.axleLength.right?.value]).toEqual([57, 53])
    const undone = setupOf(
      [...wholeReadings, aReading('axleLength', 'left', 53), aReading('axleLength', 'right', 53)],
      [entry, { kind: 'undo', id: uuid(6), at: entry.at, of: entry.id }],
      'drop',
    )
    expect(undone.now.axleLength.left?.value).toBe(53)
  })
})

it('a part that nobody has read is called by its slot', () => {
  const { now } = setupOf(wholeReadings, [], 'drop')
  expect(partNow(now, 'grips').name).toBe('Grips')
  expect(partName('saddle', { saddleKind: 'long-curved', saddleWidth: 139 })).toBe('Long, curved, 139 mm')
})
