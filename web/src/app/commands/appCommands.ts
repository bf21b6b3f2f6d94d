import { useRouter } from 'vue-router'
import { useGlossary } from '../../glossary/glossaryStore.ts'
import { usePreferences } from '../../data/preferences.ts'
import type { Command } from './command.ts'

/** What can be done on any page. */
export function useAppCommands(): readonly Command[] {
  const router = useRouter()
  const preferences = usePreferences()
  const glossary = useGlossary()
  return [
    { key: 'riders', label: 'All riders', group: 'Riders', also: 'list search', run: () => void router.push({ name: 'riders' }) },
    { key: 'new-rider', label: 'New rider', group: 'Riders', run: () => void router.push({ name: 'new-rider' }) },
    {
      key: 'inches',
      label: 'Lengths in inches',
      group: 'Actions',
      also: 'unit imperial',
      applies: () => preferences.unit !== 'in',
      run: () => (preferences.unit = 'in'),
    },
    {
      key: 'millimetres',
      label: 'Lengths in millimetres',
      group: 'Actions',
      also: 'unit mm metric',
      applies: () => preferences.unit !== 'mm',
      run: () => (preferences.unit = 'mm'),
    },
    { key: 'dim', label: 'Dim screen, or light again', group: 'Actions', also: 'dark scheme', run: () => preferences.toggleScheme() },
    { key: 'glossary', label: 'Glossary', group: 'Actions', also: 'terms words meaning', run: () => glossary.show() },
  ]
}
