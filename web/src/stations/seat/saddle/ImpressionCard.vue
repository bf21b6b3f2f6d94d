<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { PICTURE_LIMIT } from '@level-stance/core/record/attachments'
import { trimmed } from '@level-stance/core/kernel/entry'
import { useAttachments } from '../../../data/attachments.ts'
import FilePick from '../../../kit/FilePick.vue'
import ImpressionDrawer from './ImpressionDrawer.vue'
import RemoveButton from '../../../kit/RemoveButton.vue'

/** Pictures of impressions kept with the visit, and the way to a new one. */
const attachments = useAttachments()
const openId = ref<string | null>(null)
const problem = ref<string | null>(null)
const busy = ref(false)
const pictures = computed(() => attachments.list.filter((row) => row.kind === 'impression'))
const opened = computed(() => pictures.value.find((row) => row.id === openId.value) ?? null)

async function take(file: File): Promise<void> {
  problem.value = null
  if (file.size > PICTURE_LIMIT) {
    problem.value = `The picture has ${Math.ceil(file.size / 1024 / 1024)} MB; at most ${PICTURE_LIMIT / 1024 / 1024} MB are taken.`
    return
  }
  busy.value = true
  const added = await attachments.add('impression', file.name, file)
  busy.value = false
  if (typeof added === 'string') problem.value = added
  else openId.value = added.id
}
async function remove(id: string): Promise<void> {
  const answer = await attachments.write(id, {}, true)
  problem.value = answer.ok ? null : answer.message
}
</script>

<template>
  <section aria-label="Impressions" class="impressions">
    <h2>From an impression</h2>
    <p class="small muted">
      Card or foil on a firm flat seat, a sheet of known size under it; photograph sheet and dents together. Place data in the picture is
      removed.
    </p>
    <ul v-if="pictures.length > 0">
      <li v-for="picture in pictures" :key="picture.id">
        <img :src="`/api/attachments/${picture.id}/content`" alt="" width="56" height="42" loading="lazy" />
        <span
          >{{ picture.title }}
          <span class="muted small">{{ picture.marks ? 'marked' : 'not marked' }}, {{ trimmed(picture.bytes / 1024, 0) }} kB</span></span
        >
        <Button :aria-label="`Mark ${picture.title}`" @click="openId = picture.id">Mark</Button>
        <RemoveButton :what="picture.title" @remove="remove(picture.id)" />
      </li>
    </ul>
    <FilePick
      :label="busy ? 'Reading the picture…' : 'Take a picture'"
      accept="image/jpeg,image/png,image/webp"
      :busy="busy"
      name="Picture of an impression"
      @pick="take"
    />
    <p v-if="problem" class="warn small" role="alert">{{ problem }}</p>
    <p v-if="attachments.problem" class="warn small" role="alert">
      {{ attachments.problem }} <Button type="link" size="small" @click="attachments.load()">Try again</Button>
    </p>
    <ImpressionDrawer v-if="opened" :picture="opened" @close="openId = null" />
  </section>
</template>

<style scoped>
.impressions {
  display: grid;
  gap: 4px;
  justify-items: start;
}
ul {
  width: 100%;
  margin: 0;
  padding: 0;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: 56px minmax(0, 1fr) max-content max-content;
  gap: 8px;
  align-items: center;
  padding: 4px 0;
}
img {
  object-fit: cover;
  border: 1px solid var(--line);
}
</style>
