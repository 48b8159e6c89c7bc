<script setup lang="ts">
import dayjs from 'dayjs'
import { ElButton } from 'element-plus'
import { CalendarPlus } from 'lucide-vue-next'
import type { Run, TimedLoad } from '@mivro/core/work/run'
import { sayLoad } from '@mivro/words/run'
import { iCalendar, momentOf } from '../ui/calendar.ts'
import { download, fileName } from '../ui/download.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'

/** A run's loads for a calendar: each with its laying out, and when it comes out. */
const props = defineProps<{ run: Run; loads: readonly TimedLoad[] }>()
const { problems, trying } = useProblems()
const save = () =>
  trying(async () => {
    const first = props.run.date ? dayjs(props.run.date) : dayjs().add(1, 'day')
    const entries = props.loads.flatMap((load) => [
      {
        title: `${props.run.name}: load ${load.index + 1}`,
        start: momentOf(first, load.at - props.run.layOut),
        note: sayLoad(load),
      },
      {
        title: `${props.run.name}: load ${load.index + 1} comes out`,
        start: momentOf(first, load.at + load.out),
      },
    ])
    const text = await iCalendar(props.run.name, entries)
    download(`${fileName(props.run.name)}.ics`, text, 'text/calendar')
  })
</script>

<template>
  <ElButton :disabled="loads.length === 0" @click="save">
    <CalendarPlus :size="15" aria-hidden="true" />Save calendar
  </ElButton>
  <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
</template>
