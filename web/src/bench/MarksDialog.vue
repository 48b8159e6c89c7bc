<script setup lang="ts">
import { ElDialog } from 'element-plus'
import { touchMarks, type TouchMark } from '@mivro/core/work/bench'
import { touchWords } from '@mivro/words/bench'
import BenchKey from './BenchKey.vue'

/** What a hand feels of a mix, recorded with its moment. */
defineProps<{ mix: number }>()
const shown = defineModel<boolean>({ required: true })
const emit = defineEmits<{ mark: [mark: TouchMark] }>()
function choose(mark: TouchMark): void {
  shown.value = false
  emit('mark', mark)
}
</script>

<template>
  <ElDialog v-model="shown" :title="`How is cup ${mix + 1}?`" width="min(680px, 94vw)">
    <div class="marks">
      <BenchKey
        v-for="mark in touchMarks"
        :key="mark"
        :label="touchWords[mark].label"
        :hint="touchWords[mark].hint"
        @press="choose(mark)"
      />
    </div>
  </ElDialog>
</template>

<style scoped>
.marks {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}

.marks :deep(.el-button) {
  background: var(--hover);
}
</style>
