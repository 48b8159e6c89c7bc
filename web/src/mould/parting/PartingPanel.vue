<script setup lang="ts">
import { computed } from 'vue'
import { ElButton, ElTable, ElTableColumn } from 'element-plus'
import { mayClimb, mouldKinds, shareBlocked, shrinkageOf, pullWay } from '@mivro/core/mould'
import { type Vec3 } from '@mivro/core/form/mesh'
import { figure, show, showAngle } from '@mivro/core/base/units'
import { sureWords, wayWords } from '@mivro/words/casting'
import { useProject } from '../../project/projectStore.ts'
import { useShelf } from '../../project/shelfStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import CautionNote from '../../ui/CautionNote.vue'
import Origin from '../../ui/Origin.vue'
import HalvesPanel from './HalvesPanel.vue'
import PullTurner from './PullTurner.vue'
import SeamPanel from './SeamPanel.vue'

const project = useProject()
const shelf = useShelf()
const studio = useStudio()

const guess = computed(() => project.survey?.cautions.find(({ code }) => code === 'shape-measured'))
const geometry = computed(() => project.geometry)
const between = computed(() => {
  const { from, to } = geometry.value!.parting
  const length = (x: number) => show(x, 'length', studio.units)
  return length(from) === length(to)
    ? `at ${length(from)}`
    : `between ${length(from)} and ${length(to)}`
})
const twoParts = computed(() => mouldKinds[project.mould!.kind].parts === 2)
/** Known to a cell or two: whole percent say enough. */
const percent = (blocked: number, around: number) =>
  show(shareBlocked(blocked, around), 'fraction', studio.units, { step: 0.01 })
const angle = (direction: Vec3) => {
  const way = pullWay(direction, project.mould!.masterUp as Vec3)
  if (way.straight) return 'straight up'
  const off = `${showAngle(way.angle)} from up`
  return way.axis ? `along ${way.axis}, ${off}` : off
}

/** The master is turned in its box so that it is pulled straight up. */
const lay = ([x, y, z]: Vec3) => project.changeMould({ masterUp: [x, y, z], parting: undefined })

const resin = computed(() => {
  const id = project.plan?.layers.find((layer) => layer.resin)?.resin
  const material = shelf.materials.get(id ?? '')
  return material?.kind === 'resin' ? material : undefined
})
const shrunk = computed(() => {
  const { low, high } = project.survey!.measures
  const { factor, scale } = shrinkageOf(project.silicone, resin.value)
  const size = [0, 1, 2].map((i) => figure((high[i] - low[i]) * factor, 'length', studio.units))
  return { size: size.join(' × '), scale: ((scale - 1) * 100).toFixed(2), any: factor < 1 }
})
const origin = [
  'The piece in cells of 1/96 of its longest side, standing as the master stands in its box.',
  'Blocked silicone: what has piece between itself and its own half’s way out. What fills a hollow that is open only upward belongs to the upper half.',
  'Thin silicone: what a ball of 2 mm does not reach, more than its radius deep. It passes or fails; widths are known to a cell or two.',
]
</script>

<template>
  <div class="row">
    <h2>Parting <Origin of="this" :lines="origin" /></h2>
    <span class="quiet small">{{
      project.judged.length === 0 && geometry && !guess ? 'nothing found' : ''
    }}</span>
  </div>
  <CautionNote v-if="guess" :caution="guess" />
  <SeamPanel v-if="project.mould!.kind === 'cut block' && !guess" />
  <HalvesPanel v-if="geometry && twoParts && !guess" />
  <h3 v-if="project.judged.length > 0">What to look at</h3>
  <div
    v-for="finding in project.judged"
    :key="finding.caution.code + JSON.stringify(finding.at)"
    class="finding"
  >
    <CautionNote :caution="finding.caution" />
    <p class="small quiet">
      {{
        finding.ways.length > 0
          ? `What helps: ${finding.ways.map((way) => wayWords[way]).join(', ')}. `
          : ''
      }}{{ finding.sure === 'sure' ? '' : `This is ${sureWords[finding.sure]}.` }}
    </p>
  </div>
  <p v-if="geometry && !guess && project.judged.length === 0" class="quiet">
    No air stays, nothing locks it in the mould, no silicone is thin enough to tear.
  </p>

  <template v-if="geometry && !guess && mouldKinds[project.mould!.kind].poured !== 'none'">
    <h3>Parting and pull</h3>
    <PullTurner v-if="mayClimb(project.mould!.kind)" />
    <p class="small quiet">
      Least silicone is blocked by a level parting {{ between }}:
      {{ percent(geometry.parting.blocked, geometry.around) }} of what stands around the piece.
    </p>
    <ElTable :data="geometry.pulls.slice(0, 4)" table-layout="auto">
      <ElTableColumn v-slot="{ row }" min-width="40" label="Pulled apart">{{
        angle(row.direction)
      }}</ElTableColumn>
      <ElTableColumn v-slot="{ row }" min-width="40" label="blocked" align="right" class-name="num">
        {{ percent(row.blocked, row.around) }}
      </ElTableColumn>
      <ElTableColumn
        v-slot="{ row }"
        min-width="40"
        label="needs a core"
        align="right"
        class-name="num"
      >
        {{ percent(row.inner, row.around) }}
      </ElTableColumn>
      <ElTableColumn v-slot="{ row }" min-width="40" align="right">
        <ElButton
          v-if="angle(row.direction) !== 'straight up'"
          link
          type="primary"
          @click="lay(row.direction)"
        >
          Use this direction
        </ElButton>
      </ElTableColumn>
    </ElTable>
    <p class="row small">
      <span class="quiet">Holes right through</span
      ><b class="num">{{ geometry.handles ?? 'not counted' }}</b>
    </p>
    <h3>Size of the cast</h3>
    <p class="row small">
      <span class="quiet">Silicone and resin shrunk</span
      ><b class="num">{{ shrunk.size }} {{ studio.units.length }}</b>
    </p>
    <p v-if="shrunk.any" class="small quiet">
      Make the master {{ shrunk.scale }} % larger for a cast of the size it has now.
    </p>
  </template>
</template>

<style scoped>
h2 {
  display: flex;
  align-items: center;
  gap: 6px;
}

.finding p.small {
  margin-top: 4px;
}
</style>
