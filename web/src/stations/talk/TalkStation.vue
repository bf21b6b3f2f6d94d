<script setup lang="ts">
import { ref } from 'vue'
import { complaintTitle, unansweredWarnings } from '@level-stance/core/talk/complaint'
import type { Complaint } from '@level-stance/core/talk/complaint'
import { rideSituations } from '@level-stance/core/talk/regions'
import type { BodyRegionKey } from '@level-stance/core/talk/regions'
import { useVisit } from '../../stores/visit.ts'
import BodyMap from './BodyMap.vue'
import ComplaintForm from './ComplaintForm.vue'

const visit = useVisit()
const open = ref<string | null>(null)

/** Opens the complaint already told for a place, or starts a new one. */
function pick(region: BodyRegionKey, side: Complaint['side']): void {
  const existing = visit.complaints.find((c) => c.region === region && (c.side === side || c.side === 'both'))
  if (existing) {
    open.value = existing.id
    return
  }
  const complaint: Complaint = {
    id: crypto.randomUUID(),
    region,
    side,
    kind: 'pain',
    startsAfter: null,
    situation: 'anywhere',
    severity: 5,
    note: '',
    warnings: {},
  }
  visit.setComplaint(complaint)
  open.value = complaint.id
}

function summary(complaint: Complaint): string {
  const start = complaint.startsAfter === null ? '' : `after ${complaint.startsAfter} min, `
  return `${start}${rideSituations[complaint.situation].toLowerCase()}${complaint.note === '' ? '' : `: ${complaint.note}`}`
}
</script>

<template>
  <div class="columns">
    <section class="map" aria-label="Body map">
      <BodyMap :complaints="visit.complaints" @pick="pick" />
    </section>
    <section class="told" aria-label="Complaints">
      <h1>What hurts or fails?</h1>
      <p class="muted small">Point at the place. The rider’s word outranks every number.</p>
      <p v-if="visit.complaints.length === 0" class="empty">
        Nothing told yet. Ask what hurts, where exactly, when it starts and in which position; then point at it on the body.
      </p>
      <article v-for="complaint in visit.complaints" :key="complaint.id" class="card" :data-testid="`complaint-${complaint.region}`">
        <button
          type="button"
          class="head"
          :aria-expanded="open === complaint.id"
          @click="open = open === complaint.id ? null : complaint.id"
        >
          <span>
            <strong>{{ complaintTitle(complaint) }}</strong>
            <span class="muted small block">{{ summary(complaint) }}</span>
            <span v-if="unansweredWarnings(complaint).length > 0" class="ask small block"
              >{{ unansweredWarnings(complaint).length }} warning signs to ask</span
            >
          </span>
          <span class="figure severity">{{ complaint.severity }}</span>
        </button>
        <ComplaintForm
          v-if="open === complaint.id"
          :complaint="complaint"
          @change="(changed) => visit.setComplaint(changed)"
          @remove="visit.setComplaint(complaint, true)"
        />
      </article>
    </section>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 580px;
  height: 100%;
  min-height: 0;
}
.map {
  min-height: 0;
  padding: 12px;
  background: var(--panel);
  border-right: 1px solid var(--line);
}
.told {
  display: flex;
  flex-direction: column;
  gap: 10px;
  overflow-y: auto;
  padding: 14px 20px;
}
.card {
  padding: 8px 14px;
  flex: none;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  width: 100%;
  min-height: 48px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.block {
  display: block;
}
.ask {
  color: var(--amber-ink);
  font-weight: 600;
}
.severity {
  font-size: 28px;
}
.empty {
  padding: 14px;
  border: 1px dashed var(--steel);
  border-radius: 6px;
}
@media (max-width: 1100px) {
  .columns {
    grid-template-columns: 1fr;
    height: auto;
  }
  .map {
    height: 460px;
  }
}
</style>
