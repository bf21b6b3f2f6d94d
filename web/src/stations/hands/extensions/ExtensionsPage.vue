<script setup lang="ts">
import { computed } from 'vue'
import { positionLabel } from '@level-stance/core/stations/hands/place/positions'
import { extensionChoices } from '@level-stance/core/stations/hands/cockpit/partChoices'
import { formatLength, trimmed } from '@level-stance/core/kernel/entry'
import { useCockpit } from '../../../data/catalogue.ts'
import { useVisit } from '../../../data/visit.ts'
import { usePreferences } from '../../../data/preferences.ts'
import JudgedPage from '../pieces/JudgedPage.vue'
import PartChoices from '../pieces/PartChoices.vue'
import { useHands } from '../../useHands.ts'

/** Forearm extensions: pads, reach, what each position asks of torso and neck, and where to go when it tires. */
const visit = useVisit()
const hands = useHands()
const preferences = usePreferences()
const catalogue = useCockpit()
if (!catalogue.loaded) void catalogue.load()
const choices = computed(() =>
  extensionChoices(
    hands.rested.context.setup,
    catalogue.entries.map(({ entry }) => entry.spec),
  ),
)
const extensions = computed(() => hands.rested.extensions)
const rows = computed(() => hands.rested.positions)
const degrees = (value: number | null) => (value === null ? '–' : `${trimmed(value, 0)}°`)
const size = (mm: number | null) => (mm === null ? '–' : formatLength(mm, preferences.unit, preferences.unit === 'mm' ? 0 : 1))
const least = (left: number | null, right: number | null) => (left === null || right === null ? null : Math.min(left, right))
</script>

<template>
  <JudgedPage
    term="extensions"
    title="Extensions"
    none="No extensions are read: pads ahead of and above the clamp, their spacing, pad to grip."
    words-first
    :missing="extensions.calm === null ? extensions.missing : []"
  >
    <table v-if="rows.length > 0" class="figures small" data-testid="positions">
      <caption class="visually-hidden">
        Positions of the hands
      </caption>
      <thead>
        <tr>
          <th scope="col">Position</th>
          <th scope="col">torso</th>
          <th scope="col">hip</th>
          <th scope="col">elbow</th>
          <th scope="col">gap, {{ preferences.unit }}</th>
          <th scope="col">neck</th>
          <th scope="col">creep, {{ preferences.unit }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="`${row.hands} ${row.effort}`">
          <th scope="row">
            {{ positionLabel(row.hands, visit.drawnBar) }}{{ row.effort === 'hard' ? ', hard' : ''
            }}<span v-if="!row.isRead" class="muted"> est.</span>
          </th>
          <td class="figure">{{ degrees(row.metrics.torso) }}</td>
          <td class="figure">{{ degrees(least(row.metrics.hipLeft, row.metrics.hipRight)) }}</td>
          <td class="figure">{{ degrees(least(row.metrics.elbowLeft, row.metrics.elbowRight)) }}</td>
          <td class="figure">{{ size(least(row.metrics.kneeElbowLeft, row.metrics.kneeElbowRight)) }}</td>
          <td class="figure">{{ degrees(row.neck) }}</td>
          <td class="figure">{{ row.effort === 'hard' ? size(Math.max(0, row.creep)) : '–' }}</td>
        </tr>
      </tbody>
    </table>
    <section v-if="extensions.calm" aria-label="When it tires">
      <h2>When the neck tires</h2>
      <ul v-if="extensions.fallbacks.length > 0" class="small" data-testid="fallbacks">
        <li v-for="row in extensions.fallbacks" :key="row.hands">
          {{ positionLabel(row.hands, visit.drawnBar) }}: neck {{ degrees(row.neck) }} less, torso {{ degrees(row.torso) }} higher.
        </li>
      </ul>
      <p v-else class="small muted">No other position of this bike is easier on the neck: give the rider one.</p>
    </section>
    <template #after>
      <PartChoices title="Other extensions" part="extensions" :rows="choices" />
      <p class="small muted">
        Extensions on a drop bar add about {{ preferences.length(20) }} of reach; pads that move apart from the clamp help. Forearms on the
        tops or hoods are no position to recommend: makers and many events forbid it. Brakes are out of reach on extensions.
      </p>
    </template>
  </JudgedPage>
</template>
