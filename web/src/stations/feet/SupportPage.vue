<script setup lang="ts">
import { computed } from 'vue'
import type { SupportJudgement } from '@level-stance/core/feet/wedges'
import { trimmed } from '@level-stance/core/quantity/entry'
import { sides } from '@level-stance/core/quantity/sided'
import FindingCard from '../../parts/FindingCard.vue'
import { useBoard } from '../../stores/board.ts'
import { useFeet } from './useFeet.ts'

/** Wedges from the forefoot's tilt, footbeds from the arch's drop. */
const feet = useFeet()
const board = useBoard()
const groups = computed(() => [
  { key: 'wedge', title: 'Wedge under the forefoot', setting: 'wedge' as const, rows: sides.map((side) => feet.station.wedge[side]) },
  {
    key: 'footbed',
    title: 'Footbed under the arch',
    setting: 'archSupport' as const,
    rows: sides.map((side) => feet.station.footbed[side]),
  },
])
const tries = (rows: readonly SupportJudgement[]) => rows.filter((row) => row.by !== 0)
const words = ({ key, side, by }: SupportJudgement) =>
  key === 'wedge' ? `${side} ${trimmed(Math.abs(by), 1)}° ${by > 0 ? 'big-toe' : 'little-toe'} side` : `${side} ${trimmed(by, 0)} mm`
</script>

<template>
  <section v-for="group in groups" :key="group.key" class="group">
    <h2>{{ group.title }}</h2>
    <FindingCard
      v-for="row in group.rows"
      :key="row.side"
      :headline="row.headline"
      :sentence="row.sentence"
      :sure="row.sure"
      :speaks-for="[]"
      :against="[]"
      :weight="row.state === 'try' ? 'act' : row.state === 'missing' ? 'note' : 'fine'"
      :data-testid="`${group.key}-${row.side}`"
    />
    <p v-if="tries(group.rows).length > 0 && board.movable">
      <button
        type="button"
        class="plain"
        :data-testid="`take-${group.key}`"
        @click="board.request(tries(group.rows).map(({ side, by }) => ({ setting: group.setting, side, by })))"
      >
        {{ group.key === 'wedge' ? 'Wedge' : 'Support' }}: {{ tries(group.rows).map(words).join(', ') }}
      </button>
    </p>
  </section>
  <p class="small muted">Numb, burning or painful: take it out. Pain that stays belongs to a clinician or a maker of orthoses.</p>
</template>

<style scoped>
.group {
  display: grid;
  gap: 4px;
  padding-bottom: 10px;
}
</style>
