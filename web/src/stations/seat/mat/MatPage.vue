<script setup lang="ts">
import { bare, mm, msg } from '@level-stance/core/kernel/message'
import { Button, Slider } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { shapeFrom } from '@level-stance/core/bike/saddleShape'
import { chosen, measuredValue } from '@level-stance/core/readings/resolve'
import { trimmed } from '@level-stance/core/kernel/entry'
import type { MatResult } from '@level-stance/core/stations/seat/mat/analysis'
import type { MatRider } from '@level-stance/core/simulate/matSimulation'
import FilePick from '../../../kit/FilePick.vue'
import FindingList from '../../../finding/FindingList.vue'
import { USUAL_RELIEF } from '@level-stance/core/stations/seat/saddle/kinds'
import { matFindings } from '@level-stance/core/stations/seat/mat/judge'
import { useAttachments } from '../../../data/attachments.ts'
import { useMat } from '../../../data/mat.ts'
import { useVisit } from '../../../data/visit.ts'
import { useSeat } from '../../useSeat.ts'
import SelectField from '../../../kit/SelectField.vue'
import RemoveButton from '../../../kit/RemoveButton.vue'
import { usePreferences } from '../../../data/preferences.ts'
import FoldPanel from '../../../kit/FoldPanel.vue'

/** What the mat says, before against after; files in and out; and the simulated mat. */
const preferences = usePreferences()
const visit = useVisit()
const seat = useSeat()
const mat = useMat()
const attachments = useAttachments()
const problem = ref<string | null>(null)
const busy = ref(false)

interface Line {
  readonly label: string
  readonly of: (result: MatResult) => string
}
const percent = (share: number) => `${trimmed(100 * share, 0)} %`
const lines: readonly Line[] = [
  {
    label: 'Sit bones apart',
    of: (r) => (r.spacing === null ? '–' : preferences.plain(msg`${bare(r.spacing)} ±${mm(r.spacingPlusMinus ?? 0)}`)),
  },
  { label: 'Left : right', of: (r) => `${trimmed(100 * r.left, 0)} : ${trimmed(100 * (1 - r.left), 0)}` },
  { label: 'Before : behind bones', of: (r) => `${trimmed(100 * r.front, 0)} : ${trimmed(100 * (1 - r.front), 0)}` },
  { label: 'In the middle', of: (r) => percent(r.softTissue) },
  {
    label: 'Middle, bones',
    of: (r) => `${trimmed(r.softPeak, 0)}, ${r.bones ? trimmed((r.bones.left.pressure + r.bones.right.pressure) / 2, 0) : '–'} kPa`,
  },
  { label: 'Highest', of: (r) => `${trimmed(r.peak, 0)} kPa` },
  { label: 'Bones turned', of: (r) => (r.turned === null ? '–' : `${trimmed(r.turned, 1)}°`) },
  { label: 'Centre strays', of: (r) => `${preferences.length(r.wander.x)} across, ${preferences.length(r.wander.y)} along` },
  { label: 'Swings sideways', of: (r) => `${trimmed(r.rocking, 0)} %` },
  { label: 'Load, area', of: (r) => `${trimmed(r.force, 0)} N, ${trimmed(r.area, 0)} cm²` },
  { label: 'Frames, time', of: (r) => `${r.frames}, ${trimmed(r.seconds, 1)} s` },
]
const current = computed(() => mat.current)
const findings = computed(() => (current.value?.result ? matFindings(current.value.result) : []))

async function take(file: File): Promise<void> {
  busy.value = true
  problem.value = await mat.take(file)
  busy.value = false
}
async function remove(id: string): Promise<void> {
  const answer = await attachments.write(id, {}, true)
  problem.value = answer.ok ? null : answer.message
}
function takeSpacing(): void {
  const result = current.value?.result
  if (!result || result.spacing === null) return
  const value = Math.round(result.spacing * 10) / 10
  const plusMinus = Math.round((result.spacingPlusMinus ?? 4) * 10) / 10
  visit.setReading({
    key: 'sitBoneSpacing',
    side: 'both',
    value,
    typed: String(value),
    method: 'mat',
    after: visit.after,
    at: new Date().toISOString(),
    condition: 'usual',
    repeats: [],
    plusMinus,
  })
}

/** The simulated rider: from the readings where there are any, then as the hand sets it. */
const own = ref<Partial<Record<'spacing' | 'width' | 'tilt' | 'torso' | 'leans' | 'turned' | 'rocking' | 'effort' | 'relief', number>>>({})
const knobs = [
  { key: 'width', label: 'Saddle width', unit: 'mm', min: 110, max: 220, step: 1 },
  { key: 'tilt', label: 'Tilt, nose up', unit: '°', min: -6, max: 6, step: 0.5 },
  { key: 'relief', label: 'Cut-out', unit: 'mm', min: 0, max: 36, step: 2 },
  { key: 'spacing', label: 'Sit bones apart', unit: 'mm', min: 80, max: 160, step: 1 },
  { key: 'torso', label: 'Torso', unit: '°', min: 15, max: 90, step: 1 },
  { key: 'turned', label: 'Pelvis turned', unit: '°', min: -12, max: 12, step: 1 },
  { key: 'leans', label: 'Hangs to the right', unit: '', min: -1, max: 1, step: 0.1 },
  { key: 'rocking', label: 'Rocks', unit: '', min: 0, max: 1, step: 0.1 },
  { key: 'effort', label: 'Effort', unit: '', min: 0, max: 1, step: 0.1 },
] as const
const knob = computed(() => {
  const { now } = visit.setup
  return {
    spacing: measuredValue(now, 'sitBoneSpacing') ?? 120,
    width: seat.parts.shape.width,
    tilt: measuredValue(now, 'saddleTilt') ?? 0,
    torso: seat.parts.context.metrics?.torso ?? 55,
    leans: 0,
    turned: 0,
    rocking: 0.1,
    effort: 0.2,
    relief: USUAL_RELIEF[chosen(now, 'saddleRelief') ?? 'none'],
    ...own.value,
  }
})
const simulated = computed<MatRider>(() => {
  const { width, relief, ...rest } = knob.value
  const { shape } = seat.parts
  return {
    ...rest,
    relief,
    mass: measuredValue(visit.setup.now, 'mass') ?? 72,
    cadence: measuredValue(visit.setup.now, 'cadence') ?? 80,
    shape: shapeFrom({ ...shape, width, zoneWidth: (shape.zoneWidth / shape.width) * width }),
  }
})
const recordings = computed<Record<string, string>>(() => Object.fromEntries(mat.recordings.map(({ id, title: words }) => [id, words])))
const title = computed(() => `${preferences.length(knob.value.width)} wide, ${trimmed(knob.value.tilt, 1)}°`)
watch(simulated, (rider) => mat.changeLive(rider, title.value))
</script>

