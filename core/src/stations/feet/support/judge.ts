import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import { mm, msg } from '../../../kernel/message.ts'
import type { OptionOf } from '../../../readings/readingDefinitions.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { judged } from '../../../kernel/judged.ts'
import type { Judged } from '../../../kernel/judged.ts'
import type { Quantity } from '../../../kernel/quantity.ts'
import type { Side } from '../../../kernel/sided.ts'
import type { SourceKey } from '../../../kernel/sources.ts'
import { sideName } from '../../../kernel/finding.ts'
import { ARCH_DROPS } from '../shoe/judge.ts'

/** What a wedge or a footbed is chosen from; null = not read. Degrees and mm. */
export interface SupportReadings {
  /** big-toe side up is plus */
  readonly forefootTilt: Quantity | null
  readonly archDrop: Quantity | null
  readonly wedge: Quantity | null
  /** fallen inward is plus; its wedge raises the inner side */
  readonly heelTilt: Quantity | null
  readonly heelWedge: Quantity | null
  readonly heelCup: OptionOf<'heelCup'> | null
  readonly archSupport: Quantity | null
  readonly shoeUpper: OptionOf<'shoeUpper'> | null
  /** a complaint of the foot or the knee that a wedge or a footbed could bear on */
  readonly complaint: boolean
}

/** A tilt within this is what feet are; nothing is put under it, degrees. @source prior */
const TILT_IGNORED = 4
/** A wedge never makes up more than this share of the tilt. @source common-practice */
const WEDGE_SHARE = 0.5
/** The smallest wedge to be had, degrees. @source common-practice */
const WEDGE_STEP = 1
/** From here an arch is supported where something hurts, mm of navicular drop. @source prior */
const ARCH_GIVES = 6
/** What a support rises to for each mm an arch drops, and the step it is raised by, mm. @source prior */
const SUPPORT_PER_DROP = 0.5
const SUPPORT_STEP = 3

/**
 * A forefoot's or heel's tilt against what nothing is put under: what feet are, or what a wedge that is
 * in already makes up for. Degrees; signed as the tilt.
 */
export function tiltStands(tilt: Quantity | null, wedge: Quantity | null): Judged | null {
  if (tilt === null) return null
  const already = Math.sign(tilt.value) * (wedge?.value ?? 0)
  const limit = Math.max(TILT_IGNORED, (Math.max(0, already) + WEDGE_STEP) / WEDGE_SHARE)
  return judged(tilt.value, tilt.plusMinus, { low: -limit, high: limit })
}

/** An arch's drop against what asks for support, or for more of it than is in the shoe; mm. */
export function archStands({ archDrop, archSupport, complaint }: SupportReadings): Judged | null {
  if (archDrop === null) return null
  const asks = complaint ? ARCH_GIVES : ARCH_DROPS
  const held = archSupport === null ? 0 : (archSupport.value + 0.5) / SUPPORT_PER_DROP
  return judged(archDrop.value, archDrop.plusMinus, { low: 0, high: Math.max(asks, held) })
}

/** One foot's support: what to put under it now, if anything. */
export interface SupportJudgement {
  readonly key: WedgeKey | 'footbed'
  readonly side: Side
  readonly state: 'missing' | 'level' | 'try'
  /** change to make now: degrees, + big-toe or inner side up; or mm of support, + higher */
  readonly by: number
  readonly headline: Message
  readonly sentence: Message
  readonly sure: Message
  readonly source: SourceKey
}

/** Where a wedge goes, and what its tilt and its sides are called. */
interface WedgePlace {
  readonly name: string
  readonly tilt: 'forefootTilt' | 'heelTilt'
  readonly sides: { readonly more: string; readonly less: string }
  readonly tilted: { readonly more: string; readonly less: string }
  /** how sure such a tilt is */
  readonly sure: Message
  /** what the shoe lacks to hold it; null = it holds */
  readonly lacks: (read: SupportReadings) => { readonly headline: Message; readonly sentence: Message } | null
  readonly source: SourceKey
}

/** Wedges under the foot, in the order of the work. @source common-practice */
export const wedgePlaces = {
  wedge: {
    name: 'forefoot',
    tilt: 'forefootTilt',
    sides: { more: 'big-toe', less: 'little-toe' },
    tilted: { more: 'big-toe side up', less: 'little-toe side up' },
    sure: 'Of 240 feet 87 of 100 were tilted big-toe side up, so a tilt by itself is no fault.',
    lacks: ({ shoeUpper }) =>
      shoeUpper === 'soft'
        ? {
            headline: msg`a firm shoe before a ${term('wedge')}`,
            sentence: msg`but a soft upper lets the foot roll off the ${term('wedge')}`,
          }
        : null,
    source: 'garbalosa',
  },
  heelWedge: {
    name: 'heel',
    tilt: 'heelTilt',
    sides: { more: 'inner', less: 'outer' },
    tilted: { more: 'inward', less: 'outward' },
    sure: 'Standing says little about pedalling: the knee’s path decides.',
    lacks: ({ heelCup }) =>
      heelCup === 'firm'
        ? null
        : heelCup === 'soft'
          ? {
              headline: msg`a firm heel cup before a ${term('wedge')}`,
              sentence: msg`but a soft heel cup lets the heel slide off the ${term('wedge')}`,
            }
          : {
              headline: 'press the heel cup first',
              sentence: msg`and whether the heel cup is firm enough to hold a ${term('wedge')} is not read`,
            },
    source: 'common-practice',
  },
} as const satisfies Readonly<Record<string, WedgePlace>>
export type WedgeKey = keyof typeof wedgePlaces

