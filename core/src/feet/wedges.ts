import type { OptionOf } from '../measure/readingDefinitions.ts'
import { trimmed } from '../quantity/entry.ts'
import type { Quantity } from '../quantity/quantity.ts'
import type { Side } from '../quantity/sided.ts'
import type { SourceKey } from '../sources.ts'
import { sideName } from '../quantity/finding.ts'
import { ARCH_DROPS } from './shoeCheck.ts'

/** What a wedge or a footbed is chosen from; null = not read. Degrees and mm. */
export interface SupportReadings {
  /** big-toe side up is plus */
  readonly forefootTilt: Quantity | null
  readonly archDrop: Quantity | null
  readonly wedge: Quantity | null
  readonly archSupport: Quantity | null
  readonly shoeUpper: OptionOf<'shoeUpper'> | null
  /** a complaint of the foot or the knee that a wedge or a footbed could bear on */
  readonly complaint: boolean
}

/** A tilt within this is what feet are; nothing is put under it, degrees. @source prior */
export const TILT_IGNORED = 4
/** A wedge never makes up more than this share of the tilt. @source common-practice */
export const WEDGE_SHARE = 0.5
/** The smallest wedge to be had, degrees. @source common-practice */
export const WEDGE_STEP = 1
/** From here an arch is supported where something hurts, mm of navicular drop. @source prior */
export const ARCH_GIVES = 6
/** What a support rises to for each mm an arch drops, and the step it is raised by, mm. @source prior */
export const SUPPORT_PER_DROP = 0.5
export const SUPPORT_STEP = 3

/** One foot's support: what to put under it now, if anything. */
export interface SupportJudgement {
  readonly key: 'wedge' | 'footbed'
  readonly side: Side
  readonly state: 'missing' | 'level' | 'try'
  /** change to make now: degrees, + big-toe side up; or mm of support, + higher */
  readonly by: number
  readonly headline: string
  readonly sentence: string
  readonly sure: string
  readonly source: SourceKey
}

/**
 * A wedge from the forefoot's tilt: never more than half of it, one degree at a time, and only where
 * something hurts and the shoe holds the foot. Most feet tilt, so the tilt alone is no reason.
 * @source common-practice
 */
export function judgeWedge(side: Side, { forefootTilt, wedge, shoeUpper, complaint }: SupportReadings): SupportJudgement {
  const name = sideName(side)
  const base = { key: 'wedge', side, source: 'garbalosa' } as const
  const sure =
    forefootTilt === null
      ? ''
      : `±${trimmed(forefootTilt.plusMinus, 1)}°, and two people measure it differently: repeat it. Of 240 feet 87 of 100 were tilted big-toe side up, so a tilt by itself is no fault.`
  if (forefootTilt === null) {
    return {
      ...base,
      state: 'missing',
      by: 0,
      headline: `${name} forefoot tilt is not read.`,
      sentence: 'Measure it only where knee or foot complain.',
      sure,
    }
  }
  const tilt = forefootTilt.value
  const already = wedge?.value ?? 0
  const most = Math.sign(tilt) * Math.floor(Math.abs(tilt) * WEDGE_SHARE)
  const rest = Math.abs(tilt) < TILT_IGNORED ? -already : most - already
  const tiltWords = `${trimmed(Math.abs(tilt), 1)}° ${tilt >= 0 ? 'big-toe' : 'little-toe'} side up`
  if (Math.abs(tilt) < TILT_IGNORED || Math.abs(tilt) <= forefootTilt.plusMinus) {
    const out =
      already !== 0 ? ` The wedge of ${trimmed(already, 1)}° in there has no tilt to answer: was it asked for by the knee’s path?` : ''
    return {
      ...base,
      state: 'level',
      by: 0,
      headline: `${name} forefoot needs no wedge.`,
      sentence: `It tilts ${tiltWords}; under ${TILT_IGNORED}° or within its ± nothing is put under it.${out}`,
      sure,
    }
  }
  if (Math.abs(rest) < WEDGE_STEP - 1e-9 || Math.sign(rest) !== Math.sign(tilt)) {
    return {
      ...base,
      state: 'level',
      by: 0,
      headline: `${name} forefoot has its wedge.`,
      sentence: `It tilts ${tiltWords}; a wedge makes up half at most, and ${trimmed(already, 1)}° are in.`,
      sure,
    }
  }
  if (!complaint) {
    return {
      ...base,
      state: 'level',
      by: 0,
      headline: `${name} forefoot tilts ${tiltWords}.`,
      sentence: 'Nothing told speaks for a wedge: leave it.',
      sure,
    }
  }
  if (shoeUpper === 'soft') {
    return {
      ...base,
      state: 'level',
      by: 0,
      headline: `${name} forefoot: a firm shoe before a wedge.`,
      sentence: `It tilts ${tiltWords}, but a soft upper lets the foot roll off the wedge.`,
      sure,
    }
  }
  const by = Math.sign(rest) * WEDGE_STEP
  return {
    ...base,
    state: 'try',
    by,
    headline: `${name} forefoot: one wedge to try.`,
    sentence: `It tilts ${tiltWords}. Smallest step first: ${WEDGE_STEP}° under the ${by > 0 ? 'big-toe' : 'little-toe'} side, look at the knee’s path, take it out if nothing changes. Never more than ${trimmed(Math.abs(most), 0)}° here.`,
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
  const sure = `±${trimmed(archDrop.plusMinus, 1)} mm; from ${ARCH_DROPS} mm it is commonly called large.`
  const drop = archDrop.value
  const said = `The arch drops ${trimmed(drop, 1)} mm under load`
  const asks = drop >= ARCH_DROPS || (drop >= ARCH_GIVES && complaint)
  if (!asks) return { ...base, state: 'level', by: 0, headline: `${name} arch holds.`, sentence: `${said}. A flat insole will do.`, sure }
  const wanted = Math.round(drop * SUPPORT_PER_DROP)
  const rest = wanted - (archSupport?.value ?? 0)
  if (rest < 1) {
    return {
      ...base,
      state: 'level',
      by: 0,
      headline: `${name} arch is supported.`,
      sentence: `${said}; ${trimmed(archSupport?.value ?? 0, 1)} mm of support is in the shoe.`,
      sure,
    }
  }
  if (shoeUpper === 'soft') {
    return {
      ...base,
      state: 'level',
      by: 0,
      headline: `${name} arch: a firm shoe before a footbed.`,
      sentence: `${said}, but a footbed relies on the shoe’s structure and this upper gives it none.`,
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
    sentence: `${said}${drop < ARCH_DROPS ? ', and the foot complains' : ''}. ${trimmed(by, 0)} mm of support first, ${trimmed(wanted, 0)} at most; it must never press.${unread}`,
    sure,
  }
}
