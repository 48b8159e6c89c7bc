<script setup lang="ts">
import { computed, ref } from 'vue'
import { useElementSize } from '@vueuse/core'
import { stageAfter } from '@mivro/core/mould'
import { sayMaking, sayStage } from '@mivro/words/making'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import StepCut from './StepCut.vue'
import { stepDrawing } from './stepDrawing.ts'
import StepsList from './StepsList.vue'
import type { Steps } from './useSteps.ts'

/** The list of steps, and the mould as it stands at the chosen one. */
const props = defineProps<{ of: Steps }>()
const project = useProject()
const studio = useStudio()
const holder = ref<HTMLElement>()
const { width, height } = useElementSize(holder, { width: 460, height: 560 })
const step = computed(() => props.of.steps.value[props.of.chosen.value])
const stage = computed(() => stageAfter(props.of.steps.value, props.of.chosen.value + 1))
const drawing = computed(() => {
  const { mould, compiledMould, survey, plan } = project
  if (!mould || !compiledMould || !survey || !plan || !step.value) return undefined
  const box = compiledMould.box && { ...compiledMould.box, parting: compiledMould.room.parting }
  const turned = plan.up.some((x, i) => Math.abs(x - mould.masterUp[i]) > 1e-6)
  return stepDrawing(
    { mould, foot: compiledMould.foot, box, section: survey.section, turned },
    width.value,
    height.value,
  )
})
</script>

<template>
  <div class="steps" :class="{ none: of.steps.value.length === 0 }">
    <StepsList v-if="of.steps.value.length > 0" :of="of" />
    <div ref="holder" class="cut">
      <template v-if="drawing && step">
        <p class="caption">
          <b>{{ sayMaking(step.title, studio.units) }}</b>
          <span class="quiet small">{{ sayStage(stage) }}</span>
        </p>
        <StepCut
          :drawing="drawing"
          :stage="stage"
          :width="width"
          :height="height"
          :kind="project.mould!.kind"
          :says="sayStage(stage)"
        />
      </template>
      <p v-else class="empty">
        {{
          of.steps.value.length === 0 ? 'A bought mould is not made: it has no steps.' : 'Drawing …'
        }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.steps {
  position: absolute;
  inset: 10px 0 0;
  display: grid;
  grid-template-columns: minmax(300px, 0.9fr) minmax(0, 1fr);
}

.cut {
  position: relative;
  min-width: 0;
  overflow: hidden;
}

.caption {
  position: absolute;
  inset: 4px 20px auto;
  display: flex;
  flex-direction: column;
}

.steps.none {
  grid-template-columns: minmax(0, 1fr);
}

.empty {
  margin: 26% 40px 0;
  text-align: center;
  color: var(--ink-2);
}
</style>
