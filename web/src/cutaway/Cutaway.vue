<script setup lang="ts">
import { computed, ref } from 'vue'
import { isHollow, type CompiledLayer, type CompiledPlan, type Plan } from '@mivro/core/work/plan'
import type { FillCurve, Section } from '@mivro/core/form/filling'
import type { NarrowPlace, SectionDepths } from '@mivro/core/form/wall'
import { show, unitSymbol } from '@mivro/core/base/units'
import { joinWords } from '@mivro/words/clock'
import { useStudio } from '../project/studioStore.ts'
import Bands from './Bands.vue'
import { margin, spanAt } from './frame.ts'
import BrushPlaces from './BrushPlaces.vue'
import HollowWalls from './HollowWalls.vue'
import Inclusions from './Inclusions.vue'
import LengthRuler from './LengthRuler.vue'
import type { DrawnThings } from './marks.ts'
import MouldBlock from './MouldBlock.vue'
import { spaced, volumeTicks } from './ruler.ts'
import StretchNote from './StretchNote.vue'
import Surface from './Surface.vue'
import { useFrame } from './useFrame.ts'
import WallHandle from './WallHandle.vue'
import { useLabels } from './useLabels.ts'

const props = defineProps<{
  section: Section
  curve: FillCurve
  plan: Plan
  compiled: CompiledPlan
  selected?: string
  /** How deep the cut lies under the walls, where something is cast hollow. */
  depths?: SectionDepths
  /** Where a brush goes first. */
  brush?: readonly NarrowPlace[]
  /** What is set in, as soon as it is known where. */
  things?: DrawnThings
  /** Of the cut about up, radians. */
  turn?: number
  /** Only looked at: nothing can be dragged. */
  still?: boolean
}>()
const emit = defineEmits<{
  select: [id: string | undefined]
  drag: [index: number, top: number]
  drop: []
  nudge: [index: number, by: number]
  dragWall: [index: number, wall: number]
  nudgeWall: [index: number, wall: number]
  remove: [index: number]
}>()

const studio = useStudio()
// Taken out of the plan, so that the outline is not drawn anew for every step of a drag.
const mould = computed(() => props.compiled.into.mould)
const hasGate = computed(
  () => props.compiled.into.gate > 0 && props.compiled.into.mould === 'closed',
)
const box = ref<HTMLElement>()
const { width, height, frame, path } = useFrame(
  box,
  () => props.section,
  () => mould.value,
  () => (props.compiled.layers.length > 0 ? 'beside' : 'none'),
)
const ml = computed(() => spaced(volumeTicks(props.curve, studio.units, 6), frame.value.y, 14))
const mlX = computed(() => frame.value.block.right + 44)

/** What has a surface to take hold of, and what has an inner face. */
const level = computed(() =>
  props.compiled.layers.filter(({ index }) => props.plan.layers[index]?.fill.by !== 'shell'),
)
const walls = computed(() =>
  props.compiled.layers.flatMap((layer) => (layer.shell ? { layer, shell: layer.shell } : [])),
)

const labels = useLabels(() => props.compiled, frame)
/** As it will meet the one below at the time that the clock says. */
const meets = ({ clock, join }: CompiledLayer) => clock?.meets ?? join

/** The gate's channel, from the highest point of the cut up through the mould. */
const gate = computed(() => {
  if (!hasGate.value) return undefined
  const span = spanAt(props.section, props.section.height * 0.995)
  const x = frame.value.x(span ? (span.left + span.right) / 2 : 0)
  return { x, top: frame.value.block.top, bottom: frame.value.y(props.section.height) }
})
const gateWords = computed(() =>
  isHollow(props.plan)
    ? 'Up, with the port, which is plugged'
    : hasGate.value
      ? `Up, with the gate: ${show(props.compiled.into.gate, 'volume', studio.units)}`
      : 'Up, with the gate',
)
const words = computed(() =>
  // Nothing says yet how it will be poured.
  props.still && props.compiled.layers.length === 0
    ? { top: 'Up', bottom: '' }
    : mould.value === 'open'
      ? {
          top: 'Back: open to the air, poured last',
          bottom: 'Face: down in the mould, poured first',
        }
      : { top: gateWords.value, bottom: 'Lowest in the mould, poured first' },
)
</script>

