<script setup lang="ts">
import { Button, Input, Textarea } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { riderFieldsSchema } from '@level-stance/core/record/dossier'
import { contract } from '@level-stance/core/contract/contract'
import type { AnswerOf } from '@level-stance/core/contract/route'
import { ask, storedInstead } from '../../data/client.ts'
import { useDrafts } from '../../data/drafts.ts'

type StoredRider = AnswerOf<typeof contract.writeRider>

const props = defineProps<{ rider: StoredRider }>()
const emit = defineEmits<{ saved: [] }>()
const drafts = useDrafts()
const place = (field: string) => `rider/${props.rider.id}/${field}`

const name = ref(drafts.get(place('name')) ?? props.rider.name)
const note = ref(drafts.get(place('note')) ?? props.rider.note)
const version = ref(Number(drafts.get(place('version')) ?? props.rider.version))
const theirs = ref<StoredRider | null>(null)
const problem = ref<string | null>(null)
const dirty = computed(() => name.value !== props.rider.name || note.value !== props.rider.note)
const checked = computed(() => riderFieldsSchema.safeParse({ name: name.value, note: note.value }))
const wrong = computed(() => (checked.value.success ? null : (checked.value.error.issues[0]?.message ?? null)))

// Typed text is kept, with the version it was typed over, until it is stored.
watch([name, note], () => {
  if (!dirty.value) return forget()
  drafts.set(place('name'), name.value)
  drafts.set(place('note'), note.value)
  drafts.set(place('version'), String(version.value))
})

function forget(): void {
  for (const field of ['name', 'note', 'version']) drafts.clear(place(field))
}

async function save(): Promise<void> {
  if (!checked.value.success) return
  problem.value = null
  try {
    const stored = await ask(contract.writeRider, {
      params: { riderId: props.rider.id },
      body: { version: version.value, rider: checked.value.data },
    })
    take(stored)
  } catch (error) {
    theirs.value = storedInstead(contract.writeRider, error)
    if (theirs.value === null)
      problem.value = `${error instanceof Error ? error.message : 'It was not stored.'} What you typed is kept here.`
  }
}

function take(stored: StoredRider): void {
  name.value = stored.name
  note.value = stored.note
  version.value = stored.version
  theirs.value = null
  forget()
  emit('saved')
}

function keepMine(): void {
  if (!theirs.value) return
  version.value = theirs.value.version
  theirs.value = null
  void save()
}
</script>

<template>
  <form class="card editor" @submit.prevent="save">
    <Input v-model:value="name" size="large" class="name" aria-label="Name" :status="wrong ? 'error' : ''" />
    <Textarea v-model:value="note" :auto-size="{ minRows: 1, maxRows: 6 }" aria-label="Note" placeholder="Riding, hours, history" />
    <p v-if="wrong" class="problem small" role="alert">{{ wrong }}</p>
    <p v-if="problem" class="problem small" role="alert">{{ problem }}</p>
    <div v-if="theirs" class="stop" role="alert">
      <p>
        Changed in another window. There: <strong>{{ theirs.name }}</strong>, “{{ theirs.note }}”. Here: <strong>{{ name }}</strong>, “{{
          note
        }}”.
      </p>
      <Button type="primary" @click="keepMine">Keep mine</Button> <Button @click="take(theirs)">Take theirs</Button>
    </div>
    <div v-if="dirty && !theirs"><Button type="primary" html-type="submit" :disabled="wrong !== null">Keep these words</Button></div>
  </form>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 8px;
}
.name {
  font-size: 24px;
  font-weight: 600;
}
.problem {
  color: var(--brick);
}
</style>
