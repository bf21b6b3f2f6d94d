/** Something the app does: by a key, from the list of commands, by the short note, or from a button. */
export interface Command {
  /** names it for good: "station-feet", "reading-saddleHeight" */
  readonly key: string
  readonly label: string
  readonly group: CommandGroup
  /** the key that does it while nothing is being typed, as `KeyboardEvent.key` has it */
  readonly press?: string
  /** other words it is found by */
  readonly also?: string
  /** whether it does anything now; always, where it is left out */
  readonly applies?: () => boolean
  readonly run: () => void
}
/** In the order they are listed. */
export const commandGroups = ['Actions', 'Stations', 'Pages', 'Readings', 'Riders'] as const
export type CommandGroup = (typeof commandGroups)[number]

export const appliesNow = (command: Command): boolean => command.applies?.() ?? true

/** The command of a key; null where none has it, or it does nothing now. */
export function ofPress(commands: readonly Command[], press: string): Command | null {
  return commands.find((command) => command.press === press && appliesNow(command)) ?? null
}

const wordsOf = (text: string) =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word !== '')

/**
 * Commands that a few typed words mean: each typed word begins a word of the command. What begins with
 * them comes first, then the shorter label; with nothing typed, those that have a key.
 * @param most how many at most
 */
export function matching(commands: readonly Command[], typed: string, most: number): Command[] {
  const asked = wordsOf(typed)
  const here = commands.filter(appliesNow)
  if (asked.length === 0) return here.filter(({ press }) => press !== undefined).slice(0, most)
  const found = here.flatMap((command) => {
    const words = wordsOf(`${command.label} ${command.also ?? ''}`)
    if (!asked.every((part) => words.some((word) => word.startsWith(part)))) return []
    const isStart = wordsOf(command.label).join(' ').startsWith(asked.join(' '))
    return [{ command, rank: (isStart ? 0 : 1000) + command.label.length }]
  })
  return found
    .sort((a, b) => a.rank - b.rank)
    .slice(0, most)
    .map(({ command }) => command)
}
