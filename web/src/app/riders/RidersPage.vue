<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { contract } from '@level-stance/core/contract/contract'
import type { AnswerOf } from '@level-stance/core/contract/route'
import { ask } from '../../data/client.ts'
import { dayOf } from '../../kit/day.ts'
import { atRest } from '../../kit/settled.ts'
import ImportButton from './ImportButton.vue'
import PageFrame from './PageFrame.vue'

const route = useRoute()
const router = useRouter()
const search = ref(typeof route.query['search'] === 'string' ? route.query['search'] : '')
const riders = ref<AnswerOf<typeof contract.listRiders>['riders']>([])
const next = ref<string | null>(null)
const problem = ref<string | null>(null)
const loaded = ref(false)
let asked = 0

/** Reads the first page for the search, or the page after the last. An older answer never replaces a newer one. */
async function load(more = false): Promise<void> {
  const mine = ++asked
  try {
    const page = await ask(contract.listRiders, { query: { search: search.value, after: more ? next.value : null } })
    if (mine !== asked) return
    riders.value = more ? [...riders.value, ...page.riders] : page.riders
    next.value = page.next
    problem.value = null
    loaded.value = true
  } catch (error) {
    if (mine === asked) problem.value = error instanceof Error ? error.message : 'The list could not be read.'
  }
}

const searchSoon = atRest(() => {
  void router.replace({ query: search.value === '' ? {} : { search: search.value } })
  return load()
}, 120)
watch(search, () => searchSoon())
void load()
</script>

<template>
  <PageFrame>
    <div class="top">
      <h1>Riders</h1>
      <ImportButton />
      <Button type="primary" @click="router.push({ name: 'new-rider' })">New rider</Button>
    </div>
    <Input
      v-model:value="search"
      size="large"
      placeholder="Search by name or note"
      aria-label="Search riders"
      allow-clear
      :maxlength="120"
    />
    <p v-if="problem" class="stop" role="alert">{{ problem }} <Button @click="load()">Try again</Button></p>
    <ul v-if="riders.length > 0">
      <li v-for="rider in riders" :key="rider.id" class="card">
        <RouterLink class="name" :to="{ name: 'rider', params: { riderId: rider.id } }">
          <strong>{{ rider.name }}</strong>
          <span class="muted note">{{ rider.note }}</span>
        </RouterLink>
        <RouterLink v-if="rider.latestVisit" class="visit" :to="{ name: 'talk', params: { visitId: rider.latestVisit.id } }">
          <span>{{ rider.latestVisit.bike }}</span>
          <span class="muted small">{{ rider.latestVisit.title }}, {{ dayOf(rider.latestVisit.startedAt) }}</span>
        </RouterLink>
        <RouterLink v-else class="visit" :to="{ name: 'rider', params: { riderId: rider.id } }">Start a visit</RouterLink>
      </li>
    </ul>
    <p v-else-if="loaded" class="empty">
      {{
        search === '' ? 'No riders yet. Begin with New rider.' : `Nobody is found by “${search}”. Check the spelling, or make a new rider.`
      }}
    </p>
    <Button v-if="next" size="large" @click="load(true)">More</Button>
  </PageFrame>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-bottom: 14px;
}
h1 {
  flex: 1;
  font-size: 28px;
}
ul {
  display: grid;
  gap: 8px;
  margin: 14px 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 260px;
  padding: 0;
}
li a {
  display: grid;
  align-content: center;
  min-height: 62px;
  padding: 8px 16px;
  color: var(--ink);
  text-decoration: none;
}
li a:hover {
  background: var(--petrol-soft);
}
.note {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.name strong {
  font-size: 18px;
  overflow-wrap: anywhere;
}
.visit {
  border-left: 1px solid var(--line);
}
.visit span:first-child {
  color: var(--petrol);
  font-weight: 600;
}
.empty {
  margin-top: 14px;
  padding: 18px;
  border: 1px dashed var(--steel);
  border-radius: 6px;
}
</style>
