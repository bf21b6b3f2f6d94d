/** One step of moulding a shoe; `minutes` only where a clock runs. */
export interface MouldingStep {
  readonly key: string
  readonly title: string
  readonly how: string
  readonly caution: string | null
  readonly minutes: number | null
}

/**
 * Moulding a mouldable shoe, in order. The maker's sheet outranks every number here.
 * @source common-practice
 */
export const mouldingSteps: readonly MouldingStep[] = [
  { key: 'sheet', title: 'Read the maker’s sheet', how: 'Temperature, time and whether this shoe may be heated at all. Where it differs, it outranks this page.', caution: 'Not every shoe that looks mouldable is.', minutes: null },
  { key: 'oven', title: 'Heat the oven', how: 'To the maker’s temperature, about 70 °C, without fan, measured in the middle of the oven. Insole out, laces or dials wide open.', caution: 'No gas flame, no hair dryer. Hot metal: gloves.', minutes: null },
  { key: 'bake', title: 'Shoe in the oven', how: 'One shoe at a time on a wooden board, sole down.', caution: '20 minutes and no longer: a shoe left in browns and is spoilt.', minutes: 20 },
  { key: 'foot-in', title: 'Insole back, foot in', how: 'Thin sock, insole back in, foot in at once; push the heel right back. Test the inside with the hand first.', caution: 'Hot: never onto bare skin, and never onto a foot that feels heat poorly.', minutes: null },
  { key: 'snug', title: 'Snug, not tight', how: 'Close straps or dials so that the shoe follows the foot without pressing.', caution: null, minutes: null },
  { key: 'sit', title: 'Sit still', how: 'Sit with the knee bent at a right angle until the shoe is cool.', caution: 'Do not stand: standing splays the foot and the shoe moulds too big.', minutes: 10 },
  { key: 'hot-spots', title: 'Push out hot spots', how: 'Where the rider feels pressing, push from inside with a blunt tool while the shoe is still warm.', caution: 'Blunt: a sharp one goes through the shell.', minutes: null },
  { key: 'cleat', title: 'Then the cleat', how: 'Measure heel to ball again: the foot sits differently now. Cleat after this, not before.', caution: null, minutes: null },
] // prettier-ignore

/** A running or finished clock of a step. */
export interface StepClock {
  /** seconds left; 0 when over */
  readonly left: number
  /** seconds past its end; 0 while running */
  readonly over: number
  /** "19:59", or "+0:12" once over */
  readonly shown: string
}

/**
 * What a step's clock shows. It counts from when it was started, so that a reload or a closed
 * window changes nothing.
 * @param startedAt, now milliseconds of one clock
 */
export function stepClock(startedAt: number, minutes: number, now: number): StepClock {
  // A machine whose clock was set back shows the full time rather than more than it.
  const run = Math.max(0, now - startedAt) / 1000
  const rest = minutes * 60 - run
  const left = Math.max(0, Math.ceil(rest))
  const over = Math.max(0, Math.floor(-rest))
  const shown = (seconds: number) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
  return { left, over, shown: left > 0 ? shown(left) : `+${shown(over)}` }
}
