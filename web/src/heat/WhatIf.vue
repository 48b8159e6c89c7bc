<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import type { CompiledPlan } from '@mivro/core/plan'
import { show, showDuration } from '@mivro/core/units'
import { useProject } from '../project/projectStore.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'

const project = useProject()
const shelf = useShelf()
const studio = useStudio()

/** Rooms that a bench knows over the year, K. */
const rooms = [291.15, 294.15, 297.15, 301.15]

interface Row {
  room: number
  pourable: number
  hottest?: number
  out: number
  stops: boolean
}
const rows = shallowRef<Row[]>([])

/** The plan in another room, as the model answers it; what is shown is left alone. */
async function inRoom(room: number): Promise<CompiledPlan> {
  const plan = { ...project.plan!, room }
  await project.known.answer(project.compileWith(plan).wanted)
  return project.compileWith(plan)
}

let asked = 0
watch(
  () => [project.pour?.document, project.into, shelf.materials, project.survey] as const,
  async ([plan, into, , survey]) => {
    const mine = ++asked
    if (!plan || !survey || !into) return
    const found: Row[] = []
    for (const room of rooms) {
      const compiled = await inRoom(room)
      if (mine !== asked) return
      const clocks = compiled.layers.flatMap(({ clock }) => clock ?? [])
      if (clocks.length === 0) continue
      const peaks = clocks.flatMap(({ peak }) => peak?.temperature ?? [])
      found.push({
        room,
        pourable: Math.min(...clocks.map(({ cupUntil, mixAt }) => cupUntil - mixAt)),
        hottest: peaks.length > 0 ? Math.max(...peaks) : undefined,
        out: compiled.demouldAt ?? 0,
        stops: compiled.cautions.some(({ severity }) => severity === 'stop'),
      })
    }
    rows.value = found
  },
  { immediate: true },
)
</script>

<template>
  <table v-if="rows.length > 0" class="sums">
    <thead>
      <tr>
        <th scope="col">What if the room is at</th>
        <th scope="col">pours for</th>
        <th scope="col">hottest</th>
        <th scope="col">out after</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.room" :class="{ stops: row.stops }">
        <th scope="row">{{ show(row.room, 'temperature', studio.units) }}</th>
        <td>{{ showDuration(row.pourable) }}</td>
        <td>
          {{ row.hottest === undefined ? '' : show(row.hottest, 'temperature', studio.units) }}
          <span v-if="row.stops" class="visually-hidden">can’t be poured like this</span>
        </td>
        <td>{{ showDuration(row.out) }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
td {
  font: 600 var(--size) var(--num);
  white-space: nowrap;
}

.stops td:nth-child(3) {
  color: var(--stop);
}
</style>