/**
 * A wedge from the tilt of forefoot or heel: never more than half of it, one degree at a time, and
 * only where something hurts and the shoe holds the foot. Most feet tilt, so the tilt alone is no
 * reason.
 * @source common-practice
 */
export function judgeWedge(side: Side, key: WedgeKey, read: SupportReadings): SupportJudgement {
  const place: WedgePlace = wedgePlaces[key]
  const [measuredTilt, wedge] = [read[place.tilt], read[key]]
  const name = `${sideName(side)} ${place.name}`
  const level = (headline: Message, sentence: Message): SupportJudgement => ({
    ...base,
    state: 'level',
    by: 0,
    headline: msg`${name} ${headline}`,
    sentence,
    sure,
  })
  const base = { key, side, source: place.source } as const
  const sure =
    measuredTilt === null
      ? ''
      : msg`±${trimmed(measuredTilt.plusMinus, 1)}°, and two people measure it differently: repeat it. ${place.sure}`
  if (measuredTilt === null) {
    const headline = `${name} tilt is not read.`
    return { ...base, state: 'missing', by: 0, headline, sentence: 'Measure it only if the knee or foot hurts.', sure }
  }
  const tilt = measuredTilt.value
  const already = wedge?.value ?? 0
  const most = Math.sign(tilt) * Math.floor(Math.abs(tilt) * WEDGE_SHARE)
  const rest = Math.abs(tilt) < TILT_IGNORED ? -already : most - already
  const tiltWords = `${trimmed(Math.abs(tilt), 1)}° ${tilt >= 0 ? place.tilted.more : place.tilted.less}`
  if (Math.abs(tilt) < TILT_IGNORED || Math.abs(tilt) <= measuredTilt.plusMinus) {
    const out =
      already !== 0
        ? msg` The ${term('wedge')} of ${trimmed(already, 1)}° in there has no tilt to answer: was it asked for by the knee’s path?`
        : ''
    return level(
      msg`needs no ${term('wedge')}.`,
      msg`It tilts ${tiltWords}; under ${TILT_IGNORED}° or within its ± nothing is put under it.${out}`,
    )
  }
  if (Math.abs(rest) < WEDGE_STEP - 1e-9 || Math.sign(rest) !== Math.sign(tilt))
    return level(
      msg`has its ${term('wedge')}.`,
      msg`It tilts ${tiltWords}; a ${term('wedge')} makes up half at most, and ${trimmed(already, 1)}° are in.`,
    )
  if (!read.complaint) return level(`tilts ${tiltWords}.`, msg`Nothing told speaks for a ${term('wedge')}: leave it.`)
  const lack = place.lacks(read)
  if (lack !== null) {
    return { ...level('', msg`It tilts ${tiltWords}, ${lack.sentence}.`), headline: msg`${name}: ${lack.headline}.` }
  }
  const by = Math.sign(rest) * WEDGE_STEP
  return {
    ...base,
    state: 'try',
    by,
    headline: msg`${name}: one ${term('wedge')} to try.`,
    sentence: `It tilts ${tiltWords}. Smallest step first: ${WEDGE_STEP}° under the ${by > 0 ? place.sides.more : place.sides.less} side, look at the knee’s path, take it out if nothing changes. Never more than ${trimmed(Math.abs(most), 0)}° here.`,
    sure,
  }
}

/**
 * A footbed from the arch's drop: support where it is large, or where it gives and something hurts.
 * @source navicular-drop
 */
export function judgeFootbed(side: Side, { archDrop, archSupport, shoeUpper, complaint }: SupportReadings): SupportJudgement {
  const name = sideName(side)
  const base = { key: 'footbed', side, source: 'navicular-drop' } as const
  if (archDrop === null) {
    return {
      ...base,
      state: 'missing',
      by: 0,
      headline: `${name} arch drop is not read.`,
      sentence: 'Navicular height sitting, less standing.',
      sure: '',
    }
  }
  const sure = msg`±${mm(archDrop.plusMinus, 1)}; from ${mm(ARCH_DROPS, 1)} it is commonly called large.`
  const drop = archDrop.value
  const said = msg`The arch drops ${mm(drop, 1)} under load`
  const asks = drop >= ARCH_DROPS || (drop >= ARCH_GIVES && complaint)
  if (!asks)
    return { ...base, state: 'level', by: 0, headline: `${name} arch holds.`, sentence: msg`${said}. A flat insole will do.`, sure }
  const wanted = Math.round(drop * SUPPORT_PER_DROP)
  const rest = wanted - (archSupport?.value ?? 0)
  if (rest < 1) {
    return {
      ...base,
      state: 'level',
      by: 0,
      headline: `${name} arch is supported.`,
      sentence: msg`${said}; ${mm(archSupport?.value ?? 0, 1)} of support is in the shoe.`,
      sure,
    }
  }
  if (shoeUpper === 'soft') {
    return {
      ...base,
      state: 'level',
      by: 0,
      headline: `${name} arch: a firm shoe before a footbed.`,
      sentence: msg`${said}, but a footbed relies on the shoe’s structure and this upper gives it none.`,
      sure,
    }
  }
  const by = Math.min(SUPPORT_STEP, rest)
  const unread = archSupport === null ? ' What is in the shoe now is not read: taken as flat.' : ''
  return {
    ...base,
    state: 'try',
    by,
    headline: `${name} arch: support to try.`,
    sentence: msg`${said}${drop < ARCH_DROPS ? ', and the foot complains' : ''}. ${mm(by)} of support first, ${mm(wanted)} at most; it must never press.${unread}`,
    sure,
  }
}
