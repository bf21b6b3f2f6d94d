import { said } from '../../../testing.ts'
import { quantity } from '../../../kernel/quantity.ts'
import { LEAST_BITE, boltBite, boltFindings } from '../wear/bolts.ts'
import type { BoltReadings } from '../wear/bolts.ts'
import { USUAL_SPEED, cleatUse, wearFindings } from '../wear/cleatWear.ts'
import { mouldingSteps, stepClock } from './moulding.ts'
import { shoeCheck, shoeFindings } from './judge.ts'
import type { ShoeReadings } from './judge.ts'
import { judgeFootbed, judgeWedge } from '../support/judge.ts'
import type { SupportReadings } from '../support/judge.ts'

const mm = (value: number, plusMinus = 1) => quantity(value, plusMinus, 'mm', 'measured')
const deg = (value: number, plusMinus = 3) => quantity(value, plusMinus, 'deg', 'measured')
const shoe = (over: Partial<ShoeReadings> = {}): ShoeReadings => ({
  footLength: mm(268),
  footWidth: mm(101),
  heelWidth: mm(68),
  shoeLength: mm(276),
  shoeBallWidth: mm(101),
  shoeHeelWidth: mm(69),
  archDrop: mm(6),
  soleStiffness: 'stiff',
  shoeUpper: 'firm',
  slotEnd: null,
  setbackTarget: null,
  ...over,
})
const keys = (over: Partial<ShoeReadings>) => shoeCheck('left', shoe(over)).map((f) => f.key)

describe('shoe before cleat (common practice)', () => {
  it('lets a shoe be that follows the foot', () => {
    expect(said(shoeCheck('left', shoe()))).toMatchObject([
      { key: 'fits', weight: 'fine', sentence: '8 mm beyond the toes, exactly the foot’s width at the ball.' },
    ])
  })

  it('finds the narrow, the short, and the long one bought for its width', () => {
    expect(keys({ shoeBallWidth: mm(95) })).toEqual(['narrow'])
    expect(keys({ shoeLength: mm(270) })).toEqual(['too-short'])
    expect(keys({ shoeLength: mm(286) })).toEqual(['long-for-width'])
    expect(keys({ shoeLength: mm(286), shoeBallWidth: mm(112) })).toEqual(['too-long'])
    const [long] = shoeCheck('left', shoe({ shoeLength: mm(286) }))
    expect(said(long)).toMatchObject({ weight: 'first', sentence: expect.stringMatching(/no cleat setting mends this/) as string })
  })

  it('calls nothing a finding that lies within its own ±', () => {
    expect(keys({ shoeBallWidth: mm(96.9, 1.5) })).toEqual(['fits'])
    expect(keys({ shoeBallWidth: mm(95.8, 1.5) })).toEqual(['narrow'])
  })

  it('says where the slot ends short of the target, what folds, and what gives no support', () => {
    expect(keys({ slotEnd: mm(12), setbackTarget: 26 })).toEqual(['holes-forward'])
    expect(keys({ soleStiffness: 'soft' })).toEqual(['soft-sole'])
    expect(shoeCheck('left', shoe({ shoeUpper: 'soft', archDrop: mm(12) }))[0]).toMatchObject({ key: 'soft-upper', weight: 'first' })
    expect(shoeCheck('left', shoe({ shoeUpper: 'soft' }))[0]?.weight).toBe('act')
    expect(keys({ shoeUpper: 'mouldable' })).toEqual(['mouldable'])
  })

  it('says once what is the same on both sides, and each by itself what differs', () => {
    const narrow = shoe({ shoeBallWidth: mm(95) })
    expect(shoeFindings(narrow, narrow)).toMatchObject([{ side: 'both', headline: 'Both shoes are narrow at the ball.' }])
    expect(shoeFindings(narrow, shoe({ shoeBallWidth: mm(93) })).map((f) => [f.side, f.key])).toEqual([
      ['left', 'narrow'],
      ['right', 'narrow'],
    ])
    expect(shoeFindings(shoe(), shoe())).toMatchObject([{ side: 'both', headline: 'Both shoes follow the foot.' }])
    const arch = shoeFindings(shoe({ shoeUpper: 'soft' }), shoe({ shoeUpper: 'soft', archDrop: mm(12) }))
    expect(arch).toMatchObject([{ key: 'soft-upper', side: 'both', weight: 'first' }])
    expect(shoeFindings(shoe(), shoe({ soleStiffness: 'soft' })).filter((f) => f.key === 'soft-sole')).toMatchObject([{ side: 'both' }])
  })

  it('says once what is true of the pair, and says nothing where nothing is read', () => {
    expect(
      shoeFindings(shoe({ soleStiffness: 'soft' }), shoe({ soleStiffness: 'soft' })).filter((f) => f.key === 'soft-sole'),
    ).toMatchObject([{ side: 'both' }])
    expect(shoeCheck('left', shoe({ footLength: null, footWidth: null, heelWidth: null }))).toEqual([])
  })
})

