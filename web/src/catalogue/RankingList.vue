<script setup lang="ts" generic="Spec extends { readonly name: string; readonly note: string }">
import { MessageText } from '../glossary/MessageText.ts'
import { Button, Slider } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { trimmed } from '@level-stance/core/kernel/entry'
import { MAX_WEIGHT } from '@level-stance/core/kernel/ranking'
import type { Ranked, Ranking, Weights } from '@level-stance/core/kernel/ranking'
import type { Message } from '@level-stance/core/kernel/message'
import FoldPanel from '../kit/FoldPanel.vue'

/** A catalogue ranked for a rider: weights that reorder it live, each entry with its reasons, both schools, what would turn it. */
const props = defineProps<{
  rank: (own: Weights) => Ranking<Spec>
  /** weights the fitter has set, as stored */
  stored: Weights | undefined
  movable: boolean
  isInUse: (row: Ranked<Spec>) => boolean
  /** what an exchange disturbs, in words */
  disturbs: (row: Ranked<Spec>) => readonly Message[]
}>()
const emit = defineEmits<{ keep: [own: Weights]; take: [row: Ranked<Spec>] }>()

/** Weights while a slider is held; stored when it is let go. */
const own = ref<Record<string, number>>({})
watch(
  () => props.stored,
  (stored) => (own.value = { ...(stored as Record<string, number> | undefined) }),
  { immediate: true },
)
const ranking = computed(() => props.rank(own.value))
const changed = computed(() => Object.keys(own.value).length > 0)
function weigh(key: string, value: number): void {
  own.value = { ...own.value, [key]: value }
}
const keep = () => emit('keep', own.value)
function reset(): void {
  own.value = {}
  keep()
}
</script>

<template>
  <div class="ranking">
    <FoldPanel class="weights" :title="`What counts${changed ? ', some set by you' : ''}`">
      <div v-for="weight in ranking.weights" :key="weight.key" class="weight">
        <span
          >{{ weight.label }} <span class="muted small"><MessageText :of="weight.because" /></span
        ></span>
        <Slider
          :min="0"
          :max="MAX_WEIGHT"
          :step="0.5"
          :value="weight.weight"
          :tooltip-open="false"
          :aria-label-for-handle="weight.label"
          @change="(value) => weigh(weight.key, Number(value))"
          @after-change="keep"
        />
        <span class="figure">{{ trimmed(weight.weight, 1) }}</span>
      </div>
      <Button v-if="changed" type="link" size="small" @click="reset">As computed from readings</Button>
    </FoldPanel>
    <ol aria-label="Ranking">
      <li v-for="(row, i) in ranking.ranked" :key="row.id" :class="{ out: row.excluded.length > 0 }" data-testid="ranked">
        <div class="line">
          <span class="place figure">{{ row.excluded.length > 0 ? '–' : i + 1 }}</span>
          <strong>{{ row.spec.name }}</strong>
          <span v-if="isInUse(row)" class="tag">in use</span>
          <Button
            v-if="!isInUse(row) && row.excluded.length === 0 && movable"
            type="link"
            size="small"
            :aria-label="`Take ${row.spec.name}`"
            @click="$emit('take', row)"
          >
            Take
          </Button>
          <span class="score figure" :title="`${trimmed(row.total, 1)} of 100`">{{ Math.round(row.total) }}</span>
        </div>
        <span class="bar" aria-hidden="true"><span :style="{ width: `${row.total}%` }" /></span>
        <p v-for="(why, n) in row.excluded" :key="n" class="small warn">Out: <MessageText :of="why" /></p>
        <p class="small muted"><MessageText :of="row.reason" /></p>
        <FoldPanel class="small" :title="`Figures${isInUse(row) ? '' : ' and what a switch disturbs'}`">
          <p v-for="(words, n) in disturbs(row)" :key="n"><MessageText :of="words" /></p>
          <table class="figures">
            <tbody>
              <tr v-for="part in row.parts" :key="part.key">
                <th scope="row">{{ part.label }}</th>
                <td>× {{ trimmed(part.weight, 1) }}</td>
                <td>{{ Math.round(100 * part.score) }}</td>
                <td class="figure">{{ trimmed(100 * part.brings, 1) }}</td>
              </tr>
            </tbody>
          </table>
          <p class="muted">{{ row.spec.note }}</p>
        </FoldPanel>
      </li>
    </ol>
    <section aria-label="Schools">
      <p v-for="school in ranking.schools" :key="school.key" class="small">
        <strong>{{ school.label }}:</strong> {{ school.best?.name ?? 'nothing is left' }}.
        <span class="muted"><MessageText :of="school.says" /></span>
      </p>
    </section>
    <section v-if="ranking.turning.length > 0" aria-label="What would make the second win">
      <p v-for="turning in ranking.turning.slice(0, 2)" :key="turning.key" class="small" data-testid="turning">
        <MessageText :of="turning.words" />
      </p>
    </section>
    <p v-else-if="ranking.ranked.length > 1" class="small muted" data-testid="turning">No single weight would make the second win.</p>
  </div>
</template>

<style scoped>
.ranking {
  display: grid;
  gap: 6px;
  padding-bottom: 8px;
}
ol {
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  gap: 2px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
  line-height: 1.25;
}
.line {
  display: flex;
  align-items: baseline;
  gap: 8px;
}
.place {
  width: 16px;
}
.score {
  min-width: 24px;
  text-align: right;
}
.line strong {
  margin-right: auto;
}
.line .link {
  min-height: 28px;
}
.tag {
  padding: 0 6px;
  border: 1px solid var(--line);
  border-radius: 9px;
  font-size: 13px;
}
.bar {
  display: block;
  height: 6px;
  border-radius: 3px;
  background: var(--line);
  overflow: hidden;
}
.bar span {
  display: block;
  height: 100%;
  background: var(--bubble);
}
.out .bar span {
  background: var(--steel);
}
.out strong {
  font-weight: 500;
}
.weight {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 120px 26px;
  align-items: center;
  gap: 8px;
  min-height: 36px;
  font-size: 15px;
  line-height: 1.2;
}
</style>
