<script setup lang="ts">
import { isKeyOf } from '@level-stance/core/kernel/tables'
import { MessageText } from '../../../glossary/MessageText.ts'
import { bare, mm, msg, range } from '@level-stance/core/kernel/message'
import type { Message } from '@level-stance/core/kernel/message'
import { Button, Drawer, Input } from 'ant-design-vue'
import { computed, onBeforeUnmount, ref } from 'vue'
import { anyCalculation } from '@level-stance/core/kernel/calculation'
import type { Point } from '@level-stance/core/bike/contactPoints'
import { formatLength, parseEntry, trimmed } from '@level-stance/core/kernel/entry'
import type { Attachment, AttachmentFields } from '@level-stance/core/record/attachments'
import { CLICK, impressionSpacing, marksFault, placesOf, withPlace } from '@level-stance/core/stations/seat/saddle/impression'
import { markedLengths, sheets } from '@level-stance/core/stations/seat/saddle/impressionMarks'
import { impressionCalculation } from '@level-stance/core/stations/seat/saddle/calculations'
import ZoomTools from '../../../board/ZoomTools.vue'
import WorkingButton from '../../../working/WorkingButton.vue'
import { atRest } from '../../../kit/settled.ts'
import { useSvgDrag } from '../../../kit/svgDrag.ts'
import { useZoom } from '../../../kit/zoom.ts'
import { useAttachments } from '../../../data/attachments.ts'
import { useVisit } from '../../../data/visit.ts'
import SelectField from '../../../kit/SelectField.vue'
import { usePreferences } from '../../../data/preferences.ts'

/** A picture of an impression with its marks: corners of a sheet or a scale, then the two deepest points. */
const props = defineProps<{ picture: Attachment }>()
defineEmits<{ close: [] }>()
type Marks = NonNullable<AttachmentFields['marks']>
const preferences = usePreferences()
const visit = useVisit()
const attachments = useAttachments()
const width = computed(() => props.picture.width ?? 1000)
const height = computed(() => props.picture.height ?? 750)

const start = (): Marks => {
  const [w, h] = [width.value, height.value]
  const at = (x: number, y: number) => ({ x: x * w, y: y * h })
  return {
    by: 'sheet',
    corners: [at(0.15, 0.85), at(0.85, 0.85), at(0.85, 0.15), at(0.15, 0.15)],
    sheet: { width: sheets.a4.width, height: sheets.a4.height },
    scale: { from: at(0.2, 0.9), to: at(0.8, 0.9), length: 100 },
    bones: { left: at(0.4, 0.5), right: at(0.6, 0.5) },
  }
}
const marks = ref<Marks>(props.picture.marks ?? start())
const said = ref<Message | null>(null)
const saveProblem = ref<string | null>(null)
const touched = ref(false)

/** Stored a little after the hand has rested, and when the picture is left. */
async function store(): Promise<void> {
  if (!touched.value) return
  touched.value = false
  const answer = await attachments.write(props.picture.id, { marks: marks.value })
  saveProblem.value = answer.ok ? null : answer.message
  if (!answer.ok && answer.theirs?.marks) marks.value = answer.theirs.marks
}
const storeSoon = atRest(store, 500)
function change(next: Marks): void {
  marks.value = next
  said.value = null
  touched.value = true
  storeSoon()
}
onBeforeUnmount(() => void store())

const stage = ref<SVGSVGElement | null>(null)
/** How far in a picture may be seen. */
const MOST = 20
const {
  seen,
  viewBox,
  perPixel: pixel,
  scale: zoom,
  zoomBy,
  zoomAt,
  reset: whole,
} = useZoom(stage, () => ({ x: 0, y: 0, width: width.value, height: height.value }), { least: 0.8, most: MOST })
const names = computed(() =>
  marks.value.by === 'sheet'
    ? ['Corner 1', 'Corner 2', 'Corner 3', 'Corner 4', 'Left point', 'Right point']
    : ['Scale 1', 'Scale 2', 'Left point', 'Right point'],
)
const places = computed(() => placesOf(marks.value))
/** A mark is as well placed as the screen shows it: less than a pixel of the picture once zoomed in. */
const click = computed(() => Math.max(0.5, CLICK * pixel.value))
const result = computed(() => impressionSpacing(marks.value, click.value))
const fault = computed(() => marksFault(marks.value))

/** the mark under the finger */
const held = ref<number | null>(null)
const { vDrag } = useSvgDrag(
  () => stage.value,
  (_, i: number) => (held.value = i),
  (at, i) => place(i, at),
  () => (held.value = null),
)
/** What lies under the finger, larger, in the corner away from it. */
const LOUPE = 36
const loupe = computed(() => {
  const at = held.value === null ? null : places.value[held.value]
  if (!at) return null
  const half = LOUPE * pixel.value
  return { at, half, box: `${at.x - half} ${at.y - half} ${2 * half} ${2 * half}`, isRight: at.x < seen.value.x + seen.value.width / 2 }
})
function place(i: number, { x, y }: Point): void {
  const held = (value: number, most: number) => Math.min(most, Math.max(0, value))
  change(withPlace(marks.value, i, { x: held(x, width.value), y: held(y, height.value) }) as Marks)
}
function key(event: KeyboardEvent, i: number): void {
  const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
  if (way) {
    event.preventDefault()
    const step = event.shiftKey ? 20 : 1
    const at = places.value[i] ?? { x: 0, y: 0 }
    place(i, { x: at.x + step * (way[0] ?? 0), y: at.y + step * (way[1] ?? 0) })
  } else if (event.key === '+' || event.key === '-') {
    event.preventDefault()
    zoomAt(places.value[i] ?? { x: 0, y: 0 }, event.key === '+' ? 1.5 : 1 / 1.5)
  }
}

