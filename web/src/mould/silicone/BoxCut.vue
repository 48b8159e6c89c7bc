<script setup lang="ts">
import { computed, ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import { makingSteps, mouldKinds, stageAfter } from '@mivro/core/mould'
import { show } from '@mivro/core/base/units'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import MouldBlock from '../../cutaway/MouldBlock.vue'
import StageCut from '../steps/StageCut.vue'
import { boxDrawing } from './boxDrawing.ts'
import { useStanding } from './useStanding.ts'

const project = useProject()
const studio = useStudio()
const holder = ref<HTMLElement>()
const { width, height } = useElementSize(holder, { width: 784, height: 560 })

const standing = useStanding()
const box = computed(() => project.compiledMould?.box)
const poured = computed(() => mouldKinds[project.mould!.kind].poured)
const drawing = computed(() => {
  if (!box.value || !project.compiledMould || !standing.section.value) return undefined
  return boxDrawing(
    box.value,
    project.compiledMould.foot,
    standing.section.value,
    standing.turned.value,
    width.value,
    height.value,
  )
})
const withoutBox = {
  block: '',
  none: 'A bought mould needs no box and no silicone.',
  coats: 'Brushed on in coats: no box. The amounts stand at the right.',
  shell: 'The printed shell is its box: both halves are handed out under Record.',
}
/** What is there when all silicone is on, for a mould that has no box. */
const made = computed(() => {
  const { mould, compiledMould, silicone } = project
  if (!compiledMould || poured.value === 'block' || poured.value === 'none') return undefined
  const steps = makingSteps(mould!, compiledMould, silicone)
  return stageAfter(
    steps,
    steps.findIndex(({ does }) => does === 'open'),
  )
})
const level = computed(() => project.compiledMould?.cover?.level ?? box.value?.height ?? 0)
const twoParts = computed(() => mouldKinds[project.mould!.kind].parts === 2)
/** Beside the middle of the wall, out of the way of what is written at the parting. */
const heightLabel = computed(() => {
  const { y } = drawing.value!
  const middle = (y(0) + y(box.value!.height)) / 2
  const parting = y(box.value!.under + project.compiledMould!.room.parting) + 4
  const near = twoParts.value && Math.abs(middle - parting) < 18
  return near ? parting - 20 : middle
})
const length = (x: number) => show(x, 'length', studio.units)
</script>

<template>
  <div ref="holder" class="boxed">
    <template v-if="made">
      <StageCut :stage="made" />
      <p class="without">{{ withoutBox[poured] }}</p>
    </template>
    <p v-else-if="poured === 'none'" class="none">{{ withoutBox.none }}</p>
    <svg v-else-if="drawing && box" :width="width" :height="height">
      <!-- From the side -->
      <MouldBlock
        :x="drawing.left"
        :y="drawing.y(level)"
        :width="drawing.right - drawing.left"
        :height="drawing.y(0) - drawing.y(level)"
      />
      <path :d="drawing.piece" class="master" />
      <path
        class="walls"
        :d="`M${drawing.left} ${drawing.y(box.height) - 16}V${drawing.y(0)}H${drawing.right}V${drawing.y(box.height) - 16}`"
      />
      <g class="fill">
        <line
          :x1="drawing.left - 10"
          :x2="drawing.right + 10"
          :y1="drawing.y(box.height)"
          :y2="drawing.y(box.height)"
        />
        <text :x="drawing.right + 16" :y="drawing.y(box.height) + 4">
          fill to {{ length(box.height) }}
        </text>
      </g>
      <g v-if="project.compiledMould!.cover && level < box.height - 1e-6" class="short">
        <line
          :x1="drawing.left"
          :x2="drawing.right"
          :y1="drawing.y(level)"
          :y2="drawing.y(level)"
        />
        <text
          :x="drawing.right + 16"
          :y="Math.max(drawing.y(level) + 4, drawing.y(box.height) + 22)"
        >
          what there is: {{ length(level) }}
        </text>
      </g>
      <g v-if="twoParts" class="parting">
        <line
          :x1="drawing.left"
          :x2="drawing.right"
          :y1="drawing.y(box.under + project.compiledMould!.room.parting)"
          :y2="drawing.y(box.under + project.compiledMould!.room.parting)"
        />
        <text
          :x="drawing.left - 12"
          :y="drawing.y(box.under + project.compiledMould!.room.parting) + 4"
          text-anchor="end"
        >
          {{ project.compiledMould!.room.climbs ? 'parting, mean' : 'parting' }}
        </text>
      </g>
      <g class="measure">
        <text :x="(drawing.left + drawing.right) / 2" :y="drawing.y(0) + 20">
          {{ length(box.width) }} inside
        </text>
        <text :x="drawing.left - 12" :y="heightLabel" text-anchor="end">
          {{ length(box.height) }}
        </text>
        <text
          v-if="box.over > 0.001"
          :x="drawing.right + 16"
          :y="drawing.y(box.height - box.over / 2) + 10"
        >
          {{ length(box.over) }} over
        </text>
        <text v-if="box.under > 0.001" :x="drawing.right + 16" :y="drawing.y(box.under / 2) + 4">
          {{ length(box.under) }} under
        </text>
      </g>
      <!-- From above -->
      <path :d="drawing.plan" class="plan" />
      <path :d="drawing.hull" class="hull" />
      <text class="caption" :x="drawing.planMiddle" :y="drawing.planBottom + 20">
        from above, {{ length(box.width) }} by {{ length(box.depth) }}
      </text>
    </svg>
    <p v-else-if="project.compiledMould?.boxProblem" class="none">
      The box does not hold the piece: see at the right.
    </p>
  </div>
</template>

<style scoped>
.boxed {
  position: absolute;
  inset: 0;
}

.none {
  position: absolute;
  inset: 42% 60px auto;
  text-align: center;
  font-size: var(--size-lead);
  color: var(--ink-2);
}

.without {
  position: absolute;
  inset: auto 40px 18px;
  text-align: center;
  color: var(--ink-2);
}

.master {
  fill: var(--resin);
  fill-rule: evenodd;
  stroke: var(--ink);
  stroke-width: 1.6;
}

.walls {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 5;
}

text {
  fill: var(--ink-2);
  font: 500 var(--size-small) var(--num);
}

.measure text:first-child,
.caption {
  text-anchor: middle;
}

.fill line {
  stroke: var(--teal);
  stroke-width: 1.6;
  stroke-dasharray: 7 5;
}

.fill text {
  fill: var(--teal);
  font-weight: 650;
}

.short line {
  stroke: var(--stop);
  stroke-width: 2;
}

.short text {
  fill: var(--stop);
  font-weight: 650;
}

.parting line {
  stroke: var(--ink-2);
  stroke-dasharray: 2 4;
}

.plan {
  fill: var(--silicone);
  stroke: var(--ink-2);
  stroke-width: 3;
}

.hull {
  fill: var(--resin);
  stroke: var(--ink);
  stroke-width: 1.4;
}
</style>
