<script setup lang="ts">
import { computed } from 'vue'
import { ElButton, ElTable, ElTableColumn } from 'element-plus'
import { safetyFor, type Hazard } from '@mivro/core/base/caution'
import type { Way, WayOfPiece } from '@mivro/core/matter/air'
import { show, showDuration } from '@mivro/core/base/units'
import { faultWords, hindranceWords, sayBand, sayBestWay, wayWords } from '@mivro/words/air'
import { useStudio } from '../../project/studioStore.ts'
import SafetyLines from '../../ui/SafetyLines.vue'
import HandlingFields from './HandlingFields.vue'
import type { Bubbles } from './useBubbles.ts'

/** Neither, vacuum, pressure or both: what each leaves, and which is the least work. */
const props = defineProps<{ bubbles: Bubbles }>()
const studio = useStudio()
const worst = computed(
  () => props.bubbles.ways.value.find(({ way }) => way === props.bubbles.shown.value)?.worst,
)
const choose = (row: WayOfPiece | null) => row && props.bubbles.choose(row.way)
const uses = (way: Way | 'own', tool: 'vacuum' | 'pressure') => way === tool || way === 'both'
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
        {{ wayWords[(row as WayOfPiece).way] }}
      </ElButton>
      <p v-if="row.hindrance" class="small quiet">
        {{ hindranceWords[(row as WayOfPiece).hindrance!] }}
      </p>
      <p v-if="row.fault" class="small fault">{{ faultWords[(row as WayOfPiece).fault!] }}</p>
    </ElTableColumn>
    <ElTableColumn v-slot="{ row }" label="Seen" align="right" class-name="figure">
      {{ sayBand(row.seen) }}
      <span v-if="row.pits[1] > 0 && row.pits[1] < row.seen[1]" class="small quiet pits"
        >{{ sayBand(row.pits) }} pits</span
      >
    </ElTableColumn>
    <ElTableColumn v-slot="{ row }" label="Left to pour" align="right" class-name="figure">{{
      show(row.potLifeLeft, 'fraction', studio.units, { step: 0.01 })
    }}</ElTableColumn>
    <ElTableColumn v-slot="{ row }" label="Time" align="right" class-name="figure">{{
      row.takes > 0 ? showDuration(row.takes) : ''
    }}</ElTableColumn>
  </ElTable>
  <p class="small quiet">
    Bubbles over 0.1 mm in one copy with what stirring and pouring leave. How fast gas goes into a
    resin is known to a factor of ten only, so each way is a band; an opaque layer shows only its
    skin.
  </p>
  <p v-if="worst" class="small quiet">Most stay in {{ worst }}.</p>
  <HandlingFields :bubbles="bubbles" />
  <SafetyLines v-if="safety.length > 0" before="Before you close it" :lines="safety" />
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

:deep(.figure .cell) {
  padding-right: 0;
  white-space: nowrap;
}

.pits {
  display: block;
}

.fault {
  color: var(--stop-ink);
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
