<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { cautionsAt } from '@mivro/core/base/caution'
import { usualDay, type Plan } from '@mivro/core/work/plan'
import type { Caution } from '@mivro/core/base/caution'
import type { Problem } from '@mivro/core/base/problem'
import { show, showTimeOfDay } from '@mivro/core/base/units'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import CautionNote from '../ui/CautionNote.vue'
import CautionNotes from '../ui/CautionNotes.vue'
import { fieldsOf } from '../ui/fields.ts'
import Fold from '../ui/Fold.vue'
import QuantityField from '../ui/QuantityField.vue'
import SegmentField from '../ui/SegmentField.vue'
import TimeField from '../ui/TimeField.vue'

/** Warmth, air and hours of the day that a pour happens in. */
const props = defineProps<{ take: (values: Partial<Plan>) => Problem | undefined }>()

const project = useProject()
const studio = useStudio()
const plan = computed(() => project.plan!)
const awake = computed(() => plan.value.awake ?? usualDay.awake)
const damp = computed(() => cautionsAt(project.compiled!.cautions, { field: 'humidity' }))
const night = computed(() =>
  project.compiled!.cautions.find(
    (found): found is Caution<'pour-at-night'> => found.code === 'pour-at-night',
  ),
)
const better = computed(() => night.value?.amounts.begin ?? undefined)
/** As its passport has it, until this pour says otherwise. */
const liked = computed(() => {
  const { warmth, warmthBy } = project.compiled!.into
  return warmthBy === 'mould'
    ? `${show(warmth!, 'temperature', studio.units)}, as it likes`
    : 'as the room'
})
const dew = computed(() => project.compiled!.dewPoint)
const { field } = fieldsOf(() => plan.value, props.take)
</script>

<template>
  <Fold title="Temperature and humidity" :open="damp.length > 0">
    <QuantityField
      label="Mould temperature"
      kind="temperature"
      optional
      :placeholder="liked"
      v-bind="field('mouldTemperature')"
    />
    <QuantityField
      label="Material temperature"
      kind="temperature"
      optional
      placeholder="as the room"
      v-bind="field('materialTemperature')"
    />
    <QuantityField
      label="Humidity"
      kind="fraction"
      optional
      placeholder="not known"
      v-bind="field('humidity')"
    />
    <p v-if="dew !== undefined" class="row quiet small">
      Water settles on what is colder than
      <b class="num">{{ show(dew, 'temperature', studio.units) }}</b>
    </p>
    <CautionNotes :of="damp" />
    <QuantityField
      label="Delay before pouring"
      kind="duration"
      optional
      placeholder="not at all"
      v-bind="field('standing')"
    />
    <SegmentField
      label="End of pouring"
      :options="[
        {
          value: 'doubled',
          label: 'Twice as thick',
          hint: 'Viscosity doubled: the sheet’s pot life',
        },
        { value: 'thick', label: '5 Pa·s', hint: 'As thick as honey: it hardly runs any more' },
      ]"
      :value="plan.pourEnd ?? 'doubled'"
      @choose="take({ pourEnd: $event })"
    />
  </Fold>
  <Fold title="Working hours" :open="night !== undefined">
    <TimeField label="First mix at" optional placeholder="no time" v-bind="field('begin')" />
    <TimeField
      label="Working hours from"
      :value="awake.from"
      :take="(from) => take({ awake: { ...awake, from: from ?? awake.from } })"
    />
    <TimeField
      label="until"
      :value="awake.until"
      :take="(until) => take({ awake: { ...awake, until: until ?? awake.until } })"
    />
    <CautionNote v-if="night" :caution="night" />
    <ElButton v-if="better !== undefined" @click="take({ begin: better })">
      Begin at {{ showTimeOfDay(better, studio.units) }}
    </ElButton>
    <p class="quiet small">
      With a time to begin, the clock shows times of day and the nights, and says when a pour would
      fall into one.
    </p>
  </Fold>
</template>
