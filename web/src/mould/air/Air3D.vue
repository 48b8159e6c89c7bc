<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, shallowRef, watch } from 'vue'
import { ElButton } from 'element-plus'
import { axesFor, type Vec3 } from '@mivro/core/form/mesh'
import { useProject } from '../../project/projectStore.ts'
import { askSurface } from '../../work/pool.ts'
import { useJob } from '../../work/useJob.ts'
import { openScene, type PieceScene } from './scene.ts'
import { keysInPiece, mouldKinds, partingHeights, partingSheet } from '@mivro/core/mould'
import { usePull } from '../parting/pullStore.ts'
import { useSeam } from '../parting/seamStore.ts'
import { useAir } from './useAir.ts'

const props = defineProps<{ parting?: boolean }>()
const project = useProject()
const air = useAir()
const seam = useSeam()
const pull = usePull()
const box = ref<HTMLElement>()
const scene = shallowRef<PieceScene>()
const cut = ref(false)
const glass = ref(false)
const failed = ref(false)

onMounted(() => {
  try {
    scene.value = openScene(box.value!, {
      onSelect: (id) => (air.selected = id),
      onDrag: (id, at) => air.drag(id, at as Vec3),
      onDrop: () => air.drop(),
    })
  } catch {
    // No WebGL on this machine: the cut tells the same.
    failed.value = true
  }
})
const { run } = useJob()
onBeforeUnmount(() => scene.value?.close())

watch(
  [scene, () => JSON.stringify(project.piece?.document.form)],
  async () => {
    const form = project.piece?.document.form
    const mesh = scene.value && form && (await run((heard) => askSurface(form, heard)))
    if (!mesh) return
    scene.value!.setMesh(mesh)
    settle()
  },
  { immediate: true },
)
watch(() => [project.plan?.up, project.turn, cut.value, glass.value, project.mould], settle)
watch(() => pull.direction, settle)
watch(
  () => [project.air, project.geometry, air.openings, air.selected, props.parting, seam.line],
  settle,
)

/** Lines on the sheet of the parting lie so far apart in height, m. */
const contourStep = 0.005
/** Where the halves meet and what of the silicone is locked, as it is chosen. */
function halves() {
  const { mould, geometry, compiledMould } = project
  const box = compiledMould?.box
  if (!props.parting || !mould || !geometry || !box) return undefined
  if (mouldKinds[mould.kind].parts === 1) return undefined
  const up = mould.masterUp as Vec3
  const { climbing } = geometry
  const row = { ...geometry, foot: compiledMould.foot }
  const heightAt = partingHeights(mould, row)
  return {
    sheet: partingSheet(heightAt, box, row, up, contourStep),
    locked: (mould.climbs ? climbing?.locked : climbing?.level.locked) ?? new Float32Array(0),
    cell: climbing?.lockedCell ?? [0, 0, 0],
    axes: axesFor(up),
    keys: keysInPiece(compiledMould.keys, row.foot, up),
  }
}

function settle(): void {
  const { survey, plan } = project
  if (!scene.value || !survey || !plan) return
  scene.value.hold(plan.up as Vec3)
  scene.value.setCut(cut.value ? survey.section : undefined)
  const block = project.mould?.box
  const over = block?.over ?? 0.01
  const { origin, height } = survey.section
  scene.value.setOpenings(air.openings, air.selected, {
    up: plan.up as Vec3,
    top: origin[2] + height + over,
  })
  scene.value.setPockets(
    props.parting ? [] : (project.air?.pockets ?? []),
    props.parting ? project.judged.flatMap(({ at }) => (at ? [at as Vec3] : [])) : [],
  )
  scene.value.setSeam(props.parting ? seam.line : undefined)
  scene.value.setHalves(halves())
  scene.value.setPull(props.parting ? pull.direction : undefined)
  scene.value.setMould(
    glass.value && block && project.mould
      ? { ...block, axes: axesFor(project.mould.masterUp as Vec3) }
      : undefined,
  )
}
</script>

<template>
  <div class="round">
    <div
      ref="box"
      class="canvas"
      role="img"
      aria-label="The piece in 3D, with the air that stays"
    />
    <p v-if="failed" class="none">This browser draws nothing in 3D. The section shows the same.</p>
    <div v-else class="hint">
      <ElButton :aria-pressed="cut" @click="cut = !cut">
        {{ cut ? 'Show it whole' : 'Cut it open here too' }}
      </ElButton>
      <ElButton :aria-pressed="glass" @click="glass = !glass">
        {{ glass ? 'Hide the mould' : 'Show the mould' }}
      </ElButton>
      <span class="small quiet"
        >Drag to turn, wheel to come near; gates and vents move along the surface.</span
      >
    </div>
  </div>
</template>

<style scoped>
.round,
.canvas {
  position: absolute;
  inset: 0;
}

.hint {
  position: absolute;
  left: 16px;
  bottom: 12px;
  display: flex;
  gap: 12px;
  align-items: center;
}

.none {
  position: absolute;
  inset: 40% 0 auto;
  text-align: center;
}
</style>
