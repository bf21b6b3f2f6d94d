<script setup lang="ts">
import { QuestionCircleOutlined } from '@ant-design/icons-vue'
import { Button } from 'ant-design-vue'
import { useGlossary } from './glossaryStore.ts'
import { termOf } from './terms.ts'
import type { TermKey } from './terms.ts'

/** Opens the glossary at a term. */
defineProps<{
  of: TermKey
  /** the sign alone, beside a heading that has the word */
  sign?: boolean
}>()
const glossary = useGlossary()
</script>

<template>
  <Button type="link" size="small" :aria-label="`What is meant by ${termOf(of).term}?`" @click="glossary.show(of)">
    <QuestionCircleOutlined aria-hidden="true" /><template v-if="!sign"> {{ termOf(of).term }}</template>
  </Button>
</template>
