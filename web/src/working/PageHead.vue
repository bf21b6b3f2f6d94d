<script setup lang="ts">
import type { WorkingRun } from '@level-stance/core/station/station'
import TermLink from '../glossary/TermLink.vue'
import type { TermKey } from '../glossary/terms.ts'
import WorkingButton from './WorkingButton.vue'

/** The head of a page's judgement: its name, and how its numbers are worked out. */
withDefaults(defineProps<{ title: string; working?: readonly WorkingRun[]; term?: TermKey }>(), { working: () => [] })
</script>

<template>
  <div class="page-head">
    <h2>{{ title }} <TermLink v-if="term" :of="term" sign /></h2>
    <slot />
    <WorkingButton :runs="working" />
  </div>
</template>
