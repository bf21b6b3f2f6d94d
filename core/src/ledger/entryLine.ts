import type { Message } from '../kernel/message.ts'
import { msg, soldBy } from '../kernel/message.ts'
import { MM_PER_INCH, parseEntry, trimmed } from '../kernel/entry.ts'
import type { LengthUnit } from '../kernel/entry.ts'
import type { Side } from '../kernel/sided.ts'
import { definitionOf, numberKeys } from '../readings/readingDefinitions.ts'
import type { NumberKey } from '../readings/readingDefinitions.ts'
import { readEntry, readingName, valueWords } from '../readings/readingEntry.ts'
import { methods } from '../readings/table/methods.ts'
import type { MethodKey } from '../readings/table/methods.ts'
import { amountWords, moveName } from './moveWords.ts'
import { settings } from './settings.ts'
import type { SettingKey } from './settings.ts'
import { isKeyOf, keysOf } from '../kernel/tables.ts'

/** What a short typed note means, before it is taken. */
export type Understood =
  | { readonly kind: 'move'; readonly setting: SettingKey; readonly side: Side | 'both'; readonly by: number; readonly words: Message }
  | {
      readonly kind: 'reading'
      readonly key: NumberKey
      readonly side: Side | 'both'
      readonly text: string
      readonly value: number
      readonly method: MethodKey | null
      readonly words: Message
    }
  | { readonly kind: 'unknown'; readonly words: Message }

/** The words a busy hand types for a reading, by the readings' rows. */
const readingWords: Readonly<Record<string, NumberKey>> = Object.fromEntries(
  numberKeys.flatMap((key) => (definitionOf(key).words ?? []).map((word) => [word, key] as const)),
)

/** What a word moves when a direction or a sign follows; the first is meant by a bare sign. */
const moveWords: Readonly<Record<string, readonly SettingKey[]>> = {
  cleat: ['cleatSetback', 'cleatInboard', 'cleatTurn'],
  saddle: ['saddleHeight', 'saddleSetback'],
  nose: ['saddleTilt'],
  tilt: ['saddleTilt'],
  hands: ['handHeight', 'handReach', 'gripSpacing'],
  spacers: ['spacers'],
  stem: ['stemLength', 'stemAngle'],
  bar: ['barWidth', 'barRise', 'barRoll'],
  roll: ['barRoll'],
  lever: ['leverAngle', 'leverReach', 'leverClamp'],
  hood: ['hoodPosition', 'hoodAngle', 'hoodWidth'],
  hoods: ['hoodPosition', 'hoodAngle', 'hoodWidth'],
  shifter: ['shifterClamp'],
  remote: ['remoteClamp'],
  pads: ['padUp', 'padForward', 'padSpacing'],
  extensions: ['extensionLength', 'extensionAngle'],
  crank: ['crank'],
  turn: ['cleatTurn'],
  float: ['cleatFloat'],
  wedge: ['wedge'],
  arch: ['archSupport'],
  adapter: ['adapter'],
  washer: ['washer'],
  axle: ['axleLength'],
  tread: ['tread'],
}

const methodWords: Readonly<Record<string, MethodKey>> = {
  ...Object.fromEntries(keysOf(methods).map((key) => [key, key])),
  gonio: 'goniometer',
}
const sideWords: Readonly<Record<string, Side>> = { l: 'left', left: 'left', r: 'right', right: 'right' }

/**
 * Reads a short note: `cleat L back 4` aims a cleat, `saddle -3` or `hands up 5` requested a move,
 * `crank 172.5` or `knee R 31 gonio` enters a reading.
 * Nothing is done here; the screen shows the words first.
 */
export function understand(note: string, unit: LengthUnit): Understood {
  const words = note
    .trim()
    .toLowerCase()
    .split(/\s+/)
    .filter((word) => word !== '')
  const [first, ...rest] = words
  if (first === undefined) return unknown('For example: cleat L back 4, saddle -3, or knee R 31 gonio')
  const move = moveOf(first, rest, unit)
  if (move !== null) return move
  const key = meaning(readingWords, first)
  // Two things have one: said without a side, which is meant is asked.
  if (first === 'setback' && meaning(sideWords, rest[0]) === undefined)
    return unknown('Setback of a cleat (setback L 4) or of the saddle (nose 61)?')
  if (key === undefined && meaning(moveWords, first)) return unknown(`${first}: which way, and by how much? For example: cleat L back 4`)
  if (key === undefined) return unknown(`“${first.slice(0, 20)}” is not known here. Try: cleat, saddle, hands, roll, knee, torso, crank…`)
  return reading(key, rest, unit)
}

/** Short ways of saying a direction, by what is moved. */
const turns = { out: settings.cleatTurn.more, in: settings.cleatTurn.less }
const directionWords: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  cleat: turns,
  turn: turns,
  lever: { out: settings.leverReach.more, in: settings.leverReach.less },
}

