<script setup lang="ts">
import { computed, ref } from 'vue'
import { saddleInUse, saddleWishes } from '@level-stance/core/seat/inputs'
import { anyCalculation } from '@level-stance/core/calculation'
import { formatLength, trimmed } from '@level-stance/core/quantity/entry'
import type { Ranked } from '@level-stance/core/quantity/ranking'
import type { SaddleSpec } from '@level-stance/core/seat/saddleKinds'
import { rankSaddles, saddleSwitch } from '@level-stance/core/seat/saddleRanking'
import { widthSchoolKeys, widthSchools, defaultWidthSchool } from '@level-stance/core/seat/saddleWidth'
import type { WidthSchoolKey } from '@level-stance/core/seat/saddleWidth'
import { saddleWidthCalculation } from '@level-stance/core/seat/seat.calculations'
import CatalogueDrawer from '../../parts/CatalogueDrawer.vue'
import FindingList from '../../parts/FindingList.vue'
import RankingList from '../../parts/RankingList.vue'
import WorkingPanel from '../../parts/WorkingPanel.vue'
import { useBoard } from '../../stores/board.ts'
import { useSaddles } from '../../stores/catalogue.ts'
import { usePreferences } from '../../stores/preferences.ts'
import { useVisit } from '../../stores/visit.ts'
import ImpressionCard from './ImpressionCard.vue'
import TriedSaddles from './TriedSaddles.vue'
import { saddleForm } from './saddleForm.ts'
import { useSeat } from './useSeat.ts'

const visit = useVisit()
const seat = useSeat()
const board = useBoard()
const preferences = usePreferences()
const shown = (mm: number) => formatLength(mm, preferences.unit, preferences.unit === 'mm' ? 0 : 2)
const saddles = useSaddles()
const catalogueOpen = ref(false)
const workingOpen = ref(false)
const none = [] as const
if (!saddles.loaded) void saddles.load()

const width = computed(() => seat.station.width)
const rider = computed(() => seat.station.saddleRider)
const entries = computed(() => saddles.entries.map(({ entry }) => entry))
const inUse = computed(() => saddleInUse(visit.setup.now))
const switchTo = (row: Ranked<SaddleSpec>) => saddleSwitch(row.spec, inUse.value)
const isInUse = ({ spec }: Ranked<SaddleSpec>) =>
  inUse.value.kind === spec.kind && inUse.value.width !== null && Math.abs(inUse.value.width - spec.width) < 1
/** The exchange as requested: the engine says what they bring along. */
function take(row: Ranked<SaddleSpec>): void {
  board.clear()
  board.request(saddleWishes(switchTo(row)))
}
const school = computed(() => seat.choices.widthSchool ?? defaultWidthSchool)
const items = computed(() => {
  const { spacing, postures } = seat.station
  if (spacing === null || postures.length === 0) return none
  return [
    {
      heading: 'Saddle width',
      calculation: anyCalculation(saddleWidthCalculation),
      input: { spacing: spacing.value, spacingPlusMinus: spacing.plusMinus, postures: postures.map(({ hands, usual, torso, plusMinus }) => ({ hands, usual, torso, plusMinus })), school: school.value },
      plusMinus: { spacing: spacing.plusMinus },
    },
  ]
}) // prettier-ignore
</script>

<template>
  <div class="saddle">
    <div class="page-head">
      <h2>Width</h2>
      <button v-if="items.length > 0" type="button" class="link" @click="workingOpen = true">Working</button>
    </div>
    <template v-if="width">
      <p data-testid="width-range">
        <strong class="figure">{{ shown(width.low) }} to {{ shown(width.high) }} {{ preferences.unit }}</strong> at its widest
        <span class="muted">±{{ formatLength(width.plusMinus, preferences.unit) }} of the spacing</span>
      </p>
      <table class="figures small">
        <caption class="visually-hidden">
          Width by posture
        </caption>
        <tbody>
          <tr v-for="row in width.postures" :key="row.hands" :class="{ decides: row === width.decides }">
            <th scope="row">{{ row.hands }}</th>
            <td class="figure">{{ trimmed(row.torso, 0) }}°</td>
            <td>
              {{ row.allowance.words.split(':')[0] }}, +{{ shown(row.allowance.allowance) }}
              <span v-if="row.doubt" class="muted">(or +{{ shown(row.doubt.allowance) }}: ±{{ trimmed(row.plusMinus, 0) }}°)</span>
            </td>
            <td class="figure">{{ shown(row.low) }}–{{ shown(row.high) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="small">
        <label
          >Decides
          <select
            class="plain-field"
            :value="school"
            aria-label="Which posture decides"
            @change="seat.choose({ widthSchool: ($event.target as HTMLSelectElement).value as WidthSchoolKey })"
          >
            <option v-for="key in widthSchoolKeys" :key="key" :value="key">{{ widthSchools[key].label }}</option>
          </select></label
        >
        <span class="muted"> {{ widthSchools[school].says }} Makers’ own tables outrank this.</span>
      </p>
    </template>
    <p v-else class="missing">
      {{
        seat.station.spacing === null
          ? 'Sit-bone spacing is not read: type it, mark it on a picture, or take it from the mat.'
          : 'The torso is not known: read it, or where the hands are.'
      }}
    </p>
    <FindingList :findings="seat.station.widthFindings" none="" />
    <ImpressionCard />
    <div class="page-head">
      <h2>Saddles for this rider</h2>
      <button type="button" class="link" @click="catalogueOpen = true">Catalogue</button>
    </div>
    <p v-if="saddles.problem" class="warn" role="alert">
      {{ saddles.problem }} <button type="button" class="plain" @click="saddles.load()">Try again</button>
    </p>
    <p v-if="!width" class="small warn">Not by width yet: until spacing and torso are read, the order says little.</p>
    <RankingList
      :rank="(own) => rankSaddles(entries, rider, own)"
      :stored="seat.choices.saddleWeights"
      :movable="board.movable"
      :is-in-use="isInUse"
      :disturbs="(row) => switchTo(row).disturbs"
      @keep="(own) => seat.choose({ saddleWeights: own })"
      @take="take"
    />
    <p class="small muted">Shape, cut-out, nose and padding are personal: try, keep what works, own a spare of it.</p>
    <TriedSaddles />
    <CatalogueDrawer
      :open="catalogueOpen"
      title="Catalogue of saddles"
      part="saddle"
      plural="Saddles"
      :form="saddleForm"
      :entries="saddles.entries"
      :save="saddles.save"
      @close="catalogueOpen = false"
    />
    <WorkingPanel :open="workingOpen" :items="workingOpen ? items : none" @close="workingOpen = false" />
  </div>
</template>

<style scoped>
.saddle {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
.decides {
  font-weight: 600;
}
.missing {
  margin: 2px 0;
  padding: 6px 0 6px 10px;
  border-left: 3px solid var(--amber);
}
select.plain-field {
  width: auto;
}
</style>
