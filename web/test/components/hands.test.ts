/** @jest-environment jsdom */
import { freshRequest, searchInput } from '@level-stance/core/stations/hands/cockpit/inputs'
import { cockpitSpecSchema, startingCockpit } from '@level-stance/core/stations/hands/cockpit/parts'
import type { CockpitSpec } from '@level-stance/core/stations/hands/cockpit/parts'
import { leverChoices } from '@level-stance/core/stations/hands/cockpit/partChoices'
import { flatBar } from '@level-stance/core/stations/hands/testing'
import { aReading, readingsWith, uuid } from '@level-stance/core/testing'
import { nextTick } from 'vue'
import { cockpitForm } from '../../src/catalogue/partForms.ts'
import { emptyTexts, readTexts, textsOf } from '../../src/catalogue/specForm.ts'
import BarFront from '../../src/stations/hands/width/BarFront.vue'
import CockpitPage from '../../src/stations/hands/cockpit/CockpitPage.vue'
import ControlsPage from '../../src/stations/hands/controls/ControlsPage.vue'
import GripsPage from '../../src/stations/hands/grips/GripsPage.vue'
import HalfBar from '../../src/stations/hands/HalfBar.vue'
import HandSide from '../../src/stations/hands/HandSide.vue'
import LeversPage from '../../src/stations/hands/levers/LeversPage.vue'
import PartChoices from '../../src/stations/hands/pieces/PartChoices.vue'
import PlacePage from '../../src/stations/hands/place/PlacePage.vue'
import StripLinks from '../../src/stations/hands/pieces/StripLinks.vue'
import WidthPage from '../../src/stations/hands/width/WidthPage.vue'
import { useHands } from '../../src/stations/useHands.ts'
import { useBoard } from '../../src/data/board.ts'
import { useOutbox } from '../../src/data/outbox.ts'
import { usePreferences } from '../../src/data/preferences.ts'
import { visitWorker } from '../../src/data/workers/visit.ts'
import { followed, freshWindow, openVisit, rested, server, shown } from '../visitWindow.ts'

beforeEach(freshWindow)

/** The example rider on a flat bar; `over` says what is read otherwise. */
const open = (over: object = {}) => openVisit({ kind: 'trail', readings: readingsWith({ ...flatBar, ...over } as never) })
/** A flat bar of which nothing is read. */
const openBare = () => openVisit({ kind: 'trail', readings: [] })
/** Opens a page of the hands, once its words are of what stands. */
async function settled(page: string): Promise<void> {
  useHands().open(page)
  do await rested()
  while (!useHands().settled)
}
type Shown = ReturnType<typeof shown>
const slider = (at: Shown, name: string) => at.get(`[role="slider"][aria-label="${name}"]`)
const press = (at: Shown, name: string, key: string) => slider(at, name).trigger('keydown', { key })
const says = (at: Shown, name: string) => slider(at, name).attributes('aria-valuetext')
const rows = (at: Shown, table: string) =>
  at.findAll(`[data-testid="${table}"] tbody tr`).map((row) => row.findAll('th, td').map((cell) => cell.text()))

