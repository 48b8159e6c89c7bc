<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { ElButton, ElSegmented, ElSlider } from 'element-plus'
import { MapPin } from 'lucide-vue-next'
import { pinOn } from '@mivro/core/learn/diagnosis'
import { ontoSection, turnThrough } from '@mivro/core/form/filling'
import type { Pin } from '@mivro/core/work/pull'
import type { Vec3 } from '@mivro/core/form/mesh'
import { Problem, problemsOf } from '@mivro/core/base/problem'
import type { Frame } from '../cutaway/frame.ts'
import SidedCut from '../cutaway/SidedCut.vue'
import { useProject } from '../project/projectStore.ts'
import SolidView from '../solid/SolidView.vue'
import { arrowStep } from '../ui/arrowStep.ts'
import ProblemNote from '../ui/ProblemNote.vue'

/** The piece cut open, as it lay: faults are pinned where they are seen. */
const props = defineProps<{ pins: readonly Pin[]; selected?: string }>()
const emit = defineEmits<{ pin: [at: Vec3]; select: [id: string]; move: [id: string, at: Vec3] }>()
const project = useProject()
const section = computed(() => project.survey!.section)
/** A pin further behind the cut is drawn faint, m. */
const farBehind = 0.003
const problem = shallowRef<Problem>()

function set(x: number, h: number, take: (at: Vec3) => void): void {
  try {
    take(pinOn(section.value, x, h).at)
    problem.value = undefined
  } catch (error) {
    problem.value = problemsOf(error)[0]
  }
}
function point(event: MouseEvent, frame: Frame): void {
  const box = (event.currentTarget as SVGRectElement).getBoundingClientRect()
  const [x, h] = [frame.acrossAt(event.clientX - box.left), frame.heightAt(event.clientY - box.top)]
  set(x, h, (at) => emit('pin', at))
}
/** The cut is turned so that it runs through what is chosen. */
watch(
  () => props.selected,
  (id) => {
    const pin = props.pins.find((one) => one.id === id)
    if (!pin) return
    const at = pin.at as Vec3
    if (Math.abs(ontoSection(section.value, at).behind) < farBehind) return
    project.cutAt(turnThrough(section.value, at, project.turn))
  },
  { immediate: true },
)
const views = [
  { value: 'cut', label: 'Cut' },
  { value: 'solid', label: '3D' },
]
const view = ref('cut')
const inSpace = computed(() => view.value === 'solid')
const marks = computed(() =>
  props.pins.map(({ id, at }) => ({ at: at as Vec3, on: id === props.selected })),
)
/** A click beside the shape is said, as beside the cut. */
function pick(at: Vec3 | undefined): void {
  problem.value = at ? undefined : new Problem('pin-beside', {})
  if (at) emit('pin', at)
}
/** By keyboard: in the middle, then moved by the arrows. */
const setInMiddle = () => set(0, section.value.height / 2, (at) => emit('pin', at))
const step = 0.0005
function nudge(event: KeyboardEvent, pin: Pin): void {
  const by = arrowStep(event, step)
  if (!by) return
  const { x, h } = ontoSection(section.value, pin.at as Vec3)
  set(x + by[0], h + by[1], (at) => emit('move', pin.id, at))
}
const placed = computed(() =>
  props.pins.map((pin, i) => ({
    pin,
    number: i + 1,
    ...ontoSection(section.value, pin.at as Vec3),
  })),
)
const turned = computed({
  get: () => Math.round((project.turn * 180) / Math.PI),
  set: (degrees: number) => project.cutAt((degrees * Math.PI) / 180),
})
</script>

<template>
  <div class="pins">
    <SolidView
      v-if="inSpace"
      class="cut solid"
      :form="project.piece!.document.form"
      :marks="marks"
      hint="3D: drag to turn, click where it is"
      @pick="pick"
    />
    <SidedCut
      v-else
      class="cut"
      :section="section"
      :compiled="project.compiled!"
      role="group"
      aria-label="The piece cut open, as it lay"
    >
      <template #default="{ frame }">
        <rect
          class="canvas"
          x="0"
          y="0"
          :width="frame.width"
          :height="frame.height"
          @click="point($event, frame)"
        />
        <g
          v-for="one in placed"
          :key="one.pin.id"
          class="pin"
          :class="{ on: one.pin.id === selected, far: Math.abs(one.behind) > farBehind }"
          role="button"
          tabindex="0"
          :aria-label="`Pin ${one.number}: ${one.pin.fault}`"
          :transform="`translate(${frame.x(one.x)} ${frame.y(one.h)})`"
          @click="emit('select', one.pin.id)"
          @focus="emit('select', one.pin.id)"
          @keydown="nudge($event, one.pin)"
        >
          <circle r="11" />
          <text y="4">{{ one.number }}</text>
        </g>
      </template>
    </SidedCut>
    <div class="tools row">
      <ElButton size="small" @click="setInMiddle">
        <MapPin :size="14" aria-hidden="true" />Add a pin
      </ElButton>
      <span v-if="!inSpace" class="quiet small hint">or click it</span>
      <ElSegmented v-model="view" size="small" :options="views" aria-label="Shown as" />
      <ElSlider
        v-if="!inSpace"
        v-model="turned"
        class="turn"
        :min="0"
        :max="179"
        size="small"
        :show-tooltip="false"
        aria-label="Turn the cut"
      />
      <span v-if="!inSpace" class="quiet small hint">turned {{ turned }}°</span>
    </div>
    <ProblemNote v-if="problem" :problem="problem" />
  </div>
</template>

<style scoped>
.pins {
  display: flex;
  flex-direction: column;
  gap: 8px;
  min-width: 0;
}

.cut {
  height: 290px;
  border: 1px solid var(--line);
  border-radius: var(--r-large);
  background: var(--backlit);
}

.canvas {
  fill: transparent;
  cursor: crosshair;
}

.pin {
  cursor: pointer;
}

.pin circle {
  fill: var(--warn);
  stroke: var(--panel);
  stroke-width: 2;
}

.pin text {
  fill: var(--panel);
  font: 650 var(--size-small) / 1 var(--num);
  text-anchor: middle;
}

.pin.on circle,
.pin:focus-visible circle {
  stroke: var(--ink);
  stroke-width: 3;
}

.pin:focus {
  outline: 0;
}

.far {
  opacity: 0.45;
}

.tools {
  align-items: center;
}

.hint {
  white-space: nowrap;
}

.turn {
  flex: 1;
  min-width: 60px;
  margin: 0 12px;
}
</style>
