<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { WorkingRun } from '@level-stance/core/station/station'
import WorkingPanel from './WorkingPanel.vue'

type Runs = readonly (WorkingRun & { readonly estimated?: readonly string[] })[]
/** Opens how the numbers beside it are worked out; nothing where there is nothing to show. A function is asked when it opens. */
const props = defineProps<{ runs: Runs | (() => Runs) }>()
const open = ref(false)
const items = computed(() => (typeof props.runs === 'function' ? props.runs() : props.runs))
</script>

<template>
  <Button v-if="typeof runs === 'function' || runs.length > 0" type="link" size="small" @click="open = true">Working</Button>
  <WorkingPanel v-if="open" open :items="items" @close="open = false" />
</template>
