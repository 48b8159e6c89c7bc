<script setup lang="ts">
import dayjs from 'dayjs'
import { ElButton } from 'element-plus'
import { CalendarPlus } from 'lucide-vue-next'
import type { AirTools } from '@mivro/core/matter/air'
import { runSteps, staysOf, type Run, type TimedLoad } from '@mivro/core/work/run'
import { sayLoad, sayRunStep, saySpare, sayStay } from '@mivro/words/run'
import { useStudio } from '../project/studioStore.ts'
import { iCalendar, momentOf } from '../ui/calendar.ts'
import { download, fileName } from '../ui/download.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'

/** All that somebody has to be at the bench for, for a calendar: loads, later layers, what is set in, what comes out. */
const props = defineProps<{ run: Run; loads: readonly TimedLoad[]; tools: AirTools }>()
const studio = useStudio()
const { problems, trying } = useProblems()
const gauges = () => ({ gauge: props.tools.pot?.gauge, vacuum: props.tools.vessel?.gauge })
const save = () =>
  trying(async () => {
    const first = props.run.date ? dayjs(props.run.date) : dayjs().add(1, 'day')
    const steps = staysOf(runSteps(props.loads, props.run, props.tools))
    const entries = steps.map((step) => {
      const { load, at = 0 } = step
      const says = step.step === 'lay out'
      return {
        title: `${props.run.name}: ${sayStay(step)}`,
        start: momentOf(first, load.at + at),
        note: says
          ? `${sayLoad(load, studio.units)}, ${saySpare(load)}`
          : sayRunStep(step, props.run, gauges(), studio.units),
      }
    })
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
