<script setup lang="ts">
import { ConfigProvider } from 'ant-design-vue'
import { computed } from 'vue'
import { usePreferences } from './stores/preferences.ts'
import { themeFor } from './theme.ts'

const preferences = usePreferences()
const theme = computed(() => themeFor(preferences.dark))
</script>

<template>
  <ConfigProvider :theme="theme" :wave="{ disabled: true }" :auto-insert-space-in-button="false">
    <RouterView />
  </ConfigProvider>
</template>