const shown = (mm: number) => formatLength(mm, preferences.unit)
/** Sizes as typed; what is out of range is said, and the last good one stays in force. */
const typed = ref({
  width: shown(marks.value.sheet.width),
  height: shown(marks.value.sheet.height),
  length: shown(marks.value.scale.length),
})
const sizes = computed(() =>
  marks.value.by === 'sheet'
    ? ([
        { key: 'width', label: '1 to 2', name: 'Sheet width' },
        { key: 'height', label: '2 to 3', name: 'Sheet height' },
      ] as const)
    : ([{ key: 'length', label: 'Between the marks', name: 'Scale length' }] as const),
)
const sizeProblem = ref<Message | null>(null)
function size(key: 'width' | 'height' | 'length', text: string): void {
  typed.value = { ...typed.value, [key]: text }
  const entry = parseEntry(text, 'length', preferences.unit)
  if (!entry.ok) {
    sizeProblem.value = entry.message
    return
  }
  const { value } = entry
  const next =
    key === 'length'
      ? { ...marks.value, scale: { ...marks.value.scale, length: value } }
      : { ...marks.value, sheet: { ...marks.value.sheet, [key]: value } }
  const { label, min, max } = markedLengths[key]
  const isKnown = value >= min && value <= max
  sizeProblem.value = isKnown ? null : msg`${label} must be a number from ${range(min, max)}.`
  if (isKnown) change(next)
}
function sheetOf(key: string): void {
  if (!isKeyOf(sheets, key)) return
  const sheet = sheets[key]
  typed.value = { ...typed.value, width: shown(sheet.width), height: shown(sheet.height) }
  sizeProblem.value = null
  change({ ...marks.value, sheet: { width: sheet.width, height: sheet.height } })
}

function take(): void {
  if (!result.value) return
  const value = Math.round(result.value.spacing * 10) / 10
  const plusMinus = Math.round(result.value.plusMinus * 10) / 10
  visit.setReading({
    key: 'sitBoneSpacing',
    side: 'both',
    value,
    typed: String(value),
    method: 'picture',
    after: visit.after,
    at: new Date().toISOString(),
    condition: 'usual',
    repeats: [],
    plusMinus,
  })
  said.value = msg`${bare(value, 1)} ±${mm(plusMinus, 1)} taken as the reading.`
}
const outlinePath = computed(() => `M${marks.value.corners.map(({ x, y }) => `${x} ${y}`).join('L')}Z`)
const items = computed(() => [
  {
    heading: 'Spacing from the picture',
    calculation: anyCalculation(impressionCalculation),
    input: { marks: marks.value, click: click.value },
    plusMinus: {},
  },
])
</script>

