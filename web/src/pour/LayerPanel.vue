<script setup lang="ts">
import { resinIn } from '@mivro/core/matter/mix'
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { cautionsAt, safetyFor } from '@mivro/core/base/caution'
import { bandOf } from '@mivro/core/matter/cure'
import {
  finenessOf,
  usualShell,
  withLayer,
  type CompiledLayer,
  type Layer,
} from '@mivro/core/work/plan'
import type { narrowPlaces } from '@mivro/core/form/wall'
import type { Problem } from '@mivro/core/base/problem'
import { show, showDuration } from '@mivro/core/base/units'
import { explainCure, explainSheet, sayHeatBand } from '@mivro/words/cure'
import { useProject } from '../project/projectStore.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'
import type { Choice } from '../ui/choices.ts'
import CautionNotes from '../ui/CautionNotes.vue'
import AtTheCup from '../weigh/AtTheCup.vue'
import CountField from '../ui/CountField.vue'
import { fieldsOf } from '../ui/fields.ts'
import Origin from '../ui/Origin.vue'
import QuantityField from '../ui/QuantityField.vue'
import SafetyLines from '../ui/SafetyLines.vue'
import SegmentField from '../ui/SegmentField.vue'
import ShellFields from './ShellFields.vue'
import ShelfSelect from '../ui/ShelfSelect.vue'
import TextField from '../ui/TextField.vue'
import WeighTable from '../weigh/WeighTable.vue'
import { useLaw } from '../project/useLaw.ts'
import TintList from './TintList.vue'
import InclusionList from './InclusionList.vue'
import { useFixes } from './useFixes.ts'

const props = defineProps<{
  layer: CompiledLayer
  count: number
  /** Where walls fill all there is, and where a brush goes first. */
  narrow?: ReturnType<typeof narrowPlaces>
}>()

const project = useProject()
const shelf = useShelf()
const studio = useStudio()

const plan = computed(() => project.plan!)
const source = computed<Layer>(() => plan.value.layers[props.layer.index])
const resin = computed(() => {
  const found = shelf.materials.get(source.value.resin ?? '')
  return found?.kind === 'resin' ? found : undefined
})
const doses = computed(() =>
  source.value.tints.flatMap(({ material, fraction }) => {
    const found = shelf.materials.get(material)
    return found?.kind === 'tint' && fraction > 0 ? [{ material: found, fraction }] : []
  }),
)
const degrees = (kelvin: number) => show(kelvin, 'temperature', studio.units)
const band = computed(() => {
  const { clock, batch } = props.layer
  if (!clock?.peak || !batch) return ''
  const around = bandOf(clock.peak.temperature, batch.materialTemperature ?? batch.room)
  return sayHeatBand(around, studio.units)
})
const law = useLaw(() => resin.value)
const origin = computed(() => {
  const { batch } = props.layer
  if (law.value && batch) return explainCure(law.value, batch, studio.units)
  return resin.value ? explainSheet(resin.value, plan.value.room, studio.units) : []
})
const cautions = (field: string) =>
  cautionsAt(project.compiled!.cautions, { layer: props.layer.id, field })
const fixes = useFixes()
const fine = computed(() => finenessOf(project.compiled!))
/** What its hardening lets happen: a layer under others is hard by itself, the piece stays in. */
const hardWords = computed(() => {
  const { clock } = props.layer
  if (clock?.trimAt !== undefined) return 'Gates trim easily'
  return clock?.demouldAt === project.compiled!.demouldAt ? 'Out of the mould' : 'Hard by itself'
})
const time = (seconds: number) => showDuration(seconds, fine.value)
const safety = (step: 'weigh' | 'mix' | 'pour') => safetyFor(step, props.layer.hazards)

const change = (values: Partial<Layer>): Problem | undefined =>
  project.changePlan(withLayer(plan.value, props.layer.index, values))

const shapes: Choice<'solid' | 'shell'>[] = [
  { value: 'solid', label: 'Solid', hint: 'Level, from below to its surface' },
  {
    value: 'shell',
    label: 'As a wall',
    hint: 'A hollow cast: the mould is turned until the resin stays on its walls',
  },
]
function pourAs(as: 'solid' | 'shell'): void {
  const solid = { by: 'height', top: project.compiled!.height } as const
  change({ fill: as === 'shell' ? usualShell : solid })
}

const joins: Choice<Layer['join']>[] = [
  {
    value: 'crisp',
    label: 'Crisp',
    hint: 'Poured in the join window: a clean line that bonds without sanding',
  },
  { value: 'soft', label: 'Soft', hint: 'Poured on syrup: the two blend a little' },
  {
    value: 'bled',
    label: 'Bled',
    hint: 'Poured while the lower one still runs: the two run together',
  },
]
const { field, choice } = fieldsOf(() => source.value, change)
</script>

