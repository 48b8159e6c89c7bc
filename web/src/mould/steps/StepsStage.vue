<script setup lang="ts">
import { computed } from 'vue'
import { stageAfter } from '@mivro/core/mould'
import { sayMaking, sayStage } from '@mivro/words/making'
import { useStudio } from '../../project/studioStore.ts'
import StageCut from './StageCut.vue'
import StepsList from './StepsList.vue'
import type { Steps } from './useSteps.ts'

/** The list of steps, and the mould as it stands at the chosen one. */
const props = defineProps<{ of: Steps }>()
const studio = useStudio()
const step = computed(() => props.of.steps.value[props.of.chosen.value])
const stage = computed(() => stageAfter(props.of.steps.value, props.of.chosen.value + 1))
</script>

<template>
  <div class="steps" :class="{ none: !step }">
    <StepsList v-if="step" :of="of" />
    <div class="cut">
      <template v-if="step">
        <p class="caption">
          <b>{{ sayMaking(step.title, studio.units) }}</b>
          <span class="quiet small">{{ sayStage(stage) }}</span>
        </p>
        <StageCut :stage="stage" />
      </template>
      <p v-else class="empty">A bought mould is not made: it has no steps.</p>
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