<template>
  <Drawer :open="true" :title="`Impression: ${picture.title}`" placement="right" width="92%" @close="$emit('close')">
    <div class="marker">
      <svg
        ref="stage"
        class="stage"
        :viewBox="viewBox"
        role="application"
        aria-label="Picture with marks. Tab to a mark, arrows move it, with shift in larger steps, plus and minus zoom."
      >
        <image :href="`/api/attachments/${picture.id}/content`" :width="width" :height="height" />
        <path v-if="marks.by === 'sheet'" :d="outlinePath" class="sheet" :stroke-width="2 * pixel" />
        <line
          v-else
          :x1="marks.scale.from.x"
          :y1="marks.scale.from.y"
          :x2="marks.scale.to.x"
          :y2="marks.scale.to.y"
          class="sheet"
          :stroke-width="2 * pixel"
        />
        <line
          :x1="marks.bones.left.x"
          :y1="marks.bones.left.y"
          :x2="marks.bones.right.x"
          :y2="marks.bones.right.y"
          class="span"
          :stroke-width="2 * pixel"
        />
        <g
          v-for="(place_, i) in places"
          :key="names[i]"
          v-drag="i"
          :data-mark="i"
          class="mark"
          :class="{ bone: i >= places.length - 2 }"
          tabindex="0"
          role="button"
          :aria-label="`${names[i]}: ${Math.round(place_.x)}, ${Math.round(place_.y)}`"
          :transform="`translate(${place_.x} ${place_.y}) scale(${pixel})`"
          @keydown="key($event, i)"
        >
          <circle r="22" class="reach" />
          <circle r="11" class="ring" />
          <path d="M-16 0H-4M4 0H16M0 -16V-4M0 4V16" class="cross" />
          <text x="15" y="-13">{{ i < places.length - 2 ? i + 1 : i === places.length - 2 ? 'L' : 'R' }}</text>
        </g>
      </svg>
      <svg v-if="loupe" class="loupe" :class="{ right: loupe.isRight }" :viewBox="loupe.box" aria-hidden="true">
        <image :href="`/api/attachments/${picture.id}/content`" :width="width" :height="height" />
        <path
          :d="`M${loupe.at.x - loupe.half} ${loupe.at.y}h${2 * loupe.half}M${loupe.at.x} ${loupe.at.y - loupe.half}v${2 * loupe.half}`"
          class="cross"
          :stroke-width="pixel / 3"
        />
      </svg>
      <aside>
        <div class="row">
          <ZoomTools :zoom-by="zoomBy" :reset="whole" />
          <span class="small muted">{{ trimmed(zoom, 1) }}×</span>
        </div>
        <div>
          <span class="small">Size known by</span>
          <SelectField
            label="Size known by"
            :value="marks.by"
            :options="{ sheet: 'four corners of a sheet', scale: 'two scale marks' }"
            @pick="(by) => by && change({ ...marks, by })"
          />
        </div>
        <template v-if="marks.by === 'sheet'">
          <div class="row">
            <Button v-for="(sheet, name) in sheets" :key="name" @click="sheetOf(name)">
              {{ sheet.label }}
            </Button>
          </div>
        </template>
        <div class="row">
          <label v-for="field in sizes" :key="field.key">
            <span class="small">{{ field.label }}, {{ preferences.unit }}</span>
            <Input
              :value="typed[field.key]"
              inputmode="decimal"
              :aria-label="field.name"
              @update:value="(text: string) => size(field.key, text)"
            />
          </label>
        </div>
        <p v-if="sizeProblem" class="warn small" role="alert"><MessageText :of="sizeProblem" /></p>
        <template v-if="result">
          <p class="result" data-testid="impression-result">
            <strong class="figure">{{ preferences.length(result.spacing, 1) }}</strong> ±{{ preferences.length(result.plusMinus, 1) }}
          </p>
          <p class="small muted">
            ±{{ preferences.length(result.clicking, 1) }} of the marks, ±{{ preferences.length(result.scaling, 1) }} of the {{ marks.by }},
            ±{{ preferences.length(result.impression, 1) }}
            of any impression.
            <template v-if="result.uncorrected !== null && Math.abs(result.uncorrected - result.spacing) > 0.5"
              >Without taking out the slant: {{ preferences.length(result.uncorrected, 1) }}.
            </template>
            <template v-else-if="marks.by === 'scale'">Slant is not taken out: photograph straight from above. </template>
            Zoom in to mark more finely.
          </p>
          <div class="row">
            <Button type="primary" size="large" @click="take">Take as reading</Button>
            <WorkingButton :runs="items" />
          </div>
        </template>
        <p v-else class="warn small" role="alert">{{ fault ?? 'These marks give nothing.' }}</p>
        <p class="small" role="status"><MessageText :of="said ?? ''" /></p>
        <p v-if="saveProblem" class="small warn" role="alert">{{ saveProblem }}</p>
      </aside>
    </div>
  </Drawer>
</template>

<style scoped>
.marker {
  position: relative;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 310px;
  gap: 16px;
  height: 100%;
}
.stage {
  width: 100%;
  height: 100%;
  min-height: 400px;
  background: var(--ground);
  touch-action: none;
  cursor: grab;
}
aside {
  display: grid;
  gap: 8px;
  align-content: start;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.row label,
aside > label {
  display: grid;
  gap: 2px;
}
.row .ant-input {
  width: 110px;
}
.sheet,
.span {
  fill: none;
  stroke: #0e6b6b;
}
.span {
  stroke: #a63d2a;
}
.loupe {
  position: absolute;
  z-index: 2;
  top: 8px;
  left: 8px;
  width: 190px;
  height: 190px;
  border: 3px solid var(--petrol);
  border-radius: 50%;
  background: var(--panel);
  pointer-events: none;
}
.loupe.right {
  left: auto;
  right: 340px;
}
.loupe .cross {
  fill: none;
  stroke: var(--brick);
}
.mark {
  cursor: move;
  outline: none;
}
.reach {
  fill: transparent;
}
.ring {
  fill: rgb(255 253 248 / 25%);
  stroke: #0e6b6b;
  stroke-width: 2.5;
}
.cross {
  fill: none;
  stroke: #1d2b2a;
  stroke-width: 1.4;
}
.bone .ring {
  stroke: #a63d2a;
}
.mark:focus-visible .ring,
.mark:focus .ring {
  fill: rgb(220 232 168 / 60%);
  stroke-width: 4;
}
.mark text {
  fill: #1d2b2a;
  paint-order: stroke;
  stroke: #fffdf8;
  stroke-width: 3px;
  font-size: 16px;
  font-weight: 700;
}
.result {
  font-size: 28px;
}
@media (max-width: 900px) {
  .marker {
    grid-template-columns: 1fr;
  }
}
</style>
