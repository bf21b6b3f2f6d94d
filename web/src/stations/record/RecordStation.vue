<script setup lang="ts">
import { MessageText } from '../../glossary/MessageText.ts'
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { contract } from '@level-stance/core/contract/contract'
import { hrefOf } from '@level-stance/core/contract/route'
import { sheetOf } from '@level-stance/core/record/sheet'
import { toVisitFile } from '@level-stance/core/record/visitFile'
import { DrawnShapes } from '../../board/DrawnShapes.ts'
import MarkedBody from '../../complaint/MarkedBody.vue'
import { useOutbox } from '../../data/outbox.ts'
import { usePreferences } from '../../data/preferences.ts'
import { useVisit } from '../../data/visit.ts'

const visit = useVisit()
const outbox = useOutbox()
const preferences = usePreferences()
const sheet = computed(() => (visit.dossier ? sheetOf(toVisitFile(visit.dossier)) : null))
const pictures = computed(() => [...(sheet.value?.pictures ?? []), ...(sheet.value?.handPictures ?? [])])
const params = computed(() => ({ visitId: visit.dossier?.visit.id ?? '' }))
const pdf = computed(() => hrefOf(contract.readSheet, { params: params.value, query: { unit: preferences.unit } }))
const file = computed(() => hrefOf(contract.readVisitFile, { params: params.value }))
const day = computed(() =>
  sheet.value ? new Date(sheet.value.startedAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' }) : '',
)
const print = () => window.print()
</script>

<template>
  <div v-if="sheet" class="record">
    <div class="actions">
      <Button type="primary" size="large" @click="print">Print</Button>
      <Button size="large" :href="pdf" download>PDF</Button>
      <Button size="large" :href="file" download>Visit file (JSON)</Button>
      <span v-if="outbox.state !== 'saved'" class="small muted">PDF and file hold what is saved; something is still on its way.</span>
    </div>
    <article class="sheet" aria-label="Record sheet">
      <header>
        <h1>{{ sheet.rider }}</h1>
        <p class="muted">{{ sheet.bike }} · {{ sheet.visit }} · {{ day }}</p>
      </header>
      <p v-if="sheet.stop" class="stop"><MessageText :of="sheet.stop" /></p>
      <p v-for="words in sheet.blocks" :key="preferences.plain(words)" class="stop" data-testid="sheet-block">
        <MessageText :of="words" />
      </p>
      <div class="two">
        <section>
          <div class="complaints">
            <table>
              <thead>
                <tr>
                  <th scope="col">Complaints</th>
                  <th scope="col">before</th>
                  <th scope="col">now</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="row in sheet.complaints" :key="preferences.plain(row.title)">
                  <th scope="row">
                    <MessageText :of="row.title" /><span class="muted small note"><MessageText :of="row.note" /></span>
                  </th>
                  <td class="figure">{{ row.before }}</td>
                  <td class="figure" :class="{ changed: row.after !== null && row.before !== row.after }">
                    {{ row.after ?? (row.before === null ? 'never rated' : 'not rated again') }}
                  </td>
                </tr>
                <tr v-if="sheet.complaints.length === 0">
                  <td colspan="3" class="muted">None told.</td>
                </tr>
              </tbody>
            </table>
            <MarkedBody v-for="drawing in sheet.where" :key="drawing.view" :drawing="drawing" />
          </div>
          <table>
            <thead>
              <tr>
                <th scope="col">Contact points</th>
                <th scope="col">before</th>
                <th scope="col">after</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in sheet.settings" :key="row.label">
                <th scope="row">
                  {{ row.label }}<span class="muted small note"><MessageText :of="row.note" /></span>
                </th>
                <td class="figure"><MessageText :of="row.before" /></td>
                <td class="figure" :class="{ changed: row.changed }"><MessageText :of="row.after" /></td>
              </tr>
            </tbody>
          </table>
          <h2>Changes</h2>
          <ol v-if="sheet.changes.length > 0">
            <li v-for="change in sheet.changes" :key="preferences.plain(change.title) + change.state">
              <strong><MessageText :of="change.title" /></strong>, {{ change.state }}.
              <span v-if="change.ratings">Rated {{ change.ratings }}. </span
              ><span v-if="change.later" class="muted"><MessageText :of="change.later" /></span>
            </li>
          </ol>
          <p v-else class="muted">None yet.</p>
          <h2 v-if="pictures.length > 0">As it stands</h2>
          <figure v-for="{ title, box, shapes } in pictures" :key="title" class="picture">
            <svg :viewBox="`${box.x} ${box.y} ${box.width} ${box.height}`" role="img" :aria-label="title">
              <DrawnShapes :shapes="shapes" />
            </svg>
            <figcaption class="muted small">{{ title }}</figcaption>
          </figure>
        </section>
        <section class="readings">
          <table>
            <thead>
              <tr>
                <th scope="col">Readings at the start</th>
                <th scope="col">left</th>
                <th scope="col">right</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="row in sheet.readings" :key="row.label">
                <th scope="row">
                  {{ row.label }}<span class="muted small note">{{ row.how }}</span>
                </th>
                <td class="figure"><MessageText :of="row.left" /></td>
                <td class="figure"><MessageText :of="row.right" /></td>
              </tr>
            </tbody>
          </table>
          <p v-if="sheet.readings.length === 0" class="muted">None yet.</p>
        </section>
      </div>
      <footer>
        <p class="small muted">{{ sheet.basis }}</p>
        <p v-for="(caution, i) in sheet.cautions" :key="i" class="caution"><MessageText :of="caution" /></p>
      </footer>
    </article>
  </div>
</template>

<style scoped>
.picture {
  margin: 8px 0 0;
  break-inside: avoid;
}
.picture svg {
  width: 100%;
  max-height: 340px;
}
.record {
  height: 100%;
  overflow-y: auto;
  padding: 14px 20px 30px;
}
.actions {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-bottom: 12px;
}
.sheet {
  display: grid;
  gap: 14px;
  max-width: 1120px;
  padding: 22px 28px;
  background: var(--panel);
  border: 1px solid var(--line);
  border-radius: 6px;
}
.sheet h1 {
  font-size: 28px;
}
.complaints {
  display: flex;
  align-items: start;
  gap: 14px;
}
.complaints table {
  flex: 1;
}
.complaints svg {
  flex: none;
  height: 210px;
}
.two {
  display: grid;
  grid-template-columns: 1.15fr 1fr;
  gap: 32px;
}
section {
  display: grid;
  align-content: start;
  gap: 14px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 400;
}
thead th {
  font-weight: 600;
  padding-bottom: 4px;
}
thead th + th {
  text-align: right;
  color: var(--muted);
  font-weight: 400;
  font-size: 14px;
}
td {
  padding-left: 10px;
  text-align: right;
  white-space: nowrap;
  font-weight: 400;
}
td.changed {
  font-weight: 600;
  color: var(--petrol);
}
tbody th,
tbody td {
  padding-block: 4px;
  border-top: 1px solid var(--line);
}
ol {
  margin: 0;
  padding-left: 20px;
}

.note {
  margin-left: 8px;
}
footer {
  display: grid;
  gap: 6px;
}
@media screen and (max-width: 1000px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media screen and (max-width: 700px) {
  .record {
    height: auto;
    padding: 14px 12px;
  }
  .actions {
    flex-wrap: wrap;
  }
  .sheet {
    padding: 14px;
  }
  td {
    white-space: normal;
  }
}
@media print {
  .two {
    display: block;
  }
  /* Many readings go on in two columns, and on to the next page. */
  .readings {
    display: block;
    margin-top: 14px;
    columns: 2;
    column-gap: 28px;
    font-size: 11px;
  }
  .complaints svg {
    height: 130px;
  }
  .actions {
    display: none;
  }
  .record {
    padding: 0;
    overflow: visible;
  }
  .sheet {
    border: 0;
    padding: 0;
    font-size: 12px;
    gap: 8px;
  }
  .sheet .small,
  .sheet .caution,
  .sheet thead th + th {
    font-size: 10.5px;
  }
  .sheet h2 {
    font-size: 13px;
  }
  tbody th,
  tbody td {
    padding-block: 2px;
  }
  .readings tbody :is(th, td) {
    padding-block: 1px;
  }
}
</style>
