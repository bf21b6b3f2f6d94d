<script setup lang="ts">
import type { WorkingRun } from '@level-stance/core/station'
import WorkingButton from './WorkingButton.vue'

/** The head of a page's judgement: its name, and how its numbers are worked out. */
withDefaults(defineProps<{ title: string; working?: readonly WorkingRun[] }>(), { working: () => [] })
</script>

<template>
  <div class="page-head">
    <h2>{{ title }}</h2>
    <slot />
    <WorkingButton :runs="working" />
  </div>
</template>
