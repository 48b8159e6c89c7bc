<script setup lang="ts">
import { ElButton } from 'element-plus'
import { CalendarPlus } from 'lucide-vue-next'
import { iCalendar, type CalendarEntry } from './calendar.ts'
import { download, fileName } from './download.ts'
import ProblemNote from './ProblemNote.vue'
import { useProblems } from './problems.ts'

/** Saves what somebody has to be there for, for a calendar of one's own. */
const props = defineProps<{ title: string; entries: () => CalendarEntry[]; disabled?: boolean }>()
const { problems, trying } = useProblems()
const save = () =>
  trying(async () => {
    const text = await iCalendar(props.title, props.entries())
    download(`${fileName(props.title)}.ics`, text, 'text/calendar')
  })
</script>

<template>
  <ElButton :disabled="disabled" @click="save">
    <CalendarPlus :size="15" aria-hidden="true" />Save calendar
  </ElButton>
  <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
</template>
