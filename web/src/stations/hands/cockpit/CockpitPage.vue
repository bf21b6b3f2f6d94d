<script setup lang="ts">
import { Alert, Button, InputNumber, Progress, Segmented, Switch } from 'ant-design-vue'
import { computed, ref } from 'vue'
import {
  freshRequest,
  lineRequests,
  searchHoldKeys,
  searchHolds,
  searchInput,
  searchLacks,
} from '@level-stance/core/stations/hands/cockpit/inputs'
import type { SearchRequest } from '@level-stance/core/stations/hands/cockpit/inputs'
import { leftOutWords } from '@level-stance/core/stations/hands/cockpit/search'
import type { CockpitLine } from '@level-stance/core/stations/hands/cockpit/search'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import { lengthWords, MM_PER_INCH, trimmed } from '@level-stance/core/kernel/entry'
import { partLabel, soldBy } from '@level-stance/core/kernel/message'
import { midSentence } from '@level-stance/core/kernel/words'
import CatalogueDrawer from '../../../catalogue/CatalogueDrawer.vue'
import { cockpitForm } from '../../../catalogue/partForms.ts'
import SelectField from '../../../kit/SelectField.vue'
import { useBoard } from '../../../data/board.ts'
import { useCockpit } from '../../../data/catalogue.ts'
import { usePreferences } from '../../../data/preferences.ts'
import { useVisit } from '../../../data/visit.ts'
import { useCockpitSearch } from './useCockpitSearch.ts'
import { entriesOf, isOneOf } from '@level-stance/core/kernel/tables'

/** Which stem, spacers, bar and roll put the hands where they are wanted. */
const visit = useVisit()
const board = useBoard()
const catalogue = useCockpit()
const preferences = usePreferences()
const open = ref(false)
const search = ref<SearchRequest>(freshRequest)
if (!catalogue.loaded) void catalogue.load()

const specs = computed(() => catalogue.entries.map(({ entry }) => entry.spec))
const lacks = computed(() => searchLacks(visit.setup))
const input = computed(() => (catalogue.loaded ? searchInput(visit.setup, specs.value, search.value) : null))
const { found, progress, trouble } = useCockpitSearch(() => input.value)
const bars = computed<Record<string, string>>(() => {
  const kind = visit.bar === 'flat' ? 'flat-bar' : 'drop-bar'
  return Object.fromEntries(specs.value.flatMap((spec) => (spec.kind === kind ? [[spec.name, spec.name]] : [])))
})
const change = (more: Partial<SearchRequest>) => (search.value = { ...search.value, ...more })
const perUnit = computed(() => ({ mm: 1, cm: 10, in: MM_PER_INCH })[preferences.unit])
/** A part's name, whose sizes are part of it. */
const named = (name = '') => partLabel(name)
const shown = (mm: number, decimals?: number) => lengthWords(mm, preferences.unit, decimals)
/** As it stands in a field: what was typed, without what the sum has left behind its decimals. */
const inUnit = (mm: number) => Math.round((1000 * mm) / perUnit.value) / 1000
const typed = (key: 'forward' | 'up' | 'wider', value: unknown) => {
  if (key === 'wider') change({ wider: typeof value === 'number' ? value * perUnit.value : null })
  else change({ [key]: typeof value === 'number' ? value * perUnit.value : 0 })
}
const holds = searchHoldKeys.map((value) => ({ value, label: searchHolds[value].label }))
const names = computed(() => lacks.value.map((key) => midSentence(definitionOf(key).label)).join(', '))

interface Line {
  readonly line: CockpitLine
  readonly title: string
  readonly work: string
  readonly left: string
}
const lines = computed<readonly Line[]>(() => {
  const answer = found.value
  if (!answer) return []
  const { input: asked, found: result } = answer
  return result.lines.map((line) => {
    const [stem, bar] = [asked.stems[line.stem], asked.bars[line.bar]]
    const parts = [
      `${stem?.isOn ? 'stem stays' : named(stem?.name)}${line.flipped ? ', turned over' : ''}`,
      bar?.isOn ? 'bar stays' : named(bar?.name),
    ]
    const work = [
      `spacers ${shown(line.spacers)}`,
      `roll ${trimmed(line.roll, 1)}°`,
      ...(visit.bar === 'drop' ? [`levers ${trimmed(line.lever, 0)}° down the bend`] : []),
    ]
    const apart = line.apart === null ? [] : [`grip ${trimmed(line.apart, 1)}° off the hand`]
    const wider = line.wider === 0 ? [] : [`${shown(Math.abs(line.wider))} ${line.wider > 0 ? 'wider' : 'narrower'} than the aim`]
    const steering =
      Math.abs(line.steering) < 0.01
        ? []
        : [`steering arm ${trimmed(100 * Math.abs(line.steering), 0)} % ${line.steering > 0 ? 'longer, calmer' : 'shorter, quicker'}`]
    const misses = line.misses < 0.05 ? ['nothing left'] : [`misses by ${shown(line.misses, preferences.unit === 'mm' ? 1 : 2)}`]
    return { line, title: parts.join(' · '), work: work.join(', '), left: [...misses, ...apart, ...wider, ...steering].join(', ') }
  })
})
const leftOut = computed(() =>
  entriesOf(found.value?.found.leftOut ?? {})
    .filter(([, count]) => count > 0)
    .map(([key, count]) => `${count} × ${leftOutWords[key]}`)
    .join('; '),
)
function take({ line, title }: Line): void {
  const answer = found.value
  if (answer) board.take(lineRequests(visit.setup, answer.input, line, specs.value), `Cockpit search: ${title}.`.slice(0, 600))
}
const isAsItIs = ({ line }: Line) => {
  const answer = found.value
  return answer !== null && lineRequests(visit.setup, answer.input, line, specs.value).length === 0
}
</script>

