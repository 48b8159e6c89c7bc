<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { useElementSize } from '@vueuse/core'
import { Pause, Play } from 'lucide-vue-next'
import type { CompiledLayer, CompiledPlan, PourMoment } from '@mivro/core/plan'
import { pourMoment } from '@mivro/core/plan'
import { show, showDuration, showTimeOfDay } from '@mivro/core/units'
import { useStudio } from '../studio/studioStore.ts'
import PourHandle from './PourHandle.vue'
import Scrubber from './Scrubber.vue'
import { timeAxis, type TimeAxis } from './timeAxis.ts'

const props = defineProps<{
  compiled: CompiledPlan
  selected?: string
  room: number
  /** The first cup is mixed then, s after midnight; and when the bench is open. */
  begin?: number
  awake?: { from: number; until: number }
  /** Some of it is still the sheet's word, or an older answer. */
  waiting?: boolean
  /** The moment that is looked at, s after the first mixing. */
  at?: number
  playing?: boolean
}>()
const emit = defineEmits<{
  select: [id: string]
  move: [index: number, moment: PourMoment]
  moved: []
  look: [at: number]
  play: []
}>()

const studio = useStudio()
const id = useId()
const box = ref<HTMLElement>()
const { width } = useElementSize(box, { width: 784, height: 190 })

const left = 136
const head = 60
const pitch = 39
const thick = 20

const rows = computed(() => props.compiled.layers.filter((layer) => layer.clock))
/** While a moment is dragged the axis stands still under the hand. */
const held = ref<TimeAxis>()
const axis = computed(
  () =>
    held.value ??
    timeAxis(
      rows.value.map((layer) => layer.clock!),
      left,
      Math.max(left + 200, width.value - 14),
      62,
    ),
)
const height = computed(() => head + Math.max(1, rows.value.length) * pitch + 4)
const top = (row: number) => head + row * pitch

const short = (name: string) => (name.length > 15 ? `${name.slice(0, 14)}…` : name)

/** Where the band of each layer changes, px. */
const bars = computed(() => {
  const { x, end } = axis.value
  return rows.value.map(({ clock }) => ({
    mix: x(clock!.mixAt),
    pour: x(Math.max(clock!.pourAt, clock!.bleedsUntil)),
    gel: x(clock!.gelAt),
    trim: x(clock!.trimAt),
    out: x(clock!.demouldAt),
    end: x(end),
  }))
})

const words = {
  crisp: 'on the gel',
  soft: 'on the syrup',
  bled: 'while it runs',
  late: 'too late to bond',
}
const costs = {
  crisp: 'a clean line that bonds without sanding',
  soft: 'the two blend a little',
  bled: 'the two run together',
  late: 'scuff and wipe it first, a line may show',
}

/** The join window of each layer that gets another on top, and the moment that one is poured. */
const meetings = computed(() =>
  rows.value.slice(1).map((next, below) => {
    const { x } = axis.value
    const { gelAt, joinUntil } = rows.value[below].clock!
    const { pourAt, meets } = next.clock!
    return {
      next,
      below: rows.value[below],
      from: x(gelAt),
      until: x(joinUntil),
      pour: x(pourAt),
      meets: meets ?? 'crisp',
      text: `${next.index + 1} poured ${words[meets ?? 'crisp']}, ${moment(pourAt)}`,
    }
  }),
)
const moment = (at: number) =>
  props.begin === undefined ? showDuration(at) : showTimeOfDay(props.begin + at)

const anchor = (x: number) => (x > width.value - 170 ? 'end' : x < left + 80 ? 'start' : 'middle')

const dragged = ref<number>()
/** What is near enough to a join's own moment to snap to it, px. */
const near = 9

function drag(row: number, x: number): void {
  const { next, below } = meetings.value[row]
  held.value ??= axis.value
  dragged.value = row
  const at = axis.value.at(x)
  const snap = Math.max(axis.value.at(x + near) - at, at - axis.value.at(x - near))
  put(row, next.clock!.pourAt - next.clock!.mixAt, below, at, snap)
}
function put(row: number, inCup: number, below: CompiledLayer, at: number, snap: number): void {
  emit('move', meetings.value[row].next.index, pourMoment(below.clock!, inCup, at, snap))
}
function drop(): void {
  held.value = dragged.value = undefined
  emit('moved')
}
function nudge(row: number, by: number): void {
  const { next, below } = meetings.value[row]
  const { pourAt, mixAt } = next.clock!
  put(row, pourAt - mixAt, below, pourAt + by, 0)
  emit('moved')
}
const cost = computed(() => {
  const meeting = meetings.value[dragged.value ?? -1]
  if (!meeting) return undefined
  const { pourAt, meets } = meeting.next.clock!
  return {
    x: meeting.pour,
    y: top(dragged.value!),
    text: `${moment(pourAt)}, ${words[meets ?? 'crisp']}: ${costs[meets ?? 'crisp']}. Out of the mould after ${showDuration(props.compiled.demouldAt ?? 0)}.`,
  }
})

