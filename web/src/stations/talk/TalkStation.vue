<script setup lang="ts">
import { isKeyOf } from '@level-stance/core/kernel/tables'
import { addressOf } from '../../address/stations.ts'
import { Button, Drawer, Segmented, Skeleton } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { LIKELY } from '@level-stance/core/reason/arithmetic'
import { causeOf, causePage } from '@level-stance/core/reason/causeTable'
import type { RankedCause } from '@level-stance/core/reason/rank'
import { symptomOf } from '@level-stance/core/reason/symptomTable'
import { anyCalculation } from '@level-stance/core/kernel/calculation'
import { causeEvidence, complaintCauses } from '@level-stance/core/record/reason.calculations'
import { toVisitFile } from '@level-stance/core/record/visitFile'
import type { WorkingRun } from '@level-stance/core/station/station'
import { complaintTitle, freshComplaint, isTold } from '@level-stance/core/talk/complaint'
import type { Complaint, ComplaintPlace } from '@level-stance/core/talk/complaint'
import type { ControlSymptomKey } from '@level-stance/core/talk/controlSymptoms'
import { ridingWords } from '@level-stance/core/talk/riding'
import CauseRanking from '../../reasoning/CauseRanking.vue'
import FirstMoveList from '../../reasoning/FirstMoveList.vue'
import MoveCard from '../../move/MoveCard.vue'
import ActFoot from '../ActFoot.vue'
import NextReadingList from '../../reasoning/NextReadingList.vue'
import RidingForm from '../../complaint/RidingForm.vue'
import WorkingButton from '../../working/WorkingButton.vue'
import TrialCard from '../../move/TrialCard.vue'
import { useBoard } from '../../data/board.ts'
import { useReasoning } from '../../data/reasoning.ts'
import { useLastRemoved } from '../../data/lastRemoved.ts'
import { useVisit } from '../../data/visit.ts'
import BodyMap from './BodyMap.vue'
import ComplaintForm from './ComplaintForm.vue'
import ControlList from './ControlList.vue'
import LastVisit from './LastVisit.vue'

/** From what the rider tells to the first move: places and symptoms, ranked causes, what to read next, what to try first. */
const visit = useVisit()
const lastRemoved = useLastRemoved()
const board = useBoard()
const reasoning = useReasoning()
const route = useRoute()
const router = useRouter()

const pictures = { body: 'Body', detail: 'Palms, feet', control: 'Control' } as const
type Picture = keyof typeof pictures
const picture = ref<Picture>('body')
const pictureOptions = Object.entries(pictures).map(([value, label]) => ({ value, label }))
const adding = ref(false)
const ridingOpen = ref(false)

/** The address names the complaint that is looked at; without one, all together. */
const open = computed(() => visit.complaints.find(({ id }) => id === route.query['complaint']) ?? null)
watch(
  () => open.value?.id ?? null,
  (id) => {
    reasoning.focus = id
    adding.value = false
  },
  { immediate: true },
)
const look = (id: string | null) => void router.replace({ query: id === null ? {} : { complaint: id } })

function start(at: Pick<Complaint, 'places' | 'control'>): void {
  const complaint = freshComplaint(crypto.randomUUID(), at)
  visit.setComplaint(complaint)
  look(complaint.id)
}
const isAt = ({ places }: Complaint, { region, side }: ComplaintPlace) =>
  places.some((place) => place.region === region && (place.side === side || place.side === 'both'))

