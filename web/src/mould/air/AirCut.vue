<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { useElementSize } from '@vueuse/core'
import { fromSection, nearestOnOutline, ontoSection, turnThrough } from '@mivro/core/form/filling'
import { type Vec3 } from '@mivro/core/form/mesh'
import { mouldKinds, partingOnSection, partingHeights } from '@mivro/core/mould'
import { frameFor, margin, outlinePath } from '../../cutaway/frame.ts'
import { spread } from '../../cutaway/labels.ts'
import LengthRuler from '../../cutaway/LengthRuler.vue'
import MouldBlock from '../../cutaway/MouldBlock.vue'
import { useProject } from '../../project/projectStore.ts'
import StretchNote from '../../cutaway/StretchNote.vue'
import OpeningHandle from './OpeningHandle.vue'
import { useSeam } from '../parting/seamStore.ts'
import { useAir } from './useAir.ts'
import { usePointed } from './usePointed.ts'

const props = defineProps<{ parting?: boolean }>()

const project = useProject()
const air = useAir()
const seam = useSeam()
const id = useId()
const box = ref<HTMLElement>()
const { width, height } = useElementSize(box, { width: 784, height: 560 })

const section = computed(() => project.survey!.section)
const frame = computed(() => frameFor(section.value, width.value, height.value, 'closed'))
const path = computed(() => outlinePath(section.value, frame.value))

/** The silicone around a master that stands the other way round is not this cut's. */
const silicone = computed(() => project.poured === 'silicone')
const top = computed(() =>
  air.level === undefined ? section.value.height : air.level * section.value.height,
)

const pockets = computed(() =>
  (project.air?.pockets ?? []).filter(
    ({ topHeight, saddle }) => saddle <= top.value || topHeight <= top.value,
  ),
)
const slabsOf = (index: number) =>
  pockets.value[index].slabs
    .filter(({ h0 }) => h0 < top.value)
    .map(({ x0, x1, h0, h1 }) => ({
      x: frame.value.x(x0),
      y: frame.value.y(Math.min(h1, top.value)),
      width: Math.max(0.5, frame.value.x(x1) - frame.value.x(x0)),
      height: frame.value.y(h0) - frame.value.y(Math.min(h1, top.value)) + 0.6,
    }))

const places = computed(() =>
  air.openings.map((opening) => {
    const { x, h, behind } = ontoSection(section.value, opening.at as Vec3)
    return { opening, x: frame.value.x(x), y: frame.value.y(h), behind }
  }),
)
const dabs = computed(() =>
  (project.mould?.prefills ?? []).map((prefill) => {
    const { x, h } = ontoSection(section.value, prefill.at as Vec3)
    return { id: prefill.id, x: frame.value.x(x), y: frame.value.y(h) }
  }),
)

const pointed = usePointed(() => props.parting === true)

/** With their words at the right, moved apart. */
const tagHeight = 44
const tags = computed(() => {
  const spots = pointed.value.map(({ at }) => {
    const { x, h } = ontoSection(section.value, at)
    return { x: frame.value.x(x), y: frame.value.y(h) }
  })
  const middles = spread(
    spots.map(({ y }) => y),
    tagHeight,
    10,
    height.value - 10,
  )
  return pointed.value.map((point, index) => ({
    ...point,
    index,
    ...spots[index],
    middle: middles[index],
  }))
})

/** A place on the drawing as the nearest place of the cut's outline. */
function onOutline(px: number, py: number): Vec3 | undefined {
  const { acrossAt, heightAt } = frame.value
  const found = nearestOnOutline(section.value, acrossAt(px), heightAt(py))
  return found && fromSection(section.value, found.x, found.h)
}
function nudge(opening: { id: string; at: readonly number[] }, dx: number, dh: number): void {
  const at = ontoSection(section.value, opening.at as unknown as Vec3)
  const found = nearestOnOutline(section.value, at.x + dx, at.h + dh)
  if (found) air.move(opening.id, fromSection(section.value, found.x, found.h))
}

/** Turns the cut so that it runs through a pocket. */
function lookAt(at: Vec3): void {
  project.cutAt(turnThrough(section.value, at, project.turn))
}

