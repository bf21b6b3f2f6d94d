<script setup lang="ts">
import { AutoComplete, Modal } from 'ant-design-vue'
import { useMutationObserver } from '@vueuse/core'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { contract } from '@level-stance/core/contract/contract'
import { ask } from '../../data/client.ts'
import { atRest } from '../../kit/settled.ts'
import { commandGroups, matching } from './command.ts'
import type { Command } from './command.ts'

/** The list of everything that can be done, searched by a few letters; Ctrl+K opens it anywhere. */
const props = defineProps<{
  commands: readonly Command[]
  /** typed before the field was there */
  early: string
}>()
const emit = defineEmits<{ close: []; ready: [] }>()
const router = useRouter()
const MOST = 30
const typed = ref('')
const field = ref<{ focus: () => void } | null>(null)
/** riders whose name was typed */
const riders = ref<readonly Command[]>([])

onMounted(async () => {
  await nextTick()
  typed.value = props.early
  field.value?.focus()
  emit('ready')
  mend()
})

/** An older answer never replaces a newer one; without the server the rest of the list still works. */
const REST = 150
const find = atRest(async (name: string) => {
  if (name.trim().length < 2) return
  try {
    const { riders: rows } = await ask(contract.listRiders, { query: { search: name.trim() } })
    if (name !== typed.value) return
    riders.value = rows.slice(0, 6).map(({ id, name: label }) => ({
      key: `rider-${id}`,
      label,
      group: 'Riders',
      run: () => void router.push({ name: 'rider', params: { riderId: id } }),
    }))
  } catch {
    riders.value = []
  }
}, REST)
watch(typed, (name) => {
  riders.value = []
  find(name)
})

const found = computed(() => [...matching(props.commands, typed.value, MOST), ...riders.value])
const byKey = computed(() => new Map(found.value.map((command) => [command.key, command])))
const options = computed(() =>
  commandGroups.flatMap((label) => {
    const rows = found.value.filter(({ group }) => group === label)
    return rows.length === 0 ? [] : [{ label, options: rows.map(({ key }) => ({ value: key })) }]
  }),
)
/** The rows that are seen carry a state that only those of the list behind them may have. */
const box = useTemplateRef<HTMLElement>('box')
const mend = () =>
  box.value?.querySelectorAll('[aria-selected]:not([role="option"])').forEach((row) => row.removeAttribute('aria-selected'))
useMutationObserver(box, mend, { attributes: true, subtree: true, childList: true })

async function take(key: string): Promise<void> {
  const command = found.value.find((row) => row.key === key)
  emit('close')
  // The focus has gone back to the page before anything takes it.
  await nextTick()
  command?.run()
}
</script>

<template>
  <Modal :open="true" :footer="null" :closable="false" title="Go to, or do" :width="560" @cancel="$emit('close')">
    <div ref="box">
      <label for="command-search" class="visually-hidden">Search commands</label>
      <AutoComplete
        id="command-search"
        ref="field"
        :value="typed"
        :options="options"
        :open="true"
        :filter-option="false"
        default-active-first-option
        placeholder="saddle height, stance, try, a rider’s name"
        class="search"
        :list-height="400"
        :get-popup-container="(trigger: HTMLElement) => trigger.parentElement ?? trigger"
        @search="(text: string) => (typed = text)"
        @select="(key: unknown) => take(String(key))"
        @keydown.esc="$emit('close')"
      >
        <template #option="{ value, label }">
          <span v-if="byKey.has(value)" class="option" :data-command="value"
            >{{ byKey.get(value)?.label }}<kbd v-if="byKey.get(value)?.press">{{ byKey.get(value)?.press }}</kbd></span
          >
          <template v-else>{{ label }}</template>
        </template>
      </AutoComplete>
    </div>
    <p v-if="options.length === 0" class="muted small" role="status">Nothing by that name.</p>
    <div class="room" />
  </Modal>
</template>

<style scoped>
.search {
  width: 100%;
}
.option {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
/* The list is laid over the dialog: it keeps the room for it. */
.room {
  height: 400px;
}
</style>
