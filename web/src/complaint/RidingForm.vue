<script setup lang="ts">
import { Input, InputNumber } from 'ant-design-vue'
import { clipSkills, injuryPlaces, ridingAims, ridingKinds, ridingSchema, shareWords, terrains } from '@level-stance/core/talk/riding'
import type { Riding, RidingKind } from '@level-stance/core/talk/riding'
import { computed, ref } from 'vue'
import AnswerPicker from '../kit/AnswerPicker.vue'
import SelectField from '../kit/SelectField.vue'
import { keysOf } from '@level-stance/core/kernel/tables'

/** How the rider rides: half a minute, and everything may be left out. */
const props = defineProps<{ riding: Riding }>()
const emit = defineEmits<{ change: [riding: Riding] }>()
const problem = ref<string | null>(null)

/** A change is stored when the whole holds together; what is emptied is left out. */
function set(change: { readonly [Key in keyof Riding]?: Riding[Key] | undefined }): void {
  const merged = Object.fromEntries(Object.entries({ ...props.riding, ...change }).filter(([, value]) => !isEmpty(value)))
  const checked = ridingSchema.safeParse(merged)
  problem.value = checked.success ? null : (checked.error.issues[0]?.message ?? null)
  if (checked.success) emit('change', checked.data)
}
function isEmpty(value: unknown): boolean {
  if (value === undefined || value === null || value === '') return true
  return Array.isArray(value) ? value.length === 0 : typeof value === 'object' && Object.keys(value).length === 0
}
const kinds = computed(() => keysOf(props.riding.kinds ?? {}))
function setKinds(keys: readonly RidingKind[]): void {
  const [only] = keys
  const usual = keys.length === 1 ? 'most' : 'some'
  set({ kinds: Object.fromEntries(keys.map((key) => [key, props.riding.kinds?.[key] ?? (key === only ? usual : 'some')])) })
}
/** A number field without a value has none, not an empty one. */
const numberOf = (value: number | undefined) => (value === undefined ? {} : { value })
const injuries = computed(() => props.riding.injuries ?? [])
function setInjuries(places: readonly (keyof typeof injuryPlaces)[]): void {
  set({ injuries: places.map((place) => ({ place, when: injuries.value.find((one) => one.place === place)?.when ?? 'old' })) })
}
const frontBrake = { left: 'left hand', right: 'right hand' } as const
const whens = { recent: 'recent', old: 'old' } as const
</script>

<template>
  <div class="riding" data-testid="riding">
    <div class="line">
      <span>Rides</span>
      <SelectField label="Kinds of riding" many placeholder="kinds of riding" :value="kinds" :options="ridingKinds" @picks="setKinds" />
    </div>
    <div v-for="kind in kinds" :key="kind" class="line">
      <span class="small">{{ ridingKinds[kind] }}</span>
      <AnswerPicker
        :label="`${ridingKinds[kind]}: share`"
        :value="riding.kinds?.[kind] ?? null"
        :options="shareWords"
        @pick="(share) => set({ kinds: { ...riding.kinds, [kind]: share } })"
      />
    </div>
    <div class="line two">
      <span>Hours</span>
      <InputNumber
        aria-label="Hours a week"
        placeholder="a week"
        v-bind="numberOf(riding.hoursWeek)"
        :controls="false"
        addon-after="h a week"
        @change="(v) => set({ hoursWeek: typeof v === 'number' ? v : undefined })"
      />
      <InputNumber
        aria-label="Longest ride, hours"
        placeholder="longest"
        v-bind="numberOf(riding.longestRide)"
        :controls="false"
        addon-after="h longest"
        @change="(v) => set({ longestRide: typeof v === 'number' ? v : undefined })"
      />
    </div>
    <div class="line">
      <span>Terrain</span>
      <SelectField
        label="Terrain"
        many
        placeholder="flat, hilly …"
        :value="riding.terrain ?? []"
        :options="terrains"
        @picks="(terrain) => set({ terrain })"
      />
    </div>
    <div class="line">
      <span>Aims</span>
      <SelectField
        label="Aims"
        many
        placeholder="comfort, speed …"
        :value="riding.aims ?? []"
        :options="ridingAims"
        @picks="(aims) => set({ aims })"
      />
    </div>
    <div class="line">
      <span>Clip-in pedals</span>
      <SelectField
        label="Experience with clip-in pedals"
        clearable
        placeholder="how they feel about them"
        :value="riding.clipIn ?? null"
        :options="clipSkills"
        @pick="(clipIn) => set({ clipIn: clipIn ?? undefined })"
      />
    </div>
    <div class="line">
      <span>Front brake</span>
      <AnswerPicker label="Front brake" :value="riding.frontBrake ?? null" :options="frontBrake" @pick="(v) => set({ frontBrake: v })" />
    </div>
    <div class="line">
      <span>Injuries</span>
      <SelectField
        label="Injuries and operations"
        many
        placeholder="none told"
        :value="injuries.map(({ place }) => place)"
        :options="injuryPlaces"
        @picks="setInjuries"
      />
    </div>
    <div v-for="one in injuries" :key="one.place" class="line">
      <span class="small">{{ injuryPlaces[one.place] }}</span>
      <AnswerPicker
        :label="`${injuryPlaces[one.place]}: when`"
        :value="one.when"
        :options="whens"
        @pick="(v) => set({ injuries: injuries.map((other) => (other.place === one.place ? { ...other, when: v } : other)) })"
      />
    </div>
    <div class="line">
      <span>Events</span>
      <Input
        aria-label="Events and their rules"
        placeholder="events, and rules for the position"
        :value="riding.events ?? ''"
        :maxlength="200"
        @update:value="(v) => set({ events: v })"
      />
    </div>
    <div class="line">
      <span>Tried</span>
      <Input
        aria-label="What was tried"
        placeholder="fits, parts, exercises before"
        :value="riding.tried ?? ''"
        :maxlength="500"
        @update:value="(v) => set({ tried: v })"
      />
    </div>
    <p v-if="problem" class="warn small" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.riding {
  display: grid;
  gap: 8px;
}
.line {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr);
  align-items: center;
  gap: 8px;
}
.two {
  grid-template-columns: 104px minmax(0, 1fr) minmax(0, 1fr);
}
.line > span:first-child {
  color: var(--muted);
  font-size: 15px;
}
.two :deep(.ant-input-number-group-wrapper) {
  width: 100%;
}
</style>
