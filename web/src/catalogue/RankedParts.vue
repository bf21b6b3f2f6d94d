<script setup lang="ts" generic="Spec extends PartSpec">
import type { Message } from '@level-stance/core/kernel/message'
import { Button } from 'ant-design-vue'
import { ref } from 'vue'
import type { RequestedExchange } from '@level-stance/core/ledger/parts'
import type { Ranked, Ranking, Weights } from '@level-stance/core/kernel/ranking'
import { useBoard } from '../data/board.ts'
import type { PartSpec } from '@level-stance/core/stations/catalogues'
import type { StoredPart } from '@level-stance/core/contract/contract'
import type { SaveAnswer } from '../data/catalogue.ts'
import CatalogueDrawer from './CatalogueDrawer.vue'
import RankingList from './RankingList.vue'
import type { SpecForm } from './specForm.ts'

/** A studio's catalogue of one kind of part, ranked for the rider; one of them is taken onto the move card as an exchange. */
const props = defineProps<{
  title: string
  /** "saddle", and what its catalogue is called */
  part: string
  catalogue: string
  plural: string
  form: SpecForm<Spec>
  store: {
    readonly entries: readonly StoredPart<Spec>[]
    readonly loaded: boolean
    readonly problem: string | null
    readonly load: () => Promise<void>
    readonly save: (id: string, version: number, spec: Spec, removed?: boolean) => Promise<SaveAnswer<StoredPart<Spec>>>
  }
  rank: (own: Weights) => Ranking<Spec>
  /** weights the fitter has set, as stored */
  stored: Weights | undefined
  isInUse: (row: Ranked<Spec>) => boolean
  /** what an exchange disturbs, in words */
  disturbs: (spec: Spec) => readonly Message[]
  exchange: (spec: Spec) => RequestedExchange
}>()
defineEmits<{ keep: [own: Weights] }>()
const board = useBoard()
const open = ref(false)
if (!props.store.loaded) void props.store.load()
const take = ({ spec, reason }: Ranked<Spec>) => board.take([props.exchange(spec)], reason)
</script>

<template>
  <div class="page-head">
    <h2>{{ title }}</h2>
    <Button type="link" size="small" @click="open = true">Catalogue</Button>
  </div>
  <p v-if="store.problem" class="warn" role="alert">{{ store.problem }} <Button @click="store.load()">Try again</Button></p>
  <slot />
  <RankingList
    :rank="rank"
    :stored="stored"
    :movable="board.movable"
    :is-in-use="isInUse"
    :disturbs="(row) => disturbs(row.spec)"
    @keep="(own) => $emit('keep', own)"
    @take="take"
  />
  <CatalogueDrawer
    :open="open"
    :title="catalogue"
    :part="part"
    :plural="plural"
    :form="form"
    :entries="store.entries"
    :save="store.save"
    @close="open = false"
  />
</template>
