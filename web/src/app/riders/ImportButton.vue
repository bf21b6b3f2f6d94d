<script setup lang="ts">
import { fieldOfEvent } from '../../kit/events.ts'
import { Button } from 'ant-design-vue'
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import { VISIT_FILE_MAX_BYTES, parseVisitFile } from '@level-stance/core/record/visitFile'
import { contract } from '@level-stance/core/contract/contract'
import { ask } from '../../data/client.ts'
import { once } from '../../data/keptId.ts'

const router = useRouter()
const field = ref<HTMLInputElement | null>(null)
const problem = ref<string | null>(null)
const busy = ref(false)

/** Checks the chosen file here, so that a wrong one is said at once, then stores it. */
async function take(event: Event): Promise<void> {
  const input = fieldOfEvent(event)
  const file = input.files?.[0]
  if (!file) return
  busy.value = true
  problem.value = null
  try {
    // Larger than any visit: refused without reading it.
    const text = file.size > VISIT_FILE_MAX_BYTES * 2 ? ' '.repeat(VISIT_FILE_MAX_BYTES + 1) : await file.text()
    parseVisitFile(text)
    const stored = await once(`import:${file.name}:${file.size}:${file.lastModified}`, (id) =>
      ask(contract.importVisit, { query: { id }, body: text }),
    )
    await router.push({ name: 'talk', params: { visitId: stored.visitId } })
  } catch (error) {
    problem.value = `${file.name.slice(0, 80)}: ${error instanceof Error ? error.message : 'it could not be read.'}`
  } finally {
    busy.value = false
    input.value = ''
  }
}
</script>

<template>
  <Button :loading="busy" @click="field?.click()">Open visit file</Button>
  <input
    ref="field"
    class="visually-hidden"
    type="file"
    accept=".json,application/json"
    aria-label="Visit file"
    tabindex="-1"
    @change="take"
  />
  <Teleport to="body">
    <div v-if="problem" class="notice stop" role="alert">
      <p>{{ problem }}</p>
      <Button @click="problem = null">Close</Button>
    </div>
  </Teleport>
</template>

<style scoped>
.notice {
  position: fixed;
  z-index: 20;
  left: 50%;
  bottom: 24px;
  display: flex;
  align-items: center;
  gap: 14px;
  width: min(720px, 90vw);
  transform: translateX(-50%);
}
.notice p {
  flex: 1;
  overflow-wrap: anywhere;
}
</style>
