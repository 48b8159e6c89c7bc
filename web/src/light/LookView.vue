<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import {
  ElButton,
  ElDropdown,
  ElDropdownItem,
  ElDropdownMenu,
  ElOption,
  ElSelect,
} from 'element-plus'
import { lamps, mounts, tables, type Mount, type Setting } from '@mivro/core/matter/light'
import { problemsOf } from '@mivro/core/base/problem'
import type { PouredLook } from '@mivro/core/work/plan'
import type { Form } from '@mivro/core/form/piece'
import { lampWords, mountWords, tableWords } from '@mivro/words/light'
import ProblemNote from '../ui/ProblemNote.vue'
import SegmentField from '../ui/SegmentField.vue'
import { arrowStep } from '../ui/arrowStep.ts'
import { useDrag } from '../ui/useDrag.ts'
import { turns, turntables, type Turntable } from './turntable.ts'
import { useLook } from './useLook.ts'
import { download, fileName } from '../ui/download.ts'

/** The finished piece as an eye sees it; it is turned by dragging it. */
const props = defineProps<{
  form: Form
  poured: PouredLook
  label: string
  /** What its pictures are saved as. */
  name: string
  /** A dose is being dragged. */
  moving?: boolean
}>()
const emit = defineEmits<{ turnOver: [] }>()
/** From where it is seen, radians. */
const seen = defineModel<{ turn: number; lift: number }>('seen', { required: true })

const box = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const { width, height } = useElementSize(box, { width: 420, height: 380 })
const setting = reactive<Setting>({ table: 'white', lamp: 'behind', mount: 'none' })

/** A whole width of the picture turns it once around, its height by a quarter. */
const perPixel = computed(() => ({ turn: (2 * Math.PI) / width.value, lift: 1.6 / height.value }))
const lowest = 0.06
const highest = Math.PI / 2
let from = { x: 0, y: 0, turn: 0, lift: 0 }
const { dragging, down, move, up } = useDrag({
  take: ({ clientX: x, clientY: y }) => (from = { x, y, ...seen.value }),
  move: ({ clientX, clientY }) =>
    look(
      from.turn - (clientX - from.x) * perPixel.value.turn,
      from.lift + (clientY - from.y) * perPixel.value.lift,
    ),
})
function look(turn: number, lift: number): void {
  seen.value = { turn, lift: Math.min(highest, Math.max(lowest, lift)) }
}
/** Arrows turn it by 15°. */
const step = Math.PI / 12
function turnByKey(event: KeyboardEvent): void {
  const by = arrowStep(event, step, 1)
  if (by) look(seen.value.turn + by[0], seen.value.lift + by[1])
}

const question = computed(() =>
  width.value > 0 && height.value > 0
    ? {
        form: props.form,
        poured: props.poured,
        view: { ...seen.value, width: Math.round(width.value), height: Math.round(height.value) },
        setting: { ...setting },
      }
    : undefined,
)
const { problem, busy, drawn } = useLook(
  canvas,
  () => question.value,
  () => dragging.value || props.moving === true,
)
/** How many pictures of the turntable are drawn. */
const sheet = ref<number>()
async function saveTurntable(as: Turntable): Promise<void> {
  sheet.value = 0
  try {
    const picture = await turntables[as](question.value!, (count) => (sheet.value = count))
    download(`${fileName(props.name)}-${as}.png`, picture, 'image/png')
  } catch (error) {
    problem.value = problemsOf(error)[0]
  } finally {
    sheet.value = undefined
  }
}
const options = <T extends string>(all: readonly T[], words: Record<T, string>) =>
  all.map((value) => ({ value, label: words[value] }))
</script>

<template>
  <figure class="look">
    <div ref="box" class="picture">
      <canvas
        ref="canvas"
        tabindex="0"
        role="img"
        :aria-label="label"
        :data-drawn="busy ? 'coarse' : drawn"
        :class="{ dragging }"
        @pointerdown="down"
        @pointermove="move"
        @pointerup="up"
        @pointercancel="up"
        @keydown="turnByKey"
      />
      <p v-if="drawn === 0 && !problem" class="waiting small quiet">Following the light …</p>
      <ProblemNote v-if="problem" :problem="problem" />
    </div>
    <figcaption class="settings">
      <SegmentField
        label="Table"
        :options="options(tables, tableWords)"
        :value="setting.table"
        @choose="setting.table = $event"
      />
      <ElSelect
        :persistent="false"
        class="mount"
        size="small"
        aria-label="Held in"
        :model-value="setting.mount"
        @update:model-value="setting.mount = $event as Mount"
      >
        <ElOption v-for="mount in mounts" :key="mount" :value="mount" :label="mountWords[mount]" />
      </ElSelect>
      <SegmentField
        label="Light"
        :options="options(lamps, lampWords)"
        :value="setting.lamp"
        @choose="setting.lamp = $event"
      />
      <ElButton size="small" @click="emit('turnOver')">Turn over</ElButton>
      <ElDropdown
        :persistent="false"
        trigger="click"
        :disabled="sheet !== undefined"
        @command="saveTurntable"
      >
        <ElButton size="small" :loading="sheet !== undefined">
          {{ sheet === undefined ? 'Save turntable' : `Picture ${sheet} of ${turns}` }}
        </ElButton>
        <template #dropdown>
          <ElDropdownMenu>
            <ElDropdownItem command="turntable">Animated PNG</ElDropdownItem>
            <ElDropdownItem command="contact-sheet">Contact sheet, PNG</ElDropdownItem>
          </ElDropdownMenu>
        </template>
      </ElDropdown>
    </figcaption>
  </figure>
</template>

<style scoped>
.look {
  min-width: 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 8px;
  margin: 0;
}

.picture {
  position: relative;
  flex: 1;
  min-height: 0;
  overflow: hidden;
  border-radius: var(--r-large);
  background: var(--track);
}

canvas {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  cursor: grab;
  touch-action: none;
}

canvas.dragging {
  cursor: grabbing;
}

canvas:focus-visible {
  outline-offset: -3px;
}

.waiting {
  position: absolute;
  inset: 0;
  display: grid;
  place-content: center;
}

.settings {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 14px;
}

.mount {
  width: 108px;
}
</style>
