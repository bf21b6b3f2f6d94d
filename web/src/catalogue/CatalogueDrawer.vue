<script setup lang="ts" generic="Spec extends PartSpec">
import { entriesOf, tableFrom } from '@level-stance/core/kernel/tables'
import { Button, Drawer, Popconfirm } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import type { PartSpec } from '@level-stance/core/stations/catalogues'
import type { StoredPart } from '@level-stance/core/contract/contract'
import type { SaveAnswer } from '../data/catalogue.ts'
import { useDrafts } from '../data/drafts.ts'
import { emptyTexts, readTexts, textsFrom, textsOf } from './specForm.ts'
import type { FormTexts, SpecField, SpecForm } from './specForm.ts'
import PartField from './PartField.vue'

/** A studio's catalogue: every figure of a part, to be copied from its maker's sheet. */
const props = defineProps<{
  open: boolean
  title: string
  /** short word for ids and drafts, and its plural for the list */
  part: string
  plural: string
  form: SpecForm<Spec>
  entries: readonly StoredPart<Spec>[]
  save: (id: string, version: number, spec: Spec, removed?: boolean) => Promise<SaveAnswer<StoredPart<Spec>>>
}>()
defineEmits<{ close: [] }>()
const drafts = useDrafts()

/** The entry in the form; version 0 = a new one. */
const chosen = ref<{ readonly id: string; readonly version: number } | null>(null)
const texts = ref<FormTexts>(emptyTexts(props.form))
/** A part is asked for the figures of its kind only. */
const shownFields = computed(() => props.form.fields.filter(({ only }) => only === undefined || only.includes(texts.value['kind'] ?? '')))
const tried = ref(false)
const said = ref<string | null>(null)
const fromServer = ref<Readonly<Record<string, string>>>({})
/** Typed and not stored: one place for each entry, and one for what is new. */
const NEW = `${props.part}/new`
const place = (row: { readonly id: string; readonly version: number }) => (row.version === 0 ? NEW : `${props.part}/${row.id}`)
const unsaved = computed(() => drafts.get(NEW) !== null && chosen.value?.version !== 0)

const kept = (where: string): FormTexts | null => textsFrom(drafts.get(where))

function pick(row: StoredPart<Spec>): void {
  chosen.value = { id: row.entry.id, version: row.version }
  texts.value = { ...textsOf(props.form, row.entry.spec), ...kept(place(chosen.value)) }
  clean()
}
function clean(): void {
  tried.value = false
  said.value = null
  fromServer.value = {}
}
/** A new one starts from the one that is open: most kinds differ in a few figures. */
function begin(): void {
  chosen.value = { id: crypto.randomUUID(), version: 0 }
  texts.value = {
    ...texts.value,
    name: '',
    ...(texts.value['kind'] === '' ? tableFrom(entriesOf(props.form.blank)) : {}),
  }
  clean()
}
/** Back to a new one that was typed and not stored. */
function goOn(): void {
  chosen.value = { id: crypto.randomUUID(), version: 0 }
  texts.value = { ...emptyTexts(props.form), ...kept(NEW) }
  clean()
}
watch(
  () => props.entries,
  (rows) => {
    const first = rows[0]
    if (chosen.value === null && first) pick(first)
  },
  { immediate: true },
)

const read = computed(() => readTexts(props.form, texts.value))
/** What a field offers; an empty key is nothing said. */
const yesNo = { yes: 'yes', no: 'no' }
const optionsOf = ({ kind, options }: SpecField<Spec>): Record<string, string> =>
  kind === 'yes-no' ? yesNo : Object.fromEntries((options ?? []).flatMap(({ key, words }) => (key === '' ? [] : [[key, words]])))
const problems = computed<Readonly<Record<string, string>>>(() => ({
  ...('problems' in read.value ? read.value.problems : {}),
  ...fromServer.value,
}))
const shownProblem = (key: string) => (tried.value || fromServer.value[key] ? problems.value[key] : undefined)

