import { computed } from 'vue'
import type { ComputedRef } from 'vue'
import { useRouter } from 'vue-router'
import { hasReading } from '@level-stance/core/uncertainty/measureNext'
import { definitionOf, readingKeys } from '@level-stance/core/readings/readingDefinitions'
import { stationKeys, stations } from '@level-stance/core/kernel/stations'
import type { StationKey } from '@level-stance/core/kernel/stations'
import { pagesFor } from '@level-stance/core/stations/index'
import { addressOf } from '../../address/stations.ts'
import { useBoard } from '../../data/board.ts'
import { useVisit } from '../../data/visit.ts'
import { useAppCommands } from './appCommands.ts'
import type { Command } from './command.ts'

/** A field that is empty, to be read next. */
const EMPTY = '[data-reading].empty, [data-reading][data-empty]'

/**
 * All that can be done while a visit is open.
 * @param visitId whose pages the commands go to
 * @param opens what only the page around the visit can open
 */
export function useVisitCommands(
  visitId: () => string,
  opens: { readonly note: () => void; readonly help: () => void },
): ComputedRef<readonly Command[]> {
  const visit = useVisit()
  const board = useBoard()
  const router = useRouter()
  const app = useAppCommands()
  const to = (station: StationKey, page = '', query: Record<string, string> = {}) =>
    void router.push(addressOf(visitId(), station, page, query))

  const stationCommands = stationKeys.map((station, i): Command => ({
    key: `station-${station}`,
    label: stations[station].label,
    group: 'Stations',
    press: String(i + 1),
    run: () => to(station),
  }))
  const pageCommands = computed(() =>
    pagesFor(visit.bar).map(({ station, page, label }): Command => ({
      key: `page-${station}-${page}`,
      label,
      group: 'Pages',
      run: () => to(station, page),
    })),
  )
  const readingCommands = computed(() =>
    readingKeys
      .filter((key) => hasReading(key, visit.bar))
      .map((key): Command => {
        const { label, section } = definitionOf(key)
        return { key: `reading-${key}`, label, group: 'Readings', also: section, run: () => to('measure', '', { reading: key }) }
      }),
  )
  const lastChange = () => visit.folded.changes.findLast((change) => change.state !== 'undone')
  const actions: readonly Command[] = [
    { key: 'note', label: 'Write a short note', group: 'Actions', press: '/', also: 'entry line cleat saddle move', run: opens.note },
    {
      key: 'missing',
      label: 'Next missing reading',
      group: 'Actions',
      press: 'm',
      applies: () => document.querySelector(EMPTY) !== null,
      run: () => document.querySelector<HTMLElement>(EMPTY)?.focus(),
    },
    {
      key: 'try',
      label: 'Try the proposal',
      group: 'Actions',
      press: 't',
      applies: () => board.canTry,
      // What cannot be put back is asked once more, at its button.
      run: () => (board.isForGood ? document.querySelector<HTMLElement>('[data-testid="try"]')?.click() : board.tryStep()),
    },
    {
      key: 'undo',
      label: 'Undo the last change',
      group: 'Actions',
      press: 'u',
      applies: () => lastChange() !== undefined,
      run: () => {
        const last = lastChange()
        if (last) visit.decide('undo', last)
      },
    },
    {
      key: 'start',
      label: 'Show the bike as it was at the start, and back',
      group: 'Actions',
      press: 'b',
      run: () => (visit.shownUpTo = visit.shownUpTo === 0 ? null : 0),
    },
    { key: 'view', label: 'Next view of the board', group: 'Actions', press: 'v', also: 'side front top', run: () => board.nextView() },
    {
      key: 'posture',
      label: 'Next hand position on the board',
      group: 'Actions',
      press: 'p',
      also: 'hoods drops effort',
      run: () => board.nextPosture(),
    },
    { key: 'help', label: 'Keys and help', group: 'Actions', press: '?', run: opens.help },
  ]
  return computed(() => [...actions, ...app, ...stationCommands, ...pageCommands.value, ...readingCommands.value])
}
