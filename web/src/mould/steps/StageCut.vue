<script setup lang="ts">
import { computed, ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import type { MakingStage } from '@mivro/core/mould'
import { sayStage } from '@mivro/words/making'
import { useProject } from '../../project/projectStore.ts'
import { useStanding } from '../silicone/useStanding.ts'
import StepCut from './StepCut.vue'
import { stepDrawing } from './stepDrawing.ts'

/** The mould of the piece that is open, cut at a stage of its making, as large as there is room. */
const props = defineProps<{
  stage: MakingStage
  /** Drawn as large as this and then fitted, rather than as large as there is room, px. */
  drawn?: { width: number; height: number }
}>()
const project = useProject()
const standing = useStanding()
const holder = ref<HTMLElement>()
const room = useElementSize(holder, { width: 460, height: 560 })
const width = computed(() => props.drawn?.width ?? room.width.value)
const height = computed(() => props.drawn?.height ?? room.height.value)
const drawing = computed(() => {
  const { mould, compiledMould } = project
  const section = standing.section.value
  if (!mould || !compiledMould || !section) return undefined
  const { foot, box } = compiledMould
  return stepDrawing(
    {
      mould,
      foot,
      box,
      parting: compiledMould.room.parting,
      section,
      turned: standing.turned.value,
    },
    width.value,
    height.value,
  )
})
</script>

<template>
  <div ref="holder" class="stage" :class="{ fitted: drawn }">
    <StepCut
      v-if="drawing"
      :drawing="drawing"
      :stage="stage"
      :width="width"
      :height="height"
      :kind="project.mould!.kind"
      :says="sayStage(stage)"
    />
    <p v-else>Drawing …</p>
  </div>
</template>

<style scoped>
.stage {
  position: absolute;
  inset: 0;
}

.fitted {
  position: static;
}

p {
  margin: 26% 40px 0;
  text-align: center;
  color: var(--ink-2);
}
</style>