describe('moulding (common practice; the maker outranks it)', () => {
  it('goes oven, 20 minutes, insole back and heel back, snug, sit and do not stand, hot spots', () => {
    expect(mouldingSteps.map((step) => step.key)).toEqual(['sheet', 'oven', 'bake', 'foot-in', 'snug', 'sit', 'hot-spots', 'cleat'])
    expect(mouldingSteps.find((step) => step.key === 'bake')).toMatchObject({ minutes: 20 })
    expect(mouldingSteps.find((step) => step.key === 'sit')?.caution).toMatch(/Do not stand/)
  })

  it('counts from when it was started, whatever happened meanwhile', () => {
    expect(stepClock(0, 20, 0)).toEqual({ left: 1200, over: 0, shown: '20:00' })
    expect(stepClock(0, 20, 61_000).shown).toBe('18:59')
    expect(stepClock(0, 20, 1_200_000)).toEqual({ left: 0, over: 0, shown: '+0:00' })
    expect(stepClock(0, 20, 1_272_500).shown).toBe('+1:12')
    expect(stepClock(60_000, 20, 0).shown).toBe('20:00')
  })
})

describe('wedges and footbeds', () => {
  const support = (over: Partial<SupportReadings> = {}): SupportReadings => ({
    forefootTilt: deg(8),
    archDrop: mm(6),
    wedge: null,
    heelTilt: null,
    heelWedge: null,
    heelCup: null,
    archSupport: null,
    shoeUpper: 'firm',
    complaint: true,
    ...over,
  })

  it('start with one degree, never make up more than half, and stop there', () => {
    expect(judgeWedge('left', 'wedge', support())).toMatchObject({ state: 'try', by: 1 })
    expect(judgeWedge('left', 'wedge', support({ wedge: deg(3, 0.5) }))).toMatchObject({ state: 'try', by: 1 })
    expect(judgeWedge('left', 'wedge', support({ wedge: deg(4, 0.5) }))).toMatchObject({ state: 'level', by: 0 })
    expect(judgeWedge('left', 'wedge', support({ forefootTilt: deg(-8) }))).toMatchObject({ state: 'try', by: -1 })
  })

  it('are not put under a tilt that every foot has, that the goniometer cannot tell, or that nothing complains about', () => {
    expect(judgeWedge('left', 'wedge', support({ forefootTilt: deg(3.5) })).by).toBe(0)
    expect(judgeWedge('left', 'wedge', support({ forefootTilt: deg(5, 6) })).by).toBe(0)
    expect(judgeWedge('left', 'wedge', support({ complaint: false })).by).toBe(0)
    expect(said(judgeWedge('left', 'wedge', support({ shoeUpper: 'soft' })).headline)).toMatch(/firm shoe before a wedge/)
    expect(judgeWedge('left', 'wedge', support({ forefootTilt: null })).state).toBe('missing')
    // Garbalosa et al. 1994 (from memory): 86.7 % of 240 feet in varus.
    expect(judgeWedge('left', 'wedge', support()).sure).toMatch(/240 feet 87 of 100/)
  })

  it('go under a heel by its own tilt, where the heel cup is firm enough to hold one (common practice)', () => {
    const heel = (over: Partial<SupportReadings> = {}) =>
      judgeWedge('right', 'heelWedge', support({ heelTilt: deg(8), heelCup: 'firm', ...over }))
    expect(said(heel())).toMatchObject({ state: 'try', by: 1, headline: 'Right heel: one wedge to try.' })
    expect(heel().sentence).toMatch(/inner side, look at the knee’s path.*Never more than 4°/)
    expect(heel({ heelTilt: deg(-8) })).toMatchObject({ by: -1 })
    expect(heel({ heelWedge: deg(4, 0.5) })).toMatchObject({ state: 'level', by: 0 })
    expect(said(heel({ heelCup: 'soft' }).headline)).toMatch(/firm heel cup before a wedge/)
    expect(heel({ heelCup: null }).headline).toMatch(/press the heel cup first/)
    expect(heel({ heelTilt: deg(3) }).by).toBe(0)
    expect(heel({ complaint: false }).by).toBe(0)
    // A soft upper does not stop a heel wedge, nor a soft heel cup one under the forefoot.
    expect(heel({ shoeUpper: 'soft' }).by).toBe(1)
    expect(judgeWedge('left', 'wedge', support({ heelCup: 'soft' })).by).toBe(1)
  })

  it('support an arch from a drop of 10 mm, or from 6 where it hurts (Mueller et al. 1993, Brody 1982, from memory)', () => {
    expect(judgeFootbed('left', support({ archDrop: mm(10), complaint: false }))).toMatchObject({ state: 'try', by: 3 })
    expect(judgeFootbed('left', support({ archDrop: mm(9), complaint: false })).by).toBe(0)
    expect(judgeFootbed('left', support({ archDrop: mm(6) }))).toMatchObject({ state: 'try', by: 3 })
    expect(judgeFootbed('left', support({ archDrop: mm(5.9) })).by).toBe(0)
    expect(judgeFootbed('left', support({ archDrop: mm(10), archSupport: mm(5) }))).toMatchObject({ state: 'level', by: 0 })
    expect(judgeFootbed('left', support({ archDrop: mm(12), shoeUpper: 'soft' })).headline).toMatch(/firm shoe/)
  })
})