function set(key: string, text: string): void {
  texts.value = { ...texts.value, [key]: text }
  fromServer.value = {}
  said.value = null
  if (chosen.value) drafts.set(place(chosen.value), JSON.stringify(texts.value))
}

async function store(removed = false): Promise<void> {
  tried.value = true
  const current = chosen.value
  if (!current || 'problems' in read.value) return
  const answer = await props.save(current.id, current.version, read.value.spec, removed)
  if (answer.ok) {
    drafts.clear(place(current))
    const row = props.entries.find(({ entry }) => entry.id === current.id) ?? props.entries[0]
    if (row) pick(row)
    said.value = removed ? 'Removed.' : 'Stored.'
    return
  }
  said.value = answer.message
  fromServer.value = Object.fromEntries(answer.fields.map(({ field, message }) => [field.replace(/^spec\./, ''), message]))
  // What was typed stays; saved again, it goes over what the other has written.
  if (answer.theirs) chosen.value = { id: current.id, version: answer.theirs.version }
}
</script>

<template>
  <Drawer :open="open" :title="title" placement="right" :width="860" @close="$emit('close')">
    <div class="catalogue">
      <nav :aria-label="plural">
        <Button
          v-for="row in entries"
          :key="row.entry.id"
          type="text"
          class="entry"
          :aria-current="chosen?.id === row.entry.id"
          @click="pick(row)"
          >{{ row.entry.spec.name }}</Button
        >
        <Button v-if="unsaved" type="text" class="entry" @click="goOn"
          >Not stored yet: {{ kept(NEW)?.['name'] || 'without a name' }}</Button
        >
        <Button v-else @click="begin">New, from this one</Button>
      </nav>
      <form v-if="chosen" novalidate @submit.prevent="store()">
        <p class="small muted">Figures from the maker’s sheet outrank the ones a kind starts with.</p>
        <PartField
          v-for="field in shownFields"
          :key="field.key"
          :class="[field.kind, { wide: field.key === 'kind' }]"
          :field-id="`${part}-${field.key}`"
          :label="field.label"
          :hint="field.unit"
          :value="texts[field.key] ?? ''"
          :options="['choice', 'yes-no'].includes(field.kind) ? optionsOf(field) : null"
          :clearable="field.options?.some(({ key }) => key === '') === true"
          :is-long="field.kind === 'long'"
          :problem="shownProblem(field.key) ?? ''"
          @typed="(text) => set(field.key, text)"
        />
        <div class="buttons">
          <Button type="primary" size="large" html-type="submit">Store</Button>
          <Popconfirm
            v-if="chosen.version > 0"
            title="Remove it from the catalogue?"
            ok-text="Remove"
            cancel-text="Keep it"
            @confirm="store(true)"
          >
            <Button size="large" danger>Remove</Button>
          </Popconfirm>
          <span role="status" class="small">{{ said }}</span>
        </div>
      </form>
    </div>
  </Drawer>
</template>

<style scoped>
.catalogue {
  display: grid;
  grid-template-columns: 240px minmax(0, 1fr);
  gap: 20px;
}
nav {
  display: grid;
  gap: 2px;
  align-content: start;
}
.entry {
  height: auto;
  min-height: 40px;
  padding: 4px 10px;
  border: 0;
  border-left: 3px solid transparent;
  border-radius: 0;
  line-height: 1.2;
  text-align: left;
  white-space: normal;
}
.entry[aria-current='true'] {
  border-left-color: var(--petrol);
  background: var(--petrol-soft);
}
form {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 8px 14px;
  align-content: start;
}
form > p,
.field.long,
.field.text,
.buttons {
  grid-column: 1 / -1;
}
.field.wide {
  grid-column: span 2;
}
.buttons {
  display: flex;
  align-items: center;
  gap: 12px;
}
</style>
