<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Form } from '@mivro/core/form/piece'
import type { DrawnMesh } from '../work/handlers.ts'
import { askSurface } from '../work/pool.ts'
import { useJob } from '../work/useJob.ts'
import type { Vec3 } from '@mivro/core/form/mesh'
import { token } from '../theme/token.ts'
import type { openSolid, SolidMark } from './solidScene.ts'

/** A shape in 3D, turned by dragging. It only shows; the facts stand beside it in words. */
const props = defineProps<{
  form?: Form
  /** Drawn instead of a form, in its own colours. */
  surface?: DrawnMesh
  label?: string
  /** Places that are marked on it. */
  marks?: readonly SolidMark[]
  /** What clicking it does, for the line under it. */
  hint?: string
}>()
const emit = defineEmits<{ pick: [at: Vec3 | undefined] }>()
const box = ref<HTMLElement>()
const failed = ref(false)
/** It has holes, whose rims are drawn. */
const open = ref(false)
/** It was shown from a side already. */
let turned = false
let scene: ReturnType<typeof openSolid> | undefined
const { run } = useJob()

onMounted(async () => {
  try {
    const { openSolid } = await import('./solidScene.ts')
    if (box.value) scene = openSolid(box.value, getComputedStyle(box.value).color, token('stop'))
    scene?.onPick((at) => emit('pick', at))
    await show()
  } catch {
    // No WebGL on this machine: the section beside it tells the same.
    failed.value = true
  }
})
onBeforeUnmount(() => scene?.close())
watch(() => JSON.stringify(props.form), show)
watch(() => props.surface, show)
watch(() => props.marks, mark)
function mark(): void {
  scene?.setMarks(props.marks ?? [], { on: token('stop'), off: token('warn') })
}

async function show(): Promise<void> {
  // What is wrong with the shape is said where it is surveyed.
  const { form, surface } = props
  const mesh = surface ?? (scene && form && (await run((heard) => askSurface(form, heard))))
  if (!mesh) return
  scene?.setMesh(mesh)
  open.value = mesh.rims !== undefined
  mark()
  // What is computed anew while it is looked at turns nothing.
  if (surface && !turned && props.marks?.[0]) scene?.seeFrom(props.marks[0].at)
  turned = true
}
</script>

<template>
  <figure class="solid">
    <div ref="box" class="box" role="img" :aria-label="label ?? 'The shape in 3D'" />
    <figcaption class="quiet small">
      <template v-if="failed">3D needs WebGL, which this browser has not.</template>
      <template v-else>
        <b v-if="open" class="rims">The rims of its holes are drawn in red.</b>
        {{ hint ?? '3D, drag to turn' }}
      </template>
    </figcaption>
  </figure>
</template>

<style scoped>
.solid {
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  margin: 0;
}

.box {
  flex: 1;
  min-height: 0;
  overflow: hidden;
  color: var(--honey);
  cursor: grab;
}

.box:active {
  cursor: grabbing;
}

.rims {
  color: var(--stop);
}

figcaption {
  padding: 6px;
  text-align: center;
}
</style>
