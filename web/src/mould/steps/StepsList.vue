<script setup lang="ts">
import { computed, onBeforeUpdate, ref } from 'vue'
import { ElButton, ElCheckbox } from 'element-plus'
import { handsTime, waitingTime } from '@mivro/core/mould'
import { showDuration } from '@mivro/core/base/units'
import { sayMaking } from '@mivro/words/making'
import { useStudio } from '../../project/studioStore.ts'
import type { Steps } from './useSteps.ts'

/** The steps one under another: hands at the right, a wait as a band that ripens under its step. */
const props = defineProps<{ of: Steps }>()
const studio = useStudio()
const steps = computed(() => props.of.steps.value)
const rows = ref<HTMLElement[]>([])
onBeforeUpdate(() => (rows.value = []))
/** The longest wait is a full band; a short one is still seen. */
const widest = computed(() => Math.max(...steps.value.map(({ wait }) => wait), 1))
const wide = (wait: number) => `${Math.max(12, 100 * Math.sqrt(wait / widest.value)).toFixed(1)}%`

function go(to: number): void {
  props.of.choose(to)
  rows.value[props.of.chosen.value]?.querySelector<HTMLElement>('.title')?.focus()
}
</script>

<template>
  <section class="list" aria-label="Steps of the making">
    <header class="row">
      <b class="num">{{ of.done.value.size }} of {{ steps.length }} done</b>
      <span class="quiet small">
        {{ showDuration(handsTime(steps)) }} of hands, {{ showDuration(waitingTime(steps)) }} of
        waiting
      </span>
    </header>
    <ol
      @keydown.down.prevent="go(of.chosen.value + 1)"
      @keydown.up.prevent="go(of.chosen.value - 1)"
    >
      <li
        v-for="(step, i) in steps"
        :key="i"
        :ref="(el) => el && (rows[i] = el as HTMLElement)"
        :class="{ on: of.chosen.value === i, done: of.done.value.has(i) }"
        :data-does="step.does"
      >
        <ElCheckbox
          :model-value="of.done.value.has(i)"
          :aria-label="`Done: ${sayMaking(step.title, studio.units)}`"
          :disabled="!of.possible.value && !of.session.value"
          @update:model-value="of.tick(i, $event === true)"
        />
        <ElButton text class="title" :aria-current="of.chosen.value === i" @click="of.choose(i)">
          {{ sayMaking(step.title, studio.units) }}
        </ElButton>
        <span v-if="step.hands > 0" class="hands num">{{ showDuration(step.hands) }}</span>
        <span v-if="step.wait > 0" class="wait">
          <i :style="{ width: wide(step.wait) }" />
          <span class="quiet small">wait {{ showDuration(step.wait) }}</span>
        </span>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.list {
  display: flex;
  flex-direction: column;
  min-height: 0;
  border-right: 1px solid var(--line);
}

header {
  justify-content: space-between;
  gap: 10px;
  padding: 4px 12px 8px 14px;
}

ol {
  overflow: hidden auto;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  align-items: center;
  gap: 2px 8px;
  padding: 3px 12px 3px 14px;
  border-left: 3px solid transparent;
}

li.on {
  border-color: var(--teal);
  background: var(--table);
}

.title.el-button {
  height: auto;
  min-height: 30px;
  padding: 3px 4px;
  white-space: normal;
  text-align: left;
  justify-content: flex-start;
}

.title :deep(> span) {
  line-height: 1.3;
}

li.done .title {
  color: var(--ink-2);
}

.hands {
  font-weight: 600;
}

.wait {
  grid-column: 2 / 4;
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  gap: 10px;
  padding-left: 4px;
}

.wait i {
  height: 7px;
  border-radius: var(--r-tiny);
  background: linear-gradient(90deg, var(--pourable), var(--hard));
}
</style>
