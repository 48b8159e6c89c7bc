<script setup lang="ts">
import { computed, nextTick, useTemplateRef, watch } from 'vue'
import { Check } from 'lucide-vue-next'
import type { Progress } from '@mivro/core/work/bench'
import { sayTask } from '@mivro/words/bench'
import { useStudio } from '../project/studioStore.ts'

/** All steps of a bench, the one at hand in the middle. */
const props = defineProps<{ progress: Progress }>()
const studio = useStudio()
const steps = computed(() =>
  props.progress.tasks.map((task, i) => ({
    id: task.id,
    number: i + 1,
    name: sayTask(task, studio.units),
    load: task.load,
    first: i === 0 || props.progress.tasks[i - 1].load !== task.load,
    on: task === props.progress.task,
    done: props.progress.done.has(task.id),
    out:
      props.progress.skipped.has(task.id) || ('mix' in task && props.progress.lost.has(task.mix)),
  })),
)
const loads = computed(() => new Set(steps.value.map(({ load }) => load)).size)
const list = useTemplateRef<HTMLElement>('list')
watch(
  () => props.progress.task?.id,
  async () => {
    await nextTick()
    list.value?.querySelector('[aria-current]')?.scrollIntoView?.({ block: 'center' })
  },
  { immediate: true },
)
</script>

<template>
  <ol ref="list" class="steps" aria-label="Steps" tabindex="0">
    <template v-for="step in steps" :key="step.id">
      <li v-if="step.first && loads > 1" class="load">Load {{ step.load + 1 }}</li>
      <li
        :class="{ on: step.on, done: step.done, out: step.out }"
        :aria-current="step.on ? 'step' : undefined"
      >
        <Check v-if="step.done" :size="16" aria-label="done" />
        <span v-else>{{ step.number }}</span>
        {{ step.name }}
      </li>
    </template>
  </ol>
</template>

<style scoped>
.steps {
  padding: 14px 0;
  overflow: hidden auto;
  scrollbar-width: none;
}

li {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 9px 22px;
  border-left: 5px solid transparent;
  color: var(--ink-3);
  font: 400 var(--bench-text) / 1.35 var(--text);
}

li span,
li svg {
  flex: none;
  width: 22px;
  font: 600 var(--size-lead) / 1 var(--num);
}

.done {
  color: var(--ink-2);
}

.done svg {
  color: var(--ok);
}

.out {
  text-decoration: line-through;
}

.on {
  border-left-color: var(--honey);
  background: var(--teal-soft);
  color: var(--ink);
  font-weight: 600;
}

.load {
  padding-top: 16px;
  color: var(--ink-2);
  font: 650 var(--size) / 1.2 var(--num);
}
</style>
