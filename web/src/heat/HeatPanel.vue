<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { bandOf, type DeepestPour } from '@mivro/core/matter/cure'
import type { CompiledLayer } from '@mivro/core/work/plan'
import { sayHeatBand } from '@mivro/words/cure'
import { show, showDuration } from '@mivro/core/base/units'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import CautionNotes from '../ui/CautionNotes.vue'
import Origin from '../ui/Origin.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import QuantityField from '../ui/QuantityField.vue'
import SegmentField from '../ui/SegmentField.vue'
import { askDeepest } from '../work/pool.ts'
import HeatCharts from './HeatCharts.vue'
import type { Heat } from './useHeat.ts'
import WaysOut from './WaysOut.vue'
import WhatIf from './WhatIf.vue'

const props = defineProps<{ heat: Heat; layer?: CompiledLayer }>()
const project = useProject()
const studio = useStudio()
const plan = computed(() => project.plan!)
const compiled = computed(() => project.compiled!)

const degrees = (kelvin: number) => show(kelvin, 'temperature', studio.units)
const hottest = computed(() => {
  const { field, hottest: found } = props.heat
  if (!field.value || !found.value) return undefined
  const index = field.value.layers.indexOf(found.value)
  const { temperature, at } = found.value.hot
  const start = plan.value.materialTemperature ?? plan.value.room
  return {
    temperature,
    at,
    name: compiled.value.layers[index]?.name ?? '',
    ...bandOf(temperature, start),
  }
})

const hottestBand = computed(() => hottest.value && sayHeatBand(hottest.value, studio.units))
/** The layer that is asked about: the chosen one, or the one that runs hottest. */
const about = computed(() => {
  if (props.layer?.clock) return props.layer
  const poured = compiled.value.layers.filter(({ clock }) => clock)
  const heat = ({ clock }: CompiledLayer) => clock!.peak?.temperature ?? 0
  return poured.reduce<CompiledLayer | undefined>(
    (best, one) => (!best || heat(one) > heat(best) ? one : best),
    undefined,
  )
})
const deepest = shallowRef<DeepestPour>()
/** Nothing is asked where heat is no fault. */
const deepestQuestion = computed(() => {
  const { batch, heatLimit, thick = 0, depth = 0 } = about.value ?? {}
  if (!batch || !heatLimit) return undefined
  return {
    batch: { ...batch, of: undefined },
    limit: heatLimit.at,
    thick: thick < depth ? thick : undefined,
  }
})
watch(
  () => JSON.stringify(deepestQuestion.value),
  async (key) => {
    const asked = deepestQuestion.value
    if (!asked) return (deepest.value = undefined)
    const found = await askDeepest(asked)
    if (JSON.stringify(deepestQuestion.value) === key) deepest.value = found
  },
  { immediate: true },
)
const hot = computed(() =>
  compiled.value.cautions.filter(
    ({ code, place }) =>
      place.layer === about.value?.id &&
      (place.field === 'heat' || code === 'layer-too-deep' || code === 'cup-runs-hot'),
  ),
)
const deepestLines = computed(() => [
  `The deepest single pour whose hottest place stays below ${degrees(about.value?.heatLimit?.at ?? 0)}, by the heat balance of one column: bench, mould, resin and air, with the mould's wall beside it.`,
  `It can be off by −25 and +30 %, so the advice keeps to the low end${deepest.value?.by === 'sheet' ? ", and here to the sheet's own greatest depth" : ''}.`,
  'Halving the depth takes away far more than half the heat: it leaves by the faces.',
])
const hottestLines = computed(() => [
  'Heat and cure of every small piece of resin and mould, poured at the times of the clock: conduction by finite volumes, reaction as the sheet implies, loss to the air (10 W/m²K) and the bench (5 W/m²K).',
  'What is shown is the 95th percentile of the layer, since thin fronts overshoot. The rise can be off by −25 and +30 %.',
  'What is set in is metal, stone or wood in its cells, the mould silicone as thick as its box leaves it.',
])
const looks = { temperature: 'Temperature', alpha: 'Degree of cure' }
</script>

<template>
  <div class="head">
    <h2 class="title">Heat</h2>
    <span v-if="about" class="quiet small">{{ about.name }}</span>
  </div>
  <ProblemNote v-for="problem in heat.problems.value" :key="problem.code" :problem="problem" />
  <SegmentField
    label="Show"
    :options="looks"
    :value="heat.what.value"
    @choose="heat.show($event)"
  />
  <dl v-if="hottest" class="facts stack-8" :class="{ stale: heat.stale.value }">
    <div>
      <dt>Hottest<Origin of="this temperature" :lines="hottestLines" /></dt>
      <dd>
        <b>{{ degrees(hottest.temperature) }}</b>
        <span
          >in {{ hottest.name }}, {{ showDuration(hottest.at) }} after the first mix<template
            v-if="hottestBand"
            >; {{ hottestBand }}</template
          ></span
        >
      </dd>
    </div>
    <div v-if="deepest && about">
      <dt>Deepest pour<Origin of="this depth" :lines="deepestLines" /></dt>
      <dd>
        <b v-if="deepest.boundless && deepest.by === 'heat'">any depth</b>
        <b v-else>{{ show(deepest.advised, 'length', studio.units) }}</b>
        <span>
          <template v-if="deepest.boundless">
            {{
              deepest.by === 'sheet'
                ? 'by its sheet; the heat would allow more.'
                : 'stays below the limit here.'
            }}
          </template>
          <template v-else>
            at one go; estimated {{ show(deepest.low, 'length', studio.units) }} to
            {{ show(deepest.high, 'length', studio.units)
            }}<template v-if="deepest.by === 'sheet'">, the sheet allows no more</template>.
          </template>
          {{ about.name }} is {{ show(about.depth, 'length', studio.units) }} deep.
        </span>
      </dd>
    </div>
  </dl>
  <QuantityField
    label="Temperature limit"
    kind="temperature"
    optional
    :placeholder="compiled.heatLimit ? degrees(compiled.heatLimit.at) : 'no limit'"
    :value="plan.heatLimit"
    :take="(heatLimit) => project.changePlan({ ...plan, heatLimit })"
  />
  <template v-if="hot.length > 0 && about">
    <CautionNotes :of="hot" />
    <WaysOut :layer="about" :hot="hot.some(({ code }) => code !== 'cup-runs-hot')" />
  </template>
  <HeatCharts :heat="heat" :compiled="compiled" :room="plan.room" />
  <h3>In another room</h3>
  <WhatIf />
</template>

<style scoped>
.head {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: baseline;
}

.title {
  font-size: var(--size-lead);
}

.facts.stale {
  opacity: 0.5;
}

.facts > div {
  display: grid;
  grid-template-columns: 112px 1fr;
  gap: 10px;
}

dt {
  color: var(--ink-2);
  font-size: var(--size-small);
}

dd {
  display: flex;
  flex-direction: column;
}

dd b {
  font: 650 var(--size-head)/1.1 var(--num);
}

dd span {
  color: var(--ink-2);
  font-size: var(--size-small);
}
</style>
