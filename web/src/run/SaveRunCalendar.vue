<script setup lang="ts">
import dayjs from 'dayjs'
import type { AirTools } from '@mivro/core/matter/air'
import { runSteps, staysOf, type Run, type TimedLoad } from '@mivro/core/work/run'
import { sayLoad, sayRunStep, saySpare, sayStay } from '@mivro/words/run'
import { useStudio } from '../project/studioStore.ts'
import { momentOf, type CalendarEntry } from '../ui/calendar.ts'
import CalendarButton from '../ui/CalendarButton.vue'

/** All that somebody has to be at the bench for, for a calendar: loads, later layers, what is set in, what comes out. */
const props = defineProps<{ id: string; run: Run; loads: readonly TimedLoad[]; tools: AirTools }>()
const studio = useStudio()
const gauges = () => ({ gauge: props.tools.pot?.gauge, vacuum: props.tools.vessel?.gauge })
function entries(): CalendarEntry[] {
  const first = props.run.date ? dayjs(props.run.date) : dayjs().add(1, 'day')
  const steps = staysOf(runSteps(props.loads, props.run, props.tools))
  return steps.map((step, i) => {
    const { load, at = 0 } = step
    const says = step.step === 'lay out'
    const before = steps.slice(0, i).filter((one) => one.load === load && one.step === step.step)
    return {
      id: `${props.id} ${load.index} ${step.step} ${before.length}`,
      title: `${props.run.name}: ${sayStay(step)}`,
      start: momentOf(first, load.at + at),
      note: says
        ? `${sayLoad(load, studio.units)}, ${saySpare(load)}`
        : sayRunStep(step, props.run, gauges(), studio.units),
    }
  })
}
</script>

<template>
  <CalendarButton :title="run.name" :entries="entries" :disabled="loads.length === 0" />
</template>
