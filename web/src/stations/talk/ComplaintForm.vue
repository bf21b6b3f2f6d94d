<script setup lang="ts">
import { Alert, Button, Collapse, CollapsePanel, Input, Popconfirm, Tag } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { parseEntry } from '@level-stance/core/kernel/entry'
import { bodyKinds, bodyRegion, complaintKinds, rideSituations } from '@level-stance/core/talk/regions'
import { changedWords, helpedWords, sinceWords, triedWords } from '@level-stance/core/talk/history'
import type { HelpedKey, TriedKey } from '@level-stance/core/talk/history'
import { complaintSchema, sideOf, unansweredWarnings } from '@level-stance/core/talk/complaint'
import type { Complaint, WarningAnswer } from '@level-stance/core/talk/complaint'
import { warningAnswerWords, warningSignsFor } from '@level-stance/core/talk/warningSigns'
import type { WarningSignKey } from '@level-stance/core/talk/warningSigns'
import AnswerPicker from '../../kit/AnswerPicker.vue'
import SelectField from '../../kit/SelectField.vue'
import SeverityPicker from '../../complaint/SeverityPicker.vue'
import { useDrafts } from '../../data/drafts.ts'
import { tableOf } from '@level-stance/core/kernel/tables'

/** What the rider tells of one complaint: first what it is like and how bad, then the warning signs, then its history. */
const props = defineProps<{
  complaint: Complaint
  /** the next place picked on the map belongs to this complaint */
  adding: boolean
}>()
const emit = defineEmits<{ change: [complaint: Complaint]; remove: []; 'update:adding': [adding: boolean] }>()
const drafts = useDrafts()

const signs = computed(() => warningSignsFor(props.complaint))
const toAsk = computed(() => unansweredWarnings(props.complaint).length)
const kinds = tableOf(bodyKinds, (key) => complaintKinds[key])
const bodyKind = computed(() => bodyKinds.find((key) => key === props.complaint.kind) ?? null)
const sideWords = { left: 'left', right: 'right', both: 'both' } as const
const side = computed(() => {
  const found = sideOf(props.complaint)
  return found === 'middle' ? null : found
})

function set(change: Partial<Complaint>): void {
  emit('change', { ...props.complaint, ...change })
}
/** All places that have a side lie on this one. */
function setSide(on: keyof typeof sideWords): void {
  set({ places: props.complaint.places.map((place) => (place.side === 'middle' ? place : { ...place, side: on })) })
}
function removePlace(index: number): void {
  set({ places: props.complaint.places.filter((_, i) => i !== index) })
}
const answer = (sign: WarningSignKey, value: WarningAnswer) => set({ warnings: { ...props.complaint.warnings, [sign]: value } })

/** What was tried keeps what came of it; what is new has made no change until somebody says. */
function setTried(keys: readonly TriedKey[]): void {
  const helped = (what: TriedKey) => props.complaint.tried.find((one) => one.what === what)?.helped ?? 'no'
  set({ tried: keys.map((what) => ({ what, helped: helped(what) })) })
}
const setHelped = (what: TriedKey, helped: HelpedKey) =>
  set({ tried: props.complaint.tried.map((one) => (one.what === what ? { what, helped } : one)) })

const minutesPlace = computed(() => `complaint/${props.complaint.id}/minutes`)
const minutes = ref('')
const minutesProblem = ref<string | null>(null)
const note = ref('')
watch(
  () => props.complaint.id,
  () => {
    minutes.value = drafts.get(minutesPlace.value) ?? (props.complaint.startsAfter === null ? '' : String(props.complaint.startsAfter))
    minutesProblem.value =
      drafts.get(minutesPlace.value) === null ? null : 'Starts after must be a whole number from 0 to 1440 minutes, or empty.'
  },
  { immediate: true },
)
watch(
  () => [props.complaint.id, props.complaint.note] as const,
  ([, now]) => (note.value = now),
  { immediate: true },
)

/** What stood before the hand began to type: it stands while the text is no number in range. */
let minutesBefore: number | null = null
const rememberMinutes = () => (minutesBefore = props.complaint.startsAfter)
/** Minutes are stored when they are a number in range; anything else stays as typed, with words. */
function typedMinutes(typed: string): void {
  minutes.value = typed
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
    if (props.complaint.startsAfter !== minutesBefore) set({ startsAfter: minutesBefore })
    minutesProblem.value = parsed.ok
      ? (checked.error?.issues[0]?.message ?? null)
      : `Starts after: ${parsed.message} Allowed: 0 to 1440 minutes.`
  }
}

/** "climbing seated, after 60 min, since months": what is told, while it is folded. */
const history = computed(() => {
  const { situation, startsAfter, since, tried, changed } = props.complaint
  return [
    rideSituations[situation].toLowerCase(),
    startsAfter === null ? '' : `after ${startsAfter} min`,
    since === null ? '' : `began ${sinceWords[since]}`,
    changed.length === 0 ? '' : `before it: ${changed.map((key) => changedWords[key].toLowerCase()).join(', ')}`,
    tried.length === 0 ? '' : `${tried.length} tried`,
  ]
    .filter((words) => words !== '')
    .join(' · ')
})
const signsOpen = ref(true)
const openPanels = ref<string[]>([])
watch(
  () => props.complaint.id,
  () => {
    signsOpen.value = toAsk.value > 0 || signs.value.some(({ key }) => props.complaint.warnings[key] === 'yes')
    openPanels.value = []
  },
  { immediate: true },
)
watch(toAsk, (count) => (signsOpen.value = count > 0))
</script>