<template>
  <div ref="box" class="cutaway">
    <!-- What stays while a surface is dragged is a picture of its own, so that it is painted once. -->
    <svg class="still" :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`">
      <MouldBlock
        :x="frame.block.left"
        :y="frame.block.top"
        :width="frame.block.right - frame.block.left"
        :height="frame.block.bottom - frame.block.top"
      />
      <path :d="path" fill="var(--panel)" fill-rule="evenodd" />
      <rect
        v-if="gate"
        :x="gate.x - 8"
        :y="gate.top"
        width="16"
        :height="gate.bottom - gate.top + 2"
        class="gate"
      />
      <LengthRuler :frame="frame" :section="section" />
      <g class="ruler" aria-hidden="true">
        <line :x1="mlX" :x2="mlX" :y1="frame.y(0)" :y2="frame.y(section.height)" />
        <g v-for="tick in ml" :key="tick.label">
          <line :x1="mlX" :x2="mlX + 6" :y1="frame.y(tick.height)" :y2="frame.y(tick.height)" />
          <text :x="mlX + 10" :y="frame.y(tick.height) + 4">{{ tick.label }}</text>
        </g>
        <text :x="mlX" :y="frame.y(section.height) - 12">
          {{ unitSymbol('volume', studio.units) }}
        </text>
      </g>

      <text
        class="side cut-side"
        :x="(frame.block.left + frame.block.right) / 2"
        :y="frame.block.top - 9"
      >
        ↑ {{ words.top }}
      </text>
      <text
        class="side cut-side"
        :x="(frame.block.left + frame.block.right) / 2"
        :y="frame.block.bottom + 16"
      >
        {{ words.bottom }}
      </text>
      <StretchNote :frame="frame" />
    </svg>
    <svg
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      @click.self="emit('select', undefined)"
    >
      <Bands
        :layers="compiled.layers"
        :frame="frame"
        :path="path"
        :selected="selected"
        @select="emit('select', $event)"
      >
        <HollowWalls
          v-if="depths"
          :layers="compiled.layers"
          :depths="depths"
          :frame="frame"
          :selected="selected"
        />
        <Inclusions v-if="things" :things="things" :frame="frame" :turn="turn ?? 0" />
      </Bands>
      <path :d="path" class="cut-outline" />

      <path
        v-for="label in labels"
        :key="label.layer.id"
        class="leader"
        :d="`M${mlX + 34} ${label.centre.toFixed(1)}L${width - margin.right + 94} ${label.middle.toFixed(1)}`"
      />
      <template v-if="!still">
        <Surface
          v-for="layer in level"
          :key="layer.id"
          :layer="layer"
          :frame="frame"
          :left="frame.block.left + 14"
          :right="frame.block.right + 16"
          :selected="layer.id === selected"
          :highest="section.height"
          @select="emit('select', layer.id)"
          @drag="emit('drag', layer.index, $event)"
          @drop="emit('drop')"
          @nudge="emit('nudge', layer.index, $event)"
          @remove="emit('remove', layer.index)"
        />
        <template v-if="depths">
          <BrushPlaces v-if="brush" :places="brush" :section="section" :frame="frame" />
          <WallHandle
            v-for="{ layer, shell } in walls"
            :key="layer.id"
            :layer="layer"
            :shell="shell"
            :depths="depths"
            :frame="frame"
            :selected="layer.id === selected"
            @select="emit('select', layer.id)"
            @drag="emit('dragWall', layer.index, $event)"
            @drop="emit('drop')"
            @nudge="emit('nudgeWall', layer.index, $event)"
            @remove="emit('remove', layer.index)"
          />
        </template>
      </template>
    </svg>

    <button
      v-for="label in labels"
      :key="label.layer.id"
      type="button"
      class="tag"
      :class="{ on: label.layer.id === selected }"
      :style="{ top: `${label.top}px`, height: `${label.height}px` }"
      :aria-pressed="label.layer.id === selected"
      @click="emit('select', label.layer.id)"
    >
      <b>{{ label.layer.index + 1 }} {{ label.layer.name }}</b>
      <span v-if="label.lines > 1" class="num-line">
        {{ show(label.layer.resin, 'volume', studio.units) }} ·
        {{ show(label.layer.depth, 'length', studio.units) }}
        {{ label.layer.shell ? 'of wall' : 'deep' }}
      </span>
      <span v-if="label.blocked === 'stop'" class="stop">can't be poured like this</span>
      <span v-else-if="label.blocked" class="todo">choose its resin</span>
      <span
        v-else-if="label.lines > 2"
        class="join"
        :class="label.layer.index > 0 && meets(label.layer)"
      >
        {{ label.layer.index === 0 ? 'poured first' : joinWords[meets(label.layer)] }}
      </span>
    </button>
  </div>
</template>

<style scoped>
.cutaway {
  position: relative;
  width: 100%;
  height: 100%;
  min-height: 0;
  overflow: hidden;
  contain: strict;
}

svg {
  position: absolute;
  inset: 0;
  will-change: transform;
}

.gate {
  fill: var(--clear);
  stroke: var(--ink-2);
  stroke-dasharray: 3 3;
}

.leader {
  fill: none;
  stroke: var(--line);
}

.tag {
  position: absolute;
  right: 12px;
  width: 152px;
  display: flex;
  flex-direction: column;
  justify-content: center;
  padding: 0 10px;
  border: 1px solid transparent;
  border-radius: var(--r-field);
  background: transparent;
  text-align: left;
  font-size: var(--size-small);
  line-height: 1.35;
  color: var(--ink-2);
  cursor: pointer;
}

.tag b {
  overflow: hidden;
  color: var(--ink);
  font: 650 var(--size)/1.35 var(--num);
  text-overflow: ellipsis;
  white-space: nowrap;
}

.num-line {
  font-feature-settings: 'tnum';
  white-space: nowrap;
}

.tag:hover {
  background: var(--veil);
}

.tag.on {
  border-color: var(--teal);
  background: var(--teal-soft);
}

.join.crisp {
  color: var(--ok-ink);
}

.join.late {
  fill: var(--stop);
}

.stop,
.todo {
  color: var(--stop);
  font-weight: 600;
}

.todo {
  color: var(--teal);
}
</style>