<template>
  <div class="cockpit">
    <div class="page-head">
      <h2>Cockpit</h2>
      <Button type="link" @click="open = true">Catalogue</Button>
    </div>
    <Alert v-if="catalogue.problem" type="warning" :message="catalogue.problem" show-icon>
      <template #action><Button size="small" @click="catalogue.load()">Try again</Button></template>
    </Alert>
    <div role="group" aria-label="What is held">
      <Segmented :value="search.hold" :options="holds" block @change="(hold) => isOneOf(searchHoldKeys, hold) && change({ hold })" />
      <p class="small muted">{{ searchHolds[search.hold].says }}</p>
    </div>
    <div v-if="search.hold === 'wanted'" class="row">
      <label class="small"
        >Forward
        <InputNumber
          :value="inUnit(search.forward)"
          :min="-150 / perUnit"
          :max="150 / perUnit"
          :addon-after="preferences.unit"
          aria-label="Hands forward"
          @change="(value: unknown) => typed('forward', value)"
      /></label>
      <label class="small"
        >Up
        <InputNumber
          :value="inUnit(search.up)"
          :min="-150 / perUnit"
          :max="150 / perUnit"
          :addon-after="preferences.unit"
          aria-label="Hands up"
          @change="(value: unknown) => typed('up', value)"
      /></label>
    </div>
    <div class="row">
      <label v-if="search.hold !== 'torso'" class="small"
        >Hands further apart
        <InputNumber
          :value="search.wider === null ? '' : inUnit(search.wider)"
          :min="-200 / perUnit"
          :max="200 / perUnit"
          placeholder="any"
          :addon-after="preferences.unit"
          aria-label="Hands further apart"
          @change="(value: unknown) => typed('wider', value)"
      /></label>
      <div class="small">
        Bar
        <SelectField
          label="Bar to search with"
          :value="search.onlyBar"
          :options="bars"
          placeholder="any bar"
          clearable
          @pick="(onlyBar) => change({ onlyBar })"
        />
      </div>
    </div>
    <div class="row small">
      <label
        ><Switch
          :checked="search.keepsRoll"
          size="small"
          aria-label="Keep the roll"
          @change="(keepsRoll: unknown) => change({ keepsRoll: keepsRoll === true })"
        />
        keep the roll</label
      >
      <label
        ><Switch
          :checked="search.spacerStep === 2.5"
          size="small"
          :aria-label="`${soldBy(2.5)} spacers at hand`"
          @change="(fine: unknown) => change({ spacerStep: fine === true ? 2.5 : 5 })"
        />
        {{ soldBy(2.5) }} spacers at hand</label
      >
    </div>
    <p v-if="lacks.length > 0" class="missing" data-testid="cockpit-lacks">The search needs {{ names }}.</p>
    <p v-else-if="catalogue.loaded && input === null" class="missing">
      {{
        search.onlyBar === null
          ? 'A held torso needs the whole rider: lengths, saddle and hands.'
          : 'This bar is not in the catalogue any more.'
      }}
    </p>
    <Progress v-if="progress !== null" :percent="Math.round(100 * progress)" size="small" aria-label="Search" />
    <p v-if="trouble" class="warn small" role="alert">The search stopped here: reload the page.</p>
    <ol v-if="lines.length > 0" class="lines" data-testid="cockpit-lines">
      <li v-for="(row, i) in lines" :key="i">
        <p>
          <strong>{{ row.title }}</strong>
        </p>
        <p class="small">{{ row.work }}; {{ row.left }}.</p>
        <Button v-if="!isAsItIs(row)" size="small" :disabled="!board.movable" :data-testid="`cockpit-take-${i}`" @click="take(row)"
          >Set up to try</Button
        >
        <span v-else class="small muted">as it is</span>
      </li>
    </ol>
    <p v-if="found" class="small muted" data-testid="cockpit-count">
      {{ found.found.combinations.toLocaleString('en') }} combinations in {{ trimmed(found.ms, 0) }} ms{{
        leftOut ? `. Left out: ${leftOut}` : ''
      }}. Clamp diameters that are not read are taken to match: check them.
    </p>
    <p class="small muted">Steerer and cables long enough, a stem the frame’s maker allows; carbon as its maker says.</p>
    <CatalogueDrawer
      :open="open"
      title="Catalogue of cockpit parts"
      part="cockpit"
      plural="Parts"
      :form="cockpitForm"
      :entries="catalogue.entries"
      :save="catalogue.save"
      @close="open = false"
    />
  </div>
</template>

<style scoped>
.cockpit {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 14px;
}
.row > label {
  display: grid;
  gap: 2px;
}
.row.small > label {
  display: flex;
  align-items: center;
  gap: 6px;
}
.lines {
  display: grid;
  gap: 8px;
  margin: 0;
  padding-left: 20px;
}
.missing {
  margin: 2px 0;
  padding: 6px 0 6px 10px;
  border-left: 3px solid var(--amber);
}
</style>
