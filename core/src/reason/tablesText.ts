import { trimmed } from '../kernel/entry.ts'
import { settingOf } from '../ledger/settings.ts'
import { midSentence } from '../kernel/words.ts'
import { sources } from '../kernel/sources.ts'
import { changedWords } from '../talk/history.ts'
import { rideSituations } from '../talk/regions.ts'
import { ridingKinds } from '../talk/riding.ts'
import { LIKELY, POSSIBLE, likelihoods, priorAt } from './arithmetic.ts'
import { causeKeys, causeOf } from './causeTable.ts'
import type { Remedy } from './causeTable.ts'
import { TOLD_SHARE, UNREAD_WORKS, trialWeights } from './learning.ts'
import { minutesOf } from './nextReading.ts'
import { numberRow } from './numbers.ts'
import { symptomKeys, symptomOf } from './symptomTable.ts'
import type { Modifier } from './symptomTable.ts'
import { EYE_ERROR, limits, strengths, tests } from './testTable.ts'
import type { TestRow } from './testTable.ts'

const row = (...cells: readonly string[]) => `| ${cells.join(' | ')} |`
const head = (...cells: readonly string[]) => `${row(...cells)}\n${row(...cells.map(() => '---'))}`
const table = (heads: readonly string[], rows: readonly string[]) => `${head(...heads)}\n${rows.join('\n')}`

const pastWords = { low: 'under its band', high: 'over its band', either: 'outside of its band' } as const

function condition(test: TestRow): string {
  if ('choice' in test) return `is ${test.is.join(' or ')}`
  const { unit } = numberRow(test.of)
  const mark = unit === 'deg' ? '°' : ` ${unit}`
  const soft = `soft ${trimmed(test.soft, 1)}${mark}`
  if (typeof test.past !== 'object') return `${pastWords[test.past]}, ${soft}`
  const [word, limit] = 'above' in test.past ? (['above', test.past.above] as const) : (['below', test.past.below] as const)
  return `${word} ${trimmed(limits[limit], 1)}${mark}, ${soft}`
}

/** "Bar down, 15 mm past the line" */
function remedyWords({ label, move }: Remedy): string {
  if (move === undefined) return label
  if (move.beyond === undefined) return `${label}, to the aim`
  return `${label}, ${trimmed(move.beyond, 1)}${settingOf(move.setting).unit === 'mm' ? ' mm' : '°'} past the line`
}

function modifierWords({ cause, factor, situation, from, upTo, changed, rides, clipIn, regions, sides }: Modifier): string {
  const when = [
    situation?.map((key) => rideSituations[key].toLowerCase()).join(' or '),
    from === undefined ? undefined : `from ${from} min on`,
    upTo === undefined ? undefined : `within ${upTo} min`,
    changed && `began with: ${changed.map((key) => changedWords[key].toLowerCase()).join(', ')}`,
    rides && `rides ${rides.map((key) => ridingKinds[key].toLowerCase()).join(', ')}`,
    clipIn && `clip-in pedals: ${clipIn.join(', ')}`,
    regions && `at: ${regions.join(', ')}`,
    sides && `on ${sides === 'one' ? 'one side' : 'both sides'}`,
  ].filter((words) => words !== undefined)
  return `${midSentence(causeOf(cause).label)} ×${trimmed(factor, 1)} (${when.join('; ')})`
}

