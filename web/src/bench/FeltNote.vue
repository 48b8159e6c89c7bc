<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue'
import { ElButton } from 'element-plus'
import dayjs from 'dayjs'
import type { Bench } from '@mivro/core/work/bench'
import { cureObservations, type CureObservation } from '@mivro/core/learn/learning'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { show, showDuration } from '@mivro/core/base/units'
import { newId } from '../api/client.ts'
import { editOnce } from '../api/sessions.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'
import ProblemNote from '../ui/ProblemNote.vue'

/** What was felt of the cups, to be kept with the resin's sheet: its times are learned from it. */
const props = defineProps<{ bench: Bench }>()
const shelf = useShelf()
const studio = useStudio()
const problems = shallowRef<readonly Problem[]>([])
const kept = shallowRef(new Set<number>())
onMounted(() => (shelf.loaded ? undefined : shelf.load()))
const resinOf = ({ parts }: CureObservation) =>
  shelf.stored.find(
    ({ document }) =>
      document.kind === 'resin' && parts.includes(document.nameA) && parts.includes(document.nameB),
  )
const names = { gel: 'gel', peak: 'hottest', demould: 'hard', 'pot life': 'pot life' }
const rows = computed(() =>
  cureObservations(props.bench, (at) => dayjs(at * 1000).format('YYYY-MM-DD')).map((felt, i) => {
    const { what, value, room, mass } = felt.observation
    const said =
      what === 'peak' ? show(value, 'temperature', studio.units) : showDuration(value, 'second')
    const where = `${show(mass, 'mass', studio.units)} at ${show(room, 'temperature', studio.units)}`
    return { felt, i, resin: resinOf(felt), text: `${names[what]}: ${said}, ${where}` }
  }),
)
async function keep({ felt, i }: { felt: CureObservation; i: number }): Promise<void> {
  try {
    const { id } = resinOf(felt)!
    const observation = { ...felt.observation, id: newId().slice(0, 12) }
    await editOnce('materials', id, (document) =>
      document.kind === 'resin'
        ? { ...document, observations: [...(document.observations ?? []), observation] }
        : document,
    )
    kept.value = new Set(kept.value).add(i)
    problems.value = []
  } catch (error) {
    problems.value = problemsOf(error)
  }
}
</script>

<template>
  <section v-if="rows.length > 0" class="felt" aria-label="What was felt">
    <h3>What was felt of the cups</h3>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <ul>
      <li v-for="row in rows" :key="row.i">
        <span>{{ row.resin?.document.name ?? 'A resin that is gone' }}, {{ row.text }}</span>
        <ElButton v-if="row.resin && !kept.has(row.i)" size="large" @click="keep(row)"
          >Keep with its sheet</ElButton
        >
        <b v-else-if="kept.has(row.i)">kept</b>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.felt,
ul {
  display: flex;
  flex-direction: column;
  gap: 10px;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px;
}

.el-button {
  min-height: 64px;
}
</style>