/** The nights of a clock that knows when it begins, px. */
const nights = computed(() => {
  if (props.begin === undefined || !props.awake) return []
  const day = 24 * 3600
  const { x, end } = axis.value
  const found: { left: number; width: number }[] = []
  for (let midnight = -day; midnight < props.begin + end; midnight += day) {
    const from = Math.max(0, midnight + props.awake.until - props.begin)
    const until = Math.min(end, midnight + day + props.awake.from - props.begin)
    if (until > from) found.push({ left: x(from), width: x(until) - x(from) })
  }
  return found
})

const trims = computed(() => {
  const last = rows.value.at(-1)?.clock
  if (!last) return undefined
  return { from: axis.value.x(last.trimAt), until: axis.value.x(last.demouldAt) }
})

function sentence({ name, clock }: CompiledLayer): string {
  const c = clock!
  return `${name}: mixed at ${showDuration(c.mixAt)}, poured at ${showDuration(c.pourAt)}, its cup pours until ${showDuration(c.cupUntil)}, gels at ${showDuration(c.gelAt)}, a next layer joins until ${showDuration(c.joinUntil)}, gates trim easily from ${showDuration(c.trimAt)}, out of the mould from ${showDuration(c.demouldAt)}.`
}
const demouldX = computed(() => axis.value.x(props.compiled.demouldAt ?? 0))
const modelled = computed(() => rows.value.every(({ clock }) => clock!.basis.gel === 'model'))
</script>

<template>
  <section ref="box" class="clock" aria-label="The clock">
    <div class="head">
      <h2>The clock</h2>
      <span class="quiet small">
        {{ modelled && !waiting ? 'by the cure of each layer' : 'from the sheets' }}, room
        {{ show(room, 'temperature', studio.units)
        }}<template v-if="begin !== undefined">, begun at {{ showTimeOfDay(begin) }}</template>
      </span>
      <button
        v-if="at !== undefined"
        type="button"
        class="play"
        :aria-label="playing ? 'Stop' : 'Let the time run'"
        @click="emit('play')"
      >
        <component :is="playing ? Pause : Play" :size="13" aria-hidden="true" />
      </button>
    </div>
    <p v-if="rows.length === 0" class="quiet empty">The clock starts when a layer has a resin.</p>
    <svg
      v-else
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      :class="{ waiting }"
    >
      <defs>
        <linearGradient :id="`${id}-set`">
          <stop offset="0" stop-color="#bfe0e6" />
          <stop offset="1" stop-color="#d39a3a" />
        </linearGradient>
      </defs>
      <g aria-hidden="true">
        <rect
          v-for="(night, i) in nights"
          :key="i"
          :x="night.left"
          :y="head - 10"
          :width="night.width"
          :height="height"
          class="night"
        />
        <g v-for="tick in axis.ticks" :key="tick.at">
          <line :x1="tick.x" :x2="tick.x" :y1="head - 10" :y2="height" stroke="#e6edea" />
          <text
            v-if="at === undefined || Math.abs(tick.x - axis.x(at)) > 62"
            :x="tick.x"
            :y="head - 15"
            :text-anchor="tick.at === 0 ? 'start' : 'middle'"
            class="tick"
          >
            {{
              begin !== undefined
                ? showTimeOfDay(begin + tick.at).split(',')[0]
                : tick.at === 0
                  ? 'first mix'
                  : showDuration(tick.at)
            }}
          </text>
        </g>
        <g
          v-for="(layer, row) in rows"
          :key="layer.id"
          class="line"
          :class="{ on: layer.id === selected }"
          @click="emit('select', layer.id)"
        >
          <rect x="6" :y="top(row) - 5" :width="width - 12" :height="pitch - 1" class="back" />
          <text x="14" :y="top(row) + 14" class="name">
            {{ layer.index + 1 }} {{ short(layer.name) }}
          </text>
          <rect
            :x="bars[row].mix"
            :y="top(row)"
            :width="bars[row].pour - bars[row].mix + 1"
            :height="thick"
            rx="5"
            fill="#bfe0e6"
          />
          <rect
            :x="bars[row].pour - 3"
            :y="top(row)"
            :width="Math.max(4, bars[row].gel - bars[row].pour + 4)"
            :height="thick"
            :fill="`url(#${id}-set)`"
          />
          <rect
            :x="bars[row].gel"
            :y="top(row)"
            :width="Math.max(0, bars[row].end - bars[row].gel)"
            :height="thick"
            rx="5"
            fill="#d39a3a"
          />
          <text
            v-if="bars[row].pour - bars[row].mix > 56"
            :x="bars[row].mix + 6"
            :y="top(row) + 14"
            class="in"
          >
            pourable
          </text>
        </g>
        <rect
          v-if="trims && trims.until - trims.from > 3"
          :x="trims.from"
          :y="top(rows.length - 1) + thick - 4"
          :width="trims.until - trims.from"
          height="4"
          class="trim"
        />
        <text
          v-if="trims && trims.until - trims.from > 90"
          :x="(trims.from + trims.until) / 2"
          :y="top(rows.length - 1) + 31"
          text-anchor="middle"
          class="under"
        >
          gates trim easily
        </text>
      </g>
      <g v-for="(meeting, row) in meetings" :key="`meeting-${row}`" class="meeting">
        <rect
          :x="meeting.from"
          :y="top(row) - 3"
          :width="Math.max(3, meeting.until - meeting.from)"
          :height="thick + 6"
          rx="6"
          class="window"
        />
        <text
          :x="meeting.pour"
          :y="top(row) + 31"
          :text-anchor="anchor(meeting.pour)"
          class="under"
          :class="meeting.meets"
        >
          {{ meeting.text }}
        </text>
        <PourHandle
          :x="meeting.pour"
          :y="top(row) - 3"
          :height="thick + 6"
          :label="`When ${meeting.next.name} is poured`"
          :value="meeting.next.clock!.pourAt"
          :highest="axis.end"
          :words="`${moment(meeting.next.clock!.pourAt)}, ${words[meeting.meets]}`"
          :left="box"
          @drag="drag(row, $event)"
          @drop="drop"
          @nudge="nudge(row, $event)"
        />
      </g>
      <g aria-hidden="true">
        <path :d="`M${demouldX} ${head - 10}V${height}`" class="out" />
        <text :x="demouldX - 6" :y="top(rows.length - 1) + 14" text-anchor="end" class="outword">
          demould from {{ moment(compiled.demouldAt ?? 0) }}
        </text>
      </g>
      <Scrubber
        v-if="at !== undefined"
        :x="axis.x(at)"
        :top="head - 10"
        :bottom="height"
        :value="at"
        :highest="axis.end"
        :words="moment(at)"
        :left="box"
        @drag="emit('look', axis.at($event))"
        @nudge="emit('look', Math.min(axis.end, Math.max(0, at + $event)))"
      />
    </svg>
    <p
      v-if="cost"
      class="cost"
      role="status"
      :style="{
        left: `${Math.min(Math.max(cost.x - 130, 8), width - 268)}px`,
        top: `${Math.max(2, cost.y - 46)}px`,
      }"
    >
      {{ cost.text }}
    </p>
    <ul class="visually-hidden">
      <li v-for="layer in rows" :key="layer.id">{{ sentence(layer) }}</li>
    </ul>
  </section>
