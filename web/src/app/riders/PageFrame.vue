<script setup lang="ts">
import { Button } from 'ant-design-vue'
import MouldingClock from '../../clock/MouldingClock.vue'
import { useAppCommands } from '../commands/appCommands.ts'
import CommandPalette from '../commands/CommandPalette.vue'
import { usePreferences } from '../../data/preferences.ts'

const preferences = usePreferences()
const commands = useAppCommands()
</script>

<template>
  <div class="page">
    <header>
      <RouterLink to="/riders" class="brand">
        <svg viewBox="0 0 54 22" aria-hidden="true">
          <rect x="1.5" y="2.5" width="51" height="17" rx="8.5" class="glass" />
          <path d="M19 2.5v17M35 2.5v17" class="mark" />
          <ellipse cx="27" cy="11" rx="6" ry="4.5" class="bubble" />
        </svg>
        Level Stance
      </RouterLink>
      <MouldingClock class="clock" />
      <Button @click="preferences.toggleScheme()">{{ preferences.dark ? 'Light' : 'Dim' }}</Button>
    </header>
    <main><slot /></main>
    <CommandPalette :commands="commands" />
    <footer class="small muted">Advises on equipment; does not diagnose. Makers’ instructions and event rules come first.</footer>
  </div>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  height: 62px;
  padding: 0 24px;
  border-bottom: 1px solid var(--line);
}
.clock {
  margin: 0 12px 0 auto;
}
.brand {
  display: flex;
  align-items: center;
  gap: 12px;
  color: var(--ink);
  font-size: 20px;
  font-weight: 600;
  text-decoration: none;
}
.brand svg {
  width: 54px;
}
.glass {
  fill: var(--glass);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.mark {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.bubble {
  fill: var(--bubble);
}
header button {
  height: 40px;
  padding: 0 14px;
  border: 1px solid var(--line);
  border-radius: 6px;
  background: var(--panel);
  color: var(--petrol);
  font:
    600 15px Barlow,
    sans-serif;
  cursor: pointer;
}
main {
  max-width: 980px;
  margin: 0 auto;
  padding: 24px;
}
footer {
  max-width: 980px;
  margin: 0 auto;
  padding: 0 24px 24px;
}
</style>
