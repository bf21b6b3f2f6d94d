<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { unaskedKey } from '@level-stance/core/prove/unasked'
import { complaintTitle } from '@level-stance/core/talk/complaint'
import type { WarningAnswer } from '@level-stance/core/talk/complaint'
import { warningAnswerWords, warningSign } from '@level-stance/core/talk/warningSigns'
import { useVisit } from '../data/visit.ts'
import AnswerPicker from '../kit/AnswerPicker.vue'

/** Warning signs nobody has asked, where something is about to be tried: one question after the other, or a reason for the record. */
const visit = useVisit()
/** as the record takes a reason */
const SHORTEST = 3

const open = computed(() => visit.unasked[0] ?? null)
const sign = computed(() => open.value?.signs[0] ?? null)
const left = computed(() => visit.unasked.reduce((sum, { signs }) => sum + signs.length, 0))
const noAnswer = computed((): WarningAnswer | null => null)
const reasoning = ref(false)
const reason = ref('')
const wrong = ref(false)

function answer(given: WarningAnswer): void {
  const [complaint, key] = [open.value?.complaint, sign.value]
  if (complaint && key) visit.setComplaint({ ...complaint, warnings: { ...complaint.warnings, [key]: given } })
}
/** All that is still unasked is tried without, for one reason. */
function goOn(): void {
  wrong.value = reason.value.trim().length < SHORTEST
  if (wrong.value) return
  const others = visit.dossier?.visit.overruled ?? []
  const added = visit.unasked.map(({ complaint }) => ({ block: unaskedKey(complaint), reason: reason.value.trim() }))
  visit.setVisit({ overruled: [...others.filter(({ block }) => !added.some((one) => one.block === block)), ...added] })
  reasoning.value = false
}
</script>

<template>
  <section v-if="open && sign" class="ask" aria-label="Ask before trying" data-testid="ask-first">
    <p>
      <strong>Ask before trying: {{ left }} warning {{ left === 1 ? 'sign' : 'signs' }}.</strong>
      <span class="small muted">&nbsp;{{ complaintTitle(open.complaint) }}</span>
    </p>
    <template v-if="!reasoning">
      <p>{{ warningSign(sign).question }}</p>
      <div class="line">
        <AnswerPicker
          :key="`${open.complaint.id}-${sign}`"
          :label="warningSign(sign).question"
          :value="noAnswer"
          :options="warningAnswerWords"
          @pick="answer"
        />
        <Button type="link" size="small" @click="reasoning = true">Not asked…</Button>
      </div>
    </template>
    <form v-else class="line" @submit.prevent="goOn">
      <label for="unasked-reason" class="small">Why is it tried without asking? It goes on the record.</label>
      <Input
        id="unasked-reason"
        v-model:value="reason"
        :maxlength="300"
        :status="wrong ? 'error' : ''"
        :aria-invalid="wrong"
        aria-describedby="unasked-wrong"
      />
      <p v-if="wrong" id="unasked-wrong" class="small warn" role="alert">A reason has 3 to 300 characters.</p>
      <Button danger html-type="submit">Go on without asking</Button>
      <Button @click="reasoning = false">Ask them</Button>
    </form>
  </section>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 4px;
  padding: 6px 10px;
  border: 1px solid var(--amber);
  border-radius: 6px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
}
</style>
