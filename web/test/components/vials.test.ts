/** @jest-environment jsdom */
import { STATIC_KNEE } from '@level-stance/core/body/metrics'
import type { Vial } from '@level-stance/core/station/number'
import { readingsWith } from '@level-stance/core/testing'
import { nextTick } from 'vue'
import MetricVial from '../../src/vial/MetricVial.vue'
import MetricVials from '../../src/vial/MetricVials.vue'
import NumberVials from '../../src/vial/NumberVials.vue'
import VialGauge from '../../src/vial/VialGauge.vue'
import VialAim from '../../src/vial/VialAim.vue'
import VialTube from '../../src/vial/VialTube.vue'
import { useBoard } from '../../src/data/board.ts'
import { usePreferences } from '../../src/data/preferences.ts'
import { freshWindow, openVisit, shown } from '../visitWindow.ts'

beforeEach(freshWindow)

const tube = {
  value: 30,
  plusMinus: 3,
  band: { low: 25, high: 35 },
  scale: { min: 20, max: 40 },
  state: 'inside' as const,
}
/** Places inside the tube, as shares of its scale. */
const shareOf = (style: string | undefined, key: string) => Number(new RegExp(`${key}: ([\\d.]+)%`).exec(style ?? '')?.[1]) / 100

describe('the glass', () => {
  it('has its bubble where the value lies, as wide as the ±', () => {
    const at = shown(VialTube, tube)
    const style = at.get('.bubble').attributes('style')
    const [left, width] = [shareOf(style, 'left'), shareOf(style, 'width')]
    // 10 of 320 units are rim on either side: the middle of the scale is the middle of the tube, ±3 of 20 is 2 × 3/20 of what is between.
    expect(left + width / 2).toBeCloseTo(0.5, 3)
    expect(width).toBeCloseTo((6 / 20) * (300 / 320), 3)
    expect(at.findAll('.engraved').map((line) => Number(line.attributes('x1')))).toEqual([85, 235])
  })

  it('pins to the edge what lies beyond the scale, marks with an arrow, and leaves out lines outside it', () => {
    const at = shown(VialTube, {
      ...tube,
      value: 80,
      band: { low: 10, high: 35 },
      ticks: [
        { at: 15, label: 'low' },
        { at: 30, label: 'middle' },
        { at: 90, label: 'high' },
      ],
    })
    const style = at.get('.bubble').attributes('style')
    expect(shareOf(style, 'left') + shareOf(style, 'width') / 2).toBeCloseTo(310 / 320, 3)
    expect(at.findAll('text').map((text) => text.text())).toEqual(['‹ low', 'middle', 'high ›'])
    expect(at.findAll('.engraved')).toHaveLength(1)
  })

  it('writes no name of a mark over another, nor past the tube’s ends', () => {
    const namesAt = (...ticks: { at: number; label: string }[]) => {
      const at = shown(VialTube, { ...tube, ticks })
      // A letter takes 5.4 units of the drawing’s 320.
      return at.findAll('text').map((text) => {
        const middle = Number(/translate\(([-\d.]+)/.exec(text.element.parentElement!.getAttribute('transform')!)?.[1])
        const half = (text.text().length * 5.4) / 2
        return [middle - half, middle + half] as const
      })
    }
    for (const ticks of [
      [
        { at: 39, label: 'By build' },
        { at: 39, label: 'By stature' },
        { at: 33, label: 'By use' },
      ],
      [
        { at: 20.5, label: 'By build' },
        { at: 21, label: 'By stature' },
      ],
      [
        { at: 5, label: 'By build' },
        { at: 60, label: 'By stature' },
        { at: 61, label: 'By use' },
      ],
    ]) {
      const names = namesAt(...ticks).sort((a, b) => a[0] - b[0])
      expect(names).toHaveLength(ticks.length)
      names.forEach(([from, to], i) => {
        expect(from).toBeGreaterThanOrEqual(-0.1)
        expect(to).toBeLessThanOrEqual(320.1)
        expect(from).toBeGreaterThanOrEqual((names[i - 1]?.[1] ?? -10) + 5)
      })
    }
  })

  it('shows a value that is not sure at all, and the start as a shape of its own', () => {
    const at = shown(VialTube, { ...tube, plusMinus: null, ghost: 25 })
    expect(at.get('.bubble').classes()).toContain('unsure')
    expect(at.get('.ghost').attributes('cx')).toBe('85')
  })
  it('has what is to be tried laid over it, at the same place on the scale', () => {
    const style = shown(VialAim, { glass: { scale: tube.scale, width: 320 }, value: 35, plusMinus: 2 }).attributes('style')
    expect(shareOf(style, 'left') + shareOf(style, 'width') / 2).toBeCloseTo(235 / 320, 3)
  })
})

describe('a judged number', () => {
  const gauge = { label: 'Setback', shown: '4 mm', scale: { min: 0, max: 20 }, band: { low: 5, high: 11 } }
  it.each([
    [8, 2, 'level', 'in range'],
    // The ± crosses a line: it may be inside or outside.
    [4, 2, 'near', 'borderline'],
    [1, 2, 'outside', 'out of range'],
  ])('at %d ±%d is %s, in words first', (value, plusMinus, state, words) => {
    const at = shown(VialGauge, { ...gauge, value, plusMinus })
    expect(at.get('.vial').classes()).toContain(state)
    expect(at.get('.remark').text()).toBe(words)
    expect(at.get('[role="img"]').attributes('aria-label')).toBe(`Setback 4 mm, ±${plusMinus.toFixed(1)}: ${words}. Target 5.0 to 11.0.`)
  })
})

describe('numbers of a page', () => {
  const vial = (key: string, over: Partial<Vial>): Vial => ({
    key,
    label: key,
    value: 10,
    plusMinus: 1,
    unit: 'mm',
    band: { low: 8, high: 14 },
    aim: null,
    term: null,
    remark: '',
    ...over,
  })
  const proposedIn = (at: ReturnType<typeof shown>, key: string) => at.find(`[data-testid="target-${key}"] .proposed`)

  it('share one scale, show the aim, and follow what is asked for', async () => {
    openVisit()
    const board = useBoard()
    const vials = [
      vial('left', { aim: 12, moves: { setting: 'cleatSetback', side: 'left' } }),
      vial('right', { value: 20, plusMinus: 1, unit: 'mm' }),
    ]
    const at = shown(NumberVials, { vials })
    const aimAt = () => shareOf(proposedIn(at, 'left').attributes('style'), 'left')
    const aimed = aimAt()
    expect(proposedIn(at, 'right').exists()).toBe(false)
    board.request([{ setting: 'cleatSetback', side: 'left', by: 6 }])
    await nextTick()
    expect(aimAt()).toBeGreaterThan(aimed)
    // One scale: a value of 20 lies further right than one of 16.
    const right = at.get('[data-testid="target-right"] .bubble').attributes('style')
    expect((shareOf(right, 'left') + shareOf(right, 'width') / 2) * 320).toBeGreaterThan(aimAt())
  })

  it('speak the unit in use', async () => {
    openVisit()
    const at = shown(NumberVials, { vials: [vial('left', { value: 25.4, plusMinus: 1, unit: 'mm' })] })
    expect(at.get('.figure').text()).toBe('25.4 mm')
    usePreferences().unit = 'in'
    await nextTick()
    expect(at.get('.figure').text()).toMatch(/^1(\.0+)? in$/)
  })
})

describe('numbers of the rider', () => {
  it('give the knee that was read, against the band of how it was read', async () => {
    openVisit({ readings: readingsWith({ kneeFlexion: [30, 31] }) })
    const at = shown(MetricVial, { metric: 'kneeLeft' })
    await nextTick()
    expect(at.get('[role="img"]').attributes('aria-label')).toMatch(
      new RegExp(`^Knee.*left.* 30°.*target ${STATIC_KNEE.low} to ${STATIC_KNEE.high}`, 'i'),
    )
  })

  it('say what is asked for beside what is', async () => {
    openVisit()
    const board = useBoard()
    const at = shown(MetricVial, { metric: 'kneeLeft' })
    expect(at.find('.to').exists()).toBe(false)
    board.request([{ setting: 'saddleHeight', side: 'both', by: 10 }])
    await nextTick()
    const [from, to] = [at.get('.end').text(), at.get('.to').text()].map((text) => Number(text.replace(/[→° ]/g, '')))
    // Higher saddle, straighter knee.
    expect(to!).toBeLessThan(from! - 2)
    expect(at.find('.proposed').exists()).toBe(true)
  })

  it('leave out the wrist’s bend against the lever where the hands hold no flat bar', () => {
    openVisit()
    expect(shown(MetricVials, {}).find('[data-testid="metric-wristBackLeft"]').exists()).toBe(false)
    openVisit({ kind: 'mountain' })
    expect(shown(MetricVials, { metrics: ['wristBackLeft'] }).findAll('.metric')).toHaveLength(1)
  })

  it('say that nothing is calibrated while nothing was read on the bike', () => {
    openVisit({ readings: readingsWith({}).filter(({ key }) => !/Flexion|Angle|footPitch/.test(key) || key === 'seatAngle') })
    expect(shown(MetricVials, {}).text()).toMatch(/^Not calibrated: nothing is read on the bike yet/)
  })
})
