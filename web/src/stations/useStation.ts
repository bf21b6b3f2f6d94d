import { isKeyOf } from '@level-stance/core/kernel/tables'
import { computed, ref } from 'vue'
import { failedBefore, failedWords } from '@level-stance/core/ledger/outcome'
import type { Choices } from '@level-stance/core/stations/choices'
import { vialsOf } from '@level-stance/core/station/number'
import type { Vial } from '@level-stance/core/station/number'
import { judgePage, nothingSaid } from '@level-stance/core/station/station'
import type { PageJudgement, Proposal, Station } from '@level-stance/core/station/station'
import { later } from '../kit/later.ts'
import { useVisit } from '../data/visit.ts'

/** The first page of a station that has causes to weigh. */
export const WHY = 'why'

/**
 * A station of the open visit: the page that is open, everything its pages draw on, and what the open
 * page says. Parts are worked out when a page asks for them. What is drawn follows every key press;
 * words (findings, proposals, causes, the rail) are said once the hand rests.
 * @param key names its choices in the visit
 * @param context what the station is judged from, as the visit stands
 */
export function useStation<Key extends keyof Choices, Context, Parts, PageKey extends string, Picture extends string>(
  key: Key,
  station: Station<Choices[Key], Context, Parts, PageKey, Picture>,
  context: () => Context,
) {
  const visit = useVisit()
  /** the page that is open; the address carries it */
  const page = ref<string>(WHY)
  const open = (key: string) => (page.value = key)
  const parts = computed(() => station.parts(context()))
  const pageOpen = computed(() => (isKeyOf(station.pages, page.value) ? station.pages[page.value] : null))
  const judged = (of: Parts): PageJudgement => (pageOpen.value ? judgePage(pageOpen.value, of) : nothingSaid)
  const vials = computed<readonly Vial[]>(() => vialsOf(pageOpen.value?.numbers ?? {}, parts.value))
  /** the parts as they stood when the hand came to rest: what words are said of */
  const rested = later(
    () => parts.value,
    () => visit.head?.visitId,
    () => parts.value,
  )
  /** whether words and proposals are of what stands */
  const settled = computed(() => rested.value === parts.value)
  const judgement = computed(() => {
    const said = judged(rested.value)
    return { ...said, proposals: said.proposals.map(withFailure) }
  })
  /** A proposal that was tried before and failed says so, and is not offered. */
  function withFailure(proposal: Proposal): Proposal {
    const before = failedBefore(proposal.requested, visit.told)
    return before === null ? proposal : { ...proposal, failed: failedWords(before, visit.told) }
  }
  const summary = computed(() => station.summary(rested.value))
  const choices = computed<Choices[Key]>(() => visit.choices[key])
  const choose = (change: Partial<Choices[Key]>) => visit.choose(key, change)
  return { label: station.label, page, open, pageOpen, parts, vials, rested, settled, judgement, summary, choices, choose }
}

/** What the frame of a station needs of one. */
export interface OpenStation {
  readonly page: string
  readonly open: (key: string) => unknown
  readonly judgement: PageJudgement
  readonly settled: boolean
}
