<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { ElButton } from 'element-plus'
import { fieldOnSection, heatScale, momentAt, pouredBy } from '@mivro/core/matter/cure'
import { isHollow, type CompiledPlan, type Plan } from '@mivro/core/work/plan'
import { fromSection, ontoSection, type Section } from '@mivro/core/form/filling'
import { type Vec3 } from '@mivro/core/form/mesh'
import { figure, show } from '@mivro/core/base/units'
import LengthRuler from '../cutaway/LengthRuler.vue'
import StretchNote from '../cutaway/StretchNote.vue'
import { useFrame } from '../cutaway/useFrame.ts'
import { useStudio } from '../project/studioStore.ts'
import { arrowStep } from '../ui/arrowStep.ts'
import ColourKey from '../ui/ColourKey.vue'
import { isoLines } from './isoLines.ts'
import { paint } from './paint.ts'
import { rampOf } from '../ui/ramp.ts'
import type { Heat } from './useHeat.ts'

const props = defineProps<{
  section: Section
  plan: Plan
  compiled: CompiledPlan
  heat: Heat
}>()
const studio = useStudio()
const canvas = ref<HTMLCanvasElement>()
const box = ref<HTMLElement>()
const { width, height, frame, path } = useFrame(
  box,
  () => props.section,
  () => props.plan.mould,
)

const field = computed(() => props.heat.field.value)
const what = computed(() => props.heat.what.value)
const ramp = computed(() => rampOf(what.value))
const scale = computed(() => field.value && heatScale(field.value))
const pours = computed(() => props.compiled.layers.map(({ clock }) => clock?.pourAt))

/** Places that a moment is drawn with: the browser smooths between them. */
const fineness = { columns: 160, rows: 116 }

/** The block as drawn, in m of the cut. */
const bounds = computed(() => {
  const { block, acrossAt, heightAt } = frame.value
  return {
    left: acrossAt(block.left),
    right: acrossAt(block.right),
    bottom: heightAt(block.bottom),
    top: heightAt(block.top),
  }
})
const size = computed(() => ({
  width: frame.value.block.right - frame.value.block.left,
  height: frame.value.block.bottom - frame.value.block.top,
}))
const picture = computed(() => {
  if (!field.value) return undefined
  const at = props.heat.at.value
  const poured = pouredBy(pours.value, at)
  return fieldOnSection(
    field.value.grid,
    momentAt(field.value, at),
    props.section,
    poured,
    what.value,
    { bounds: bounds.value, ...fineness },
  )
})
const range = computed(() =>
  what.value === 'alpha' ? { low: 0, high: 1 } : (scale.value ?? { low: 0, high: 1 }),
)
const lines = computed(() => {
  if (!picture.value || !scale.value) return []
  const wanted = what.value === 'alpha' ? [0.2, 0.4, 0.6, 0.8] : scale.value.lines
  return isoLines(picture.value, wanted, size.value.width, size.value.height)
})
/** Numbers that would stand on one another are left out. */
const numbered = computed(() => {
  const put: { x: number; y: number }[] = []
  return lines.value.filter(({ label }) => {
    if (!label) return false
    const free = put.every((at) => Math.abs(at.x - label.x) > 30 || Math.abs(at.y - label.y) > 16)
    if (free) put.push(label)
    return free
  })
})
const limitLine = computed(() =>
  picture.value && what.value === 'temperature' && props.compiled.heatLimit
    ? isoLines(picture.value, [props.compiled.heatLimit.at], size.value.width, size.value.height)
    : [],
)

watch(
  [picture, canvas],
  () => {
    const context = canvas.value?.getContext('2d')
    if (context && picture.value) paint(context, picture.value, ramp.value, range.value)
  },
  { flush: 'post' },
)

const id = useId()
const blockPath = computed(() => {
  const { left, right, top, bottom } = frame.value.block
  return `M${left} ${top}H${right}V${bottom}H${left}Z`
})
/** How high the mould is filled at the moment looked at, m. */
const level = computed(() =>
  props.compiled.layers.reduce(
    (top, layer, i) =>
      (pours.value[i] ?? Infinity) <= props.heat.at.value ? Math.max(top, layer.top) : top,
    0,
  ),
)

const say = (value: number) =>
  what.value === 'alpha'
    ? `${Math.round(value * 100)} %`
    : figure(value, 'temperature', studio.units)

const markers = computed(() =>
  props.heat.points.value.map((place, i) => {
    const { x, h } = ontoSection(props.section, place)
    return { i, x: frame.value.x(x), y: frame.value.y(h), place }
  }),
)
const hottest = computed(() => {
  const found = props.heat.hottest.value
  if (!found) return undefined
  const { x, h } = ontoSection(props.section, found.hot.place)
  return { x: frame.value.x(x), y: frame.value.y(h) }
})

function placeAt(event: MouseEvent): Vec3 {
  const { left, top } = box.value!.getBoundingClientRect()
  const { acrossAt, heightAt } = frame.value
  return fromSection(props.section, acrossAt(event.clientX - left), heightAt(event.clientY - top))
}
const nudge = 0.001
function key(event: KeyboardEvent, i: number, place: Vec3): void {
  if (event.key === 'Delete') return props.heat.removePoint(i)
  const move = arrowStep(event, nudge)
  if (!move) return
  const { x, h } = ontoSection(props.section, place)
  props.heat.movePoint(i, fromSection(props.section, x + move[0], h + move[1]))
}
</script>

