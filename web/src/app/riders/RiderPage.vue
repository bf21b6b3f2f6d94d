<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { bikeKinds } from '@level-stance/core/bike/bikeKinds'
import { bikeFieldsSchema } from '@level-stance/core/record/dossier'
import type { BikeFields } from '@level-stance/core/record/dossier'
import { contract } from '@level-stance/core/contract/contract'
import type { AnswerOf } from '@level-stance/core/contract/route'
import { ask, putOwn } from '../../data/client.ts'
import { once } from '../../data/keptId.ts'
import { dayOf } from '../../kit/day.ts'
import PageFrame from './PageFrame.vue'
import RiderEditor from './RiderEditor.vue'
import SelectField from '../../kit/SelectField.vue'
import { tableOf } from '@level-stance/core/kernel/tables'

const props = defineProps<{ riderId: string }>()
const router = useRouter()
const detail = ref<AnswerOf<typeof contract.readRider> | null>(null)
const problem = ref<string | null>(null)
const newBike = ref<BikeFields>({ name: '', kind: 'drop bar' })
const bikeProblem = ref<string | null>(null)

const busy = ref(false)
async function attempt(work: () => Promise<void>): Promise<void> {
  if (busy.value) return
  problem.value = null
  busy.value = true
  try {
    await work()
  } catch (error) {
    problem.value = error instanceof Error ? error.message : 'It did not work.'
  } finally {
    busy.value = false
  }
}

const read = async () => void (detail.value = await ask(contract.readRider, { params: { riderId: props.riderId } }))
const load = () => attempt(read)
watch(() => props.riderId, load, { immediate: true })

/** A new visit on a bike; numbered by how many this bike has had. */
const startVisit = (bikeId: string) =>
  attempt(async () => {
    const count = detail.value?.visits.filter((visit) => visit.bikeId === bikeId).length ?? 0
    const title = count === 0 ? 'First visit' : `Visit ${count + 1}`
    const { visit } = await once(`visit:${bikeId}`, (id) =>
      ask(contract.createVisit, { body: { id, riderId: props.riderId, bikeId, title } }),
    )
    await router.push({ name: 'talk', params: { visitId: visit.id } })
  })

const addBike = () =>
  attempt(async () => {
    const checked = bikeFieldsSchema.safeParse(newBike.value)
    bikeProblem.value = checked.success ? null : (checked.error.issues[0]?.message ?? null)
    if (!checked.success) return
    await once(`bike:${props.riderId}`, (id) =>
      putOwn(contract.writeBike, (version) => ({ params: { riderId: props.riderId, bikeId: id }, body: { version, bike: checked.data } })),
    )
    newBike.value = { name: '', kind: 'drop bar' }
    await read()
  })
const kinds = tableOf(bikeKinds, (kind) => kind)
</script>

<template>
  <PageFrame>
    <p v-if="problem" class="stop" role="alert">{{ problem }} <RouterLink to="/riders">All riders</RouterLink></p>
    <template v-if="detail">
      <h1 class="visually-hidden">{{ detail.rider.name }}</h1>
      <RiderEditor :rider="detail.rider" @saved="load" />
      <section v-for="bike in detail.bikes" :key="bike.id" class="card bike">
        <div class="head">
          <h2>
            {{ bike.name }} <span class="muted">{{ bike.kind }}</span>
          </h2>
          <Button type="primary" :loading="busy" @click="startVisit(bike.id)">New visit</Button>
        </div>
        <ul>
          <li v-for="visit in detail.visits.filter((v) => v.bikeId === bike.id)" :key="visit.id">
            <RouterLink :to="{ name: 'talk', params: { visitId: visit.id } }">{{ visit.title }}, {{ dayOf(visit.startedAt) }}</RouterLink>
          </li>
        </ul>
        <p v-if="!detail.visits.some((v) => v.bikeId === bike.id)" class="muted small">No visit on this bike yet.</p>
      </section>
      <form class="card add" @submit.prevent="addBike">
        <h2>Another bike</h2>
        <Input v-model:value="newBike.name" placeholder="what the rider calls it" aria-label="Bike" :status="bikeProblem ? 'error' : ''" />
        <SelectField label="Kind" :value="newBike.kind" :options="kinds" @pick="(kind) => kind && (newBike.kind = kind)" />
        <Button html-type="submit" :loading="busy">Add</Button>
        <p v-if="bikeProblem" class="problem small" role="alert">{{ bikeProblem }}</p>
      </form>
    </template>
  </PageFrame>
</template>

<style scoped>
.bike,
.add {
  margin-top: 12px;
}
.head,
.add {
  display: flex;
  align-items: center;
  gap: 12px;
}
.head h2 {
  flex: 1;
}
.add {
  flex-wrap: wrap;
}
.add h2 {
  white-space: nowrap;
}
.add :deep(.ant-input) {
  flex: 1 1 160px;
  width: auto;
  min-width: 160px;
}
.problem {
  flex-basis: 100%;
  color: var(--brick);
}
ul {
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
}
li a {
  display: inline-block;
  padding: 8px 0;
  min-height: 40px;
  color: var(--petrol);
}
</style>
