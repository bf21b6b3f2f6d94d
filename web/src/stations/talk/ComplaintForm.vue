<script setup lang="ts">
import { Button, Segmented } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { parseEntry } from '@level-stance/core/quantity/entry'
import { bodyRegion, bodyRegions, complaintKinds, rideSituations } from '@level-stance/core/talk/regions'
import type { BodyRegionKey, ComplaintKind, RideSituation } from '@level-stance/core/talk/regions'
import { complaintSchema } from '@level-stance/core/talk/complaint'
import type { Complaint, WarningAnswer } from '@level-stance/core/talk/complaint'
import { warningSignsFor } from '@level-stance/core/talk/warningSigns'
import type { WarningSignKey } from '@level-stance/core/talk/warningSigns'
import SeverityPicker from '../../parts/SeverityPicker.vue'
import { useDrafts } from '../../stores/drafts.ts'

const props = defineProps<{ complaint: Complaint }>()
const emit = defineEmits<{ change: [complaint: Complaint]; remove: [] }>()
const drafts = useDrafts()

const signs = computed(() => warningSignsFor(props.complaint.region, props.complaint.kind))
const kinds = Object.entries(complaintKinds).map(([value, label]) => ({ value, label }))
const sideOptions = ['left', 'right', 'both'].map((value) => ({ value, label: value }))
const answers: readonly { value: WarningAnswer; label: string }[] = [
  { value: 'no', label: 'No' },
  { value: 'yes', label: 'Yes' },
  { value: 'cleared', label: 'Seen by clinician' },
]

function set(change: Partial<Complaint>): void {
  emit('change', { ...props.complaint, ...change })
}

function setRegion(event: Event): void {
  const region = (event.target as HTMLSelectElement).value as BodyRegionKey
  const { sided } = bodyRegion(region)
  const side = sided ? (props.complaint.side === 'middle' ? 'both' : props.complaint.side) : 'middle'
  set({ region, side })
}

function answer(sign: WarningSignKey, value: WarningAnswer): void {
  set({ warnings: { ...props.complaint.warnings, [sign]: value } })
}

const minutesPlace = computed(() => `complaint/${props.complaint.id}/minutes`)
const minutes = ref(drafts.get(minutesPlace.value) ?? (props.complaint.startsAfter === null ? '' : String(props.complaint.startsAfter)))
const minutesProblem = ref<string | null>(null)
const note = ref(props.complaint.note)
watch(
  () => props.complaint.note,
  (now) => (note.value = now),
)

/** Minutes are stored when they are a number in range; anything else stays as typed, with words. */
function typedMinutes(event: Event): void {
  minutes.value = (event.target as HTMLInputElement).value
  const parsed = parseEntry(minutes.value, 'minutes')
  const startsAfter = parsed.ok ? parsed.value : null
  const empty = !parsed.ok && parsed.reason === 'empty'
  const checked = complaintSchema.safeParse({ ...props.complaint, startsAfter })
  if (empty || (parsed.ok && checked.success)) {
    drafts.clear(minutesPlace.value)
    minutesProblem.value = null
    if (startsAfter !== props.complaint.startsAfter) set({ startsAfter })
  } else {
    drafts.set(minutesPlace.value, minutes.value)
    minutesProblem.value = parsed.ok
      ? (checked.error?.issues[0]?.message ?? null)
      : `Starts after: ${parsed.message} Allowed: 0 to 1440 minutes.`
  }
}
if (drafts.get(minutesPlace.value) !== null) minutesProblem.value = 'Starts after must be a whole number from 0 to 1440 minutes, or empty.'
</script>

<template>
  <div class="form">
    <label class="line">
      <span>Where</span>
      <select class="plain-field" :value="complaint.region" @change="setRegion">
        <option v-for="region in bodyRegions" :key="region.key" :value="region.key">{{ region.label }}</option>
      </select>
    </label>
    <div v-if="complaint.side !== 'middle'" class="line">
      <span>Side</span>
      <Segmented :value="complaint.side" :options="sideOptions" aria-label="Side" @change="(v) => set({ side: v as Complaint['side'] })" />
    </div>
    <div class="line">
      <span>Kind</span>
      <Segmented :value="complaint.kind" :options="kinds" aria-label="Kind" @change="(v) => set({ kind: v as ComplaintKind })" />
    </div>
    <div class="line">
      <span>How bad</span>
      <SeverityPicker label="Severity at the start" :value="complaint.severity" @pick="(severity) => set({ severity })" />
    </div>
    <label class="line">
      <span>Starts after</span>
      <span class="with-unit">
        <input
          class="plain-field figure"
          :class="{ wrong: minutesProblem }"
          :value="minutes"
          :aria-invalid="minutesProblem !== null"
          aria-label="Starts after, minutes"
          autocomplete="off"
          maxlength="20"
          @input="typedMinutes"
        />
        minutes
      </span>
    </label>
    <p v-if="minutesProblem" class="problem small" role="alert">{{ minutesProblem }}</p>
    <label class="line">
      <span>Where on a ride</span>
      <select
        class="plain-field"
        :value="complaint.situation"
        @change="set({ situation: ($event.target as HTMLSelectElement).value as RideSituation })"
      >
        <option v-for="(label, key) in rideSituations" :key="key" :value="key">{{ label }}</option>
      </select>
    </label>
    <label class="line">
      <span>In the rider’s words</span>
      <input
        class="plain-field"
        :value="note"
        maxlength="500"
        autocomplete="off"
        @input="set({ note: ($event.target as HTMLInputElement).value })"
      />
    </label>
    <fieldset v-if="signs.length > 0" class="signs">
      <legend>Ask before going on</legend>
      <div v-for="sign in signs" :key="sign.key" class="sign" role="radiogroup" :aria-label="sign.question">
        <span>{{ sign.question }}</span>
        <span class="answers">
          <button
            v-for="option in answers"
            :key="option.value"
            type="button"
            role="radio"
            :aria-checked="complaint.warnings[sign.key] === option.value"
            :class="['answer', option.value, { on: complaint.warnings[sign.key] === option.value }]"
            @click="answer(sign.key, option.value)"
          >
            {{ option.label }}
          </button>
        </span>
      </div>
    </fieldset>
    <div><Button @click="emit('remove')">Remove this complaint</Button></div>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  gap: 10px;
  padding: 10px 0 4px;
}
.line {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr);
  align-items: center;
  gap: 8px;
}
.line > span:first-child {
  color: var(--muted);
}
.with-unit {
  display: flex;
  align-items: center;
  gap: 8px;
}
.with-unit input {
  width: 90px;
  text-align: right;
  font-size: 17px;
}
.problem {
  padding-left: 138px;
  color: var(--brick);
}
.signs {
  margin: 4px 0 0;
  padding: 8px 12px;
  border: 1px solid var(--amber);
  border-radius: 6px;
}
legend {
  padding: 0 6px;
  font-weight: 600;
}
.sign {
  display: grid;
  grid-template-columns: minmax(0, 1fr) max-content;
  align-items: center;
  gap: 10px;
  padding: 4px 0;
}
.answers {
  display: flex;
  gap: 4px;
}
.answer {
  min-width: 48px;
  height: 40px;
  padding: 0 10px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--panel);
  color: var(--ink);
  font: inherit;
  font-size: 15px;
  cursor: pointer;
}
.answer.on {
  background: var(--petrol);
  border-color: var(--petrol);
  color: var(--on-petrol);
}
.answer.yes.on {
  background: var(--brick);
  border-color: var(--brick);
  color: var(--panel);
}
</style>
