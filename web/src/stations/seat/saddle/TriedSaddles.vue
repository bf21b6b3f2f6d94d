<script setup lang="ts">
import { fieldOf, keysOf, tableOf } from '@level-stance/core/kernel/tables'
import { Button, Checkbox, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { triedSaddleSchema } from '@level-stance/core/record/triedSaddles'
import { useDrafts } from '../../../data/drafts.ts'
import { useTriedSaddles } from '../../../data/triedSaddles.ts'
import type { StoredTried } from '../../../data/triedSaddles.ts'
import { useVisit } from '../../../data/visit.ts'
import SelectField from '../../../kit/SelectField.vue'
import RemoveButton from '../../../kit/RemoveButton.vue'
import { usePreferences } from '../../../data/preferences.ts'
import FoldPanel from '../../../kit/FoldPanel.vue'

/** What the rider has ridden, best first, so that what worked is found again. */
const preferences = usePreferences()
const visit = useVisit()
const tried = useTriedSaddles()
const drafts = useDrafts()
const said = ref<string | null>(null)
const problems = ref<Readonly<Record<string, string>>>({})
const fields = [
  { key: 'name', label: 'Saddle', unit: '' },
  { key: 'width', label: 'Width', unit: 'mm' },
  { key: 'mark', label: 'Mark', unit: '0 to 10' },
  { key: 'hours', label: 'Ridden', unit: 'h' },
  { key: 'note', label: 'Note', unit: '' },
] as const
type Texts = Record<(typeof fields)[number]['key'], string>
const empty: Texts = { name: '', width: '', mark: '', hours: '', note: '' }

/** Typed and not stored outlives a reload. */
const place = computed(() => `tried/${visit.head?.riderId ?? ''}`)
const texts = computed<Texts>(() => {
  try {
    const kept: unknown = JSON.parse(drafts.get(place.value) ?? '{}')
    return tableOf(keysOf(empty), (key) => {
      const text = fieldOf(kept, key)
      return typeof text === 'string' ? text : ''
    })
  } catch {
    return empty
  }
})
function type(key: keyof Texts, text: string): void {
  drafts.set(place.value, JSON.stringify({ ...texts.value, [key]: text }))
  problems.value = {}
  said.value = null
}
/** 0 to 10, by names that keep their order. */
const marks = Object.fromEntries(Array.from({ length: 11 }, (_, mark) => [`m${mark}`, String(mark)]))
const number = (text: string) => (text.trim() === '' ? null : Number(text.trim().replace(',', '.')))

async function add(): Promise<void> {
  const { name, width, mark, hours, note } = texts.value
  const parsed = triedSaddleSchema.safeParse({ name, width: number(width), mark: number(mark), hours: number(hours), spare: false, note })
  if (!parsed.success) {
    problems.value = Object.fromEntries(parsed.error.issues.map((issue) => [String(issue.path[0]), issue.message]))
    return
  }
  const answer = await tried.save({ id: crypto.randomUUID(), saddle: parsed.data, version: 0 })
  if (answer.ok) drafts.clear(place.value)
  said.value = answer.ok ? null : answer.message
}
async function change(row: StoredTried, more: Partial<StoredTried['saddle']>, removed = false): Promise<void> {
  const answer = await tried.save({ ...row, saddle: { ...row.saddle, ...more } }, removed)
  said.value = answer.ok ? null : answer.message
}
</script>

<template>
  <section aria-label="Saddles ridden" class="tried">
    <h2>Ridden before</h2>
    <p v-if="tried.advice" class="advice" data-testid="spare-advice">{{ preferences.plain(tried.advice) }}</p>
    <p v-if="tried.problem" class="warn small" role="alert">
      {{ tried.problem }} <Button type="link" size="small" @click="tried.load()">Try again</Button>
    </p>
    <table v-if="tried.list.length > 0" class="figures small">
      <thead>
        <tr>
          <th scope="col">Saddle</th>
          <th scope="col">Mark</th>
          <th scope="col">Spare</th>
          <td></td>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in tried.list" :key="row.id">
          <th scope="row">
            {{ row.saddle.name }}
            <span class="muted">{{
              [
                row.saddle.width === null ? '' : preferences.length(row.saddle.width),
                row.saddle.hours === null ? '' : `${row.saddle.hours} h`,
                row.saddle.note,
              ]
                .filter((part) => part !== '')
                .join(', ')
            }}</span>
          </th>
          <td>
            <SelectField
              :label="`Mark of ${row.saddle.name}`"
              :value="row.saddle.mark === null ? null : `m${row.saddle.mark}`"
              :options="marks"
              placeholder="–"
              clearable
              @pick="(mark) => change(row, { mark: mark === null ? null : Number(mark.slice(1)) })"
            />
          </td>
          <td>
            <Checkbox
              :checked="row.saddle.spare"
              :aria-label="`Owns a spare of ${row.saddle.name}`"
              @update:checked="(spare: boolean) => change(row, { spare })"
            />
          </td>
          <td>
            <RemoveButton :what="row.saddle.name" @remove="change(row, {}, true)" />
          </td>
        </tr>
      </tbody>
    </table>
    <FoldPanel title="Write one down">
      <form novalidate @submit.prevent="add">
        <div v-for="field in fields" :key="field.key" :class="field.key">
          <label :for="`tried-${field.key}`" class="small"
            >{{ field.label }} <span class="muted">{{ field.unit }}</span></label
          >
          <Input
            :id="`tried-${field.key}`"
            :value="texts[field.key]"
            :status="problems[field.key] ? 'error' : ''"
            :aria-invalid="problems[field.key] !== undefined"
            autocomplete="off"
            @update:value="(text: string) => type(field.key, text)"
          />
          <p v-if="problems[field.key]" class="warn small" role="alert">{{ problems[field.key] }}</p>
        </div>
        <Button html-type="submit">Add</Button>
      </form>
    </FoldPanel>
    <p v-if="said" class="warn small" role="alert">{{ said }}</p>
  </section>
</template>

<style scoped>
.tried {
  display: grid;
  gap: 4px;
}
.advice {
  padding: 6px 10px;
  border-left: 3px solid var(--petrol);
  background: var(--petrol-soft);
}
th[scope='row'] {
  font-weight: 500;
}
form {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 6px 10px;
  padding: 4px 0;
}
.name,
.note {
  grid-column: 1 / -1;
}
</style>
