<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElButton } from 'element-plus'
import { nextTimeNotes, type NextTimeNote } from '@mivro/core/work/pull'
import { sayChange } from '@mivro/words/diagnosis'
import { showDay } from '../ui/dates.ts'
import { useProject } from '../project/projectStore.ts'

const project = useProject()
const words = computed(() => nextTimeNotes(project.pulls.map(({ document }) => document)))
const all = ref(false)
const shown = computed(() => (all.value ? words.value : words.value.slice(0, 1)))
const earlier = computed(() => words.value.length - 1)

/** What was changed since, with its reason. */
const changes = computed(() =>
  project.pulls
    .flatMap(({ document }) => document.changes ?? [])
    .toSorted((a, b) => Date.parse(b.takenAt) - Date.parse(a.takenAt))
    .slice(0, 2),
)

const said = ({ nextTime, faults }: NextTimeNote) =>
  [nextTime, faults.length > 0 ? `Faults: ${faults.join(', ')}.` : ''].filter(Boolean).join(' ')
</script>

<template>
  <div v-if="words.length + changes.length > 0" class="word">
    <p v-for="change in changes" :key="change.id">
      <b>Changed on {{ showDay(change.takenAt) }}:</b> {{ sayChange(change) }}
    </p>
    <p v-for="word in shown" :key="word.pouredAt">
      <b>From the pull of {{ showDay(word.pouredAt) }}:</b> {{ said(word) }}
    </p>
    <ElButton v-if="earlier > 0" link type="primary" :aria-expanded="all" @click="all = !all">
      {{
        all
          ? 'Only the last'
          : earlier === 1
            ? 'And 1 earlier pull'
            : `And ${earlier} earlier pulls`
      }}
    </ElButton>
  </div>
</template>

<style scoped>
.word {
  margin: 10px 14px 0;
  padding: 7px 12px;
  border-left: 3px solid var(--honey);
  border-radius: 0 var(--r-field) var(--r-field) 0;
  background: var(--amber-soft);
  color: var(--amber-ink);
}

.word p + p {
  margin-top: 4px;
}
</style>
