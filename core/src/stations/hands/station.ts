import { cockpitPage } from './cockpit/page.ts'
import { extensionNumbers, extensionPage } from './extensions/page.ts'
import { gripNumbers, gripsPage } from './grips/page.ts'
import { controlNumbers, controlsPage } from './controls/page.ts'
import { leverNumbers, leverPage } from './levers/page.ts'
import { hoodNumbers, hoodsPage } from './hoods/page.ts'
import { rollNumbers, rollPage } from './roll/page.ts'
import { placeNumbers, placePage } from './place/page.ts'
import { widthNumbers, widthPage } from './width/page.ts'
import type { BarKind } from '../../bike/bikeKinds.ts'
import type { ReadingKey } from '../../readings/readingDefinitions.ts'
import { lazily } from '../../kernel/lazily.ts'
import { numbersFrom } from '../../station/number.ts'
import { defineStation } from '../../station/station.ts'
import type { Summary } from '../../station/station.ts'
import { handsChoicesSchema } from './choices.ts'
import { searchLacks } from './cockpit/inputs.ts'
import type { HandsContext } from './context.ts'
import type { PositionRow } from './place/positions.ts'
import { extensionStanding } from './extensions/judge.ts'
import type { ExtensionStanding } from './extensions/judge.ts'
import { controlStanding } from './controls/judge.ts'
import type { ControlStanding } from './controls/judge.ts'
import { gripStanding } from './grips/judge.ts'
import type { GripStanding } from './grips/judge.ts'
import { hoodStanding } from './hoods/judge.ts'
import type { HoodStanding } from './hoods/judge.ts'
import { leverStanding } from './levers/judge.ts'
import type { LeverStanding } from './levers/judge.ts'
import { placeStanding, positionsNow, sweepStanding } from './place/judge.ts'
import type { PlaceStanding, SweepStanding } from './place/judge.ts'
import { rollStanding } from './roll/judge.ts'
import type { RollStanding } from './roll/judge.ts'
import { widthStanding } from './width/judge.ts'
import type { WidthStanding } from './width/judge.ts'
import { keysOf } from '../../kernel/tables.ts'

/** Everything the hands' pages say; each part is worked out when it is first asked for. */
export interface HandsParts {
  readonly context: HandsContext
  readonly width: WidthStanding
  readonly positions: readonly PositionRow[]
  readonly place: PlaceStanding
  readonly sweep: SweepStanding
  readonly roll: RollStanding
  readonly hoods: HoodStanding
  readonly levers: LeverStanding
  readonly controls: ControlStanding
  readonly grips: GripStanding
  readonly extensions: ExtensionStanding
  readonly lacks: readonly ReadingKey[]
}

export function handsParts(context: HandsContext): HandsParts {
  return lazily<HandsParts>({
    context: () => context,
    width: () => widthStanding(context),
    positions: () => positionsNow(context),
    place: ({ positions }) => placeStanding(context, positions),
    sweep: () => sweepStanding(context),
    roll: () => rollStanding(context),
    hoods: () => hoodStanding(context),
    levers: () => leverStanding(context),
    controls: () => controlStanding(context),
    grips: () => gripStanding(context),
    extensions: ({ positions, place }) => extensionStanding(context, positions, place.steering),
    lacks: () => searchLacks(context.setup),
  })
}

/** Findings of the hands that are worth a change, from the parts that cost little. */
function acts({ width, place, roll, hoods, levers, controls, grips }: HandsParts): number {
  const all = [width.findings, place.findings, roll.findings, hoods.findings, levers.findings, controls.findings, grips.findings].flat()
  return all.filter(({ weight }) => weight === 'act' || weight === 'first').length
}

function summary(parts: HandsParts): Summary {
  const { setup } = parts.context
  const found = acts(parts)
  if (found > 0) return { words: `${found} to try`, mark: 'open' }
  return setup.model?.grips ? { words: 'in range', mark: 'level' } : { words: 'readings needed', mark: 'wanting' }
}

/** The hands, in the order of the work: width before place, place before roll, roll before the levers. */
export const handsStation = defineStation({
  key: 'hands',
  label: 'Hands',
  choices: handsChoicesSchema,
  parts: handsParts,
  pages: {
    width: widthPage,
    place: placePage,
    roll: rollPage,
    hoods: hoodsPage,
    levers: leverPage,
    controls: controlsPage,
    grips: gripsPage,
    extensions: extensionPage,
    cockpit: cockpitPage,
  },
  summary,
})
/** Every number of the hands' pages. */
export const handsNumbers = numbersFrom<HandsParts>()({
  ...widthNumbers,
  ...placeNumbers,
  ...rollNumbers,
  ...hoodNumbers,
  ...leverNumbers,
  ...controlNumbers,
  ...gripNumbers,
  ...extensionNumbers,
})
export type HandsPageKey = keyof typeof handsStation.pages

/** Pages that a bar has. */
export function handsPagesFor(bar: BarKind): HandsPageKey[] {
  const pages: Readonly<Record<HandsPageKey, { readonly bar?: BarKind }>> = handsStation.pages
  return keysOf(pages).filter((key) => pages[key].bar === undefined || pages[key].bar === bar)
}