<template>
  <div class="head">
    <TextField
      :key="`${layer.id}-name`"
      bare
      heading
      label="Name of the layer"
      v-bind="field('name')"
    />
    <span class="quiet small">{{ layer.index + 1 }} of {{ count }}</span>
  </div>

  <template v-if="layer.weighing">
    <SafetyLines before="Before you weigh" :lines="safety('weigh')" />
    <WeighTable :weighing="layer.weighing" :copies="plan.copies" :step="plan.scaleStep" />
    <CautionNotes :of="cautions('weigh')" :fixes="fixes" />
    <p v-if="layer.each && plan.copies > 1" class="row quiet small">
      <span>Each copy</span>
      <span>
        <b class="num">{{ show(layer.each.mass, 'mass', studio.units) }}</b><template
          v-if="layer.each.time !== undefined"
          >, <b class="num">{{ showDuration(layer.each.time) }}</b> to pour it</template
        >
      </span>
    </p>
  </template>

  <SegmentField
    label="Poured"
    :options="shapes"
    :value="source.fill.by === 'shell' ? 'shell' : 'solid'"
    @choose="pourAs"
  />
  <ShellFields
    v-if="source.fill.by === 'shell'"
    :layer="layer"
    :fill="source.fill"
    :fine="fine"
    :change="change"
    :narrow="narrow"
  />
  <template v-else>
    <QuantityField
      :key="`${layer.id}-top`"
      :label="`From ${show(layer.bottom, 'length', studio.units)} up to`"
      kind="length"
      :value="source.fill.by === 'height' ? source.fill.top : layer.top"
      :take="(top) => change({ fill: { by: 'height', top } })"
    />
    <QuantityField
      :key="`${layer.id}-volume`"
      :label="layer.inclusions > 0 ? 'Resin per copy, without inclusions' : 'Resin per copy'"
      kind="volume"
      :value="layer.resin"
      :take="(volume) => change({ fill: { by: 'volume', volume } })"
    />
  </template>
  <CautionNotes :of="cautions('fill')" :fixes="fixes" />

  <ShelfSelect label="Resin" kind="resin" v-bind="choice('resin')" />
  <CautionNotes :of="cautions('resin')" :fixes="fixes" />
  <TintList
    :key="`${layer.id}-tints`"
    :tints="source.tints"
    :resin="layer.weighing && resinIn(layer.weighing)"
    :take="(tints) => change({ tints })"
  />
  <CautionNotes :of="cautions('tint')" :fixes="fixes" />

  <SegmentField
    v-if="layer.index > 0 && source.fill.by !== 'shell'"
    above
    label="Join with the layer below"
    :options="joins"
    :value="source.join"
    @choose="change({ join: $event, wait: undefined })"
  />
  <p v-if="source.wait !== undefined && layer.index > 0" class="row quiet small">
    <span>Poured {{ showDuration(source.wait) }} after the one below, as you set it.</span>
    <ElButton link type="primary" @click="change({ wait: undefined })">
      As the join wants
    </ElButton>
  </p>
  <CautionNotes :of="cautions('join')" :fixes="fixes" />

  <div class="block">
    <h3>Inclusions</h3>
    <InclusionList
      :key="`${layer.id}-set`"
      :inclusions="source.inclusions"
      :take="(inclusions) => change({ inclusions })"
    />
    <CautionNotes :of="cautions('inclusions')" :fixes="fixes" />
  </div>

  <template v-if="layer.weighing">
    <CountField
      v-if="source.fill.by !== 'shell'"
      label="Number of cups"
      :value="layer.weighing.cups"
      :take="(cups) => change({ cups: cups > 1 ? cups : undefined })"
    />
    <AtTheCup
      v-if="resin && source.resin"
      :key="`${layer.id}-cup`"
      :material="source.resin"
      :two-part="resin"
      :tints="doses"
      :weighing="layer.weighing"
      :step="plan.scaleStep"
      :room="plan.room"
    />
  </template>

  <template v-if="layer.clock && resin">
    <SafetyLines before="Before you mix and pour" :lines="[...safety('mix'), ...safety('pour')]" />
    <dl class="times stack-4">
      <div class="row">
        <dt>Pourable for<Origin of="this time" :lines="origin" /></dt>
        <dd>
          <b class="num">{{ time(layer.clock.cupUntil - layer.clock.mixAt) }}</b>
          at {{ show(plan.room, 'temperature', studio.units)
          }}<template v-if="layer.batch"
            >, {{ show(layer.batch.mass, 'mass', studio.units) }} in the cup</template
          >
        </dd>
      </div>
      <div class="row">
        <dt>Gels after</dt>
        <dd>
          <span v-if="layer.clock.basis.gel !== 'sheet'">about </span>
          <b class="num">{{ time(layer.clock.gelAt - layer.clock.mixAt) }}</b>
        </dd>
      </div>
      <div v-if="layer.clock.peak" class="row">
        <dt>Hottest point</dt>
        <dd>
          about <b class="num">{{ degrees(layer.clock.peak.temperature) }}</b><template v-if="band"
            >, {{ band }}</template
          >, {{ time(layer.clock.peak.at - layer.clock.mixAt) }} after mixing
          <span v-if="layer.clock.peak.by === 'column'">(quick estimate)</span>
        </dd>
      </div>
      <div class="row">
        <dt>
          {{ hardWords }}
        </dt>
        <dd>
          <template v-if="layer.clock.trimAt !== undefined">
            after <b class="num">{{ time(layer.clock.trimAt - layer.clock.mixAt) }}</b>, out </template
          >after
          <b class="num">{{ showDuration(layer.clock.demouldAt - layer.clock.mixAt) }}</b>
        </dd>
      </div>
      <div v-if="layer.index > 0" class="row">
        <dt>Mix it, then pour it</dt>
        <dd>
          <b class="num">{{ time(layer.clock.mixAt) }}</b>,
          <b class="num">{{ time(layer.clock.pourAt) }}</b>
          after the first mix
        </dd>
      </div>
    </dl>
    <CautionNotes :of="[...cautions('heat'), ...cautions('clock')]" :fixes="fixes" />
  </template>
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: baseline;
  gap: 8px;
}

.block {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding-top: 4px;
}

h3 {
  color: var(--ink-2);
  font-size: var(--size-small);
  font-weight: 400;
}
</style>
