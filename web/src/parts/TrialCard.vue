<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { changeWords } from '@level-stance/core/change/moveWords'
import type { Change } from '@level-stance/core/change/fold'
import { complaintTitle } from '@level-stance/core/talk/complaint'
import { useVisit } from '../stores/visit.ts'
import SeverityPicker from './SeverityPicker.vue'

const props = defineProps<{ change: Change }>()
const visit = useVisit()

const given = (complaintId: string) =>
  visit.ratings.find((r) => r.complaintId === complaintId && r.changeId === props.change.id)?.severity ?? null
const unrated = computed(() => visit.complaints.filter((complaint) => given(complaint.id) === null).length)
</script>

<template>
  <article class="card trial" aria-label="Being tried">
    <p><strong>Being tried:</strong> {{ changeWords(change).join(' · ') }}.</p>
    <p class="small muted">Set it, then let the rider pedal at several efforts. Ask, wait, rate.</p>
    <div v-for="complaint in visit.complaints" :key="complaint.id" class="rating">
      <p class="small">
        {{ complaintTitle(complaint) }} <span class="muted">was {{ complaint.severity }}</span>
      </p>
      <SeverityPicker
        :label="`${complaintTitle(complaint)} now`"
        :value="given(complaint.id)"
        @pick="(severity) => visit.setRating({ complaintId: complaint.id, changeId: change.id, severity })"
      />
    </div>
    <p class="caution">Check the bolts and practise the release before riding off.</p>
    <div class="buttons">
      <Button type="primary" size="large" @click="visit.decide('keep', change)">Keep</Button>
      <Button size="large" @click="visit.decide('undo', change)">Undo</Button>
      <span v-if="unrated > 0" class="small muted">{{ unrated }} not rated yet</span>
    </div>
  </article>
</template>

<style scoped>
.trial {
  display: grid;
  gap: 8px;
  margin-bottom: 12px;
  border-color: var(--petrol);
}
.rating {
  display: grid;
  gap: 3px;
}
.buttons {
  display: flex;
  align-items: center;
  gap: 10px;
}
</style>
