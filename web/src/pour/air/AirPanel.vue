<script setup lang="ts">
import { computed } from 'vue'
import { ElButton, ElTable, ElTableColumn } from 'element-plus'
import { safetyFor, type Hazard } from '@mivro/core/caution'
import type { Way, WayOfPiece } from '@mivro/core/air'
import { show, showDuration } from '@mivro/core/units'
import { hindranceWords, sayBand, sayBestWay, wayWords } from '@mivro/words/air'
import { useStudio } from '../../project/studioStore.ts'
import SafetyLines from '../../ui/SafetyLines.vue'
import type { Bubbles } from './useBubbles.ts'

/** Neither, vacuum, pressure or both: what each leaves, and which is the least work. */
const props = defineProps<{ bubbles: Bubbles }>()
const studio = useStudio()
const choose = (row: WayOfPiece | null) => row && props.bubbles.choose(row.way)
const uses = (way: Way, tool: 'vacuum' | 'pressure') => way === tool || way === 'both'
const safety = computed(() => {
  const way = props.bubbles.shown.value
  const lines = (step: 'vacuum' | 'pressure', hazard: Hazard) =>
    uses(way, step) ? safetyFor(step, [hazard]) : []
  return [...lines('vacuum', 'vacuum vessel'), ...lines('pressure', 'pressure vessel')]
})
</script>

<template>
  <h2>Bubbles</h2>
  <p v-if="bubbles.ways.value.length === 0 && !bubbles.waiting.value" class="quiet">
    Give every layer a height and a resin, and this shows where its bubbles end.
  </p>
  <p v-if="bubbles.best.value" class="best" role="status">
    {{ sayBestWay(bubbles.best.value, bubbles.ways.value) }}
  </p>
  <ElTable
    v-if="bubbles.ways.value.length > 0"
    :data="bubbles.ways.value"
    table-layout="auto"
    highlight-current-row
    :current-row-key="bubbles.shown.value"
    row-key="way"
    @current-change="choose"
  >
    <ElTableColumn v-slot="{ row }" label="Way">
      <ElButton
        link
        :aria-pressed="row.way === bubbles.shown.value"
        class="way"
        @click.stop="choose(row as WayOfPiece)"
      >
        {{ wayWords[row.way as Way] }}
      </ElButton>
      <p v-if="row.hindrance" class="small quiet">
        {{ hindranceWords[(row as WayOfPiece).hindrance!] }}
      </p>
    </ElTableColumn>
    <ElTableColumn v-slot="{ row }" label="Seen" align="right">{{
      sayBand(row.seen)
    }}</ElTableColumn>
    <ElTableColumn v-slot="{ row }" label="of them pits" align="right">{{
      sayBand(row.pits)
    }}</ElTableColumn>
    <ElTableColumn v-slot="{ row }" label="Takes" align="right">{{
      row.takes > 0 ? showDuration(row.takes) : ''
    }}</ElTableColumn>
  </ElTable>
  <p class="small quiet">
    Bubbles over 0.1 mm in one copy after usual stirring. How fast gas goes into a resin is known to
    a factor of ten only, so each way is a band; an opaque layer shows only its skin.
  </p>
  <SafetyLines v-if="safety.length > 0" before="Before you pump" :lines="safety" />
  <p class="small quiet">
    <template v-if="studio.studio.pot">
      Pot at {{ show(studio.studio.pot.gauge, 'pressure', studio.units) }}.
    </template>
    <template v-if="studio.studio.vessel">
      Vessel at {{ show(studio.studio.vessel.gauge, 'pressure', studio.units) }}.
    </template>
    <RouterLink :to="{ name: 'equipment' }">Pressure pot and vacuum vessel in Equipment</RouterLink>
  </p>
</template>

<style scoped>
.best {
  padding: 10px 12px;
  border-radius: var(--r-field);
  background: var(--teal-soft);
}

.way {
  padding: 0;
  min-height: 0;
  color: var(--ink);
}

:deep(.el-table__row) {
  cursor: pointer;
}
</style>