describe('half of the bar, from above', () => {
  it('reads its chain of lengths aloud, from the end to the bend', () => {
    open()
    const words = shown(HalfBar, { side: 'right' }).get('[data-testid="half-bar"]').attributes('aria-label')
    // Grip 132; brake 10 further in, shifter 30: as read. The arm is 310 across, 8° back and 5° up.
    expect(words).toBe('right half of the bar from above, from its end: hand 60 mm, grip 132 mm, brake 142 mm, shifter 162 mm, bend 314 mm')
  })

  it('slides a clamp by keys toward the middle, whichever half it is on', async () => {
    open()
    const board = useBoard()
    const right = shown(HalfBar, { side: 'right' })
    // In the right half's picture the middle is on the left.
    await press(right, 'Brake clamp, right', 'ArrowLeft')
    await press(right, 'Brake clamp, right', 'PageUp')
    expect(board.aimed('leverClamp', 'right')).toBe(6)
    expect(says(right, 'Brake clamp, right')).toBe('6 mm inboard')
    board.clear()
    const left = shown(HalfBar, { side: 'left' })
    await press(left, 'Shifter clamp, left', 'ArrowLeft')
    expect(board.aimed('shifterClamp', 'left')).toBe(-1)
    expect(says(left, 'Shifter clamp, left')).toBe('1 mm outboard')
    expect(says(left, 'Brake clamp, left')).toBe('where it is')
  })

  it('holds the hand elsewhere to see, and stores nothing of it', async () => {
    open()
    const board = useBoard()
    const at = shown(HalfBar, { side: 'right' })
    expect(at.find('[data-testid="hand-held"]').exists()).toBe(false)
    for (let i = 0; i < 2; i++) await press(at, 'Hand, right', 'PageUp')
    // Finger 60 + 10 + 0.27 · 84 from the end against the hook at 142 − 66.
    expect(at.get('[data-testid="hand-held"]').text()).toMatch(/^Hand held 10 mm inboard: hook [\d.]+ mm (outside|inside) of the finger\./)
    expect(board.active).toBe(false)
    expect(server.asked).toEqual([])
    await at.get('[data-testid="hand-held"] button').trigger('click')
    expect(at.find('[data-testid="hand-held"]').exists()).toBe(false)
    // The other half has a hand of its own.
    await press(at, 'Hand, right', 'PageUp')
    await at.setProps({ side: 'left' })
    expect(at.find('[data-testid="hand-held"]').exists()).toBe(false)
  })

  it('says inches in inch mode, and names what it lacks', async () => {
    open()
    usePreferences().unit = 'in'
    const at = shown(HalfBar, { side: 'right' })
    await press(at, 'Brake clamp, right', 'PageUp')
    expect(says(at, 'Brake clamp, right')).toMatch(/^0\.2\d? in inboard$/)
    expect(at.text()).toContain('in from the end.')
    openBare()
    expect(shown(HalfBar, { side: 'right' }).text()).toMatch(/^Right half from above.*To draw it, read .*bar width.*grip length\.$/)
  })

  it('has a ring for a remote only where there is one', () => {
    open({ remoteClampWidth: [18, 0], remoteClamp: [60, 0], remotePaddle: [40, 0] })
    const rings = (side: 'left' | 'right') =>
      shown(HalfBar, { side })
        .findAll('[role="slider"]')
        .map((ring) => ring.attributes('aria-label'))
    expect(rings('left')).toEqual(['Brake clamp, left', 'Shifter clamp, left', 'Remote clamp, left', 'Hand, left'])
    expect(rings('right')).toEqual(['Brake clamp, right', 'Shifter clamp, right', 'Hand, right'])
  })
})

describe('the hand from the side', () => {
  it('turns the lever by keys, half a degree a press, and says what it does to the wrist', async () => {
    open()
    const at = shown(HandSide, { side: 'left' })
    // Lever and forearm were both read at 36° down.
    expect(says(at, 'Lever angle, left')).toBe('36° below level, wrist straight')
    await press(at, 'Lever angle, left', 'PageDown')
    await press(at, 'Lever angle, left', 'ArrowUp')
    expect(useBoard().aimed('leverAngle', 'left')).toBe(4.5)
    expect(says(at, 'Lever angle, left')).toMatch(/^40\.5° below level, wrist 5° forward$/)
  })

  it('marks what is worked out instead of read, and a lever nobody has read', () => {
    open()
    expect(shown(HandSide, { side: 'left' }).text()).toMatch(/finger hooks at [\d.]+ mm est\./)
    open({ fingerHooks: [64, 64] })
    expect(shown(HandSide, { side: 'left' }).text()).toMatch(/finger hooks at 64 mm(?! est)/)
    openBare()
    const bare = shown(HandSide, { side: 'left' })
    expect(bare.text()).toContain('Lever angle is not read.')
    expect(bare.find('[role="slider"]').exists()).toBe(false)
  })

  it('rolls the lever with the bar', async () => {
    open()
    useBoard().request([{ setting: 'barRoll', side: 'both', by: 3 }])
    await nextTick()
    expect(says(shown(HandSide, { side: 'right' }), 'Lever angle, right')).toMatch(/^39° below level, wrist 3° forward$/)
  })
})

