import fc from 'fast-check'
import type { BarKind } from '../../bike/bikeKinds.ts'
import { setupOf } from '../../rider/setup.ts'
import type { Setup } from '../../rider/setup.ts'
import { definitionOf, isChoice } from '../../readings/readingDefinitions.ts'
import type { NumberKey, ReadingKey } from '../../readings/readingDefinitions.ts'
import type { LengthUnit } from '../../kernel/entry.ts'
import { plain } from '../../kernel/message.ts'
import { judgePage } from '../../station/station.ts'
import type { PageJudgement, StationPage } from '../../station/station.ts'
import { vialsOf } from '../../station/number.ts'
import type { Vial } from '../../station/number.ts'
import type { HandsParts } from './station.ts'
import { contextAt, readingsWith } from '../../testing.ts'
import { startingCockpit } from './cockpit/parts.ts'
import { extensionChoices, leverChoices } from './cockpit/partChoices.ts'
import { handsPagesFor, handsParts, handsStation } from './station.ts'
import { dropBar, flatBar } from './testing.ts'

const timeTrialBar = {
  ...dropBar,
  padForward: 40,
  padUp: 60,
  padSpacing: 330,
  extensionLength: 290,
  extensionAngle: 8,
  creepForward: 30,
  wristAngle: [-4, -4],
} as const
const bases = { flat: flatBar, drop: timeTrialBar } as const

function saidOf(setup: Setup): { page: string; said: PageJudgement; vials: readonly Vial[] }[] {
  const { bar } = setup.rider
  const kind = bar === 'flat' ? 'trail' : 'time trial'
  const parts = handsParts({ ...contextAt(setup, { kind, riding: { events: 'Some race' } }), choices: {} })
  const pages: Readonly<Record<string, StationPage<HandsParts, string>>> = handsStation.pages
  return handsPagesFor(bar).flatMap((page) => {
    const open = pages[page]
    return open ? [{ page, said: judgePage(open, parts), vials: vialsOf(open.numbers ?? {}, parts) }] : []
  })
}
const sentences = (setup: Setup, unit: LengthUnit): string[] =>
  [
    ...saidOf(setup).flatMap(({ said, vials }) => [
      ...said.findings.flatMap(({ headline, sentence }) => [headline, sentence]),
      ...vials.flatMap(({ label, remark }) => [label, remark]),
      ...said.proposals.flatMap(({ words, reason }) => [words, reason]),
    ]),
    ...leverChoices(setup, startingCockpit).map(({ words }) => words),
    ...extensionChoices(setup, startingCockpit).map(({ words }) => words),
  ].map((words) => plain(words, unit))

/** Readings of the station's pages that are numbers: what a hand may type there. */
const typed = (bar: BarKind): NumberKey[] => {
  const keys = handsPagesFor(bar).flatMap((page): readonly ReadingKey[] => handsStation.pages[page].readings)
  return [...new Set(keys)].filter((key): key is NumberKey => !isChoice(key))
}

/** One to four readings anywhere in their range, left and right apart where they have sides. */
const slips = (bar: BarKind) =>
  fc.dictionary(
    fc.constantFrom(...typed(bar)),
    fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true })),
    {
      minKeys: 1,
      maxKeys: 4,
    },
  )
const placed = (shares: Record<string, [number, number]>) =>
  Object.fromEntries(
    Object.entries(shares).map(([key, both]) => {
      const { min, max, sided } = definitionOf(key as NumberKey)
      const [left, right] = both.map((share) => min + share * (max - min))
      return [key, sided ? [left, right] : left]
    }),
  )

describe.each(['flat', 'drop'] as const)('every page of the hands on a %s bar', (bar) => {
  it('speaks inches in inch mode, and has a unit at every amount in either', () => {
    const setup = setupOf(readingsWith(bases[bar] as never), [], bar)
    const inches = sentences(setup, 'in')
    // Enough of them speak of lengths at all.
    expect(inches.filter((words) => /\d in\b/.test(words)).length).toBeGreaterThan(8)
    for (const words of inches) expect(words).not.toMatch(/\d mm\b/)
    for (const words of sentences(setup, 'mm')) expect(words).not.toMatch(/\d in\b/)
    // "±4" of what? Every ± names it.
    for (const unit of ['mm', 'in'] as const)
      for (const words of sentences(setup, unit)) expect(words).not.toMatch(/±[\d.]+(?! ?(mm|in|°|%)|[\d.])/)
  })

  it('says something sound whatever is typed, and asks for nothing that it cannot set', () => {
    fc.assert(
      fc.property(slips(bar), (shares) => {
        const setup = setupOf(readingsWith({ ...bases[bar], ...placed(shares) } as never), [], bar)
        for (const unit of ['mm', 'in'] as const)
          for (const words of sentences(setup, unit)) expect(words).not.toMatch(/NaN|undefined|Infinity|null|\d mm\b.*\d in\b/)
        for (const { said } of saidOf(setup))
          for (const { requested } of said.proposals) {
            expect(requested.length).toBeGreaterThan(0)
            for (const move of requested) if ('by' in move) expect(Number.isFinite(move.by) && move.by !== 0).toBe(true)
          }
      }),
      { numRuns: 60 },
    )
  })

  it('has nothing to propose where no finding is worth a change', () => {
    fc.assert(
      fc.property(slips(bar), (shares) => {
        const setup = setupOf(readingsWith({ ...bases[bar], ...placed(shares) } as never), [], bar)
        for (const { page, said } of saidOf(setup)) {
          const isOpen = said.findings.some(
            ({ weight, key }) => weight === 'act' || weight === 'first' || key === 'pads-wide' || key === 'inward',
          )
          if (!isOpen) expect([page, said.proposals]).toEqual([page, []])
        }
      }),
      { numRuns: 60 },
    )
  })

  it('shows the input of every sum it says it made: each runs', () => {
    const setup = setupOf(readingsWith(bases[bar] as never), [], bar)
    for (const { said } of saidOf(setup))
      for (const { calculation, input } of said.working) {
        const parsed = calculation.input.safeParse(input)
        expect(parsed.error?.issues ?? []).toEqual([])
        expect(calculation.output.safeParse(calculation.run(parsed.data as never)).success).toBe(true)
      }
  })
})
