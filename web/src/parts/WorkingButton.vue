<script setup lang="ts">
import { ref } from 'vue'
import type { WorkingRun } from '@level-stance/core/station'
import WorkingPanel from './WorkingPanel.vue'

/** Opens how the numbers beside it are worked out; nothing where there is nothing to show. */
defineProps<{ runs: readonly (WorkingRun & { readonly estimated?: readonly string[] })[] }>()
const open = ref(false)
</script>

<template>
  <button v-if="runs.length > 0" type="button" class="link" @click="open = true">Working</button>
  <WorkingPanel v-if="open" open :items="runs" @close="open = false" />
</template>
