<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { ElTable, ElTableColumn } from 'element-plus'
import { blocks } from '@mivro/core/base/caution'
import type { CompiledPlan } from '@mivro/core/work/plan'
import { show, showDuration } from '@mivro/core/base/units'
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
        stops: compiled.cautions.some(blocks),
      })
    }
    rows.value = found
  },
  { immediate: true },
)
</script>

<template>
  <ElTable
    v-if="rows.length > 0"
    :data="rows"
    table-layout="auto"
    :row-class-name="({ row }) => (row.stops ? 'stops' : '')"
  >
    <ElTableColumn v-slot="{ row }" min-width="40" label="In a room of">
      {{ show(row.room, 'temperature', studio.units) }}
    </ElTableColumn>
    <ElTableColumn v-slot="{ row }" min-width="40" label="pours for" align="right" class-name="num">
      {{ showDuration(row.pourable) }}
    </ElTableColumn>
    <ElTableColumn
      v-slot="{ row }"
      min-width="40"
      label="hottest"
      align="right"
      class-name="num hottest"
    >
      {{ row.hottest === undefined ? '' : show(row.hottest, 'temperature', studio.units) }}
      <span v-if="row.stops" class="visually-hidden">can’t be poured like this</span>
    </ElTableColumn>
    <ElTableColumn v-slot="{ row }" min-width="40" label="out after" align="right" class-name="num">
      {{ showDuration(row.out) }}
    </ElTableColumn>
  </ElTable>
</template>

<style scoped>
:deep(.stops .hottest) {
  color: var(--stop);
}
</style>
