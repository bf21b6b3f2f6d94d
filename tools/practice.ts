// `npm run practice -- --riders 200 --seed 1 --field`: riders drawn from the trade's table and published
// bodies, who know nothing of the reasoner's causes and tests: how often it is right, how true its words are.
// `npm run practice -- --riders 200 --seed 1`: practice riders with hidden causes, played along the
// reasoner's own way, and how often it was right. The riders come from a body with parameters that the
// reasoner's model does not have.
import { parseArgs } from 'node:util'
import { CHANGES_EACH, play } from '../core/src/simulate/practice/play.ts'
import { fieldRound, scoreOf } from '../core/src/simulate/field/round.ts'
import type { PlayedComplaint } from '../core/src/simulate/practice/play.ts'

const { values } = parseArgs({
  options: {
    riders: { type: 'string', default: '100' },
    seed: { type: 'string', default: '1' },
    field: { type: 'boolean', default: false },
  },
})
const [riders, seed] = [Number(values.riders), Number(values.seed)]
if (!Number.isInteger(riders) || riders < 1 || riders > 100_000 || !Number.isInteger(seed)) {
  console.error('--riders must be a whole number from 1 to 100000, --seed a whole number.')
  process.exit(2)
}

const started = Date.now()
if (values.field) {
  const rounds = Array.from({ length: riders }, (_, i) => fieldRound(seed * 1_000_003 + i))
  const { first, amongThree, calibration, bad, tenths } = scoreOf(rounds)
  const percent = (part: number) => `${(100 * part).toFixed(1)} %`
  console.log(`${riders} riders of the field, seed ${seed}, ${((Date.now() - started) / 1000).toFixed(0)} s`)
  console.log(`true cause first            ${percent(first)} (aim 75)`)
  console.log(`true cause among three      ${percent(amongThree)} (aim 97)`)
  console.log(`stated against true         ${(100 * calibration).toFixed(1)} points (aim 4)`)
  console.log(`first moves that spoil      ${percent(bad)} (aim 0.5)`)
  console.log('\nstated, true, how often')
  for (const row of tenths) console.log(`${percent(row.stated).padStart(7)}  ${percent(row.true).padStart(7)}  ${row.count}`)
  console.log('\nbehind it: how often, first, among three')
  for (const name of [...new Set(rounds.map(({ behind }) => behind))].sort()) {
    const rows = rounds.filter(({ behind }) => behind === name)
    const share = (test: (place: number) => boolean) =>
      percent(rows.filter(({ place }) => place !== null && test(place)).length / rows.length)
    console.log(
      `${name.padEnd(44)} ${String(rows.length).padStart(4)}  ${share((place) => place === 0).padStart(7)}  ${share((place) => place < 3).padStart(7)}`,
    )
  }
  process.exit(0)
}
const played = Array.from({ length: riders }, (_, i) => play(seed * 1_000_003 + i))
const well = played.filter(({ warned }) => !warned)
const all = well.flatMap(({ complaints }) => complaints)
const share = (list: readonly PlayedComplaint[], test: (one: PlayedComplaint) => boolean) =>
  list.length === 0 ? '–' : `${((100 * list.filter(test).length) / list.length).toFixed(1)} %`
const median = (list: readonly number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0
const within = (n: number) => (one: PlayedComplaint) => one.relievedAfter !== null && one.relievedAfter <= n

console.log(`${riders} practice riders, seed ${seed}: ${all.length} complaints, ${((Date.now() - started) / 1000).toFixed(0)} s`)
console.log(`true cause first            ${share(all, ({ place }) => place === 0)}`)
console.log(`true cause among three      ${share(all, ({ place }) => place !== null && place < 3)}`)
console.log(
  `readings before first move  ${median(well.map((one) => one.readings))} (median), ${median(well.map((one) => one.minutes)).toFixed(0)} min`,
)
for (const n of [1, 2, 3]) {
  const solved = well.filter(({ complaints }) => complaints.every(within(n * complaints.length))).length
  console.log(`eased within ${n} ${n === 1 ? 'change ' : 'changes'} a complaint  ${((100 * solved) / well.length).toFixed(1)} % of riders`)
}
console.log(`complaints eased            ${share(all, ({ relievedAfter }) => relievedAfter !== null)}`)
const single = well.filter(({ complaints }) => complaints.length === 1)
const alone = single.flatMap(({ complaints }) => complaints)
const within123 = [1, 2, CHANGES_EACH].map((n) => share(alone, within(n)))
console.log(`one hidden cause: eased within 1, 2, ${CHANGES_EACH} changes  ${within123.join(', ')}`)
console.log(
  `moves past a warning sign   ${played.reduce((sum, { pastWarning }) => sum + pastWarning, 0)} (${played.length - well.length} riders with one)`,
)
/** A line for each key: how often, and how often seen first, among three, and eased. */
function printBy(of: 'symptom' | 'cause', heading: string): void {
  console.log(`\n${heading}`)
  for (const key of [...new Set(all.map((one) => one[of]))].sort()) {
    const rows = all.filter((one) => one[of] === key)
    const shares = [
      share(rows, ({ place }) => place === 0),
      share(rows, ({ place }) => place !== null && place < 3),
      share(rows, ({ relievedAfter }) => relievedAfter !== null),
    ]
    console.log(`${key.padEnd(20)} ${String(rows.length).padStart(4)}  ${shares.map((one) => one.padStart(7)).join('  ')}`)
  }
}
printBy('symptom', 'symptom: complaints, first, among three, eased')
printBy('cause', 'hidden cause: how often, first, among three, eased')