/** Where the halves meet, from wall to wall. */
const meeting = computed(() => {
  const { mould, geometry } = project
  if (!props.parting || !geometry || !mould || mouldKinds[mould.kind].parts === 1) return undefined
  const { block, acrossAt, heightAt, x, y } = frame.value
  const [left, right] = [acrossAt(block.left), acrossAt(block.right)]
  const [low, high] = [heightAt(block.bottom), heightAt(block.top)]
  const lines = partingOnSection(
    partingHeights(mould, geometry),
    section.value,
    mould.masterUp as Vec3,
    geometry.foot,
    { left, right, low, high },
  )
  const places = lines.map((line) =>
    Array.from({ length: line.length / 2 }, (_, i) => [x(line[2 * i]), y(line[2 * i + 1])]),
  )
  const [end] = places.flat().sort(([a], [b]) => b - a)
  return {
    line: places
      .map((line) => `M${line.map(([u, v]) => `${u.toFixed(1)} ${v.toFixed(1)}`).join('L')}`)
      .join(''),
    end,
  }
})
/** Silicone that is locked, as far as the cut runs through it. */
const locked = computed(() => {
  const { mould, geometry } = project
  const climbing = geometry?.climbing
  if (!props.parting || !mould || !climbing) return []
  const { lockedCell } = climbing
  const cells = mould.climbs ? climbing.locked : climbing.level.locked
  const near = Math.max(lockedCell[0], lockedCell[1]) / 2
  const size = lockedCell.map((side) => side * frame.value.scale)
  return Array.from({ length: cells.length / 3 }, (_, i) =>
    ontoSection(section.value, [cells[3 * i], cells[3 * i + 1], cells[3 * i + 2]]),
  )
    .filter(({ behind }) => Math.abs(behind) <= near)
    .map(({ x, h }) => ({
      x: frame.value.x(x) - size[0] / 2,
      y: frame.value.y(h) - size[2] / 2,
      width: size[0] + 0.5,
      height: size[2] + 0.5,
    }))
})
/** The seam as it lies before or behind the cut. */
const seamPath = computed(() => {
  const line = seam.line?.before ?? []
  return Array.from({ length: line.length / 3 }, (_, i) => {
    const { x, h } = ontoSection(section.value, [line[3 * i], line[3 * i + 1], line[3 * i + 2]])
    return `${i === 0 ? 'M' : 'L'}${frame.value.x(x).toFixed(1)} ${frame.value.y(h).toFixed(1)}`
  }).join('')
})
</script>