describe('controls', () => {
  it('shows both places of a shifter, the better first, and of a remote where there is one', async () => {
    open({ shifterPaddle: [-20, -20], remoteClampWidth: [18, 0], remoteClamp: [60, 0], remotePaddle: [40, 0] })
    await settled('controls')
    const at = shown(ControlsPage, {})
    for (const table of ['shifter-left', 'shifter-right', 'remote-left']) {
      expect(
        rows(at, table)
          .map(([place]) => place)
          .sort(),
      ).toEqual(['between grip and brake', 'inside of the brake'])
    }
    expect(at.find('[data-testid="remote-right"]').exists()).toBe(false)
    expect(at.get('[data-testid="remote-left"] caption').text()).toBe('Places for the remote, left')
    expect(at.get('[data-testid="finding-shifter-far"]').text()).toContain('past the thumb')
  })

  it('offers the slide that the finding asks for, through the card', async () => {
    open({ shifterClamp: [60, 60] })
    await settled('controls')
    const at = shown(ControlsPage, {})
    await at.get('[data-testid="take-shifter"]').trigger('click')
    expect(useBoard().aimed('shifterClamp', 'left')).not.toBe(0)
    expect(useBoard().aimed('shifterClamp', 'left')).toBe(useBoard().aimed('shifterClamp', 'right'))
  })

  it('names what is still to be read', async () => {
    const { thumbLength: _, ...others } = flatBar
    openVisit({ kind: 'trail', readings: readingsWith(others as never) })
    await settled('controls')
    expect(shown(ControlsPage, {}).get('[data-testid="still-to-read"]').text()).toBe('Still to read: thumb length.')
  })
})

describe('width', () => {
  it('plans cuts of the chosen size, each end and in all, and says the width in the other unit too', async () => {
    // 780 mm stand; by build these shoulders ask for 40 mm less.
    open({ acromionWidth: 330, stature: 1560 })
    useHands().choose({ widthSchool: 'build' })
    await settled('width')
    const at = shown(WidthPage, {})
    await at
      .findAll('input[type="radio"]')
      .find((radio) => radio.element.parentElement?.textContent?.includes('6\u00A0mm'))!
      .setValue(true)
    await rested()
    const cuts = rows(at, 'cuts')
    expect(cuts.length).toBeGreaterThan(0)
    // Every row is the bar less all the cuts before it, both ends: by hand.
    const width = (n: number) => 780 - cuts.slice(0, n + 1).reduce((sum, [, each]) => sum + 2 * parseFloat(each!), 0)
    cuts.forEach(([, , , then], n) => expect(parseFloat(then!)).toBeCloseTo(width(n), 6))
    for (const [, , , then] of cuts) expect(then).toMatch(/^[\d.]+ mm\s+[\d.]+ in$/)
    expect(at.text()).toContain('A cut is for good')
  })

  it('keeps the school that is picked, and says the floor it goes by', async () => {
    open({ barShortest: 720 })
    await settled('width')
    const at = shown(WidthPage, {})
    expect(at.get('[data-testid="floor"]').text()).toMatch(/^Not below 720 mm: .*mark/)
    useHands().choose({ widthSchool: 'stature' })
    await settled('width')
    expect(useHands().rested.width.school).toBe('stature')
  })

  it('draws shoulders and bar to the width asked for, and what is not read is said', () => {
    open()
    expect(shown(BarFront, {}).get('svg').attributes('aria-label')).toMatch(
      /^From the front: shoulders \d+ mm, bar 780 mm, hands [\d.]+ mm apart$/,
    )
    openBare()
    expect(shown(BarFront, {}).get('svg').attributes('aria-label')).toBe('From the front: shoulders not read, bar not read')
  })
})