</template>

<style scoped>
.clock {
  position: relative;
  overflow: hidden auto;
}

.head {
  position: absolute;
  left: 14px;
  top: 8px;
  display: flex;
  gap: 10px;
  align-items: baseline;
}

.play {
  display: inline-flex;
  padding: 3px 8px;
  border: 1px solid var(--line);
  border-radius: 99px;
  background: #fff;
  color: var(--teal);
  cursor: pointer;
  align-self: center;
}

.empty {
  padding: 44px 14px 14px;
}

svg {
  display: block;
}

svg.waiting {
  opacity: 0.82;
}

.night {
  fill: #14312f12;
}

.tick {
  fill: var(--ink-2);
  font-size: 12px;
}

.name {
  fill: var(--ink);
  font-size: 12px;
  font-weight: 600;
}

.in {
  fill: #17484b;
  font-size: 12px;
}

.under {
  fill: #7a3d0c;
  font-size: 12px;
}

.under.late {
  fill: var(--stop);
  font-weight: 600;
}

.window {
  fill: none;
  stroke: var(--teal);
  stroke-width: 1.6;
  pointer-events: none;
}

.meeting text {
  pointer-events: none;
}

.trim {
  fill: #7a3d0c55;
}

.out {
  stroke: var(--ink);
  stroke-dasharray: 3 3;
}

.outword {
  fill: var(--ink);
  font-size: 12px;
  font-weight: 650;
}

.line {
  cursor: pointer;
}

.back {
  fill: transparent;
  rx: 8px;
}

.line:hover .back {
  fill: #f3f7f5;
}

.line.on .back {
  fill: var(--teal-soft);
}

.cost {
  position: absolute;
  width: 260px;
  padding: 8px 12px;
  border-radius: 8px;
  background: var(--ink);
  color: #fff;
  font-size: 12px;
  pointer-events: none;
}
</style>
