/** @jest-environment jsdom */
import { mm, msg, range } from '@level-stance/core/kernel/message'
import { term } from '@level-stance/core/readings/table/terms'
import { mount } from '@vue/test-utils'
import { Button, StyleProvider } from 'ant-design-vue'
import { anyCalculation } from '@level-stance/core/kernel/calculation'
import { cleatSchoolKeys } from '@level-stance/core/stations/feet/cleat/schools'
import { cleatTargetCalculation } from '@level-stance/core/stations/feet/cleat/calculations'
import { createPinia, setActivePinia } from 'pinia'
import { h, nextTick } from 'vue'
import { usePaintedFirst } from '../../src/kit/painted.ts'
import GlossaryDrawer from '../../src/glossary/GlossaryDrawer.vue'
import TermLink from '../../src/glossary/TermLink.vue'
import TermCard from '../../src/glossary/TermCard.vue'
import TermTip from '../../src/glossary/TermTip.vue'
import { MessageText } from '../../src/glossary/MessageText.ts'
import { termKeys, termOf, termOfMetric, termOfReading } from '../../src/glossary/terms.ts'
import FindingCard from '../../src/finding/FindingCard.vue'
import FoldPanel from '../../src/kit/FoldPanel.vue'
import PageStart from '../../src/reading/PageStart.vue'
import WorkingPanel from '../../src/working/WorkingPanel.vue'
import { useGlossary } from '../../src/glossary/glossaryStore.ts'
import { usePreferences } from '../../src/data/preferences.ts'
import { lastingStyles } from '../../src/app/theme.ts'

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})

describe('a fold', () => {
  it('shows what is in it when it is pressed, or from the first', async () => {
    const at = mount(FoldPanel, { props: { title: 'Parts at hand' }, slots: { default: '<p>axles</p>' } })
    const head = at.get('[role="button"]')
    expect([head.text(), head.attributes('aria-expanded'), at.text()]).toEqual([
      'Parts at hand',
      'false',
      expect.not.stringContaining('axles'),
    ])
    await head.trigger('click')
    expect([head.attributes('aria-expanded'), at.text()]).toEqual(['true', expect.stringContaining('axles')])
    const open = mount(FoldPanel, { props: { title: 'Mat', open: true }, slots: { default: '<p>knobs</p>' } })
    expect(open.text()).toContain('knobs')
    await open.setProps({ open: false })
    expect(open.get('[role="button"]').attributes('aria-expanded')).toBe('false')
  })
})

describe('a finding', () => {
  const props = {
    headline: msg`The saddle is ${mm(25.4, 1)} narrow.`,
    sentence: msg`${mm(114.3, 1)} against ${range(127, 140)}.`,
    sure: msg`±${mm(3)}`,
    speaksFor: [msg`${mm(50.8, 1)}`],
    against: [],
  }
  it('is said in the unit in use, and follows it', async () => {
    const at = mount(FindingCard, { props })
    expect(at.text()).toContain('The saddle is 25.4 mm narrow. 114.3 mm against 127 to 140 mm.')
    usePreferences().unit = 'in'
    await nextTick()
    expect(at.text()).toContain('The saddle is 1 in narrow. 4.5 in against 5 to 5.51 in.')
    expect(at.text()).toMatch(/±0\.12 in.*Speaks for it: 2 in\./)
  })
})

describe('an empty page', () => {
  it('names at most three readings, drawings first, each with how', () => {
    const at = mount(PageStart, {
      props: { tells: 'What it will tell.', readings: ['shoeUpper', 'footLength', 'footWidth', 'shoeLength'] },
    })
    expect(at.text()).toContain('What it will tell.')
    const rows = at.findAll('li')
    expect(rows.map((row) => row.get('a').text())).toEqual(['Foot length', 'Foot width', 'Shoe inside length'])
    expect(rows.every((row) => row.find('svg').exists())).toBe(true)
  })
})

describe('the glossary', () => {
  it('opens at the term that was asked for, and is searched', async () => {
    const link = mount(TermLink, { props: { of: 'float' } })
    await link.get('button').trigger('click')
    const glossary = useGlossary()
    expect([glossary.open, glossary.term]).toEqual([true, 'float'])
    const at = mount(GlossaryDrawer, { attachTo: document.body })
    await nextTick()
    const shown = () => [...document.querySelectorAll('[data-term]')].map((row) => row.getAttribute('data-term'))
    expect(shown()).toEqual(termKeys)
    expect(document.querySelector('.asked')?.getAttribute('data-term')).toBe('float')
    const field = document.querySelector<HTMLInputElement>('input[aria-label="Search the glossary"]')!
    field.value = 'tape of no kind'
    field.dispatchEvent(new Event('input'))
    await nextTick()
    expect([shown(), document.body.textContent]).toEqual([[], expect.stringContaining('No term with these words.')])
    at.unmount()
  })
})

describe('the styles of the component library', () => {
  it('are worked out once, though the last component that wears them leaves the screen', async () => {
    const cache = lastingStyles()
    const kept = () => [...cache.cache.keys()].filter((key) => key.startsWith('style') && key.includes('Button'))
    const put = () => mount({ render: () => h(StyleProvider, { cache }, () => h(Button, () => 'Try')) })
    const first = put()
    const made = kept().map((key) => cache.get(key)?.[1])
    expect(made.length).toBeGreaterThan(0)
    first.unmount()
    await nextTick()
    expect(kept().map((key) => cache.get(key)?.[1])).toEqual(made)
    put()
    kept().forEach((key, i) => expect(cache.get(key)?.[1]).toBe(made[i]))
  })
})

