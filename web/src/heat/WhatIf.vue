<script setup lang="ts">
import { shallowRef, watch } from 'vue'
import { compile, type CompiledPlan } from '@mivro/core/plan'
import { show, showDuration } from '@mivro/core/units'
import { usePiece } from '../piece/pieceStore.ts'
import { useShelf } from '../shelf/shelfStore.ts'
import { useStudio } from '../studio/studioStore.ts'

const piece = usePiece()
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

/** The plan in another room: asked with what the sheet says, then with what the model answers. */
async function inRoom(room: number): Promise<CompiledPlan> {
  const plan = { ...piece.document!, room }
  const options = { cure: piece.clock.peek, walls: piece.walls }
  const { curve } = piece.survey!
  const first = compile(plan, curve, shelf.materials, options)
  await piece.clock.times(first.layers.flatMap(({ batch }) => batch ?? []))
  return compile(plan, curve, shelf.materials, options)
}

let asked = 0
watch(
  () => [piece.plan?.document, piece.walls, shelf.materials, piece.survey] as const,
  async ([plan, , , survey]) => {
    const mine = ++asked
    if (!plan || !survey) return
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
  font: 600 13px var(--num);
  white-space: nowrap;
}

.stops td:nth-child(3) {
  color: var(--stop);
}
</style>