/** `saddle -3`, `saddle back 5`, `washer L on 1`; null when it is no move. */
function moveOf(word: string, words: readonly string[], unit: LengthUnit): Understood | null {
  const keys = meaning(moveWords, word)
  if (keys === undefined) return null
  const sideGiven = meaning(sideWords, words[0])
  const [said, ...amount] = sideGiven === undefined ? words : words.slice(1)
  if (said === undefined) return null
  const direction = meaning(directionWords[word] ?? {}, said) ?? said
  const signed = /^[+−–-]\s*\S/.test(direction)
  const key = signed ? keys[0] : keys.find((k) => settings[k].more === direction || settings[k].less === direction)
  if (key === undefined) return null
  const { sided, label, cap, unit: held, more, less } = settings[key]
  if (sided && sideGiven === undefined) return unknown(`${label}: L or R?`)
  const parsed = parseEntry(
    (signed ? [direction.replace(/^[+−–-]/, ''), ...amount] : amount).join(' '),
    held === 'deg' ? 'angle' : 'length',
    unit,
  )
  if (!parsed.ok || !(parsed.value > 0) || parsed.value > MOST_AT_ONCE)
    return unknown(msg`${label} ${signed ? '' : direction}: by how much? At most ${amountWords(key, MOST_AT_ONCE)}.`)
  // "saddle -3" of somebody who works in inches is a slip: nobody moves anything by three inches.
  if (held !== 'deg' && parsed.unit === 'in' && parsed.value > MOST_INCHES * MM_PER_INCH && !saysUnit(words))
    return unknown(
      msg`${label}: ${trimmed(parsed.value / MM_PER_INCH, 2)} in are ${soldBy(trimmed(parsed.value, 0))}. Write the unit: ${soldBy(3)}, or 1/8 in.`,
    )
  const by = (signed ? /^[−–-]/.test(direction) : direction === less) ? -parsed.value : parsed.value
  const steps = parsed.value > cap ? msg`, in steps of ${amountWords(key, cap)}` : ''
  const side = sided ? (sideGiven ?? 'left') : 'both'
  return {
    kind: 'move',
    setting: key,
    side,
    by,
    words: msg`${moveName({ setting: key, side })} ${by > 0 ? more : less} ${amountWords(key, parsed.value)}${steps}`,
  }
}

/** Where a setting stands, with its sign. */
const placeWords = (setting: SettingKey, value: number) => msg`${value < 0 ? '−' : ''}${amountWords(setting, value)}`

/** A larger request is a slip of the hand. */
const MOST_AT_ONCE = 100
/** A bare number above this is hardly meant in inches. */
const MOST_INCHES = 0.9
const saysUnit = (words: readonly string[]) => words.some((word) => /(mm|cm|in|inch|inches|"|″|”|'')$/.test(word))

/**
 * What a noted value of a setting means once something was changed: the setting goes there from where
 * it stands. A value noted over the start's would rewrite how the rider came.
 * @param now where the setting stands; null = not read: then the note is its reading
 */
export function asMove(meant: Understood, now: number | null): Understood {
  if (meant.kind !== 'reading' || now === null || !isKeyOf(settings, meant.key)) return meant
  const { key: setting, side, value } = meant
  const { more, less } = settings[setting]
  const by = value - now
  const name = moveName({ setting, side })
  if (Math.abs(by) < 0.05) return unknown(msg`${name} stands at ${placeWords(setting, now)} already.`)
  const words = msg`${name} ${by > 0 ? more : less} ${amountWords(setting, by)}: from ${placeWords(setting, now)} to ${placeWords(setting, value)}`
  return { kind: 'move', setting, side, by, words }
}

function reading(key: NumberKey, words: readonly string[], unit: LengthUnit): Understood {
  const { sided, label } = definitionOf(key)
  const side = sided ? meaning(sideWords, words[0]) : 'both'
  if (side === undefined) return unknown(`${label}: L or R?`)
  const rest = sided ? words.slice(1) : [...words]
  const method = meaning(methodWords, rest.at(-1)) ?? null
  const text = (method === null ? rest : rest.slice(0, -1)).join(' ')
  const entry = readEntry(key, side, text, unit)
  if (!entry.ok) return unknown(entry.message)
  if (entry.value === null) return unknown(`${readingName(key, side)}: how much?`)
  const how = method === null ? '' : `, ${methods[method].label}`
  return {
    kind: 'reading',
    key,
    side,
    text,
    value: entry.value,
    method,
    words: msg`${readingName(key, side)}: ${valueWords(key, entry.value)}${how}`,
  }
}

/** A word of a table; what every object has by birth (`constructor`) is no word. */
function meaning<T>(table: Readonly<Record<string, T>>, word: string | undefined): T | undefined {
  return word !== undefined && Object.hasOwn(table, word) ? table[word] : undefined
}

function unknown(words: Message): Understood {
  return { kind: 'unknown', words }
}