describe('a long list', () => {
  it('paints what is seen at once first, the rest after it, or at once where it is asked for', async () => {
    const rows = [1, 2, 3, 4]
    const drawn: number[] = []
    const list = mount({
      setup() {
        const { shown } = usePaintedFirst(() => rows, 2)
        return () => {
          drawn.push(shown.value.length)
          return shown.value.map((row) => h('i', row))
        }
      },
    })
    expect(drawn).toEqual([2])
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(() => setTimeout(resolve))))
    expect(drawn).toEqual([2, 4])
    list.unmount()
    const again = mount({
      setup() {
        const { shown, showAll } = usePaintedFirst(() => rows, 2)
        return () => h('button', { onClick: showAll }, String(shown.value.length))
      },
    })
    await again.trigger('click')
    expect(again.text()).toBe('4')
  })
})

describe('terms in a sentence', () => {
  it('are marked where each is first named, and leave the sentence as it was', () => {
    const of = msg`The ${term('float')} binds: a wider ${term('float')}, or ${term('hoods', 'hoods')} up ${mm(12.7, 1)}.`
    const at = mount({ render: () => h('p', h(MessageText, { of })) })
    expect(at.text()).toBe('The float binds: a wider float, or hoods up 12.7 mm.')
    const marks = at.findAll('[data-means]').map((mark) => [mark.text(), mark.attributes('data-means')])
    expect(marks).toEqual([
      ['float', 'float'],
      ['hoods', 'hoods'],
    ])
    const whole = mount({ render: () => h('p', h(MessageText, { of: 'Behind ball, left', term: 'cleat-setback' })) })
    expect([whole.text(), whole.get('[data-means]').attributes('data-means')]).toEqual(['Behind ball, left', 'cleat-setback'])
  })

  it('each have their own words, readings and numbers', () => {
    for (const column of ['words', 'metrics'] as const) {
      const all = termKeys.flatMap((key) => [...(termOf(key)[column] ?? [])])
      expect(new Set(all).size).toBe(all.length)
    }
    expect(termOfMetric('torso')).toBe('torso-angle')
    expect(termOfMetric('load')).toBeNull()
    expect(termOfReading('leverReach')).toBe('lever-reach')
  })
})

describe('a marked word', () => {
  const over = (element: Element, buttons = 0) => {
    const event = new Event('pointerover', { bubbles: true })
    element.dispatchEvent(Object.assign(event, { pointerType: 'mouse', buttons }))
  }
  const card = () => document.querySelector('.term-tip')?.textContent ?? null
  const rest = (ms = 600) => new Promise((resolve) => setTimeout(resolve, ms))

  it('is told where the pointer rests, with the way into the glossary; not while a hand drags over it', async () => {
    const word = mount({ render: () => h('p', h(MessageText, { of: msg`Less ${term('float')}.` })) }, { attachTo: document.body })
    const tip = mount(TermTip, { attachTo: document.body })
    const marked = word.get('[data-means]')
    expect([marked.text(), marked.attributes('data-means')]).toEqual(['float', 'float'])
    over(marked.element, 1)
    await rest()
    expect(card()).toBeNull()
    over(marked.element)
    await rest()
    expect(card()).toContain('How far the foot may turn on the pedal')
    over(document.querySelector('.term-tip')!)
    await rest()
    expect(card()).not.toBeNull()
    document.querySelector<HTMLElement>('.term-tip button')!.click()
    expect([useGlossary().open, useGlossary().term]).toEqual([true, 'float'])
    tip.unmount()
    word.unmount()
  })

  it('is told where a finger taps it, but not on a button, which does its own work', async () => {
    const word = mount(
      {
        render: () => [h('p', h(MessageText, { of: 'float', term: 'float' })), h('button', h(MessageText, { of: 'tread', term: 'tread' }))],
      },
      { attachTo: document.body },
    )
    const tip = mount(TermTip, { attachTo: document.body })
    await word.get('button [data-means]').trigger('click')
    await rest(50)
    expect(tip.findComponent(TermCard).exists()).toBe(false)
    await word.get('p [data-means]').trigger('click')
    await rest(50)
    expect(tip.findComponent(TermCard).props('term')).toBe('float')
    window.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' }))
    await nextTick()
    expect(tip.findComponent(TermCard).exists()).toBe(false)
    tip.unmount()
    word.unmount()
  })
})

describe('the working', () => {
  it('says lengths in the unit in use, and in millimetres as its formulas count', async () => {
    usePreferences().unit = 'in'
    const run = {
      heading: 'Left',
      calculation: anyCalculation(cleatTargetCalculation),
      input: {
        school: cleatSchoolKeys[0],
        setbackNow: 4,
        slotForward: 5,
        slotBack: 12,
        shoeSize: 43,
        heelToMtp1: 192,
        heelToMtp5: 168,
        footLength: 264,
      },
      plusMinus: { setbackNow: 1.5 },
    }
    const panel = mount(WorkingPanel, { props: { open: true, items: [run] }, attachTo: document.body })
    await nextTick()
    const rows = [...document.querySelectorAll('.lines .figure')].map((cell) => cell.textContent ?? '')
    const lengths = rows.flatMap((row) => {
      const found = /(-?[\d.]+)\sin \((-?[\d.]+) mm\)/.exec(row.replaceAll('−', '-'))
      return found ? [[Number(found[1]), Number(found[2])]] : []
    })
    expect(lengths.length).toBeGreaterThan(0)
    // An inch is 25.4 mm by international agreement (1959).
    for (const [inches, mm] of lengths) expect(Math.abs(inches! - mm! / 25.4)).toBeLessThan(0.006)
    expect(document.body.textContent).toContain('count in millimetres')
    panel.unmount()
  })
})