/** Every table of the reasoner, and its arithmetic, as docs/reasoning.md prints them. */
export function reasoningText(): string {
  const own = (key: keyof typeof sources) => (sources[key].kind === 'own' ? 'own assumption' : sources[key].title)
  const ranks = [0, 1, 2, 3, 4, 5].map((rank) => trimmed(100 * priorAt(rank), 1))
  return `# How causes are ranked

Written by \`npm run schemas\` from the tables of \`core/src/reason/\`; a test fails when the two differ. The order of causes is common practice of the trade. **All priors, factors, strengths, soft lines and costs are this product's own assumptions**; what has a publication names it. The list orders a fitter's search; it does not diagnose.

## Arithmetic

- Belief that a number lies past a line: b = Φ((value − line) / √(σ² + w²)), σ half of the ± shown, w how soft the line is. A word chosen by eye is wrong in ${trimmed(100 * EYE_ERROR, 0)} of 100.
- A test moves the log odds of its cause by ln[(s·b + (1−s)(1−b)) / (f·b + (1−f)(1−b))]: ${Object.entries(strengths)
    .map(([name, { sensitivity, falseRate }]) => `${name} s = ${sensitivity}, f = ${falseRate}`)
    .join(
      '; ',
    )}. With b = ½ that is 0: an unsure number moves nothing. Tests on one reading count once, the strongest; of several ways in which one cause shows, the one that speaks most for it.
- Prior by rank, most usual first: ${ranks.join(', ')} %. What was told multiplies the odds, together by no more than 2 or ½. Several complaints: 1 − Π(1 − p), evidence counted once. Causes are independent: several may be true. Left over for what no contact point causes: Π(1 − p).
- Words: ${likelihoods.map(({ words, from }) => `${words} from ${trimmed(100 * from, 0)} %`).join(', ')}; "nothing read yet" where no test has a reading.
- Trials: a change that took the share a of a cause away moves its log odds by a·${trimmed(trialWeights.relieved, 2)} when the complaint eased by a difference that matters (2 points of 10, or 30 %: ${sources.farrar.title}, from memory), by a·${trimmed(trialWeights.unchanged, 2)} when it did not, by a·${trimmed(trialWeights.worse, 2)} when it got worse. What the rider tried before counts ${TOLD_SHARE} of that. One point is within what riders vary. Steps the same way that stand are one trial, from before the first to after the last. The share is what was moved over that and what is still to go; where nothing read tells how far, a full step is taken for ${UNREAD_WORKS} of the way.
- Studio: a prior weighs as much as ten closed visits: (10·p + eased) / (10 + tried). Counts only; it can be switched off.
- Order of the work: a cleat is not turned or moved while the pelvis reads crooked, and a cause at the hands waits while a likely one at feet or seat explains the same complaint (from ${trimmed(100 * LIKELY, 0)} %).
- Next reading: the entropy of the causes it is expected to take away, p⁺ = p·s + (1−p)·f, weighted by severity, less its minutes. Each complaint has its own likeliest cause; the short list ends when no reading could change which one of any complaint comes first.
- First move: only for a cause that something read, or a trial, speaks for, or whose plan is under way; where it could still be read, the reading comes first, and where no reading can tell, one smallest step is offered as a guess that promises nothing. Its remedy is sized to bring the number into its band and past the line by what the table says, parts in the sizes they are sold in, within cap and room, with everything it brings along; it is cut down, or left out, where it would take a number that was read out of its band; what it eases is how far the belief in its cause falls, what it makes likelier counts against it, told of or not. From ${trimmed(100 * POSSIBLE, 0)} % on, or the likeliest where none is. Never past a positive warning sign, never again what failed.

## Minutes of a reading, by its method (own assumptions)

${Object.entries(minutesOf)
  .filter(([method]) => method !== 'carried')
  .map(([method, minutes]) => `${method} ${minutes}`)
  .join(' · ')}

## Symptoms and their causes, most usual first

${table(
  ['symptom', 'causes', 'what was told makes likelier or less'],
  symptomKeys.map((key) => {
    const { label, causes, modifiers } = symptomOf(key)
    return row(
      label,
      causes.map((cause) => midSentence(causeOf(cause).label)).join('; '),
      (modifiers ?? []).map(modifierWords).join('; ') || '–',
    )
  }),
)}

## Causes, their tests and what is done

${table(
  ['cause', 'test', 'condition', 'strength', 'source', 'remedy'],
  causeKeys.flatMap((key) => {
    const { label, remedy } = causeOf(key)
    return tests
      .filter(({ cause }) => cause === key)
      .map((test, i) =>
        row(
          i === 0 ? label : '',
          'choice' in test ? test.choice : midSentence(numberRow(test.of).label),
          condition(test),
          test.strength,
          own(test.source),
          i === 0 ? remedyWords(remedy) : '',
        ),
      )
  }),
)}
`
}