describe('wear', () => {
  it('takes the longer of km and hours, and walking off the life', () => {
    const plate = { kind: 'plate-coil', distance: 3000, hours: null, walking: 'hardly', recess: 'flush' } as const
    expect(cleatUse(plate)).toEqual({ ridden: 3000, life: 6000, share: 0.5, from: 'distance' })
    expect(cleatUse({ ...plate, walking: 'much' })?.share).toBeCloseTo(3000 / 2100, 9)
    expect(cleatUse({ ...plate, hours: 200 })).toMatchObject({ ridden: 200 * USUAL_SPEED, from: 'hours' })
    expect(cleatUse({ ...plate, distance: null })).toBeNull()
    expect(cleatUse({ ...plate, kind: 'flat-pins' })).toBeNull()
    expect(cleatUse({ ...plate, kind: null })).toBeNull()
  })

  it('sends the mark, the toggle and the release ahead of everything', () => {
    const fresh = { wear: 'fresh', play: 'none', release: 'clean' } as const
    const none = { kind: null, distance: null, hours: null, walking: null, recess: null }
    const found = wearFindings(none, { left: { wear: 'at-mark', play: 'much', release: 'vague' }, right: fresh })
    expect(found.map((f) => [f.key, f.side, f.weight])).toEqual([
      ['worn', 'left', 'first'],
      ['play', 'left', 'first'],
      ['vague-release', 'left', 'act'],
    ])
    expect(
      wearFindings({ ...none, kind: 'recessed', distance: 13000, walking: 'hardly', recess: 'recessed' }, { left: fresh, right: fresh })[0],
    ).toMatchObject({
      key: 'use',
      weight: 'act',
    })
  })
})

describe('bolts', () => {
  const bolts = (over: Partial<BoltReadings> = {}): BoltReadings => ({
    pattern: 'three bolts',
    fitted: { left: 'three', right: 'three' },
    length: mm(12, 0.5),
    plate: mm(5, 0.5),
    depth: mm(9, 0.5),
    torque: null,
    ...over,
  })

  it('12 mm under the head through 5 mm of cleat: 7 bite, 2 spare of 9', () => {
    expect(boltBite(mm(12), mm(5), mm(9))).toMatchObject({ bite: 7, spare: 2 })
  })

  it('warn of one through the sole, one too short, one missing', () => {
    const found = (over: Partial<BoltReadings>) =>
      boltFindings(bolts(over))
        .filter((f) => f.weight === 'first')
        .map((f) => f.key)
    expect(found({})).toEqual([])
    expect(found({ length: mm(18, 0.5) })).toEqual(['through'])
    expect(found({ length: mm(8, 0.5) })).toEqual(['short-bite'])
    expect(found({ fitted: { left: 'two', right: 'three' } })).toEqual(['missing-bolt'])
    expect(boltFindings(bolts({ length: mm(13.8, 0.5) }))[0]).toMatchObject({ key: 'through', weight: 'act' })
    expect(LEAST_BITE).toBeCloseTo(4, 9)
  })

  it('say torque as the maker says, the noted one, and to check again after the first ride', () => {
    expect(boltFindings(bolts()).find((f) => f.key === 'torque')).toMatchObject({
      headline: 'Torque: as the maker says.',
      sentence: expect.stringMatching(/after the first ride/) as string,
    })
    expect(boltFindings(bolts({ torque: 5 })).find((f) => f.key === 'torque')?.headline).toMatch(/5 N·m/)
    expect(boltFindings(bolts({ pattern: 'four bolts' })).filter(({ key }) => key === 'missing-bolt')).toHaveLength(2)
    expect(boltFindings(bolts({ pattern: 'none', length: null }))).toEqual([])
  })
})