<template>
  <div class="form" data-testid="complaint-form">
    <div v-if="complaint.places.length > 0" class="places">
      <Tag
        v-for="(place, i) in complaint.places"
        :key="`${place.region}-${place.side}`"
        :closable="complaint.places.length > 1"
        @close.prevent="removePlace(i)"
        >{{ bodyRegion(place.region).label }}{{ place.side === 'middle' ? '' : `, ${place.side}` }}</Tag
      >
      <Button size="small" :type="adding ? 'primary' : 'default'" :aria-pressed="adding" @click="emit('update:adding', !adding)">{{
        adding ? 'Tap more places' : 'Add a place'
      }}</Button>
    </div>
    <div v-if="side" class="line">
      <span>Side</span>
      <AnswerPicker label="Side" :value="side" :options="sideWords" @pick="setSide" />
    </div>
    <div v-if="complaint.control === null" class="line">
      <span>Kind</span>
      <AnswerPicker label="Kind" :value="bodyKind" :options="kinds" @pick="(kind) => set({ kind })" />
    </div>
    <div class="line">
      <span>How bad</span>
      <SeverityPicker label="Severity at the start" :value="complaint.severity" @pick="(severity) => set({ severity })" />
    </div>
    <section v-if="signs.length > 0" class="signs" aria-label="Ask before going on">
      <Button type="link" class="fold" :aria-expanded="signsOpen" @click="signsOpen = !signsOpen">
        {{ toAsk > 0 ? `Ask before going on: ${toAsk} warning ${toAsk === 1 ? 'sign' : 'signs'}` : 'Warning signs asked' }}
      </Button>
      <template v-if="signsOpen">
        <div v-for="sign in signs" :key="sign.key" class="sign">
          <span>{{ sign.question }}</span>
          <AnswerPicker
            :label="sign.question"
            :value="complaint.warnings[sign.key] ?? null"
            :options="warningAnswerWords"
            @pick="(value) => answer(sign.key, value)"
          />
        </div>
      </template>
    </section>
    <Collapse v-model:active-key="openPanels" ghost :bordered="false">
      <CollapsePanel key="history" :header="`When, since when, what was tried${history === '' ? '' : `: ${history}`}`">
        <div class="line">
          <span>Where on a ride</span>
          <SelectField
            label="Where on a ride"
            :value="complaint.situation"
            :options="rideSituations"
            @pick="(v) => v && set({ situation: v })"
          />
        </div>
        <div class="line">
          <span>Starts after</span>
          <Input
            class="figure minutes"
            :value="minutes"
            :status="minutesProblem ? 'error' : ''"
            aria-label="Starts after, minutes"
            autocomplete="off"
            :maxlength="20"
            suffix="min"
            @focus="rememberMinutes"
            @update:value="typedMinutes"
          />
        </div>
        <Alert v-if="minutesProblem" type="error" :message="minutesProblem" role="alert" />
        <div class="line">
          <span>Began</span>
          <SelectField
            label="Began"
            clearable
            placeholder="not asked"
            :value="complaint.since"
            :options="sinceWords"
            @pick="(since) => set({ since })"
          />
        </div>
        <div class="line">
          <span>Changed before it</span>
          <SelectField
            label="Changed before it"
            many
            placeholder="not asked"
            :value="complaint.changed"
            :options="changedWords"
            @picks="(changed) => set({ changed })"
          />
        </div>
        <div class="line">
          <span>Tried</span>
          <SelectField
            label="Tried"
            many
            placeholder="nothing yet"
            :value="complaint.tried.map(({ what }) => what)"
            :options="triedWords"
            @picks="setTried"
          />
        </div>
        <div v-for="{ what, helped } in complaint.tried" :key="what" class="line">
          <span class="small">{{ triedWords[what] }}</span>
          <AnswerPicker
            :label="`${triedWords[what]}: what came of it`"
            :value="helped"
            :options="helpedWords"
            @pick="(v) => setHelped(what, v)"
          />
        </div>
        <div class="line">
          <span>In the rider’s words</span>
          <Input
            :value="note"
            :maxlength="500"
            aria-label="In the rider’s words"
            autocomplete="off"
            @update:value="(v) => set({ note: v })"
          />
        </div>
        <Popconfirm title="Remove this complaint, with its ratings?" ok-text="Remove" cancel-text="Keep it" @confirm="emit('remove')">
          <Button>Remove this complaint</Button>
        </Popconfirm>
      </CollapsePanel>
    </Collapse>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  gap: 8px;
}
.places {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px;
}
.line {
  display: grid;
  grid-template-columns: 68px minmax(0, 1fr);
  align-items: center;
  gap: 8px;
}
.line > span:first-child {
  color: var(--muted);
  font-size: 15px;
}
.form :deep(.ant-collapse-content-box) {
  display: grid;
  gap: 8px;
  padding: 4px 0 !important;
}
.form :deep(.ant-collapse-header) {
  padding: 4px 0 !important;
  font-size: 15px;
}
.form :deep(.ant-collapse-content-box) .line {
  grid-template-columns: 122px minmax(0, 1fr);
}
.minutes {
  max-width: 130px;
}
.signs {
  padding: 4px 10px;
  border: 1px solid var(--amber);
  border-radius: 6px;
}
.fold {
  height: 32px;
  padding: 0;
  color: var(--ink);
  font-weight: 600;
}
.sign {
  display: grid;
  gap: 2px;
  padding: 4px 0;
  font-size: 15px;
}
</style>
