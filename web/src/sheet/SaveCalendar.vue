<script setup lang="ts">
import { computed, ref } from 'vue'
import dayjs from 'dayjs'
import { ElDatePicker } from 'element-plus'
import type { PourStep } from '@mivro/core/base/caution'
import { preparationCalendar, type ThingPreparation } from '@mivro/core/matter/inclusion'
import type { SheetStep } from '@mivro/core/work/plan'
import { sayThingStep } from '@mivro/words/inclusion'
import { dayFormat } from '../ui/dates.ts'
import { firstPourDay, momentOf, preparationDays, type CalendarEntry } from '../ui/calendar.ts'
import CalendarButton from '../ui/CalendarButton.vue'

/** A run and what is done before it, for a calendar. */
const props = defineProps<{
  id: string
  title: string
  steps: readonly SheetStep[]
  preparations: readonly ThingPreparation[]
  /** When the first cup is mixed, s after midnight. */
  begin: number
  say: (step: SheetStep) => string
}>()
const before = computed(() => preparationCalendar(props.preparations))
const day = ref(firstPourDay(before.value, dayjs()).format('YYYY-MM-DD'))

const titles: Record<PourStep, string> = {
  weigh: 'Weigh',
  mix: 'Mix',
  pour: 'Pour',
  turn: 'Turn',
  set: 'Set in',
  demould: 'Demould',
}
function entries(): CalendarEntry[] {
  const pour = dayjs(day.value)
  const ready = preparationDays(
    before.value,
    pour,
    ({ name, step }) => `${name}: ${sayThingStep(step)}`,
    props.id,
  )
  const run = props.steps.flatMap((step, i) =>
    step.at === undefined
      ? []
      : {
          id: `${props.id} ${step.step} ${step.layer?.id ?? ''} ${i}`,
          title: `${titles[step.step]}: ${step.layer?.name ?? props.title}`,
          start: momentOf(pour, props.begin + step.at),
          note: props.say(step),
        },
  )
  return [...ready, ...run]
}
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
  <CalendarButton :title="title" :entries="entries" :disabled="steps.length === 0" />
</template>
