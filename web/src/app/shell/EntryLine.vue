<script setup lang="ts">
import { MessageText } from '../../glossary/MessageText.ts'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { asMove, understand } from '@level-stance/core/ledger/entryLine'
import { usualMethod } from '@level-stance/core/readings/table/readingBands'
import { methodOver, methodsFor } from '@level-stance/core/readings/table/methods'
import { definitionOf } from '@level-stance/core/readings/readingDefinitions'
import type { SettingKey } from '@level-stance/core/ledger/settings'
import { pageWith } from '@level-stance/core/stations/index'
import { addressOf } from '../../address/stations.ts'
import { matching } from '../commands/command.ts'
import type { Command } from '../commands/command.ts'
import { useBoard } from '../../data/board.ts'
import { usePreferences } from '../../data/preferences.ts'
import { useVisit } from '../../data/visit.ts'

const props = defineProps<{ commands: readonly Command[] }>()
const visit = useVisit()
const board = useBoard()
const preferences = usePreferences()
const router = useRouter()
const field = ref<HTMLInputElement | null>(null)
const note = ref('')
const focused = ref(false)
const understood = computed(() => {
  const meant = understand(note.value, preferences.unit)
  if (visit.place === 0 || meant.kind !== 'reading') return meant
  return asMove(meant, visit.setup.now[meant.key][meant.side === 'right' ? 'right' : 'left']?.value ?? null)
})
/** What no note means may name something to do, or a place to go to. */
const named = computed(() =>
  understood.value.kind === 'unknown' && note.value.trim() !== '' ? (matching(props.commands, note.value, 1)[0] ?? null) : null,
)
/** what the last note has done, until the next is typed */
const done = ref('')
watch(note, (text) => {
  if (text !== '') done.value = ''
})

function take(): void {
  const meant = understood.value
  if (named.value) {
    const { label, run } = named.value
    note.value = ''
    done.value = `${label}.`
    return run()
  }
  if (meant.kind === 'unknown') return
  if (meant.kind === 'move') {
    board.request([{ setting: meant.setting, side: meant.side, by: meant.by }])
    const there = placeOf(meant.setting)
    // The board of Measure shows whatever it moves, but not the soles.
    if (there.name === 'feet' || router.currentRoute.value.name !== 'measure') void router.push(there)
  } else {
    const definition = definitionOf(meant.key)
    const { owner } = definition
    const usual = usualMethod(definition, preferences.readingWay)
    const before = visit.reading(meant.key, meant.side)
    const method = meant.method !== null && methodsFor(definition).includes(meant.method) ? meant.method : methodOver(before?.method, usual)
    visit.setReading({
      key: meant.key,
      side: meant.side,
      value: meant.value,
      typed: meant.text.slice(0, 60),
      method,
      // What belongs to the contact points is noted as they stand now; the rest mends what is there.
      after: before && owner !== 'fit' ? before.after : visit.after,
      at: new Date().toISOString(),
      condition: 'usual',
      repeats: [],
    })
  }
  done.value = `${preferences.plain(meant.words)}: ${meant.kind === 'move' ? 'on the move card' : 'noted'}.`
  note.value = ''
}

/** The page that has a setting's field: "Why" moves nothing. */
function placeOf(setting: SettingKey) {
  const { station, page } = pageWith(setting)
  return addressOf(visit.head?.visitId, station, page)
}
defineExpose({ focus: () => field.value?.focus() })
</script>

<template>
  <div class="line">
    <input
      ref="field"
      v-model="note"
      class="plain-field"
      placeholder="cleat L back 4   ( / )"
      aria-label="Short note"
      aria-describedby="entry-line-meaning"
      autocomplete="off"
      spellcheck="false"
      maxlength="80"
      @focus="focused = true"
      @blur="((focused = false), (done = ''))"
      @keydown.enter.prevent="take"
      @keydown.esc.prevent="field?.blur()"
    />
    <p v-if="focused" id="entry-line-meaning" class="meaning small" :class="named ? 'move' : understood.kind" role="status">
      <template v-if="done">{{ done }}</template>
      <template v-else-if="named">{{ named.label }}<span class="muted"> · Enter goes there</span></template>
      <template v-else
        ><MessageText :of="understood.words" /><span v-if="understood.kind !== 'unknown'" class="muted"> · Enter takes it</span></template
      >
    </p>
  </div>
</template>

<style scoped>
.line {
  position: relative;
  width: 100%;
}
input {
  width: 100%;
  height: 34px;
}
.meaning {
  position: absolute;
  z-index: 5;
  top: 38px;
  right: 0;
  width: 100%;
  padding: 8px 10px;
  background: var(--panel);
  border: 1px solid var(--petrol);
  border-radius: 6px;
}
.unknown {
  border-color: var(--line);
  color: var(--muted);
}
</style>
