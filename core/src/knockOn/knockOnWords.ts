import type { Message } from '../kernel/message.ts'
import { joined, mm, msg } from '../kernel/message.ts'
import { handsMiddle, hipOf, legAt } from '../body/rider.ts'
import type { RiderModel } from '../body/rider.ts'
import { upperPosture } from '../body/upperBody.ts'
import { trimmed } from '../kernel/entry.ts'
import { midSentence } from '../kernel/words.ts'
import { sides } from '../kernel/sided.ts'
import type { Answer, Chosen, Holds, Leftover } from './knockOnResult.ts'
import { amountWords, directionOf, moveName } from '../ledger/moveWords.ts'
import { fittedWords } from '../ledger/parts.ts'
import type { RequestedExchange } from '../ledger/parts.ts'
import { isWholeMove, rideInWords } from '../ledger/pace.ts'
import type { Pace } from '../ledger/pace.ts'
import { settings } from '../ledger/settings.ts'

/** Smaller than this is not worth a word. @source prior */
const worthSaying = { mm: 1, deg: 0.3 } as const

/** What the moves leave unheld, and where a request ran into the hardware's end. */
export function leftovers(
  holds: Holds,
  start: RiderModel,
  after: RiderModel,
  chosen: readonly Chosen[],
  answers: readonly Answer[],
): Leftover[] {
  const found: Leftover[] = []
  const add = (what: Leftover['what'], amount: number, held: 'mm' | 'deg', words: (size: Message, more: boolean) => Message): void => {
    if (!(Math.abs(amount) >= worthSaying[held])) return
    const size = Math.abs(amount)
    const said = held === 'deg' ? `${trimmed(size, 1)}°` : msg`${mm(size, 1)}`
    found.push({ what, amount, unit: held, words: words(said, amount > 0) })
  }
  for (const move of [...chosen, ...answers]) {
    const short = 'aim' in move ? (move.heldByRoom ? move.wanted - move.aim : 0) : move.limit === 'room' ? move.exact - move.by : 0
    add(
      'room',
      short,
      settings[move.setting].unit === 'deg' ? 'deg' : 'mm',
      (size) => msg`${moveName(move)}: no room for another ${size} ${directionOf(move.setting, short)}.`,
    )
  }
  if (holds.knee && !chosen.some((move) => move.setting === 'saddleHeight')) {
    for (const side of sides) {
      const knee = (model: RiderModel) => legAt(model, model.legs[side], hipOf(model), 180).kneeFlexion
      const [then, now] = [knee(start), knee(after)]
      if (then === null || now === null) continue
      add(`knee-${side}`, now - then, 'deg', (size, more) => msg`The ${side} knee ends ${size} ${more ? 'more bent' : 'straighter'}.`)
    }
  }
  const [handsThen, handsNow] = [handsMiddle(start), handsMiddle(after)]
  if (start.grips === null || after.grips === null || handsThen === null || handsNow === null || holds.hands === 'free') return found
  const [then, now] = [upperPosture(start.upper, hipOf(start), start.grips), upperPosture(after.upper, hipOf(after), after.grips)]
  if (holds.hands === 'torso') {
    add('torso', now.torso - then.torso, 'deg', (size, more) => msg`The torso ends ${size} ${more ? 'more upright' : 'lower'}.`)
    return found
  }
  const own = (key: 'handReach' | 'handHeight') => chosen.some((move) => move.setting === key)
  const level = handsNow.x - handsThen.x
  const height = handsNow.y - handsThen.y
  if (holds.hands === 'frame') {
    if (!own('handReach'))
      add('hand-level', level, 'mm', (size, more) => msg`The hands end ${size} ${more ? 'further forward' : 'further back'} on the bike.`)
    if (!own('handHeight'))
      add('hand-height', height, 'mm', (size, more) => msg`The hands end ${size} ${more ? 'higher' : 'lower'} on the bike.`)
    return found
  }
  const reach = level - (after.sit.x - start.sit.x) + now.spreadCost - then.spreadCost
  const rise = height - (after.sit.y - start.sit.y)
  if (!own('handReach'))
    add('hand-level', reach, 'mm', (size, more) => msg`Reach from the seat ends ${size} ${more ? 'longer' : 'shorter'}.`)
  if (!own('handHeight'))
    add('hand-height', rise, 'mm', (size, more) => msg`The hands end ${size} ${more ? 'higher' : 'lower'} against the seat.`)
  return found
}

/** So many steps to come are named one by one. */
const MOST_NAMED = 4

/**
 * What a request leaves for later: the steps still to come ("Next step, if test rides go well: cleat R
 * back 5, then 2."), an end that may lie further than the part goes, and how a whole move is ridden in.
 */
export function laterWords(chosen: readonly Chosen[], exchanges: readonly RequestedExchange[], pace: Pace): Message {
  const parts = chosen.flatMap((move) => {
    const rest = move.plan.steps.slice(1)
    if (rest.length === 0) return []
    const [first = 0, last = 0] = [rest[0], rest.at(-1)]
    const name = msg`${midSentence(moveName(move))} ${directionOf(move.setting, first)}`
    if (rest.length > MOST_NAMED) {
      const each = amountWords(move.setting, first)
      return [msg`${name}, ${`${rest.length} more steps of${Math.abs(first - last) < 0.05 ? '' : ' up to'}`} ${each}`]
    }
    const sizes = joined(
      rest.map((step) => amountWords(move.setting, step)),
      ', then ',
    )
    return [msg`${name} ${sizes}`]
  })
  const doubtful = chosen.flatMap(({ doubtfulBeyond, ...move }) =>
    doubtfulBeyond === null
      ? []
      : [msg`${moveName(move)}: such a part commonly gives ${mm(doubtfulBeyond)}; read how far it goes before counting on the end.`],
  )
  const whole = pace === 'new' && isWholeMove(chosen)
  const next = parts.length === 0 ? '' : msg`Next step, if test rides go well: ${joined(parts, '; ')}.`
  const fitted = exchanges.map(({ slot }) => fittedWords(slot))
  return joined([next, ...fitted, ...doubtful, whole ? rideInWords() : ''].filter((words) => words !== ''))
}