<template>
  <div ref="box" class="cut">
    <svg
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      @click.self="air.selected = undefined"
    >
      <defs>
        <linearGradient :id="`${id}-resin`" x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stop-color="var(--resin-light)" />
          <stop offset="1" stop-color="var(--resin-deep)" />
        </linearGradient>
        <clipPath :id="`${id}-in`"><path :d="path" clip-rule="evenodd" /></clipPath>
      </defs>
      <MouldBlock
        :x="frame.block.left"
        :y="frame.block.top"
        :width="frame.block.right - frame.block.left"
        :height="frame.block.bottom - frame.block.top"
      />
      <template v-for="place in places" :key="place.opening.id">
        <line
          class="channel"
          :class="[place.opening.what, { far: Math.abs(place.behind) > 0.0015 }]"
          :x1="place.x"
          :x2="place.x"
          :y1="place.y"
          :y2="frame.block.top"
          :stroke-width="place.opening.what === 'gate' ? 13 : 5"
        />
      </template>
      <g v-if="meeting?.end" class="parting">
        <path :d="meeting.line" class="meeting" />
        <text :x="meeting.end[0] + 8" :y="Math.min(meeting.end[1] + 4, frame.block.bottom - 8)">
          parting
        </text>
      </g>
      <path
        :d="path"
        :fill="`var(--${parting ? 'resin-light' : silicone ? 'silicone-deep' : 'panel'})`"
        fill-rule="evenodd"
      />
      <g v-if="!silicone && !parting" :clip-path="`url(#${id}-in)`">
        <rect
          :x="frame.block.left"
          :y="frame.y(top)"
          :width="frame.block.right - frame.block.left"
          :height="frame.y(0) - frame.y(top)"
          :fill="`url(#${id}-resin)`"
        />
      </g>
      <g v-if="!parting" :clip-path="silicone ? undefined : `url(#${id}-in)`">
        <g
          v-for="(pocket, i) in pockets"
          :key="i"
          class="void"
          :class="{ filled: pocket.prefilled }"
        >
          <rect v-for="(slab, k) in slabsOf(i)" :key="k" v-bind="slab" />
        </g>
      </g>
      <path :d="path" class="cut-outline" />

      <LengthRuler :frame="frame" :section="section" />

      <path v-if="parting && seamPath" class="seam" :d="seamPath" />

      <g v-if="locked.length > 0" class="locked">
        <rect v-for="(cell, i) in locked" :key="i" v-bind="cell" />
      </g>

      <template v-if="tags.length > 0">
        <path
          v-for="tag in tags"
          :key="tag.index"
          class="leader"
          :d="`M${tag.x.toFixed(1)} ${tag.y.toFixed(1)}L${width - margin.right + 62} ${tag.middle.toFixed(1)}`"
        />
        <circle
          v-for="tag in tags"
          :key="`c${tag.index}`"
          class="spot"
          :cx="tag.x"
          :cy="tag.y"
          r="4.5"
        />
      </template>
      <g v-for="dab in dabs" :key="dab.id" class="dab">
        <path :d="`M${dab.x} ${dab.y - 8}c5 6 5 11 0 11s-5 -5 0 -11z`" />
      </g>
      <OpeningHandle
        v-for="place in places"
        :key="place.opening.id"
        :opening="place.opening"
        :x="place.x"
        :y="place.y"
        :behind="place.behind"
        :selected="air.selected === place.opening.id"
        :on-outline="onOutline"
        @select="air.selected = place.opening.id"
        @drag="air.drag(place.opening.id, $event)"
        @drop="air.drop"
        @nudge="(dx, dh) => nudge(place.opening, dx, dh)"
        @remove="air.takeOut(place.opening.id)"
      />
      <text
        class="side cut-side"
        :x="(frame.block.left + frame.block.right) / 2"
        :y="frame.block.bottom + 16"
      >
        {{
          silicone ? 'Silicone rises around the master' : 'Held as it is poured: lowest point here'
        }}
      </text>
      <StretchNote :frame="frame" />
    </svg>
    <template v-if="tags.length > 0">
      <button
        v-for="tag in tags"
        :key="tag.index"
        type="button"
        class="tag"
        :style="{ top: `${tag.middle - tagHeight / 2}px`, left: `${width - margin.right + 64}px` }"
        title="Turn the cut to look at it"
        @click="lookAt(tag.at)"
      >
        <b>{{ tag.title }}</b>
        <span>{{ tag.says }}</span>
      </button>
    </template>
    <p v-if="project.airBusy" class="busy" role="status">Following the air …</p>
  </div>
</template>

<style scoped>
.cut {
  position: absolute;
  inset: 0;
  overflow: hidden;
}

svg {
  position: absolute;
  inset: 0;
}

.void rect {
  fill: var(--void);
}

.void.filled rect {
  fill: var(--prefilled);
}

.channel {
  stroke: var(--clear);
}

.channel.far {
  stroke-opacity: 0.45;
}

.leader {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 1;
}

.spot {
  fill: var(--panel);
  stroke: var(--ink);
  stroke-width: 1.5;
}

.dab path {
  fill: var(--amber);
  stroke: var(--panel);
}

.seam {
  fill: none;
  stroke: var(--stop);
  stroke-width: 2.4;
  stroke-dasharray: 7 4;
}

.meeting {
  fill: none;
  stroke: var(--teal);
  stroke-width: 1.8;
}

.locked rect {
  fill: var(--stop);
  opacity: 0.45;
}

.parting text {
  fill: var(--teal);
  font-size: var(--size-small);
}

.tag {
  position: absolute;
  width: 168px;
  height: 44px;
  display: flex;
  flex-direction: column;
  justify-content: center;
  padding: 0 8px;
  border: 0;
  border-radius: var(--r-field);
  background: transparent;
  text-align: left;
  font-size: var(--size-small);
  line-height: 1.35;
  color: var(--ink-2);
  cursor: pointer;
}

.tag:hover {
  background: var(--veil);
}

.tag b {
  color: var(--ink);
  font: 650 var(--size)/1.35 var(--num);
  white-space: nowrap;
}

.busy {
  position: absolute;
  left: 16px;
  bottom: 12px;
  color: var(--ink-2);
  font-size: var(--size-small);
}
</style>
