<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { metricDefinition, metricKeys } from '@level-stance/core/body/metrics'
import type { MetricKey } from '@level-stance/core/body/metrics'
import { settingOf } from '@level-stance/core/ledger/settings'
import type { SettingKey } from '@level-stance/core/ledger/settings'
import { formatLength, MM_PER_INCH, trimmed } from '@level-stance/core/kernel/entry'
import { midSentence } from '@level-stance/core/kernel/words'
import { usePreferences } from '../../data/preferences.ts'
import { useUncertainty } from '../../data/uncertainty.ts'

/** Rules of thumb at this bike, and what many draws make of the angles. */
const uncertainty = useUncertainty()
const preferences = usePreferences()

/** Settings a fitter asks about first, each with what it touches most. */
const asked: readonly (readonly [SettingKey, readonly MetricKey[]])[] = [
  ['saddleHeight', ['kneeRight', 'torso']],
  ['saddleSetback', ['kneeRight', 'torso', 'kneeAheadRight']],
  ['saddleTilt', ['kneeRight', 'drop']],
  ['cleatSetback', ['kneeRight']],
  ['crank', ['kneeRight', 'hipRight']],
  ['handReach', ['torso', 'hipRight', 'load']],
  ['handHeight', ['torso', 'hipRight', 'load']],
  ['gripSpacing', ['reach', 'torso']],
  ['barRoll', ['wristRight', 'torso']],
]
const rows = computed(() =>
  asked.flatMap(([setting, metrics]) => {
    const row = uncertainty.sensitivities.find((candidate) => candidate.setting === setting)
    const { label, more, unit } = settingOf(setting)
    const step = unit === 'deg' || preferences.unit === 'mm' ? 1 : MM_PER_INCH / 10
    const parts = metrics.flatMap((key) => {
      const per = (row?.per[key] ?? 0) * step
      if (Math.abs(per) < 0.005) return []
      const { label, unit } = metricDefinition(key)
      const size = unit === 'mm' ? preferences.length(Math.abs(per), 2) : `${trimmed(Math.abs(per), 2)}${unit === 'deg' ? '°' : ` ${unit}`}`
      return [`${midSentence(label).replace(/, right$/, '')} ${per > 0 ? '+' : '−'}${size}`]
    })
    if (parts.length === 0) return []
    return [{ setting, title: `${label} ${more} ${unit === 'deg' ? '1°' : preferences.length(step)}`, words: parts.join(', ') }]
  }),
)
const draws = computed(() =>
  metricKeys.flatMap((key) => {
    const row = uncertainty.sampled?.metrics[key]
    if (!row || key.startsWith('longest') || key.startsWith('kneeAhead')) return []
    const { label, unit } = metricDefinition(key)
    const shown = (value: number) =>
      unit === 'mm' ? formatLength(value, preferences.unit, preferences.unit === 'mm' ? 0 : 2) : trimmed(value, 1)
    return [
      {
        key,
        label,
        range: `${shown(row.low)} to ${shown(row.high)}${{ deg: '°', mm: ` ${preferences.unit}`, '%': ' %' }[unit]}`,
        inBand: row.inBand === null ? '' : `${Math.round(100 * row.inBand)} %`,
        lost: row.lost > 0.005 ? `${Math.round(100 * row.lost)} % do not reach` : '',
      },
    ]
  }),
)
</script>

<template>
  <div class="rules">
    <p class="small muted">What a small move does on this bike, all else left alone.</p>
    <p v-for="row in rows" :key="row.setting">
      <strong>{{ row.title }}:</strong> {{ row.words }}
    </p>
    <p v-if="rows.length === 0" class="muted">Comes with the first readings.</p>
    <h3>Many riders as uncertain as this one</h3>
    <p class="small muted">For where a band’s edge or a straight leg makes the ± above too simple.</p>
    <p v-if="uncertainty.drawing" class="drawing" role="status">
      <progress :value="uncertainty.progress?.done ?? 0" :max="uncertainty.progress?.of ?? 1" aria-label="Drawing" />
      {{ uncertainty.progress ? `${uncertainty.progress.done} of ${uncertainty.progress.of}` : 'starting' }}
    </p>
    <Button v-else :disabled="uncertainty.spreads === null" @click="uncertainty.draw()">Draw 600 riders</Button>
    <table v-if="draws.length > 0" class="small figures">
      <thead>
        <tr>
          <th scope="col">95 of 100 lie within</th>
          <th scope="col"></th>
          <th scope="col">in band</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in draws" :key="row.key">
          <th scope="row">
            {{ row.label }}<span v-if="row.lost" class="lost">{{ row.lost }}</span>
          </th>
          <td class="figure">{{ row.range }}</td>
          <td class="figure">{{ row.inBand }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.rules {
  display: grid;
  gap: 6px;
  font-size: 15px;
  line-height: 1.3;
}
h3 {
  padding-top: 8px;
  font-size: 15px;
}
.drawing {
  display: flex;
  align-items: center;
  gap: 10px;
}
progress {
  flex: 1;
  accent-color: var(--petrol);
}
.lost {
  display: block;
  color: var(--brick);
}
</style>
