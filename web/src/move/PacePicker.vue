<script setup lang="ts">
import { isOneOf } from '@level-stance/core/kernel/tables'
import { Segmented, Tooltip } from 'ant-design-vue'
import { computed } from 'vue'
import { paceKeys, paces } from '@level-stance/core/ledger/pace'
import { useVisit } from '../data/visit.ts'

/** How far one change may go: as the visit suggests, until the fitter says otherwise. */
const visit = useVisit()
const options = paceKeys.map((value) => ({ value, label: paces[value].label, payload: paces[value] }))
const says = computed(() => paces[visit.pace].says)
</script>

<template>
  <Tooltip :title="says">
    <span class="pace">
      <span class="small muted" aria-hidden="true">Pace</span>
      <Segmented
        size="small"
        :value="visit.pace"
        :options="options"
        aria-label="Pace"
        data-testid="pace"
        @change="(pace: string | number) => isOneOf(paceKeys, pace) && visit.setVisit({ pace })"
      />
    </span>
  </Tooltip>
</template>

<style scoped>
.pace {
  display: inline-flex;
  align-items: center;
  gap: 8px;
}
</style>
