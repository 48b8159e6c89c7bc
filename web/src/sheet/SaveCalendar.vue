<script setup lang="ts">
import { computed, ref } from 'vue'
import dayjs from 'dayjs'
import { ElButton, ElDatePicker } from 'element-plus'
import { CalendarPlus } from 'lucide-vue-next'
import type { PourStep } from '@mivro/core/base/caution'
import { preparationCalendar, type ThingPreparation } from '@mivro/core/matter/inclusion'
import type { SheetStep } from '@mivro/core/work/plan'
import { sayThingStep } from '@mivro/words/inclusion'
import { dayFormat } from '../ui/dates.ts'
import { download, fileName } from '../ui/download.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import { firstPourDay, iCalendar, momentOf, preparationDays } from '../ui/calendar.ts'

/** A run and what is done before it, for a calendar. */
const props = defineProps<{
  title: string
  steps: readonly SheetStep[]
  preparations: readonly ThingPreparation[]
  /** When the first cup is mixed, s after midnight. */
  begin: number
  say: (step: SheetStep) => string
}>()
const { problems, trying } = useProblems()
const before = computed(() => preparationCalendar(props.preparations))
const day = ref(firstPourDay(before.value, dayjs()).format('YYYY-MM-DD'))

const titles: Record<PourStep, string> = {
  weigh: 'Weigh',
  mix: 'Mix',
  pour: 'Pour',
  set: 'Set in',
  demould: 'Demould',
}
const save = () =>
  trying(async () => {
    const pour = dayjs(day.value)
    const ready = preparationDays(
      before.value,
      pour,
      ({ name, step }) => `${name}: ${sayThingStep(step)}`,
    )
    const run = props.steps.flatMap((step) =>
      step.at === undefined
        ? []
        : {
            title: `${titles[step.step]}: ${step.layer?.name ?? props.title}`,
            start: momentOf(pour, props.begin + step.at),
            note: props.say(step),
          },
    )
    const text = await iCalendar(props.title, [...ready, ...run])
    download(`${fileName(props.title)}.ics`, text, 'text/calendar')
  })
</script>

<template>
  <ElDatePicker
    v-model="day"
    class="day"
    type="date"
    :format="dayFormat"
    value-format="YYYY-MM-DD"
    :clearable="false"
    aria-label="Day of the pour"
  />
  <ElButton :disabled="steps.length === 0" @click="save">
    <CalendarPlus :size="15" aria-hidden="true" />Save calendar
  </ElButton>
  <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
</template>
