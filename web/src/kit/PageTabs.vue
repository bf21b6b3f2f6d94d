<script setup lang="ts" generic="Key extends string">
/** A few pages of one column, one shown at a time. */
defineProps<{ pages: readonly { readonly key: Key; readonly label: string; readonly note?: string }[]; shown: Key; label: string }>()
defineEmits<{ show: [key: Key] }>()
</script>

<template>
  <div class="pages" role="tablist" :aria-label="label">
    <button
      v-for="page in pages"
      :key="page.key"
      type="button"
      role="tab"
      :aria-selected="page.key === shown"
      @click="$emit('show', page.key)"
    >
      {{ page.label }}<span v-if="page.note" class="note">{{ page.note }}</span>
    </button>
  </div>
</template>

<style scoped>
.pages {
  display: flex;
  gap: 2px;
  border-bottom: 1px solid var(--line);
}
button {
  flex: 1;
  min-height: 40px;
  padding: 2px 4px;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  color: var(--muted);
  font: inherit;
  font-size: 15px;
  font-weight: 600;
  cursor: pointer;
}
button[aria-selected='true'] {
  border-bottom-color: var(--petrol);
  color: var(--ink);
}
.note {
  margin-left: 4px;
  font-size: 13px;
  font-weight: 400;
}
@media (max-width: 1100px) {
  .pages {
    flex-wrap: wrap;
  }
  .pages button {
    flex-basis: auto;
    padding: 2px 9px;
    white-space: nowrap;
  }
}
</style>
