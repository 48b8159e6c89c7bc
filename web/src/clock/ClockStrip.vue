<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { CompiledLayer, CompiledPlan, PourMoment } from '@mivro/core/work/plan'
import { finenessOf, nightsOf, pourMoment } from '@mivro/core/work/plan'
import { showDuration, showTimeOfDay } from '@mivro/core/base/units'
import ClockBand from './ClockBand.vue'
import ClockHead from './ClockHead.vue'
import LookMark from './LookMark.vue'
import PourMark from './PourMark.vue'
import { useStudio } from '../project/studioStore.ts'
import SetMark from './SetMark.vue'
import { setSpans } from './setSpans.ts'
import TurnMark from './TurnMark.vue'
import { turnSpans } from './turnSpans.ts'
import StripSlider from './StripSlider.vue'
import { timeAxis, type TimeAxis } from './timeAxis.ts'
import { meetingWords, ripeningSentence } from '@mivro/words/clock'

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
      72,
    ),
)
const studio = useStudio()
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
    end: x(end),
  }))
})

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
      text: `${next.index + 1} poured ${meetingWords[meets ?? 'crisp'].on}, ${moment(pourAt)}`,
    }
  }),
)
const fine = computed(() => finenessOf(props.compiled))
/** A resin of a few minutes is moved by seconds, s. */
const keyStep = computed(() => (fine.value === 'second' ? 5 : 300))
const moment = (at: number) =>
  props.begin === undefined
    ? showDuration(at, fine.value)
    : showTimeOfDay(props.begin + at, studio.units, fine.value)

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
  const { on, costs } = meetingWords[meets ?? 'crisp']
  return {
    x: meeting.pour,
    y: top(dragged.value!),
    text: `${moment(pourAt)}, ${on}: ${costs}. Out of the mould after ${showDuration(props.compiled.demouldAt ?? 0, fine.value)}.`,
  }
})

/** The nights of a clock that knows when it begins, px. */
const nights = computed(() => {
  if (props.begin === undefined || !props.awake) return []
  const { x, end } = axis.value
  return nightsOf(props.begin, props.awake, end).map(({ from, until }) => ({
    left: x(from),
    width: x(until) - x(from),
  }))
})

const trims = computed(() => {
  const last = rows.value.at(-1)?.clock
  if (last?.trimAt === undefined) return undefined
  return { from: axis.value.x(last.trimAt), until: axis.value.x(last.demouldAt) }
})

const settings = computed(() => setSpans(rows.value, axis.value, moment))
const turns = computed(() => turnSpans(rows.value, axis.value, moment))

const demouldX = computed(() => axis.value.x(props.compiled.demouldAt ?? 0))
const modelled = computed(() => rows.value.every(({ clock }) => clock!.basis.gel === 'model'))
</script>

<template>
  <section ref="box" class="clock" aria-label="The clock">
    <ClockHead
      :modelled="modelled && !waiting"
      :room="room"
      :begin="begin"
      :playing="at === undefined ? undefined : playing === true"
      @play="emit('play')"
    />
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
          <stop offset="0" stop-color="var(--pourable)" />
          <stop offset="1" stop-color="var(--hard)" />
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
          <line :x1="tick.x" :x2="tick.x" :y1="head - 10" :y2="height" stroke="var(--line-2)" />
          <text
            v-if="at === undefined || Math.abs(tick.x - axis.x(at)) > 62"
            :x="tick.x"
            :y="head - 15"
            :text-anchor="tick.at === 0 ? 'start' : 'middle'"
            class="cut-note"
          >
            {{
              begin !== undefined
                ? showTimeOfDay(begin + tick.at, studio.units).split(',')[0]
                : tick.at === 0
                  ? 'first mix'
                  : showDuration(tick.at)
            }}
          </text>
        </g>
        <ClockBand
          v-for="(layer, row) in rows"
          :key="layer.id"
          :name="`${layer.index + 1} ${short(layer.name)}`"
          :bar="bars[row]"
          :y="top(row)"
          :thick="thick"
          :pitch="pitch"
          :width="width"
          :gradient="`${id}-set`"
          :chosen="layer.id === selected"
          @click="emit('select', layer.id)"
        />
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
        <StripSlider
          :label="`When ${meeting.next.name} is poured`"
          :value="meeting.next.clock!.pourAt"
          :highest="axis.end"
          :step="keyStep"
          :words="`${moment(meeting.next.clock!.pourAt)}, ${meetingWords[meeting.meets].on}`"
          :strip="box"
          @drag="drag(row, $event)"
          @drop="drop"
          @nudge="nudge(row, $event)"
        >
          <PourMark :x="meeting.pour" :y="top(row) - 3" :height="thick + 6" />
        </StripSlider>
      </g>
      <TurnMark v-for="one in turns" :key="one.key" :span="one" :y="top(one.row) + thick + 1" />
      <SetMark
        v-for="one in settings"
        :key="one.key"
        :from="one.from"
        :until="one.until"
        :y="top(one.row)"
        :says="one.says"
      />
      <g aria-hidden="true">
        <path :d="`M${demouldX} ${head - 10}V${height}`" class="out" />
        <text :x="demouldX - 6" :y="top(rows.length - 1) + 14" text-anchor="end" class="outword">
          demould from {{ moment(compiled.demouldAt ?? 0) }}
        </text>
      </g>
      <StripSlider
        v-if="at !== undefined"
        label="Time"
        :value="at"
        :highest="axis.end"
        :step="keyStep"
        :words="moment(at)"
        :strip="box"
        @drag="emit('look', axis.at($event))"
        @nudge="emit('look', at + $event)"
      >
        <LookMark :x="axis.x(at)" :top="head - 10" :bottom="height" :says="moment(at)" />
      </StripSlider>
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
      <li v-for="layer in rows" :key="layer.id">{{ ripeningSentence(layer, fine) }}</li>
      <li v-for="one in [...settings, ...turns]" :key="one.key">{{ one.says }}</li>
    </ul>
  </section>
</template>

<style scoped>
.clock {
  position: relative;
  overflow: hidden auto;
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
  fill: var(--night);
}

.under {
  fill: var(--mark);
  font-size: var(--size-small);
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
  fill: var(--mark-soft);
}

.out {
  stroke: var(--ink);
  stroke-dasharray: 3 3;
}

.outword {
  fill: var(--ink);
  font-size: var(--size-small);
  font-weight: 650;
}

.cost {
  position: absolute;
  width: 260px;
  padding: 8px 12px;
  border-radius: var(--r-field);
  background: var(--ink);
  color: var(--on-ink);
  font-size: var(--size-small);
  pointer-events: none;
}
</style>
