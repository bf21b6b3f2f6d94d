import type { Message } from '../kernel/message.ts'
import type { WorkStation } from '../kernel/stations.ts'
import type { z } from 'zod'
import type { BarKind } from '../bike/bikeKinds.ts'
import type { AnyCalculation } from '../kernel/calculation.ts'
import type { Requested } from '../ledger/moves.ts'
import type { SettingKey } from '../ledger/settings.ts'
import { conditionAllowed, conditionOf } from '../readings/conditions.ts'
import type { ConditionKey, HandPosition } from '../readings/conditions.ts'
import type { SettingPlace } from './settingPlace.ts'
import type { ReadingKey } from '../readings/readingDefinitions.ts'
import type { Finding } from '../kernel/finding.ts'
import type { NumberRows } from './number.ts'
import { keysOf } from '../kernel/tables.ts'

/** A change a page offers. */
export interface Proposal {
  readonly key: string
  /** on its button: "Aim 5 mm back" */
  readonly words: Message
  readonly requested: readonly Requested[]
  /** why, for the record */
  readonly reason: Message
  /** why it is not offered: it was tried before, and failed */
  readonly failed?: Message
  /** stands on the move card without being asked for, until the fitter asks for something else */
  readonly standing?: true
}

/** A calculation with the very input the judgement used, for the working panel. */
export interface WorkingRun {
  readonly heading: string
  readonly calculation: AnyCalculation
  readonly input: unknown
  readonly plusMinus: Readonly<Record<string, number>>
}

/** What the open page says. */
export interface PageJudgement {
  readonly findings: readonly Finding[]
  readonly proposals: readonly Proposal[]
  readonly working: readonly WorkingRun[]
}
export const nothingSaid: PageJudgement = { findings: [], proposals: [], working: [] }

/** A page of a station: what is read there, what can be moved, and what it says. */
export interface StationPage<Parts, Picture extends string> {
  readonly label: string
  /** what it says once something is read: for whoever opens it empty */
  readonly tells: Message
  readonly readings: readonly ReadingKey[]
  /** where the hands are in what the page is about; left out = where they usually are */
  readonly hands?: HandPosition
  /** readings it also judges at the hard effort */
  readonly readHard?: readonly ReadingKey[]
  readonly fields: readonly SettingPlace[]
  /** the picture that opens with it */
  readonly picture: Picture
  /** numbers it judges, shows or hands to the causes, by name: each name once over all pages */
  readonly numbers?: NumberRows<Parts>
  /** whether the fitter chooses here what the hands are held to */
  readonly choosesHold?: true
  /** only on bikes with this kind of bar */
  readonly bar?: BarKind
  readonly judge: (parts: Parts) => Partial<PageJudgement>
}

/** How a station stands, in a word or two for the rail. */
export interface Summary {
  readonly words: string
  readonly mark: 'open' | 'level' | 'wanting' | 'stop'
}

/** A station: the frame that feet, seat and hands fill. `Context` is what it is judged from, `Parts` what it makes of it. */
export interface Station<Choices, Context, Parts, PageKey extends string, Picture extends string> {
  readonly key: WorkStation
  readonly label: string
  /** what the fitter picks here; stored as one JSON */
  readonly choices: z.ZodType<Choices>
  readonly pages: Readonly<Record<PageKey, StationPage<Parts, Picture>>>
  /** everything its pages draw on; each part is worked out when it is first asked for */
  readonly parts: (context: Context) => Parts
  readonly summary: (parts: Parts) => Summary
}

/** Identity with types: checks the parts against each other where they are written. */
export function defineStation<Choices, Context, Parts, PageKey extends string, Picture extends string>(
  station: Station<Choices, Context, Parts, PageKey, Picture>,
): Station<Choices, Context, Parts, PageKey, Picture> {
  return station
}

/** A reading with what the rider does while it is taken. */
export interface ReadingAt {
  readonly key: ReadingKey
  readonly condition: ConditionKey
}

/** What is read on a page, each where the page is about it. */
export function readingsOn(
  { readings, hands, readHard = [] }: Pick<StationPage<never, string>, 'readings' | 'hands' | 'readHard'>,
  bar: BarKind,
): ReadingAt[] {
  const there = hands === undefined ? 'usual' : conditionOf(bar, hands, 'calm')
  return readings.flatMap((key): ReadingAt[] => [
    { key, condition: conditionAllowed(key, there) ? there : 'usual' },
    ...(readHard.includes(key) ? [{ key, condition: 'hard' } as const] : []),
  ])
}

/** What a page says, with what it leaves out. */
export function judgePage<Parts, Picture extends string>(page: StationPage<Parts, Picture>, parts: Parts): PageJudgement {
  return { ...nothingSaid, ...page.judge(parts) }
}

/** The page that has a setting's field; null where no page of the station has. */
export function pageOf<PageKey extends string>(
  pages: Readonly<Record<PageKey, { readonly fields: readonly SettingPlace[] }>>,
  setting: SettingKey,
): PageKey | null {
  return keysOf(pages).find((key) => pages[key].fields.some((field) => field.setting === setting)) ?? null
}