<template>
  <div ref="box" class="cutaway">
    <canvas
      v-if="field"
      ref="canvas"
      :width="fineness.columns"
      :height="fineness.rows"
      :class="{ stale: heat.stale.value }"
      :style="{
        left: `${frame.block.left}px`,
        top: `${frame.block.top}px`,
        width: `${size.width}px`,
        height: `${size.height}px`,
      }"
    />
    <svg
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      @click="heat.addPoint(placeAt($event))"
    >
      <LengthRuler :frame="frame" :section="section" />
      <!-- Cells end in steps: the outline itself parts piece and mould, and what is not yet poured. -->
      <clipPath :id="`${id}-piece`"><path :d="path" clip-rule="evenodd" /></clipPath>
      <rect
        :x="frame.block.left"
        :y="frame.y(section.height)"
        :width="size.width"
        :height="Math.max(0, frame.y(level) - frame.y(section.height))"
        class="empty"
        :clip-path="`url(#${id}-piece)`"
      />
      <path :d="blockPath + path" fill-rule="evenodd" class="block" :class="what" />
      <g :clip-path="what === 'alpha' ? `url(#${id}-piece)` : undefined" class="lines">
        <g :transform="`translate(${frame.block.left} ${frame.block.top})`">
          <path v-for="line in lines" :key="line.value" :d="line.path" />
          <path
            v-for="line in limitLine"
            :key="`limit${line.value}`"
            :d="line.path"
            class="limit"
          />
          <template v-for="line in numbered" :key="`label${line.value}`">
            <text v-if="line.label" :x="line.label.x" :y="line.label.y + 4" text-anchor="middle">
              {{ say(line.value) }}
            </text>
          </template>
        </g>
      </g>
      <path :d="path" class="cut-outline" />
      <g v-if="hottest" class="hottest" aria-hidden="true">
        <circle :cx="hottest.x" :cy="hottest.y" r="7" />
        <circle :cx="hottest.x" :cy="hottest.y" r="2" />
      </g>
      <g
        v-for="marker in markers"
        :key="marker.i"
        class="marker"
        role="button"
        tabindex="0"
        :aria-label="`Point ${marker.i + 1}: arrows move it, Delete takes it away`"
        @click.stop
        @keydown="key($event, marker.i, marker.place)"
      >
        <circle :cx="marker.x" :cy="marker.y" r="9" :class="`p${marker.i}`" />
        <text :x="marker.x" :y="marker.y + 4">{{ marker.i + 1 }}</text>
      </g>
      <StretchNote :frame="frame" />
    </svg>
    <ColourKey
      v-if="field"
      hint="Click the cut to follow a point."
      :what="what"
      :low="say(range.low)"
      :high="what === 'alpha' ? '100 %' : show(range.high, 'temperature', studio.units)"
      :limit="
        limitLine.length > 0 && compiled.heatLimit
          ? show(compiled.heatLimit.at, 'temperature', studio.units)
          : undefined
      "
    />
    <p v-if="heat.progress.value !== undefined" class="working" role="status">
      Following the heat, {{ Math.round(heat.progress.value * 100) }} %
      <ElButton link type="primary" @click="heat.giveUp()">Cancel</ElButton>
    </p>
    <p v-else-if="heat.givenUp.value" class="working" role="status">
      Not followed.
      <ElButton link type="primary" @click="heat.follow()">Run simulation</ElButton>
    </p>
    <p v-else-if="!field && heat.problems.value.length === 0" class="working quiet" role="status">
      {{
        isHollow(plan)
          ? 'Heat is followed in layers that lie level: for a wall the figures beside are of its film.'
          : 'The heat is followed as soon as a layer has its resin.'
      }}
    </p>
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

canvas,
svg {
  position: absolute;
}

svg {
  inset: 0;
  cursor: crosshair;
}

canvas.stale {
  opacity: 0.45;
}

.block {
  fill: var(--glass);
  stroke: var(--silicone-line);
  pointer-events: none;
}

.block.alpha {
  fill: var(--silicone);
}

.empty {
  fill: var(--panel);
  pointer-events: none;
}

.lines {
  pointer-events: none;
}

.lines path {
  fill: none;
  stroke: var(--on-heat-line);
  stroke-width: 1;
}

.lines path.limit {
  stroke: var(--hot-limit);
  stroke-width: 2.4;
  stroke-dasharray: 6 4;
}

.lines text {
  fill: var(--panel);
  stroke: var(--shade);
  stroke-width: 3;
  paint-order: stroke;
  font: 650 var(--size-small) var(--num);
  text-anchor: middle;
}

.hottest circle {
  fill: none;
  stroke: var(--panel);
  stroke-width: 1.8;
}

.hottest circle + circle {
  fill: var(--panel);
}

.marker {
  cursor: default;
  outline: none;
}

.marker circle {
  stroke: var(--panel);
  stroke-width: 2;
}

.marker .p0 {
  fill: var(--teal);
}

.marker .p1 {
  fill: var(--violet);
}

.marker .p2 {
  fill: var(--ink);
}

.marker:focus-visible circle {
  stroke: var(--honey);
  stroke-width: 4;
}

.marker text {
  fill: var(--panel);
  font: 700 var(--size-small) var(--num);
  text-anchor: middle;
  pointer-events: none;
}

.working {
  position: absolute;
  left: 50%;
  bottom: 10px;
  translate: -50% 0;
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 6px 14px;
  border: 1px solid var(--line);
  border-radius: var(--r-round);
  background: var(--panel);
  white-space: nowrap;
}
</style>
