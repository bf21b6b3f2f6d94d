<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import { Button, Input } from 'ant-design-vue'
import { ref } from 'vue'
import type { Block } from '@level-stance/core/prove/blocks'
import { useVisit } from '../data/visit.ts'

/** What must not be ridden as it is, each with a way to overrule it by a reason. */
defineProps<{ blocks: readonly Block[] }>()
const visit = useVisit()
/** the block whose reason is being written */
const open = ref<string | null>(null)
const reason = ref('')
/** as the record takes it */
const SHORTEST = 3
const wrong = ref(false)

function overrule(block: string): void {
  wrong.value = reason.value.trim().length < SHORTEST
  if (wrong.value) return
  const others = (visit.dossier?.visit.overruled ?? []).filter((row) => row.block !== block)
  visit.setVisit({ overruled: [...others, { block, reason: reason.value.trim() }] })
  close()
}
function blockAgain(block: string): void {
  visit.setVisit({ overruled: (visit.dossier?.visit.overruled ?? []).filter((row) => row.block !== block) })
}
function start(block: string): void {
  open.value = block
  reason.value = ''
  wrong.value = false
}
function close(): void {
  open.value = null
}
</script>

<template>
  <article
    v-for="block in blocks"
    :key="block.key"
    class="block"
    :class="{ overruled: block.overruled !== null }"
    :data-testid="`block-${block.key}`"
  >
    <p>
      <strong>{{ block.overruled === null ? 'Not to be ridden.' : 'Overruled.' }} <MessageText :of="block.finding.headline" /></strong>
    </p>
    <p class="small"><MessageText :of="block.finding.sentence" /></p>
    <template v-if="block.overruled !== null">
      <p class="small">Reason: {{ block.overruled }}</p>
      <div><Button @click="blockAgain(block.key)">Block it again</Button></div>
    </template>
    <form v-else-if="open === block.key" class="reason" @submit.prevent="overrule(block.key)">
      <label :for="`reason-${block.key}`" class="small">Why is it ridden all the same? It goes on the record.</label>
      <Input
        :id="`reason-${block.key}`"
        v-model:value="reason"
        :maxlength="300"
        :status="wrong ? 'error' : ''"
        :aria-invalid="wrong"
        :aria-describedby="`reason-${block.key}-wrong`"
      />
      <p v-if="wrong" :id="`reason-${block.key}-wrong`" class="small warn" role="alert">A reason has 3 to 300 characters.</p>
      <div class="buttons">
        <Button danger html-type="submit">Overrule</Button>
        <Button @click="close">Leave it blocked</Button>
      </div>
    </form>
    <div v-else><Button @click="start(block.key)">Overrule…</Button></div>
  </article>
</template>

<style scoped>
.block {
  display: grid;
  gap: 6px;
  padding: 10px 12px;
  border-left: 4px solid var(--brick);
  border-radius: 4px;
  background: var(--panel);
}
.overruled {
  border-left-color: var(--amber-ink);
}
.reason {
  display: grid;
  gap: 6px;
}
.buttons {
  display: flex;
  gap: 8px;
}
</style>
