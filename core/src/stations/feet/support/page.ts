import { term } from '../../../readings/table/terms.ts'
import type { Message } from '../../../kernel/message.ts'
import { joined, mm, msg } from '../../../kernel/message.ts'
import { trimmed } from '../../../kernel/entry.ts'
import { sides } from '../../../kernel/sided.ts'
import type { Sided } from '../../../kernel/sided.ts'
import { readFrom } from '../../../station/number.ts'
import type { NumberRows } from '../../../station/number.ts'
import { bothSides } from '../../../station/settingPlace.ts'
import type { PageJudgement, Proposal, StationPage } from '../../../station/station.ts'
import { archStands, tiltStands, wedgePlaces } from './judge.ts'
import type { SupportJudgement, SupportReadings } from './judge.ts'

interface Parts {
  readonly support: Sided<SupportReadings>
  readonly wedge: Sided<SupportJudgement>
  readonly heelWedge: Sided<SupportJudgement>
  readonly footbed: Sided<SupportJudgement>
}

/** What of a foot's tilt and arch nothing makes up for yet. */
export const supportNumbers = {
  forefootTilt: {
    label: 'Forefoot tilt',
    unit: 'deg',
    sided: true,
    readings: readFrom('forefootTilt'),
    at: ({ support }, side) => tiltStands(support[side].forefootTilt, support[side].wedge),
  },
  heelTilt: {
    label: 'Heel tilt',
    unit: 'deg',
    sided: true,
    readings: readFrom('heelTilt'),
    at: ({ support }, side) => tiltStands(support[side].heelTilt, support[side].heelWedge),
  },
  archDrop: {
    label: 'Arch drop',
    unit: 'mm',
    sided: true,
    readings: readFrom('archDrop'),
    at: ({ support }, side) => archStands(support[side]),
  },
} as const satisfies NumberRows<Parts>

/** What a support puts under a foot, in words. */
function supportWords({ key, side, by }: SupportJudgement): Message {
  if (key === 'footbed') return msg`${side} ${mm(by)}`
  const { more, less } = wedgePlaces[key].sides
  return `${side} ${trimmed(Math.abs(by), 1)}° ${by > 0 ? more : less} side`
}

/** Wedges and footbeds to try, each kind at once for both feet. */
function judge({ wedge, heelWedge, footbed }: Parts): Partial<PageJudgement> {
  const offer = (key: string, name: string, setting: 'wedge' | 'heelWedge' | 'archSupport', rows: Sided<SupportJudgement>): Proposal[] => {
    const tries = sides.map((side) => rows[side]).filter(({ by }) => by !== 0)
    if (tries.length === 0) return []
    const requested = tries.map(({ side, by }) => ({ setting, side, by }))
    return [{ key, words: msg`${name}: ${joined(tries.map(supportWords), ', ')}`, requested, reason: tries[0]?.headline ?? '' }]
  }
  return {
    proposals: [
      ...offer('wedge', 'Wedge', 'wedge', wedge),
      ...offer('heelWedge', 'Heel wedge', 'heelWedge', heelWedge),
      ...offer('footbed', 'Support', 'archSupport', footbed),
    ],
  }
}

export const supportPage = {
  label: 'Wedge, footbed',
  tells: msg`Whether the foot needs a ${term('wedge')} or support under the arch, how much of it first, and when to stop.`,
  picture: 'fore-aft',
  readings: ['forefootTilt', 'wedge', 'heelTilt', 'heelWedge', 'heelCup', 'archDrop', 'archSupport', 'shoeUpper'],
  fields: [...bothSides('wedge'), ...bothSides('heelWedge'), ...bothSides('archSupport')],
  numbers: supportNumbers,
  judge,
} as const satisfies StationPage<Parts, string>
