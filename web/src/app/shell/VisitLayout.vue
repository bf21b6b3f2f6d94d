<script setup lang="ts">
import { SearchOutlined } from '@ant-design/icons-vue'
import { Button } from 'ant-design-vue'
import { useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { ApiError } from '../../data/client.ts'
import ChangeTimeline from '../../move/ChangeTimeline.vue'
import ComplaintChip from '../../complaint/ComplaintChip.vue'
import ConflictBar from '../../saving/ConflictBar.vue'
import MouldingClock from '../../clock/MouldingClock.vue'
import SaveMark from '../../saving/SaveMark.vue'
import StopBanner from '../../finding/StopBanner.vue'
import RestoreBar from '../../saving/RestoreBar.vue'
import { ofPress } from '../commands/command.ts'
import CommandPalette from '../commands/CommandPalette.vue'
import { useVisitCommands } from '../commands/visitCommands.ts'
import { cannotKeep } from '../../kit/browserStorage.ts'
import { useDrafts } from '../../data/drafts.ts'
import { useOutbox } from '../../data/outbox.ts'
import { usePreferences } from '../../data/preferences.ts'
import { useBoard } from '../../data/board.ts'
import { useVisit } from '../../data/visit.ts'
import EntryLine from './EntryLine.vue'
import KeysHelp from './KeysHelp.vue'
import StationRail from './StationRail.vue'

const props = defineProps<{ visitId: string }>()
const visit = useVisit()
const board = useBoard()
const drafts = useDrafts()
const outbox = useOutbox()
const preferences = usePreferences()
const route = useRoute()
const problem = ref<string | null>(null)
const helpOpen = ref(false)
const entryLine = ref<InstanceType<typeof EntryLine> | null>(null)
const commandPalette = ref<InstanceType<typeof CommandPalette> | null>(null)
const commands = useVisitCommands(() => props.visitId, {
  note: () => entryLine.value?.focus(),
  help: () => (helpOpen.value = true),
})
function listCommands(): void {
  helpOpen.value = false
  commandPalette.value?.show()
}

/** While the server is away the page asks again by itself. */
const ASK_AGAIN = 2000
let again: ReturnType<typeof setTimeout> | undefined
async function load(): Promise<void> {
  clearTimeout(again)
  const asked = props.visitId
  try {
    await visit.open(asked)
    problem.value = null
  } catch (error) {
    if (asked !== props.visitId) return
    if (!(error instanceof ApiError) || error.status >= 500) again = setTimeout(() => void load(), ASK_AGAIN)
    problem.value =
      error instanceof ApiError && error.status < 500
        ? 'This visit was not found. It may have been removed, or the address is incomplete.'
        : error instanceof Error
          ? error.message
          : 'It could not be opened.'
  }
}
watch(
  () => props.visitId,
  () => {
    problem.value = null
    void load()
  },
  { immediate: true },
)
onBeforeUnmount(() => clearTimeout(again))

useEventListener(document, 'visibilitychange', () => {
  const typing = document.activeElement instanceof HTMLInputElement
  if (document.visibilityState === 'visible' && !typing && !drafts.any(props.visitId)) visit.refresh().catch(() => {})
})

const isField = (target: EventTarget | null): target is HTMLElement =>
  target instanceof HTMLElement &&
  (target.matches('input:not([type=radio], [type=checkbox]), textarea, select') || target.isContentEditable)

/** A field that went from the page while it was being typed in: what is typed on is no command. */
let vanished: Element | null = null
useEventListener(document, 'focusin', ({ target }) => (vanished = isField(target) ? target : null))
useEventListener(document, 'focusout', () =>
  queueMicrotask(() => {
    if (vanished?.isConnected) vanished = null
  }),
)
useEventListener(document, 'pointerdown', () => (vanished = null))
const typesOn = () => vanished !== null && !vanished.isConnected

/** A dialog or drawer is open over the page: its keys are its own. */
const isCovered = () => document.querySelector('.ant-modal-wrap, .ant-drawer-open') !== null
/** Single keys do things only while nothing is being typed. */
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  if (event.key === 'Escape') {
    helpOpen.value = false
    vanished = null
  }
  if (event.ctrlKey || event.metaKey || event.altKey || isField(event.target) || isCovered() || typesOn()) return
  const command = ofPress(commands.value, event.key)
  if (!command) return
  event.preventDefault()
  command.run()
})

const proposed = computed(() => (board.canTry ? board.nowWords : null))
</script>

