<script setup lang="ts">
import { tableFrom } from '@level-stance/core/kernel/tables'
import { MessageText } from '../../../glossary/MessageText.ts'
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { cleatSchools } from '@level-stance/core/stations/feet/cleat/schools'
import type { CleatSchoolKey } from '@level-stance/core/stations/feet/cleat/schools'
import { sides } from '@level-stance/core/kernel/sided'
import type { Side } from '@level-stance/core/kernel/sided'
import FindingCard from '../../../finding/FindingCard.vue'
import FindingList from '../../../finding/FindingList.vue'
import NumberVials from '../../../vial/NumberVials.vue'
import WorkingButton from '../../../working/WorkingButton.vue'
import { useBoard } from '../../../data/board.ts'
import { useReasoning } from '../../../data/reasoning.ts'
import SchoolTable from './SchoolTable.vue'
import TemplateLinks from './TemplateLinks.vue'
import { useFeet } from '../../useFeet.ts'
import SelectField from '../../../kit/SelectField.vue'

/** Fore–aft: both cleats against the chosen school, with what speaks for it and against. */
const reasoning = useReasoning()
const board = useBoard()
const feet = useFeet()
const comparing = ref(false)

/** Complaints of this foot that a cleat too far forward could explain. */
function titlesOf(side: Side): string[] {
  return (reasoning.reasoning?.complaints ?? []).flatMap(({ title, causes }) =>
    causes.some((row) => row.cause === 'cleat-forward' && (row.side === side || row.side === 'both')) ? [title.toLowerCase()] : [],
  )
}
const said = computed(() =>
  sides.map((side) => {
    const judgement = feet.rested.cleat[side]
    const isBack = judgement.state === 'missing' || judgement.result.difference >= 0
    return { side, judgement, speaksFor: isBack ? titlesOf(side) : [] }
  }),
)
const schools = tableFrom(cleatSchools.map(({ key, label }) => [key, label] as const))
function chooseSchool(cleatSchool: CleatSchoolKey | null): void {
  if (cleatSchool === null) return
  feet.choose({ cleatSchool })
  board.clear()
}
</script>

<template>
  <div class="school">
    <label for="school"><h2>School</h2></label>
    <SelectField field-id="school" label="School" :value="feet.parts.school" :options="schools" @pick="chooseSchool" />
    <Button type="link" :aria-expanded="comparing" @click="comparing = !comparing">{{ comparing ? 'Hide' : 'Compare' }}</Button>
    <WorkingButton :runs="feet.judgement.working" />
  </div>
  <SchoolTable v-if="comparing" />
  <NumberVials :vials="feet.vials" />
  <template v-for="{ side, judgement, speaksFor } in said" :key="side">
    <p v-if="judgement.state === 'missing'" class="missing"><MessageText :of="judgement.sentence" /></p>
    <FindingCard
      v-else
      :data-testid="`judgement-${side}`"
      :headline="judgement.headline"
      :sentence="judgement.sentence"
      :sure="judgement.sure"
      :speaks-for="speaksFor"
      :against="[]"
    />
  </template>
  <FindingList :findings="feet.judgement.findings" none="" />
  <TemplateLinks />
</template>

<style scoped>
.school {
  display: flex;
  align-items: center;
  gap: 8px;
}
.missing {
  margin: 6px 0;
  padding: 8px 0 8px 10px;
  border-left: 3px solid var(--amber);
}
</style>
