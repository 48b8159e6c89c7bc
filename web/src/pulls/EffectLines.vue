<script setup lang="ts">
import { computed } from 'vue'
import { effectOfChange, trialsOf } from '@mivro/core/learn/diagnosis'
import { changeWords, sayEffect } from '@mivro/words/diagnosis'
import { useProject } from '../project/projectStore.ts'
import { showDay } from '../ui/dates.ts'

/** What was changed about this piece, and what came of it; paired trials. */
const project = useProject()
const pulls = computed(() => project.pulls.map(({ document }) => document))
const changes = computed(() =>
  pulls.value
    .flatMap(({ changes }) => changes ?? [])
    .map((change) => ({ ...change, effect: effectOfChange(change, pulls.value) })),
)
const trials = computed(() => trialsOf(pulls.value))
</script>

<template>
  <section v-if="changes.length + trials.length > 0" class="stack-8" aria-label="What came of it">
    <h2>What came of it</h2>
    <ul>
      <li v-for="one in changes" :key="one.id" :class="one.effect.verdict">
        <b>{{ changeWords[one.what] }}</b>
        <span class="quiet small">since {{ showDay(one.takenAt) }}</span>
        <p>{{ sayEffect(one.fault, one.effect) }}</p>
      </li>
      <li v-for="trial in trials" :key="trial.id" :class="trial.effect.verdict">
        <b>Trial: {{ trial.difference }}</b>
        <span class="quiet small">one batch, one difference</span>
        <p>
          Spoilt: {{ trial.without.seen }} of {{ trial.without.of }} without,
          {{ trial.with.seen }} of {{ trial.with.of }} with.
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  display: flex;
  flex-direction: column;
  gap: 8px;
}

li {
  padding: 8px 12px;
  border-left: 4px solid var(--edge);
  border-radius: var(--r-tiny);
  background: var(--table);
}

li.helped {
  border-left-color: var(--ok);
}

li.worse {
  border-left-color: var(--stop);
}

b {
  margin-right: 8px;
}
</style>
