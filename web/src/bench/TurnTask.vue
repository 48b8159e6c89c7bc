<script setup lang="ts">
import { computed } from 'vue'
import { MoveRight } from 'lucide-vue-next'
import { turningAt, type TaskOf } from '@mivro/core/work/bench'
import type { Lie } from '@mivro/core/matter/turning'
import { showDuration } from '@mivro/core/base/units'
import { nameOfMould } from '@mivro/words/bench'
import { lieWords, sayFilm } from '@mivro/words/turning'
import type { UseBench } from './useBench.ts'

/** A mould is turned: where it lies now and next, and how long until nothing moves. */
const props = defineProps<{ task: TaskOf<'turn'>; open: UseBench; now: number }>()

const stand = computed(() =>
  turningAt(props.open.bench.value!, props.open.progress.value!, props.task, props.now),
)
const lying = computed(() => stand.value?.lies)
const counts = computed(() => stand.value?.counts ?? false)
const seconds = (time: number) => showDuration(time, 'second')
/** Degrees from pointing right, clockwise; what looks at or away from the person points slantwise. */
const points: Record<Lie, number> = {
  right: 0,
  face: 135,
  left: 180,
  foot: 90,
  head: -90,
  back: -45,
}
</script>

<template>
  <div class="turning">
    <div v-if="lying" class="look">
      <MoveRight
        class="arrow"
        :size="200"
        :stroke-width="1.6"
        :style="{ rotate: `${points[lying.now]}deg` }"
        :data-lie="lying.now"
        aria-hidden="true"
      />
      <div class="stack-10">
        <p class="side">{{ lieWords[lying.now] }}</p>
        <p class="lead quiet">
          In {{ Math.ceil(lying.left) }} s: {{ lieWords[lying.next].toLowerCase() }}
        </p>
      </div>
    </div>
    <p class="read" data-read>
      <b>{{ stand && stand.left > 0 ? seconds(stand.left) : 'now' }}</b>
      <small>until nothing moves</small>
    </p>
    <p class="lead" :class="{ counts }" data-film>
      {{ sayFilm(task, counts, seconds(stand?.countsIn ?? 0)) }}
    </p>
    <ul v-if="task.moulds.length > 1" class="row-16 quiet">
      <li v-for="one in task.moulds" :key="one.key">{{ nameOfMould(one) }}</li>
    </ul>
    <p v-else class="quiet">{{ nameOfMould(task.moulds[0]) }}</p>
  </div>
</template>

<style scoped>
.turning {
  display: flex;
  flex-direction: column;
  gap: 14px;
}

.look {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px 34px;
}

.arrow {
  flex: none;
  color: var(--honey);
  transition: rotate 0.4s;
}

.side {
  font: 650 var(--bench-clock) / 1.1 var(--num);
}

.lead {
  font-size: var(--bench-lead);
}

.read {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 14px;
}

.read b {
  font: 650 var(--bench-figure-2) / 1 var(--num);
  font-feature-settings: 'tnum';
  letter-spacing: -0.02em;
  color: var(--teal);
}

.read small {
  font: 600 var(--bench-lead) / 1.2 var(--text);
  color: var(--ink-2);
}

.lead.counts {
  color: var(--honey);
}

@media (prefers-reduced-motion: reduce) {
  .arrow {
    transition: none;
  }
}
</style>
