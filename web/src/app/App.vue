<script setup lang="ts">
import { ConfigProvider, StyleProvider } from 'ant-design-vue'
import { computed } from 'vue'
import { usePreferences } from '../data/preferences.ts'
import { lastingStyles, themeFor } from './theme.ts'

const preferences = usePreferences()
const styles = lastingStyles()
const theme = computed(() => themeFor(preferences.dark))
</script>

<template>
  <StyleProvider :cache="styles">
    <ConfigProvider :theme="theme" :wave="{ disabled: true }" :auto-insert-space-in-button="false">
      <RouterView />
    </ConfigProvider>
  </StyleProvider>
</template>
