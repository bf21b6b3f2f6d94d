<script setup lang="ts">
import { computed, ref } from 'vue'
import type { WorkingRun } from '@level-stance/core/station'
import WorkingPanel from './WorkingPanel.vue'

type Runs = readonly (WorkingRun & { readonly estimated?: readonly string[] })[]
/** Opens how the numbers beside it are worked out; nothing where there is nothing to show. A function is asked when it opens. */
const props = defineProps<{ runs: Runs | (() => Runs) }>()
const open = ref(false)
const items = computed(() => (typeof props.runs === 'function' ? props.runs() : props.runs))
</script>

<template>
  <button v-if="typeof runs === 'function' || runs.length > 0" type="button" class="link" @click="open = true">Working</button>
  <WorkingPanel v-if="open" open :items="items" @close="open = false" />
</template>