<template>
  <div class="frame">
    <StationRail :visit-id="visitId" />
    <div class="main">
      <header v-if="visit.head" class="head">
        <div class="who">
          <h1>
            <RouterLink :to="{ name: 'rider', params: { riderId: visit.head.riderId } }">{{ visit.head.rider }}</RouterLink>
          </h1>
          <p class="muted">{{ visit.head.bike }} · {{ visit.head.title.toLowerCase() }}</p>
        </div>
        <div v-if="route.name !== 'talk'" class="chips" :class="{ many: visit.complaints.length > 2 }">
          <ComplaintChip
            v-for="complaint in visit.complaints"
            :key="complaint.id"
            :complaint="complaint"
            :now="visit.severities.get(complaint.id) ?? null"
            :is-asked="visit.isAsked(complaint.id)"
          />
        </div>
        <div class="side">
          <EntryLine ref="entryLine" :commands="commands" />
          <div class="tools">
            <MouldingClock />
            <SaveMark />
            <Button
              :aria-label="`Lengths in ${preferences.unit === 'mm' ? 'millimetres' : 'inches'}; change`"
              @click="preferences.unit = preferences.unit === 'mm' ? 'in' : 'mm'"
            >
              {{ preferences.unit }}
            </Button>
            <Button @click="preferences.toggleScheme()">{{ preferences.dark ? 'Light' : 'Dim' }}</Button>
            <Button aria-label="All commands" title="Ctrl+K" @click="listCommands"><SearchOutlined aria-hidden="true" /></Button>
            <Button aria-label="Keys and help" @click="helpOpen = true">?</Button>
          </div>
        </div>
      </header>
      <ConflictBar />
      <StopBanner />
      <div v-if="visit.shownUpTo !== null" class="past" role="status">
        Showing the bike as it was. <Button @click="visit.shownUpTo = null">Back to now</Button>
      </div>
      <div v-if="outbox.state === 'unreachable'" class="past gone small" role="status" data-testid="server-gone">
        The server cannot be reached. Readings, moves, ratings and causes go on, and are kept in this window until it answers. Pictures,
        catalogues, PDF and the list of riders wait for it.
      </div>
      <div v-if="cannotKeep" class="past gone small" role="status" data-testid="cannot-keep">
        This browser cannot keep what is typed: its storage is full, or switched off. What says “Saved” is safe on the server; do not close
        or reload this window while it says anything else.
      </div>
      <main v-if="visit.head" class="body">
        <RouterView />
      </main>
      <main v-else class="body lost">
        <template v-if="problem">
          <p>{{ problem }}</p>
          <p><Button @click="load">Try again</Button> <RouterLink to="/riders">All riders</RouterLink></p>
        </template>
        <p v-else class="muted">Opening the visit…</p>
      </main>
      <ChangeTimeline v-if="visit.head && route.name !== 'record'" :proposed="proposed" />
    </div>
    <RestoreBar />
    <KeysHelp v-if="helpOpen" :commands="commands" @close="helpOpen = false" @list="listCommands" />
    <CommandPalette ref="commandPalette" :commands="commands" />
  </div>
</template>

<style scoped>
.frame {
  display: grid;
  grid-template-columns: var(--rail) minmax(0, 1fr);
  grid-template-rows: minmax(0, 1fr);
  height: 100%;
}
.main {
  display: flex;
  flex-direction: column;
  min-height: 0;
  min-width: 0;
}
.head {
  display: flex;
  align-items: center;
  gap: 16px;
  min-height: 62px;
  padding: 6px 20px;
  border-bottom: 1px solid var(--line);
}
.who {
  flex: none;
  max-width: 260px;
}
.who h1,
.who p {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.who p {
  font-size: 14px;
}
.who a {
  color: inherit;
  text-decoration: none;
}
.who a:hover {
  text-decoration: underline;
}
.chips {
  display: flex;
  flex: 1;
  flex-wrap: wrap;
  gap: 4px 8px;
  min-width: 0;
  max-height: 60px;
  overflow-y: auto;
}
.chips.many :deep(.chip) {
  height: 27px;
  padding: 0 8px;
  font-size: 14px;
}
.chips.many :deep(.chip svg) {
  width: 30px;
}
.side {
  flex: none;
  margin-left: auto;
  display: grid;
  justify-items: end;
  gap: 2px;
  width: 300px;
}
.tools {
  display: flex;
  align-items: center;
  gap: 4px;
  min-height: 24px;
}
.tools button,
.past button {
  min-width: 40px;
  height: 24px;
  padding: 0 8px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--panel);
  color: var(--petrol);
  font:
    600 14px Barlow,
    sans-serif;
  cursor: pointer;
}
@media (pointer: coarse) {
  .tools button,
  .past button {
    height: 40px;
  }
}
.past {
  padding: 6px 20px;
  background: var(--petrol-soft);
}
.gone {
  background: var(--brick-soft);
}
.body {
  flex: 1;
  min-height: 0;
}
.lost {
  display: grid;
  place-content: center;
  gap: 12px;
}
/* A tablet: complaints on a line of their own that scrolls sideways. */
@media (max-width: 1100px) {
  .head {
    flex-wrap: wrap;
    gap: 4px 12px;
    padding: 6px 14px;
  }
  .chips {
    order: 3;
    flex: 0 0 100%;
    flex-wrap: nowrap;
    max-height: none;
    overflow: auto hidden;
  }
  .chips :deep(.chip) {
    flex: none;
  }
}
/* A phone: the page scrolls as a whole, and the stations stand at its foot. */
@media (max-width: 700px) {
  .frame {
    display: block;
    height: auto;
    min-height: 100%;
    padding-bottom: 64px;
  }
  .body {
    min-height: 60vh;
  }
  .who {
    max-width: 100%;
  }
  .side {
    width: 100%;
    margin: 0;
    justify-items: start;
  }
  .tools {
    flex-wrap: wrap;
  }
}
@media print {
  .frame {
    display: block;
    height: auto;
  }
  .head {
    display: none;
  }
}
</style>
