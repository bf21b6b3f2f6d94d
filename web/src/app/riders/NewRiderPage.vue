<script setup lang="ts">
import { Button, Form, FormItem, Input, Textarea } from 'ant-design-vue'
import { useSessionStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { bikeKindOf, bikeKinds } from '@level-stance/core/bike/bikeKinds'
import type { BikeKind } from '@level-stance/core/bike/bikeKinds'
import { bikeFieldsSchema, riderFieldsSchema } from '@level-stance/core/record/dossier'
import { contract } from '@level-stance/core/contract/contract'
import { ApiError, ask, putOwn } from '../../data/client.ts'
import type { Riding } from '@level-stance/core/talk/riding'
import FoldPanel from '../../kit/FoldPanel.vue'
import SelectField from '../../kit/SelectField.vue'
import RidingForm from '../../complaint/RidingForm.vue'
import PageFrame from './PageFrame.vue'
import { tableOf } from '@level-stance/core/kernel/tables'

interface NewRider {
  readonly riderId: string
  readonly bikeId: string
  readonly visitId: string
  name: string
  note: string
  bike: string
  kind: BikeKind
  riding: Riding | undefined
  /** sent from this window before: what is stored under its ids is its own */
  isSent: boolean
}

/** The form as typed survives a reload; its ids make a second try of the same form store it once. */
const empty = (): NewRider => ({
  name: '',
  note: '',
  bike: '',
  kind: 'drop bar',
  riding: {},
  riderId: crypto.randomUUID(),
  bikeId: crypto.randomUUID(),
  visitId: crypto.randomUUID(),
  isSent: false,
})
/** Other ids for the same words: a duplicated window has those of the first. */
const renew = () => {
  const { riderId, bikeId, visitId } = empty()
  form.value = { ...form.value, riderId, bikeId, visitId }
}
/** One draft a window. One that an earlier version kept for all windows is taken up once. */
const left = localStorage.getItem('level-stance.new-rider')
if (left !== null && sessionStorage.getItem('level-stance.new-rider') === null) sessionStorage.setItem('level-stance.new-rider', left)
localStorage.removeItem('level-stance.new-rider')
const form = useSessionStorage('level-stance.new-rider', empty(), { mergeDefaults: true })
const router = useRouter()
const kindWords = tableOf(bikeKinds, (kind) => bikeKindOf(kind).label)
const tried = ref(false)
const problem = ref<string | null>(null)
const busy = ref(false)

const rider = computed(() => riderFieldsSchema.safeParse({ name: form.value.name, note: form.value.note }))
const bike = computed(() => bikeFieldsSchema.safeParse({ name: form.value.bike, kind: form.value.kind }))
const problemOf = (result: { error?: { issues: readonly { path: PropertyKey[]; message: string }[] } }, field: string) =>
  tried.value ? (result.error?.issues.find((issue) => issue.path[0] === field)?.message ?? undefined) : undefined

/** Whether a rider with this id is stored already. */
async function isTaken(riderId: string): Promise<boolean> {
  try {
    await ask(contract.readRider, { params: { riderId } })
    return true
  } catch (error) {
    if (error instanceof ApiError && error.status === 404) return false
    throw error
  }
}

/** Told before the page was left: shown again as it was. */
const hasRiding = Object.keys(form.value.riding ?? {}).length > 0

async function start(): Promise<void> {
  tried.value = true
  const [newRider, newBike] = [rider.value.data, bike.value.data]
  if (!newRider || !newBike) return
  if (busy.value) return
  busy.value = true
  problem.value = null
  try {
    if (!form.value.isSent && (await isTaken(form.value.riderId))) renew()
    const { riderId, bikeId, visitId, riding } = form.value
    form.value.isSent = true
    await putOwn(contract.writeRider, (version) => ({ params: { riderId }, body: { version, rider: newRider } }))
    await putOwn(contract.writeBike, (version) => ({ params: { riderId, bikeId }, body: { version, bike: newBike } }))
    await ask(contract.createVisit, { body: { id: visitId, riderId, bikeId, title: 'First visit', riding: riding ?? {} } })
    form.value = empty()
    await router.push({ name: 'talk', params: { visitId } })
  } catch (error) {
    problem.value = error instanceof Error ? error.message : 'It could not be stored.'
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <PageFrame>
    <h1>New rider</h1>
    <Form layout="vertical" class="card" @submit.prevent="start">
      <FormItem
        label="Name"
        required
        :validate-status="problemOf(rider, 'name') ? 'error' : ''"
        :help="problemOf(rider, 'name')"
        html-for="rider-name"
      >
        <Input id="rider-name" v-model:value="form.name" size="large" autocomplete="off" autofocus />
      </FormItem>
      <FormItem
        label="Note (as the rider agrees to have noted)"
        :validate-status="problemOf(rider, 'note') ? 'error' : ''"
        :help="problemOf(rider, 'note')"
        html-for="rider-note"
      >
        <Textarea id="rider-note" v-model:value="form.note" :rows="2" />
      </FormItem>
      <div class="two">
        <FormItem
          label="Bike"
          required
          :validate-status="problemOf(bike, 'name') ? 'error' : ''"
          :help="problemOf(bike, 'name')"
          html-for="bike-name"
        >
          <Input id="bike-name" v-model:value="form.bike" size="large" placeholder="what the rider calls it" autocomplete="off" />
        </FormItem>
        <FormItem label="Kind" html-for="bike-kind">
          <SelectField
            label="Kind"
            size="large"
            field-id="bike-kind"
            :value="form.kind"
            :options="kindWords"
            @pick="(kind) => kind && (form.kind = kind)"
          />
        </FormItem>
      </div>
      <!-- Folded, so that the visit can be started without it: what is told here can be told later, on Talk. -->
      <FoldPanel title="How the rider rides: half a minute, all optional" :open="hasRiding">
        <RidingForm :riding="form.riding ?? {}" @change="(riding) => (form.riding = riding)" />
      </FoldPanel>
      <p v-if="problem" class="stop" role="alert">{{ problem }}</p>
      <Button type="primary" size="large" html-type="submit" :loading="busy">Start the visit</Button>
    </Form>
  </PageFrame>
</template>

<style scoped>
h1 {
  margin-bottom: 14px;
  font-size: 28px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 240px;
  gap: 16px;
}
.stop {
  margin-bottom: 12px;
}
</style>
