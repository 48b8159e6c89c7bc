<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { CompiledLayer, CompiledPlan } from '@mivro/core/plan'
import { show, showDuration } from '@mivro/core/units'
import { useStudio } from '../studio/studioStore.ts'
import { timeAxis } from './timeAxis.ts'

const props = defineProps<{ compiled: CompiledPlan; selected?: string; room: number }>()
const emit = defineEmits<{ select: [id: string] }>()

const studio = useStudio()
const id = useId()
const box = ref<HTMLElement>()
const { width } = useElementSize(box, { width: 784, height: 190 })

const left = 136
const head = 60
const pitch = 39
const thick = 20

const rows = computed(() => props.compiled.layers.filter((layer) => layer.clock))
const axis = computed(() =>
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
    pour: x(clock!.pourableUntil),
    gel: x(clock!.gelAt),
    end: x(end),
  }))
})

/** The join window of each layer that gets another on top, and the moment that one is poured. */
const meetings = computed(() =>
  rows.value.slice(1).map((next, below) => {
    const { x } = axis.value
    const { gelAt, joinUntil } = rows.value[below].clock!
    const { pourAt } = next.clock!
    const words = { crisp: 'on the gel', soft: 'on the syrup', bled: 'while it runs' }
    const text = `${next.index + 1} poured ${words[next.join]}, ${showDuration(pourAt)}`
    return { from: x(gelAt), until: x(joinUntil), pour: x(pourAt), text }
  }),
)

const anchor = (x: number) => (x > width.value - 170 ? 'end' : x < left + 80 ? 'start' : 'middle')

function sentence({ name, clock }: CompiledLayer): string {
  const c = clock!
  return `${name}: mixed at ${showDuration(c.mixAt)}, poured at ${showDuration(c.pourAt)}, pours until ${showDuration(c.pourableUntil)}, gels at ${showDuration(c.gelAt)}, a next layer joins until ${showDuration(c.joinUntil)}, out of the mould from ${showDuration(c.demouldAt)}.`
}
const demouldX = computed(() => axis.value.x(props.compiled.demouldAt ?? 0))
</script>

<template>
  <section ref="box" class="clock" aria-label="The clock">
    <div class="head">
      <h2>The clock</h2>
      <span class="quiet small"
        >from the sheets, room {{ show(room, 'temperature', studio.units) }}</span
      >
    </div>
    <p v-if="rows.length === 0" class="quiet empty">The clock starts when a layer has a resin.</p>
    <svg
      v-else
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      aria-hidden="true"
    >
      <defs>
        <linearGradient :id="`${id}-set`">
          <stop offset="0" stop-color="#bfe0e6" />
          <stop offset="1" stop-color="#d39a3a" />
        </linearGradient>
      </defs>
      <g v-for="tick in axis.ticks" :key="tick.at">
        <line :x1="tick.x" :x2="tick.x" :y1="head - 10" :y2="height" stroke="#e6edea" />
        <text
          :x="tick.x"
          :y="head - 15"
          :text-anchor="tick.at === 0 ? 'start' : 'middle'"
          class="tick"
        >
          {{ tick.at === 0 ? 'first mix' : showDuration(tick.at) }}
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
          :width="bars[row].gel - bars[row].pour + 4"
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
      <g v-for="(meeting, row) in meetings" :key="`meeting-${row}`" class="meeting">
        <rect
          :x="meeting.from"
          :y="top(row) - 3"
          :width="meeting.until - meeting.from"
          :height="thick + 6"
          rx="6"
          class="window"
        />
        <path :d="`M${meeting.pour} ${top(row) - 3}v${thick + 6}`" class="moment" />
        <text
          :x="meeting.pour"
          :y="top(row) + 31"
          :text-anchor="anchor(meeting.pour)"
          class="under"
        >
          {{ meeting.text }}
        </text>
      </g>
      <path :d="`M${demouldX} ${head - 10}V${height}`" class="out" />
      <text :x="demouldX - 6" :y="top(rows.length - 1) + 14" text-anchor="end" class="outword">
        demould from {{ showDuration(compiled.demouldAt ?? 0) }}
      </text>
    </svg>
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

.empty {
  padding: 44px 14px 14px;
}

svg {
  display: block;
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

.meeting {
  pointer-events: none;
}

.window {
  fill: none;
  stroke: var(--teal);
  stroke-width: 1.6;
}

.moment {
  stroke: #7a3d0c;
  stroke-width: 2.5;
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
</style>
