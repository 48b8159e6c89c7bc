<script setup lang="ts">
import { ElButton, ElStep, ElSteps } from 'element-plus'
import { led } from './firstVisit.ts'

/**
 * Three steps to a first piece and its weights, said where each is done. Not Element Plus's tour:
 * that takes the arrow keys from the fields beside it.
 */
defineProps<{ done: 0 | 1 | 2 | 3 }>()

const steps = [
  {
    title: 'Shape',
    says: 'Choose Dimensions and take a slab or a drop, or drop a file of your own. Give it a name, then Create piece.',
  },
  { title: 'Layer', says: 'Press Add layer: it fills the piece. Drag its surface for less.' },
  {
    title: 'Resin',
    says: 'Choose the resin of the layer. What to weigh then stands at the top of this panel.',
  },
]
const finished =
  'That is all it takes: drag a surface, and the weights follow. The pour sheet prints them.'
</script>

<template>
  <section v-if="led" class="first" aria-label="First steps">
    <ElSteps :active="done" simple finish-status="success">
      <ElStep v-for="step in steps" :key="step.title" :title="step.title" />
    </ElSteps>
    <p role="status">{{ steps[done]?.says ?? finished }}</p>
    <ElButton link type="primary" @click="led = false">Hide</ElButton>
  </section>
</template>

<style scoped>
.first {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 8px;
  padding: 10px 12px;
  border: 1px solid var(--teal-mid);
  border-radius: var(--r);
  background: var(--hover);
}

.first :deep(.el-steps) {
  align-self: stretch;
  padding: 6px 0;
  background: transparent;
}

.first :deep(.el-step__title) {
  font-size: var(--size-small);
  line-height: 1.4;
}
</style>
