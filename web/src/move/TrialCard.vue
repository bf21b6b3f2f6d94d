<script setup lang="ts">
import { MessageText } from '../glossary/MessageText.ts'
import { joined } from '@level-stance/core/kernel/message'
import { Button, Popconfirm } from 'ant-design-vue'
import { computed } from 'vue'
import { cautionsFor } from '@level-stance/core/ledger/cautions'
import { changeWords } from '@level-stance/core/ledger/moveWords'
import type { Change } from '@level-stance/core/ledger/fold'
import { standing } from '@level-stance/core/prove/blocks'
import { doubtWords, outcomesOf, worseWords } from '@level-stance/core/ledger/outcome'
import { severityNow } from '@level-stance/core/ledger/severity'
import { complaintTitle } from '@level-stance/core/talk/complaint'
import type { Complaint } from '@level-stance/core/talk/complaint'
import { focusCard } from '../kit/focusCard.ts'
import { useVisit } from '../data/visit.ts'
import BlockedNote from './BlockedNote.vue'
import FrontBrakeQuestion from './FrontBrakeQuestion.vue'
import SeverityPicker from '../complaint/SeverityPicker.vue'

const props = defineProps<{ change: Change }>()
const visit = useVisit()

const given = (complaintId: string) =>
  visit.ratings.find((r) => r.complaintId === complaintId && r.changeId === props.change.id)?.severity ?? null
/** What was rated so far, against what it was before. */
const outcomes = computed(() => outcomesOf(props.change, visit.told))
const wordOf = (complaintId: string) => outcomes.value.find(({ complaint }) => complaint.id === complaintId)?.word ?? null
const before = (complaint: Complaint) =>
  severityNow(
    complaint,
    visit.ratings,
    visit.folded.changes.filter(({ id }) => id !== props.change.id),
  )
/** What it was before, once it is rated anew. */
const wasWords = (complaint: Complaint) => {
  const was = before(complaint)
  return was === null ? 'never rated before' : `was ${was}`
}
const worse = computed(() => worseWords(outcomes.value))
/** Why it is asked whether to keep it. */
const doubt = computed(() => doubtWords(outcomes.value, visit.complaints))
const blocks = computed(() => standing(visit.blocks))
/** What was said on the card when it was set up goes along until it is decided, and onto the sheet. */
const cautions = computed(() => cautionsFor(props.change))
const unrated = computed(() => visit.complaints.filter((complaint) => given(complaint.id) === null).length)
function decide(kind: 'keep' | 'undo'): void {
  visit.decide(kind, props.change)
  focusCard('Proposal')
}
</script>

<template>
  <article class="card trial" aria-label="Being tried" tabindex="-1">
    <div class="said">
      <p>
        <strong>Being tried:</strong> <MessageText :of="joined(changeWords(change), ' · ')" />.
        <span class="small muted">Set it, then let the rider pedal at several efforts. Ask, wait, rate.</span>
      </p>
      <p class="caution" data-testid="trial-cautions">Check the bolts. <MessageText :of="joined(cautions)" /></p>
      <BlockedNote :blocks="blocks" />
      <FrontBrakeQuestion :change="change" />
      <div class="ratings">
        <div v-for="complaint in visit.complaints" :key="complaint.id" class="rating">
          <p class="small">
            {{ complaintTitle(complaint) }}
            <span v-if="given(complaint.id) !== null" class="muted">{{ wasWords(complaint) }}</span>
            <strong v-if="wordOf(complaint.id)" :class="wordOf(complaint.id)">{{ wordOf(complaint.id) }}</strong>
          </p>
          <SeverityPicker
            :label="`${complaintTitle(complaint)} now`"
            :value="given(complaint.id)"
            @pick="(severity) => visit.setRating({ complaintId: complaint.id, changeId: change.id, severity })"
          />
        </div>
      </div>
      <p v-if="worse" class="warn" role="alert" data-testid="worse">{{ worse }}. Undo it, unless there is a reason to keep it.</p>
    </div>
    <div class="buttons">
      <Button v-if="worse" type="primary" size="large" @click="decide('undo')">Undo</Button>
      <Popconfirm
        v-if="doubt"
        placement="topRight"
        :title="`${doubt}. Keep it all the same?`"
        ok-text="Keep it"
        cancel-text="No"
        @confirm="decide('keep')"
      >
        <Button :type="worse ? 'default' : 'primary'" size="large">Keep</Button>
      </Popconfirm>
      <Button v-else type="primary" size="large" @click="decide('keep')">Keep</Button>
      <Button v-if="!worse" size="large" @click="decide('undo')">Undo</Button>
      <span v-if="unrated > 0" class="small muted">{{ unrated }} not rated yet</span>
    </div>
  </article>
</template>

<style scoped>
article:focus {
  outline: none;
}
.trial {
  display: flex;
  gap: 16px;
  min-height: 0;
  padding: 8px 14px;
  border-color: var(--petrol);
}
.said {
  display: grid;
  flex: 1;
  align-content: start;
  gap: 6px;
  min-width: 0;
  min-height: 0;
  overflow-y: auto;
}
.ratings {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 6px 20px;
}
.rating {
  display: grid;
  gap: 2px;
}
.rating strong {
  margin-left: 4px;
}
.worse {
  color: var(--brick);
}
.better {
  color: var(--petrol);
}
.buttons {
  display: grid;
  flex: none;
  align-content: end;
  gap: 6px;
  min-width: 96px;
}
@media (max-width: 700px) {
  .trial {
    flex-direction: column;
  }
  .ratings {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
