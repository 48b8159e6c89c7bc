<script setup lang="ts">
import { computed } from 'vue'
import { ElDatePicker } from 'element-plus'
import dayjs from 'dayjs'
import { ladderOf } from '@mivro/core/work/plan'
import type { Pull } from '@mivro/core/work/pull'
import type { Problem } from '@mivro/core/base/problem'
import { rungWords } from '@mivro/words/ladder'
import { useProject } from '../project/projectStore.ts'
import CalendarButton from '../ui/CalendarButton.vue'
import { isoFormat, momentFormat } from '../ui/dates.ts'
import FieldRow from '../ui/FieldRow.vue'

/** When a cast may be sanded, painted, sent: by its cure, and where the hand puts it elsewhere. */
const props = defineProps<{
  id: string
  pull: Pull
  change: (values: Partial<Pull>) => Problem | undefined
}>()
const project = useProject()
const rungs = computed(() => {
  const { plan, compiled, pour } = project
  if (!plan || !compiled || pour?.id !== props.pull.plan) return []
  const poured = dayjs(props.pull.pouredAt)
  return ladderOf(plan, compiled).map((rung) => {
    const by = poured.add(rung.at, 'second').format(isoFormat)
    return { ...rung, by, at: props.pull.rungs?.[rung.rung] ?? by }
  })
})
function put(rung: string, at: string | null): void {
  const rungs = { ...props.pull.rungs }
  if (at) rungs[rung] = at
  else delete rungs[rung]
  props.change({ rungs })
}
const entries = () =>
  rungs.value.map(({ rung, at }) => ({
    id: `${props.id} ${rung}`,
    title: `${project.piece!.document.name}: ${rungWords[rung].label}`,
    start: dayjs(at),
    note: rungWords[rung].hint,
  }))
</script>

<template>
  <section v-if="rungs.length > 0" class="stack-8" aria-label="Ladder of cure">
    <FieldRow v-for="one in rungs" :key="one.rung" :label="rungWords[one.rung].label">
      <ElDatePicker
        class="line"
        type="datetime"
        :model-value="one.at"
        :format="momentFormat"
        :value-format="isoFormat"
        :clearable="one.at !== one.by"
        :aria-label="rungWords[one.rung].label"
        @update:model-value="put(one.rung, $event)"
      />
    </FieldRow>
    <div class="row">
      <span class="quiet small">By its cure; cleared, a date is that again.</span>
      <CalendarButton :title="`${project.piece!.document.name}, cure`" :entries="entries" />
    </div>
  </section>
</template>
