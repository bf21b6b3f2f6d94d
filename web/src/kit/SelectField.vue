<script setup lang="ts" generic="Key extends string">
import { Select } from 'ant-design-vue'
import { useMutationObserver } from '@vueuse/core'
import { computed, onMounted, ref, useTemplateRef, watch } from 'vue'
import { goToNextReading } from './nextReading.ts'
import { entriesOf } from '@level-stance/core/kernel/tables'

/**
 * A list to choose one or several words from, with search. The library's select leaves its field
 * without a name and points at a list that is not there while it is closed: both are mended here.
 */
const props = defineProps<{
  label: string
  value: Key | readonly Key[] | null
  options: Readonly<Record<Key, string>>
  placeholder?: string
  many?: boolean
  /** one may be taken back */
  clearable?: boolean
  size?: 'large'
  fieldId?: string
  disabled?: boolean
  /** keys that cannot be chosen now */
  closed?: readonly Key[]
  /** attributes of its field; null takes one off */
  marks?: Readonly<Record<string, string | null>>
}>()
const emit = defineEmits<{ pick: [key: Key | null]; picks: [keys: Key[]] }>()

const rows = computed(() =>
  entriesOf(props.options).map(([value, label]) => ({
    value,
    label,
    disabled: props.closed?.includes(value) === true,
  })),
)
const chosen = computed(() => (props.many ? [...(Array.isArray(props.value) ? props.value : [])] : (props.value ?? undefined)))
const frame = useTemplateRef<HTMLElement>('frame')
const open = ref(false)

/** Name and state of the field, as a screen reader hears them. */
function mend(): void {
  const field = frame.value?.querySelector('input[role="combobox"]')
  if (!field) return
  const wanted: Readonly<Record<string, string | null>> = {
    'aria-label': props.label,
    'aria-expanded': String(open.value),
    ...props.marks,
    ...(open.value ? {} : { 'aria-controls': null, 'aria-owns': null, 'aria-activedescendant': null }),
  }
  for (const [name, value] of Object.entries(wanted)) {
    if (field.getAttribute(name) === value) continue
    if (value === null) field.removeAttribute(name)
    else field.setAttribute(name, value)
  }
}
onMounted(mend)
watch(() => [props.label, props.marks], mend, { flush: 'post' })
useMutationObserver(frame, mend, { attributes: true, subtree: true, childList: true })

/** Sizes of parts have a space that does not break: a typed one means the same. */
const plain = (text: unknown) => String(text).replaceAll('\u00A0', ' ').toLowerCase()
const isMeant = (typed: string, option?: { readonly label?: unknown }) => plain(option?.label ?? '').includes(plain(typed.trim()))

/** What is typed to find an entry: then Enter takes the first one found. */
const searched = ref('')
function show(isOpen: boolean): void {
  open.value = isOpen
  if (!isOpen) searched.value = ''
}
const isMarked = () =>
  document.querySelector('.ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option-active') !== null
/** In a reading Enter goes on; in a list it takes what the hand has marked, and never what merely stands first. */
function enter(event: KeyboardEvent): void {
  const isReading = props.marks !== undefined && 'data-reading' in props.marks
  if (open.value ? searched.value !== '' || isMarked() : !isReading) return
  event.preventDefault()
  event.stopPropagation()
  show(false)
  if (isReading && event.target instanceof HTMLElement) goToNextReading(event.target, event.shiftKey)
}

function pick(value: unknown): void {
  if (props.many) emit('picks', value as Key[])
  else emit('pick', (value as Key | undefined) ?? null)
}
</script>

<template>
  <div ref="frame" @keydown.enter.capture="enter">
    <Select
      v-bind="{ ...(many ? { mode: 'multiple' as const } : {}), ...(size ? { size } : {}), ...(fieldId ? { id: fieldId } : {}) }"
      class="pick"
      :value="chosen as never"
      :options="rows"
      :placeholder="placeholder ?? ''"
      :allow-clear="clearable === true"
      :disabled="disabled === true"
      :dropdown-match-select-width="false"
      show-search
      :open="open"
      :default-active-first-option="searched !== ''"
      :filter-option="isMeant"
      @dropdown-visible-change="show"
      @search="(text: string) => (searched = text)"
      @change="pick"
    />
  </div>
</template>

<style scoped>
.pick {
  width: 100%;
}
.pick :deep(.ant-select-selection-placeholder) {
  color: var(--muted);
}
</style>