<template>
  <div class="mat">
    <div class="page-head">
      <h2>Pressure</h2>
      <FilePick
        :label="busy ? 'Reading…' : 'Load a file'"
        accept=".csv,.txt,text/csv,text/plain"
        :busy="busy"
        name="Pressure recording"
        @pick="take"
      />
    </div>
    <p v-if="problem ?? mat.broken" class="warn small" role="alert">{{ problem ?? mat.broken }}</p>
    <div v-if="mat.recordings.length > 1" class="choose small">
      <div>
        Before
        <SelectField
          label="Before"
          :value="mat.before?.id ?? null"
          :options="recordings"
          @pick="(before) => before && (mat.chosen = { ...mat.chosen, before })"
        />
      </div>
      <div>
        After
        <SelectField
          label="After"
          :value="mat.after?.id ?? null"
          :options="recordings"
          :disabled="mat.live"
          @pick="(after) => after && (mat.chosen = { ...mat.chosen, after })"
        />
      </div>
    </div>
    <table v-if="current" class="figures small" data-testid="mat-numbers">
      <thead>
        <tr>
          <td></td>
          <th v-if="mat.before" scope="col">{{ mat.after ? 'Before' : mat.before.title }}</th>
          <th v-if="mat.after" scope="col">{{ mat.live ? 'Live' : 'After' }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="line in lines" :key="line.label">
          <th scope="row">{{ line.label }}</th>
          <td v-if="mat.before" class="figure">{{ mat.before.result ? line.of(mat.before.result) : '–' }}</td>
          <td v-if="mat.after" class="figure">{{ mat.after.result ? line.of(mat.after.result) : '–' }}</td>
        </tr>
      </tbody>
    </table>
    <FindingList :findings="findings" none="" />
    <p v-if="current?.header.simulated" class="small warn" data-testid="simulated-note">
      Simulated: made up by a model of a rider, to show what a mat would say. It is no measurement of anybody.
    </p>
    <p v-if="current?.result && current.result.spacing !== null && !mat.live && !current.header.simulated">
      <Button @click="takeSpacing">Take {{ preferences.length(current.result.spacing) }} as the spacing</Button>
    </p>
    <ul v-if="mat.files.length > 0" class="small" aria-label="Recordings">
      <li v-for="file in mat.files" :key="file.id">
        <span>{{ file.title }}</span>
        <a class="link" :href="`/api/attachments/${file.id}/content`" :download="`${file.title.replace(/[^\w-]+/g, '-')}.csv`"
          >Save as file</a
        >
        <RemoveButton :what="file.title" @remove="remove(file.id)" />
      </li>
    </ul>
    <FoldPanel title="Simulated mat" :open="mat.recordings.length === 0 || mat.live">
      <p class="small muted">
        A stand-in for the device. It streams the same format into the same door as a file; change the saddle while it runs.
      </p>
      <div class="row">
        <Button v-if="!mat.live" :disabled="mat.keeping" @click="mat.startLive(simulated, title)"> Run it </Button>
        <Button v-else @click="mat.stopLive()">Stop and keep</Button>
        <span v-if="mat.live" role="status" class="small">Simulated, live: {{ mat.after?.result?.frames ?? 0 }} frames</span>
      </div>
      <div v-for="row in knobs" :key="row.key" class="knob small">
        <span>{{ row.label }}</span>
        <Slider
          :min="row.min"
          :max="row.max"
          :step="row.step"
          :value="knob[row.key]"
          :tooltip-open="false"
          :aria-label-for-handle="row.label"
          @change="(value) => (own = { ...own, [row.key]: Number(value) })"
        />
        <span class="figure">{{
          row.unit === 'mm' ? preferences.length(knob[row.key]) : `${trimmed(knob[row.key], row.step < 1 ? 1 : 0)}${row.unit}`
        }}</span>
      </div>
      <Button v-if="Object.keys(own).length > 0" type="link" size="small" @click="own = {}">As read from this rider</Button>
    </FoldPanel>
  </div>
</template>

<style scoped>
.mat {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
.choose {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 8px;
}
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) max-content max-content;
  gap: 10px;
  align-items: center;
  min-height: 32px;
}
li .link {
  display: inline-flex;
  align-items: center;
  min-height: 32px;
}
.row {
  display: flex;
  gap: 10px;
  align-items: center;
}
.knob {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 150px 58px;
  gap: 8px;
  align-items: center;
  min-height: 34px;
}
</style>
