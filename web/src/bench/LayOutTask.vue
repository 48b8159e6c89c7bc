<script setup lang="ts">
import { computed } from 'vue'
import { ElCheckbox } from 'element-plus'
import { tickedOf, type Bench, type LayOutItem, type TaskOf } from '@mivro/core/work/bench'
import { layOutWords } from '@mivro/words/bench'
import { showAngle } from '@mivro/core/base/units'
import type { UseInstruments } from './useInstruments.ts'

/** What lies ready before anything is opened: ticked one by one. */
const props = defineProps<{ bench: Bench; task: TaskOf<'lay out'>; instruments: UseInstruments }>()
defineEmits<{ tick: [item: LayOutItem] }>()
const ticked = computed(() => tickedOf(props.bench, props.task))
const tilt = computed(() => props.instruments.valueOf('level'))
</script>

<template>
  <ul class="items">
    <li v-for="item in task.items" :key="item.what">
      <ElCheckbox
        size="large"
        :model-value="ticked.has(item.what)"
        @update:model-value="!ticked.has(item.what) && $emit('tick', item.what)"
      >
        {{ layOutWords[item.what](item.count) }}
        <span v-if="item.what === 'level' && tilt !== undefined" class="quiet">
          {{ showAngle(tilt) }} off level
        </span>
      </ElCheckbox>
    </li>
  </ul>
</template>

<style scoped>
.items {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(290px, 1fr));
  gap: 10px;
  align-content: start;
  overflow: hidden auto;
}

.items :deep(.el-checkbox) {
  width: 100%;
  height: auto;
  min-height: 64px;
  margin: 0;
  padding: 10px 16px;
  border-radius: var(--r);
  background: var(--panel);
}

.items :deep(.el-checkbox__label) {
  font-size: var(--bench-text);
  white-space: normal;
  line-height: 1.35;
}

.items :deep(.el-checkbox__inner) {
  width: 26px;
  height: 26px;
}

.items :deep(.el-checkbox__inner::after) {
  left: 9px;
  top: 4px;
  width: 6px;
  height: 12px;
  border-width: 2px;
}
</style>
