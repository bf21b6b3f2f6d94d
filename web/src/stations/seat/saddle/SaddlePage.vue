<script setup lang="ts">
import { MessageText } from '../../../glossary/MessageText.ts'
import { computed } from 'vue'
import { formatLength, trimmed } from '@level-stance/core/kernel/entry'
import type { Ranked, Weights } from '@level-stance/core/kernel/ranking'
import { chosen, measuredValue } from '@level-stance/core/readings/resolve'
import { saddleExchange, saddleInUse } from '@level-stance/core/stations/seat/saddle/readings'
import type { SaddleSpec } from '@level-stance/core/stations/seat/saddle/kinds'
import { rankSaddles, saddleDisturbs } from '@level-stance/core/stations/seat/saddle/ranking'
import { saddleWidthSchoolKeys, saddleWidthSchools } from '@level-stance/core/stations/seat/saddle/width'
import FindingList from '../../../finding/FindingList.vue'
import ProposalButtons from '../../../move/ProposalButtons.vue'
import PageHead from '../../../working/PageHead.vue'
import { saddleForm } from '../../../catalogue/partForms.ts'
import RankedParts from '../../../catalogue/RankedParts.vue'
import { useSaddles } from '../../../data/catalogue.ts'
import { usePreferences } from '../../../data/preferences.ts'
import { useVisit } from '../../../data/visit.ts'
import ImpressionCard from './ImpressionCard.vue'
import TriedSaddles from './TriedSaddles.vue'
import { useSeat } from '../../useSeat.ts'
import SelectField from '../../../kit/SelectField.vue'
import { tableOf } from '@level-stance/core/kernel/tables'

/** Width by sit bones and posture, and the saddles ranked for this rider. */
const visit = useVisit()
const seat = useSeat()
const preferences = usePreferences()
const saddles = useSaddles()
const shown = (mm: number) => formatLength(mm, preferences.unit, preferences.unit === 'mm' ? 0 : 2)

const width = computed(() => seat.rested.width)
const school = computed(() => seat.rested.widthSchool)
const postures = tableOf(saddleWidthSchoolKeys, (key) => saddleWidthSchools[key].label)
const entries = computed(() => saddles.entries.map(({ entry }) => entry))
const rank = (own: Weights) => rankSaddles(entries.value, seat.rested.saddleRider, own)
const disturbs = (spec: SaddleSpec) => saddleDisturbs(spec, saddleInUse(visit.setup.now))
const exchange = (spec: SaddleSpec) => saddleExchange(spec, visit.setup.now)
const isInUse = ({ spec }: Ranked<SaddleSpec>) => {
  const { now } = visit.setup
  const read = measuredValue(now, 'saddleWidth')
  return chosen(now, 'saddleKind') === spec.kind && read !== null && Math.abs(read - spec.width) < 1
}
</script>

<template>
  <div class="saddle">
    <PageHead term="sit-bones" title="Width" :working="seat.judgement.working" />
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
              {{ row.allowance.label }}, +{{ shown(row.allowance.allowance) }}
              <span v-if="row.doubt" class="muted">(or +{{ shown(row.doubt.allowance) }}: ±{{ trimmed(row.plusMinus, 0) }}°)</span>
            </td>
            <td class="figure">{{ shown(row.low) }}–{{ shown(row.high) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="small">
        Decides
        <SelectField
          label="Which posture decides"
          :value="school"
          :options="postures"
          @pick="(widthSchool) => widthSchool && seat.choose({ widthSchool })"
        />
        <span class="muted"> <MessageText :of="saddleWidthSchools[school].says" /> Makers’ own tables outrank this.</span>
      </p>
    </template>
    <p v-else class="missing">
      {{
        seat.rested.spacing === null
          ? 'Sit-bone spacing is not read: type it, mark it on a picture, or take it from the mat.'
          : 'The torso is not known: read it, or where the hands are.'
      }}
    </p>
    <FindingList :findings="seat.judgement.findings" none="" />
    <ProposalButtons :proposals="seat.judgement.proposals" />
    <ImpressionCard />
    <RankedParts
      title="Saddles for this rider"
      part="saddle"
      catalogue="Catalogue of saddles"
      plural="Saddles"
      :form="saddleForm"
      :store="saddles"
      :rank="rank"
      :stored="seat.choices.saddleWeights"
      :is-in-use="isInUse"
      :disturbs="disturbs"
      :exchange="exchange"
      @keep="(saddleWeights) => seat.choose({ saddleWeights })"
    >
      <p v-if="!width" class="small warn">Not by width yet: until spacing and torso are read, the order says little.</p>
    </RankedParts>
    <p class="small muted">Shape, cut-out, nose and padding are personal: try, keep what works, own a spare of it.</p>
    <TriedSaddles />
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
</style>