/** A place picked: added to the complaint that is open, or taken back from it; else opens what was told there, or starts anew. */
function pick(place: ComplaintPlace): void {
  if (adding.value && open.value) return void visit.setComplaint({ ...open.value, places: withPlace(open.value, place) })
  const told = visit.complaints.find((complaint) => isAt(complaint, place))
  if (told) look(told.id)
  else start({ places: [place], control: null })
}
function withPlace({ places }: Complaint, place: ComplaintPlace): Complaint['places'] {
  const before = places.find(({ region }) => region === place.region)
  if (before === undefined) return [...places, place]
  if (before.side === place.side && places.length > 1) return places.filter((other) => other !== before)
  return places.map((other) => (other === before && other.side !== place.side ? { ...other, side: 'both' as const } : other))
}
function pickControl(control: ControlSymptomKey): void {
  const told = visit.complaints.find((complaint) => complaint.control === control)
  if (told) look(told.id)
  else start({ places: [], control })
}
const toldControls = computed(() => visit.complaints.flatMap(({ control }) => control ?? []))

const shown = computed(() => reasoning.reasoning?.complaints.find(({ id }) => id === open.value?.id) ?? null)
const causes = computed(() => (reasoning.reasoning?.focus === (open.value?.id ?? null) ? (reasoning.reasoned?.causes ?? []) : []))
const heading = computed(() =>
  open.value ? (shown.value?.why ?? '') : visit.complaints.length > 1 ? 'All together' : (reasoning.reasoning?.complaints[0]?.why ?? ''),
)
const nearest = computed(() => shown.value?.nearest.map((key) => symptomOf(key).label.toLowerCase()) ?? [])
const looks = computed(() => [
  ...new Set((open.value ? [shown.value] : (reasoning.reasoning?.complaints ?? [])).flatMap((one) => one?.look ?? [])),
])
const explained = ({ explains }: RankedCause) => explains.length
const wide = computed(() =>
  open.value || visit.complaints.length < 2 ? [] : causes.value.filter((row) => explained(row) > 1 && row.probability >= LIKELY),
)

function go({ cause }: RankedCause): void {
  const { station } = causeOf(cause)
  const page = causePage(cause, visit.bar)
  void router.push(addressOf(visit.head?.visitId, station, page))
}
/** The reasoner over this very visit, as its file would be exported. */
function working(): WorkingRun[] {
  if (visit.dossier === null) return []
  const file = toVisitFile(visit.dossier)
  const leader = causes.value[0]?.cause
  const evidence =
    leader === undefined
      ? []
      : [
          {
            heading: causeOf(leader).label,
            calculation: anyCalculation(causeEvidence),
            input: { visit: file, cause: leader },
            plusMinus: {},
          },
        ]
  return [{ heading: 'Causes', calculation: anyCalculation(complaintCauses), input: { visit: file }, plusMinus: {} }, ...evidence]
}
const untold = computed(() => visit.complaints.filter((complaint) => !isTold(complaint)))
const riding = computed(() => ridingWords(visit.riding))
function remove(complaint: Complaint): void {
  visit.setComplaint(complaint, true)
  lastRemoved.offer(`${complaintTitle(complaint)} removed.`, () => visit.setComplaint(complaint))
  look(null)
}
</script>