describe('levers and grips', () => {
  it('say which lever works the front brake, as found on the bike', async () => {
    open({ frontBrakeLever: 'right' })
    await settled('levers')
    expect(shown(LeversPage, {}).get('[data-testid="front-brake"]').text()).toContain('Front brake: right lever.')
    openBare()
    await settled('levers')
    expect(shown(LeversPage, {}).get('[data-testid="front-brake"]').text()).toContain('Front brake: not asked yet.')
  })

  it('stand with their caution, and say what to read where nothing is', async () => {
    openBare()
    await settled('levers')
    expect(shown(LeversPage, {}).get('.caution').text()).toMatch(/pull hard.*must not touch the bar/)
    await settled('grips')
    expect(shown(GripsPage, {}).text()).toMatch(/read|measure/i)
  })

  it('offer levers of the catalogue for these hands, three before all, one to the card as an exchange', async () => {
    const visit = open()
    const choices = leverChoices(visit.setup, startingCockpit)
    expect(choices.length).toBeGreaterThan(3)
    const at = shown(PartChoices, { title: 'Other levers', part: 'levers', rows: choices })
    expect(at.findAll('li')).toHaveLength(3)
    await at.findAll('button').at(-1)!.trigger('click')
    expect(at.findAll('li')).toHaveLength(choices.length)
    await at.get('[data-testid="choose-levers-0"]').trigger('click')
    await followed()
    expect(useBoard().active).toBe(true)
  })
})

describe('reach and height', () => {
  it('takes shares of the ride by position, and says when they do not make a whole', async () => {
    openVisit({ kind: 'drop bar' })
    await settled('place')
    const hands = useHands()
    const at = shown(PlacePage, {})
    const [first] = at.findAll('[data-testid="shares"] input')
    await first!.setValue('30')
    await first!.trigger('blur')
    await rested()
    expect(Object.values(hands.choices.shares ?? {})).toContain(30)
    expect(at.find('.warn').exists()).toBe(true)
    await first!.setValue('')
    await first!.trigger('blur')
    await rested()
    expect(hands.choices.shares).toEqual({})
  })
})

describe('strips to lay along the bar', () => {
  const links = (at: Shown) => at.findAll('a').map((link) => [link.text(), link.attributes('href')])

  it('are offered once the grip is read, for the open visit', () => {
    open()
    expect(links(shown(StripLinks, {}))).toEqual([
      ['PDF', `/api/visits/${uuid(3)}/strip.pdf`],
      ['SVG', `/api/visits/${uuid(3)}/strip.svg`],
    ])
    openBare()
    expect(links(shown(StripLinks, {}))).toEqual([])
    openVisit({ kind: 'drop bar' })
    expect(links(shown(StripLinks, {}))).toEqual([])
  })

  it('warn while a reading of the visit is not stored', () => {
    const visit = open()
    expect(shown(StripLinks, {}).text()).not.toContain('not stored')
    visit.setReading(aReading('gripLength', 'both', 128))
    expect(useOutbox().pendingFor(uuid(3)).length).toBeGreaterThan(0)
    expect(shown(StripLinks, {}).text()).toContain('Some readings are not stored yet')
  })
})

describe('a part of the cockpit, typed', () => {
  const spec = startingCockpit.find(({ kind }) => kind === 'levers')!

  it('goes into texts and back the same, for every kind there is', () => {
    for (const one of startingCockpit) expect(readTexts(cockpitForm, textsOf(cockpitForm, one))).toEqual({ spec: one })
  })

  it('leaves figures of other kinds unsaid, and asks for those of its own', () => {
    const texts = { ...emptyTexts(cockpitForm), ...cockpitForm.blank, name: 'Short stem', kind: 'stem' }
    const read = readTexts(cockpitForm, texts)
    expect('problems' in read && Object.keys(read.problems).sort()).toEqual(['clampSize', 'stemAngle', 'stemLength'])
    expect(readTexts(cockpitForm, { ...texts, clampSize: 'd318', stemLength: '35', stemAngle: '0' })).toMatchObject({
      spec: { stemLength: 35, barWidth: null, leverHook: null, shifterPlace: null },
    })
  })

  it('names the field and the range of a figure that cannot be', () => {
    const read = readTexts(cockpitForm, { ...textsOf(cockpitForm, spec), brakeClampWidth: '600' })
    expect('problems' in read && read.problems['brakeClampWidth']).toMatch(/Brake clamp, width.*5.*60/)
  })

  it('asks only for what a part of its kind has', () => {
    const asked = (kind: string) => cockpitForm.fields.filter(({ only }) => only?.includes(kind)).map(({ key }) => key)
    expect(asked('stem')).toEqual(expect.arrayContaining(['stemLength', 'stemAngle']))
    expect(asked('stem')).not.toContain('leverHook')
    expect(asked('extensions')).toEqual(['padForward', 'padUp', 'padSpacing', 'extensionLength', 'extensionAngle'])
  })
})

