import { term } from '../../../readings/table/terms.ts'
import { capital } from '../../../kernel/words.ts'
import type { Message } from '../../../kernel/message.ts'
import { capitalised, joined, mm, msg } from '../../../kernel/message.ts'
import { HEAVY_HANDS } from '../../../body/postureLimits.ts'
import { verdictOf } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import type { OptionOf } from '../../../readings/readingDefinitions.ts'
import { trimmed } from '../../../kernel/entry.ts'
import type { Finding } from '../../../kernel/finding.ts'
import { into, intoBoth } from '../../../station/say.ts'

/** What speaks for a saddle further back or further forward; null = not read. */
export interface SetbackSigns {
  readonly sits: OptionOf<'sitsWhere'> | null
  readonly sitsHard: OptionOf<'sitsWhere'> | null
  /** hips forward at the hard effort, mm: read, or from angles read at that effort */
  readonly creep: Judged | null
  /** complaints, in words */
  readonly hands: readonly string[]
  readonly hipClosed: readonly string[]
  readonly kneeFront: readonly string[]
  readonly kneeBack: readonly string[]
  /** complaints of a knee for which the saddle's height is wrong in the very way that hurts it: height first */
  readonly ofHeight: readonly string[]
  /** the saddle stands further nose down than any use asks: whoever slides, slides down it */
  readonly noseDown: boolean
  /** share of body weight on the hands, %, where it is surely heavy */
  readonly load: number | null
  readonly railRoomBack: number | null
  readonly railRoomForward: number | null
}

export interface SetbackJudgement {
  /** for each way, what speaks for it */
  readonly back: readonly Message[]
  readonly forward: readonly Message[]
  /** mm now, + back; 0 = leave it */
  readonly by: number
  readonly findings: readonly Finding[]
}

/** Where the rider sits is seen: it outweighs this many signs that only follow from complaints. @source prior */
const SEEN_OUTWEIGHS = 2
/** One way must be ahead by this many signs. @source prior */
const CLEAR_LEAD = 1
const sitting = { nose: 'sits on the nose', tail: 'falls off the tail' } as const
/** One step. @source common-practice */
export const SETBACK_STEP = 5

/**
 * Setback has no single rule: signs for either way are weighed, and only a clear side moves it. Who
 * was seen to sit in the middle sits where the saddle carries: what is only told moves nothing then.
 * Creeping forward under effort is not answered by setback at all.
 * @source common-practice
 */
export function judgeSetback(signs: SetbackSigns): SetbackJudgement {
  const back: Message[] = []
  const forward: Message[] = []
  const findings: Finding[] = []
  const add = intoBoth(findings)
  if (signs.sits === 'nose' && !signs.noseDown) forward.push(sitting.nose)
  if (signs.sits === 'tail') back.push(sitting.tail)
  back.push(...signs.hands)
  if ((signs.load ?? 0) > HEAVY_HANDS) back.push(`hands carry ${trimmed(signs.load ?? 0, 0)} %`)
  forward.push(...signs.hipClosed)
  back.push(...signs.kneeFront)
  forward.push(...signs.kneeBack)
  const creep = signs.creep && verdictOf(signs.creep).end === 'high' ? signs.creep : null
  const creeps = creep !== null || (signs.sitsHard === 'nose' && signs.sits !== 'nose')
  if (signs.ofHeight.length > 0) {
    add(
      'height-first',
      'note',
      'Height first.',
      msg`${capital(signs.ofHeight.join(', '))}: the saddle’s height explains it. ${term('saddle-setback', 'Setback')} after that.`,
    )
  }
  if (signs.noseDown && (creeps || signs.sits === 'nose')) {
    add(
      'tilt-first',
      'note',
      'Tilt first.',
      'Slides forward down a saddle that stands nose down: set the tilt, then look again where the rider sits.',
    )
  } else if (creeps) {
    into(findings, creep ? 'creep' : undefined)(
      'creep',
      'both',
      creep ? verdictOf(creep).weight : 'act',
      msg`Comes forward${signs.creep === null ? '' : msg` ${mm(signs.creep.value)}`} under effort.`,
      msg`That points to the saddle or the reach, not to ${term('saddle-setback', 'setback')}: shorten or raise the front so that the rider can stay where the saddle carries, or change the saddle. Do not only lower the bars.`,
    )
  }
  const weigh = (list: readonly Message[], seen: string) => list.length + (list.includes(seen) ? SEEN_OUTWEIGHS : 0)
  const lead = weigh(back, sitting.tail) - weigh(forward, sitting.nose)
  const sitsWell = signs.sits === 'middle'
  const isSure = !sitsWell && Math.abs(lead) >= CLEAR_LEAD && (lead > 0 ? back : forward).length > 0
  const request = isSure ? Math.sign(lead) * SETBACK_STEP : 0
  const room = request > 0 ? signs.railRoomBack : signs.railRoomForward
  const by = request === 0 ? 0 : Math.sign(request) * Math.min(SETBACK_STEP, room ?? SETBACK_STEP)
  const said = (list: readonly Message[]) => joined(list, ', ')
  const isSeen = signs.sits !== null
  const first = isSeen ? '' : ' Look first where the rider sits.'
  if (sitsWell) {
    const told = [...back, ...forward]
    const rest = msg`${capitalised(said(told))}: look for another cause before the saddle is moved.`
    if (!creeps) add('leave', 'fine', 'Sits where the saddle carries.', told.length === 0 ? 'Nothing told speaks for moving it.' : rest)
  } else if (back.length > 0 && forward.length > 0) {
    add('both', 'note', 'Signs for both ways.', msg`Back: ${said(back)}. Forward: ${said(forward)}. One step, then ask again.`)
  } else if (by > 0)
    add(
      'back',
      isSeen ? 'act' : 'note',
      isSeen ? 'Further back.' : 'Further back may help.',
      msg`${capitalised(said(back))}.${first} Weight goes to the pelvis, off hands, neck and shoulders; the hip closes a little, and reach grows by the move.`,
    )
  else if (by < 0)
    add(
      'forward',
      isSeen ? 'act' : 'note',
      isSeen ? 'Further forward.' : 'Further forward may help.',
      msg`${capitalised(said(forward))}.${first} Opens the hip and helps on steep ground; loads the hands.`,
    )
  if (request !== 0 && room !== null && room < SETBACK_STEP) {
    add(
      'rails',
      'note',
      room <= 0 ? 'The rails are at their mark.' : msg`The rails have ${mm(room)} left.`,
      'Another post head or another saddle gives the rest; never clamp outside the marks.',
    )
  }
  return { back, forward, by, findings }
}