<template>
  <div :class="{ trying: visit.folded.trying !== null }" class="columns">
    <section class="map" aria-label="Where it hurts or fails">
      <Segmented
        :value="picture"
        :options="pictureOptions"
        block
        aria-label="Picture"
        @change="(v) => isKeyOf(pictures, v) && (picture = v)"
      />
      <div class="picture">
        <ControlList v-if="picture === 'control'" :told="toldControls" @pick="pickControl" />
        <BodyMap
          v-else-if="picture === 'body'"
          :views="['front', 'back']"
          :complaints="visit.complaints"
          :open="open?.id ?? null"
          @pick="pick"
        />
        <div v-else class="details">
          <BodyMap :views="['palm']" :complaints="visit.complaints" :open="open?.id ?? null" @pick="pick" />
          <BodyMap :views="['sole']" :complaints="visit.complaints" :open="open?.id ?? null" @pick="pick" />
        </div>
      </div>
      <div class="how">
        <Button @click="ridingOpen = true">{{ riding === '' ? 'How do they ride?' : 'Riding' }}</Button>
        <p class="small muted">{{ riding === '' ? 'Kinds, hours, injuries, aims: half a minute, all optional.' : riding }}</p>
      </div>
    </section>

    <section class="why" aria-label="Complaint and causes">
      <LastVisit v-if="open === null && visit.ledger.length === 0" />
      <template v-if="visit.complaints.length === 0">
        <h1>What hurts or fails?</h1>
        <p class="empty">
          Ask what hurts, where exactly, when it starts and in which position; then point at it on the body. What fails without hurting is
          under “Control”. The rider’s word outranks every number.
        </p>
      </template>
      <template v-else>
        <div v-if="visit.complaints.length > 1" class="tabs" role="group" aria-label="Complaints">
          <Button size="small" :type="open === null ? 'primary' : 'default'" :aria-pressed="open === null" @click="look(null)"
            >All together</Button
          >
          <Button
            v-for="complaint in visit.complaints"
            :key="complaint.id"
            size="small"
            :type="open?.id === complaint.id ? 'primary' : 'default'"
            :aria-pressed="open?.id === complaint.id"
            :data-testid="`complaint-${complaint.control ?? complaint.places[0]?.region}`"
            @click="look(complaint.id)"
            >{{ complaintTitle(complaint) }} <span class="figure">{{ visit.severities.get(complaint.id) ?? '?' }}</span></Button
          >
        </div>
        <h1 v-if="open">{{ complaintTitle(open) }}</h1>
        <ComplaintForm
          v-if="open"
          v-model:adding="adding"
          :complaint="open"
          @change="(changed) => visit.setComplaint(changed)"
          @remove="remove(open)"
        />
        <p v-else-if="visit.complaints.length === 1">
          <Button @click="look(visit.complaints[0]?.id ?? null)"
            >{{ visit.complaints[0] ? complaintTitle(visit.complaints[0]) : '' }}: change what was told</Button
          >
        </p>
        <p v-for="complaint in open ? [] : untold" :key="complaint.id" class="caution small">
          {{ complaintTitle(complaint) }}: say what it is like and how bad.
        </p>
        <template v-if="reasoning.trouble"
          ><p class="stop" role="alert">
            Causes cannot be worked out in this window. Reload the page; what was entered is stored.
          </p></template
        >
        <template v-else-if="reasoning.reasoning && reasoning.isOfThese">
          <h2 class="heading">{{ heading }} <WorkingButton :runs="working" /></h2>
          <p v-if="open && !isTold(open)" class="caution small">Say what it is like and how bad, for a first move.</p>
          <template v-if="causes.length > 0">
            <p class="small muted">
              Ordered by what was told and read. Weights are this product’s own; they order the search, they do not diagnose.
            </p>
            <p v-for="row in wide.slice(0, 1)" :key="row.cause" class="small">
              {{ causeOf(row.cause).label }} explains {{ explained(row) }} of {{ visit.complaints.length }} complaints.
            </p>
            <CauseRanking :causes="causes" :left-over="reasoning.reasoned?.leftOver ?? null" @go="go" />
          </template>
          <template v-else-if="shown">
            <p class="caution">
              No contact point is a usual cause of this.
              {{ nearest.length > 0 ? `Nearest here: ${nearest.join('; ')}. Is it one of them?` : '' }} Otherwise: bike check, training
              load, or a clinician.
            </p>
          </template>
          <p v-for="words in looks" :key="words" class="caution small">{{ words }}</p>
        </template>
        <div v-else role="status" aria-label="Working out the causes"><Skeleton active :paragraph="{ rows: 6 }" /></div>
      </template>
    </section>

    <section v-if="!visit.folded.trying" class="act" aria-label="What to read and try">
      <template v-if="visit.complaints.length === 0">
        <h2>Then</h2>
        <p class="muted">Causes, the readings that decide between them, and what to try first stand here as soon as something is told.</p>
      </template>
      <template v-else>
        <template v-if="reasoning.reasoning && reasoning.isOfThese">
          <h2>Read next</h2>
          <NextReadingList />
          <h2 class="try">Try first</h2>
          <p v-if="reasoning.reasoning.isStopped" class="stop">
            A warning sign is positive: nothing is offered. Refer to a clinician first.
          </p>
          <template v-else>
            <p v-if="reasoning.reasoning.hasToAsk" class="caution small">Ask the warning signs first.</p>
            <p v-if="(reasoning.reasoned?.moves.length ?? 0) === 0" class="small muted">
              {{
                untold.length > 0
                  ? 'As soon as it is told what it is like and how bad.'
                  : (reasoning.reasoned?.next.length ?? 0) > 0
                    ? 'Nothing read so far speaks for a move. Read first what stands above.'
                    : 'No cause here is likely enough to move anything for.'
              }}
            </p>
            <FirstMoveList />
          </template>
        </template>
      </template>
    </section>
    <ActFoot class="foot">
      <TrialCard v-if="visit.folded.trying" :change="visit.folded.trying" />
      <MoveCard v-else-if="board.active" :fields="[]" />
    </ActFoot>
    <Drawer v-model:open="ridingOpen" title="How the rider rides" placement="left" :width="460" :mask="false">
      <RidingForm :riding="visit.riding" @change="(riding) => visit.setVisit({ riding })" />
    </Drawer>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template:
    'map why act' minmax(0, 1fr)
    'map foot foot' auto / 404px minmax(0, 1fr) 372px;
  height: 100%;
  min-height: 0;
}
.map {
  grid-area: map;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 8px;
  min-height: 0;
  padding: 10px 12px;
  background: var(--panel);
  border-right: 1px solid var(--line);
}
.picture {
  min-height: 0;
  overflow-y: auto;
}
.details {
  display: grid;
  grid-template-rows: 1fr 1fr;
  gap: 8px;
  height: 100%;
}
.how {
  display: flex;
  align-items: center;
  gap: 10px;
}
.how p {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 2;
}
.why,
.act {
  overflow-y: auto;
  padding: 12px 16px;
}
.why {
  grid-area: why;
}
/* While something is being tried nothing else is proposed: the causes have the room. */
.trying .why {
  grid-row: why / act;
  grid-column: why / act;
}
.act {
  grid-area: act;
  border-left: 1px solid var(--line);
}
.foot {
  grid-area: foot;
}
.tabs {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-bottom: 8px;
}
.tabs .figure {
  margin-left: 6px;
}
.tabs .ant-btn {
  height: auto;
  min-height: 32px;
  font-size: 14px;
  white-space: normal;
}
h1 {
  margin-bottom: 6px;
  font-size: 20px;
}
.why h2 {
  margin-top: 12px;
}
.heading {
  display: flex;
  justify-content: space-between;
}
.try {
  margin: 16px 0 6px;
}
.empty {
  padding: 14px;
  border: 1px dashed var(--steel);
  border-radius: 6px;
}
/* A tablet: the map on top or at the side, causes and what to read and try as sheets beside it. */
@media (max-width: 1100px) {
  .columns {
    grid-template:
      'map map' minmax(0, 40fr)
      'why act' minmax(0, 60fr)
      'foot foot' auto / minmax(0, 1fr) minmax(0, 1fr);
  }
  .map {
    border-right: 0;
    border-bottom: 1px solid var(--line);
  }
}
@media (max-width: 1100px) and (orientation: landscape) {
  .columns {
    grid-template:
      'map why' minmax(0, 1fr)
      'map act' minmax(0, 1fr)
      'foot foot' auto / minmax(0, 404px) minmax(0, 1fr);
  }
  .map {
    border-right: 1px solid var(--line);
    border-bottom: 0;
  }
  .act {
    border-top: 1px solid var(--line);
    border-left: 0;
  }
}
@media (max-width: 700px) {
  .columns {
    display: block;
    height: auto;
  }
  .map {
    height: 500px;
  }
  .act {
    border: 0;
  }
}
</style>