describe('the cockpit’s search', () => {
  const reply = (specs: readonly CockpitSpec[]) => ({
    status: 200,
    body: { entries: specs.map((spec, n) => ({ entry: { id: uuid(5000 + n), spec, removed: false }, version: 1 })) },
  })

  it('names the readings it needs before it searches', async () => {
    server.reply = () => reply(startingCockpit)
    openBare()
    const at = shown(CockpitPage, {})
    await rested()
    expect(at.get('[data-testid="cockpit-lacks"]').text()).toMatch(/^The search needs .*frame reach.*\.$/)
  })

  it('sends one question when the hand rests, and keeps what is typed in the unit in use', async () => {
    server.reply = () => reply(startingCockpit.slice(0, 12))
    const asked: { path: string[]; argumentList: { value: { wanted: { at: { x: number } } } }[] }[] = []
    Object.assign(globalThis, {
      Worker: class {
        addEventListener() {}
        postMessage(message: (typeof asked)[number]) {
          if (message.path.includes('searchCockpit')) asked.push(message)
        }
      },
    })
    open()
    usePreferences().unit = 'in'
    const at = shown(CockpitPage, {})
    await new Promise((resolve) => setTimeout(resolve, 300))
    expect(asked).toHaveLength(1)
    await at
      .findAll('input[type="radio"]')
      .find((radio) => radio.element.parentElement?.textContent?.includes('Wanted'))!
      .setValue(true)
    const forward = at.get<HTMLInputElement>('input[aria-label="Hands forward"]')
    for (const text of ['1', '1.', '1.2', '1.25']) await forward.setValue(text)
    await new Promise((resolve) => setTimeout(resolve, 300))
    expect(asked).toHaveLength(2)
    expect(forward.element.value).toBe('1.25')
    const [before, after] = asked.map(({ argumentList }) => argumentList[0]!.value.wanted.at.x)
    expect(after! - before!).toBeCloseTo(31.75, 9)
  })

  it('says that the catalogue could not be read, and reads it again', async () => {
    server.reply = () => ({ status: 503, body: { code: 'unavailable', message: 'The data cannot be reached.', fields: [] } })
    open()
    const at = shown(CockpitPage, {})
    await rested()
    expect(at.get('[role="alert"]').text()).toContain('The data cannot be reached.')
    server.reply = () => reply(startingCockpit.slice(0, 3))
    await at.get('[role="alert"] button').trigger('click')
    await rested()
    expect(at.find('[role="alert"]').exists()).toBe(false)
  })

  it('works in slices: says how far it is, and drops a question when a newer one comes', async () => {
    const visit = open()
    const search = { ...freshRequest, hold: 'wanted', forward: 12, up: -8 } as const
    const input = searchInput(visit.setup, startingCockpit, search)!
    const told: number[] = []
    let now = 0
    let rests = 0
    const working = (clock: () => number) => visitWorker(() => ((rests += 1), Promise.resolve()), clock, Math.random)
    // Every look at the clock takes longer than a slice may.
    const slow = working(() => (now += 250))
    const first = slow.searchCockpit(input, () => told.push(-1))
    const second = slow.searchCockpit(input, ({ done }) => told.push(done))
    expect(await first).toBeNull()
    expect((await second)!.found.lines.length).toBeGreaterThan(0)
    expect(rests).toBeGreaterThan(2)
    expect(told.length).toBeGreaterThan(0)
    expect(told.every((share, i) => share >= (told[i - 1] ?? 0) && share <= 1)).toBe(true)
    // On a fast clock there is nothing to say before the answer.
    told.length = 0
    expect(await working(() => 0).searchCockpit(input, ({ done }) => told.push(done))).toMatchObject({ ms: 0 })
    expect(told).toEqual([])
  })
})

it('starts from parts that its own form takes', () => {
  for (const spec of startingCockpit) expect(cockpitSpecSchema.safeParse(spec).success).toBe(true)
})
