<script setup lang="ts">
import { Collapse, CollapsePanel } from 'ant-design-vue'
import { ref, watch } from 'vue'

/** Something that is there when it is wanted: folded under its name. */
const props = withDefaults(defineProps<{ title: string; open?: boolean }>(), { open: false })
const keys = ref<string[]>([])
watch(
  () => props.open,
  (open) => (keys.value = open ? ['in'] : []),
  { immediate: true },
)
</script>

<template>
  <Collapse v-model:active-key="keys" class="fold" ghost :bordered="false">
    <CollapsePanel key="in" :header="title"><slot /></CollapsePanel>
  </Collapse>
</template>

<style scoped>
.fold :deep(.ant-collapse-header.ant-collapse-header) {
  min-height: 40px;
  padding: 8px 0;
  color: var(--petrol);
  font-weight: 600;
}
.fold :deep(.ant-collapse-content-box.ant-collapse-content-box) {
  display: grid;
  gap: 6px;
  padding: 0 0 8px;
}
</style>
