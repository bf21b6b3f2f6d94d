<script setup lang="ts">
import { complaintTitle } from '@level-stance/core/talk/complaint'
import type { Complaint } from '@level-stance/core/talk/complaint'

/**
 * A complaint with how bad it is; opens its causes. While it is to be rated in a trial its numbers are
 * out of sight: the rider answers by what is felt, not by what was said before.
 */
defineProps<{ complaint: Complaint; now: number | null; isAsked?: boolean }>()
</script>

<template>
  <RouterLink
    class="chip"
    :to="{ name: 'talk', query: { complaint: complaint.id } }"
    :title="
      isAsked
        ? `${complaintTitle(complaint)}: to be rated; opens its causes`
        : `${complaintTitle(complaint)}: ${now ?? '–'} of 10 now, ${complaint.severity ?? '–'} at the start; opens its causes`
    "
  >
    <span class="title">{{ complaintTitle(complaint) }}</span>
    <svg v-if="!isAsked" viewBox="0 0 44 10" aria-hidden="true">
      <rect class="track" y="2" width="44" height="6" rx="3" />
      <rect class="fill" y="2" :width="4.4 * (now ?? 0)" height="6" rx="3" />
      <line v-if="complaint.severity !== null" class="start" :x1="4.4 * complaint.severity" :x2="4.4 * complaint.severity" y1="0" y2="10" />
    </svg>
    <span class="figure">{{ isAsked ? '?' : (now ?? '?') }}</span>
    <span class="visually-hidden">{{ isAsked || now === null ? 'not rated yet' : `of 10 now, ${complaint.severity} at the start` }}</span>
  </RouterLink>
</template>

<style scoped>
.chip {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
  height: 36px;
  padding: 0 12px;
  background: var(--panel);
  border: 1px solid var(--line);
  border-radius: 6px;
  color: inherit;
  font-size: 15px;
  text-decoration: none;
}
.title {
  max-width: 200px;
  min-width: 0;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
svg {
  flex: none;
  width: 44px;
}
.track {
  fill: var(--line);
}
.fill {
  fill: var(--ink);
}
.start {
  stroke: var(--brick);
  stroke-width: 2;
}
</style>
